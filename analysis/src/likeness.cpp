// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/analysis/likeness.h"

#include <algorithm>
#include <cmath>
#include <iterator>

namespace ember {

namespace {

constexpr double near = 0.55; ///< of the usual distance; chosen on sounds that train the ears
constexpr double apart = 1e6; ///< of two that share no sense
constexpr std::size_t sample = 200;

float medianOf(std::vector<float>& values)
{
    const auto middle = values.begin() + std::ssize(values) / 2;
    std::nth_element(values.begin(), middle, values.end());
    return values.empty() ? 0 : *middle;
}

} // namespace

Likeness::Sense Likeness::senseOf(std::span<const Candidate> all, Traits traits, float least)
{
    std::vector<const Candidate*> some;
    const std::size_t every = std::max<std::size_t>(all.size() / sample, 1);
    for (std::size_t i = 0; i < all.size(); i += every)
        if (!(all[i].*traits).empty())
            some.push_back(&all[i]);
    Sense sense{traits, {}, 1};
    if (some.empty())
        return sense;
    std::vector<float> values;
    for (std::size_t n = 0; n < (some.front()->*traits).size(); ++n) {
        values.clear();
        for (const Candidate* one : some)
            values.push_back((one->*traits)[n]);
        const float median = medianOf(values);
        for (float& value : values)
            value = std::abs(value - median);
        sense.spread.push_back(std::max(medianOf(values), least + 0.1F * std::abs(median)));
    }
    values.clear();
    for (std::size_t i = 0; i < some.size(); ++i)
        for (std::size_t k = i + 1; k < some.size(); ++k)
            values.push_back(static_cast<float>(distance(sense, *some[i], *some[k])));
    // Where all events of a film are the same, all are alike.
    constexpr float leastUsual = 1;
    sense.usual = static_cast<double>(std::max(medianOf(values), leastUsual));
    return sense;
}

/// Of each number the difference counts in usual ones, and none for more than four of them.
double Likeness::distance(const Sense& sense, const Candidate& a, const Candidate& b)
{
    constexpr float most = 4;
    const auto& first = a.*sense.traits;
    const auto& second = b.*sense.traits;
    if (first.size() != sense.spread.size() || second.size() != sense.spread.size() || first.empty())
        return apart;
    double sum = 0;
    for (std::size_t n = 0; n < first.size(); ++n)
        sum += static_cast<double>(std::min(std::abs(first[n] - second[n]) / sense.spread[n], most));
    return sum / static_cast<double>(first.size()) / sense.usual;
}

Likeness::Likeness(std::span<const Candidate> all)
    : all_(all), senses_{senseOf(all, &Candidate::sounds, 2), senseOf(all, &Candidate::looks, 0.5F)}
{
}

double Likeness::between(const Candidate& a, const Candidate& b) const
{
    double sum = 0;
    int shared = 0;
    for (const Sense& sense : senses_)
        if (const double far = distance(sense, a, b); far < apart) {
            sum += far;
            ++shared;
        }
    return shared > 0 ? sum / shared : apart;
}

std::vector<Candidate> Likeness::surerThan(const Candidate& example, std::span<const Candidate> proposals)
{
    constexpr double sure = 0.8;
    std::vector<Candidate> surer;
    std::copy_if(proposals.begin(), proposals.end(), std::back_inserter(surer), [&](const Candidate& one) {
        return one.confidence >= sure && 1 - one.confidence < 0.5 * (1 - example.confidence);
    });
    return surer;
}

std::vector<std::size_t> Likeness::alike(const Candidate& example, std::span<const Candidate> others) const
{
    std::vector<std::size_t> found;
    for (std::size_t i = 0; i < all_.size(); ++i) {
        const double far = between(all_[i], example);
        if (all_[i].frame != example.frame && far < near &&
            std::none_of(others.begin(), others.end(),
                         [&](const Candidate& other) { return between(all_[i], other) < far; }))
            found.push_back(i);
    }
    return found;
}

} // namespace ember
