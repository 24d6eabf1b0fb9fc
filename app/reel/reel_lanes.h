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

/// What of the camera move the lane shows.
enum class MovePart { x, y, zoom, roll };
inline constexpr int movePartCount = 4;
double partOf(const MoveKey& key, MovePart part);
QString partWord(MovePart part);
/// A value of it, with its unit.
QString partText(MovePart part, double value);

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

/// The same for a part of the camera move; the lane has room for a little more than its largest key, to both sides of
/// rest. `moves`: the film's move, keys on frames of the film.
double moveToY(const ReelLayout& layout, const std::vector<MoveKey>& moves, MovePart part, double value);
double moveFromY(const ReelLayout& layout, const std::vector<MoveKey>& moves, MovePart part, double y);

/// The key under a place.
std::optional<LaneKey> laneKeyAt(const ReelLayout& layout, const Master& master, const std::vector<MoveKey>& moves,
                                 MovePart part, QPointF place);
/// Whether a place is on the line of the intensity, where a click adds a key.
bool onIntensityLine(const ReelLayout& layout, const Master& master, QPointF place);
/// The same for the camera move, whose value there is known.
bool onMoveLine(const ReelLayout& layout, const std::vector<MoveKey>& moves, MovePart part, double value,
                QPointF place);

/// The keys with one of them where the hand wants it: on a frame of the film of that length, of two on one frame the
/// moved one stays.
std::vector<IntensityKey> withKeyAt(std::vector<IntensityKey> keys, std::size_t index, Frame frame, double value);
/// In steps of a pixel, a percent or a tenth of a degree, or a tenth of that.
double moveInSteps(MovePart part, double value, bool fine);
std::vector<MoveKey> withKeyAt(std::vector<MoveKey> keys, std::size_t index, Frame frame, MovePart part, double value);

} // namespace ember::app
