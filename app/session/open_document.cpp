// SPDX-License-Identifier: GPL-3.0-or-later
#include "open_document.h"

#include "ember/core/timecode.h"
#include "ember/film/film_reader.h"
#include "messages.h"

namespace ember::app {

Change Change::between(const Project& before, const Project& after)
{
    const auto soundsDiffer = [&] {
        if (before.recipes.size() != after.recipes.size())
            return true;
        for (std::size_t i = 0; i < after.recipes.size(); ++i)
            if (before.recipes[i].sound != after.recipes[i].sound)
                return true;
        return false;
    };
    Change change;
    change.film = !sameFilm(before, after);
    const bool strikes = before.strikes != after.strikes || before.recipes != after.recipes;
    change.files =
        before.shots != after.shots || before.layers != after.layers || before.sound != after.sound || soundsDiffer();
    change.sound = change.film || before.sound != after.sound || strikes || before.master != after.master;
    change.layers = before.layers != after.layers;
    change.finish = before.finish != after.finish;
    change.motion = change.film || strikes || before.shots != after.shots || before.world != after.world ||
                    before.overlap != after.overlap || before.groups != after.groups ||
                    before.settles != after.settles || before.drift != after.drift || before.master != after.master ||
                    before.gentle != after.gentle;
    return change;
}

OpenDocument::OpenDocument(Messages& messages)
    : messages_(messages), motion_(std::make_shared<const Motion>(document_.project()))
{
}

void OpenDocument::tell(const Project& before)
{
    motion_ = std::make_shared<const Motion>(project());
    survey_.update(project(), *motion_);
    const Change change = Change::between(before, project());
    emit edited(before, change);
    emit changed(change);
    emit settled(before);
}

QString OpenDocument::timecode(std::int64_t frame) const
{
    return QString::fromStdString(timecodeOf(frame, project().clock, project().rate));
}

std::optional<double> OpenDocument::frameOf(const QString& name) const
{
    const auto frame = ember::frameOf(name.toStdString(), project().clock, project().rate);
    return frame ? std::optional(static_cast<double>(*frame)) : std::nullopt;
}

bool OpenDocument::edit(const Edit& edit, const QString& result, Gesture gesture)
{
    return this->edit(edit(project()), result, gesture);
}

bool OpenDocument::edit(Project next, const QString& result, Gesture gesture)
{
    const auto before = snapshot();
    if (!document_.edit(std::move(next), result.toStdString(), gesture))
        return false;
    tell(*before);
    emit messages_.told(result);
    return true;
}

bool OpenDocument::abandon(Gesture gesture)
{
    const auto before = snapshot();
    if (!document_.abandon(gesture))
        return false;
    tell(*before);
    return true;
}

void OpenDocument::undo()
{
    if (!document_.canUndo())
        return;
    const QString what = QString::fromStdString(document_.undoText());
    const auto before = snapshot();
    document_.undo();
    tell(*before);
    emit wentBack(*before);
    emit messages_.told(tr("Undone: %1").arg(what));
}

void OpenDocument::redo()
{
    if (!document_.canRedo())
        return;
    const auto before = snapshot();
    document_.redo();
    tell(*before);
    emit wentBack(*before);
    emit messages_.told(tr("Redone: %1").arg(QString::fromStdString(document_.undoText())));
}

void OpenDocument::markSaved()
{
    document_.markSaved();
    emit savedChanged();
}

void OpenDocument::replace(Document document)
{
    document_ = std::move(document);
    motion_ = std::make_shared<const Motion>(project());
    survey_.update(project(), *motion_);
    emit replaced();
}

void OpenDocument::showAgain()
{
    emit changed({});
}

} // namespace ember::app
