// SPDX-License-Identifier: GPL-3.0-or-later
#include "beat_path.h"

#include <algorithm>
#include <array>
#include <cmath>

namespace ember {

namespace {

constexpr double binRatio = 1.02;      ///< of one period of the search to the next
constexpr std::ptrdiff_t reach = 5;    ///< bins that the period may change by from step to step
constexpr std::size_t longestStep = 4; ///< beats, of which all but the last are not struck
constexpr double changeCost = 0.12;    ///< of a beat's price, for a change of 3 %
constexpr std::size_t fewestBeats = 12;
constexpr double clearlyMore = 1.15; ///< than a steady beat gathers
constexpr double tolerance = 0.012;  ///< seconds, of the grid against the beats
constexpr double near = 0.03;        ///< seconds, of an onset that is on a beat

std::ptrdiff_t binOf(double period)
{
    return std::lround(std::log(period / shortestBeat) / std::log(binRatio));
}

/// What a beat costs.
double priceOf(std::span<const double> weights)
{
    std::vector<double> sorted(weights.begin(), weights.end());
    const auto at = sorted.begin() + static_cast<std::ptrdiff_t>(sorted.size() * 4 / 5);
    std::nth_element(sorted.begin(), at, sorted.end());
    return 0.5 * *at;
}

/// The best way to be at an onset with a period.
struct Step {
    float gain = 0;
    std::int32_t from = -1; ///< the onset before; -1: it begins here
    std::uint8_t beats = 1; ///< since then
    std::uint8_t fromBin = 0;
};

class Paths {
public:
    Paths(std::span<const double> weights, std::span<const Onset> onsets)
        : weights_(weights), onsets_(onsets), bins_(binOf(longestBeat) + 1), price_(priceOf(weights)),
          steps_(onsets.size() * static_cast<std::size_t>(bins_))
    {
        for (std::size_t i = 0; i < onsets_.size(); ++i)
            arriveAt(i);
    }

    /// Moments of the beats on the best way, those that nothing strikes among them.
    std::vector<double> best() const
    {
        const auto end = std::max_element(steps_.begin(), steps_.end(),
                                          [](const Step& a, const Step& b) { return a.gain < b.gain; });
        if (end == steps_.end())
            return {};
        std::vector<double> beats;
        auto onset = (end - steps_.begin()) / bins_;
        auto bin = (end - steps_.begin()) % bins_;
        for (;;) {
            const Step& here = step(static_cast<std::size_t>(onset), bin);
            const double seconds = onsets_[static_cast<std::size_t>(onset)].seconds;
            beats.push_back(seconds);
            if (here.from < 0)
                break;
            const double apart = (seconds - onsets_[static_cast<std::size_t>(here.from)].seconds) / here.beats;
            for (int k = 1; k < here.beats; ++k)
                beats.push_back(seconds - k * apart);
            onset = here.from;
            bin = here.fromBin;
        }
        std::reverse(beats.begin(), beats.end());
        return beats;
    }

private:
    const Step& step(std::size_t onset, std::ptrdiff_t bin) const
    {
        return steps_[onset * static_cast<std::size_t>(bins_) + static_cast<std::size_t>(bin)];
    }

    void arriveAt(std::size_t i)
    {
        Step* const here = &steps_[i * static_cast<std::size_t>(bins_)];
        const double own = weights_[i];
        for (std::ptrdiff_t bin = 0; bin < bins_; ++bin)
            here[bin].gain = static_cast<float>(own - price_);
        for (std::size_t j = i; j-- > 0;) {
            const double apart = onsets_[i].seconds - onsets_[j].seconds;
            if (apart > longestStep * longestBeat)
                break;
            for (std::size_t beats = 1; beats <= longestStep; ++beats) {
                const double period = apart / static_cast<double>(beats);
                if (period < shortestBeat || period > longestBeat)
                    continue;
                const std::ptrdiff_t bin = binOf(period);
                for (std::ptrdiff_t before = std::max<std::ptrdiff_t>(bin - reach, 0);
                     before <= std::min(bin + reach, bins_ - 1); ++before) {
                    const double change = static_cast<double>(bin - before) * 2 / 3;
                    const double gain = step(j, before).gain + own - price_ * static_cast<double>(beats) -
                                        changeCost * price_ * change * change;
                    if (gain > here[bin].gain)
                        here[bin] = {static_cast<float>(gain), static_cast<std::int32_t>(j),
                                     static_cast<std::uint8_t>(beats), static_cast<std::uint8_t>(before)};
                }
            }
        }
    }

