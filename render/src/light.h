// SPDX-License-Identifier: GPL-3.0-or-later
// Light: what the codes of a picture stand for, and pictures made of it.
#pragma once

#include <array>
#include <cstddef>
#include <cstdint>
#include <memory>

#include "ember/core/project.h"
#include "ember/image/image.h"
#include "ember/image/pixel_memory.h"

namespace ember {

/// A pixel of light: red, green, blue with alpha multiplied in, and alpha.
using Light = std::array<float, 4>;
/// Of a colour in sRGB, as light of these primaries.
Light lightOf(const Colour& colour, Primaries primaries);

/// Whole pixels of the plane, from (x, y) on; may lie anywhere.
struct Rect {
    long x = 0;
    long y = 0;
    int width = 0;
    int height = 0;
};

/// Float pixels side by side, four floats each, in rows; the memory belongs to somebody else.
struct Patch {
    float* pixels = nullptr;
    std::ptrdiff_t stride = 0; ///< floats from row to row
    float* at(long x, long y) const { return pixels + y * stride + 4 * x; }
};

/// A buffer of floats that grows as needed and keeps what it has; aligned for vectors.
class Floats {
public:
    float* room(std::size_t count);

private:
    struct Free {
        void operator()(float* p) const;
    };
    std::unique_ptr<float[], Free> held_;
    std::size_t size_ = 0;
};

/// How closely a picture of light keeps its numbers.
enum class Precision {
    half, ///< IEEE 754 binary16, to a two-thousandth: a hundredth of an 8-bit code, and half of the memory to pass
    single,
};

/// Enough for what is coded with this depth.
constexpr Precision precisionFor(Depth depth)
{
    return depth == Depth::eight ? Precision::half : Precision::single;
}

/// A whole picture of light. Values may leave 0 to 1 until they are coded.
class LightPicture {
public:
    LightPicture() = default;
    LightPicture(int width, int height, Precision precision);
    int width() const { return width_; }
    int height() const { return height_; }
    /// `count` pixels from (x, y) on, which must exist.
    void read(int x, int y, int count, float* to) const;
    void write(int x, int y, int count, const float* from);

private:
    std::byte* at(int x, int y) const;

    int width_ = 0;
    int height_ = 0;
    Precision precision_ = Precision::half;
    PixelMemory pixels_;
};

/// How the codes of a picture become the numbers that are resampled and back.
enum class Domain {
    codes, ///< the codes themselves, 0 to 255 whatever the depth: one resampled picture is as sharp and as dark as its
           ///< source
    light, ///< linear light: for everything that adds pictures up
};

/// Writes `count` pixels of `source` from (x, y) on, which must exist, as floats with alpha multiplied in; of a picture
/// of floats what it holds, whatever the domain.
void readPixels(const Image& source, Domain domain, int x, int y, int count, float* to);
/// Codes `count` pixels into `out` from (x, y) on: alpha divided out again, out of range is cut off, rounded. Into a
/// picture of floats they go as they are.
void writePixels(const float* from, Domain domain, int count, Image& out, int x, int y);

} // namespace ember
