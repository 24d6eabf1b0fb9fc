// SPDX-License-Identifier: GPL-3.0-or-later
#include "difference_sheet.h"

#include <QDialogButtonBox>
#include <QHeaderView>
#include <QLabel>
#include <QTableWidget>
#include <QVBoxLayout>

namespace ember::app {

DifferenceSheet::DifferenceSheet(const std::vector<Difference>& differences, const QString& first,
                                 const QString& second, QWidget* parent)
    : QDialog(parent)
{
    setWindowTitle(tr("What differs"));
    resize(620, 420);
    auto* column = new QVBoxLayout(this);
    const auto count = differences.size();
    column->addWidget(new QLabel(count == 0   ? tr("%1 and %2 are the same.").arg(first, second)
                                 : count == 1 ? tr("1 value differs between %1 and %2.").arg(first, second)
                                              : tr("%1 values differ between %2 and %3.").arg(count).arg(first, second),
                                 this));
    auto* table = new QTableWidget(static_cast<int>(differences.size()), 3, this);
    table->setObjectName(QStringLiteral("difference-table"));
    table->setHorizontalHeaderLabels({tr("Value"), first, second});
    table->horizontalHeader()->setSectionResizeMode(0, QHeaderView::Stretch);
    table->verticalHeader()->hide();
    table->setEditTriggers(QAbstractItemView::NoEditTriggers);
    for (int i = 0; i < table->rowCount(); ++i) {
        const Difference& one = differences[static_cast<std::size_t>(i)];
        const std::string* cells[] = {&one.where, &one.first, &one.second};
        for (int k = 0; k < 3; ++k) {
            const QString text = QString::fromStdString(*cells[k]);
            table->setItem(i, k, new QTableWidgetItem(text.isEmpty() ? tr("none") : text));
        }
    }
    column->addWidget(table);
    auto* buttons = new QDialogButtonBox(QDialogButtonBox::Close, this);
    connect(buttons, &QDialogButtonBox::rejected, this, &QDialog::accept);
    column->addWidget(buttons);
}

} // namespace ember::app
