// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "ember/core/project.h"

namespace ember {

/// The pixel that stands in for place `i` along a side of `size` pixels; -1 where nothing of the picture shows. Where
/// it ends, its last pixel is repeated `smear` times first.
inline int edgeIndex(long i, int size, EdgeMode mode, int smear)
{
    if (i >= 0 && i < size)
        return static_cast<int>(i);
    const auto within = [i](long period) {
        const long m = i % period;
        return m < 0 ? m + period : m;
    };
    switch (mode) {
    case EdgeMode::plain:
    case EdgeMode::transparent:
        if (i < -smear || i >= size + smear)
            return -1;
        [[fallthrough]];
    case EdgeMode::extend: return i < 0 ? 0 : size - 1;
    case EdgeMode::wrap: return static_cast<int>(within(size));
    case EdgeMode::mirror: break;
    }
    const long m = within(2L * size);
    return static_cast<int>(m < size ? m : 2L * size - 1 - m);
}

} // namespace ember
