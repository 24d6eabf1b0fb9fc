// SPDX-License-Identifier: GPL-3.0-or-later
// Lottie (Lottie Animation Community, specification 1.0): a null layer that shakes, and the picture as its child.
#include <algorithm>

#include "ember/core/shown_text.h"
#include "ember/json/json.h"
#include "writing.h"

namespace ember {

namespace {

constexpr int nullLayer = 3;
constexpr int imageLayer = 2;
constexpr int shapeLayer = 4;
constexpr int specification = 10000; // 1.0.0

Json still(Json value)
{
    return {{"a", 0}, {"k", std::move(value)}};
}

/// An animated property of one or more numbers, straight from key to key.
Json moving(const HandedMotion& motion, const std::vector<SampledCurve>& curves, double from = 0, double scale = 1)
{
    const auto valueAt = [&](std::size_t place) {
        Json value = Json::array();
        for (const SampledCurve& curve : curves)
            value.push_back(from + scale * curve.values[place] + 0.0);
        return value;
    };
    const bool rests = std::all_of(curves.begin(), curves.end(), [](const SampledCurve& c) {
        return std::all_of(c.values.begin(), c.values.end(), [&](double v) { return v == c.values.front(); });
    });
    if (rests)
        return still(curves.size() == 1 ? valueAt(0)[0] : valueAt(0));
    Json keys = Json::array();
    for (const std::size_t place : straightPlaces(motion, curves))
        keys.push_back(
            {{"t", place}, {"s", valueAt(place)}, {"o", {{"x", {0}}, {"y", {0}}}}, {"i", {{"x", {1}}, {"y", {1}}}}});
    return {{"a", 1}, {"k", std::move(keys)}};
}

Json layerOf(int type, int number, const std::string& name, const HandedMotion& motion, Json transform)
{
    return {{"ty", type},
            {"ind", number},
            {"nm", name},
            {"ip", 0},
            {"op", motion.frames()},
            {"st", 0},
            {"sr", 1},
            {"ks", std::move(transform)}};
}

/// A frame with a cross, by which motion can be judged, where there is no picture.
Json cardOf(int width, int height)
{
    const auto stroke = [](Json colour, double wide) {
        return Json{
            {"ty", "st"}, {"c", still(std::move(colour))}, {"o", still(100)}, {"w", still(wide)}, {"lc", 2}, {"lj", 1},
            {"ml", 4}};
    };
    const auto fill = [](Json colour) {
        return Json{{"ty", "fl"}, {"c", still(std::move(colour))}, {"o", still(100)}, {"r", 1}};
    };
    const auto box = [&](double w, double h) {
        return Json{
            {"ty", "rc"}, {"p", still({0.5 * width, 0.5 * height})}, {"s", still({w, h})}, {"r", still(0)}, {"d", 1}};
    };
    const auto line = [](double x0, double y0, double x1, double y1) {
        return Json{
            {"ty", "sh"},
            {"ks",
             still({{"i", {{0, 0}, {0, 0}}}, {"o", {{0, 0}, {0, 0}}}, {"v", {{x0, y0}, {x1, y1}}}, {"c", false}})}};
    };
    const Json identity{{"ty", "tr"},    {"p", still({0, 0})}, {"a", still({0, 0})}, {"s", still({100, 100})},
                        {"r", still(0)}, {"o", still(100)},    {"sk", still(0)},     {"sa", still(0)}};
    const auto group = [&](Json items) {
        items.push_back(identity);
        return Json{{"ty", "gr"}, {"it", std::move(items)}};
    };
    const Json ash{0.85, 0.82, 0.76};
    return {group({box(width - 4, height - 4), stroke(ash, 4)}),
            group({line(0, 0.5 * height, width, 0.5 * height), line(0.5 * width, 0, 0.5 * width, height),
                   stroke({0.42, 0.38, 0.34}, 2)}),
            group({box(width, height), fill({0.16, 0.14, 0.12})})};
}

} // namespace

std::string handedToLottie(const HandedMotion& motion, const std::string& picture)
{
    const LayerMoves moves = layerMoves(motion);
    std::vector<SampledCurve> place = moves.shift;
    for (double& x : place[0].values)
        x += 0.5 * motion.width;
    for (double& y : place[1].values)
        y += 0.5 * motion.height;
    const std::string title = validUtf8(motion.title);
    const Json shake{{"a", still({0, 0})},
                     {"p", moving(motion, place)},
                     {"s", moving(motion, {moves.size[0], moves.size[0]}, 0, 100)},
                     {"r", moving(motion, moves.turn)},
                     {"o", still(100)}};
    const Json child{{"a", still({0.5 * motion.width, 0.5 * motion.height})},
                     {"p", still({0, 0})},
                     {"s", still({100, 100})},
                     {"r", still(0)},
                     {"o", still(100)}};
    Json shaken = layerOf(picture.empty() ? shapeLayer : imageLayer, 2, "Picture", motion, child);
    shaken["parent"] = 1;
    Json assets = Json::array();
    if (picture.empty()) {
        shaken["shapes"] = cardOf(motion.width, motion.height);
    } else {
        shaken["refId"] = "picture";
        assets.push_back(
            {{"id", "picture"}, {"w", motion.width}, {"h", motion.height}, {"p", picture}, {"u", ""}, {"e", 1}});
    }
    const Json json{{"ver", specification},
                    {"v", "5.7.0"}, // players older than the specification ask for one
                    {"nm", title},
                    {"fr", motion.rate.perSecond()},
                    {"ip", 0},
                    {"op", motion.frames()},
                    {"w", motion.width},
                    {"h", motion.height},
                    {"ddd", 0},
                    {"assets", std::move(assets)},
                    {"layers", {layerOf(nullLayer, 1, title, motion, shake), std::move(shaken)}}};
    return json.dump(-1, ' ', false, Json::error_handler_t::replace) + "\n";
}

} // namespace ember
