// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "ember/core/project.h"

namespace ember {

/// The pixel that stands in for place `i` along a side of `size` pixels; -1 where the plain colour shows.
inline int edgeIndex(long i, int size, EdgeMode mode)
{
    if (i >= 0 && i < size)
        return static_cast<int>(i);
    switch (mode) {
    case EdgeMode::plain: return -1;
    case EdgeMode::extend: return i < 0 ? 0 : size - 1;
    case EdgeMode::mirror: break;
    }
    const long period = 2L * size;
    long m = i % period;
    if (m < 0)
        m += period;
    return static_cast<int>(m < size ? m : period - 1 - m);
}

} // namespace ember
