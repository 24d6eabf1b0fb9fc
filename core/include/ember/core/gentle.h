// SPDX-License-Identifier: GPL-3.0-or-later
// The gentle version: the same film for people whom the full one would harm.
#pragma once

namespace ember {

struct Overlap;
struct Project;
struct Recipe;
class FrameRate;

/// What a gentle version keeps of the full one.
struct Gentle {
    double strength = 0.4;      ///< ratio of every shake and of the drift, 0 to 1
    bool flash = false;         ///< flashes, impact effects, and effects that flicker
    bool roll = false;          ///< roll, pan and tilt
    double displacement = 0.02; ///< how far a corner of the picture may go from its rest, ratio of the width
    double speed = 0.5;         ///< and how fast, ratios of the width a second

    bool operator==(const Gentle&) const = default;
};

/// The gentle version of a project, itself a project: every strike is weaker by the share, and where one alone would
/// still pass a limit, so much weaker that it does not; what several do together is brought below by the film's
/// intensity. Displacement is within its limit on every whole and half frame, speed from each frame to the next, for
/// the shake; what the camera does by itself stays. At the top of its range a limit is none. The result's own `gentle`
/// keeps everything, so that the gentle version of it is itself.
Project gentled(const Project& project);

/// A recipe's strikes stay this strong at most where the gentle version of it is played.
inline constexpr double gentleStrength = 1.0;

/// The gentle version of a recipe in a frame of this size and rate, for playing it elsewhere: amounts that keep strikes
/// of at most `gentleStrength` within the limits. How far it goes is exact, since peaks are; how fast is that of 64
/// seeds, in eight directions where it has one.
Recipe gentled(const Recipe& recipe, const Gentle& gentle, int width, int height, const FrameRate& rate);
/// Together its strikes are felt no more than one.
Overlap gentled(Overlap overlap);

} // namespace ember
