// SPDX-License-Identifier: GPL-3.0-or-later
// Whether a film can be watched without harm: figures of its motion. What its light does is told by analysis/flashes.h.
#pragma once

#include <cstdint>
#include <string>
#include <vector>

#include "ember/core/phrase.h"
#include "ember/core/project.h"

namespace ember {

/// Figures of how a stretch of a film shakes. What the camera does by itself does not count. Distances and speeds are
/// those of the corner of the picture that goes farthest, as ratios of the picture's width.
struct ComfortFigures {
    std::int64_t first = 0; ///< frames [first, first + frames) of the film
    std::int64_t frames = 0;
    double seconds = 0;
    double shaken = 0;            ///< share of the frames that are farther from rest than can be overlooked
    double unstruck = 0;          ///< share of those frames that no strike has hit in the second before
    double longest = 0;           ///< seconds of the longest stretch without a frame at rest
    std::int64_t longestFrom = 0; ///< its first frame
    double displacement = 0;      ///< the farthest from rest
    std::int64_t farthestFrame = 0;
    double speed = 0; ///< the fastest, ratios a second
    std::int64_t fastestFrame = 0;
    double rollSpeed = 0; ///< degrees a second, the fastest
    std::int64_t rollFrame = 0;
    double ripple = 0; ///< the farthest a ripple pushes any part of the picture
    std::int64_t rippleFrame = 0;
    double sway = 0;     ///< root mean square of what moves 0.1 to 0.5 times a second
    double swayRoll = 0; ///< the same of the roll, degrees
    int strikes = 0;
    int strikesInMinute = 0; ///< most that are felt within a minute

    bool operator==(const ComfortFigures&) const = default;
};

/// Frames whose farthest corner is less than this share of the width from rest count as at rest.
inline constexpr double overlooked = 0.0005;

/// What each figure should stay within; docs/comfort.md tells where they come from.
struct ComfortLimits {
    double shaken = 0.5;
    double longest = 10; ///< seconds
    double displacement = 0.05;
    double speed = 1.0;
    double rollSpeed = 60; ///< degrees a second
    double sway = 0.005;
    double swayRoll = 1.0; ///< degrees
    int strikesInMinute = 60;
};

/// Figures of frames [first, end) of a film; none when there are none.
ComfortFigures comfortOf(const Project& project, std::int64_t first, std::int64_t end);

/// One line of a report.
struct ComfortLine {
    std::string key;  ///< "shaken", "longest", …
    Phrase sentence;  ///< what was found, where
    double value = 0; ///< in the unit of the limit
    double limit = 0;
    std::string unit;
    std::int64_t frame = 0; ///< where to look at it
    bool within() const { return value <= limit; }
};
std::vector<ComfortLine> comfortLines(const ComfortFigures& figures, const FrameRate& rate,
                                      const ComfortLimits& limits = {});

/// How far the farthest corner of a picture is from where it rests, as a ratio of its width.
double cornerDisplacement(const Pose& pose, int width, int height);
/// How far the corner goes that goes farthest between two poses, as a ratio of the width.
double cornerStep(const Pose& from, const Pose& to, int width, int height);

} // namespace ember
