// SPDX-License-Identifier: GPL-3.0-or-later
// The lanes of the film's intensity and of the shot's own move: what is under a place, and what a drag makes of it.
// No painting, no widget.
#pragma once

#include <cstddef>
#include <optional>
#include <vector>

#include "ember/core/project.h"
#include "reel_geometry.h"

namespace ember::app {

/// A key in one of the lanes.
struct LaneKey {
    enum class Of { intensity, move };
    Of of = Of::intensity;
    std::size_t index = 0;
    bool operator==(const LaneKey&) const = default;
};

/// Where an intensity lies in its lane, and back; the lane reaches to 200 %, or to the largest key.
double intensityToY(const ReelLayout& layout, const Master& master, double value);
double intensityFromY(const ReelLayout& layout, const Master& master, double y);

/// The key under a place. `moves`: the film's move, keys on frames of the film.
std::optional<LaneKey> laneKeyAt(const ReelLayout& layout, const Master& master, const std::vector<MoveKey>& moves,
                                 QPointF place);
/// Whether a place is on the line of the intensity, where a click adds a key.
bool onIntensityLine(const ReelLayout& layout, const Master& master, QPointF place);

/// The keys with one of them where the hand wants it: on a frame of the film of that length, in steps of 5 % unless
/// `fine`. Of two on one frame the moved one stays.
std::vector<IntensityKey> withKeyAt(std::vector<IntensityKey> keys, std::size_t index, Frame frame, double value);
std::vector<MoveKey> withKeyAt(std::vector<MoveKey> keys, std::size_t index, Frame frame);

} // namespace ember::app
