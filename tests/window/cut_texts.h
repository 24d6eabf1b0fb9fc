// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QAbstractButton>
#include <QComboBox>
#include <QLabel>
#include <QScrollArea>

#include "value_field.h"

namespace ember::test {

/// What is in sight in a window and has less room than its words need, each by name and words.
inline QStringList cutIn(QWidget& window)
{
    QStringList cut;
    const auto inSight = [&](const QWidget* widget) {
        return widget->isVisible() && widget->window() == window.window() && !widget->visibleRegion().isEmpty();
    };
    const auto check = [&](const QWidget* widget, int needs, const QString& words) {
        if (widget->width() < needs)
            cut << QStringLiteral("%1 \"%2\" has %3 of %4")
                       .arg(widget->objectName().isEmpty() ? QString::fromLatin1(widget->metaObject()->className())
                                                           : widget->objectName(),
                            words)
                       .arg(widget->width())
                       .arg(needs);
    };
    for (const auto* widget : window.findChildren<QWidget*>()) {
        if (!inSight(widget))
            continue;
        if (const auto* button = qobject_cast<const QAbstractButton*>(widget))
            check(button, button->minimumSizeHint().width() - 1, button->text());
        else if (const auto* field = qobject_cast<const app::ValueField*>(widget))
            check(field, field->shownWidth() - 6, field->shownText());
        else if (const auto* label = qobject_cast<const QLabel*>(widget)) {
            // A line that is longer than its place says what it is about at its beginning and whole in its tooltip.
            if (!label->wordWrap() && label->textFormat() != Qt::RichText && label->toolTip().isEmpty() &&
                label->sizePolicy().horizontalPolicy() != QSizePolicy::Ignored)
                check(label, label->fontMetrics().horizontalAdvance(label->text().section(QLatin1Char('\n'), 0, 0)) - 1,
                      label->text());
        } else if (const auto* list = qobject_cast<const QComboBox*>(widget)) {
            if (!list->isEditable() && list->sizeAdjustPolicy() != QComboBox::AdjustToMinimumContentsLengthWithIcon)
                check(list, list->fontMetrics().horizontalAdvance(list->currentText()) + 16, list->currentText());
        } else if (const auto* area = qobject_cast<const QScrollArea*>(widget)) {
            if (area->widget() == nullptr || area->horizontalScrollBarPolicy() != Qt::ScrollBarAlwaysOff)
                continue;
            QString widest; // what the page is so wide for
            int most = 0;
            for (const auto* inside : area->widget()->findChildren<QWidget*>())
                if (inside->isVisible() && inside->minimumSizeHint().width() >= most) {
                    most = inside->minimumSizeHint().width();
                    widest += QLatin1Char('/') + inside->objectName() + QLatin1Char(' ') + QString::number(most);
                }
            check(area->viewport(), area->widget()->width(),
                  QString::fromLatin1(area->widget()->metaObject()->className()) + QStringLiteral(" with ") + widest);
        }
    }
    return cut;
}

} // namespace ember::test
