// SPDX-License-Identifier: GPL-3.0-or-later
// Vector code: compiled once per instruction set, the best one is chosen at run time.
#undef HWY_TARGET_INCLUDE
#define HWY_TARGET_INCLUDE "warp_kernel.cpp"
#include <hwy/foreach_target.h>
#include <hwy/highway.h>

#include "warp_kernel.h"

#include <cmath>

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
/// Pixels of the source around which the four by four neighbours all exist are read straight from memory; `outside` is
/// called for the others.
void warpRow(const WarpRow& job)
{
    const hn::CappedTag<float, 16> d;
    const hn::Rebind<std::uint8_t, decltype(d)> d8;
    const hn::Rebind<std::int32_t, decltype(d)> d32;
    const hn::FixedTag<float, 4> d4;
    const hn::Rebind<std::uint8_t, decltype(d4)> d4u8;
    const std::size_t lanes = hn::Lanes(d);

    // Catmull-Rom weights as polynomials of f, four at once.
    alignas(16) static constexpr float k0[4] = {0.f, 1.f, 0.f, 0.f};
    alignas(16) static constexpr float k1[4] = {-.5f, 0.f, .5f, 0.f};
    alignas(16) static constexpr float k2[4] = {1.f, -2.5f, 2.f, -.5f};
    alignas(16) static constexpr float k3[4] = {-.5f, 1.5f, -1.5f, .5f};
    const auto c0 = hn::Load(d4, k0);
    const auto c1 = hn::Load(d4, k1);
    const auto c2 = hn::Load(d4, k2);
    const auto c3 = hn::Load(d4, k3);

    const double lastX = job.sourceWidth - 3;
    const double lastY = job.sourceHeight - 3;
    for (int x = 0; x < job.count; ++x) {
        const double w = job.w + job.dw * x;
        const double scale = job.affine ? 1.0 : 1.0 / w;
        const double sx = (job.x + job.dx * x) * scale;
        const double sy = (job.y + job.dy * x) * scale;
        const double fx = std::floor(sx);
        const double fy = std::floor(sy);
        if (!(w > 0 && fx >= 1 && fy >= 1 && fx <= lastX && fy <= lastY)) {
            job.outside(job, x);
            continue;
        }
        const auto tx = hn::Set(d4, static_cast<float>(sx - fx));
        const auto ty = hn::Set(d4, static_cast<float>(sy - fy));
        const auto wx = hn::MulAdd(hn::MulAdd(hn::MulAdd(c3, tx, c2), tx, c1), tx, c0);
        const auto wy = hn::MulAdd(hn::MulAdd(hn::MulAdd(c3, ty, c2), ty, c1), ty, c0);
        alignas(64) float columns[16];
        hn::Store(hn::Broadcast<0>(wx), d4, columns);
        hn::Store(hn::Broadcast<1>(wx), d4, columns + 4);
        hn::Store(hn::Broadcast<2>(wx), d4, columns + 8);
        hn::Store(hn::Broadcast<3>(wx), d4, columns + 12);
        alignas(16) float rows[4];
        hn::Store(wy, d4, rows);

        const std::uint8_t* top = job.source + (static_cast<std::ptrdiff_t>(fy) - 1) * job.sourceStride +
                                  (static_cast<std::ptrdiff_t>(fx) - 1) * 4;
        alignas(64) float weighted[16];
        for (std::size_t i = 0; i < 16; i += lanes) {
            auto sum = hn::Zero(d);
            for (std::ptrdiff_t r = 0; r < 4; ++r) {
                const auto bytes = hn::LoadU(d8, top + r * job.sourceStride + i);
                const auto values = hn::ConvertTo(d, hn::PromoteTo(d32, bytes));
                sum = hn::MulAdd(values, hn::Set(d, rows[r]), sum);
            }
            hn::Store(hn::Mul(sum, hn::Load(d, columns + i)), d, weighted + i);
        }
        const auto pixel = hn::Add(hn::Add(hn::Load(d4, weighted), hn::Load(d4, weighted + 4)),
                                   hn::Add(hn::Load(d4, weighted + 8), hn::Load(d4, weighted + 12)));
        hn::StoreU(hn::DemoteTo(d4u8, hn::NearestInt(pixel)), d4u8, job.out + 4 * static_cast<std::ptrdiff_t>(x));
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
