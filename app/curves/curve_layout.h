// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <vector>

#include <QPointF>
#include <QRectF>

#include "axis_map.h"
#include "ember/core/keys.h"

namespace ember::app {

/// What of the curves is seen: frames of the keys, and values of the chosen channel's unit.
struct CurveRange {
    double firstFrame = -4;
    double lastFrame = 24;
    double low = -1;
    double high = 1;

    bool operator==(const CurveRange&) const = default;
};

/// Where everything of the curve view lies. No painting, no widget.
struct CurveLayout {
    QRectF sound;  ///< above
    QRectF plot;   ///< the curves
    QRectF ruler;  ///< frames from the strike, and of the film
    QRectF frames; ///< film frames
    EvenMap time;
    double low = -1;
    double high = 1;

    double toX(double frame) const { return time.toPixel(frame); }
    double toFrame(double x) const { return time.toFrame(x); }
    double toY(double value) const { return plot.bottom() - (value - low) / (high - low) * plot.height(); }
    double toValue(double y) const { return low + (plot.bottom() - y) / plot.height() * (high - low); }
    QPointF at(const CurveKey& key) const { return {toX(key.frame), toY(key.value)}; }
};
CurveLayout layOutCurves(const QSizeF& size, const CurveRange& range);

/// The range in which all of these curves are seen, with some room around: frames from at least -4 to 16, values from
/// at least `least` wide; from 0 up where nothing is below.
CurveRange rangeOf(const std::vector<const CurveKeys*>& curves, double still, double least, bool fromZero);
/// Closer or farther about a place: factors below 1 show less.
CurveRange zoomed(const CurveRange& range, double frame, double frames, double value, double values);
CurveRange panned(const CurveRange& range, double frames, double values);

/// Values to label on the left, in steps of 1, 2 or 5 times a power of ten, about `spacing` pixels apart.
std::vector<double> valueTicks(const CurveLayout& layout, double spacing);

/// What there is to take hold of.
enum class CurveGrip {
    none,
    key,
    slopeIn, ///< of the one chosen key
    slopeOut,
    front,  ///< left end of several chosen keys: draws them together towards the last
    back,   ///< right end: towards the first
    top,    ///< their values about the lowest
    bottom, ///< and about the highest
    line,   ///< the curve between keys
};
struct CurvePlace {
    CurveGrip grip = CurveGrip::none;
    std::size_t key = 0;
};

/// The box around several chosen keys; empty for fewer than two.
QRectF boxAround(const CurveLayout& layout, const CurveKeys& keys, const KeyPlaces& chosen);
/// Where a grip of the box is.
QPointF gripOf(const QRectF& box, CurveGrip grip);
/// Where the handle of a key's slope is; nowhere for keys on a side that has none.
std::optional<QPointF> slopeHandle(const CurveLayout& layout, const CurveKeys& keys, std::size_t key, CurveGrip grip);
/// What lies under a place: slopes and grips of what is chosen first, then keys.
CurvePlace placeUnder(const CurveLayout& layout, const CurveKeys& keys, const KeyPlaces& chosen, QPointF place);
/// Keys inside a rectangle of the paper.
KeyPlaces keysWithin(const CurveLayout& layout, const CurveKeys& keys, const QRectF& rect);
/// The places of keys in sight: [first, end).
std::pair<std::size_t, std::size_t> keysInSight(const CurveLayout& layout, const CurveKeys& keys);

} // namespace ember::app
