// SPDX-License-Identifier: GPL-3.0-or-later
#include "light_effects.h"

#include <algorithm>
#include <cmath>
#include <functional>

#include <oneapi/tbb/blocked_range.h>
#include <oneapi/tbb/parallel_for.h>

#include "kernels.h"
#include "light_canvas.h"

namespace ember {

namespace {

/// So few places are each resampled with all care.
constexpr int fewPlaces = 6;

/// A line of evenly spaced places as sums of a short and a long step, so that many places cost few: place a + n b.
struct TwoSteps {
    int shorter;
    int longer;

    /// Places no further apart than a pixel over this length.
    static TwoSteps over(double pixels)
    {
        const int places = std::max(2, static_cast<int>(std::ceil(pixels)));
        if (places <= fewPlaces)
            return {places, 1};
        const int longer = std::clamp(static_cast<int>(std::ceil(std::sqrt(places))), 1, mostGathered);
        return {std::min(mostGathered, (places + longer - 1) / longer), longer};
    }
    int places() const { return shorter * longer; }
};

LightPicture gathered(const LightPicture& picture, const std::vector<Look>& looks, std::size_t exactUpTo)
{
    LightPicture out(picture.width(), picture.height());
    LightCanvas canvas(out);
    gather(LightPlane(picture), looks, std::nullopt, picture.width(), picture.height(), canvas, exactUpTo);
    return out;
}

/// The mean of the picture at `count` maps.
LightPicture meanOf(const LightPicture& picture, int count, const std::function<Matrix3(double)>& mapAt,
                    std::size_t exactUpTo)
{
    if (count == 1)
        return gathered(picture, {Look{{mapAt(0)}}}, 1);
    std::vector<Look> looks;
    const float share = 1.0F / static_cast<float>(count);
    for (int i = 0; i < count; ++i) // from the middle to either side
        looks.push_back({{mapAt(i - 0.5 * (count - 1))}, {share, share, share, share}});
    return gathered(picture, looks, exactUpTo);
}

/// The mean along a line of places, by two sums of few: mapAt(s) must be additive, mapAt(s) after mapAt(t) being
/// mapAt(s + t).
LightPicture meanAlong(const LightPicture& picture, double pixels, const std::function<Matrix3(double)>& mapAt)
{
    const TwoSteps steps = TwoSteps::over(pixels);
    const double place = 1.0 / steps.places(); // the whole way is 1; each place stands for its part of it
    const auto shorter = [&](double i) { return mapAt(i * place); };
    if (steps.longer == 1)
        return meanOf(picture, steps.shorter, shorter, fewPlaces);
    const LightPicture near = meanOf(picture, steps.shorter, shorter, 1);
    return meanOf(
        near, steps.longer, [&](double i) { return mapAt(i * place * steps.shorter); }, 1);
}

Matrix3 scalingAbout(double x, double y, double ratio)
{
    return Matrix3::translation(x, y) * Matrix3::scaling(ratio, ratio) * Matrix3::translation(-x, -y);
}

double halfDiagonal(const LightPicture& picture)
{
    return std::hypot(picture.width(), picture.height()) / 2;
}

LightPicture withFringe(const LightPicture& picture, const LightNow& light, double scale)
{
    const double x = light.fringeX * scale;
    const double y = light.fringeY * scale;
    const double out = light.fringeOut * scale / halfDiagonal(picture);
    const double middleX = 0.5 * (picture.width() - 1);
    const double middleY = 0.5 * (picture.height() - 1);
    // Where red of this pixel comes from: back the way it went.
    const auto from = [&](double side) {
        return scalingAbout(middleX, middleY, 1 / std::max(0.05, 1 + side * out)) *
               Matrix3::translation(-side * x, -side * y);
    };
    return gathered(picture, {{{from(1)}, {1, 0, 0, 0}}, {{Matrix3()}, {0, 1, 0, 1}}, {{from(-1)}, {0, 0, 1, 0}}}, 0);
}

void addFlash(LightPicture& picture, const FlashNow& flash)
{
    const Light colour = lightOf(flash.colour);
    const auto strength =
        static_cast<float>(flash.blend == Blend::mix ? std::min(1.0, flash.strength) : flash.strength);
    const float kept = flash.blend == Blend::mix ? 1 - strength : 1;
    const Light added{colour[0] * strength, colour[1] * strength, colour[2] * strength, 0};
    oneapi::tbb::parallel_for(
        oneapi::tbb::blocked_range<int>(0, picture.height(), 16), [&](const oneapi::tbb::blocked_range<int>& range) {
            for (int y = range.begin(); y < range.end(); ++y)
                runFlash(picture.row(y), kept, added.data(), static_cast<std::size_t>(picture.width()));
        });
}

} // namespace

LightPicture withEffects(LightPicture picture, const LightNow& light, double scale)
{
    const double x = light.streakX * scale;
    const double y = light.streakY * scale;
    if (const double length = std::hypot(x, y); length >= 0.5)
        picture = meanAlong(picture, length, [&](double at) { return Matrix3::translation(at * x, at * y); });
    if (const double length = light.radial * scale; length >= 0.5) {
        const double ratio = 1 + length / halfDiagonal(picture);
        const double centreX = light.radialCentreX * picture.width() - 0.5;
        const double centreY = light.radialCentreY * picture.height() - 0.5;
        picture =
            meanAlong(picture, length, [&](double at) { return scalingAbout(centreX, centreY, std::pow(ratio, at)); });
    }
    if (std::max({std::abs(light.fringeX), std::abs(light.fringeY), std::abs(light.fringeOut)}) * scale >= 0.05)
        picture = withFringe(picture, light, scale);
    for (const FlashNow& flash : light.flashes)
        addFlash(picture, flash);
    return picture;
}

} // namespace ember
