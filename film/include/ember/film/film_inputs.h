// SPDX-License-Identifier: GPL-3.0-or-later
// The files a film is made of: kept from being written over, and told when they are not what they were.
#pragma once

#include <string>
#include <vector>

#include "ember/core/project.h"
#include "ember/files/output_guard.h"
#include "ember/media/clip.h"

namespace ember {

/// A guard that keeps outputs off the project's file (where it has one) and everything it reads: clips with all their
/// numbered pictures, sounds, layers and the sounds of recipes.
OutputGuard guardOf(const Project& project, const std::string& projectPath = {});

/// The clips that are not as they were when the project took them in: shorter, of another size or rate. A sentence for
/// each. `film`: as openFilm() describes it.
std::vector<Phrase> changedClips(const Project& project, const ClipInfo& film);
/// The same, opening the clips to look; those that cannot be opened are left out.
std::vector<Phrase> changedClips(const Project& project);

/// What was found damaged while a clip was read, as a sentence; empty when nothing was.
Phrase damageSentence(const Damage& damage);

/// An error of what is only told otherwise: the first sentence stands for all.
Error strictError(const std::vector<Phrase>& sentences);

} // namespace ember
