// SPDX-License-Identifier: GPL-3.0-or-later
#include "painted_access.h"

#include <algorithm>
#include <memory>

#include <QAccessibleWidget>
#include <QWidget>

namespace ember::app {

namespace {

class PaintedAccess;

/// One part. It holds nothing but its number: what it says is asked each time, as the picture changes under it.
class PartAccess : public QAccessibleInterface, public QAccessibleActionInterface, public QAccessibleValueInterface {
public:
    PartAccess(QWidget& widget, int index) : widget_(&widget), index_(index) {}

    bool isValid() const override { return widget_ != nullptr && part().has_value(); }
    QObject* object() const override { return nullptr; }
    QWindow* window() const override { return widget_ != nullptr ? widget_->window()->windowHandle() : nullptr; }
    QAccessibleInterface* childAt(int, int) const override { return nullptr; }
    QAccessibleInterface* parent() const override { return QAccessible::queryAccessibleInterface(widget_); }
    QAccessibleInterface* child(int) const override { return nullptr; }
    int childCount() const override { return 0; }
    int indexOfChild(const QAccessibleInterface*) const override { return -1; }

    QString text(QAccessible::Text kind) const override
    {
        const auto now = part();
        return !now                         ? QString()
               : kind == QAccessible::Name  ? now->name
               : kind == QAccessible::Value ? now->value
                                            : QString();
    }
    void setText(QAccessible::Text, const QString&) override {}
    QRect rect() const override
    {
        const auto now = part();
        return now ? QRect(widget_->mapToGlobal(now->place.topLeft()), now->place.size()) : QRect();
    }
    QAccessible::Role role() const override
    {
        const auto now = part();
        return now ? now->role : QAccessible::NoRole;
    }
    QAccessible::State state() const override
    {
        QAccessible::State state;
        const auto now = part();
        state.invisible = !now || !widget_->isVisible();
        if (now) {
            state.checkable = now->checked.has_value();
            state.checked = now->checked.value_or(false);
            state.selectable = true;
            state.selected = now->selected;
        }
        return state;
    }
    void* interface_cast(QAccessible::InterfaceType type) override
    {
        if (type == QAccessible::ActionInterface)
            return static_cast<QAccessibleActionInterface*>(this);
        const bool number = type == QAccessible::ValueInterface && numberNow().has_value();
        return number ? static_cast<QAccessibleValueInterface*>(this) : nullptr;
    }

    QVariant currentValue() const override { return ofNumber(&PaintedNumber::now); }
    QVariant minimumValue() const override { return ofNumber(&PaintedNumber::min); }
    QVariant maximumValue() const override { return ofNumber(&PaintedNumber::max); }
    QVariant minimumStepSize() const override { return ofNumber(&PaintedNumber::step); }
    void setCurrentValue(const QVariant& value) override
    {
        if (const auto number = numberNow())
            number->set(std::clamp(value.toDouble(), number->min, number->max));
    }

    QStringList actionNames() const override
    {
        QStringList names;
        if (const auto now = part())
            for (const auto& [name, act] : now->actions)
                names << name;
        return names;
    }
    void doAction(const QString& wanted) override
    {
        if (const auto now = part())
            for (const auto& [name, act] : now->actions)
                if (name == wanted) {
                    act();
                    return;
                }
    }
    QStringList keyBindingsForAction(const QString&) const override { return {}; }

private:
    std::optional<PaintedPart> part() const
    {
        auto* painted = dynamic_cast<PaintedParts*>(widget_);
        const auto parts = painted != nullptr ? painted->paintedParts() : std::vector<PaintedPart>();
        return index_ < static_cast<int>(parts.size()) ? std::optional(parts[static_cast<std::size_t>(index_)])
                                                       : std::nullopt;
    }

    std::optional<PaintedNumber> numberNow() const
    {
        const auto now = part();
        return now ? now->number : std::nullopt;
    }
    QVariant ofNumber(double PaintedNumber::*which) const
    {
        const auto number = numberNow();
        return number ? QVariant((*number).*which) : QVariant();
    }

    QWidget* widget_;
    int index_;
};

/// The widget: its parts after its child widgets.
class PaintedAccess : public QAccessibleWidget {
public:
    explicit PaintedAccess(QWidget* widget) : QAccessibleWidget(widget, QAccessible::Canvas) {}
    ~PaintedAccess() override
    {
        for (const QAccessible::Id id : parts_)
            QAccessible::deleteAccessibleInterface(id);
    }

    int childCount() const override { return QAccessibleWidget::childCount() + count(); }
    QAccessibleInterface* child(int index) const override
    {
        const int own = QAccessibleWidget::childCount();
        return index < own ? QAccessibleWidget::child(index) : part(index - own);
    }
    int indexOfChild(const QAccessibleInterface* wanted) const override
    {
        for (int i = 0; i < count(); ++i)
            if (part(i) == wanted)
                return QAccessibleWidget::childCount() + i;
        return QAccessibleWidget::indexOfChild(wanted);
    }
    QAccessibleInterface* childAt(int x, int y) const override
    {
        for (int i = 0; i < count(); ++i)
            if (QAccessibleInterface* one = part(i); one->rect().contains(x, y))
                return one;
        return QAccessibleWidget::childAt(x, y);
    }

private:
    int count() const { return static_cast<int>(dynamic_cast<PaintedParts&>(*widget()).paintedParts().size()); }
    QAccessibleInterface* part(int index) const
    {
        while (static_cast<int>(parts_.size()) <= index)
            parts_.push_back(
                QAccessible::registerAccessibleInterface(new PartAccess(*widget(), static_cast<int>(parts_.size()))));
        return QAccessible::accessibleInterface(parts_[static_cast<std::size_t>(index)]);
    }

    mutable std::vector<QAccessible::Id> parts_;
};

QAccessibleInterface* paintedAccess(const QString&, QObject* object)
{
    auto* widget = qobject_cast<QWidget*>(object);
    return widget != nullptr && dynamic_cast<PaintedParts*>(widget) != nullptr ? new PaintedAccess(widget) : nullptr;
}

} // namespace

void installPaintedAccess()
{
    QAccessible::installFactory(paintedAccess);
}

} // namespace ember::app
