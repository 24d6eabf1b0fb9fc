// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QTimer>
#include <QWidget>

class QLabel;
class QProgressBar;

namespace ember::app {

class Busy;

/// Shows in the status bar what is waited for, how far it is, and a button that stops it. What is over at once is not
/// shown.
class BusyBar : public QWidget {
    Q_OBJECT
public:
    explicit BusyBar(Busy& busy, QWidget* parent = nullptr);

private:
    void follow();

    Busy& busy_;
    QLabel* doing_;
    QProgressBar* bar_;
    QTimer wait_;
};

} // namespace ember::app
