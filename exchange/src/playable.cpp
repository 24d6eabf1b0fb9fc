// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/exchange/playable.h"

#include <algorithm>

#include "ember/core/values.h"
#include "ember/json/json.h"

namespace ember {

namespace {

constexpr int playableVersion = 3;
/// A strike may be as strong in the full preset.
constexpr double fullStrength = 10;

template <typename Part>
Json valuesOfPart(const Part& part)
{
    Json json = Json::object();
    for (const Value& value : valuesOf(part)) {
        Json* at = &json;
        std::string_view key = value.key;
        for (auto dot = key.find('.'); dot != std::string_view::npos; dot = key.find('.')) {
            at = &(*at)[std::string(key.substr(0, dot))];
            key.remove_prefix(dot + 1);
        }
        Json& place = (*at)[std::string(key)];
        if (!value.spec->choices.empty())
            place = valueText(*value.spec, value.value);
        else
            place = value.value;
    }
    return json;
}

/// Each key as [frame, value, ease, slope in, slope out].
Json keysToJson(const CurveKeys& keys)
{
    Json json = Json::array();
    for (const CurveKey& key : keys)
        json.push_back(
            {key.frame, key.value, curveEaseWords[static_cast<std::size_t>(key.ease)], key.slopeIn, key.slopeOut});
    return json;
}

Json drawnToJson(const Drawn& drawn)
{
    Json json = Json::object();
    for (const Axis axis : allAxes)
        if (const CurveKeys& keys = drawn.keys[static_cast<std::size_t>(axis)]; !keys.empty())
            json[std::string(axisName(axis))] = keysToJson(keys);
    return json;
}

Json envelopeToJson(const Envelope& envelope)
{
    Json json = valuesOfPart(envelope);
    if (envelope.drawn())
        json["curve"] = keysToJson(envelope.curve());
    return json;
}

Json motionToJson(const Captured& captured)
{
    const MotionLoop& motion = captured.motion;
    Json json{{"rate", motion.kept().motion.rate.perSecond()}, {"seconds", motion.seconds()}};
    for (const Axis axis : allAxes)
        if (const auto shares = motion.sharesOf(axis); !shares.empty())
            json["axes"][std::string(axisName(axis))] = std::vector<double>(shares.begin(), shares.end());
    const auto violent = motion.violentTimes();
    json["violent"] = std::vector<double>(violent.begin(), violent.end());
    return json;
}

Json strandToJson(Strand strand, const Recipe& recipe)
{
    for (const Axis axis : allAxes) {
        const bool moves = axis == Axis::x || axis == Axis::y || axis == Axis::zoom;
        strand.amount[axis] *= moves ? recipe.position : recipe.rotation;
    }
    Json json{{"name", strand.name}, {"salt", strand.salt}};
    json.update(valuesOfPart(strand)); // source and all its values
    for (const Axis axis : allAxes)    // which fields would round
        json["amount"][std::string(axisName(axis))] = strand.amount[axis];
    json.erase("muted");
    json.erase("solo");
    if (const auto* drawn = std::get_if<Drawn>(&strand.source)) {
        json["keys"] = drawnToJson(*drawn);
        json["as_drawn"] = drawn->asDrawn;
    }
    const std::string prefix = "strand." + strand.name + ".";
    if (const CurveKeys* keys = recipe.curves.of(prefix + "rate"))
        json["rate_curve"] = keysToJson(*keys);
    for (const Axis axis : allAxes)
        if (const CurveKeys* keys = recipe.curves.of(prefix + "amount." + std::string(axisName(axis)))) {
            const bool moves = axis == Axis::x || axis == Axis::y || axis == Axis::zoom;
            json["amount_curves"][std::string(axisName(axis))] =
                keysToJson(scaledKeys(*keys, 1, moves ? recipe.position : recipe.rotation));
        }
    if (const auto* captured = std::get_if<Captured>(&strand.source); captured != nullptr && !captured->motion.empty())
        json["motion"] = motionToJson(*captured);
    if (strand.envelope)
        json["envelope"] = envelopeToJson(*strand.envelope);
    return json;
}

/// What zoom and roll go about, in pixels from the frame's middle; nothing where that is the middle.
Json pivotToJson(const Recipe& recipe, int width, int height)
{
    if (recipe.pivot.at == Pivot::At::middle || recipe.pivot.at == Pivot::At::place)
        return {};
    Json json{{"x", (recipe.pivot.x - 0.5) * width}, {"y", (recipe.pivot.y - 0.5) * height}};
    const auto follow = [&](const char* key, const char* name, int pixels) {
        const CurveKeys* keys = recipe.pivot.at == Pivot::At::followed ? recipe.curves.of(key) : nullptr;
        if (keys == nullptr)
            return;
        CurveKeys about = *keys;
        for (CurveKey& one : about)
            one.value -= 0.5;
        json[name] = keysToJson(scaledKeys(std::move(about), 1, pixels));
    };
    follow("pivot_x", "x_curve", width);
    follow("pivot_y", "y_curve", height);
    return json;
}

Json presetOf(const Recipe& asked, const Overlap& overlap, double strength, const Project& project)
{
    const Recipe recipe = inPlayTime(asked);
    Json json{{"strength_limit", strength},
              {"overlap", valuesOfPart(overlap)},
              {"variation", recipe.variation == Variation::same ? "same" : "each"},
              {"seed", recipe.seed},
              {"envelope", envelopeToJson(recipe.envelope)}};
    if (const Json pivot = pivotToJson(recipe, project.width, project.height); !pivot.is_null())
        json["pivot"] = pivot;
    Json strands = Json::array();
    const bool anySolo =
        std::any_of(recipe.strands.begin(), recipe.strands.end(), [](const Strand& s) { return s.solo; });
    for (const Strand& strand : recipe.strands)
        if (!strand.muted && (!anySolo || strand.solo))
            strands.push_back(strandToJson(strand, recipe));
    json["strands"] = std::move(strands);
    return json;
}

} // namespace

std::string playableRecipe(const Recipe& recipe, const Overlap& overlap, const Project& project)
{
    const Json json{{"vember_playable", playableVersion},
                    {"name", recipe.name},
                    {"rate", std::to_string(project.rate.num()) + "/" + std::to_string(project.rate.den())},
                    {"width", project.width},
                    {"height", project.height},
                    {"presets",
                     {{"full", presetOf(recipe, overlap, fullStrength, project)},
                      {"gentle", presetOf(gentled(recipe, project.gentle, project.width, project.height, project.rate),
                                          gentled(overlap), gentleStrength, project)}}}};
    return json.dump(1, ' ', false, Json::error_handler_t::replace) + "\n";
}

} // namespace ember
