// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/image/convert.h"

#include <algorithm>
#include <cmath>

namespace ember {

namespace {

constexpr double whiteLuminance = 203; ///< cd/m2, ITU-R BT.2408
constexpr double hlgPeak = 1000;       ///< cd/m2 of the display HLG is thought for
constexpr std::size_t scaleSteps = 4096;

std::array<float, 9> narrowed(const ColourMatrix& m)
{
    std::array<float, 9> out{};
    for (std::size_t i = 0; i < out.size(); ++i)
        out[i] = static_cast<float>(m[i]);
    return out;
}

void multiply(const std::array<float, 9>& m, float* rgb)
{
    const float r = rgb[0], g = rgb[1], b = rgb[2];
    for (std::size_t k = 0; k < 3; ++k)
        rgb[k] = m[3 * k] * r + m[3 * k + 1] * g + m[3 * k + 2] * b;
}

/// Light of one row, alpha multiplied in.
void lightOfRow(const Image& picture, int y, float* to)
{
    if (picture.depth() == Depth::single) {
        std::copy_n(picture.floatAt(0, y), 4 * picture.width(), to);
        return;
    }
    const TransferCurve& curve = TransferCurve::of(picture.colour().transfer);
    const bool deep = picture.depth() == Depth::sixteen;
    for (int x = 0; x < picture.width(); ++x, to += 4) {
        const auto code = [&](int k) {
            return deep ? picture.deepAt(x, y)[k] : static_cast<std::uint16_t>(picture.at(x, y)[k] * 257);
        };
        to[3] = picture.opaque() ? 1.0F : static_cast<float>(code(3)) / 65535.0F;
        for (int k = 0; k < 3; ++k)
            to[k] = curve.light(code(k)) * to[3];
    }
}

} // namespace

ImagePtr inPrimaries(const ImagePtr& picture, Primaries primaries)
{
    if (picture->colour().primaries == primaries)
        return picture;
    const auto matrix = narrowed(conversionOf(picture->colour().primaries, primaries));
    auto out = std::make_shared<Image>(picture->width(), picture->height(), Depth::single,
                                       ColourSpace{primaries, Transfer::linear});
    out->setOpaque(picture->opaque());
    for (int y = 0; y < out->height(); ++y) {
        lightOfRow(*picture, y, out->floatAt(0, y));
        for (int x = 0; x < out->width(); ++x)
            multiply(matrix, out->floatAt(x, y));
    }
    return out;
}

ScreenPictures::ScreenPictures(ColourSpace from, double peak)
    : from_(from), peak_(std::clamp(from.transfer == Transfer::hlg ? hlgPeak : peak, whiteLuminance, 10000.0)),
      matrix_(narrowed(conversionOf(from.primaries, Primaries::bt709)))
{
    if (!from.hdr())
        return;
    scale_.resize(scaleSteps + 1);
    for (std::size_t i = 0; i < scale_.size(); ++i) {
        const double light = lightOfCode(Transfer::pq, static_cast<double>(i) / scaleSteps);
        scale_[i] = light > 0 ? static_cast<float>(mapped(light) / light) : 1.0F;
    }
}

double ScreenPictures::mapped(double light) const
{
    const double most = codeOfLight(Transfer::pq, peak_ / whiteLuminance);
    const double target = codeOfLight(Transfer::pq, 1) / most;
    const double knee = 1.5 * target - 0.5;
    const double e = std::min(1.0, codeOfLight(Transfer::pq, light) / most);
    if (e < knee || knee >= 1)
        return std::min(light, 1.0);
    const double t = (e - knee) / (1 - knee);
    const double t2 = t * t;
    const double t3 = t2 * t;
    const double bent = (2 * t3 - 3 * t2 + 1) * knee + (t3 - 2 * t2 + t) * (1 - knee) + (-2 * t3 + 3 * t2) * target;
    return std::min(1.0, lightOfCode(Transfer::pq, bent * most));
}

Image ScreenPictures::of(const Image& picture) const
{
    Image out(picture.width(), picture.height());
    out.setOpaque(picture.opaque());
    const TransferCurve& srgb = TransferCurve::of(Transfer::srgb);
    const TransferCurve& pq = TransferCurve::of(Transfer::pq);
    // ITU-R BT.2100-2, table 5: E of the scene is 1 where the signal is; display light goes with Y to the power of 0.2.
    const bool hlg = from_.transfer == Transfer::hlg;
    const double sceneOfLight = 1 / lightOfCode(Transfer::hlg, 1);
    std::vector<float> row(4 * static_cast<std::size_t>(picture.width()));
    for (int y = 0; y < picture.height(); ++y) {
        lightOfRow(picture, y, row.data());
        for (int x = 0; x < picture.width(); ++x) {
            float* pixel = &row[4 * static_cast<std::size_t>(x)];
            const float alpha = picture.opaque() ? 1.0F : std::clamp(pixel[3], 0.0F, 1.0F);
            if (alpha > 0 && alpha < 1)
                for (int k = 0; k < 3; ++k)
                    pixel[k] /= alpha;
            if (hlg) {
                const double luma = 0.2627 * pixel[0] + 0.678 * pixel[1] + 0.0593 * pixel[2];
                const auto gain = static_cast<float>(hlgPeak / whiteLuminance * sceneOfLight *
                                                     std::pow(std::max(0.0, luma * sceneOfLight), 0.2));
                for (int k = 0; k < 3; ++k)
                    pixel[k] *= gain;
            }
            if (!scale_.empty()) {
                const float place = pq.code(std::max({pixel[0], pixel[1], pixel[2]})) * scaleSteps;
                const auto at = std::min(scaleSteps - 1, static_cast<std::size_t>(place));
                const float scale = scale_[at] + (scale_[at + 1] - scale_[at]) * (place - static_cast<float>(at));
                for (int k = 0; k < 3; ++k)
                    pixel[k] *= scale;
            }
            multiply(matrix_, pixel);
            std::uint8_t* to = out.at(x, y);
            for (int k = 0; k < 3; ++k)
                to[k] = static_cast<std::uint8_t>(std::lround(srgb.code(pixel[k]) * 255));
            to[3] = static_cast<std::uint8_t>(std::lround(alpha * 255));
        }
    }
    return out;
}

} // namespace ember
