// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cmath>
#include <cstddef>
#include <cstdint>
#include <optional>
#include <vector>

#include "ember/core/field.h"

namespace ember {

/// A beat with a time of its own.
struct BeatPin {
    std::int64_t beat = 0; ///< never 0, whose time is the grid's first beat
    double seconds = 0;    ///< from the film's start

    bool operator==(const BeatPin&) const = default;
};

/// The beats of a film. Beat 0 is the first; the grid goes on before and after it. Without pins they are of one tempo.
/// Where the tempo changes, some beats are pinned: those between two pins (beat 0 counts as one) are evenly spaced,
/// those before the first pin as far apart as between the first two, those after the last one by `bpm`.
struct BeatGrid {
    double bpm = 120;            ///< beats a minute, 20 to 400; with pins those after the last one
    double firstBeat = 0;        ///< seconds from the film's start
    int barBeats = 4;            ///< beats in a bar, 1 to 16
    int barStart = 0;            ///< which of the first bar's beats begins a bar, 0 to barBeats - 1
    std::vector<BeatPin> pins{}; ///< beats and seconds both rise; 20 to 400 BPM from one to the next, beat 0 among them

    /// Seconds of a beat.
    double at(std::int64_t beat) const;
    /// How many beats after the first a moment lies, with its share of one.
    double beatAt(double seconds) const;
    std::int64_t nearest(double seconds) const { return std::llround(beatAt(seconds)); }
    /// The first beat at a moment or after it.
    std::int64_t from(double seconds) const { return static_cast<std::int64_t>(std::ceil(beatAt(seconds) - 1e-9)); }
    /// Beats a minute at a moment; on a pin those after it.
    double bpmAt(double seconds) const;
    bool startsBar(std::int64_t beat) const { return ((beat - barStart) % barBeats + barBeats) % barBeats == 0; }

    /// All of it later.
    BeatGrid shifted(double seconds) const;
    /// With so many times the beats in the same time. `bpm` may leave its range.
    BeatGrid finer(int times) const;
    /// With every second beat only, from the first on.
    BeatGrid halved() const;
    /// With one tempo: that of `seconds`.
    BeatGrid steady(double seconds) const;
    /// With a beat on another time, as near to it as 20 to 400 BPM allow between it and the pins around it. Beats
    /// before the pin before it and after the pin after it stay; where there is none after it, all later beats go
    /// along. The first beat without pins takes all others along.
    BeatGrid laid(std::int64_t beat, double seconds) const;

    bool operator==(const BeatGrid&) const = default;
};

inline constexpr double slowestBpm = 20;
inline constexpr double fastestBpm = 400;
/// Pins of a grid at most.
inline constexpr std::size_t mostBeatPins = 20000;

/// The place in the list of the first pin that breaks the rules of `BeatGrid::pins`; nothing where all are good.
std::optional<std::size_t> badPin(const BeatGrid& grid);

/// A grid through beats that were met, with as few pins as keep all of them within `tolerance` seconds of their time.
/// `beats` in seconds, rising, at least two, each the next beat; the first becomes beat 0. None where one tempo does.
BeatGrid gridThrough(const std::vector<double>& beats, double tolerance);

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
