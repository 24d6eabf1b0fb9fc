// SPDX-License-Identifier: GPL-3.0-or-later
// Finding strikes against the plainest pass over the same samples and pixels. `realtime` is how many times faster than
// the film runs.
#include <benchmark/benchmark.h>

#include <cmath>

#include "ember/analysis/candidates.h"
#include "films.h"
#include "sounds.h"

namespace {

using namespace ember;

constexpr double seconds = 20;

const SoundBuffer& music()
{
    static const SoundBuffer sound = test::drumMusic(1, 120, 0.2, seconds, test::Bed::music).sound;
    return sound;
}

const SoundTrace& trace()
{
    static const SoundTrace heard = [] {
        SoundMeter meter(music().rate, music().channels);
        meter.hear(music().samples);
        return meter.finish();
    }();
    return heard;
}

const std::vector<Image>& pictures()
{
    static const std::vector<Image> drawn = [] {
        std::vector<Image> frames;
        const test::KnownFilm film = test::knownFilms(1)[3]; // a hand-held camera, grain
        for (int i = 0; i < film.frames; ++i) {
            const Image small = film.draw(i);
            Image large(1280, 720);
            for (int y = 0; y < 720; ++y)
                for (int x = 0; x < 1280; ++x)
                    std::copy_n(small.at(x / 4, y / 4), 4, large.at(x, y));
            frames.push_back(std::move(large));
        }
        return frames;
    }();
    return drawn;
}

void tellRealtime(benchmark::State& state, double length)
{
    state.counters["realtime"] = benchmark::Counter(length, benchmark::Counter::kIsIterationInvariantRate);
}

void yardstickMeanSquare(benchmark::State& state)
{
    const SoundBuffer& sound = music();
    for (auto _ : state) {
        double sum = 0;
        for (const float sample : sound.samples)
            sum += static_cast<double>(sample) * static_cast<double>(sample);
        benchmark::DoNotOptimize(sum);
    }
    tellRealtime(state, seconds);
}

void listening(benchmark::State& state)
{
    for (auto _ : state) {
        SoundMeter meter(music().rate, music().channels);
        meter.hear(music().samples);
        benchmark::DoNotOptimize(meter.finish());
    }
    tellRealtime(state, seconds);
}

/// What another band or spacing costs.
void askingAnew(benchmark::State& state)
{
    const SoundTrace& heard = trace();
    for (auto _ : state)
        benchmark::DoNotOptimize(onsetsOf(heard, {}));
    tellRealtime(state, seconds);
}

/// What a change of the sensitivity costs.
void askingAgain(benchmark::State& state)
{
    const OnsetFinder finder(trace(), Band::all, 0.05);
    for (auto _ : state)
        benchmark::DoNotOptimize(finder.at(0.5));
    tellRealtime(state, seconds);
}

void askingTempo(benchmark::State& state)
{
    const auto onsets = onsetsOf(trace(), {});
    for (auto _ : state)
        benchmark::DoNotOptimize(tempoOf(trace(), onsets));
    tellRealtime(state, seconds);
}

void yardstickCopyPictures(benchmark::State& state)
{
    const auto& drawn = pictures();
    for (auto _ : state)
        for (const Image& picture : drawn)
            benchmark::DoNotOptimize(picture.copy());
    tellRealtime(state, static_cast<double>(pictures().size()) / 24);
}

void watching(benchmark::State& state)
{
    for (auto _ : state) {
        PictureWatcher watcher;
        for (std::size_t i = 0; i < pictures().size(); ++i)
            watcher.watch(pictures()[i], Frame{static_cast<std::int64_t>(i)});
        benchmark::DoNotOptimize(watcher.finish());
    }
    tellRealtime(state, static_cast<double>(pictures().size()) / 24);
}

BENCHMARK(yardstickMeanSquare)->Unit(benchmark::kMillisecond);
BENCHMARK(listening)->Unit(benchmark::kMillisecond);
BENCHMARK(askingAnew)->Unit(benchmark::kMillisecond);
BENCHMARK(askingAgain)->Unit(benchmark::kMillisecond);
BENCHMARK(askingTempo)->Unit(benchmark::kMillisecond);
BENCHMARK(yardstickCopyPictures)->Unit(benchmark::kMillisecond);
BENCHMARK(watching)->Unit(benchmark::kMillisecond);

} // namespace

BENCHMARK_MAIN();
