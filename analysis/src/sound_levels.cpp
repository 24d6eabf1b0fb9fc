// SPDX-License-Identifier: GPL-3.0-or-later
#include "sound_levels.h"

#include <algorithm>
#include <cmath>

namespace ember {

BandRange spectrumRange(Band band)
{
    constexpr std::size_t middleFirst = 9; // 240 Hz
    constexpr std::size_t highFirst = 19;  // 2.4 kHz
    switch (band) {
    case Band::low: return {0, middleFirst};
    case Band::middle: return {middleFirst, highFirst};
    case Band::high: return {highFirst, SoundTrace::bands};
    case Band::all: break;
    }
    return {};
}

double powerOf(std::uint8_t code)
{
    static const auto table = [] {
        std::array<double, 256> powers{};
        for (std::size_t i = 1; i < powers.size(); ++i)
            powers[i] = std::pow(10.0, SoundTrace::decibels(static_cast<std::uint8_t>(i)) / 10);
        return powers;
    }();
    return table[code];
}

double powerAt(const SoundTrace& trace, std::size_t look, const BandRange& range)
{
    double sum = 0;
    for (std::size_t b = range.first; b < range.last; ++b)
        sum += powerOf(trace.spectrum[look * SoundTrace::bands + b]);
    return sum;
}

double meanPower(const SoundTrace& trace, std::size_t firstLook, std::size_t count, const BandRange& range)
{
    const std::size_t end = std::min(firstLook + count, trace.looks());
    double sum = 0;
    for (std::size_t n = firstLook; n < end; ++n)
        sum += powerAt(trace, n, range);
    return end > firstLook ? sum / static_cast<double>(end - firstLook) : 0;
}

double loudestPower(const SoundTrace& trace)
{
    double loudest = 0;
    for (std::size_t n = 0; n < trace.looks(); ++n)
        loudest = std::max(loudest, powerAt(trace, n));
    return loudest;
}

SoftLogs softLogs(double loudest)
{
    constexpr double floorUnderLoudest = 0.00316; // -50 dB
    constexpr double leastFloor = 3e-5;           // -90 dB of full scale
    const double floor = std::max(std::sqrt(loudest) * floorUnderLoudest, leastFloor);
    SoftLogs logs{};
    for (std::size_t i = 0; i < logs.size(); ++i)
        logs[i] = static_cast<float>(std::log2(1 + std::sqrt(powerOf(static_cast<std::uint8_t>(i))) / floor));
    return logs;
}

std::size_t lookAt(const SoundTrace& trace, double seconds)
{
    const auto last = static_cast<double>(trace.looks()) - 1;
    return static_cast<std::size_t>(std::clamp(std::floor(seconds / SoundTrace::step + 0.5), 0.0, std::max(last, 0.0)));
}

} // namespace ember
