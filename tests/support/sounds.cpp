// SPDX-License-Identifier: GPL-3.0-or-later
#include "sounds.h"

#include <algorithm>
#include <cmath>
#include <fstream>
#include <numbers>

#include "pictures.h"

namespace ember::test {

namespace {

constexpr double tau = 2 * std::numbers::pi;

/// A sound being put together from voices. Each voice gets seconds from its start and gives -1 to 1.
class Score {
public:
    Score(std::uint64_t seed, double seconds, int rate, int channels)
        : random(seed), seconds_(seconds), sound_{rate, channels, {}}
    {
        sound_.samples.assign(static_cast<std::size_t>(seconds * rate) * static_cast<std::size_t>(channels), 0.f);
    }

    double seconds() const { return seconds_; }

    template <typename Voice>
    void add(double at, double length, double level, Voice&& voice)
    {
        const auto channels = static_cast<std::size_t>(sound_.channels);
        const auto frames = sound_.samples.size() / channels;
        const auto start = static_cast<std::size_t>(at * sound_.rate);
        std::vector<double> gains(channels);
        for (double& gain : gains)
            gain = level * random.between(0.5, 1);
        for (std::size_t i = 0; i < static_cast<std::size_t>(length * sound_.rate) && start + i < frames; ++i) {
            const double value = voice(static_cast<double>(i) / sound_.rate);
            for (std::size_t c = 0; c < channels; ++c)
                sound_.samples[(start + i) * channels + c] += static_cast<float>(gains[c] * value);
        }
    }

    /// White noise through a one-pole low pass.
    auto noise(double corner)
    {
        const double k = 1 - std::exp(-tau * corner / sound_.rate);
        return [this, k, value = 0.0]() mutable { return value += k * (random.between(-1, 1) - value); };
    }
    /// And what that leaves out.
    auto hiss(double corner)
    {
        const double k = 1 - std::exp(-tau * corner / sound_.rate);
        return [this, k, value = 0.0]() mutable {
            const double white = random.between(-1, 1);
            value += k * (white - value);
            return white - value;
        };
    }

    SoundBuffer finished(double drive)
    {
        for (float& s : sound_.samples)
            s = std::clamp(static_cast<float>(drive) * s, -1.f, 1.f);
        return std::move(sound_);
    }

