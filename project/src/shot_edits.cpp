// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/project/shot_edits.h"

#include <algorithm>
#include <cmath>
#include <optional>

#include "ember/project/recipe_book.h"
#include "ember/project/shipped_recipes.h"

namespace ember {

namespace {

double clipFrameAt(const Project& project, const ShotPlace& place, Frame frame)
{
    return project.shots[place.index].clipFrame(static_cast<double>(frame.index - place.first));
}

/// The frame of a shot on which its clip's frame is shown, from its first on; may lie outside.
std::int64_t sinceFirst(const Shot& shot, double clipFrame)
{
    return std::llround((clipFrame - shot.in) / shot.speed);
}

bool shows(const Shot& shot, double clipFrame)
{
    const auto since = sinceFirst(shot, clipFrame);
    return since >= 0 && since < shot.length;
}

/// Where things of the old shots are to be found in the new ones.
class Moving {
public:
    Moving(const Project& before, const Project& after) : before_(before), after_(after) {}

    /// The new shot that shows this frame of an old shot's clip: itself, or what was split from it. Where none does,
    /// the old shot as it is now; nothing when it is gone.
    std::optional<std::size_t> shotFor(std::size_t old, double clipFrame) const
    {
        const Shot& from = before_.shots[old];
        const auto own = after_.placeOfShot(from.id);
        if (own && shows(after_.shots[own->index], clipFrame))
            return own->index;
        for (std::size_t i = 0; i < after_.shots.size(); ++i)
            if (const Shot& to = after_.shots[i];
                !before_.placeOfShot(to.id) && to.clip == from.clip && to.still == from.still && shows(to, clipFrame))
                return i;
        return own ? std::optional(own->index) : std::nullopt;
    }
    /// Where the shot that begins at an old cut begins now, or the next one that is left.
    std::optional<Frame> cutFor(std::size_t old) const
    {
        for (std::size_t i = old; i < before_.shots.size(); ++i)
            if (const auto place = after_.placeOfShot(before_.shots[i].id))
                return Frame{place->first};
        return std::nullopt;
    }

private:
    const Project& before_;
    const Project& after_;
};

/// A new list of shots, with this done to the one of an identity.
template <typename Change>
Project withShotChanged(const Project& project, ShotId id, Change&& change)
{
    std::vector<Shot> shots = project.shots;
    for (Shot& shot : shots)
        if (shot.id == id)
            change(shot);
    return withShots(project, std::move(shots));
}

} // namespace

Project withShots(Project project, std::vector<Shot> shots)
{
    const Project before = project;
    project.shots = std::move(shots);
    for (Shot& shot : project.shots)
        if (shot.id == 0) {
            std::int64_t id = 0;
            for (const Shot& other : project.shots)
                id = std::max(id, other.id);
            for (const Shot& other : before.shots)
                id = std::max(id, other.id);
            shot.id = id + 1;
        }
    const Moving moving(before, project);

    std::vector<Strike> strikes;
    for (Strike strike : project.strikes) {
        const auto place = before.shotAt(strike.frame);
        if (strike.pinned || !place) {
            strikes.push_back(std::move(strike));
            continue;
        }
        if (strike.onCut && place->first == strike.frame.index) {
            if (const auto frame = moving.cutFor(place->index)) {
                strike.frame = *frame;
                strikes.push_back(std::move(strike));
            }
            continue;
        }
        const double at = clipFrameAt(before, *place, strike.frame);
        const auto to = moving.shotFor(place->index, at);
        if (!to)
            continue;
        Shot& shot = project.shots[*to];
        if (shows(shot, at)) {
            strike.frame = Frame{project.placeOf(*to).first + sinceFirst(shot, at)};
            strikes.push_back(std::move(strike));
        } else {
            strike.frame = Frame{std::llround(at)};
            shot.trimmed.push_back(std::move(strike));
        }
    }
    project.strikes = std::move(strikes);
    // What was trimmed away and is shown again.
    for (std::size_t i = 0; i < project.shots.size(); ++i)
        std::erase_if(project.shots[i].trimmed, [&](const Strike& strike) {
            const Shot& shot = project.shots[i];
            const auto at = static_cast<double>(strike.frame.index);
            if (!shows(shot, at))
                return false;
            project.strikes.push_back(strike);
            project.strikes.back().frame = Frame{project.placeOf(i).first + sinceFirst(shot, at)};
            return true;
        });
    project.sortStrikes();

    std::vector<SettleMark> settles;
    for (SettleMark mark : project.settles) {
        if (const auto place = before.shotAt(mark.frame)) {
            const double at = clipFrameAt(before, *place, mark.frame);
            const auto to = moving.shotFor(place->index, at);
            if (!to)
                continue;
            const Shot& shot = project.shots[*to];
            mark.frame =
                Frame{project.placeOf(*to).first + std::clamp<std::int64_t>(sinceFirst(shot, at), 0, shot.length - 1)};
        }
        settles.push_back(mark);
    }
    std::stable_sort(settles.begin(), settles.end(),
                     [](const SettleMark& a, const SettleMark& b) { return a.frame < b.frame; });
    settles.erase(std::unique(settles.begin(), settles.end(),
                              [](const SettleMark& a, const SettleMark& b) { return inOnePlace(a, b); }),
                  settles.end());
    project.settles = std::move(settles);
    return project;
}

ShotAdded withShotAdded(const Project& project, Shot shot, std::size_t index)
{
    Project next = project;
    const ShotId id = next.addShot(std::move(shot), index);
    return {withShots(project, std::move(next.shots)), id};
}

Project withoutShot(const Project& project, ShotId id)
{
    std::vector<Shot> shots = project.shots;
    std::erase_if(shots, [id](const Shot& shot) { return shot.id == id; });
    return withShots(project, std::move(shots));
}

Project withShotMoved(const Project& project, ShotId id, std::size_t index)
{
    const auto place = project.placeOfShot(id);
    if (!place)
        return project;
    std::vector<Shot> shots = project.shots;
    Shot shot = std::move(shots[place->index]);
    shots.erase(shots.begin() + static_cast<std::ptrdiff_t>(place->index));
    shots.insert(shots.begin() + static_cast<std::ptrdiff_t>(std::min(index, shots.size())), std::move(shot));
    return withShots(project, std::move(shots));
}

Project withInTrimmed(const Project& project, ShotId id, std::int64_t frames)
{
    return withShotChanged(project, id, [frames](Shot& shot) {
        const bool ends = shot.available > 0; // a still and a gap have nothing before their in
        const std::int64_t least = ends ? -static_cast<std::int64_t>(std::floor(shot.in / shot.speed + 1e-6))
                                        : -(shot.longest() - shot.length);
        const auto by = std::clamp(frames, least, shot.length - 1);
        if (ends)
            shot.in = std::max(0.0, shot.clipFrame(static_cast<double>(by)));
        shot.length -= by;
    });
}

Project withOutTrimmed(const Project& project, ShotId id, std::int64_t frames)
{
    return withShotChanged(project, id, [frames](Shot& shot) {
        shot.length = std::clamp<std::int64_t>(shot.length + frames, 1, std::max(shot.length, shot.longest()));
    });
}

Project withShotsSplit(const Project& project, const std::vector<std::int64_t>& frames)
{
    Project next = project;
    for (const std::int64_t frame : frames) {
        const auto place = next.shotAt(Frame{frame});
        if (!place || place->first == frame)
            continue;
        const auto head = frame - place->first;
        Shot tail = next.shots[place->index];
        if (tail.available > 0)
            tail.in = tail.clipFrame(static_cast<double>(head));
        tail.length -= head;
        tail.trimmed.clear(); // they wait with the first part
        next.shots[place->index].length = head;
        next.addShot(std::move(tail), place->index + 1);
    }
    return withShots(project, std::move(next.shots));
}

Project withShotSpeed(const Project& project, ShotId id, double speed)
{
    speed = clampTo(shotfield::speed, speed);
    return withShotChanged(project, id, [speed](Shot& shot) {
        if (shot.available == 0)
            return; // nothing in it moves
        const double shown = static_cast<double>(shot.length) * shot.speed;
        shot.speed = speed;
        shot.length = std::clamp<std::int64_t>(std::llround(shown / speed), 1, shot.longest());
    });
}

Project withClipReplaced(const Project& project, ShotId id, const Shot& found)
{
    return withShotChanged(project, id, [&](Shot& shot) {
        shot.clip = found.clip;
        shot.still = found.still;
        shot.available = found.available;
        shot.format = found.format;
        if (found.available > 0) {
            shot.in = std::min(shot.in, static_cast<double>(found.available - 1));
        } else { // nothing in it moves
            shot.in = 0;
            shot.speed = 1;
        }
        shot.length = std::min(shot.length, shot.longest());
    });
}

Project withClipFound(Project project, const std::string& missing, const Shot& found)
{
    if (project.shots.empty())
        project.addShot(found);
    for (Shot& shot : project.shots)
        if (missing.empty() ? &shot == &project.shots.front() : shot.clip == missing) {
            shot.clip = found.clip;
            shot.still = found.still;
            shot.format = found.format;
            // It may go on further than it was known to; never less far than it is used.
            if (shot.still) {
                shot.in = 0;
                shot.speed = 1;
                shot.available = 0;
            } else {
                shot.available = std::max(shot.available, found.available);
            }
        }
    return project;
}

StrikeAdded withCutStrike(Project project, std::int64_t cut)
{
    for (const Strike& strike : project.strikes)
        if (strike.onCut && strike.frame.index == cut)
            return {project, strike.id};
    Strike strike;
    strike.frame = Frame{cut};
    strike.onCut = true;
    strike.direction = 180; // the next picture arrives from the left
    strike.seed = freshSeed(project);
    if (const Recipe* known = project.recipeNamed(cutRecipeName()))
        strike.recipe = known->id;
    else
        strike.recipe = project.addRecipe(recipeFor(*entryNamed(shippedRecipes(), cutRecipeName()), project));
    const StrikeId id = project.addStrike(std::move(strike));
    return {std::move(project), id};
}

Project withStrikesOnCut(Project project, const std::vector<StrikeId>& ids, bool on)
{
    for (const StrikeId id : ids)
        if (Strike* strike = project.strike(id)) {
            const auto cut = nearestCut(project, strike->frame);
            strike->onCut = on && cut.has_value();
            if (strike->onCut)
                strike->frame = Frame{*cut};
        }
    project.sortStrikes();
    return project;
}

std::optional<std::int64_t> nearestCut(const Project& project, Frame frame)
{
    const auto cuts = project.cuts();
    const auto nearest = std::min_element(cuts.begin(), cuts.end(), [frame](std::int64_t a, std::int64_t b) {
        return std::abs(a - frame.index) < std::abs(b - frame.index);
    });
    return nearest == cuts.end() ? std::nullopt : std::optional(*nearest);
}

std::vector<MoveKey> filmMove(const Project& project)
{
    std::vector<MoveKey> keys;
    for (std::size_t i = 0; i < project.shots.size(); ++i)
        for (MoveKey key : project.shots[i].move)
            if (const auto at = static_cast<double>(key.frame.index); shows(project.shots[i], at)) {
                key.frame = Frame{project.placeOf(i).first + sinceFirst(project.shots[i], at)};
                keys.push_back(key);
            }
    return keys;
}

Project withFilmMove(Project project, const std::vector<MoveKey>& keys)
{
    for (Shot& shot : project.shots)
        std::erase_if(shot.move, [&](const MoveKey& key) { return shows(shot, static_cast<double>(key.frame.index)); });
    for (MoveKey key : keys) {
        auto place = project.shotAt(key.frame);
        if (!place && !project.shots.empty()) // past the end it belongs to the last
            place = project.placeOf(project.shots.size() - 1);
        if (!place)
            continue;
        auto& move = project.shots[place->index].move;
        key.frame = Frame{std::llround(clipFrameAt(project, *place, key.frame))};
        std::erase_if(move, [&](const MoveKey& other) { return other.frame == key.frame; });
        move.insert(std::upper_bound(move.begin(), move.end(), key,
                                     [](const MoveKey& a, const MoveKey& b) { return a.frame < b.frame; }),
                    key);
    }
    return project;
}

namespace {

/// A shot of a copy of the project's, and the clip's frame that it shows on one of the film's.
struct ShotOn {
    std::vector<Shot> shots;
    Shot* shot = nullptr;
    Frame clipFrame;

