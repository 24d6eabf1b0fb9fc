// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <memory>
#include <vector>

#include <QWidget>

#include "dialogs.h"
#include "render_job.h"
#include "session.h"

class QCheckBox;
class QComboBox;
class QLabel;
class QLineEdit;
class QListWidget;
class QProgressBar;
class QPushButton;

namespace ember::app {

class ValueField;

/// Where, what and how to render, how far it is, and what is to be rendered next. Each render is of the project as it
/// was when it was asked for.
class RenderPanel : public QWidget {
    Q_OBJECT
public:
    RenderPanel(Session& session, Dialogs& dialogs, QWidget* parent = nullptr);

    bool running() const { return job_ != nullptr; }
    /// Stops the one that is running; the next of the queue begins.
    void cancel();
    /// Stops it and forgets those that wait.
    void cancelAll();
    /// Renders as the panel says, or says why it cannot.
    void start();
    /// The focus to the button that renders.
    void takeFocus();

signals:
    void closed();

private:
    enum class State { waiting, running, done, failed };
    struct Entry {
        Project project;
        QString out;
        RenderOptions options;
        State state = State::waiting;
    };
    void suggest();
    QString whyNot() const; ///< why nothing can be rendered; empty when it can
    /// What kind of film the path asks for, by its ending.
    void followPath();
    void enqueue(Project project, const QString& out, const RenderOptions& options);
    void beginNext();
    void showQueue();
    void removeSelected();
    void showState();
    void follow(const RenderProgress& progress);
    void finish(bool ok, bool cancelled, const QString& text);
    QString extension() const;
    /// The coders and depths that go into a kind of film, the chosen ones where they do.
    void offerForms(std::optional<FilmFormat> format);
    Coder coder() const;
    ColourSpace colour() const; ///< of the film

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
    QString saidReason_; ///< why it cannot be rendered, as it was said last
    QComboBox* version_;
    QComboBox* quality_;
    QComboBox* depth_;
    QComboBox* coder_;
    QCheckBox* resume_;
    QListWidget* list_;
    QPushButton* remove_;
    std::unique_ptr<RenderJob> job_;
    std::vector<Entry> queue_;
    std::size_t current_ = 0; ///< of the queue, while one is running
};

} // namespace ember::app
