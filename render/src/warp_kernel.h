// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstddef>
#include <cstdint>

namespace ember {

/// Sub-pixel places are rounded to 1/1024 of a pixel: an error of at most a fifth of a code value at the hardest edge.
inline constexpr int phaseBits = 10;
inline constexpr int phaseCount = 1 << phaseBits;

/// Catmull-Rom weights for every phase: plain, and each weight four times over for the four channels of a pixel.
struct WeightTable {
    alignas(64) float spread[phaseCount][16];
    alignas(16) float plain[phaseCount][4];
};

/// One run of output pixels. The source place of pixel i is ((x + dx i)/w', (y + dy i)/w') with w' = w + dw i, or
/// without the division when the map is affine.
struct WarpRow {
    const std::uint8_t* source;
    std::ptrdiff_t sourceStride;
    int sourceWidth;
    int sourceHeight;
    double x, dx, y, dy, w, dw;
    bool affine;
    const WeightTable* weights;
    std::uint8_t* out;
    int count;
    /// Writes pixel i where the neighbours reach beyond the source.
    void (*outside)(const WarpRow& job, int i);
    const void* context;
};

void runWarpRow(const WarpRow& job);

} // namespace ember
