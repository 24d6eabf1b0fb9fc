// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/exchange/playable.h"

#include <algorithm>

#include "ember/core/values.h"
#include "ember/json/json.h"

namespace ember {

namespace {

constexpr int playableVersion = 2;
/// A strike may be as strong in the full preset.
constexpr double fullStrength = 4;

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

Json drawnToJson(const Drawn& drawn)
{
    Json json = Json::object();
    for (const Axis axis : allAxes)
        for (const DrawnKey& key : drawn.keys[static_cast<std::size_t>(axis)])
            json[std::string(axisName(axis))].push_back(
                {key.frame, key.value, drawnEaseWords[static_cast<std::size_t>(key.ease)], key.slopeIn, key.slopeOut});
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
    if (const auto* captured = std::get_if<Captured>(&strand.source); captured != nullptr && !captured->motion.empty())
        json["motion"] = motionToJson(*captured);
    if (strand.envelope)
        json["envelope"] = valuesOfPart(*strand.envelope);
    return json;
}

Json presetOf(const Recipe& recipe, const Overlap& overlap, double strength)
{
    Json json{{"strength_limit", strength},
              {"overlap", valuesOfPart(overlap)},
              {"variation", recipe.variation == Variation::same ? "same" : "each"},
              {"seed", recipe.seed},
              {"envelope", valuesOfPart(recipe.envelope)}};
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
                     {{"full", presetOf(recipe, overlap, fullStrength)},
                      {"gentle", presetOf(gentled(recipe, project.gentle, project.width, project.height, project.rate),
                                          gentled(overlap), gentleStrength)}}}};
    return json.dump(1, ' ', false, Json::error_handler_t::replace) + "\n";
}

} // namespace ember
