// SPDX-License-Identifier: GPL-3.0-or-later
// The lanes of the Anvil: each strand's motion as a recorder draws it.
#include <algorithm>
#include <cmath>
#include <deque>

#include <QCoreApplication>
#include <QFontMetricsF>
#include <QPainter>

#include "anvil_painter.h"
#include "ember/core/trace.h"
#include "heat_line.h"
#include "style.h"
#include "text.h"
#include "theme.h"

namespace ember::app {

namespace {

constexpr double boldness = 2.2;
constexpr double quietest = 0.12; ///< of the heat: what moves at all is seen

/// Says its words under this name.
struct LaneWords {
    Q_DECLARE_TR_FUNCTIONS(Anvil)
};

/// A lane's values at its columns.
struct Course {
    std::vector<double> values;
    double largest = 0;
};

Course courseOf(const AnvilPicture& picture, const Motion& motion, Axis axis, const std::vector<double>& frames)
{
    std::vector<FrameTime> times;
    times.reserve(frames.size());
    for (const double frame : frames)
        times.push_back(static_cast<double>(picture.strikeFrame) + frame);
    const AxisTrace trace = traceAlong(motion, axis, times, TraceOf::place);
    return {trace.values, trace.values.empty() ? 0 : std::abs(trace.values[trace.peak])};
}

/// The frame on which a lane is farthest from rest, from the strike, and how far it is; whole frames, as they are seen.
std::pair<double, double> peakOf(const AnvilLayout& layout, const AnvilPicture& picture, const LanePicture& lane)
{
    std::vector<FrameTime> times;
    const double first = std::max(0.0, std::ceil(layout.map.firstFrame) + static_cast<double>(picture.strikeFrame));
    const double last = std::min(static_cast<double>(picture.length - 1),
                                 std::floor(layout.map.lastFrame) + static_cast<double>(picture.strikeFrame));
    for (double frame = first; frame <= std::min(last, first + 4000); ++frame)
        times.push_back(frame);
    const AxisTrace trace = traceAlong(*lane.motion, lane.axis, times, TraceOf::place);
    if (!trace.moves())
        return {0, 0};
    return {times[trace.peak] - static_cast<double>(picture.strikeFrame), trace.values[trace.peak]};
}

void paintPeak(QPainter& p, const AnvilLayout& layout, const QRectF& row, double frame, double y)
{
    const double x = layout.map.toPixel(frame);
    p.setPen(QPen(theme::text, 1.2));
    p.setBrush(theme::window);
    p.drawEllipse(QPointF(x, y), 2.8, 2.8);
    p.setFont(theme::numbers(10));
    const QString says = frame > 0 ? QStringLiteral("+%1").arg(frame) : QString::number(frame);
    const double wide = QFontMetricsF(p.font()).horizontalAdvance(says) + 4;
    QRectF box(x + 5, std::clamp(y - 6, row.top(), row.bottom() - 12), wide, 12);
    QColor behind = theme::window;
    behind.setAlpha(200);
    p.fillRect(box, behind);
    p.drawText(box, Qt::AlignCenter, says);
}

/// What all lanes share: the frame at each column, and every second of them for thin lines; the heat of each envelope
/// there, worked out once for those that have one in common.
class LaneColumns {
public:
    LaneColumns(const QPainter& p, const AnvilLayout& layout, const QRectF& row) : count_(columnsOf(p, row))
    {
        frames.reserve(static_cast<std::size_t>(count_) + 1);
        for (int i = 0; i <= count_; ++i) {
            frames.push_back(layout.map.toFrame(row.left() + row.width() * i / count_));
            if (i % 2 == 0)
                every2nd.push_back(frames.back());
        }
    }

    const std::vector<QColor>& heat(const Envelope& envelope, double strength)
    {
        for (const auto& [known, colours] : heats_)
            if (known == envelope)
                return colours;
        std::vector<QColor> colours;
        colours.reserve(static_cast<std::size_t>(count_));
        for (int i = 0; i < count_; ++i) {
            const double heat = intensityAt(envelope, frames[static_cast<std::size_t>(i)]) * strength;
            colours.push_back(theme::heat(heat > 0 ? std::max(quietest, heat) : 0));
        }
        heats_.emplace_back(envelope, std::move(colours));
        return heats_.back().second;
    }

