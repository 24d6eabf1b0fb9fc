// SPDX-License-Identifier: GPL-3.0-or-later
#include "bars.h"

#include <algorithm>
#include <cmath>
#include <limits>
#include <numbers>

#include <QApplication>
#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>

#include "theme.h"

namespace ember::app {

namespace {
constexpr double longest = 2.0;
constexpr double inset = 4;
} // namespace

// --- dragging ---

bool DraggedValue::eventFilter(QObject* watched, QEvent* event)
{
    if (event->type() != QEvent::ShortcutOverride && event->type() != QEvent::KeyPress)
        return QWidget::eventFilter(watched, event);
    event->accept();
    if (event->type() == QEvent::KeyPress && static_cast<QKeyEvent*>(event)->key() == Qt::Key_Escape && held_) {
        letGo();
        emit abandoned(gesture_);
    }
    return true; // nothing else is done with a hand full
}

void DraggedValue::wishAt(const QMouseEvent& event)
{
    const double value = valueAt(event.position(), (event.modifiers() & Qt::ShiftModifier) != 0);
    if (!std::isnan(value))
        emit wished(value, gesture_);
}

void DraggedValue::mousePressEvent(QMouseEvent* event)
{
    if (event->button() != Qt::LeftButton)
        return;
    held_ = true;
    gesture_ = gestureSource ? gestureSource() : 0;
    qApp->installEventFilter(this); // for Escape, whatever has the focus
    wishAt(*event);
}

void DraggedValue::mouseMoveEvent(QMouseEvent* event)
{
    if (held_)
        wishAt(*event);
}

void DraggedValue::mouseReleaseEvent(QMouseEvent* event)
{
    if (event->button() == Qt::LeftButton)
        letGo();
}

void DraggedValue::letGo()
{
    if (!held_)
        return;
    held_ = false;
    qApp->removeEventFilter(this);
    update();
}

// --- strength ---

StrengthBar::StrengthBar(QWidget* parent) : DraggedValue(parent)
{
    setObjectName(QStringLiteral("strength-bar"));
    setToolTip(tr("How hard it hits, 0 to 200 %. Drag; type larger values beside it."));
    setCursor(Qt::SizeHorCursor);
    setSizePolicy(QSizePolicy::Expanding, QSizePolicy::Fixed);
}

void StrengthBar::setValue(double strength)
{
    value_ = strength;
    update();
}

void StrengthBar::paintEvent(QPaintEvent*)
{
    QPainter p(this);
    const double span = width() - 2 * inset;
    constexpr double high = 14;
    const double y = (height() - high) / 2.0;
    p.fillRect(QRectF(inset, y, span, high), theme::raised);
    const double end = inset + span * std::min(1.0, value_ / longest);
    for (double x = inset; x < end; x += 1)
        p.fillRect(QRectF(x, y, 1, high), theme::heat(std::min(1.0, (x - inset) / span * longest)));
    p.fillRect(QRectF(std::round(inset + span / longest), y, 1, high), theme::line); // 100 %
    p.fillRect(QRectF(end - 2, y - 3, 4, high + 6), isEnabled() ? theme::text : theme::faint);
}

double StrengthBar::valueAt(QPointF place, bool) const
{
    const double value = std::clamp((place.x() - inset) / (width() - 2 * inset), 0.0, 1.0) * longest;
    return std::round(value * 100) / 100;
}

// --- direction ---

DirectionDial::DirectionDial(QWidget* parent) : DraggedValue(parent)
{
    setObjectName(QStringLiteral("direction-dial"));
    setFixedSize(DirectionDial::sizeHint());
    setBarred({});
}

void DirectionDial::setBarred(const QString& reason)
{
    setEnabled(reason.isEmpty());
    setToolTip(reason.isEmpty() ? tr("Where the blow goes. Drag round in steps of 5°; with Shift, single degrees.")
                                : reason);
}

void DirectionDial::setValue(double degrees, bool bySeed)
{
    value_ = degrees;
    bySeed_ = bySeed;
    update();
}

void DirectionDial::paintEvent(QPaintEvent*)
{
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    const QPointF centre(width() / 2.0, height() / 2.0);
    const double radius = width() / 2.0 - 3;
    p.setPen(QPen(theme::line, 1));
    p.setBrush(theme::raised);
    p.drawEllipse(centre, radius, radius);
    if (bySeed_) {
        p.setPen(theme::dim);
        p.setFont(theme::words(11));
        p.drawText(rect(), Qt::AlignCenter, tr("seed"));
        return;
    }
    const double angle = value_ * std::numbers::pi / 180;
    const QPointF tip = centre + QPointF(std::cos(angle), std::sin(angle)) * (radius - 4);
    p.setPen(QPen(theme::text, 2));
    p.drawLine(centre, tip);
    p.setBrush(theme::text);
    p.drawEllipse(tip, 2.5, 2.5);
}

double DirectionDial::valueAt(QPointF place, bool fine) const
{
    const QPointF from = place - QPointF(width() / 2.0, height() / 2.0);
    if (from.manhattanLength() < 3)
        return std::numeric_limits<double>::quiet_NaN();
    double degrees = std::atan2(from.y(), from.x()) * 180 / std::numbers::pi;
    degrees = fine ? std::round(degrees) : std::round(degrees / 5) * 5;
    return degrees < 0 ? degrees + 360 : degrees;
}

// --- amounts ---

AmountBar::AmountBar(double full, QWidget* parent) : DraggedValue(parent), full_(full)
{
    setCursor(Qt::SizeHorCursor);
    setSizePolicy(QSizePolicy::Expanding, QSizePolicy::Fixed);
}

void AmountBar::setValue(double amount)
{
    value_ = amount;
    update();
}

void AmountBar::paintEvent(QPaintEvent*)
{
    constexpr double high = 8;
    QPainter p(this);
    const double y = (height() - high) / 2.0;
    p.fillRect(QRectF(0, y, width(), high), theme::raised);
    const double share = std::min(1.0, std::abs(value_) / full_);
    p.fillRect(QRectF(0, y, width() * share, high), held() ? theme::copper : theme::secondInk);
    if (std::abs(value_) > full_) // more than the bar can show
        p.fillRect(QRectF(width() - 3, y - 2, 3, high + 4), theme::text);
}

double AmountBar::valueAt(QPointF place, bool fine) const
{
    const double step = full_ / (fine ? 1000 : 100);
    const double amount = std::round(std::clamp(place.x() / width(), 0.0, 1.0) * full_ / step) * step;
    return value_ < 0 ? -amount : amount;
}

} // namespace ember::app
