// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QObject>

class QKeyEvent;
class QWidget;

namespace ember::app {

/// What keys, the wheel and the first press of the mouse do in every window of the program, so that nothing happens
/// that was not meant:
/// - A field, list or table that has the focus keeps the keys it is worked with; no shortcut sees them.
/// - Enter and Space press the button that has the focus. A button that is clicked does not take the focus.
/// - The wheel scrolls; it changes a list or a number only where that has the focus.
/// - Whoever came into a field or list by mouse is sent back to where the work was, when the choice is made.
/// - A press anywhere else ends typing first.
/// "Where the work was" is the widget of the window that had the focus last and is neither field, list nor button.
class InputRules : public QObject {
    Q_OBJECT
public:
    explicit InputRules(QObject* parent = nullptr);

    /// Gives the focus back from a field, list or button to where the work was. False where the window has no such
    /// place; the focus stays then.
    static bool giveBack(const QWidget& from);
    /// Takes what is being typed, where it is valid, and closes its editor: before anything else is done.
    static void finishTyping();
    /// The editor is closed and nothing is taken: what was typed was meant for something that is gone.
    static void cancelTyping();

protected:
    bool eventFilter(QObject* watched, QEvent* event) override;

private:
    static bool keeps(const QWidget& widget, const QKeyEvent& key);
    static bool keyPressed(QWidget& widget, const QKeyEvent& key);
    static void pressed(const QWidget& widget);
    static void focused(QWidget& widget, Qt::FocusReason reason);
    /// A line that is left with what cannot be taken shows again what holds, and says so.
    static void left(QWidget& widget);
};

/// Set on a widget: its keys are its own affair, no rule above applies to them.
inline constexpr const char* ownKeys = "own-keys";
/// Set on a panel with a signal closed(): Escape inside it closes it.
inline constexpr const char* escapeCloses = "escape-closes";
/// Set on a field of a table: Enter leaves the focus on it, so that what is typed next stays in the table.
inline constexpr const char* keepsFocus = "keeps-focus";

} // namespace ember::app
