// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstddef>
#include <vector>

#include "ember/core/projection.h"
#include "ember/core/time.h"

namespace ember {

/// Where the content of a picture went: the point p goes to c + zoom R(roll) (p - c) + (x, y), with c the picture's
/// middle ((width - 1)/2, (height - 1)/2), x to the right and y down in pixels, roll clockwise as seen.
struct Similarity {
    double x = 0;
    double y = 0;
    double roll = 0; ///< degrees
    double zoom = 1;

    bool operator==(const Similarity&) const = default;
    Point map(Point p, Point middle) const;
    /// What this does after another has been done.
    Similarity after(const Similarity& first) const;
    Similarity inverse() const;
};

/// The mean distance, in pixels, of where two of them put the four corners of a picture.
double cornerDistance(const Similarity& a, const Similarity& b, int width, int height);

struct CapturedFrame {
    Similarity moved;      ///< of the picture's content since the first frame
    double confidence = 1; ///< 0 to 1; 0 where it could not be measured and is bridged from its neighbours

    bool operator==(const CapturedFrame&) const = default;
};

/// The motion of a camera, read from what it filmed.
struct CapturedMotion {
    int width = 0; ///< of the pictures it was read from
    int height = 0;
    FrameRate rate;
    std::vector<CapturedFrame> frames;

    bool operator==(const CapturedMotion&) const = default;
    /// Frames that could not be measured.
    std::size_t bridged() const;
};

/// What of a motion is faster than this many seconds, which are at least 0: a pan that was meant stays out, the shake
/// stays. What is slower is the motion smoothed by a Gaussian that halves the power of a sway of that period, continued
/// at both ends as it tends to there, so that a steady pan leaves nothing.
CapturedMotion fasterThan(const CapturedMotion& motion, double seconds);

} // namespace ember
