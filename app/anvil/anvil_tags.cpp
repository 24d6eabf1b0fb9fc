// SPDX-License-Identifier: GPL-3.0-or-later
#include "anvil_tags.h"

#include <algorithm>
#include <cmath>

namespace ember::app {

namespace {

using F = EnvelopeField;

constexpr double step = 4;          ///< places are looked for this far apart
constexpr double gap = 3;           ///< between two of them
constexpr double handleRoom = 7;    ///< around a handle
constexpr double overTheLine = 900; ///< what covering the line costs, in squared pixels of distance

/// Its side of the handle: what comes before the peak stands left of it.
bool leftOfIt(Tag tag)
{
    return tag == Tag::lead || tag == Tag::leadLevel || tag == Tag::attack;
}

struct Line {
    double left;
    std::vector<double> y; ///< of the envelope, each second pixel

    Line(const AnvilLayout& layout, const Envelope& envelope) : left(layout.plot.left())
    {
        for (double x = layout.plot.left(); x <= layout.plot.right(); x += 2)
            y.push_back(layout.toY(intensityAt(envelope, layout.map.toFrame(x))));
    }
    bool crosses(const QRectF& box) const
    {
        const auto index = [this](double x) {
            return static_cast<std::size_t>(std::clamp((x - left) / 2, 0.0, static_cast<double>(y.size() - 1)));
        };
        for (std::size_t i = index(box.left()); i <= index(box.right()); ++i)
            if (y[i] > box.top() - 1 && y[i] < box.bottom() + 1)
                return true;
        return false;
    }
};

} // namespace

Handle handleOf(Tag tag, const Envelope& e)
{
    switch (tag) {
    case Tag::lead: return Handle::lead;
    case Tag::leadLevel: return Handle::leadLevel;
    case Tag::attack: return e.chosen<Anchor>(F::anchor) == Anchor::peak ? Handle::onset : Handle::peak;
    case Tag::hold: return Handle::hold;
    case Tag::curve: return Handle::curve;
    case Tag::decay: return Handle::decay;
    case Tag::rumbleLength: return Handle::rumble;
    case Tag::release: return Handle::release;
    case Tag::rumble: break;
    }
    return Handle::none;
}

std::vector<Tag> tagsOf(const Envelope& e)
{
    if (e.drawn())
        return {};
    std::vector<Tag> tags;
    for (const Tag tag : allTags) {
        const bool there = tag == Tag::leadLevel                             ? e[F::lead] > 0
                           : tag == Tag::curve                               ? e[F::decay] > 0
                           : tag == Tag::rumbleLength || tag == Tag::release ? e[F::rumble] > 0
                                                                             : true;
        if (there)
            tags.push_back(tag);
    }
    return tags;
}

QPointF tagPoint(const AnvilLayout& layout, const Envelope& e, Tag tag)
{
    if (tag == Tag::rumble) {
        if (e[F::rumble] <= 0)
            return layout.at(e.decayEnd(), 0) + QPointF(40, 0);
        const double from = layout.map.toPixel(e.decayEnd());
        const double to = std::min(layout.map.toPixel(e.rumbleEnd()), layout.plot.right());
        return {0.5 * (from + to), layout.toY(e[F::rumble])};
    }
    const Handle wanted = handleOf(tag, e);
    for (const HandlePoint& point : handlePoints(layout, e))
        if (point.handle == wanted)
            return point.at;
    return layout.at(e.end(), 0);
}

std::vector<QRectF> placeTags(const AnvilLayout& layout, const Envelope& envelope, const std::vector<Tag>& tags,
                              const std::vector<QSizeF>& sizes)
{
    const QRectF paper(layout.gutter.right() + 2, 1, layout.frames.right() - layout.gutter.right() - 4,
                       layout.plot.bottom() - 1);
    const Line line(layout, envelope);
    std::vector<QRectF> taken;
    std::vector<QRectF> handles;
    for (const HandlePoint& point : handlePoints(layout, envelope))
        handles.emplace_back(point.at.x() - handleRoom, point.at.y() - handleRoom, 2 * handleRoom, 2 * handleRoom);
    std::vector<QRectF> places;
    for (std::size_t i = 0; i < tags.size(); ++i) {
        const QSizeF size = sizes[i];
        QPointF point = tagPoint(layout, envelope, tags[i]);
        point.setX(std::clamp(point.x(), paper.left(), paper.right()));
        // Above its handle and a little aside.
        const QPointF wanted = point + QPointF(leftOfIt(tags[i]) ? -size.width() - 4 : 4, -size.height() - 9);
        const auto best = [&](double reach, bool offHandles) {
            QRectF found;
            double least = 1e18;
            const double right = std::min(paper.right() - size.width(), wanted.x() + reach);
            for (double x = std::max(paper.left(), wanted.x() - reach); x <= right; x += step)
                for (double y = paper.top(); y <= paper.bottom() - size.height(); y += step) {
                    const double dx = x - wanted.x();
                    const double dy = y - wanted.y();
                    const double cost = dx * dx + dy * dy;
                    if (cost >= least)
                        continue;
                    const QRectF box(QPointF(x, y), size);
                    const auto hits = [&](const QRectF& other) {
                        return other.intersects(box.adjusted(-gap, -gap, gap, gap));
                    };
                    if (std::any_of(taken.begin(), taken.end(), hits) ||
                        (offHandles && std::any_of(handles.begin(), handles.end(), hits)))
                        continue;
                    const double whole = cost + (line.crosses(box) ? overTheLine : 0);
                    if (whole < least) {
                        least = whole;
                        found = box;
                    }
                }
            return found;
        };
        QRectF box = best(160, true);
        if (box.isNull())
            box = best(1e6, true);
        if (box.isNull())
            box = best(1e6, false);
        if (box.isNull()) // a paper that is too small for them all
            box = QRectF(
                QPointF(std::clamp(wanted.x(), paper.left(), std::max(paper.left(), paper.right() - size.width())),
                        paper.top()),
                size);
        taken.push_back(box);
        places.push_back(box);
    }
    return places;
}

} // namespace ember::app
