// SPDX-License-Identifier: GPL-3.0-or-later
// Beats from onsets: likely periods from the times between them, then each is followed through the sound from its
// clearest onsets, and the walk that gathers most strength for its steps is the beat.
#include "ember/analysis/tempo.h"

#include <algorithm>
#include <array>
#include <cmath>

#include "beat_path.h"
#include "beat_weight.h"
#include "sound_levels.h"

namespace ember {

namespace {

constexpr std::size_t periods = 12;
constexpr std::size_t seeds = 24;
constexpr std::size_t fewestBeats = 5;

/// A time between onsets that comes up often.
struct Period {
    double seconds;
    double weight;
};

std::vector<Period> likelyPeriods(std::span<const Onset> onsets)
{
    constexpr double binRatio = 1.01;
    constexpr double farthest = 2 * longestBeat;
    const auto binOf = [](double seconds) { return std::log(seconds / shortestBeat) / std::log(binRatio); };
    std::vector<double> weights(static_cast<std::size_t>(binOf(longestBeat)) + 2, 0.0);
    const auto vote = [&](double seconds, double weight) {
        if (seconds < shortestBeat || seconds > longestBeat)
            return;
        const auto middle = static_cast<std::ptrdiff_t>(binOf(seconds));
        for (std::ptrdiff_t k = -2; k <= 2; ++k)
            if (const auto at = middle + k; at >= 0 && at < std::ssize(weights))
                weights[static_cast<std::size_t>(at)] += weight * std::exp(-0.5 * static_cast<double>(k * k));
    };
    for (std::size_t i = 0; i < onsets.size(); ++i)
        for (std::size_t k = i + 1; k < onsets.size() && onsets[k].seconds - onsets[i].seconds < farthest; ++k) {
            const double apart = onsets[k].seconds - onsets[i].seconds;
            const double weight = onsets[i].strength * onsets[k].strength;
            vote(apart, weight);
            vote(apart / 2, weight / 4);
        }
    std::vector<Period> found;
    for (std::size_t i = 1; i + 1 < weights.size(); ++i)
        if (weights[i] > 0 && weights[i] >= weights[i - 1] && weights[i] > weights[i + 1])
            found.push_back({shortestBeat * std::pow(binRatio, static_cast<double>(i) + 0.5), weights[i]});
    std::sort(found.begin(), found.end(), [](const Period& a, const Period& b) { return a.weight > b.weight; });
    if (found.size() > periods)
        found.resize(periods);
    return found;
}

/// The line time = start + step * period through beats that were met, weighted (least squares).
class Line {
public:
    void add(double step, double time, double weight)
    {
        w_ += weight;
        x_ += weight * step;
        y_ += weight * time;
        xx_ += weight * step * step;
        xy_ += weight * step * time;
    }
    double period(double fallback) const
    {
        const double spread = w_ * xx_ - x_ * x_;
        return spread > 1e-9 ? (w_ * xy_ - x_ * y_) / spread : fallback;
    }
    double start(double period) const { return w_ > 0 ? (y_ - period * x_) / w_ : 0; }

private:
    double w_ = 0, x_ = 0, y_ = 0, xx_ = 0, xy_ = 0;
};

/// A period followed through the sound from one onset.
struct Walk {
    double period = 0;
    double start = 0; ///< of step 0
    std::int64_t first = 0;
    std::int64_t last = 0;
    double gain = 0; ///< strength met beyond what each step costs
    double met = 0;  ///< steps on which something is, each as far as it is on its place
};

class Walker {
public:
    explicit Walker(std::span<const Onset> onsets) : onsets_(onsets)
    {
        std::vector<double> strengths;
        for (const Onset& onset : onsets)
            strengths.push_back(onset.strength);
        const auto at = strengths.begin() + static_cast<std::ptrdiff_t>(strengths.size() * 4 / 5);
        std::nth_element(strengths.begin(), at, strengths.end());
        price_ = 0.55 * *at;
    }

    Walk walk(std::size_t seed, double period) const
    {
        Walk walk;
        walk.period = period;
        walk.start = onsets_[seed].seconds;
        Line line;
        line.add(0, walk.start, onsets_[seed].strength);
        walk.gain = onsets_[seed].strength - price_;
        walk.met = 1;
        const auto [forward, forwardLast] = side(walk, line, +1);
        const auto [backward, backwardLast] = side(walk, line, -1);
        walk.gain += forward + backward;
        walk.last = forwardLast;
        walk.first = backwardLast;
        walk.period = line.period(walk.period);
        walk.start = line.start(walk.period);
        return walk;
    }

private:
    struct Side {
        double gain;
        std::int64_t last;
    };

