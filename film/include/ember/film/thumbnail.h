// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "ember/core/error.h"
#include "ember/core/project.h"
#include "ember/image/image.h"

namespace ember {

inline constexpr int smallestThumbnail = 16;
inline constexpr int largestThumbnail = 1024;

/// A small picture by which a project is known in a folder: the finished frame at the peak of its strongest strike, and
/// below it how strongly the film shakes from its first frame to its last, as heights and as heat. Where its clips
/// cannot be opened, or it has none, the lower part alone. 8 bits; the longer side is `size` pixels (16 to 1024, else
/// clamped).
Image thumbnailOf(const Project& project, int size);

} // namespace ember
