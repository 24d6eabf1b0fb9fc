// SPDX-License-Identifier: GPL-3.0-or-later
#include "pixel_effects.h"

#include <algorithm>
#include <cmath>
#include <cstring>
#include <utility>

#include "kernels.h"

namespace ember {

namespace {

/// A number for every place of a grid (C. Wellons: hash functions by search, 2018, lowbias32).
std::uint32_t scattered(std::uint32_t seed, std::uint32_t x, std::uint32_t y)
{
    std::uint32_t h = seed + x * 0x9e3779b9U + y * 0x85ebca6bU;
    h = (h ^ (h >> 16)) * 0x7feb352dU;
    h = (h ^ (h >> 15)) * 0x846ca68bU;
    return h ^ (h >> 16);
}

/// Noise of mean 0 and variance 1, about normal: the sum of four bytes, each even over 0 to 255.
float noiseAt(std::uint32_t seed, std::int64_t x, std::int64_t y)
{
    const std::uint32_t h = scattered(seed, static_cast<std::uint32_t>(x), static_cast<std::uint32_t>(y));
    const auto sum = static_cast<int>((h & 255) + (h >> 8 & 255) + (h >> 16 & 255) + (h >> 24));
    return static_cast<float>(sum - 510) * (1 / 147.8F);
}

float eased(float share)
{
    return share * share * (3 - 2 * share);
}

/// A row of that noise between the points of a grid `size` pixels wide; its variance is the same on and between them.
void noiseRow(std::uint32_t seed, double size, int x, int y, int count, float* out)
{
    const auto gridAt = [size](int pixel) { return (pixel + 0.5) / size - 0.5; };
    const double down = gridAt(y);
    const auto row = static_cast<std::int64_t>(std::floor(down));
    const float v1 = eased(static_cast<float>(down - static_cast<double>(row)));
    const float v0 = 1 - v1;
    const auto left = static_cast<std::int64_t>(std::floor(gridAt(x)));
    const auto columns =
        static_cast<std::size_t>(static_cast<std::int64_t>(std::floor(gridAt(x + count - 1))) - left + 2);
    float* grid = scratch(8).room(columns);
    for (std::size_t i = 0; i < columns; ++i) {
        const std::int64_t at = left + static_cast<std::int64_t>(i);
        grid[i] = v0 * noiseAt(seed, at, row) + (v1 > 0 ? v1 * noiseAt(seed, at, row + 1) : 0);
    }
    const float deviation = std::sqrt(v0 * v0 + v1 * v1);
    for (int i = 0; i < count; ++i) {
        const double across = gridAt(x + i);
        const double column = std::floor(across);
        const float u1 = eased(static_cast<float>(across - column));
        const float u0 = 1 - u1;
        const float* at = grid + (static_cast<std::int64_t>(column) - left);
        out[i] = (u0 * at[0] + u1 * at[1]) / (deviation * std::sqrt(u0 * u0 + u1 * u1));
    }
}

/// The same for pixels whose alpha is not 1 and for those that need no division.
template <typename Treat>
void withoutAlpha(float* pixels, int count, Treat treat)
{
    const auto multiply = [&](bool back) {
        for (int i = 0; i < count; ++i) {
            float* pixel = pixels + 4 * static_cast<std::ptrdiff_t>(i);
            if (pixel[3] == 1)
                continue;
            const float factor = back ? pixel[3] : pixel[3] > 0 ? 1 / pixel[3] : 0;
            for (int k = 0; k < 3; ++k)
                pixel[k] *= factor;
        }
    };
    multiply(false);
    treat();
    multiply(true);
}

} // namespace

PixelEffects::PixelEffects(Canvas& out, const LightNow& light, Primaries primaries, double scale)
    : out_(out), grain_(light.grain.amount * std::min(1.0, light.grain.size * scale)),
      grainSize_(std::max(1.0, light.grain.size * scale)), grainInColour_(light.grain.colour),
      grainSeed_(light.grain.seed), impact_(light.impact), luminance_{}, dark_(lightOf(light.impact.dark, primaries)),
      bright_(lightOf(light.impact.light, primaries))
{
    const auto& weights = luminanceOf(primaries);
    std::transform(weights.begin(), weights.end(), luminance_.begin(), [](double w) { return static_cast<float>(w); });
    if (light.exposure != 0)
        added_.push_back({static_cast<float>(std::exp2(light.exposure)), {0, 0, 0, 0}});
    for (const FlashNow& flash : light.flashes) {
        const Light colour = lightOf(flash.colour, primaries);
        const bool mixed = flash.blend == Blend::mix;
        const auto strength = static_cast<float>(mixed ? std::min(1.0, flash.strength) : flash.strength);
        added_.push_back(
            {mixed ? 1 - strength : 1, {colour[0] * strength, colour[1] * strength, colour[2] * strength, 0}});
    }
}

void PixelEffects::throwGrain(int x, int y, int count, float* pixels) const
{
    float* noise = scratch(7).room(3 * static_cast<std::size_t>(count));
    const int channels = grainInColour_ ? 3 : 1;
    for (int k = 0; k < channels; ++k)
        noiseRow(grainSeed_ + static_cast<std::uint32_t>(k) * 0x632be5abU, grainSize_, x, y, count,
                 noise + static_cast<std::ptrdiff_t>(k) * count);
    const auto amount = static_cast<float>(grain_);
    for (int k = 0; k < 3; ++k) {
        const float* own = noise + (grainInColour_ ? static_cast<std::ptrdiff_t>(k) * count : 0);
        for (int i = 0; i < count; ++i)
            pixels[4 * static_cast<std::ptrdiff_t>(i) + k] *= std::max(0.0F, 1 + amount * own[i]);
    }
}

void PixelEffects::drawImpact(int count, float* pixels) const
{
    const TransferCurve& curve = TransferCurve::of(Transfer::srgb);
    const std::size_t channels = 4 * static_cast<std::size_t>(count);
    auto* codes = reinterpret_cast<std::uint16_t*>(scratch(7).room(channels));
    float* drawn = scratch(8).room(channels);
    const auto from = static_cast<float>(impact_.threshold - impact_.softness);
    const auto wide = static_cast<float>(std::max(1e-4, 2 * impact_.softness));
    const auto stepped = [&](std::uint16_t code) {
        const float v = static_cast<float>(code) * (1 / 65535.0F);
        return static_cast<std::uint16_t>(std::lround(65535 * eased(std::clamp((v - from) / wide, 0.0F, 1.0F))));
    };
    if (impact_.look == ImpactFrame::Look::twoTone) {
        // Light of one pixel in each channel, so that all three become the way from dark to light.
        std::memcpy(drawn, pixels, channels * sizeof(float));
        for (std::size_t i = 0; i < channels; i += 4)
            drawn[i] = drawn[i + 1] = drawn[i + 2] =
                luminance_[0] * pixels[i] + luminance_[1] * pixels[i + 1] + luminance_[2] * pixels[i + 2];
        runShortsOfLight(drawn, codes, channels, curve.codes());
    } else {
        runShortsOfLight(pixels, codes, channels, curve.codes());
    }
    if (impact_.look == ImpactFrame::Look::invert)
        std::transform(codes, codes + channels, codes,
                       [](std::uint16_t code) { return static_cast<std::uint16_t>(65535 - code); });
    else
        std::transform(codes, codes + channels, codes, stepped);
    runLightOfShorts(codes, drawn, channels, curve.lights());
    const auto strength = static_cast<float>(impact_.strength);
    const bool two = impact_.look == ImpactFrame::Look::twoTone;
    for (std::size_t i = 0; i < channels; i += 4)
        for (std::size_t k = 0; k < 3; ++k) {
            const float value = two ? dark_[k] + (bright_[k] - dark_[k]) * drawn[i + k] : drawn[i + k];
            pixels[i + k] = strength < 1 ? pixels[i + k] + strength * (value - pixels[i + k]) : value;
        }
}

void PixelEffects::put(int x, int y, int count, const float* pixels)
{
    if (added_.empty() && grain_ == 0 && impact_.strength == 0) {
        out_.put(x, y, count, pixels);
        return;
    }
    float* own = scratch(6).room(4 * static_cast<std::size_t>(count));
    std::memcpy(own, pixels, 4 * sizeof(float) * static_cast<std::size_t>(count));
    for (const Added& added : added_)
        runFlash(own, added.kept, added.light.data(), static_cast<std::size_t>(count));
    if (grain_ > 0)
        throwGrain(x, y, count, own);
    if (impact_.strength > 0)
        withoutAlpha(own, count, [&] { drawImpact(count, own); });
    out_.put(x, y, count, own);
}

} // namespace ember
