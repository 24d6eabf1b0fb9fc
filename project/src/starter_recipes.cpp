// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/project/starter_recipes.h"

#include <algorithm>
#include <array>
#include <cmath>

namespace ember {

namespace {

/// Designed at 1280 pixels and 24 frames a second.
struct Scale {
    double distance;
    double time;

    double frames(double count) const { return std::round(count * time); }
    /// Short parts stay at least one frame.
    double atLeastOne(double count) const { return std::max(1.0, frames(count)); }
};

struct Shape {
    double attack, hold, decay, curve, rumble, rumbleLength, release;
};

Envelope envelope(const Shape& shape, const Scale& scale)
{
    using F = EnvelopeField;
    Envelope e;
    e.set(F::attack, shape.attack > 0 ? scale.atLeastOne(shape.attack) : 0);
    e.set(F::hold, scale.frames(shape.hold));
    e.set(F::decay, scale.atLeastOne(shape.decay));
    e.set(F::decayCurve, shape.curve);
    e.set(F::rumble, shape.rumble);
    e.set(F::rumbleLength, scale.frames(shape.rumbleLength));
    e.set(F::release, scale.atLeastOne(shape.release));
    return e;
}

AxisValues amounts(const Scale& scale, double x, double y, double zoom = 0, double roll = 0)
{
    AxisValues a;
    const auto pixels = [&](double v) { return std::round(v * scale.distance * 10) / 10; };
    a[Axis::x] = pixels(x);
    a[Axis::y] = pixels(y);
    a[Axis::zoom] = zoom;
    a[Axis::roll] = roll;
    return a;
}

Rate rate(const Scale& scale, double peak, double rest, double fall)
{
    return {peak, rest, scale.atLeastOne(fall)};
}

constexpr std::array<std::string_view, 4> names{"Blast and rumble", "Dead weight", "Hard blow", "Drum beat"};

} // namespace

std::string_view starterRecipeName(StrikeKind kind)
{
    return names[static_cast<std::size_t>(kind)];
}

std::optional<double> usualDirection(StrikeKind kind)
{
    if (kind == StrikeKind::blast)
        return std::nullopt;
    return 90.0;
}

std::vector<Recipe> starterRecipes(int width, FrameRate frameRate)
{
    const Scale s{width / 1280.0, frameRate.perSecond() / 24.0};
    std::vector<Recipe> recipes;
    recipes.push_back({1,
                       std::string(names[2]),
                       envelope({0, 1, 11, 4, 0, 0, 1}, s),
                       {{"Kick", Kick{0.22}, rate(s, 7, 6, 8), amounts(s, 22, 22, 0.015)},
                        {"Rattle", Noise{2, 0.5, 2}, rate(s, 14, 7, 6), amounts(s, 8, 7, 0, 0.4)}}});
    recipes.push_back({2,
                       std::string(names[1]),
                       envelope({1, 1, 22, 4, 0.1, 36, 24}, s),
                       {{"Kick", Kick{0.26}, rate(s, 4, 3, 10), amounts(s, 0, 30)},
                        {"Rattle", Noise{2, 0.5, 2}, rate(s, 13, 5, 10), amounts(s, 4, 7, 0, 0.4)},
                        {"Rumble", Noise{1, 0.5, 2}, rate(s, 3, 2, 24), amounts(s, 3, 7)}}});
    recipes.push_back({3,
                       std::string(names[0]),
                       envelope({1, 2, 34, 4, 0.16, 96, 48}, s),
                       {{"Kick", Kick{0.18}, rate(s, 5, 4, 14), amounts(s, 26, 26, 0.03)},
                        {"Rattle", Noise{3, 0.55, 2}, rate(s, 13, 5, 14), amounts(s, 12, 9, 0, 0.8)},
                        {"Rumble", Noise{2, 0.4, 2}, rate(s, 4, 2.2, 36), amounts(s, 9, 8, 0, 0.2)}}});
    recipes.push_back({4,
                       std::string(names[3]),
                       envelope({0, 0, 7, 3, 0, 0, 1}, s),
                       {{"Push", Kick{0.7}, rate(s, 3, 3, 8), amounts(s, 0, 0, 0.06)},
                        {"Kick", Kick{0.4}, rate(s, 5, 5, 8), amounts(s, 0, 8)}}});
    return recipes;
}

Project newProject(int width, int height, FrameRate rate)
{
    Project project;
    project.width = width;
    project.height = height;
    project.rate = rate;
    project.recipes = starterRecipes(width, rate);
    return project;
}

} // namespace ember
