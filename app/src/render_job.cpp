// SPDX-License-Identifier: GPL-3.0-or-later
#include "render_job.h"

namespace ember::app {

RenderJob::RenderJob(Project project, QString out, RenderOptions options, QObject* parent) : QObject(parent)
{
    qRegisterMetaType<ember::RenderProgress>();
    thread_ = std::thread([this, project = std::move(project), out = std::move(out), options] {
        const auto result = renderFilm(project, out.toStdString(), options, [this](const RenderProgress& progress) {
            emit progressed(progress);
            return !stop_;
        });
        if (result)
            emit finished(true, false, QString::fromStdString(result.value()));
        else
            emit finished(false, result.error().code == ErrorCode::cancelled,
                          QString::fromStdString(sentence(result.error())));
    });
}

RenderJob::~RenderJob()
{
    cancel();
    thread_.join();
}

} // namespace ember::app
