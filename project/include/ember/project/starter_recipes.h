// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string_view>
#include <vector>

#include "ember/core/project.h"

namespace ember {

/// The recipes a new project starts with, one for each kind of strike. They are designed for 1280 pixels and 24 frames
/// a second; distances and lengths are scaled to the project's.
std::vector<Recipe> starterRecipes(int width, FrameRate rate);

/// The name of the starter recipe for a kind.
std::string_view starterRecipeName(StrikeKind kind);

/// An empty project of this size and rate with the starter recipes in it.
Project newProject(int width, int height, FrameRate rate);

/// The direction strikes of a kind go in when none is given: down for landings and hits, up to the seed for others.
std::optional<double> usualDirection(StrikeKind kind);

} // namespace ember
