// SPDX-License-Identifier: GPL-3.0-or-later
// OpenTimelineIO's JSON: every marker is a strike, at its place on the whole timeline. Written strikes are markers of
// the timeline's stack; what a marker has no place for stands in its metadata under "vast-ember".
#include <algorithm>
#include <array>
#include <cmath>

#include "cells.h"
#include "ember/json/json.h"
#include "formats.h"
#include "otio.h"

namespace ember {

namespace {

constexpr int deepest = 64; ///< stacks within stacks

const Json& member(const Json& object, const char* key)
{
    static const Json none;
    return object.is_object() && object.contains(key) ? object[key] : none;
}

std::optional<double> secondsOf(const Json& time)
{
    const Json& value = member(time, "value");
    const Json& rate = member(time, "rate");
    if (!value.is_number() || !rate.is_number() || !(rate.get<double>() > 0))
        return std::nullopt;
    return value.get<double>() / rate.get<double>();
}

struct SeenRange {
    double start = 0;
    double length = 0;
};

std::optional<SeenRange> rangeOf(const Json& range)
{
    const auto start = secondsOf(member(range, "start_time"));
    const auto length = secondsOf(member(range, "duration"));
    return start && length ? std::optional(SeenRange{*start, *length}) : std::nullopt;
}

/// What of an item is seen: its source range, else what its medium has.
std::optional<SeenRange> seenOf(const Json& item)
{
    if (const auto range = rangeOf(member(item, "source_range")))
        return range;
    if (const auto range = rangeOf(member(member(item, "media_reference"), "available_range")))
        return range;
    const Json& active = member(item, "active_media_reference_key");
    const std::string key = active.is_string() ? active.get<std::string>() : "DEFAULT_MEDIA";
    return rangeOf(member(member(member(item, "media_references"), key.c_str()), "available_range"));
}

class Walk {
public:
    explicit Walk(const ListReading& reading) : reading_(reading) {}

    /// `at`: where the item begins on the timeline, in seconds. Gives its length.
    Result<double> visit(const Json& item, double at, int depth)
    {
        if (depth > deepest)
            return Error{ErrorCode::badFormat, "The list", "its stacks lie too deep in each other"};
        const std::string schema = otioSchema(item);
        const auto seen = seenOf(item);
        const double start = seen ? seen->start : 0;
        for (const Json& marker : member(item, "markers"))
            if (const Status read = take(marker, at - start); !read)
                return read.error();
        double inside = 0;
        for (const Json& child : member(item, "children")) {
            if (otioSchema(child) == "Transition") // lies over its neighbours and takes no time
                continue;
            auto length = visit(child, at - start + (schema == "Track" ? inside : 0), depth + 1);
            if (!length)
                return length;
            inside = schema == "Track" ? inside + length.value() : std::max(inside, length.value());
        }
        return seen ? seen->length : inside;
    }

    StrikeList strikes() &&
    {
        std::stable_sort(strikes_.begin(), strikes_.end(), [](auto& a, auto& b) { return a.seconds < b.seconds; });
        return std::move(strikes_);
    }

private:
    Status take(const Json& marker, double origin)
    {
        const std::string where = "marker " + std::to_string(strikes_.size() + 1);
        const auto start = secondsOf(member(member(marker, "marked_range"), "start_time"));
        if (!start)
            return Error{ErrorCode::badFormat, where, "its marked_range has no start_time with value and rate"};
        const Json& ours = member(member(marker, "metadata"), "vast-ember");
        const auto strike = strikeFromCells(
            [&](std::string_view column) -> std::string {
                if (column == "seconds") // a hair before 0 is 0: sums of fractions
                    return Json(origin + *start < 0 && origin + *start > -1e-6 ? 0.0 : origin + *start).dump();
                const Json& value =
                    column == "name" ? member(marker, "name") : member(ours, std::string(column).c_str());
                return column == "frame" || column == "timecode" || value.is_null() ? std::string()
                       : value.is_string()                                          ? value.get<std::string>()
                                                                                    : value.dump();
            },
            reading_, where);
        if (!strike)
            return strike.error();
        strikes_.push_back(strike.value());
        return Done{};
    }

    const ListReading& reading_;
    StrikeList strikes_;
};

Json timeOf(double value, double rate)
{
    return {{"OTIO_SCHEMA", "RationalTime.1"}, {"rate", rate}, {"value", value}};
}

} // namespace

std::string otioSchema(const Json& item)
{
    const Json& schema = member(item, "OTIO_SCHEMA");
    const std::string text = schema.is_string() ? schema.get<std::string>() : std::string();
    return text.substr(0, text.find('.'));
}

Result<StrikeList> strikesFromOtio(std::string_view text, const ListReading& reading)
{
    const auto parsed = parsedJson(text, "The list");
    if (!parsed)
        return parsed.error();
    const Json& json = parsed.value();
    const std::string schema = otioSchema(json);
    if (schema.empty())
        return Error{ErrorCode::badFormat, "The list", "it is JSON, but names no OTIO_SCHEMA"};
    Walk walk(reading);
    const auto length = walk.visit(schema == "Timeline" ? member(json, "tracks") : json, 0, 0);
    if (!length)
        return length.error();
    return std::move(walk).strikes();
}

std::string strikesToOtio(const StrikeList& strikes, FrameRate rate)
{
    Json markers = Json::array();
    for (const ListedStrike& strike : strikes) {
        Json ours{{"kind", kindName(strike.kind)}, {"strength", strike.strength}};
        if (strike.direction)
            ours["direction"] = *strike.direction;
        if (strike.seed)
            ours["seed"] = *strike.seed;
        if (strike.place)
            ours["position"] = placeText(*strike.place);
        if (!strike.recipe.empty())
            ours["recipe"] = strike.recipe;
        if (!strike.values.empty())
            ours["values"] = strike.values;
        const double perSecond = rate.perSecond();
        markers.push_back({{"OTIO_SCHEMA", "Marker.2"},
                           {"name", strike.name},
                           {"color", "RED"},
                           {"metadata", {{"vast-ember", ours}}},
                           {"marked_range",
                            {{"OTIO_SCHEMA", "TimeRange.1"},
                             {"start_time", timeOf(std::round(rate.frames(strike.seconds)), perSecond)},
                             {"duration", timeOf(1, perSecond)}}}});
    }
    const Json json{{"OTIO_SCHEMA", "Timeline.1"},
                    {"name", "Strikes"},
                    {"metadata", Json::object()},
                    {"global_start_time", nullptr},
                    {"tracks",
                     {{"OTIO_SCHEMA", "Stack.1"},
                      {"name", "tracks"},
                      {"metadata", Json::object()},
                      {"source_range", nullptr},
                      {"effects", Json::array()},
                      {"markers", markers},
                      {"enabled", true},
                      {"children", Json::array()}}}};
    return json.dump(2, ' ', false, Json::error_handler_t::replace) + "\n";
}

} // namespace ember
