// SPDX-License-Identifier: GPL-3.0-or-later
#include "symbols.h"

#include <QIconEngine>
#include <QPainter>
#include <QPainterPath>
#include <QPixmap>

#include "theme.h"

namespace ember::app {

namespace {

/// A drawing on a square of 16, or on as much as there is.
struct Drawing {
    QPainterPath lines;
    QPainterPath filled;
};

void triangle(QPainterPath& path, double left, double right)
{
    path.moveTo(left, 3);
    path.lineTo(right, 8);
    path.lineTo(left, 13);
    path.closeSubpath();
}

Drawing drawingOf(Symbol which)
{
    Drawing d;
    switch (which) {
    case Symbol::toStart:
        triangle(d.filled, 13, 6);
        d.filled.addRect(3, 3, 2, 10);
        break;
    case Symbol::stepBack:
        d.lines.moveTo(10.5, 3.5);
        d.lines.lineTo(5.5, 8);
        d.lines.lineTo(10.5, 12.5);
        break;
    case Symbol::stepOn:
        d.lines.moveTo(5.5, 3.5);
        d.lines.lineTo(10.5, 8);
        d.lines.lineTo(5.5, 12.5);
        break;
    case Symbol::play: triangle(d.filled, 4, 13); break;
    case Symbol::pause:
        d.filled.addRect(4, 3, 3, 10);
        d.filled.addRect(9, 3, 3, 10);
        break;
    case Symbol::loop: {
        d.lines.addRoundedRect(QRectF(2, 4.5, 12, 7), 3.5, 3.5);
        QPainterPath head;
        head.moveTo(7, 1.8);
        head.lineTo(10, 4.5);
        head.lineTo(7, 7.2);
        d.lines.addPath(head);
        break;
    }
    case Symbol::sound:
        d.filled.moveTo(2, 6);
        d.filled.lineTo(4.5, 6);
        d.filled.lineTo(8, 3);
        d.filled.lineTo(8, 13);
        d.filled.lineTo(4.5, 10);
        d.filled.lineTo(2, 10);
        d.filled.closeSubpath();
        d.lines.arcMoveTo(QRectF(5.5, 4.5, 7, 7), -50);
        d.lines.arcTo(QRectF(5.5, 4.5, 7, 7), -50, 100);
        d.lines.arcMoveTo(QRectF(4, 2.5, 11, 11), -50);
        d.lines.arcTo(QRectF(4, 2.5, 11, 11), -50, 100);
        break;
    case Symbol::compare:
        d.lines.addRect(2.5, 3.5, 11, 9);
        d.filled.addRect(2.5, 3.5, 5.5, 9);
        break;
    case Symbol::more:
        for (const double x : {3.0, 8.0, 13.0})
            d.filled.addEllipse(QPointF(x, 8), 1.4, 1.4);
        break;
    case Symbol::decayConstant:
        d.lines.moveTo(1, 4);
        d.lines.lineTo(15, 4);
        break;
    case Symbol::decayLinear:
        d.lines.moveTo(1, 3);
        d.lines.lineTo(15, 13);
        break;
    case Symbol::decayFast:
        d.lines.moveTo(1, 3);
        d.lines.cubicTo(2.5, 10, 7, 12.6, 15, 13);
        break;
    case Symbol::easeLinear:
        d.lines.moveTo(2, 13);
        d.lines.lineTo(14, 3);
        break;
    case Symbol::easeSmooth:
        d.lines.moveTo(2, 13);
        d.lines.cubicTo(8, 13, 8, 3, 14, 3);
        break;
    case Symbol::easeHold:
        d.lines.moveTo(2, 13);
        d.lines.lineTo(11, 13);
        d.lines.lineTo(11, 3);
        d.lines.lineTo(14, 3);
        break;
    case Symbol::easeIn:
        d.lines.moveTo(2, 13);
        d.lines.cubicTo(9, 13, 12, 9, 14, 3);
        break;
    case Symbol::easeOut:
        d.lines.moveTo(2, 13);
        d.lines.cubicTo(4, 7, 7, 3, 14, 3);
        break;
    }
    return d;
}

class SymbolEngine : public QIconEngine {
public:
    explicit SymbolEngine(Symbol which) : which_(which) {}

    void paint(QPainter* painter, const QRect& at, QIcon::Mode mode, QIcon::State state) override
    {
        const QColor ink = mode == QIcon::Disabled ? theme::faint : state == QIcon::On ? theme::window : theme::text;
        const Drawing drawing = drawingOf(which_);
        painter->save();
        painter->setRenderHint(QPainter::Antialiasing);
        painter->translate(at.topLeft());
        painter->scale(at.width() / 16.0, at.height() / 16.0);
        painter->setPen(QPen(ink, 1.6, Qt::SolidLine, Qt::RoundCap, Qt::RoundJoin));
        painter->setBrush(Qt::NoBrush);
        painter->drawPath(drawing.lines);
        painter->fillPath(drawing.filled, ink);
        painter->restore();
    }
    QPixmap pixmap(const QSize& size, QIcon::Mode mode, QIcon::State state) override
    {
        QPixmap made(size);
        made.fill(Qt::transparent);
        QPainter painter(&made);
        paint(&painter, QRect(QPoint(), size), mode, state);
        return made;
    }
    QIconEngine* clone() const override { return new SymbolEngine(which_); }

private:
    Symbol which_;
};

} // namespace

QIcon symbol(Symbol which)
{
    return QIcon(new SymbolEngine(which));
}

} // namespace ember::app
