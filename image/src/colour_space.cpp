// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/image/colour_space.h"

#include <algorithm>
#include <bit>
#include <cmath>

namespace ember {

namespace {

// ITU-R BT.2100-2, table 4.
constexpr double pqM1 = 2610.0 / 16384;
constexpr double pqM2 = 2523.0 / 4096 * 128;
constexpr double pqC1 = 3424.0 / 4096;
constexpr double pqC2 = 2413.0 / 4096 * 32;
constexpr double pqC3 = 2392.0 / 4096 * 32;
constexpr double pqWhite = 203.0 / 10000;

// ITU-R BT.2100-2, table 5.
constexpr double hlgA = 0.17883277;
constexpr double hlgB = 1 - 4 * hlgA;
const double hlgC = 0.5 - hlgA * std::log(4 * hlgA);

double hlgScene(double code)
{
    return code <= 0.5 ? code * code / 3 : (std::exp((code - hlgC) / hlgA) + hlgB) / 12;
}

const double hlgWhite = hlgScene(0.75);

ColourMatrix times(const ColourMatrix& a, const ColourMatrix& b)
{
    ColourMatrix out{};
    for (std::size_t row = 0; row < 3; ++row)
        for (std::size_t column = 0; column < 3; ++column)
            for (std::size_t i = 0; i < 3; ++i)
                out[3 * row + column] += a[3 * row + i] * b[3 * i + column];
    return out;
}

ColourMatrix inverted(const ColourMatrix& m)
{
    const double a = m[4] * m[8] - m[5] * m[7];
    const double b = m[5] * m[6] - m[3] * m[8];
    const double c = m[3] * m[7] - m[4] * m[6];
    const double d = m[0] * a + m[1] * b + m[2] * c;
    return {a / d, (m[2] * m[7] - m[1] * m[8]) / d, (m[1] * m[5] - m[2] * m[4]) / d,
            b / d, (m[0] * m[8] - m[2] * m[6]) / d, (m[2] * m[3] - m[0] * m[5]) / d,
            c / d, (m[1] * m[6] - m[0] * m[7]) / d, (m[0] * m[4] - m[1] * m[3]) / d};
}

using Triple = std::array<double, 3>;

Triple times(const ColourMatrix& m, const Triple& v)
{
    Triple out{};
    for (std::size_t row = 0; row < 3; ++row)
        out[row] = m[3 * row] * v[0] + m[3 * row + 1] * v[1] + m[3 * row + 2] * v[2];
    return out;
}

/// X, Y, Z of a chromaticity with Y = 1.
Triple xyzOf(double x, double y)
{
    return {x / y, 1, (1 - x - y) / y};
}

ColourMatrix adapted(const Triple& from, const Triple& to)
{
    constexpr ColourMatrix bradford{0.8951, 0.2664, -0.1614, -0.7502, 1.7135, 0.0367, 0.0389, -0.0685, 1.0296};
    const Triple a = times(bradford, from);
    const Triple b = times(bradford, to);
    const ColourMatrix scale{b[0] / a[0], 0, 0, 0, b[1] / a[1], 0, 0, 0, b[2] / a[2]};
    return times(inverted(bradford), times(scale, bradford));
}

} // namespace

ColourMatrix toXyz(const Chromaticities& c)
{
    ColourMatrix m{};
    for (std::size_t i = 0; i < 3; ++i) {
        const Triple at = xyzOf(c[2 * i], c[2 * i + 1]);
        for (std::size_t row = 0; row < 3; ++row)
            m[3 * row + i] = at[row];
    }
    const Triple share = times(inverted(m), xyzOf(c[6], c[7]));
    for (std::size_t row = 0; row < 3; ++row)
        for (std::size_t i = 0; i < 3; ++i)
            m[3 * row + i] *= share[i];
    return m;
}

double lightOfCode(Transfer transfer, double code)
{
    switch (transfer) {
    case Transfer::linear: break;
    case Transfer::srgb: return code <= 0.04045 ? code / 12.92 : std::pow((code + 0.055) / 1.055, 2.4);
    case Transfer::pq: {
        const double root = std::pow(std::max(0.0, code), 1 / pqM2);
        return std::pow(std::max(0.0, root - pqC1) / (pqC2 - pqC3 * root), 1 / pqM1) / pqWhite;
    }
    case Transfer::hlg: return hlgScene(std::max(0.0, code)) / hlgWhite;
    }
    return code;
}

double codeOfLight(Transfer transfer, double light)
{
    switch (transfer) {
    case Transfer::linear: break;
    case Transfer::srgb: return light <= 0.04045 / 12.92 ? light * 12.92 : 1.055 * std::pow(light, 1 / 2.4) - 0.055;
    case Transfer::pq: {
        const double power = std::pow(std::max(0.0, light) * pqWhite, pqM1);
        return std::pow((pqC1 + pqC2 * power) / (1 + pqC3 * power), pqM2);
    }
    case Transfer::hlg: {
        const double scene = std::max(0.0, light) * hlgWhite;
        return scene <= 1.0 / 12 ? std::sqrt(3 * scene) : hlgA * std::log(12 * scene - hlgB) + hlgC;
    }
    }
    return light;
}

const Chromaticities& chromaticitiesOf(Primaries primaries)
{
    static constexpr std::array<Chromaticities, 4> known{
        {{0.64, 0.33, 0.30, 0.60, 0.15, 0.06, 0.3127, 0.3290},
         {0.708, 0.292, 0.170, 0.797, 0.131, 0.046, 0.3127, 0.3290},
         {0.680, 0.320, 0.265, 0.690, 0.150, 0.060, 0.3127, 0.3290},
         {0.713, 0.293, 0.165, 0.830, 0.128, 0.044, 0.32168, 0.33767}}};
    return known[static_cast<std::size_t>(primaries)];
}

ColourMatrix conversionOf(const Chromaticities& from, const Chromaticities& to)
{
    if (from == to)
        return {1, 0, 0, 0, 1, 0, 0, 0, 1};
    ColourMatrix xyz = toXyz(from);
    if (from[6] != to[6] || from[7] != to[7])
        xyz = times(adapted(xyzOf(from[6], from[7]), xyzOf(to[6], to[7])), xyz);
    return times(inverted(toXyz(to)), xyz);
}

ColourMatrix conversionOf(Primaries from, Primaries to)
{
    return conversionOf(chromaticitiesOf(from), chromaticitiesOf(to));
}

std::array<double, 3> luminanceOf(Primaries primaries)
{
    const ColourMatrix xyz = toXyz(chromaticitiesOf(primaries));
    return {xyz[3], xyz[4], xyz[5]};
}

const TransferCurve& TransferCurve::of(Transfer transfer)
{
    static const TransferCurve srgb(Transfer::srgb);
    static const TransferCurve linear(Transfer::linear);
    static const TransferCurve pq(Transfer::pq);
    static const TransferCurve hlg(Transfer::hlg);
    switch (transfer) {
    case Transfer::srgb: break;
    case Transfer::linear: return linear;
    case Transfer::pq: return pq;
    case Transfer::hlg: return hlg;
    }
    return srgb;
}

TransferCurve::TransferCurve(Transfer transfer) : light_(65536), code_((octaves << stepBits) + 1)
{
    for (std::size_t i = 0; i < light_.size(); ++i)
        light_[i] = static_cast<float>(lightOfCode(transfer, static_cast<double>(i) / 65535));
    for (std::size_t i = 0; i < code_.size(); ++i) {
        const float light = std::bit_cast<float>(firstBits + (static_cast<std::uint32_t>(i) << shift));
        code_[i] = static_cast<float>(codeOfLight(transfer, light));
    }
}

float TransferCurve::code(float light) const
{
    const float first = std::bit_cast<float>(firstBits);
    if (!(light > first))
        return light > 0 ? code_.front() * (light / first) : 0.0F;
    const std::uint32_t at = std::bit_cast<std::uint32_t>(light) - firstBits;
    const std::size_t step = at >> shift;
    if (step + 1 >= code_.size())
        return 1;
    constexpr std::uint32_t within = (1U << shift) - 1;
    const float share = static_cast<float>(at & within) * (1.0F / (1U << shift));
    return std::min(1.0F, code_[step] + (code_[step + 1] - code_[step]) * share);
}

} // namespace ember
