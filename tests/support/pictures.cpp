// SPDX-License-Identifier: GPL-3.0-or-later
#include "pictures.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <cstdlib>

#include "ember/core/source.h"

namespace ember::test {

namespace {

constexpr int columns = 6;
constexpr int rows = 4;

void block(Image& image, int column, int row, std::uint8_t value)
{
    const int x0 = image.width() * column / columns;
    const int x1 = image.width() * (column + 1) / columns;
    const int y0 = image.height() * row / rows;
    const int y1 = image.height() * (row + 1) / rows;
    for (int y = y0; y < y1; ++y)
        for (int x = x0; x < x1; ++x) {
            std::uint8_t* p = image.at(x, y);
            p[0] = p[1] = p[2] = value;
            p[3] = 255;
        }
}

int valueAt(const Image& image, double column, double row)
{
    const int x = std::clamp(static_cast<int>((column + 0.5) / columns * image.width()), 0, image.width() - 1);
    const int y = std::clamp(static_cast<int>((row + 0.5) / rows * image.height()), 0, image.height() - 1);
    return image.at(x, y)[1];
}

} // namespace

Image numbered(int width, int height, int number)
{
    Image image(width, height);
    image.fill(110, 110, 110);
    block(image, 0, 0, 250);
    for (int bit = 0; bit < 16; ++bit)
        block(image, 1 + bit % 4, bit / 4, (number >> bit & 1) != 0 ? 250 : 5);
    return image;
}

int numberIn(const Image& image)
{
    if (valueAt(image, 0, 0) < 180)
        return -1;
    int number = 0;
    for (int bit = 0; bit < 16; ++bit) {
        const int value = valueAt(image, 1 + bit % 4, bit / 4);
        if (value > 70 && value < 160)
            return -1;
        number |= (value >= 160 ? 1 : 0) << bit;
    }
    return number;
}

Image speckled(int width, int height, std::uint64_t seed)
{
    Image image(width, height);
    for (int y = 0; y < height; ++y)
        for (int x = 0; x < width; ++x) {
            const auto bits = mixSeed(seed, static_cast<std::uint64_t>(x), static_cast<std::uint64_t>(y));
            std::uint8_t* p = image.at(x, y);
            p[0] = static_cast<std::uint8_t>(bits);
            p[1] = static_cast<std::uint8_t>(bits >> 8);
            p[2] = static_cast<std::uint8_t>(bits >> 16);
            p[3] = 255;
        }
    return image;
}

Image drawn(int width, int height)
{
    Image image(width, height);
    for (int y = 0; y < height; ++y)
        for (int x = 0; x < width; ++x) {
            std::uint8_t* p = image.at(x, y);
            const bool disc = std::hypot(x - width * 0.4, y - height * 0.5) < height * 0.3;
            p[0] = static_cast<std::uint8_t>(disc ? 240 : 40 + 120 * x / width);
            p[1] = static_cast<std::uint8_t>(disc ? 150 : 60 + 90 * y / height);
            p[2] = static_cast<std::uint8_t>((x / 16 + y / 16) % 2 == 0 ? 90 : 30);
            p[3] = 255;
        }
    return image;
}

int largestDifference(const Image& a, const Image& b)
{
    if (a.width() != b.width() || a.height() != b.height())
        return 256;
    int largest = 0;
    for (int y = 0; y < a.height(); ++y)
        for (int i = 0; i < 4 * a.width(); ++i)
            largest = std::max(largest, std::abs(a.row(y)[i] - b.row(y)[i]));
    return largest;
}

double shareOf(const Image& image, Colour c)
{
    std::int64_t count = 0;
    for (int y = 0; y < image.height(); ++y)
        for (int x = 0; x < image.width(); ++x) {
            const std::uint8_t* p = image.at(x, y);
            if (std::abs(p[0] - c.r) < 40 && std::abs(p[1] - c.g) < 40 && std::abs(p[2] - c.b) < 40)
                ++count;
        }
    return static_cast<double>(count) / (static_cast<double>(image.width()) * image.height());
}

Recipe plainRecipe(const Source& source, const AxisValues& amount, const Envelope& envelope)
{
    Recipe recipe;
    recipe.name = "Test";
    recipe.envelope = envelope;
    recipe.strands.push_back({"Strand", source, Rate{9, 4, 10}, amount});
    return recipe;
}

AxisValues amountOf(Axis axis, double value)
{
    AxisValues amounts;
    amounts[axis] = value;
    return amounts;
}

std::uint64_t Random::bits()
{
    return mixSeed(seed_, ++count_);
}

double Random::between(double low, double high)
{
    return low + (high - low) * static_cast<double>(bits() >> 11) * 0x1.0p-53;
}

int Random::whole(int low, int high)
{
    return low + static_cast<int>(bits() % static_cast<std::uint64_t>(high - low + 1));
}

Project onlyStrike(const Project& project, StrikeId id)
{
    Project alone = project;
    std::erase_if(alone.strikes, [id](const Strike& strike) { return strike.id != id; });
    return alone;
}

} // namespace ember::test
