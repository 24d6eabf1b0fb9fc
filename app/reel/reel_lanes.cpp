// SPDX-License-Identifier: GPL-3.0-or-later
#include "reel_lanes.h"

#include <algorithm>
#include <cmath>

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

std::optional<LaneKey> laneKeyAt(const ReelLayout& layout, const Master& master, const std::vector<MoveKey>& moves,
                                 QPointF place)
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
            look(LaneKey::Of::move, i, middleOf(layout, moves[i].frame), layout.moves.center().y());
    return nearest;
}

bool onIntensityLine(const ReelLayout& layout, const Master& master, QPointF place)
{
    return layout.intensity.contains(place) &&
           std::abs(intensityToY(layout, master, master.intensityAt(layout.map.toFrame(place.x()) - 0.5)) -
                    place.y()) <= 5;
}

std::vector<IntensityKey> withKeyAt(std::vector<IntensityKey> keys, std::size_t index, Frame frame, double value)
{
    if (index >= keys.size())
        return keys;
    const IntensityKey key{frame, std::clamp(value, 0.0, mostIntensity), keys[index].ease};
    return moved(std::move(keys), index, key);
}

std::vector<MoveKey> withKeyAt(std::vector<MoveKey> keys, std::size_t index, Frame frame)
{
    if (index >= keys.size())
        return keys;
    MoveKey key = keys[index];
    key.frame = frame;
    return moved(std::move(keys), index, key);
}

} // namespace ember::app
