// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>

#include <QWidget>

#include "dialogs.h"
#include "live_runner.h"

class QLabel;
class QLineEdit;
class QPushButton;

namespace ember::app {

/// What comes in to the live bench by OSC and goes out from it; off until it is switched on.
class LiveOutside : public QWidget {
    Q_OBJECT
public:
    LiveOutside(LiveRunner& runner, const Dialogs& dialogs, QWidget* parent = nullptr);
    void showCounts();

signals:
    void said(const QString& text);

private:
    void refresh();
    void switchListening(bool on);
    void switchSending(bool on);
    std::optional<OscAddress> confirmedAddress(const QLineEdit& field, const QString& question);

    LiveRunner* runner_;
    const Dialogs dialogs_;
    QPushButton* listen_ = nullptr;
    QLineEdit* listenAt_ = nullptr;
    QPushButton* send_ = nullptr;
    QLineEdit* sendTo_ = nullptr;
    QLabel* counts_ = nullptr;
};

} // namespace ember::app
