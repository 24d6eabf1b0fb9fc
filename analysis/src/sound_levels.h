// SPDX-License-Identifier: GPL-3.0-or-later
// Reading the levels of a SoundTrace as powers and logs.
#pragma once

#include <array>

#include "ember/analysis/onsets.h"

namespace ember {

/// A stretch of the spectrum's bands; `last` is not included.
struct BandRange {
    std::size_t first = 0;
    std::size_t last = SoundTrace::bands;
};
BandRange spectrumRange(Band band);

/// Power of a full-scale sine is 1.
double powerOf(std::uint8_t code);
/// Of the bands of one look together.
double powerAt(const SoundTrace& trace, std::size_t look, const BandRange& range = {});
double meanPower(const SoundTrace& trace, std::size_t firstLook, std::size_t count, const BandRange& range = {});
double loudestPower(const SoundTrace& trace);

/// The log (base 2) of pressure over a soft floor, for each code. The floor is set against the loudest moment, so that
/// a quiet recording is read like a loud one.
using SoftLogs = std::array<float, 256>;
SoftLogs softLogs(double loudest);

std::size_t lookAt(const SoundTrace& trace, double seconds);

} // namespace ember
