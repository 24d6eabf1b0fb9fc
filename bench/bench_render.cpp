// SPDX-License-Identifier: GPL-3.0-or-later
// Shaken frames, held against general-purpose code on the same threads: OpenCV's warpPerspective (bilinear, reflected
// border) for one instant, and that with accumulate for each instant of a shutter. Its 8-bit path is the faster one and
// leaves out linear light altogether; its 16-bit one is what linear light needs.
#include <benchmark/benchmark.h>

#include <cmath>
#include <cstring>

#include <opencv2/imgproc.hpp>

#include "ember/render/frame.h"
#include "ember/render/warp.h"

namespace {

using namespace ember;

constexpr int width = 1920;
constexpr int height = 1080;
constexpr int instants = 16;

ImagePtr picture(int w, int h)
{
    auto image = std::make_shared<Image>(w, h);
    image->setOpaque(true);
    for (int y = 0; y < h; ++y)
        for (int x = 0; x < 4 * w; ++x)
            image->row(y)[x] = static_cast<std::uint8_t>(x % 4 == 3 ? 255 : (x * 7 + y * 13) ^ (x >> 3));
    return image;
}

/// The same as codes of 16 bits, or as light.
ImagePtr deepPicture(Depth depth)
{
    const ImagePtr from = picture(width, height);
    if (depth == Depth::eight)
        return from;
    auto image = std::make_shared<Image>(width, height, depth);
    image->setOpaque(true);
    for (int y = 0; y < height; ++y)
        for (int x = 0; x < width; ++x)
            for (int k = 0; k < 4; ++k)
                if (depth == Depth::sixteen)
                    image->deepAt(x, y)[k] = static_cast<std::uint16_t>(from->at(x, y)[k] * 257);
                else
                    image->floatAt(x, y)[k] = static_cast<float>(
                        lightOfCode(k == 3 ? Transfer::linear : Transfer::srgb, from->at(x, y)[k] / 255.0));
    return image;
}

/// Roll 3 degrees and zoom 1.05 are reached; `part` of the way there lies in the shutter.
Exposure shutter(double part, int count)
{
    const auto at = [&](double t) {
        const double way = 1 - part + part * t;
        return Pose{.x = 40 * way, .y = -25 * way, .zoom = 1 + 0.05 * way, .roll = 3 * way};
    };
    Exposure exposure{1, {}, at(0.5)};
    for (int i = 0; i < count; ++i)
        exposure.poses.push_back(at((i + 0.5) / count));
    return exposure;
}

FrameLook look(const Exposure& exposure, int w, int h)
{
    FrameLook l;
    l.exposure = exposure;
    l.projectWidth = w;
    l.projectHeight = h;
    return l;
}

cv::Matx33d mapOf(const Pose& pose)
{
    const Matrix3 map = poseMatrix(pose, width, height).inverse();
    cv::Matx33d out;
    for (int i = 0; i < 9; ++i)
        out.val[i] = map.m[static_cast<std::size_t>(i)];
    return out;
}

cv::Mat source(int type)
{
    const ImagePtr image = picture(width, height);
    const cv::Mat eight(height, width, CV_8UC4, const_cast<std::uint8_t*>(image->row(0)), image->stride());
    cv::Mat out;
    eight.convertTo(out, type, type == CV_16UC4 ? 257 : 1);
    return out;
}

void warped(const cv::Mat& from, const Pose& pose, cv::Mat& to)
{
    cv::warpPerspective(from, to, mapOf(pose), from.size(), cv::INTER_LINEAR | cv::WARP_INVERSE_MAP,
                        cv::BORDER_REFLECT);
}

void yardstickWarp(benchmark::State& state)
{
    const cv::Mat from = source(CV_8UC4);
    cv::Mat to;
    const Pose pose = shutter(1, 1).middle;
    for (auto _ : state)
        warped(from, pose, to);
}

void yardstickShutter(benchmark::State& state, int type)
{
    const cv::Mat from = source(type);
    const Exposure exposure = shutter(0.3, instants);
    cv::Mat to;
    cv::Mat sum(height, width, CV_32FC4);
    cv::Mat out;
    for (auto _ : state) {
        sum.setTo(0);
        for (const Pose& pose : exposure.poses) {
            warped(from, pose, to);
            cv::accumulate(to, sum);
        }
        sum.convertTo(out, type, 1.0 / instants);
    }
}

void oneInstant(benchmark::State& state, Depth depth)
{
    const ImagePtr from = deepPicture(depth);
    FrameLook l = look(Exposure::of(shutter(1, 1).middle), width, height);
    l.depth = depth;
    for (auto _ : state)
        benchmark::DoNotOptimize(renderFrame(from, l, width, height));
}

void shutterOpen(benchmark::State& state, double part, Depth depth = Depth::eight)
{
    const ImagePtr from = deepPicture(depth);
    FrameLook l = look(shutter(part, instants), width, height);
    l.depth = depth;
    for (auto _ : state)
        benchmark::DoNotOptimize(renderFrame(from, l, width, height));
}

void withPerspective(benchmark::State& state)
{
    const ImagePtr from = picture(width, height);
    Exposure exposure = shutter(0.3, instants);
    for (Pose& pose : exposure.poses)
        pose.pan = 1;
    exposure.middle.pan = 1;
    for (auto _ : state)
        benchmark::DoNotOptimize(renderFrame(from, look(exposure, width, height), width, height));
}

/// The view's size, with everything on.
void allEffectsAtViewSize(benchmark::State& state)
{
    const ImagePtr from = picture(1280, 720);
    FrameLook l = look(shutter(0.3, instants), 1280, 720);
    l.light.streakX = 30;
    l.light.streakY = 20;
    l.light.radial = 40;
    l.light.radialCentreX = l.light.radialCentreY = 0.5;
    l.light.fringeX = 4;
    l.light.flashes.push_back({{255, 240, 216}, 0.3, Blend::add});
    l.letterbox = 2.39;
    for (auto _ : state)
        benchmark::DoNotOptimize(renderFrame(from, l, 1280, 720));
}

/// One impact effect at the view's size, on a frame that stands still.
void impactEffect(benchmark::State& state, const LightNow& light)
{
    const ImagePtr from = picture(1280, 720);
    FrameLook l = look(Exposure::of({}), 1280, 720);
    l.light = light;
    for (auto _ : state)
        benchmark::DoNotOptimize(renderFrame(from, l, 1280, 720));
}

LightNow lightWith(double defocus, double ripple, double grain, double impact)
{
    LightNow light;
    light.defocus = defocus;
    if (ripple > 0)
        light.ripples.push_back({ripple, 0.5, 0.5, 250, 120});
    light.grain = {grain, 1.5, false, 1};
    light.impact = {impact, ImpactFrame::Look::contrast, 0.4, 0.2, {}, {255, 255, 255}};
    return light;
}

BENCHMARK(yardstickWarp)->Unit(benchmark::kMillisecond)->UseRealTime();
BENCHMARK_CAPTURE(oneInstant, in8bits, Depth::eight)->Unit(benchmark::kMillisecond)->UseRealTime();
BENCHMARK_CAPTURE(oneInstant, in16bits, Depth::sixteen)->Unit(benchmark::kMillisecond)->UseRealTime();
BENCHMARK_CAPTURE(oneInstant, inFloats, Depth::single)->Unit(benchmark::kMillisecond)->UseRealTime();
BENCHMARK_CAPTURE(yardstickShutter, in8bits, CV_8UC4)->Unit(benchmark::kMillisecond)->UseRealTime();
BENCHMARK_CAPTURE(yardstickShutter, in16bits, CV_16UC4)->Unit(benchmark::kMillisecond)->UseRealTime();
BENCHMARK_CAPTURE(shutterOpen, aThirdOfTheWay, 0.3)->Unit(benchmark::kMillisecond)->UseRealTime();
BENCHMARK_CAPTURE(shutterOpen, in16bits, 0.3, Depth::sixteen)->Unit(benchmark::kMillisecond)->UseRealTime();
BENCHMARK_CAPTURE(shutterOpen, inFloats, 0.3, Depth::single)->Unit(benchmark::kMillisecond)->UseRealTime();
BENCHMARK_CAPTURE(shutterOpen, theWholeWay, 1.0)->Unit(benchmark::kMillisecond)->UseRealTime();
BENCHMARK(withPerspective)->Unit(benchmark::kMillisecond)->UseRealTime();
BENCHMARK(allEffectsAtViewSize)->Unit(benchmark::kMillisecond)->UseRealTime();
BENCHMARK_CAPTURE(impactEffect, defocusOf8, lightWith(8, 0, 0, 0))->Unit(benchmark::kMillisecond)->UseRealTime();
BENCHMARK_CAPTURE(impactEffect, defocusOf30, lightWith(30, 0, 0, 0))->Unit(benchmark::kMillisecond)->UseRealTime();
BENCHMARK_CAPTURE(impactEffect, ripple, lightWith(0, 20, 0, 0))->Unit(benchmark::kMillisecond)->UseRealTime();
BENCHMARK_CAPTURE(impactEffect, grain, lightWith(0, 0, 0.2, 0))->Unit(benchmark::kMillisecond)->UseRealTime();
BENCHMARK_CAPTURE(impactEffect, impactFrame, lightWith(0, 0, 0, 1))->Unit(benchmark::kMillisecond)->UseRealTime();

} // namespace

BENCHMARK_MAIN();
