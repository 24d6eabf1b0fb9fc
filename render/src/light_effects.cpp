// SPDX-License-Identifier: GPL-3.0-or-later
#include "light_effects.h"

#include <algorithm>
#include <cmath>

#include "lens_effects.h"

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

/// The sum of looks at pictures of this size.
Sum gathering(std::vector<Look> looks, int width, int height, std::size_t exactUpTo)
{
    return [looks = std::move(looks), width, height, exactUpTo](const Plane& plane, Canvas& out) {
        gather(plane, looks, std::nullopt, width, height, out, exactUpTo);
    };
}

/// The mean at `count` maps, from the middle to either side.
std::vector<Look> evenly(int count, const std::function<Matrix3(double)>& mapAt)
{
    std::vector<Look> looks;
    const float share = 1.0F / static_cast<float>(count);
    for (int i = 0; i < count; ++i)
        looks.push_back({{mapAt(i - 0.5 * (count - 1))}, {share, share, share, share}});
    return looks;
}

Matrix3 scalingAbout(double x, double y, double ratio)
{
    return Matrix3::translation(x, y) * Matrix3::scaling(ratio, ratio) * Matrix3::translation(-x, -y);
}

/// Puts sums one behind the other.
class Sums {
public:
    Sums(std::vector<Sum> before, int width, int height) : width_(width), height_(height), sums_(std::move(before)) {}

    double halfDiagonal() const { return std::hypot(width_, height_) / 2; }
    void add(std::vector<Look> looks, std::size_t exactUpTo)
    {
        sums_.push_back(gathering(std::move(looks), width_, height_, exactUpTo));
    }
    /// The mean along a line of places, by two sums of few: mapAt(s) must be additive, mapAt(s) after mapAt(t) being
    /// mapAt(s + t).
    void addMeanAlong(double pixels, const std::function<Matrix3(double)>& mapAt)
    {
        const TwoSteps steps = TwoSteps::over(pixels);
        const double place = 1.0 / steps.places(); // the whole way is 1; each place stands for its part of it
        add(evenly(steps.shorter, [&](double i) { return mapAt(i * place); }), steps.longer == 1 ? fewPlaces : 1);
        if (steps.longer > 1)
            add(evenly(steps.longer, [&](double i) { return mapAt(i * place * steps.shorter); }), 1);
    }
    std::vector<Sum> taken() { return std::move(sums_); }

private:
    int width_;
    int height_;
    std::vector<Sum> sums_;
};

} // namespace

Sum asItIs(int width, int height)
{
    return gathering({Look{{Matrix3()}}}, width, height, 1);
}

std::vector<Sum> withEffects(std::vector<Sum> before, const LightNow& light, int width, int height, double scale)
{
    if (!light.ripples.empty())
        before.push_back(rippling(light.ripples, width, height, scale));
    if (const double radius = light.defocus * scale; radius >= leastDefocus)
        before.push_back(defocusing(radius, width, height));
    Sums sums(std::move(before), width, height);
    const double x = light.streakX * scale;
    const double y = light.streakY * scale;
    if (const double length = std::hypot(x, y); length >= 0.5)
        sums.addMeanAlong(length, [&](double at) { return Matrix3::translation(at * x, at * y); });
    if (const double length = light.radial * scale; length >= 0.5) {
        const double ratio = 1 + length / sums.halfDiagonal();
        const double centreX = light.radialCentreX * width - 0.5;
        const double centreY = light.radialCentreY * height - 0.5;
        sums.addMeanAlong(length, [&](double at) { return scalingAbout(centreX, centreY, std::pow(ratio, at)); });
    }
    if (std::max({std::abs(light.fringeX), std::abs(light.fringeY), std::abs(light.fringeOut)}) * scale >= 0.05) {
        const double out = light.fringeOut * scale / sums.halfDiagonal();
        // Where red of this pixel comes from: back the way it went.
        const auto from = [&](double side) {
            return scalingAbout(0.5 * (width - 1), 0.5 * (height - 1), 1 / std::max(0.05, 1 + side * out)) *
                   Matrix3::translation(-side * light.fringeX * scale, -side * light.fringeY * scale);
        };
        sums.add({{{from(1)}, {1, 0, 0, 0}}, {{Matrix3()}, {0, 1, 0, 1}}, {{from(-1)}, {0, 0, 1, 0}}}, 0);
    }
    return sums.taken();
}

} // namespace ember
