// SPDX-License-Identifier: GPL-3.0-or-later
#include "reel_lanes.h"

#include <algorithm>
#include <cmath>

#include "text.h"

namespace ember::app {

namespace {

constexpr double reach = 7; ///< pixels around a key

double topOf(const Master& master)
{
    double top = std::max(2.0, master.keys.empty() ? master.intensity : 0.0);
    for (const IntensityKey& key : master.keys)
        top = std::max(top, key.value);
    return top;
}

double middleOf(const ReelLayout& layout, Frame frame)
{
    return layout.map.toPixel(static_cast<double>(frame.index) + 0.5);
}

const FieldSpec& specOf(MovePart part)
{
    switch (part) {
    case MovePart::x: return movefield::x;
    case MovePart::y: return movefield::y;
    case MovePart::zoom: return movefield::zoom;
    case MovePart::roll: break;
    }
    return movefield::roll;
}

/// How far from rest the lane's edges are.
double moveReach(const std::vector<MoveKey>& moves, MovePart part)
{
    double most = 20 * specOf(part).step;
    for (const MoveKey& key : moves)
        most = std::max(most, std::abs(partOf(key, part) - specOf(part).fallback));
    return 1.25 * most;
}

template <typename Key>
std::vector<Key> moved(std::vector<Key> keys, std::size_t index, const Key& key)
{
    if (index >= keys.size())
        return keys;
    keys.erase(keys.begin() + static_cast<std::ptrdiff_t>(index));
    std::erase_if(keys, [&](const Key& other) { return other.frame == key.frame; });
    keys.insert(
        std::upper_bound(keys.begin(), keys.end(), key, [](const Key& a, const Key& b) { return a.frame < b.frame; }),
        key);
    return keys;
}

} // namespace

double intensityToY(const ReelLayout& layout, const Master& master, double value)
{
    return layout.intensity.bottom() - value / topOf(master) * (layout.intensity.height() - 2) - 1;
}

double intensityFromY(const ReelLayout& layout, const Master& master, double y)
{
    return (layout.intensity.bottom() - 1 - y) / (layout.intensity.height() - 2) * topOf(master);
}

double partOf(const MoveKey& key, MovePart part)
{
    switch (part) {
    case MovePart::x: return key.x;
    case MovePart::y: return key.y;
    case MovePart::zoom: return key.zoom;
    case MovePart::roll: break;
    }
    return key.roll;
}

QString partWord(MovePart part)
{
    return ours(specOf(part).label);
}

QString partText(MovePart part, double value)
{
    const bool percent = part == MovePart::zoom;
    return partWord(part) + QLatin1Char(' ') + QString::number(percent ? 100 * value : value, 'g', 5) +
           (part == MovePart::roll ? QStringLiteral("°")
            : percent              ? QStringLiteral(" %")
                                   : QStringLiteral(" px"));
}

double moveToY(const ReelLayout& layout, const std::vector<MoveKey>& moves, MovePart part, double value)
{
    const double away = (value - specOf(part).fallback) / moveReach(moves, part);
    return layout.moves.center().y() - std::clamp(away, -1.0, 1.0) * 0.5 * layout.moves.height();
}

double moveFromY(const ReelLayout& layout, const std::vector<MoveKey>& moves, MovePart part, double y)
{
    const double away = (layout.moves.center().y() - y) / (0.5 * layout.moves.height());
    return specOf(part).fallback + away * moveReach(moves, part);
}

std::optional<LaneKey> laneKeyAt(const ReelLayout& layout, const Master& master, const std::vector<MoveKey>& moves,
                                 MovePart part, QPointF place)
{
    std::optional<LaneKey> nearest;
    double least = reach;
    const auto look = [&](LaneKey::Of of, std::size_t index, double x, double y) {
        if (const double away = std::hypot(x - place.x(), y - place.y()); away <= least) {
            least = away;
            nearest = LaneKey{of, index};
        }
    };
    if (!layout.intensity.isEmpty())
        for (std::size_t i = 0; i < master.keys.size(); ++i)
            look(LaneKey::Of::intensity, i, middleOf(layout, master.keys[i].frame),
                 intensityToY(layout, master, master.keys[i].value));
    if (!layout.moves.isEmpty())
        for (std::size_t i = 0; i < moves.size(); ++i)
            look(LaneKey::Of::move, i, middleOf(layout, moves[i].frame),
                 moveToY(layout, moves, part, partOf(moves[i], part)));
    return nearest;
}

bool onIntensityLine(const ReelLayout& layout, const Master& master, QPointF place)
{
    return layout.intensity.contains(place) &&
           std::abs(intensityToY(layout, master, master.intensityAt(layout.map.toFrame(place.x()) - 0.5)) -
                    place.y()) <= 5;
}

bool onMoveLine(const ReelLayout& layout, const std::vector<MoveKey>& moves, MovePart part, double value, QPointF place)
{
    return layout.moves.contains(place) && std::abs(moveToY(layout, moves, part, value) - place.y()) <= 5;
}

double moveInSteps(MovePart part, double value, bool fine)
{
    const double step = (part == MovePart::roll ? 0.1 : specOf(part).step) * (fine ? 0.1 : 1);
    return clampTo(specOf(part), std::round(value / step) * step);
}

std::vector<IntensityKey> withKeyAt(std::vector<IntensityKey> keys, std::size_t index, Frame frame, double value)
{
    if (index >= keys.size())
        return keys;
    const IntensityKey key{frame, std::clamp(value, 0.0, mostIntensity), keys[index].ease};
    return moved(std::move(keys), index, key);
}

std::vector<MoveKey> withKeyAt(std::vector<MoveKey> keys, std::size_t index, Frame frame, MovePart part, double value)
{
    if (index >= keys.size())
        return keys;
    MoveKey key = keys[index];
    key.frame = frame;
    switch (part) {
    case MovePart::x: key.x = value; break;
    case MovePart::y: key.y = value; break;
    case MovePart::zoom: key.zoom = value; break;
    case MovePart::roll: key.roll = value; break;
    }
    return moved(std::move(keys), index, key);
}

} // namespace ember::app
