// SPDX-License-Identifier: GPL-3.0-or-later
// Vector code: Catmull-Rom in whole numbers. Compiled once per instruction set, the best one is chosen at run time.
#undef HWY_TARGET_INCLUDE
#define HWY_TARGET_INCLUDE "short_kernels.cpp"
#include <hwy/foreach_target.h>
#include <hwy/highway.h>

#include "kernels.h"
#include "vectors-inl.h"

#include <cmath>
#include <cstring>

HWY_BEFORE_NAMESPACE();
namespace ember::HWY_NAMESPACE {
namespace hn = hwy::HWY_NAMESPACE;

#if HWY_TARGET == HWY_SCALAR
void cubicShorts(const CubicShorts& job)
{
    for (int i = 0; i < job.count; ++i) {
        const double place = job.place + job.drift * i;
        const double neighbour = std::floor(place);
        const std::int16_t* at = job.line + static_cast<std::ptrdiff_t>(neighbour) * job.stride + 4 * i;
        const auto f = static_cast<float>(place - neighbour);
        for (int k = 0; k < 4; ++k) {
            const float p[4] = {static_cast<float>(at[k - job.stride]), static_cast<float>(at[k]),
                                static_cast<float>(at[k + job.stride]), static_cast<float>(at[k + 2 * job.stride])};
            const float t = f * (1 - f) / 2;
            const float sum =
                p[1] + f * (p[2] - p[1]) - t * ((1 - f) * (p[0] - 2 * p[1] + p[2]) + f * (p[1] - 2 * p[2] + p[3]));
            job.out[4 * i + k] = static_cast<std::int16_t>(std::nearbyint(sum));
        }
    }
}
#else
using Narrow = hn::CappedTag<std::int16_t, 32>; ///< never more than eight pixels

/// Catmull-Rom as two-neighbour interpolation less the second differences, at f beyond p1; f from 0 to 1 is 0 to 32767.
template <class D, class V>
HWY_INLINE V cubicBetweenShorts(D d, V p0, V p1, V p2, V p3, V f)
{
    const auto g = hn::Sub(hn::Set(d, 32767), f);
    const auto between = hn::Sub(p2, p1);
    const auto before = hn::Add(hn::Sub(p0, p1), between);
    const auto after = hn::Sub(hn::Sub(p3, p2), between);
    const auto bend = hn::Add(hn::MulFixedPoint15(before, g), hn::MulFixedPoint15(after, f));
    // Half of f g; the rounding of the half is kept small by taking it off the product.
    const auto taken = hn::ShiftRight<1>(hn::MulFixedPoint15(bend, hn::MulFixedPoint15(f, g)));
    return hn::Sub(hn::Add(p1, hn::MulFixedPoint15(between, f)), taken);
}

void cubicShorts(const CubicShorts& given)
{
    const Narrow d;
    const CubicShorts job = given;
    constexpr int lanes = static_cast<int>(hn::MaxLanes(Narrow()));
    constexpr int pixels = lanes / 4;
    constexpr double unit = 4294967296.0;
    auto first = static_cast<std::int64_t>(job.place * unit);
    const auto step = static_cast<std::int64_t>(job.drift * pixels * unit);
    const auto across = static_cast<std::int64_t>(job.drift * (pixels - 1) * unit);
    const std::int64_t least = across < 0 ? across : 0;
    alignas(64) static constexpr std::int16_t pixelOf[32] = {0, 0, 0, 0, 1, 1, 1, 1, 2, 2, 2, 2, 3, 3, 3, 3,
                                                             4, 4, 4, 4, 5, 5, 5, 5, 6, 6, 6, 6, 7, 7, 7, 7};
    const auto drift = static_cast<std::int16_t>(job.drift * 32768 + (job.drift < 0 ? -0.5 : 0.5));
    const auto lean = hn::Mul(hn::Load(d, pixelOf), hn::Set(d, drift));
    for (int k = 0; k < 4 * job.count; k += lanes) {
        const std::int64_t neighbour = (first + least) >> 32;
        const std::int16_t* at = job.line + neighbour * job.stride + k;
        // From the first neighbour's place, in 1/32768: up to 1 and what the vector drifts, which may be 2.
        const auto beyond = static_cast<std::int32_t>((first - neighbour * (std::int64_t{1} << 32)) >> 17);
        // Other neighbours may be met within the vector. Places from the later one are negative for those before it.
        const auto later = hn::Add(hn::Set(d, static_cast<std::int16_t>(beyond - 32768)), lean);
        const auto isEarlier = hn::Lt(later, hn::Zero(d));
        const auto earlier = hn::Add(hn::Add(later, hn::Set(d, 32767)), hn::Set(d, 1));
        const auto f = hn::IfThenElse(isEarlier, hn::Max(earlier, hn::Zero(d)), later);
        const auto p0 = hn::LoadU(d, at - job.stride);
        const auto p1 = hn::LoadU(d, at);
        const auto p2 = hn::LoadU(d, at + job.stride);
        const auto p3 = hn::LoadU(d, at + 2 * job.stride);
        const auto p4 = hn::LoadU(d, at + 3 * job.stride);
        const auto sum = cubicBetweenShorts(d, hn::IfThenElse(isEarlier, p0, p1), hn::IfThenElse(isEarlier, p1, p2),
                                            hn::IfThenElse(isEarlier, p2, p3), hn::IfThenElse(isEarlier, p3, p4), f);
        hn::StoreU(sum, d, job.out + k);
        first += step;
    }
}
#endif

void readShorts(const std::uint8_t* from, std::int16_t* to, std::size_t channels)
{
    std::size_t i = 0;
#if HWY_TARGET != HWY_SCALAR
    const Narrow d;
    const hn::Rebind<std::uint8_t, Narrow> d8;
    for (; i + hn::Lanes(d) <= channels; i += hn::Lanes(d))
        hn::StoreU(hn::ShiftLeft<5>(hn::PromoteTo(d, hn::LoadU(d8, from + i))), d, to + i);
#endif
    for (; i < channels; ++i)
        to[i] = static_cast<std::int16_t>(from[i] * byteScale);
}

void codeShorts(const std::int16_t* from, std::uint8_t* to, std::size_t channels)
{
    std::size_t i = 0;
#if HWY_TARGET != HWY_SCALAR
    const Narrow d;
    const hn::Rebind<std::uint8_t, Narrow> d8;
    for (; i + hn::Lanes(d) <= channels; i += hn::Lanes(d)) {
        const auto rounded = hn::ShiftRight<5>(hn::Add(hn::LoadU(d, from + i), hn::Set(d, byteScale / 2)));
        hn::StoreU(hn::DemoteTo(d8, rounded), d8, to + i);
    }
#endif
    for (; i < channels; ++i) {
        const int code = (from[i] + byteScale / 2) >> 5;
        to[i] = static_cast<std::uint8_t>(code < 0 ? 0 : code > 255 ? 255 : code);
    }
}

} // namespace ember::HWY_NAMESPACE
HWY_AFTER_NAMESPACE();

#if HWY_ONCE
namespace ember {

HWY_EXPORT(cubicShorts);
HWY_EXPORT(readShorts);
HWY_EXPORT(codeShorts);

void runCubicShorts(const CubicShorts& job)
{
    HWY_DYNAMIC_DISPATCH(cubicShorts)(job);
}

void runReadShorts(const std::uint8_t* from, std::int16_t* to, std::size_t channels)
{
    HWY_DYNAMIC_DISPATCH(readShorts)(from, to, channels);
}

void runCodeShorts(const std::int16_t* from, std::uint8_t* to, std::size_t channels)
{
    HWY_DYNAMIC_DISPATCH(codeShorts)(from, to, channels);
}

} // namespace ember
#endif
