// SPDX-License-Identifier: GPL-3.0-or-later
#include "shot_commands.h"

#include <cmath>

#include <QFileInfo>

#include "ember/film/new_project.h"
#include "ember/project/edits.h"
#include "ember/project/shot_edits.h"
#include "film.h"
#include "messages.h"
#include "open_document.h"
#include "playhead.h"
#include "project_file.h"
#include "selection.h"
#include "words.h"

namespace ember::app {

ShotCommands::ShotCommands(OpenDocument& document, Selection& selection, Playhead& playhead, Film& film,
                           ProjectFile& file, Messages& messages)
    : document_(document), selection_(selection), playhead_(playhead), film_(film), file_(file), messages_(messages)
{
}

std::optional<ShotPlace> ShotCommands::shotHere() const
{
    return document_.project().shotAt(Frame{playhead_.frame()});
}

void ShotCommands::goTo(ShotId id, bool last)
{
    if (const auto place = document_.project().placeOfShot(id))
        playhead_.setFrame(last ? place->end - 1 : place->first);
}

void ShotCommands::addClip(const QString& path)
{
    if (document_.length() == 0) {
        file_.open(path);
        return;
    }
    film_.lookAt(path, [this, path](const ClipInfo& info) {
        Shot shot = shotOf(info, document_.project().rate);
        if (shot.still)
            shot.length = std::max<std::int64_t>(1, std::llround(2 * document_.project().rate.perSecond()));
        film_.learn(shot, info);
        const auto here = shotHere();
        auto [next, id] = withShotAdded(document_.project(), std::move(shot),
                                        here ? here->index + 1 : document_.project().shots.size());
        document_.edit(std::move(next), tr("%1 added").arg(QFileInfo(path).fileName()));
        goTo(id);
    });
}

void ShotCommands::replaceClip(const QString& path)
{
    const auto here = shotHere();
    if (!here)
        return;
    const ShotId id = document_.project().shots[here->index].id;
    film_.lookAt(path, [this, path, id](const ClipInfo& info) {
        const Shot found = shotOf(info, document_.project().rate);
        film_.learn(found, info);
        document_.edit(withClipReplaced(document_.project(), id, found),
                       tr("%1 in place of the clip").arg(QFileInfo(path).fileName()));
    });
}

void ShotCommands::addGap()
{
    const auto here = shotHere();
    if (!here)
        return;
    Shot gap;
    gap.length = std::max<std::int64_t>(1, std::llround(document_.project().rate.perSecond()));
    auto [next, id] = withShotAdded(document_.project(), std::move(gap), here->index + 1);
    document_.edit(std::move(next), tr("A gap of a second added"));
    goTo(id);
}

void ShotCommands::splitHere()
{
    const auto here = shotHere();
    if (!here || here->first == playhead_.frame()) {
        emit messages_.told(tr("A shot begins here already: go to where it is to be split"));
        return;
    }
    document_.edit(withShotsSplit(document_.project(), {playhead_.frame()}),
                   tr("Split at frame %1").arg(playhead_.frame()));
}

void ShotCommands::remove()
{
    const auto here = shotHere();
    if (!here)
        return;
    if (document_.project().shots.size() == 1) {
        emit messages_.told(tr("It is the only shot; close the project instead"));
        return;
    }
    document_.edit(withoutShot(document_.project(), document_.project().shots[here->index].id),
                   tr("Shot %1 deleted").arg(here->index + 1));
}

void ShotCommands::move(int by)
{
    const auto here = shotHere();
    if (!here)
        return;
    const auto to = static_cast<std::int64_t>(here->index) + by;
    if (to < 0 || to >= static_cast<std::int64_t>(document_.project().shots.size())) {
        emit messages_.told(by < 0 ? tr("It is the first shot") : tr("It is the last shot"));
        return;
    }
    const ShotId id = document_.project().shots[here->index].id;
    const std::int64_t within = playhead_.frame() - here->first;
    document_.edit(withShotMoved(document_.project(), id, static_cast<std::size_t>(to)), tr("Now shot %1").arg(to + 1));
    if (const auto place = document_.project().placeOfShot(id))
        playhead_.setFrame(place->first + within);
}

void ShotCommands::trimHere(bool in)
{
    const auto here = shotHere();
    if (!here)
        return;
    const ShotId id = document_.project().shots[here->index].id;
    if (in)
        document_.edit(withInTrimmed(document_.project(), id, playhead_.frame() - here->first),
                       tr("Shot %1 begins here").arg(here->index + 1));
    else
        document_.edit(withOutTrimmed(document_.project(), id, playhead_.frame() + 1 - here->end),
                       tr("Shot %1 ends here").arg(here->index + 1));
    goTo(id, !in);
}

void ShotCommands::strikeOnCut()
{
    const auto cut = nearestCut(document_.project(), Frame{playhead_.frame()});
    if (!cut) {
        emit messages_.told(tr("There is no cut: add a clip or split the film first"));
        return;
    }
    auto [next, id] = withCutStrike(document_.project(), *cut);
    document_.edit(std::move(next), tr("The cut on frame %1 is thrown").arg(*cut));
    selection_.set({id});
    playhead_.setFrame(*cut);
}

void ShotCommands::setGoesWith(GoesWith what, Document::Gesture gesture)
{
    Project next = withStrikesChanged(document_.project(), selection_.ids(),
                                      [what](Strike& s) { s.pinned = what == GoesWith::film; });
    if (what == GoesWith::cut && document_.project().cuts().empty()) {
        emit messages_.told(tr("There is no cut to go with"));
        return;
    }
    next = withStrikesOnCut(std::move(next), selection_.ids(), what == GoesWith::cut);
    document_.edit(std::move(next),
                   what == GoesWith::shot   ? tr("Goes with its shot")
                   : what == GoesWith::film ? tr("Pinned to the film")
                                            : tr("Goes with the cut"),
                   gesture);
    if (const Strike* strike = selection_.strike(); strike != nullptr && what == GoesWith::cut)
        playhead_.setFrame(strike->frame.index);
}

/// A strike that waits with the shot here, taken from `next`; nothing where there is none.
std::optional<Strike> ShotCommands::takeWaiting(Project& next, std::size_t index) const
{
    const auto here = shotHere();
    if (!here || index >= next.shots[here->index].trimmed.size())
        return std::nullopt;
    auto& waiting = next.shots[here->index].trimmed;
    Strike strike = std::move(waiting[index]);
    waiting.erase(waiting.begin() + static_cast<std::ptrdiff_t>(index));
    return strike;
}

void ShotCommands::placeWaiting(std::size_t index)
{
    Project next = document_.project();
    auto strike = takeWaiting(next, index);
    if (!strike)
        return;
    strike->frame = Frame{playhead_.frame()};
    const StrikeId id = strike->id;
    const QString what = tr("%1 put on frame %2").arg(strikeTitle(*strike)).arg(playhead_.frame());
    next.strikes.push_back(std::move(*strike));
    next.sortStrikes();
    document_.edit(std::move(next), what);
    selection_.set({id});
}

void ShotCommands::deleteWaiting(std::size_t index)
{
    Project next = document_.project();
    if (takeWaiting(next, index))
        document_.edit(std::move(next), tr("Waiting strike deleted"));
}

} // namespace ember::app
