// SPDX-License-Identifier: GPL-3.0-or-later
#include "light.h"

#include <algorithm>
#include <cmath>
#include <cstring>
#include <new>
#include <vector>

#include "kernels.h"

namespace ember {

namespace {

constexpr std::size_t alignment = 64;

constexpr std::size_t pixelBytes(Precision precision)
{
    return 4 * (precision == Precision::half ? sizeof(std::uint16_t) : sizeof(float));
}

const std::vector<float>& deepTable()
{
    static const std::vector<float> table = [] {
        std::vector<float> made(65536);
        for (std::size_t i = 0; i < made.size(); ++i)
            made[i] = static_cast<float>(lightOfCode(static_cast<double>(i) / 65535));
        return made;
    }();
    return table;
}

void multiplyAlpha(float* pixels, int count, float whole)
{
    for (int i = 0; i < count; ++i) {
        const float share = pixels[4 * i + 3] / whole;
        for (int k = 0; k < 3; ++k)
            pixels[4 * i + k] *= share;
    }
}

/// 16 bits, or with alpha to divide out: one pixel at a time.
void writeCarefully(const float* from, Domain domain, int count, Image& out, int x, int y)
{
    const bool deep = out.depth() == Depth::sixteen;
    const float whole = domain == Domain::light ? 1.0F : 255.0F;
    const double most = deep ? 65535 : 255;
    for (int i = 0; i < count; ++i) {
        const float* pixel = from + 4 * static_cast<std::ptrdiff_t>(i);
        const double alpha = std::clamp(static_cast<double>(pixel[3] / whole), 0.0, 1.0);
        for (int k = 0; k < 4; ++k) {
            double value = alpha;
            if (k < 3) {
                value = alpha > 0 ? std::clamp(static_cast<double>(pixel[k] / whole) / alpha, 0.0, 1.0) : 0;
                if (domain == Domain::light)
                    value = codeOfLight(value);
            }
            const auto code = std::lround(value * most);
            if (deep)
                out.deepAt(x + i, y)[k] = static_cast<std::uint16_t>(code);
            else
                out.at(x + i, y)[k] = static_cast<std::uint8_t>(code);
        }
    }
}

} // namespace

double lightOfCode(double code)
{
    return code <= 0.04045 ? code / 12.92 : std::pow((code + 0.055) / 1.055, 2.4);
}

double codeOfLight(double light)
{
    return light <= 0.04045 / 12.92 ? light * 12.92 : 1.055 * std::pow(light, 1 / 2.4) - 0.055;
}

Light lightOf(const Colour& colour)
{
    const auto light = [](std::uint8_t code) { return static_cast<float>(lightOfCode(code / 255.0)); };
    return {light(colour.r), light(colour.g), light(colour.b), 1.0F};
}

void Floats::Free::operator()(float* p) const
{
    ::operator delete[](p, std::align_val_t{alignment});
}

float* Floats::room(std::size_t count)
{
    if (count > size_) {
        held_.reset();
        held_.reset(static_cast<float*>(::operator new[]((count + 16) * sizeof(float), std::align_val_t{alignment})));
        size_ = count;
    }
    return held_.get();
}

LightPicture::LightPicture(int width, int height, Precision precision)
    : width_(width), height_(height), precision_(precision),
      pixels_(pixelBytes(precision) * static_cast<std::size_t>(width) * static_cast<std::size_t>(height) +
              PixelMemory::alignment)
{
}

std::byte* LightPicture::at(int x, int y) const
{
    const std::size_t pixel =
        static_cast<std::size_t>(y) * static_cast<std::size_t>(width_) + static_cast<std::size_t>(x);
    return reinterpret_cast<std::byte*>(pixels_.data()) + pixelBytes(precision_) * pixel;
}

void LightPicture::read(int x, int y, int count, float* to) const
{
    const auto channels = 4 * static_cast<std::size_t>(count);
    if (precision_ == Precision::half)
        runFloatsOfHalves(reinterpret_cast<const std::uint16_t*>(at(x, y)), to, channels);
    else
        std::memcpy(to, at(x, y), channels * sizeof(float));
}

void LightPicture::write(int x, int y, int count, const float* from)
{
    const auto channels = 4 * static_cast<std::size_t>(count);
    if (precision_ == Precision::half)
        runHalvesOfFloats(from, reinterpret_cast<std::uint16_t*>(at(x, y)), channels);
    else
        std::memcpy(at(x, y), from, channels * sizeof(float));
}

void readPixels(const Image& source, Domain domain, int x, int y, int count, float* to)
{
    const auto channels = 4 * static_cast<std::size_t>(count);
    if (source.depth() == Depth::eight) {
        runReadBytes(source.at(x, y), to, channels, domain == Domain::light);
        if (!source.opaque())
            multiplyAlpha(to, count, domain == Domain::light ? 1.0F : 255.0F);
        return;
    }
    const std::uint16_t* from = source.deepAt(x, y);
    if (domain == Domain::light) {
        const float* table = deepTable().data();
        for (std::size_t i = 0; i < channels; ++i)
            to[i] = i % 4 == 3 ? static_cast<float>(from[i]) / 65535.0F : table[from[i]];
    } else {
        for (std::size_t i = 0; i < channels; ++i)
            to[i] = static_cast<float>(from[i]) / 257.0F;
    }
    if (!source.opaque())
        multiplyAlpha(to, count, domain == Domain::light ? 1.0F : 255.0F);
}

void writePixels(const float* from, Domain domain, int count, Image& out, int x, int y)
{
    if (out.depth() == Depth::sixteen || !out.opaque())
        writeCarefully(from, domain, count, out, x, y);
    else
        runCodeBytes(from, out.at(x, y), 4 * static_cast<std::size_t>(count), domain == Domain::light);
}

} // namespace ember
