// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <memory>
#include <vector>

#include <QWidget>

#include "dialogs.h"
#include "ember/film/output_presets.h"
#include "file_drag.h"
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

/// Where, what and how to render, how far it is, and what is to be rendered next. Each render is of the project as it
/// was when it was asked for; films of the same frames of one project that wait together are rendered in one pass.
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
        RenderFile file;
        RenderOptions options;
        State state = State::waiting;
        bool alone = false; ///< in one pass with others it could not be begun

        /// Whether one pass can make both.
        bool goesWith(const Entry& other) const;
    };
    void suggest();
    void addSize(double share); ///< of the project's
    QString whyNot() const;     ///< why nothing can be rendered; empty when it can
    /// What kind of film the path asks for, by its ending.
    void followPath();
    /// Puts what the panel says into the queue.
    void enqueue();
    void enqueue(Project project, const QString& out, const RenderOptions& options);
    bool waiting(const QString& out) const; ///< a film of this name is in the queue and not begun
    void beginNext();
    void showQueue();
    void removeSelected();
    void showState();
    void follow(const RenderProgress& progress);
    void finish(const std::vector<RenderOutcome>& outcomes, bool begun);
    /// What became of one, said; the state is then this text.
    QString tell(Entry& entry, const RenderOutcome& outcome);
    /// What the panel says, as a preset of this name.
    OutputPreset preset(const QString& name) const;
    void takePreset(const OutputPreset& preset);
    void savePreset();
    void removePreset();
    void offerPresets();
    QString extension() const;
    /// The coders and depths that go into a kind of film, the chosen ones where they do.
    void offerForms(std::optional<FilmFormat> format);
    Coder coder() const;
    ColourSpace colour() const; ///< of the film

    Session& session_;
    Dialogs& dialogs_;
    QLineEdit* path_;
    QComboBox* presetName_;
    QPushButton* savePreset_;
    QPushButton* removePreset_;
    QComboBox* format_;
    QComboBox* range_;
    ValueField* first_;
    ValueField* last_;
    QComboBox* size_;
    QCheckBox* replace_;
    QPushButton* start_;
    QPushButton* later_;
    QPushButton* cancel_;
    QProgressBar* bar_;
    QLabel* state_;
    QString saidReason_; ///< why it cannot be rendered, as it was said last
    QComboBox* version_;
    QComboBox* quality_;
    QComboBox* depth_;
    QComboBox* coder_;
    QCheckBox* resume_;
    FileListWidget* list_;
    QPushButton* remove_;
    std::unique_ptr<RenderJob> job_;
    std::vector<Entry> queue_;
    std::vector<std::size_t> current_; ///< of the queue, while they are running
    OutputPresets presets_;
};

} // namespace ember::app
