// SPDX-License-Identifier: GPL-3.0-or-later
// The beats at the foot of the Reel's sound: where they are, how they are drawn, what a drag makes of them. No widget.
#pragma once

#include <optional>
#include <span>

#include "ember/core/beat_grid.h"
#include "ember/core/time.h"
#include "reel_geometry.h"

class QPainter;

namespace ember::app {

/// The beat whose stroke is under a place. None where beats are too close to be told apart by hand.
std::optional<std::int64_t> beatAt(const ReelLayout& layout, const BeatGrid& beats, FrameRate rate, QPointF place);

/// Whether a beat is pinned.
bool isPinned(const BeatGrid& beats, std::int64_t beat);

/// The second that a beat dragged to `x` is meant for: the nearest of `moments` within a few pixels, else where it is.
double beatSeconds(const ReelLayout& layout, FrameRate rate, std::span<const double> moments, double x);

/// Beats as short strokes at the foot of the sound, bars as long ones, pinned ones with a head; left out where they
/// would be a grey field.
void paintBeats(QPainter& painter, const ReelLayout& layout, const BeatGrid& beats, FrameRate rate);

} // namespace ember::app
