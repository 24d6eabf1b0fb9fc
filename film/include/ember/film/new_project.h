// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>

#include "ember/core/error.h"
#include "ember/core/project.h"
#include "ember/media/clip.h"

namespace ember {

/// A project for a clip: its size, rate and length, and the starter recipes.
Project projectForClip(const ClipInfo& info);

/// The clip of a project, opened; `deep`: its pictures are given as deep as they are. An error when it has none or it
/// cannot be read.
Result<std::unique_ptr<ClipReader>> openShot(const Project& project, bool deep = false);

} // namespace ember
