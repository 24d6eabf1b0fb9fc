// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <atomic>
#include <thread>

#include <QObject>
#include <QString>

#include "ember/film/render_film.h"

namespace ember::app {

/// One render on a thread of its own, of the project as it was when it was asked for.
class RenderJob : public QObject {
    Q_OBJECT
public:
    RenderJob(Project project, QString out, RenderOptions options, QObject* parent = nullptr);
    ~RenderJob() override; ///< cancels and waits

    /// To be called when whoever wants to know is connected: it may be over at once.
    void start();
    void cancel() { stop_ = true; }

signals:
    void progressed(const ember::RenderProgress& progress);
    /// `text`: what to tell; `cancelled` is not an error.
    void finished(bool ok, bool cancelled, const QString& text);

private:
    const Project project_;
    const QString out_;
    const RenderOptions options_;
    std::atomic<bool> stop_{false};
    std::thread thread_;
};

} // namespace ember::app

Q_DECLARE_METATYPE(ember::RenderProgress)
