// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>
#include <filesystem>

#include "ember/project/file.h"
#include "motion_json.h"
#include "place_json.h"
#include "recipe_json.h"

namespace ember {

namespace fs = std::filesystem;

namespace {

/// The own values of a strike, choices as words.
Json ownValues(const Strike& strike, const Recipe& recipe)
{
    Json json = Json::object();
    const Recipe own = withOverrides(recipe, strike.overrides); // a strand's other source has other values
    for (const auto& [key, value] : strike.overrides.all())
        if (const FieldSpec* spec = specOfValue(own, key))
            json[key] = spec->choices.empty() && !isColour(*spec) ? Json(value) : Json(valueText(*spec, value));
    for (const auto& [strand, keys] : strike.overrides.drawn())
        json["strand." + strand + ".keys"] = keysToJson(keys);
    for (const auto& [key, keys] : strike.overrides.curves().all())
        json[key + ".curve"] = curveToJson(keys);
    return json;
}

Json toJson(const Strike& strike, const Project& project)
{
    Json json;
    json["frame"] = strike.frame.index;
    json["kind"] = kindName(strike.kind);
    if (!strike.name.empty())
        json["name"] = strike.name;
    writeValues(json, valuesOf(strike));
    if (strike.direction)
        json["direction"] = *strike.direction;
    if (strike.place)
        json["place"] = placeToJson(*strike.place);
    const Recipe* recipe = project.recipe(strike.recipe);
    json["recipe"] = recipe != nullptr ? recipe->name : std::string();
    if (!strike.group.empty())
        json["group"] = strike.group;
    if (!strike.overrides.empty() && recipe != nullptr)
        json["own"] = ownValues(strike, *recipe);
    return json;
}

std::string relativeTo(const std::string& clip, const std::string& folder)
{
    const fs::path path(clip);
    if (!path.is_absolute() || folder.empty())
        return clip;
    const fs::path relative = path.lexically_normal().lexically_relative(fs::absolute(folder).lexically_normal());
    return relative.empty() ? clip : relative.generic_string();
}

/// A file whose name is that of a config that is none is told from it by its folder.
Json toJson(const ColourSetup& colours, const std::string& folder)
{
    Json json = Json::object();
    for (const ColourName& one : colourNames)
        if (!(colours.*one.name).empty())
            json[std::string(one.key)] = colours.*one.name;
    if (colours.fromFile()) {
        const std::string path = relativeTo(colours.config, folder);
        json["config"] = path == builtInConfig || path == environmentConfig ? "./" + path : path;
    }
    return json;
}

Json toJson(const Shot& shot, const Project& project, const std::string& folder)
{
    Json json{{"length", shot.length}};
    if (shot.gap())
        json["gap"] = true;
    else
        json["clip"] = relativeTo(shot.clip, folder);
    if (shot.still)
        json["still"] = true;
    if (shot.available > 0)
        json["clip_length"] = shot.available;
    if (shot.format.width > 0) {
        json["clip_format"] = {{"width", shot.format.width}, {"height", shot.format.height}};
        if (shot.format.rate)
            json["clip_format"]["rate"] =
                std::to_string(shot.format.rate->num()) + "/" + std::to_string(shot.format.rate->den());
    }
    if (shot.in != 0)
        json["in"] = shot.in;
    if (shot.speed != 1)
        json["speed"] = shot.speed;
    if (shot.colour != ClipColour::asTagged)
        json["colour"] = std::string(shotfield::colour.choices[static_cast<std::size_t>(shot.colour)]);
    if (!shot.space.empty())
        json["space"] = shot.space;
    if (shot.framing != Framing{})
        json["framing"] = {{"how", std::string(shotfield::framing.choices[static_cast<std::size_t>(shot.framing.how)])},
                           {"x", shot.framing.x},
                           {"y", shot.framing.y},
                           {"size", shot.framing.size}};
    for (const FramingKey& key : shot.framing.keys)
        json["framing"]["keys"].push_back({{"frame", key.frame.index},
                                           {"x", key.x},
                                           {"y", key.y},
                                           {"size", key.size},
                                           {"ease", std::string(easeWords[static_cast<std::size_t>(key.ease)])}});
    for (const Strike& strike : shot.trimmed)
        json["trimmed"].push_back(toJson(strike, project));
    for (const MoveKey& key : shot.move)
        json["move"].push_back({{"frame", key.frame.index},
                                {"x", key.x},
                                {"y", key.y},
                                {"zoom", key.zoom},
                                {"roll", key.roll},
                                {"ease", std::string(easeWords[static_cast<std::size_t>(key.ease)])}});
    return json;
}

template <typename Part>
Json valuesToJson(const Part& part)
{
    Json json = Json::object();
    writeValues(json, valuesOf(part));
    return json;
}

Json toJson(const Master& master)
{
    Json json = valuesToJson(master);
    for (const IntensityKey& key : master.keys)
        json["keys"].push_back({{"frame", key.frame.index},
                                {"value", key.value},
                                {"ease", std::string(easeWords[static_cast<std::size_t>(key.ease)])}});
    return json;
}

Json toJson(const SettleMark& mark)
{
    Json json{{"frame", mark.frame.index}, {"mode", mark.mode == SettleMode::cut ? "cut" : "ease"}};
    if (mark.mode == SettleMode::ease)
        json["frames"] = mark.frames;
    if (!mark.group.empty())
        json["group"] = mark.group;
    return json;
}

/// One that is for a strike names it by its place among them; of one whose strike is gone nothing is kept.
Json settlesToJson(const Project& project)
{
    Json json = Json::array();
    for (const SettleMark& mark : project.settles) {
        const auto of = std::find_if(project.strikes.begin(), project.strikes.end(),
                                     [&](const Strike& strike) { return strike.id == mark.strike; });
        if (mark.strike != 0 && of == project.strikes.end())
            continue;
        json.push_back(toJson(mark));
        if (mark.strike != 0)
            json.back()["strike"] = of - project.strikes.begin() + 1;
    }
    return json;
}

Json toJson(const StrikeGroup& group)
{
    Json json{{"name", group.name}};
    writeValues(json, valuesOf(group.overlap));
    return json;
}

Json toJson(const Layer& layer, const std::string& folder)
{
    Json json{{"picture", relativeTo(layer.picture, folder)}};
    if (!layer.name.empty())
        json["name"] = layer.name;
    writeValues(json, valuesOf(layer));
    return json;
}

Json beatsToJson(const BeatGrid& beats)
{
    Json json = valuesToJson(beats);
    for (const BeatPin& pin : beats.pins)
        json["pins"].push_back({pin.beat, pin.seconds});
    return json;
}

template <typename List>
Json listToJson(const List& list)
{
    Json json = Json::array();
    for (const auto& item : list)
        json.push_back(toJson(item));
    return json;
}

} // namespace

std::string projectToJson(const Project& project, const std::string& folder)
{
    Json json;
    json["vember"] = projectVersion;
    json["frame"] = {{"width", project.width}, {"height", project.height}};
    json["rate"] = std::to_string(project.rate.num()) + "/" + std::to_string(project.rate.den());
    if (project.clock != FilmClock())
        json["timecode"] = timecodeOf(0, project.clock, project.rate);
    if (project.colours.managed())
        json["colours"] = toJson(project.colours, folder);
    json["shots"] = Json::array();
    for (const Shot& shot : project.shots)
        json["shots"].push_back(toJson(shot, project, folder));
    json["sound"] = valuesToJson(project.sound);
    if (!project.sound.file.empty())
        json["sound"]["file"] = relativeTo(project.sound.file, folder);
    if (project.beats)
        json["beats"] = beatsToJson(*project.beats);
    json["recipes"] = Json::array();
    for (const Recipe& recipe : project.recipes) {
        json["recipes"].push_back(recipeToJson(recipe));
        if (!recipe.sound.file.empty())
            json["recipes"].back()["sound"]["file"] = relativeTo(recipe.sound.file, folder);
    }
    json["strikes"] = Json::array();
    for (const Strike& strike : project.strikes)
        json["strikes"].push_back(toJson(strike, project));
    if (!(project.world == World{}))
        json["world"] = worldToJson(project.world);
    if (!(project.gentle == Gentle{}))
        json["gentle"] = valuesToJson(project.gentle);
    if (!(project.board == Board{}))
        json["board"] = boardToJson(project.board, project);
    json["overlap"] = valuesToJson(project.overlap);
    json["groups"] = listToJson(project.groups);
    json["settles"] = settlesToJson(project);
    json["drift"] = valuesToJson(project.drift);
    if (!project.drift.rateKeys.empty())
        json["drift"]["rate_keys"] = curveToJson(project.drift.rateKeys);
    if (!project.drift.levelKeys.empty())
        json["drift"]["level_keys"] = curveToJson(project.drift.levelKeys);
    if (const MotionLoop& motion = project.drift.captured.motion; !motion.empty())
        json["drift"]["motion"] = motionToJson(motion.kept());
    json["master"] = toJson(project.master);
    json["finish"] = valuesToJson(project.finish);
    json["finish"]["plain"] = colourText(project.finish.plain);
    for (const Layer& layer : project.layers)
        json["layers"].push_back(toJson(layer, folder));
    // Names that are not UTF-8 (old file names) are kept readable rather than refused.
    return prettyJson(json);
}

Status saveProject(const Project& project, const std::string& path)
{
    return writeFileSafely(path, projectToJson(project, fs::absolute(path).parent_path().string()));
}

} // namespace ember
