// SPDX-License-Identifier: GPL-3.0-or-later
#include "plane.h"

#include <algorithm>
#include <cmath>
#include <cstring>

#include "cubic_tables.h"
#include "edge.h"
#include "ember/render/warp.h"
#include "kernels.h"

namespace ember {

namespace {

/// Places so far away that they could not be told apart as integers are all the same border.
constexpr double farAway = 1e6;
/// A resampled rectangle may need this many pixels of its source before each pixel is fetched on its own.
constexpr double mostSourcePixels = 1 << 20;
constexpr int strip = 64;
/// Pixels around a rectangle that are fetched too: two for the kernel and one for rounding; across also what vectors
/// make too much.
constexpr int borrowedAcross = 7;
constexpr int borrowedDown = 3;

void put(const Light& light, int count, float* to)
{
    for (int i = 0; i < count; ++i)
        std::memcpy(to + 4 * static_cast<std::ptrdiff_t>(i), light.data(), sizeof light);
}

/// The pixels of a rectangle where a picture of `width` x `height` is seen through an edge rule. `read(x, y, count,
/// to)` gives pixels that exist, `missing` is put where there are none.
template <typename Read>
void fillThroughEdges(const Rect& rect, const Patch& to, int width, int height, EdgeMode edges, int smear,
                      const Light& missing, Read read)
{
    // Columns that are really there, once for all rows.
    const long from = std::clamp(rect.x, 0L, static_cast<long>(width));
    const long until = std::clamp(rect.x + rect.width, 0L, static_cast<long>(width));
    for (int row = 0; row < rect.height; ++row) {
        float* out = to.at(0, row);
        const int y = edgeIndex(rect.y + row, height, edges, smear);
        if (y < 0) {
            put(missing, rect.width, out);
            continue;
        }
        if (from < until)
            read(static_cast<int>(from), y, static_cast<int>(until - from), out + 4 * (from - rect.x));
        const auto border = [&](long begin, long end) {
            for (long x = begin; x < end; ++x) {
                const int at = edgeIndex(x, width, edges, smear);
                float* pixel = out + 4 * (x - rect.x);
                // What is already there is copied: it is the same pixel and need not be made again.
                if (at < 0)
                    put(missing, 1, pixel);
                else if (at >= from && at < until)
                    std::memcpy(pixel, out + 4 * (at - rect.x), 4 * sizeof(float));
                else
                    read(at, y, 1, pixel);
            }
        };
        if (from < until) {
            border(rect.x, from);
            border(until, rect.x + rect.width);
        } else {
            border(rect.x, rect.x + rect.width);
        }
    }
}

/// Whether a map moves by whole pixels only.
bool isWhole(const Matrix3& map)
{
    const auto& m = map.m;
    return m[0] == 1 && m[1] == 0 && m[3] == 0 && m[4] == 1 && m[2] == std::round(m[2]) && m[5] == std::round(m[5]) &&
           std::abs(m[2]) < farAway && std::abs(m[5]) < farAway;
}

} // namespace

Floats& scratch(std::size_t level)
{
    thread_local std::array<Floats, 9> buffers;
    return buffers[level];
}

bool isNearlyUpright(const Matrix3& map)
{
    const auto& m = map.m;
    constexpr double most = 0.06; // 3.4 degrees: further on, fine grain would come out a little different
    return m[0] > 0.8 && m[0] < 1.2 && m[4] > 0.4 && m[4] < 2.5 && std::abs(m[3]) < most &&
           std::abs(m[1]) < most * m[4];
}

bool boundsOf(const Matrix3& map, const Rect& rect, int marginX, int marginY, double most, Rect& bounds)
{
    double left = farAway;
    double right = -farAway;
    double top = farAway;
    double bottom = -farAway;
    const auto x0 = static_cast<double>(rect.x);
    const auto y0 = static_cast<double>(rect.y);
    for (const Point corner : {Point{x0, y0}, Point{x0 + rect.width - 1, y0}, Point{x0, y0 + rect.height - 1},
                               Point{x0 + rect.width - 1, y0 + rect.height - 1}}) {
        if (!(map.depth(corner) > 1e-6))
            return false;
        const Point p = map.map(corner);
        if (!(std::abs(p.x) < farAway && std::abs(p.y) < farAway))
            return false;
        left = std::min(left, p.x);
        right = std::max(right, p.x);
        top = std::min(top, p.y);
        bottom = std::max(bottom, p.y);
    }
    bounds.x = static_cast<long>(std::floor(left)) - marginX;
    bounds.y = static_cast<long>(std::floor(top)) - marginY;
    const double width = std::ceil(right) + marginX + 1 - static_cast<double>(bounds.x);
    const double height = std::ceil(bottom) + marginY + 1 - static_cast<double>(bounds.y);
    bounds.width = static_cast<int>(width);
    bounds.height = static_cast<int>(height);
    return width * height <= most;
}

namespace {

/// Codes from 0 to 255 of opaque light.
Light codesOf(const Light& light, Transfer transfer)
{
    const TransferCurve& curve = TransferCurve::of(transfer);
    return {255 * curve.code(light[0]), 255 * curve.code(light[1]), 255 * curve.code(light[2]), 255};
}

} // namespace

ImagePlane::ImagePlane(const Image& image, Domain domain, EdgeMode edges, const Colour& plain, int smear)
    : image_(image), domain_(domain), edges_(edges), smear_(smear)
{
    if (edges == EdgeMode::transparent)
        beyond_ = {0, 0, 0, 0};
    else if (domain == Domain::light)
        beyond_ = lightOf(plain, image.colour().primaries);
    else if (image.colour() == ColourSpace{})
        beyond_ = {static_cast<float>(plain.r), static_cast<float>(plain.g), static_cast<float>(plain.b), 255.0F};
    else
        beyond_ = codesOf(lightOf(plain, image.colour().primaries), image.colour().transfer);
}

void ImagePlane::fill(const Rect& rect, const Patch& to) const
{
    fillThroughEdges(rect, to, image_.width(), image_.height(), edges_, smear_, beyond_,
                     [&](int x, int y, int count, float* out) { readPixels(image_, domain_, x, y, count, out); });
}

bool ImagePlane::breaksOffIn(const Rect& rect) const
{
    return edges_ != EdgeMode::mirror && edges_ != EdgeMode::extend &&
           (rect.x < 0 || rect.y < 0 || rect.x + rect.width > image_.width() || rect.y + rect.height > image_.height());
}

void LightPlane::fill(const Rect& rect, const Patch& to) const
{
    fillThroughEdges(rect, to, picture_.width(), picture_.height(), EdgeMode::extend, 0, beyond(),
                     [&](int x, int y, int count, float* out) { picture_.read(x, y, count, out); });
}

void ResampledPlane::fill(const Rect& rect, const Patch& to) const
{
    // A map without perspective has the same depth everywhere; dividing by it once saves it per pixel.
    Matrix3 map = map_;
    const bool affine = map.m[6] == 0 && map.m[7] == 0 && map.m[8] > 0;
    if (affine)
        for (std::size_t i = 0; i < 9; ++i)
            map.m[i] = map_.m[i] / map_.m[8];
    if (affine && isWhole(map)) { // nothing to resample
        inner_.fill({rect.x + std::lround(map.m[2]), rect.y + std::lround(map.m[5]), rect.width, rect.height}, to);
        return;
    }
    Rect needed;
    if (!boundsOf(map, rect, borrowedAcross, borrowedDown, mostSourcePixels, needed)) {
        fillCarefully(rect, to);
        return;
    }
    const Patch patch{
        scratch(0).room(4 * static_cast<std::size_t>(needed.width) * static_cast<std::size_t>(needed.height)),
        4 * static_cast<std::ptrdiff_t>(needed.width)};
    inner_.fill(needed, patch);
    // From places of the rectangle to those of the patch.
    map = Matrix3::translation(-static_cast<double>(needed.x), -static_cast<double>(needed.y)) * map *
          Matrix3::translation(static_cast<double>(rect.x), static_cast<double>(rect.y));
    const auto& m = map.m;
    if (affine && isNearlyUpright(map)) {
        fillInTwoSteps(rect, to, patch, map, needed.height);
        return;
    }
    // In strips so narrow that the rows a strip looks at stay in the nearest cache until the next row needs them again.
    for (int x = 0; x < rect.width; x += strip)
        for (int y = 0; y < rect.height; ++y)
            runCubicRow({patch.pixels, patch.stride, m[0] * x + m[1] * y + m[2], m[0], m[3] * x + m[4] * y + m[5], m[3],
                         m[6] * x + m[7] * y + m[8], m[6], affine, &cubicTable(), to.at(x, y),
                         std::min(strip, rect.width - x)});
}

bool ResampledPlane::breaksOffIn(const Rect& rect) const
{
    Rect needed;
    return !boundsOf(map_, rect, borrowedAcross, borrowedDown, mostSourcePixels, needed) || inner_.breaksOffIn(needed);
}

/// Rows of the source are resampled across at the columns of the output (where the picture's row y crosses column u),
/// then down (E. Catmull, A. R. Smith: 3-D transformations of images in scanline order, 1980). The rows around a pixel
/// are met a little further left or right than its own place, by the shear times their distance; as the weights down
/// sum to nothing over the first and second power of that distance, so does the difference.
void ResampledPlane::fillInTwoSteps(const Rect& rect, const Patch& to, const Patch& from, const Matrix3& map,
                                    int rows) const
{
    const auto& m = map.m;
    const double shear = m[1] / m[4];
    const double step = m[0] - shear * m[3]; ///< across
    const std::ptrdiff_t stride = 4 * static_cast<std::ptrdiff_t>(strip);
    const Patch across{scratch(5).room(static_cast<std::size_t>(stride) * static_cast<std::size_t>(rows)), stride};
    const int strips = (rect.width + strip - 1) / strip;
    const int even = ((rect.width + strips - 1) / strips + 3) / 4 * 4; ///< no strip much narrower than the others
    for (int x = 0; x < rect.width; x += even) {
        const int width = std::min(even, rect.width - x);
        // The rows this strip looks at.
        const double left = m[3] * x + m[5];
        const double right = m[3] * (x + width + 2) + m[5];
        const auto rowAt = [](double y) { return static_cast<int>(std::floor(y)); };
        int made = std::max(0, rowAt(std::min(left, right)) - 1);
        for (int y = 0; y < rect.height; ++y) {
            // Made just before they are needed, while the next step still finds them in the nearest cache.
            const int last = std::min(rows - 1, rowAt(std::max(left, right) + m[4] * y) + 2);
            for (; made <= last; ++made)
                runCubicLine({from.at(0, made), 4, step * x + shear * (made - m[5]) + m[2], step - 1,
                              across.at(0, made), width});
            runCubicLine({across.pixels, stride, m[3] * x + m[4] * y + m[5], m[3], to.at(x, y), width});
        }
    }
}

void ResampledPlane::fillCarefully(const Rect& rect, const Patch& to) const
{
    std::array<float, 64> around{};
    for (int row = 0; row < rect.height; ++row)
        for (int column = 0; column < rect.width; ++column) {
            const Point p{static_cast<double>(rect.x + column), static_cast<double>(rect.y + row)};
            float* out = to.at(column, row);
            if (!(map_.depth(p) > 1e-9)) {
                put(beyond(), 1, out);
                continue;
            }
            Point at = map_.map(p);
            at.x = std::clamp(at.x, -farAway, farAway);
            at.y = std::clamp(at.y, -farAway, farAway);
            const double fx = std::floor(at.x);
            const double fy = std::floor(at.y);
            inner_.fill({static_cast<long>(fx) - 1, static_cast<long>(fy) - 1, 4, 4}, {around.data(), 16});
            const CubicWeights wx = cubicWeights(at.x - fx);
            const CubicWeights wy = cubicWeights(at.y - fy);
            std::array<double, 4> sum{};
            for (std::size_t r = 0; r < 4; ++r)
                for (std::size_t c = 0; c < 4; ++c)
                    for (std::size_t k = 0; k < 4; ++k)
                        sum[k] += wy.w[r] * wx.w[c] * static_cast<double>(around[16 * r + 4 * c + k]);
            for (std::size_t k = 0; k < 4; ++k)
                out[k] = static_cast<float>(sum[k]);
        }
}

} // namespace ember
