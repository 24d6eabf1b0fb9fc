// SPDX-License-Identifier: GPL-3.0-or-later
// When a frame sees: the shutter, its instants, and rows that are read one after the other.
#pragma once

#include <vector>

#include "ember/core/motion.h"
#include "ember/core/project.h"

namespace ember {

/// The poses one frame is seen at: each instant of the open shutter, and at each the rows' own where these are read
/// one after the other.
struct Exposure {
    int rows = 1;            ///< poses at every instant: 1, or for evenly spaced rows from the first to the last
    std::vector<Pose> poses; ///< instant by instant, rows within; never empty
    Pose middle;             ///< at the frame's middle row, in the middle of the shutter

    int instants() const { return static_cast<int>(poses.size()) / rows; }
    const Pose& at(int instant, int row) const
    {
        return poses[static_cast<std::size_t>(instant) * static_cast<std::size_t>(rows) +
                     static_cast<std::size_t>(row)];
    }
    bool still() const { return poses.size() == 1; }
    /// A frame that does not move while it is seen.
    static Exposure of(const Pose& pose) { return {1, {pose}, pose}; }
};

/// Rows with poses of their own, when rows are read one after the other.
inline constexpr int rollingRows = 17;
/// Most instants that are chosen without being asked for.
inline constexpr int mostOwnSamples = 128;
/// The way a corner goes from one instant to the next when the number of instants is left open, in pixels: an edge
/// becomes a ramp in steps so short that they run into each other.
inline constexpr double sampleStep = 1.25;

/// How frame `time` of the project is seen. Where the picture goes less than a quarter of a pixel while the shutter is
/// open there is one instant only; at rest it is exactly rest.
Exposure exposureOf(const Project& project, const Motion& motion, FrameTime time);

/// The longest way a corner of the picture goes between two instants, in pixels, along its path.
double wayBetween(const Project& project, const Motion& motion, FrameTime from, FrameTime to);

/// How far before and after its own instant a frame may see, in frames.
double exposureReach(const Finish& finish, const Motion& motion);

} // namespace ember
