// SPDX-License-Identifier: GPL-3.0-or-later
// glTF 2.0: a camera before the picture's plane.
#include <bit>
#include <cmath>
#include <cstring>
#include <numbers>

#include "ember/json/json.h"
#include "writing.h"

namespace ember {

namespace {

constexpr int asFloat = 5126;
constexpr int asShort = 5123;

/// The one buffer, with its views and accessors.
class Buffer {
public:
    /// Little-endian floats, `wide` to an element; the accessor's index.
    std::size_t add(const std::vector<double>& values, int wide, const char* type, bool bounds, int target = 0)
    {
        Json accessor = begin(values.size() * 4, target);
        accessor["componentType"] = asFloat;
        accessor["count"] = values.size() / static_cast<std::size_t>(wide);
        accessor["type"] = type;
        if (bounds) {
            std::vector<float> low(static_cast<std::size_t>(wide), std::numeric_limits<float>::infinity());
            std::vector<float> high(low.size(), -std::numeric_limits<float>::infinity());
            for (std::size_t i = 0; i < values.size(); ++i) {
                const std::size_t k = i % low.size();
                low[k] = std::min(low[k], static_cast<float>(values[i]));
                high[k] = std::max(high[k], static_cast<float>(values[i]));
            }
            accessor["min"] = low;
            accessor["max"] = high;
        }
        for (const double value : values)
            append(std::bit_cast<std::uint32_t>(static_cast<float>(value)), 4);
        accessors_.push_back(std::move(accessor));
        return accessors_.size() - 1;
    }
    std::size_t addIndices(const std::vector<int>& values)
    {
        Json accessor = begin(values.size() * 2, 34963);
        accessor["componentType"] = asShort;
        accessor["count"] = values.size();
        accessor["type"] = "SCALAR";
        for (const int value : values)
            append(static_cast<std::uint32_t>(value), 2);
        accessors_.push_back(std::move(accessor));
        return accessors_.size() - 1;
    }
    void write(Json& json) const
    {
        json["accessors"] = accessors_;
        json["bufferViews"] = views_;
        json["buffers"] = {{{"byteLength", bytes_.size()}, {"uri", dataAddress("application/octet-stream", bytes_)}}};
    }

private:
    Json begin(std::size_t length, int target)
    {
        while (bytes_.size() % 4 != 0)
            bytes_ += '\0';
        Json view{{"buffer", 0}, {"byteOffset", bytes_.size()}, {"byteLength", length}};
        if (target != 0)
            view["target"] = target;
        views_.push_back(std::move(view));
        return {{"bufferView", views_.size() - 1}};
    }
    void append(std::uint32_t value, int count)
    {
        for (int i = 0; i < count; ++i)
            bytes_ += static_cast<char>((value >> (8 * i)) & 255);
    }

