// SPDX-License-Identifier: GPL-3.0-or-later
// Motions of real cameras, kept to be used again: those that come with the program and the user's own, each a JSON file
// in one folder; see docs/file-format.md.
#pragma once

#include <string>
#include <string_view>
#include <vector>

#include "ember/core/error.h"
#include "ember/core/motion_loop.h"
#include "ember/core/project.h"

namespace ember {

/// A motion as text and back. `name` is what errors call it.
std::string motionToText(const KeptMotion& kept);
Result<KeptMotion> motionFromText(std::string_view text, const std::string& name);
Result<KeptMotion> loadMotion(const std::string& path);
Status saveMotion(const KeptMotion& kept, const std::string& path);

/// To the digits that are written: ten-thousandths of a pixel, and as fine for the others.
CapturedMotion rounded(const CapturedMotion& motion);

/// Filmed by a simulated operator in the demo's foundry: calm, nervous, running.
const std::vector<KeptMotion>& shippedMotions();

/// Where the user's own are kept: vast-ember/motions in $XDG_CONFIG_HOME, or in ~/.config.
std::string userMotionsFolder();

struct OwnMotion {
    KeptMotion kept;
    std::string path;
};
struct OwnMotions {
    std::vector<OwnMotion> motions; ///< by name
    Phrase trouble;                 ///< a sentence on the first file that cannot be used; empty when all can
};
/// The motions of a folder. Files that cannot be understood are left where they are and passed over. No folder is an
/// empty library.
OwnMotions openMotions(const std::string& folder);
/// Writes a motion into the folder, under a file name made of its name that is not taken; the folder is made where it
/// is missing. The path it has now.
Result<std::string> keepMotion(const KeptMotion& kept, const std::string& folder);

/// The shipped motions and the user's own, in that order.
std::vector<KeptMotion> allMotions(const OwnMotions& own);
/// Null when none has this name.
const KeptMotion* motionNamed(const std::vector<KeptMotion>& motions, std::string_view name);
/// Of the shipped and the user's own by its name, or of a file where the text ends in .json.
Result<KeptMotion> findMotion(const std::string& nameOrFile);
/// A name like `wanted` that none has.
std::string freshMotionName(const std::vector<KeptMotion>& motions, const std::string& wanted);

/// A strand moves by this motion, as far as it was filmed; an empty one leaves it still. It becomes a captured one
/// where it is not.
Project withStrandMotion(Project project, RecipeId recipe, std::size_t strand, const MotionLoop& motion);
/// The drift is this motion, as far as it was filmed, and on; an empty one makes it noise again, as far as a new
/// project's.
Project withDriftMotion(Project project, const MotionLoop& motion);

} // namespace ember
