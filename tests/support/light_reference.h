// SPDX-License-Identifier: GPL-3.0-or-later
// The judge of rendering: plain double precision, one pixel at a time, written from the definitions.
#pragma once

#include <array>
#include <functional>
#include <vector>

#include "ember/core/project.h"
#include "ember/core/projection.h"
#include "ember/image/image.h"

namespace ember::test {

using Pixel = std::array<double, 4>;

/// A picture as doubles.
struct Plate {
    int width = 0;
    int height = 0;
    std::vector<Pixel> pixels;
    Pixel& at(int x, int y) { return pixels[static_cast<std::size_t>(y * width + x)]; }
    const Pixel& at(int x, int y) const { return pixels[static_cast<std::size_t>(y * width + x)]; }
};

/// Linear light by IEC 61966-2-1 with alpha multiplied in, or the codes (0 to 255) alike; and back to 8 bits.
Plate lightOf(const Image& image);
Plate codesOf(const Image& image);
Image codedLight(const Plate& plate);
Image codedCodes(const Plate& plate);

/// What stands beyond the edge; `beyond` for plain and transparent, which begin after three repeated pixels.
struct Edges {
    EdgeMode mode = EdgeMode::extend;
    Pixel beyond{0, 0, 0, 1};
};

/// The plate at a place, by the Catmull-Rom kernel over sixteen neighbours.
Pixel placeIn(const Plate& plate, const Edges& edges, double x, double y);

/// out(pixel) = sum over the maps of weight * plate(map(pixel)).
struct Seen {
    std::function<Matrix3(int row)> map;
    Pixel weight{1, 1, 1, 1};
};
Plate sumOf(const Plate& plate, const Edges& edges, const std::vector<Seen>& seen, int width, int height);

/// How far two pictures are apart: the mean over all channels, and the share of pixels in which none is further apart
/// than 3.
struct Distance {
    double mean = 0;
    double within3 = 1;
    int largest = 0;
};
Distance distanceOf(const Image& a, const Image& b);

} // namespace ember::test
