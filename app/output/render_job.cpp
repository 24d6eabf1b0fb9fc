// SPDX-License-Identifier: GPL-3.0-or-later
#include "render_job.h"
#include "text.h"

namespace ember::app {

namespace {

RenderOutcome outcomeOf(const Result<Phrase>& result)
{
    if (result)
        return {true, false, said(result.value())};
    return {false, result.error().code == ErrorCode::cancelled, said(result.error())};
}

} // namespace

RenderJob::RenderJob(Project project, std::vector<RenderFile> files, RenderOptions options, QObject* parent)
    : QObject(parent), project_(std::move(project)), files_(std::move(files)), options_(std::move(options))
{
    qRegisterMetaType<ember::RenderProgress>();
}

void RenderJob::start()
{
    using Made = Result<std::vector<Result<Phrase>>>;
    const auto work = [this](const Progress& go) {
        return renderFilms(project_, files_, options_, [&](const RenderProgress& progress) {
            emit progressed(progress);
            return go(static_cast<double>(progress.done) /
                      static_cast<double>(std::max<std::int64_t>(1, progress.total)));
        });
    };
    task_.begin(work, [this](const Made& made) {
        std::vector<RenderOutcome> outcomes;
        for (std::size_t i = 0; i < files_.size(); ++i)
            outcomes.push_back(outcomeOf(made ? made.value()[i] : Result<Phrase>(made.error())));
        emit finished(outcomes, made || outcomes.front().cancelled);
    });
}

} // namespace ember::app
