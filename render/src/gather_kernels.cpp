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

/// How much each channel of a look counts, for the vector that begins with channel k.
template <class D>
HWY_INLINE hn::Vec<D> weightOf(D d, const TileMaps& maps, std::size_t i, std::size_t k)
{
    return hn::LoadDup128(d, maps.weight + 4 * i + (HWY_TARGET == HWY_SCALAR ? k % 4 : 0));
}

/// Where the first of columns by rows pixels is seen, if all had the displacement of their middle. Never so far out
/// that one of their neighbours were outside the patch. Where two rows of pixels have places of their own, it is where
/// the row of the patch between them is met: half a row less fy below their middle.
template <bool affine, int columns, int rows, bool rowsChange = false>
HWY_INLINE void look(const TileMaps& maps, const TileMaps::Group& group, const GatherBlock& block, int x, int y,
                     Seen& seen)
{
    constexpr float backX = 0.5F * (columns - 1);
    constexpr float backY = 0.5F * (rows - 1);
    const hn::CappedTag<float, 16> d;
    const hn::Rebind<std::int32_t, decltype(d)> d32;
    const auto one = hn::Set(d, 1.0F);
    const auto vx = hn::Set(d, static_cast<float>(x) + backX);
    const auto vy = hn::Set(d, static_cast<float>(y) + backY);
    const auto rowStep = hn::Set(d32, static_cast<std::int32_t>(block.stride));
    for (std::size_t i = group.begin; i < group.end; i += hn::Lanes(d)) {
        const auto line = [&](std::size_t row) HWY_ATTR {
            return hn::MulAdd(hn::Load(d, maps.m[row] + i), vx,
                              hn::MulAdd(hn::Load(d, maps.m[row + 1] + i), vy, hn::Load(d, maps.m[row + 2] + i)));
        };
        auto sx = line(0);
        auto sy = line(3);
        if constexpr (!affine) {
            const auto w = hn::Div(one, line(6));
            sx = hn::Mul(sx, w);
            sy = hn::Mul(sy, w);
        }
        sx = hn::Sub(sx, hn::Set(d, backX));
        sy = hn::Sub(sy, hn::Set(d, backY));
        const auto ix = hn::Floor(sx);
        const auto iy = hn::Floor(sy);
        auto fx = hn::Sub(sx, ix);
        const auto fy = hn::Sub(sy, iy);
        if constexpr (rowsChange)
            fx = hn::MulAdd(hn::Sub(hn::Set(d, 0.5F), fy), hn::Load(d, maps.stepX + i), fx);
        hn::Store(fx, d, seen.fx + i);
        hn::Store(hn::Sub(one, fx), d, seen.gx + i);
        hn::Store(fy, d, seen.fy + i);
        const auto column = hn::ShiftLeft<2>(hn::ConvertTo(d32, ix));
        hn::Store(hn::Add(hn::Mul(hn::ConvertTo(d32, iy), rowStep), column), d32, seen.offset + i);
    }
}

/// Two neighbours side by side, the second counting f and the first g.
template <class D>
HWY_INLINE hn::Vec<D> beside(D d, const float* at, hn::Vec<D> f, hn::Vec<D> g)
{
    return hn::MulAdd(f, hn::LoadU(d, at + 4), hn::Mul(g, hn::LoadU(d, at)));
}

