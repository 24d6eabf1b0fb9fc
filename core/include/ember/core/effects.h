// SPDX-License-Identifier: GPL-3.0-or-later
// What a strike does to the light of the picture, besides moving it.
#pragma once

#include <array>
#include <cstdint>
#include <optional>
#include <span>
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

/// The whole picture brighter or darker, as by the aperture.
struct ExposureKick {
    double stops = 0; ///< each doubles the light, each below 0 halves it
    Course course{Course::By::own, 0, 0, 6};

    bool operator==(const ExposureKick&) const = default;
};

/// Frames that are drawn graphically, as animators do at contact. Their brightness v is that of the picture as coded in
/// sRGB, cut off at black and reference white.
struct ImpactFrame {
    enum class Look {
        contrast, ///< every channel: smoothstep (3 u^2 - 2 u^3) about the threshold
        invert,   ///< every channel: 1 - v
        twoTone,  ///< the luminance by the same smoothstep, from the dark colour to the light one
    };
    double strength = 0; ///< ratio of the picture that is replaced
    Look look = Look::contrast;
    double threshold = 0.35; ///< v that becomes half of the way
    double softness = 0.15;  ///< from how far below to how far above it the way goes; 0: at once
    std::uint32_t dark = 0x000000;
    std::uint32_t light = 0xffffff;
    Course course{Course::By::own, 0, 1, 0}; ///< two frames

    bool operator==(const ImpactFrame&) const = default;
};

/// Out of focus: every point is a disc.
struct Defocus {
    double radius = 0; ///< pixels
    Course course{Course::By::own, 0, 0, 10};

    bool operator==(const Defocus&) const = default;
};

/// A ring that runs outwards from a point and pushes the picture out and back.
struct Ripple {
    enum class From {
        point, ///< of the frame
        place, ///< where the strike's place is seen; the frame's middle for one without
    };
    double amount = 0; ///< pixels it pushes at most
    From from = From::point;
    double x = 0.5;      ///< ratio of the frame's width
    double y = 0.5;      ///< and height
    double speed = 1200; ///< pixels a second, from the strike's onset on
    double width = 120;  ///< pixels from the ring's middle to either of its ends
    Course course{Course::By::own, 0, 6, 18};

    bool operator==(const Ripple&) const = default;
};

/// Grain that is thrown over the picture: light times 1 plus noise, another on every frame.
struct GrainBurst {
    double amount = 0;   ///< standard deviation, ratio of the light
    double size = 1.5;   ///< pixels
    bool colour = false; ///< each channel by itself
    Course course{Course::By::own, 0, 2, 10};

    bool operator==(const GrainBurst&) const = default;
};

/// Effects that are only there on every n-th frame of the strike, counted from its own frame.
struct Flicker {
    int every = 1; ///< 1: always
    enum class Count { frames, beats } count = Count::frames;
    bool streak = false;
    bool radial = false;
    bool fringe = false;
    bool flash = true;
    bool exposure = false;
    bool impact = false;
    bool defocus = false;
    bool ripple = false;
    bool grain = false;

    bool operator==(const Flicker&) const = default;
};

struct Effects {
    Streak streak;
    RadialStreak radial;
    Fringe fringe;
    Flash flash;
    ExposureKick exposure;
    ImpactFrame impact;
    Defocus defocus;
    Ripple ripple;
    GrainBurst grain;
    Flicker flicker;

    /// Whether any of them is ever seen.
    bool any() const;
    bool operator==(const Effects&) const = default;
};

/// Which effects are shown at all.
struct ShownEffects {
    bool blur = true;
    bool streak = true;
    bool radial = true;
    bool fringe = true;
    bool flash = true;
    bool exposure = true;
    bool impact = true;
    bool defocus = true;
    bool ripple = true;
    bool grain = true;
    bool flicker = true;
    bool layers = true;

    bool operator==(const ShownEffects&) const = default;
};

/// The effects that have an amount and a course, in the order of effectParts().
enum class EffectKind { streak, radial, fringe, flash, exposure, impact, defocus, ripple, grain };
inline constexpr std::size_t effectKinds = 9;

/// What each of them has.
struct EffectPart {
    EffectKind kind;
    std::string_view name;   ///< "streak"
    std::string_view amount; ///< key of the value without which it is nothing: "light.streak.length"
    double (*amountIn)(const Effects& effects);
    double& (*amountOf)(Effects& effects);
    const Course& (*courseIn)(const Effects& effects);
    Course& (*courseOf)(Effects& effects);
    bool Flicker::*flickers;
    bool ShownEffects::*shown;

    /// The key of its amount within the effects: "streak.length".
    std::string_view amountKey() const { return amount.substr(amount.find('.') + 1); }
};
std::span<const EffectPart, effectKinds> effectParts();

} // namespace ember
