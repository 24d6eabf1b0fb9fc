// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <string_view>
#include <vector>

#include "ember/core/project.h"
#include "ember/project/recipe_book.h"

namespace ember {

/// The recipes that come with the program, in the order of the book. Designed for 1280 pixels and 24 frames a second.
const BookEntries& shippedRecipes();

/// The shipped recipe a strike of a kind starts with. A new project has these four.
std::string_view starterRecipeName(StrikeKind kind);

/// The shipped recipe a strike on a cut starts with.
std::string_view cutRecipeName();

/// An empty project of this size and rate with the starter recipes in it.
Project newProject(int width, int height, FrameRate rate);

/// The direction strikes of a kind go in when none is given: down for landings and hits, up to the seed for others.
std::optional<double> usualDirection(StrikeKind kind);

} // namespace ember
