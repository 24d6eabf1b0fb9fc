// SPDX-License-Identifier: GPL-3.0-or-later
#include "sound.h"

#include <array>
#include <cmath>
#include <numbers>
#include <random>

#include "timeline.h"

namespace ember::demo {

namespace {

constexpr int rate = 48000;
constexpr double tau = 2 * std::numbers::pi;

/// White noise through a one-pole low pass whose corner can move.
class SoftNoise {
public:
    explicit SoftNoise(unsigned seed) : random_(seed) {}
    double next(double cornerHz)
    {
        const double white = static_cast<double>(random_()) / 2147483648.0 - 1.0;
        const double k = 1 - std::exp(-tau * cornerHz / rate);
        return value_ += k * (white - value_);
    }

private:
    std::mt19937 random_;
    double value_ = 0;
};

class Mix {
public:
    Mix() : buffer_{rate, 2, std::vector<float>(2 * static_cast<std::size_t>(rate) * frames / framesPerSecond, 0.f)} {}

    /// Adds a voice from a frame's first instant on; pan -1 left to 1 right.
    template <typename Voice>
    void add(double frame, double seconds, double level, double pan, Voice&& voice)
    {
        const auto start = static_cast<std::size_t>(frame * rate / framesPerSecond);
        const auto count = static_cast<std::size_t>(seconds * rate);
        const double left = level * std::sqrt(0.5 * (1 - pan));
        const double right = level * std::sqrt(0.5 * (1 + pan));
        for (std::size_t i = 0; i < count && 2 * (start + i) < buffer_.samples.size(); ++i) {
            const double value = voice(static_cast<double>(i) / rate);
            buffer_.samples[2 * (start + i)] += static_cast<float>(left * value);
            buffer_.samples[2 * (start + i) + 1] += static_cast<float>(right * value);
        }
    }

    SoundBuffer finished()
    {
        for (float& sample : buffer_.samples)
            sample = std::tanh(sample); // loud moments bend instead of breaking
        return std::move(buffer_);
    }

private:
    SoundBuffer buffer_;
};

/// A falling sine: the body of a thump.
double thump(double t, double from, double to, double fall, double decay)
{
    const double phase = to * t + (from - to) * fall * (1 - std::exp(-t / fall));
    return std::sin(tau * phase) * std::exp(-t / decay);
}

void addHammer(Mix& mix, const TrueStrike& strike, unsigned seed)
{
    constexpr std::array<double, 7> partials{523, 1187, 1741, 2489, 3310, 4423, 5871};
    mix.add(strike.frame, 1.6, 0.9 * strike.strength, -0.05, [&](double t) {
        double ring = 0;
        for (std::size_t i = 0; i < partials.size(); ++i)
            ring += std::sin(tau * partials[i] * t + static_cast<double>(i)) *
                    std::exp(-t * (3.0 + 2.2 * static_cast<double>(i))) / (1.5 + static_cast<double>(i));
        return 0.22 * ring + 0.9 * thump(t, 120, 48, 0.03, 0.16);
    });
    SoftNoise noise(seed);
    mix.add(strike.frame, 0.3, 0.9 * strike.strength, 0.0,
            [&](double t) { return noise.next(6000) * std::exp(-t / 0.02); });
    SoftNoise steam(seed + 1);
    mix.add(strike.frame + 7, 0.6, 0.12, -0.1,
            [&](double t) { return steam.next(7000) * std::sin(std::numbers::pi * std::min(1.0, t / 0.6)); });
}

void addIngot(Mix& mix, const TrueStrike& strike)
{
    mix.add(strike.frame, 1.8, 1.1 * strike.strength, 0.5,
            [](double t) { return thump(t, 92, 34, 0.05, 0.38) + 0.1 * std::sin(tau * 311 * t) * std::exp(-t * 6); });
    SoftNoise grit(71);
    mix.add(strike.frame, 0.8, 0.8 * strike.strength, 0.5,
            [&](double t) { return grit.next(1400) * std::exp(-t / 0.12); });
    SoftNoise chain(72);
    mix.add(strike.frame + 3, 0.9, 0.25, 0.55, [&](double t) {
        const double link = std::fmod(t * 17, 1.0);
        return chain.next(9000) * std::exp(-link * 18) * std::exp(-t * 3);
    });
}

void addLadle(Mix& mix, const TrueStrike& strike)
{
    SoftNoise blast(91);
    mix.add(strike.frame, 4.5, 1.9 * strike.strength, -0.35, [&](double t) {
        const double body = std::exp(-t / 0.28) + 0.22 * std::exp(-t / 1.5);
        return blast.next(5200 * std::exp(-t / 0.35) + 160) * body;
    });
    mix.add(strike.frame, 3.0, 1.0 * strike.strength, -0.3, [](double t) { return thump(t, 74, 27, 0.09, 0.8); });
    SoftNoise hiss(93);
    mix.add(strike.frame + 2, 3.5, 0.16, -0.5, [&](double t) { return hiss.next(9000) * std::exp(-t / 1.2); });
}

void addDrum(Mix& mix, const TrueStrike& strike, double pan, unsigned seed)
{
    mix.add(strike.frame, 0.7, 0.95 * strike.strength, pan, [](double t) { return thump(t, 168, 74, 0.035, 0.17); });
    SoftNoise slap(seed);
    mix.add(strike.frame, 0.12, 0.7 * strike.strength, pan,
            [&](double t) { return slap.next(3800) * std::exp(-t / 0.012); });
}

} // namespace

SoundBuffer foundrySound()
{
    Mix mix;
    SoftNoise furnaceLeft(1);
    SoftNoise furnaceRight(2);
    const double length = static_cast<double>(frames) / framesPerSecond;
    mix.add(0, length, 0.10, -0.8, [&](double) { return furnaceLeft.next(130); });
    mix.add(0, length, 0.10, 0.8, [&](double) { return furnaceRight.next(110); });
    unsigned seed = 10;
    for (const TrueStrike& strike : strikes) {
        seed += 10;
        switch (strike.event) {
        case Event::hammer: addHammer(mix, strike, seed); break;
        case Event::ingot: addIngot(mix, strike); break;
        case Event::ladle: addLadle(mix, strike); break;
        case Event::drum: addDrum(mix, strike, strike.frame % 2 == 0 ? -0.45 : 0.45, seed); break;
        }
    }
    return mix.finished();
}

} // namespace ember::demo
