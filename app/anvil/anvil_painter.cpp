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

/// Says its words under this name.
struct AnvilWords {
    Q_DECLARE_TR_FUNCTIONS(Anvil)
};

/// The line of an envelope, with its corners where they are.
QPainterPath envelopeLine(const AnvilLayout& layout, const Envelope& e)
{
    QPainterPath line(layout.at(layout.map.firstFrame, 0));
    line.lineTo(layout.at(e.start(), 0));
    if (e.drawn()) {
        const double last = layout.map.toPixel(e.end());
        for (double x = layout.map.toPixel(e.start()); x < last; x += 2)
            line.lineTo(QPointF(x, layout.toY(intensityAt(e, std::clamp(layout.map.toFrame(x), e.start(), e.end())))));
        line.lineTo(layout.at(e.end(), 0));
        line.lineTo(layout.at(layout.map.lastFrame, 0));
        return line;
    }
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
    for (const int level : {0, 100}) {
        const double y = std::round(layout.toY(level / 100.0)) + 0.5;
        p.setPen(QPen(theme::line, 1, level == 0 ? Qt::SolidLine : Qt::DotLine));
        p.drawLine(QPointF(layout.plot.left(), y), QPointF(layout.plot.right(), y));
    }
    p.setFont(theme::numbers(11));
    for (const Tick& tick : strikeTicks(layout.map, 40)) {
        const double x = std::round(layout.map.toPixel(tick.value)) + 0.5;
        p.setPen(QPen(theme::line, 1));
        p.drawLine(QPointF(x, layout.plot.top()), QPointF(x, layout.lanesEnd()));
        p.setPen(tick.value == 0 ? theme::text : theme::dim);
        p.drawText(QRectF(x - 30, layout.ruler.top(), 60, layout.ruler.height()), Qt::AlignCenter,
                   tick.value == 0 ? AnvilWords::tr("strike") : QString::fromStdString(tick.label));
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
            p.drawText(QRectF(x - 20, layout.ruler.top(), 40, layout.ruler.height()), Qt::AlignCenter,
                       AnvilWords::tr("cut"));
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

void paintHandles(QPainter& p, const AnvilLayout& layout, const AnvilPicture& picture)
{
    if (picture.envelope.drawn()) {
        p.setFont(theme::words(11));
        p.setPen(theme::dim);
        p.drawText(layout.plot.adjusted(0, -2, -4, 0), Qt::AlignRight | Qt::AlignTop,
                   AnvilWords::tr("the strength is a curve: press U to shape it"));
    }
    const Handle lit = picture.dragged != Handle::none ? picture.dragged : picture.hovered;
    for (const HandlePoint& point : handlePoints(layout, picture.envelope)) {
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

struct ContactFrame {
    std::int64_t frame;
    double x;
    QRectF box;
};

std::vector<ContactFrame> contactBoxes(const AnvilLayout& layout, const AnvilPicture& picture)
{
    const QSizeF size = contactSize(layout, picture.frameShape);
    const auto peak = static_cast<std::int64_t>(std::llround(picture.envelope.peak()));
    std::vector<ContactFrame> boxes;
    // Narrow pictures still need room for their words.
    for (const auto offset : contactFrames(layout, peak, std::max(size.width(), 34.0))) {
        const auto frame = picture.strikeFrame + offset;
        const double x = layout.map.toPixel(static_cast<double>(offset));
        if (frame >= 0 && frame < picture.length)
            boxes.push_back({frame, x,
                             QRectF(std::round(contactX(layout, offset, size.width()) - size.width() / 2),
                                    layout.frames.top() + 2, std::round(size.width()), std::round(size.height()))});
    }
    return boxes;
}

/// The frame of a picture, and how far it is moved in its corner.
void paintContactEdge(QPainter& p, const ContactFrame& contact, const AnvilPicture& picture, bool here)
{
    p.setBrush(Qt::NoBrush);
    p.setPen(QPen(here ? theme::copper : theme::line, here ? 2 : 1));
    p.drawRect(contact.box.adjusted(0.5, 0.5, -0.5, -0.5));
    const Pose pose = picture.motion.poseAt(static_cast<double>(contact.frame));
    if (pose.atRest())
        return;
    const double moved = std::hypot(pose.x, pose.y);
    const QString text = moved < 0.5 ? QStringLiteral("<1") : QString::number(std::lround(moved));
    p.setFont(theme::numbers(10));
    const double wide = QFontMetricsF(p.font()).horizontalAdvance(text) + 4;
    const QRectF place(contact.box.right() - wide - 1, contact.box.bottom() - 13, wide, 12);
    p.fillRect(place, QColor(0, 0, 0, 190)); // upon a picture: not the scheme's
    p.setPen(QColor(0xf0, 0xf0, 0xf0));
    p.drawText(place, Qt::AlignCenter, text);
}

void paintFrames(QPainter& p, const AnvilLayout& layout, const AnvilPicture& picture)
{
    for (const ContactFrame& contact : contactBoxes(layout, picture)) {
        p.setPen(QPen(theme::line, 1));
        p.drawLine(QPointF(contact.x, layout.lanesEnd()), QPointF(contact.x, contact.box.top()));
        if (const ImagePtr thumb = picture.shakenThumb(contact.frame))
            p.drawImage(contact.box, toQImage(thumb));
        else
            p.fillRect(contact.box, theme::raised);
        paintContactEdge(p, contact, picture, false);
    }
}

/// What the film frames are, in the gutter.
void paintFramesHead(QPainter& p, const AnvilLayout& layout)
{
    p.setFont(theme::words(11));
    p.setPen(theme::dim);
    p.drawText(QRectF(12, layout.frames.top(), layout.gutter.width() - 16, layout.frames.height()),
               Qt::AlignLeft | Qt::AlignVCenter, AnvilWords::tr("frames, px moved"));
}

} // namespace

QSizeF contactSize(const AnvilLayout& layout, double frameShape)
{
    const double height = layout.frames.height() - 4;
    return {height * frameShape, height};
}

void paintAnvilPaper(QPainter& painter, const AnvilLayout& layout, const AnvilPicture& picture)
{
    painter.setRenderHint(QPainter::Antialiasing);
    painter.setRenderHint(QPainter::SmoothPixmapTransform);
    paintGrid(painter, layout);
    paintCuts(painter, layout, picture);
    paintLanes(painter, layout, picture);
    paintFramesHead(painter, layout);
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
        painter.drawLine(QPointF(x, layout.plot.top() - 4), QPointF(x, layout.lanesEnd()));
    }
    paintLaneValues(painter, layout, picture);
    for (const ContactFrame& contact : contactBoxes(layout, picture))
        if (contact.frame == picture.playhead)
            paintContactEdge(painter, contact, picture, true);
}

} // namespace ember::app
