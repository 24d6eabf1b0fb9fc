// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <span>
#include <vector>

#include "ember/analysis/onsets.h"
#include "ember/core/beat_grid.h"

namespace ember {

/// The beat of a sound.
struct Tempo {
    BeatGrid grid;          ///< its first beat is the first one that is heard; pinned where the tempo changes
    std::int64_t beats = 0; ///< from there to the last that is heard
    double confidence = 0;  ///< 0 to 1: how many of them are struck, and how truly
};

/// Nothing where no beat is kept for five beats. `onsets` in order.
std::optional<Tempo> tempoOf(const SoundTrace& trace, std::span<const Onset> onsets);
/// As far as it keeps one tempo: a grid without pins.
std::optional<Tempo> steadyTempoOf(const SoundTrace& trace, std::span<const Onset> onsets);

/// Onsets that fall on a run of beats become beats.
void nameBeats(std::vector<Onset>& onsets, const Tempo& tempo);

} // namespace ember
