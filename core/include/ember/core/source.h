// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstdint>
#include <variant>

#include "ember/core/field.h"

namespace ember {

/// Fields of the sources and of the rate, for checking, clamping and labels.
namespace sourcefield {
extern const FieldSpec damping;
extern const FieldSpec octaves;
extern const FieldSpec gain;
extern const FieldSpec lacunarity;
extern const FieldSpec ratePeak;
extern const FieldSpec rateRest;
extern const FieldSpec rateFall;
} // namespace sourcefield

/// How fast a source runs: `peakHz` up to the peak, from there falling towards `restHz`; after `fall` frames the
/// difference is 1/e of what it was.
struct Rate {
    double peakHz = 10;
    double restHz = 3;
    double fall = 12;

    bool operator==(const Rate&) const = default;
};

/// Cycles run through since the peak, `frames` frames after it (negative before it). The exact integral of the rate:
/// rest·t + (peak - rest)·fall·(1 - e^(-t/fall)); so the phase never jumps when the rate changes.
double cyclesSincePeak(const Rate& rate, double frames, double framesPerSecond);

/// One directed blow with rebound: a damped spring that answers an impulse (linear vibration theory). From its first
/// maximum on it follows e^(-ζωt)·(cos ω't + ζ/√(1-ζ²)·sin ω't); before, the rise of the same answer.
struct Kick {
    double damping = 0.25; ///< ζ, the share of critical damping, 0.02 to 0.98

    bool operator==(const Kick&) const = default;
};

/// Smooth gradient noise in octaves, each `lacunarity` times as fast and `gain` times as strong as the one before.
struct Noise {
    int octaves = 2;         ///< 1 to 8
    double gain = 0.5;       ///< 0 to 1
    double lacunarity = 2.0; ///< 1.2 to 4

    bool operator==(const Noise&) const = default;
};

using Source = std::variant<Kick, Noise>;

/// Where in its run a source is asked for its value.
struct SourceMoment {
    double sinceStrike = 0; ///< frames, negative during the lead
    double peak = 0;        ///< frames from the strike to the peak
    double hold = 0;        ///< frames the peak stays
    double cycles = 0;      ///< cyclesSincePeak at this moment
};

/// The normalised value of a source, -1 to 1 and exactly 1 at the peak, whatever the seed. A kick is held at 1 through
/// the hold and does not depend on the seed; noise is another run for each seed.
double sourceValue(const Source& source, const SourceMoment& moment, std::uint64_t seed);

/// Well-mixed 64 bits from a seed and two numbers (the SplitMix64 finaliser, Steele, Lea and Flood 2014).
std::uint64_t mixSeed(std::uint64_t seed, std::uint64_t a, std::uint64_t b = 0);

} // namespace ember
