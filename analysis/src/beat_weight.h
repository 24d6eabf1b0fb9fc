// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <span>
#include <vector>

#include "ember/analysis/onsets.h"
#include "ember/analysis/sound_trace.h"

namespace ember {

inline constexpr double shortestBeat = 0.25; ///< seconds: 240 BPM
inline constexpr double longestBeat = 1.5;   ///< 40 BPM

/// How easy a period is to find as a beat, 0 to 1: near two a second is easiest (D. Moelants, 2002).
double easeOf(double period);

/// How much a moment sounds like a beat: what is struck there, and how much of it is low. A hat between the beats may
/// be as loud as a drum on them, but the drum is lower.
class BeatWeight {
public:
    /// The onsets, in order, have to live as long.
    BeatWeight(const SoundTrace& trace, std::span<const Onset> onsets);

    /// Of each onset.
    std::span<const double> all() const { return weights_; }
    /// Of the heaviest onset within 30 ms.
    double at(double seconds) const;
    /// The mean on the beats of a walk, less half the mean half-way between them.
    double contrast(double start, double period, double end) const;
    /// The same of beats that are given, in order.
    double contrast(std::span<const double> beats) const;
    /// Where in a period the heaviest onsets fall, seconds from `from`: up to four places.
    std::vector<double> phases(double from, double period, double end) const;

private:
    std::span<const Onset> onsets_;
    std::vector<double> weights_;
};

} // namespace ember
