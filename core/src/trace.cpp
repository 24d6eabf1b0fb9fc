// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/core/trace.h"

#include <cmath>

namespace ember {

double traceAt(const Motion& motion, Axis axis, FrameTime time, TraceOf what)
{
    if (what == TraceOf::place)
        return along(motion.poseAt(time), axis);
    return along(motion.poseAt(time + 0.5), axis) - along(motion.poseAt(time - 0.5), axis);
}

AxisTrace traceAlong(const Motion& motion, Axis axis, const std::vector<FrameTime>& times, TraceOf what)
{
    AxisTrace trace;
    trace.axis = axis;
    trace.values.reserve(times.size());
    for (const FrameTime time : times) {
        trace.values.push_back(traceAt(motion, axis, time, what));
        if (std::abs(trace.values.back()) > std::abs(trace.values[trace.peak]))
            trace.peak = trace.values.size() - 1;
    }
    return trace;
}

std::size_t restFrom(const Motion& motion, const std::vector<FrameTime>& times)
{
    std::size_t rest = times.size();
    while (rest > 0 && motion.poseAt(times[rest - 1]).atRest())
        --rest;
    return rest;
}

} // namespace ember
