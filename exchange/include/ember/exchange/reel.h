// SPDX-License-Identifier: GPL-3.0-or-later
// The shots of a film and its strikes as an OpenTimelineIO timeline.
#pragma once

#include <string>
#include <string_view>
#include <vector>

#include "ember/core/error.h"
#include "ember/core/project.h"
#include "ember/exchange/handed_motion.h"
#include "ember/exchange/strike_list.h"

namespace ember {

/// How each shot moves, in the film's order: frame 0 is the shot's own first one. None where nothing of it moves.
using ReelMotions = std::vector<std::optional<HandedMotion>>;
/// A track of clips, stills and gaps, and a marker for each strike. Clips are named by file: addresses; a shot's own
/// move and what it has of strikes that wait are left out. Motions are what handedToJson tells, in the clips' metadata
/// under "vast-ember": OpenTimelineIO has no transform with keys of its own.
std::string reelToOtio(const Project& project, const std::string& name, const ReelMotions& motions = {});

struct ListedReel {
    FrameRate rate;
    std::vector<Shot> shots; ///< paths as they are in the timeline, without what is known of the clips
    StrikeList strikes;
};
/// The first track that shows pictures, and every marker. Transitions are passed over; a clip whose medium is missing
/// is a gap of its length. An error when there is no such track or a time in it cannot be read.
Result<ListedReel> reelFromOtio(std::string_view text);

} // namespace ember
