// SPDX-License-Identifier: GPL-3.0-or-later
// The one door through which JSON comes in: limits of size and depth, and words for what is wrong.
#pragma once

#include <cstddef>
#include <string>
#include <string_view>

#include <nlohmann/json.hpp>

#include "ember/core/error.h"

extern template class nlohmann::basic_json<nlohmann::ordered_map>; // compiled once, in json.cpp

namespace ember {

using Json = nlohmann::ordered_json;

/// How deep objects and lists may be in each other. Ours are less than 20 deep; what is deeper would overflow the stack
/// of whoever walks it.
inline constexpr std::size_t deepestJson = 200;
/// Bytes.
inline constexpr std::size_t largestJson = std::size_t{256} << 20U;

/// The JSON in a text; `name` is what an error calls it. An error tells the line and column and what stands there.
Result<Json> parsedJson(std::string_view text, const std::string& name);

/// What reading found missing or of another type, in words.
std::string wordsFor(const Json::exception& error);

/// A value in a message: as JSON, shortened, fit for people.
std::string shownJson(const Json& value);

} // namespace ember
