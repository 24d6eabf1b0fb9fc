// SPDX-License-Identifier: GPL-3.0-or-later
// The zoom that hides the border.
#pragma once

#include <cstdint>
#include <vector>

#include "ember/core/exposure.h"
#include "ember/core/project.h"
#include "ember/core/projection.h"

namespace ember {

/// The part of a frame that is to be covered, about its middle, in pixels.
struct SeenPart {
    double width = 0;
    double height = 0;
};
/// All of the frame, or what the letterbox leaves of it where the cover may use that.
SeenPart partToCover(const Project& project);
/// Whole pixels that a letterbox of this ratio covers on each side of a frame.
struct Bars {
    int side = 0; ///< left and right
    int top = 0;  ///< above and below
};
Bars barsOf(double letterbox, int width, int height);

/// The smallest zoom about the centre, 1 or more, with which the seen part of a frame of this pose shows no point
/// outside the source: every pixel centre of it then falls between the source's outermost pixel centres. Exact, in
/// closed form: the four corners suffice because a projective map keeps the frame convex, and each bound is linear in
/// 1/zoom. Infinite when no zoom can do it (the centre itself looks beyond the source).
double coverZoom(const Pose& pose, int width, int height);
double coverZoom(const Pose& pose, int width, int height, const SeenPart& part);
/// The same for everything a frame sees while its shutter is open.
double coverZoom(const Exposure& exposure, int width, int height, const SeenPart& part);

/// What a project's frame needs.
double neededCover(const Project& project, const Motion& motion, std::int64_t frame);

/// No cover zooms further than this; a shot that would need more shows its border instead, and is told so.
inline constexpr double largestCover = 4.0;

struct Cover {
    double zoom = 1;             ///< of every frame; where frames have their own, the largest
    double needed = 1;           ///< what would be needed; more than zoom when there is no help
    std::int64_t worstFrame = 0; ///< the frame that needs it
    std::vector<double> breath;  ///< each frame's own, when breathing or of several shots

    double at(std::int64_t frame) const
    {
        return frame >= 0 && frame < static_cast<std::int64_t>(breath.size()) ? breath[static_cast<std::size_t>(frame)]
                                                                              : zoom;
    }
};

/// The cover a project asks for, from what each of its frames needs.
Cover coverFrom(const Project& project, const std::vector<double>& needed);
/// The same, with the needs worked out.
Cover coverOf(const Project& project, const Motion& motion);

/// The frames that show beyond the source, in order: those that need more than they get.
std::vector<std::int64_t> uncoveredFrames(const Cover& cover, const std::vector<double>& needed);
/// A shot's cover in short.
struct ShotCover {
    std::int64_t first = 0; ///< frames [first, end) of the film
    std::int64_t end = 0;
    double needed = 1;           ///< by the frame that needs most
    std::int64_t worstFrame = 0; ///< that frame; the first where nothing moves
    double zoom = 1;             ///< in force, the largest of the shot
    std::int64_t uncovered = 0;  ///< frames that show beyond the source
};
/// Of every shot, to the last bit what coverFrom() and uncoveredFrames() tell of them. Without a breathing cover only
/// those frames are worked out which can need the most.
std::vector<ShotCover> shotCovers(const Project& project, const Motion& motion);

/// What every frame of a project needs, 1 where nothing moves.
std::vector<double> neededCovers(const Project& project, const Motion& motion);

/// A zoom for every frame that is never less than needed, rises and falls by at most `speed` a frame and without a
/// corner, and is exactly 1 away from where it is needed. `speed` above 0.
std::vector<double> breathingCover(const std::vector<double>& needed, double speed);

} // namespace ember
