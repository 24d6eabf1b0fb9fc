// SPDX-License-Identifier: GPL-3.0-or-later
#include "shortcut_sheet.h"

#include <QAction>
#include <QDialogButtonBox>
#include <QHeaderView>
#include <QKeySequenceEdit>
#include <QLabel>
#include <QLineEdit>
#include <QPushButton>
#include <QTableWidget>
#include <QVBoxLayout>

#include "value_control.h"

namespace ember::app {

ShortcutSheet::ShortcutSheet(std::vector<ListedAction> actions, QWidget* parent)
    : QDialog(parent), actions_(std::move(actions)), words_(new QLineEdit(this)), table_(new QTableWidget(this)),
      keys_(new QKeySequenceEdit(this)), set_(new QPushButton(tr("Set"), this)),
      usual_(new QPushButton(tr("Usual"), this)), says_(dimLabel({}, this))
{
    setWindowTitle(tr("Shortcuts"));
    resize(560, 520);
    auto* column = new QVBoxLayout(this);
    words_->setObjectName(QStringLiteral("shortcut-words"));
    words_->setPlaceholderText(tr("Words of the action"));
    connect(words_, &QLineEdit::textChanged, this, &ShortcutSheet::fill);
    column->addWidget(words_);
    table_->setObjectName(QStringLiteral("shortcut-table"));
    table_->setColumnCount(2);
    table_->setHorizontalHeaderLabels({tr("Action"), tr("Keys")});
    table_->horizontalHeader()->setSectionResizeMode(0, QHeaderView::Stretch);
    table_->verticalHeader()->hide();
    table_->setSelectionBehavior(QAbstractItemView::SelectRows);
    table_->setSelectionMode(QAbstractItemView::SingleSelection);
    table_->setEditTriggers(QAbstractItemView::NoEditTriggers);
    connect(table_, &QTableWidget::itemSelectionChanged, this, &ShortcutSheet::refresh);
    column->addWidget(table_, 1);
    auto* row = new QHBoxLayout;
    keys_->setObjectName(QStringLiteral("shortcut-keys"));
    keys_->setToolTip(tr("Click here and press the keys"));
    row->addWidget(keys_, 1);
    set_->setObjectName(QStringLiteral("shortcut-set"));
    set_->setToolTip(tr("These keys do the chosen action"));
    set_->setAutoDefault(false);
    row->addWidget(set_);
    auto* none = new QPushButton(tr("None"), this);
    none->setObjectName(QStringLiteral("shortcut-none"));
    none->setToolTip(tr("No keys for the chosen action"));
    none->setAutoDefault(false);
    row->addWidget(none);
    usual_->setObjectName(QStringLiteral("shortcut-usual"));
    usual_->setAutoDefault(false);
    row->addWidget(usual_);
    column->addLayout(row);
    says_->setObjectName(QStringLiteral("shortcut-says"));
    says_->setWordWrap(true);
    column->addWidget(says_);
    auto* buttons = new QDialogButtonBox(QDialogButtonBox::Close, this);
    connect(buttons, &QDialogButtonBox::rejected, this, &QDialog::accept);
    column->addWidget(buttons);
    connect(keys_, &QKeySequenceEdit::keySequenceChanged, this, &ShortcutSheet::refresh);
    connect(set_, &QPushButton::clicked, this, [this] { set(keys_->keySequence()); });
    connect(none, &QPushButton::clicked, this, [this] { set({}); });
    connect(usual_, &QPushButton::clicked, this, [this] {
        if (const ListedAction* listed = chosen())
            set(usualShortcut(*listed->action));
    });
    fill();
}

const ListedAction* ShortcutSheet::chosen() const
{
    const QTableWidgetItem* item = table_->item(table_->currentRow(), 0);
    return item != nullptr ? &actions_[static_cast<std::size_t>(item->data(Qt::UserRole).toInt())] : nullptr;
}

void ShortcutSheet::fill()
{
    table_->setRowCount(0);
    for (std::size_t i = 0; i < actions_.size(); ++i) {
        if (fitOf(words_->text(), actions_[i].path) == 0)
            continue;
        const int row = table_->rowCount();
        table_->insertRow(row);
        auto* name = new QTableWidgetItem(actions_[i].path);
        name->setData(Qt::UserRole, static_cast<int>(i));
        table_->setItem(row, 0, name);
        table_->setItem(row, 1,
                        new QTableWidgetItem(actions_[i].action->shortcut().toString(QKeySequence::NativeText)));
    }
    if (table_->rowCount() > 0)
        table_->selectRow(0);
    refresh();
}

void ShortcutSheet::refresh()
{
    const ListedAction* listed = chosen();
    const QKeySequence wanted = keys_->keySequence();
    const ListedAction* other = listed != nullptr ? ownerOf(actions_, wanted, listed->action) : nullptr;
    QString why;
    if (listed == nullptr)
        why = tr("Choose an action first");
    else if (wanted.isEmpty())
        why = tr("Click the field and press the keys it should have");
    else if (other != nullptr)
        why = tr("%1 are the keys of “%2”. Give that one others first.")
                  .arg(wanted.toString(QKeySequence::NativeText), other->path);
    allow(set_, why);
    says_->setText(why);
    const QKeySequence usual = listed != nullptr ? usualShortcut(*listed->action) : QKeySequence();
    const ListedAction* taken = listed != nullptr ? ownerOf(actions_, usual, listed->action) : nullptr;
    allow(usual_, listed == nullptr                     ? tr("Choose an action first")
                  : listed->action->shortcut() == usual ? tr("It has its usual keys")
                  : taken != nullptr ? tr("Its usual keys are those of “%1” now").arg(taken->path)
                                     : QString());
}

void ShortcutSheet::set(const QKeySequence& keys)
{
    const ListedAction* listed = chosen();
    if (listed == nullptr || ownerOf(actions_, keys, listed->action) != nullptr)
        return;
    setShortcut(*listed, keys);
    table_->item(table_->currentRow(), 1)->setText(keys.toString(QKeySequence::NativeText));
    keys_->clear();
    says_->setText(keys.isEmpty() ? tr("“%1” has no keys now").arg(listed->path)
                                  : tr("%1 now does “%2”").arg(keys.toString(QKeySequence::NativeText), listed->path));
}

} // namespace ember::app
