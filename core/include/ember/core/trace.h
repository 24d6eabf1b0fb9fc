// SPDX-License-Identifier: GPL-3.0-or-later
// Motion as it is read: one axis over time, with its peak.
#pragma once

#include <vector>

#include "ember/core/axes.h"
#include "ember/core/motion.h"

namespace ember {

enum class TraceOf {
    place, ///< how far the picture is from rest: pixels, degrees, and zoom as a ratio from 1
    speed, ///< how far it goes in one frame, from half a frame before to half a frame after
};

struct AxisTrace {
    Axis axis = Axis::x;
    std::vector<double> values; ///< one for each time asked for
    std::size_t peak = 0;       ///< which of them is farthest from 0
    bool moves() const { return !values.empty() && values[peak] != 0; }
};

AxisTrace traceAlong(const Motion& motion, Axis axis, const std::vector<FrameTime>& times, TraceOf what);
/// One value of it.
double traceAt(const Motion& motion, Axis axis, FrameTime time, TraceOf what);
/// The first of these times from which on nothing moves any more; their number when the last one moves.
std::size_t restFrom(const Motion& motion, const std::vector<FrameTime>& times);

} // namespace ember
