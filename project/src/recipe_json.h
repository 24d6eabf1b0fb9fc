// SPDX-License-Identifier: GPL-3.0-or-later
// Recipes, and any list of values, as JSON: the same in projects, recipe files and the recipe book.
#pragma once

#include <functional>

#include "ember/core/values.h"
#include "json_reader.h"

namespace ember {

/// Writes each value under its key; "amount.x" goes into an object "amount", which leaves out what is the default.
/// Switches that are off are left out.
void writeValues(Json& json, const Values& values);
/// Reads what is there; a value that is not keeps what its place holds.
void readValues(JsonObject& object, const Values& values);

Json recipeToJson(const Recipe& recipe);
Recipe recipeFromJson(const Json& json, const std::string& place, JsonTrouble& trouble);

Json strandToJson(const Strand& strand);
Strand strandFromJson(const Json& json, const std::string& place, JsonTrouble& trouble);

/// Calls read(item, place) for each item of the list under a key, until something is wrong. A list that is missing is
/// trouble when it is `needed`.
void readList(JsonObject& object, const char* key, bool needed,
              const std::function<void(const Json&, const std::string&)>& read);

} // namespace ember
