// SPDX-License-Identifier: GPL-3.0-or-later
// Vector code: codes and light, and what is done with light in place. Compiled once per instruction set, the best one
// is chosen at run time.
#undef HWY_TARGET_INCLUDE
#define HWY_TARGET_INCLUDE "light_kernels.cpp"
#include <hwy/foreach_target.h>
#include <hwy/highway.h>

#include "ember/image/colour_space.h"
#include "kernels.h"
#include "vectors-inl.h"

#include <cmath>
#include <cstring>

HWY_BEFORE_NAMESPACE();
namespace ember::HWY_NAMESPACE {
namespace hn = hwy::HWY_NAMESPACE;

/// The sum of c[k] x^k, in pairs: less to wait for than one after the other.
template <class D>
HWY_INLINE hn::Vec<D> polynomial(D d, hn::Vec<D> x, const float (&c)[6])
{
    const auto x2 = hn::Mul(x, x);
    const auto pair = [&](int k) HWY_ATTR { return hn::MulAdd(hn::Set(d, c[k + 1]), x, hn::Set(d, c[k])); };
    return hn::MulAdd(hn::MulAdd(pair(4), x2, pair(2)), x2, pair(0));
}

/// ((c + 0.055)/1.055)^2.4 for a code c between 0.04 and 1, to a fiftieth of an 8-bit code (weighted minimax fit); of
/// c times 255.
constexpr float whole = 255;
constexpr float lightFit[6] = {9.16895862e-4F,
                               3.27459068e-2F / whole,
                               5.19383591e-1F / whole / whole,
                               6.67155058e-1F / whole / whole / whole,
                               -3.07370063e-1F / whole / whole / whole / whole,
                               8.72789384e-2F / whole / whole / whole / whole / whole};
/// 1.055 s^(5/6) - 0.055 between 0.056 and 1, to a twelfth of an 8-bit code: the code of s squared; times 255.
constexpr float codeFit[6] = {-4.01091833e-2F * whole, 1.51794154F * whole,  -1.40267742F * whole,
                              2.03142461F * whole,     -1.62349506F * whole, 5.17239188e-1F * whole};
/// Where each curve begins; below it both are straight. Alpha is straight throughout.
constexpr float darkCode = 0.04045F * whole;
constexpr float darkLight = 0.0031308F;
constexpr float always = 1e9F;
constexpr float steep = 12.92F * whole;
alignas(64) constexpr float straightCode[16] = {darkCode, darkCode, darkCode, always,   darkCode, darkCode,
                                                darkCode, always,   darkCode, darkCode, darkCode, always,
                                                darkCode, darkCode, darkCode, always};
alignas(64) constexpr float straightLight[16] = {darkLight, darkLight, darkLight, always,    darkLight, darkLight,
                                                 darkLight, always,    darkLight, darkLight, darkLight, always,
                                                 darkLight, darkLight, darkLight, always};
alignas(64) constexpr float slope[16] = {steep, steep, steep, whole, steep, steep, steep, whole,
                                         steep, steep, steep, whole, steep, steep, steep, whole};
alignas(64) constexpr float inverseSlope[16] = {1 / steep, 1 / steep, 1 / steep, 1 / whole, 1 / steep, 1 / steep,
                                                1 / steep, 1 / whole, 1 / steep, 1 / steep, 1 / steep, 1 / whole,
                                                1 / steep, 1 / steep, 1 / steep, 1 / whole};

/// From codes (0 to 255) to light. `lane` is the channel of the first lane.
template <class D>
HWY_INLINE hn::Vec<D> lightOfCodes(D d, hn::Vec<D> code, std::size_t lane)
{
    const auto straight = hn::Mul(code, hn::LoadU(d, inverseSlope + lane));
    return hn::IfThenElse(hn::Le(code, hn::LoadU(d, straightCode + lane)), straight, polynomial(d, code, lightFit));
}

/// And back; light beyond 1 is 1.
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
        to[i] = light ? hn::GetLane(lightOfCodes(d, hn::Set(d, static_cast<float>(from[i])), i % 4)) : from[i];
#else
    const auto read = [light](auto d, const std::uint8_t* at, float* out) HWY_ATTR {
        const hn::Rebind<std::int32_t, decltype(d)> d32;
        const hn::Rebind<std::uint8_t, decltype(d)> d8;
        const auto code = hn::ConvertTo(d, hn::PromoteTo(d32, hn::LoadU(d8, at)));
        hn::StoreU(light ? lightOfCodes(d, code, 0) : code, d, out);
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
        const float code = light ? hn::GetLane(codesOfLight(d, hn::Set(d, from[i]), i % 4)) : from[i];
        to[i] = static_cast<std::uint8_t>(std::fmin(std::fmax(std::nearbyint(code), 0.0F), 255.0F));
    }
#else
    const auto code = [light](auto d, const float* at, std::uint8_t* out) HWY_ATTR {
        const hn::Rebind<std::uint8_t, decltype(d)> d8;
        const auto value = hn::LoadU(d, at);
        // What is out of range is cut off when it is narrowed.
        hn::StoreU(hn::DemoteTo(d8, hn::NearestInt(light ? codesOfLight(d, value, 0) : value)), d8, out);
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

/// Calls work(d, i) for vectors from channel i on, the last ones narrower.
template <typename Work>
HWY_INLINE void inVectors(std::size_t channels, Work work)
{
    const Wide d;
    std::size_t i = 0;
    for (; i + hn::Lanes(d) <= channels; i += hn::Lanes(d))
        work(d, i);
#if HWY_TARGET != HWY_SCALAR
    for (; i < channels; i += 4)
        work(Pixel(), i);
#endif
}

alignas(64) constexpr float alphaLanes[16] = {0, 0, 0, 1, 0, 0, 0, 1, 0, 0, 0, 1, 0, 0, 0, 1};

/// What the vector code says of a lane: alpha or a colour. Lanes begin at channel 0 but where there is one only.
template <class D>
HWY_INLINE hn::Mask<D> isAlpha(D d, std::size_t channel)
{
    return hn::Gt(hn::LoadU(d, alphaLanes + channel % 4), hn::Zero(d));
}

void floatsOfShorts(const std::uint16_t* from, float* to, std::size_t channels, float scale)
{
    inVectors(channels, [&](auto d, std::size_t i) HWY_ATTR {
        const hn::Rebind<std::int32_t, decltype(d)> d32;
        const hn::Rebind<std::uint16_t, decltype(d)> d16;
        hn::StoreU(hn::Mul(hn::ConvertTo(d, hn::PromoteTo(d32, hn::LoadU(d16, from + i))), hn::Set(d, scale)), d,
                   to + i);
    });
}

void shortsOfFloats(const float* from, std::uint16_t* to, std::size_t channels, float scale)
{
    inVectors(channels, [&](auto d, std::size_t i) HWY_ATTR {
        const hn::Rebind<std::uint16_t, decltype(d)> d16;
        const auto value = hn::Mul(hn::LoadU(d, from + i), hn::Set(d, scale));
        // What is out of range is cut off when it is narrowed.
        hn::StoreU(hn::DemoteTo(d16, hn::NearestInt(hn::Min(value, hn::Set(d, 65535.0F)))), d16, to + i);
    });
}

void lightOfShorts(const std::uint16_t* from, float* to, std::size_t channels, const float* lights)
{
    inVectors(channels, [&](auto d, std::size_t i) HWY_ATTR {
        const hn::Rebind<std::int32_t, decltype(d)> d32;
        const hn::Rebind<std::uint16_t, decltype(d)> d16;
        const auto code = hn::PromoteTo(d32, hn::LoadU(d16, from + i));
        const auto straight = hn::Mul(hn::ConvertTo(d, code), hn::Set(d, 1.0F / 65535));
        hn::StoreU(hn::IfThenElse(isAlpha(d, i), straight, hn::GatherIndex(d, lights, code)), d, to + i);
    });
}

void shortsOfLight(const float* from, std::uint16_t* to, std::size_t channels, const float* codes)
{
    using Curve = TransferCurve;
    constexpr auto first = static_cast<std::int32_t>(Curve::firstBits);
    constexpr std::int32_t within = (1 << Curve::shift) - 1;
    inVectors(channels, [&](auto d, std::size_t i) HWY_ATTR {
        const hn::Rebind<std::int32_t, decltype(d)> d32;
        const hn::Rebind<std::uint16_t, decltype(d)> d16;
        const auto given = hn::LoadU(d, from + i);
        const auto least = hn::BitCast(d, hn::Set(d32, first));
        // Also NaN is the least.
        const auto light = hn::Min(hn::IfThenElse(hn::Gt(given, least), given, least), hn::Set(d, 255.0F));
        const auto at = hn::Sub(hn::BitCast(d32, light), hn::Set(d32, first));
        const auto step = hn::ShiftRight<Curve::shift>(at);
        const auto share =
            hn::Mul(hn::ConvertTo(d, hn::And(at, hn::Set(d32, within))), hn::Set(d, 1.0F / (within + 1)));
        const auto below = hn::GatherIndex(d, codes, step);
        const auto above = hn::GatherIndex(d, codes + 1, step);
        const auto code = hn::Min(hn::MulAdd(hn::Sub(above, below), share, below), hn::Set(d, 1.0F));
        const auto most = hn::Set(d, 65535.0F);
        const auto value = hn::IfThenElse(isAlpha(d, i), most, hn::Mul(code, most));
        hn::StoreU(hn::DemoteTo(d16, hn::NearestInt(value)), d16, to + i);
    });
}

void halvesOfFloats(const float* from, std::uint16_t* to, std::size_t channels)
{
    inVectors(channels, [&](auto d, std::size_t i) HWY_ATTR {
        const hn::Rebind<hwy::float16_t, decltype(d)> d16;
        const hn::Rebind<std::uint16_t, decltype(d)> u16;
        hn::StoreU(hn::BitCast(u16, hn::DemoteTo(d16, hn::LoadU(d, from + i))), u16, to + i);
    });
}

void floatsOfHalves(const std::uint16_t* from, float* to, std::size_t channels)
{
    inVectors(channels, [&](auto d, std::size_t i) HWY_ATTR {
        const hn::Rebind<hwy::float16_t, decltype(d)> d16;
        const hn::Rebind<std::uint16_t, decltype(d)> u16;
        hn::StoreU(hn::PromoteTo(d, hn::BitCast(d16, hn::LoadU(u16, from + i))), d, to + i);
    });
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

} // namespace ember::HWY_NAMESPACE
HWY_AFTER_NAMESPACE();

#if HWY_ONCE
namespace ember {

HWY_EXPORT(readBytes);
HWY_EXPORT(codeBytes);
HWY_EXPORT(addWeighted);
HWY_EXPORT(flash);
HWY_EXPORT(floatsOfShorts);
HWY_EXPORT(shortsOfFloats);
HWY_EXPORT(lightOfShorts);
HWY_EXPORT(shortsOfLight);
HWY_EXPORT(halvesOfFloats);
HWY_EXPORT(floatsOfHalves);
HWY_EXPORT(sharpenAcross);

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

void runFloatsOfShorts(const std::uint16_t* from, float* to, std::size_t channels, float scale)
{
    HWY_DYNAMIC_DISPATCH(floatsOfShorts)(from, to, channels, scale);
}

void runShortsOfFloats(const float* from, std::uint16_t* to, std::size_t channels, float scale)
{
    HWY_DYNAMIC_DISPATCH(shortsOfFloats)(from, to, channels, scale);
}

void runLightOfShorts(const std::uint16_t* from, float* to, std::size_t channels, const float* lights)
{
    HWY_DYNAMIC_DISPATCH(lightOfShorts)(from, to, channels, lights);
}

void runShortsOfLight(const float* from, std::uint16_t* to, std::size_t channels, const float* codes)
{
    HWY_DYNAMIC_DISPATCH(shortsOfLight)(from, to, channels, codes);
}

void runHalvesOfFloats(const float* from, std::uint16_t* to, std::size_t channels)
{
    HWY_DYNAMIC_DISPATCH(halvesOfFloats)(from, to, channels);
}

void runFloatsOfHalves(const std::uint16_t* from, float* to, std::size_t channels)
{
    HWY_DYNAMIC_DISPATCH(floatsOfHalves)(from, to, channels);
}

void runSharpenAcross(const float* before, const float* centre, const float* after, float amount, float* out,
                      std::size_t channels)
{
    HWY_DYNAMIC_DISPATCH(sharpenAcross)(before, centre, after, amount, out, channels);
}

} // namespace ember
#endif
