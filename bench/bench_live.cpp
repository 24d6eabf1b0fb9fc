// SPDX-License-Identifier: GPL-3.0-or-later
// What a flood of presses costs: reading the messages, taking the presses, and a pose for each picture, against the
// second of time it comes in; and a pose of the bench against a pose of the film with the same strikes.
#include <benchmark/benchmark.h>

#include "ember/live/live_bench.h"
#include "ember/live/osc_message.h"
#include "ember/project/board_edits.h"
#include "ember/project/shipped_recipes.h"

namespace {

using namespace ember;

constexpr int messagesASecond = 2000;
constexpr int picturesASecond = 60;

std::vector<std::vector<std::byte>> datagrams()
{
    std::vector<std::vector<std::byte>> made;
    for (int i = 0; i < messagesASecond; ++i)
        made.push_back(writeOsc(OscStrike{std::string(kindName(static_cast<StrikeKind>(i % 4))),
                                          0.2 + 0.001 * (i % 800), static_cast<std::uint32_t>(i + 1)}));
    return made;
}

Project foundry(OverlapRule rule)
{
    Project project = newProject(1280, 720, FrameRate());
    project.overlap.rule = rule;
    return project;
}

/// Copies every message: the yardstick of reading them.
void copying(benchmark::State& state)
{
    const auto made = datagrams();
    for (auto _ : state)
        for (const auto& datagram : made) {
            std::vector<std::byte> copy = datagram;
            benchmark::DoNotOptimize(copy.data());
        }
}
BENCHMARK(copying);

void reading(benchmark::State& state)
{
    const auto made = datagrams();
    for (auto _ : state)
        for (const auto& datagram : made) {
            const OscRead read = readOsc(datagram);
            benchmark::DoNotOptimize(read.messages.data());
        }
}
BENCHMARK(reading);

/// Two thousand presses and sixty pictures: how many seconds of that one second takes is the counter.
void aSecondOfFlood(benchmark::State& state)
{
    const Project project = foundry(static_cast<OverlapRule>(state.range(0)));
    const Board board = boardOf(project);
    std::vector<Strike> presses;
    for (const auto& datagram : datagrams())
        presses.push_back(strikeOf(std::get<OscStrike>(readOsc(datagram).messages.at(0)), project, board, 0).value());
    LiveBench bench(project);
    double seconds = 0;
    for (auto _ : state) {
        for (int picture = 0; picture < picturesASecond; ++picture) {
            for (int i = messagesASecond * picture / picturesASecond;
                 i < messagesASecond * (picture + 1) / picturesASecond; ++i)
                bench.strike(presses[static_cast<std::size_t>(i)],
                             project.rate.frames(seconds + static_cast<double>(i) / messagesASecond));
            benchmark::DoNotOptimize(
                bench.at(project.rate.frames(seconds + (picture + 1.0) / picturesASecond)).intensity);
        }
        seconds += 1;
    }
    state.counters["share of real time"] = benchmark::Counter(
        static_cast<double>(state.iterations()), benchmark::Counter::kIsRate | benchmark::Counter::kInvert);
    state.counters["held"] = static_cast<double>(bench.held());
}
BENCHMARK(aSecondOfFlood)->Arg(0)->Arg(1)->Arg(2);

/// The bench after such a second, and a film with its strikes.
void aPose(benchmark::State& state)
{
    const Project project = foundry(OverlapRule::add);
    const Board board = boardOf(project);
    LiveBench bench(project);
    for (int i = 0; i < messagesASecond; ++i) {
        Strike press = strikeOf(board.pads[static_cast<std::size_t>(i) % board.pads.size()], 0, 0.5);
        press.seed = pressSeed(1, static_cast<std::uint64_t>(i));
        bench.strike(press, project.rate.frames(static_cast<double>(i) / messagesASecond));
    }
    Project film = bench.project();
    const Motion own(film);
    const bool live = state.range(0) == 1;
    double time = 24;
    for (auto _ : state) {
        benchmark::DoNotOptimize(live ? bench.at(time).intensity : own.at(time).intensity);
        time = time > 30 ? 24 : time + 0.01;
    }
}
BENCHMARK(aPose)->Arg(0)->Arg(1);

} // namespace

BENCHMARK_MAIN();
