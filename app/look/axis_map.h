// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>
#include <vector>

namespace ember::app {

/// Frames to pixels along a straight axis. Doubles throughout; only painters round.
struct EvenMap {
    double firstFrame = 0;
    double lastFrame = 1;
    double left = 0;
    double right = 1;

    double toPixel(double frame) const;
    double toFrame(double pixel) const;
    double toFrameInside(double pixel) const; ///< clamped to the axis
    double framesPerPixel() const { return (lastFrame - firstFrame) / (right - left); }
};

/// Frames from a strike to pixels, stretched near the strike: position grows with asinh(frame / 5), so that one frame
/// of attack and five seconds of rumble can both be seen. `even` makes it straight.
struct StrikeMap {
    double firstFrame = -2;
    double lastFrame = 48;
    double left = 0;
    double right = 1;
    bool even = false;

    double toPixel(double frame) const;
    double toFrame(double pixel) const;
    bool operator==(const StrikeMap&) const = default;

private:
    double bend(double frame) const;
};

struct Tick {
    double value;
    std::string label;
};

/// Whole frames to label on an even axis, at least `spacing` pixels apart, in steps that divide seconds of the rate
/// well.
std::vector<Tick> filmTicks(const EvenMap& map, double framesPerSecond, double spacing);

/// Frames from the strike to label, signed, at least `spacing` pixels apart; 0 is always among them.
std::vector<Tick> strikeTicks(const StrikeMap& map, double spacing);

} // namespace ember::app
