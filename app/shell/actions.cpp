// SPDX-License-Identifier: GPL-3.0-or-later
#include "actions.h"

#include <algorithm>

#include <QAction>
#include <QMenu>
#include <QMenuBar>
#include <QSettings>

namespace ember::app {

namespace {

constexpr const char* usual = "usual-shortcut";
constexpr const char* idOf = "action-id";

QString plain(QString text)
{
    return text.remove(QLatin1Char('&'));
}

void collect(const QMenu& menu, const QString& path, std::vector<ListedAction>& out)
{
    for (QAction* action : menu.actions()) {
        if (action->isSeparator())
            continue;
        // What an action is called first is what it is called here; undo tells what it takes back in its text.
        const QVariant first = action->property("first-text");
        if (!first.isValid())
            action->setProperty("first-text", action->text());
        const QString text = plain(action->property("first-text").toString());
        if (action->menu() == nullptr)
            out.push_back({action, action->property(idOf).toString(), path + text});
        else if (!action->property("unlisted").toBool())
            collect(*action->menu(), path + text + QStringLiteral(": "), out);
    }
}

QString settingOf(const QString& id)
{
    return QStringLiteral("shortcuts/") + id;
}

} // namespace

void setActionId(QAction& action, const QString& id)
{
    action.setProperty(idOf, id);
}

std::vector<ListedAction> actionsOf(const QMenuBar& bar)
{
    std::vector<ListedAction> out;
    for (QAction* top : bar.actions())
        if (top->menu() != nullptr)
            collect(*top->menu(), plain(top->text()) + QStringLiteral(": "), out);
    return out;
}

int fitOf(const QString& typed, const QString& path)
{
    const QString text = path.toLower();
    int fit = 1;
    for (const QString& word : typed.toLower().split(QLatin1Char(' '), Qt::SkipEmptyParts)) {
        int best = 0;
        for (qsizetype at = text.indexOf(word); at >= 0; at = text.indexOf(word, at + 1)) {
            const bool begins = at == 0 || !text[at - 1].isLetterOrNumber();
            const bool whole = at + word.size() == text.size() || !text[at + word.size()].isLetterOrNumber();
            best = std::max(best, 1 + (begins ? 4 : 0) + (begins && whole ? 2 : 0));
        }
        if (best == 0)
            return 0;
        fit += best;
    }
    return fit;
}

void restoreShortcuts(const std::vector<ListedAction>& actions)
{
    const QSettings settings;
    for (const ListedAction& listed : actions) {
        if (!listed.action->property(usual).isValid())
            listed.action->setProperty(usual, listed.action->shortcut().toString(QKeySequence::PortableText));
        const QVariant set = settings.value(settingOf(listed.id));
        listed.action->setShortcut(set.isValid() ? QKeySequence::fromString(set.toString(), QKeySequence::PortableText)
                                                 : usualShortcut(*listed.action));
    }
}

QKeySequence usualShortcut(const QAction& action)
{
    return QKeySequence::fromString(action.property(usual).toString(), QKeySequence::PortableText);
}

void setShortcut(const ListedAction& listed, const QKeySequence& keys)
{
    QSettings settings;
    if (keys == usualShortcut(*listed.action))
        settings.remove(settingOf(listed.id));
    else
        settings.setValue(settingOf(listed.id), keys.toString(QKeySequence::PortableText));
    listed.action->setShortcut(keys);
}

const ListedAction* ownerOf(const std::vector<ListedAction>& actions, const QKeySequence& keys, const QAction* but)
{
    if (keys.isEmpty())
        return nullptr;
    const auto found = std::find_if(actions.begin(), actions.end(), [&](const ListedAction& listed) {
        return listed.action != but && listed.action->shortcut() == keys;
    });
    return found != actions.end() ? &*found : nullptr;
}

QString shortcutPage(const std::vector<ListedAction>& actions)
{
    QString page = QStringLiteral("# Shortcuts\n\nMade by the program from its own menus. All can be changed: Edit, "
                                  "Shortcuts. Any action can also be found by its name: press F2.\n");
    QString menu;
    for (const ListedAction& listed : actions) {
        const QKeySequence keys = usualShortcut(*listed.action);
        if (keys.isEmpty())
            continue;
        const qsizetype colon = listed.path.indexOf(QStringLiteral(": "));
        if (listed.path.left(colon) != menu) {
            menu = listed.path.left(colon);
            page += QStringLiteral("\n## %1\n\n| | |\n|---|---|\n").arg(menu);
        }
        page +=
            QStringLiteral("| %1 | %2 |\n").arg(listed.path.mid(colon + 2), keys.toString(QKeySequence::PortableText));
    }
    page += QStringLiteral("\n## By hand\n\n| | |\n|---|---|\n"
                           "| see the frame unshaken | hold C |\n"
                           "| a value | drag it, turn the wheel, arrow keys, Enter to type; Shift for fine steps, "
                           "Ctrl+click for its default |\n"
                           "| the curve editor | arrow keys, Delete, Ctrl+A, Ctrl+C, Ctrl+V, Escape |\n");
    return page;
}

} // namespace ember::app
