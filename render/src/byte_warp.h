// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "ember/core/project.h"
#include "ember/core/projection.h"
#include "ember/image/image.h"

namespace ember {

/// One opaque picture of 8 bits, resampled in its own codes, for maps that are nearly upright: the same as a
/// ResampledPlane of an ImagePlane in codes, in whole numbers of 1/32 code and so at half the cost. False, and nothing
/// done, when it is not for this source or map.
bool warpBytes(const Image& source, const Matrix3& toSource, EdgeMode edges, const Colour& plain, Image& out);

} // namespace ember
