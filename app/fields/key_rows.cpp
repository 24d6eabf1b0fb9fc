// SPDX-License-Identifier: GPL-3.0-or-later
#include "key_rows.h"

#include <algorithm>

#include <QApplication>
#include <QComboBox>
#include <QGridLayout>
#include <QLabel>
#include <QPushButton>
#include <QScrollArea>
#include <QTimer>

#include "input_rules.h"
#include "language.h"
#include "text.h"
#include "theme.h"
#include "value_control.h"
#include "value_field.h"

namespace ember::app {

KeyRows::KeyRows(OpenDocument& document, Shaping& shaping, Playhead& playhead, Kind kind, QWidget* parent)
    : QWidget(parent), document_(document), shaping_(shaping), playhead_(playhead), kind_(std::move(kind)),
      grid_(new QGridLayout(this))
{
    grid_->setContentsMargins(0, 0, 0, 0);
    grid_->setHorizontalSpacing(2);
    grid_->setVerticalSpacing(1);
    grid_->setColumnStretch(static_cast<int>(kind_.fields.size()), 1);
    for (std::size_t i = 0; i < kind_.fields.size(); ++i) {
        auto* head = dimLabel(language::inLine(ours(kind_.fields[i].label)), this);
        head->setFont(theme::words(11));
        head->setContentsMargins(5, 0, 0, 0); // over the numbers, which have a margin too
        grid_->addWidget(head, 0, static_cast<int>(i));
    }
}

int KeyRows::gridRow(std::size_t index) const
{
    return 1 + static_cast<int>(index) * (kind_.choices != nullptr ? 2 : 1);
}

QComboBox* KeyRows::newChoice(std::size_t index)
{
    auto* choice = new QComboBox(this);
    choice->setObjectName(QStringLiteral("%1-%2-choice").arg(kind_.name).arg(index));
    choice->setAccessibleName(kind_.choiceName);
    choice->setToolTip(kind_.choiceTip);
    choice->setMinimumContentsLength(8);
    choice->setSizeAdjustPolicy(QComboBox::AdjustToMinimumContentsLengthWithIcon);
    connect(
        choice, &QComboBox::activated, this,
        [this, index](int chosen) {
            if (index < shown_.size())
                document_.edit(kind_.choose(document_.project(), index, chosen), kind_.changed);
        },
        Qt::QueuedConnection);
    grid_->addWidget(choice, gridRow(index) + 1, 1, 1, static_cast<int>(kind_.fields.size()));
    return choice;
}

void KeyRows::addRow()
{
    const std::size_t index = rows_.size();
    Row row{};
    const auto valuesNow = [this, index] {
        const auto all = kind_.rows(document_.project());
        return index < all.size() ? all[index] : std::vector<double>();
    };
    for (std::size_t i = 0; i < kind_.fields.size(); ++i) {
        auto* control = new ValueControl(kind_.fields[i], ours(kind_.fields[i].label), this);
        control->setObjectName(
            QStringLiteral("%1-%2-%3").arg(kind_.name).arg(index).arg(toQString(kind_.fields[i].key)));
        control->gestureSource = [this] { return document_.newGesture(); };
        if (control->field() != nullptr)
            control->field()->setProperty(keepsFocus, true);
        // Queued: the change may order the rows anew.
        connect(
            control, &ValueControl::wished, this,
            [this, index, i](double value, quint64 gesture) { change(index, i, value, gesture); },
            Qt::QueuedConnection);
        grid_->addWidget(control, gridRow(index), static_cast<int>(i));
        row.controls.push_back(control);
    }
    const auto button = [&](const QString& text, const QString& tip, const char* name, int column) {
        auto* made = smallButton(text, QStringLiteral("%1-%2-%3").arg(kind_.name).arg(index).arg(QLatin1String(name)),
                                 tip, this);
        grid_->addWidget(made, gridRow(index), static_cast<int>(kind_.fields.size()) + column);
        return made;
    };
    if (kind_.choices != nullptr) {
        row.choiceName = dimLabel(kind_.choiceName, this);
        row.choiceName->setContentsMargins(5, 0, 0, 0);
        grid_->addWidget(row.choiceName, gridRow(index) + 1, 0);
        row.choice = newChoice(index);
    }
    row.go = button(tr("Go"), tr("Moves the playhead there"), "go", 1);
    row.remove = button(tr("Delete"), tr("Deletes it"), "delete", 2);
    connect(row.go, &QPushButton::clicked, this, [this, valuesNow] {
        if (const auto values = valuesNow(); !values.empty())
            playhead_.setFrame(static_cast<std::int64_t>(values.front()));
    });
    connect(
        row.remove, &QPushButton::clicked, this,
        [this, index] { document_.edit(kind_.remove(document_.project(), index), kind_.removed); },
        Qt::QueuedConnection);
    rows_.push_back(std::move(row));
}

void KeyRows::change(std::size_t row, std::size_t column, double value, quint64 gesture)
{
    const auto all = kind_.rows(document_.project());
    if (row >= all.size())
        return;
    auto values = all[row];
    values[column] = value;
    document_.edit(kind_.change(document_.project(), row, values), kind_.changed, gesture);
    follow(row, values);
}

void KeyRows::follow(std::size_t from, const std::vector<double>& values)
{
    const auto now = kind_.rows(document_.project());
    const auto to = static_cast<std::size_t>(std::find(now.begin(), now.end(), values) - now.begin());
    if (to == from || to >= rows_.size() || from >= rows_.size())
        return;
    const auto& controls = rows_[from].controls;
    const QWidget* focus = QApplication::focusWidget();
    for (std::size_t column = 0; column < controls.size(); ++column)
        if (controls[column] == focus || controls[column]->isAncestorOf(focus))
            rows_[to].controls[column]->setFocus(Qt::TabFocusReason);
}

void KeyRows::bringIntoView(std::size_t row)
{
    // When the page has been laid out with it, which the events before a timer's do.
    QTimer::singleShot(0, this, [this, row] {
        QTimer::singleShot(0, this, [this, row] {
            if (row >= rows_.size())
                return;
            for (QWidget* above = parentWidget(); above != nullptr; above = above->parentWidget())
                if (auto* area = qobject_cast<QScrollArea*>(above))
                    area->ensureWidgetVisible(rows_[row].controls.front());
        });
    });
}

void KeyRows::refresh()
{
    const auto values = kind_.rows(document_.project());
    if (values.size() == shown_.size() + 1 && parentWidget()->isVisible()) {
        const auto differs = std::mismatch(shown_.begin(), shown_.end(), values.begin());
        bringIntoView(static_cast<std::size_t>(differs.second - values.begin()));
    }
    shown_ = values;
    while (rows_.size() > values.size()) {
        // Later: the hand may still be on one of them.
        std::vector<QWidget*> gone{rows_.back().go, rows_.back().remove};
        if (rows_.back().choice != nullptr)
            gone.insert(gone.end(), {rows_.back().choice, rows_.back().choiceName});
        gone.insert(gone.end(), rows_.back().controls.begin(), rows_.back().controls.end());
        for (QWidget* widget : gone) {
            widget->setObjectName({});
            widget->hide();
            widget->deleteLater();
        }
        rows_.pop_back();
    }
    while (rows_.size() < values.size())
        addRow();
    for (std::size_t i = 0; i < rows_.size(); ++i) {
        for (std::size_t k = 0; k < kind_.fields.size(); ++k) {
            rows_[i].controls[k]->setTime(document_.project().rate.perSecond(), shaping_.inSeconds());
            rows_[i].controls[k]->setValue(values[i][k], false);
        }
        if (rows_[i].choice != nullptr) {
            const Kind::Choices choices = kind_.choices(document_.project(), i);
            QStringList words;
            for (int at = 0; at < rows_[i].choice->count(); ++at)
                words.append(rows_[i].choice->itemText(at));
            if (words != choices.words) { // one that is open keeps its list
                rows_[i].choice->clear();
                rows_[i].choice->addItems(choices.words);
            }
            rows_[i].choice->setCurrentIndex(choices.chosen);
        }
    }
    setVisible(!rows_.empty());
}

} // namespace ember::app
