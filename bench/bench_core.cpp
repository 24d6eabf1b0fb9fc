// SPDX-License-Identifier: GPL-3.0-or-later
// Poses: cost with few and with many strikes, and against one long sine-and-noise sum as the simplest shake there is.
#include <benchmark/benchmark.h>

#include <cmath>

#include "ember/core/motion.h"
#include "ember/core/survey.h"
#include "ember/core/values.h"

namespace {

using namespace ember;

/// Three strands, strikes spread over two hours at 60 frames a second, each about a second long.
Project longFilm(int strikes)
{
    Project project;
    project.rate = *FrameRate::make(60, 1);
    project.addShot(Shot{"none", 432000});
    Recipe recipe;
    recipe.name = "R";
    recipe.envelope.set(EnvelopeField::decay, 40);
    recipe.envelope.set(EnvelopeField::rumbleLength, 10);
    recipe.envelope.set(EnvelopeField::release, 10);
    AxisValues blow;
    blow[Axis::x] = 20;
    blow[Axis::y] = 20;
    AxisValues shiver;
    shiver[Axis::x] = 8;
    shiver[Axis::y] = 8;
    shiver[Axis::roll] = 0.5;
    recipe.strands = {{"Kick", Kick{}, Rate{}, blow},
                      {"Rattle", Noise{2, 0.5, 2}, Rate{14, 6, 10}, shiver},
                      {"Rumble", Noise{1, 0.5, 2}, Rate{3, 2, 30}, shiver}};
    const auto id = project.addRecipe(recipe);
    for (int i = 0; i < strikes; ++i) {
        Strike strike;
        strike.id = i + 1;
        strike.frame = Frame{static_cast<std::int64_t>(432000.0 * (i + 0.5) / strikes)};
        strike.seed = static_cast<std::uint32_t>(i + 1);
        strike.recipe = id;
        project.strikes.push_back(strike);
    }
    return project;
}

/// Asked only where a strike is running, so that few and many strikes do the same work per pose.
void poses(benchmark::State& state)
{
    const Project project = longFilm(static_cast<int>(state.range(0)));
    const Motion motion(project);
    std::size_t i = 0;
    double sum = 0;
    for (auto _ : state) {
        const auto& span = motion.spans()[i % motion.spans().size()];
        sum += motion.poseAt(span.start + 1 + static_cast<double>(i * 7 % 50)).x;
        i += 1013;
    }
    benchmark::DoNotOptimize(sum);
    state.SetItemsProcessed(state.iterations());
}

void yardstickSines(benchmark::State& state)
{
    double sum = 0;
    double t = 0;
    for (auto _ : state) {
        double x = 0;
        for (int axis = 0; axis < 3; ++axis)
            for (int wave = 1; wave <= 5; ++wave)
                x += std::sin(t * wave * 1.7 + axis) / wave;
        sum += x * std::exp(-std::fmod(t, 60.0) / 20);
        t += 0.37;
    }
    benchmark::DoNotOptimize(sum);
    state.SetItemsProcessed(state.iterations());
}

/// The yardstick of covers: every frame is asked.
void yardstickEveryFrame(benchmark::State& state)
{
    Project project = longFilm(static_cast<int>(state.range(0)));
    const Motion motion(project);
    for (auto _ : state)
        benchmark::DoNotOptimize(coverFrom(project, neededCovers(project, motion)).zoom);
}

/// One cover for the film: only frames that can need the most are asked.
void coverOfTheFilm(benchmark::State& state)
{
    Project project = longFilm(static_cast<int>(state.range(0)));
    const Motion motion(project);
    for (auto _ : state)
        benchmark::DoNotOptimize(coverOf(project, motion).zoom);
}

/// What the window does after an edit of one strike; the yardstick is asking every frame, above.
void surveyAfterAnEdit(benchmark::State& state)
{
    Project project = longFilm(static_cast<int>(state.range(0)));
    Survey survey;
    survey.update(project, Motion(project));
    double strength = 1;
    for (auto _ : state) {
        project.strikes[1].strength = strength = strength > 1.5 ? 1 : strength + 0.01;
        survey.update(project, Motion(project));
        benchmark::DoNotOptimize(survey.cover().zoom);
    }
}

/// The same with a free curve of strength, ten keys, in place of attack and decay; and with curves of rates too.
void posesWithCurves(benchmark::State& state)
{
    Project project = longFilm(500);
    Recipe& recipe = project.recipes[0];
    CurveKeys bumps;
    for (int i = 0; i < 10; ++i)
        bumps.push_back({6.0 * i, i % 2 == 1 ? 1.0 / i : 0.0, Ease::smooth});
    recipe.envelope.setCurve(bumps);
    if (state.range(0) == 1)
        for (const char* key : {"strand.Kick.rate", "strand.Rattle.rate", "strand.Rumble.rate"})
            setCurve(recipe, key, {{0, 14}, {20, 6}, {60, 2}});
    const Motion motion(project);
    std::size_t i = 0;
    double sum = 0;
    for (auto _ : state) {
        const auto& span = motion.spans()[i % motion.spans().size()];
        sum += motion.poseAt(span.start + 1 + static_cast<double>(i * 7 % 50)).x;
        i += 1013;
    }
    benchmark::DoNotOptimize(sum);
    state.SetItemsProcessed(state.iterations());
}

BENCHMARK(yardstickSines);
BENCHMARK(posesWithCurves)->Arg(0)->Arg(1);
BENCHMARK(poses)->Arg(5)->Arg(500)->Arg(5000);
BENCHMARK(yardstickEveryFrame)->Arg(500)->Arg(5000)->Unit(benchmark::kMillisecond);
BENCHMARK(coverOfTheFilm)->Arg(5)->Arg(500)->Arg(5000)->Unit(benchmark::kMillisecond);
BENCHMARK(surveyAfterAnEdit)->Arg(5)->Arg(500)->Arg(5000)->Unit(benchmark::kMillisecond);

} // namespace

BENCHMARK_MAIN();
