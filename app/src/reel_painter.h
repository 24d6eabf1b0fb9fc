// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <functional>

#include "ember/core/image.h"
#include "ember/core/motion.h"
#include "ember/core/sound.h"
#include "loop_range.h"
#include "reel_geometry.h"

class QPainter;

namespace ember::app {

/// All the Reel's painter needs to know.
struct ReelPicture {
    const Project& project;
    const Motion& motion;
    const LoopRange& loop;
    const std::vector<StrikeId>& selection;
    StrikeId hovered;
    const Waveform& waveform;
    bool silent;                                       ///< the clip has no sound
    std::function<ImagePtr(std::int64_t frame)> thumb; ///< null while it is not there
};

/// All that does not move while the film plays.
void paintReelPaper(QPainter& painter, const ReelLayout& layout, const ReelPicture& picture);
void paintReelPlayhead(QPainter& painter, const ReelLayout& layout, std::int64_t playhead);
/// The rubber band over the sparks between two pixels.
void paintReelBand(QPainter& painter, const ReelLayout& layout, double x0, double x1);

/// The motion in one pixel's width of the trace, as the lowest and highest value there: what is felt at the picture's
/// edge, in pixels, signed by its way.
struct TraceSlot {
    double low = 0;
    double high = 0;
};
/// A slot for each pixel of the trace. Peaks are never missed, however many frames a pixel stands for.
std::vector<TraceSlot> traceSlots(const ReelLayout& layout, const Project& project, const Motion& motion);

} // namespace ember::app
