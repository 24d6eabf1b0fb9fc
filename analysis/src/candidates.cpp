// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/analysis/candidates.h"

#include <algorithm>
#include <array>
#include <cmath>

#include "strike_trees.h"

namespace ember {

namespace {

constexpr std::array<std::string_view, 3> fromNames{"both", "sound", "picture"};
constexpr double farthestLate = 0.3;    ///< seconds between what is heard and what is seen of one event
constexpr double togetherness = 0.09;   ///< and how far that may differ from what is usual in the film
constexpr double outOfStep = 0.75;      ///< frames of constant lateness that are more than rounding
constexpr double alike = 0.75;          ///< share of the pairs that have to be as late as usual
constexpr double looselyTogether = 1.5; ///< frames; further apart the picture has the frame of a few pairs
constexpr double unheard =
    1.0; ///< what is seen but not heard loses of its odds, in a film with sound (their logarithm)
constexpr double pictureTellsKinds = 1.5; ///< times as well as the sound does
constexpr std::size_t speaks = 3;         ///< onsets in all that make it one

struct Pair {
    std::size_t onset;
    std::size_t impact;
    double late; ///< seconds
};

/// Each impact with the onset nearest to it, `usual` seconds later.
std::vector<Pair> pairsOf(const std::vector<Onset>& onsets, const std::vector<Impact>& impacts, FrameRate rate,
                          double usual, double reach)
{
    std::vector<Pair> pairs;
    for (std::size_t i = 0; i < impacts.size(); ++i) {
        const double seen = rate.seconds(static_cast<double>(impacts[i].frame.index));
        std::optional<Pair> best;
        for (std::size_t k = 0; k < onsets.size(); ++k) {
            const double late = onsets[k].seconds - seen;
            if (std::abs(late - usual) < reach && (!best || std::abs(late - usual) < std::abs(best->late - usual)))
                best = Pair{k, i, late};
        }
        // An onset goes with one impact only.
        if (best && (pairs.empty() || pairs.back().onset != best->onset))
            pairs.push_back(*best);
        else if (best && std::abs(best->late - usual) < std::abs(pairs.back().late - usual))
            pairs.back() = *best;
    }
    return pairs;
}

double medianLate(const std::vector<Pair>& pairs)
{
    std::vector<double> late;
    late.reserve(pairs.size());
    for (const Pair& pair : pairs)
        late.push_back(pair.late);
    const auto middle = late.begin() + std::ssize(late) / 2;
    std::nth_element(late.begin(), middle, late.end());
    return late.empty() ? 0 : *middle;
}

Candidate heardAs(const Onset& onset, FrameRate rate)
{
    Candidate candidate;
    candidate.frame = Frame{std::llround(rate.frames(onset.seconds))};
    candidate.seconds = onset.seconds;
    candidate.kind = onset.kind;
    candidate.strength = onset.strength;
    candidate.confidence = onset.confidence;
    candidate.heard = true;
    constexpr double clearly = 3; // decibels
    candidate.evidence.push_back({Evidence::What::rises, onset.rise});
    if (onset.above >= clearly)
        candidate.evidence.push_back({Evidence::What::above, onset.above});
    candidate.sounds = onset.sounds;
    return candidate;
}

Candidate seenAs(const Impact& impact, FrameRate rate)
{
    Candidate candidate;
    candidate.frame = impact.frame;
    candidate.seconds = rate.seconds(static_cast<double>(impact.frame.index));
    candidate.kind = impact.kind;
    candidate.strength = impact.strength;
    candidate.confidence = impact.confidence;
    candidate.seen = true;
    candidate.direction = impact.direction;
    candidate.place = impact.place;
    candidate.evidence = impact.evidence;
    candidate.looks = impact.looks;
    return candidate;
}

/// The picture tells the way and the place, the sound the strength, both the kind of what is no beat. `byPicture`:
/// whose frame it is.
Candidate joined(const Onset& onset, const Impact& impact, double late, FrameRate rate, bool byPicture)
{
    Candidate candidate = heardAs(onset, rate);
    if (byPicture && candidate.frame != impact.frame) {
        candidate.frame = impact.frame;
        candidate.seconds = rate.seconds(static_cast<double>(impact.frame.index));
    }
    if (candidate.kind != StrikeKind::beat)
        candidate.kind = (onset.kinds + impact.kinds.times(pictureTellsKinds)).likeliest();
    candidate.confidence = 1 - (1 - onset.confidence) * (1 - impact.confidence);
    candidate.seen = true;
    candidate.late = rate.frames(late);
    candidate.direction = impact.direction;
    candidate.place = impact.place;
    candidate.evidence.insert(candidate.evidence.end(), impact.evidence.begin(), impact.evidence.end());
    candidate.looks = impact.looks;
    return candidate;
}

double lessSure(double confidence)
{
    constexpr double surest = 1 - 1e-9;
    const double odds = std::log(confidence / (1 - std::min(confidence, surest))) - unheard;
    return 1 / (1 + std::exp(-odds));
}

} // namespace

std::optional<FindFrom> findFromFromName(std::string_view name)
{
    for (std::size_t i = 0; i < fromNames.size(); ++i)
        if (fromNames[i] == name)
            return static_cast<FindFrom>(i);
    return std::nullopt;
}

Found findStrikes(const SoundTrace* sound, const PictureTrace* picture, double soundOffset, FrameRate rate,
                  const FindOptions& options)
{
    std::optional<OnsetFinder> onsets;
    std::optional<ImpactFinder> impacts;
    if (sound != nullptr)
        onsets.emplace(*sound, options.band, options.spacing);
    if (picture != nullptr)
        impacts.emplace(*picture);
    return findStrikes(onsets ? &*onsets : nullptr, impacts ? &*impacts : nullptr, soundOffset, rate, options);
}

Found findStrikes(const OnsetFinder* finder, const ImpactFinder* picture, double soundOffset, FrameRate rate,
                  const FindOptions& options)
{
    Found found;
    std::vector<Onset> onsets;
    std::vector<OnsetFinder::Tail> tails;
    std::vector<Impact> impacts;
    if (finder != nullptr) { // the beat is known whatever tells of strikes
        onsets = finder->at(options.sensitivity);
        if (finder->tempo() != nullptr) {
            found.tempo = *finder->tempo();
            if (options.beats)
                nameBeats(onsets, *found.tempo);
            found.tempo->grid = found.tempo->grid.shifted(soundOffset);
        }
        for (Onset& onset : onsets)
            onset.seconds += soundOffset;
        std::erase_if(onsets, [&](const Onset& onset) { return rate.frames(onset.seconds) < -0.5; });
        if (options.from == FindFrom::picture)
            onsets.clear();
        else if (options.tails)
            tails = finder->tails(options.sensitivity);
    }
    if (picture != nullptr && options.from != FindFrom::sound) {
        const auto spacing = static_cast<std::int64_t>(std::ceil(rate.frames(options.spacing)));
        impacts = picture->at({options.sensitivity, std::max<std::int64_t>(spacing, 4)});
    }
    const auto near = pairsOf(onsets, impacts, rate, 0, farthestLate);
    const double usual = near.size() >= 3 ? medianLate(near) : 0;
    const auto pairs = pairsOf(onsets, impacts, rate, usual, togetherness);
    if (pairs.size() >= 3)
        found.soundLate = rate.frames(medianLate(pairs));
    found.outOfStep = found.soundLate && std::abs(*found.soundLate) >= outOfStep &&
                      static_cast<double>(pairs.size()) >= alike * static_cast<double>(near.size());
    const auto byPicture = [&](const Pair& pair) {
        return found.outOfStep || (!found.soundLate && std::abs(rate.frames(pair.late)) > looselyTogether);
    };

    std::vector<bool> onsetJoined(onsets.size()), impactJoined(impacts.size());
    for (const Pair& pair : pairs) {
        onsetJoined[pair.onset] = impactJoined[pair.impact] = true;
        found.candidates.push_back(joined(onsets[pair.onset], impacts[pair.impact], pair.late, rate, byPicture(pair)));
    }
    for (std::size_t i = 0; i < onsets.size(); ++i) {
        if (onsetJoined[i])
            continue;
        Onset onset = onsets[i];
        if (found.outOfStep)
            onset.seconds = std::max(0.0, onset.seconds - rate.seconds(*found.soundLate));
        found.candidates.push_back(heardAs(onset, rate));
    }
    if (finder != nullptr && options.from == FindFrom::both && finder->at(1).size() >= speaks)
        for (std::size_t i = 0; i < impacts.size(); ++i)
            if (!impactJoined[i]) {
                impacts[i].confidence = lessSure(impacts[i].confidence);
                impactJoined[i] = impacts[i].confidence < confidenceAsked(options.sensitivity);
            }
    for (std::size_t i = 0; i < impacts.size(); ++i)
        if (!impactJoined[i])
            found.candidates.push_back(seenAs(impacts[i], rate));
    const double laid = soundOffset - (found.outOfStep ? rate.seconds(*found.soundLate) : 0);
    for (OnsetFinder::Tail& tail : tails) {
        const double after = tail.onset.seconds - tail.of;
        tail.onset.seconds = std::max(0.0, tail.onset.seconds + laid);
        Candidate candidate = heardAs(tail.onset, rate);
        candidate.tailOf = std::max(0.0, tail.of + laid);
        candidate.evidence.push_back({Evidence::What::tail, after});
        if (rate.frames(tail.onset.seconds) >= 0 &&
            std::none_of(found.candidates.begin(), found.candidates.end(),
                         [&](const Candidate& other) { return other.frame == candidate.frame; }))
            found.candidates.push_back(std::move(candidate));
    }
    std::stable_sort(found.candidates.begin(), found.candidates.end(),
                     [](const Candidate& a, const Candidate& b) { return a.seconds < b.seconds; });
    return found;
}

} // namespace ember
