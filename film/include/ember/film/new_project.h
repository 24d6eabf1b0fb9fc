// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>

#include "ember/core/error.h"
#include "ember/core/project.h"
#include "ember/media/clip.h"

namespace ember {

/// A project for a clip: its size, rate and length, and the starter recipes.
Project projectForClip(const ClipInfo& info);

/// A project for an OpenTimelineIO timeline: its shots and, from its markers, its strikes. The first clip that can be
/// opened gives the frame's size; those that are missing stay to be found again. An error when the timeline cannot be
/// read or none of its clips can be opened.
Result<Project> projectFromReel(const std::string& path);

/// A shot that is all of a clip.
Shot shotOf(const ClipInfo& info, FrameRate rate);

} // namespace ember
