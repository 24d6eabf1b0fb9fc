// SPDX-License-Identifier: GPL-3.0-or-later
#include "takes.h"

#include "ember/film/film_reader.h"

namespace ember::app {

Takes::Takes(OpenDocument& document, ProjectFile& file, Messages& messages, QObject* parent)
    : QObject(parent), document_(document), file_(file), messages_(messages)
{
    connect(&file_, &ProjectFile::opened, this, [this] {
        // A clip found again is the same project; another project has takes of its own.
        for (auto& take : takes_)
            if (take != nullptr && take->project->firstClip() != document_.project().firstClip())
                take = nullptr;
        emit changed();
    });
}

int Takes::current() const
{
    for (int i = 0; i < 2; ++i)
        if (const auto kept = take(i); kept != nullptr && *kept->project == document_.project())
            return i;
    return -1;
}

int Takes::other() const
{
    const int now = current();
    if (now >= 0 && take(1 - now) != nullptr)
        return 1 - now;
    for (int i = 0; i < 2; ++i)
        if (i != now && take(i) != nullptr)
            return i;
    return -1;
}

bool Takes::comparable() const
{
    const int which = other();
    return which >= 0 && sameFrames(*take(which)->project, document_.project());
}

void Takes::keep(int which)
{
    const auto project = document_.snapshot();
    if (project->shots.empty())
        return;
    Motion motion(*project);
    Survey survey;
    survey.update(*project, motion);
    takes_[static_cast<std::size_t>(which)] =
        std::make_shared<const Take>(Take{project, std::move(motion), survey.cover()});
    emit messages_.told(tr("Kept as take %1").arg(name(which)));
    emit changed();
}

void Takes::swap()
{
    const int to = other();
    if (to < 0) {
        emit messages_.told(current() >= 0
                                ? tr("This is take %1; keep another first").arg(name(current()))
                                : tr("Nothing kept yet: keep this as take A, change something, keep it as B"));
        return;
    }
    document_.edit(*take(to)->project, tr("Take %1").arg(name(to)));
    emit changed();
}

} // namespace ember::app
