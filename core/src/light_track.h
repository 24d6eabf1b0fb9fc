// SPDX-License-Identifier: GPL-3.0-or-later
// Inside motion: what strikes do to the light of the picture.
#pragma once

#include <array>
#include <vector>

#include "stage.h"

namespace ember {

class LightTrack {
public:
    explicit LightTrack(const Project& project);

    /// `motion` tells which way the picture goes; `master` scales all.
    LightNow at(const Motion& motion, FrameTime time, double master) const;
    /// See Motion.
    double shutterAt(FrameTime time, double filmAngle) const;
    double mostShutter() const;

private:
    /// What strikes of a recipe share.
    struct Kind {
        explicit Kind(const Recipe& recipe);
        /// Whether any of it is ever seen.
        bool any() const;

        Effects effects;
        Envelope envelope;
        // Over frames from the strike, in place of amounts and their courses, of angles and of the film's shutter.
        std::array<Curve, effectKinds> amounts;
        Curve streakAngle;
        Curve fringeAngle;
        Curve shutter;
    };
    struct Lit {
        double frame;
        double strength;
        Settling settling;
        double directionX;
        double directionY;
        std::uint32_t seed;
        std::size_t kind;
    };
    class Gathered;
    bool treated(const Flicker& flicker, const Lit& lit, FrameTime time) const;

    ShownEffects shown_;
    double width_;
    double height_;
    double framesPerSecond_;
    std::optional<BeatGrid> beats_;
    std::vector<std::int64_t> cuts_;
    std::vector<Kind> kinds_;
    std::vector<Lit> lit_;
    SpanIndex index_;
};

} // namespace ember
