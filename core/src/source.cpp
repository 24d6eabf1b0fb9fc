// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/core/source.h"

#include <algorithm>
#include <cmath>
#include <numbers>

namespace ember {

namespace {

/// Gradient noise crosses zero 1.5 times a cell on average, so 4/3 cells make one swing.
constexpr double cellsPerCycle = 4.0 / 3.0;

constexpr double fullTurn = 2.0 * std::numbers::pi;

/// One number of the SplitMix64 sequence that starts at a (well-mixed) seed.
std::uint64_t step(std::uint64_t seed, std::uint64_t index)
{
    std::uint64_t z = seed + (index + 1) * 0x9e3779b97f4a7c15ULL;
    z = (z ^ (z >> 30)) * 0xbf58476d1ce4e5b9ULL;
    z = (z ^ (z >> 27)) * 0x94d049bb133111ebULL;
    return z ^ (z >> 31);
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
    const double size = 0.5 + 0.5 * unitOf(bits);
    return (bits & 1) != 0 ? size : -size;
}

/// One octave of one-dimensional gradient noise (Perlin 1985, quintic fade 2002), scaled to -1 … 1. With a `period` the
/// lattice comes round after as many points.
double gradientNoise(std::uint64_t seed, double position, std::int64_t period)
{
    const double cell = std::floor(position);
    const double f = position - cell;
    auto point = static_cast<std::int64_t>(cell);
    auto next = point + 1;
    if (period > 0) {
        point = ((point % period) + period) % period;
        next = (point + 1) % period;
    }
    const double fade = f * f * f * (f * (f * 6.0 - 15.0) + 10.0);
    const double a = gradient(seed, point) * f;
    const double b = gradient(seed, next) * (f - 1.0);
    return 2.0 * (a + fade * (b - a));
}

double noiseValue(const Noise& noise, double position, std::uint64_t seed)
{
    double sum = 0;
    double weights = 0;
    double squares = 0;
    double weight = 1;
    double speed = 1;
    for (int octave = 0; octave < noise.octaves; ++octave) {
        const auto octaveSeed = octave == 0 ? seed : ~step(seed, static_cast<std::uint64_t>(octave) << 40);
        std::int64_t period = 0;
        double cells = cellsPerCycle * speed;
        if (noise.loop > 0) { // the nearest speed at which this octave fits the loop a whole number of times
            period = std::max<std::int64_t>(3, std::llround(noise.loop * cells));
            cells = static_cast<double>(period) / noise.loop;
        }
        sum += weight * gradientNoise(octaveSeed, 0.5 + position * cells, period);
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

double valueOf(const Kick& kick, const SourceMoment& m, Axis, std::uint64_t)
{
    const double stiffness = std::sqrt(1.0 - kick.damping * kick.damping);
    const double ratio = kick.damping / stiffness;
    if (m.sinceOnset < m.attack) {
        // The impulse answer e^(-ζωt) sin ω't has its first maximum at ω't = atan(√(1-ζ²)/ζ).
        const double top = std::atan2(stiffness, kick.damping);
        const double angle = top * (m.sinceOnset / m.attack);
        return std::min(1.0, std::exp(ratio * (top - angle)) * std::sin(angle) / std::sin(top));
    }
    const double angle = fullTurn * m.cycles;
    if (angle <= 0)
        return 1.0;
    return std::exp(-ratio * angle) * (std::cos(angle) + ratio * std::sin(angle));
}

double valueOf(const Noise& noise, const SourceMoment& m, Axis, std::uint64_t seed)
{
    return noiseValue(noise, m.cycles, seed);
}

double valueOf(const Jitter& jitter, const SourceMoment& m, Axis, std::uint64_t seed)
{
    // Whole frames may come out a hair before themselves when the strike's frame and a fraction are added.
    const double cell = std::floor(m.pace / jitter.every + 1e-9);
    if (cell == 0)
        return 1.0;
    return 2.0 * unitOf(step(seed, static_cast<std::uint64_t>(static_cast<std::int64_t>(cell)))) - 1.0;
}

double valueOf(const Oscillation& swing, const SourceMoment& m, Axis axis, std::uint64_t seed)
{
    const auto i = static_cast<std::size_t>(axis);
    double apart = swing.phase[i] / 360.0;
    if (swing.start == PhaseStart::seeded)
        apart += unitOf(seed) - 0.5;
    apart = std::remainder(apart, 1.0);
    const double cycles = m.cycles * swing.ratio[i];
    // All phases meet at the peak's crest and part within a swing; the slope of the parting, at most 3/2 · 1/2, keeps
    // the phase running forwards.
    const double away = std::min(1.0, std::abs(cycles));
    const double phase = cycles + apart * away * away * (3.0 - 2.0 * away);
    const double turn = phase - std::floor(phase);
    double value = 0;
    switch (swing.wave) {
    case Wave::sine: value = std::cos(fullTurn * turn); break;
    case Wave::triangle: value = std::abs(4.0 * turn - 2.0) - 1.0; break;
    case Wave::square: value = turn < 0.25 || turn >= 0.75 ? 1.0 : -1.0; break;
    }
    return value < 0 ? value * swing.back[i] : value;
}

double valueOf(const Drawn& drawn, const SourceMoment& m, Axis axis, std::uint64_t)
{
    const auto& keys = drawn.keys[static_cast<std::size_t>(axis)];
    if (drawn.asDrawn)
        return handValue(keys, drawn.home, m.pace);
    return keys.empty() ? 1.0 : valueOfKeys(keys, m.pace);
}

double valueOf(const Captured& captured, const SourceMoment& m, Axis axis, std::uint64_t seed)
{
    constexpr double lift = 0.25; // seconds either way of the peak
    if (captured.motion.empty())
        return 0.0;
    const double start = captured.motion.violentTime(seed);
    const double filmed = captured.motion.at(axis, start + m.seconds * captured.speed);
    const double side = captured.motion.at(axis, start) < 0 ? -1.0 : 1.0;
    const double far = std::min(1.0, std::abs(m.seconds) / lift);
    const double share = (1 - far * far) * (1 - far * far);
    return (1 - share) * side * filmed + share;
}

} // namespace

double cyclesSincePeak(const Rate& rate, double frames, double framesPerSecond)
{
    if (frames <= 0)
        return rate.peakHz * frames / framesPerSecond;
    const double extra = (rate.peakHz - rate.restHz) * rate.fall * -std::expm1(-frames / rate.fall);
    return (rate.restHz * frames + extra) / framesPerSecond;
}

double paceSincePeak(const Rate& rate, double frames)
{
    if (frames <= 0 || rate.peakHz == rate.restHz)
        return frames;
    return cyclesSincePeak(rate, frames, rate.peakHz);
}

double framesOfPace(const Rate& rate, double pace)
{
    if (pace <= 0)
        return 0;
    double low = 0;
    double high = std::max(1.0, pace);
    while (paceSincePeak(rate, high) < pace && high < 1e9) // it may slow down to a hundredth and less
        high *= 2;
    for (int i = 0; i < 100 && high - low > 1e-7; ++i) {
        const double middle = (low + high) / 2;
        (paceSincePeak(rate, middle) < pace ? low : high) = middle;
    }
    return high;
}

double reboundsOf(double damping)
{
    return std::log(20.0) * std::sqrt(1.0 - damping * damping) / (std::numbers::pi * damping);
}

double dampingFor(double rebounds)
{
    const double a = std::log(20.0) / (std::numbers::pi * rebounds);
    return a / std::sqrt(1.0 + a * a);
}

CurveKeys tidied(CurveKeys keys, bool asDrawn)
{
    CurveKeys out = inOrder(std::move(keys));
    for (CurveKey& key : out)
        key.value = std::clamp(key.value, -1.0, 1.0);
    if (out.empty() || asDrawn)
        return out;
    const auto peak = std::lower_bound(out.begin(), out.end(), 0.0,
                                       [](const CurveKey& key, double frame) { return key.frame < frame; });
    if (peak == out.end() || peak->frame != 0)
        out.insert(peak, {0, 1, Ease::smooth});
    else
        peak->value = 1;
    return out;
}

HandSpan handSpan(const CurveKeys& keys, double home)
{
    if (keys.empty())
        return {};
    const CurveKey& last = keys.back();
    return {keys.front().frame, last.frame + (last.value == 0 ? 0 : home > 0 ? home : 1)};
}

double handValue(const CurveKeys& keys, double home, double since)
{
    const HandSpan span = handSpan(keys, home);
    if (!(since >= span.first) || since >= span.end)
        return 0;
    const CurveKey& last = keys.back();
    if (since <= last.frame)
        return valueOfKeys(keys, since);
    return home > 0 ? last.value * (1 - eased(Ease::smooth, (since - last.frame) / home)) : last.value;
}

Source sourceOfKind(std::size_t index)
{
    switch (index) {
    case 1: return Noise{};
    case 2: return Jitter{};
    case 3: return Oscillation{};
    case 4: return Drawn{};
    case 5: return Captured{};
    default: return Kick{};
    }
}

double gateAt(const Intermittent& gate, double sincePeak, std::uint64_t seed)
{
    if (gate.mode == IntermittentMode::off)
        return 1.0;
    const double period = gate.moves + gate.rests;
    const double round = std::max(0.0, std::floor(sincePeak / period));
    const double unevenness =
        gate.mode == IntermittentMode::seeded ? gate.unevenness * std::min(gate.moves, gate.rests) : 0;
    const auto apart = [&](double which) { // of the movement's length in this round
        return unevenness * (2.0 * unitOf(mixSeed(seed, 0xb57, static_cast<std::uint64_t>(which))) - 1.0);
    };
    const double inside = sincePeak - round * period;
    const double length = gate.moves + apart(round);
    const double soft = std::min(1.0, 0.25 * gate.moves); // frames to open or close
    const double closing = std::clamp((length - inside) / soft, 0.0, 1.0);
    const double opening = round == 0 ? 1.0 : std::clamp(inside / soft, 0.0, 1.0);
    const double open = std::min(opening, closing);
    return open * open * (3.0 - 2.0 * open);
}

double sourceValue(const Source& source, const SourceMoment& moment, Axis axis, std::uint64_t seed)
{
    const auto* drawn = std::get_if<Drawn>(&source);
    if (moment.sinceOnset < 0) {
        const bool runs = drawn != nullptr ? drawn->asDrawn : moment.builds && !std::holds_alternative<Kick>(source);
        if (!runs)
            return -1.0;
    }
    return std::visit([&](const auto& s) { return valueOf(s, moment, axis, seed); }, source);
}

double driftValue(const Noise& noise, double cycles, std::uint64_t seed)
{
    // Far from the lattice points that are fixed for the peak.
    return noiseValue(noise, cycles + 64.0 + 1024.0 * unitOf(mixSeed(seed, 0xd21f)), seed);
}

double driftValue(const Captured& captured, double seconds, Axis axis, std::uint64_t seed)
{
    const double start = unitOf(mixSeed(seed, 0xd21f)) * captured.motion.seconds();
    return captured.motion.at(axis, start + seconds * captured.speed);
}

std::uint64_t mixSeed(std::uint64_t seed, std::uint64_t a, std::uint64_t b)
{
    return step(step(step(seed, 0) ^ a, 0) ^ b, 0);
}

double unitOf(std::uint64_t bits)
{
    return static_cast<double>(bits >> 11) * 0x1.0p-53;
}

} // namespace ember
