// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/live/hammer_pattern.h"

#include <algorithm>
#include <cmath>

#include "ember/core/source.h"
#include "ember/json/json.h"

namespace ember {

namespace {

constexpr double longestSeconds = 86'400;
constexpr std::size_t mostMessages = 2'000'000;

/// Reads an object key by key and keeps the first thing that is wrong.
class Reader {
public:
    Reader(const Json& json, std::string where, std::optional<std::string>& wrong)
        : json_(json), where_(std::move(where)), wrong_(wrong)
    {
        if (!json_.is_object())
            say("", "should be an object");
    }
    ~Reader()
    {
        if (json_.is_object())
            for (const auto& [key, value] : json_.items())
                if (std::find(asked_.begin(), asked_.end(), key) == asked_.end())
                    say(key, "is not known here");
    }
    Reader(const Reader&) = delete;
    Reader& operator=(const Reader&) = delete;

    bool has(const char* key)
    {
        asked_.emplace_back(key);
        return json_.is_object() && json_.contains(key);
    }
    double number(const char* key, double least, double most, double fallback)
    {
        if (!has(key))
            return fallback;
        const Json& value = json_[key];
        if (!value.is_number() || !(value.get<double>() >= least && value.get<double>() <= most)) {
            say(key, "should be a number from " + Json(least).dump() + " to " + Json(most).dump());
            return fallback;
        }
        return value.get<double>();
    }
    std::string text(const char* key)
    {
        if (has(key) && json_[key].is_string() && !json_[key].get<std::string>().empty())
            return json_[key].get<std::string>();
        say(key, "should be a word");
        return {};
    }
    const Json* list(const char* key, std::size_t size = 0)
    {
        if (!has(key))
            return nullptr;
        if (!json_[key].is_array() || (size > 0 && json_[key].size() != size)) {
            say(key, size > 0 ? "should be a list of " + std::to_string(size) : "should be a list");
            return nullptr;
        }
        return &json_[key];
    }
    void say(const std::string& key, const std::string& what)
    {
        if (!wrong_)
            wrong_ = where_ + (key.empty() ? "" : (where_.empty() ? "" : ".") + key) + " " + what;
    }

private:
    const Json& json_;
    std::string where_;
    std::optional<std::string>& wrong_;
    std::vector<std::string> asked_;
};

std::optional<WorldPoint> pointIn(Reader& reader, const char* key)
{
    const Json* list = reader.list(key, 3);
    if (list == nullptr)
        return std::nullopt;
    const auto at = [&](std::size_t i) {
        const Json& value = (*list)[i];
        if (value.is_number() && inRange(worldfield::coordinate, value.get<double>()))
            return value.get<double>();
        reader.say(key, "should be metres from -10000 to 10000");
        return 0.0;
    };
    return WorldPoint{at(0), at(1), at(2)};
}

OscMessage messageFrom(Reader& reader)
{
    if (reader.has("settle"))
        return OscSettle{reader.number("settle", settlefield::frames.min, settlefield::frames.max, 12)};
    if (reader.has("intensity"))
        return OscIntensity{reader.number("intensity", 0, 200, 100) / 100};
    OscStrike strike;
    strike.kind = reader.text("strike");
    strike.strength = reader.number("strength", strikefield::strength.min, strikefield::strength.max, 1);
    if (reader.has("seed"))
        strike.seed = static_cast<std::uint32_t>(reader.number("seed", 0, 4294967295.0, 0));
    strike.at = pointIn(reader, "at");
    return strike;
}

/// Presses at random moments, as often as told on average, of random kinds and strengths.
void hammer(Reader& reader, std::vector<TimedOsc>& pattern)
{
    const double from = reader.number("from", 0, longestSeconds, 0);
    const double seconds = reader.number("seconds", 0, longestSeconds, 1);
    const double perSecond = reader.number("per_second", 0.01, 10'000, 30);
    const auto seed = static_cast<std::uint64_t>(reader.number("seed", 0, 4294967295.0, 1));
    const double weakest = reader.number("weakest", 0, 4, 0.2);
    const double strongest = reader.number("strongest", 0, 4, 1);
    const double reach = reader.number("within", 0, 10'000, 0);
    std::vector<std::string> kinds{"hit"};
    if (const Json* list = reader.list("kinds")) {
        kinds.clear();
        for (const Json& kind : *list)
            if (kind.is_string() && !kind.get<std::string>().empty())
                kinds.push_back(kind.get<std::string>());
        if (kinds.empty())
            reader.say("kinds", "should be words");
    }
    if (kinds.empty())
        return;
    if (seconds * perSecond > static_cast<double>(mostMessages))
        return reader.say("per_second", "makes more than two million messages");
    const auto count = static_cast<std::uint64_t>(std::llround(seconds * perSecond));
    for (std::uint64_t i = 0; i < count; ++i) {
        const auto drawn = [&](std::uint64_t what) { return unitOf(mixSeed(seed, i, what)); };
        OscStrike strike;
        strike.kind =
            kinds[std::min(kinds.size() - 1, static_cast<std::size_t>(drawn(2) * static_cast<double>(kinds.size())))];
        strike.strength = weakest + (strongest - weakest) * drawn(3);
        strike.seed = static_cast<std::uint32_t>(mixSeed(seed, i, 4) % 99'999 + 1);
        if (reach > 0)
            strike.at = WorldPoint{reach * (2 * drawn(5) - 1), 0, reach * (2 * drawn(6) - 1)};
        pattern.push_back({from + (static_cast<double>(i) + drawn(1)) / perSecond, std::move(strike)});
    }
}

} // namespace

Result<std::vector<TimedOsc>> patternFromJson(std::string_view text, const std::string& name)
{
    const auto parsed = parsedJson(text, name);
    if (!parsed)
        return parsed.error();
    const Json& json = parsed.value();
    std::optional<std::string> wrong;
    std::vector<TimedOsc> pattern;
    {
        Reader reader(json, "", wrong);
        if (const Json* list = reader.list("messages"))
            for (std::size_t i = 0; i < list->size(); ++i) {
                Reader entry((*list)[i], "messages[" + std::to_string(i) + "]", wrong);
                const double at = entry.number("time", 0, longestSeconds, 0);
                pattern.push_back({at, messageFrom(entry)});
            }
        if (const Json* list = reader.list("hammer"))
            for (std::size_t i = 0; i < list->size(); ++i) {
                Reader entry((*list)[i], "hammer[" + std::to_string(i) + "]", wrong);
                hammer(entry, pattern);
            }
    }
    if (wrong)
        return Error{ErrorCode::badValue, name, *wrong};
    std::stable_sort(pattern.begin(), pattern.end(),
                     [](const TimedOsc& a, const TimedOsc& b) { return a.seconds < b.seconds; });
    return pattern;
}

} // namespace ember
