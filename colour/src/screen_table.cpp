// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/colour/screen_table.h"

#include <algorithm>
#include <array>
#include <bit>
#include <cstdint>

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

struct Place {
    int step;
    float rest; ///< 0 to 1
};

Place placeOf(float light)
{
    const float held = light > 0 ? std::min(light, most - least) : 0; // NaN is 0
    const std::uint32_t bits = std::bit_cast<std::uint32_t>(held + least) - firstBits;
    const int step = std::min(static_cast<int>(bits >> stepBits), side - 2);
    const auto rest = static_cast<float>(bits - (static_cast<std::uint32_t>(step) << stepBits));
    return {step, rest * (1.0F / (1U << stepBits))};
}

float lightAt(int step)
{
    return std::bit_cast<float>(firstBits + (static_cast<std::uint32_t>(step) << stepBits)) - least;
}

constexpr std::array<int, 3> stride{4 * side * side, 4 * side, 4};

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
        std::transform(shown.floatAt(0, r), shown.floatAt(0, r) + 4 * side * side,
                       table_.begin() + std::ptrdiff_t{r} * stride[0], [](float code) {
                           return static_cast<float>(
                               lightOfCode(Transfer::srgb, static_cast<double>(std::clamp(code, -2.0F, 2.0F))));
                       });
}

Image ScreenTable::of(const Image& light) const
{
    Image out(light.width(), light.height(), Depth::eight);
    out.setOpaque(light.opaque());
    const TransferCurve& curve = TransferCurve::of(Transfer::srgb);
    oneapi::tbb::parallel_for(0, light.height(), [&](int y) {
        for (int x = 0; x < light.width(); ++x) {
            const float* from = light.floatAt(x, y);
            std::uint8_t* to = out.at(x, y);
            const float alpha = light.opaque() ? 1 : from[3];
            const float straight = alpha > 0 ? 1 / alpha : 1;
            std::array<Place, 3> places;
            for (std::size_t k = 0; k < 3; ++k)
                places[k] = placeOf(from[k] * straight);
            // From the corner below all three, along the axis that has most left first.
            std::array<std::size_t, 3> order{0, 1, 2};
            if (places[order[0]].rest < places[order[1]].rest)
                std::swap(order[0], order[1]);
            if (places[order[1]].rest < places[order[2]].rest)
                std::swap(order[1], order[2]);
            if (places[order[0]].rest < places[order[1]].rest)
                std::swap(order[0], order[1]);
            const float* corner =
                table_.data() + places[0].step * stride[0] + places[1].step * stride[1] + places[2].step * stride[2];
            std::array<float, 4> sum{};
            float above = 1;
            for (const std::size_t axis : order) {
                const float share = above - places[axis].rest;
                for (std::size_t k = 0; k < 4; ++k)
                    sum[k] += share * corner[k];
                above = places[axis].rest;
                corner += stride[axis];
            }
            for (std::size_t k = 0; k < 3; ++k)
                to[k] = static_cast<std::uint8_t>(255 * curve.code(sum[k] + above * corner[k]) + 0.5F);
            to[3] = static_cast<std::uint8_t>(255 * std::clamp(alpha, 0.0F, 1.0F) + 0.5F);
        }
    });
    return out;
}

} // namespace ember
