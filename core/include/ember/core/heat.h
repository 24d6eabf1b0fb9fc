// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <algorithm>
#include <array>
#include <cstddef>
#include <cstdint>

namespace ember {

/// Intensity as heat: the one ramp that stands for it on screen and on paper, at 0, 25, 50, 75 and 100 %, in sRGB
/// codes.
using HeatRamp = std::array<std::array<std::uint8_t, 3>, 5>;

/// Cold slate, dull red, orange, pale yellow.
inline constexpr HeatRamp heatRamp{
    {{0x58, 0x54, 0x6e}, {0x6e, 0x34, 0x3e}, {0xb2, 0x3a, 0x24}, {0xe8, 0x7a, 0x2c}, {0xff, 0xe8, 0xb0}}};
/// The same for light paper on a screen, where pale yellow would not be seen.
inline constexpr HeatRamp heatRampOnLight{
    {{0x8a, 0x87, 0xa3}, {0x8f, 0x4a, 0x55}, {0xb2, 0x3a, 0x24}, {0xe0, 0x6c, 0x1a}, {0xf2, 0xb4, 0x1e}}};

/// The colour of an intensity, 0 to 1, as codes from 0 to 255; beyond, that of the end.
constexpr std::array<double, 3> heatOf(const HeatRamp& ramp, double intensity)
{
    const double place = std::clamp(intensity, 0.0, 1.0) * static_cast<double>(ramp.size() - 1);
    const auto below = std::min(ramp.size() - 2, static_cast<std::size_t>(place));
    const double share = place - static_cast<double>(below);
    std::array<double, 3> colour{};
    for (std::size_t i = 0; i < colour.size(); ++i)
        colour[i] = ramp[below][i] + share * (ramp[below + 1][i] - ramp[below][i]);
    return colour;
}

} // namespace ember
