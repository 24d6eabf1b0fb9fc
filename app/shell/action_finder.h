// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QFrame>

#include "actions.h"

class QLineEdit;
class QListWidget;

namespace ember::app {

/// Any action by its name: type some words of it and press Enter. Lies over the window until it is used or left.
class ActionFinder : public QFrame {
    Q_OBJECT
public:
    explicit ActionFinder(QWidget* window);
    /// Opens with these to choose from; without words the last used come first.
    void open(std::vector<ListedAction> actions);

protected:
    bool eventFilter(QObject* watched, QEvent* event) override; ///< keys of the line that are meant for the list

private:
    void fill();
    void use();
    /// The line goes, and the focus back to where the work was.
    void leave();
    /// The row `by` usable rows on from another, or as near to it as there are; those that are off are passed over.
    int nextUsable(int from, int by) const;

    std::vector<ListedAction> actions_;
    QLineEdit* line_;
    QListWidget* list_;
    QStringList used_; ///< ids, the last first
};

} // namespace ember::app