    /// The onset that counts most for a time, and how far it is on its place.
    std::pair<const Onset*, double> nearest(double time, double period) const
    {
        const double width = std::clamp(0.04 * period, 0.012, 0.03);
        auto it = std::lower_bound(onsets_.begin(), onsets_.end(), time - 2.5 * width,
                                   [](const Onset& o, double t) { return o.seconds < t; });
        const Onset* best = nullptr;
        double fit = 0;
        for (; it != onsets_.end() && it->seconds <= time + 2.5 * width; ++it) {
            const double off = (it->seconds - time) / width;
            const double here = std::exp(-0.5 * off * off);
            if (best == nullptr || here * it->strength > fit * best->strength) {
                best = &*it;
                fit = here;
            }
        }
        return {best, fit};
    }

    /// Steps on until what is gained has long been lost again; keeps the stretch that gains most.
    Side side(Walk& walk, Line& line, std::int64_t direction) const
    {
        constexpr double patience = 6; // steps without anything
        Side best{0, 0};
        double gain = 0;
        double met = 0;
        double bestMet = 0;
        Line kept = line;
        Line trial = line;
        for (std::int64_t step = direction;; step += direction) {
            const double period = trial.period(walk.period);
            const double time = trial.start(period) + static_cast<double>(step) * period;
            if (time < -0.05 || time > onsets_.back().seconds + 0.05)
                break;
            const auto [onset, fit] = nearest(time, period);
            gain -= price_;
            if (onset != nullptr) {
                gain += fit * onset->strength;
                met += fit;
                trial.add(static_cast<double>(step), onset->seconds, fit * onset->strength);
                const double now = trial.period(walk.period);
                if (std::abs(now / walk.period - 1) > 0.03)
                    break;
            }
            if (gain > best.gain) {
                best = {gain, step};
                bestMet = met;
                kept = trial;
            }
            if (gain < best.gain - patience * price_)
                break;
        }
        line = kept;
        walk.met += bestMet;
        return best;
    }

