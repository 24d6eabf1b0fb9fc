// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstdint>

namespace ember::app {

/// A stretch of the film that is played over and over; both frames included.
struct LoopRange {
    std::int64_t first = 0;
    std::int64_t last = -1;
    bool on = false;

    bool set() const { return last > first; }
    bool operator==(const LoopRange&) const = default;
};

} // namespace ember::app
