// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/colour/colour_way.h"

#include <algorithm>
#include <cstddef>

#include <oneapi/tbb/parallel_for.h>

#include "colour_way_steps.h"

namespace ember {

namespace ocio = OCIO_NAMESPACE;

namespace {

std::size_t numberOf(Depth depth)
{
    return depth == Depth::eight ? 0 : depth == Depth::sixteen ? 1 : 2;
}

ocio::BitDepth bitsOf(Depth depth)
{
    return depth == Depth::eight     ? ocio::BIT_DEPTH_UINT8
           : depth == Depth::sixteen ? ocio::BIT_DEPTH_UINT16
                                     : ocio::BIT_DEPTH_F32;
}

ocio::PackedImageDesc rowsOf(const Image& image, int first, int count)
{
    const auto one = static_cast<std::ptrdiff_t>(image.pixelBytes()) / 4;
    return {const_cast<std::uint8_t*>(image.row(first)),
            image.width(),
            count,
            ocio::CHANNEL_ORDERING_RGBA,
            bitsOf(image.depth()),
            one,
            4 * one,
            static_cast<std::ptrdiff_t>(image.stride())};
}

void multiply(float* pixel, int count)
{
    for (; count > 0; --count, pixel += 4)
        for (std::size_t k = 0; k < 3; ++k)
            pixel[k] *= pixel[3];
}

/// Where nothing is covered, colours are light that is only added: they stay.
void divide(float* pixel, int count)
{
    for (; count > 0; --count, pixel += 4)
        if (pixel[3] > 0)
            for (std::size_t k = 0; k < 3; ++k)
                pixel[k] /= pixel[3];
}

} // namespace

ColourWay::Steps::Steps(ocio::ConstProcessorRcPtr whole) : way(std::move(whole)), nothing(way->isNoOp()) {}

ocio::ConstCPUProcessorRcPtr ColourWay::Steps::of(Depth from, Depth to) const
{
    const std::lock_guard held(mutex);
    auto& one = made[3 * numberOf(from) + numberOf(to)];
    if (!one)
        one = way->getOptimizedCPUProcessor(bitsOf(from), bitsOf(to), ocio::OPTIMIZATION_DEFAULT);
    return one;
}

bool ColourWay::nothing() const
{
    return steps_->nothing;
}

Image ColourWay::of(const Image& picture, Depth depth, ColourSpace colour) const
{
    Image out(picture.width(), picture.height(), depth, heldAs(depth, colour));
    out.setOpaque(picture.opaque());
    const bool multiplied = !picture.opaque() && picture.depth() == Depth::single;
    const auto steps = steps_->of(picture.depth(), depth);
    constexpr int block = 16; // rows
    oneapi::tbb::parallel_for(0, (picture.height() + block - 1) / block, [&](int i) {
        const int first = i * block;
        const int count = std::min(block, picture.height() - first);
        auto to = rowsOf(out, first, count);
        if (multiplied) { // colours are brought over without their alpha
            Image straight = cropped(picture, 0, first, picture.width(), count);
            for (int y = 0; y < count; ++y)
                divide(straight.floatAt(0, y), straight.width());
            steps->apply(rowsOf(straight, 0, count), to);
        } else {
            steps->apply(rowsOf(picture, first, count), to);
        }
        for (int y = first; !picture.opaque() && depth == Depth::single && y < first + count; ++y)
            multiply(out.floatAt(0, y), out.width());
    });
    return out;
}

} // namespace ember