    std::span<const double> weights_;
    std::span<const Onset> onsets_;
    std::ptrdiff_t bins_;
    double price_;
    std::vector<Step> steps_; ///< onset by onset, bin by bin
};

double meanPeriod(std::span<const double> beats)
{
    return (beats.back() - beats.front()) / static_cast<double>(beats.size() - 1);
}

/// The same beats, those between them, both, or every second one.
std::vector<std::vector<double>> levelsOf(const std::vector<double>& beats)
{
    std::vector<std::vector<double>> levels{beats, {}, {}, {}, {}};
    for (std::size_t i = 0; i < beats.size(); ++i) {
        levels[2].push_back(beats[i]);
        levels[3 + i % 2].push_back(beats[i]);
        if (i + 1 < beats.size()) {
            levels[1].push_back((beats[i] + beats[i + 1]) / 2);
            levels[2].push_back(levels[1].back());
        }
    }
    std::erase_if(levels, [](const std::vector<double>& level) {
        if (level.size() < 2)
            return true;
        const double period = meanPeriod(level);
        return period < shortestBeat || period > longestBeat;
    });
    return levels;
}

/// What the beats gather beyond their price, and how many of them something is on.
struct Gathered {
    double gain = 0;
    std::size_t met = 0;
};
Gathered gatheredBy(const BeatWeight& weight, double price, std::span<const double> beats)
{
    Gathered all;
    for (const double beat : beats) {
        const double here = weight.at(beat);
        all.gain += here - price;
        all.met += here > 0;
    }
    return all;
}

/// Each beat where a line through itself and three on either side has it, weighted by what is on them: strokes are a
/// few milliseconds early or late, tempo is not.
std::vector<double> smoothed(const BeatWeight& weight, const std::vector<double>& beats)
{
    constexpr std::ptrdiff_t around = 3;
    constexpr double unstruck = 0.05;
    std::vector<double> smooth(beats);
    for (std::ptrdiff_t i = 0; i < std::ssize(beats); ++i) {
        double w = 0, x = 0, y = 0, xx = 0, xy = 0;
        for (std::ptrdiff_t k = std::max<std::ptrdiff_t>(i - around, 0);
             k <= std::min(i + around, std::ssize(beats) - 1); ++k) {
            const double seconds = beats[static_cast<std::size_t>(k)];
            const double share = unstruck + weight.at(seconds);
            const auto step = static_cast<double>(k - i);
            w += share;
            x += share * step;
            y += share * seconds;
            xx += share * step * step;
            xy += share * step * seconds;
        }
        if (const double spread = w * xx - x * x; spread > 1e-9)
            smooth[static_cast<std::size_t>(i)] = (y - (w * xy - x * y) / spread * x) / w;
    }
    return smooth;
}

/// On both sides as far as each bar has something on it, at the tempo there.
void goOn(const BeatWeight& weight, std::vector<double>& beats, double end)
{
    constexpr int bar = 4;
    constexpr std::size_t few = 4;
    const auto outwards = [&](double from, double step) {
        std::vector<double> more, waiting;
        for (double t = from + step; t > -near && t < end + near && waiting.size() < bar; t += step) {
            waiting.push_back(t);
            if (weight.at(t) > 0) {
                more.insert(more.end(), waiting.begin(), waiting.end());
                waiting.clear();
            }
        }
        return more;
    };
    if (beats.size() <= few)
        return;
    const double first = (beats[few] - beats[0]) / few;
    const double last = (beats.back() - beats[beats.size() - 1 - few]) / few;
    const std::vector<double> after = outwards(beats.back(), last), before = outwards(beats.front(), -first);
    beats.insert(beats.end(), after.begin(), after.end());
    beats.insert(beats.begin(), before.rbegin(), before.rend());
    std::erase_if(beats, [](double beat) { return beat < 0; });
}

std::vector<double> beatsOf(const Tempo& tempo)
{
    std::vector<double> beats;
    for (std::int64_t i = 0; i < tempo.beats; ++i)
        beats.push_back(tempo.grid.at(i));
    return beats;
}

} // namespace

std::optional<Tempo> followedTempo(const BeatWeight& weight, std::span<const Onset> onsets,
                                   const std::optional<Tempo>& steady)
{
    if (onsets.size() < fewestBeats)
        return std::nullopt;
    const std::vector<double> path = Paths(weight.all(), onsets).best();
    if (path.size() < fewestBeats)
        return std::nullopt;
    std::vector<double> beats;
    double best = 0;
    for (auto& level : levelsOf(path))
        if (const double value = weight.contrast(level) * easeOf(meanPeriod(level)); value > best) {
            best = value;
            beats = std::move(level);
        }
    if (beats.size() < fewestBeats)
        return std::nullopt;
    beats = smoothed(weight, beats);
    goOn(weight, beats, onsets.back().seconds);
    const double price = priceOf(weight.all());
    const Gathered all = gatheredBy(weight, price, beats);
    const double share = static_cast<double>(all.met) / static_cast<double>(beats.size());
    if (share < 0.6 || all.gain <= 0)
        return std::nullopt;
    if (steady) {
        const std::vector<double> even = beatsOf(*steady);
        if (all.gain * easeOf(meanPeriod(beats)) <
            clearlyMore * gatheredBy(weight, price, even).gain * easeOf(60 / steady->grid.bpm))
            return std::nullopt;
    }
    Tempo tempo;
    tempo.grid = gridThrough(beats, tolerance);
    if (tempo.grid.pins.empty() || badPin(tempo.grid))
        return std::nullopt;
    tempo.beats = static_cast<std::int64_t>(beats.size());
    tempo.confidence = share * (1 - std::exp(-static_cast<double>(all.met) / 12));
    return tempo;
}

} // namespace ember
