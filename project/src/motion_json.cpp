// SPDX-License-Identifier: GPL-3.0-or-later
#include "motion_json.h"

#include <array>
#include <cmath>

namespace ember {

namespace {

constexpr std::size_t mostFrames = 100'000;

/// A column of a frame's row, in the order they stand.
struct Column {
    const char* name;
    double min;
    double max;
};
constexpr std::array<Column, 5> columns{
    {{"x_px", -1e6, 1e6}, {"y_px", -1e6, 1e6}, {"roll_deg", -1e6, 1e6}, {"zoom", 0.001, 1000}, {"confidence", 0, 1}}};

CapturedFrame readFrame(const Json& row, const std::string& place, JsonTrouble& trouble)
{
    if (!row.is_array() || row.size() != columns.size()) {
        trouble.add(ErrorCode::badFormat, place, "should be five numbers: x_px, y_px, roll_deg, zoom, confidence");
        return {};
    }
    std::array<double, columns.size()> read{};
    for (std::size_t i = 0; i < columns.size(); ++i) {
        read[i] = row[i].is_number() ? row[i].get<double>() : NAN;
        if (!(read[i] >= columns[i].min && read[i] <= columns[i].max))
            trouble.add(ErrorCode::badValue, place,
                        Phrase("has {} as its {}, but that should be a number from {} to {}", shownJson(row[i]),
                               columns[i].name, shortestText(columns[i].min), shortestText(columns[i].max)));
    }
    return {{read[0], read[1], read[2], read[3]}, read[4]};
}

} // namespace

Json motionToJson(const KeptMotion& kept)
{
    const CapturedMotion& motion = kept.motion;
    Json json;
    json["name"] = kept.name;
    if (!kept.about.empty())
        json["about"] = kept.about;
    json["width"] = motion.width;
    json["height"] = motion.height;
    json["rate"] = std::to_string(motion.rate.num()) + "/" + std::to_string(motion.rate.den());
    json["frames"] = Json::array();
    for (const CapturedFrame& frame : motion.frames)
        json["frames"].push_back({frame.moved.x, frame.moved.y, frame.moved.roll, frame.moved.zoom, frame.confidence});
    return json;
}

KeptMotion motionFromJson(const Json& json, const std::string& place, JsonTrouble& trouble)
{
    JsonObject object(json, place, trouble);
    KeptMotion kept;
    kept.name = object.needText("name");
    if (kept.name.empty())
        object.wrong("name", "should not be empty");
    kept.about = object.text("about", "");
    kept.motion.width = static_cast<int>(object.needInteger("width", 1, 32768));
    kept.motion.height = static_cast<int>(object.needInteger("height", 1, 32768));
    const std::string rate = object.needText("rate");
    if (const auto known = rateFromText(rate))
        kept.motion.rate = *known;
    else
        object.wrong("rate", Phrase("is \"{}\", but should be a fraction such as \"24/1\"", rate));
    const Json* frames = object.need("frames");
    if (frames == nullptr)
        return kept;
    if (!frames->is_array() || frames->size() < 2 || frames->size() > mostFrames) {
        object.wrong("frames", Phrase("should be a list of 2 to {} frames", mostFrames));
        return kept;
    }
    for (std::size_t i = 0; i < frames->size() && !trouble.error(); ++i)
        kept.motion.frames.push_back(
            readFrame((*frames)[i], object.placeOf("frames[" + std::to_string(i) + "]"), trouble));
    return kept;
}

MotionLoop readMotion(JsonObject& object)
{
    const Json* json = object.find("motion");
    if (json == nullptr)
        return {};
    KeptMotion kept = motionFromJson(*json, object.placeOf("motion"), object.trouble());
    return object.trouble().error() ? MotionLoop() : MotionLoop(std::move(kept));
}

} // namespace ember
