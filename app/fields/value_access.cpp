// SPDX-License-Identifier: GPL-3.0-or-later
#include "value_access.h"

#include <QAbstractButton>
#include <QAccessibleWidget>

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

/// A button that stays down: toggling it is pressing it.
class SwitchAccess : public QAccessibleWidget {
public:
    explicit SwitchAccess(QAbstractButton* button) : QAccessibleWidget(button, QAccessible::CheckBox) {}

    QString text(QAccessible::Text kind) const override
    {
        if (kind == QAccessible::Name && !button().text().isEmpty() && button().accessibleName().isEmpty())
            return button().text().remove(QLatin1Char('&'));
        return QAccessibleWidget::text(kind);
    }
    QAccessible::State state() const override
    {
        QAccessible::State state = QAccessibleWidget::state();
        state.checkable = true;
        state.checked = button().isChecked();
        return state;
    }
    QStringList actionNames() const override
    {
        return button().isEnabled() ? QStringList{toggleAction(), pressAction()} << QAccessibleWidget::actionNames()
                                    : QStringList();
    }
    void doAction(const QString& name) override
    {
        if (name == toggleAction() || name == pressAction())
            button().click();
        else
            QAccessibleWidget::doAction(name);
    }

private:
    QAbstractButton& button() const { return static_cast<QAbstractButton&>(*widget()); }
};

QAccessibleInterface* valueAccess(const QString&, QObject* object)
{
    if (auto* button = qobject_cast<QAbstractButton*>(object); button != nullptr && button->isCheckable())
        return new SwitchAccess(button);
    auto* field = qobject_cast<ValueField*>(object);
    return field != nullptr ? new ValueAccess(field) : nullptr;
}

} // namespace

void installValueAccess()
{
    QAccessible::installFactory(valueAccess);
}

} // namespace ember::app
