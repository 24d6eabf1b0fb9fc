// SPDX-License-Identifier: GPL-3.0-or-later
// Handing on: recipes played elsewhere against the core's own poses, the fewest keys against asking for the curve, the
// flash check against copying its pictures, a gentle version against asking for the film's poses.
#include <benchmark/benchmark.h>

#include <cmath>
#include <cstring>

#include "../runtime/vast_ember.hpp"
#include "ember/analysis/flashes.h"
#include "ember/core/comfort.h"
#include "ember/core/motion.h"
#include "ember/exchange/handed_motion.h"
#include "ember/exchange/playable.h"
#include "ember/project/edits.h"
#include "ember/project/shipped_recipes.h"

namespace {

using namespace ember;

/// A blast in every ten seconds.
Project film(int blasts)
{
    Project project = newProject(1280, 720, FrameRate());
    Shot shot;
    shot.length = 240 * static_cast<std::int64_t>(blasts);
    project.addShot(shot);
    for (int i = 0; i < blasts; ++i)
        project = withStrike(std::move(project), Frame{240 * static_cast<std::int64_t>(i) + 10}, StrikeKind::blast, 1)
                      .project;
    return project;
}

void corePoses(benchmark::State& state)
{
    const Motion motion(film(1));
    double time = 0;
    double sum = 0;
    for (auto _ : state) {
        time = time > 150 ? 11 : time + 0.37;
        sum += motion.poseAt(time).x;
    }
    benchmark::DoNotOptimize(sum);
}
BENCHMARK(corePoses);

void runtimePoses(benchmark::State& state)
{
    const Project project = film(1);
    const Strike& strike = project.strikes.front();
    auto shake = vast_ember::Shake::fromJson(playableRecipe(*project.recipe(strike.recipe), project.overlap, project));
    shake.trigger(1, 90, strike.seed, 10 / 24.0);
    double time = 0;
    double sum = 0;
    for (auto _ : state) {
        time = time > 150 ? 11 : time + 0.37;
        sum += shake.poseAt(time / 24).x;
    }
    benchmark::DoNotOptimize(sum);
}
BENCHMARK(runtimePoses);

/// A minute of the film: its poses, then its poses and the fewest keys.
void minute(benchmark::State& state, bool keys)
{
    const Project project = film(6);
    HandingOn how;
    if (keys)
        how.sparse = KeyTolerance();
    for (auto _ : state) {
        const auto motion = handedMotion(project, how);
        benchmark::DoNotOptimize(handedKeys(motion.value()));
    }
}
void everyKeyOfAMinute(benchmark::State& state)
{
    minute(state, false);
}
BENCHMARK(everyKeyOfAMinute)->Unit(benchmark::kMillisecond);
void fewestKeysOfAMinute(benchmark::State& state)
{
    minute(state, true);
}
BENCHMARK(fewestKeysOfAMinute)->Unit(benchmark::kMillisecond);

void comfortOfAnHour(benchmark::State& state)
{
    const Project project = film(360);
    for (auto _ : state)
        benchmark::DoNotOptimize(comfortOf(project, 0, project.length()));
}
BENCHMARK(comfortOfAnHour)->Unit(benchmark::kMillisecond);
void gentleVersionOfAnHour(benchmark::State& state)
{
    const Project project = film(360);
    for (auto _ : state)
        benchmark::DoNotOptimize(gentled(project));
}
BENCHMARK(gentleVersionOfAnHour)->Unit(benchmark::kMillisecond);

Image noise(int seed)
{
    Image image(480, 270);
    auto value = static_cast<std::uint32_t>(seed) * 2654435761u + 1;
    for (int y = 0; y < image.height(); ++y)
        for (int x = 0; x < 4 * image.width(); ++x) {
            value = value * 1664525u + 1013904223u;
            image.row(y)[x] = static_cast<std::uint8_t>(value >> 24);
        }
    return image;
}
void copiedPictures(benchmark::State& state)
{
    const Image from = noise(1);
    Image to(480, 270);
    for (auto _ : state) {
        for (int y = 0; y < 270; ++y)
            std::memcpy(to.row(y), from.row(y), 4 * 480);
        benchmark::ClobberMemory();
    }
}
BENCHMARK(copiedPictures);
void picturesCheckedForFlashes(benchmark::State& state)
{
    const Image pictures[] = {noise(1), noise(2)};
    FlashCheck check(FrameRate(), 0);
    std::size_t n = 0;
    for (auto _ : state)
        check.add(pictures[++n % 2]);
    benchmark::DoNotOptimize(check.violations().size());
}
BENCHMARK(picturesCheckedForFlashes);

} // namespace

BENCHMARK_MAIN();
