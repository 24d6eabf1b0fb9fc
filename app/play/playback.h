// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstdint>

namespace ember::app {

/// Where playback is after so many samples (or other ticks) from its start: straight on, or round and round in a loop.
/// Sound and picture both ask this, so they cannot part.
struct PlayLine {
    std::int64_t start = 0;     ///< where it began
    std::int64_t loopFirst = 0; ///< [loopFirst, loopEnd) is repeated; no loop when empty or when it began past it
    std::int64_t loopEnd = 0;
    std::int64_t end = 0; ///< end of the film

    bool loops() const { return loopEnd > loopFirst && start < loopEnd; }
    /// The place after `played` ticks; never past `end` when there is no loop.
    std::int64_t at(std::int64_t played) const;
    /// How many ticks from `played` on run straight ahead, before a loop's seam or the end.
    std::int64_t straightFrom(std::int64_t played) const;
    bool finished(std::int64_t played) const { return !loops() && start + played >= end; }
};

} // namespace ember::app
