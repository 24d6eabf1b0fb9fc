// SPDX-License-Identifier: GPL-3.0-or-later
// Finding frames in a clip given by EMBER_BENCH_CLIP: one frame on and anywhere, against decoding straight through.
#include <benchmark/benchmark.h>

#include <cstdlib>
#include <iostream>

#include "ember/core/source.h"
#include "ember/media/clip.h"

namespace {

using namespace ember;

std::unique_ptr<ClipReader> clip()
{
    const char* path = std::getenv("EMBER_BENCH_CLIP");
    auto opened = ClipReader::open(path != nullptr ? path : "");
    if (!opened) {
        std::cerr << "Set EMBER_BENCH_CLIP to a clip. " << sentence(opened.error()) << '\n';
        std::exit(1);
    }
    return std::move(opened).value();
}

void yardstickStraightThrough(benchmark::State& state)
{
    const auto reader = clip();
    std::int64_t i = 0;
    for (auto _ : state)
        benchmark::DoNotOptimize(reader->picture(i++ % reader->info().pictures));
}

void oneFrameBack(benchmark::State& state)
{
    const auto reader = clip();
    std::int64_t i = reader->info().pictures - 1;
    for (auto _ : state) {
        benchmark::DoNotOptimize(reader->picture(i));
        i = i > 0 ? i - 1 : reader->info().pictures - 1;
    }
}

void anywhere(benchmark::State& state)
{
    const auto reader = clip();
    std::uint64_t i = 0;
    for (auto _ : state)
        benchmark::DoNotOptimize(reader->picture(
            static_cast<std::int64_t>(mixSeed(1, ++i) % static_cast<std::uint64_t>(reader->info().pictures))));
}

void opening(benchmark::State& state)
{
    for (auto _ : state)
        benchmark::DoNotOptimize(clip());
}

BENCHMARK(yardstickStraightThrough)->Unit(benchmark::kMillisecond)->UseRealTime();
BENCHMARK(oneFrameBack)->Iterations(8)->Unit(benchmark::kMillisecond)->UseRealTime();
BENCHMARK(anywhere)->Iterations(20)->Unit(benchmark::kMillisecond)->UseRealTime();
BENCHMARK(opening)->Unit(benchmark::kMillisecond)->UseRealTime();

} // namespace

BENCHMARK_MAIN();
