// SPDX-License-Identifier: GPL-3.0-or-later
// A recipe as other programs play it, with the header and the module of runtime/; docs/formats.md tells its members.
#pragma once

#include <string>

#include "ember/core/project.h"

namespace ember {

/// The recipe in JSON: a full and a gentle preset, each with its envelope, the strands that are felt and the overlap
/// rule. What only shows or sounds (light, sound) is left out.
std::string playableRecipe(const Recipe& recipe, const Overlap& overlap, const Project& project);

} // namespace ember
