// SPDX-License-Identifier: GPL-3.0-or-later
#include "style.h"

#include <algorithm>

#include <QAbstractButton>
#include <QAbstractItemView>
#include <QComboBox>
#include <QPainter>
#include <QStyleFactory>
#include <QStyleOption>
#include <QVariant>

#include "theme.h"

namespace ember::app {

namespace {
constexpr const char* lookName = "look";
constexpr int corner = 3;
constexpr int arrowRoom = 16; ///< at the right of a list

/// Room around the words of a control: left and right, above and below, its line included.
QSize padding(QStyle::ContentsType type, Look look)
{
    const bool tight = look == Look::tight || look == Look::flat;
    switch (type) {
    case QStyle::CT_ComboBox: return tight ? QSize(5, 1) : QSize(8, 3);
    case QStyle::CT_LineEdit: return look == Look::bare ? QSize(1, 1) : tight ? QSize(3, 1) : QSize(7, 3);
    default:
        return look == Look::tab ? QSize(10, 3) : look == Look::flat ? QSize(4, 2) : tight ? QSize(7, 2) : QSize(10, 4);
    }
}

QSize paddingAt(QStyle::ContentsType type, const QWidget* widget)
{
    return padding(type, lookOf(widget));
}

void panel(QPainter& painter, const QRect& at, const QColor& fill, const QColor& edge, int radius = corner)
{
    painter.save();
    painter.setRenderHint(QPainter::Antialiasing);
    painter.setPen(edge);
    painter.setBrush(fill);
    painter.drawRoundedRect(QRectF(at).adjusted(0.5, 0.5, -0.5, -0.5), radius, radius);
    painter.restore();
}

/// An edge tells of focus and of the pointer.
QColor edgeOf(const QStyleOption& option)
{
    if ((option.state & QStyle::State_HasFocus) != 0)
        return theme::copper;
    const bool under = (option.state & QStyle::State_MouseOver) != 0 && (option.state & QStyle::State_Enabled) != 0;
    return under ? theme::dim : theme::line;
}

bool isOn(const QStyleOption& option)
{
    return (option.state & QStyle::State_On) != 0;
}

void button(QPainter& painter, const QStyleOption& option, const QWidget* widget)
{
    const bool enabled = (option.state & QStyle::State_Enabled) != 0;
    const Look look = lookOf(widget);
    if (look == Look::tab) {
        const QRect at = option.rect;
        if ((option.state & QStyle::State_HasFocus) != 0)
            panel(painter, at, Qt::transparent, theme::copper);
        if (isOn(option))
            painter.fillRect(QRect(at.left() + 2, at.bottom() - 1, at.width() - 4, 2), theme::copper);
        return;
    }
    const bool down = (option.state & QStyle::State_Sunken) != 0;
    if (look == Look::flat && !isOn(option) && !down && edgeOf(option) == theme::line)
        return;
    QColor fill = down ? theme::line : theme::raised;
    QColor edge = edgeOf(option);
    if (isOn(option) && enabled) {
        fill = theme::copper;
        if ((option.state & QStyle::State_HasFocus) != 0)
            edge = theme::text;
        else if ((option.state & QStyle::State_MouseOver) == 0)
            edge = theme::copper;
    } else if (isOn(option)) {
        fill = theme::line;
    } else if (look == Look::strong && (option.state & QStyle::State_HasFocus) == 0) {
        edge = theme::copper;
    }
    panel(painter, option.rect, fill, edge);
}

/// Words on a button that is on stand on copper.
QPalette lettersOf(const QStyleOption& option, const QWidget* widget)
{
    QPalette palette = option.palette;
    QColor ink;
    if (lookOf(widget) == Look::tab)
        ink = isOn(option) || (option.state & QStyle::State_MouseOver) != 0 ? theme::text : theme::dim;
    else if (isOn(option) && (option.state & QStyle::State_Enabled) != 0)
        ink = theme::window;
    else if (widget != nullptr && widget->foregroundRole() == QPalette::PlaceholderText)
        ink = theme::dim;
    if (ink.isValid())
        for (const auto role : {QPalette::ButtonText, QPalette::WindowText, QPalette::Text})
            palette.setColor(role, ink);
    return palette;
}

void scrollBar(QPainter& painter, const QStyleOptionSlider& bar, const QRect& slider)
{
    painter.fillRect(bar.rect, theme::panel);
    const bool busy = (bar.state & (QStyle::State_Sunken | QStyle::State_MouseOver)) != 0;
    painter.fillRect(slider, busy ? theme::dim : theme::line);
}

} // namespace

void setLook(QWidget& widget, Look look)
{
    widget.setProperty(lookName, static_cast<int>(look));
}

Look lookOf(const QWidget* widget)
{
    return widget == nullptr ? Look::usual : static_cast<Look>(widget->property(lookName).toInt());
}

void paintSwitch(QPainter& painter, const QRectF& at, bool on, bool enabled, bool focus)
{
    painter.save();
    painter.setRenderHint(QPainter::Antialiasing);
    const QRectF track =
        QRectF(at.left(), at.center().y() - switchSize.height() / 2.0, switchSize.width(), switchSize.height())
            .adjusted(0.5, 0.5, -0.5, -0.5);
    const QColor filled = enabled ? theme::copper : theme::faint;
    const QColor edge = focus ? theme::text : on ? filled : enabled ? theme::dim : theme::faint;
    painter.setPen(QPen(edge, 1));
    painter.setBrush(on ? filled : theme::window);
    const double radius = track.height() / 2;
    painter.drawRoundedRect(track, radius, radius);
    const double knob = radius - 2.5;
    const QPointF middle(on ? track.right() - radius : track.left() + radius, track.center().y());
    painter.setPen(Qt::NoPen);
    painter.setBrush(on ? theme::window : enabled ? theme::dim : theme::faint);
    painter.drawEllipse(middle, knob, knob);
    painter.restore();
}

void paintArrowDown(QPainter& painter, QPointF middle, const QColor& colour)
{
    painter.save();
    painter.setRenderHint(QPainter::Antialiasing);
    painter.setPen(QPen(colour, 1.4));
    const QPointF lines[] = {middle + QPointF(-3.5, -1.75), middle + QPointF(0, 1.75), middle + QPointF(3.5, -1.75)};
    painter.drawPolyline(lines, 3);
    painter.restore();
}

Style::Style() : QProxyStyle(QStyleFactory::create(QStringLiteral("Fusion"))) {}

void Style::drawPrimitive(PrimitiveElement element, const QStyleOption* option, QPainter* painter,
                          const QWidget* widget) const
{
    switch (element) {
    case PE_PanelButtonCommand:
    case PE_PanelButtonTool: button(*painter, *option, widget); return;
    case PE_FrameDefaultButton:
    case PE_FrameButtonTool:
    case PE_FrameStatusBarItem: return;
    case PE_FrameFocusRect:
        if (qobject_cast<const QAbstractItemView*>(widget) != nullptr) {
            painter->setPen(theme::copper);
            painter->setBrush(Qt::NoBrush);
            painter->drawRect(option->rect.adjusted(0, 0, -1, -1));
        }
        return;
    case PE_PanelLineEdit: {
        const bool plain = lookOf(widget) == Look::bare && (option->state & State_HasFocus) == 0;
        const auto* frame = qstyleoption_cast<const QStyleOptionFrame*>(option);
        if (plain || (frame != nullptr && frame->lineWidth == 0))
            return;
        panel(*painter, option->rect, theme::window, edgeOf(*option));
        return;
    }
    case PE_FrameLineEdit: return;
    case PE_Frame:
    case PE_FrameMenu:
        painter->setPen((option->state & State_HasFocus) != 0 ? theme::copper : theme::line);
        painter->setBrush(Qt::NoBrush);
        painter->drawRect(option->rect.adjusted(0, 0, -1, -1));
        return;
    case PE_PanelMenu: painter->fillRect(option->rect, theme::panel); return;
    case PE_PanelTipLabel:
        painter->fillRect(option->rect, theme::raised);
        painter->setPen(theme::line);
        painter->drawRect(option->rect.adjusted(0, 0, -1, -1));
        return;
    case PE_PanelStatusBar:
    case PE_PanelMenuBar: painter->fillRect(option->rect, theme::window); return;
    case PE_IndicatorCheckBox:
        paintSwitch(*painter, option->rect, isOn(*option), (option->state & State_Enabled) != 0,
                    (option->state & State_HasFocus) != 0);
        return;
    default: break;
    }
    QProxyStyle::drawPrimitive(element, option, painter, widget);
}

void Style::drawControl(ControlElement element, const QStyleOption* option, QPainter* painter,
                        const QWidget* widget) const
{
    switch (element) {
    case CE_PushButtonLabel:
        if (const auto* from = qstyleoption_cast<const QStyleOptionButton*>(option)) {
            QStyleOptionButton made = *from;
            made.palette = lettersOf(*from, widget);
            QProxyStyle::drawControl(element, &made, painter, widget);
            return;
        }
        break;
    case CE_ToolButtonLabel:
        if (const auto* from = qstyleoption_cast<const QStyleOptionToolButton*>(option)) {
            QStyleOptionToolButton made = *from;
            made.palette = lettersOf(*from, widget);
            QProxyStyle::drawControl(element, &made, painter, widget);
            return;
        }
        break;
    case CE_MenuBarEmptyArea: painter->fillRect(option->rect, theme::window); return;
    case CE_MenuBarItem:
        if (const auto* item = qstyleoption_cast<const QStyleOptionMenuItem*>(option)) {
            const bool chosen = (item->state & State_Selected) != 0;
            painter->fillRect(item->rect, chosen ? theme::raised : theme::window);
            QPalette palette = item->palette;
            if (chosen)
                palette.setColor(QPalette::ButtonText, theme::copper);
            int flags = Qt::AlignCenter | Qt::TextShowMnemonic | Qt::TextDontClip | Qt::TextSingleLine;
            if (!proxy()->styleHint(SH_UnderlineShortcut, option, widget))
                flags |= Qt::TextHideMnemonic;
            drawItemText(painter, item->rect, flags, palette, (item->state & State_Enabled) != 0, item->text,
                         QPalette::ButtonText);
            return;
        }
        break;
    case CE_MenuItem:
        if (const auto* from = qstyleoption_cast<const QStyleOptionMenuItem*>(option)) {
            QStyleOptionMenuItem made = *from;
            made.palette.setColor(QPalette::Highlight, theme::raised);
            made.palette.setColor(QPalette::HighlightedText, theme::copper);
            QProxyStyle::drawControl(element, &made, painter, widget);
            return;
        }
        break;
    case CE_ProgressBarGroove: panel(*painter, option->rect, theme::raised, theme::line); return;
    case CE_ProgressBarContents:
        if (const auto* bar = qstyleoption_cast<const QStyleOptionProgressBar*>(option)) {
            const double share =
                bar->maximum > bar->minimum
                    ? std::clamp(double(bar->progress - bar->minimum) / (bar->maximum - bar->minimum), 0.0, 1.0)
                    : 0.0;
            if (bar->maximum <= bar->minimum) // how long it takes is not known
                break;
            QRect filled = bar->rect.adjusted(1, 1, -1, -1);
            filled.setWidth(static_cast<int>(filled.width() * share));
            painter->fillRect(filled, theme::dim);
            return;
        }
        break;
    case CE_Splitter: {
        const bool held = (option->state & (State_MouseOver | State_Sunken)) != 0;
        painter->fillRect(option->rect, held ? theme::copper : theme::line);
        return;
    }
    case CE_HeaderSection:
    case CE_HeaderEmptyArea:
        painter->fillRect(option->rect, theme::raised);
        painter->fillRect(QRect(option->rect.left(), option->rect.bottom(), option->rect.width(), 1), theme::line);
        return;
    case CE_HeaderLabel:
        if (const auto* from = qstyleoption_cast<const QStyleOptionHeader*>(option)) {
            QStyleOptionHeader made = *from;
            made.palette.setColor(QPalette::ButtonText, theme::dim);
            QProxyStyle::drawControl(element, &made, painter, widget);
            return;
        }
        break;
    default: break;
    }
    QProxyStyle::drawControl(element, option, painter, widget);
}

void Style::drawComplexControl(ComplexControl control, const QStyleOptionComplex* option, QPainter* painter,
                               const QWidget* widget) const
{
    if (control == CC_ComboBox) {
        if (const auto* list = qstyleoption_cast<const QStyleOptionComboBox*>(option)) {
            const bool down = (list->state & State_Sunken) != 0;
            panel(*painter, list->rect, down ? theme::line : theme::raised, edgeOf(*list));
            const bool enabled = (list->state & State_Enabled) != 0;
            const QRect arrow = subControlRect(CC_ComboBox, list, SC_ComboBoxArrow, widget);
            paintArrowDown(*painter, QRectF(arrow).center(), enabled ? theme::dim : theme::faint);
            return;
        }
    }
    if (control == CC_ScrollBar) {
        if (const auto* bar = qstyleoption_cast<const QStyleOptionSlider*>(option)) {
            scrollBar(*painter, *bar, subControlRect(CC_ScrollBar, bar, SC_ScrollBarSlider, widget));
            return;
        }
    }
    QProxyStyle::drawComplexControl(control, option, painter, widget);
}

QSize Style::sizeFromContents(ContentsType type, const QStyleOption* option, const QSize& size,
                              const QWidget* widget) const
{
    const QSize room = 2 * paddingAt(type, widget);
    switch (type) {
    case CT_PushButton: {
        const auto* made = qstyleoption_cast<const QStyleOptionButton*>(option);
        const bool menu = made != nullptr && (made->features & QStyleOptionButton::HasMenu) != 0;
        return size + room + QSize(menu ? arrowRoom : 0, 0);
    }
    case CT_ToolButton:
    case CT_LineEdit: return size + room;
    case CT_ComboBox: return size + room + QSize(arrowRoom + 4, 0); // its words are drawn two pixels in
    case CT_MenuBarItem: return size + QSize(20, 8);
    case CT_MenuItem: {
        const QSize made = QProxyStyle::sizeFromContents(type, option, size, widget);
        const auto* item = qstyleoption_cast<const QStyleOptionMenuItem*>(option);
        const bool line = item != nullptr && item->menuItemType == QStyleOptionMenuItem::Separator;
        return line ? made : made + QSize(8, 2);
    }
    default: return QProxyStyle::sizeFromContents(type, option, size, widget);
    }
}

QRect Style::subElementRect(SubElement element, const QStyleOption* option, const QWidget* widget) const
{
    if (element == SE_LineEditContents) {
        const auto* frame = qstyleoption_cast<const QStyleOptionFrame*>(option);
        if (frame != nullptr && frame->lineWidth == 0)
            return option->rect;
        const QSize room = paddingAt(CT_LineEdit, widget);
        return option->rect.adjusted(room.width() - 2, 1, -room.width() + 2, -1); // two pixels are the line's own
    }
    return QProxyStyle::subElementRect(element, option, widget);
}

QRect Style::subControlRect(ComplexControl control, const QStyleOptionComplex* option, SubControl part,
                            const QWidget* widget) const
{
    const QRect at = option->rect;
    if (control == CC_ComboBox) {
        const QSize room = paddingAt(CT_ComboBox, widget);
        const QRect words = at.adjusted(room.width(), 0, -room.width() - arrowRoom, 0);
        if (part == SC_ComboBoxEditField)
            return visualRect(option->direction, at, words);
        if (part == SC_ComboBoxArrow)
            return visualRect(option->direction, at,
                              QRect(at.right() - arrowRoom - 3, at.top(), arrowRoom, at.height()));
    }
    const auto* bar = qstyleoption_cast<const QStyleOptionSlider*>(option);
    if (control == CC_ScrollBar && bar != nullptr) {
        const bool across = bar->orientation == Qt::Horizontal;
        const int length = across ? at.width() : at.height();
        const int range = bar->maximum - bar->minimum;
        const int shown =
            range > 0 ? std::min(length, std::max(24, int(qint64(length) * bar->pageStep / (range + bar->pageStep))))
                      : length;
        const int start =
            sliderPositionFromValue(bar->minimum, bar->maximum, bar->sliderPosition, length - shown, bar->upsideDown);
        const auto piece = [&](int from, int size) {
            return across ? QRect(at.left() + from, at.top(), size, at.height())
                          : QRect(at.left(), at.top() + from, at.width(), size);
        };
        switch (part) {
        case SC_ScrollBarGroove: return at;
        case SC_ScrollBarSlider: return piece(start, shown);
        case SC_ScrollBarSubPage: return piece(0, start);
        case SC_ScrollBarAddPage: return piece(start + shown, length - start - shown);
        default: return {};
        }
    }
    return QProxyStyle::subControlRect(control, option, part, widget);
}

int Style::pixelMetric(PixelMetric metric, const QStyleOption* option, const QWidget* widget) const
{
    switch (metric) {
    case PM_IndicatorWidth: return switchSize.width();
    case PM_IndicatorHeight: return switchSize.height();
    case PM_ButtonDefaultIndicator:
    case PM_ButtonShiftHorizontal:
    case PM_ButtonShiftVertical: return 0;
    case PM_ScrollBarExtent: return 8;
    case PM_ToolTipLabelFrameWidth: return 4;
    case PM_DefaultFrameWidth: return 1;
    case PM_MenuBarPanelWidth: return 0;
    case PM_MenuVMargin: return 4;
    default: return QProxyStyle::pixelMetric(metric, option, widget);
    }
}

int Style::styleHint(StyleHint hint, const QStyleOption* option, const QWidget* widget, QStyleHintReturn* more) const
{
    if (hint == SH_ComboBox_Popup)
        return 0; // a list below it, not over it
    return QProxyStyle::styleHint(hint, option, widget, more);
}

void Style::polish(QWidget* widget)
{
    QProxyStyle::polish(widget);
    if (qobject_cast<QAbstractButton*>(widget) != nullptr || qobject_cast<QComboBox*>(widget) != nullptr)
        widget->setAttribute(Qt::WA_Hover);
}

} // namespace ember::app
