// SPDX-License-Identifier: GPL-3.0-or-later
#include "anvil_painter.h"

#include <algorithm>
#include <cmath>

#include <QCoreApplication>
#include <QFontMetricsF>
#include <QPainter>
#include <QPainterPath>

#include "picture_renderer.h"
#include "theme.h"

namespace ember::app {

namespace {

using F = EnvelopeField;

QString tr(const char* text)
{
    return QCoreApplication::translate("Anvil", text);
}

/// Where the traces end.
double bottomOf(const AnvilLayout& layout)
{
    return layout.strands.empty() ? layout.trace.bottom() : layout.strands.back().bottom();
}

/// The line of an envelope, with its corners where they are.
QPainterPath envelopeLine(const AnvilLayout& layout, const Envelope& e)
{
    QPainterPath line(layout.at(layout.map.firstFrame, 0));
    line.lineTo(layout.at(e.start(), 0));
    const auto slope = [&](double a, double b) {
        const double x0 = layout.map.toPixel(a);
        const double x1 = layout.map.toPixel(b);
        for (double x = x0; x < x1; x += 3.0) {
            const double frame = layout.map.toFrame(x);
            line.lineTo(QPointF(x, layout.toY(intensityAt(e, std::clamp(frame, a, b)))));
        }
    };
    slope(e.start(), e.onset());
    line.lineTo(layout.at(e.onset(), 0));
    slope(e.onset(), e.peak());
    line.lineTo(layout.at(e.peak(), 1));
    line.lineTo(layout.at(e.holdEnd(), 1));
    slope(e.holdEnd(), e.decayEnd());
    line.lineTo(layout.at(e.decayEnd(), e[EnvelopeField::rumble]));
    line.lineTo(layout.at(e.rumbleEnd(), e[EnvelopeField::rumble]));
    if (e.end() > e.rumbleEnd())
        slope(e.rumbleEnd(), e.end());
    line.lineTo(layout.at(e.end(), 0));
    line.lineTo(layout.at(layout.map.lastFrame, 0));
    return line;
}

void paintGrid(QPainter& p, const AnvilLayout& layout)
{
    p.setFont(theme::numbers(11));
    for (const int level : {0, 50, 100}) {
        if (level == 50 && layout.plot.height() < 48)
            continue;
        const double y = std::round(layout.toY(level / 100.0)) + 0.5;
        p.setPen(QPen(theme::line, 1, level == 0 ? Qt::SolidLine : Qt::DotLine));
        p.drawLine(QPointF(layout.plot.left(), y), QPointF(layout.plot.right(), y));
        p.setPen(theme::dim);
        p.drawText(QRectF(0, y - 9, layout.plot.left() - 8, 18), Qt::AlignRight | Qt::AlignVCenter,
                   QStringLiteral("%1 %").arg(level));
    }
    for (const Tick& tick : strikeTicks(layout.map, 40)) {
        const double x = std::round(layout.map.toPixel(tick.value)) + 0.5;
        p.setPen(QPen(theme::line, 1));
        p.drawLine(QPointF(x, layout.plot.top()), QPointF(x, bottomOf(layout)));
        p.setPen(theme::dim);
        p.drawText(QRectF(x - 30, layout.ruler.top(), 60, layout.ruler.height()), Qt::AlignCenter,
                   QString::fromStdString(tick.label));
    }
}

/// Where shots meet, half way between their frames.
void paintCuts(QPainter& p, const AnvilLayout& layout, const AnvilPicture& picture)
{
    p.setFont(theme::words(11));
    for (const std::int64_t cut : picture.cuts) {
        const double frame = static_cast<double>(cut - picture.strikeFrame) - 0.5;
        if (frame <= layout.map.firstFrame || frame >= layout.map.lastFrame)
            continue;
        const double x = std::round(layout.map.toPixel(frame)) + 0.5;
        p.setPen(QPen(theme::dim, 1.5, Qt::DashLine));
        p.drawLine(QPointF(x, layout.plot.top()), QPointF(x, layout.ruler.top()));
        p.drawLine(QPointF(x, layout.ruler.bottom()), QPointF(x, layout.frames.bottom()));
        if (layout.map.toPixel(frame + 0.5) - x > 30) // between the numbers of the frames it parts
            p.drawText(QRectF(x - 20, layout.ruler.top(), 40, layout.ruler.height()), Qt::AlignCenter, tr("cut"));
    }
}

void paintEnvelope(QPainter& p, const AnvilLayout& layout, const AnvilPicture& picture)
{
    const Envelope& e = picture.envelope;
    // The heat under the line: one column of colour a pixel, seen through the envelope's shape.
    const double from = std::floor(layout.map.toPixel(e.start()));
    const double to = std::ceil(std::min(layout.map.toPixel(e.end()), layout.plot.right()));
    const QPainterPath line = envelopeLine(layout, e);
    if (to > from) {
        QImage heat(static_cast<int>(to - from), 1, QImage::Format_ARGB32_Premultiplied);
        for (int i = 0; i < heat.width(); ++i)
            heat.setPixelColor(i, 0,
                               theme::heat(intensityAt(e, layout.map.toFrame(from + i + 0.5)) * picture.strength));
        QBrush brush(heat);
        brush.setTransform(QTransform::fromTranslate(from, 0));
        p.fillPath(line, brush);
    }
    p.setRenderHint(QPainter::Antialiasing);
    p.setBrush(Qt::NoBrush);
    p.setPen(QPen(theme::dim, 1, Qt::DashLine));
    for (const Envelope& ghost : picture.ghosts)
        p.drawPath(envelopeLine(layout, ghost));
    p.setPen(QPen(theme::text, 1.5));
    p.drawPath(line);
    if (picture.strength > 1) { // beyond full heat: said in words too
        p.setFont(theme::numbers(11));
        p.setPen(theme::text);
        const double x = layout.map.toPixel(e.peak());
        p.drawLine(QPointF(x, layout.toY(1) - 6), QPointF(x, layout.toY(1) - 12));
    }
}

QString handleText(Handle handle, const Envelope& e, const std::function<QString(double)>& frames)
{
    const auto number = [](double v) { return QString::number(v, 'g', 5); };
    switch (handle) {
    case Handle::none: return {};
    case Handle::lead: return e[F::lead] == 0 ? tr("pull for a lead") : tr("lead %1").arg(frames(e[F::lead]));
    case Handle::leadLevel: return tr(e.builds() ? "builds to %1 %" : "back %1 %").arg(number(100 * e[F::leadLevel]));
    case Handle::onset: return tr("attack %1").arg(frames(e[F::attack]));
    case Handle::peak: return e[F::attack] == 0 ? tr("peak on the strike") : tr("attack %1").arg(frames(e[F::attack]));
    case Handle::hold: return tr("hold %1").arg(frames(e[F::hold]));
    case Handle::curve: {
        if (e.chosen<Slope>(F::decaySlope) == Slope::constant)
            return tr("stays up");
        if (e.chosen<Slope>(F::decaySlope) == Slope::linear)
            return tr("straight");
        const double curve = e[F::decayCurve];
        const char* words = curve > 0.4    ? "curve %1, falls fast first"
                            : curve < -0.4 ? "curve %1, falls late"
                                           : "curve %1, straight";
        return tr(words).arg(number(curve));
    }
    case Handle::decay:
        return tr("decay %1").arg(frames(e[F::decay])) +
               (e[F::rumble] > 0 ? tr(" to %1 %").arg(number(100 * e[F::rumble])) : QString());
    case Handle::rumble: return tr("rumble %1").arg(frames(e[F::rumbleLength]));
    case Handle::release: return tr("release %1").arg(frames(e[F::release]));
    }
    return {};
}

void paintHandles(QPainter& p, const AnvilLayout& layout, const AnvilPicture& picture)
{
    const auto points = handlePoints(layout, picture.envelope);
    const Handle lit = picture.dragged != Handle::none ? picture.dragged : picture.hovered;
    p.setFont(theme::numbers(11));
    const QFontMetricsF metrics(p.font());
    // The one in hand is named first; the others where their names find room.
    std::vector<QRectF> taken;
    const auto name = [&](const HandlePoint& point) {
        if (point.handle == Handle::lead && point.handle != lit && picture.envelope[EnvelopeField::lead] == 0)
            return;
        const QString text = handleText(point.handle, picture.envelope, picture.lengthText);
        const double width = metrics.horizontalAdvance(text) + 6;
        const bool top = point.at.y() < layout.plot.top() + 20;
        QRectF box(point.at.x() + (top ? -4 : 8), point.at.y() - (top ? 21 : 20), width, 15);
        if (point.handle == Handle::peak)
            box.moveRight(point.at.x() + 6);
        if (box.right() > layout.plot.right() + 30)
            box.moveRight(layout.plot.right() + 30);
        if (box.left() < 2)
            box.moveLeft(2);
        const bool free = std::none_of(taken.begin(), taken.end(), [&](const QRectF& other) {
            return other.adjusted(-4, 0, 4, 0).intersects(box);
        });
        if (!free)
            return;
        taken.push_back(box);
        p.setPen(point.handle == lit ? theme::copper : theme::text);
        p.drawText(box, Qt::AlignCenter, text);
    };
    for (const HandlePoint& point : points)
        if (point.handle == lit)
            name(point);
    for (const HandlePoint& point : points)
        if (point.handle != lit)
            name(point);
    for (const HandlePoint& point : points) {
        const bool on = point.handle == lit;
        p.setPen(QPen(on ? theme::copper : theme::text, 1.5));
        p.setBrush(theme::window);
        const double r = on ? 5.5 : 4.5;
        if (point.handle == Handle::curve)
            p.drawEllipse(point.at, r, r);
        else
            p.drawRect(QRectF(point.at.x() - r, point.at.y() - r, 2 * r, 2 * r));
    }
}

/// Where the traces are asked: every other pixel, which is less than half a frame even where frames are narrow.
std::vector<double> samplePlaces(const AnvilLayout& layout)
{
    std::vector<double> places;
    for (double x = layout.trace.left(); x < layout.trace.right(); x += 2)
        places.push_back(x);
    places.push_back(layout.trace.right());
    return places;
}

void paintTrace(QPainter& p, const AnvilLayout& layout, const AnvilPicture& picture)
{
    const std::vector<double> places = samplePlaces(layout);
    std::vector<Pose> poses;
    poses.reserve(places.size());
    double largest = 4;
    for (const double x : places) {
        poses.push_back(picture.motion.poseAt(static_cast<double>(picture.strikeFrame) + layout.map.toFrame(x)));
        largest = std::max({largest, std::abs(poses.back().x), std::abs(poses.back().y)});
    }
    const double middle = layout.trace.center().y();
    const double scale = 0.48 * layout.trace.height() / largest;
    const auto draw = [&](double Pose::*axis, const QColor& colour) {
        QPolygonF line;
        for (std::size_t i = 0; i < places.size(); ++i)
            line << QPointF(places[i], middle + scale * poses[i].*axis);
        p.setPen(QPen(colour, 1)); // no wider: Qt draws hair lines much faster
        p.drawPolyline(line);
    };
    p.setBrush(Qt::NoBrush);
    draw(&Pose::x, theme::secondInk);
    draw(&Pose::y, theme::text);
    p.setFont(theme::words(11));
    p.setPen(theme::dim);
    const QRectF margin(12, middle - 8, 46, 16);
    p.drawText(margin, Qt::AlignLeft | Qt::AlignVCenter, tr("trace"));
    p.drawText(margin.adjusted(0, 0, -9, 0), Qt::AlignRight | Qt::AlignVCenter, tr("x"));
    p.setPen(theme::text);
    p.drawText(margin, Qt::AlignRight | Qt::AlignVCenter, tr("y"));
}

/// Each strand's own motion, y over x, at a scale all share.
void paintStrands(QPainter& p, const AnvilLayout& layout, const AnvilPicture& picture)
{
    const std::vector<double> places = samplePlaces(layout);
    const auto count = std::min(picture.strands.size(), layout.strands.size());
    std::vector<std::vector<Pose>> poses(count);
    for (std::size_t i = 0; i < count; ++i) {
        const QRectF& row = layout.strands[i];
        double largest = 1e-6;
        for (const double x : places) {
            const double frame = layout.map.toFrame(x);
            poses[i].push_back(picture.strands[i].motion.poseAt(static_cast<double>(picture.strikeFrame) + frame));
            const Pose& pose = poses[i].back();
            largest = std::max({largest, std::abs(pose.x), std::abs(pose.y)});
        }
        const double scale = 0.46 * row.height() / largest;
        const auto draw = [&](const auto& value, const QColor& colour) {
            QPolygonF line;
            for (std::size_t k = 0; k < places.size(); ++k)
                line << QPointF(places[k], row.center().y() + value(poses[i][k]));
            p.setPen(QPen(colour, 1));
            p.drawPolyline(line);
        };
        p.setBrush(Qt::NoBrush);
        const bool muted = picture.strands[i].muted;
        if (largest > 1e-5) {
            draw([scale](const Pose& pose) { return scale * pose.x; }, muted ? theme::faint : theme::secondInk);
            draw([scale](const Pose& pose) { return scale * pose.y; }, muted ? theme::faint : theme::text);
        } else { // moves by turns or zoom alone
            double most = 1e-9;
            for (const Pose& pose : poses[i])
                most = std::max(
                    {most, std::abs(pose.roll), std::abs(pose.pan), std::abs(pose.tilt), 20 * std::abs(pose.zoom - 1)});
            const double turn = 0.46 * row.height() / most;
            draw(
                [turn](const Pose& pose) {
                    return turn * (pose.roll != 0   ? pose.roll
                                   : pose.zoom != 1 ? 20 * (1 - pose.zoom)
                                   : pose.pan != 0  ? pose.pan
                                                    : pose.tilt);
                },
                muted ? theme::faint : theme::text);
        }
        p.setFont(theme::words(10));
        p.setPen(muted ? theme::faint : theme::dim);
        p.drawText(
            QRectF(6, row.top(), layout.plot.left() - 10, row.height()), Qt::AlignRight | Qt::AlignVCenter,
            QFontMetricsF(p.font()).elidedText(picture.strands[i].name, Qt::ElideRight, layout.plot.left() - 10));
    }
}

struct ContactFrame {
    std::int64_t frame;
    double x;
    QRectF box;
};

std::vector<ContactFrame> contactBoxes(const AnvilLayout& layout, const AnvilPicture& picture)
{
    const double height = layout.frames.height() - 19;
    const double width = height * picture.frameShape;
    const auto peak = static_cast<std::int64_t>(std::llround(picture.envelope.peak()));
    std::vector<ContactFrame> boxes;
    // Narrow pictures still need room for their words.
    for (const auto offset : contactFrames(layout, peak, std::max(width, 46.0))) {
        const auto frame = picture.strikeFrame + offset;
        const double x = layout.map.toPixel(static_cast<double>(offset));
        if (frame >= 0 && frame < picture.length)
            boxes.push_back(
                {frame, x,
                 QRectF(std::round(x - width / 2), layout.frames.top() + 3, std::round(width), std::round(height))});
    }
    return boxes;
}

void paintContactEdge(QPainter& p, const ContactFrame& contact, const AnvilPicture& picture, bool here)
{
    p.setBrush(Qt::NoBrush);
    p.setPen(QPen(here ? theme::copper : theme::line, here ? 2 : 1));
    p.drawRect(contact.box.adjusted(0.5, 0.5, -0.5, -0.5));
    const Pose pose = picture.motion.poseAt(static_cast<double>(contact.frame));
    const double moved = std::hypot(pose.x, pose.y);
    const QRectF place(contact.x - 24, contact.box.bottom() + 1, 48, 15);
    p.fillRect(place, theme::window);
    p.setFont(theme::numbers(11));
    p.setPen(here ? theme::copper : theme::dim);
    const QString text = pose.atRest() ? tr("still")
                         : moved < 0.5 ? QStringLiteral("<1 px")
                                       : QStringLiteral("%1 px").arg(std::lround(moved));
    p.drawText(place, Qt::AlignCenter, text);
}

void paintFrames(QPainter& p, const AnvilLayout& layout, const AnvilPicture& picture)
{
    for (const ContactFrame& contact : contactBoxes(layout, picture)) {
        p.setPen(QPen(theme::line, 1));
        p.drawLine(QPointF(contact.x, bottomOf(layout)), QPointF(contact.x, contact.box.top()));
        if (const ImagePtr thumb = picture.shakenThumb(contact.frame))
            p.drawImage(contact.box, toQImage(thumb));
        else
            p.fillRect(contact.box, theme::raised);
        paintContactEdge(p, contact, picture, false);
    }
}

} // namespace

void paintAnvilPaper(QPainter& painter, const AnvilLayout& layout, const AnvilPicture& picture)
{
    painter.setRenderHint(QPainter::Antialiasing);
    painter.setRenderHint(QPainter::SmoothPixmapTransform);
    paintGrid(painter, layout);
    paintCuts(painter, layout, picture);
    paintTrace(painter, layout, picture);
    paintStrands(painter, layout, picture);
    paintFrames(painter, layout, picture);
    paintEnvelope(painter, layout, picture);
    paintHandles(painter, layout, picture);
}

void paintAnvilPlayhead(QPainter& painter, const AnvilLayout& layout, const AnvilPicture& picture)
{
    painter.setRenderHint(QPainter::Antialiasing);
    const double x = layout.map.toPixel(static_cast<double>(picture.playhead - picture.strikeFrame));
    if (x >= layout.plot.left() && x <= layout.plot.right()) {
        painter.setPen(QPen(theme::copper, 1.5));
        painter.drawLine(QPointF(x, layout.plot.top() - 4), QPointF(x, bottomOf(layout)));
    }
    for (const ContactFrame& contact : contactBoxes(layout, picture))
        if (contact.frame == picture.playhead)
            paintContactEdge(painter, contact, picture, true);
}

} // namespace ember::app
