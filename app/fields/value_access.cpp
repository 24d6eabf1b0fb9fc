// SPDX-License-Identifier: GPL-3.0-or-later
#include "value_access.h"

#include <QAbstractButton>
#include <QAccessibleWidget>
#include <QPushButton>
#include <QToolButton>

#include "value_field.h"

namespace ember::app {

namespace {

class ValueAccess : public QAccessibleWidget, public QAccessibleValueInterface {
public:
    explicit ValueAccess(ValueField* field) : QAccessibleWidget(field, QAccessible::SpinBox) {}

    QString text(QAccessible::Text kind) const override
    {
        if (kind == QAccessible::Value)
            return field().shownText();
        if (kind == QAccessible::Name)
            return field().accessibleName();
        return QAccessibleWidget::text(kind);
    }
    void* interface_cast(QAccessible::InterfaceType type) override
    {
        return type == QAccessible::ValueInterface ? static_cast<QAccessibleValueInterface*>(this)
                                                   : QAccessibleWidget::interface_cast(type);
    }
    QVariant currentValue() const override { return field().value(); }
    void setCurrentValue(const QVariant& value) override { field().ask(value.toDouble()); }
    QVariant maximumValue() const override { return field().spec().max; }
    QVariant minimumValue() const override { return field().spec().min; }
    QVariant minimumStepSize() const override { return field().spec().step; }

private:
    ValueField& field() const { return static_cast<ValueField&>(*widget()); }
};

/// Any button. What it is, is asked each time: it may be asked for while it is still made. Toggling one that stays down
/// is pressing it.
class ButtonAccess : public QAccessibleWidget {
public:
    explicit ButtonAccess(QAbstractButton* button) : QAccessibleWidget(button, QAccessible::Button) {}

    QAccessible::Role role() const override
    {
        return button().isCheckable() ? QAccessible::CheckBox
               : hasMenu()            ? QAccessible::ButtonMenu
                                      : QAccessible::Button;
    }
    QString text(QAccessible::Text kind) const override
    {
        if (kind == QAccessible::Name && !button().text().isEmpty() && button().accessibleName().isEmpty())
            return button().text().remove(QLatin1Char('&'));
        return QAccessibleWidget::text(kind);
    }
    QAccessible::State state() const override
    {
        QAccessible::State state = QAccessibleWidget::state();
        state.checkable = button().isCheckable();
        state.checked = button().isChecked();
        state.pressed = button().isDown();
        state.hasPopup = hasMenu();
        return state;
    }
    QStringList actionNames() const override
    {
        if (!button().isEnabled())
            return {};
        QStringList names{pressAction()};
        if (button().isCheckable())
            names.prepend(toggleAction());
        if (hasMenu())
            names.prepend(showMenuAction());
        return names << QAccessibleWidget::actionNames();
    }
    void doAction(const QString& name) override
    {
        if (hasMenu() && (name == showMenuAction() || name == pressAction()))
            showMenu();
        else if (name == toggleAction() || name == pressAction())
            button().click();
        else
            QAccessibleWidget::doAction(name);
    }

private:
    QAbstractButton& button() const { return static_cast<QAbstractButton&>(*widget()); }
    bool hasMenu() const
    {
        const auto* push = qobject_cast<const QPushButton*>(&button());
        const auto* tool = qobject_cast<const QToolButton*>(&button());
        return (push != nullptr && push->menu() != nullptr) || (tool != nullptr && tool->menu() != nullptr);
    }
    void showMenu() const
    {
        if (auto* push = qobject_cast<QPushButton*>(&button()))
            push->showMenu();
        else if (auto* tool = qobject_cast<QToolButton*>(&button()))
            tool->showMenu();
    }
};

QAccessibleInterface* valueAccess(const QString&, QObject* object)
{
    if (auto* button = qobject_cast<QAbstractButton*>(object))
        return new ButtonAccess(button);
    auto* field = qobject_cast<ValueField*>(object);
    return field != nullptr ? new ValueAccess(field) : nullptr;
}

} // namespace

void installValueAccess()
{
    QAccessible::installFactory(valueAccess);
}

} // namespace ember::app
