// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <span>

#include "beat_weight.h"
#include "ember/analysis/tempo.h"

namespace ember {

/// Beats whose tempo changes, bars not known: the way from onset to onset that gathers most weight for its steps, where
/// each step is about as long as the one before (dynamic programming, after D. Ellis, "Beat tracking by dynamic
/// programming", 2007, with the period as part of the state). Nothing where `steady` gathers about as much, or where
/// no beat is kept. `onsets` in order.
std::optional<Tempo> followedTempo(const BeatWeight& weight, std::span<const Onset> onsets,
                                   const std::optional<Tempo>& steady);

} // namespace ember
