// SPDX-License-Identifier: GPL-3.0-or-later
#include "render_job.h"

#include <new>

namespace ember::app {

RenderJob::RenderJob(Project project, QString out, RenderOptions options, QObject* parent)
    : QObject(parent), project_(std::move(project)), out_(std::move(out)), options_(std::move(options))
{
    qRegisterMetaType<ember::RenderProgress>();
}

void RenderJob::start()
{
    thread_ = std::thread([this] {
        Result<std::string> result = noMemory();
        try {
            result = renderFilm(project_, out_.toStdString(), options_, [this](const RenderProgress& progress) {
                emit progressed(progress);
                return !stop_;
            });
        } catch (const std::bad_alloc&) { // said like any other trouble
        }
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
    if (thread_.joinable())
        thread_.join();
}

} // namespace ember::app
