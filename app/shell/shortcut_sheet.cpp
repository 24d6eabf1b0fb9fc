// SPDX-License-Identifier: GPL-3.0-or-later
#include "shortcut_sheet.h"

#include <QAction>
#include <QDialogButtonBox>
#include <QHeaderView>
#include <QKeyEvent>
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
      usual_(new QPushButton(tr("Default"), this)), says_(dimLabel({}, this))
{
    setWindowTitle(tr("Shortcuts"));
    resize(560, 520);
    auto* column = new QVBoxLayout(this);
    words_->setObjectName(QStringLiteral("shortcut-words"));
    words_->setAccessibleName(tr("Words of the action"));
    words_->setPlaceholderText(tr("Words of the action"));
    connect(words_, &QLineEdit::textChanged, this, &ShortcutSheet::fill);
    column->addWidget(words_);
    table_->setObjectName(QStringLiteral("shortcut-table"));
    table_->setAccessibleName(tr("Shortcuts"));
    if (auto* editor = keys_->findChild<QLineEdit*>())
        editor->setAccessibleName(tr("Keys"));
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
    keys_->setToolTip(tr("Click here and press the keys; Escape takes them back"));
    keys_->installEventFilter(this);
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
    QString says;
    if (listed == nullptr)
        why = tr("Choose an action first");
    else if (wanted.isEmpty())
        why = tr("Click the field and press the keys it should have");
    else if (other != nullptr)
        says = tr("%1 are the keys of “%2”. Take over gives them to this action; that one has none then.")
                   .arg(wanted.toString(QKeySequence::NativeText), other->path);
    set_->setText(other != nullptr ? tr("Take over") : tr("Set"));
    allow(set_, why);
    says_->setText(why.isEmpty() ? says : why);
    const QKeySequence usual = listed != nullptr ? usualShortcut(*listed->action) : QKeySequence();
    allow(usual_, listed == nullptr                     ? tr("Choose an action first")
                  : listed->action->shortcut() == usual ? tr("It has its default keys")
                                                        : QString());
}

void ShortcutSheet::set(const QKeySequence& keys)
{
    const ListedAction* listed = chosen();
    if (listed == nullptr)
        return;
    const ListedAction* other = ownerOf(actions_, keys, listed->action);
    if (other != nullptr)
        setShortcut(*other, {});
    setShortcut(*listed, keys);
    for (int row = 0; row < table_->rowCount(); ++row) {
        const auto at = static_cast<std::size_t>(table_->item(row, 0)->data(Qt::UserRole).toInt());
        table_->item(row, 1)->setText(actions_[at].action->shortcut().toString(QKeySequence::NativeText));
    }
    keys_->clear();
    const QString text = keys.toString(QKeySequence::NativeText);
    says_->setText(keys.isEmpty() ? tr("“%1” has no keys now").arg(listed->path)
                   : other != nullptr ? tr("%1 now does “%2”; “%3” has no keys").arg(text, listed->path, other->path)
                                      : tr("%1 now does “%2”").arg(text, listed->path));
}

bool ShortcutSheet::eventFilter(QObject* watched, QEvent* event)
{
    if (watched == keys_ && event->type() == QEvent::KeyPress) {
        const auto* press = static_cast<QKeyEvent*>(event);
        if (press->key() == Qt::Key_Escape && press->modifiers() == Qt::NoModifier) {
            // Escape is not for recording: it takes back what was pressed, then closes.
            if (keys_->keySequence().isEmpty())
                accept();
            else
                keys_->clear();
            return true;
        }
    }
    return QDialog::eventFilter(watched, event);
}

} // namespace ember::app
