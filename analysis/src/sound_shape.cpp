// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/analysis/sound_shape.h"

#include <algorithm>
#include <array>
#include <cmath>

#include "sound_levels.h"

namespace ember {

namespace {

constexpr double longestShape = 20;       ///< seconds
constexpr float silent = 0.06f;           ///< of the loudest: 40 dB below it
constexpr double leastRumble = 0.05;      ///< less is the hiss of the recording
constexpr float fadedAway = 0.15f;        ///< a sound that ends below this does not rumble
constexpr float topped = 0.9f;            ///< what counts as still at the peak
constexpr std::size_t reachedWithin = 60; ///< looks in which the peak is looked for

struct Fall {
    double length = 1; ///< looks
    double curve = 0;
    double rumble = 0;
};

/// Fits rumble + (1 - rumble) * slope to what follows the peak, by trying lengths and curves; for each the best rumble
/// has a closed form (least squares).
Fall fitFall(std::span<const float> y, double mostRumble)
{
    constexpr std::array<double, 8> curves{0, 1, 2, 3, 4, 5, 6.5, 8};
    Fall best;
    double least = -1;
    const auto count = static_cast<double>(y.size());
    for (double length = 4; length <= count * 1.0001 + 4; length *= 1.15) {
        for (const double curve : curves) {
            double xx = 1e-9, xy = 0;
            const auto fallAt = [&](std::size_t i) {
                return slopeFall(Slope::exponential, std::min(static_cast<double>(i) / length, 1.0), curve, length);
            };
            for (std::size_t i = 0; i < y.size(); ++i) {
                const double f = fallAt(i);
                xx += (1 - f) * (1 - f);
                xy += (1 - f) * (static_cast<double>(y[i]) - f);
            }
            const double rumble = std::clamp(xy / xx, 0.0, mostRumble);
            double error = 0;
            for (std::size_t i = 0; i < y.size(); ++i) {
                const double off = rumble + (1 - rumble) * fallAt(i) - static_cast<double>(y[i]);
                error += off * off;
            }
            if (least < 0 || error < least) {
                least = error;
                best = {std::min(length, count), curve, rumble};
            }
        }
    }
    return best;
}

} // namespace

std::vector<float> loudnessFrom(const SoundTrace& trace, double seconds, double next)
{
    constexpr std::size_t smooth = 4;
    if (trace.looks() == 0)
        return {};
    const std::size_t first = lookAt(trace, seconds);
    const std::size_t end = lookAt(trace, std::min(next, seconds + longestShape));
    std::vector<float> loudness;
    double loudest = 0;
    for (std::size_t n = first; n < end; ++n)
        loudest = std::max(loudest, meanPower(trace, n, smooth));
    for (std::size_t n = first; n < end && loudest > 0; ++n)
        loudness.push_back(static_cast<float>(std::pow(meanPower(trace, n, smooth) / loudest, 0.3)));
    return loudness;
}

Envelope envelopeFromSound(const SoundTrace& trace, double seconds, double next, FrameRate rate, const Envelope& base)
{
    std::vector<float> y = loudnessFrom(trace, seconds, next);
    while (!y.empty() && y.back() < silent)
        y.pop_back();
    if (y.size() < 4)
        return base;
    const auto top = std::find_if(y.begin(), y.begin() + std::min<std::ptrdiff_t>(std::ssize(y), reachedWithin),
                                  [](float v) { return v >= topped; });
    const auto falls = std::find_if(top, y.end(), [](float v) { return v < topped; });
    const auto framesOf = [&](double looks) { return rate.frames(looks * SoundTrace::step); };
    const auto attack = static_cast<double>(top - y.begin());
    const auto hold = static_cast<double>(falls - top);
    // The peak takes a frame to reach, however sudden the sound: what is left from there on is what the fall fits.
    const double attackFrames = std::max(std::round(framesOf(attack)), 1.0);
    const double holdFrames = std::round(std::max(framesOf(attack + hold) - attackFrames, 0.0));
    const double peakEnd = rate.seconds(attackFrames + holdFrames) / SoundTrace::step;
    const auto rest = std::span<const float>(y).subspan(std::min(static_cast<std::size_t>(peakEnd), y.size()));
    const Fall fall = rest.size() >= 4 ? fitFall(rest, y.back() < fadedAway ? 0 : 0.6)
                                       : Fall{static_cast<double>(std::max<std::size_t>(rest.size(), 1)), 3, 0};
    const double rumble = fall.rumble < leastRumble ? 0 : std::round(100 * fall.rumble) / 100;
    const double after = std::max(static_cast<double>(rest.size()) - fall.length, 0.0);

    Envelope envelope = base;
    const auto set = [&](EnvelopeField field, double value) { envelope.set(field, value); };
    set(EnvelopeField::attack, attackFrames);
    set(EnvelopeField::hold, holdFrames);
    set(EnvelopeField::decay, std::max(std::round(framesOf(fall.length)), 1.0));
    set(EnvelopeField::decaySlope, static_cast<double>(Slope::exponential));
    set(EnvelopeField::decayCurve, fall.curve);
    set(EnvelopeField::rumble, rumble);
    set(EnvelopeField::rumbleUntil, static_cast<double>(RumbleUntil::length));
    set(EnvelopeField::rumbleLength, rumble > 0 ? std::round(framesOf(after)) : 0);
    // What can still be heard at the end is let go as the next one begins.
    set(EnvelopeField::release, rumble > 0 ? std::clamp(std::round(framesOf(after) / 4), 4.0, 48.0) : 0);
    return envelope;
}

} // namespace ember
