// SPDX-License-Identifier: GPL-3.0-or-later
// The vector code: plain structures in, plain structures out. Each is compiled for every instruction set.
#pragma once

#include <cstddef>
#include <cstdint>

namespace ember {

/// Sub-pixel places are rounded to 1/1024 of a pixel: an error of at most a fifth of a code value at the hardest edge.
inline constexpr int phaseBits = 10;
inline constexpr int phaseCount = 1 << phaseBits;

/// Catmull-Rom weights of four neighbours for every phase.
using CubicTable = float[phaseCount][4];

/// One run of pixels, resampled. The place of pixel i is ((x + dx i)/w', (y + dy i)/w') with w' = w + dw i, or without
/// the division when the map is affine; `patch` points at place (0, 0) and holds all neighbours of every place.
struct CubicRow {
    const float* patch;
    std::ptrdiff_t stride; ///< floats
    double x, dx, y, dy, w, dw;
    bool affine;
    const CubicTable* weights;
    float* out;
    int count;
    const float* placesX = nullptr; ///< where given, the places themselves, each at least 1; the numbers above then
    const float* placesY = nullptr; ///< tell nothing
};
void runCubicRow(const CubicRow& job);

/// One run of pixels, resampled along one direction only: pixel i lies at place + drift i between neighbours that are
/// `stride` floats apart, of which number 0 is at `line` + 4 i. Down a picture, `stride` is that of its rows; across
/// it, `stride` is 4 and `drift` what is left of the step when the pixel's own is taken off. |drift| at most 1/4.
struct CubicLine {
    const float* line;
    std::ptrdiff_t stride;
    double place, drift;
    float* out;
    int count;
};
void runCubicLine(const CubicLine& job);

/// The same in whole numbers, codes times byteScale, which leaves room for what the kernel overshoots. |drift| at most
/// 1/8.
inline constexpr int byteScale = 32;
struct CubicShorts {
    const std::int16_t* line;
    std::ptrdiff_t stride; ///< channels
    double place, drift;
    std::int16_t* out; ///< whole groups of eight pixels are written
    int count;
};
void runCubicShorts(const CubicShorts& job);
void runReadShorts(const std::uint8_t* from, std::int16_t* to, std::size_t channels);
void runCodeShorts(const std::int16_t* from, std::uint8_t* to, std::size_t channels);

/// RGBA bytes to floats: the codes as they are, or the light they stand for and alpha from 0 to 1. And back, rounded.
void runReadBytes(const std::uint8_t* from, float* to, std::size_t channels, bool light);
void runCodeBytes(const float* from, std::uint8_t* to, std::size_t channels, bool light);

/// RGBA of 16 bits to floats, multiplied, and back, rounded and cut off.
void runFloatsOfShorts(const std::uint16_t* from, float* to, std::size_t channels, float scale);
void runShortsOfFloats(const float* from, std::uint16_t* to, std::size_t channels, float scale);
/// The same by the tables of a TransferCurve: to light, alpha from 0 to 1; and back, alpha left at its most.
void runLightOfShorts(const std::uint16_t* from, float* to, std::size_t channels, const float* lights);
void runShortsOfLight(const float* from, std::uint16_t* to, std::size_t channels, const float* codes);

/// Floats to IEEE 754 binary16, rounded to the nearest, and back; a whole number of pixels.
void runHalvesOfFloats(const float* from, std::uint16_t* to, std::size_t channels);
void runFloatsOfHalves(const std::uint16_t* from, float* to, std::size_t channels);

/// out = centre + amount (2 centre - before - after), over rows or along one: the second difference taken off.
void runSharpenAcross(const float* before, const float* centre, const float* after, float amount, float* out,
                      std::size_t channels);

/// to += weight * from, pixel by pixel, with a weight for each channel.
void runAddWeighted(const float* from, const float* weight, std::size_t pixels, float* to);

/// pixels = kept * pixels + added * alpha, with `added` for each channel (0 for alpha) and alpha the pixel's own; alpha
/// itself is kept.
void runFlash(float* pixels, float kept, const float* added, std::size_t count);

/// The pictures that are added up in one tile; see gather.cpp. Pixel (x, y) of the tile looks at
/// ((m0 x + m1 y + m2)/w, (m3 x + m4 y + m5)/w), w = m6 x + m7 y + m8, in pixels of the patch.
enum class Grain : std::uint8_t {
    block,   ///< a block of 4 by 8 pixels has one displacement
    leaning, ///< 4 by 4 pixels share a neighbourhood; along the rows the displacement changes evenly
    sheared, ///< 4 by 2 pixels do, and it changes down as well
    turned,  ///< 2 by 2 pixels do
    pixel,   ///< each pixel has its own
};
inline constexpr std::size_t mostLooks = 336; ///< in one tile, with what fills up the groups
inline constexpr int blockWidth = 4;
inline constexpr int blockHeight = 8;

struct TileMaps {
    /// One number of each look's map in each; looks are sorted by grain, and each group begins at a multiple of 16.
    const float* m[9];
    const float* weight; ///< four floats for each look, one for each channel
    /// Sixteen floats for each look: how far the displacement of each channel of four pixels is from that of their
    /// middle. They lie in a row, for turned looks two by two. For sheared looks `leanY` is that of the upper row of
    /// two, `leanBelow` that of the other.
    const float* leanX;
    const float* leanY;
    const float* leanBelow;
    const float* stepX; ///< how much the displacement changes across from row to row
    struct Group {
        std::size_t begin;
        std::size_t end;
    } groups[5];  ///< by Grain
    bool affine;  ///< w is 1 everywhere
    bool shifted; ///< no look of the first group does more than shift
};

struct GatherBlock {
    const float* patch; ///< where place (0, 0) is; it holds all neighbours of every place
    std::ptrdiff_t stride;
    int x, y;   ///< the block's first pixel in the tile
    float* out; ///< its place in the tile; written, not added to
    std::ptrdiff_t outStride;
};
/// A row of `blocks` blocks side by side, beginning with `first`.
void runGatherBlocks(const TileMaps& maps, const GatherBlock& first, int blocks);

} // namespace ember
