// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/project/recipe_edits.h"

#include <algorithm>
#include <cmath>

#include "ember/core/keys.h"
#include "ember/core/values.h"
#include "recipe_json.h"

namespace ember {

namespace {

/// Own values that no longer have a place in their recipe are let go.
void dropDeadOverrides(Project& project, RecipeId id)
{
    const Recipe* recipe = project.recipe(id);
    if (recipe == nullptr)
        return;
    for (Strike* strike : everyStrike(project)) {
        if (strike->recipe != id || strike->overrides.empty())
            continue;
        const Recipe own = withOverrides(*recipe, strike->overrides);
        const auto values = strike->overrides.all();
        for (const auto& [key, value] : values)
            if (specOfValue(own, key) == nullptr)
                strike->overrides.clear(key);
        const auto drawn = strike->overrides.drawn();
        for (const auto& [name, keys] : drawn)
            if (const Strand* strand = own.strand(name);
                strand == nullptr || !std::holds_alternative<Drawn>(strand->source))
                strike->overrides.clearKeys(name);
        const auto curves = strike->overrides.curves().all();
        for (const auto& [key, keys] : curves)
            if (curveSpecOf(own, key) == nullptr)
                strike->overrides.clearCurve(key);
    }
}

/// Curves of strands that are gone, or are by hand now.
void dropDeadCurves(Recipe& recipe)
{
    const auto curves = recipe.curves.all();
    for (const auto& [key, keys] : curves)
        if (curveSpecOf(recipe, key) == nullptr)
            recipe.curves.clear(key);
}

/// The part of a curve behind its peak, drawn out or together.
CurveKeys scaledBehindPeak(const Envelope& envelope, double factor)
{
    CurveKeys keys = envelope.curve();
    KeyPlaces behind;
    for (std::size_t i = 0; i < keys.size(); ++i)
        if (keys[i].frame > envelope.peak())
            behind.push_back(i);
    return scaledInTime(std::move(keys), behind, envelope.peak(), factor, false);
}

std::string freshRecipeName(const Project& project, const std::string& wanted)
{
    std::string name = wanted;
    for (int i = 2; project.recipeNamed(name) != nullptr; ++i)
        name = wanted + " " + std::to_string(i);
    return name;
}

template <typename List>
void moveInList(List& list, std::size_t from, int by)
{
    const auto to =
        std::clamp<std::int64_t>(static_cast<std::int64_t>(from) + by, 0, static_cast<std::int64_t>(list.size()) - 1);
    auto item = std::move(list[from]);
    list.erase(list.begin() + static_cast<std::ptrdiff_t>(from));
    list.insert(list.begin() + to, std::move(item));
}

} // namespace

Project withRecipeValue(Project project, const StrikeIds& ids, std::string_view key, double value, ShapeScope scope)
{
    for (const StrikeId id : ids) {
        Strike* strike = project.strike(id);
        Recipe* recipe = strike != nullptr ? project.recipe(strike->recipe) : nullptr;
        if (recipe == nullptr)
            continue;
        if (scope == ShapeScope::strike) {
            if (const FieldSpec* spec = specOfValue(withOverrides(*recipe, strike->overrides), key))
                strike->overrides.set(key, clampTo(*spec, value));
        } else if (setValue(*recipe, key, value)) {
            strike->overrides.clear(key);
            dropDeadCurves(*recipe);
        }
        dropDeadOverrides(project, recipe->id);
    }
    return project;
}

namespace {

/// The values that are lengths of a recipe's shape but for its rise, by their keys.
std::vector<std::string> lengthKeys(const Recipe& recipe)
{
    std::vector<std::string> keys;
    const auto add = [&keys](const std::string& prefix) {
        for (const EnvelopeField field :
             {EnvelopeField::hold, EnvelopeField::decay, EnvelopeField::rumbleLength, EnvelopeField::release})
            keys.push_back(prefix + std::string(specOf(field).key));
    };
    add("envelope.");
    for (const Strand& strand : recipe.strands)
        if (strand.envelope)
            add("strand." + strand.name + ".envelope.");
    return keys;
}

} // namespace

Project withLengthsScaled(Project project, const StrikeIds& ids, double factor, ShapeScope scope)
{
    std::vector<RecipeId> done;
    for (const StrikeId id : ids) {
        Strike* strike = project.strike(id);
        Recipe* recipe = strike != nullptr ? project.recipe(strike->recipe) : nullptr;
        if (recipe == nullptr)
            continue;
        const Recipe own = withOverrides(*recipe, strike->overrides);
        const bool alone = scope == ShapeScope::strike;
        for (const std::string& key : lengthKeys(own)) // first what is the strike's own, from what it was
            if (alone || strike->overrides[key])
                if (const auto was = readValue(own, key))
                    strike->overrides.set(key, clampTo(*specOfValue(own, key), *was * factor));
        if (own.envelope.drawn() && (alone || strike->overrides.curves().of("envelope.strength") != nullptr))
            strike->overrides.setCurve("envelope.strength", scaledBehindPeak(own.envelope, factor));
        if (alone || std::find(done.begin(), done.end(), recipe->id) != done.end())
            continue;
        done.push_back(recipe->id);
        if (recipe->envelope.drawn())
            recipe->envelope.setCurve(scaledBehindPeak(recipe->envelope, factor));
        for (const std::string& key : lengthKeys(*recipe))
            if (const auto was = readValue(*recipe, key))
                setValue(*recipe, key, *was * factor);
    }
    return project;
}

Project withoutOverride(Project project, const StrikeIds& ids, std::string_view key)
{
    return withStrikesChanged(std::move(project), ids, [key](Strike& strike) { strike.overrides.clear(key); });
}

Project withoutOverrides(Project project, const StrikeIds& ids)
{
    return withStrikesChanged(std::move(project), ids, [](Strike& strike) { strike.overrides = {}; });
}

Project withRecipeApplied(Project project, const StrikeIds& ids, RecipeId recipe)
{
    return withStrikesChanged(std::move(project), ids, [recipe](Strike& strike) {
        strike.recipe = recipe;
        strike.overrides = {};
    });
}

RecipeAdded withRecipe(Project project, Recipe recipe)
{
    recipe.name = freshRecipeName(project, recipe.name);
    const RecipeId id = project.addRecipe(std::move(recipe));
    return {std::move(project), id};
}

RecipeAdded withOwnRecipe(Project project, StrikeId id)
{
    const Strike* strike = project.strike(id);
    const Recipe* recipe = strike != nullptr ? project.recipe(strike->recipe) : nullptr;
    if (recipe == nullptr)
        return {std::move(project), 0};
    auto [next, made] = withRecipe(std::move(project), withOverrides(*recipe, strike->overrides));
    return {withRecipeApplied(std::move(next), {id}, made), made};
}

Project withRecipeRenamed(Project project, RecipeId id, const std::string& name)
{
    Recipe* recipe = project.recipe(id);
    if (recipe != nullptr && !name.empty() && project.recipeNamed(name) == nullptr)
        recipe->name = name;
    return project;
}

Project withRecipeMoved(Project project, RecipeId id, int by)
{
    const auto found =
        std::find_if(project.recipes.begin(), project.recipes.end(), [id](const Recipe& r) { return r.id == id; });
    if (found != project.recipes.end())
        moveInList(project.recipes, static_cast<std::size_t>(found - project.recipes.begin()), by);
    return project;
}

Project withoutRecipe(Project project, RecipeId id, RecipeId instead)
{
    std::erase_if(project.recipes, [id](const Recipe& recipe) { return recipe.id == id; });
    const auto uses = [id](const Strike& strike) { return strike.recipe == id; };
    const bool replaced = project.recipe(instead) != nullptr;
    for (Pad& pad : project.board.pads)
        std::replace(pad.recipes.begin(), pad.recipes.end(), id, replaced ? instead : RecipeId{0});
    // A pad that has one recipe left strikes that in both states; one without any goes.
    for (Pad& pad : project.board.pads)
        for (RecipeId& held : pad.recipes)
            if (held == 0)
                held = *std::max_element(pad.recipes.begin(), pad.recipes.end());
    std::erase_if(project.board.pads, [](const Pad& pad) { return pad.recipes.front() == 0; });
    if (!replaced) {
        StrikeIds gone;
        for (const Strike* strike : everyStrike(project))
            if (uses(*strike))
                gone.push_back(strike->id);
        project = withoutStrikes(std::move(project), gone);
        for (Shot& shot : project.shots)
            std::erase_if(shot.trimmed, uses);
        return project;
    }
    for (Strike* strike : everyStrike(project))
        if (uses(*strike)) {
            strike->recipe = instead;
            strike->overrides = {};
        }
    return project;
}

std::size_t usersOf(const Project& project, RecipeId id)
{
    const auto all = everyStrike(project);
    return static_cast<std::size_t>(
        std::count_if(all.begin(), all.end(), [id](const Strike* strike) { return strike->recipe == id; }));
}

Project withStrand(Project project, RecipeId id, Strand strand)
{
    if (Recipe* recipe = project.recipe(id))
        recipe->add(std::move(strand));
    return project;
}

Project withoutStrand(Project project, RecipeId id, std::size_t index)
{
    Recipe* recipe = project.recipe(id);
    if (recipe == nullptr || index >= recipe->strands.size())
        return project;
    recipe->strands.erase(recipe->strands.begin() + static_cast<std::ptrdiff_t>(index));
    dropDeadCurves(*recipe);
    dropDeadOverrides(project, id);
    return project;
}

Project withStrandMoved(Project project, RecipeId id, std::size_t index, int by)
{
    Recipe* recipe = project.recipe(id);
    if (recipe != nullptr && index < recipe->strands.size())
        moveInList(recipe->strands, index, by);
    return project;
}

Project withStrandRenamed(Project project, RecipeId id, std::size_t index, const std::string& name)
{
    Recipe* recipe = project.recipe(id);
    if (recipe == nullptr || index >= recipe->strands.size() || name.empty() || recipe->strand(name) != nullptr)
        return project;
    const std::string before = "strand." + recipe->strands[index].name + ".";
    const std::string after = "strand." + name + ".";
    for (Strike* strike : everyStrike(project)) {
        if (strike->recipe != id)
            continue;
        const auto values = strike->overrides.all();
        for (const auto& [key, value] : values)
            if (key.starts_with(before)) {
                strike->overrides.clear(key);
                strike->overrides.set(after + key.substr(before.size()), value);
            }
        if (const AxisKeys* keys = strike->overrides.keysOf(recipe->strands[index].name)) {
            strike->overrides.setKeys(name, *keys);
            strike->overrides.clearKeys(recipe->strands[index].name);
        }
        const auto curves = strike->overrides.curves().all();
        for (const auto& [key, keys] : curves)
            if (key.starts_with(before)) {
                strike->overrides.clearCurve(key);
                strike->overrides.setCurve(after + key.substr(before.size()), keys);
            }
    }
    const auto curves = recipe->curves.all();
    for (const auto& [key, keys] : curves)
        if (key.starts_with(before)) {
            recipe->curves.clear(key);
            recipe->curves.set(after + key.substr(before.size()), keys);
        }
    recipe->strands[index].name = name;
    return project;
}

std::string strandToText(const Strand& strand)
{
    Json json;
    json["vember_strand"] = strandToJson(strand);
    return json.dump(2, ' ', false, Json::error_handler_t::replace);
}

Result<Strand> strandFromText(std::string_view text)
{
    const std::string name = "The clipboard";
    const auto parsed = parsedJson(text, name);
    if (!parsed || !parsed->is_object() || !parsed->contains("vember_strand"))
        return Error{ErrorCode::badFormat, name, "there is no strand in it"};
    JsonTrouble trouble(name);
    Strand strand = strandFromJson((*parsed.operator->())["vember_strand"], "strand", trouble);
    if (trouble.error())
        return *trouble.error();
    return strand;
}

} // namespace ember
