// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/image/image.h"

#include <algorithm>
#include <cstring>

namespace ember {

Image::Image(int width, int height, Depth depth)
    : width_(width), height_(height), depth_(depth),
      stride_((static_cast<std::size_t>(width) * pixelBytes() + PixelMemory::alignment - 1) / PixelMemory::alignment *
              PixelMemory::alignment),
      // One alignment more than the rows need: a vector load at the last pixel stays inside.
      pixels_(stride_ * static_cast<std::size_t>(height) + PixelMemory::alignment)
{
}

Image Image::copy() const
{
    if (empty())
        return {};
    Image out(width_, height_, depth_);
    out.opaque_ = opaque_;
    std::memcpy(out.row(0), row(0), bytes());
    return out;
}

void Image::fill(std::uint8_t r, std::uint8_t g, std::uint8_t b, std::uint8_t a)
{
    const std::uint8_t pixel[4] = {r, g, b, a};
    opaque_ = a == 255;
    for (int y = 0; y < height_; ++y)
        for (int x = 0; x < width_; ++x)
            std::memcpy(at(x, y), pixel, 4);
}

bool samePixels(const Image& a, const Image& b)
{
    if (a.width() != b.width() || a.height() != b.height() || a.depth() != b.depth())
        return false;
    const std::size_t used = a.pixelBytes() * static_cast<std::size_t>(a.width());
    for (int y = 0; y < a.height(); ++y)
        if (!std::equal(a.row(y), a.row(y) + used, b.row(y)))
            return false;
    return true;
}

} // namespace ember
