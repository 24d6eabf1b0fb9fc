// SPDX-License-Identifier: GPL-3.0-or-later
// Vector code: Catmull-Rom in floats. Compiled once per instruction set, the best one is chosen at run time.
#undef HWY_TARGET_INCLUDE
#define HWY_TARGET_INCLUDE "cubic_kernels.cpp"
#include <hwy/foreach_target.h>
#include <hwy/highway.h>

#include "kernels.h"
#include "vectors-inl.h"

#include <cmath>
#include <cstring>

HWY_BEFORE_NAMESPACE();
namespace ember::HWY_NAMESPACE {
namespace hn = hwy::HWY_NAMESPACE;

constexpr int run = 64; ///< pixels whose places are found together

/// Where the first of sixteen neighbours lies (floats from the patch's origin) and which phases it has.
struct Places {
    std::int32_t offset[run];
    std::int32_t across[run];
    std::int32_t down[run];
};

HWY_INLINE void findPlaces(const CubicRow& job, int from, int count, Places& places)
{
    const auto put = [&](int i, std::int64_t qx, std::int64_t qy) HWY_ATTR {
        places.across[i] = static_cast<std::int32_t>(qx & (phaseCount - 1));
        places.down[i] = static_cast<std::int32_t>(qy & (phaseCount - 1));
        places.offset[i] =
            static_cast<std::int32_t>(((qy >> phaseBits) - 1) * job.stride + 4 * ((qx >> phaseBits) - 1));
    };
    if (job.placesX != nullptr) {
        for (int i = 0; i < count; ++i)
            put(i, static_cast<std::int64_t>(job.placesX[from + i] * phaseCount + 0.5F),
                static_cast<std::int64_t>(job.placesY[from + i] * phaseCount + 0.5F));
        return;
    }
    if (job.affine) {
        // Straight lines in fixed point: whole phases with 32 bits behind them.
        const double unit = phaseCount * 4294967296.0;
        const auto dx = static_cast<std::int64_t>(job.dx * unit);
        const auto dy = static_cast<std::int64_t>(job.dy * unit);
        auto x = static_cast<std::int64_t>((job.x + job.dx * from) * unit) + (std::int64_t{1} << 31);
        auto y = static_cast<std::int64_t>((job.y + job.dy * from) * unit) + (std::int64_t{1} << 31);
        for (int i = 0; i < count; ++i) {
            put(i, (x + i * dx) >> 32, (y + i * dy) >> 32);
        }
        return;
    }
    for (int i = 0; i < count; ++i) {
        const double depth = 1.0 / (job.w + job.dw * (from + i));
        put(i, static_cast<std::int64_t>((job.x + job.dx * (from + i)) * depth * phaseCount + 0.5),
            static_cast<std::int64_t>((job.y + job.dy * (from + i)) * depth * phaseCount + 0.5));
    }
}

#if HWY_TARGET == HWY_SCALAR
HWY_INLINE void cubicPixels(const CubicRow& job, const Places& places, int i, float* out)
{
    const float* columns = (*job.weights)[places.across[i]];
    const float* rows = (*job.weights)[places.down[i]];
    const float* top = job.patch + places.offset[i];
    for (int k = 0; k < 4; ++k) {
        float sum = 0;
        for (int c = 0; c < 4; ++c) {
            float down = 0;
            for (int r = 0; r < 4; ++r)
                down += rows[r] * top[r * job.stride + 4 * c + k];
            sum += columns[c] * down;
        }
        out[k] = sum;
    }
}
constexpr int together = 1;
#else
/// Four weights as the lanes of four pixels side by side want them; `part` is which of the sixteen lanes.
template <class D>
HWY_INLINE hn::Vec<D> spread(D d, const float* four, std::size_t part)
{
    alignas(64) static constexpr std::int32_t quads[24] = {0, 0, 0, 0, 1, 1, 1, 1, 2, 2, 2, 2, 3, 3, 3, 3};
    if constexpr (hn::MaxLanes(D()) >= 8)
        return hn::TableLookupLanes(hn::LoadDup128(d, four), hn::SetTableIndices(d, quads + part));
    else
        return hn::Set(d, four[part / 4]);
}

/// The products of one pixel: lanes k of each group of four belong to one neighbour across.
template <class D>
HWY_INLINE hn::Vec<D> weighed(D d, const CubicRow& job, const Places& places, int i, std::size_t part)
{
    const float* rows = (*job.weights)[places.down[i]];
    const float* top = job.patch + places.offset[i] + part;
    // Down the columns first, pixels side by side; then across.
    auto down = hn::Mul(hn::LoadU(d, top), hn::Set(d, rows[0]));
    down = hn::MulAdd(hn::LoadU(d, top + job.stride), hn::Set(d, rows[1]), down);
    down = hn::MulAdd(hn::LoadU(d, top + 2 * job.stride), hn::Set(d, rows[2]), down);
    down = hn::MulAdd(hn::LoadU(d, top + 3 * job.stride), hn::Set(d, rows[3]), down);
    return hn::Mul(down, spread(d, (*job.weights)[places.across[i]], part));
}

constexpr int together = static_cast<int>(hn::MaxLanes(Wide()) / 4); ///< pixels in a vector

/// One vector of pixels, each the sum of four groups of lanes. `pixel(n, part)` are the products of the n-th.
template <class Products>
HWY_INLINE void foldPixels(Products pixel, float* out)
{
    const Wide d;
    const auto halves = [](auto low, auto high) HWY_ATTR {
        const Wide w;
        return hn::Add(hn::ConcatLowerLower(w, high, low), hn::ConcatUpperUpper(w, high, low));
    };
    if constexpr (together == 4) {
        const auto even = halves(pixel(0, 0), pixel(2, 0));
        const auto odd = halves(pixel(1, 0), pixel(3, 0));
        hn::StoreU(hn::Add(hn::OddEvenBlocks(odd, even), hn::SwapAdjacentBlocks(hn::OddEvenBlocks(even, odd))), d, out);
    } else if constexpr (together == 2) {
        hn::StoreU(halves(hn::Add(pixel(0, 0), pixel(0, 8)), hn::Add(pixel(1, 0), pixel(1, 8))), d, out);
    } else {
        hn::StoreU(hn::Add(hn::Add(pixel(0, 0), pixel(0, 8)), hn::Add(pixel(0, 4), pixel(0, 12))), d, out);
    }
}

HWY_INLINE void cubicPixels(const CubicRow& job, const Places& places, int i, float* out)
{
    const Wide d;
    foldPixels([&](int n, std::size_t part) HWY_ATTR { return weighed(d, job, places, i + n, part); }, out);
}
#endif

void cubicRow(const CubicRow& job)
{
    Places places;
    for (int from = 0; from < job.count; from += run) {
        const int count = job.count - from < run ? job.count - from : run;
        findPlaces(job, from, count, places);
        float* out = job.out + 4 * static_cast<std::ptrdiff_t>(from);
        int i = 0;
        for (; i + together <= count; i += together)
            cubicPixels(job, places, i, out + 4 * static_cast<std::ptrdiff_t>(i));
        if (i == count)
            continue;
        // The rest with the last place repeated, into a buffer.
        for (int n = count; n < i + together; ++n) {
            places.offset[n] = places.offset[count - 1];
            places.across[n] = places.across[count - 1];
            places.down[n] = places.down[count - 1];
        }
        float rest[16];
        cubicPixels(job, places, i, rest);
        std::memcpy(out + 4 * static_cast<std::ptrdiff_t>(i), rest,
                    sizeof(float) * 4 * static_cast<std::size_t>(count - i));
    }
}

/// Pixels with the Catmull-Rom weights at f beyond the neighbours at `at`, written as two-neighbour interpolation and
/// what sharpens it.
template <class D>
HWY_INLINE hn::Vec<D> cubicBetween(D d, const float* at, std::ptrdiff_t stride, hn::Vec<D> f)
{
    const auto g = hn::Sub(hn::Set(d, 1.0F), f);
    const auto half = hn::Mul(f, hn::Set(d, 0.5F));
    const auto t = hn::Mul(half, g);
    const auto three = hn::MulAdd(f, hn::Set(d, 3.0F), hn::Set(d, -1.0F));
    const auto w1 = hn::NegMulAdd(t, hn::Sub(three, hn::Set(d, 1.0F)), g);
    const auto w2 = hn::MulAdd(t, three, f);
    const auto inner = hn::MulAdd(w2, hn::LoadU(d, at + stride), hn::Mul(w1, hn::LoadU(d, at)));
    const auto outer = hn::MulAdd(f, hn::LoadU(d, at + 2 * stride), hn::Mul(g, hn::LoadU(d, at - stride)));
    return hn::NegMulAdd(t, outer, inner);
}

#if HWY_TARGET == HWY_SCALAR
void cubicLine(const CubicLine& job)
{
    const hn::CappedTag<float, 1> d;
    for (int i = 0; i < job.count; ++i) {
        const double place = job.place + job.drift * i;
        const double neighbour = std::floor(place);
        const float* at = job.line + static_cast<std::ptrdiff_t>(neighbour) * job.stride + 4 * i;
        for (int k = 0; k < 4; ++k)
            job.out[4 * i + k] =
                hn::GetLane(cubicBetween(d, at + k, job.stride, hn::Set(d, static_cast<float>(place - neighbour))));
    }
}
#else
void cubicLine(const CubicLine& given)
{
    const Wide d;
    const CubicLine job = given; // a copy of one's own is not read again after every store
    constexpr int lanes = static_cast<int>(hn::MaxLanes(Wide()));
    alignas(64) static constexpr float pixelOf[16] = {0, 0, 0, 0, 1, 1, 1, 1, 2, 2, 2, 2, 3, 3, 3, 3};
    constexpr int pixels = lanes / 4;
    constexpr double unit = 4294967296.0;
    const auto one = hn::Set(d, 1.0F);
    // In fixed point for what neighbours are met, in floats for how far beyond them.
    auto first = static_cast<std::int64_t>(job.place * unit);
    const auto step = static_cast<std::int64_t>(job.drift * pixels * unit);
    const auto across = static_cast<std::int64_t>(job.drift * (pixels - 1) * unit);
    const std::int64_t least = across < 0 ? across : 0; ///< from a vector's first pixel to the one with the least place
    const std::int64_t greatest = across < 0 ? 0 : across;
    std::int64_t neighbour = (first + least) >> 32;
    const float* at = job.line + neighbour * job.stride;
    auto f = hn::MulAdd(
        hn::Load(d, pixelOf), hn::Set(d, static_cast<float>(job.drift)),
        hn::Set(d, static_cast<float>(static_cast<double>(first - neighbour * (std::int64_t{1} << 32)) / unit)));
    const auto drift = hn::Set(d, static_cast<float>(job.drift * pixels));
    for (int k = 0; k < 4 * job.count; k += lanes) {
        auto sum = cubicBetween(d, at, job.stride, f);
        if (((first + greatest) >> 32) != neighbour) { // other neighbours are met within this vector
            const auto beyond = cubicBetween(d, at + job.stride, job.stride, hn::Sub(f, one));
            sum = hn::IfThenElse(hn::Lt(f, one), sum, beyond);
        }
        if (k + lanes <= 4 * job.count) {
            hn::StoreU(sum, d, job.out + k);
        } else {
            alignas(64) float rest[16];
            hn::Store(sum, d, rest);
            std::memcpy(job.out + k, rest, sizeof(float) * static_cast<std::size_t>(4 * job.count - k));
        }
        first += step;
        at += lanes;
        f = hn::Add(f, drift);
        const std::int64_t next = (first + least) >> 32;
        if (next != neighbour) {
            at += (next - neighbour) * job.stride;
            f = hn::Sub(f, hn::Set(d, static_cast<float>(next - neighbour)));
            neighbour = next;
        }
    }
}
#endif

} // namespace ember::HWY_NAMESPACE
HWY_AFTER_NAMESPACE();

#if HWY_ONCE
namespace ember {

HWY_EXPORT(cubicRow);
HWY_EXPORT(cubicLine);

void runCubicRow(const CubicRow& job)
{
    HWY_DYNAMIC_DISPATCH(cubicRow)(job);
}

void runCubicLine(const CubicLine& job)
{
    HWY_DYNAMIC_DISPATCH(cubicLine)(job);
}

} // namespace ember
#endif
