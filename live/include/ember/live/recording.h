// SPDX-License-Identifier: GPL-3.0-or-later
// Presses that become strikes of the film.
#pragma once

#include <string_view>

#include "ember/live/live_bench.h"
#include "ember/project/edits.h"

namespace ember {

/// What recorded strikes are put on.
enum class Quantise { frames, beats, halfBeats, quarterBeats };

/// Where on the film live time runs: frame 0 of it is `start`, and after `last` it goes on at `first`.
struct LiveLine {
    std::int64_t start = 0;
    std::int64_t first = 0;
    std::int64_t last = 0;

    /// The film's frame at a frame of live time.
    std::int64_t filmFrame(std::int64_t live) const;
};

struct RecordedIn {
    Project project;
    StrikeIds ids;
    std::size_t past = 0;   ///< left out, as they lie past the film's end
    std::size_t joined = 0; ///< presses on a frame where one of their recipe stands: the stronger stays
};
/// The film with what was taken on its Reel. Beats count only where the project has a grid.
RecordedIn withRecorded(Project project, const LiveEvents& events, const LiveLine& line, Quantise quantise);

} // namespace ember
