// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/colour/screen_table.h"

#include <algorithm>
#include <array>
#include <bit>
#include <cmath>
#include <cstdint>
#include <cstring>

#include <oneapi/tbb/parallel_for.h>

namespace ember {

namespace {

// The bits of a float are its logarithm, with straight lines within each octave: steps that are even in them need no
// logarithm. Light is moved away from 0, where there would be no end of octaves.
constexpr int perOctave = 4;
constexpr int octaves = 17;
constexpr int side = perOctave * octaves + 1;
constexpr float least = 1.0F / 1024;
constexpr float most = 128;
constexpr int stepBits = 23 - 2; ///< four to the octave
constexpr std::uint32_t firstBits = std::bit_cast<std::uint32_t>(least);

// Red, green, blue and alpha side by side, as the machine's own vectors.
using Four = float __attribute__((vector_size(16)));
using FourBits = std::uint32_t __attribute__((vector_size(16)));
using FourWhole = std::int32_t __attribute__((vector_size(16)));

Four fourAt(const float* at)
{
    Four four;
    std::memcpy(&four, at, sizeof four);
    return four;
}

/// Not below 0, nor above `highest`; NaN is 0.
Four held(Four light, float highest)
{
    const Four none{};
    const Four top = none + highest;
    const Four positive = light > none ? light : none;
    return positive < top ? positive : top;
}

/// The bits of light above those of `least`.
FourBits bitsOf(Four light)
{
    const Four moved = light + least;
    FourBits bits;
    std::memcpy(&bits, &moved, sizeof bits);
    return bits - firstBits;
}

Four between(const Four& a, const Four& b, float rest)
{
    return a + (b - a) * rest;
}

float lightAt(int step)
{
    return std::bit_cast<float>(firstBits + (static_cast<std::uint32_t>(step) << stepBits)) - least;
}

constexpr std::array<int, 3> stride{4 * side * side, 4 * side, 4};

/// Codes of 8 bits for light, each step of which is far less than a code: the same bits, finer.
class ScreenCodes {
public:
    ScreenCodes()
    {
        for (std::size_t i = 0; i < codes_.size(); ++i) {
            const std::uint32_t middle = firstBits + (static_cast<std::uint32_t>(i) << shift) + (1U << (shift - 1));
            const double light = static_cast<double>(std::bit_cast<float>(middle) - least);
            codes_[i] =
                static_cast<std::uint8_t>(std::lround(255 * std::clamp(codeOfLight(Transfer::srgb, light), 0.0, 1.0)));
        }
    }
    void put(Four light, std::uint8_t* pixel) const
    {
        const FourBits at = bitsOf(held(light, 1)) >> shift;
        for (int k = 0; k < 3; ++k)
            pixel[k] = codes_[at[k]];
    }

private:
    static constexpr int shift = 14; ///< 512 to the octave
    std::array<std::uint8_t, 10 * 512 + 2> codes_{};
};

} // namespace

ScreenTable::ScreenTable(const std::function<Image(const Image&)>& screen) : table_(std::size_t{4} * side * side * side)
{
    Image light(side * side, side, Depth::single, {Primaries::bt709, Transfer::linear});
    light.setOpaque(true);
    for (int r = 0; r < side; ++r)
        for (int at = 0; at < side * side; ++at) {
            float* pixel = light.floatAt(at, r);
            pixel[0] = lightAt(r);
            pixel[1] = lightAt(at / side);
            pixel[2] = lightAt(at % side);
            pixel[3] = 1;
        }
    const Image shown = screen(light);
    for (int r = 0; r < side; ++r)
        std::transform(shown.floatAt(0, r), shown.floatAt(0, r) + std::ptrdiff_t{4} * side * side,
                       table_.begin() + std::ptrdiff_t{r} * stride[0], [](float code) {
                           return static_cast<float>(
                               lightOfCode(Transfer::srgb, static_cast<double>(std::clamp(code, -2.0F, 2.0F))));
                       });
}

Image ScreenTable::of(const Image& light) const
{
    Image out(light.width(), light.height(), Depth::eight);
    out.setOpaque(light.opaque());
    static const ScreenCodes codes;
    oneapi::tbb::parallel_for(0, light.height(), [&](int y) {
        const float* from = light.floatAt(0, y);
        std::uint8_t* to = out.at(0, y);
        const bool opaque = light.opaque();
        for (int x = 0; x < light.width(); ++x, from += 4, to += 4) {
            Four colour = fourAt(from);
            const float alpha = opaque ? 1 : colour[3];
            if (!opaque && alpha > 0)
                colour /= alpha;
            constexpr float top = most - 1; // so that none stands on the last colour itself
            const FourBits bits = bitsOf(held(colour, top));
            const FourBits step = bits >> stepBits;
            const FourBits part = bits & ((1U << stepBits) - 1);
            const Four rest = __builtin_convertvector(FourWhole(part), Four) * (1.0F / (1U << stepBits));
            const float* corner = table_.data() + static_cast<std::ptrdiff_t>(step[0]) * stride[0] +
                                  static_cast<std::ptrdiff_t>(step[1]) * stride[1] +
                                  static_cast<std::ptrdiff_t>(step[2]) * stride[2];
            const auto edge = [&](int offset) {
                return between(fourAt(corner + offset), fourAt(corner + offset + stride[2]), rest[2]);
            };
            const auto face = [&](int offset) { return between(edge(offset), edge(offset + stride[1]), rest[1]); };
            codes.put(between(face(0), face(stride[0]), rest[0]), to);
            to[3] = opaque ? 255 : static_cast<std::uint8_t>(std::lround(255 * std::clamp(alpha, 0.0F, 1.0F)));
        }
    });
    return out;
}

} // namespace ember
