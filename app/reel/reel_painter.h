// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <functional>
#include <set>
#include <span>

#include "ember/analysis/candidates.h"
#include "ember/core/sound.h"
#include "ember/core/survey.h"
#include "ember/image/image.h"
#include "loop_range.h"
#include "reel_geometry.h"
#include "reel_lanes.h"

class QPainter;
class QString;

namespace ember::app {

/// All the Reel's painter needs to know.
struct ReelPicture {
    const Project& project;
    std::span<const Way> ways; ///< of the picture's corner in each frame
    const LoopRange& loop;
    const std::vector<StrikeId>& selection;
    StrikeId hovered;
    const Waveform& waveform;
    bool silent;                          ///< the clip has no sound
    std::span<const Candidate> proposals; ///< strikes that are proposed
    std::optional<std::size_t> inHand;    ///< the proposal that is decided on
    const std::set<std::int64_t>& picked; ///< frames of those that are decided on together
    std::optional<BeatGrid> beats;
    std::function<ImagePtr(std::int64_t frame)> thumb; ///< null while it is not there
    bool timecode = false;                             ///< on the ruler, in place of frames
    MovePart part = MovePart::x;                       ///< what the lane of the camera move shows
};

/// A shot that is being trimmed or moved: where its end would be, and in words.
struct ShotDrag {
    double x = 0;
    QString says;
};
/// Over all: what a drag in the lane of shots will do.
void paintShotDrag(QPainter& painter, const ReelLayout& layout, const ShotDrag& drag);
/// The shot that is worked on.
void paintShotHere(QPainter& painter, const ReelLayout& layout, const ReelPicture& picture, std::int64_t playhead);

/// What lies under the strikes: the ruler, the thumbnails, the sound.
void paintReelGround(QPainter& painter, const ReelLayout& layout, const ReelPicture& picture);
/// Shots, settle marks, strikes and the trace, which every edit may change.
void paintReelStrikes(QPainter& painter, const ReelLayout& layout, const ReelPicture& picture);
void paintReelPlayhead(QPainter& painter, const ReelLayout& layout, std::int64_t playhead);
/// Proposed strikes over frames and sound, the beats they may fall on.
void paintReelProposals(QPainter& painter, const ReelLayout& layout, const ReelPicture& picture);
/// The rubber band over the sparks between two pixels.
void paintReelBand(QPainter& painter, const ReelLayout& layout, double x0, double x1);

/// The motion in one pixel's width of the trace, as the lowest and highest value there: the way of the picture's
/// corner, in pixels.
struct TraceSlot {
    double low = 0;
    double high = 0;
};
/// A slot for each pixel of the trace; straight between frames, and no frame is missed however many a pixel stands for.
std::vector<TraceSlot> traceSlots(const ReelLayout& layout, std::span<const Way> ways, float Way::*axis);

} // namespace ember::app
