// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/core/source.h"

#include <algorithm>
#include <cmath>
#include <numbers>

namespace ember {

namespace sourcefield {
const FieldSpec damping{"damping", "Damping", "",   0.02,
                        0.98,      0.25,      0.01, "Share of critical damping; less rebounds more"};
const FieldSpec octaves{"octaves", "Octaves", "", 1, 8, 2, 1, "Layers of noise, each finer than the one before"};
const FieldSpec gain{"gain", "Gain", "", 0, 1, 0.5, 0.05, "Strength of each octave against the one before"};
const FieldSpec lacunarity{
    "lacunarity", "Lacunarity", "", 1.2, 4, 2, 0.1, "Speed of each octave against the one before"};
const FieldSpec ratePeak{"rate", "Rate", "Hz", 0.05, 120, 10, 0.5, "Swings a second at the peak"};
const FieldSpec rateRest{
    "rate_rest", "Rate at rest", "Hz", 0.05, 120, 3, 0.5, "Swings a second the motion slows down to"};
const FieldSpec rateFall{"rate_fall", "Rate fall", "frames", 0.1,
                         2400,        12,          1,        "Frames in which the rate falls most of its way"};
} // namespace sourcefield

namespace {

/// Gradient noise crosses zero 1.5 times a cell on average, so 4/3 cells make one swing.
constexpr double cellsPerCycle = 4.0 / 3.0;

/// One number of the SplitMix64 sequence that starts at a (well-mixed) seed.
std::uint64_t step(std::uint64_t seed, std::uint64_t index)
{
    std::uint64_t z = seed + (index + 1) * 0x9e3779b97f4a7c15ULL;
    z = (z ^ (z >> 30)) * 0xbf58476d1ce4e5b9ULL;
    z = (z ^ (z >> 27)) * 0x94d049bb133111ebULL;
    return z ^ (z >> 31);
}

double unit(std::uint64_t bits)
{
    return static_cast<double>(bits >> 11) * 0x1.0p-53;
}

/// The slope at a lattice point, 0.5 to 1 either way. Points 0 and 1 are fixed so that the middle of cell 0, the peak,
/// is exactly the largest value gradient noise can have.
double gradient(std::uint64_t seed, std::int64_t point)
{
    if (point == 0)
        return 1.0;
    if (point == 1)
        return -1.0;
    const auto bits = step(seed, static_cast<std::uint64_t>(point));
    const double size = 0.5 + 0.5 * unit(bits);
    return (bits & 1) != 0 ? size : -size;
}

/// One octave of one-dimensional gradient noise (Perlin 1985, quintic fade 2002), scaled to -1 … 1.
double gradientNoise(std::uint64_t seed, double position)
{
    const double cell = std::floor(position);
    const double f = position - cell;
    const auto point = static_cast<std::int64_t>(cell);
    const double fade = f * f * f * (f * (f * 6.0 - 15.0) + 10.0);
    const double a = gradient(seed, point) * f;
    const double b = gradient(seed, point + 1) * (f - 1.0);
    return 2.0 * (a + fade * (b - a));
}

double noiseValue(const Noise& noise, double cycles, std::uint64_t seed)
{
    double sum = 0;
    double weights = 0;
    double squares = 0;
    double weight = 1;
    double speed = 1;
    for (int octave = 0; octave < noise.octaves; ++octave) {
        const auto octaveSeed = octave == 0 ? seed : ~step(seed, static_cast<std::uint64_t>(octave) << 40);
        sum += weight * gradientNoise(octaveSeed, 0.5 + cycles * cellsPerCycle * speed);
        weights += weight;
        squares += weight * weight;
        weight *= noise.gain;
        speed *= noise.lacunarity;
    }
    // More octaves average each other out. The bend lifts small values back to the liveliness of a single octave and
    // leaves 0 and ±1 where they are.
    const double value = sum / weights;
    const double bend = 1.5 * (weights / std::sqrt(squares) - 1.0);
    return value * (1.0 + bend) / (1.0 + bend * std::abs(value));
}

double kickValue(const Kick& kick, const SourceMoment& m)
{
    if (m.sinceStrike < 0)
        return -1.0;
    const double stiffness = std::sqrt(1.0 - kick.damping * kick.damping);
    const double ratio = kick.damping / stiffness;
    if (m.sinceStrike < m.peak) {
        // The impulse answer e^(-ζωt) sin ω't has its first maximum at ω't = atan(√(1-ζ²)/ζ).
        const double top = std::atan2(stiffness, kick.damping);
        const double angle = top * (m.sinceStrike / m.peak);
        return std::min(1.0, std::exp(ratio * (top - angle)) * std::sin(angle) / std::sin(top));
    }
    const double angle = 2.0 * std::numbers::pi * m.cycles;
    if (angle <= 0)
        return 1.0;
    return std::exp(-ratio * angle) * (std::cos(angle) + ratio * std::sin(angle));
}

} // namespace

double cyclesSincePeak(const Rate& rate, double frames, double framesPerSecond)
{
    if (frames <= 0)
        return rate.peakHz * frames / framesPerSecond;
    const double extra = (rate.peakHz - rate.restHz) * rate.fall * -std::expm1(-frames / rate.fall);
    return (rate.restHz * frames + extra) / framesPerSecond;
}

double sourceValue(const Source& source, const SourceMoment& moment, std::uint64_t seed)
{
    if (const auto* kick = std::get_if<Kick>(&source))
        return kickValue(*kick, moment);
    return noiseValue(std::get<Noise>(source), moment.cycles, seed);
}

std::uint64_t mixSeed(std::uint64_t seed, std::uint64_t a, std::uint64_t b)
{
    return step(step(step(seed, 0) ^ a, 0) ^ b, 0);
}

} // namespace ember
