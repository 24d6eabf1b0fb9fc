// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>
#include <array>
#include <cctype>
#include <charconv>
#include <cmath>
#include <cstdio>

#include "cells.h"
#include "ember/json/json.h"

namespace ember {

namespace {

template <typename Number>
std::optional<Number> numberFrom(std::string_view text)
{
    text = trimmed(text);
    if (text.starts_with('+'))
        text.remove_prefix(1);
    Number value{};
    const auto [end, code] = std::from_chars(text.data(), text.data() + text.size(), value);
    if (text.empty() || code != std::errc() || end != text.data() + text.size())
        return std::nullopt;
    return value;
}

/// "0.8" or "80 %"
std::optional<double> ratioFrom(std::string_view text)
{
    text = trimmed(text);
    const bool percent = text.ends_with('%');
    if (percent)
        text.remove_suffix(1);
    const auto value = numberFrom<double>(text);
    return value ? std::optional(percent ? *value / 100 : *value) : std::nullopt;
}

std::string timecodeText(double seconds, FrameRate rate)
{
    const auto base = std::max<std::int64_t>(1, std::llround(rate.perSecond()));
    const auto frame = std::llround(rate.frames(seconds));
    std::array<char, 48> text{};
    std::snprintf(text.data(), text.size(), "%02lld:%02lld:%02lld:%02lld", static_cast<long long>(frame / base / 3600),
                  static_cast<long long>(frame / base / 60 % 60), static_cast<long long>(frame / base % 60),
                  static_cast<long long>(frame % base));
    return text.data();
}

/// What valuesText wrote, or anything like it.
std::optional<std::map<std::string, double>> valuesFrom(std::string_view text)
{
    const auto json = parsedJson(text, {});
    if (!json || !json->is_object())
        return std::nullopt;
    std::map<std::string, double> values;
    for (const auto& [key, value] : json.value().items()) {
        if (!value.is_number() || !std::isfinite(value.get<double>()))
            return std::nullopt;
        values[key] = value.get<double>();
    }
    return values;
}

} // namespace

std::string valuesText(const std::map<std::string, double>& values)
{
    return values.empty() ? std::string() : Json(values).dump(-1, ' ', false, Json::error_handler_t::replace);
}

std::string_view trimmed(std::string_view text)
{
    const auto space = [](char c) { return std::isspace(static_cast<unsigned char>(c)) != 0; };
    while (!text.empty() && space(text.front()))
        text.remove_prefix(1);
    while (!text.empty() && space(text.back()))
        text.remove_suffix(1);
    return text;
}

std::optional<std::string_view> columnFor(std::string_view heading)
{
    std::string name = lowered(trimmed(heading));
    if (const auto unit = name.find_first_of("(["); unit != std::string::npos)
        name = std::string(trimmed(std::string_view(name).substr(0, unit)));
    constexpr std::array<std::pair<std::string_view, std::string_view>, 17> known{{{"time", "seconds"},
                                                                                   {"start", "seconds"},
                                                                                   {"in", "seconds"},
                                                                                   {"onset", "seconds"},
                                                                                   {"sec", "seconds"},
                                                                                   {"s", "seconds"},
                                                                                   {"frames", "frame"},
                                                                                   {"frame number", "frame"},
                                                                                   {"tc", "timecode"},
                                                                                   {"time code", "timecode"},
                                                                                   {"type", "kind"},
                                                                                   {"label", "name"},
                                                                                   {"marker", "name"},
                                                                                   {"comment", "name"},
                                                                                   {"level", "strength"},
                                                                                   {"intensity", "strength"},
                                                                                   {"angle", "direction"}}};
    for (const auto column : listColumns)
        if (name == column)
            return column;
    for (const auto& [foreign, ours] : known)
        if (name == foreign)
            return ours;
    return std::nullopt;
}

std::optional<double> secondsFromTimecode(std::string_view text, FrameRate rate)
{
    text = trimmed(text);
    std::vector<std::string_view> parts;
    std::string_view rest = text;
    for (;;) {
        const auto colon = rest.find(':');
        parts.push_back(rest.substr(0, colon));
        if (colon == std::string_view::npos)
            break;
        rest.remove_prefix(colon + 1);
    }
    if (parts.size() < 2 || parts.size() > 4)
        return std::nullopt;
    const bool frames = parts.size() == 4;
    double minutes = 0;
    for (std::size_t i = 0; i + 1 < parts.size() - (frames ? 1 : 0); ++i) {
        const auto value = numberFrom<std::int64_t>(parts[i]);
        if (!value || *value < 0 || (i > 0 && *value > 59))
            return std::nullopt;
        minutes = 60 * minutes + static_cast<double>(*value);
    }
    if (frames) { // counted at the whole number of frames a second nearest to the rate
        const auto seconds = numberFrom<std::int64_t>(parts[2]);
        const auto frame = numberFrom<std::int64_t>(parts[3]);
        const auto base = std::llround(rate.perSecond());
        if (!seconds || !frame || *seconds < 0 || *seconds > 59 || *frame < 0 || *frame >= base)
            return std::nullopt;
        return rate.seconds((60 * minutes + static_cast<double>(*seconds)) * static_cast<double>(base) +
                            static_cast<double>(*frame));
    }
    std::string last(parts.back());
    std::replace(last.begin(), last.end(), ',', '.');
    const auto seconds = numberFrom<double>(last);
    if (!seconds || !(*seconds >= 0 && *seconds < 60))
        return std::nullopt;
    return 60 * minutes + *seconds;
}

std::string clockText(double seconds)
{
    const auto thousandths = std::llround(seconds * 1000);
    std::array<char, 48> text{};
    std::snprintf(text.data(), text.size(), "%02lld:%02lld:%02lld.%03lld",
                  static_cast<long long>(thousandths / 3600000), static_cast<long long>(thousandths / 60000 % 60),
                  static_cast<long long>(thousandths / 1000 % 60), static_cast<long long>(thousandths % 1000));
    return text.data();
}

Result<ListedStrike> strikeFromCells(const std::function<std::string(std::string_view column)>& cell,
                                     const ListReading& reading, const std::string& where)
{
    const auto wrong = [&](std::string_view column, const std::string& text, const char* wanted) {
        return Error{ErrorCode::badValue, where,
                     Phrase("{} is \"{}\", but should be {}", std::string(column), text, wanted)};
    };
    ListedStrike strike;
    // The most exact one that is there counts: seconds, then timecode, then frame.
    std::optional<double> seconds;
    for (const std::string_view column : {"seconds", "timecode", "frame"}) {
        const std::string text = cell(column);
        if (seconds || trimmed(text).empty())
            continue;
        if (column == "frame") {
            if (const auto frame = numberFrom<double>(text))
                seconds = reading.rate.seconds(*frame);
        } else {
            // A "time" may be a plain number or a clock's.
            seconds = text.find(':') == std::string::npos ? numberFrom<double>(text)
                                                          : secondsFromTimecode(text, reading.rate);
        }
        if (!seconds || !(*seconds >= 0 && *seconds <= longestSeconds))
            return wrong(column, text,
                         column == "frame" ? "a frame counted from 0"
                                           : "seconds from 0, or a time such as 00:01:02.500 or 00:01:02:12");
    }
    if (!seconds)
        return Error{ErrorCode::badValue, where, "it has no frame, no seconds and no timecode"};
    strike.seconds = *seconds;
    if (const std::string text = cell("kind"); !trimmed(text).empty()) {
        const auto kind = kindFromName(lowered(trimmed(text)));
        if (!kind)
            return wrong("kind", text, "one of blast, landing, hit, beat");
        strike.kind = *kind;
    }
    strike.name = std::string(trimmed(cell("name")));
    if (const std::string text = cell("strength"); !trimmed(text).empty()) {
        const auto strength = ratioFrom(text);
        if (!strength || !inRange(strikefield::strength, *strength))
            return wrong("strength", text, "a ratio from 0 to 10, or percent");
        strike.strength = *strength;
    }
    if (const std::string text = cell("direction"); !trimmed(text).empty()) {
        strike.direction = numberFrom<double>(text);
        if (!strike.direction || !inRange(strikefield::direction, *strike.direction))
            return wrong("direction", text, "degrees from -360 to 360");
    }
    if (const std::string text = cell("seed"); !trimmed(text).empty()) {
        strike.seed = numberFrom<std::uint32_t>(text);
        if (!strike.seed)
            return wrong("seed", text, "a whole number from 0 to 4294967295");
    }
    if (const std::string text = cell("position"); !trimmed(text).empty()) {
        strike.place = placeFromText(trimmed(text));
        if (!strike.place)
            return wrong("position", text, "X:Y:Z in metres, or picture:X:Y:METRES");
    }
    strike.recipe = std::string(trimmed(cell("recipe")));
    if (const std::string text = cell("values"); !trimmed(text).empty()) {
        const auto values = valuesFrom(text);
        if (!values)
            return wrong("values", text, "numbers by their keys, such as {\"envelope.decay\": 30}");
        strike.values = *values;
    }
    return strike;
}

std::string cellOf(const ListedStrike& strike, std::string_view column, FrameRate rate)
{
    if (column == "frame")
        return std::to_string(std::llround(rate.frames(strike.seconds)));
    if (column == "seconds")
        return shortestText(strike.seconds);
    if (column == "timecode")
        return timecodeText(strike.seconds, rate);
    if (column == "kind")
        return std::string(kindName(strike.kind));
    if (column == "name")
        return strike.name;
    if (column == "strength")
        return shortestText(strike.strength);
    if (column == "direction")
        return strike.direction ? shortestText(*strike.direction) : "";
    if (column == "position")
        return strike.place ? placeText(*strike.place) : "";
    if (column == "recipe")
        return strike.recipe;
    if (column == "values")
        return valuesText(strike.values);
    return strike.seed ? std::to_string(*strike.seed) : "";
}

} // namespace ember
