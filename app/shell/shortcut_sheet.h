// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QDialog>

#include "actions.h"

class QKeySequenceEdit;
class QLabel;
class QLineEdit;
class QPushButton;
class QTableWidget;

namespace ember::app {

/// Every action and its keys, to be changed. What is set is set at once.
class ShortcutSheet : public QDialog {
    Q_OBJECT
public:
    ShortcutSheet(std::vector<ListedAction> actions, QWidget* parent);

protected:
    bool eventFilter(QObject* watched, QEvent* event) override; ///< Escape in the field of keys

private:
    const ListedAction* chosen() const;
    void fill();
    void refresh();
    void set(const QKeySequence& keys);

    std::vector<ListedAction> actions_;
    QLineEdit* words_;
    QTableWidget* table_;
    QKeySequenceEdit* keys_;
    QPushButton* set_;
    QPushButton* usual_;
    QLabel* says_;
};

} // namespace ember::app
