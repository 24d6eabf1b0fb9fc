// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <iosfwd>

#include "ember/core/motion.h"

namespace ember {

struct PoseRange {
    std::int64_t first = 0;
    std::int64_t last = 0; ///< included
    int subframes = 1;     ///< instants for each frame, evenly spaced
};

/// Columns frame,x,y,zoom,roll,pan,tilt,intensity; numbers in the shortest form that reads back to the same value.
void writePosesCsv(std::ostream& out, const Motion& motion, const PoseRange& range);
/// A list of objects with the same names.
void writePosesJson(std::ostream& out, const Motion& motion, const PoseRange& range);

} // namespace ember
