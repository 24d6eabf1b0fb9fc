// SPDX-License-Identifier: GPL-3.0-or-later
// Recipes, and any list of values, as JSON: the same in projects, recipe files and the recipe book.
#pragma once

#include <functional>
#include <memory>

#include "ember/core/values.h"
#include "json_reader.h"

namespace ember {

/// Writes each value under its key; "amount.x" goes into an object "amount", which leaves out what is the default.
/// Switches that are off are left out.
void writeValues(Json& json, const Values& values);
/// The values of a part that are there; of one that is not the part keeps what it has.
template <typename Part>
void readValues(JsonObject& object, Part& part)
{
    std::unique_ptr<JsonObject> group;
    std::string groupName;
    for (const FieldOf<Part>& field : fieldsOf<Part>()) {
        if (!field.in(part))
            continue;
        const std::string key(field.key);
        const auto dot = key.find('.');
        if (dot == std::string::npos) {
            field.set(part, object.value(key, *field.spec, field.get(part)));
            continue;
        }
        if (const std::string name = key.substr(0, dot); name != groupName) {
            groupName = name;
            group.reset();
            if (const Json* held = object.find(name.c_str()))
                group = std::make_unique<JsonObject>(*held, object.placeOf(name), object.trouble());
        }
        if (group)
            field.set(part, group->value(key.substr(dot + 1), *field.spec, field.get(part)));
    }
}

Json recipeToJson(const Recipe& recipe);
Recipe recipeFromJson(const Json& json, const std::string& place, JsonTrouble& trouble);

Json strandToJson(const Strand& strand);
/// The keys of each axis that has some, as in a drawn strand.
Json keysToJson(const AxisKeys& keys);
/// One list of keys, and back, with values in their range.
Json curveToJson(const CurveKeys& keys);
CurveKeys curveFromJson(JsonObject& object, const std::string& key, double min, double max);
/// Makes keys that were drawn without an envelope in files up to version 12, where they counted from the envelope's
/// peak and were cut off where it ended, into what they are now. They jump where they jumped.
void countFromStrike(AxisKeys& keys, const Rate& rate, const Envelope& envelope);
/// Each axis that is not named has none.
AxisKeys keysFromJson(const Json& json, const std::string& place, JsonTrouble& trouble);
Strand strandFromJson(const Json& json, const std::string& place, JsonTrouble& trouble);

/// Calls read(item, place) for each item of the list under a key, until something is wrong. A list that is missing is
/// trouble when it is `needed`.
void readList(JsonObject& object, const char* key, bool needed,
              const std::function<void(const Json&, const std::string&)>& read);

} // namespace ember