    Json accessors_ = Json::array();
    Json views_ = Json::array();
    std::string bytes_;
};

/// The rotation of each frame as a quaternion, each nearest to the one before.
std::vector<SampledCurve> turnsOf(const HandedMotion& motion, double tolerance)
{
    std::vector<SampledCurve> curves(4, {{}, tolerance * std::numbers::pi / 360});
    std::array<double, 4> before{0, 0, 0, 1};
    for (const Pose& pose : motion.poses) {
        auto turn = cameraTurn(pose.pan, pose.tilt, pose.roll);
        double along = 0;
        for (std::size_t k = 0; k < 4; ++k)
            along += turn[k] * before[k];
        for (std::size_t k = 0; k < 4; ++k) {
            turn[k] = along < 0 ? -turn[k] : turn[k];
            curves[k].values.push_back(turn[k]);
        }
        before = turn;
    }
    return curves;
}

} // namespace

std::string handedToGltf(const HandedMotion& motion)
{
    // The standard's own way: metres, y up, the camera where it is.
    const double distance = planeDistance(motion.how.lens) * motion.how.planeWidth;
    const std::vector<SampledCurve> places = cameraPlaces(motion);
    const double tolerance = motion.how.sparse.value_or(KeyTolerance()).degrees;

    Buffer buffer;
    Json samplers = Json::array();
    const double begin = motion.rate.seconds(static_cast<double>(std::max<std::int64_t>(0, motion.first)));
    std::vector<double> eachTime;
    for (std::size_t i = 0; i < motion.poses.size(); ++i)
        eachTime.push_back(begin + motion.rate.seconds(static_cast<double>(i)));
    const std::size_t dense = motion.how.sparse ? 0 : buffer.add(eachTime, 1, "SCALAR", true);
    const auto addSampler = [&](const std::vector<SampledCurve>& curves, const char* type) {
        const auto wide = static_cast<int>(curves.size());
        std::vector<double> values;
        if (!motion.how.sparse) {
            for (std::size_t i = 0; i < eachTime.size(); ++i)
                for (const SampledCurve& curve : curves)
                    values.push_back(curve.values[i]);
            samplers.push_back(
                {{"input", dense}, {"output", buffer.add(values, wide, type, false)}, {"interpolation", "LINEAR"}});
            return;
        }
        const KeyPlaces at = fewestPlaces(curves, KeyJoin::curve, motion.stopped);
        std::vector<CurveKeys> keys;
        keys.reserve(curves.size());
        for (const SampledCurve& curve : curves)
            keys.push_back(keysAtPlaces(curve, at, KeyJoin::curve, 0, motion.rate.seconds(1)));
        std::vector<double> times;
        for (std::size_t n = 0; n < at.size(); ++n) {
            times.push_back(eachTime[at[n]]);
            for (const CurveKeys& k : keys)
                values.push_back(k[n].slopeIn);
            for (const CurveKeys& k : keys)
                values.push_back(k[n].value);
            for (const CurveKeys& k : keys)
                values.push_back(k[n].slopeOut);
        }
        const std::size_t input = buffer.add(times, 1, "SCALAR", true);
        samplers.push_back(
            {{"input", input}, {"output", buffer.add(values, wide, type, false)}, {"interpolation", "CUBICSPLINE"}});
    };
    addSampler(places, "VEC3");
    addSampler(turnsOf(motion, tolerance), "VEC4");

    const double w = 0.5 * motion.how.planeWidth;
    const double h = w * motion.height / motion.width;
    constexpr int vertices = 34962;
    const std::size_t corners = buffer.add({-w, -h, 0, w, -h, 0, w, h, 0, -w, h, 0}, 3, "VEC3", true, vertices);
    const std::size_t normals = buffer.add({0, 0, 1, 0, 0, 1, 0, 0, 1, 0, 0, 1}, 3, "VEC3", false, vertices);
    const std::size_t marks = buffer.add({0, 1, 1, 1, 1, 0, 0, 0}, 2, "VEC2", false, vertices);
    const std::size_t faces = buffer.addIndices({0, 1, 2, 0, 2, 3});
    const double aspect = static_cast<double>(motion.width) / motion.height;
    const double yfov = 2 * std::atan(std::tan(motion.how.lens * std::numbers::pi / 360) / aspect);

    Json json{{"asset", {{"version", "2.0"}, {"generator", "Vast Ember"}}}, {"scene", 0}};
    json["extras"] = {{"rate", std::to_string(motion.rate.num()) + "/" + std::to_string(motion.rate.den())},
                      {"first_frame", motion.first},
                      {"frames", motion.frames()},
                      {"farthest_off_px", motion.farthestOff}};
    json["scenes"] = {{{"name", motion.title}, {"nodes", {0, 1}}}};
    json["nodes"] = {{{"name", "Camera"}, {"camera", 0}, {"translation", {0.0, 0.0, distance}}},
                     {{"name", "Picture"}, {"mesh", 0}}};
    json["cameras"] = {
        {{"type", "perspective"},
         {"perspective",
          {{"aspectRatio", aspect}, {"yfov", yfov}, {"znear", distance / 100}, {"zfar", distance * 100}}}}};
    json["materials"] = {
        {{"name", "Picture"}, {"doubleSided", true}, {"pbrMetallicRoughness", {{"metallicFactor", 0.0}}}}};
    json["meshes"] = {{{"name", "Picture"},
                       {"primitives",
                        {{{"attributes", {{"POSITION", corners}, {"NORMAL", normals}, {"TEXCOORD_0", marks}}},
                          {"indices", faces},
                          {"material", 0}}}}}};
    json["animations"] = {{{"name", motion.title},
                           {"channels",
                            {{{"sampler", 0}, {"target", {{"node", 0}, {"path", "translation"}}}},
                             {{"sampler", 1}, {"target", {{"node", 0}, {"path", "rotation"}}}}}},
                           {"samplers", samplers}}};
    buffer.write(json);
    return json.dump(1, ' ', false, Json::error_handler_t::replace) + "\n";
}

} // namespace ember
