// SPDX-License-Identifier: GPL-3.0-or-later
#include "impact_features.h"

#include <algorithm>
#include <array>
#include <cmath>

namespace ember {

namespace {

constexpr std::ptrdiff_t reach = 20; ///< frames each way that tell what is usual

using Read = float (*)(const FrameChange&);
/// Every measure, in the order the trained trees know them by: add at the end and train anew.
constexpr std::array<Read, 27> measures{
    [](const FrameChange& c) { return 100 * c.flash; },
    [](const FrameChange& c) { return 1000 * c.motion; },
    [](const FrameChange& c) { return 10000 * c.stop; },
    [](const FrameChange& c) { return 1000 * c.move; },
    [](const FrameChange& c) { return 100 * c.grain; },
    [](const FrameChange& c) { return 1 - c.alike; },
    [](const FrameChange& c) { return c.followed.turned; },
    [](const FrameChange& c) { return c.followed.turnedMost; },
    [](const FrameChange& c) { return c.followed.broken; },
    [](const FrameChange& c) { return c.followed.brokenMost; },
    [](const FrameChange& c) { return c.followed.speedBefore; },
    [](const FrameChange& c) { return c.followed.speedAfter; },
    [](const FrameChange& c) { return c.followed.way; },
    [](const FrameChange& c) { return 100 * c.followed.moving; },
    [](const FrameChange& c) { return 100 * c.followed.unexplained; },
    [](const FrameChange& c) { return 100 * c.followed.unexplainedMost; },
    [](const FrameChange& c) { return 100 * c.followed.born; },
    [](const FrameChange& c) { return c.followed.spreading; },
    [](const FrameChange& c) { return c.followed.cameraSpeed; },
    [](const FrameChange& c) { return c.followed.cameraTurned; },
    [](const FrameChange& c) { return c.followed.cameraBroken; },
    [](const FrameChange& c) { return c.followed.cameraRolled; },
    [](const FrameChange& c) { return c.followed.goingY; },
    [](const FrameChange& c) { return 100 * c.followed.bornNew; },
    [](const FrameChange& c) { return 100 * c.followed.bornArea; },
    [](const FrameChange& c) { return c.followed.turnedNew; },
    [](const FrameChange& c) { return c.followed.brokenNew; },
};
constexpr std::size_t perMeasure = 8;

} // namespace

std::size_t ImpactFeatures::count()
{
    return measures.size() * perMeasure + 3;
}

ImpactFeatures::ImpactFeatures(const PictureTrace& trace)
    : frames_(trace.frames.size()), numbers_(trace.frames.size() * count())
{
    const auto last = std::ssize(trace.frames) - 1;
    std::vector<float> series(trace.frames.size()), around;
    for (std::size_t m = 0; m < measures.size(); ++m) {
        std::transform(trace.frames.begin(), trace.frames.end(), series.begin(), measures[m]);
        const auto at = [&](std::ptrdiff_t i) {
            return series[static_cast<std::size_t>(std::clamp<std::ptrdiff_t>(i, 0, last))];
        };
        for (std::ptrdiff_t i = 0; i <= last; ++i) {
            around.clear();
            for (std::ptrdiff_t k = std::max<std::ptrdiff_t>(0, i - reach); k <= std::min(last, i + reach); ++k)
                around.push_back(at(k));
            const auto middle = around.begin() + std::ssize(around) / 2;
            std::nth_element(around.begin(), middle, around.end());
            const float median = *middle;
            for (float& value : around)
                value = std::abs(value - median);
            std::nth_element(around.begin(), middle, around.end());
            const float spread = *middle;
            const float before = std::max({at(i - 2), at(i - 3), at(i - 4)});
            const float after = std::max({at(i + 2), at(i + 3), at(i + 4)});
            float* out = numbers_.data() + static_cast<std::size_t>(i) * count() + m * perMeasure;
            out[0] = at(i);
            out[1] = at(i - 1);
            out[2] = at(i + 1);
            out[3] = before;
            out[4] = after;
            out[5] = median;
            out[6] = (at(i) - median) / (0.02F + 0.2F * std::abs(median) + 3 * spread);
            out[7] = at(i) - std::max({at(i - 1), at(i + 1), before, after});
        }
    }
    // Light that comes or goes, over all the picture.
    const auto light = [&](std::ptrdiff_t i) {
        return 100 * trace.frames[static_cast<std::size_t>(std::clamp<std::ptrdiff_t>(i, 0, last))].light;
    };
    for (std::ptrdiff_t i = 0; i <= last; ++i) {
        float* out = numbers_.data() + static_cast<std::size_t>(i) * count() + measures.size() * perMeasure;
        out[0] = light(i) - light(i - 1);
        out[1] = light(i + 1) - light(i);
        out[2] = light(i - 1) - light(i - 2);
    }
}

std::vector<float> ImpactFeatures::measuresOf(std::size_t frame) const
{
    std::vector<float> measured(measures.size());
    for (std::size_t m = 0; m < measured.size(); ++m)
        measured[m] = of(frame)[m * perMeasure];
    return measured;
}

std::vector<Evidence> ImpactFeatures::evidenceOf(const PictureTrace& trace, std::size_t frame) const
{
    constexpr std::size_t usualAt = 6; // how far a measure is from usual
    constexpr std::size_t flash = 0, brokenMost = 9, unexplainedMost = 15, cameraBroken = 20;
    constexpr float far = 2;
    constexpr std::size_t most = 2;
    const MotionNow& motion = trace.frames[frame].followed;
    const auto before = static_cast<double>(motion.speedBefore), after = static_cast<double>(motion.speedAfter);
    const bool stops = after < 0.6 * before;
    const std::array<std::pair<std::size_t, Evidence>, 4> all{
        {{flash, {Evidence::What::light, 100 * static_cast<double>(trace.frames[frame].flash)}},
         {brokenMost,
          stops ? Evidence{Evidence::What::stops, 100 * (1 - after / before)} : Evidence{Evidence::What::turns, 0}},
         {unexplainedMost, {Evidence::What::appears, 100 * static_cast<double>(motion.unexplainedMost)}},
         {cameraBroken, {Evidence::What::jolt, static_cast<double>(motion.cameraBroken)}}}};
    std::vector<std::pair<float, Evidence>> standing;
    for (const auto& [measure, evidence] : all)
        if (const float out = of(frame)[measure * perMeasure + usualAt]; out > far)
            standing.emplace_back(out, evidence);
    std::stable_sort(standing.begin(), standing.end(), [](const auto& a, const auto& b) { return a.first > b.first; });
    std::vector<Evidence> told;
    for (std::size_t i = 0; i < std::min(standing.size(), most); ++i)
        told.push_back(standing[i].second);
    return told;
}

} // namespace ember
