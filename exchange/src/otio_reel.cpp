// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/exchange/reel.h"

#include <cmath>

#include "ember/core/shown_text.h"
#include "ember/json/json.h"
#include "motion_json.h"
#include "otio.h"

namespace ember {

namespace {

constexpr std::int64_t longestShot = 10'000'000; // frames

Json timeOf(double value, const FrameRate& rate)
{
    return {{"OTIO_SCHEMA", "RationalTime.1"}, {"rate", rate.perSecond()}, {"value", value}};
}

Json rangeOf(double start, double length, const FrameRate& rate)
{
    return {{"OTIO_SCHEMA", "TimeRange.1"}, {"start_time", timeOf(start, rate)}, {"duration", timeOf(length, rate)}};
}

bool plainInAddress(char c)
{
    return (c >= 'a' && c <= 'z') || (c >= 'A' && c <= 'Z') || (c >= '0' && c <= '9') ||
           std::string_view("/-._~").find(c) != std::string_view::npos;
}

/// A path as a file: address (RFC 8089); a relative one is only escaped.
std::string addressOf(const std::string& path)
{
    constexpr std::string_view digits = "0123456789ABCDEF";
    std::string out = path.starts_with('/') ? "file://" : "";
    for (const char c : path) {
        if (plainInAddress(c)) {
            out += c;
            continue;
        }
        const auto byte = static_cast<unsigned char>(c);
        out += {'%', digits[byte >> 4], digits[byte & 15]};
    }
    return out;
}

int digitOf(char c)
{
    return c >= '0' && c <= '9'   ? c - '0'
           : c >= 'a' && c <= 'f' ? c - 'a' + 10
           : c >= 'A' && c <= 'F' ? c - 'A' + 10
                                  : -1;
}

std::string pathOf(std::string_view address)
{
    constexpr std::string_view scheme = "file://";
    if (address.starts_with(scheme)) {
        address.remove_prefix(scheme.size());
        if (const auto slash = address.find('/');
            slash != std::string_view::npos && slash > 0) // a host, such as localhost
            address.remove_prefix(slash);
    }
    std::string out;
    for (std::size_t i = 0; i < address.size(); ++i) {
        if (address[i] == '%' && i + 2 < address.size() && digitOf(address[i + 1]) >= 0 &&
            digitOf(address[i + 2]) >= 0) {
            out += static_cast<char>(digitOf(address[i + 1]) * 16 + digitOf(address[i + 2]));
            i += 2;
        } else {
            out += address[i];
        }
    }
    return out;
}

Json itemOf(const Shot& shot, const FrameRate& rate)
{
    Json item{{"OTIO_SCHEMA", shot.gap() ? "Gap.1" : "Clip.2"},
              {"name", shot.gap() ? "" : shot.clip.substr(shot.clip.find_last_of('/') + 1)},
              {"metadata", Json::object()},
              {"source_range", rangeOf(shot.gap() ? 0 : shot.in, static_cast<double>(shot.length), rate)},
              {"effects", Json::array()},
              {"markers", Json::array()},
              {"enabled", true}};
    if (shot.gap())
        return item;
    if (shot.still)
        item["metadata"]["vast-ember"] = {{"still", true}};
    if (shot.speed != 1)
        item["effects"].push_back({{"OTIO_SCHEMA", "LinearTimeWarp.1"},
                                   {"name", ""},
                                   {"metadata", Json::object()},
                                   {"effect_name", "LinearTimeWarp"},
                                   {"time_scalar", shot.speed}});
    Json medium{{"OTIO_SCHEMA", "ExternalReference.1"},
                {"name", ""},
                {"metadata", Json::object()},
                {"available_range", nullptr},
                {"target_url", addressOf(shot.clip)}};
    if (shot.available > 0)
        medium["available_range"] = rangeOf(0, static_cast<double>(shot.available), rate);
    item["media_references"] = {{"DEFAULT_MEDIA", std::move(medium)}};
    item["active_media_reference_key"] = "DEFAULT_MEDIA";
    return item;
}

struct Time {
    double value = 0;
    double rate = 0;
};

Time timeFrom(const Json& json)
{
    const Time time{json.at("value").get<double>(), json.at("rate").get<double>()};
    if (!std::isfinite(time.value) || !(time.rate > 0))
        throw std::runtime_error("a time has no rate above 0");
    return time;
}

/// The rate with this many frames a second, as films have them: whole, or of 1001.
std::optional<FrameRate> rateFor(double perSecond)
{
    for (const std::int64_t below : {std::int64_t{1}, std::int64_t{1001}}) {
        const double above = perSecond * static_cast<double>(below);
        const double whole = below == 1 ? std::round(above) : std::round(above / 1000) * 1000;
        if (std::abs(above - whole) < 1e-3 * static_cast<double>(below) && whole > 0)
            return FrameRate::make(static_cast<std::int64_t>(whole), below);
    }
    return FrameRate::make(std::llround(perSecond * 1000), 1000);
}

const Json* pictureTrack(const Json& stack)
{
    for (const Json& track : stack.at("children"))
        if (otioSchema(track) == "Track" && track.value("kind", std::string("Video")) != "Audio")
            return &track;
    return nullptr;
}

Shot shotFrom(const Json& item, const FrameRate& rate)
{
    Shot shot;
    const Json* medium = nullptr;
    if (otioSchema(item) == "Clip") {
        if (const auto many = item.find("media_references"); many != item.end() && many->is_object()) {
            const auto key = item.value("active_media_reference_key", std::string("DEFAULT_MEDIA"));
            if (many->contains(key))
                medium = &(*many)[key];
        } else if (const auto one = item.find("media_reference"); one != item.end()) {
            medium = &*one;
        }
    }
    const Json* range = &item.at("source_range");
    if (range->is_null() && medium != nullptr)
        range = &medium->at("available_range");
    const Time start = timeFrom(range->at("start_time"));
    const Time length = timeFrom(range->at("duration"));
    const double frames = length.value / length.rate * rate.perSecond();
    if (!(frames >= 0.5 && frames <= static_cast<double>(longestShot)))
        throw std::runtime_error("an item lasts " + std::to_string(frames) + " frames");
    shot.length = std::llround(frames);
    if (medium == nullptr || otioSchema(*medium) != "ExternalReference")
        return shot;
    shot.clip = pathOf(medium->at("target_url").get<std::string>());
    shot.in = start.value / start.rate * rate.perSecond();
    if (const auto available = medium->find("available_range"); available != medium->end() && available->is_object()) {
        // Frames of a medium may be counted from its timecode.
        const Time first = timeFrom(available->at("start_time"));
        shot.in -= first.value / first.rate * rate.perSecond();
        const Time all = timeFrom(available->at("duration"));
        shot.available = std::llround(all.value / all.rate * rate.perSecond());
    }
    shot.in = std::max(0.0, shot.in);
    if (const auto ours = item.find("metadata"); ours != item.end() && ours->is_object())
        if (const auto known = ours->find("vast-ember"); known != ours->end() && known->is_object())
            shot.still = known->value("still", false);
    if (const auto effects = item.find("effects"); effects != item.end())
        for (const Json& effect : *effects)
            if (otioSchema(effect) == "LinearTimeWarp")
                shot.speed = clampTo(shotfield::speed, effect.at("time_scalar").get<double>());
    return shot;
}

} // namespace

std::string reelToOtio(const Project& project, const std::string& name, const ReelMotions& motions)
{
    Json json = parsedJson(strikesToText(ListFormat::otio, listOf(project), project.rate), "The list").value();
    json["name"] = name;
    Json children = Json::array();
    for (std::size_t i = 0; i < project.shots.size(); ++i) {
        Json item = itemOf(project.shots[i], project.rate);
        if (i < motions.size() && motions[i])
            item["metadata"]["vast-ember"]["motion"] =
                motionJson(*motions[i], motions[i]->how.sparse ? handedKeys(*motions[i]) : std::vector<CurveKeys>());
        children.push_back(std::move(item));
    }
    json["tracks"]["children"].push_back({{"OTIO_SCHEMA", "Track.1"},
                                          {"name", "Shots"},
                                          {"kind", "Video"},
                                          {"metadata", Json::object()},
                                          {"source_range", nullptr},
                                          {"effects", Json::array()},
                                          {"markers", Json::array()},
                                          {"enabled", true},
                                          {"children", std::move(children)}});
    return json.dump(2, ' ', false, Json::error_handler_t::replace) + "\n";
}

namespace {

/// "item 3 (“Ladle”)", for messages.
std::string itemName(const Json& item, std::size_t number)
{
    const std::string name =
        item.is_object() && item.contains("name") && item["name"].is_string() ? item["name"].get<std::string>() : "";
    return "item " + std::to_string(number) + " of its track" + (name.empty() ? "" : " (" + inQuotes(name, 40) + ")");
}

} // namespace

Result<ListedReel> reelFromOtio(std::string_view text)
{
    const auto wrong = [](const Phrase& what) { return Error{ErrorCode::badFormat, "The timeline", what}; };
    const auto parsed = parsedJson(text, "The timeline");
    if (!parsed)
        return parsed.error();
    const Json& json = parsed.value();
    std::string at = "the timeline"; // what is read now
    ListedReel reel;
    try {
        if (otioSchema(json) != "Timeline")
            return wrong("it is JSON, but no OpenTimelineIO timeline");
        const Json* track = pictureTrack(json.at("tracks"));
        if (track == nullptr)
            return wrong("it has no track with pictures");
        double perSecond = 0;
        for (const Json& item : track->at("children"))
            if (const auto range = item.find("source_range");
                perSecond == 0 && range != item.end() && range->is_object())
                perSecond = timeFrom(range->at("duration")).rate;
        const auto rate = rateFor(perSecond == 0 ? 24 : perSecond);
        if (!rate)
            return wrong("its frame rate is not one from 1 to 1000");
        reel.rate = *rate;
        std::size_t number = 0;
        for (const Json& item : track->at("children")) {
            at = itemName(item, ++number);
            if (otioSchema(item) != "Transition") // lies over its neighbours and takes no time
                reel.shots.push_back(shotFrom(item, reel.rate));
        }
    } catch (const Json::exception& error) {
        return wrong(Phrase("{} cannot be read: {}", at, wordsFor(error)));
    } catch (const std::exception& error) { // ours, in words
        return wrong(Phrase("{} cannot be read: {}", at, std::string(error.what())));
    }
    if (reel.shots.empty())
        return wrong("its track is empty");
    ListReading reading;
    reading.rate = reel.rate;
    auto strikes = strikesFromText(ListFormat::otio, text, reading);
    if (!strikes)
        return strikes.error();
    reel.strikes = std::move(strikes).value();
    return reel;
}

} // namespace ember
