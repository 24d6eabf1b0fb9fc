// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>
#include <array>
#include <cmath>
#include <numbers>

#include "cells.h"
#include "ember/json/json.h"
#include "formats.h"

namespace ember {

namespace {

/// A value as the text a row of a table would have.
std::string textOf(const Json& value)
{
    if (value.is_array()) { // a position as simulators write it
        std::string joined;
        for (const Json& item : value)
            joined += (joined.empty() ? "" : ":") + item.dump();
        return joined;
    }
    return value.is_string() ? value.get<std::string>() : value.is_null() ? std::string() : value.dump();
}

std::optional<double> numberIn(const Json& entry, const char* key)
{
    return entry.contains(key) && entry[key].is_number() ? std::optional(entry[key].get<double>()) : std::nullopt;
}

/// What flies apart at a place pushes the camera away from it; in the middle of the picture there is no way to go.
std::optional<double> awayFrom(const Json& entry)
{
    constexpr double middle = 0.05;
    if (!entry.contains("place") || !entry["place"].is_object())
        return std::nullopt;
    const auto x = numberIn(entry["place"], "x");
    const auto y = numberIn(entry["place"], "y");
    if (!x || !y || !(std::hypot(*x - 0.5, *y - 0.5) > middle))
        return std::nullopt;
    return std::round(std::atan2(0.5 - *y, 0.5 - *x) * 1800 / std::numbers::pi) / 10;
}

Result<ListedStrike> strikeFromEntry(const Json& entry, const ListReading& reading, const std::string& where)
{
    if (!entry.is_object())
        return Error{ErrorCode::badFormat, where, "it is not an object"};
    auto strike = strikeFromCells(
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
    if (strike && !strike->direction)
        strike->direction = awayFrom(entry);
    return strike;
}

/// Where a list tells energies instead of strengths: speed goes with the root of energy, and so does the strength,
/// against the strongest of the list.
void strengthsFromEnergies(StrikeList& strikes, const std::vector<std::optional<double>>& energies)
{
    double most = 0;
    for (const auto& energy : energies)
        most = std::max(most, energy.value_or(0));
    for (std::size_t i = 0; i < strikes.size(); ++i)
        if (energies[i] && most > 0)
            strikes[i].strength = std::round(1000 * std::sqrt(std::max(0.0, *energies[i]) / most)) / 1000;
}

/// The energy of an entry that tells no strength.
std::optional<double> energyOf(const Json& entry)
{
    for (const auto& [key, value] : entry.items())
        if (columnFor(key) == "strength")
            return std::nullopt;
    return numberIn(entry, "energy");
}

} // namespace

std::vector<std::string> jsonKeys(std::string_view text)
{
    auto json = parsedJson(text, {});
    if (!json) // lines: the first is enough
        json = parsedJson(text.substr(0, text.find('\n')), {});
    std::vector<std::string> keys;
    if (!json)
        return keys;
    const Json& whole = json.value();
    const Json& list = whole.is_object() && whole.contains("strikes") ? whole["strikes"] : whole;
    const Json& first = list.is_array() && !list.empty() ? list[0] : list;
    if (first.is_object())
        for (const auto& [key, value] : first.items())
            keys.push_back(key);
    return keys;
}

Result<StrikeList> strikesFromJsonLines(std::string_view text, const ListReading& reading)
{
    StrikeList strikes;
    std::vector<std::optional<double>> energies;
    std::size_t number = 0;
    while (!text.empty()) {
        const auto end = text.find('\n');
        const std::string_view line = trimmed(text.substr(0, end));
        text = end == std::string_view::npos ? std::string_view() : text.substr(end + 1);
        const std::string where = "line " + std::to_string(++number);
        if (line.empty())
            continue;
        const auto entry = parsedJson(line, where);
        if (!entry)
            return entry.error();
        auto strike = strikeFromEntry(entry.value(), reading, where);
        if (!strike)
            return strike.error();
        energies.push_back(energyOf(entry.value()));
        strikes.push_back(std::move(strike).value());
    }
    strengthsFromEnergies(strikes, energies);
    return strikes;
}

Result<StrikeList> strikesFromJson(std::string_view text, const ListReading& reading)
{
    const auto whole = parsedJson(text, "The list");
    if (!whole)
        return whole.error();
    const Json& json = whole.value();
    const Json& list = json.is_object() && json.contains("strikes") ? json["strikes"] : json;
    if (!list.is_array())
        return Error{ErrorCode::badFormat, "The list", "it is JSON, but neither a list nor an object with \"strikes\""};
    StrikeList strikes;
    std::vector<std::optional<double>> energies;
    for (std::size_t i = 0; i < list.size(); ++i) {
        auto strike = strikeFromEntry(list[i], reading, "entry " + std::to_string(i + 1));
        if (!strike)
            return strike.error();
        energies.push_back(energyOf(list[i]));
        strikes.push_back(std::move(strike).value());
    }
    strengthsFromEnergies(strikes, energies);
    return strikes;
}

namespace {

Json entryOf(const ListedStrike& strike, FrameRate rate)
{
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
    if (strike.place)
        entry["position"] = placeText(*strike.place);
    if (!strike.recipe.empty())
        entry["recipe"] = strike.recipe;
    if (!strike.values.empty())
        entry["values"] = strike.values;
    return entry;
}

} // namespace

std::string strikesToJsonLines(const StrikeList& strikes, FrameRate rate)
{
    std::string text;
    for (const ListedStrike& strike : strikes)
        text += entryOf(strike, rate).dump(-1, ' ', false, Json::error_handler_t::replace) + "\n";
    return text;
}

std::string strikesToJson(const StrikeList& strikes, FrameRate rate)
{
    Json list = Json::array();
    for (const ListedStrike& strike : strikes)
        list.push_back(entryOf(strike, rate));
    const Json json{{"rate", std::to_string(rate.num()) + "/" + std::to_string(rate.den())}, {"strikes", list}};
    return json.dump(2, ' ', false, Json::error_handler_t::replace) + "\n";
}

} // namespace ember
