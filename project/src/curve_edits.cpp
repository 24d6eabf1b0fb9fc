// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/project/curve_edits.h"

#include <algorithm>
#include <cmath>
#include <limits>

#include "ember/core/keys.h"
#include "ember/core/values.h"
#include "recipe_json.h"

namespace ember {

Project withCurve(Project project, const StrikeIds& ids, std::string_view key, const CurveKeys& keys, ShapeScope scope)
{
    for (const StrikeId id : ids) {
        Strike* strike = project.strike(id);
        Recipe* recipe = strike != nullptr ? project.recipe(strike->recipe) : nullptr;
        if (recipe == nullptr)
            continue;
        Recipe felt = withOverrides(*recipe, strike->overrides);
        if (!setCurve(felt, key, keys))
            continue;
        const CurveKeys* made = curveOf(felt, key);
        if (scope == ShapeScope::strike)
            strike->overrides.setCurve(key, made != nullptr ? *made : CurveKeys());
        else if (setCurve(*recipe, key, keys))
            strike->overrides.clearCurve(key);
    }
    return project;
}

Project withoutOwnCurve(Project project, const StrikeIds& ids, std::string_view key)
{
    return withStrikesChanged(std::move(project), ids, [key](Strike& strike) { strike.overrides.clearCurve(key); });
}

Project withDrawnKeys(Project project, const StrikeIds& ids, std::string_view strand, Axis axis, const CurveKeys& keys,
                      ShapeScope scope)
{
    for (const StrikeId id : ids) {
        Strike* strike = project.strike(id);
        Recipe* recipe = strike != nullptr ? project.recipe(strike->recipe) : nullptr;
        if (recipe == nullptr)
            continue;
        const Recipe felt = withOverrides(*recipe, strike->overrides);
        const Strand* now = felt.strand(strand);
        const auto* drawn = now != nullptr ? std::get_if<Drawn>(&now->source) : nullptr;
        if (drawn == nullptr)
            continue;
        AxisKeys all = drawn->keys;
        all[static_cast<std::size_t>(axis)] = tidied(keys, drawn->asDrawn);
        auto* shared = std::get_if<Drawn>(&recipe->strand(strand)->source);
        if (scope == ShapeScope::strike || shared == nullptr) { // drawn for this strike alone
            strike->overrides.setKeys(strand, std::move(all));
        } else {
            shared->keys[static_cast<std::size_t>(axis)] = all[static_cast<std::size_t>(axis)];
            if (const AxisKeys* own = strike->overrides.keysOf(strand)) { // what is edited is what is felt
                AxisKeys still = *own;
                still[static_cast<std::size_t>(axis)] = all[static_cast<std::size_t>(axis)];
                if (still == shared->keys)
                    strike->overrides.clearKeys(strand);
                else
                    strike->overrides.setKeys(strand, std::move(still));
            }
        }
    }
    return project;
}

double lastFeltKeyFrame(const Recipe& felt, const Strand& strand)
{
    if (const auto* drawn = std::get_if<Drawn>(&strand.source); drawn != nullptr && drawn->asDrawn)
        return std::numeric_limits<double>::infinity();
    const Envelope& envelope = strand.envelope ? *strand.envelope : felt.envelope;
    return paceSincePeak(strand.rate, envelope.end() - envelope.peak());
}

Project withShapeReaching(Project project, const StrikeIds& ids, const std::string& strand, double keyFrame,
                          ShapeScope scope)
{
    for (const StrikeId id : ids) {
        const Strike* strike = project.strike(id);
        if (strike == nullptr || project.recipe(strike->recipe) == nullptr)
            continue;
        const Recipe felt = recipeOf(project, *strike);
        const Strand* drawn = felt.strand(strand);
        if (drawn == nullptr)
            continue;
        const Envelope& envelope = drawn->envelope ? *drawn->envelope : felt.envelope;
        // The frame behind the key, so that the key's own is felt.
        const double missing =
            std::ceil(framesOfPace(drawn->rate, keyFrame) + 1 - (envelope.end() - envelope.peak()) - 1e-6);
        if (missing <= 0)
            continue;
        const bool rumbles = envelope[EnvelopeField::rumble] > 0 &&
                             envelope.chosen<RumbleUntil>(EnvelopeField::rumbleUntil) == RumbleUntil::length;
        const EnvelopeField field = rumbles ? EnvelopeField::rumbleLength : EnvelopeField::decay;
        const std::string key =
            (drawn->envelope ? "strand." + strand + ".envelope." : "envelope.") + std::string(specOf(field).key);
        project = withRecipeValue(std::move(project), {id}, key, envelope[field] + missing, scope);
    }
    return project;
}

Project withoutOwnKeys(Project project, const StrikeIds& ids, std::string_view strand)
{
    for (const StrikeId id : ids) {
        Strike* strike = project.strike(id);
        const Recipe* recipe = strike != nullptr ? project.recipe(strike->recipe) : nullptr;
        if (recipe == nullptr)
            continue;
        const Strand* drawn = recipe->strand(strand);
        const auto* source = drawn != nullptr ? std::get_if<Drawn>(&drawn->source) : nullptr;
        if (source != nullptr && source->asDrawn) // what the keys are shares of belongs to them
            for (const Axis axis : allAxes)
                strike->overrides.clear("strand." + std::string(strand) + ".amount." + std::string(axisName(axis)));
        strike->overrides.clearKeys(strand);
    }
    return project;
}

// --- by hand ---

const Strand* handStrand(const Recipe& recipe)
{
    for (const Strand& strand : recipe.strands)
        if (const auto* drawn = std::get_if<Drawn>(&strand.source); drawn != nullptr && drawn->asDrawn)
            return &strand;
    return nullptr;
}

CurveKeys movesOf(const Strand& strand, Axis axis)
{
    const auto* drawn = std::get_if<Drawn>(&strand.source);
    return drawn != nullptr ? scaledKeys(drawn->keys[static_cast<std::size_t>(axis)], 1, strand.amount[axis])
                            : CurveKeys();
}

Project withMoves(Project project, const StrikeIds& ids, std::string_view strand, Axis axis, CurveKeys moves,
                  ShapeScope scope)
{
    const double limit = amountLimit(axis);
    double most = 0;
    for (CurveKey& key : moves) {
        key.value = std::clamp(key.value, -limit, limit);
        most = std::max(most, std::abs(key.value));
    }
    if (most > 0) {
        // Keys that stay what they are stay so to the last bit, whatever a division and a product leave.
        const CurveKeys before = inOrder(std::move(moves));
        moves = scaledKeys(before, 1, 1 / most);
        const Strike* first = ids.empty() ? nullptr : project.strike(ids.front());
        const Recipe* recipe = first != nullptr ? project.recipe(first->recipe) : nullptr;
        const Recipe felt = recipe != nullptr ? withOverrides(*recipe, first->overrides) : Recipe();
        const Strand* hand = felt.strand(strand);
        const auto* drawn = hand != nullptr ? std::get_if<Drawn>(&hand->source) : nullptr;
        const std::string amount = "strand." + std::string(strand) + ".amount." + std::string(axisName(axis));
        const bool same = drawn != nullptr && ids.size() == 1 && hand->amount[axis] == most &&
                          (scope == ShapeScope::strike || !first->overrides[amount]);
        const CurveKeys known = same ? drawn->keys[static_cast<std::size_t>(axis)] : CurveKeys();
        const CurveKeys shown = scaledKeys(known, 1, most);
        std::size_t at = 0;
        for (std::size_t i = 0; i < moves.size(); ++i) {
            while (at < known.size() && known[at].frame < moves[i].frame)
                ++at;
            if (at < known.size() && shown[at] == before[i])
                moves[i] = known[at];
            else if (std::abs(std::abs(moves[i].value) - 1) < 1e-15) // the largest is all of the amount
                moves[i].value = std::copysign(1, moves[i].value);
        }
        if (!same)
            project = withRecipeValue(std::move(project), ids, amount, most, scope);
    }
    return withDrawnKeys(std::move(project), ids, strand, axis, moves, scope);
}

Project withHandPose(Project project, const StrikeIds& ids, std::string_view strand, double frame, const HandPose& pose,
                     ShapeScope scope)
{
    for (const StrikeId id : ids)
        for (const Axis axis : allAxes) {
            if (!pose.axis[static_cast<std::size_t>(axis)])
                continue;
            const Strike* strike = project.strike(id);
            const Recipe* recipe = strike != nullptr ? project.recipe(strike->recipe) : nullptr;
            if (recipe == nullptr)
                continue;
            const Recipe felt = withOverrides(*recipe, strike->overrides);
            const Strand* hand = felt.strand(strand);
            if (hand == nullptr)
                continue;
            CurveKeys keys = movesOf(*hand, axis);
            const auto same =
                std::find_if(keys.begin(), keys.end(), [&](const CurveKey& k) { return k.frame == frame; });
            const bool begins = keys.empty() || keys.front().frame > frame - 1; // nothing leads up to it
            if (same != keys.end())
                same->value = pose.moves[axis];
            else
                keys.push_back({frame, pose.moves[axis], Ease::smooth});
            if (begins)
                keys.push_back({frame - 1, 0, Ease::smooth});
            project = withMoves(std::move(project), {id}, strand, axis, inOrder(std::move(keys)), scope);
        }
    return project;
}

namespace {

Strand newHandStrand()
{
    Strand strand{"By hand", Drawn{}, {}, {}};
    std::get<Drawn>(strand.source).asDrawn = true;
    return strand;
}

} // namespace

Project withHandBegun(Project project, StrikeId id)
{
    const Strike* strike = project.strike(id);
    Recipe* recipe = strike != nullptr ? project.recipe(strike->recipe) : nullptr;
    if (recipe != nullptr && handStrand(withOverrides(*recipe, strike->overrides)) == nullptr)
        recipe->add(newHandStrand());
    return project;
}

std::string keysToText(const CurveKeys& keys)
{
    Json json;
    json["vember_keys"] = curveToJson(keys);
    return json.dump(2, ' ', false, Json::error_handler_t::replace);
}

Result<CurveKeys> keysFromText(std::string_view text)
{
    constexpr double largest = 1e6;
    const std::string name = "The clipboard";
    const auto parsed = parsedJson(text, name);
    if (!parsed || !parsed->is_object() || !parsed->contains("vember_keys"))
        return Error{ErrorCode::badFormat, name, "there are no keys in it"};
    JsonTrouble trouble(name);
    CurveKeys keys;
    {
        JsonObject object(parsed.value(), "", trouble);
        keys = curveFromJson(object, "vember_keys", -largest, largest);
    }
    if (trouble.error())
        return *trouble.error();
    return keys;
}

Recipe handRecipe()
{
    Recipe recipe;
    recipe.name = "By hand";
    recipe.add(newHandStrand());
    return recipe;
}

} // namespace ember
