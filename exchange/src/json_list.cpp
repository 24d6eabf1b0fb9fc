// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>
#include <array>
#include <cmath>

#include <nlohmann/json.hpp>

#include "cells.h"
#include "formats.h"

namespace ember {

namespace {

using Json = nlohmann::ordered_json;

/// A value as the text a row of a table would have.
std::string textOf(const Json& value)
{
    return value.is_string() ? value.get<std::string>() : value.is_null() ? std::string() : value.dump();
}

} // namespace

Result<StrikeList> strikesFromJson(std::string_view text, const ListReading& reading)
{
    Json json;
    try {
        json = Json::parse(text);
    } catch (const Json::exception& error) { // of its grammar, or a number too large
        std::string what = error.what();
        if (const auto at = what.find("] "); at != std::string::npos)
            what = what.substr(at + 2);
        return Error{ErrorCode::badFormat, "The list", what};
    }
    const Json& list = json.is_object() && json.contains("strikes") ? json["strikes"] : json;
    if (!list.is_array())
        return Error{ErrorCode::badFormat, "The list", "it is JSON, but neither a list nor an object with \"strikes\""};
    StrikeList strikes;
    for (std::size_t i = 0; i < list.size(); ++i) {
        const std::string where = "entry " + std::to_string(i + 1);
        const Json& entry = list[i];
        if (!entry.is_object())
            return Error{ErrorCode::badFormat, where, "it is not an object"};
        const auto strike = strikeFromCells(
            [&](std::string_view column) -> std::string {
                const auto mapped = reading.columns.find(std::string(column));
                if (mapped != reading.columns.end())
                    return entry.contains(mapped->second) ? textOf(entry[mapped->second]) : std::string();
                for (const auto& [key, value] : entry.items())
                    if (columnFor(key) == column)
                        return textOf(value);
                return {};
            },
            reading, where);
        if (!strike)
            return strike.error();
        strikes.push_back(strike.value());
    }
    return strikes;
}

std::string strikesToJson(const StrikeList& strikes, FrameRate rate)
{
    Json list = Json::array();
    for (const ListedStrike& strike : strikes) {
        Json entry{{"frame", std::llround(rate.frames(strike.seconds))},
                   {"seconds", strike.seconds},
                   {"timecode", cellOf(strike, "timecode", rate)},
                   {"kind", kindName(strike.kind)},
                   {"name", strike.name},
                   {"strength", strike.strength}};
        if (strike.direction)
            entry["direction"] = *strike.direction;
        if (strike.seed)
            entry["seed"] = *strike.seed;
        list.push_back(std::move(entry));
    }
    const Json json{{"rate", std::to_string(rate.num()) + "/" + std::to_string(rate.den())}, {"strikes", list}};
    return json.dump(2, ' ', false, Json::error_handler_t::replace) + "\n";
}

} // namespace ember
