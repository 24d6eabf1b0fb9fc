// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <functional>

#include <QDialog>

#include "task.h"

class QLabel;
class QProgressBar;

namespace ember::app {

/// Work that takes a while, on a thread of its own, with how far it is and a way to stop it. Accepted when it is done,
/// rejected when it was stopped.
class ProgressDialog : public QDialog {
    Q_OBJECT
public:
    /// It begins when the dialog is shown.
    ProgressDialog(const QString& title, const QString& text, std::function<void(const Progress&)> work,
                   QWidget* parent = nullptr);
    bool working() const { return task_.working(); }

    void reject() override;

protected:
    void showEvent(QShowEvent* event) override;

private:
    std::function<void(const Progress&)> work_;
    QLabel* text_;
    QProgressBar* bar_;
    Task task_; ///< goes first: it waits
};

} // namespace ember::app
