// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <memory>

#include <QWidget>

#include "dialogs.h"
#include "render_job.h"
#include "session.h"

class QCheckBox;
class QComboBox;
class QLabel;
class QLineEdit;
class QProgressBar;
class QPushButton;

namespace ember::app {

class ValueField;

/// Where, what and how to render, and how far it is.
class RenderPanel : public QWidget {
    Q_OBJECT
public:
    RenderPanel(Session& session, Dialogs& dialogs, QWidget* parent = nullptr);

    bool running() const { return job_ != nullptr; }
    void cancel();

signals:
    void closed();

private:
    void suggest();
    void start();
    void showState();
    void follow(const RenderProgress& progress);
    void finish(bool ok, bool cancelled, const QString& text);
    QString extension() const;

    Session& session_;
    Dialogs& dialogs_;
    QLineEdit* path_;
    QComboBox* format_;
    QComboBox* range_;
    ValueField* first_;
    ValueField* last_;
    QComboBox* size_;
    QCheckBox* replace_;
    QPushButton* start_;
    QPushButton* cancel_;
    QProgressBar* bar_;
    QLabel* state_;
    std::unique_ptr<RenderJob> job_;
    QString out_;
};

} // namespace ember::app
