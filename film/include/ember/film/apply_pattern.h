// SPDX-License-Identifier: GPL-3.0-or-later
// What was made for one film, done to another clip.
#pragma once

#include <string>

#include "ember/analysis/candidates.h"
#include "ember/core/error.h"
#include "ember/core/progress.h"
#include "ember/core/project.h"
#include "ember/project/recipe_book.h"

namespace ember {

enum class PatternPart {
    all,     ///< recipes, finish, overlap, groups, drift, intensity, places, gentle version and colours
    recipes, ///< the recipes alone
    finish,  ///< the finish alone
};

enum class PatternStrikes {
    found,   ///< what hits in the clip, with the recipes that the pattern uses for each kind
    pattern, ///< the pattern's own, at their seconds
    none,
};

struct PatternOptions {
    PatternPart part = PatternPart::all;
    PatternStrikes strikes = PatternStrikes::found;
    FindOptions find; ///< of those that are found
};

/// The recipe that most strikes of a kind use; where there are none, what a strike of that kind begins with.
RecipeId usualRecipe(const Project& project, StrikeKind kind);

/// A project for a clip, treated as the pattern is: its values in the clip's size and rate (see withFrameSize and
/// withFrameRate). What belongs to the pattern's own film stays there: shots, sound, layers, beats, settle marks, keys
/// of the intensity.
Result<Project> projectByPattern(const Project& pattern, const std::string& clip, const PatternOptions& options,
                                 const Progress& progress);
/// A new project for a clip with these recipes, in its size and rate, and no others. Found strikes use the one that is
/// named as their kind's usual one, or else the first. Of the options only `strikes` (found or not) and `find` count.
Result<Project> projectWithRecipes(const BookEntries& recipes, const std::string& clip, const PatternOptions& options,
                                   const Progress& progress);

} // namespace ember
