// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>
#include <cstring>

#include "bound.h"

namespace ember::python {

namespace {

py::dtype kindOf(Depth depth)
{
    switch (depth) {
    case Depth::eight: return py::dtype::of<std::uint8_t>();
    case Depth::sixteen: return py::dtype::of<std::uint16_t>();
    case Depth::single: break;
    }
    return py::dtype::of<float>();
}

Depth depthOf(const py::array& array)
{
    for (const Depth depth : {Depth::eight, Depth::sixteen, Depth::single})
        if (array.dtype().is(kindOf(depth)) || array.dtype().equal(kindOf(depth)))
            return depth;
    refuse("The array", Phrase("its values are {}; uint8, uint16 or float32 are pictures",
                               py::str(array.dtype()).cast<std::string>()));
}

std::string shapeOf(const py::array& array)
{
    std::string shape;
    for (py::ssize_t i = 0; i < array.ndim(); ++i)
        shape += (i > 0 ? ", " : "") + std::to_string(array.shape(i));
    return "(" + shape + ")";
}

template <typename Channel>
void fill(Image& image, const py::array& array, Channel opaque)
{
    const auto channels = array.shape(2);
    const auto* first = static_cast<const char*>(array.data());
    for (int y = 0; y < image.height(); ++y) {
        auto* to = reinterpret_cast<Channel*>(image.row(y));
        for (int x = 0; x < image.width(); ++x, to += 4)
            for (py::ssize_t c = 0; c < 4; ++c) {
                to[c] = opaque;
                if (c < channels)
                    std::memcpy(to + c, first + y * array.strides(0) + x * array.strides(1) + c * array.strides(2),
                                sizeof(Channel));
            }
    }
}

} // namespace

py::array arrayOf(const ImagePtr& image)
{
    auto* owner = new ImagePtr(image);
    const py::capsule memory(owner, [](void* held) { delete static_cast<ImagePtr*>(held); });
    const auto channel = static_cast<py::ssize_t>(image->pixelBytes()) / 4;
    py::array array(kindOf(image->depth()), {py::ssize_t{image->height()}, py::ssize_t{image->width()}, py::ssize_t{4}},
                    {static_cast<py::ssize_t>(image->stride()), 4 * channel, channel}, image->row(0), memory);
    array.attr("setflags")(py::arg("write") = false);
    return array;
}

ImagePtr imageOf(const py::array& array)
{
    constexpr py::ssize_t most = 32768;
    if (array.ndim() != 3 || (array.shape(2) != 3 && array.shape(2) != 4) || array.shape(0) < 1 || array.shape(1) < 1 ||
        array.shape(0) > most || array.shape(1) > most)
        refuse("The array", Phrase("its shape is {}; a picture is (height, width, 3 or 4)", shapeOf(array)));
    const Depth depth = depthOf(array);
    auto image = std::make_shared<Image>(static_cast<int>(array.shape(1)), static_cast<int>(array.shape(0)), depth,
                                         heldAs(depth, ColourSpace()));
    image->setOpaque(array.shape(2) == 3);
    switch (depth) {
    case Depth::eight: fill<std::uint8_t>(*image, array, 255); break;
    case Depth::sixteen: fill<std::uint16_t>(*image, array, 65535); break;
    case Depth::single: fill<float>(*image, array, 1); break;
    }
    return image;
}

} // namespace ember::python
