// SPDX-License-Identifier: GPL-3.0-or-later
// Vector code: looks added up. Compiled once per instruction set, the best one is chosen at run time.
#undef HWY_TARGET_INCLUDE
#define HWY_TARGET_INCLUDE "gather_kernels.cpp"
#include <hwy/foreach_target.h>
#include <hwy/highway.h>

#include "kernels.h"
#include "vectors-inl.h"

#include <cmath>
#include <cstring>

HWY_BEFORE_NAMESPACE();
namespace ember::HWY_NAMESPACE {
namespace hn = hwy::HWY_NAMESPACE;

/// Where the looks of a group see one place of the tile: the upper left neighbour (floats from the patch's origin) and
/// how far beyond it.
struct Seen {
    alignas(64) std::int32_t offset[mostLooks];
    alignas(64) float fx[mostLooks];
    alignas(64) float gx[mostLooks]; ///< 1 - fx
    alignas(64) float fy[mostLooks];
};

/// Where the first of columns by rows pixels is seen, if all had the displacement of their middle. Never so far out
/// that one of their neighbours were outside the patch.
template <int columns, int rows>
HWY_INLINE void look(const TileMaps& maps, const TileMaps::Group& group, const GatherBlock& block, int x, int y,
                     Seen& seen)
{
    constexpr float backX = 0.5F * (columns - 1);
    constexpr float backY = 0.5F * (rows - 1);
    const hn::CappedTag<float, 16> d;
    const hn::Rebind<std::int32_t, decltype(d)> d32;
    const auto vx = hn::Set(d, static_cast<float>(x) + backX);
    const auto vy = hn::Set(d, static_cast<float>(y) + backY);
    const auto rowStep = hn::Set(d32, static_cast<std::int32_t>(block.stride));
    for (std::size_t i = group.begin; i < group.end; i += hn::Lanes(d)) {
        const auto line = [&](std::size_t row) HWY_ATTR {
            return hn::MulAdd(hn::Load(d, maps.m[row] + i), vx,
                              hn::MulAdd(hn::Load(d, maps.m[row + 1] + i), vy, hn::Load(d, maps.m[row + 2] + i)));
        };
        const auto w = line(6);
        const auto sx = hn::Sub(hn::Div(line(0), w), hn::Set(d, backX));
        const auto sy = hn::Sub(hn::Div(line(3), w), hn::Set(d, backY));
        const auto ix = hn::Floor(sx);
        const auto iy = hn::Floor(sy);
        const auto fx = hn::Sub(sx, ix);
        hn::Store(fx, d, seen.fx + i);
        hn::Store(hn::Sub(hn::Set(d, 1.0F), fx), d, seen.gx + i);
        hn::Store(hn::Sub(sy, iy), d, seen.fy + i);
        const auto column = hn::ShiftLeft<2>(hn::ConvertTo(d32, ix));
        hn::Store(hn::Add(hn::Mul(hn::ConvertTo(d32, iy), rowStep), column), d32, seen.offset + i);
    }
}

/// One displacement for the whole block: plain loads, the four neighbours of a row shared by the row above and below.
HWY_INLINE void gatherEven(const TileMaps& maps, const TileMaps::Group& group, const GatherBlock& block)
{
    const Wide d;
    Seen seen;
    look<blockWidth, blockHeight>(maps, group, block, block.x, block.y, seen);
    const std::ptrdiff_t stride = block.stride;
    for (std::size_t k = 0; k < 4 * blockWidth; k += hn::Lanes(d)) {
        auto s0 = hn::Zero(d), s1 = s0, s2 = s0, s3 = s0, s4 = s0, s5 = s0, s6 = s0, s7 = s0;
        for (std::size_t i = group.begin; i < group.end; ++i) {
            const float* at = block.patch + seen.offset[i] + k;
            const auto fx = hn::Set(d, seen.fx[i]);
            const auto gx = hn::Set(d, seen.gx[i]);
            const auto weight = hn::LoadDup128(d, maps.weight + 4 * i);
            const auto below = hn::Mul(weight, hn::Set(d, seen.fy[i]));
            const auto above = hn::Sub(weight, below);
            // Each of the two neighbours is used once, so that it need not be loaded by itself.
            const auto next = [&]() HWY_ATTR {
                const auto row = hn::MulAdd(fx, hn::LoadU(d, at + 4), hn::Mul(gx, hn::LoadU(d, at)));
                at += stride;
                return row;
            };
            auto upper = next();
            auto lower = next();
            s0 = hn::MulAdd(above, upper, hn::MulAdd(below, lower, s0));
            upper = next();
            s1 = hn::MulAdd(above, lower, hn::MulAdd(below, upper, s1));
            lower = next();
            s2 = hn::MulAdd(above, upper, hn::MulAdd(below, lower, s2));
            upper = next();
            s3 = hn::MulAdd(above, lower, hn::MulAdd(below, upper, s3));
            lower = next();
            s4 = hn::MulAdd(above, upper, hn::MulAdd(below, lower, s4));
            upper = next();
            s5 = hn::MulAdd(above, lower, hn::MulAdd(below, upper, s5));
            lower = next();
            s6 = hn::MulAdd(above, upper, hn::MulAdd(below, lower, s6));
            upper = next();
            s7 = hn::MulAdd(above, lower, hn::MulAdd(below, upper, s7));
        }
        float* to = block.out + k;
        hn::StoreU(s0, d, to);
        hn::StoreU(s1, d, to + block.outStride);
        hn::StoreU(s2, d, to + 2 * block.outStride);
        hn::StoreU(s3, d, to + 3 * block.outStride);
        hn::StoreU(s4, d, to + 4 * block.outStride);
        hn::StoreU(s5, d, to + 5 * block.outStride);
        hn::StoreU(s6, d, to + 6 * block.outStride);
        hn::StoreU(s7, d, to + 7 * block.outStride);
    }
}

/// One neighbourhood for four pixels in each of four rows, with weights that change along the row and, where `down`,
/// from row to row. Each row of the patch is met once, where the middle between the pixels above and below it looks: as
/// the two weights down sum to nothing over their distance from it, so does the difference.
template <bool down>
HWY_INLINE void gatherSheared(const TileMaps& maps, const TileMaps::Group& group, const GatherBlock& block)
{
    constexpr int rows = 4;
    const Wide d;
    Seen seen;
    for (int y = 0; y < blockHeight; y += rows) {
        look<blockWidth, rows>(maps, group, block, block.x, block.y + y, seen);
        float* to = block.out + y * block.outStride;
        for (std::size_t k = 0; k < 4 * blockWidth; k += hn::Lanes(d)) {
            auto s0 = hn::LoadU(d, to + k);
            auto s1 = hn::LoadU(d, to + k + block.outStride);
            auto s2 = hn::LoadU(d, to + k + 2 * block.outStride);
            auto s3 = hn::LoadU(d, to + k + 3 * block.outStride);
            for (std::size_t i = group.begin; i < group.end; ++i) {
                const float* at = block.patch + seen.offset[i] + k;
                const auto weight = hn::LoadDup128(d, maps.weight + 4 * i);
                auto fx = hn::Add(hn::Set(d, seen.fx[i]), hn::Load(d, maps.leanX + 16 * i + k));
                auto fy = hn::Add(hn::Set(d, seen.fy[i]), hn::Load(d, maps.leanY + 16 * i + k));
                auto stepX = hn::Zero(d), stepY = stepX;
                if constexpr (down) {
                    // The first row of the patch lies fy above the first pixel, which lies 1.5 above the middle.
                    const auto above = hn::Set(d, -0.5F * (rows - 1));
                    stepX = hn::Set(d, maps.stepX[i]);
                    stepY = hn::Set(d, maps.stepY[i]);
                    fx = hn::MulAdd(hn::Sub(above, hn::Set(d, seen.fy[i])), stepX, fx);
                    fy = hn::MulAdd(above, stepY, fy);
                }
                auto gx = hn::Sub(hn::Set(d, 1.0F), fx);
                auto below = hn::Mul(weight, fy);
                auto above = hn::Sub(weight, below);
                const auto step = hn::Mul(weight, stepY);
                // Each of the two neighbours is used once, so that it need not be loaded by itself.
                const auto next = [&]() HWY_ATTR {
                    const auto row = hn::MulAdd(fx, hn::LoadU(d, at + 4), hn::Mul(gx, hn::LoadU(d, at)));
                    at += block.stride;
                    if constexpr (down) {
                        fx = hn::Add(fx, stepX);
                        gx = hn::Sub(gx, stepX);
                    }
                    return row;
                };
                const auto between = [&](auto upper, auto lower, auto sum) HWY_ATTR {
                    const auto out = hn::MulAdd(above, upper, hn::MulAdd(below, lower, sum));
                    if constexpr (down) {
                        below = hn::Add(below, step);
                        above = hn::Sub(above, step);
                    }
                    return out;
                };
                auto upper = next();
                auto lower = next();
                s0 = between(upper, lower, s0);
                upper = next();
                s1 = between(lower, upper, s1);
                lower = next();
                s2 = between(upper, lower, s2);
                upper = next();
                s3 = between(lower, upper, s3);
            }
            hn::StoreU(s0, d, to + k);
            hn::StoreU(s1, d, to + k + block.outStride);
            hn::StoreU(s2, d, to + k + 2 * block.outStride);
            hn::StoreU(s3, d, to + k + 3 * block.outStride);
        }
    }
}

/// Each pixel by itself.
HWY_INLINE void gatherSingly(const TileMaps& maps, const TileMaps::Group& group, const GatherBlock& block)
{
    const hn::CappedTag<float, 4> d;
    Seen seen;
    for (int y = 0; y < blockHeight; ++y)
        for (int x = 0; x < blockWidth; ++x) {
            look<1, 1>(maps, group, block, block.x + x, block.y + y, seen);
            float* to = block.out + y * block.outStride + 4 * static_cast<std::ptrdiff_t>(x);
            for (std::size_t k = 0; k < 4; k += hn::Lanes(d)) {
                auto sum = hn::LoadU(d, to + k);
                for (std::size_t i = group.begin; i < group.end; ++i) {
                    const float* at = block.patch + seen.offset[i] + k;
                    const float* next = at + block.stride;
                    const auto fx = hn::Set(d, seen.fx[i]);
                    const auto left = hn::LoadU(d, at);
                    const auto upper = hn::MulAdd(fx, hn::Sub(hn::LoadU(d, at + 4), left), left);
                    const auto leftBelow = hn::LoadU(d, next);
                    const auto lower = hn::MulAdd(fx, hn::Sub(hn::LoadU(d, next + 4), leftBelow), leftBelow);
                    const auto weight = hn::LoadU(d, maps.weight + 4 * i + k);
                    sum = hn::MulAdd(weight, hn::MulAdd(hn::Set(d, seen.fy[i]), hn::Sub(lower, upper), upper), sum);
                }
                hn::StoreU(sum, d, to + k);
            }
        }
}

void gatherBlocks(const TileMaps& maps, const GatherBlock& first, int blocks)
{
    GatherBlock block = first;
    for (int b = 0; b < blocks; ++b) {
        const auto& groups = maps.groups;
        gatherEven(maps, groups[0], block);
        if (groups[1].begin < groups[1].end)
            gatherSheared<false>(maps, groups[1], block);
        if (groups[2].begin < groups[2].end)
            gatherSheared<true>(maps, groups[2], block);
        if (groups[3].begin < groups[3].end)
            gatherSingly(maps, groups[3], block);
        block.x += blockWidth;
        block.out += 4 * blockWidth;
    }
}

} // namespace ember::HWY_NAMESPACE
HWY_AFTER_NAMESPACE();

#if HWY_ONCE
namespace ember {

HWY_EXPORT(gatherBlocks);

void runGatherBlocks(const TileMaps& maps, const GatherBlock& first, int blocks)
{
    HWY_DYNAMIC_DISPATCH(gatherBlocks)(maps, first, blocks);
}

} // namespace ember
#endif
