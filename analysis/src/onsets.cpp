// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/analysis/onsets.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <optional>
#include <set>

#include "onset_features.h"
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
constexpr double leastScore = 1.0 / 6; ///< of what is judged at all
constexpr double leastSound = 0.03;    ///< seconds; what is broken off sooner is the end of the file
constexpr double closest = 0.02;       ///< seconds between two rises that are judged
constexpr double pulseSpacing = 0.05;  ///< and between two that a beat is looked for in
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

/// Trained by `bench_proving train-ears` on recordings laid over ambience and music; see docs/finding.md.
constexpr const char* trainedText =
#include "onset_trees.inc"
    ;

const StrikeTrees& trainedTrees()
{
    static const StrikeTrees trees(trainedText);
    return trees;
}

/// How sure a score alone is where every clear rise is an event: enough at middling sensitivity where it is 1, and
/// hardly ever wrong where it is 2.
double confidenceOf(double score)
{
    constexpr double start = -0.62, below = 1.31, above = 6;
    const double logarithm = std::log(std::max(score, 1e-6));
    return 1 / (1 + std::exp(-(start + (logarithm < 0 ? below : above) * logarithm)));
}

/// In order. `spacing`: of two that are closer the clearer one stays.
std::vector<Rise> risesOf(const SoundTrace& trace, Band band, double spacing)
{
    std::vector<Rise> rises;
    const double loudest = loudestPower(trace);
    if (loudest < nothing)
        return rises;
    const SoftLogs logs = softLogs(loudest);
    std::set<double> taken;
    for (const Peak& peak : peaksOf(scoreOf(trace, band, logs), leastScore)) {
        const auto begins = firstEnergy(trace, peak.look, band, logs);
        if (!begins || (*begins < 0.03 && !diesAway(trace)) || *begins > trace.seconds - leastSound)
            continue;
        const auto after = taken.lower_bound(*begins);
        if ((after != taken.end() && *after - *begins < spacing) ||
            (after != taken.begin() && *begins - *std::prev(after) < spacing))
            continue;
        taken.insert(after, *begins);
        rises.push_back({*begins, static_cast<double>(peak.score), impactPower(trace, *begins, spectrumRange(band))});
    }
    std::sort(rises.begin(), rises.end(), [](const Rise& a, const Rise& b) { return a.seconds < b.seconds; });
    return rises;
}

/// Long and broad: a blast. Short and low: a landing. Else a hit.
StrikeKind kindByRule(const SoundTrace& trace, const Onset& onset)
{
    constexpr double longTail = 0.35;
    return onset.tail > longTail && isBroad(trace, onset.seconds) ? StrikeKind::blast
           : isDull(trace, onset.seconds)                         ? StrikeKind::landing
                                                                  : StrikeKind::hit;
}

