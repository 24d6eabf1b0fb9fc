// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/sound/synth.h"

#include <algorithm>
#include <cmath>
#include <numbers>

#include "ember/core/source.h"

namespace ember {

namespace {

constexpr double turn = 2 * std::numbers::pi;
constexpr double fullHeight = 0.7; ///< of the largest sample at 100 %
constexpr double longestSub = 60;  ///< seconds

/// White noise, the same for the same seed (S. Vigna's xorshift64*, 2016).
class White {
public:
    explicit White(std::uint64_t seed) : state_(mixSeed(seed, 0x50, 1) | 1U) {}
    double next()
    {
        state_ ^= state_ >> 12;
        state_ ^= state_ << 25;
        state_ ^= state_ >> 27;
        return 2 * unitOf(state_ * 0x2545f4914f6cdd1dULL) - 1;
    }

private:
    std::uint64_t state_;
};

/// A filter of two poles that can be turned while it runs (H. Chamberlin: Musical Applications of Microprocessors,
/// 1985, in the trapezoidal form of A. Simper, 2013).
class Filter {
public:
    explicit Filter(int rate) : rate_(rate) {}
    void tune(double hertz, double q)
    {
        g_ = std::tan(std::numbers::pi * std::min(hertz / rate_, 0.45));
        k_ = 1 / q;
    }
    void put(double in)
    {
        const double v3 = in - second_;
        const double a1 = 1 / (1 + g_ * (g_ + k_));
        const double v1 = a1 * first_ + g_ * a1 * v3;
        const double v2 = second_ + g_ * v1;
        first_ = 2 * v1 - first_;
        second_ = 2 * v2 - second_;
        band = v1;
        low = v2;
        high = in - k_ * v1 - v2;
    }
    double low = 0;
    double band = 0;
    double high = 0;

private:
    double rate_;
    double g_ = 0.1;
    double k_ = 1;
    double first_ = 0;
    double second_ = 0;
};

/// What one strike's sound is made from.
struct Making {
    const HeardStrike& strike;
    int rate;
    double bright; ///< 1 at 100 %
    double length; ///< of its decay against a usual one

