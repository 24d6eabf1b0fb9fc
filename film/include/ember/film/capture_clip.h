// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "ember/core/captured.h"
#include "ember/film/find_strikes.h"

namespace ember {

/// Reads the motion of the camera from frames `first` to `last` (both included) of a clip, at its own rate. An error
/// when it is stopped, when it is a still or there are fewer than two frames, or when nothing in them can be followed.
Result<CapturedMotion> captureClip(ClipReader& clip, std::int64_t first, std::int64_t last, const Progress& progress);
/// The same for a part of what is captured: that nothing in it can be followed is no error.
Result<CapturedMotion> captureSome(ClipReader& clip, std::int64_t first, std::int64_t last, const Progress& progress);
/// The motion, or an error where nothing in the pictures of a clip at this path could be followed.
Result<CapturedMotion> ifFollowed(CapturedMotion motion, const std::string& path);

} // namespace ember
