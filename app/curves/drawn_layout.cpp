// SPDX-License-Identifier: GPL-3.0-or-later
#include "drawn_layout.h"

#include <algorithm>
#include <cmath>

namespace ember::app {

namespace {
constexpr double grabRadius = 8;
constexpr double boxMargin = 8;

double apart(QPointF a, QPointF b)
{
    return std::hypot(a.x() - b.x(), a.y() - b.y());
}
} // namespace

DrawnLayout layOutDrawn(const QSizeF& size, const CurveKeys& keys)
{
    DrawnLayout layout;
    layout.plot = QRectF(6, 8, std::max(40.0, size.width() - 12), std::max(20.0, size.height() - 16));
    if (!keys.empty()) {
        layout.firstFrame = std::min(layout.firstFrame, keys.front().frame - 2);
        layout.lastFrame = std::max(layout.lastFrame, keys.back().frame * 1.2 + 2);
    }
    return layout;
}

QRectF boxAround(const DrawnLayout& layout, const CurveKeys& keys, const KeyPlaces& chosen)
{
    QRectF box;
    if (chosen.size() < 2)
        return box;
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

QPointF gripOf(const QRectF& box, DrawnGrip grip)
{
    switch (grip) {
    case DrawnGrip::front: return {box.left(), box.center().y()};
    case DrawnGrip::back: return {box.right(), box.center().y()};
    default: return {box.center().x(), box.top()};
    }
}

std::optional<QPointF> slopeHandle(const DrawnLayout& layout, const CurveKeys& keys, std::size_t key, DrawnGrip grip)
{
    const bool in = grip == DrawnGrip::slopeIn;
    if (in ? key == 0 || keys[key - 1].ease != Ease::curve : key + 1 >= keys.size() || keys[key].ease != Ease::curve)
        return std::nullopt;
    const CurveKey& at = keys[key];
    // A third of the way to the neighbour: where the control point of the same cubic is.
    const double frames = (in ? keys[key - 1].frame - at.frame : keys[key + 1].frame - at.frame) / 3;
    return layout.at({at.frame + frames, at.value + frames * (in ? at.slopeIn : at.slopeOut)});
}

DrawnPlace placeUnder(const DrawnLayout& layout, const CurveKeys& keys, const KeyPlaces& chosen, QPointF place)
{
    if (chosen.size() == 1)
        for (const DrawnGrip grip : {DrawnGrip::slopeIn, DrawnGrip::slopeOut})
            if (const auto handle = slopeHandle(layout, keys, chosen.front(), grip);
                handle && apart(*handle, place) <= grabRadius - 1)
                return {grip, chosen.front()};
    DrawnPlace nearest;
    double least = grabRadius;
    for (std::size_t i = 0; i < keys.size(); ++i)
        if (const double distance = apart(layout.at(keys[i]), place); distance <= least) {
            least = distance;
            nearest = {DrawnGrip::key, i};
        }
    if (nearest.grip == DrawnGrip::none && chosen.size() > 1) {
        const QRectF box = boxAround(layout, keys, chosen);
        for (const DrawnGrip grip : {DrawnGrip::front, DrawnGrip::back, DrawnGrip::height})
            if (apart(gripOf(box, grip), place) <= grabRadius)
                return {grip, 0};
    }
    return nearest;
}

KeyPlaces keysWithin(const DrawnLayout& layout, const CurveKeys& keys, const QRectF& rect)
{
    KeyPlaces found;
    for (std::size_t i = 0; i < keys.size(); ++i)
        if (rect.contains(layout.at(keys[i])))
            found.push_back(i);
    return found;
}

} // namespace ember::app
