// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstddef>
#include <cstdint>
#include <memory>
#include <span>
#include <vector>

namespace ember {

/// What a sound does over time. It is measured once, as the sound is read; onsets, tempo and shapes are then asked of
/// it as often as one likes. An hour of sound takes 31 MB.
///
/// Levels are coded in half decibels: 0 is -120 dB of a full-scale sine or less, 240 is 0 dB.
struct SoundTrace {
    static constexpr double step = 0.005;       ///< seconds between two looks at the spectrum
    static constexpr double fineStep = 0.001;   ///< seconds between two fine levels
    static constexpr std::size_t bands = 28;    ///< a third of an octave each, from 30 Hz to 16 kHz
    static constexpr std::size_t fineBands = 3; ///< below 200 Hz, between, above 2000 Hz

    double seconds = 0;                 ///< length of the sound
    std::vector<std::uint8_t> spectrum; ///< `bands` levels for each look; look i is centred on second i * step
    std::vector<std::uint8_t> fine;     ///< `fineBands` levels for each fineStep: what is reached in it or still rings

    std::size_t looks() const { return spectrum.size() / bands; }
    std::size_t fineSteps() const { return fine.size() / fineBands; }

    static double decibels(std::uint8_t code) { return 0.5 * code - 120; }
    static std::uint8_t code(double power);
    /// Middle frequency of a band.
    static double hertz(std::size_t band);
};

/// Makes a SoundTrace of a sound that comes in pieces.
class SoundMeter {
public:
    /// A rate of at least 1000 samples a second, one channel or more.
    SoundMeter(int rate, int channels);
    ~SoundMeter();
    SoundMeter(SoundMeter&&) noexcept;
    SoundMeter& operator=(SoundMeter&&) noexcept;

    /// The next samples, interleaved. What is not a number is taken for silence.
    void hear(std::span<const float> samples);
    /// What was heard; nothing can be heard afterwards.
    SoundTrace finish();

private:
    struct Work;
    std::unique_ptr<Work> work_;
};

} // namespace ember
