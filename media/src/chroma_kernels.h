// SPDX-License-Identifier: GPL-3.0-or-later
// The vector code of reading films: luma and chroma to RGBA. Each is compiled for every instruction set.
#pragma once

#include <cstddef>
#include <cstdint>

namespace ember {

/// Chroma of one row of luma: 4 out = a * from + b * other, row by row or along one.
void runBlendRows(const std::uint8_t* from, const std::uint8_t* other, int a, int b, std::uint16_t* out,
                  std::size_t count);

/// Twice as many samples along a row, four times as large. `out` takes 2 count of them. Sited with the even pixels:
/// these are the samples, the others half of their neighbours each. Between the pixels: three quarters of the nearer,
/// one of the other. At the ends of a row the last sample is repeated.
void runDoubleAlong(const std::uint16_t* from, bool between, std::uint16_t* out, std::size_t count);

/// How samples become codes from 0 to 255: red = luma * (y - black) + redOfCr * (cr - 128) and so on.
struct SampleCodes {
    float luma, black;
    float redOfCr, greenOfCb, greenOfCr, blueOfCb;
};
/// `cb` and `cr` are `scale` times as large as samples. Opaque pixels, rounded.
void runSamplesToRgba(const std::uint8_t* y, const std::uint16_t* cb, const std::uint16_t* cr, float scale,
                      const SampleCodes& codes, std::uint8_t* rgba, std::size_t pixels);

} // namespace ember
