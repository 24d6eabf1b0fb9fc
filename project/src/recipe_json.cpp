// SPDX-License-Identifier: GPL-3.0-or-later
#include "recipe_json.h"

#include <algorithm>
#include <set>

#include "ember/core/shown_text.h"
#include "motion_json.h"

namespace ember {

namespace {

constexpr double longestDrawing = 100'000; // frames either way of the peak
constexpr double steepest = 1e6;           // of an amount in a frame

Json toJson(const FieldSpec& spec, double value)
{
    if (spec.choices.data() == offOn.data())
        return value != 0;
    if (!spec.choices.empty() || isColour(spec))
        return valueText(spec, value);
    if (spec.whole)
        return static_cast<std::int64_t>(value);
    return value;
}

bool isSwitch(const Value& value)
{
    return value.spec->choices.data() == offOn.data();
}

Json envelopeToJson(const Envelope& envelope)
{
    Json json = Json::object();
    writeValues(json, valuesOf(envelope));
    return json;
}

Envelope envelopeFromJson(const Json& json, const std::string& place, JsonTrouble& trouble)
{
    JsonObject object(json, place, trouble);
    Envelope envelope;
    readValues(object, envelope);
    return envelope;
}

Json effectsToJson(const Effects& effects)
{
    Json json = Json::object();
    writeValues(json, valuesOf(effects));
    for (auto effect = json.begin(); effect != json.end();)
        effect = effect->empty() ? json.erase(effect) : std::next(effect);
    return json;
}

} // namespace

Json curveToJson(const CurveKeys& keys)
{
    Json list = Json::array();
    for (const CurveKey& key : keys) {
        list.push_back({{"frame", key.frame},
                        {"value", key.value},
                        {"ease", std::string(curveEaseWords[static_cast<std::size_t>(key.ease)])}});
        if (key.slopeIn != 0)
            list.back()["slope_in"] = key.slopeIn;
        if (key.slopeOut != 0)
            list.back()["slope_out"] = key.slopeOut;
    }
    return list;
}

CurveKeys curveFromJson(JsonObject& object, const std::string& key, double min, double max)
{
    CurveKeys keys;
    readList(object, key.c_str(), false, [&](const Json& item, const std::string& where) {
        JsonObject one(item, where, object.trouble());
        CurveKey read;
        read.frame = one.number("frame", -longestDrawing, longestDrawing, 0);
        read.value = one.number("value", min, max, 0);
        read.ease = static_cast<Ease>(static_cast<int>(one.choice("ease", curveEaseWords, 1)));
        read.slopeIn = one.number("slope_in", -steepest, steepest, 0);
        read.slopeOut = one.number("slope_out", -steepest, steepest, 0);
        keys.push_back(read);
    });
    return inOrder(std::move(keys));
}

Json keysToJson(const AxisKeys& axes)
{
    Json json = Json::object();
    for (const Axis axis : allAxes)
        if (const CurveKeys& keys = axes[static_cast<std::size_t>(axis)]; !keys.empty())
            json[std::string(axisName(axis))] = curveToJson(keys);
    return json;
}

AxisKeys keysFromJson(const Json& json, const std::string& place, JsonTrouble& trouble)
{
    AxisKeys axes;
    JsonObject object(json, place, trouble);
    for (const Axis axis : allAxes)
        axes[static_cast<std::size_t>(axis)] = curveFromJson(object, std::string(axisName(axis)), -1, 1);
    return axes;
}

void countFromStrike(AxisKeys& axes, const Rate& rate, const Envelope& envelope)
{
    for (CurveKeys& keys : axes) {
        if (keys.empty())
            continue;
        for (CurveKey& key : keys)
            key.frame = envelope.peak() + (key.frame > 0 ? framesOfPace(rate, key.frame) : key.frame);
        const double start = envelope.start();
        const double last = std::max(start, envelope.end() - 1);
        const CurveKey atStart{start, valueOfKeys(keys, start), Ease::linear};
        const CurveKey atLast{last, valueOfKeys(keys, last), Ease::linear};
        const bool begins = keys.front().frame < start || keys.front().value != 0;
        const bool ends = keys.back().frame > last || keys.back().value != 0;
        std::erase_if(keys, [&](const CurveKey& key) { return key.frame < start || key.frame > last; });
        if (begins && (keys.empty() || keys.front().frame > start))
            keys.insert(keys.begin(), atStart);
        if (ends && (keys.empty() || keys.back().frame < last))
            keys.push_back(atLast);
    }
}

void writeValues(Json& json, const Values& values)
{
    for (const Value& value : values) {
        const std::string key(value.key);
        const auto dot = key.find('.');
        if (dot == std::string::npos) {
            if (!isSwitch(value) || value.value != value.spec->fallback)
                json[key] = toJson(*value.spec, value.value);
            continue;
        }
        Json& group = json[key.substr(0, dot)];
        if (group.is_null())
            group = Json::object();
        if (value.value != value.spec->fallback)
            group[key.substr(dot + 1)] = toJson(*value.spec, value.value);
    }
}

void readList(JsonObject& object, const char* key, bool needed,
              const std::function<void(const Json&, const std::string&)>& read)
{
    const Json* list = needed ? object.need(key) : object.find(key);
    if (list == nullptr)
        return;
    if (!list->is_array()) {
        object.wrong(key, "should be a list in brackets");
        return;
    }
    for (std::size_t i = 0; i < list->size() && !object.trouble().error(); ++i)
        read((*list)[i], object.placeOf(std::string(key) + "[" + std::to_string(i) + "]"));
}

Json strandToJson(const Strand& strand)
{
    Json json;
    json["name"] = strand.name;
    writeValues(json, valuesOf(strand));
    json.erase("own_envelope"); // told by the envelope itself
    if (const auto* drawn = std::get_if<Drawn>(&strand.source))
        json["keys"] = keysToJson(drawn->keys);
    if (const auto* captured = std::get_if<Captured>(&strand.source); captured != nullptr && !captured->motion.empty())
        json["motion"] = motionToJson(captured->motion.kept());
    if (strand.envelope)
        json["envelope"] = envelopeToJson(*strand.envelope);
    return json;
}

Strand strandFromJson(const Json& json, const std::string& place, JsonTrouble& trouble)
{
    JsonObject object(json, place, trouble);
    Strand strand;
    strand.name = object.needText("name");
    if (strand.name.empty())
        object.wrong("name", "should not be empty");
    object.needChoice("source", sourceWords); // it comes first: which other values there are depends on it
    readValues(object, strand);
    if (auto* drawn = std::get_if<Drawn>(&strand.source))
        if (const Json* keys = object.find("keys")) {
            drawn->keys = keysFromJson(*keys, object.placeOf("keys"), trouble);
            for (auto& axis : drawn->keys)
                axis = tidied(std::move(axis), drawn->asDrawn);
        }
    if (auto* captured = std::get_if<Captured>(&strand.source))
        captured->motion = readMotion(object);
    if (const Json* envelope = object.find("envelope"))
        strand.envelope = envelopeFromJson(*envelope, object.placeOf("envelope"), trouble);
    return strand;
}

Json recipeToJson(const Recipe& recipe)
{
    Json json;
    json["name"] = recipe.name;
    writeValues(json, valuesOf(recipe));
    json["envelope"] = envelopeToJson(recipe.envelope);
    if (recipe.effects != Effects())
        json["light"] = effectsToJson(recipe.effects);
    if (recipe.sound != StrikeSound()) {
        json["sound"] = Json::object();
        writeValues(json["sound"], valuesOf(recipe.sound));
        if (!recipe.sound.file.empty())
            json["sound"]["file"] = recipe.sound.file;
    }
    json["strands"] = Json::array();
    for (const Strand& strand : recipe.strands)
        json["strands"].push_back(strandToJson(strand));
    for (const std::string& key : curveKeysOf(recipe))
        if (const CurveKeys* keys = curveOf(recipe, key))
            json["curves"][key] = curveToJson(*keys);
    return json;
}

Recipe recipeFromJson(const Json& json, const std::string& place, JsonTrouble& trouble)
{
    JsonObject object(json, place, trouble);
    Recipe recipe;
    recipe.name = object.needText("name");
    if (recipe.name.empty())
        object.wrong("name", "should not be empty");
    readValues(object, recipe);
    if (const Json* envelope = object.find("envelope"))
        recipe.envelope = envelopeFromJson(*envelope, object.placeOf("envelope"), trouble);
    if (const Json* light = object.find("light")) {
        JsonObject effects(*light, object.placeOf("light"), trouble);
        readValues(effects, recipe.effects);
    }
    if (const Json* sound = object.find("sound")) {
        JsonObject values(*sound, object.placeOf("sound"), trouble);
        readValues(values, recipe.sound);
        recipe.sound.file = values.text("file", "");
    }
    std::set<std::string> names;
    const auto isOldHand = [](const Json& item, const Strand& strand) {
        const auto* drawn = std::get_if<Drawn>(&strand.source);
        return drawn != nullptr && drawn->asDrawn && item.is_object() && !item.contains("home");
    };
    readList(object, "strands", true, [&](const Json& item, const std::string& where) {
        Strand strand = strandFromJson(item, where, trouble);
        if (!names.insert(strand.name).second)
            trouble.add(ErrorCode::badValue, Phrase("{}.name", where),
                        Phrase("is {}, as another strand's of this recipe is already", inQuotes(strand.name)));
        if (!item.is_object() || !item.contains("salt")) // as older files counted them
            strand.salt = static_cast<int>(recipe.strands.size()) + 1;
        if (isOldHand(item, strand)) {
            auto& drawn = std::get<Drawn>(strand.source);
            drawn.home = 0;
            countFromStrike(drawn.keys, strand.rate, strand.envelope.value_or(recipe.envelope));
        }
        recipe.strands.push_back(std::move(strand));
    });
    if (const Json* curves = object.find("curves")) {
        JsonObject held(*curves, object.placeOf("curves"), trouble);
        for (const auto& [key, keys] : curves->items())
            if (const FieldSpec* spec = curveSpecOf(recipe, key))
                setCurve(recipe, key, curveFromJson(held, key, spec->min, spec->max));
    }
    return recipe;
}

} // namespace ember
