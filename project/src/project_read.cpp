// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>
#include <cmath>
#include <filesystem>

#include "ember/core/renamed.h"
#include "ember/core/shown_text.h"
#include "ember/project/file.h"
#include "motion_json.h"
#include "place_json.h"
#include "recipe_json.h"

namespace ember {

namespace fs = std::filesystem;

namespace {

constexpr std::uintmax_t largestProject = 256u << 20;

/// A strike's own values by their keys; a choice is its word, a switch "on" or "off".
/// The drawn strand whose keys are called so: "strand.NAME.keys". Null where there is none.
const Strand* drawnStrandOf(const Recipe& recipe, std::string_view key)
{
    for (const Strand& strand : recipe.strands)
        if (std::holds_alternative<Drawn>(strand.source) && key == "strand." + strand.name + ".keys")
            return &strand;
    return nullptr;
}

constexpr std::string_view curveSuffix = ".curve";
constexpr int handSinceVersion = 13; ///< from which on keys without an envelope count from the strike

Overrides readOwn(const Json& json, const std::string& place, const Recipe& recipe, int version, JsonTrouble& trouble)
{
    Overrides own;
    JsonObject object(json, place, trouble);
    if (!json.is_object())
        return own;
    const auto read = [&](const std::string& key, const Recipe& shape, bool last) {
        object.find(key.c_str());
        const std::string now = currentKey(key);
        const FieldSpec* spec = specOfValue(shape, now);
        if (spec == nullptr) {
            if (last)
                object.wrong(shownText(key, 60), Phrase("is no value of the recipe {}", inQuotes(recipe.name)));
            return;
        }
        own.set(now, spec->choices.empty() ? object.value(key, *spec, spec->fallback)
                                           : object.choice(key.c_str(), spec->choices, 0));
    };
    // Values that only are there because of others (another source) are looked for once these are in place.
    for (const auto& [key, value] : json.items())
        read(key, recipe, false);
    const Recipe shaped = withOverrides(recipe, own);
    for (const auto& [key, value] : json.items()) {
        if (own[currentKey(key)])
            continue;
        if (const Strand* strand = drawnStrandOf(shaped, key)) {
            object.find(key.c_str());
            AxisKeys keys = keysFromJson(value, object.placeOf(key), trouble);
            if (version < handSinceVersion && std::get<Drawn>(strand->source).asDrawn)
                countFromStrike(keys, strand->rate, strand->envelope.value_or(shaped.envelope));
            own.setKeys(strand->name, std::move(keys));
        } else if (key.ends_with(curveSuffix)) {
            const std::string of = key.substr(0, key.size() - curveSuffix.size());
            if (const FieldSpec* spec = curveSpecOf(shaped, of))
                own.setCurve(of, curveFromJson(object, key, spec->min, spec->max));
        } else {
            read(key, shaped, true);
        }
    }
    return own;
}

Strike readStrike(const Json& json, const std::string& place, const Project& project, int version, JsonTrouble& trouble)
{
    JsonObject object(json, place, trouble);
    Strike strike;
    strike.frame = Frame{object.needInteger("frame", 0, longestFilm)};
    const std::string kind = object.needText("kind");
    if (const auto known = kindFromName(kind))
        strike.kind = *known;
    else
        object.wrong("kind", Phrase("is {}, but should be blast, landing, hit or beat", inQuotes(kind)));
    strike.name = object.text("name", {});
    readValues(object, strike);
    strike.direction = object.optionalNumber(strikefield::direction);
    if (const Json* at = object.find("place"))
        strike.place = placeFromJson(*at, object.placeOf("place"), trouble);
    strike.group = object.text("group", {});
    if (!strike.group.empty() && project.group(strike.group) == nullptr)
        object.wrong("group", Phrase("names {}, which is not among the groups", inQuotes(strike.group)));
    const std::string name = object.needText("recipe");
    const Recipe* recipe = project.recipeNamed(name);
    if (recipe == nullptr) {
        object.wrong("recipe", Phrase("names {}, which is not among the recipes", inQuotes(name)));
        return strike;
    }
    strike.recipe = recipe->id;
    if (const Json* own = object.find("own"))
        strike.overrides = readOwn(*own, object.placeOf("own"), *recipe, version, trouble);
    if (const Json* envelope = object.find("envelope")) { // version 1
        JsonObject values(*envelope, object.placeOf("envelope"), trouble);
        for (const auto field : envelopeFields())
            if (const auto value = values.optionalNumber(specOf(field)))
                strike.overrides.set(field, *value);
    }
    return strike;
}

double numberOf(JsonObject& object, const FieldSpec& spec)
{
    return object.value(std::string(spec.key), spec, spec.fallback);
}

MoveKey readMoveKey(const Json& json, const std::string& place, JsonTrouble& trouble)
{
    JsonObject object(json, place, trouble);
    MoveKey key;
    key.frame = Frame{object.needInteger("frame", 0, longestFilm)};
    key.x = numberOf(object, movefield::x);
    key.y = numberOf(object, movefield::y);
    key.zoom = numberOf(object, movefield::zoom);
    key.roll = numberOf(object, movefield::roll);
    key.ease = static_cast<Ease>(static_cast<int>(numberOf(object, movefield::ease)));
    return key;
}

FramingKey readFramingKey(const Json& json, const std::string& place, JsonTrouble& trouble)
{
    JsonObject object(json, place, trouble);
    FramingKey key;
    key.frame = Frame{object.needInteger("frame", 0, longestFilm)};
    key.x = object.number("x", shotfield::framingX.min, shotfield::framingX.max, 0);
    key.y = object.number("y", shotfield::framingY.min, shotfield::framingY.max, 0);
    key.size = object.number("size", shotfield::framingSize.min, shotfield::framingSize.max, 1);
    key.ease = static_cast<Ease>(object.choice("ease", easeWords, 1));
    return key;
}

/// Puts things in the order of their frames; two on one frame are trouble.
template <typename List>
void inOrder(List& list, const std::string& place, JsonTrouble& trouble)
{
    std::stable_sort(list.begin(), list.end(), [](const auto& a, const auto& b) { return a.frame < b.frame; });
    const auto same =
        std::adjacent_find(list.begin(), list.end(), [](const auto& a, const auto& b) { return inOnePlace(a, b); });
    if (same != list.end())
        trouble.add(ErrorCode::badValue, place, Phrase("has two entries on frame {}", same->frame.index));
}

/// The path of a file, taken from the project's folder where it is relative.
std::string readPath(JsonObject& object, const char* key, const std::string& path, const std::string& folder,
                     const char* wanted)
{
    if (path.empty() || path.find('\0') != std::string::npos)
        object.wrong(key, wanted);
    else if (fs::path(path).is_relative() && !folder.empty())
        return (fs::absolute(folder) / path).lexically_normal().string();
    return path;
}

Soundtrack readSound(const Json& json, const std::string& folder, JsonTrouble& trouble)
{
    JsonObject object(json, "sound", trouble);
    Soundtrack sound;
    readValues(object, sound);
    if (object.find("file") != nullptr)
        sound.file = readPath(object, "file", object.text("file", {}), folder, "should be the path of a sound");
    return sound;
}

BeatGrid readBeats(const Json& json, JsonTrouble& trouble)
{
    JsonObject object(json, "beats", trouble);
    BeatGrid beats;
    readValues(object, beats);
    const Json* pins = object.find("pins");
    if (pins == nullptr)
        return beats;
    const auto isPin = [](const Json& pin) {
        return pin.is_array() && pin.size() == 2 && pin[0].is_number_integer() && pin[1].is_number() &&
               std::abs(pin[0].get<double>()) < 1e9;
    };
    if (!pins->is_array() || pins->size() > mostBeatPins || !std::all_of(pins->begin(), pins->end(), isPin)) {
        object.wrong("pins",
                     Phrase("should be a list of up to {} pairs: a beat's number and its seconds", mostBeatPins));
        return beats;
    }
    for (const Json& pin : *pins)
        beats.pins.push_back({pin[0].get<std::int64_t>(), pin[1].get<double>()});
    if (const auto bad = badPin(beats)) {
        object.wrong("pins", Phrase("has an entry {} that does not follow the one before at 20 to 400 beats a minute",
                                    *bad + 1));
        beats.pins.clear();
    }
    return beats;
}

ColourSetup readColours(const Json& json, const std::string& folder, JsonTrouble& trouble)
{
    JsonObject object(json, "colours", trouble);
    ColourSetup colours;
    for (const ColourName& one : colourNames)
        colours.*one.name = object.text(one.key.data(), {});
    if (colours.fromFile())
        colours.config = readPath(object, "config", colours.config, folder, "should be the path of a colour config");
    return colours;
}

Shot readShot(const Json& json, const std::string& place, const std::string& folder, const Project& project,
              int version, JsonTrouble& trouble)
{
    JsonObject object(json, place, trouble);
    Shot shot;
    readList(object, "trimmed", false, [&](const Json& item, const std::string& where) {
        shot.trimmed.push_back(readStrike(item, where, project, version, trouble));
    });
    shot.length = object.needInteger("length", 1, longestFilm);
    readList(object, "move", false, [&](const Json& item, const std::string& where) {
        shot.move.push_back(readMoveKey(item, where, trouble));
    });
    inOrder(shot.move, object.placeOf("move"), trouble);
    if (object.flag("gap", false))
        return shot;
    shot.clip = readPath(object, "clip", object.needText("clip"), folder, "should be the path of a clip");
    shot.still = object.flag("still", false);
    shot.colour = static_cast<ClipColour>(object.choice("colour", shotfield::colour.choices, 0));
    shot.space = object.text("space", {});
    if (const Json* framing = object.find("framing")) {
        JsonObject values(*framing, object.placeOf("framing"), trouble);
        shot.framing.how = static_cast<Framing::How>(values.choice("how", shotfield::framing.choices, 0));
        shot.framing.x = values.number("x", shotfield::framingX.min, shotfield::framingX.max, 0);
        shot.framing.y = values.number("y", shotfield::framingY.min, shotfield::framingY.max, 0);
        shot.framing.size = values.number("size", shotfield::framingSize.min, shotfield::framingSize.max, 1);
        readList(values, "keys", false, [&](const Json& item, const std::string& where) {
            shot.framing.keys.push_back(readFramingKey(item, where, trouble));
        });
        inOrder(shot.framing.keys, values.placeOf("keys"), trouble);
    }
    shot.in = object.number("in", 0, static_cast<double>(longestFilm), 0);
    shot.speed = object.number("speed", shotfield::speed.min, shotfield::speed.max, 1);
    if (object.find("clip_length") != nullptr)
        shot.available = object.needInteger("clip_length", 1, longestFilm);
    else if (version < 7 && !shot.still) // whole clips
        shot.available = shot.length;
    if (const Json* format = object.find("clip_format")) {
        JsonObject values(*format, object.placeOf("clip_format"), trouble);
        shot.format.width = static_cast<int>(values.needInteger("width", 1, 32768));
        shot.format.height = static_cast<int>(values.needInteger("height", 1, 32768));
        const std::string rate = values.text("rate", {});
        shot.format.rate = rateFromText(rate);
        if (!rate.empty() && !shot.format.rate)
            values.wrong("rate", Phrase("is {}, but should be a fraction such as \"24000/1001\"", inQuotes(rate)));
    }
    return shot;
}

Finish readFinish(const Json& json, JsonTrouble& trouble)
{
    JsonObject object(json, "finish", trouble);
    Finish finish;
    readValues(object, finish);
    const std::string plain = object.text("plain", "#000000");
    if (const auto colour = colourFromText(plain))
        finish.plain = *colour;
    else
        object.wrong("plain", Phrase("is {}, but should be a colour such as #1a2b3c", inQuotes(plain)));
    return finish;
}

Layer readLayer(const Json& json, const std::string& place, const std::string& folder, JsonTrouble& trouble)
{
    JsonObject object(json, place, trouble);
    Layer layer;
    layer.name = object.text("name", {});
    layer.picture = readPath(object, "picture", object.needText("picture"), folder, "should be the path of a picture");
    readValues(object, layer);
    return layer;
}

StrikeGroup readGroup(const Json& json, const std::string& place, JsonTrouble& trouble)
{
    JsonObject object(json, place, trouble);
    StrikeGroup group;
    group.name = object.needText("name");
    if (group.name.empty())
        object.wrong("name", "should not be empty");
    readValues(object, group.overlap);
    return group;
}

SettleMark readSettle(const Json& json, const std::string& place, JsonTrouble& trouble)
{
    JsonObject object(json, place, trouble);
    SettleMark mark;
    mark.frame = Frame{object.needInteger("frame", 0, longestFilm)};
    mark.mode = static_cast<SettleMode>(static_cast<int>(numberOf(object, settlefield::mode)));
    mark.frames = numberOf(object, settlefield::frames);
    mark.group = object.text("group", {});
    if (object.find("strike") != nullptr) // as strikes are counted; an identity once they are there
        mark.strike = object.needInteger("strike", 1, longestFilm);
    return mark;
}

Master readMaster(const Json& json, JsonTrouble& trouble)
{
    JsonObject object(json, "master", trouble);
    Master master;
    readValues(object, master);
    readList(object, "keys", false, [&](const Json& item, const std::string& where) {
        JsonObject key(item, where, trouble);
        const Frame frame{key.needInteger("frame", 0, longestFilm)};
        const double value = key.number("value", 0, mostIntensity, 1);
        master.keys.push_back({frame, value, static_cast<Ease>(static_cast<int>(key.choice("ease", easeWords, 0)))});
    });
    inOrder(master.keys, "master.keys", trouble);
    return master;
}

/// What stands over the strikes.
void readMeeting(JsonObject& object, Project& project, JsonTrouble& trouble)
{
    if (const Json* overlap = object.find("overlap")) {
        JsonObject values(*overlap, "overlap", trouble);
        readValues(values, project.overlap);
    }
    readList(object, "groups", false, [&](const Json& item, const std::string& where) {
        StrikeGroup group = readGroup(item, where, trouble);
        if (project.group(group.name) != nullptr)
            trouble.add(ErrorCode::badValue, Phrase("{}.name", where),
                        Phrase("is {}, as another group's is already", inQuotes(group.name)));
        project.groups.push_back(std::move(group));
    });
    readList(object, "settles", false, [&](const Json& item, const std::string& where) {
        project.settles.push_back(readSettle(item, where, trouble));
    });
    inOrder(project.settles, "settles", trouble);
    if (const Json* drift = object.find("drift")) {
        JsonObject values(*drift, "drift", trouble);
        // An amount left out is none, as in strands.
        if (drift->is_object() && drift->contains("amount"))
            project.drift.amount = {};
        project.drift.captured.motion = readMotion(values); // which values there are depends on it
        readValues(values, project.drift);
        project.drift.rateKeys = curveFromJson(values, "rate_keys", 0, mostDriftRate);
        project.drift.levelKeys = curveFromJson(values, "level_keys", -mostDriftLevel, mostDriftLevel);
    }
    if (const Json* master = object.find("master"))
        project.master = readMaster(*master, trouble);
}

Project readProject(const Json& json, const std::string& folder, JsonTrouble& trouble)
{
    JsonObject object(json, "", trouble);
    Project project;
    const int version = json["vember"].get<int>();
    object.find("vember");
    if (const Json* frame = object.need("frame")) {
        JsonObject size(*frame, "frame", trouble);
        project.width = static_cast<int>(size.needInteger("width", 1, 32768));
        project.height = static_cast<int>(size.needInteger("height", 1, 32768));
    }
    const std::string rate = object.needText("rate");
    if (const auto known = rateFromText(rate))
        project.rate = *known;
    else
        object.wrong("rate", Phrase("is {}, but should be a fraction such as \"24000/1001\", 1 to 1000 a second",
                                    inQuotes(rate)));
    if (const std::string timecode = object.text("timecode", {}); !timecode.empty()) {
        if (const auto clock = clockFrom(timecode, project.rate))
            project.clock = *clock;
        else
            object.wrong("timecode",
                         Phrase("is {}, but should name a frame, such as \"01:00:00:00\"", inQuotes(timecode)));
    }
    if (const Json* colours = object.find("colours"))
        project.colours = readColours(*colours, folder, trouble);
    if (const Json* sound = object.find("sound"))
        project.sound = readSound(*sound, folder, trouble);
    if (const Json* beats = object.find("beats"))
        project.beats = readBeats(*beats, trouble);
    readList(object, "recipes", true, [&](const Json& item, const std::string& where) {
        Recipe recipe = recipeFromJson(item, where, trouble);
        if (!recipe.sound.file.empty() && fs::path(recipe.sound.file).is_relative() && !folder.empty())
            recipe.sound.file = (fs::absolute(folder) / recipe.sound.file).lexically_normal().string();
        if (project.recipeNamed(recipe.name) != nullptr)
            trouble.add(ErrorCode::badValue, Phrase("{}.name", where),
                        Phrase("is {}, as another recipe's is already", inQuotes(recipe.name)));
        project.addRecipe(std::move(recipe));
    });
    if (const Json* world = object.find("world"))
        project.world = worldFromJson(*world, trouble);
    if (const Json* gentle = object.find("gentle")) {
        JsonObject values(*gentle, "gentle", trouble);
        readValues(values, project.gentle);
    }
    if (const Json* board = object.find("board"))
        project.board = boardFromJson(*board, project, trouble);
    readMeeting(object, project, trouble);
    StrikeId id = 0; // counted here: looking for the next free one each time takes minutes in a list of 200,000
    ShotId shotId = 0;
    readList(object, "shots", true, [&](const Json& item, const std::string& where) {
        Shot shot = readShot(item, where, folder, project, version, trouble);
        for (Strike& strike : shot.trimmed)
            strike.id = ++id;
        shot.id = ++shotId;
        project.shots.push_back(std::move(shot));
    });
    if (project.length() > longestFilm)
        trouble.add(ErrorCode::badValue, "shots", "are longer together than a film can be");
    readList(object, "strikes", true, [&](const Json& item, const std::string& where) {
        Strike strike = readStrike(item, where, project, version, trouble);
        strike.id = ++id;
        project.strikes.push_back(std::move(strike));
    });
    for (SettleMark& mark : project.settles)
        if (mark.strike > static_cast<StrikeId>(project.strikes.size()))
            trouble.add(ErrorCode::badValue, "settles", Phrase("name strike {}, which there is not", mark.strike));
        else if (mark.strike > 0)
            mark.strike = project.strikes[static_cast<std::size_t>(mark.strike) - 1].id;
    project.sortStrikes();
    if (const Json* finish = object.find("finish"))
        project.finish = readFinish(*finish, trouble);
    readList(object, "layers", false, [&](const Json& item, const std::string& where) {
        project.layers.push_back(readLayer(item, where, folder, trouble));
    });
    return project;
}

} // namespace

Result<Project> projectFromJson(std::string_view text, const std::string& folder, const std::string& name)
{
    const auto parsed = parsedJson(text, name);
    if (!parsed)
        return parsed.error();
    const Json& json = parsed.value();
    if (!json.is_object() || !json.contains("vember"))
        return Error{ErrorCode::badFormat, name, "it is JSON, but not a Vast Ember project: \"vember\" is missing"};
    const Json& version = json["vember"];
    if (!version.is_number_integer() || version.get<double>() < 1 || version.get<double>() > projectVersion)
        return Error{ErrorCode::unsupported, name,
                     Phrase("it has format version {}, and this program reads versions 1 to {}", shownJson(version),
                            projectVersion)};
    JsonTrouble trouble(name);
    Project project = readProject(json, folder, trouble);
    if (trouble.error())
        return *trouble.error();
    return project;
}

Result<Project> loadProject(const std::string& path)
{
    const auto text = readFile(path, largestProject, "a project");
    if (!text)
        return text.error();
    return projectFromJson(text.value(), fs::absolute(path).parent_path().string(), path);
}

} // namespace ember
