// SPDX-License-Identifier: GPL-3.0-or-later
#include "render_job.h"
#include "text.h"

namespace ember::app {

RenderJob::RenderJob(Project project, QString out, RenderOptions options, QObject* parent)
    : QObject(parent), project_(std::move(project)), out_(std::move(out)), options_(std::move(options))
{
    qRegisterMetaType<ember::RenderProgress>();
}

void RenderJob::start()
{
    const auto work = [this](const Progress& go) {
        return renderFilm(project_, out_.toStdString(), options_, [&](const RenderProgress& progress) {
            emit progressed(progress);
            return go(static_cast<double>(progress.done) /
                      static_cast<double>(std::max<std::int64_t>(1, progress.total)));
        });
    };
    task_.begin(work, [this](const Result<Phrase>& result) {
        if (result)
            emit finished(true, false, said(result.value()));
        else
            emit finished(false, result.error().code == ErrorCode::cancelled, said(result.error()));
    });
}

} // namespace ember::app
