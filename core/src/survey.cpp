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
