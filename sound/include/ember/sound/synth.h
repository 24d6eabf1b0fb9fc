// SPDX-License-Identifier: GPL-3.0-or-later
// The sounds of strikes, made from nothing.
#pragma once

#include <cstdint>
#include <vector>

#include "ember/core/strike_sound.h"

namespace ember {

/// One strike's sound, one channel. The sample at `strikeAt` is the strike's first instant.
struct StruckSound {
    std::vector<float> samples;
    std::int64_t strikeAt = 0; ///< samples of lead before the strike

    double peak() const;
};

/// What a strike sounds like at `rate` samples a second: its strength is the height of its largest sample (0.7 at 100 %
/// and 0 dB) and how bright it is, its envelope how long it lasts; another for each seed. Empty for no sound and for
/// files, which are read elsewhere. Sines and filtered noise: a falling sine and a click (thump), noise in repeats
/// (crack), low noise with a tail over a falling sine (boom), the partials of a free bar (ring; N. Fletcher, T.
/// Rossing: The Physics of Musical Instruments, 1998), a band of noise that rises up to the strike (whoosh), low sines
/// under the envelope (sub).
StruckSound struckSound(const HeardStrike& strike, int rate);

/// Decibels as a factor.
double gainOf(double decibels);

} // namespace ember
