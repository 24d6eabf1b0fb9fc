// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QObject>
#include <QString>

#include "ember/film/render_film.h"
#include "task.h"

namespace ember::app {

/// One render on a thread of its own, of the project as it was when it was asked for.
class RenderJob : public QObject {
    Q_OBJECT
public:
    RenderJob(Project project, QString out, RenderOptions options, QObject* parent = nullptr);

    void start();
    void cancel() { task_.stop(); }

signals:
    void progressed(const ember::RenderProgress& progress);
    /// `text`: what to tell; `cancelled` is not an error.
    void finished(bool ok, bool cancelled, const QString& text);

private:
    const Project project_;
    const QString out_;
    const RenderOptions options_;
    Task task_; ///< goes first: it waits
};

} // namespace ember::app

Q_DECLARE_METATYPE(ember::RenderProgress)
