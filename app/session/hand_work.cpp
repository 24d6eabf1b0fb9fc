// SPDX-License-Identifier: GPL-3.0-or-later
#include "hand_work.h"

#include <algorithm>
#include <cmath>
#include <set>

#include "ember/core/values.h"
#include "messages.h"
#include "open_document.h"
#include "playhead.h"
#include "selection.h"
#include "shaping.h"
#include "text.h"
#include "words.h"

namespace ember::app {

HandWork::HandWork(OpenDocument& document, Selection& selection, Playhead& playhead, Shaping& shaping,
                   Messages& messages)
    : document_(document), selection_(selection), playhead_(playhead), shaping_(shaping), messages_(messages)
{
    connect(&selection_, &Selection::changed, this, &HandWork::look);
    connect(&document_, &OpenDocument::changed, this, &HandWork::look);
    connect(&document_, &OpenDocument::replaced, this, [this] { setOn(false); });
}

void HandWork::look()
{
    if (on_ && selection_.strike() == nullptr)
        setOn(false);
    else if (on_)
        emit changed();
}

bool HandWork::begin()
{
    if (document_.length() == 0) {
        emit messages_.told(tr("Open a clip first: keys need frames to stand on"));
        return false;
    }
    if (selection_.size() > 1) {
        emit messages_.told(tr("Select one strike to move the picture by hand"));
        return false;
    }
    if (selection_.empty()) { // a strike for nothing else
        Project next = document_.project();
        const Recipe* known = next.recipeNamed(handRecipe().name);
        RecipeId recipe = known != nullptr && handStrand(*known) != nullptr ? known->id : 0;
        if (recipe == 0) {
            RecipeAdded added = withRecipe(std::move(next), handRecipe());
            next = std::move(added.project);
            recipe = added.id;
        }
        auto [made, id] = withStrike(std::move(next), Frame{playhead_.frame()}, StrikeKind::hit, 1.0);
        document_.edit(withRecipeApplied(std::move(made), {id}, recipe), tr("Strike by hand"));
        selection_.set({id});
        shaping_.setScope(ShapeScope::strike);
    }
    const Strike* strike = selection_.strike();
    const Recipe* recipe = strike != nullptr ? document_.project().recipe(strike->recipe) : nullptr;
    if (recipe == nullptr)
        return false;
    if (usersOf(document_.project(), recipe->id) > 1)
        shaping_.setScope(ShapeScope::strike);
    return true;
}

void HandWork::setOn(bool on)
{
    if (on == on_ || (on && !begin()))
        return;
    on_ = on;
    if (on_) {
        if (const Strand* hand = strand())
            shaping_.setOpenStrand(hand->name);
        emit messages_.told(shaping_.scope() == ShapeScope::strike
                                ? tr("By hand, for this strike only: drag the picture, step a frame, drag again")
                                : tr("By hand: drag the picture, step a frame, drag again"));
    }
    emit changed();
}

const Strand* HandWork::strand() const
{
    const Recipe* recipe = selection_.strike() != nullptr ? shaping_.felt() : nullptr;
    return recipe != nullptr ? handStrand(*recipe) : nullptr;
}

double HandWork::keyFrameOf(double filmFrame) const
{
    const Strike* felt = selection_.feltStrike();
    const Recipe* recipe = shaping_.felt();
    if (felt == nullptr || recipe == nullptr)
        return 0;
    return (filmFrame - static_cast<double>(felt->frame.index)) * recipe->playRate;
}

double HandWork::filmFrame(double keyFrame) const
{
    const Strike* felt = selection_.feltStrike();
    const Recipe* recipe = shaping_.felt();
    if (felt == nullptr || recipe == nullptr)
        return 0;
    return static_cast<double>(felt->frame.index) + keyFrame / recipe->playRate;
}

double HandWork::playheadKey() const
{
    return keyFrameOf(static_cast<double>(playhead_.frame()));
}

AxisValues HandWork::movesAt(double keyFrame) const
{
    AxisValues moves;
    const Strand* hand = strand();
    if (hand == nullptr)
        return moves;
    const auto& drawn = std::get<Drawn>(hand->source);
    for (const Axis axis : allAxes)
        moves[axis] = hand->amount[axis] * handValue(drawn.keys[static_cast<std::size_t>(axis)], drawn.home, keyFrame);
    return moves;
}

double HandWork::gain(Axis axis) const
{
    const Strike* felt = selection_.feltStrike();
    const Recipe* recipe = shaping_.felt();
    const Master& master = document_.project().master;
    if (felt == nullptr || recipe == nullptr || !master.moves(axis))
        return 0;
    const bool shifts = axis == Axis::x || axis == Axis::y || axis == Axis::zoom;
    return felt->strength * (shifts ? recipe->position : recipe->rotation) *
           master.intensityAt(static_cast<double>(playhead_.frame()));
}

void HandWork::setMoves(const HandPose& pose, const QString& result, Document::Gesture gesture)
{
    setMovesAt(playheadKey(), pose, result, gesture);
}

void HandWork::setMovesAt(double keyFrame, const HandPose& pose, const QString& result, Document::Gesture gesture)
{
    const Strike* strike = selection_.strike();
    if (!on_ || strike == nullptr)
        return;
    Project next = withHandBegun(document_.project(), strike->id);
    const Strike* there = next.strike(strike->id);
    const Recipe* recipe = next.recipe(there->recipe);
    const Recipe felt = recipe != nullptr ? withOverrides(*recipe, there->overrides) : Recipe();
    const Strand* hand = handStrand(felt);
    if (hand == nullptr)
        return;
    const std::string name = hand->name;
    document_.edit(withHandPose(std::move(next), {strike->id}, name, keyFrame, pose, shaping_.scope()), result,
                   gesture);
    shaping_.setOpenStrand(name);
}

void HandWork::nudge(Axis axis, double by)
{
    const double felt = gain(axis);
    if (felt == 0) {
        emit messages_.told(tr("Nothing of it would be seen: the strength is 0 or this axis is off"));
        return;
    }
    HandPose pose;
    pose.moves[axis] = moves()[axis] + by / felt;
    pose.axis[static_cast<std::size_t>(axis)] = true;
    setMoves(pose, tr("%1 %2").arg(ours(axisName(axis)), axisValueText(axis, pose.moves[axis])), 0);
}

void HandWork::removeHere()
{
    const Strand* hand = strand();
    if (!on_ || hand == nullptr)
        return;
    Project next = document_.project();
    const double here = playheadKey();
    for (const Axis axis : allAxes) {
        CurveKeys keys = movesOf(*hand, axis);
        if (std::erase_if(keys, [here](const CurveKey& key) { return key.frame == here; }) > 0)
            next = withMoves(std::move(next), selection_.ids(), hand->name, axis, std::move(keys), shaping_.scope());
    }
    if (!document_.edit(std::move(next), tr("Keys of this frame deleted")))
        emit messages_.told(tr("This frame has no keys"));
}

std::vector<HandWork::Dot> HandWork::dots() const
{
    std::vector<Dot> found;
    const Strand* hand = strand();
    if (hand == nullptr)
        return found;
    std::set<double> frames;
    for (const Axis axis : {Axis::x, Axis::y})
        for (const CurveKey& key : std::get<Drawn>(hand->source).keys[static_cast<std::size_t>(axis)])
            frames.insert(key.frame);
    for (const double frame : frames)
        found.push_back({frame, filmFrame(frame)});
    return found;
}

HandSpan HandWork::path() const
{
    HandSpan whole;
    const Strand* hand = strand();
    if (hand == nullptr)
        return whole;
    const auto& drawn = std::get<Drawn>(hand->source);
    for (const Axis axis : {Axis::x, Axis::y}) {
        const HandSpan span = handSpan(drawn.keys[static_cast<std::size_t>(axis)], drawn.home);
        if (span.end <= span.first)
            continue;
        const bool first = whole.end <= whole.first;
        whole = {first ? span.first : std::min(whole.first, span.first),
                 std::max(first ? span.end : whole.end, span.end)};
    }
    return whole.end > whole.first ? HandSpan{filmFrame(whole.first), filmFrame(whole.end)} : HandSpan{};
}

} // namespace ember::app
