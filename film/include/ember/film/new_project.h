// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>

#include "ember/core/project.h"
#include "ember/media/clip.h"

namespace ember {

/// A project for a clip: its size, rate and length, and the starter recipes.
Project projectForClip(const ClipInfo& info);

/// A shot that is all of a clip.
Shot shotOf(const ClipInfo& info, FrameRate rate);

} // namespace ember
