// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <memory>
#include <set>
#include <vector>

#include <QObject>
#include <QString>
#include <QTimer>

#include "ember/film/apply_to_clips.h"
#include "task.h"

namespace ember::app {

/// Clips to which a pattern is applied, one after the other, on a thread of its own; those that come into watched
/// folders too.
class ApplyRun : public QObject {
    Q_OBJECT
public:
    enum class State { waiting, running, done, failed, stopped };
    struct Clip {
        std::string path;
        State state = State::waiting;
        ApplyStep step = ApplyStep::finding;
        double share = 0; ///< of the step
        AppliedClip made; ///< when it is done
        QString trouble;  ///< when it failed
    };

    explicit ApplyRun(QObject* parent = nullptr);

    const std::vector<Clip>& clips() const { return clips_; }
    /// Those that are listed already are left. What is added while it runs has its turn, too.
    void add(const std::vector<std::string>& clips);
    /// The clips of a folder, which is also watched when `watch` is on.
    void addFolder(const std::string& folder);
    /// All but the one that is running.
    void remove(const std::set<std::size_t>& rows);

    /// Whether it goes on with what comes into the folders.
    bool watching() const { return watching_; }
    bool running() const { return applier_ != nullptr; }
    bool anyLeft() const; ///< that is not done
    /// What is not done is done. With `watch` it goes on with what comes into the folders until it is stopped.
    void start(Pattern pattern, ApplyOptions options, bool watch);
    void stop();

signals:
    void changed();           ///< clips, or whether it is running
    void progressed(int row); ///< a clip's share

private:
    void next();
    void took(std::size_t row, Result<AppliedClip> made);
    void look();

    std::vector<Clip> clips_;
    std::shared_ptr<std::vector<FolderWatch>> folders_;
    bool watching_ = false;
    bool looking_ = false;
    bool stopping_ = false;
    bool overwrite_ = false;
    std::shared_ptr<PatternApplier> applier_; ///< while it runs
    QTimer again_;                            ///< looks into the folders
    Task task_;                               ///< goes first: it waits
};

} // namespace ember::app
