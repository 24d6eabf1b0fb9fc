// SPDX-License-Identifier: GPL-3.0-or-later
#include "beat_weight.h"

#include <algorithm>
#include <cmath>

#include "sound_levels.h"

namespace ember {

namespace {
constexpr double struck = 0.25;
constexpr double betweenShare = 0.5;
} // namespace

double easeOf(double period)
{
    const double octaves = std::log2(period / 0.5);
    return std::exp(-0.5 * octaves * octaves / (0.9 * 0.9));
}

BeatWeight::BeatWeight(const SoundTrace& trace, std::span<const Onset> onsets) : onsets_(onsets)
{
    constexpr BandRange drums{0, 16}; // up to a kilohertz
    for (const Onset& onset : onsets) {
        const std::size_t look = lookAt(trace, onset.seconds);
        const double before = look >= 12 ? meanPower(trace, look - 12, 9, drums) : 0;
        weights_.push_back(std::pow(std::max(meanPower(trace, look, 12, drums) - before, 0.0), 0.3));
    }
    const double most = weights_.empty() ? 0 : *std::max_element(weights_.begin(), weights_.end());
    for (std::size_t i = 0; i < weights_.size(); ++i)
        weights_[i] = (most > 0 ? weights_[i] / most : 0) + struck * onsets[i].strength;
}

double BeatWeight::at(double seconds) const
{
    constexpr double near = 0.03;
    auto one = std::lower_bound(onsets_.begin(), onsets_.end(), seconds - near,
                                [](const Onset& o, double t) { return o.seconds < t; });
    double most = 0;
    for (; one != onsets_.end() && one->seconds < seconds + near; ++one)
        most = std::max(most, weights_[static_cast<std::size_t>(one - onsets_.begin())]);
    return most;
}

double BeatWeight::contrast(double start, double period, double end) const
{
    double on = 0, between = 0, count = 0;
    for (double t = start; t < end; t += period, count += 1) {
        on += at(t);
        between += at(t + period / 2);
    }
    return count > 0 ? (on - betweenShare * between) / count : 0;
}

double BeatWeight::contrast(std::span<const double> beats) const
{
    double on = 0, between = 0;
    for (std::size_t i = 0; i < beats.size(); ++i) {
        on += at(beats[i]);
        if (i + 1 < beats.size())
            between += at((beats[i] + beats[i + 1]) / 2);
    }
    return beats.empty() ? 0 : (on - betweenShare * between) / static_cast<double>(beats.size());
}

std::vector<double> BeatWeight::phases(double from, double period, double end) const
{
    constexpr double bin = 0.01;
    std::vector<double> sums(static_cast<std::size_t>(std::ceil(period / bin)), 0.0), times = sums;
    for (std::size_t i = 0; i < onsets_.size(); ++i) {
        const double along = onsets_[i].seconds - from;
        if (along < -0.05 || onsets_[i].seconds > end)
            continue;
        const double phase = along - period * std::floor(along / period);
        const std::size_t at = std::min(static_cast<std::size_t>(phase / bin), sums.size() - 1);
        sums[at] += weights_[i];
        times[at] += weights_[i] * phase;
    }
    std::vector<double> found;
    while (found.size() < 4) {
        const auto top = std::max_element(sums.begin(), sums.end());
        if (top == sums.end() || *top <= 0)
            break;
        // With its neighbours, which are the same place struck less evenly.
        double sum = 0, time = 0;
        for (std::ptrdiff_t k = -2; k <= 2; ++k) {
            const auto size = std::ssize(sums);
            const auto at = static_cast<std::size_t>(((top - sums.begin()) + k + size) % size);
            const double turn = static_cast<double>((top - sums.begin()) + k - static_cast<std::ptrdiff_t>(at));
            sum += sums[at];
            time += times[at] + sums[at] * (turn == 0 ? 0 : std::copysign(period, turn));
            sums[at] = times[at] = 0;
        }
        found.push_back(time / sum);
    }
    return found;
}

} // namespace ember
