// SPDX-License-Identifier: GPL-3.0-or-later
// A picture of 1280 x 720 on its way through a config: from codes to light and on to the screen. The yardstick of the
// table is what OpenColorIO does itself, step by step, on the same threads.
#include <benchmark/benchmark.h>

#include <cmath>

#include "ember/colour/config.h"
#include "ember/colour/screen_table.h"
#include "ember/core/colour_setup.h"

namespace {

using namespace ember;

std::shared_ptr<const ColourConfig> config()
{
    static const auto opened = ColourConfig::open(std::string(builtInConfig)).value();
    return opened;
}

/// Smooth colours with highlights, as films have them.
Image light()
{
    Image image(1280, 720, Depth::single, {Primaries::ap1, Transfer::linear});
    image.setOpaque(true);
    for (int y = 0; y < image.height(); ++y)
        for (int x = 0; x < image.width(); ++x) {
            float* pixel = image.floatAt(x, y);
            const float sun = 6 * std::exp(-static_cast<float>((x - 900) * (x - 900) + (y - 200) * (y - 200)) / 9000);
            pixel[0] = sun + 0.3F * static_cast<float>(x) / 1280;
            pixel[1] = 0.8F * sun + 0.2F * static_cast<float>(y) / 720;
            pixel[2] = 0.4F * sun + 0.1F;
            pixel[3] = 1;
        }
    return image;
}

ColourWay screen(const benchmark::State& state)
{
    const bool rolled = state.range(0) != 0;
    return config()
        ->toScreen("ACEScg", config()->viewOf({"", rolled ? "Highlights rolled off" : "Cut at white", ""}))
        .value();
}

void yardstickByItsSteps(benchmark::State& state)
{
    const ColourWay way = screen(state);
    const Image picture = light();
    for (auto round : state)
        benchmark::DoNotOptimize(way.of(picture, Depth::eight, {}));
}

void byTheTable(benchmark::State& state)
{
    const ColourWay way = screen(state);
    const ScreenTable table([&](const Image& of) { return way.of(of, Depth::single, {}); });
    const Image picture = light();
    for (auto round : state)
        benchmark::DoNotOptimize(table.of(picture));
}

void toLight(benchmark::State& state)
{
    const auto depth = static_cast<Depth>(state.range(0));
    const ColourWay there = config()->between("sRGB", "ACEScg").value();
    const Image codes = config()->between("ACEScg", "sRGB").value().of(light(), depth, {});
    for (auto round : state)
        benchmark::DoNotOptimize(there.of(codes, Depth::single, {}));
}

} // namespace

BENCHMARK(yardstickByItsSteps)->Arg(0)->Arg(1)->ArgName("rolled")->UseRealTime()->Unit(benchmark::kMillisecond);
BENCHMARK(byTheTable)->Arg(0)->Arg(1)->ArgName("rolled")->UseRealTime()->Unit(benchmark::kMillisecond);
BENCHMARK(toLight)->Arg(8)->Arg(16)->ArgName("bits")->UseRealTime()->Unit(benchmark::kMillisecond);

BENCHMARK_MAIN();
