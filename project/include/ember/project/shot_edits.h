// SPDX-License-Identifier: GPL-3.0-or-later
// Edits of what a film is made of. All keep what belongs to the shots with them.
#pragma once

#include <cstdint>
#include <string>
#include <vector>

#include "ember/core/project.h"
#include "ember/project/edits.h"

namespace ember {

/// Gives a project other shots. Those that were there before are known by their identities.
/// - A strike goes with the frame of the clip it stands on. Where that frame is not shown any more it waits in its
///   shot's `trimmed`, and comes back when it is. With a shot that is gone its strikes are gone.
/// - A pinned strike stays on its frame of the film.
/// - A strike on a cut goes with the shot that begins there; with the next one that is left, where that is gone.
/// - Settle marks go with their frames too, but stop at the edges of their shot.
/// Layers, keys of the intensity, the beat grid and the drift belong to the film and stay where they are.
Project withShots(Project project, std::vector<Shot> shots);

struct ShotAdded {
    Project project;
    ShotId id;
};
/// A shot put before the one at `index`, or last.
ShotAdded withShotAdded(const Project& project, Shot shot, std::size_t index);
Project withoutShot(const Project& project, ShotId id);
/// The shot at another place in the order: 0 is the first.
Project withShotMoved(const Project& project, ShotId id, std::size_t index);
/// The in moved by frames of the film, later where positive; the frame it ends on stays. As far as the clip goes, and
/// at least one frame is left.
Project withInTrimmed(const Project& project, ShotId id, std::int64_t frames);
/// The out moved by frames, later where positive.
Project withOutTrimmed(const Project& project, ShotId id, std::int64_t frames);
/// Cuts the shots that are on show at these frames there, each so that it begins a shot of its own.
Project withShotsSplit(const Project& project, const std::vector<std::int64_t>& frames);
/// The same part of the clip at another speed: the shot is longer or shorter by it.
Project withShotSpeed(const Project& project, ShotId id, double speed);
/// Another clip from the same in on, as long as before, or as long as it goes. `found`: a shot that is all of it.
Project withClipReplaced(const Project& project, ShotId id, const Shot& found);
/// The clip `missing` is at another place now: all its shots, or where it is empty the first one, are of `found`, as
/// long as before.
Project withClipFound(Project project, const std::string& missing, const Shot& found);

/// A strike bound to the cut on this frame that throws one shot to the right into the next; the recipe is taken from
/// those that come with the program where the project has none of its name. A strike that is bound there already is
/// given back as it is.
StrikeAdded withCutStrike(Project project, std::int64_t cut);
/// Strikes bound to the cuts they stand on, or free of them.
Project withStrikesOnCut(Project project, const std::vector<StrikeId>& ids, bool on);
/// The cut nearest to a frame; nothing where there is none.
std::optional<std::int64_t> nearestCut(const Project& project, Frame frame);

/// How a shot's picture lies in the frame on a frame of the film: by its keys, where it has any.
Framing framingOn(const Project& project, ShotId id, Frame frame);
/// A key of the shot's framing on a frame of the film, in place of one that is there; the picture is placed from then
/// on.
Project withFramingKey(const Project& project, ShotId id, Frame frame, const Framing& values);
/// Without the key there. The last one leaves its values to the whole shot, so that nothing jumps.
Project withoutFramingKey(const Project& project, ShotId id, Frame frame);
/// The easing on the way that a frame of the film lies on.
Project withFramingEase(const Project& project, ShotId id, Frame frame, Ease ease);
/// Frames of the film that the shot's keys stand on; none of those that are trimmed away.
std::vector<Frame> framingKeyFrames(const Project& project, ShotId id);

/// The keys of all shots' moves that fall on their frames, on frames of the film.
std::vector<MoveKey> filmMove(const Project& project);
/// Gives each shot the keys that fall on its frames of the film, in place of those that did; keys on frames that were
/// trimmed away stay.
Project withFilmMove(Project project, const std::vector<MoveKey>& keys);

} // namespace ember
