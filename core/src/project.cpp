// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/core/project.h"

#include <algorithm>
#include <array>

namespace ember {

namespace strikefield {
const FieldSpec strength{"strength", "Strength", "%",  0,
                         4,          1,          0.05, "How hard it hits; 100 % gives the recipe's amounts"};
const FieldSpec direction{"direction", "Direction", "°", -360,
                          360,         90,          5,   "Where the blow goes: 0 right, 90 down, 180 left"};
} // namespace strikefield

namespace {

constexpr std::array<std::string_view, 4> kindNames{"blast", "landing", "hit", "beat"};
constexpr std::array<std::string_view, 3> edgeNames{"mirror", "extend", "plain"};
constexpr std::array<std::string_view, 2> coverNames{"off", "constant"};

template <typename Enum, std::size_t N>
std::optional<Enum> fromName(const std::array<std::string_view, N>& names, std::string_view name)
{
    const auto found = std::find(names.begin(), names.end(), name);
    if (found == names.end())
        return std::nullopt;
    return static_cast<Enum>(found - names.begin());
}

template <typename List, typename Id>
auto* findById(List& list, Id id)
{
    const auto found = std::find_if(list.begin(), list.end(), [id](const auto& item) { return item.id == id; });
    return found == list.end() ? nullptr : &*found;
}

template <typename List>
auto nextId(const List& list)
{
    std::int64_t id = 0;
    for (const auto& item : list)
        id = std::max(id, item.id);
    return id + 1;
}

} // namespace

std::string_view kindName(StrikeKind kind)
{
    return kindNames[static_cast<std::size_t>(kind)];
}

std::optional<StrikeKind> kindFromName(std::string_view name)
{
    return fromName<StrikeKind>(kindNames, name);
}

std::string_view edgeName(EdgeMode mode)
{
    return edgeNames[static_cast<std::size_t>(mode)];
}

std::optional<EdgeMode> edgeFromName(std::string_view name)
{
    return fromName<EdgeMode>(edgeNames, name);
}

std::string_view coverName(CoverMode mode)
{
    return coverNames[static_cast<std::size_t>(mode)];
}

std::optional<CoverMode> coverFromName(std::string_view name)
{
    return fromName<CoverMode>(coverNames, name);
}

const Recipe* Project::recipe(RecipeId id) const
{
    return findById(recipes, id);
}

Recipe* Project::recipe(RecipeId id)
{
    return findById(recipes, id);
}

const Recipe* Project::recipeNamed(std::string_view name) const
{
    const auto found = std::find_if(recipes.begin(), recipes.end(), [&](const Recipe& r) { return r.name == name; });
    return found == recipes.end() ? nullptr : &*found;
}

const Strike* Project::strike(StrikeId id) const
{
    return findById(strikes, id);
}

Strike* Project::strike(StrikeId id)
{
    return findById(strikes, id);
}

StrikeId Project::addStrike(Strike strike)
{
    strike.id = nextId(strikes);
    const auto id = strike.id;
    strikes.push_back(std::move(strike));
    sortStrikes();
    return id;
}

RecipeId Project::addRecipe(Recipe recipe)
{
    recipe.id = nextId(recipes);
    const auto id = recipe.id;
    recipes.push_back(std::move(recipe));
    return id;
}

void Project::sortStrikes()
{
    std::stable_sort(strikes.begin(), strikes.end(), [](const Strike& a, const Strike& b) {
        return a.frame != b.frame ? a.frame < b.frame : a.id < b.id;
    });
}

Envelope envelopeOf(const Project& project, const Strike& strike)
{
    const Recipe* recipe = project.recipe(strike.recipe);
    return strike.overrides.appliedTo(recipe != nullptr ? recipe->envelope : Envelope());
}

} // namespace ember