    std::span<const Onset> onsets_;
    double price_ = 0; ///< what a step costs
};

/// Onsets to start from: the strongest of each equal stretch of the sound.
std::vector<std::size_t> seedsOf(std::span<const Onset> onsets)
{
    const double first = onsets.front().seconds;
    const double stretch = std::max(1.0, (onsets.back().seconds - first + 0.001) / static_cast<double>(seeds));
    std::vector<std::size_t> found;
    double end = first;
    for (std::size_t i = 0; i < onsets.size(); ++i) {
        if (onsets[i].seconds >= end) {
            found.push_back(i);
            end = std::max(end + stretch, onsets[i].seconds);
        } else if (onsets[i].strength > onsets[found.back()].strength) {
            found.back() = i;
        }
    }
    return found;
}

/// The walk may have found every second beat, half beats, or what is between the beats: the level and the phase that
/// are heaviest on their beats, and near what is easy to find, are the beat.
void chooseLevel(const BeatWeight& weight, Walk& walk)
{
    const double from = walk.start + static_cast<double>(walk.first) * walk.period;
    const double to = walk.start + (static_cast<double>(walk.last) + 0.5) * walk.period;
    const double found = walk.period;
    double best = 0, period = found, start = from;
    for (const double factor : {0.5, 1.0, 2.0}) {
        const double tried = factor * found;
        if (tried < shortestBeat || tried > longestBeat)
            continue;
        for (const double phase : weight.phases(from, tried, to)) {
            const double value = weight.contrast(from + phase, tried, to) * easeOf(tried);
            if (value > best) {
                best = value;
                period = tried;
                start = from + phase;
            }
        }
    }
    walk.period = period;
    walk.start = start;
    walk.first = 0;
    walk.last = std::llround(std::floor((to - 0.5 * found - start) / period + 0.25));
}

/// The piece goes on where hardly a beat is struck: steps outwards as long as each bar has something on its grid.
void goOn(std::span<const Onset> onsets, Walk& walk)
{
    constexpr double near = 0.03;
    constexpr std::int64_t bar = 4;
    const auto struck = [&](std::int64_t step) {
        const double seconds = walk.start + static_cast<double>(step) * walk.period;
        const auto one = std::lower_bound(onsets.begin(), onsets.end(), seconds - near,
                                          [](const Onset& o, double t) { return o.seconds < t; });
        return one != onsets.end() && one->seconds < seconds + near;
    };
    const auto outwards = [&](std::int64_t from, std::int64_t direction) {
        std::int64_t last = from;
        for (std::int64_t step = from + direction; std::abs(step - last) <= bar; step += direction)
            if (struck(step))
                last = step;
        return last;
    };
    walk.first = outwards(walk.first, -1);
    walk.last = outwards(walk.last, +1);
}

/// Where bars begin: the count and place at which the low sounds stand out most from the rest.
void findBars(const SoundTrace& trace, Tempo& tempo)
{
    double bestContrast = 0;
    for (const int beats : {4, 3}) {
        std::array<double, 4> sums{};
        std::array<int, 4> counts{};
        for (std::int64_t i = 0; i < tempo.beats; ++i) {
            const auto at = static_cast<std::size_t>(i % beats);
            const std::size_t look = lookAt(trace, tempo.grid.at(i));
            sums[at] += std::pow(meanPower(trace, look, 16, spectrumRange(Band::low)), 0.3);
            ++counts[at];
        }
        double total = 0;
        for (std::size_t k = 0; k < static_cast<std::size_t>(beats); ++k)
            total += sums[k] /= std::max(counts[k], 1);
        const double highest = *std::max_element(sums.begin(), sums.begin() + beats);
        // Of beats that are as good as equal the first begins the bar.
        const auto top = std::find_if(sums.begin(), sums.end(), [&](double sum) { return sum > 0.95 * highest; });
        const double mean = total / beats;
        const double contrast = mean > 0 ? (*top - mean) / mean : 0;
        // Three must be told clearly: four is usual.
        if (contrast > (beats == 3 ? 1.5 * bestContrast + 0.05 : 0)) {
            bestContrast = contrast;
            tempo.grid.barBeats = beats;
            tempo.grid.barStart = static_cast<int>(top - sums.begin());
        }
    }
}

} // namespace

std::optional<Tempo> steadyTempoOf(const SoundTrace& trace, std::span<const Onset> onsets)
{
    if (onsets.size() < fewestBeats)
        return std::nullopt;
    const Walker walker(onsets);
    Walk best;
    double bestValue = 0;
    const auto starts = seedsOf(onsets);
    for (const Period& period : likelyPeriods(onsets))
        for (const std::size_t seed : starts) {
            const Walk walk = walker.walk(seed, period.seconds);
            if (const double value = walk.gain * easeOf(walk.period); value > bestValue) {
                bestValue = value;
                best = walk;
            }
        }
    const double share = best.met / static_cast<double>(best.last - best.first + 1);
    if (bestValue <= 0 || best.met < static_cast<double>(fewestBeats) - 0.5 || share < 0.6)
        return std::nullopt;
    chooseLevel(BeatWeight(trace, onsets), best);
    goOn(onsets, best);
    Tempo tempo;
    tempo.grid.bpm = 60 / best.period;
    tempo.grid.firstBeat = best.start + static_cast<double>(best.first) * best.period;
    tempo.beats = best.last - best.first + 1;
    for (; tempo.grid.firstBeat < 0; --tempo.beats)
        tempo.grid.firstBeat += best.period;
    tempo.confidence = share * (1 - std::exp(-best.met / 6));
    findBars(trace, tempo);
    return tempo;
}

std::optional<Tempo> tempoOf(const SoundTrace& trace, std::span<const Onset> onsets)
{
    std::optional<Tempo> tempo = steadyTempoOf(trace, onsets);
    if (auto followed = followedTempo(BeatWeight(trace, onsets), onsets, tempo)) {
        tempo = std::move(followed);
        findBars(trace, *tempo);
    }
    return tempo;
}

void nameBeats(std::vector<Onset>& onsets, const Tempo& tempo)
{
    constexpr double near = 0.03;
    const double end = tempo.grid.at(tempo.beats - 1) + near;
    for (Onset& onset : onsets)
        if (onset.seconds > tempo.grid.firstBeat - near && onset.seconds < end &&
            std::abs(onset.seconds - tempo.grid.at(tempo.grid.nearest(onset.seconds))) < near)
            onset.kind = StrikeKind::beat;
}

} // namespace ember
