// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstddef>
#include <cstdint>
#include <memory>

#include "ember/image/pixel_memory.h"

namespace ember {

/// Bits of each channel of a picture.
enum class Depth { eight = 8, sixteen = 16 };

/// A picture of RGBA pixels, 8 or 16 bits a channel, gamma-coded as it came, alpha not multiplied in. Rows are aligned
/// to 64 bytes and padded to a multiple of 64, so that vector code may read (not write) past a row's last pixel.
/// Copying is explicit.
class Image {
public:
    Image() = default;
    /// Pixels are not initialised. Width and height at least 1.
    Image(int width, int height, Depth depth = Depth::eight);
    Image(Image&&) noexcept = default;
    Image& operator=(Image&&) noexcept = default;

    Image copy() const;

    int width() const { return width_; }
    int height() const { return height_; }
    Depth depth() const { return depth_; }
    std::size_t pixelBytes() const { return depth_ == Depth::eight ? 4 : 8; }
    /// Whether every pixel is known to be opaque; a picture that is not may still be so.
    bool opaque() const { return opaque_; }
    void setOpaque(bool opaque) { opaque_ = opaque; }
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

    /// A picture of 8 bits in one colour.
    void fill(std::uint8_t r, std::uint8_t g, std::uint8_t b, std::uint8_t a = 255);

private:
    std::uint8_t* first() const { return reinterpret_cast<std::uint8_t*>(pixels_.data()); }

    int width_ = 0;
    int height_ = 0;
    Depth depth_ = Depth::eight;
    bool opaque_ = false;
    std::size_t stride_ = 0;
    PixelMemory pixels_;
};

/// How finished pictures travel between threads: shared and never changed again.
using ImagePtr = std::shared_ptr<const Image>;

/// The same size, depth and bytes in every pixel (padding does not count).
bool samePixels(const Image& a, const Image& b);

} // namespace ember
