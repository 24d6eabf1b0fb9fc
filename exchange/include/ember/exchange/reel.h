// SPDX-License-Identifier: GPL-3.0-or-later
// The shots of a film and its strikes as an OpenTimelineIO timeline.
#pragma once

#include <string>
#include <string_view>
#include <vector>

#include "ember/core/error.h"
#include "ember/core/project.h"
#include "ember/exchange/strike_list.h"

namespace ember {

/// A track of clips, stills and gaps, and a marker for each strike. Clips are named by file: addresses; a shot's own
/// move and what it has of strikes that wait are left out.
std::string reelToOtio(const Project& project, const std::string& name);

struct ListedReel {
    FrameRate rate;
    std::vector<Shot> shots; ///< paths as they are in the timeline, without what is known of the clips
    StrikeList strikes;
};
/// The first track that shows pictures, and every marker. Transitions are passed over; a clip whose medium is missing
/// is a gap of its length. An error when there is no such track or a time in it cannot be read.
Result<ListedReel> reelFromOtio(std::string_view text);

} // namespace ember
