// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <atomic>
#include <functional>
#include <thread>

#include <QDialog>

class QLabel;
class QProgressBar;

namespace ember::app {

/// Work that takes a while, on a thread of its own, with how far it is and a way to stop it. Accepted when it is done,
/// rejected when it was stopped.
class ProgressDialog : public QDialog {
    Q_OBJECT
public:
    /// `work` is given what it tells its progress, 0 to 1; that returns false when it is to stop. It begins when the
    /// sheet is shown.
    using Tell = std::function<bool(double)>;
    ProgressDialog(const QString& title, const QString& text, std::function<void(const Tell&)> work,
                   QWidget* parent = nullptr);
    ~ProgressDialog() override; ///< stops it and waits
    bool working() const { return thread_.joinable(); }

    void reject() override;

signals:
    void progressed(double share);
    void done();

protected:
    void showEvent(QShowEvent* event) override;

private:
    std::function<void(const Tell&)> work_;
    QLabel* text_;
    QProgressBar* bar_;
    std::atomic<bool> stop_{false};
    std::thread thread_;
};

} // namespace ember::app
