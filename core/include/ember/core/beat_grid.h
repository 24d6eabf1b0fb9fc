// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cmath>
#include <cstdint>

#include "ember/core/field.h"

namespace ember {

/// Beats of one tempo. Beat 0 is the first; the grid goes on before and after it.
struct BeatGrid {
    double bpm = 120;     ///< beats a minute, 20 to 400
    double firstBeat = 0; ///< seconds from the film's start
    int barBeats = 4;     ///< beats in a bar, 1 to 16
    int barStart = 0;     ///< which of the first bar's beats begins a bar, 0 to barBeats - 1

    double period() const { return 60 / bpm; }
    double at(std::int64_t beat) const { return firstBeat + static_cast<double>(beat) * period(); }
    std::int64_t nearest(double seconds) const { return std::llround((seconds - firstBeat) / period()); }
    bool startsBar(std::int64_t beat) const { return ((beat - barStart) % barBeats + barBeats) % barBeats == 0; }

    bool operator==(const BeatGrid&) const = default;
};

namespace beatfield {
extern const FieldSpec bpm;
extern const FieldSpec firstBeat;
extern const FieldSpec barBeats;
extern const FieldSpec barStart;
} // namespace beatfield
namespace soundfield {
extern const FieldSpec offset;
} // namespace soundfield

} // namespace ember
