// SPDX-License-Identifier: GPL-3.0-or-later
#include "input_rules.h"

#include <QAbstractButton>
#include <QAbstractItemView>
#include <QAbstractSlider>
#include <QAbstractSpinBox>
#include <QApplication>
#include <QComboBox>
#include <QDialog>
#include <QKeyEvent>
#include <QKeySequenceEdit>
#include <QLabel>
#include <QLineEdit>
#include <QMessageBox>
#include <QPlainTextEdit>
#include <QPointer>
#include <QPushButton>
#include <QScrollBar>
#include <QTabBar>
#include <QTextEdit>
#include <QToolButton>

#include "field_note.h"
#include "theme.h"
#include "value_field.h"

namespace ember::app {

namespace {

constexpr const char* workPlace = "work-place";   ///< of a window: where its work is
constexpr const char* byMouse = "came-by-mouse";  ///< of a widget: how the focus came to it
constexpr const char* textBefore = "text-before"; ///< of a line: what Escape brings back

bool isText(const QWidget& widget)
{
    return qobject_cast<const QLineEdit*>(&widget) != nullptr ||
           qobject_cast<const QPlainTextEdit*>(&widget) != nullptr ||
           qobject_cast<const QTextEdit*>(&widget) != nullptr ||
           qobject_cast<const QAbstractSpinBox*>(&widget) != nullptr ||
           qobject_cast<const QKeySequenceEdit*>(&widget) != nullptr;
}

/// A line that stands by itself: not the inside of a number, a table or a list.
QLineEdit* ownLine(QWidget* widget)
{
    auto* line = qobject_cast<QLineEdit*>(widget);
    if (line == nullptr || line->property(ownKeys).toBool() || qobject_cast<QDialog*>(line->window()) != nullptr)
        return nullptr;
    for (const QWidget* above = line->parentWidget(); above != nullptr; above = above->parentWidget())
        if (qobject_cast<const ValueField*>(above) != nullptr ||
            qobject_cast<const QAbstractItemView*>(above) != nullptr ||
            qobject_cast<const QComboBox*>(above) != nullptr ||
            qobject_cast<const QAbstractSpinBox*>(above) != nullptr ||
            qobject_cast<const QKeySequenceEdit*>(above) != nullptr)
            return nullptr;
    return line;
}

/// Something one passes through to set a value or to choose, not a place to stay.
bool isEntry(const QWidget& widget)
{
    return isText(widget) || qobject_cast<const ValueField*>(&widget) != nullptr ||
           qobject_cast<const QComboBox*>(&widget) != nullptr ||
           qobject_cast<const QAbstractItemView*>(&widget) != nullptr ||
           qobject_cast<const QAbstractButton*>(&widget) != nullptr ||
           qobject_cast<const QTabBar*>(&widget) != nullptr || qobject_cast<const QAbstractSlider*>(&widget) != nullptr;
}

bool inPopup(const QWidget& widget)
{
    return widget.window()->windowType() == Qt::Popup || QApplication::activePopupWidget() != nullptr;
}

bool prints(const QKeyEvent& key)
{
    return !key.text().isEmpty() && key.text().front().isPrint();
}

} // namespace

InputRules::InputRules(QObject* parent) : QObject(parent)
{
    qApp->installEventFilter(this);
}

bool InputRules::giveBack(const QWidget& from)
{
    const auto kept = from.window()->property(workPlace).value<QPointer<QWidget>>();
    QWidget* place = kept.data();
    if (place == nullptr || !place->isVisible() || !place->isEnabled())
        return false;
    place->setFocus(Qt::OtherFocusReason);
    return true;
}

void InputRules::finishTyping()
{
    if (ValueField* field = ValueField::beingTyped())
        field->finishTyping();
    else if (QLineEdit* line = ownLine(QApplication::focusWidget()); line != nullptr && !line->isReadOnly())
        giveBack(*line); // a line is taken when the focus leaves it
}

void InputRules::cancelTyping()
{
    if (ValueField* field = ValueField::beingTyped())
        field->cancelTyping();
    else if (QLineEdit* line = ownLine(QApplication::focusWidget())) {
        line->setText(line->property(textBefore).toString());
        giveBack(*line);
    }
}

bool InputRules::keeps(const QWidget& widget, const QKeyEvent& key)
{
    if ((key.modifiers() & (Qt::ControlModifier | Qt::AltModifier | Qt::MetaModifier)) != 0)
        return false;
    const int k = key.key();
    if (k >= Qt::Key_F1 && k <= Qt::Key_F35)
        return false;
    if (isText(widget))
        return true;
    const bool enters = k == Qt::Key_Return || k == Qt::Key_Enter || k == Qt::Key_Select;
    if (qobject_cast<const QAbstractButton*>(&widget) != nullptr)
        return enters || k == Qt::Key_Space || k == Qt::Key_Escape;
    const bool upDown = k == Qt::Key_Up || k == Qt::Key_Down || k == Qt::Key_PageUp || k == Qt::Key_PageDown;
    const bool sideways = k == Qt::Key_Left || k == Qt::Key_Right || k == Qt::Key_Home || k == Qt::Key_End;
    if (qobject_cast<const QTabBar*>(&widget) != nullptr)
        return sideways || k == Qt::Key_Escape;
    if (qobject_cast<const QAbstractSlider*>(&widget) != nullptr)
        return sideways || upDown || k == Qt::Key_Escape;
    const bool takesAway = k == Qt::Key_Delete || k == Qt::Key_Backspace;
    if (qobject_cast<const QComboBox*>(&widget) != nullptr)
        return enters || upDown || takesAway || k == Qt::Key_Home || k == Qt::Key_End || k == Qt::Key_Escape ||
               prints(key);
    if (qobject_cast<const QAbstractItemView*>(&widget) != nullptr)
        return enters || upDown || sideways || takesAway || k == Qt::Key_Escape || prints(key);
    return false;
}

bool InputRules::keyPressed(QWidget& widget, const QKeyEvent& key)
{
    const int k = key.key();
    const bool plain = (key.modifiers() & ~Qt::KeypadModifier) == 0;
    const bool enters = k == Qt::Key_Return || k == Qt::Key_Enter;
    const bool sheet = qobject_cast<QDialog*>(widget.window()) != nullptr;
    if (isText(widget) && ownLine(&widget) == nullptr)
        return false; // whoever holds it knows what its keys do
    if (QLineEdit* line = ownLine(&widget); line != nullptr && plain) {
        const QString before = line->property(textBefore).toString();
        if (enters) {
            QMetaObject::invokeMethod( // after it has been taken
                line,
                [line] {
                    line->setProperty(textBefore, line->text());
                    if (line->property(byMouse).toBool() && line->hasFocus())
                        giveBack(*line);
                },
                Qt::QueuedConnection);
            return false;
        }
        if (k == Qt::Key_Escape && line->text() != before) {
            line->setText(before);
            giveBack(*line);
            return true;
        }
    }
    if (plain && enters && (!sheet || qobject_cast<QPushButton*>(&widget) || qobject_cast<QToolButton*>(&widget))) {
        if (auto* tool = qobject_cast<QToolButton*>(&widget);
            tool != nullptr && tool->menu() != nullptr && tool->popupMode() == QToolButton::InstantPopup) {
            tool->showMenu();
            return true;
        }
        if (auto* button = qobject_cast<QAbstractButton*>(&widget)) {
            button->click();
            return true;
        }
        if (auto* list = qobject_cast<QComboBox*>(&widget)) {
            list->showPopup();
            return true;
        }
    }
    if (!plain || k != Qt::Key_Escape || sheet || !isEntry(widget))
        return false;
    for (QWidget* above = &widget; above != nullptr; above = above->parentWidget())
        if (above->property(escapeCloses).toBool()) {
            giveBack(widget);
            QMetaObject::invokeMethod(above, "closed");
            return true;
        }
    giveBack(widget);
    return true;
}

void InputRules::pressed(const QWidget& widget)
{
    if (inPopup(widget))
        return;
    if (ValueField* field = ValueField::beingTyped()) {
        if (!field->isAncestorOf(&widget))
            field->finishTyping();
        return;
    }
    QLineEdit* line = ownLine(QApplication::focusWidget());
    if (line != nullptr && line != &widget && (widget.focusPolicy() & Qt::ClickFocus) == 0)
        giveBack(*line);
}

void InputRules::focused(QWidget& widget, Qt::FocusReason reason)
{
    if (widget.property(ownKeys).toBool() || inPopup(widget))
        return;
    widget.setProperty(theme::focusShown, reason == Qt::TabFocusReason || reason == Qt::BacktabFocusReason ||
                                              reason == Qt::ShortcutFocusReason);
    if (!isEntry(widget)) {
        if (!widget.isWindow() && (widget.focusPolicy() & Qt::ClickFocus) != 0)
            widget.window()->setProperty(workPlace, QVariant::fromValue(QPointer<QWidget>(&widget)));
        return;
    }
    if (auto* line = qobject_cast<QLineEdit*>(&widget); line != nullptr && reason != Qt::PopupFocusReason)
        line->setProperty(textBefore, line->text());
    auto* list = qobject_cast<QComboBox*>(&widget);
    if (list != nullptr && reason == Qt::PopupFocusReason && list->property(byMouse).toBool())
        QMetaObject::invokeMethod( // when the choice has been told
            list, [list] { giveBack(*list); }, Qt::QueuedConnection);
    if (reason != Qt::PopupFocusReason && reason != Qt::ActiveWindowFocusReason)
        widget.setProperty(byMouse, reason == Qt::MouseFocusReason);
}

void InputRules::left(QWidget& widget)
{
    QLineEdit* line = ownLine(&widget);
    if (line == nullptr || line->hasAcceptableInput())
        return;
    FieldNote::tell(*line, tr("“%1” was not taken: this has to look like “%2”.")
                               .arg(line->text().left(24), line->property(textBefore).toString()));
    line->setText(line->property(textBefore).toString());
}

bool InputRules::eventFilter(QObject* watched, QEvent* event)
{
    auto* widget = watched->isWidgetType() ? static_cast<QWidget*>(watched) : nullptr;
    if (widget == nullptr)
        return false;
    switch (event->type()) {
    case QEvent::Polish:
        if (qobject_cast<QAbstractButton*>(widget) != nullptr && widget->focusPolicy() != Qt::NoFocus)
            widget->setFocusPolicy(Qt::TabFocus);
        else if (widget->focusPolicy() == Qt::WheelFocus)
            widget->setFocusPolicy(Qt::StrongFocus);
        // Names and paths come from files; none of them is markup, in labels as in tooltips.
        if (auto* label = qobject_cast<QLabel*>(widget); label != nullptr && label->textFormat() == Qt::AutoText &&
                                                         qobject_cast<QMessageBox*>(label->window()) == nullptr)
            label->setTextFormat(Qt::PlainText);
        break;
    case QEvent::Wheel:
        if ((qobject_cast<QComboBox*>(widget) != nullptr || qobject_cast<QAbstractSpinBox*>(widget) != nullptr ||
             qobject_cast<QTabBar*>(widget) != nullptr ||
             (qobject_cast<QAbstractSlider*>(widget) != nullptr && qobject_cast<QScrollBar*>(widget) == nullptr)) &&
            !widget->hasFocus()) {
            event->ignore(); // the page below it scrolls
            return true;
        }
        break;
    case QEvent::ShortcutOverride:
        if (!widget->property(ownKeys).toBool() && // it comes to what has the focus first
            keeps(*widget, *static_cast<QKeyEvent*>(event))) {
            event->accept();
            return true;
        }
        break;
    case QEvent::KeyPress:
        if (widget == QApplication::focusWidget() && !widget->property(ownKeys).toBool() && !inPopup(*widget))
            return keyPressed(*widget, *static_cast<QKeyEvent*>(event));
        break;
    case QEvent::MouseButtonPress: pressed(*widget); break;
    case QEvent::FocusOut: left(*widget); break;
    case QEvent::FocusIn: focused(*widget, static_cast<QFocusEvent*>(event)->reason()); break;
    default: break;
    }
    return false;
}

} // namespace ember::app
