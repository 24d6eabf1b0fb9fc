// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "ember/core/curve.h"
#include "ember/core/error.h"
#include "ember/core/progress.h"
#include "ember/media/clip.h"

namespace ember {

/// A point of the picture, followed. Ratios of the picture's width and height, one key a frame from 0 on, straight
/// between them.
struct FollowedPoint {
    CurveKeys x;
    CurveKeys y;
    std::size_t lost = 0; ///< frames on which it could not be found; the last step before runs out there
};

/// Follows what is at a point (ratios of the picture) of frame `first` for `count` frames: by the motion capture, the
/// surroundings of the point as they were on that frame are laid over those of each later frame. Where that tells
/// little, those of the frame before are, then larger surroundings, and the whole picture at last: a point in a bare
/// spot goes with what is around it. An error when it is stopped, when it is a still, or when nothing can be followed
/// at all.
Result<FollowedPoint> followPoint(ClipReader& film, std::int64_t first, std::int64_t count, double x, double y,
                                  const Progress& progress);

} // namespace ember
