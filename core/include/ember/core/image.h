// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstddef>
#include <cstdint>
#include <memory>

namespace ember {

/// A picture of 8-bit RGBA pixels, gamma-coded as it came, alpha not multiplied in. Rows are aligned to 64 bytes and
/// padded to a multiple of 64, so that vector code may read (not write) past a row's last pixel. Copying is explicit.
class Image {
public:
    static constexpr std::size_t alignment = 64;

    Image() = default;
    /// Pixels are not initialised. Width and height at least 1.
    Image(int width, int height);
    Image(Image&&) noexcept = default;
    Image& operator=(Image&&) noexcept = default;

    Image copy() const;

    int width() const { return width_; }
    int height() const { return height_; }
    std::size_t stride() const { return stride_; }
    std::size_t bytes() const { return stride_ * static_cast<std::size_t>(height_); }
    bool empty() const { return width_ == 0; }

    std::uint8_t* row(int y) { return pixels_.get() + stride_ * static_cast<std::size_t>(y); }
    const std::uint8_t* row(int y) const { return pixels_.get() + stride_ * static_cast<std::size_t>(y); }
    std::uint8_t* at(int x, int y) { return row(y) + 4 * static_cast<std::ptrdiff_t>(x); }
    const std::uint8_t* at(int x, int y) const { return row(y) + 4 * static_cast<std::ptrdiff_t>(x); }

    void fill(std::uint8_t r, std::uint8_t g, std::uint8_t b, std::uint8_t a = 255);

private:
    struct Free {
        void operator()(std::uint8_t* p) const;
    };
    int width_ = 0;
    int height_ = 0;
    std::size_t stride_ = 0;
    std::unique_ptr<std::uint8_t[], Free> pixels_;
};

/// How finished pictures travel between threads: shared and never changed again.
using ImagePtr = std::shared_ptr<const Image>;

/// The same size and the same bytes in every pixel (padding does not count).
bool samePixels(const Image& a, const Image& b);

} // namespace ember
