// SPDX-License-Identifier: GPL-3.0-or-later
// One shaken frame at 1280x720, against copying it, against the plain reference, and against a general resampler of the
// same kernel (libswscale, bicubic, which can only scale).
#include <benchmark/benchmark.h>

#include <cstring>

extern "C" {
#include <libswscale/swscale.h>
}

#include "ember/render/frame.h"
#include "ember/render/warp.h"

namespace {

using namespace ember;

ImagePtr picture(int width, int height)
{
    auto image = std::make_shared<Image>(width, height);
    for (int y = 0; y < height; ++y)
        for (int x = 0; x < 4 * width; ++x)
            image->row(y)[x] = static_cast<std::uint8_t>((x * 7 + y * 13) ^ (x >> 3));
    return image;
}

FrameLook look(int width, int height)
{
    FrameLook l;
    l.projectWidth = width;
    l.projectHeight = height;
    l.pose.x = 11.3;
    l.pose.y = -7.6;
    l.pose.roll = 1.4;
    l.cover = 1.06;
    return l;
}

void yardstickCopy(benchmark::State& state)
{
    const ImagePtr source = picture(1280, 720);
    Image out(1280, 720);
    for (auto _ : state) {
        std::memcpy(out.row(0), source->row(0), source->bytes());
        benchmark::ClobberMemory();
    }
}

void yardstickScaler(benchmark::State& state)
{
    const ImagePtr source = picture(1280, 720);
    Image out(1280, 720);
    // A hair of a difference in size keeps it from copying.
    SwsContext* scaler =
        sws_getContext(1274, 716, AV_PIX_FMT_RGBA, 1280, 720, AV_PIX_FMT_RGBA, SWS_BICUBIC, nullptr, nullptr, nullptr);
    const std::uint8_t* from[4] = {source->row(0), nullptr, nullptr, nullptr};
    const int fromStride[4] = {static_cast<int>(source->stride()), 0, 0, 0};
    std::uint8_t* to[4] = {out.row(0), nullptr, nullptr, nullptr};
    const int toStride[4] = {static_cast<int>(out.stride()), 0, 0, 0};
    for (auto _ : state)
        sws_scale(scaler, from, fromStride, 0, 716, to, toStride);
    sws_freeContext(scaler);
}

void yardstickReference(benchmark::State& state)
{
    const ImagePtr source = picture(1280, 720);
    Image out(1280, 720);
    const Matrix3 map = viewMatrix(look(1280, 720), 1280, 720, 1280, 720);
    for (auto _ : state)
        warpReference(*source, map, EdgeMode::mirror, {}, out);
}

void shakenFrame(benchmark::State& state)
{
    const ImagePtr source = picture(1280, 720);
    for (auto _ : state)
        benchmark::DoNotOptimize(renderFrame(source, look(1280, 720), 1280, 720));
}

void shakenFrameWithPerspective(benchmark::State& state)
{
    const ImagePtr source = picture(1280, 720);
    FrameLook l = look(1280, 720);
    l.pose.pan = 1;
    for (auto _ : state)
        benchmark::DoNotOptimize(renderFrame(source, l, 1280, 720));
}

BENCHMARK(yardstickCopy)->Unit(benchmark::kMillisecond)->UseRealTime();
BENCHMARK(yardstickScaler)->Unit(benchmark::kMillisecond)->UseRealTime();
BENCHMARK(yardstickReference)->Unit(benchmark::kMillisecond)->UseRealTime();
BENCHMARK(shakenFrame)->Unit(benchmark::kMillisecond)->UseRealTime();
BENCHMARK(shakenFrameWithPerspective)->Unit(benchmark::kMillisecond)->UseRealTime();

} // namespace

BENCHMARK_MAIN();
