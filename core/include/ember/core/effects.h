// SPDX-License-Identifier: GPL-3.0-or-later
// What a strike does to the light of the picture, besides moving it.
#pragma once

#include <array>
#include <cstdint>
#include <optional>
#include <string>
#include <string_view>

namespace ember {

/// Eight bits a channel, gamma-coded (sRGB).
struct Colour {
    std::uint8_t r = 0;
    std::uint8_t g = 0;
    std::uint8_t b = 0;
    bool operator==(const Colour&) const = default;
};

/// "#1a2b3c"
std::string colourText(const Colour& colour);
std::optional<Colour> colourFromText(std::string_view text);
/// A colour as one number, red in the highest byte, and back.
std::uint32_t colourNumber(const Colour& colour);
Colour colourFromNumber(std::uint32_t number);

/// How an effect comes and goes.
struct Course {
    enum class By {
        own,      ///< by the three lengths below, around the strike's peak
        envelope, ///< as strongly as the strike itself is felt
    };
    By by = By::own;
    double rise = 0; ///< frames before the peak in which it comes, never from before the onset
    double hold = 0; ///< frames after the peak that it stays
    double fall = 6; ///< frames in which it then goes, fast first

    bool operator==(const Course&) const = default;
};

/// 0 to 1 at `t` frames from the strike of an envelope with this onset and peak; `felt` is its intensity then.
/// Exactly 1 on the peak, exactly 0 from peak + hold + fall on.
double courseAt(const Course& course, double t, double onset, double peak, double felt);

/// Where a streak or fringe points.
enum class Toward {
    motion, ///< the way the picture is moving
    set,    ///< an angle
    centre, ///< from the middle of the frame outwards (fringe only)
};

/// Light drawn out in a line.
struct Streak {
    double length = 0; ///< pixels of the project's frame
    Toward toward = Toward::motion;
    double angle = 90; ///< degrees, 0 right, 90 down
    Course course{Course::By::own, 1, 0, 6};

    bool operator==(const Streak&) const = default;
};

/// Light drawn out from a centre.
struct RadialStreak {
    double length = 0; ///< pixels, at the corner of the frame
    double x = 0.5;    ///< ratio of the frame's width
    double y = 0.5;    ///< and height
    Course course{Course::By::own, 1, 0, 8};

    bool operator==(const RadialStreak&) const = default;
};

/// Red and blue torn apart, green left in its place.
struct Fringe {
    double amount = 0; ///< pixels that red goes one way and blue the other; towards the centre: at the frame's corner
    Toward toward = Toward::motion;
    double angle = 0;
    Course course{Course::By::own, 0, 0, 5};

    bool operator==(const Fringe&) const = default;
};

enum class Blend {
    add, ///< light on top of the picture's
    mix, ///< in place of it
};

struct Flash {
    double strength = 0; ///< ratio: of full light when added, of the picture replaced when mixed
    std::uint32_t colour = 0xfff0d8;
    Blend blend = Blend::add;
    Course course{Course::By::own, 0, 0, 8};

    bool operator==(const Flash&) const = default;
};

/// Effects that are only there on every n-th frame of the strike, counted from its own frame.
struct Flicker {
    int every = 1; ///< 1: always
    enum class Count { frames, beats } count = Count::frames;
    bool streak = false;
    bool radial = false;
    bool fringe = false;
    bool flash = true;

    bool operator==(const Flicker&) const = default;
};

struct Effects {
    Streak streak;
    RadialStreak radial;
    Fringe fringe;
    Flash flash;
    Flicker flicker;

    bool any() const { return streak.length > 0 || radial.length > 0 || fringe.amount > 0 || flash.strength > 0; }
    bool operator==(const Effects&) const = default;
};

} // namespace ember
