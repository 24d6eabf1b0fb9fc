// SPDX-License-Identifier: GPL-3.0-or-later
// Which values of a recipe may be curves, and where these are.
#include <algorithm>
#include <array>

#include "ember/core/values.h"

namespace ember {

namespace {

constexpr FieldSpec strengthCurve{"strength", "Strength", "%",  0,
                                  4,          1,          0.05, "How strongly it is felt, over frames from the strike"};
constexpr std::string_view strandPrefix = "strand.";
constexpr std::string_view envelopeStrength = "envelope.strength";
constexpr std::string_view shutterKey = "shutter_angle";

/// In the order of the effects, each amount before its angle.
const std::vector<std::string_view>& lightKeys()
{
    static const std::vector<std::string_view> keys = [] {
        std::vector<std::string_view> all;
        for (const EffectPart& part : effectParts()) {
            all.push_back(part.amount);
            if (part.kind == EffectKind::streak)
                all.emplace_back("light.streak.angle");
            if (part.kind == EffectKind::fringe)
                all.emplace_back("light.fringe.angle");
        }
        return all;
    }();
    return keys;
}

bool isHand(const Strand& strand)
{
    const auto* drawn = std::get_if<Drawn>(&strand.source);
    return drawn != nullptr && drawn->asDrawn;
}

/// The strand a key is of, and what of it: the longest name that fits.
template <typename AnyRecipe>
auto strandOf(AnyRecipe& recipe, std::string_view key)
{
    std::pair<decltype(&recipe.strands.front()), std::string_view> found{nullptr, {}};
    if (!key.starts_with(strandPrefix))
        return found;
    key.remove_prefix(strandPrefix.size());
    for (auto& strand : recipe.strands)
        if (key.size() > strand.name.size() && key.starts_with(strand.name) && key[strand.name.size()] == '.' &&
            (found.first == nullptr || strand.name.size() > found.first->name.size()))
            found = {&strand, key.substr(strand.name.size() + 1)};
    return found;
}

/// The envelope whose strength is meant; null where another value is.
template <typename AnyRecipe>
auto* envelopeFor(AnyRecipe& recipe, std::string_view key)
{
    if (key == envelopeStrength)
        return &recipe.envelope;
    const auto [strand, rest] = strandOf(recipe, key);
    return strand != nullptr && rest == envelopeStrength && strand->envelope ? &*strand->envelope : nullptr;
}

} // namespace

const FieldSpec* curveSpecOf(const Recipe& recipe, std::string_view key)
{
    if (envelopeFor(recipe, key) != nullptr)
        return &strengthCurve;
    if (key == shutterKey) {
        const FieldOf<Finish>* shutter = fieldOf<Finish>(shutterKey);
        return shutter != nullptr ? shutter->spec : nullptr;
    }
    const bool any = key == "pivot_x" || key == "pivot_y" ||
                     std::find(lightKeys().begin(), lightKeys().end(), key) != lightKeys().end();
    const auto [strand, rest] = strandOf(recipe, key);
    const bool ofStrand = strand != nullptr && !isHand(*strand) && (rest == "rate" || rest.starts_with("amount."));
    return any || ofStrand ? specOfValue(recipe, key) : nullptr;
}

std::vector<std::string> curveKeysOf(const Recipe& recipe)
{
    std::vector<std::string> keys{std::string(envelopeStrength)};
    for (const Strand& strand : recipe.strands) {
        const std::string prefix = std::string(strandPrefix) + strand.name + ".";
        if (strand.envelope)
            keys.push_back(prefix + std::string(envelopeStrength));
        if (isHand(strand))
            continue;
        keys.push_back(prefix + "rate");
        for (const Axis axis : allAxes)
            keys.push_back(prefix + "amount." + std::string(axisName(axis)));
    }
    for (const std::string_view key : lightKeys())
        keys.emplace_back(key);
    for (const std::string_view key : {shutterKey, std::string_view("pivot_x"), std::string_view("pivot_y")})
        keys.emplace_back(key);
    return keys;
}

const CurveKeys* curveOf(const Recipe& recipe, std::string_view key)
{
    if (const Envelope* envelope = envelopeFor(recipe, key))
        return envelope->drawn() ? &envelope->curve() : nullptr;
    return recipe.curves.of(key);
}

bool setCurve(Recipe& recipe, std::string_view key, CurveKeys keys)
{
    const FieldSpec* spec = curveSpecOf(recipe, key);
    if (spec == nullptr)
        return false;
    keys = inOrder(std::move(keys));
    for (CurveKey& one : keys)
        one.value = std::clamp(one.value, spec->min, spec->max);
    if (Envelope* envelope = envelopeFor(recipe, key))
        envelope->setCurve(std::move(keys));
    else if (keys.empty())
        recipe.curves.clear(key);
    else
        recipe.curves.set(key, std::move(keys));
    return true;
}

} // namespace ember
