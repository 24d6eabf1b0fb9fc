// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstddef>
#include <cstdint>
#include <memory>
#include <utility>

#include "ember/image/colour_space.h"
#include "ember/image/pixel_memory.h"

namespace ember {

/// Bits of each channel of a picture; those of 32 are floats.
enum class Depth { eight = 8, sixteen = 16, single = 32 };

/// The space of a picture of this depth: floats are the light of their primaries.
constexpr ColourSpace heldAs(Depth depth, ColourSpace colour)
{
    return {colour.primaries, depth == Depth::single ? Transfer::linear : colour.transfer};
}

/// A picture as its file holds it, for a writer that can store just that. Only the room that reads and writes media
/// knows what is in it.
class StoredPicture {
public:
    StoredPicture() = default;
    virtual ~StoredPicture() = default;
    StoredPicture(const StoredPicture&) = delete;
    StoredPicture& operator=(const StoredPicture&) = delete;
};

/// A picture of RGBA pixels. With 8 or 16 bits a channel it holds codes as they came, alpha not multiplied in; as
/// floats it holds light of any size, also below 0 and not finite, alpha multiplied in (as OpenEXR has it). Rows are
/// aligned to 64 bytes and padded to a multiple of 64, so that vector code may read (not write) past a row's last
/// pixel. Copying is explicit.
class Image {
public:
    Image() = default;
    /// Pixels are not initialised. Width and height at least 1.
    Image(int width, int height, Depth depth = Depth::eight, ColourSpace colour = {});
    Image(Image&&) noexcept = default;
    Image& operator=(Image&&) noexcept = default;

    Image copy() const;

    int width() const { return width_; }
    int height() const { return height_; }
    Depth depth() const { return depth_; }
    /// As heldAs() has it.
    ColourSpace colour() const { return colour_; }
    std::size_t pixelBytes() const { return static_cast<std::size_t>(depth_) / 2; }
    /// Whether every pixel is known to be opaque; a picture that is not may still be so.
    bool opaque() const { return opaque_; }
    void setOpaque(bool opaque) { opaque_ = opaque; }
    /// None where the picture is not just what a file holds.
    const std::shared_ptr<const StoredPicture>& stored() const { return stored_; }
    void setStored(std::shared_ptr<const StoredPicture> stored) { stored_ = std::move(stored); }
    std::size_t stride() const { return stride_; }
    std::size_t bytes() const { return stride_ * static_cast<std::size_t>(height_); }
    bool empty() const { return width_ == 0; }

    std::uint8_t* row(int y) { return first() + stride_ * static_cast<std::size_t>(y); }
    const std::uint8_t* row(int y) const { return first() + stride_ * static_cast<std::size_t>(y); }
    /// A pixel of a picture of 8 bits.
    std::uint8_t* at(int x, int y) { return row(y) + 4 * static_cast<std::ptrdiff_t>(x); }
    const std::uint8_t* at(int x, int y) const { return row(y) + 4 * static_cast<std::ptrdiff_t>(x); }
    /// A pixel of a picture of 16 bits.
    std::uint16_t* deepAt(int x, int y) { return reinterpret_cast<std::uint16_t*>(row(y)) + 4 * std::ptrdiff_t{x}; }
    const std::uint16_t* deepAt(int x, int y) const
    {
        return reinterpret_cast<const std::uint16_t*>(row(y)) + 4 * std::ptrdiff_t{x};
    }
    /// A pixel of a picture of floats.
    float* floatAt(int x, int y) { return reinterpret_cast<float*>(row(y)) + 4 * std::ptrdiff_t{x}; }
    const float* floatAt(int x, int y) const { return reinterpret_cast<const float*>(row(y)) + 4 * std::ptrdiff_t{x}; }

    /// Makes `count` pixels from (x, y) on black and opaque.
    void blacken(int x, int y, int count);
    /// A picture of 8 bits in one colour.
    void fill(std::uint8_t r, std::uint8_t g, std::uint8_t b, std::uint8_t a = 255);

private:
    std::uint8_t* first() const { return reinterpret_cast<std::uint8_t*>(pixels_.data()); }

    int width_ = 0;
    int height_ = 0;
    Depth depth_ = Depth::eight;
    ColourSpace colour_;
    bool opaque_ = false;
    std::size_t stride_ = 0;
    PixelMemory pixels_;
    std::shared_ptr<const StoredPicture> stored_;
};

/// How finished pictures travel between threads: shared and never changed again.
using ImagePtr = std::shared_ptr<const Image>;

/// A rectangle of a picture, which must lie inside.
Image cropped(const Image& image, int x, int y, int width, int height);

/// The same size, depth and bytes in every pixel (padding does not count).
bool samePixels(const Image& a, const Image& b);

} // namespace ember
