// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "kernels.h"

namespace ember {

/// Weights of four neighbours for every phase: the Catmull-Rom kernel, which goes through its points, and the cubic
/// B-spline, which never leaves their range.
const CubicTable& cubicTable();
const CubicTable& splineTable();

} // namespace ember
