// SPDX-License-Identifier: GPL-3.0-or-later
#include "curve_layout.h"

#include <algorithm>
#include <array>
#include <cmath>

namespace ember::app {

namespace {
constexpr double grabRadius = 8;
constexpr double boxMargin = 8;
constexpr double soundHeight = 22;
constexpr double rulerHeight = 28;
constexpr double valueGutter = 46; ///< for the numbers left of the plot
constexpr double leastPlot = 40;

double apart(QPointF a, QPointF b)
{
    return std::hypot(a.x() - b.x(), a.y() - b.y());
}
} // namespace

CurveLayout layOutCurves(const QSizeF& size, const CurveRange& range)
{
    CurveLayout layout;
    const double left = valueGutter;
    const double right = std::max(left + 40.0, size.width() - 12);
    const double wide = right - left;
    double high = size.height();
    // What there is no room for gives way to the curve.
    double frames = std::clamp(size.height() * 0.16, 26.0, 54.0);
    double sound = soundHeight;
    if (high - frames - rulerHeight - sound < leastPlot + 30)
        sound = 0;
    if (high - frames - rulerHeight - sound < leastPlot)
        frames = 0;
    layout.sound = QRectF(left, 2, wide, sound);
    layout.frames = QRectF(left, high - frames - 2, wide, frames);
    layout.ruler = QRectF(left, layout.frames.top() - rulerHeight, wide, rulerHeight);
    const double top = layout.sound.bottom() + 6;
    layout.plot = QRectF(left, top, wide, std::max(10.0, layout.ruler.top() - 4 - top));
    layout.time = EvenMap{range.firstFrame, range.lastFrame, left, right};
    layout.low = range.low;
    layout.high = range.high;
    return layout;
}

CurveRange rangeOf(const std::vector<const CurveKeys*>& curves, double still, double least, bool fromZero)
{
    CurveRange range{-4, 16, still, still};
    for (const CurveKeys* keys : curves) {
        if (keys->empty())
            continue;
        const double length = keys->back().frame - keys->front().frame;
        range.firstFrame = std::min(range.firstFrame, keys->front().frame - std::max(2.0, 0.04 * length));
        range.lastFrame = std::max(range.lastFrame, keys->back().frame + std::max(2.0, 0.06 * length));
        for (std::size_t i = 0; i < keys->size(); ++i) {
            const CurveKey& key = (*keys)[i];
            range.low = std::min(range.low, key.value);
            range.high = std::max(range.high, key.value);
            if (key.ease == Ease::curve && i + 1 < keys->size()) { // where it may swing beyond its keys
                const double third = ((*keys)[i + 1].frame - key.frame) / 3;
                for (const double value :
                     {key.value + third * key.slopeOut, (*keys)[i + 1].value - third * (*keys)[i + 1].slopeIn}) {
                    range.low = std::min(range.low, value);
                    range.high = std::max(range.high, value);
                }
            }
        }
    }
    if (fromZero) {
        range.low = std::min(range.low, 0.0);
        range.high = std::max(range.high, least);
    } else { // as far below as above
        const double far = std::max({std::abs(range.low), std::abs(range.high), least});
        range.low = -far;
        range.high = far;
    }
    const double room = 0.08 * (range.high - range.low);
    range.low -= room;
    range.high += room;
    return range;
}

CurveRange zoomed(const CurveRange& range, double frame, double frames, double value, double values)
{
    constexpr double leastFrames = 2;
    constexpr double mostFrames = 400'000;
    CurveRange out = range;
    const double length = range.lastFrame - range.firstFrame;
    const double factor = std::clamp(frames, leastFrames / length, mostFrames / length);
    out.firstFrame = frame + (range.firstFrame - frame) * factor;
    out.lastFrame = frame + (range.lastFrame - frame) * factor;
    const double height = range.high - range.low;
    const double taller = std::clamp(values, 1e-3 / height, 1e6 / height);
    out.low = value + (range.low - value) * taller;
    out.high = value + (range.high - value) * taller;
    return out;
}

CurveRange panned(const CurveRange& range, double frames, double values)
{
    return {range.firstFrame + frames, range.lastFrame + frames, range.low + values, range.high + values};
}

std::vector<double> valueTicks(const CurveLayout& layout, double spacing)
{
    const double wanted = spacing / layout.plot.height() * (layout.high - layout.low);
    const double power = std::pow(10.0, std::floor(std::log10(std::max(1e-9, wanted))));
    double step = power;
    for (const double times : {1.0, 2.0, 5.0, 10.0})
        if (times * power >= wanted) {
            step = times * power;
            break;
        }
    std::vector<double> ticks;
    for (double at = std::ceil(layout.low / step); at * step <= layout.high && ticks.size() < 64; ++at)
        ticks.push_back(at * step);
    return ticks;
}

QRectF boxAround(const CurveLayout& layout, const CurveKeys& keys, const KeyPlaces& chosen)
{
    if (chosen.size() < 2)
        return {};
    double left = 1e9, right = -1e9, top = 1e9, bottom = -1e9;
    for (const std::size_t i : chosen) {
        const QPointF at = layout.at(keys[i]);
        left = std::min(left, at.x());
        right = std::max(right, at.x());
        top = std::min(top, at.y());
        bottom = std::max(bottom, at.y());
    }
    return QRectF(QPointF(left, top), QPointF(right, bottom)).adjusted(-boxMargin, -boxMargin, boxMargin, boxMargin);
}

QPointF gripOf(const QRectF& box, CurveGrip grip)
{
    switch (grip) {
    case CurveGrip::front: return {box.left(), box.center().y()};
    case CurveGrip::back: return {box.right(), box.center().y()};
    case CurveGrip::bottom: return {box.center().x(), box.bottom()};
    default: return {box.center().x(), box.top()};
    }
}

std::optional<QPointF> slopeHandle(const CurveLayout& layout, const CurveKeys& keys, std::size_t key, CurveGrip grip)
{
    const bool in = grip == CurveGrip::slopeIn;
    if (in ? key == 0 || keys[key - 1].ease != Ease::curve : key + 1 >= keys.size() || keys[key].ease != Ease::curve)
        return std::nullopt;
    const CurveKey& at = keys[key];
    // A third of the way to the neighbour: where the control point of the same cubic is.
    const double frames = (in ? keys[key - 1].frame - at.frame : keys[key + 1].frame - at.frame) / 3;
    return layout.at({at.frame + frames, at.value + frames * (in ? at.slopeIn : at.slopeOut)});
}

std::pair<std::size_t, std::size_t> keysInSight(const CurveLayout& layout, const CurveKeys& keys)
{
    const double first = layout.toFrame(layout.plot.left() - grabRadius);
    const double last = layout.toFrame(layout.plot.right() + grabRadius);
    const auto from = std::lower_bound(keys.begin(), keys.end(), first,
                                       [](const CurveKey& key, double frame) { return key.frame < frame; });
    const auto to =
        std::upper_bound(from, keys.end(), last, [](double frame, const CurveKey& key) { return frame < key.frame; });
    return {static_cast<std::size_t>(from - keys.begin()), static_cast<std::size_t>(to - keys.begin())};
}

CurvePlace placeUnder(const CurveLayout& layout, const CurveKeys& keys, const KeyPlaces& chosen, QPointF place)
{
    if (chosen.size() == 1)
        for (const CurveGrip grip : {CurveGrip::slopeIn, CurveGrip::slopeOut})
            if (const auto handle = slopeHandle(layout, keys, chosen.front(), grip);
                handle && apart(*handle, place) <= grabRadius - 1)
                return {grip, chosen.front()};
    CurvePlace nearest;
    double least = grabRadius;
    const auto [first, end] = keysInSight(layout, keys);
    for (std::size_t i = first; i < end; ++i)
        if (const double distance = apart(layout.at(keys[i]), place); distance <= least) {
            least = distance;
            nearest = {CurveGrip::key, i};
        }
    if (nearest.grip == CurveGrip::none && chosen.size() > 1) {
        const QRectF box = boxAround(layout, keys, chosen);
        for (const CurveGrip grip : {CurveGrip::front, CurveGrip::back, CurveGrip::top, CurveGrip::bottom})
            if (apart(gripOf(box, grip), place) <= grabRadius)
                return {grip, 0};
    }
    return nearest;
}

KeyPlaces keysWithin(const CurveLayout& layout, const CurveKeys& keys, const QRectF& rect)
{
    KeyPlaces found;
    const auto [first, end] = keysInSight(layout, keys);
    for (std::size_t i = first; i < end; ++i)
        if (rect.contains(layout.at(keys[i])))
            found.push_back(i);
    return found;
}

} // namespace ember::app
