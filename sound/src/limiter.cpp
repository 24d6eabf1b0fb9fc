// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/sound/limiter.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <deque>
#include <numbers>

namespace ember {

namespace {

constexpr double windowSeconds = 0.012;
constexpr std::size_t between = 3; ///< places looked at between two samples

/// A sinc under a Hann window at 1/4, 2/4 and 3/4 between two samples (after ITU-R BS.1770-4, annex 2).
template <std::size_t taps>
std::array<std::array<double, 2 * taps>, between> sincs()
{
    std::array<std::array<double, 2 * taps>, between> weights{};
    for (std::size_t k = 0; k < between; ++k) {
        const double at = static_cast<double>(k + 1) / (between + 1);
        double sum = 0;
        for (std::size_t i = 0; i < 2 * taps; ++i) {
            const double far = static_cast<double>(i) - (static_cast<double>(taps) - 1) - at;
            const double x = std::numbers::pi * far;
            weights[k][i] = std::sin(x) / x * (0.5 + 0.5 * std::cos(x / static_cast<double>(taps)));
            sum += weights[k][i];
        }
        for (double& weight : weights[k])
            weight /= sum;
    }
    return weights;
}

} // namespace

Limiter::Limiter(int rate, double ceiling)
    : window_(static_cast<std::size_t>(std::lround(windowSeconds * rate))), ceiling_(ceiling)
{
}

std::vector<float> Limiter::gains(const std::vector<float>& sound, int channels, std::size_t count) const
{
    static const auto weights = sincs<taps>();
    const auto wide = static_cast<std::size_t>(channels);
    // What each instant may be turned up to: by its samples and what lies up to the next one.
    const std::size_t asked = count + 4 * window_;
    std::vector<float> wanted(asked, 1.F);
    bool loud = false;
    for (std::size_t i = 0; i < asked; ++i) {
        const std::size_t here = i + taps; // in `sound`
        double peak = 0;
        double around = 0; // nothing between can be higher than twice what is around
        for (std::size_t c = 0; c < wide; ++c) {
            peak = std::max(peak, std::abs(static_cast<double>(sound[here * wide + c])));
            around = std::max({around, peak, std::abs(static_cast<double>(sound[(here + 1) * wide + c]))});
        }
        if (around > 0.5 * ceiling_)
            for (const auto& phase : weights)
                for (std::size_t c = 0; c < wide; ++c) {
                    double value = 0;
                    for (std::size_t k = 0; k < 2 * taps; ++k)
                        value += phase[k] * static_cast<double>(sound[(here + k - (taps - 1)) * wide + c]);
                    peak = std::max(peak, std::abs(value));
                }
        if (peak > ceiling_) {
            wanted[i] = static_cast<float>(ceiling_ / peak);
            loud = true;
        }
    }
    std::vector<float> out(count, 1.F);
    if (!loud)
        return out;
    // The least over a window, then the mean over another: never above what is wanted, and without a corner.
    const std::size_t width = 2 * window_ + 1;
    std::vector<float> least(asked - 2 * window_);
    std::deque<std::size_t> row;
    for (std::size_t i = 0; i < asked; ++i) {
        while (!row.empty() && wanted[row.back()] >= wanted[i])
            row.pop_back();
        row.push_back(i);
        if (row.front() + width <= i)
            row.pop_front();
        if (i + 1 >= width)
            least[i + 1 - width] = wanted[row.front()];
    }
    for (std::size_t i = 0; i < count; ++i) { // summed anew each time: the same bits wherever a stretch begins
        double sum = 0;
        bool turned = false;
        for (std::size_t k = 0; k < width; ++k) {
            sum += static_cast<double>(least[i + k]);
            turned = turned || least[i + k] != 1.F;
        }
        out[i] = turned ? static_cast<float>(sum / static_cast<double>(width)) : 1.F;
    }
    return out;
}

} // namespace ember