    double chance(std::uint64_t which) const { return unitOf(mixSeed(strike.seed, 0x50d, which)); }
    std::size_t samples(double seconds) const { return static_cast<std::size_t>(std::lround(seconds * rate)); }
};

/// Rises within `seconds`, without a click.
double rise(double t, double seconds)
{
    return t >= seconds ? 1 : t / seconds;
}

StruckSound thump(const Making& m)
{
    StruckSound sound{std::vector<float>(m.samples(0.55 * m.length)), 0};
    const double bottom = 42 + 10 * m.chance(1);
    const double top = 80 + 50 * m.chance(2);
    White white(m.strike.seed);
    Filter soft(m.rate);
    soft.tune(900 + 1500 * m.bright, 0.7);
    double phase = 0;
    for (std::size_t i = 0; i < sound.samples.size(); ++i) {
        const double t = static_cast<double>(i) / m.rate;
        phase += turn * (bottom + top * std::exp(-t / 0.028)) / m.rate;
        soft.put(white.next());
        sound.samples[i] = static_cast<float>(std::sin(phase) * std::exp(-t / (0.1 * m.length)) * rise(t, 0.0015) +
                                              0.5 * m.bright * soft.low * std::exp(-t / 0.006));
    }
    return sound;
}

StruckSound crack(const Making& m)
{
    StruckSound sound{std::vector<float>(m.samples(0.4 * m.length)), 0};
    White white(m.strike.seed);
    Filter sharp(m.rate);
    sharp.tune(1600 + 1400 * m.bright + 800 * m.chance(1), 0.8);
    std::array<double, 4> repeats{0, 0, 0, 0};
    for (std::size_t k = 1; k < repeats.size(); ++k)
        repeats[k] = repeats[k - 1] + 0.006 + 0.016 * m.chance(k + 4);
    for (std::size_t i = 0; i < sound.samples.size(); ++i) {
        const double t = static_cast<double>(i) / m.rate;
        double level = 0.12 * std::exp(-t / (0.09 * m.length));
        double share = 1;
        for (const double at : repeats) {
            level += t >= at ? share * std::exp(-(t - at) / 0.007) : 0;
            share *= 0.5;
        }
        sharp.put(white.next());
        sound.samples[i] = static_cast<float>((sharp.band + 0.3 * sharp.high) * level * rise(t, 0.0005));
    }
    return sound;
}

StruckSound boom(const Making& m)
{
    StruckSound sound{std::vector<float>(m.samples(3.2 * m.length)), 0};
    White white(m.strike.seed);
    Filter low(m.rate);
    const double bottom = 32 + 6 * m.chance(1);
    const double roll = 2.5 + 2 * m.chance(2); // of the tail
    const double start = m.chance(3);
    double phase = 0;
    for (std::size_t i = 0; i < sound.samples.size(); ++i) {
        const double t = static_cast<double>(i) / m.rate;
        if (i % 16 == 0)
            low.tune(60 + 900 * m.bright * std::exp(-t / 0.16) + 160 * std::exp(-t / m.length), 0.8);
        low.put(white.next());
        phase += turn * (bottom + 26 * std::exp(-t / 0.12)) / m.rate;
        const double tail = 0.45 * std::exp(-t / (0.85 * m.length)) * (1 + 0.35 * std::sin(turn * (roll * t + start)));
        sound.samples[i] = static_cast<float>((3.2 * low.low * (std::exp(-t / (0.22 * m.length)) + tail) +
                                               0.8 * std::sin(phase) * std::exp(-t / (0.4 * m.length))) *
                                              rise(t, 0.002));
    }
    return sound;
}

StruckSound ring(const Making& m)
{
    StruckSound sound{std::vector<float>(m.samples(2.6 * m.length)), 0};
    const double base = 310 + 260 * m.chance(1);
    constexpr std::array<double, 6> partials{1, 2.756, 5.404, 8.933, 13.345, 18.64}; // of a free bar
    for (std::size_t k = 0; k < partials.size(); ++k) {
        const double hertz = base * partials[k] * (1 + 0.012 * (m.chance(10 + k) - 0.5));
        if (hertz > 0.42 * m.rate)
            break;
        const double fall = 0.75 * m.length / (1 + 0.75 * static_cast<double>(k));
        const double level = std::pow(0.45 + 0.3 * std::min(m.bright, 1.5), static_cast<double>(k));
        const double beat = 0.4 + 1.5 * m.chance(20 + k);
        for (std::size_t i = 0; i < sound.samples.size(); ++i) {
            const double t = static_cast<double>(i) / m.rate;
            const double both = std::sin(turn * hertz * t) + 0.5 * std::sin(turn * (hertz + beat) * t);
            sound.samples[i] += static_cast<float>(level * both * std::exp(-t / fall) * rise(t, 0.0007));
        }
    }
    return sound;
}

StruckSound whoosh(const Making& m)
{
    const double lead = 0.65;
    StruckSound sound{std::vector<float>(m.samples(lead + 0.3)), static_cast<std::int64_t>(m.samples(lead))};
    White white(m.strike.seed);
    Filter air(m.rate);
    const double top = 1500 + 1500 * m.bright + 600 * m.chance(1);
    for (std::size_t i = 0; i < sound.samples.size(); ++i) {
        const double t = static_cast<double>(i) / m.rate - lead;
        const double way = std::clamp(1 + t / lead, 0.0, 1.0);
        if (i % 16 == 0)
            air.tune(220 * std::pow(top / 220, way), 1.4);
        air.put(white.next());
        const double level = t <= 0 ? std::pow(way, 2.2) : std::exp(-t / 0.05);
        sound.samples[i] = static_cast<float>(air.band * level);
    }
    return sound;
}

StruckSound sub(const Making& m)
{
    const Envelope& envelope = m.strike.envelope;
    const double seconds = std::clamp(envelope.end() / m.strike.framesPerSecond, 0.05, longestSub);
    StruckSound sound{std::vector<float>(m.samples(seconds)), 0};
    const double hertz = 28 + 8 * m.chance(1);
    const double first = m.chance(2);
    for (std::size_t i = 0; i < sound.samples.size(); ++i) {
        const double t = static_cast<double>(i) / m.rate;
        const double level = intensityAt(envelope, t * m.strike.framesPerSecond);
        const double sway = 0.6 * std::sin(turn * (1.3 * t + first));
        sound.samples[i] =
            static_cast<float>(level * rise(t, 0.004) *
                               (std::sin(turn * hertz * t + sway) + 0.4 * std::sin(turn * 1.5 * hertz * t + 2 * sway)));
    }
    return sound;
}

} // namespace

double gainOf(double decibels)
{
    return std::pow(10.0, decibels / 20);
}

double StruckSound::peak() const
{
    float most = 0;
    for (const float sample : samples)
        most = std::max(most, std::abs(sample));
    return static_cast<double>(most);
}

StruckSound struckSound(const HeardStrike& strike, int rate)
{
    const double strength = std::max(0.0, strike.strength);
    const double decay = strike.envelope[EnvelopeField::decay] / strike.framesPerSecond;
    const Making making{strike, rate, std::sqrt(std::min(strength, 4.0)), std::clamp(0.5 + decay / 1.6, 0.6, 2.5)};
    StruckSound sound;
    switch (strike.sound.kind) {
    case SoundKind::thump: sound = thump(making); break;
    case SoundKind::crack: sound = crack(making); break;
    case SoundKind::boom: sound = boom(making); break;
    case SoundKind::ring: sound = ring(making); break;
    case SoundKind::whoosh: sound = whoosh(making); break;
    case SoundKind::sub: sound = sub(making); break;
    case SoundKind::none:
    case SoundKind::file: return sound;
    }
    // Ends in silence, and is as high as its strength says.
    const std::size_t fade = std::min<std::size_t>(sound.samples.size(), making.samples(0.02));
    for (std::size_t i = 0; i < fade; ++i)
        sound.samples[sound.samples.size() - 1 - i] *= static_cast<float>(i) / static_cast<float>(fade);
    const double peak = sound.peak();
    const double gain = peak > 0 ? fullHeight * strength * gainOf(strike.sound.level) / peak : 0;
    for (float& sample : sound.samples)
        sample *= static_cast<float>(gain);
    return sound;
}

} // namespace ember
