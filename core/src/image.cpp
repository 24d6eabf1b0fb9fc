// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/core/image.h"

#include <algorithm>
#include <cstring>
#include <new>

namespace ember {

void Image::Free::operator()(std::uint8_t* p) const
{
    ::operator delete[](p, std::align_val_t{alignment});
}

Image::Image(int width, int height)
    : width_(width), height_(height),
      stride_((static_cast<std::size_t>(width) * 4 + alignment - 1) / alignment * alignment),
      // One alignment more than the rows need: a vector load at the last pixel stays inside.
      pixels_(static_cast<std::uint8_t*>(
          ::operator new[](stride_* static_cast<std::size_t>(height) + alignment, std::align_val_t{alignment})))
{
}

Image Image::copy() const
{
    if (empty())
        return {};
    Image out(width_, height_);
    std::memcpy(out.row(0), row(0), bytes());
    return out;
}

void Image::fill(std::uint8_t r, std::uint8_t g, std::uint8_t b, std::uint8_t a)
{
    const std::uint8_t pixel[4] = {r, g, b, a};
    for (int y = 0; y < height_; ++y)
        for (int x = 0; x < width_; ++x)
            std::memcpy(at(x, y), pixel, 4);
}

bool samePixels(const Image& a, const Image& b)
{
    if (a.width() != b.width() || a.height() != b.height())
        return false;
    for (int y = 0; y < a.height(); ++y)
        if (!std::equal(a.row(y), a.row(y) + 4 * static_cast<std::ptrdiff_t>(a.width()), b.row(y)))
            return false;
    return true;
}

} // namespace ember
