// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <vector>

#include <QKeySequence>
#include <QString>

class QAction;
class QMenuBar;

namespace ember::app {

/// An action of the menus.
struct ListedAction {
    QAction* action;
    QString id;   ///< what its shortcut is kept by, in every language and version: "strike.new-variation"
    QString path; ///< "Strike: New variation"
};
/// Every action of a menu needs one.
void setActionId(QAction& action, const QString& id);
/// All that can be done by a menu, in their order.
std::vector<ListedAction> actionsOf(const QMenuBar& bar);

/// How well typed words fit a path, 0 for not at all: every word must be in it, at the beginning of a word best.
int fitOf(const QString& typed, const QString& path);

/// Shortcuts as the person has set them; until then the program's own, which are what the actions have when this is
/// first called for them.
void restoreShortcuts(const std::vector<ListedAction>& actions);
QKeySequence usualShortcut(const QAction& action);
void setShortcut(const ListedAction& listed, const QKeySequence& keys);
/// The other action that has these keys; null when they are free.
const ListedAction* ownerOf(const std::vector<ListedAction>& actions, const QKeySequence& keys, const QAction* but);
/// All of them as a page of the guide (Markdown).
QString shortcutPage(const std::vector<ListedAction>& actions);

} // namespace ember::app
