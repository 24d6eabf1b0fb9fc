// SPDX-License-Identifier: GPL-3.0-or-later
#include "strike_commands.h"

#include <algorithm>
#include <cmath>
#include <memory>

#include <QClipboard>
#include <QGuiApplication>
#include <QMimeData>
#include <QUuid>

#include "busy.h"
#include "ember/core/values.h"
#include "ember/film/film_reader.h"
#include "ember/film/follow_point.h"
#include "ember/project/bake.h"
#include "ember/project/curve_edits.h"
#include "ember/project/film_edits.h"
#include "messages.h"
#include "open_document.h"
#include "playhead.h"
#include "selection.h"
#include "shaping.h"
#include "text.h"
#include "words.h"

namespace ember::app {

namespace {

/// Beside the text on the clipboard: which project the strikes are of.
const QString homeType = QStringLiteral("application/x-vast-ember-project");

} // namespace

StrikeCommands::StrikeCommands(OpenDocument& document, Selection& selection, Playhead& playhead, Shaping& shaping,
                               Messages& messages, Busy& busy)
    : document_(document), selection_(selection), playhead_(playhead), shaping_(shaping), messages_(messages),
      busy_(busy)
{
    forgetHome();
}

void StrikeCommands::put(StrikeKind kind)
{
    if (document_.length() == 0) {
        emit messages_.told(tr("Open a clip first: a strike needs a frame to stand on"));
        return;
    }
    lastKind_ = kind;
    auto [next, id] = withStrike(document_.project(), Frame{playhead_.frame()}, kind, 1.0);
    document_.edit(std::move(next), tr("%1 put on frame %2").arg(kindTitle(kind)).arg(playhead_.frame()));
    selection_.set({id});
}

void StrikeCommands::remove()
{
    if (selection_.empty())
        return;
    const auto count = selection_.size();
    document_.edit(withoutStrikes(document_.project(), selection_.ids()),
                   count == 1 ? tr("Strike deleted") : tr("%1 strikes deleted").arg(count));
}

void StrikeCommands::duplicate()
{
    if (selection_.empty())
        return;
    // Copies go to the playhead when it stands elsewhere, else half a second on.
    std::int64_t first = document_.length();
    for (const StrikeId id : selection_.ids())
        if (const Strike* strike = document_.project().strike(id))
            first = std::min(first, strike->frame.index);
    const auto shift = playhead_.frame() != first
                           ? playhead_.frame() - first
                           : std::max<std::int64_t>(1, std::llround(document_.project().rate.perSecond() / 2));
    auto [next, ids] = withStrikesDuplicated(document_.project(), selection_.ids(), shift);
    const auto count = ids.size();
    document_.edit(std::move(next), count == 1 ? tr("Strike duplicated") : tr("%1 strikes duplicated").arg(count));
    selection_.set(std::move(ids));
}

void StrikeCommands::nudge(std::int64_t frames)
{
    if (selection_.empty())
        return;
    document_.edit(withStrikesMoved(document_.project(), selection_.ids(), frames),
                   tr("Strike moved by %1 frame").arg(frames));
    if (const Strike* strike = selection_.strike())
        emit messages_.told(tr("Strike moved to frame %1").arg(strike->frame.index));
}

void StrikeCommands::scaleStrengths(double factor)
{
    document_.edit(withStrikesChanged(document_.project(), selection_.ids(),
                                      [factor](Strike& s) {
                                          s.strength = clampTo(strikefield::strength,
                                                               std::round(100 * s.strength * factor) / 100);
                                      }),
                   tr("%1 strikes at %2 % of their strength").arg(selection_.size()).arg(std::lround(100 * factor)));
}

void StrikeCommands::scaleLength(double factor)
{
    if (selection_.empty())
        return;
    document_.edit(withLengthsScaled(document_.project(), selection_.ids(), factor, shaping_.scope()),
                   tr("%1 % as long, with the same peak").arg(std::lround(100 * factor)));
}

std::int64_t StrikeCommands::halfASecond() const
{
    return std::max<std::int64_t>(1, std::llround(document_.project().rate.perSecond() / 2));
}

void StrikeCommands::forgetHome()
{
    home_ = QUuid::createUuid().toByteArray();
}

void StrikeCommands::copy()
{
    const Project copied = copyOfStrikes(document_.project(), selection_.ids());
    if (copied.strikes.empty())
        return;
    auto data = std::make_unique<QMimeData>();
    data->setText(toQString(copyToText(copied)));
    data->setData(homeType, home_);
    QGuiApplication::clipboard()->setMimeData(data.release());
    const auto count = copied.strikes.size();
    emit messages_.told(count == 1 ? tr("%1 copied, with its recipe").arg(strikeTitle(copied.strikes.front()))
                                   : tr("%1 strikes copied, with their recipes").arg(count));
}

void StrikeCommands::cut()
{
    copy();
    remove();
}

std::optional<std::pair<Project, CopiedFrom>> StrikeCommands::copied() const
{
    const QMimeData* data = QGuiApplication::clipboard()->mimeData();
    auto copy = copyFromText(data == nullptr ? std::string() : data->text().toStdString());
    if (!copy) {
        emit messages_.told(said(copy.error()));
        return std::nullopt;
    }
    const bool here = data->data(homeType) == home_;
    return std::pair(std::move(copy).value(), here ? CopiedFrom::here : CopiedFrom::elsewhere);
}

void StrikeCommands::paste()
{
    if (document_.length() == 0) {
        emit messages_.told(tr("Open a clip first: a strike needs a frame to stand on"));
        return;
    }
    const auto copy = copied();
    if (!copy)
        return;
    // Not onto the one it was copied from, which would only be twice as strong: half a second on, as a duplicate goes.
    const auto& strikes = document_.project().strikes;
    const bool taken = copy->second == CopiedFrom::here &&
                       std::any_of(strikes.begin(), strikes.end(),
                                   [&](const Strike& strike) { return strike.frame.index == playhead_.frame(); });
    const std::int64_t at = playhead_.frame() + (taken ? halfASecond() : 0);
    StrikesPasted pasted = withStrikesPasted(document_.project(), copy->first, Frame{at}, copy->second);
    if (pasted.ids.empty()) {
        emit messages_.told(tr("A strike stands here already: go to another frame and paste"));
        return;
    }
    QStringList told{pasted.ids.size() == 1 ? tr("Strike pasted") : tr("%1 strikes pasted").arg(pasted.ids.size())};
    for (const std::string& name : pasted.recipes)
        told.append(tr("recipe %1 added").arg(toQString(name)));
    if (pasted.past > 0)
        told.append(tr("%1 past the end of the film left out").arg(pasted.past));
    document_.edit(std::move(pasted.project), told.join(QStringLiteral(", ")));
    selection_.set(std::move(pasted.ids));
}

void StrikeCommands::pasteValues()
{
    if (selection_.empty())
        return;
    const auto copy = copied();
    if (!copy)
        return;
    StrikesPasted pasted = withValuesPasted(document_.project(), selection_.ids(), copy->first, copy->second);
    document_.edit(
        std::move(pasted.project),
        tr("Values of %1 pasted to %2 strikes").arg(strikeTitle(copy->first.strikes.front())).arg(pasted.ids.size()));
}

void StrikeCommands::newVariation()
{
    const auto free = std::any_of(selection_.ids().begin(), selection_.ids().end(), [this](StrikeId id) {
        return document_.project().strike(id) && !document_.project().strike(id)->locked;
    });
    if (!selection_.empty() && !free)
        emit messages_.told(tr("The variation is locked; unlock it to try another"));
    document_.edit(withNewVariation(document_.project(), selection_.ids()), tr("New variation"));
}

void StrikeCommands::toggleLocked()
{
    if (selection_.empty())
        return;
    const Strike* first = document_.project().strike(selection_.ids().front());
    const bool lock = first != nullptr && !first->locked;
    document_.edit(withStrikesChanged(document_.project(), selection_.ids(), [lock](Strike& s) { s.locked = lock; }),
                   lock ? tr("Variation locked") : tr("Variation unlocked"));
}

void StrikeCommands::toggleBypass()
{
    Project next = document_.project();
    next.master.bypass = !next.master.bypass;
    const bool off = next.master.bypass;
    document_.edit(std::move(next), off ? tr("All shakes bypassed") : tr("Shakes are felt again"));
}

void StrikeCommands::endOneHere(SettleMode mode)
{
    const Strike* strike = selection_.strike();
    if (strike == nullptr || playhead_.frame() <= selection_.feltStrike()->frame.index) {
        emit messages_.told(strike == nullptr ? tr("Select one strike to end it alone")
                                              : tr("Go to a frame after the strike to end it there"));
        return;
    }
    SettleMark mark = easeHomeAt(document_.project(), Frame{playhead_.frame()});
    mark.mode = mode;
    mark.strike = strike->id;
    document_.edit(withSettle(document_.project(), mark),
                   mode == SettleMode::cut
                       ? tr("%1 ends on frame %2").arg(strikeTitle(*strike)).arg(playhead_.frame())
                       : tr("%1 is eased home from frame %2").arg(strikeTitle(*strike)).arg(playhead_.frame()));
}

void StrikeCommands::followPivot()
{
    const Strike* strike = selection_.feltStrike();
    const Recipe* recipe = strike != nullptr ? shaping_.felt() : nullptr;
    if (recipe == nullptr || document_.length() == 0) {
        emit messages_.told(tr("Select one strike to follow its pivot"));
        return;
    }
    constexpr std::int64_t longest = 480;
    const auto before = document_.snapshot();
    const StrikeId id = selection_.ids().front();
    const std::int64_t first = strike->frame.index;
    const auto last =
        static_cast<std::int64_t>(std::ceil(static_cast<double>(first) + shaping_.envelopeInFilm().end()));
    const std::int64_t count = std::min({longest, last - first + 1, document_.length() - first});
    const Pivot pivot = recipe->pivot;
    const double pace = recipe->playRate;
    const ShapeScope scope = shaping_.scope();
    const auto work = [before, first, count, pivot](const Progress& progress) -> Result<FollowedPoint> {
        auto film = openFilm(*before);
        if (!film)
            return film.error();
        return followPoint(*film.value(), first, count, pivot.x, pivot.y, progress);
    };
    busy_.begin(tr("Following the pivot"), work, [this, id, pace, scope, count](Result<FollowedPoint> followed) {
        if (!followed) {
            emit messages_.told(said(followed.error()));
            return;
        }
        const auto edit = [&](Project project) {
            project =
                withRecipeValue(std::move(project), {id}, "pivot", static_cast<double>(Pivot::At::followed), scope);
            project = withCurve(std::move(project), {id}, "pivot_x", scaledKeys(followed->x, pace, 1), scope);
            return withCurve(std::move(project), {id}, "pivot_y", scaledKeys(followed->y, pace, 1), scope);
        };
        document_.edit(OpenDocument::Edit(edit),
                       followed->lost == 0
                           ? tr("The pivot was followed over %1 frames").arg(count)
                           : tr("The pivot was followed over %1 frames; on %2 it was not found and goes on as before")
                                 .arg(count)
                                 .arg(followed->lost));
    });
}

void StrikeCommands::settleHere(SettleMode mode)
{
    if (document_.length() == 0)
        return;
    SettleMark mark = easeHomeAt(document_.project(), Frame{playhead_.frame()});
    mark.mode = mode;
    document_.edit(withSettle(document_.project(), mark),
                   mode == SettleMode::cut ? tr("Shakes end on frame %1").arg(playhead_.frame())
                                           : tr("Shakes eased home from frame %1").arg(playhead_.frame()));
}

void StrikeCommands::goTo(int direction)
{
    const auto& strikes = document_.project().strikes;
    const Strike* found = nullptr;
    for (const Strike& strike : strikes) {
        if (direction > 0 && strike.frame.index > playhead_.frame()) {
            found = &strike;
            break;
        }
        if (direction < 0 && strike.frame.index < playhead_.frame())
            found = &strike;
    }
    if (found == nullptr) {
        emit messages_.told(direction > 0 ? tr("No strike after this frame") : tr("No strike before this frame"));
        return;
    }
    const auto frame = found->frame.index;
    selection_.set({found->id});
    playhead_.setFrame(frame);
}

void StrikeCommands::bake(const Bake& what)
{
    const auto before = document_.snapshot();
    const auto work = [before, what](const Progress& progress) { return what(*before, progress); };
    busy_.begin(tr("Making keys"), work, [this, before, what](Result<Baked> baked) {
        if (before != document_.snapshot())
            return bake(what);
        if (!baked) {
            emit messages_.told(said(baked.error()));
            return;
        }
        Baked& made = baked.value();
        document_.edit(std::move(made.project), tr("%1 keys, off by %2 px and %3° at most")
                                                    .arg(made.keys)
                                                    .arg(made.pixelsOff, 0, 'f', 2)
                                                    .arg(made.degreesOff, 0, 'f', 3));
    });
}

void StrikeCommands::bakeStrike(bool everyFrame)
{
    if (const Strike* strike = selection_.strike())
        bake([id = strike->id, everyFrame](const Project& project, const Progress& progress) {
            return withStrikeBaked(project, id, {.everyFrame = everyFrame}, progress);
        });
    else
        emit messages_.told(tr("Select one strike to turn its motion into keys"));
}

void StrikeCommands::bakeStrand(StrikeId strike, std::size_t strand)
{
    bake([strike, strand](const Project& project, const Progress& progress) {
        return withStrandBaked(project, strike, strand, {}, progress);
    });
}

void StrikeCommands::bakeFilm(bool everyFrame)
{
    bake([everyFrame](const Project& project, const Progress& progress) {
        return withFilmBaked(project, {.everyFrame = everyFrame}, progress);
    });
}

} // namespace ember::app
