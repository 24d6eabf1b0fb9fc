// SPDX-License-Identifier: GPL-3.0-or-later
#include "onset_features.h"

#include <algorithm>
#include <cmath>
#include <iterator>

#include "sound_levels.h"

namespace ember {

namespace {

constexpr std::array<Band, 4> listened{Band::all, Band::low, Band::middle, Band::high};
constexpr double crowded = 0.4;       ///< a score that makes a rise one of the crowd
constexpr double underLoudest = 1e-7; ///< power below the loudest that counts as silence: 70 dB

/// Levels of the four bands in decibels, asked by seconds.
class Levels {
public:
    Levels(const SoundTrace& trace, double silence) : silence_(silence), looks_(trace.looks())
    {
        for (std::size_t b = 0; b < listened.size(); ++b) {
            sums_[b].resize(looks_ + 1);
            for (std::size_t n = 0; n < looks_; ++n)
                sums_[b][n + 1] = sums_[b][n] + powerAt(trace, n, spectrumRange(listened[b]));
        }
    }
    double power(std::size_t band, double from, double to) const
    {
        const auto last = static_cast<double>(looks_);
        const auto first = static_cast<std::size_t>(std::clamp(std::round(from / SoundTrace::step), 0.0, last));
        const auto end = static_cast<std::size_t>(std::clamp(std::round(to / SoundTrace::step), 0.0, last));
        return end > first ? (sums_[band][end] - sums_[band][first]) / static_cast<double>(end - first) : 0;
    }
    double level(std::size_t band, double from, double to) const { return decibels(power(band, from, to)); }
    double seconds() const { return static_cast<double>(looks_) * SoundTrace::step; }
    double decibels(double power) const { return 10 * std::log10(power + silence_); }

private:
    double silence_;
    std::size_t looks_;
    std::array<std::vector<double>, listened.size()> sums_;
};

/// Of levels in pieces of a fiftieth of a second: what is quiet, usual and loud for some seconds around each.
class Surroundings {
public:
    static constexpr double piece = 0.05;

