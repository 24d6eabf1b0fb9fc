// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/core/recipe.h"

#include <algorithm>

#include "ember/core/values.h"

namespace ember {

namespace {

template <typename List>
auto* findByName(List& list, std::string_view name)
{
    const auto found = std::find_if(list.begin(), list.end(), [name](const auto& item) { return item.name == name; });
    return found == list.end() ? nullptr : &*found;
}

} // namespace

const Strand* Recipe::strand(std::string_view strandName) const
{
    return findByName(strands, strandName);
}

Strand* Recipe::strand(std::string_view strandName)
{
    return findByName(strands, strandName);
}

std::string freshStrandName(const Recipe& recipe, const std::string& wanted)
{
    std::string name = wanted;
    for (int i = 2; recipe.strand(name) != nullptr; ++i)
        name = wanted + " " + std::to_string(i);
    return name;
}

Strand& Recipe::add(Strand strand)
{
    strand.name = freshStrandName(*this, strand.name);
    const auto taken = [&] {
        return std::any_of(strands.begin(), strands.end(), [&](const Strand& s) { return s.salt == strand.salt; });
    };
    while (taken())
        ++strand.salt;
    strands.push_back(std::move(strand));
    return strands.back();
}

std::optional<double> Overrides::operator[](std::string_view key) const
{
    const auto found = values_.find(key);
    return found == values_.end() ? std::nullopt : std::optional(found->second);
}

std::optional<double> Overrides::operator[](EnvelopeField field) const
{
    return (*this)[overrideKey(field)];
}

void Overrides::set(std::string_view key, double value)
{
    values_.insert_or_assign(std::string(key), value);
}

void Overrides::set(EnvelopeField field, double value)
{
    set(overrideKey(field), clampTo(specOf(field), value));
}

void Overrides::clear(std::string_view key)
{
    if (const auto found = values_.find(key); found != values_.end())
        values_.erase(found);
}

void Overrides::clear(EnvelopeField field)
{
    clear(overrideKey(field));
}

const AxisKeys* Overrides::keysOf(std::string_view strand) const
{
    const auto found = keys_.find(strand);
    return found != keys_.end() ? &found->second : nullptr;
}

void Overrides::setKeys(std::string_view strand, AxisKeys keys)
{
    keys_.insert_or_assign(std::string(strand), std::move(keys));
}

void Overrides::clearKeys(std::string_view strand)
{
    if (const auto found = keys_.find(strand); found != keys_.end())
        keys_.erase(found);
}

std::string overrideKey(EnvelopeField field)
{
    return "envelope." + std::string(specOf(field).key);
}

Recipe withOverrides(Recipe recipe, const Overrides& overrides)
{
    // What a strand is made of comes first: it decides which other values there are.
    const auto shaping = [](std::string_view key) {
        return key.ends_with(".source") || key.ends_with(".own_envelope");
    };
    for (const bool first : {true, false})
        for (const auto& [key, value] : overrides.all())
            if (shaping(key) == first)
                setValue(recipe, key, value);
    for (const auto& [name, keys] : overrides.drawn())
        if (Strand* strand = recipe.strand(name))
            if (auto* drawn = std::get_if<Drawn>(&strand->source)) {
                drawn->keys = keys;
                for (auto& axis : drawn->keys) // as drawn or lifted to the peak, as the strand is
                    axis = tidied(std::move(axis), drawn->asDrawn);
            }
    for (const auto& [key, keys] : overrides.curves().all())
        setCurve(recipe, key, keys);
    return recipe;
}

namespace {

void speedUp(Strand& strand, double factor)
{
    strand.rate = {strand.rate.peakHz * factor, strand.rate.restHz * factor, strand.rate.fall / factor};
    strand.intermittent.moves /= factor;
    strand.intermittent.rests /= factor;
    if (auto* jitter = std::get_if<Jitter>(&strand.source))
        jitter->every /= factor;
    if (auto* captured = std::get_if<Captured>(&strand.source))
        captured->speed *= factor;
    if (auto* drawn = std::get_if<Drawn>(&strand.source)) {
        drawn->home /= factor;
        for (CurveKeys& keys : drawn->keys)
            keys = scaledKeys(std::move(keys), 1 / factor, 1);
    }
    if (strand.envelope)
        strand.envelope = strand.envelope->inTime(1 / factor);
}

void speedUp(Course& course, double factor)
{
    course.rise /= factor;
    course.hold /= factor;
    course.fall /= factor;
}

} // namespace

Recipe inPlayTime(Recipe recipe)
{
    const double factor = recipe.playRate;
    if (factor == 1)
        return recipe;
    recipe.playRate = 1;
    recipe.envelope = recipe.envelope.inTime(1 / factor);
    for (Strand& strand : recipe.strands)
        speedUp(strand, factor);
    for (const EffectPart& part : effectParts())
        speedUp(part.courseOf(recipe.effects), factor);
    recipe.effects.ripple.speed *= factor;
    Curves faster;
    for (const auto& [key, keys] : recipe.curves.all())
        faster.set(key, scaledKeys(keys, 1 / factor, key.ends_with(".rate") ? factor : 1));
    recipe.curves = std::move(faster);
    return recipe;
}

} // namespace ember
