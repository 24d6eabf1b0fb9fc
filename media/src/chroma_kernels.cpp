// SPDX-License-Identifier: GPL-3.0-or-later
// Vector code: luma and chroma to RGBA. Compiled once per instruction set, the best one is chosen at run time.
#undef HWY_TARGET_INCLUDE
#define HWY_TARGET_INCLUDE "chroma_kernels.cpp"
#include <hwy/foreach_target.h>
#include <hwy/highway.h>

#include "chroma_kernels.h"

#include <algorithm>

HWY_BEFORE_NAMESPACE();
namespace ember::HWY_NAMESPACE {
namespace hn = hwy::HWY_NAMESPACE;

void blendRows(const std::uint8_t* from, const std::uint8_t* other, int a, int b, std::uint16_t* out, std::size_t count)
{
    const auto one = [a, b](int x, int y) { return static_cast<std::uint16_t>(a * x + b * y); };
    std::size_t i = 0;
#if HWY_TARGET != HWY_SCALAR
    const hn::CappedTag<std::uint16_t, 32> d;
    const hn::Rebind<std::uint8_t, decltype(d)> d8;
    const auto share = hn::Set(d, static_cast<std::uint16_t>(a));
    const auto rest = hn::Set(d, static_cast<std::uint16_t>(b));
    for (; i + hn::Lanes(d) <= count; i += hn::Lanes(d)) {
        const auto x = hn::PromoteTo(d, hn::LoadU(d8, from + i));
        const auto y = hn::PromoteTo(d, hn::LoadU(d8, other + i));
        hn::StoreU(hn::Add(hn::Mul(x, share), hn::Mul(y, rest)), d, out + i);
    }
#endif
    for (; i < count; ++i)
        out[i] = one(from[i], other[i]);
}

void doubleAlong(const std::uint16_t* from, bool between, std::uint16_t* out, std::size_t count)
{
    const auto put = [&](std::size_t i) {
        const unsigned here = from[i];
        const unsigned before = from[i == 0 ? 0 : i - 1];
        const unsigned after = from[std::min(i + 1, count - 1)];
        out[2 * i] = static_cast<std::uint16_t>(between ? 3 * here + before : 4 * here);
        out[2 * i + 1] = static_cast<std::uint16_t>(between ? 3 * here + after : 2 * (here + after));
    };
    put(0);
    std::size_t i = 1;
#if HWY_TARGET != HWY_SCALAR
    const hn::CappedTag<std::uint16_t, 32> d;
    for (; i + hn::Lanes(d) < count; i += hn::Lanes(d)) {
        const auto here = hn::LoadU(d, from + i);
        const auto before = hn::LoadU(d, from + i - 1);
        const auto after = hn::LoadU(d, from + i + 1);
        const auto twice = hn::Add(here, here);
        const auto thrice = hn::Add(twice, here);
        const auto even = between ? hn::Add(thrice, before) : hn::Add(twice, twice);
        const auto odd = between ? hn::Add(thrice, after) : hn::Add(twice, hn::Add(after, after));
        hn::StoreInterleaved2(even, odd, d, out + 2 * i);
    }
#endif
    for (; i < count; ++i)
        put(i);
}

void samplesToRgba(const std::uint8_t* y, const std::uint16_t* cb, const std::uint16_t* cr, float scale,
                   const SampleCodes& codes, std::uint8_t* rgba, std::size_t pixels)
{
    std::size_t i = 0;
#if HWY_TARGET != HWY_SCALAR
    const hn::CappedTag<float, 16> d;
    const hn::Rebind<std::int32_t, decltype(d)> d32;
    const hn::Rebind<std::uint8_t, decltype(d)> d8;
    const hn::Rebind<std::uint16_t, decltype(d)> d16;
    const auto coded = [&](auto value) HWY_ATTR {
        // Rounded to the nearest; what is out of range is cut off when it is narrowed.
        return hn::DemoteTo(d8, hn::NearestInt(value));
    };
    const auto sample = [&](const std::uint16_t* at) HWY_ATTR {
        return hn::MulAdd(hn::ConvertTo(d, hn::PromoteTo(d32, hn::LoadU(d16, at))), hn::Set(d, 1 / scale),
                          hn::Set(d, -128.0F));
    };
    for (; i + hn::Lanes(d) <= pixels; i += hn::Lanes(d)) {
        const auto grey =
            hn::Mul(hn::Sub(hn::ConvertTo(d, hn::PromoteTo(d32, hn::LoadU(d8, y + i))), hn::Set(d, codes.black)),
                    hn::Set(d, codes.luma));
        const auto blue = sample(cb + i);
        const auto red = sample(cr + i);
        hn::StoreInterleaved4(
            coded(hn::MulAdd(red, hn::Set(d, codes.redOfCr), grey)),
            coded(hn::MulAdd(blue, hn::Set(d, codes.greenOfCb), hn::MulAdd(red, hn::Set(d, codes.greenOfCr), grey))),
            coded(hn::MulAdd(blue, hn::Set(d, codes.blueOfCb), grey)), hn::Set(d8, std::uint8_t{255}), d8,
            rgba + 4 * i);
    }
#endif
    const auto code = [](float value) { return static_cast<std::uint8_t>(std::clamp(value + 0.5F, 0.0F, 255.0F)); };
    for (; i < pixels; ++i) {
        const float grey = (static_cast<float>(y[i]) - codes.black) * codes.luma;
        const float blue = static_cast<float>(cb[i]) / scale - 128;
        const float red = static_cast<float>(cr[i]) / scale - 128;
        rgba[4 * i] = code(grey + red * codes.redOfCr);
        rgba[4 * i + 1] = code(grey + red * codes.greenOfCr + blue * codes.greenOfCb);
        rgba[4 * i + 2] = code(grey + blue * codes.blueOfCb);
        rgba[4 * i + 3] = 255;
    }
}

} // namespace ember::HWY_NAMESPACE
HWY_AFTER_NAMESPACE();

#if HWY_ONCE
namespace ember {

HWY_EXPORT(blendRows);
HWY_EXPORT(doubleAlong);
HWY_EXPORT(samplesToRgba);

void runBlendRows(const std::uint8_t* from, const std::uint8_t* other, int a, int b, std::uint16_t* out,
                  std::size_t count)
{
    HWY_DYNAMIC_DISPATCH(blendRows)(from, other, a, b, out, count);
}

void runDoubleAlong(const std::uint16_t* from, bool between, std::uint16_t* out, std::size_t count)
{
    HWY_DYNAMIC_DISPATCH(doubleAlong)(from, between, out, count);
}

void runSamplesToRgba(const std::uint8_t* y, const std::uint16_t* cb, const std::uint16_t* cr, float scale,
                      const SampleCodes& codes, std::uint8_t* rgba, std::size_t pixels)
{
    HWY_DYNAMIC_DISPATCH(samplesToRgba)(y, cb, cr, scale, codes, rgba, pixels);
}

} // namespace ember
#endif
