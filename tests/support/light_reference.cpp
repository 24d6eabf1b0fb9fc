// SPDX-License-Identifier: GPL-3.0-or-later
#include "light_reference.h"

#include <algorithm>
#include <cmath>
#include <cstdlib>

namespace ember::test {

namespace {

double toLight(double code)
{
    return code <= 0.04045 ? code / 12.92 : std::pow((code + 0.055) / 1.055, 2.4);
}

double toCode(double light)
{
    return light <= 0.0031308 ? 12.92 * light : 1.055 * std::pow(light, 1 / 2.4) - 0.055;
}

template <typename Curve>
Plate plateOf(const Image& image, Curve curve, double whole)
{
    Plate plate{image.width(), image.height(), {}};
    plate.pixels.resize(static_cast<std::size_t>(image.width()) * static_cast<std::size_t>(image.height()));
    const bool deep = image.depth() == Depth::sixteen;
    for (int y = 0; y < image.height(); ++y)
        for (int x = 0; x < image.width(); ++x) {
            const auto code = [&](std::size_t k) {
                return deep ? image.deepAt(x, y)[k] / 65535.0 : image.at(x, y)[k] / 255.0;
            };
            const double alpha = code(3);
            for (std::size_t k = 0; k < 3; ++k)
                plate.at(x, y)[k] = curve(code(k)) * alpha;
            plate.at(x, y)[3] = alpha * whole;
        }
    return plate;
}

template <typename Curve>
Image coded(const Plate& plate, Curve curve, double whole)
{
    Image out(plate.width, plate.height);
    for (int y = 0; y < plate.height; ++y)
        for (int x = 0; x < plate.width; ++x) {
            const Pixel& pixel = plate.at(x, y);
            const double alpha = std::clamp(pixel[3] / whole, 0.0, 1.0);
            for (std::size_t k = 0; k < 3; ++k) {
                const double value = alpha > 0 ? std::clamp(pixel[k] / alpha / whole, 0.0, 1.0) : 0;
                out.at(x, y)[k] = static_cast<std::uint8_t>(std::lround(255 * std::clamp(curve(value), 0.0, 1.0)));
            }
            out.at(x, y)[3] = static_cast<std::uint8_t>(std::lround(255 * alpha));
        }
    return out;
}

/// The place that stands in for `i`, or -1.
long standIn(long i, long size, EdgeMode mode)
{
    if (mode == EdgeMode::mirror)
        while (i < 0 || i >= size)
            i = i < 0 ? -1 - i : 2 * size - 1 - i;
    else if (mode == EdgeMode::wrap)
        i = ((i % size) + size) % size;
    else if (mode != EdgeMode::extend && (i < -3 || i >= size + 3))
        return -1;
    return std::clamp(i, 0L, size - 1);
}

/// Keys' cubic with a = -1/2, by its distance.
double keys(double distance)
{
    const double d = std::abs(distance);
    if (d < 1)
        return 1.5 * d * d * d - 2.5 * d * d + 1;
    return d < 2 ? -0.5 * d * d * d + 2.5 * d * d - 4 * d + 2 : 0;
}

} // namespace

Plate lightOf(const Image& image)
{
    return plateOf(image, toLight, 1);
}

Plate codesOf(const Image& image)
{
    return plateOf(
        image, [](double code) { return 255 * code; }, 255);
}

Image codedLight(const Plate& plate)
{
    return coded(plate, toCode, 1);
}

Image codedCodes(const Plate& plate)
{
    return coded(
        plate, [](double code) { return code; }, 255);
}

Pixel placeIn(const Plate& plate, const Edges& edges, double x, double y)
{
    x = std::clamp(x, -1e6, 1e6);
    y = std::clamp(y, -1e6, 1e6);
    Pixel sum{};
    const auto left = static_cast<long>(std::floor(x));
    const auto top = static_cast<long>(std::floor(y));
    for (long row = top - 1; row <= top + 2; ++row)
        for (long column = left - 1; column <= left + 2; ++column) {
            const long px = standIn(column, plate.width, edges.mode);
            const long py = standIn(row, plate.height, edges.mode);
            const Pixel& pixel = px < 0 || py < 0 ? edges.beyond : plate.at(static_cast<int>(px), static_cast<int>(py));
            const double weight = keys(x - static_cast<double>(column)) * keys(y - static_cast<double>(row));
            for (std::size_t k = 0; k < 4; ++k)
                sum[k] += weight * pixel[k];
        }
    return sum;
}

Plate sumOf(const Plate& plate, const Edges& edges, const std::vector<Seen>& seen, int width, int height)
{
    Plate out{width, height, {}};
    out.pixels.resize(static_cast<std::size_t>(width) * static_cast<std::size_t>(height));
    for (int y = 0; y < height; ++y)
        for (const Seen& look : seen) {
            const Matrix3 map = look.map(y);
            for (int x = 0; x < width; ++x) {
                const Point p{static_cast<double>(x), static_cast<double>(y)};
                Pixel found = edges.beyond;
                if (map.depth(p) > 1e-9) {
                    const Point at = map.map(p);
                    found = placeIn(plate, edges, at.x, at.y);
                }
                for (std::size_t k = 0; k < 4; ++k)
                    out.at(x, y)[k] += look.weight[k] * found[k];
            }
        }
    return out;
}

Distance distanceOf(const Image& a, const Image& b)
{
    Distance distance;
    double sum = 0;
    int near = 0;
    for (int y = 0; y < a.height(); ++y)
        for (int x = 0; x < a.width(); ++x) {
            int most = 0;
            for (int k = 0; k < 4; ++k) {
                const int apart = std::abs(a.at(x, y)[k] - b.at(x, y)[k]);
                sum += apart;
                most = std::max(most, apart);
            }
            near += most < 3 ? 1 : 0;
            distance.largest = std::max(distance.largest, most);
        }
    const double pixels = static_cast<double>(a.width()) * a.height();
    distance.mean = sum / (4 * pixels);
    distance.within3 = near / pixels;
    return distance;
}

} // namespace ember::test