    std::vector<double> frames;
    std::vector<double> every2nd;

private:
    int count_;
    std::deque<std::pair<Envelope, std::vector<QColor>>> heats_; // what was given out stays where it is
};

void paintLane(QPainter& p, const AnvilLayout& layout, const AnvilPicture& picture, const LanePicture& lane,
               const QRectF& row, LaneColumns& columns)
{
    const Course bold = courseOf(picture, *lane.motion, lane.axis, columns.frames);
    const Course thin = lane.beside ? courseOf(picture, *lane.motion, *lane.beside, columns.every2nd) : Course{};
    const double middle = row.center().y();
    const double scale = 0.42 * row.height() / std::max({bold.largest, thin.largest, 1e-9});
    if (lane.beside && thin.largest > 0) {
        QPolygonF curve;
        const double step = row.width() / static_cast<double>(columns.frames.size() - 1);
        for (std::size_t i = 0; i < thin.values.size(); ++i)
            curve << QPointF(row.left() + 2 * step * static_cast<double>(i), middle + scale * thin.values[i]);
        p.setPen(QPen(theme::faint, 1));
        p.setBrush(Qt::NoBrush);
        p.drawPolyline(curve);
    }
    HeatLine line;
    line.y.reserve(bold.values.size());
    for (const double value : bold.values)
        line.y.push_back(middle + scale * value);
    if (lane.felt)
        line.colours = columns.heat(lane.envelope, picture.strength);
    else
        line.colours.assign(bold.values.size() - 1, theme::faint);
    paintHeatLine(p, row, line, lane.felt ? boldness : 1.2);
    if (const auto [frame, value] = peakOf(layout, picture, lane); value != 0)
        paintPeak(p, layout, row, frame, middle + scale * value);
}

void paintLaneHead(QPainter& p, const AnvilLayout& layout, std::size_t index, const LanePicture& lane)
{
    const QRectF& row = layout.lanes[index];
    const QRectF whole(0, row.top(), layout.gutter.width(), row.height());
    const LaneParts parts = lanePartsAt(layout, index);
    if (lane.open) {
        p.fillRect(whole, theme::raised);
        p.fillRect(QRectF(0, row.top(), 2, row.height()), theme::copper);
    }
    if (lane.strand) {
        paintSwitch(p, parts.on, lane.on, true, false);
        p.setFont(theme::words(10, true));
        const QRectF solo(parts.solo.center().x() - 7, parts.solo.center().y() - 7, 14, 14);
        p.setPen(QPen(lane.solo ? theme::copper : theme::line, 1));
        p.setBrush(lane.solo ? theme::copper : QColor(Qt::transparent));
        p.drawRoundedRect(solo.adjusted(0.5, 0.5, -0.5, -0.5), 3, 3);
        p.setPen(lane.solo ? theme::window : theme::dim);
        p.drawText(solo, Qt::AlignCenter, LaneWords::tr("S"));
    }
    p.setFont(theme::numbers(11));
    const double wide = QFontMetricsF(p.font()).horizontalAdvance(lane.amount);
    p.setPen(theme::dim);
    p.drawText(parts.name, Qt::AlignRight | Qt::AlignVCenter, lane.amount);
    p.setFont(theme::words(12, lane.open));
    p.setPen(lane.felt ? theme::text : theme::dim);
    const double room = parts.name.width() - wide - 4;
    p.drawText(parts.name, Qt::AlignLeft | Qt::AlignVCenter,
               QFontMetricsF(p.font()).elidedText(lane.name, Qt::ElideRight, room));
}

} // namespace

void paintLanes(QPainter& p, const AnvilLayout& layout, const AnvilPicture& picture)
{
    const auto count = std::min(picture.lanes.size(), layout.lanes.size());
    if (count == 0)
        return;
    LaneColumns columns(p, layout, layout.lanes.front());
    for (std::size_t i = 0; i < count; ++i) {
        const QRectF& row = layout.lanes[i];
        p.fillRect(QRectF(0, row.top(), layout.frames.right(), 1), theme::line);
        paintLaneHead(p, layout, i, picture.lanes[i]);
        paintLane(p, layout, picture, picture.lanes[i], row, columns);
    }
    p.fillRect(QRectF(0, layout.lanesEnd(), layout.frames.right(), 1), theme::line);
    if (picture.laneTarget && *picture.laneTarget < count) {
        const QRectF& row = layout.lanes[*picture.laneTarget];
        p.setPen(QPen(theme::copper, 1.5));
        p.setBrush(Qt::NoBrush);
        p.drawRect(QRectF(1, row.top() + 1, layout.gutter.width() - 3, row.height() - 2));
    }
}

void paintLaneValues(QPainter& p, const AnvilLayout& layout, const AnvilPicture& picture)
{
    p.setFont(theme::numbers(11));
    const auto count = std::min(picture.lanes.size(), layout.lanes.size());
    for (std::size_t i = 0; i < count; ++i) {
        const LanePicture& lane = picture.lanes[i];
        const double value = traceAt(*lane.motion, lane.axis, static_cast<double>(picture.playhead), TraceOf::place);
        p.setPen(lane.felt ? theme::copper : theme::dim);
        p.drawText(QRectF(layout.plot.right() + 4, layout.lanes[i].top(),
                          layout.frames.right() - layout.plot.right() - 6, layout.lanes[i].height()),
                   Qt::AlignLeft | Qt::AlignVCenter, axisValueText(lane.axis, value));
    }
}

} // namespace ember::app
