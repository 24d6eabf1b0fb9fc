// SPDX-License-Identifier: GPL-3.0-or-later
// What the numbers of a picture stand for.
#pragma once

#include <array>
#include <cstddef>
#include <cstdint>
#include <vector>

namespace ember {

/// What red, green and blue are. White is D65, that of ap1 is near D60.
enum class Primaries {
    bt709,     ///< ITU-R BT.709-6, item 1.3; IEC 61966-2-1 (sRGB) has the same
    bt2020,    ///< ITU-R BT.2020-2, table 3
    displayP3, ///< SMPTE EG 432-1 with white D65
    ap1,       ///< ACEScg: SMPTE ST 2113 calls them AP1 (Academy S-2014-004)
};

/// How light became codes.
enum class Transfer {
    srgb,   ///< IEC 61966-2-1; also for films in BT.709, which are judged on displays much like it
    linear, ///< the light itself
    pq,     ///< ITU-R BT.2100-2, table 4: light of the display, to 10,000 cd/m2
    hlg,    ///< ITU-R BT.2100-2, table 5: light of the scene
};

struct ColourSpace {
    Primaries primaries = Primaries::bt709;
    Transfer transfer = Transfer::srgb;

    bool operator==(const ColourSpace&) const = default;
    /// Whether it holds highlights far above white.
    bool hdr() const { return transfer == Transfer::pq || transfer == Transfer::hlg; }
};

/// Light (1 is reference white) of a code (0 to 1), and back. In PQ and HLG reference white is 203 cd/m2 and a signal
/// of 75 % (ITU-R BT.2408-7, table 1), so that 1 is as white in every space. `linear` passes any number.
double lightOfCode(Transfer transfer, double code);
double codeOfLight(Transfer transfer, double light);

/// x, y of red, green, blue and white (CIE 1931).
using Chromaticities = std::array<double, 8>;
const Chromaticities& chromaticitiesOf(Primaries primaries);

/// From the light of one set of primaries to that of another, in rows (SMPTE RP 177); where whites differ they are
/// adapted by the Bradford transform (ICC.1:2022, annex E).
using ColourMatrix = std::array<double, 9>;
/// To CIE 1931 XYZ, Y of white being 1 (RP 177).
ColourMatrix toXyz(const Chromaticities& from);
ColourMatrix conversionOf(const Chromaticities& from, const Chromaticities& to);
ColourMatrix conversionOf(Primaries from, Primaries to);

/// How much red, green and blue of light count for its luminance, the sum being 1: the middle row of RP 177's matrix to
/// XYZ.
std::array<double, 3> luminanceOf(Primaries primaries);

/// A curve as tables, for many pixels.
class TransferCurve {
public:
    static const TransferCurve& of(Transfer transfer);

    /// Light of a code of 16 bits, right to single precision.
    float light(std::uint16_t code) const { return light_[code]; }
    /// The code (0 to 1) of light: what is outside is cut off, NaN is 0. Within 1e-6 of the formula.
    float code(float light) const;

    /// The tables themselves, for vector code: light of every code of 16 bits, and codes of lights that are even within
    /// each octave. Number i of these is that of the light whose bits are firstBits + (i << shift).
    const float* lights() const { return light_.data(); }
    const float* codes() const { return code_.data(); }
    static constexpr int lowestOctave = -40;
    static constexpr int octaves = 48;
    static constexpr int stepBits = 9;
    static constexpr int shift = 23 - stepBits;
    static constexpr std::uint32_t firstBits = static_cast<std::uint32_t>(127 + lowestOctave) << 23;

private:
    explicit TransferCurve(Transfer transfer);

    std::vector<float> light_;
    std::vector<float> code_;
};

} // namespace ember
