// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QPointF>
#include <QRectF>

#include "ember/core/keys.h"

namespace ember::app {

/// Where a drawn curve lies on its paper: frames from the peak to the right, the value upwards. No painting.
struct DrawnLayout {
    QRectF plot;
    double firstFrame = -6;
    double lastFrame = 24;

    QPointF at(const CurveKey& key) const { return {toX(key.frame), toY(key.value)}; }
    double toX(double frame) const
    {
        return plot.left() + (frame - firstFrame) / (lastFrame - firstFrame) * plot.width();
    }
    double toY(double value) const { return plot.center().y() - value * plot.height() / 2; }
    double toFrame(double x) const { return firstFrame + (x - plot.left()) / plot.width() * (lastFrame - firstFrame); }
    double toValue(double y) const { return (plot.center().y() - y) / (plot.height() / 2); }
};

/// Room for all keys and some beyond the last.
DrawnLayout layOutDrawn(const QSizeF& size, const CurveKeys& keys);

/// What there is to take hold of.
enum class DrawnGrip {
    none,
    key,
    slopeIn, ///< of the one chosen key
    slopeOut,
    front,  ///< left end of several chosen keys: draws them together towards the last
    back,   ///< right end: towards the first
    height, ///< top: all values larger or smaller
};
struct DrawnPlace {
    DrawnGrip grip = DrawnGrip::none;
    std::size_t key = 0;
};

/// The box around several chosen keys; empty for fewer than two.
QRectF boxAround(const DrawnLayout& layout, const CurveKeys& keys, const KeyPlaces& chosen);
/// Where a grip of the box is.
QPointF gripOf(const QRectF& box, DrawnGrip grip);
/// Where the handle of a key's slope is; nowhere for keys on a side that has none.
std::optional<QPointF> slopeHandle(const DrawnLayout& layout, const CurveKeys& keys, std::size_t key, DrawnGrip grip);
/// What lies under a place: slopes and grips of what is chosen first, then keys.
DrawnPlace placeUnder(const DrawnLayout& layout, const CurveKeys& keys, const KeyPlaces& chosen, QPointF place);
/// Keys inside a rectangle of the paper.
KeyPlaces keysWithin(const DrawnLayout& layout, const CurveKeys& keys, const QRectF& rect);

} // namespace ember::app
