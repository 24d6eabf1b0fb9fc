// SPDX-License-Identifier: GPL-3.0-or-later
#include "action_finder.h"

#include <algorithm>

#include <QAction>
#include <QKeyEvent>
#include <QLineEdit>
#include <QListWidget>
#include <QTimer>

#include "form.h"
#include "input_rules.h"
#include "theme.h"

namespace ember::app {

namespace {
constexpr int wide = 520;
constexpr int mostShown = 12;
constexpr int mostUsed = 8;
} // namespace

ActionFinder::ActionFinder(QWidget* window) : QFrame(window), line_(new QLineEdit(this)), list_(new QListWidget(this))
{
    setObjectName(QStringLiteral("action-finder"));
    setFrameShape(QFrame::StyledPanel);
    theme::fill(*this, theme::Ground::sheet);
    auto* column = newColumn(this, 6, {8, 8, 8, 8});
    line_->setObjectName(QStringLiteral("action-words"));
    line_->setPlaceholderText(tr("What do you want to do?"));
    line_->installEventFilter(this);
    line_->setProperty(ownKeys, true);
    column->addWidget(line_);
    list_->setObjectName(QStringLiteral("action-list"));
    list_->setFocusPolicy(Qt::NoFocus);
    list_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    list_->setFrameShape(QFrame::NoFrame);
    column->addWidget(list_);
    connect(line_, &QLineEdit::textChanged, this, &ActionFinder::fill);
    connect(line_, &QLineEdit::returnPressed, this, &ActionFinder::use);
    connect(list_, &QListWidget::itemClicked, this, &ActionFinder::use);
    hide();
}

void ActionFinder::open(std::vector<ListedAction> actions)
{
    actions_ = std::move(actions);
    line_->clear();
    fill();
    const QWidget* window = parentWidget();
    const int width = std::min(wide, window->width() - 40);
    setGeometry((window->width() - width) / 2, 60, width, line_->sizeHint().height() + 30 + mostShown * 22);
    show();
    raise();
    line_->setFocus();
}

void ActionFinder::fill()
{
    struct Found {
        const ListedAction* listed;
        int fit;
    };
    std::vector<Found> found;
    const QString typed = line_->text();
    for (const ListedAction& listed : actions_) {
        int fit = fitOf(typed, listed.path);
        if (fit == 0)
            continue;
        if (const auto used = used_.indexOf(listed.id); used >= 0)
            fit += static_cast<int>(typed.isEmpty() ? 100 - used : 1);
        found.push_back({&listed, fit});
    }
    std::stable_sort(found.begin(), found.end(), [](const Found& a, const Found& b) { return a.fit > b.fit; });
    list_->clear();
    for (const Found& one : found) {
        const QAction& action = *one.listed->action;
        const QString keys = action.shortcut().toString(QKeySequence::NativeText);
        auto* item = new QListWidgetItem(keys.isEmpty() ? one.listed->path
                                                        : one.listed->path + QStringLiteral("   ·   ") + keys);
        item->setData(Qt::UserRole, static_cast<int>(one.listed - actions_.data()));
        if (!action.isEnabled()) {
            item->setFlags(Qt::NoItemFlags); // never the one Enter would do
            item->setForeground(theme::faint);
            item->setText(one.listed->path + QStringLiteral("   ·   ") + action.toolTip());
        }
        list_->addItem(item);
    }
    if (found.empty())
        (new QListWidgetItem(tr("No action has these words"), list_))->setFlags(Qt::NoItemFlags);
    list_->setCurrentRow(nextUsable(-1, 1));
}

int ActionFinder::nextUsable(int from, int by) const
{
    const int step = by < 0 ? -1 : 1;
    int found = from;
    for (int row = from + step, left = std::abs(by); row >= 0 && row < list_->count() && left > 0; row += step)
        if ((list_->item(row)->flags() & Qt::ItemIsEnabled) != 0) {
            found = row;
            --left;
        }
    return found;
}

void ActionFinder::use()
{
    const QListWidgetItem* item = list_->currentItem();
    if (item == nullptr || !item->data(Qt::UserRole).isValid())
        return;
    const ListedAction& listed = actions_[static_cast<std::size_t>(item->data(Qt::UserRole).toInt())];
    if (!listed.action->isEnabled())
        return;
    used_.removeAll(listed.id);
    used_.prepend(listed.id);
    while (used_.size() > mostUsed)
        used_.removeLast();
    leave();
    listed.action->trigger();
}

void ActionFinder::leave()
{
    if (!InputRules::giveBack(*this))
        parentWidget()->setFocus();
    hide();
}

bool ActionFinder::eventFilter(QObject* watched, QEvent* event)
{
    if (event->type() == QEvent::FocusOut) {
        hide();
    } else if (event->type() == QEvent::KeyPress || event->type() == QEvent::ShortcutOverride) {
        const int key = static_cast<QKeyEvent*>(event)->key();
        const int by = key == Qt::Key_Up         ? -1
                       : key == Qt::Key_Down     ? 1
                       : key == Qt::Key_PageUp   ? -mostShown
                       : key == Qt::Key_PageDown ? mostShown
                                                 : 0;
        if (by != 0 || key == Qt::Key_Escape) {
            event->accept();
            if (event->type() == QEvent::ShortcutOverride)
                return true;
            if (by == 0)
                leave();
            else
                list_->setCurrentRow(nextUsable(list_->currentRow(), by));
            return true;
        }
    }
    return QFrame::eventFilter(watched, event);
}

} // namespace ember::app
