// SPDX-License-Identifier: GPL-3.0-or-later
#include "conform_sheet.h"

#include <algorithm>
#include <cmath>

#include <QComboBox>
#include <QDialogButtonBox>
#include <QHeaderView>
#include <QLabel>
#include <QPushButton>
#include <QTableWidget>

#include "form.h"
#include "theme.h"
#include "value_control.h"

namespace ember::app {

ConformSheet::ConformSheet(const Project& before, Conformed conformed, const QString& clip, QWidget* parent)
    : QDialog(parent), conformed_(std::move(conformed))
{
    setObjectName(QStringLiteral("conform-sheet"));
    setWindowTitle(tr("Conform to %1").arg(clip));
    resize(680, 480);
    auto* column = newColumn(this, 10, {16, 12, 16, 12});
    const auto moved = std::count_if(conformed_.strikes.begin(), conformed_.strikes.end(),
                                     [](const ConformedStrike& s) { return s.matched() && s.to != s.from; });
    auto* says = new QLabel(tr("%1 of %2 strikes were found in the new edit, %3 of them on another frame. The film has "
                               "%4 frames now, it had %5.")
                                .arg(conformed_.strikes.size() - conformed_.unmatched)
                                .arg(conformed_.strikes.size())
                                .arg(moved)
                                .arg(conformed_.project.length())
                                .arg(before.length()),
                            this);
    says->setObjectName(QStringLiteral("conform-says"));
    says->setWordWrap(true);
    column->addWidget(says);
    auto* table = new QTableWidget(static_cast<int>(conformed_.strikes.size()), 5, this);
    table->setObjectName(QStringLiteral("conform-table"));
    table->setHorizontalHeaderLabels({tr("Strike"), tr("Was on"), tr("Is on"), tr("Likeness"), tr("")});
    table->horizontalHeader()->setSectionResizeMode(0, QHeaderView::Stretch);
    table->setColumnWidth(4, 190);
    table->verticalHeader()->hide();
    table->setEditTriggers(QAbstractItemView::NoEditTriggers);
    table->setSelectionMode(QAbstractItemView::NoSelection);
    table->setFocusPolicy(Qt::NoFocus);
    for (std::size_t i = 0; i < conformed_.strikes.size(); ++i) {
        const ConformedStrike& strike = conformed_.strikes[i];
        const int row = static_cast<int>(i);
        const auto put = [&](int cell, const QString& text) {
            auto* item = new QTableWidgetItem(text);
            if (cell > 0)
                item->setFont(theme::numbers(12));
            table->setItem(row, cell, item);
        };
        put(0, QString::fromStdString(strike.name));
        put(1, QString::number(strike.from));
        put(2, strike.matched() ? QString::number(strike.to) : tr("not found"));
        put(3, strike.matched() ? tr("%1 %").arg(std::lround(100 * strike.confidence)) : QString());
        if (strike.matched()) {
            put(4, strike.to == strike.from ? tr("stays") : tr("%1 frames").arg(strike.to - strike.from));
            continue;
        }
        auto* fate = new QComboBox(table);
        fate->setObjectName(QStringLiteral("conform-fate-%1").arg(i));
        fate->addItems({tr("waits with the shot"), tr("stays on frame %1").arg(strike.from), tr("is deleted")});
        fate->setToolTip(tr("Strikes that wait are listed on the Film page and can be put on any frame"));
        if (strike.from >= conformed_.project.length())
            fate->removeItem(static_cast<int>(Fate::stays));
        table->setCellWidget(row, 4, fate);
        fates_.emplace_back(i, fate);
    }
    column->addWidget(table, 1);
    auto* buttons = new QDialogButtonBox(QDialogButtonBox::Cancel, this);
    auto* use = buttons->addButton(tr("Conform"), QDialogButtonBox::AcceptRole);
    use->setObjectName(QStringLiteral("conform-accept"));
    use->setDefault(true);
    connect(buttons, &QDialogButtonBox::accepted, this, &QDialog::accept);
    connect(buttons, &QDialogButtonBox::rejected, this, &QDialog::reject);
    column->addWidget(buttons);
}

Project ConformSheet::project() const
{
    Project project = conformed_.project;
    std::vector<Strike>& waiting = project.shots.front().trimmed;
    for (const auto& [index, list] : fates_) {
        const ConformedStrike& strike = conformed_.strikes[index];
        const bool deleted = list->currentIndex() == list->count() - 1;
        if (list->currentIndex() == 0)
            continue;
        const auto held =
            std::find_if(waiting.begin(), waiting.end(), [&](const Strike& s) { return s.id == strike.id; });
        if (held == waiting.end())
            continue;
        if (!deleted) {
            held->frame = Frame{strike.from};
            project.strikes.push_back(*held);
        }
        waiting.erase(held);
    }
    project.sortStrikes();
    return project;
}

} // namespace ember::app
