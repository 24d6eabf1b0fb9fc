// SPDX-License-Identifier: GPL-3.0-or-later
#include "guides.h"

#include <QPainter>
#include <QRegularExpression>
#include <QStringList>

namespace ember::app {

namespace {

constexpr double actionShare = 0.93;
constexpr double titleShare = 0.90;

QRectF shareOf(const QRectF& frame, double share)
{
    const double aside = 0.5 * (1 - share);
    return frame.adjusted(aside * frame.width(), aside * frame.height(), -aside * frame.width(),
                          -aside * frame.height());
}

} // namespace

void paintGuides(QPainter& painter, const QRectF& frame, const Guides& guides)
{
    if (guides == Guides())
        return;
    painter.save();
    painter.setBrush(Qt::NoBrush);
    painter.setRenderHint(QPainter::Antialiasing, false);
    // A dark line below a light one is seen on any picture.
    for (const auto& [pen, aside] :
         {std::pair(QPen(QColor(0, 0, 0, 110), 1), 1.0), std::pair(QPen(QColor(255, 255, 255, 150), 1), 0.0)}) {
        painter.setPen(pen);
        const QRectF at = frame.translated(aside, aside);
        const auto upright = [&](double share) {
            painter.drawLine(QPointF(at.left() + share * at.width(), at.top()),
                             QPointF(at.left() + share * at.width(), at.bottom()));
        };
        const auto level = [&](double share) {
            painter.drawLine(QPointF(at.left(), at.top() + share * at.height()),
                             QPointF(at.right(), at.top() + share * at.height()));
        };
        if (guides.centre) {
            upright(0.5);
            level(0.5);
        }
        if (guides.thirds)
            for (const double share : {1 / 3.0, 2 / 3.0}) {
                upright(share);
                level(share);
            }
        if (guides.actionSafe)
            painter.drawRect(shareOf(at, actionShare));
        if (guides.titleSafe)
            painter.drawRect(shareOf(at, titleShare));
        for (const double share : guides.x)
            upright(share);
        for (const double share : guides.y)
            level(share);
    }
    painter.restore();
}

void setOwnLines(Guides& guides, const QString& text)
{
    guides.x.clear();
    guides.y.clear();
    static const QRegularExpression line(QStringLiteral("([xyXY])\\s*([0-9]+(?:[.,][0-9]+)?)"));
    for (auto found = line.globalMatch(text); found.hasNext();) {
        const auto match = found.next();
        const double share = match.captured(2).replace(QLatin1Char(','), QLatin1Char('.')).toDouble() / 100;
        if (share <= 1)
            (match.captured(1).toLower() == QLatin1String("x") ? guides.x : guides.y).push_back(share);
    }
}

QString ownLines(const Guides& guides)
{
    QStringList parts;
    for (const double share : guides.x)
        parts << QStringLiteral("x %1 %").arg(100 * share);
    for (const double share : guides.y)
        parts << QStringLiteral("y %1 %").arg(100 * share);
    return parts.join(QStringLiteral(", "));
}

} // namespace ember::app
