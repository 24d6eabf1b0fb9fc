// SPDX-License-Identifier: GPL-3.0-or-later
// What the session does with strikes.
#include <algorithm>
#include <cmath>

#include "session.h"

namespace ember::app {

// --- strikes ---

void Session::putStrike(StrikeKind kind)
{
    if (length() == 0) {
        emit told(tr("Open a clip first: a strike needs a frame to stand on"));
        return;
    }
    lastKind_ = kind;
    auto [next, id] = withStrike(project(), Frame{playhead_}, kind, 1.0);
    edit(std::move(next), tr("%1 put on frame %2").arg(kindTitle(kind)).arg(playhead_));
    select({id});
}

void Session::deleteSelected()
{
    if (selection_.empty())
        return;
    const auto count = selection_.size();
    edit(withoutStrikes(project(), selection_),
         count == 1 ? tr("Strike deleted") : tr("%1 strikes deleted").arg(count));
}

void Session::duplicateSelected()
{
    if (selection_.empty())
        return;
    // Copies go to the playhead when it stands elsewhere, else half a second on.
    std::int64_t first = length();
    for (const StrikeId id : selection_)
        if (const Strike* strike = project().strike(id))
            first = std::min(first, strike->frame.index);
    const auto shift = playhead_ != first ? playhead_ - first
                                          : std::max<std::int64_t>(1, std::llround(project().rate.perSecond() / 2));
    auto [next, ids] = withStrikesDuplicated(project(), selection_, shift);
    const auto count = ids.size();
    edit(std::move(next), count == 1 ? tr("Strike duplicated") : tr("%1 strikes duplicated").arg(count));
    select(std::move(ids));
}

void Session::nudgeSelected(std::int64_t frames)
{
    if (selection_.empty())
        return;
    edit(withStrikesMoved(project(), selection_, frames), tr("Strike moved by %1 frame").arg(frames));
    if (const Strike* strike = selectedStrike())
        emit told(tr("Strike moved to frame %1").arg(strike->frame.index));
}

void Session::scaleStrengths(double factor)
{
    edit(withStrikesChanged(project(), selection_,
                            [factor](Strike& s) {
                                s.strength =
                                    clampTo(strikefield::strength, std::round(100 * s.strength * factor) / 100);
                            }),
         tr("%1 strikes at %2 % of their strength").arg(selection_.size()).arg(std::lround(100 * factor)));
}

void Session::scaleLength(double factor)
{
    if (selection_.empty())
        return;
    edit(withLengthsScaled(project(), selection_, factor, scope_),
         tr("%1 % as long, with the same peak").arg(std::lround(100 * factor)));
}

void Session::copyValues()
{
    const Strike* strike = selection_.empty() ? nullptr : project().strike(selection_.front());
    if (strike == nullptr)
        return;
    copied_ = *strike;
    emit told(tr("Values of %1 copied: select others and paste").arg(strikeTitle(*strike)));
}

void Session::pasteValues()
{
    if (!copied_ || project().recipe(copied_->recipe) == nullptr) {
        emit told(tr("Copy the values of a strike first (Ctrl+C)"));
        return;
    }
    edit(withStrikesChanged(project(), selection_,
                            [this](Strike& s) {
                                s.kind = copied_->kind;
                                s.strength = copied_->strength;
                                s.direction = copied_->direction;
                                s.recipe = copied_->recipe;
                                s.group = project().group(copied_->group) != nullptr ? copied_->group : std::string();
                                s.overrides = copied_->overrides;
                            }),
         tr("Values of %1 pasted to %2 strikes").arg(strikeTitle(*copied_)).arg(selection_.size()));
}

void Session::newVariation()
{
    const auto free = std::any_of(selection_.begin(), selection_.end(), [this](StrikeId id) {
        return project().strike(id) && !project().strike(id)->locked;
    });
    if (!selection_.empty() && !free)
        emit told(tr("The variation is locked; unlock it to try another"));
    edit(withNewVariation(project(), selection_), tr("New variation"));
}

void Session::toggleLocked()
{
    if (selection_.empty())
        return;
    const Strike* first = project().strike(selection_.front());
    const bool lock = first != nullptr && !first->locked;
    edit(withStrikesChanged(project(), selection_, [lock](Strike& s) { s.locked = lock; }),
         lock ? tr("Variation locked") : tr("Variation unlocked"));
}

void Session::toggleBypass()
{
    Project next = project();
    next.master.bypass = !next.master.bypass;
    const bool off = next.master.bypass;
    edit(std::move(next), off ? tr("All shakes bypassed") : tr("Shakes are felt again"));
}

void Session::settleHere(SettleMode mode)
{
    if (length() == 0)
        return;
    SettleMark mark = easeHomeAt(project(), Frame{playhead_});
    mark.mode = mode;
    edit(withSettle(project(), mark), mode == SettleMode::cut ? tr("Shakes end on frame %1").arg(playhead_)
                                                              : tr("Shakes eased home from frame %1").arg(playhead_));
}

// --- motion as keys ---

void Session::takeBaked(Result<Baked> baked)
{
    if (!baked.ok()) {
        emit told(QString::fromStdString(sentence(baked.error())));
        return;
    }
    edit(std::move(baked.value().project), tr("%1 keys, off by %2 px and %3° at most")
                                               .arg(baked.value().keys)
                                               .arg(baked.value().pixelsOff, 0, 'f', 2)
                                               .arg(baked.value().degreesOff, 0, 'f', 3));
}

void Session::bakeStrike(bool everyFrame)
{
    if (const Strike* strike = selectedStrike())
        takeBaked(withStrikeBaked(project(), strike->id, {.everyFrame = everyFrame}));
    else
        emit told(tr("Select one strike to turn its motion into keys"));
}

void Session::bakeStrand(StrikeId strike, std::size_t strand)
{
    takeBaked(withStrandBaked(project(), strike, strand, {}));
}

void Session::bakeFilm(bool everyFrame)
{
    takeBaked(withFilmBaked(project(), {.everyFrame = everyFrame}));
}

} // namespace ember::app
