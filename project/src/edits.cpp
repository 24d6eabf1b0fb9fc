// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/project/edits.h"

#include <algorithm>

#include "ember/core/source.h"
#include "ember/project/shipped_recipes.h"

namespace ember {

namespace {

template <typename Pointer, typename P>
std::vector<Pointer> gathered(P& project)
{
    std::vector<Pointer> all;
    for (auto& strike : project.strikes)
        all.push_back(&strike);
    for (auto& shot : project.shots)
        for (auto& strike : shot.trimmed)
            all.push_back(&strike);
    return all;
}

} // namespace

std::vector<Strike*> everyStrike(Project& project)
{
    return gathered<Strike*>(project);
}

std::vector<const Strike*> everyStrike(const Project& project)
{
    return gathered<const Strike*>(project);
}

std::uint32_t freshSeed(const Project& project)
{
    const auto all = everyStrike(project);
    for (std::uint64_t i = all.size() + 1;; ++i) {
        // Five digits at most: a seed is read aloud and typed.
        const auto seed = static_cast<std::uint32_t>(mixSeed(0xeb3e, i) % 99'999 + 1);
        const bool used =
            std::any_of(all.begin(), all.end(), [seed](const Strike* strike) { return strike->seed == seed; });
        if (!used)
            return seed;
    }
}

StrikeAdded withStrike(Project project, Frame frame, StrikeKind kind, double strength)
{
    Strike strike;
    strike.frame = frame;
    strike.kind = kind;
    strike.strength = clampTo(strikefield::strength, strength);
    strike.direction = usualDirection(kind);
    strike.seed = freshSeed(project);
    if (const Recipe* recipe = project.recipeNamed(starterRecipeName(kind)))
        strike.recipe = recipe->id;
    else if (!project.recipes.empty())
        strike.recipe = project.recipes.front().id;
    else // all were deleted: a strike without a recipe could not be saved
        strike.recipe = project.addRecipe(recipeFor(*entryNamed(shippedRecipes(), starterRecipeName(kind)), project));
    const StrikeId id = project.addStrike(std::move(strike));
    return {std::move(project), id};
}

Project withoutStrikes(Project project, const StrikeIds& ids)
{
    const auto among = [&](StrikeId id) { return std::find(ids.begin(), ids.end(), id) != ids.end(); };
    std::erase_if(project.strikes, [&](const Strike& strike) { return among(strike.id); });
    std::erase_if(project.settles, [&](const SettleMark& mark) { return among(mark.strike); });
    return project;
}

Project withStrikesMoved(Project project, const StrikeIds& ids, std::int64_t frames)
{
    const std::int64_t last = std::max<std::int64_t>(0, project.length() - 1);
    for (const StrikeId id : ids)
        if (const Strike* strike = project.strike(id))
            frames = std::clamp(frames, std::min<std::int64_t>(0, -strike->frame.index),
                                std::max<std::int64_t>(0, last - strike->frame.index));
    project =
        withStrikesChanged(std::move(project), ids, [frames](Strike& strike) { strike.frame = strike.frame + frames; });
    project.sortStrikes();
    return project;
}

StrikesDuplicated withStrikesDuplicated(Project project, const StrikeIds& ids, std::int64_t frames)
{
    StrikesDuplicated out;
    const std::int64_t last = std::max<std::int64_t>(0, project.length() - 1);
    for (const StrikeId id : ids) {
        const Strike* original = project.strike(id);
        if (original == nullptr)
            continue;
        Strike copy = *original;
        copy.frame = Frame{std::clamp<std::int64_t>(copy.frame.index + frames, 0, std::max(last, copy.frame.index))};
        copy.seed = freshSeed(project);
        out.ids.push_back(project.addStrike(std::move(copy)));
    }
    out.project = std::move(project);
    return out;
}

Project withNewVariation(Project project, const StrikeIds& ids)
{
    const auto another = [](std::uint32_t seed) {
        return static_cast<std::uint32_t>(mixSeed(seed, 0x7e57) % 99'999 + 1);
    };
    std::vector<RecipeId> done;
    for (const StrikeId id : ids) {
        Strike* strike = project.strike(id);
        if (strike == nullptr || strike->locked)
            continue;
        Recipe* recipe = project.recipe(strike->recipe);
        if (recipe == nullptr || recipe->variation == Variation::each) {
            strike->seed = another(strike->seed);
        } else if (std::find(done.begin(), done.end(), recipe->id) == done.end()) {
            recipe->seed = another(recipe->seed);
            done.push_back(recipe->id);
        }
    }
    return project;
}

} // namespace ember
