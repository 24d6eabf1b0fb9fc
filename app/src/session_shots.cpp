// SPDX-License-Identifier: GPL-3.0-or-later
// What the session does with shots.
#include <cmath>

#include <QCoreApplication>
#include <QFileInfo>
#include <QPointer>

#include "background.h"
#include "ember/film/new_project.h"
#include "preferences.h"
#include "session.h"

namespace ember::app {

void Session::goToShot(ShotId id, bool last)
{
    if (const auto place = project().placeOfShot(id))
        setPlayhead(last ? place->end - 1 : place->first);
}

void Session::lookAt(const QString& path, std::function<void(const ClipInfo&)> then)
{
    const QPointer<Session> self(this);
    ClipOptions options;
    options.sequenceRate = project().rate;
    emit told(tr("Looking at %1").arg(QFileInfo(path).fileName()));
    inBackground([self, path, options, then = std::move(then), film = openings_] {
        const auto clip = ClipReader::open(path.toStdString(), options);
        const QString wrong = clip ? QString() : QString::fromStdString(sentence(clip.error()));
        const ClipInfo info = clip ? clip.value()->info() : ClipInfo();
        QMetaObject::invokeMethod(QCoreApplication::instance(), [self, film, wrong, info, then] {
            Session* session = self.data();
            if (session == nullptr || session->openings_ != film) // another film was opened meanwhile
                return;
            if (wrong.isEmpty())
                then(info);
            else
                emit session->trouble(wrong);
        });
    });
}

void Session::addClip(const QString& path)
{
    if (length() == 0) {
        open(path);
        return;
    }
    lookAt(path, [this, path](const ClipInfo& info) {
        Shot shot = shotOf(info, project().rate);
        if (shot.still)
            shot.length = std::max<std::int64_t>(1, std::llround(2 * project().rate.perSecond()));
        known_[{shot.clip, shot.still}] = info;
        const auto here = shotHere();
        auto [next, id] = withShotAdded(project(), std::move(shot), here ? here->index + 1 : project().shots.size());
        edit(std::move(next), tr("%1 added").arg(QFileInfo(path).fileName()));
        goToShot(id);
    });
}

void Session::replaceClip(const QString& path)
{
    const auto here = shotHere();
    if (!here)
        return;
    const ShotId id = project().shots[here->index].id;
    lookAt(path, [this, path, id](const ClipInfo& info) {
        const Shot found = shotOf(info, project().rate);
        known_[{found.clip, found.still}] = info;
        edit(withClipReplaced(project(), id, found), tr("%1 in place of the clip").arg(QFileInfo(path).fileName()));
    });
}

void Session::addGap()
{
    const auto here = shotHere();
    if (!here)
        return;
    Shot gap;
    gap.length = std::max<std::int64_t>(1, std::llround(project().rate.perSecond()));
    auto [next, id] = withShotAdded(project(), std::move(gap), here->index + 1);
    edit(std::move(next), tr("A gap of a second added"));
    goToShot(id);
}

void Session::splitHere()
{
    const auto here = shotHere();
    if (!here || here->first == playhead_) {
        emit told(tr("A shot begins here already: go to where it is to be split"));
        return;
    }
    edit(withShotsSplit(project(), {playhead_}), tr("Split at frame %1").arg(playhead_));
}

void Session::removeShot()
{
    const auto here = shotHere();
    if (!here)
        return;
    if (project().shots.size() == 1) {
        emit told(tr("It is the only shot; close the project instead"));
        return;
    }
    edit(withoutShot(project(), project().shots[here->index].id), tr("Shot %1 deleted").arg(here->index + 1));
}

void Session::moveShot(int by)
{
    const auto here = shotHere();
    if (!here)
        return;
    const auto to = static_cast<std::int64_t>(here->index) + by;
    if (to < 0 || to >= static_cast<std::int64_t>(project().shots.size())) {
        emit told(by < 0 ? tr("It is the first shot") : tr("It is the last shot"));
        return;
    }
    const ShotId id = project().shots[here->index].id;
    const std::int64_t within = playhead_ - here->first;
    edit(withShotMoved(project(), id, static_cast<std::size_t>(to)), tr("Now shot %1").arg(to + 1));
    if (const auto place = project().placeOfShot(id))
        setPlayhead(place->first + within);
}

void Session::trimHere(bool in)
{
    const auto here = shotHere();
    if (!here)
        return;
    const ShotId id = project().shots[here->index].id;
    if (in)
        edit(withInTrimmed(project(), id, playhead_ - here->first), tr("Shot %1 begins here").arg(here->index + 1));
    else
        edit(withOutTrimmed(project(), id, playhead_ + 1 - here->end), tr("Shot %1 ends here").arg(here->index + 1));
    goToShot(id, !in);
}

void Session::strikeOnCut()
{
    const auto cut = nearestCut(project(), Frame{playhead_});
    if (!cut) {
        emit told(tr("There is no cut: add a clip or split the film first"));
        return;
    }
    auto [next, id] = withCutStrike(project(), *cut);
    edit(std::move(next), tr("The cut on frame %1 is thrown").arg(*cut));
    select({id});
    setPlayhead(*cut);
}

void Session::setGoesWith(GoesWith what, Document::Gesture gesture)
{
    Project next = withStrikesChanged(project(), selection_, [what](Strike& s) { s.pinned = what == GoesWith::film; });
    if (what == GoesWith::cut && project().cuts().empty()) {
        emit told(tr("There is no cut to go with"));
        return;
    }
    next = withStrikesOnCut(std::move(next), selection_, what == GoesWith::cut);
    edit(std::move(next),
         what == GoesWith::shot   ? tr("Goes with its shot")
         : what == GoesWith::film ? tr("Pinned to the film")
                                  : tr("Goes with the cut"),
         gesture);
    if (const Strike* strike = selectedStrike(); strike != nullptr && what == GoesWith::cut)
        setPlayhead(strike->frame.index);
}

/// A strike that waits with the shot here, taken from `next`; nothing where there is none.
std::optional<Strike> Session::takeWaiting(Project& next, std::size_t index) const
{
    const auto here = shotHere();
    if (!here || index >= next.shots[here->index].trimmed.size())
        return std::nullopt;
    auto& waiting = next.shots[here->index].trimmed;
    Strike strike = std::move(waiting[index]);
    waiting.erase(waiting.begin() + static_cast<std::ptrdiff_t>(index));
    return strike;
}

void Session::placeWaiting(std::size_t index)
{
    Project next = project();
    auto strike = takeWaiting(next, index);
    if (!strike)
        return;
    strike->frame = Frame{playhead_};
    const StrikeId id = strike->id;
    const QString what = tr("%1 put on frame %2").arg(strikeTitle(*strike)).arg(playhead_);
    next.strikes.push_back(std::move(*strike));
    next.sortStrikes();
    edit(std::move(next), what);
    select({id});
}

void Session::deleteWaiting(std::size_t index)
{
    Project next = project();
    if (takeWaiting(next, index))
        edit(std::move(next), tr("Waiting strike deleted"));
}

} // namespace ember::app
