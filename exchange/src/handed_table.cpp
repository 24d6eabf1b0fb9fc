// SPDX-License-Identifier: GPL-3.0-or-later
// A motion as CSV and as JSON.
#include <cmath>

#include "ember/json/json.h"
#include "motion_json.h"
#include "writing.h"

namespace ember {

namespace {

constexpr int motionVersion = 1;

/// "x_px", "scale_percent", "roll_deg": units that headings may have.
std::string headingOf(const HandedChannel& channel)
{
    const std::string unit = channel.unit == "%" ? "percent" : channel.unit == "°" ? "deg" : slugOf(channel.unit);
    return channel.name + "_" + unit;
}

Json conventionsOf(const HandedMotion& motion)
{
    const HandingOn& how = motion.how;
    const bool layer = how.as == HandedAs::layer;
    Json json{{"y", how.yUp ? "up" : "down"},
              {"values", how.absolute ? "absolute" : "additive"},
              {"rotation_order", rotationOrderText(how.as)},
              {"cover", how.cover},
              {"gentle", how.gentle}};
    if (layer) {
        json["roll"] = how.yUp ? "counterclockwise" : "clockwise";
        json["anchor"] = {0.5 * motion.width, 0.5 * motion.height};
    } else {
        json["unit"] = how.unit;
        json["lens_deg"] = how.lens;
        json["picture_width"] = how.planeWidth;
        json["picture_height"] = how.planeWidth * motion.height / motion.width;
        json["picture_distance"] = how.planeWidth * planeDistance(how.lens);
        json["farthest_off_px"] = motion.farthestOff;
    }
    return json;
}

template <std::size_t N>
std::optional<std::size_t> placeOf(const std::array<std::string_view, N>& names, const Json& word)
{
    for (std::size_t i = 0; i < N && word.is_string(); ++i)
        if (names[i] == word.get<std::string>())
            return i;
    return std::nullopt;
}

} // namespace

std::string handedToCsv(const HandedMotion& motion, const std::vector<CurveKeys>& few)
{
    std::string out;
    if (motion.how.sparse) {
        out = "channel,frame,value,slope_in,slope_out\n";
        for (std::size_t i = 0; i < few.size(); ++i)
            for (const CurveKey& key : few[i])
                out += headingOf(motion.channels[i]) + "," + shortNumber(key.frame) + "," + shortNumber(key.value) +
                       "," + shortNumber(key.slopeIn) + "," + shortNumber(key.slopeOut) + "\n";
        return out;
    }
    out = "frame,seconds";
    for (const HandedChannel& channel : motion.channels)
        out += "," + headingOf(channel);
    out += "\n";
    for (std::int64_t i = 0; i < motion.frames(); ++i) {
        out += std::to_string(motion.first + i) + "," +
               numberText(motion.rate.seconds(static_cast<double>(motion.first + i)));
        for (const HandedChannel& channel : motion.channels)
            out += "," + numberText(channel.curve.values[static_cast<std::size_t>(i)]);
        out += "\n";
    }
    return out;
}

Json motionJson(const HandedMotion& motion, const std::vector<CurveKeys>& few)
{
    Json json{{"vember_motion", motionVersion},
              {"name", motion.title},
              {"of", handedOfNames[static_cast<std::size_t>(motion.how.part.of)]},
              {"as", handedAsNames[static_cast<std::size_t>(motion.how.as)]},
              {"width", motion.width},
              {"height", motion.height},
              {"rate", std::to_string(motion.rate.num()) + "/" + std::to_string(motion.rate.den())},
              {"first", motion.first},
              {"frames", motion.frames()},
              {"conventions", conventionsOf(motion)}};
    if (motion.how.sparse)
        json["within"] = {{"pixels", motion.how.sparse->pixels},
                          {"degrees", motion.how.sparse->degrees},
                          {"zoom", motion.how.sparse->zoom}};
    Json channels = Json::array();
    for (std::size_t i = 0; i < motion.channels.size(); ++i) {
        const HandedChannel& channel = motion.channels[i];
        Json one{{"name", channel.name}, {"unit", channel.unit}, {"rest", channel.rest}};
        if (motion.how.sparse) {
            Json list = Json::array();
            for (const CurveKey& key : few[i])
                list.push_back({{"frame", key.frame},
                                {"value", key.value},
                                {"slope_in", key.slopeIn},
                                {"slope_out", key.slopeOut}});
            one["keys"] = std::move(list);
        } else {
            one["values"] = channel.curve.values;
        }
        channels.push_back(std::move(one));
    }
    json["channels"] = std::move(channels);
    return json;
}

std::string handedToJson(const HandedMotion& motion, const std::vector<CurveKeys>& few)
{
    return motionJson(motion, few).dump(1, ' ', false, Json::error_handler_t::replace) + "\n";
}

Result<HandedMotion> handedFromJson(std::string_view text)
{
    const auto wrong = [](const Phrase& what) { return Error{ErrorCode::badFormat, "The motion", what}; };
    const auto parsed = parsedJson(text, "The motion");
    if (!parsed)
        return parsed.error();
    const Json& json = parsed.value();
    if (!json.is_object() || !json.contains("vember_motion"))
        return wrong("it is JSON, but holds no motion: \"vember_motion\" is missing");
    if (json["vember_motion"] != motionVersion)
        return Error{ErrorCode::unsupported, "The motion", "this program reads version 1 of it"};
    HandedMotion motion;
    try {
        motion.title = json.at("name").get<std::string>();
        const auto of = placeOf(handedOfNames, json.at("of"));
        const auto as = placeOf(handedAsNames, json.at("as"));
        if (!of || !as)
            return wrong("\"of\" or \"as\" is a word it cannot be");
        motion.how.part.of = static_cast<HandedOf>(*of);
        motion.how.as = static_cast<HandedAs>(*as);
        motion.width = json.at("width").get<int>();
        motion.height = json.at("height").get<int>();
        const auto rate = json.at("rate").get<std::string>();
        const auto slash = rate.find('/');
        const auto known =
            FrameRate::make(std::stoll(rate), slash == std::string::npos ? 1 : std::stoll(rate.substr(slash + 1)));
        if (!known || motion.width < 1 || motion.height < 1)
            return wrong("its size or rate is one that no film has");
        motion.rate = *known;
        motion.first = json.at("first").get<std::int64_t>();
        const auto frames = json.at("frames").get<std::int64_t>();
        if (frames < 1 || frames > 10'000'000)
            return wrong("\"frames\" should be 1 to 10 million");
        const Json& conventions = json.at("conventions");
        motion.how.yUp = conventions.at("y") == "up";
        motion.how.absolute = conventions.at("values") == "absolute";
        motion.how.cover = conventions.at("cover").get<bool>();
        motion.how.gentle = conventions.at("gentle").get<bool>();
        for (const Json& one : json.at("channels")) {
            HandedChannel channel{
                one.at("name").get<std::string>(), one.at("unit").get<std::string>(), one.at("rest").get<double>(), {}};
            if (one.contains("values")) {
                channel.curve.values = one.at("values").get<std::vector<double>>();
            } else {
                CurveKeys keys;
                for (const Json& key : one.at("keys"))
                    keys.push_back({key.at("frame").get<double>(), key.at("value").get<double>(), Ease::curve,
                                    key.at("slope_in").get<double>(), key.at("slope_out").get<double>()});
                for (std::int64_t i = 0; i < frames; ++i)
                    channel.curve.values.push_back(valueOfKeys(keys, static_cast<double>(motion.first + i)));
            }
            if (static_cast<std::int64_t>(channel.curve.values.size()) != frames)
                return wrong(Phrase("channel \"{}\" has another number of values than there are frames", channel.name));
            motion.channels.push_back(std::move(channel));
        }
        motion.poses.resize(static_cast<std::size_t>(frames));
    } catch (const Json::exception& error) {
        return wrong(Phrase("it cannot be read: {}", wordsFor(error)));
    } catch (const std::exception&) { // a rate that is no number
        return wrong("its rate is not one that a film has");
    }
    return motion;
}

} // namespace ember
