// SPDX-License-Identifier: GPL-3.0-or-later
#include "anvil_geometry.h"

#include <algorithm>
#include <cmath>

namespace ember::app {

namespace {

constexpr double gutterWidth = 150;
constexpr double sideLeft = gutterWidth + 12;
constexpr double sideRight = 62;    ///< a lane's value under the playhead stands there
constexpr double aboveThePlot = 24; ///< values stand there
constexpr double rulerHeight = 16;
constexpr double leastPlot = 44;
constexpr double leastLane = 15;
constexpr double grabRadius = 9;
constexpr double handleGap = 13; ///< neighbours are kept this far apart so that each can be grabbed

using F = EnvelopeField;

/// The slope a bend is pulled on: straight and constant ones become exponential.
Slope bendable(Slope slope)
{
    return slope == Slope::linear || slope == Slope::constant ? Slope::exponential : slope;
}

/// The film frames grow with the Anvil.
double framesHeight(double height)
{
    return height < 150 ? 30.0 : std::clamp(0.19 * height, 40.0, 130.0);
}

} // namespace

AnvilLayout layOutAnvil(const QSizeF& size, const Envelope& envelope, bool even, std::size_t lanes)
{
    AnvilLayout layout;
    const double width = std::max(360.0, size.width());
    const double height = std::max(120.0, size.height());
    const auto count = static_cast<double>(lanes);
    const double frames = framesHeight(height);
    const double room = height - aboveThePlot - rulerHeight - frames - leastPlot;
    const double lane = count > 0 ? std::clamp(std::min(0.1 * height, room / count), leastLane, 40.0) : 0;
    layout.gutter = QRectF(0, 0, gutterWidth, height);
    const double left = sideLeft;
    const double span = width - sideLeft - sideRight;
    layout.frames = QRectF(gutterWidth, height - frames, width - gutterWidth, frames);
    const double lanesTop = layout.frames.top() - count * lane;
    for (std::size_t i = 0; i < lanes; ++i)
        layout.lanes.emplace_back(left, lanesTop + static_cast<double>(i) * lane, span, lane);
    layout.ruler = QRectF(gutterWidth, lanesTop - rulerHeight, width - gutterWidth, rulerHeight);
    layout.plot = QRectF(left, aboveThePlot, span, std::max(20.0, layout.ruler.top() - aboveThePlot - 1));
    layout.top = std::max(1.0, envelope.most());
    layout.map.left = left;
    layout.map.right = left + span;
    layout.map.even = even;
    layout.map.firstFrame = std::min(-3.0, std::floor(envelope.start() - 2));
    layout.map.lastFrame = std::max(12.0, std::ceil(envelope.end() * 1.12 + 2));
    return layout;
}

bool roomForLanes(double height, std::size_t lanes)
{
    return height - aboveThePlot - rulerHeight - framesHeight(height) - leastPlot >=
           static_cast<double>(lanes) * leastLane;
}

LaneParts lanePartsAt(const AnvilLayout& layout, std::size_t lane)
{
    const QRectF& at = layout.lanes[lane];
    LaneParts parts;
    parts.on = QRectF(8, at.top(), 28, at.height());
    parts.solo = QRectF(gutterWidth - 22, at.top(), 18, at.height());
    parts.name = QRectF(parts.on.right() + 4, at.top(), parts.solo.left() - parts.on.right() - 6, at.height());
    return parts;
}

std::optional<std::size_t> laneAt(const AnvilLayout& layout, double y)
{
    for (std::size_t i = 0; i < layout.lanes.size(); ++i)
        if (y >= layout.lanes[i].top() && y < layout.lanes[i].bottom())
            return i;
    return std::nullopt;
}

double curveHandleFrame(const AnvilLayout& layout, const Envelope& envelope)
{
    const double from = layout.map.toPixel(envelope.holdEnd());
    const double to = layout.map.toPixel(envelope.decayEnd());
    return layout.map.toFrame(from + 0.42 * (to - from));
}

std::vector<HandlePoint> handlePoints(const AnvilLayout& layout, const Envelope& e)
{
    if (e.drawn()) // a curve is shaped in the curve view
        return {};
    std::vector<HandlePoint> points;
    points.push_back({Handle::lead, layout.at(e.start(), 0)});
    if (e[F::lead] > 0) {
        const double top = e.onset() - (e.builds() ? leadBreaksOff : e[F::lead] / 2);
        points.push_back({Handle::leadLevel, layout.at(top, e[F::leadLevel])});
    }
    if (e.chosen<Anchor>(F::anchor) == Anchor::peak)
        points.push_back({Handle::onset, layout.at(e.onset(), 0)});
    else
        points.push_back({Handle::peak, layout.at(e.peak(), 1)});
    points.push_back({Handle::hold, layout.at(e.holdEnd(), 1)});
    if (e[F::decay] > 0) {
        const double frame = curveHandleFrame(layout, e);
        points.push_back({Handle::curve, layout.at(frame, intensityAt(e, frame))});
    }
    points.push_back({Handle::decay, layout.at(e.decayEnd(), e[F::rumble])});
    if (e[F::rumble] > 0) {
        points.push_back({Handle::rumble, layout.at(e.rumbleEnd(), e[F::rumble])});
        points.push_back({Handle::release, layout.at(e.end(), 0)});
    }
    // Handles that would lie on each other step aside: the lead's to the left, the others to the right.
    for (std::size_t i = 1; i < points.size(); ++i)
        if (std::abs(points[0].at.x() - points[i].at.x()) < handleGap && points[i].at.y() > layout.toY(0.4))
            points[0].at.setX(points[i].at.x() - handleGap);
    for (std::size_t i = 1; i < points.size(); ++i)
        if (points[i].handle != Handle::curve) {
            const auto& before = points[i].handle == Handle::decay && points[i - 1].handle == Handle::curve
                                     ? points[i - 2]
                                     : points[i - 1];
            if (std::hypot(points[i].at.x() - before.at.x(), points[i].at.y() - before.at.y()) < handleGap)
                points[i].at.setX(before.at.x() + handleGap);
        }
    return points;
}

Handle handleAt(const AnvilLayout& layout, const Envelope& envelope, QPointF place)
{
    Handle nearest = Handle::none;
    double least = grabRadius;
    for (const HandlePoint& point : handlePoints(layout, envelope)) {
        const double distance = std::hypot(point.at.x() - place.x(), point.at.y() - place.y());
        if (distance <= least) {
            least = distance;
            nearest = point.handle;
        }
    }
    return nearest;
}

double curveThrough(Slope slope, double u, double share)
{
    u = std::clamp(u, 0.01, 0.99);
    double low = specOf(F::decayCurve).min;
    double high = specOf(F::decayCurve).max;
    // slopeFall falls as the curve grows, so halving finds it.
    for (int i = 0; i < 40; ++i) {
        const double middle = 0.5 * (low + high);
        (slopeFall(slope, u, middle, 1) > share ? low : high) = middle;
    }
    return 0.5 * (low + high);
}

EnvelopeChanges dragHandle(const AnvilLayout& layout, const Envelope& e, Handle handle, QPointF place, bool fine)
{
    const double frame = layout.map.toFrame(place.x());
    const auto length = [fine](double from, double to) {
        const double exact = std::max(0.0, to - from);
        return fine ? std::round(exact * 100) / 100 : std::round(exact);
    };
    const auto level = [&] {
        const double exact = std::clamp(layout.toLevel(place.y()), 0.0, 1.0);
        return fine ? std::round(exact * 1000) / 1000 : std::round(exact * 100) / 100;
    };
    switch (handle) {
    case Handle::none: return {};
    case Handle::lead: return {{F::lead, length(frame, e.onset())}};
    case Handle::leadLevel: return {{F::leadLevel, level()}};
    case Handle::onset: return {{F::attack, length(frame, 0)}};
    case Handle::peak: return {{F::attack, length(e.onset(), frame)}};
    case Handle::hold: return {{F::hold, length(e.peak(), frame)}};
    case Handle::curve: {
        const double u = (curveHandleFrame(layout, e) - e.holdEnd()) / std::max(1e-9, e[F::decay]);
        const double rumble = e[F::rumble];
        const double share = (layout.toLevel(place.y()) - rumble) / std::max(1e-9, 1 - rumble);
        const auto slope = bendable(e.chosen<Slope>(F::decaySlope));
        const double curve = curveThrough(slope, u, std::clamp(share, 0.0, 1.0));
        return {{F::decaySlope, static_cast<double>(slope)}, {F::decayCurve, fine ? curve : std::round(curve * 4) / 4}};
    }
    case Handle::decay: return {{F::decay, length(e.holdEnd(), frame)}, {F::rumble, level()}};
    case Handle::rumble:
        if (e.chosen<RumbleUntil>(F::rumbleUntil) != RumbleUntil::length)
            return {{F::rumble, std::max(0.01, level())}};
        return {{F::rumbleLength, length(e.decayEnd(), frame)}, {F::rumble, std::max(0.01, level())}};
    case Handle::release: return {{F::release, length(e.rumbleEnd(), frame)}};
    }
    return {};
}

double contactX(const AnvilLayout& layout, std::int64_t frame, double width)
{
    const double left = layout.frames.left() + width / 2;
    return std::clamp(layout.map.toPixel(static_cast<double>(frame)), left,
                      std::max(left, layout.frames.right() - width / 2));
}

std::vector<std::int64_t> contactFrames(const AnvilLayout& layout, std::int64_t peak, double width)
{
    const auto first = static_cast<std::int64_t>(std::ceil(layout.map.firstFrame));
    const auto last = static_cast<std::int64_t>(std::floor(layout.map.lastFrame));
    std::vector<std::int64_t> chosen;
    const double room = width + 4;
    const auto fits = [&](std::int64_t frame) {
        const double x = contactX(layout, frame, width);
        return std::none_of(chosen.begin(), chosen.end(),
                            [&](std::int64_t other) { return std::abs(contactX(layout, other, width) - x) < room; });
    };
    const auto take = [&](std::int64_t frame) {
        if (frame >= first && frame <= last && fits(frame))
            chosen.push_back(frame);
    };
    take(peak);
    take(0);
    // Outwards from the peak, each the next frame that has room.
    for (auto frame = peak + 1; frame <= last; ++frame)
        take(frame);
    for (auto frame = peak - 1; frame >= first; --frame)
        take(frame);
    std::sort(chosen.begin(), chosen.end());
    return chosen;
}

} // namespace ember::app
