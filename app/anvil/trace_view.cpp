// SPDX-License-Identifier: GPL-3.0-or-later
#include "trace_view.h"

#include <algorithm>
#include <cmath>

#include <QMouseEvent>
#include <QPainter>
#include <QToolButton>

#include "anvil_geometry.h"
#include "form.h"
#include "style.h"
#include "text.h"
#include "theme.h"

namespace ember::app {

namespace {
constexpr double leftMargin = 62; ///< names of axes; as wide as they need
constexpr double rightMargin = 96;
constexpr double topMargin = 26;
constexpr double rulerHeight = 18;
} // namespace

TraceView::TraceView(OpenDocument& document, Selection& selection, Playhead& playhead, QWidget* parent)
    : QWidget(parent), document_(document), selection_(selection), playhead_(playhead), bar_(new QWidget(this))
{
    setObjectName(QStringLiteral("traces"));
    setAccessibleName(tr("Motion axis by axis"));
    setAttribute(Qt::WA_OpaquePaintEvent);
    auto* row = newRow(bar_, 3, {12, 2, 12, 0});
    const auto button = [&](const QString& text, const QString& name, const QString& tip, bool on) {
        auto* made = new QToolButton(bar_);
        made->setText(text);
        made->setObjectName(name);
        made->setToolTip(tip);
        made->setCheckable(true);
        made->setChecked(on);
        made->setFocusPolicy(Qt::TabFocus);
        setLook(*made, Look::tight);
        row->addWidget(made);
        connect(made, &QToolButton::toggled, this, &TraceView::redraw);
        return made;
    };
    for (const Axis axis : allAxes) {
        const QString name = ours(axisName(axis));
        axisButtons_[static_cast<std::size_t>(axis)] = button(
            name, QStringLiteral("trace-") + toQString(axisName(axis)), tr("Shows %1, where it moves").arg(name), true);
    }
    row->addSpacing(12);
    speed_ = button(tr("Speed"), QStringLiteral("trace-speed"),
                    tr("How far it goes in a frame, instead of where it is"), false);
    film_ = button(tr("Whole film"), QStringLiteral("trace-film"),
                   tr("The whole film, instead of the selected strike and what runs beside it"), false);
    row->addStretch(1);
    connect(&document_, &OpenDocument::changed, this, &TraceView::redraw);
    connect(&selection_, &Selection::changed, this, &TraceView::redraw);
    connect(&playhead_, &Playhead::moved, this, [this] { update(); });
}

void TraceView::setEven(bool even)
{
    even_ = even;
    redraw();
}

bool TraceView::shows(Axis axis) const
{
    return axisButtons_[static_cast<std::size_t>(axis)]->isChecked();
}

TraceOf TraceView::what() const
{
    return speed_->isChecked() ? TraceOf::speed : TraceOf::place;
}

bool TraceView::film() const
{
    return film_->isChecked() || selection_.strike() == nullptr;
}

void TraceView::redraw()
{
    paper_.spoil();
    update();
}

void TraceView::resizeEvent(QResizeEvent*)
{
    bar_->setGeometry(0, 0, width(), 24);
}

std::vector<Axis> TraceView::axes() const
{
    // Those that move at all; x and y always, so that there is something to read.
    const TraceLayout layout = [&] {
        TraceLayout bare;
        bare.film = film();
        return bare;
    }();
    const Strike* strike = selection_.feltStrike();
    double first = 0;
    auto last = static_cast<double>(document_.length() - 1);
    if (!layout.film && strike != nullptr) {
        const Envelope envelope = envelopeOf(document_.project(), *strike);
        first = static_cast<double>(strike->frame.index) + envelope.start();
        last = static_cast<double>(strike->frame.index) + envelope.end();
    }
    std::vector<FrameTime> times;
    const double step = std::max(1.0, (last - first) / 400);
    for (double frame = first; frame <= last; frame += step)
        times.push_back(std::round(frame));
    std::vector<Axis> found;
    for (const Axis axis : allAxes)
        if (shows(axis) &&
            (axis == Axis::x || axis == Axis::y || traceAlong(document_.motion(), axis, times, TraceOf::place).moves()))
            found.push_back(axis);
    return found;
}

TraceLayout TraceView::layoutNow() const
{
    TraceLayout layout;
    layout.film = film();
    layout.paper = QRectF(leftMargin, topMargin, std::max(50.0, width() - leftMargin - rightMargin),
                          std::max(30.0, height() - topMargin - rulerHeight - 4));
    layout.ruler = QRectF(layout.paper.left(), layout.paper.bottom(), layout.paper.width(), rulerHeight);
    if (layout.film) {
        layout.even = {0, std::max(1.0, static_cast<double>(document_.length() - 1)), layout.paper.left(),
                       layout.paper.right()};
    } else {
        const Strike* strike = selection_.feltStrike();
        layout.strikeFrame = static_cast<double>(strike->frame.index);
        const AnvilLayout anvil = layOutAnvil(size(), envelopeOf(document_.project(), *strike), even_);
        layout.strike = anvil.map;
        layout.strike.left = layout.paper.left();
        layout.strike.right = layout.paper.right();
    }
    const auto shown = axes();
    const double high = layout.paper.height() / std::max<double>(1, static_cast<double>(shown.size()));
    for (std::size_t i = 0; i < shown.size(); ++i)
        layout.rows.emplace_back(layout.paper.left(), layout.paper.top() + static_cast<double>(i) * high,
                                 layout.paper.width(), high);
    return layout;
}

QString TraceView::frameText(double filmFrame, const TraceLayout& layout) const
{
    if (layout.film)
        return tr("frame %1").arg(std::lround(filmFrame));
    const auto from = std::lround(filmFrame - layout.strikeFrame);
    return from > 0 ? QStringLiteral("+%1").arg(from) : QString::number(from);
}

std::pair<AxisTrace, std::vector<FrameTime>> TraceView::onFrames(const TraceLayout& layout, const QRectF& row,
                                                                 Axis axis) const
{
    std::vector<FrameTime> frames;
    const double first = std::ceil(std::max(0.0, layout.toFilmFrame(row.left())));
    const double last = std::min(layout.toFilmFrame(row.right()), static_cast<double>(document_.length() - 1));
    const double step = std::max(1.0, std::floor((last - first) / 4000));
    for (double frame = first; frame <= last; frame += step)
        frames.push_back(frame);
    return {traceAlong(document_.motion(), axis, frames, what()), std::move(frames)};
}

QString TraceView::peakText(const AxisTrace& trace, const std::vector<FrameTime>& frames, Axis axis,
                            const TraceLayout& layout) const
{
    return tr("%1 at %2")
        .arg(axisValueText(axis, trace.values[trace.peak], what()), frameText(frames[trace.peak], layout));
}

std::vector<PaintedPart> TraceView::paintedParts()
{
    std::vector<PaintedPart> parts;
    const TraceLayout layout = layoutNow();
    const auto shown = axes();
    for (std::size_t i = 0; i < layout.rows.size() && i < shown.size(); ++i) {
        const auto [trace, frames] = onFrames(layout, layout.rows[i], shown[i]);
        PaintedPart part;
        part.name = ours(axisName(shown[i]));
        part.value = trace.moves() ? peakText(trace, frames, shown[i], layout) : tr("at rest");
        part.place = layout.rows[i].toAlignedRect();
        if (trace.moves())
            part.actions = {
                {tr("Go to its peak"), [this, at = std::llround(frames[trace.peak])] { playhead_.setFrame(at); }}};
        parts.push_back(std::move(part));
    }
    return parts;
}

void TraceView::paintRow(QPainter& p, const TraceLayout& layout, const QRectF& row, Axis axis) const
{
    // Asked on every other pixel; the peak on whole frames.
    std::vector<FrameTime> places;
    for (double x = row.left(); x <= row.right(); x += 2)
        places.push_back(layout.toFilmFrame(x));
    const AxisTrace line = traceAlong(document_.motion(), axis, places, what());
    const auto [whole, frames] = onFrames(layout, row, axis);
    const double peak = whole.values.empty() ? 0 : whole.values[whole.peak];
    const double largest = std::max({std::abs(peak), line.moves() ? std::abs(line.values[line.peak]) : 0.0, 1e-6});
    const double middle = row.center().y();
    const double scale = 0.42 * row.height() / largest;
    p.setPen(QPen(theme::line, 1));
    p.drawLine(QPointF(row.left(), std::round(middle) + 0.5), QPointF(row.right(), std::round(middle) + 0.5));
    QPolygonF curve;
    for (std::size_t i = 0; i < places.size(); ++i)
        curve << QPointF(row.left() + 2.0 * static_cast<double>(i), middle + scale * line.values[i]);
    p.setPen(QPen(theme::text, 1));
    p.setBrush(Qt::NoBrush);
    p.drawPolyline(curve);
    p.setFont(theme::words(11));
    p.setPen(theme::dim);
    p.drawText(QRectF(0, row.top(), row.left() - 8, row.height()), Qt::AlignRight | Qt::AlignVCenter,
               ours(axisName(axis)));
    if (!whole.moves())
        return;
    const QPointF top(layout.toX(frames[whole.peak]), middle + scale * peak);
    p.setBrush(theme::window);
    p.setPen(QPen(theme::text, 1.2));
    p.drawEllipse(top, 3, 3);
    p.setFont(theme::numbers(11));
    const QString says = peakText(whole, frames, axis, layout);
    const double wide = QFontMetricsF(p.font()).horizontalAdvance(says) + 8;
    QRectF box(top.x() + 8, top.y() - 8, wide, 16);
    if (box.right() > row.right())
        box.moveRight(top.x() - 8);
    box.moveTop(std::clamp(box.top(), row.top(), row.bottom() - box.height()));
    p.fillRect(box, theme::window);
    p.drawText(box, Qt::AlignCenter, says);
}

void TraceView::paintPaper(QPainter& p, const TraceLayout& layout) const
{
    p.setRenderHint(QPainter::Antialiasing);
    p.fillRect(rect(), theme::window);
    const Project& project = document_.project();
    if (project.beats) { // in the film's seconds
        const BeatGrid& grid = *project.beats;
        const double rate = project.rate.perSecond();
        const double from = layout.toFilmFrame(layout.paper.left()) / rate;
        const double until = layout.toFilmFrame(layout.paper.right()) / rate;
        for (std::int64_t beat = grid.nearest(from); grid.at(beat) <= until; ++beat) {
            const double x = std::round(layout.toX(grid.at(beat) * rate)) + 0.5;
            if (x < layout.paper.left())
                continue;
            p.setPen(QPen(theme::line, 1, grid.startsBar(beat) ? Qt::DashLine : Qt::DotLine));
            p.drawLine(QPointF(x, layout.paper.top()), QPointF(x, layout.paper.bottom()));
        }
    }
    p.setFont(theme::numbers(11));
    const auto ticks =
        layout.film ? filmTicks(layout.even, project.rate.perSecond(), 60) : strikeTicks(layout.strike, 40);
    for (const Tick& tick : ticks) {
        const double x =
            std::round(layout.film ? layout.even.toPixel(tick.value) : layout.strike.toPixel(tick.value)) + 0.5;
        p.setPen(QPen(theme::line, 1));
        p.drawLine(QPointF(x, layout.paper.top()), QPointF(x, layout.paper.bottom()));
        p.setPen(theme::dim);
        p.drawText(QRectF(x - 30, layout.ruler.top(), 60, layout.ruler.height()), Qt::AlignCenter,
                   QString::fromStdString(tick.label));
    }
    const auto shown = axes();
    for (std::size_t i = 0; i < shown.size() && i < layout.rows.size(); ++i)
        paintRow(p, layout, layout.rows[i], shown[i]);
    if (shown.empty()) {
        p.setPen(theme::dim);
        p.drawText(layout.paper, Qt::AlignCenter, tr("No axis chosen: press x, y or another above"));
    }
}

void TraceView::paintEvent(QPaintEvent*)
{
    QPainter painter(this);
    if (document_.length() == 0) {
        painter.fillRect(rect(), theme::window);
        painter.setPen(theme::dim);
        painter.drawText(rect(), Qt::AlignCenter, tr("Open a clip and put a strike on it: its motion is drawn here"));
        return;
    }
    const TraceLayout layout = layoutNow();
    painter.drawPixmap(0, 0, paper_.picture(*this, [&](QPixmap& page) {
        QPainter p(&page);
        paintPaper(p, layout);
    }));
    const auto now = static_cast<double>(playhead_.frame());
    const double x = layout.toX(now);
    if (x >= layout.paper.left() - 0.5 && x <= layout.paper.right() + 0.5) {
        painter.setRenderHint(QPainter::Antialiasing);
        painter.setPen(QPen(theme::copper, 1.5));
        painter.drawLine(QPointF(x, layout.paper.top()), QPointF(x, layout.paper.bottom()));
    }
    painter.setFont(theme::numbers(11));
    painter.setPen(theme::copper);
    const auto shown = axes();
    for (std::size_t i = 0; i < shown.size(); ++i)
        painter.drawText(
            QRectF(layout.paper.right() + 8, layout.rows[i].top(), rightMargin - 12, layout.rows[i].height()),
            Qt::AlignLeft | Qt::AlignVCenter,
            axisValueText(shown[i], traceAt(document_.motion(), shown[i], now, what()), what()));
}

void TraceView::scrub(double x)
{
    if (document_.length() > 0)
        playhead_.setFrame(std::llround(layoutNow().toFilmFrame(x)));
}

void TraceView::mousePressEvent(QMouseEvent* event)
{
    if (event->button() == Qt::LeftButton)
        scrub(event->position().x());
}

void TraceView::mouseMoveEvent(QMouseEvent* event)
{
    if ((event->buttons() & Qt::LeftButton) != 0)
        scrub(event->position().x());
}

} // namespace ember::app
