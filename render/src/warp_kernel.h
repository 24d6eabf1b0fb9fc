// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstddef>
#include <cstdint>

namespace ember {

/// One run of output pixels. The source place of pixel i is ((x + dx i)/w', (y + dy i)/w') with w' = w + dw i, or
/// without the division when the map is affine.
struct WarpRow {
    const std::uint8_t* source;
    std::ptrdiff_t sourceStride;
    int sourceWidth;
    int sourceHeight;
    double x, dx, y, dy, w, dw;
    bool affine;
    std::uint8_t* out;
    int count;
    /// Writes pixel i where the neighbours reach beyond the source.
    void (*outside)(const WarpRow& job, int i);
    const void* context;
};

void runWarpRow(const WarpRow& job);

} // namespace ember
