// SPDX-License-Identifier: GPL-3.0-or-later
// Vector code: compiled once per instruction set, the best one is chosen at run time.
#undef HWY_TARGET_INCLUDE
#define HWY_TARGET_INCLUDE "kernels.cpp"
#include <hwy/foreach_target.h>
#include <hwy/highway.h>

#include "kernels.h"

#include <cmath>
#include <cstring>

HWY_BEFORE_NAMESPACE();
namespace ember::HWY_NAMESPACE {
namespace hn = hwy::HWY_NAMESPACE;

/// Never more than four pixels, so that a block is the same whatever the width of the vectors.
using Wide = hn::CappedTag<float, 16>;
#if HWY_TARGET != HWY_SCALAR
using Pixel = hn::FixedTag<float, 4>;
#endif

// --- one picture, resampled ---

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

// --- the same in whole numbers ---

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

/// Catmull-Rom as two-neighbour interpolation less the second differences; f from 0 to 1 is 0 to 32767.
template <class D>
HWY_INLINE hn::Vec<D> cubicBetweenShorts(D d, const std::int16_t* at, std::ptrdiff_t stride, hn::Vec<D> f)
{
    const auto p1 = hn::LoadU(d, at);
    const auto p2 = hn::LoadU(d, at + stride);
    const auto g = hn::Sub(hn::Set(d, 32767), f);
    const auto between = hn::Sub(p2, p1);
    const auto before = hn::Add(hn::Sub(hn::LoadU(d, at - stride), p1), between);
    const auto after = hn::Sub(hn::Sub(hn::LoadU(d, at + 2 * stride), p2), between);
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
    const std::int64_t greatest = across < 0 ? 0 : across;
    alignas(64) static constexpr std::int16_t pixelOf[32] = {0, 0, 0, 0, 1, 1, 1, 1, 2, 2, 2, 2, 3, 3, 3, 3,
                                                             4, 4, 4, 4, 5, 5, 5, 5, 6, 6, 6, 6, 7, 7, 7, 7};
    const auto drift = static_cast<std::int16_t>(job.drift * 32768 + (job.drift < 0 ? -0.5 : 0.5));
    const auto lean = hn::Mul(hn::Load(d, pixelOf), hn::Set(d, drift));
    for (int k = 0; k < 4 * job.count; k += lanes) {
        const std::int64_t neighbour = (first + least) >> 32;
        const std::int16_t* at = job.line + neighbour * job.stride + k;
        // From the first neighbour's place, in 1/32768: up to 1 and what the vector drifts, which may be 2.
        const auto beyond = static_cast<std::int32_t>((first - neighbour * (std::int64_t{1} << 32)) >> 17);
        const auto start = static_cast<std::int16_t>(beyond > 32767 ? beyond - 32768 : beyond);
        hn::Vec<Narrow> sum;
        if (((first + greatest) >> 32) == neighbour) {
            const auto f = hn::Max(hn::SaturatedAdd(hn::Set(d, start), lean), hn::Zero(d));
            sum = cubicBetweenShorts(d, at, job.stride, f);
        } else {
            // Other neighbours are met within the vector. Places from the later one are negative for those before it.
            const auto later = hn::Add(hn::Set(d, static_cast<std::int16_t>(beyond - 32768)), lean);
            const auto isEarlier = hn::Lt(later, hn::Zero(d));
            const auto earlier = hn::Add(hn::Add(later, hn::Set(d, 32767)), hn::Set(d, 1));
            const auto f = hn::IfThenElse(isEarlier, hn::Max(earlier, hn::Zero(d)), later);
            sum = hn::IfThenElse(isEarlier, cubicBetweenShorts(d, at, job.stride, f),
                                 cubicBetweenShorts(d, at + job.stride, job.stride, f));
        }
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

// --- codes and light ---

/// The sum of c[k] x^k, in pairs: less to wait for than one after the other.
template <class D>
HWY_INLINE hn::Vec<D> polynomial(D d, hn::Vec<D> x, const float (&c)[6])
{
    const auto x2 = hn::Mul(x, x);
    const auto pair = [&](int k) HWY_ATTR { return hn::MulAdd(hn::Set(d, c[k + 1]), x, hn::Set(d, c[k])); };
    return hn::MulAdd(hn::MulAdd(pair(4), x2, pair(2)), x2, pair(0));
}

/// ((c + 0.055)/1.055)^2.4 for a code c between 0.04 and 1, to a fiftieth of an 8-bit code (weighted minimax fit).
constexpr float lightFit[6] = {9.16895862e-4F, 3.27459068e-2F,  5.19383591e-1F,
                               6.67155058e-1F, -3.07370063e-1F, 8.72789384e-2F};
/// 1.055 s^(5/6) - 0.055 between 0.056 and 1, to a twelfth of an 8-bit code: the code of s squared.
constexpr float codeFit[6] = {-4.01091833e-2F, 1.51794154F, -1.40267742F, 2.03142461F, -1.62349506F, 5.17239188e-1F};
/// Where each curve begins; below it both are straight. Alpha is straight throughout.
constexpr float darkCode = 0.04045F;
constexpr float darkLight = 0.0031308F;
constexpr float always = 1e9F;
alignas(64) constexpr float straightCode[16] = {darkCode, darkCode, darkCode, always,   darkCode, darkCode,
                                                darkCode, always,   darkCode, darkCode, darkCode, always,
                                                darkCode, darkCode, darkCode, always};
alignas(64) constexpr float straightLight[16] = {darkLight, darkLight, darkLight, always,    darkLight, darkLight,
                                                 darkLight, always,    darkLight, darkLight, darkLight, always,
                                                 darkLight, darkLight, darkLight, always};
alignas(64) constexpr float slope[16] = {12.92F, 12.92F, 12.92F, 1, 12.92F, 12.92F, 12.92F, 1,
                                         12.92F, 12.92F, 12.92F, 1, 12.92F, 12.92F, 12.92F, 1};
alignas(64) constexpr float inverseSlope[16] = {1 / 12.92F, 1 / 12.92F, 1 / 12.92F, 1,          1 / 12.92F, 1 / 12.92F,
                                                1 / 12.92F, 1,          1 / 12.92F, 1 / 12.92F, 1 / 12.92F, 1,
                                                1 / 12.92F, 1 / 12.92F, 1 / 12.92F, 1};

/// From codes (0 to 1) to light. `lane` is the channel of the first lane.
template <class D>
HWY_INLINE hn::Vec<D> lightOfCodes(D d, hn::Vec<D> code, std::size_t lane)
{
    const auto straight = hn::Mul(code, hn::LoadU(d, inverseSlope + lane));
    return hn::IfThenElse(hn::Le(code, hn::LoadU(d, straightCode + lane)), straight, polynomial(d, code, lightFit));
}

/// And back, 0 to 1.
template <class D>
HWY_INLINE hn::Vec<D> codesOfLight(D d, hn::Vec<D> value, std::size_t lane)
{
    const auto light = hn::Min(value, hn::Set(d, 1.0F));
    const auto safe = hn::Max(light, hn::Set(d, 1e-4F));
#if HWY_ARCH_X86 // good to 12 bits or better there: a tenth of a code
    const auto root = hn::Mul(safe, hn::ApproximateReciprocalSqrt(safe));
#else
    const auto root = hn::Sqrt(safe);
#endif
    const auto straight = hn::Mul(light, hn::LoadU(d, slope + lane));
    return hn::IfThenElse(hn::Le(light, hn::LoadU(d, straightLight + lane)), straight, polynomial(d, root, codeFit));
}

void readBytes(const std::uint8_t* from, float* to, std::size_t channels, bool light)
{
#if HWY_TARGET == HWY_SCALAR
    const hn::CappedTag<float, 1> d;
    for (std::size_t i = 0; i < channels; ++i)
        to[i] = light ? hn::GetLane(lightOfCodes(d, hn::Set(d, static_cast<float>(from[i]) / 255), i % 4)) : from[i];
#else
    const auto read = [light](auto d, const std::uint8_t* at, float* out) HWY_ATTR {
        const hn::Rebind<std::int32_t, decltype(d)> d32;
        const hn::Rebind<std::uint8_t, decltype(d)> d8;
        const auto code = hn::ConvertTo(d, hn::PromoteTo(d32, hn::LoadU(d8, at)));
        hn::StoreU(light ? lightOfCodes(d, hn::Mul(code, hn::Set(d, 1.0F / 255)), 0) : code, d, out);
    };
    const Wide d;
    const std::size_t lanes = hn::Lanes(d);
    std::size_t i = 0;
    for (; i + lanes <= channels; i += lanes)
        read(d, from + i, to + i);
    for (; i < channels; i += 4)
        read(Pixel(), from + i, to + i);
#endif
}

void codeBytes(const float* from, std::uint8_t* to, std::size_t channels, bool light)
{
#if HWY_TARGET == HWY_SCALAR
    const hn::CappedTag<float, 1> d;
    for (std::size_t i = 0; i < channels; ++i) {
        const float code = light ? 255 * hn::GetLane(codesOfLight(d, hn::Set(d, from[i]), i % 4)) : from[i];
        to[i] = static_cast<std::uint8_t>(std::fmin(std::fmax(std::nearbyint(code), 0.0F), 255.0F));
    }
#else
    const auto code = [light](auto d, const float* at, std::uint8_t* out) HWY_ATTR {
        const hn::Rebind<std::uint8_t, decltype(d)> d8;
        const hn::RebindToUnsigned<decltype(d)> d32;
        auto value = hn::LoadU(d, at);
        if (light)
            value = hn::Mul(codesOfLight(d, value, 0), hn::Set(d, 255.0F));
        value = hn::Min(hn::Max(value, hn::Zero(d)), hn::Set(d, 255.0F));
        // Above 2^23 floats have no places behind the point: adding it rounds, and the last byte is the number.
        const auto rounded = hn::BitCast(d32, hn::Add(value, hn::Set(d, 8388608.0F)));
        hn::StoreU(hn::U8FromU32(hn::And(rounded, hn::Set(d32, 255U))), d8, out);
    };
    const Wide d;
    const std::size_t lanes = hn::Lanes(d);
    std::size_t i = 0;
    for (; i + lanes <= channels; i += lanes)
        code(d, from + i, to + i);
    for (; i < channels; i += 4)
        code(Pixel(), from + i, to + i);
#endif
}

void sharpenAcross(const float* before, const float* centre, const float* after, float amount, float* out,
                   std::size_t channels)
{
    const hn::ScalableTag<float> d;
    const std::size_t lanes = hn::Lanes(d);
    const auto inside = hn::Set(d, 1 + 2 * amount);
    const auto outside = hn::Set(d, -amount);
    std::size_t i = 0;
    for (; i + lanes <= channels; i += lanes) {
        const auto around = hn::Add(hn::LoadU(d, before + i), hn::LoadU(d, after + i));
        hn::StoreU(hn::MulAdd(hn::LoadU(d, centre + i), inside, hn::Mul(around, outside)), d, out + i);
    }
    for (; i < channels; ++i)
        out[i] = centre[i] * (1 + 2 * amount) - amount * (before[i] + after[i]);
}

void addWeighted(const float* from, const float* weight, std::size_t pixels, float* to)
{
    const std::size_t channels = 4 * pixels;
    std::size_t i = 0;
#if HWY_TARGET != HWY_SCALAR
    const Wide d;
    const auto w = hn::LoadDup128(d, weight);
    for (; i + hn::Lanes(d) <= channels; i += hn::Lanes(d))
        hn::StoreU(hn::MulAdd(hn::LoadU(d, from + i), w, hn::LoadU(d, to + i)), d, to + i);
#endif
    for (; i < channels; ++i)
        to[i] += weight[i % 4] * from[i];
}

void flash(float* pixels, float kept, const float* added, std::size_t count)
{
    alignas(16) const float share[4] = {kept, kept, kept, 1};
#if HWY_TARGET == HWY_SCALAR
    for (std::size_t i = 0; i < 4 * count; ++i)
        pixels[i] = pixels[i] * share[i % 4] + added[i % 4] * pixels[i / 4 * 4 + 3];
#else
    const auto light = [&](auto d, float* at) HWY_ATTR {
        const auto value = hn::LoadU(d, at);
        const auto alpha = hn::Broadcast<3>(value);
        hn::StoreU(hn::MulAdd(value, hn::LoadDup128(d, share), hn::Mul(alpha, hn::LoadDup128(d, added))), d, at);
    };
    const Wide d;
    std::size_t i = 0;
    for (; i + hn::Lanes(d) <= 4 * count; i += hn::Lanes(d))
        light(d, pixels + i);
    for (; i < 4 * count; i += 4)
        light(Pixel(), pixels + i);
#endif
}

// --- many pictures, added up ---

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

/// One neighbourhood for four pixels in each of `rows` rows, with weights that change along the row.
template <int rows>
HWY_INLINE void gatherLeaning(const TileMaps& maps, const TileMaps::Group& group, const GatherBlock& block)
{
    const Wide d;
    Seen seen;
    for (int y = 0; y < blockHeight; y += rows) {
        look<blockWidth, rows>(maps, group, block, block.x, block.y + y, seen);
        float* to = block.out + y * block.outStride;
        for (std::size_t k = 0; k < 4 * blockWidth; k += hn::Lanes(d)) {
            auto s0 = hn::LoadU(d, to + k);
            auto s1 = hn::LoadU(d, to + k + block.outStride);
            auto s2 = s0;
            auto s3 = s0;
            if constexpr (rows == 4) {
                s2 = hn::LoadU(d, to + k + 2 * block.outStride);
                s3 = hn::LoadU(d, to + k + 3 * block.outStride);
            }
            for (std::size_t i = group.begin; i < group.end; ++i) {
                const float* at = block.patch + seen.offset[i] + k;
                const auto fx = hn::Add(hn::Set(d, seen.fx[i]), hn::Load(d, maps.leanX + 16 * i + k));
                const auto gx = hn::Sub(hn::Set(d, seen.gx[i]), hn::Load(d, maps.leanX + 16 * i + k));
                const auto fy = hn::Add(hn::Set(d, seen.fy[i]), hn::Load(d, maps.leanY + 16 * i + k));
                const auto weight = hn::LoadDup128(d, maps.weight + 4 * i);
                const auto below = hn::Mul(weight, fy);
                const auto above = hn::Sub(weight, below);
                const auto row = [&](int r) HWY_ATTR {
                    const float* left = at + r * block.stride;
                    return hn::MulAdd(fx, hn::LoadU(d, left + 4), hn::Mul(gx, hn::LoadU(d, left)));
                };
                const auto r1 = row(1);
                const auto r2 = row(2);
                s0 = hn::MulAdd(above, row(0), hn::MulAdd(below, r1, s0));
                s1 = hn::MulAdd(above, r1, hn::MulAdd(below, r2, s1));
                if constexpr (rows == 4) {
                    const auto r3 = row(3);
                    s2 = hn::MulAdd(above, r2, hn::MulAdd(below, r3, s2));
                    s3 = hn::MulAdd(above, r3, hn::MulAdd(below, row(4), s3));
                }
            }
            hn::StoreU(s0, d, to + k);
            hn::StoreU(s1, d, to + k + block.outStride);
            if constexpr (rows == 4) {
                hn::StoreU(s2, d, to + k + 2 * block.outStride);
                hn::StoreU(s3, d, to + k + 3 * block.outStride);
            }
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
            gatherLeaning<4>(maps, groups[1], block);
        if (groups[2].begin < groups[2].end)
            gatherLeaning<2>(maps, groups[2], block);
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

HWY_EXPORT(cubicRow);
HWY_EXPORT(cubicLine);
HWY_EXPORT(cubicShorts);
HWY_EXPORT(readShorts);
HWY_EXPORT(codeShorts);
HWY_EXPORT(readBytes);
HWY_EXPORT(codeBytes);
HWY_EXPORT(addWeighted);
HWY_EXPORT(flash);
HWY_EXPORT(sharpenAcross);
HWY_EXPORT(gatherBlocks);

void runCubicRow(const CubicRow& job)
{
    HWY_DYNAMIC_DISPATCH(cubicRow)(job);
}

void runCubicLine(const CubicLine& job)
{
    HWY_DYNAMIC_DISPATCH(cubicLine)(job);
}

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

void runReadBytes(const std::uint8_t* from, float* to, std::size_t channels, bool light)
{
    HWY_DYNAMIC_DISPATCH(readBytes)(from, to, channels, light);
}

void runCodeBytes(const float* from, std::uint8_t* to, std::size_t channels, bool light)
{
    HWY_DYNAMIC_DISPATCH(codeBytes)(from, to, channels, light);
}

void runAddWeighted(const float* from, const float* weight, std::size_t pixels, float* to)
{
    HWY_DYNAMIC_DISPATCH(addWeighted)(from, weight, pixels, to);
}

void runFlash(float* pixels, float kept, const float* added, std::size_t count)
{
    HWY_DYNAMIC_DISPATCH(flash)(pixels, kept, added, count);
}

void runSharpenAcross(const float* before, const float* centre, const float* after, float amount, float* out,
                      std::size_t channels)
{
    HWY_DYNAMIC_DISPATCH(sharpenAcross)(before, centre, after, amount, out, channels);
}

void runGatherBlocks(const TileMaps& maps, const GatherBlock& first, int blocks)
{
    HWY_DYNAMIC_DISPATCH(gatherBlocks)(maps, first, blocks);
}

} // namespace ember
#endif