/// Of two that are closer than `spacing` the surer one stays.
template <typename Heard>
void keepApart(std::vector<Heard>& heard, double spacing)
{
    std::vector<const Heard*> order;
    order.reserve(heard.size());
    for (const Heard& one : heard)
        order.push_back(&one);
    std::stable_sort(order.begin(), order.end(),
                     [](const Heard* a, const Heard* b) { return a->onset.confidence > b->onset.confidence; });
    std::set<double> taken;
    std::vector<bool> kept(heard.size());
    for (const Heard* one : order) {
        const double seconds = one->onset.seconds;
        const auto after = taken.lower_bound(seconds);
        if ((after != taken.end() && *after - seconds < spacing) ||
            (after != taken.begin() && seconds - *std::prev(after) < spacing))
            continue;
        taken.insert(after, seconds);
        kept[static_cast<std::size_t>(one - heard.data())] = true;
    }
    std::size_t i = 0;
    std::erase_if(heard, [&](const Heard&) { return !kept[i++]; });
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

std::vector<OnsetFinder::Heard> OnsetFinder::hear(std::span<const Rise> rises) const
{
    std::vector<Heard> heard;
    const PowerSums powers(*trace_);
    double strongest = 1e-30;
    for (const Rise& rise : rises)
        strongest = std::max(strongest, rise.power);
    for (const Rise& rise : rises) {
        Heard one;
        one.onset.seconds = rise.seconds;
        // Loudness grows with the power 0.6 of pressure (S. S. Stevens, 1957).
        one.onset.strength = std::pow(rise.power / strongest, 0.3);
        one.onset.tail = tailOf(*trace_, powers, rise.seconds);
        one.score = rise.score;
        heard.push_back(one);
    }
    return heard;
}

OnsetFinder::OnsetFinder(const SoundTrace& trace, Band band, double spacing)
    : OnsetFinder(trainedTrees(), trace, band, spacing)
{
}

OnsetFinder::OnsetFinder(const StrikeTrees& trees, const SoundTrace& trace, Band band, double spacing) : trace_(&trace)
{
    const std::vector<Rise> clear = risesOf(trace, band, pulseSpacing);
    pulses_ = hear(clear);
    forgetFaint(pulses_);
    forgetRattles(pulses_);
    for (Heard& one : pulses_) {
        one.onset.confidence = confidenceOf(one.score);
        one.onset.kind = kindByRule(trace, one.onset);
    }
    const std::vector<Onset> pulsing = pulses();
    if (auto found = tempoOf(trace, pulsing))
        tempo_ = std::make_shared<const Tempo>(std::move(*found));
    if (band == Band::all) {
        const std::vector<Rise> rises = risesOf(trace, band, closest);
        const auto tempo = steadyTempoOf(trace, pulsing);
        const OnsetFeatures features(trace, rises, tempo);
        heard_ = hear(rises);
        for (std::size_t i = 0; i < heard_.size(); ++i) {
            Onset& onset = heard_[i].onset;
            onset.confidence = trees.event.probabilityOf(features.of(i));
            onset.kinds = trees.oddsOf(features.of(i));
            if (features.isBright(i))
                onset.kinds.odds[1] -= 5; // no landing
            onset.kind = onset.kinds.likeliest();
            onset.rise = features.decibelsUp(i);
            onset.above = features.decibelsAround(i);
            onset.sounds = features.soundOf(i);
        }
        if (tempo_ != nullptr && isSong(rises, *tempo_))
            takeStrokes(*tempo_);
    } else { // what tells of one band alone is its rise
        heard_ = pulses_;
    }
    std::erase_if(heard_, [](const Heard& one) { return one.onset.confidence < leastConfidence; });
    keepApart(heard_, spacing);
}

void OnsetFinder::takeStrokes(const Tempo& song)
{
    constexpr double around = 0.1, same = 0.01;
    constexpr double doubtful = 0.3;
    auto pulse = pulses_.begin();
    for (Heard& one : heard_) {
        const double seconds = one.onset.seconds;
        if (seconds < song.grid.firstBeat - around || seconds > song.grid.at(song.beats - 1) + around)
            continue;
        while (pulse != pulses_.end() && pulse->onset.seconds < seconds - same)
            ++pulse;
        const bool stroke = pulse != pulses_.end() && pulse->onset.seconds < seconds + same;
        one.onset.confidence = stroke ? pulse->onset.confidence : std::min(one.onset.confidence, doubtful);
    }
}

std::vector<Onset> OnsetFinder::at(double sensitivity) const
{
    const double least = confidenceAsked(sensitivity);
    std::vector<Onset> onsets;
    double next = trace_->seconds;
    for (auto last = heard_.rbegin(); last != heard_.rend(); ++last) {
        if (last->onset.confidence < least)
            continue;
        onsets.push_back(last->onset);
        onsets.back().tail = std::min(last->onset.tail, next - last->onset.seconds);
        next = last->onset.seconds;
    }
    std::reverse(onsets.begin(), onsets.end());
    return onsets;
}

std::vector<OnsetFinder::Tail> OnsetFinder::tails(double sensitivity) const
{
    constexpr double least = 2, farthest = 4; // seconds of decay that are listened to
    constexpr double same = 0.05;
    std::vector<Tail> found;
    const std::vector<Onset> events = at(sensitivity);
    auto event = events.begin();
    for (const Heard& one : pulses_) {
        while (event != events.end() && std::next(event) != events.end() &&
               std::next(event)->seconds < one.onset.seconds + same)
            ++event;
        if (event == events.end() || one.onset.seconds < event->seconds + same || one.score < 1)
            continue;
        const double after = one.onset.seconds - event->seconds;
        if (after > std::clamp(2 * event->tail, least, farthest) || one.onset.strength > event->strength)
            continue;
        Tail tail{one.onset, event->seconds};
        tail.onset.kind = event->kind;
        tail.onset.kinds = {};
        const auto judged = std::find_if(heard_.begin(), heard_.end(), [&](const Heard& h) {
            return std::abs(h.onset.seconds - one.onset.seconds) < same / 2;
        });
        tail.onset.confidence = leastConfidence; // of being an event
        if (judged != heard_.end()) {
            tail.onset.confidence = judged->onset.confidence;
            tail.onset.sounds = judged->onset.sounds;
            tail.onset.rise = judged->onset.rise;
            tail.onset.above = judged->onset.above;
        }
        found.push_back(std::move(tail));
    }
    return found;
}

std::vector<Onset> OnsetFinder::pulses() const
{
    std::vector<Onset> onsets;
    for (const Heard& one : pulses_)
        if (one.score >= 1)
            onsets.push_back(one.onset);
    return onsets;
}

std::vector<Rise> OnsetTraining::risesOf(const SoundTrace& trace)
{
    return ember::risesOf(trace, Band::all, closest);
}

OnsetFeatures OnsetTraining::featuresOf(const SoundTrace& trace, std::span<const Rise> rises)
{
    const StrikeTrees none;
    return {trace, rises, steadyTempoOf(trace, OnsetFinder(none, trace, Band::all, pulseSpacing).pulses())};
}

OnsetFinder OnsetTraining::finder(const StrikeTrees& trees, const SoundTrace& trace)
{
    return {trees, trace, Band::all, pulseSpacing};
}

std::vector<Onset> onsetsOf(const SoundTrace& trace, const OnsetOptions& options)
{
    return OnsetFinder(trace, options.band, options.spacing).at(options.sensitivity);
}

} // namespace ember
