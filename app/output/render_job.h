// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <vector>

#include <QObject>
#include <QString>

#include "ember/film/render_film.h"
#include "task.h"

namespace ember::app {

/// What became of one film of a render. `text`: what to tell; being cancelled is not an error.
struct RenderOutcome {
    bool ok = false;
    bool cancelled = false;
    QString text;
};

/// One render, of one film or several, on a thread of its own, of the project as it was when it was asked for.
class RenderJob : public QObject {
    Q_OBJECT
public:
    RenderJob(Project project, std::vector<RenderFile> files, RenderOptions options, QObject* parent = nullptr);

    void start();
    void cancel() { task_.stop(); }

signals:
    void progressed(const ember::RenderProgress& progress);
    /// An outcome for each of the files; `begun`: false where something stood in the way of making any of them.
    void finished(const std::vector<ember::app::RenderOutcome>& outcomes, bool begun);

private:
    const Project project_;
    const std::vector<RenderFile> files_;
    const RenderOptions options_;
    Task task_; ///< goes first: it waits
};

} // namespace ember::app

Q_DECLARE_METATYPE(ember::RenderProgress)