    ShotOn(const Project& project, ShotId id, Frame frame) : shots(project.shots)
    {
        const auto place = project.placeOfShot(id);
        if (!place || shots[place->index].gap())
            return;
        shot = &shots[place->index];
        const double at = shot->clipFrame(static_cast<double>(frame.index - place->first));
        clipFrame = Frame{std::max<std::int64_t>(0, std::llround(at))};
    }
    /// The key that is on show there: the last one that is not later, else the first.
    FramingKey* key()
    {
        auto& keys = shot->framing.keys;
        const auto after = std::upper_bound(keys.begin(), keys.end(), clipFrame,
                                            [](Frame f, const FramingKey& key) { return f < key.frame; });
        return keys.empty() ? nullptr : after == keys.begin() ? &keys.front() : &*(after - 1);
    }
};

} // namespace

Framing framingOn(const Project& project, ShotId id, Frame frame)
{
    const ShotOn here(project, id, frame);
    return here.shot == nullptr ? Framing() : framingAt(here.shot->framing, static_cast<double>(here.clipFrame.index));
}

Project withFramingKey(const Project& project, ShotId id, Frame frame, const Framing& values)
{
    ShotOn here(project, id, frame);
    if (here.shot == nullptr)
        return project;
    Framing& framing = here.shot->framing;
    framing.how = Framing::How::place;
    FramingKey key{here.clipFrame, values.x, values.y, values.size};
    if (const FramingKey* before = here.key())
        key.ease = before->ease;
    const auto at = std::lower_bound(framing.keys.begin(), framing.keys.end(), key.frame,
                                     [](const FramingKey& one, Frame f) { return one.frame < f; });
    if (at != framing.keys.end() && at->frame == key.frame)
        *at = key;
    else
        framing.keys.insert(at, key);
    return withShots(project, std::move(here.shots));
}

Project withoutFramingKey(const Project& project, ShotId id, Frame frame)
{
    ShotOn here(project, id, frame);
    if (here.shot == nullptr)
        return project;
    Framing& framing = here.shot->framing;
    if (framing.keys.size() == 1 && framing.keys.front().frame == here.clipFrame)
        framing = framingAt(framing, 0);
    std::erase_if(framing.keys, [&](const FramingKey& key) { return key.frame == here.clipFrame; });
    return withShots(project, std::move(here.shots));
}

Project withFramingEase(const Project& project, ShotId id, Frame frame, Ease ease)
{
    ShotOn here(project, id, frame);
    if (here.shot == nullptr || here.key() == nullptr)
        return project;
    here.key()->ease = ease;
    return withShots(project, std::move(here.shots));
}

std::vector<Frame> framingKeyFrames(const Project& project, ShotId id)
{
    std::vector<Frame> frames;
    const auto place = project.placeOfShot(id);
    if (!place)
        return frames;
    const Shot& shot = project.shots[place->index];
    for (const FramingKey& key : shot.framing.keys) {
        const Frame frame{place->first + std::llround((static_cast<double>(key.frame.index) - shot.in) / shot.speed)};
        if (frame.index >= place->first && frame.index < place->end)
            frames.push_back(frame);
    }
    return frames;
}

} // namespace ember
