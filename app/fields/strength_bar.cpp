// SPDX-License-Identifier: GPL-3.0-or-later
#include "strength_bar.h"

#include <algorithm>
#include <cmath>
#include <numbers>

#include <QMouseEvent>
#include <QPainter>

#include "theme.h"

namespace ember::app {

namespace {
constexpr double longest = 2.0;
constexpr double inset = 4;
} // namespace

StrengthBar::StrengthBar(QWidget* parent) : QWidget(parent)
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
    const double y = height() / 2.0 - 4;
    p.fillRect(QRectF(inset, y, span, 8), theme::raised);
    const double end = inset + span * std::min(1.0, value_ / longest);
    for (double x = inset; x < end; x += 1)
        p.fillRect(QRectF(x, y, 1, 8), theme::heat(std::min(1.0, (x - inset) / span * longest)));
    p.fillRect(QRectF(end - 2, y - 4, 4, 16), isEnabled() ? theme::text : theme::faint);
}

void StrengthBar::wishAt(double x)
{
    const double value = std::clamp((x - inset) / (width() - 2 * inset), 0.0, 1.0) * longest;
    emit wished(std::round(value * 100) / 100, gesture_);
}

void StrengthBar::mousePressEvent(QMouseEvent* event)
{
    if (event->button() != Qt::LeftButton)
        return;
    gesture_ = gestureSource ? gestureSource() : 0;
    wishAt(event->position().x());
}

void StrengthBar::mouseMoveEvent(QMouseEvent* event)
{
    if ((event->buttons() & Qt::LeftButton) != 0)
        wishAt(event->position().x());
}

DirectionDial::DirectionDial(QWidget* parent) : QWidget(parent)
{
    setObjectName(QStringLiteral("direction-dial"));
    setFixedSize(36, 36);
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

void DirectionDial::wishAt(QPointF place, bool fine)
{
    const QPointF from = place - QPointF(width() / 2.0, height() / 2.0);
    if (from.manhattanLength() < 3)
        return;
    double degrees = std::atan2(from.y(), from.x()) * 180 / std::numbers::pi;
    degrees = fine ? std::round(degrees) : std::round(degrees / 5) * 5;
    emit wished(degrees < 0 ? degrees + 360 : degrees, gesture_);
}

void DirectionDial::mousePressEvent(QMouseEvent* event)
{
    if (event->button() != Qt::LeftButton)
        return;
    gesture_ = gestureSource ? gestureSource() : 0;
    wishAt(event->position(), (event->modifiers() & Qt::ShiftModifier) != 0);
}

void DirectionDial::mouseMoveEvent(QMouseEvent* event)
{
    if ((event->buttons() & Qt::LeftButton) != 0)
        wishAt(event->position(), (event->modifiers() & Qt::ShiftModifier) != 0);
}

} // namespace ember::app
