// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/core/survey.h"

#include <algorithm>
#include <cmath>
#include <map>

namespace ember {

namespace {

/// Further than any handover or rounding reaches beyond a span, in frames.
constexpr double margin = 3;

/// What of the finish changes what a frame needs to be covered.
bool sameExposure(const Finish& a, const Finish& b)
{
    return a.shutterAngle == b.shutterAngle && a.exposureShift == b.exposureShift && a.instants == b.instants &&
           a.blurAbove == b.blurAbove && a.rolling == b.rolling && a.shown.blur == b.shown.blur &&
           a.letterbox == b.letterbox && a.coverBars == b.coverBars;
}

/// All but the strikes and their recipes, which is what most edits change.
bool sameStage(const Project& a, const Project& b)
{
    return a.width == b.width && a.height == b.height && a.rate == b.rate && a.shots == b.shots &&
           a.overlap == b.overlap && a.groups == b.groups && a.settles == b.settles && a.drift == b.drift &&
           a.master == b.master && sameExposure(a.finish, b.finish);
}

/// Whether a strike can change what another one does.
bool strikesMeddle(const Project& project)
{
    return project.overlap.rule != OverlapRule::add ||
           std::any_of(project.groups.begin(), project.groups.end(),
                       [](const StrikeGroup& group) { return group.overlap.rule != OverlapRule::add; });
}

struct Stretch {
    FrameTime start;
    FrameTime end;
    bool changed;
};

/// Overlapping stretches as one, changed where any of them is.
std::vector<Stretch> joined(std::vector<Stretch> stretches)
{
    std::sort(stretches.begin(), stretches.end(), [](const Stretch& a, const Stretch& b) { return a.start < b.start; });
    std::vector<Stretch> whole;
    for (const Stretch& stretch : stretches)
        if (!whole.empty() && stretch.start <= whole.back().end) {
            whole.back().end = std::max(whole.back().end, stretch.end);
            whole.back().changed = whole.back().changed || stretch.changed;
        } else {
            whole.push_back(stretch);
        }
    return whole;
}

bool isHand(const Strand& strand)
{
    const auto* drawn = std::get_if<Drawn>(&strand.source);
    return drawn != nullptr && drawn->asDrawn;
}

/// From when to when two lists of keys are felt otherwise; nothing where they are the same.
std::optional<HandSpan> keysApart(const CurveKeys& a, const CurveKeys& b, double home)
{
    const std::size_t least = std::min(a.size(), b.size());
    std::size_t front = 0;
    while (front < least && a[front] == b[front])
        ++front;
    if (front == a.size() && front == b.size())
        return std::nullopt;
    std::size_t back = 0;
    while (back < least - front && a[a.size() - 1 - back] == b[b.size() - 1 - back])
        ++back;
    const HandSpan spanA = handSpan(a, home);
    const HandSpan spanB = handSpan(b, home);
    HandSpan apart;
    apart.first = front > 0   ? a[front - 1].frame
                  : a.empty() ? spanB.first
                  : b.empty() ? spanA.first
                              : std::min(spanA.first, spanB.first);
    apart.end = back > 0 ? a[a.size() - back].frame : std::max(spanA.end, spanB.end);
    return apart;
}

/// From when to when a strike is felt otherwise, in frames from it, where two recipes differ in nothing but keys that
/// are drawn without an envelope; nothing where they differ in more.
std::optional<HandSpan> handApart(Recipe a, Recipe b)
{
    if (a.strands.size() != b.strands.size())
        return std::nullopt;
    std::optional<HandSpan> apart;
    for (std::size_t i = 0; i < a.strands.size(); ++i) {
        if (!isHand(a.strands[i]) || !isHand(b.strands[i]))
            continue;
        auto& one = std::get<Drawn>(a.strands[i].source);
        auto& other = std::get<Drawn>(b.strands[i].source);
        if (one.home != other.home)
            return std::nullopt;
        for (std::size_t axis = 0; axis < axisCount; ++axis)
            if (const auto here = keysApart(one.keys[axis], other.keys[axis], one.home))
                apart = apart ? HandSpan{std::min(apart->first, here->first), std::max(apart->end, here->end)} : *here;
        one.keys = {};
        other.keys = {};
    }
    return a == b ? apart : std::nullopt;
}

/// The same of a strike in two projects, which nothing else may have changed either.
std::optional<HandSpan> handApart(const Project& before, const Strike& was, const Project& after, const Strike& is)
{
    Strike a = was;
    Strike b = is;
    a.overrides = b.overrides = {};
    return a == b ? handApart(recipeOf(before, was), recipeOf(after, is)) : std::nullopt;
}

} // namespace

Way cornerWay(const Pose& pose, int width, int height)
{
    if (pose.atRest())
        return {};
    const Point corner{width - 1.0, height - 1.0};
    const Point moved = poseMatrix(pose, width, height).map(corner);
    return {static_cast<float>(moved.x - corner.x), static_cast<float>(moved.y - corner.y)};
}

std::vector<FrameSpan> Survey::changedBy(const Project& project, const Motion& motion) const
{
    struct Seen {
        const Strike* strike = nullptr;
        StrikeSpan span;
    };
    const auto seenIn = [](const Project& of, const std::vector<StrikeSpan>& spans) {
        std::map<StrikeId, Seen> seen;
        for (const Strike& strike : of.strikes)
            seen[strike.id].strike = &strike;
        for (const StrikeSpan& span : spans)
            seen[span.id].span = span;
        return seen;
    };
    const auto before = seenIn(*project_, spans_);
    const auto after = seenIn(project, motion.spans());
    std::map<RecipeId, bool> recipes; // known to be the same
    const auto sameRecipe = [&](RecipeId id) {
        if (const auto known = recipes.find(id); known != recipes.end())
            return known->second;
        const Recipe* a = project_->recipe(id);
        const Recipe* b = project.recipe(id);
        return recipes[id] = a != nullptr && b != nullptr && *a == *b;
    };
    const auto same = [&](const Seen& a, const Seen& b) {
        return *a.strike == *b.strike && a.span.start == b.span.start && a.span.peak == b.span.peak &&
               a.span.end == b.span.end && sameRecipe(a.strike->recipe);
    };
    std::vector<Stretch> stretches;
    const bool meddle = strikesMeddle(project);
    const auto take = [&](const std::map<StrikeId, Seen>& these, const std::map<StrikeId, Seen>& others) {
        for (const auto& [id, seen] : these) {
            const auto other = others.find(id);
            const bool changed = other == others.end() || !same(seen, other->second);
            if (changed && !meddle && other != others.end() && seen.span.start == other->second.span.start &&
                seen.span.end == other->second.span.end) {
                // A key that is dragged changes no more than the way to its neighbours.
                const bool forth = &these == &before;
                const Strike& was = forth ? *seen.strike : *other->second.strike;
                const Strike& is = forth ? *other->second.strike : *seen.strike;
                if (const auto apart = handApart(*project_, was, project, is)) {
                    const auto at = static_cast<double>(is.frame.index);
                    stretches.push_back({at + apart->first - margin, at + apart->end + margin, true});
                    continue;
                }
            }
            if ((changed || meddle) && seen.span.end > seen.span.start)
                stretches.push_back({seen.span.start - margin, seen.span.end + margin, changed});
        }
    };
    take(before, after);
    take(after, before);
    std::vector<FrameSpan> frames;
    for (const Stretch& stretch : joined(std::move(stretches)))
        if (stretch.changed)
            frames.push_back({static_cast<std::int64_t>(std::floor(stretch.start)),
                              static_cast<std::int64_t>(std::ceil(stretch.end))});
    return frames;
}

void Survey::update(const Project& whole, const Motion& motion)
{
    const FeltProject felt(whole); // what the world does to a strike changes the strike
    const Project& project = *felt;
    const auto length = project.length();
    std::vector<FrameSpan> frames;
    if (project_ && sameStage(*project_, project)) {
        frames = changedBy(project, motion);
    } else {
        ways_.assign(static_cast<std::size_t>(length), Way());
        needed_.assign(static_cast<std::size_t>(length), 1);
        frames = motion.moving(length - 1);
    }
    asked_ = 0;
    const auto reach = static_cast<std::int64_t>(std::ceil(exposureReach(project.finish, motion)));
    std::int64_t next = 0; // spans may touch when they are widened by what the shutter sees
    for (const FrameSpan& span : frames)
        for (auto frame = std::max(next, span.first - reach); frame <= std::min(span.last + reach, length - 1);
             ++frame) {
            const Pose pose = motion.poseAt(static_cast<double>(frame));
            ways_[static_cast<std::size_t>(frame)] = cornerWay(pose, project.width, project.height);
            needed_[static_cast<std::size_t>(frame)] = neededCover(project, motion, frame);
            ++asked_;
            next = frame + 1;
        }
    cover_ = coverFrom(project, needed_);
    project_ = project;
    spans_ = motion.spans();
}

} // namespace ember
