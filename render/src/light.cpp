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

void multiplyAlpha(float* pixels, int count, float whole)
{
    for (int i = 0; i < count; ++i) {
        const float share = pixels[4 * i + 3] / whole;
        for (int k = 0; k < 3; ++k)
            pixels[4 * i + k] *= share;
    }
}

/// With alpha to divide out, or bytes by another curve than sRGB: one pixel at a time.
void writeCarefully(const float* from, Domain domain, int count, Image& out, int x, int y)
{
    const bool deep = out.depth() == Depth::sixteen;
    const bool light = domain == Domain::light;
    const float whole = light ? 1.0F : 255.0F;
    const float most = deep ? 65535.0F : 255.0F;
    const TransferCurve& curve = TransferCurve::of(out.colour().transfer);
    for (int i = 0; i < count; ++i) {
        const float* pixel = from + 4 * static_cast<std::ptrdiff_t>(i);
        const float alpha = out.opaque() ? 1.0F : std::clamp(pixel[3] / whole, 0.0F, 1.0F);
        for (int k = 0; k < 4; ++k) {
            float value = alpha;
            if (k < 3) {
                value = alpha > 0 ? pixel[k] / whole / alpha : 0;
                value = light ? curve.code(value) : std::clamp(value, 0.0F, 1.0F);
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

Light lightOf(const Colour& colour, Primaries primaries)
{
    const auto light = [](std::uint8_t code) { return lightOfCode(Transfer::srgb, code / 255.0); };
    const ColourMatrix m = conversionOf(Primaries::bt709, primaries);
    const double rgb[3] = {light(colour.r), light(colour.g), light(colour.b)};
    Light out{0, 0, 0, 1};
    for (std::size_t k = 0; k < 3; ++k)
        out[k] = static_cast<float>(m[3 * k] * rgb[0] + m[3 * k + 1] * rgb[1] + m[3 * k + 2] * rgb[2]);
    return out;
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
    const bool light = domain == Domain::light;
    const Transfer transfer = source.colour().transfer;
    if (source.depth() == Depth::single) {
        std::memcpy(to, source.floatAt(x, y), channels * sizeof(float));
        return;
    }
    const TransferCurve& curve = TransferCurve::of(transfer);
    if (source.depth() == Depth::eight && (!light || transfer == Transfer::srgb)) {
        runReadBytes(source.at(x, y), to, channels, light);
    } else if (source.depth() == Depth::eight) {
        const std::uint8_t* from = source.at(x, y);
        for (std::size_t i = 0; i < channels; ++i)
            to[i] = i % 4 == 3 ? static_cast<float>(from[i]) / 255.0F
                               : curve.light(static_cast<std::uint16_t>(from[i] * 257));
    } else {
        const std::uint16_t* from = source.deepAt(x, y);
        if (light)
            runLightOfShorts(from, to, channels, curve.lights());
        else
            runFloatsOfShorts(from, to, channels, 1 / 257.0F);
    }
    if (!source.opaque())
        multiplyAlpha(to, count, light ? 1.0F : 255.0F);
}

void writePixels(const float* from, Domain domain, int count, Image& out, int x, int y)
{
    const auto channels = 4 * static_cast<std::size_t>(count);
    const bool light = domain == Domain::light;
    const Transfer transfer = out.colour().transfer;
    if (out.depth() == Depth::single)
        std::memcpy(out.floatAt(x, y), from, channels * sizeof(float));
    else if (!out.opaque() || (out.depth() == Depth::eight && light && transfer != Transfer::srgb))
        writeCarefully(from, domain, count, out, x, y);
    else if (out.depth() == Depth::sixteen && light)
        runShortsOfLight(from, out.deepAt(x, y), channels, TransferCurve::of(transfer).codes());
    else if (out.depth() == Depth::sixteen)
        runShortsOfFloats(from, out.deepAt(x, y), channels, 257);
    else
        runCodeBytes(from, out.at(x, y), channels, light);
}

} // namespace ember
