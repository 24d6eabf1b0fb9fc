// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/analysis/onsets.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <optional>
#include <set>

#include "sound_levels.h"

namespace ember {

namespace {

constexpr std::array<std::string_view, 4> bandNames{"all", "low", "mid", "high"};

/// Chosen on sounds of the test generator that the tests do not use.
constexpr std::size_t lag = 3;         ///< looks from the level before to the level after
constexpr std::size_t reach = 120;     ///< looks each way that tell what is usual around one
constexpr std::size_t reachStride = 8; ///< how often that is worked out
constexpr std::size_t near = 5;        ///< looks each way that a peak is the highest of
constexpr double plainRise = 0.25;     ///< doublings that count where all is quiet
constexpr double spreads = 5;          ///< and how many of the usual deviations
constexpr double middleShare = 0.7;    ///< how much the middle alone counts against all bands
constexpr double highShare = 1.2;      ///< and the high: it has the most bins, so it wavers least
constexpr double lowestWeight = 0.2;   ///< of the lowest band, which has the fewest bins
constexpr double sensitivityBase = 6;  ///< how much less is enough from middling sensitivity to full
constexpr double leastSound = 0.03;    ///< seconds; what is broken off sooner is the end of the file
constexpr double nothing = 1e-8;       ///< -80 dB: a converter's own noise

std::vector<float> noveltyWith(const SoundTrace& trace, Band band, const SoftLogs& logs)
{
    const BandRange range = spectrumRange(band);
    std::array<float, SoundTrace::bands> weights{};
    float weight = 0;
    const auto even = static_cast<double>(spectrumRange(Band::low).last);
    for (std::size_t b = range.first; b < range.last; ++b) {
        const double rising = lowestWeight + (1 - lowestWeight) * static_cast<double>(b) / even;
        weights[b] = static_cast<float>(band == Band::low ? 1.0 : std::min(rising, 1.0));
        weight += weights[b];
    }
    std::vector<float> novelty(trace.looks(), 0.f);
    for (std::size_t n = 0; n < novelty.size(); ++n) {
        const std::uint8_t* now = trace.spectrum.data() + n * SoundTrace::bands;
        const std::uint8_t* before = n >= lag ? now - lag * SoundTrace::bands : nullptr;
        float sum = 0;
        for (std::size_t b = range.first; b < range.last; ++b)
            sum += weights[b] * std::max(0.f, logs[now[b]] - (before != nullptr ? logs[before[b]] : 0.f));
        novelty[n] = sum / weight;
    }
    return novelty;
}

/// What is usual around each look: the median and the median distance from it.
struct Usual {
    float median;
    float spread;
};

Usual usualAround(const std::vector<float>& values, std::size_t n, std::vector<float>& window)
{
    const auto from = static_cast<std::ptrdiff_t>(n > reach ? n - reach : 0);
    const auto to = static_cast<std::ptrdiff_t>(std::min(values.size(), n + reach + 1));
    window.assign(values.begin() + from, values.begin() + to);
    const auto middle = window.begin() + static_cast<std::ptrdiff_t>(window.size() / 2);
    std::nth_element(window.begin(), middle, window.end());
    const float median = *middle;
    for (float& value : window)
        value = std::abs(value - median);
    std::nth_element(window.begin(), middle, window.end());
    return {median, *middle};
}

/// Raises the score to how far the novelty stands out of what is usual; 1 is enough at middling sensitivity.
void raiseScore(std::vector<float>& score, const std::vector<float>& novelty, double share)
{
    std::vector<float> window;
    Usual usual{};
    for (std::size_t n = 0; n < novelty.size(); ++n) {
        if (n % reachStride == 0)
            usual = usualAround(novelty, n, window);
        const double over = share * static_cast<double>(novelty[n] - usual.median);
        score[n] =
            std::max(score[n], static_cast<float>(over / (plainRise + spreads * static_cast<double>(usual.spread))));
    }
}

std::vector<float> scoreOf(const SoundTrace& trace, Band band, const SoftLogs& logs)
{
    std::vector<float> score(trace.looks(), 0.f);
    raiseScore(score, noveltyWith(trace, band, logs), 1);
    if (band == Band::all) {
        raiseScore(score, noveltyWith(trace, Band::middle, logs), middleShare);
        raiseScore(score, noveltyWith(trace, Band::high, logs), highShare);
    }
    return score;
}

struct Peak {
    std::size_t look;
    float score;
};

/// Peaks of at least a height, the highest first.
std::vector<Peak> peaksOf(const std::vector<float>& score, double least)
{
    std::vector<Peak> peaks;
    for (std::size_t n = 0; n < score.size(); ++n) {
        if (score[n] < static_cast<float>(least) || (n > 0 && score[n] == score[n - 1]))
            continue;
        const auto from = static_cast<std::ptrdiff_t>(n > near ? n - near : 0);
        const auto to = static_cast<std::ptrdiff_t>(std::min(score.size(), n + near + 1));
        if (score[n] >= *std::max_element(score.begin() + from, score.begin() + to))
            peaks.push_back({n, score[n]});
    }
    std::stable_sort(peaks.begin(), peaks.end(), [](const Peak& a, const Peak& b) { return a.score > b.score; });
    return peaks;
}

/// The moment in which what peaks at a look begins: where the fine bands together have climbed a quarter of their
/// steepest climb. Nothing where they hardly climb: the spectrum also spreads where a sound is broken off.
std::optional<double> firstEnergy(const SoundTrace& trace, std::size_t look, Band band, const SoftLogs& logs)
{
    constexpr double back = 0.045;
    constexpr double ahead = 0.025;
    constexpr std::size_t few = 6;
    constexpr double quarter = 0.25;
    constexpr float leastClimb = 0.3f; // doublings of pressure, of the bands together
    const double centre = static_cast<double>(look) * SoundTrace::step;
    if (trace.fineSteps() <= few)
        return 0;
    const auto stepAt = [&](double seconds) {
        return static_cast<std::size_t>(
            std::clamp(seconds / SoundTrace::fineStep + 0.5, 0.0, static_cast<double>(trace.fineSteps() - 1)));
    };
    const auto level = [&](std::size_t step) {
        float sum = 0;
        for (std::size_t b = 0; b < SoundTrace::fineBands; ++b)
            if (band == Band::all || static_cast<std::size_t>(band) == b + 1)
                sum += logs[trace.fine[step * SoundTrace::fineBands + b]];
        return sum;
    };
    const std::size_t from = stepAt(centre - back);
    const std::size_t to = std::max(stepAt(centre + ahead), few);
    if (from == 0 && level(0) > level(few) / 2)
        return 0; // it sounds from the first sample on
    std::size_t steep = std::min(from, to - few);
    for (std::size_t s = steep; s + few <= to; ++s)
        if (level(s + few) - level(s) > level(steep + few) - level(steep))
            steep = s;
    if (level(steep + few) - level(steep) < leastClimb)
        return std::nullopt;
    const float enough = level(steep) + static_cast<float>(quarter) * (level(steep + few) - level(steep));
    std::size_t at = steep + few;
    while (at > steep && level(at - 1) > enough)
        --at;
    return static_cast<double>(at) * SoundTrace::fineStep;
}

/// Sound that is simply there when the file begins is no onset; a hit on the first frame dies away.
bool diesAway(const SoundTrace& trace)
{
    constexpr std::size_t tenth = 20;
    return meanPower(trace, 3 * tenth, tenth) < 0.25 * meanPower(trace, 0, tenth / 2);
}

/// Power of the first tenth of a second over what sounded before.
double impactPower(const SoundTrace& trace, double seconds, const BandRange& range)
{
    const std::size_t look = lookAt(trace, seconds);
    const double before = look >= 6 ? meanPower(trace, look - 6, 4, range) : 0;
    const double after = meanPower(trace, look, 20, range);
    return std::max(after - before, 0.02 * after);
}

/// The power of all bands up to each look, added up: the mean of any stretch is a difference.
class PowerSums {
public:
    explicit PowerSums(const SoundTrace& trace) : sums_(trace.looks() + 1)
    {
        for (std::size_t n = 0; n < trace.looks(); ++n)
            sums_[n + 1] = sums_[n] + powerAt(trace, n);
    }
    double mean(std::size_t first, std::size_t count) const
    {
        const std::size_t end = std::min(first + count, sums_.size() - 1);
        return end > first ? (sums_[end] - sums_[first]) / static_cast<double>(end - first) : 0;
    }

private:
    std::vector<double> sums_;
};

/// Seconds from an onset until the sound has fallen by 12 dB, at most `longestTail`.
double tailOf(const SoundTrace& trace, const PowerSums& powers, double seconds)
{
    constexpr double longestTail = 5;
    constexpr std::size_t smooth = 6; // longer than a period of the lowest tone
    const std::size_t first = lookAt(trace, seconds);
    const std::size_t last = lookAt(trace, std::min(seconds + longestTail, trace.seconds));
    double peak = 0;
    for (std::size_t n = first; n < std::min(first + 30, trace.looks()); ++n)
        peak = std::max(peak, powers.mean(n, smooth));
    std::size_t fallen = first + 1;
    while (fallen < last && powers.mean(fallen, smooth) >= peak / 16)
        ++fallen;
    return static_cast<double>(fallen - first) * SoundTrace::step;
}

/// More than a thump: what a long tail needs to be a blast.
bool isBroad(const SoundTrace& trace, double seconds)
{
    constexpr std::size_t early = 40; // a fifth of a second
    const std::size_t look = lookAt(trace, seconds);
    const double all = meanPower(trace, look, early);
    return all - meanPower(trace, look, early, spectrumRange(Band::low)) > 0.06 * all;
}

/// A dull weight: low, and without the bright beginning that a hammer that rings has.
bool isDull(const SoundTrace& trace, double seconds)
{
    constexpr std::size_t early = 40;
    constexpr std::size_t beginning = 8;
    const std::size_t look = lookAt(trace, seconds);
    return meanPower(trace, look, early, spectrumRange(Band::low)) > 0.6 * meanPower(trace, look, early) &&
           meanPower(trace, look, beginning, {16, SoundTrace::bands}) < 0.02 * meanPower(trace, look, beginning);
}

double leastScore(double sensitivity)
{
    return std::pow(sensitivityBase, 1 - 2 * std::clamp(sensitivity, 0.0, 1.0));
}

} // namespace

std::optional<Band> bandFromName(std::string_view name)
{
    for (std::size_t i = 0; i < bandNames.size(); ++i)
        if (bandNames[i] == name)
            return static_cast<Band>(i);
    return std::nullopt;
}

/// What is hardly felt beside its neighbours counts less: a hiss that sets in after a blow.
void OnsetFinder::forgetFaint(std::vector<Heard>& heard)
{
    constexpr double around = 2; // seconds
    constexpr double faint = 0.12;
    std::size_t from = 0;
    for (std::size_t i = 0; i < heard.size(); ++i) {
        while (heard[i].onset.seconds - heard[from].onset.seconds > around)
            ++from;
        double strongest = 0;
        for (std::size_t k = from; k < heard.size() && heard[k].onset.seconds - heard[i].onset.seconds < around; ++k)
            strongest = std::max(strongest, heard[k].onset.strength);
        heard[i].score *= std::min(1.0, heard[i].onset.strength / (faint * strongest));
    }
}

/// Quick small sounds in a row behind a strong one are its rattle: chains, shards, an engine.
void OnsetFinder::forgetRattles(std::vector<Heard>& heard)
{
    constexpr double quick = 0.075; // seconds; sixteenths at 200 BPM
    constexpr double behind = 0.25;
    constexpr double small = 0.4;
    constexpr double clear = 0.6; // a score that makes it one of the row
    constexpr std::size_t row = 4;
    constexpr double counts = 0.2;
    std::vector<std::size_t> ones;
    for (std::size_t i = 0; i < heard.size(); ++i)
        if (heard[i].score >= clear)
            ones.push_back(i);
    for (std::size_t first = 1; first < ones.size();) {
        const Onset& blow = heard[ones[first - 1]].onset;
        std::size_t end = first;
        while (end < ones.size() && heard[ones[end]].onset.strength < small * blow.strength &&
               heard[ones[end]].onset.seconds - heard[ones[end - 1]].onset.seconds < (end == first ? behind : quick))
            ++end;
        if (end - first >= row)
            for (std::size_t i = first; i < end; ++i)
                heard[ones[i]].score *= counts;
        first = std::max(end, first + 1);
    }
}

OnsetFinder::OnsetFinder(const SoundTrace& trace, Band band, double spacing) : trace_(&trace)
{
    const double loudest = loudestPower(trace);
    if (loudest < nothing)
        return;
    const SoftLogs logs = softLogs(loudest);
    const PowerSums powers(trace);
    std::set<double> taken;
    double strongest = 0;
    for (const Peak& peak : peaksOf(scoreOf(trace, band, logs), leastScore(1))) {
        const auto begins = firstEnergy(trace, peak.look, band, logs);
        if (!begins || (*begins < 0.03 && !diesAway(trace)) || *begins > trace.seconds - leastSound)
            continue;
        const auto after = taken.lower_bound(*begins);
        if ((after != taken.end() && *after - *begins < spacing) ||
            (after != taken.begin() && *begins - *std::prev(after) < spacing))
            continue;
        taken.insert(after, *begins);
        Onset onset;
        onset.seconds = *begins;
        onset.strength = impactPower(trace, onset.seconds, spectrumRange(band));
        strongest = std::max(strongest, onset.strength);
        onset.tail = tailOf(trace, powers, onset.seconds);
        heard_.push_back(
            {onset, static_cast<double>(peak.score), isBroad(trace, onset.seconds), isDull(trace, onset.seconds)});
    }
    std::sort(heard_.begin(), heard_.end(),
              [](const Heard& a, const Heard& b) { return a.onset.seconds < b.onset.seconds; });
    for (Heard& one : heard_) // loudness grows with the power 0.6 of pressure (S. S. Stevens, 1957)
        one.onset.strength = std::pow(one.onset.strength / strongest, 0.3);
    forgetFaint(heard_);
    forgetRattles(heard_);
}

std::vector<Onset> OnsetFinder::at(double sensitivity) const
{
    const double least = leastScore(sensitivity);
    constexpr double longTail = 0.35;
    std::vector<Onset> onsets;
    double next = trace_->seconds;
    for (auto last = heard_.rbegin(); last != heard_.rend(); ++last) {
        const Heard& one = *last;
        if (one.score < least)
            continue;
        Onset onset = one.onset;
        onset.confidence = 1 - std::exp(-one.score / 2);
        onset.tail = std::min(onset.tail, next - onset.seconds);
        next = onset.seconds;
        // Long and broad: a blast. Short and low: a landing. Else a hit.
        onset.kind = onset.tail > longTail && one.broad ? StrikeKind::blast
                     : one.dull                         ? StrikeKind::landing
                                                        : StrikeKind::hit;
        onsets.push_back(onset);
    }
    std::reverse(onsets.begin(), onsets.end());
    return onsets;
}

std::vector<Onset> onsetsOf(const SoundTrace& trace, const OnsetOptions& options)
{
    return OnsetFinder(trace, options.band, options.spacing).at(options.sensitivity);
}

} // namespace ember
