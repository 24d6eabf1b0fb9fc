// SPDX-License-Identifier: GPL-3.0-or-later
#include "motion_view.h"

#include <algorithm>
#include <cmath>

#include <QHelpEvent>
#include <QMouseEvent>
#include <QPainter>
#include <QPainterPath>
#include <QToolTip>

#include "theme.h"

namespace ember::app {

namespace {

constexpr double nameWidth = 92;
constexpr double rulerHeight = 20;
constexpr double confidenceHeight = 26;
constexpr double gripReach = 7; ///< pixels

double valueOf(const Similarity& moved, std::size_t row)
{
    return std::array{moved.x, moved.y, moved.roll, 100 * (moved.zoom - 1)}[row];
}

const std::array<const char*, 4> names{"x", "y", "roll", "zoom"};
const std::array<const char*, 4> units{"px", "px", "°", "%"};

} // namespace

MotionLayout MotionLayout::of(QSizeF size, std::size_t frames)
{
    MotionLayout layout;
    layout.paper = QRectF(nameWidth, 0, std::max(10.0, size.width() - nameWidth - 12), size.height());
    layout.ruler = QRectF(layout.paper.left(), 0, layout.paper.width(), rulerHeight);
    const double high = std::max(20.0, (size.height() - rulerHeight - confidenceHeight - 6) / 4);
    for (std::size_t i = 0; i < layout.rows.size(); ++i)
        layout.rows[i] =
            QRectF(layout.paper.left(), rulerHeight + static_cast<double>(i) * high, layout.paper.width(), high);
    layout.confidence =
        QRectF(layout.paper.left(), layout.rows[3].bottom() + 4, layout.paper.width(), confidenceHeight);
    layout.map = {0, std::max(1.0, static_cast<double>(frames) - 1), layout.paper.left(), layout.paper.right()};
    return layout;
}

MotionLayout::Grip MotionLayout::gripAt(QPointF place, std::size_t first, std::size_t last) const
{
    const double toFirst = std::abs(place.x() - map.toPixel(static_cast<double>(first)));
    const double toLast = std::abs(place.x() - map.toPixel(static_cast<double>(last)));
    if (std::min(toFirst, toLast) > gripReach)
        return Grip::none;
    return toFirst <= toLast ? Grip::first : Grip::last;
}

MotionView::MotionView(QWidget* parent) : QWidget(parent)
{
    setObjectName(QStringLiteral("motion-view"));
    setMinimumSize(320, 220);
    setMouseTracking(true);
}

void MotionView::setMotion(const CapturedMotion& shaped)
{
    motion_ = shaped;
    paper_.spoil();
    update();
}

void MotionView::setStretch(std::size_t first, std::size_t last)
{
    first_ = first;
    last_ = last;
    update();
}

void MotionView::paintEvent(QPaintEvent*)
{
    const MotionLayout layout = layoutNow();
    QPainter p(this);
    p.drawPixmap(0, 0, paper_.picture(*this, [&](QPixmap& pixmap) {
        QPainter onto(&pixmap);
        paintPaper(onto, layout);
    }));
    if (motion_.frames.empty())
        return;
    // What is left out lies in the shade.
    const double from = layout.map.toPixel(static_cast<double>(first_));
    const double to = layout.map.toPixel(static_cast<double>(last_));
    QColor shade = theme::window;
    shade.setAlpha(180);
    const double bottom = layout.confidence.bottom();
    p.fillRect(QRectF(layout.paper.left(), rulerHeight, from - layout.paper.left(), bottom - rulerHeight), shade);
    p.fillRect(QRectF(to, rulerHeight, layout.paper.right() - to, bottom - rulerHeight), shade);
    for (const double x : {from, to}) {
        p.setPen(QPen(theme::copper, 1));
        p.drawLine(QPointF(x, rulerHeight - 6), QPointF(x, bottom));
        p.fillRect(QRectF(x - 3, rulerHeight - 6, 7, 7), theme::copper);
    }
}

void MotionView::paintPaper(QPainter& p, const MotionLayout& layout) const
{
    p.fillRect(rect(), theme::window);
    p.setRenderHint(QPainter::Antialiasing);
    const std::size_t count = motion_.frames.size();
    p.setFont(theme::numbers(11));
    p.setPen(theme::dim);
    if (count > 1)
        for (const Tick& tick : filmTicks(layout.map, motion_.rate.perSecond(), 64)) {
            const double x = layout.map.toPixel(tick.value);
            p.drawText(QRectF(x - 30, 0, 60, 14), Qt::AlignCenter, QString::fromStdString(tick.label));
        }
    for (std::size_t row = 0; row < 4; ++row) {
        const QRectF& place = layout.rows[row];
        double most = 0;
        for (const CapturedFrame& frame : motion_.frames)
            most = std::max(most, std::abs(valueOf(frame.moved, row)));
        p.setPen(theme::line);
        p.drawLine(QPointF(place.left(), place.center().y()), QPointF(place.right(), place.center().y()));
        p.setPen(theme::text);
        p.setFont(theme::words(13));
        p.drawText(QRectF(0, place.top(), nameWidth - 10, place.height() / 2), Qt::AlignRight | Qt::AlignBottom,
                   QLatin1String(names[row]));
        p.setPen(theme::dim);
        p.setFont(theme::numbers(11));
        p.drawText(QRectF(0, place.center().y() + 1, nameWidth - 10, place.height() / 2), Qt::AlignRight | Qt::AlignTop,
                   QStringLiteral("±%1 %2").arg(most, 0, 'f', most < 10 ? 2 : 1).arg(QString::fromUtf8(units[row])));
        if (count < 2 || most == 0)
            continue;
        QPainterPath path;
        for (std::size_t i = 0; i < count; ++i) {
            const QPointF at(layout.map.toPixel(static_cast<double>(i)),
                             place.center().y() + 0.44 * place.height() * valueOf(motion_.frames[i].moved, row) / most);
            i == 0 ? path.moveTo(at) : path.lineTo(at);
        }
        p.setPen(QPen(theme::text, 1.2));
        p.drawPath(path);
    }
    // How sure: a column for each frame, as high as it is sure; bridged frames are hatched all the way up.
    const QRectF& sure = layout.confidence;
    p.setPen(theme::dim);
    p.setFont(theme::words(11));
    p.drawText(QRectF(0, sure.top(), nameWidth - 10, sure.height()), Qt::AlignRight | Qt::AlignVCenter,
               tr("confidence"));
    p.setPen(theme::line);
    p.drawLine(sure.bottomLeft(), sure.bottomRight());
    p.setRenderHint(QPainter::Antialiasing, false);
    for (std::size_t i = 0; i < count; ++i) {
        const double confidence = motion_.frames[i].confidence;
        const double from = std::max(sure.left(), layout.map.toPixel(static_cast<double>(i) - 0.5));
        const double to = std::min(sure.right(), layout.map.toPixel(static_cast<double>(i) + 0.5));
        const double top = confidence > 0 ? sure.bottom() - confidence * sure.height() : layout.rows[0].top();
        const QRect column(QPoint(qRound(from), qRound(top)),
                           QPoint(std::max(qRound(from), qRound(to) - 1), qRound(sure.bottom()) - 1));
        if (confidence > 0)
            p.fillRect(column, theme::faint);
        else
            p.fillRect(column, QBrush(theme::dim, Qt::Dense5Pattern));
    }
}

void MotionView::drag(double x)
{
    const double frame = std::round(layoutNow().map.toFrameInside(x));
    const auto at = static_cast<std::size_t>(std::max(0.0, frame));
    if (held_ == MotionLayout::Grip::first)
        emit stretchWished(std::min(at, last_ - 1), last_);
    else
        emit stretchWished(first_, std::max(at, first_ + 1));
}

void MotionView::mousePressEvent(QMouseEvent* event)
{
    if (event->button() == Qt::LeftButton && motion_.frames.size() > 1)
        held_ = layoutNow().gripAt(event->position(), first_, last_);
}

void MotionView::mouseMoveEvent(QMouseEvent* event)
{
    if (held_ != MotionLayout::Grip::none)
        return drag(event->position().x());
    const bool over =
        motion_.frames.size() > 1 && layoutNow().gripAt(event->position(), first_, last_) != MotionLayout::Grip::none;
    setCursor(over ? Qt::SplitHCursor : Qt::ArrowCursor);
}

void MotionView::mouseReleaseEvent(QMouseEvent*)
{
    held_ = MotionLayout::Grip::none;
}

bool MotionView::event(QEvent* event)
{
    if (event->type() != QEvent::ToolTip || motion_.frames.empty())
        return QWidget::event(event);
    const auto* help = static_cast<QHelpEvent*>(event);
    const double frame = std::round(layoutNow().map.toFrameInside(help->pos().x()));
    const CapturedFrame& at = motion_.frames[static_cast<std::size_t>(std::max(0.0, frame))];
    QString text = tr("frame %1: x %2 px, y %3 px, roll %4°, zoom %5 %")
                       .arg(frame)
                       .arg(at.moved.x, 0, 'f', 2)
                       .arg(at.moved.y, 0, 'f', 2)
                       .arg(at.moved.roll, 0, 'f', 3)
                       .arg(100 * at.moved.zoom, 0, 'f', 2);
    text += at.confidence > 0 ? tr("\nconfidence %1 %").arg(std::lround(100 * at.confidence))
                              : tr("\ncould not be measured: bridged from the frames beside it");
    QToolTip::showText(help->globalPos(), text, this);
    return true;
}

} // namespace ember::app
