// SPDX-License-Identifier: GPL-3.0-or-later
// Frames of one edit looked for in another, beside the bare distances of all pairs (OpenCV's batchDistance, which
// neither aligns nor bounds what a single value can do). One thread for both.
#include <chrono>
#include <cstdio>
#include <random>

#include <opencv2/core.hpp>

#include "ember/analysis/film_match.h"

namespace {

using namespace ember;

constexpr std::size_t length = 4000; ///< nearly three minutes at 24

/// A film that wanders, with a piece cut out in the second one.
FilmPrint wandering(std::size_t leftOut, std::uint32_t grain)
{
    std::mt19937 film(7);
    std::mt19937 noise(grain);
    std::normal_distribution<float> step(0, 0.2F);
    FilmPrint print;
    print.heard = true;
    FramePrint frame;
    for (std::size_t i = 0; i < length; ++i) {
        for (float& value : frame.look)
            value = 0.98F * value + step(film);
        for (float& value : frame.sound)
            value = 0.9F * value + step(film);
        if (i >= 1000 && i < 1000 + leftOut)
            continue;
        FramePrint seen = frame;
        for (float& value : seen.look)
            value += 0.1F * step(noise);
        print.frames.push_back(seen);
    }
    return print;
}

double secondsSince(std::chrono::steady_clock::time_point start)
{
    return std::chrono::duration<double>(std::chrono::steady_clock::now() - start).count();
}

} // namespace

int main()
{
    cv::setNumThreads(1);
    const FilmPrint before = wandering(0, 1);
    const FilmPrint after = wandering(300, 2);
    const auto rowsOf = [](const FilmPrint& film) {
        constexpr int values = static_cast<int>(FramePrint::looks + FramePrint::octaves);
        cv::Mat1f rows(static_cast<int>(film.frames.size()), values);
        for (int i = 0; i < rows.rows; ++i) {
            const FramePrint& frame = film.frames[static_cast<std::size_t>(i)];
            std::copy(frame.look.begin(), frame.look.end(), rows[i]);
            std::copy(frame.sound.begin(), frame.sound.end(), rows[i] + static_cast<int>(FramePrint::looks));
        }
        return rows;
    };
    const cv::Mat1f a = rowsOf(before);
    const cv::Mat1f b = rowsOf(after);
    for (int round = 0; round < 3; ++round) {
        auto start = std::chrono::steady_clock::now();
        cv::Mat distances;
        cv::batchDistance(a, b, distances, CV_32F, cv::noArray(), cv::NORM_L2SQR);
        const double bare = secondsSince(start);
        start = std::chrono::steady_clock::now();
        const auto matches = matchFrames(before, after, [](double) { return true; });
        const double ours = secondsSince(start);
        std::size_t right = 0;
        for (std::size_t i = 0; matches && i < length; ++i) {
            const std::int64_t truth = i < 1000   ? static_cast<std::int64_t>(i)
                                       : i < 1300 ? -1
                                                  : static_cast<std::int64_t>(i) - 300;
            if (matches.value()[i].frame == truth)
                ++right;
        }
        std::printf("%zu frames against %zu: %.2f of the bare distances' time, %zu right\n", before.frames.size(),
                    after.frames.size(), ours / bare, right);
    }
    return 0;
}
