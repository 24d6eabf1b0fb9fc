// SPDX-License-Identifier: GPL-3.0-or-later
// Vector code: compiled once per instruction set, the best one is chosen at run time.
#undef HWY_TARGET_INCLUDE
#define HWY_TARGET_INCLUDE "warp_kernel.cpp"
#include <hwy/foreach_target.h>
#include <hwy/highway.h>

#include "warp_kernel.h"

#include <cmath>
#include <cstring>

HWY_BEFORE_NAMESPACE();
namespace ember::HWY_NAMESPACE {
namespace hn = hwy::HWY_NAMESPACE;

#if HWY_TARGET == HWY_SCALAR
/// Without vectors there is nothing to gain here: every pixel goes the careful way.
void warpRow(const WarpRow& job)
{
    for (int x = 0; x < job.count; ++x)
        job.outside(job, x);
}
#else
constexpr int block = 64; ///< pixels worked on together

/// For each pixel of a block: where its upper left neighbour lies (in bytes, -1 when a neighbour is beyond the source)
/// and which phases it has.
struct Places {
    std::ptrdiff_t offset[block];
    std::int32_t phaseX[block];
    std::int32_t phaseY[block];
};

HWY_INLINE void place(const WarpRow& job, Places& places, int i, std::int64_t qx, std::int64_t qy)
{
    const std::int64_t x = qx >> phaseBits;
    const std::int64_t y = qy >> phaseBits;
    const bool inside = x >= 1 && y >= 1 && x <= job.sourceWidth - 3 && y <= job.sourceHeight - 3;
    places.phaseX[i] = static_cast<std::int32_t>(qx & (phaseCount - 1));
    places.phaseY[i] = static_cast<std::int32_t>(qy & (phaseCount - 1));
    places.offset[i] = inside ? (y - 1) * job.sourceStride + (x - 1) * 4 : -1;
}

/// Without perspective a place is a straight line in fixed point: whole numbers of phases with 32 bits behind them.
HWY_INLINE void findPlacesStraight(const WarpRow& job, int from, int count, Places& places)
{
    const double unit = phaseCount * 4294967296.0;
    const double limit = 4.0e18;
    const auto fixed = [&](double v) {
        return static_cast<std::int64_t>(std::fmin(std::fmax(v * unit, -limit), limit));
    };
    const std::int64_t dx = fixed(job.dx);
    const std::int64_t dy = fixed(job.dy);
    std::int64_t x = fixed(job.x + job.dx * from) + (std::int64_t{1} << 31);
    std::int64_t y = fixed(job.y + job.dy * from) + (std::int64_t{1} << 31);
    for (int i = 0; i < count; ++i) {
        place(job, places, i, x >> 32, y >> 32);
        x += dx;
        y += dy;
    }
}

HWY_INLINE void findPlacesInDepth(const WarpRow& job, int from, int count, Places& places)
{
    for (int i = 0; i < count; ++i) {
        const double at = from + i;
        const double w = job.w + job.dw * at;
        const double sx = (job.x + job.dx * at) / w;
        const double sy = (job.y + job.dy * at) / w;
        const bool seen = w > 0 && sx > 0 && sy > 0 && sx < job.sourceWidth && sy < job.sourceHeight;
        place(job, places, i, seen ? static_cast<std::int64_t>(sx * phaseCount + 0.5) : 0,
              seen ? static_cast<std::int64_t>(sy * phaseCount + 0.5) : 0);
    }
}

/// Pixels of the source around which the four by four neighbours all exist are read straight from memory; `outside` is
/// called for the others.
void warpRow(const WarpRow& job)
{
    const hn::CappedTag<float, 16> d;
    const hn::Rebind<std::uint8_t, decltype(d)> d8;
    const hn::Rebind<std::int32_t, decltype(d)> d32;
    const hn::FixedTag<float, 4> d4;
    const std::size_t lanes = hn::Lanes(d);
    // Steps so large that fixed point could overflow on the way are far outside anyway and go the other way.
    const bool straight = job.affine && std::fabs(job.dx) < 1e3 && std::fabs(job.dy) < 1e3 && std::fabs(job.x) < 1e5 &&
                          std::fabs(job.y) < 1e5;

    Places places;
    alignas(64) float sums[4 * block];
    alignas(64) std::uint8_t bytes[4 * block];
    for (int from = 0; from < job.count; from += block) {
        const int count = job.count - from < block ? job.count - from : block;
        if (straight)
            findPlacesStraight(job, from, count, places);
        else
            findPlacesInDepth(job, from, count, places);
        bool allInside = true;
        for (int i = 0; i < count; ++i) {
            const bool inside = places.offset[i] >= 0;
            allInside = allInside && inside;
            const std::uint8_t* top = job.source + (inside ? places.offset[i] : 0);
            if (!inside) {
                hn::Store(hn::Zero(d4), d4, sums + 4 * i);
                continue;
            }
            const float* columns = job.weights->spread[places.phaseX[i]];
            const float* rows = job.weights->plain[places.phaseY[i]];
            // Down the columns first: one vector holds pixels side by side; then across, four to one.
            alignas(64) float weighted[16];
            for (std::size_t k = 0; k < 16; k += lanes) {
                const auto row = [&](std::ptrdiff_t r) HWY_ATTR {
                    const auto pixels = hn::LoadU(d8, top + r * job.sourceStride + static_cast<std::ptrdiff_t>(k));
                    return hn::ConvertTo(d, hn::PromoteTo(d32, pixels));
                };
                auto sum = hn::Mul(row(0), hn::Set(d, rows[0]));
                sum = hn::MulAdd(row(1), hn::Set(d, rows[1]), sum);
                sum = hn::MulAdd(row(2), hn::Set(d, rows[2]), sum);
                sum = hn::MulAdd(row(3), hn::Set(d, rows[3]), sum);
                hn::Store(hn::Mul(sum, hn::Load(d, columns + k)), d, weighted + k);
            }
            const auto pixel = hn::Add(hn::Add(hn::Load(d4, weighted), hn::Load(d4, weighted + 4)),
                                       hn::Add(hn::Load(d4, weighted + 8), hn::Load(d4, weighted + 12)));
            hn::Store(pixel, d4, sums + 4 * i);
        }
        // To bytes many at a time.
        for (int k = 0; k < 4 * count; k += static_cast<int>(lanes))
            hn::StoreU(hn::DemoteTo(d8, hn::NearestInt(hn::Load(d, sums + k))), d8, bytes + k);
        std::memcpy(job.out + 4 * static_cast<std::ptrdiff_t>(from), bytes, 4 * static_cast<std::size_t>(count));
        for (int i = 0; i < count && !allInside; ++i)
            if (places.offset[i] < 0)
                job.outside(job, from + i);
    }
}
#endif

} // namespace ember::HWY_NAMESPACE
HWY_AFTER_NAMESPACE();

#if HWY_ONCE
namespace ember {

HWY_EXPORT(warpRow);

void runWarpRow(const WarpRow& job)
{
    HWY_DYNAMIC_DISPATCH(warpRow)(job);
}

} // namespace ember
#endif
