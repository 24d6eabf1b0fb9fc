// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/project/bake.h"

#include <algorithm>
#include <cmath>

#include "ember/core/keys.h"
#include "ember/core/motion.h"
#include "ember/core/motion_loop.h"
#include "ember/project/recipe_edits.h"

namespace ember {

namespace {

constexpr double smallest = 1e-9; ///< an axis that moves less does not move

/// How many pixels (or degrees) one of an axis's own units is.
double unitOf(const Project& project, Axis axis)
{
    return axis == Axis::zoom ? std::hypot(project.width, project.height) / 2 : 1;
}

bool turns(Axis axis)
{
    return axis == Axis::roll || axis == Axis::pan || axis == Axis::tilt;
}

/// Only what strikes do: nothing else moves the film.
Project strikesOnly(Project project)
{
    for (Shot& shot : project.shots)
        shot.move.clear();
    project.drift = {};
    project.master = {};
    return project;
}

/// Rumbles that last until something else comes end by themselves: what they last was worked out.
void untilItsLength(Recipe& recipe)
{
    const auto settle = [](Envelope& e) {
        e.set(EnvelopeField::rumbleUntil, static_cast<double>(RumbleUntil::length));
    };
    settle(recipe.envelope);
    for (Strand& strand : recipe.strands)
        if (strand.envelope)
            settle(*strand.envelope);
}

/// One strike of it, felt with this recipe at full strength, and nothing that ends it.
Project oneStrike(const Project& project, const Strike& strike, Recipe recipe)
{
    Project alone = strikesOnly(project);
    untilItsLength(recipe);
    alone.recipes = {std::move(recipe)};
    Strike one = feltStrike(project, strike);
    one.frame = strike.frame; // keys count from the strike
    one.recipe = alone.recipes.front().id;
    one.strength = 1;
    one.overrides = {};
    one.group.clear();
    alone.groups.clear();
    alone.strikes = {one};
    alone.settles.clear();
    return alone;
}

/// How a motion becomes keys: what is wished, how far it is, and what is told of the outcome.
struct Baking {
    const BakeWish& wish;
    Progress progress;
    Baked made;
};

Error stopped()
{
    return {ErrorCode::cancelled, "Making keys", ""};
}

/// Poses on every half frame (see keyGrid) from first to last; empty where it was stopped.
template <typename PoseAt>
std::vector<Pose> sampled(const PoseAt& poseAt, double first, double last, const Progress& progress)
{
    const auto count = static_cast<std::size_t>(std::lround((last - first) / keyGrid)) + 1;
    std::vector<Pose> poses;
    poses.reserve(count);
    while (poses.size() < count) {
        if (poses.size() % 256 == 0 &&
            !goesOn(progress, static_cast<double>(poses.size()) / static_cast<double>(count)))
            return {};
        poses.push_back(poseAt(first + keyGrid * static_cast<double>(poses.size())));
    }
    return poses;
}

/// A motion from first to last (whole frames) as a strand whose keys count from `zero`.
template <typename PoseAt>
Result<Strand> strandFollowing(const PoseAt& poseAt, const Project& project, double first, double last, double zero,
                               Baking& baking)
{
    constexpr double sampling = 0.5; // share of the work
    const BakeWish& wish = baking.wish;
    Baked& made = baking.made;
    const auto poses = sampled(poseAt, first, last, partOf(baking.progress, 0, sampling));
    if (poses.empty())
        return stopped();
    bool gaveUp = false;
    Strand strand{"Keys", Drawn{}, {}, {}};
    auto& drawn = std::get<Drawn>(strand.source);
    drawn.asDrawn = true;
    drawn.home = 0; // it ends as it ended
    for (const Axis axis : allAxes) {
        const double done = sampling + (1 - sampling) * static_cast<double>(axis) / axisCount;
        const auto value = [&](double frame) {
            return along(poses[static_cast<std::size_t>(std::lround((frame + zero - first) / keyGrid))], axis);
        };
        double most = 0;
        for (const Pose& pose : poses)
            most = std::max(most, std::abs(along(pose, axis)));
        if (most < smallest)
            continue;
        if (most > amountLimit(axis))
            return Error{ErrorCode::badValue, std::string(axisName(axis)),
                         "it moves farther than one strand may, so it cannot be one strand of keys"};
        const auto share = [&](double frame) { return value(frame) / most; };
        const double unit = most * unitOf(project, axis);
        const double tolerance = (turns(axis) ? wish.degrees : wish.pixels) / unit;
        CurveKeys keys = wish.everyFrame ? keyEachFrame(share, first - zero, last - zero)
                                         : fewestKeys(share, first - zero, last - zero, tolerance, [&] {
                                               gaveUp = gaveUp || !goesOn(baking.progress, done);
                                               return gaveUp;
                                           });
        if (gaveUp)
            return stopped();
        double& off = turns(axis) ? made.degreesOff : made.pixelsOff;
        off = std::max(off, farthestOff(keys, share, first - zero, last - zero) * unit);
        made.keys += keys.size();
        strand.amount[axis] = most;
        drawn.keys[static_cast<std::size_t>(axis)] = std::move(keys);
    }
    return strand;
}

/// The film's motion as such a strand.
Result<Strand> strandOf(const Project& moving, double first, double last, double zero, Baking& baking)
{
    const Motion motion(moving);
    return strandFollowing([&](double frame) { return motion.poseAt(frame); }, moving, first, last, zero, baking);
}

Error nothingMoves(const std::string& what)
{
    return {ErrorCode::badValue, what, "it does not move the picture, so there is nothing to make keys of"};
}

/// A strike alone, felt with `recipe`, as a strand whose keys count from it.
Result<Strand> strandOfStrike(const Project& project, const Strike& strike, const Recipe& recipe,
                              const std::string& name, Baking& baking)
{
    const Project alone = oneStrike(project, strike, recipe);
    const Motion motion(alone);
    if (motion.spans().empty())
        return nothingMoves(name);
    const StrikeSpan span = motion.spans().front();
    const auto zero = static_cast<double>(strike.frame.index);
    auto strand = strandOf(alone, std::floor(span.start), std::ceil(span.end), zero, baking);
    if (strand.ok() && baking.made.keys == 0)
        return nothingMoves(name);
    return strand;
}

} // namespace

Result<Baked> withStrikeBaked(Project project, StrikeId id, const BakeWish& wish, const Progress& progress)
{
    Baking baking{wish, progress, {}};
    Baked& made = baking.made;
    const Strike* strike = project.strike(id);
    const std::string name = strike != nullptr && !strike->name.empty() ? strike->name : "The strike";
    if (strike == nullptr || project.recipe(strike->recipe) == nullptr)
        return nothingMoves(name);
    Recipe recipe = recipeOf(project, *strike);
    recipe.id = 1;
    untilItsLength(recipe);
    auto keyed = strandOfStrike(project, *strike, recipe, name, baking);
    if (!keyed.ok())
        return keyed.error();
    Strand strand = std::move(keyed.value());
    const Recipe* source = project.recipe(strike->recipe);
    recipe.name = source->name + ", keys";
    recipe.position = recipe.rotation = 1;
    recipe.pivot = {}; // the keys have it in them
    Curves light;
    for (const auto& [key, keys] : recipe.curves.all())
        if (!key.starts_with("strand.") && !key.starts_with("pivot"))
            light.set(key, keys);
    recipe.curves = std::move(light);
    recipe.strands = {std::move(strand)};
    RecipeAdded added = withRecipe(std::move(project), std::move(recipe));
    Strike* changed = added.project.strike(id);
    changed->recipe = added.id;
    changed->overrides = {};
    made.project = std::move(added.project);
    return std::move(made);
}

Result<Baked> withStrandBaked(Project project, StrikeId id, std::size_t index, const BakeWish& wish,
                              const Progress& progress)
{
    Baking baking{wish, progress, {}};
    Baked& made = baking.made;
    const Strike* strike = project.strike(id);
    if (strike == nullptr || project.recipe(strike->recipe) == nullptr ||
        index >= project.recipe(strike->recipe)->strands.size())
        return nothingMoves("The strand");
    Recipe recipe = recipeOf(project, *strike);
    const Strand original = recipe.strands[index];
    Strand sounding = original;
    sounding.muted = false;
    Recipe single = recipe;
    single.id = 1;
    single.position = single.rotation = 1;
    single.strands = {sounding};
    single.pivot = {};
    auto keyed = strandOfStrike(project, *strike, single, original.name, baking);
    if (!keyed.ok())
        return keyed.error();
    Strand strand = std::move(keyed.value());
    strand.name = original.name;
    strand.envelope = original.envelope;
    strand.muted = original.muted;
    strand.solo = original.solo;
    strand.salt = original.salt;
    if (usersOf(project, strike->recipe) > 1 || !strike->overrides.empty())
        project = withOwnRecipe(std::move(project), id).project;
    const RecipeId target = project.strike(id)->recipe;
    made.project =
        withStrandChanged(std::move(project), target, index, [&](Strand& place) { place = std::move(strand); });
    return std::move(made);
}

Result<Baked> withFilmBaked(Project project, const BakeWish& wish, const Progress& progress)
{
    Baking baking{wish, progress, {}};
    Baked& made = baking.made;
    const Project moving = strikesOnly(project);
    const Motion motion(moving);
    if (motion.spans().empty() || project.length() < 2)
        return nothingMoves("The film");
    const auto last = static_cast<double>(project.length() - 1);
    Result<Strand> keyed = strandOf(moving, 0, last, 0, baking);
    if (!keyed.ok())
        return keyed.error();
    Recipe recipe;
    recipe.name = "Film, keys";
    recipe.strands = {std::move(keyed.value())};
    RecipeAdded added = withRecipe(std::move(project), std::move(recipe));
    Strike strike;
    strike.name = "Film";
    strike.recipe = added.id;
    strike.direction = 90;
    added.project.strikes.clear();
    added.project.settles.clear();
    added.project.addStrike(strike);
    made.project = std::move(added.project);
    return std::move(made);
}

Result<Strand> strandCutOut(const CapturedMotion& stretch, const Project& project, const BakeWish& wish)
{
    const double last = std::floor(
        project.rate.frames(stretch.rate.seconds(std::max(0.0, static_cast<double>(stretch.frames.size()) - 1))));
    const double scale = stretch.width > 0 ? static_cast<double>(project.width) / stretch.width : 1;
    const auto poseAt = [&](double frame) {
        const Similarity moved = momentOf(stretch, stretch.rate.frames(project.rate.seconds(frame)));
        const double home = eased(Ease::smooth, std::clamp(4 * (last - frame) / last, 0.0, 1.0));
        return Pose{home * moved.x * scale, home * moved.y * scale, 1 + home * (moved.zoom - 1), home * moved.roll};
    };
    const bool moves = [&] {
        for (double frame = 0; frame <= last; ++frame)
            for (const Axis axis : allAxes)
                if (std::abs(along(poseAt(frame), axis)) > smallest)
                    return true;
        return false;
    }();
    if (last < 1 || !moves)
        return nothingMoves("The stretch");
    Baking baking{wish, {}, {}};
    return strandFollowing(poseAt, project, 0, last, 0, baking);
}

} // namespace ember
