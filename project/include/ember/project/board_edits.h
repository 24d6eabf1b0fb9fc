// SPDX-License-Identifier: GPL-3.0-or-later
// The board of pads, and what they strike.
#pragma once

#include "ember/core/project.h"

namespace ember {

/// The project's board; where it has no pads, one for each of its first recipes, with the kind that uses it.
Board boardOf(const Project& project);

/// The project with a board of its own, its pads as boardOf gives them, and one pad changed. Nothing changes where
/// there is no such pad.
template <typename Change>
Project withPadChanged(Project project, std::size_t index, Change&& change)
{
    project.board = boardOf(project);
    if (index < project.board.pads.size())
        change(project.board.pads[index]);
    return project;
}

/// Another pad, for a recipe; none where the board is full.
Project withPad(Project project, RecipeId recipe);
Project withoutPad(Project project, std::size_t index);

/// The kind strikes of a recipe are: what most of its strikes are, else the kind it is the starter of, else a hit.
StrikeKind kindOfRecipe(const Project& project, RecipeId recipe);

/// What a pad strikes in a state of the board at a share (0 to 1) of its strength: without a frame and a seed.
Strike strikeOf(const Pad& pad, std::size_t state, double share);

} // namespace ember
