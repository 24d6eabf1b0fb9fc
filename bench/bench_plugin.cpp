// SPDX-License-Identifier: GPL-3.0-or-later
// What it costs to have a frame made through the plugin's interface, against the same frame made by the engine itself.
#include <benchmark/benchmark.h>

extern "C" {
#include <frei0r.h>
}

#include "ember/film/struck_frames.h"
#include "host_wishes.h"

using namespace ember;

namespace {

constexpr int width = 1280, height = 720;
constexpr int frames = 24; ///< from the strike on

frei0r::HostWishes wishes()
{
    frei0r::HostWishes all;
    all.strikes = "0:blast,12:landing";
    return all;
}

std::vector<std::uint32_t> plate()
{
    std::vector<std::uint32_t> pixels(static_cast<std::size_t>(width) * height);
    for (std::size_t i = 0; i < pixels.size(); ++i)
        pixels[i] = 0xff000000U | static_cast<std::uint32_t>(i * 2654435761U >> 8U);
    return pixels;
}

void byTheEngine(benchmark::State& state)
{
    const auto pixels = plate();
    auto picture = std::make_shared<Image>(width, height);
    for (int y = 0; y < height; ++y)
        std::copy_n(reinterpret_cast<const std::uint8_t*>(pixels.data() + static_cast<std::size_t>(y) * width),
                    4 * width, picture->row(y));
    picture->setOpaque(true);
    auto film = frei0r::filmOf(wishes(), width, height);
    if (!film)
        return state.SkipWithError("no film");
    const StruckFrames struck(std::move(film).value());
    for (auto _ : state)
        for (int frame = 0; frame < frames; ++frame)
            benchmark::DoNotOptimize(struck.frame(picture, Frame{frame}));
}

void throughTheInterface(benchmark::State& state)
{
    const auto in = plate();
    std::vector<std::uint32_t> out(in.size());
    f0r_instance_t plugin = f0r_construct(width, height);
    std::string strikes = wishes().strikes;
    f0r_param_string text = strikes.data();
    f0r_set_param_value(plugin, &text, 2);
    f0r_update(plugin, 0, in.data(), out.data()); // the film is made
    for (auto _ : state)
        for (int frame = 0; frame < frames; ++frame) {
            f0r_update(plugin, frame / 24.0, in.data(), out.data());
            benchmark::DoNotOptimize(out.data());
        }
    f0r_destruct(plugin);
}

} // namespace

BENCHMARK(byTheEngine)->Unit(benchmark::kMillisecond)->UseRealTime();
BENCHMARK(throughTheInterface)->Unit(benchmark::kMillisecond)->UseRealTime();
BENCHMARK_MAIN();
