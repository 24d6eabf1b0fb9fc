// SPDX-License-Identifier: GPL-3.0-or-later
#include "byte_warp.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <cstring>

#include "edge.h"
#include "kernels.h"
#include "plane.h"
#include "tiles.h"

namespace ember {

namespace {

constexpr TileSize tileSize{256, 64};
constexpr int strip = 64;
constexpr double mostSourcePixels = 1 << 20;
/// Two pixels for the kernel, one for rounding, and across what vectors make too much.
constexpr int borrowedAcross = 11;
constexpr int borrowedDown = 3;

using Channel = std::int16_t;

/// Rows of pixels of four channels; the memory belongs to somebody else.
struct Shorts {
    Channel* pixels;
    std::ptrdiff_t stride; ///< channels
    Channel* at(long x, long y) const { return pixels + y * stride + 4 * x; }
};

Shorts shorts(std::size_t level, int width, int height)
{
    const auto stride = 4 * static_cast<std::size_t>(width);
    // Half a float each.
    auto* room = reinterpret_cast<Channel*>(scratch(level).room(stride * static_cast<std::size_t>(height) / 2 + 16));
    return {room, static_cast<std::ptrdiff_t>(stride)};
}

/// The picture in `rect`, beyond it what its edges say.
void fetch(const Image& source, const Rect& rect, EdgeMode edges, const Colour& plain, const Shorts& to)
{
    const std::array<Channel, 4> missing{static_cast<Channel>(plain.r * byteScale),
                                         static_cast<Channel>(plain.g * byteScale),
                                         static_cast<Channel>(plain.b * byteScale), 255 * byteScale};
    const long from = std::clamp(rect.x, 0L, static_cast<long>(source.width()));
    const long until = std::clamp(rect.x + rect.width, 0L, static_cast<long>(source.width()));
    for (int row = 0; row < rect.height; ++row) {
        Channel* out = to.at(0, row);
        const int y = edgeIndex(rect.y + row, source.height(), edges, borderSmear);
        if (y >= 0 && from < until)
            runReadShorts(source.at(static_cast<int>(from), y), out + 4 * (from - rect.x),
                          4 * static_cast<std::size_t>(until - from));
        const auto border = [&](long begin, long end) {
            for (long x = begin; x < end; ++x) {
                const int at = y < 0 ? -1 : edgeIndex(x, source.width(), edges, borderSmear);
                Channel* pixel = out + 4 * (x - rect.x);
                if (at < 0)
                    std::memcpy(pixel, missing.data(), sizeof missing);
                else
                    for (int k = 0; k < 4; ++k)
                        pixel[k] = static_cast<Channel>(source.at(at, y)[k] * byteScale);
            }
        };
        if (y < 0 || from >= until) {
            border(rect.x, rect.x + rect.width);
        } else {
            border(rect.x, from);
            border(until, rect.x + rect.width);
        }
    }
}

/// Across and down, as ResampledPlane::fillInTwoSteps; see there.
void resample(const Shorts& from, int rows, const Matrix3& map, const Rect& tile, Image& out)
{
    const auto& m = map.m;
    const double shear = m[1] / m[4];
    const double step = m[0] - shear * m[3];
    // One row more: all five that a vector may meet are read, whether it does or not.
    const Shorts across = shorts(1, strip + 8, rows + 1);
    const Shorts line = shorts(2, strip + 8, 1);
    const auto rowAt = [](double y) { return static_cast<int>(std::floor(y)); };
    for (int x = 0; x < tile.width; x += strip) {
        const int width = std::min(strip, tile.width - x);
        const double left = m[3] * x + m[5];
        const double right = m[3] * (x + width + 6) + m[5];
        int made = std::max(0, rowAt(std::min(left, right)) - 1);
        for (int y = 0; y < tile.height; ++y) {
            const int last = std::min(rows - 1, rowAt(std::max(left, right) + m[4] * y) + 2);
            for (; made <= last; ++made)
                runCubicShorts({from.at(0, made), 4, step * x + shear * (made - m[5]) + m[2], step - 1,
                                across.at(0, made), width});
            runCubicShorts({across.pixels, across.stride, m[3] * x + m[4] * y + m[5], m[3], line.pixels, width});
            runCodeShorts(line.pixels, out.at(static_cast<int>(tile.x) + x, static_cast<int>(tile.y) + y),
                          4 * static_cast<std::size_t>(width));
        }
    }
}

} // namespace

bool warpBytes(const Image& source, const Matrix3& toSource, EdgeMode edges, const Colour& plain, Image& out)
{
    if (source.depth() != Depth::eight || out.depth() != Depth::eight || !source.opaque() ||
        edges == EdgeMode::transparent || toSource.m[6] != 0 || toSource.m[7] != 0 || !(toSource.m[8] > 0))
        return false;
    Matrix3 map = toSource;
    for (double& m : map.m)
        m /= toSource.m[8];
    // Eight pixels side by side may meet two sets of neighbours, not three.
    if (std::abs(map.m[0] - map.m[1] / map.m[4] * map.m[3] - 1) > 0.12)
        return false;
    const Rect whole{0, 0, tileSize.width, tileSize.height};
    Rect needed;
    // Everything near enough to be told apart, tile by tile as much as fits.
    const Rect all{0, 0, out.width(), out.height()};
    if (!isNearlyUpright(map) || !boundsOf(map, all, 0, 0, 1e15, needed) ||
        !boundsOf(map, whole, borrowedAcross, borrowedDown, mostSourcePixels, needed))
        return false;
    forTiles(tileSize, out.width(), out.height(), [&](const Rect& tile) {
        Rect rect;
        boundsOf(map, tile, borrowedAcross, borrowedDown, mostSourcePixels, rect);
        const Shorts patch = shorts(0, rect.width, rect.height);
        fetch(source, rect, edges, plain, patch);
        const Matrix3 local = Matrix3::translation(-static_cast<double>(rect.x), -static_cast<double>(rect.y)) * map *
                              Matrix3::translation(static_cast<double>(tile.x), static_cast<double>(tile.y));
        resample(patch, rect.height, local, tile, out);
    });
    return true;
}

} // namespace ember