    Surroundings(const Levels& levels, std::size_t band, double seconds)
    {
        const auto pieces = static_cast<std::size_t>(std::ceil(seconds / piece));
        for (std::size_t i = 0; i < pieces; ++i)
            levels_.push_back(static_cast<float>(
                levels.level(band, static_cast<double>(i) * piece, static_cast<double>(i + 1) * piece)));
    }
    /// The levels that a tenth, a half and nine tenths of those within `reach` seconds do not pass.
    std::array<double, 3> around(double seconds, double reach) const
    {
        if (levels_.empty())
            return {};
        const auto last = static_cast<double>(levels_.size());
        const auto from = static_cast<std::ptrdiff_t>(std::clamp((seconds - reach) / piece, 0.0, last - 1));
        const auto to = static_cast<std::ptrdiff_t>(std::clamp((seconds + reach) / piece + 1, 1.0, last));
        std::vector<float> sorted(levels_.begin() + from, levels_.begin() + to);
        std::sort(sorted.begin(), sorted.end());
        const auto at = [&](double share) {
            return static_cast<double>(
                sorted[static_cast<std::size_t>(share * static_cast<double>(sorted.size() - 1))]);
        };
        return {at(0.1), at(0.5), at(0.9)};
    }

private:
    std::vector<float> levels_;
};

/// Puts number after number into a row.
class Row {
public:
    explicit Row(std::vector<float>& numbers) : numbers_(numbers) {}
    void put(double number) { numbers_.push_back(static_cast<float>(number)); }

private:
    std::vector<float>& numbers_;
};

/// How loud it becomes against what was before and what is usual.
void putLevels(Row& row, const Levels& levels, const std::vector<Surroundings>& surroundings, double t)
{
    for (std::size_t b = 0; b < listened.size(); ++b) {
        const double now = levels.level(b, t, t + 0.1);
        row.put(levels.level(b, t, t + 0.025) - levels.level(b, t - 0.03, t - 0.01));
        row.put(now - levels.level(b, t - 0.11, t - 0.01));
        row.put(now - levels.level(b, t - 0.5, t - 0.01));
        for (const double share : surroundings[b].around(t, 4))
            row.put(now - share);
    }
    for (const std::size_t b : {std::size_t{0}, std::size_t{1}, std::size_t{3}}) {
        const double peak = levels.level(b, t, t + 0.1);
        for (const auto& [from, to] : {std::pair{-0.4, -0.2}, {-0.2, -0.1}, {-0.1, -0.05}, {-0.05, -0.015}})
            row.put(levels.level(b, t + from, t + to) - peak);
    }
}

constexpr std::size_t perBand = 6;
constexpr std::size_t perBandEarly = 4; ///< of them within half a second

/// The way up and the way down, and which band it is in.
void putShape(Row& row, const Levels& levels, double t)
{
    for (std::size_t b = 0; b < listened.size(); ++b) {
        const double peak = levels.level(b, t, t + 0.1);
        for (const auto& [from, to] :
             {std::pair{0.0, 0.02}, {0.02, 0.05}, {0.1, 0.2}, {0.2, 0.4}, {0.4, 0.8}, {0.8, 1.6}}) // perBand numbers
            row.put(levels.level(b, t + from, t + to) - peak);
    }
    const double all = levels.power(0, t, t + 0.1) + 1e-15, later = levels.power(0, t + 0.1, t + 0.4) + 1e-15;
    for (std::size_t b = 1; b < listened.size(); ++b) {
        row.put(levels.power(b, t, t + 0.1) / all);
        row.put(levels.power(b, t + 0.1, t + 0.4) / later);
    }
}

/// How steeply it comes, in milliseconds.
void putAttack(Row& row, const SoundTrace& trace, double t)
{
    const auto last = static_cast<double>(trace.fineSteps()) - 1;
    const auto level = [&](std::size_t band, double seconds) {
        const auto step = static_cast<std::size_t>(std::clamp(std::round(seconds / SoundTrace::fineStep), 0.0, last));
        return static_cast<double>(std::max<std::uint8_t>(trace.fine[step * SoundTrace::fineBands + band], 40)) / 2;
    };
    for (std::size_t b = 0; b < SoundTrace::fineBands; ++b) {
        const double before = level(b, t - 0.004);
        for (const double after : {0.003, 0.008, 0.02, 0.05})
            row.put(level(b, t + after) - before);
    }
}

/// How many bands rise, and how tonal what comes is.
void putSpectrum(Row& row, const SoundTrace& trace, double t)
{
    const auto last = std::ssize(trace.spectrum) / static_cast<std::ptrdiff_t>(SoundTrace::bands) - 1;
    const auto look = static_cast<std::ptrdiff_t>(std::round(t / SoundTrace::step));
    const auto mean = [&](std::size_t band, std::ptrdiff_t from, std::ptrdiff_t to) {
        double sum = 0;
        for (std::ptrdiff_t n = from; n < to; ++n)
            sum += static_cast<double>(std::max<std::uint8_t>(
                trace.spectrum[static_cast<std::size_t>(std::clamp<std::ptrdiff_t>(n, 0, last)) * SoundTrace::bands +
                               band],
                40));
        return sum / static_cast<double>(2 * (to - from));
    };
    std::array<double, SoundTrace::bands> rise{}, after{};
    double rising = 0, falling = 0, clear = 0, sum = 0, centre = 0, most = 0, rough = 0;
    for (std::size_t b = 0; b < rise.size(); ++b) {
        after[b] = mean(b, look + 1, look + 13);
        rise[b] = after[b] - mean(b, look - 10, look - 2);
        rising += rise[b] > 3;
        clear += rise[b] > 9;
        falling += rise[b] < -3;
        sum += std::max(rise[b], 0.0);
        centre += std::max(rise[b], 0.0) * static_cast<double>(b);
        most = std::max(most, rise[b]);
    }
    for (std::size_t b = 1; b + 1 < after.size(); ++b)
        rough += std::abs(after[b] - 0.5 * (after[b - 1] + after[b + 1]));
    double heard = 0, middle = 0, weight = 0;
    for (std::size_t b = 0; b < after.size(); ++b) {
        const double power = std::pow(10, after[b] / 10);
        heard += after[b] > *std::max_element(after.begin(), after.end()) - 15;
        weight += power;
        middle += power * static_cast<double>(b);
    }
    row.put(middle / weight);
    row.put(heard);
    row.put(rough);
    row.put(sum > 0 ? centre / sum : 0);
    row.put(rising);
    row.put(clear);
    row.put(falling);
    row.put(sum);
    row.put(most);
}

/// The share of what a period from a rise would meet.
double evenness(std::span<const Rise> rises, std::size_t i, double period)
{
    if (period < 0.2 || period > 1.2)
        return 0;
    double met = 0;
    for (const int step : {-4, -3, -2, -1, 1, 2, 3, 4}) {
        const double seconds = rises[i].seconds + step * period;
        const auto near = std::lower_bound(rises.begin(), rises.end(), seconds - 0.02,
                                           [](const Rise& rise, double least) { return rise.seconds < least; });
        for (auto one = near; one != rises.end() && one->seconds < seconds + 0.02; ++one)
            if (one->score >= crowded) {
                met += 1;
                break;
            }
    }
    return met / 8;
}

/// Seconds from the nearest part of a beat.
double offBeat(const Tempo& tempo, double seconds, double parts)
{
    return std::abs(std::remainder(tempo.grid.beatAt(seconds), 1 / parts)) * 60 / tempo.grid.bpmAt(seconds);
}

/// Among the other rises: what is louder before and after, how it ranks, and how evenly such ones come.
void putOthers(Row& row, const Levels& levels, std::span<const Rise> rises, std::size_t i)
{
    constexpr double reach = 10;
    const Rise& here = rises[i];
    const double mine = levels.decibels(here.power);
    std::size_t first = i, end = i + 1;
    while (first > 0 && here.seconds - rises[first - 1].seconds < reach)
        --first;
    while (end < rises.size() && rises[end].seconds - here.seconds < reach)
        ++end;
    std::array<double, 3> louderBefore{reach, reach, reach}, louderAfter = louderBefore;
    std::array<double, 4> mostBefore{-80, -80, -80, -80}, mostAfter = mostBefore;
    constexpr std::array<double, 4> within{0.12, 0.4, 1, 3};
    constexpr std::array<double, 3> louder{0, 6, 12};
    std::vector<double> crowd;
    double bestScore = 0, near = 0, soon = 0, alike = 0, clearer = 0, strongest = mine;
    for (std::size_t k = first; k < end; ++k) {
        const double other = levels.decibels(rises[k].power), apart = rises[k].seconds - here.seconds;
        if (rises[k].score >= crowded) {
            crowd.push_back(other);
            near += std::abs(apart) < 1;
            soon += std::abs(apart) < 0.25;
            alike += std::abs(other - mine) < 4;
            clearer += rises[k].score > here.score;
            strongest = std::max(strongest, other);
        }
        bestScore = std::max(bestScore, rises[k].score);
        if (k == i)
            continue;
        for (std::size_t w = 0; w < within.size(); ++w)
            if (std::abs(apart) < within[w])
                (apart < 0 ? mostBefore : mostAfter)[w] =
                    std::max((apart < 0 ? mostBefore : mostAfter)[w], other - mine);
        for (std::size_t l = 0; l < louder.size(); ++l)
            if (other > mine + louder[l])
                (apart < 0 ? louderBefore : louderAfter)[l] =
                    std::min((apart < 0 ? louderBefore : louderAfter)[l], std::abs(apart));
    }
    for (const auto& values : {louderBefore, louderAfter})
        for (const double value : values)
            row.put(value);
    for (const auto& values : {mostBefore, mostAfter})
        for (const double value : values)
            row.put(value);
    std::sort(crowd.begin(), crowd.end());
    const auto size = std::max<double>(static_cast<double>(crowd.size()), 1);
    const auto share = [&](double part) {
        return crowd.empty() ? mine : crowd[static_cast<std::size_t>(part * (size - 1))];
    };
    row.put(mine - strongest);
    row.put(mine - share(0.5));
    row.put(mine - share(0.75));
    row.put(mine - share(0.9));
    row.put(share(0.9) - share(0.5));
    row.put(share(0.5) - share(0.1));
    // The widest gap between neighbours in loudness, and on which side of it this one is.
    double gap = 0, under = 0;
    for (std::size_t k = crowd.size() / 5; k + 1 < crowd.size(); ++k)
        if (crowd[k + 1] - crowd[k] > gap) {
            gap = crowd[k + 1] - crowd[k];
            under = crowd[k];
        }
    row.put(gap);
    row.put(mine - under);
    row.put(clearer / size);
    row.put(alike / size);
    row.put(near);
    row.put(soon);
    row.put(size);
    row.put(bestScore > 0 ? here.score / bestScore : 0);

    double even = 0;
    for (std::size_t k = first; k < end; ++k)
        if (k != i && std::abs(levels.decibels(rises[k].power) - mine) < 6)
            even = std::max(even, evenness(rises, i, std::abs(rises[k].seconds - here.seconds)));
    row.put(even);
}

/// How it lies in the beat, and whether what is loud keeps it.
void putBeat(Row& row, const Levels& levels, std::span<const Rise> rises, std::size_t i, const BeatShares& shares,
             const std::optional<Tempo>& tempo)
{
    row.put(tempo ? tempo->confidence : 0);
    row.put(tempo ? tempo->grid.bpm : 0);
    row.put(tempo ? static_cast<double>(tempo->beats) * 60 / tempo->grid.bpm / levels.seconds() : 0);
    for (const double parts : {1.0, 2.0, 4.0})
        row.put(tempo ? offBeat(*tempo, rises[i].seconds, parts) : 1);
    row.put(shares.all);
    row.put(shares.loud);
    row.put(shares.loudest);
}

/// What it sounds like.
void putOwn(Row& row, const Levels& levels, const SoundTrace& trace, double t)
{
    putShape(row, levels, t);
    putAttack(row, trace, t);
    putSpectrum(row, trace, t);
}

/// What is around it.
void putAround(Row& row, const Levels& levels, const std::vector<Surroundings>& surroundings,
               std::span<const Rise> rises, std::size_t i, double loudest)
{
    const double t = rises[i].seconds, power = levels.decibels(rises[i].power);
    row.put(rises[i].score);
    row.put(power - levels.decibels(loudest));
    row.put(power - levels.level(0, t - 0.11, t - 0.01));
    row.put(static_cast<double>(rises.size()) / levels.seconds());
    putLevels(row, levels, surroundings, t);
    putOthers(row, levels, rises, i);
}

/// How many numbers there are, of what it sounds like and in all.
std::array<std::size_t, 2> counts()
{
    SoundTrace one;
    one.seconds = SoundTrace::step;
    one.spectrum.assign(SoundTrace::bands, 0);
    one.fine.assign(5 * SoundTrace::fineBands, 0);
    std::vector<float> numbers;
    Row row(numbers);
    const std::array<Rise, 1> rises{};
    const Levels levels(one, 1);
    putOwn(row, levels, one, 0);
    const std::size_t own = numbers.size();
    putAround(row, levels, {4, Surroundings(levels, 0, one.seconds)}, rises, 0, 1);
    putBeat(row, levels, rises, 0, {}, std::nullopt);
    return {own, numbers.size()};
}

} // namespace

BeatShares beatShares(std::span<const Rise> rises, const std::optional<Tempo>& tempo)
{
    std::vector<const Rise*> order;
    for (const Rise& rise : rises)
        if (rise.score >= crowded)
            order.push_back(&rise);
    if (!tempo || order.empty())
        return {};
    std::sort(order.begin(), order.end(), [](const Rise* a, const Rise* b) { return a->power > b->power; });
    constexpr double near = 0.025;
    const auto share = [&](std::size_t part) {
        const std::size_t count = std::max<std::size_t>(order.size() / part, 1);
        double on = 0;
        for (std::size_t k = 0; k < count; ++k)
            on += offBeat(*tempo, order[k]->seconds, 2) < near;
        return on / static_cast<double>(count);
    };
    // The beat's phase may be off: what is loudest can keep step with itself.
    const std::size_t loudest = std::max<std::size_t>(order.size() / 10, 1);
    std::vector<double> beat, period;
    for (std::size_t k = 0; k < loudest; ++k) {
        beat.push_back(tempo->grid.beatAt(order[k]->seconds));
        period.push_back(60 / tempo->grid.bpmAt(order[k]->seconds));
    }
    double inStep = 0;
    for (std::size_t first = 0; first < loudest; ++first) {
        double on = 0;
        for (std::size_t k = 0; k < loudest; ++k)
            on += std::abs(std::remainder(beat[k] - beat[first], 0.5)) * period[k] < near;
        inStep = std::max(inStep, on / static_cast<double>(loudest));
    }
    return {share(1), share(4), share(10), inStep};
}

bool isSong(std::span<const Rise> rises, const Tempo& tempo)
{
    // Of songs nine in ten have more than 0.84 of the loudest on half beats, of events over drums nine in ten less than
    // 0.4 (sounds that train the ears).
    constexpr double sure = 0.8, verySure = 0.94, onBeat = 0.65, inStep = 0.65, around = 0.1;
    std::vector<Rise> within;
    std::copy_if(rises.begin(), rises.end(), std::back_inserter(within), [&](const Rise& rise) {
        return rise.seconds > tempo.grid.firstBeat - around && rise.seconds < tempo.grid.at(tempo.beats - 1) + around;
    });
    const BeatShares shares = beatShares(within, tempo);
    return tempo.confidence >= sure &&
           (shares.loudest >= onBeat || (tempo.confidence >= verySure && shares.inStep >= inStep));
}

std::size_t OnsetFeatures::count()
{
    static const std::size_t all = counts()[1];
    return all;
}

std::size_t OnsetFeatures::own()
{
    static const std::size_t own = counts()[0];
    return own;
}

std::vector<float> OnsetFeatures::soundOf(std::size_t rise) const
{
    constexpr float quiet = -40; // decibels below its peak: the background from there on
    constexpr std::size_t shares = 6, attacks = 4, spectral = 4;
    const float* numbers = of(rise);
    std::vector<float> sound;
    for (std::size_t b = 0; b < listened.size(); ++b)
        for (std::size_t n = 0; n < perBandEarly; ++n)
            sound.push_back(std::max(numbers[b * perBand + n], quiet));
    const float* next = numbers + listened.size() * perBand;
    sound.insert(sound.end(), next, next + shares);
    next += shares;
    for (std::size_t b = 0; b < SoundTrace::fineBands; ++b, next += attacks) // of the attack its way, not its height
        sound.push_back(next[2] - next[0]);
    sound.insert(sound.end(), next, next + spectral);
    return sound;
}

bool OnsetFeatures::isBright(std::size_t rise) const
{
    constexpr std::size_t highShare =
        listened.size() * perBand + 4; // each band's share now and later, from low to high
    return of(rise)[highShare] > 0.5F;
}

/// After own() come four numbers of putAround(), then those of putLevels(): of all bands first.
double OnsetFeatures::decibelsUp(std::size_t rise) const
{
    return static_cast<double>(of(rise)[own() + 5]);
}

double OnsetFeatures::decibelsAround(std::size_t rise) const
{
    return static_cast<double>(of(rise)[own() + 9]);
}

OnsetFeatures::OnsetFeatures(const SoundTrace& trace, std::span<const Rise> rises, const std::optional<Tempo>& tempo)
{
    if (rises.empty())
        return;
    const double loudest = loudestPower(trace);
    const Levels levels(trace, std::max(underLoudest * loudest, 1e-12));
    std::vector<Surroundings> surroundings;
    for (std::size_t b = 0; b < listened.size(); ++b)
        surroundings.emplace_back(levels, b, trace.seconds);
    const BeatShares shares = beatShares(rises, tempo);
    Row row(numbers_);
    for (std::size_t i = 0; i < rises.size(); ++i) {
        putOwn(row, levels, trace, rises[i].seconds);
        putAround(row, levels, surroundings, rises, i, loudest);
        putBeat(row, levels, rises, i, shares, tempo);
    }
}

} // namespace ember
