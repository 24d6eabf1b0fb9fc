// SPDX-License-Identifier: GPL-3.0-or-later
#include "place_json.h"

#include "recipe_json.h"

namespace ember {

namespace {

double numberWithin(JsonObject& object, const char* key, const FieldSpec& spec)
{
    return object.number(key, spec.min, spec.max, spec.fallback);
}

WorldPoint pointFrom(JsonObject& object)
{
    WorldPoint point;
    point.x = numberWithin(object, "x", worldfield::coordinate);
    point.y = numberWithin(object, "y", worldfield::coordinate);
    point.z = numberWithin(object, "z", worldfield::coordinate);
    return point;
}

Json padToJson(const Pad& pad, const Project& project)
{
    Json json = Json::object();
    if (!pad.name.empty())
        json["name"] = pad.name;
    json["kind"] = kindName(pad.kind);
    json["recipes"] = Json::array();
    for (const RecipeId id : pad.recipes) {
        const Recipe* recipe = project.recipe(id);
        json["recipes"].push_back(recipe != nullptr ? recipe->name : "");
    }
    json["strength"] = pad.strength;
    if (pad.direction)
        json["direction"] = *pad.direction;
    if (pad.place)
        json["place"] = placeToJson(*pad.place);
    if (pad.note >= 0)
        json["note"] = pad.note;
    return json;
}

Pad padFromJson(const Json& json, const std::string& where, const Project& project, JsonTrouble& trouble)
{
    JsonObject object(json, where, trouble);
    Pad pad;
    pad.name = object.text("name", {});
    const std::string kind = object.needText("kind");
    if (const auto known = kindFromName(kind))
        pad.kind = *known;
    else
        object.wrong("kind", Phrase("is \"{}\", but should be blast, landing, hit or beat", kind));
    std::size_t state = 0;
    readList(object, "recipes", true, [&](const Json& item, const std::string& place) {
        const Recipe* recipe = item.is_string() ? project.recipeNamed(item.get<std::string>()) : nullptr;
        if (recipe == nullptr)
            trouble.add(ErrorCode::badValue, place, Phrase("is {}, which is not among the recipes", shownJson(item)));
        else if (state < boardStates)
            pad.recipes[state] = recipe->id;
        ++state;
    });
    if (state != boardStates)
        object.wrong("recipes", Phrase("should be {}, one for each state", boardStates));
    pad.strength = object.number(strikefield::strength);
    pad.direction = object.optionalNumber(strikefield::direction);
    if (const Json* place = object.find("place"))
        pad.place = placeFromJson(*place, object.placeOf("place"), trouble);
    if (object.find("note") != nullptr)
        pad.note = static_cast<int>(object.needInteger("note", 0, 127));
    return pad;
}

} // namespace

Json placeToJson(const Place& place)
{
    Json json;
    if (const auto* in = std::get_if<PicturePoint>(&place.at)) {
        json["picture"] = {in->x, in->y};
        json["distance"] = in->distance;
    } else {
        const auto& at = std::get<WorldPoint>(place.at);
        json = {{"x", at.x}, {"y", at.y}, {"z", at.z}};
    }
    writeValues(json, valuesOf(place));
    return json;
}

Place placeFromJson(const Json& json, const std::string& where, JsonTrouble& trouble)
{
    JsonObject object(json, where, trouble);
    Place place;
    if (const Json* picture = object.find("picture")) {
        const auto& spec = worldfield::picture;
        if (!picture->is_array() || picture->size() != 2 || !(*picture)[0].is_number() || !(*picture)[1].is_number() ||
            !inRange(spec, (*picture)[0].get<double>()) || !inRange(spec, (*picture)[1].get<double>()))
            object.wrong("picture", "should be two numbers from -4 to 5, ratios of the picture's width and height");
        else
            place.at = PicturePoint{(*picture)[0].get<double>(), (*picture)[1].get<double>(),
                                    numberWithin(object, "distance", worldfield::distance)};
    } else {
        place.at = pointFrom(object);
    }
    readValues(object, place);
    return place;
}

Json worldToJson(const World& world)
{
    Json json = Json::object();
    writeValues(json, valuesOf(world));
    for (const CameraKey& key : world.camera)
        json["camera"].push_back(
            {{"frame", key.frame.index}, {"x", key.at.x}, {"y", key.at.y}, {"z", key.at.z}, {"heading", key.heading}});
    return json;
}

World worldFromJson(const Json& json, JsonTrouble& trouble)
{
    JsonObject object(json, "world", trouble);
    World world;
    readValues(object, world);
    readList(object, "camera", false, [&](const Json& item, const std::string& where) {
        JsonObject key(item, where, trouble);
        CameraKey camera;
        camera.frame = Frame{key.needInteger("frame", 0, longestFilm)};
        camera.at = pointFrom(key);
        camera.heading = numberWithin(key, "heading", worldfield::heading);
        if (!world.camera.empty() && world.camera.back().frame >= camera.frame)
            trouble.add(ErrorCode::badValue, Phrase("{}.frame", where), "should be later than the key's before it");
        world.camera.push_back(camera);
    });
    return world;
}

Json boardToJson(const Board& board, const Project& project)
{
    Json json{{"states", board.states}, {"pads", Json::array()}};
    for (const Pad& pad : board.pads)
        json["pads"].push_back(padToJson(pad, project));
    return json;
}

Board boardFromJson(const Json& json, const Project& project, JsonTrouble& trouble)
{
    JsonObject object(json, "board", trouble);
    Board board;
    std::size_t state = 0;
    readList(object, "states", false, [&](const Json& item, const std::string& where) {
        if (!item.is_string() || item.get<std::string>().empty() || state >= boardStates)
            trouble.add(ErrorCode::badValue, where, "should be the name of one of two states");
        else
            board.states[state] = item.get<std::string>();
        ++state;
    });
    readList(object, "pads", false, [&](const Json& item, const std::string& where) {
        if (board.pads.size() == mostPads)
            trouble.add(ErrorCode::badValue, where, Phrase("is more than a board has: {} pads", mostPads));
        else
            board.pads.push_back(padFromJson(item, where, project, trouble));
    });
    return board;
}

} // namespace ember
