// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/image/image.h"

#include <algorithm>
#include <array>
#include <cstring>

namespace ember {

Image::Image(int width, int height, Depth depth, ColourSpace colour)
    : width_(width), height_(height), depth_(depth), colour_(heldAs(depth, colour)),
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
    Image out(width_, height_, depth_, colour_);
    out.opaque_ = opaque_;
    std::memcpy(out.row(0), row(0), bytes());
    return out;
}

void Image::blacken(int x, int y, int count)
{
    for (int i = x; i < x + count; ++i)
        switch (depth_) {
        case Depth::eight: std::copy_n(std::array<std::uint8_t, 4>{0, 0, 0, 255}.data(), 4, at(i, y)); break;
        case Depth::sixteen: std::copy_n(std::array<std::uint16_t, 4>{0, 0, 0, 65535}.data(), 4, deepAt(i, y)); break;
        case Depth::single: std::copy_n(std::array<float, 4>{0, 0, 0, 1}.data(), 4, floatAt(i, y)); break;
        }
}

void Image::fill(std::uint8_t r, std::uint8_t g, std::uint8_t b, std::uint8_t a)
{
    const std::uint8_t pixel[4] = {r, g, b, a};
    opaque_ = a == 255;
    for (int y = 0; y < height_; ++y)
        for (int x = 0; x < width_; ++x)
            std::memcpy(at(x, y), pixel, 4);
}

Image cropped(const Image& image, int x, int y, int width, int height)
{
    Image out(width, height, image.depth(), image.colour());
    out.setOpaque(image.opaque());
    for (int i = 0; i < height; ++i)
        std::memcpy(out.row(i), image.row(y + i) + image.pixelBytes() * static_cast<std::size_t>(x),
                    image.pixelBytes() * static_cast<std::size_t>(width));
    return out;
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
