// SPDX-License-Identifier: GPL-3.0-or-later
// Edits of recipes and of what strikes take from them: each takes a project and gives the one that comes of it.
#pragma once

#include <string>
#include <string_view>

#include "ember/core/error.h"
#include "ember/core/project.h"
#include "ember/project/edits.h"

namespace ember {

/// Whom a change of a value is for.
enum class ShapeScope {
    recipe, ///< the recipe, and so every strike that uses it
    strike  ///< this strike alone
};

/// Sets a value ("envelope.decay", "strand.Kick.amount.x"; see core's values.h) of the recipes these strikes use, or of
/// the strikes alone. In the recipe's scope a value the strikes had of their own is returned to the recipe, or the
/// change would not be seen.
Project withRecipeValue(Project project, const StrikeIds& ids, std::string_view key, double value, ShapeScope scope);

/// The shape of the strikes lasts `factor` times as long with the same rise and peak: hold, decay, rumble and release
/// of every envelope. For recipes each one that is used is scaled once, and own values of the strikes with it; for
/// strikes alone each gets own values from the shape it has.
Project withLengthsScaled(Project project, const StrikeIds& ids, double factor, ShapeScope scope);

/// Gives own values back to the recipe: one by its key, or all.
Project withoutOverride(Project project, const StrikeIds& ids, std::string_view key);
Project withoutOverrides(Project project, const StrikeIds& ids);

/// These strikes use another recipe, as it is: they keep no values of their own.
Project withRecipeApplied(Project project, const StrikeIds& ids, RecipeId recipe);

struct RecipeAdded {
    Project project;
    RecipeId id = 0;
};
/// A recipe of this project; its name is made different from the others' where it is not.
RecipeAdded withRecipe(Project project, Recipe recipe);
/// The strike's recipe with the strike's own values in it, as a recipe of its own that the strike uses.
RecipeAdded withOwnRecipe(Project project, StrikeId id);

/// Nothing changes when the name is empty or another recipe's.
Project withRecipeRenamed(Project project, RecipeId id, const std::string& name);
/// Moves it up (-) or down (+) the list.
Project withRecipeMoved(Project project, RecipeId id, int by);
/// Strikes that used it use `instead`, and are deleted where that is nobody.
Project withoutRecipe(Project project, RecipeId id, RecipeId instead);
/// How many strikes use a recipe.
std::size_t usersOf(const Project& project, RecipeId id);

/// Strands of a recipe, by their place in it. Own values of strikes follow a strand's name and go with the strand.
Project withStrand(Project project, RecipeId id, Strand strand);
Project withoutStrand(Project project, RecipeId id, std::size_t index);
Project withStrandMoved(Project project, RecipeId id, std::size_t index, int by);
Project withStrandRenamed(Project project, RecipeId id, std::size_t index, const std::string& name);
/// Any change of one strand that no key stands for, such as its drawn keys.
template <typename Change>
Project withStrandChanged(Project project, RecipeId id, std::size_t index, Change&& change)
{
    Recipe* recipe = project.recipe(id);
    if (recipe != nullptr && index < recipe->strands.size())
        change(recipe->strands[index]);
    return project;
}

/// A strand as text for the clipboard, and back.
std::string strandToText(const Strand& strand);
Result<Strand> strandFromText(std::string_view text);

} // namespace ember
