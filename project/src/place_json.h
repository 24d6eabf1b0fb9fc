// SPDX-License-Identifier: GPL-3.0-or-later
// Places, the world and the board of pads as JSON.
#pragma once

#include "ember/core/project.h"
#include "json_reader.h"

namespace ember {

Json placeToJson(const Place& place);
Place placeFromJson(const Json& json, const std::string& where, JsonTrouble& trouble);

Json worldToJson(const World& world);
World worldFromJson(const Json& json, JsonTrouble& trouble);

/// Recipes are known by their names.
Json boardToJson(const Board& board, const Project& project);
Board boardFromJson(const Json& json, const Project& project, JsonTrouble& trouble);

} // namespace ember
