// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/project/board_edits.h"

#include <algorithm>

#include "ember/project/shipped_recipes.h"

namespace ember {

namespace {

constexpr std::array allKinds{StrikeKind::blast, StrikeKind::landing, StrikeKind::hit, StrikeKind::beat};

Pad padFor(const Project& project, RecipeId recipe)
{
    Pad pad;
    pad.kind = kindOfRecipe(project, recipe);
    pad.recipes.fill(recipe);
    pad.direction = usualDirection(pad.kind);
    return pad;
}

} // namespace

StrikeKind kindOfRecipe(const Project& project, RecipeId recipe)
{
    std::array<int, allKinds.size()> counts{};
    for (const Strike& strike : project.strikes)
        if (strike.recipe == recipe)
            ++counts[static_cast<std::size_t>(strike.kind)];
    const auto most = std::max_element(counts.begin(), counts.end());
    if (*most > 0)
        return allKinds[static_cast<std::size_t>(most - counts.begin())];
    if (const Recipe* known = project.recipe(recipe))
        for (const StrikeKind kind : allKinds)
            if (known->name == starterRecipeName(kind))
                return kind;
    return StrikeKind::hit;
}

Board boardOf(const Project& project)
{
    Board board = project.board;
    if (board.pads.empty())
        for (const Recipe& recipe : project.recipes)
            if (board.pads.size() < mostPads)
                board.pads.push_back(padFor(project, recipe.id));
    return board;
}

Project withPad(Project project, RecipeId recipe)
{
    project.board = boardOf(project);
    if (project.board.pads.size() < mostPads && project.recipe(recipe) != nullptr)
        project.board.pads.push_back(padFor(project, recipe));
    return project;
}

Project withoutPad(Project project, std::size_t index)
{
    project.board = boardOf(project);
    if (index < project.board.pads.size())
        project.board.pads.erase(project.board.pads.begin() + static_cast<std::ptrdiff_t>(index));
    return project;
}

Strike strikeOf(const Pad& pad, std::size_t state, double share)
{
    Strike strike;
    strike.kind = pad.kind;
    strike.name = pad.name;
    strike.recipe = pad.recipes[std::min(state, boardStates - 1)];
    strike.strength = clampTo(strikefield::strength, pad.strength * std::clamp(share, 0.0, 1.0));
    strike.direction = pad.direction;
    strike.place = pad.place;
    return strike;
}

} // namespace ember