    Random random;

private:
    double seconds_;
    SoundBuffer sound_;
};

/// A sine that falls from one pitch to another.
double falling(double t, double from, double to, double fall)
{
    return std::sin(tau * (to * t + (from - to) * fall * (1 - std::exp(-t / fall))));
}

struct Kit {
    explicit Kit(Random& r)
        : kickTo(r.between(42, 60)), kickFrom(r.between(110, 220)), kickDecay(r.between(0.08, 0.25)),
          snareTone(r.between(170, 240)), snareDecay(r.between(0.05, 0.14)), hatCorner(r.between(4500, 8000)),
          hatDecay(r.between(0.02, 0.06)), openDecay(r.between(0.1, 0.25)), tom(r.between(90, 150))
    {
    }
    double kickTo, kickFrom, kickDecay, snareTone, snareDecay, hatCorner, hatDecay, openDecay, tom;
};

void kick(Score& s, const Kit& k, double at, double level)
{
    s.add(at, 5 * k.kickDecay, 0.7 * level,
          [&](double t) { return falling(t, k.kickFrom, k.kickTo, 0.03) * std::exp(-t / k.kickDecay); });
    s.add(at, 0.02, 0.3 * level, [n = s.noise(3000)](double t) mutable { return n() * std::exp(-t / 0.004); });
}

void snare(Score& s, const Kit& k, double at, double level)
{
    s.add(at, 0.3, 0.35 * level,
          [&](double t) { return falling(t, 1.3 * k.snareTone, k.snareTone, 0.02) * std::exp(-t / 0.06); });
    s.add(at, 6 * k.snareDecay, 0.5 * level,
          [&, n = s.hiss(900)](double t) mutable { return n() * std::exp(-t / k.snareDecay); });
}

void hat(Score& s, const Kit& k, double at, double level, bool open)
{
    const double decay = open ? k.openDecay : k.hatDecay;
    s.add(at, 6 * decay, 0.25 * level,
          [decay, n = s.hiss(k.hatCorner)](double t) mutable { return n() * std::exp(-t / decay); });
}

void tom(Score& s, const Kit& k, double at, double level)
{
    s.add(at, 0.6, 0.55 * level, [&](double t) { return falling(t, 1.6 * k.tom, k.tom, 0.04) * std::exp(-t / 0.15); });
    s.add(at, 0.02, 0.2 * level, [n = s.noise(2500)](double t) mutable { return n() * std::exp(-t / 0.005); });
}

void bass(Score& s, double at, double length, double pitch)
{
    s.add(at, length, 0.16, [=](double t) {
        const double shape = std::min({1.0, t / 0.02, (length - t) / 0.03});
        return shape *
               (std::sin(tau * pitch * t) + 0.4 * std::sin(2 * tau * pitch * t) + 0.2 * std::sin(3 * tau * pitch * t));
    });
}

void chords(Score& s, double level)
{
    for (double at = 0; at < s.seconds(); at += 3.1) {
        const double root = s.random.between(110, 220);
        for (const double ratio : {1.0, 1.25, 1.5, 2.0}) {
            const double pitch = root * ratio;
            const double wobble = s.random.between(4, 6);
            s.add(at, 4.2, level / 4, [=](double t) {
                const double shape = std::min({1.0, t / 0.9, (4.2 - t) / 0.9});
                return shape * (std::sin(tau * pitch * t + 0.3 * std::sin(tau * wobble * t)) +
                                0.5 * std::sin(2 * tau * pitch * t) + 0.3 * std::sin(3 * tau * pitch * t));
            });
        }
    }
}

void wind(Score& s, double level)
{
    const double slow = s.random.between(0.1, 0.3);
    s.add(0, s.seconds(), level,
          [n = s.noise(2500), slow](double t) mutable { return n() * (1 + 0.5 * std::sin(tau * slow * t)); });
}

void blast(Score& s, double at, double level)
{
    const double tail = s.random.between(0.5, 1.4);
    const double corner = s.random.between(2500, 6000);
    s.add(at, 4 * tail, 1.4 * level, [n = s.noise(corner), tail](double t) mutable {
        return n() * (0.7 * std::exp(-t / 0.15) + 0.3 * std::exp(-t / tail));
    });
    const double deep = s.random.between(28, 45);
    s.add(at, 2.5, 0.6 * level, [=](double t) { return falling(t, 2.2 * deep, deep, 0.08) * std::exp(-t / 0.5); });
}

void landing(Score& s, double at, double level)
{
    const double body = s.random.between(35, 70);
    s.add(at, 1.2, 0.9 * level, [=](double t) { return falling(t, 2 * body, body, 0.04) * std::exp(-t / 0.12); });
    s.add(at, 0.2, 0.35 * level, [n = s.noise(900)](double t) mutable { return n() * std::exp(-t / 0.04); });
}

void hit(Score& s, double at, double level)
{
    const double pitch = s.random.between(600, 2400);
    s.add(at, 0.5, 0.3 * level, [=](double t) {
        return (std::sin(tau * pitch * t) + std::sin(tau * 2.76 * pitch * t)) * std::exp(-t / 0.07);
    });
    s.add(at, 0.1, 0.7 * level, [n = s.hiss(1200)](double t) mutable { return n() * std::exp(-t / 0.012); });
}

/// Hits that are one to the ear count once.
std::vector<double> merged(std::vector<double> times)
{
    std::sort(times.begin(), times.end());
    std::vector<double> kept;
    for (const double t : times)
        if (kept.empty() || t - kept.back() > 0.03)
            kept.push_back(t);
    return kept;
}

} // namespace

KnownSound drumMusic(std::uint64_t seed, double bpm, double swing, double seconds, Bed bed)
{
    Score score(seed, seconds, 44100, 2);
    if (bed == Bed::music)
        chords(score, 0.2);
    if (bed == Bed::noise)
        wind(score, 0.05);
    const Kit kit(score.random);
    KnownSound known{"drums at " + std::to_string(static_cast<int>(std::lround(bpm))), {}, {}, bpm, 0};
    const double sixteenth = 15 / bpm;
    known.firstBeat = score.random.between(0.05, 0.4);
    const bool busy = score.random.between(0, 1) < 0.5;
    const double pitch = score.random.between(41, 62);
    for (int i = 0;; ++i) {
        const double straight = known.firstBeat + i * sixteenth;
        if (straight + 0.3 > seconds)
            break;
        const int step = i % 16;
        const double at =
            straight + (i % 2 == 1 ? swing * sixteenth : 0) + (i == 0 ? 0 : score.random.between(-0.004, 0.004));
        const auto chance = [&](double p) { return score.random.between(0, 1) < p; };
        bool any = false;
        if (step == 0 || step == 8 || (step % 2 == 0 && chance(0.2)) || (busy && step == 7)) {
            kick(score, kit, at, score.random.between(0.8, 1));
            any = true;
        }
        if (step == 4 || step == 12) {
            snare(score, kit, at, score.random.between(0.8, 1));
            any = true;
        } else if (busy && chance(0.12)) {
            snare(score, kit, at, score.random.between(0.25, 0.45));
            any = true;
        }
        if (step % 2 == 0 || (busy && chance(0.6))) {
            hat(score, kit, at, score.random.between(0.5, 1), step == 14 && chance(0.5));
            any = true;
        }
        if (i / 16 % 4 == 3 && step >= 12 && chance(0.7)) {
            tom(score, kit, at, score.random.between(0.7, 1));
            any = true;
        }
        if (any)
            known.onsets.push_back(at);
        if (step % 4 == 0)
            bass(score, straight, 3.6 * sixteenth, pitch * (step == 12 ? 1.5 : 1));
    }
    known.sound = score.finished(0.9);
    return known;
}

KnownSound separateImpacts(std::uint64_t seed, Bed bed, double drive, double seconds, int rate, int channels)
{
    Score score(seed, seconds, rate, channels);
    KnownSound known{"impacts", {}, {}, 0, 0};
    if (bed == Bed::music)
        chords(score, 0.25);
    if (bed == Bed::noise)
        wind(score, 0.12);
    for (double at = score.random.between(0.3, 1); at + 0.6 < seconds; at += score.random.between(0.4, 2)) {
        const double level = score.random.between(0.4, 1);
        switch (score.random.whole(0, 2)) {
        case 0: blast(score, at, level); break;
        case 1: landing(score, at, level); break;
        default: hit(score, at, level); break;
        }
        known.onsets.push_back(at);
    }
    known.sound = score.finished(0.8 * drive);
    known.onsets = merged(known.onsets);
    return known;
}

void writeWav(const std::string& path, const SoundBuffer& sound)
{
    std::string data;
    const auto put = [&data](std::uint32_t value, int size) {
        for (int i = 0; i < size; ++i)
            data += static_cast<char>(value >> (8 * i) & 0xffu);
    };
    const auto channels = static_cast<std::uint32_t>(sound.channels);
    const auto rate = static_cast<std::uint32_t>(sound.rate);
    const auto bytes = static_cast<std::uint32_t>(2 * sound.samples.size());
    data += "RIFF";
    put(36 + bytes, 4);
    data += "WAVEfmt ";
    put(16, 4);
    put(1, 2);
    put(channels, 2);
    put(rate, 4);
    put(2 * channels * rate, 4);
    put(2 * channels, 2);
    put(16, 2);
    data += "data";
    put(bytes, 4);
    for (const float sample : sound.samples)
        put(static_cast<std::uint32_t>(std::lround(32767 * std::clamp(sample, -1.f, 1.f))), 2);
    std::ofstream(path, std::ios::binary) << data;
}

SoundBuffer whiteNoise(std::uint64_t seed, double level, double seconds, int rate)
{
    Random random(seed);
    SoundBuffer sound{rate, 1, std::vector<float>(static_cast<std::size_t>(seconds * rate))};
    for (float& s : sound.samples)
        s = static_cast<float>(level * random.between(-1, 1));
    return sound;
}

} // namespace ember::test
