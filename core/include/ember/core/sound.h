// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstddef>
#include <cstdint>
#include <vector>

namespace ember {

/// A stretch of sound: interleaved samples, -1 to 1, `channels` values for each instant.
struct SoundBuffer {
    int rate = 48000;
    int channels = 2;
    std::vector<float> samples;

    std::int64_t length() const { return channels > 0 ? static_cast<std::int64_t>(samples.size()) / channels : 0; }
};

/// A waveform in little: the lowest and highest value of all channels in each slot of equal length.
struct Waveform {
    double slotsPerSecond = 0;
    std::vector<float> low;
    std::vector<float> high;
};

} // namespace ember
