// SPDX-License-Identifier: GPL-3.0-or-later
#include "pivot_mark.h"

#include <algorithm>
#include <cmath>

#include <QPainter>

#include "theme.h"

namespace ember::app {

namespace {
constexpr double grabRadius = 10;
} // namespace

PivotMark::PivotMark(Session& session) : session_(session), drag_(session.document, session.messages) {}

std::optional<QPointF> PivotMark::place(const QRectF& frame, double cover) const
{
    const Strike* strike = session_.selection.feltStrike();
    const Recipe* recipe = strike != nullptr ? session_.shaping.felt() : nullptr;
    if (recipe == nullptr || recipe->pivot.at == Pivot::At::middle || recipe->pivot.at == Pivot::At::place)
        return std::nullopt;
    QPointF ratio(recipe->pivot.x, recipe->pivot.y);
    if (recipe->pivot.at == Pivot::At::followed) {
        const double since = static_cast<double>(session_.playhead.frame() - strike->frame.index) * recipe->playRate;
        if (const CurveKeys* x = recipe->curves.of("pivot_x"))
            ratio.setX(valueOfKeys(*x, since));
        if (const CurveKeys* y = recipe->curves.of("pivot_y"))
            ratio.setY(valueOfKeys(*y, since));
    }
    return frame.center() + QPointF((ratio.x() - 0.5) * frame.width(), (ratio.y() - 0.5) * frame.height()) * cover;
}

bool PivotMark::press(QPointF at, const QRectF& frame, double cover)
{
    const auto now = place(frame, cover);
    if (!now || std::hypot(now->x() - at.x(), now->y() - at.y()) > grabRadius)
        return false;
    if (session_.shaping.felt()->pivot.at == Pivot::At::followed) {
        emit session_.messages.told(tr("This point is followed in the clip; choose Point to place it by hand"));
        return true;
    }
    drag_.begin();
    return true;
}

bool PivotMark::move(QPointF at, const QRectF& frame, double cover)
{
    if (!drag_.active())
        return false;
    const QPointF off = (at - frame.center()) / cover;
    const auto ratio = [](double value) { return std::round(1000 * std::clamp(0.5 + value, -1.0, 2.0)) / 1000; };
    session_.shaping.set({{"pivot_x", ratio(off.x() / frame.width())}, {"pivot_y", ratio(off.y() / frame.height())}},
                         drag_.gesture());
    return true;
}

void PivotMark::cancel()
{
    drag_.cancel();
    letGo();
}

void PivotMark::paint(QPainter& painter, const QRectF& frame, double cover) const
{
    const auto now = place(frame, cover);
    if (!now)
        return;
    painter.setBrush(Qt::NoBrush);
    for (const auto& [colour, wide] :
         {std::pair(QColor(0, 0, 0, 160), 3.5), std::pair(QColor(255, 255, 255, 230), 1.4)}) {
        painter.setPen(QPen(colour, wide));
        painter.drawEllipse(*now, 7, 7);
        painter.drawLine(*now - QPointF(11, 0), *now - QPointF(3, 0));
        painter.drawLine(*now + QPointF(3, 0), *now + QPointF(11, 0));
        painter.drawLine(*now - QPointF(0, 11), *now - QPointF(0, 3));
        painter.drawLine(*now + QPointF(0, 3), *now + QPointF(0, 11));
    }
}

} // namespace ember::app