/// One displacement for the whole block: plain loads, the four neighbours of a row shared by the row above and below.
HWY_INLINE void gatherEven(const TileMaps& maps, const GatherBlock& block, const Seen& seen)
{
    const Wide d;
    const TileMaps::Group& group = maps.groups[0];
    const std::ptrdiff_t stride = block.stride;
    for (std::size_t k = 0; k < 4 * blockWidth; k += hn::Lanes(d)) {
        auto s0 = hn::Zero(d), s1 = s0, s2 = s0, s3 = s0, s4 = s0, s5 = s0, s6 = s0, s7 = s0;
        for (std::size_t i = group.begin; i < group.end; ++i) {
            const float* at = block.patch + seen.offset[i] + k;
            const auto fx = hn::Set(d, seen.fx[i]);
            const auto gx = hn::Set(d, seen.gx[i]);
            const auto weight = weightOf(d, maps, i, k);
            const auto below = hn::Mul(weight, hn::Set(d, seen.fy[i]));
            const auto above = hn::Sub(weight, below);
            // Each neighbour is used once, so that it need not be loaded by itself.
            auto upper = beside(d, at, fx, gx);
            auto lower = beside(d, at + stride, fx, gx);
            s0 = hn::MulAdd(above, upper, hn::MulAdd(below, lower, s0));
            upper = beside(d, at + 2 * stride, fx, gx);
            s1 = hn::MulAdd(above, lower, hn::MulAdd(below, upper, s1));
            lower = beside(d, at + 3 * stride, fx, gx);
            s2 = hn::MulAdd(above, upper, hn::MulAdd(below, lower, s2));
            at += 4 * stride;
            upper = beside(d, at, fx, gx);
            s3 = hn::MulAdd(above, lower, hn::MulAdd(below, upper, s3));
            lower = beside(d, at + stride, fx, gx);
            s4 = hn::MulAdd(above, upper, hn::MulAdd(below, lower, s4));
            upper = beside(d, at + 2 * stride, fx, gx);
            s5 = hn::MulAdd(above, lower, hn::MulAdd(below, upper, s5));
            lower = beside(d, at + 3 * stride, fx, gx);
            s6 = hn::MulAdd(above, upper, hn::MulAdd(below, lower, s6));
            upper = beside(d, at + 4 * stride, fx, gx);
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

/// One neighbourhood for four pixels in each of four rows, with weights that change along the row.
struct Leaning {
    static constexpr Grain grain = Grain::leaning;
    static constexpr int columns = blockWidth;
    static constexpr int rows = 4;
    static constexpr int pieceHeight = 4;
    HWY_INLINE static void gather(const TileMaps& maps, const GatherBlock& block, const Seen* seen)
    {
        const Wide d;
        const TileMaps::Group& group = maps.groups[1];
        float* to = block.out;
        for (std::size_t k = 0; k < 4 * blockWidth; k += hn::Lanes(d)) {
            auto s0 = hn::LoadU(d, to + k);
            auto s1 = hn::LoadU(d, to + k + block.outStride);
            auto s2 = hn::LoadU(d, to + k + 2 * block.outStride);
            auto s3 = hn::LoadU(d, to + k + 3 * block.outStride);
            for (std::size_t i = group.begin; i < group.end; ++i) {
                const float* at = block.patch + seen->offset[i] + k;
                const auto fx = hn::Add(hn::Set(d, seen->fx[i]), hn::Load(d, maps.leanX + 16 * i + k));
                const auto fy = hn::Add(hn::Set(d, seen->fy[i]), hn::Load(d, maps.leanY + 16 * i + k));
                const auto gx = hn::Sub(hn::Set(d, 1.0F), fx);
                const auto weight = weightOf(d, maps, i, k);
                const auto below = hn::Mul(weight, fy);
                const auto above = hn::Sub(weight, below);
                auto upper = beside(d, at, fx, gx);
                auto lower = beside(d, at + block.stride, fx, gx);
                s0 = hn::MulAdd(above, upper, hn::MulAdd(below, lower, s0));
                upper = beside(d, at + 2 * block.stride, fx, gx);
                s1 = hn::MulAdd(above, lower, hn::MulAdd(below, upper, s1));
                at += 3 * block.stride;
                lower = beside(d, at, fx, gx);
                s2 = hn::MulAdd(above, upper, hn::MulAdd(below, lower, s2));
                upper = beside(d, at + block.stride, fx, gx);
                s3 = hn::MulAdd(above, lower, hn::MulAdd(below, upper, s3));
            }
            hn::StoreU(s0, d, to + k);
            hn::StoreU(s1, d, to + k + block.outStride);
            hn::StoreU(s2, d, to + k + 2 * block.outStride);
            hn::StoreU(s3, d, to + k + 3 * block.outStride);
        }
    }
};

/// One neighbourhood for four pixels in each of two rows, with weights that change along the row and from row to row.
/// The row of the patch between the two is met once, where the middle between them looks: as the two weights down sum
/// to nothing over their distance from it, so does the difference.
struct Sheared {
    static constexpr Grain grain = Grain::sheared;
    static constexpr int columns = blockWidth;
    static constexpr int rows = 2;
    static constexpr int pieceHeight = 8;
    HWY_INLINE static void gather(const TileMaps& maps, const GatherBlock& block, const Seen* seen)
    {
        const Wide d;
        const TileMaps::Group& group = maps.groups[2];
        float* to = block.out;
        for (std::size_t k = 0; k < 4 * blockWidth; k += hn::Lanes(d)) {
            auto s0 = hn::LoadU(d, to + k);
            auto s1 = hn::LoadU(d, to + k + block.outStride);
            auto s2 = hn::LoadU(d, to + k + 2 * block.outStride);
            auto s3 = hn::LoadU(d, to + k + 3 * block.outStride);
            auto s4 = hn::LoadU(d, to + k + 4 * block.outStride);
            auto s5 = hn::LoadU(d, to + k + 5 * block.outStride);
            auto s6 = hn::LoadU(d, to + k + 6 * block.outStride);
            auto s7 = hn::LoadU(d, to + k + 7 * block.outStride);
            for (std::size_t i = group.begin; i < group.end; ++i) {
                const auto weight = weightOf(d, maps, i, k);
                const auto stepX = hn::Set(d, maps.stepX[i]);
                const auto leanX = hn::Load(d, maps.leanX + 16 * i + k);
                const auto leanY = hn::Load(d, maps.leanY + 16 * i + k);
                const auto leanBelow = hn::Load(d, maps.leanBelow + 16 * i + k);
                const auto two = [&](const Seen& place, auto& first, auto& second) HWY_ATTR {
                    const float* at = block.patch + place.offset[i] + k;
                    const float* middle = at + block.stride;
                    const float* last = middle + block.stride;
                    const auto evenY = hn::Set(d, place.fy[i]);
                    const auto fx = hn::Add(hn::Set(d, place.fx[i]), leanX);
                    const auto between = [&](const float* from, auto f) HWY_ATTR {
                        const auto left = hn::LoadU(d, from);
                        return hn::MulAdd(f, hn::Sub(hn::LoadU(d, from + 4), left), left);
                    };
                    const auto upper = between(at, hn::Sub(fx, stepX));
                    const auto here = between(middle, fx);
                    const auto lower = between(last, hn::Add(fx, stepX));
                    first = hn::MulAdd(weight, hn::MulAdd(hn::Add(evenY, leanY), hn::Sub(here, upper), upper), first);
                    second =
                        hn::MulAdd(weight, hn::MulAdd(hn::Add(evenY, leanBelow), hn::Sub(lower, here), here), second);
                };
                two(seen[0], s0, s1);
                two(seen[1], s2, s3);
                two(seen[2], s4, s5);
                two(seen[3], s6, s7);
            }
            hn::StoreU(s0, d, to + k);
            hn::StoreU(s1, d, to + k + block.outStride);
            hn::StoreU(s2, d, to + k + 2 * block.outStride);
            hn::StoreU(s3, d, to + k + 3 * block.outStride);
            hn::StoreU(s4, d, to + k + 4 * block.outStride);
            hn::StoreU(s5, d, to + k + 5 * block.outStride);
            hn::StoreU(s6, d, to + k + 6 * block.outStride);
            hn::StoreU(s7, d, to + k + 7 * block.outStride);
        }
    }
};

/// One neighbourhood for two pixels in each of two rows, each with weights of its own.
#undef EMBER_BOTH_ROWS
#define EMBER_BOTH_ROWS (HWY_ARCH_X86 && HWY_MAX_BYTES >= 64) // whether one vector holds both
struct Turned {
    static constexpr Grain grain = Grain::turned;
    static constexpr int columns = 2;
    static constexpr int rows = 2;
    static constexpr int pieceHeight = 4;
    HWY_INLINE static void gather(const TileMaps& maps, const GatherBlock& block, const Seen* seen)
    {
        const Wide d;
        const TileMaps::Group& group = maps.groups[3];
        constexpr std::size_t row = 4 * columns;
        for (std::size_t k = 0; k < rows * row; k += hn::Lanes(d)) {
            const auto both = [&](const float* from, std::ptrdiff_t stride) HWY_ATTR {
#if EMBER_BOTH_ROWS
                const hn::Half<Wide> half;
                return hn::Combine(d, hn::LoadU(half, from + stride), hn::LoadU(half, from));
#else
                return hn::LoadU(d, from + static_cast<std::ptrdiff_t>(k / row) * stride + k % row);
#endif
            };
            auto s0 = hn::Zero(d), s1 = s0, s2 = s0, s3 = s0;
            for (std::size_t i = group.begin; i < group.end; ++i) {
                const auto weight = weightOf(d, maps, i, k);
                const auto leanX = hn::Load(d, maps.leanX + 16 * i + k);
                const auto leanY = hn::Load(d, maps.leanY + 16 * i + k);
                const auto add = [&](const Seen& place, auto& sum) HWY_ATTR {
                    const float* at = block.patch + place.offset[i];
                    const auto fx = hn::Add(hn::Set(d, place.fx[i]), leanX);
                    const auto fy = hn::Add(hn::Set(d, place.fy[i]), leanY);
                    const auto between = [&](const float* from) HWY_ATTR {
                        const auto left = both(from, block.stride);
                        return hn::MulAdd(fx, hn::Sub(both(from + 4, block.stride), left), left);
                    };
                    const auto upper = between(at);
                    const auto lower = between(at + block.stride);
                    sum = hn::MulAdd(weight, hn::MulAdd(fy, hn::Sub(lower, upper), upper), sum);
                };
                add(seen[0], s0);
                add(seen[1], s1);
                add(seen[2], s2);
                add(seen[3], s3);
            }
            const auto put = [&](auto sum, float* first) HWY_ATTR {
                float* to = first + static_cast<std::ptrdiff_t>(k / row) * block.outStride + k % row;
#if EMBER_BOTH_ROWS
                const hn::Half<Wide> half;
                float* below = to + block.outStride;
                hn::StoreU(hn::Add(hn::LowerHalf(half, sum), hn::LoadU(half, to)), half, to);
                hn::StoreU(hn::Add(hn::UpperHalf(half, sum), hn::LoadU(half, below)), half, below);
#else
                hn::StoreU(hn::Add(sum, hn::LoadU(d, to)), d, to);
#endif
            };
            put(s0, block.out);
            put(s1, block.out + row);
            put(s2, block.out + rows * block.outStride);
            put(s3, block.out + rows * block.outStride + row);
        }
    }
};

/// Each pixel by itself.
template <bool affine>
HWY_INLINE void gatherSingly(const TileMaps& maps, const GatherBlock& block)
{
    const hn::CappedTag<float, 4> d;
    const TileMaps::Group& group = maps.groups[4];
    Seen seen;
    for (int y = 0; y < blockHeight; ++y)
        for (int x = 0; x < blockWidth; ++x) {
            look<affine, 1, 1>(maps, group, block, block.x + x, block.y + y, seen);
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
                    const auto weight = weightOf(d, maps, i, k);
                    sum = hn::MulAdd(weight, hn::MulAdd(hn::Set(d, seen.fy[i]), hn::Sub(lower, upper), upper), sum);
                }
                hn::StoreU(sum, d, to + k);
            }
        }
}

/// Adds up a group for a row of blocks. Where the next pixels are seen is worked out before these are added up, so
/// that neither waits for the other.
template <bool affine, class Group>
HWY_INLINE void gatherGroup(const TileMaps& maps, const GatherBlock& first, int blocks)
{
    const auto& group = maps.groups[static_cast<std::size_t>(Group::grain)];
    if (group.begin == group.end)
        return;
    constexpr int pieceHeight = Group::pieceHeight;
    constexpr int down = blockHeight / pieceHeight;
    Seen seen[2][blockWidth / Group::columns * (pieceHeight / Group::rows)];
    const auto at = [&](int step) HWY_ATTR {
        GatherBlock block = first;
        const int x = step / down * blockWidth;
        const int y = step % down * pieceHeight;
        block.x += x;
        block.y += y;
        block.out += static_cast<std::ptrdiff_t>(4) * x + y * block.outStride;
        return block;
    };
    const auto lookAt = [&](const GatherBlock& block, Seen* to) HWY_ATTR {
        for (int y = 0; y < pieceHeight; y += Group::rows)
            for (int x = 0; x < blockWidth; x += Group::columns)
                look<affine, Group::columns, Group::rows, Group::grain == Grain::sheared>(
                    maps, group, block, block.x + x, block.y + y, *to++);
    };
    lookAt(first, seen[0]);
    for (int n = 0; n < blocks * down; ++n) {
        lookAt(at(n + 1), seen[(n + 1) % 2]);
        Group::gather(maps, at(n), seen[n % 2]);
    }
}

/// The groups that are made block by block; those that share smaller neighbourhoods are added to what they leave.
template <bool affine>
HWY_INLINE void gatherAll(const TileMaps& maps, const GatherBlock& first, int blocks)
{
    GatherBlock block = first;
    Seen even[2];
    look<affine, blockWidth, blockHeight>(maps, maps.groups[0], block, block.x, block.y, even[0]);
    for (int b = 0; b < blocks; ++b) {
        if (maps.shifted) {
            GatherBlock along = block;
            along.patch += 4 * static_cast<std::ptrdiff_t>(block.x - first.x);
            gatherEven(maps, along, even[0]);
        } else {
            look<affine, blockWidth, blockHeight>(maps, maps.groups[0], block, block.x + blockWidth, block.y,
                                                  even[(b + 1) % 2]);
            gatherEven(maps, block, even[b % 2]);
        }
        if (maps.groups[4].begin < maps.groups[4].end)
            gatherSingly<affine>(maps, block);
        block.x += blockWidth;
        block.out += 4 * blockWidth;
    }
    gatherGroup<affine, Leaning>(maps, first, blocks);
    gatherGroup<affine, Sheared>(maps, first, blocks);
    gatherGroup<affine, Turned>(maps, first, blocks);
}

void gatherBlocks(const TileMaps& maps, const GatherBlock& first, int blocks)
{
    if (maps.affine)
        gatherAll<true>(maps, first, blocks);
    else
        gatherAll<false>(maps, first, blocks);
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
