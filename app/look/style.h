// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QProxyStyle>

namespace ember::app {

/// How a control is drawn where it is not drawn as usual.
enum class Look {
    usual,
    tight,  ///< a button or list with little room around its word
    flat,   ///< a button without a frame until the pointer is on it
    tab,    ///< a button without a frame; a line below the one that is chosen
    bare,   ///< a line that looks like plain text until it is typed in
    strong, ///< the one button a person is waited for
};
void setLook(QWidget& widget, Look look);
Look lookOf(const QWidget* widget);

/// The controls of the night foundry, drawn over Qt's Fusion: flat, quiet lines, and a switch that looks like one. No
/// style sheets: those are matched anew for each widget and state, which took half of the time of starts and edits.
class Style : public QProxyStyle {
    Q_OBJECT
public:
    Style();

    void drawPrimitive(PrimitiveElement element, const QStyleOption* option, QPainter* painter,
                       const QWidget* widget) const override;
    void drawControl(ControlElement element, const QStyleOption* option, QPainter* painter,
                     const QWidget* widget) const override;
    void drawComplexControl(ComplexControl control, const QStyleOptionComplex* option, QPainter* painter,
                            const QWidget* widget) const override;
    QSize sizeFromContents(ContentsType type, const QStyleOption* option, const QSize& size,
                           const QWidget* widget) const override;
    QRect subElementRect(SubElement element, const QStyleOption* option, const QWidget* widget) const override;
    QRect subControlRect(ComplexControl control, const QStyleOptionComplex* option, SubControl part,
                         const QWidget* widget) const override;
    int pixelMetric(PixelMetric metric, const QStyleOption* option, const QWidget* widget) const override;
    int styleHint(StyleHint hint, const QStyleOption* option, const QWidget* widget,
                  QStyleHintReturn* more) const override;
    void polish(QWidget* widget) override;
    using QProxyStyle::polish;
};

/// A switch: its knob at the right and its track filled when it is on. Told apart without colour.
void paintSwitch(QPainter& painter, const QRectF& at, bool on, bool enabled, bool focus);
/// The arrow of what opens below.
void paintArrowDown(QPainter& painter, QPointF middle, const QColor& colour);
/// The size of a switch, in pixels.
inline constexpr QSize switchSize{26, 14};

} // namespace ember::app
