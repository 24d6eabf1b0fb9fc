// SPDX-License-Identifier: GPL-3.0-or-later
#include <cmath>
#include <numbers>

#include "ember/core/project.h"
#include "ember/drop/scene.h"
#include "ember/json/json.h"

namespace ember::drop {

namespace {

constexpr std::size_t mostBodies = 60;

/// Reads the values of one object and keeps the first that is wrong.
class Reader {
public:
    Reader(const Json& json, std::string place, std::optional<Error>& error)
        : json_(json), place_(std::move(place)), error_(error)
    {
        if (!json.is_object())
            wrong("should be an object");
    }
    Reader(const Reader&) = delete;
    Reader& operator=(const Reader&) = delete;
    ~Reader()
    {
        if (json_.is_object())
            for (const auto& [key, value] : json_.items())
                if (std::find(known_.begin(), known_.end(), key) == known_.end())
                    wrong(Phrase("has \"{}\", which is not known", key));
    }

    const Json* find(const char* key)
    {
        known_.emplace_back(key);
        return json_.is_object() && json_.contains(key) ? &json_[key] : nullptr;
    }
    void number(const char* key, double& value, double min, double max)
    {
        const Json* found = find(key);
        if (found == nullptr)
            return;
        const double read = found->is_number() ? found->get<double>() : NAN;
        if (!(read >= min && read <= max)) {
            std::string range = Json(min).dump() + " to " + Json(max).dump();
            wrong(Phrase("{} should be a number from {}", std::string(key), range));
            return;
        }
        value = read;
    }
    void text(const char* key, std::string& value)
    {
        if (const Json* found = find(key)) {
            if (found->is_string())
                value = found->get<std::string>();
            else
                wrong(Phrase("{} should be a text", std::string(key)));
        }
    }
    void flag(const char* key, bool& value)
    {
        if (const Json* found = find(key)) {
            if (found->is_boolean())
                value = found->get<bool>();
            else
                wrong(Phrase("{} should be true or false", std::string(key)));
        }
    }
    void wrong(const Phrase& what)
    {
        if (!error_)
            error_ = Error{ErrorCode::badValue, place_, what};
    }

private:
    const Json& json_;
    std::string place_;
    std::optional<Error>& error_;
    std::vector<std::string> known_;
};

Body bodyFrom(const Json& json, std::size_t number, std::optional<Error>& error)
{
    Body body;
    body.name = "body " + std::to_string(number);
    Reader reader(json, "bodies " + std::to_string(number), error);
    std::string shape = "box";
    reader.text("name", body.name);
    reader.text("shape", shape);
    if (shape != "box" && shape != "ball")
        reader.wrong(Phrase("shape is \"{}\", but should be box or ball", shape));
    body.shape = shape == "ball" ? Shape::ball : Shape::box;
    reader.number("width", body.width, 0.01, 1000);
    reader.number("height", body.height, 0.01, 1000);
    reader.number("radius", body.radius, 0.01, 1000);
    reader.number("mass", body.mass, 0.001, 1e7);
    reader.flag("fixed", body.fixed);
    reader.number("restitution", body.restitution, 0, 1);
    reader.number("friction", body.friction, 0, 2);
    reader.number("x", body.position.x, -1e4, 1e4);
    reader.number("y", body.position.y, -1e4, 1e4);
    reader.number("vx", body.velocity.x, -100, 100);
    reader.number("vy", body.velocity.y, -100, 100);
    reader.number("angle", body.angle, -3600, 3600);
    reader.number("spin", body.spin, -3600, 3600);
    reader.number("from", body.from, 0, 3600);
    return body;
}

double rounded(double value, double perUnit)
{
    return std::round(value * perUnit) / perUnit + 0.0; // and no minus before 0
}

} // namespace

Result<Scene> sceneFromJson(std::string_view text, const std::string& name)
{
    const auto parsed = parsedJson(text, name);
    if (!parsed)
        return parsed.error();
    const Json& json = parsed.value();
    Scene scene;
    std::optional<Error> error;
    {
        Reader reader(json, name, error);
        double version = 0;
        reader.number("drop", version, 1, 1);
        if (version != 1)
            reader.wrong("\"drop\": 1 is missing, so it is no scene of the drop bench");
        reader.number("seconds", scene.seconds, 0.1, 60);
        reader.number("gravity", scene.gravity, 0, 100);
        reader.number("least_energy", scene.least, 0, 1e9);
        if (const Json* view = reader.find("view")) {
            Reader values(*view, name + ", view", error);
            values.number("left", scene.view.left, -1e4, 1e4);
            values.number("bottom", scene.view.bottom, -1e4, 1e4);
            values.number("width", scene.view.width, 0.1, 1e4);
            values.number("height", scene.view.height, 0.1, 1e4);
        }
        const Json* bodies = reader.find("bodies");
        if (bodies == nullptr || !bodies->is_array() || bodies->empty() || bodies->size() > mostBodies)
            reader.wrong("bodies should be a list of 1 to 60");
        else
            for (const Json& body : *bodies)
                scene.bodies.push_back(bodyFrom(body, scene.bodies.size() + 1, error));
    }
    if (error) {
        if (!error->subject.said().starts_with(name))
            error->subject = Phrase("{}, {}", name, error->subject);
        return *error;
    }
    return scene;
}

std::string sceneToJson(const Scene& scene)
{
    Json bodies = Json::array();
    for (const Body& body : scene.bodies) {
        Json json{{"name", body.name}, {"shape", body.shape == Shape::ball ? "ball" : "box"}};
        if (body.shape == Shape::ball)
            json["radius"] = body.radius;
        else
            json.update({{"width", body.width}, {"height", body.height}});
        if (body.fixed)
            json["fixed"] = true;
        else
            json["mass"] = body.mass;
        json.update({{"restitution", body.restitution},
                     {"friction", body.friction},
                     {"x", body.position.x},
                     {"y", body.position.y}});
        for (const auto& [key, value] :
             {std::pair{"vx", body.velocity.x}, std::pair{"vy", body.velocity.y}, std::pair{"angle", body.angle},
              std::pair{"spin", body.spin}, std::pair{"from", body.from}})
            if (value != 0)
                json[key] = value;
        bodies.push_back(std::move(json));
    }
    const Json json{{"drop", 1},
                    {"seconds", scene.seconds},
                    {"gravity", scene.gravity},
                    {"least_energy", scene.least},
                    {"view",
                     {{"left", scene.view.left},
                      {"bottom", scene.view.bottom},
                      {"width", scene.view.width},
                      {"height", scene.view.height}}},
                    {"bodies", bodies}};
    return json.dump(2) + "\n";
}

Scene sampleScene()
{
    const auto box = [](const char* name, double w, double h, double mass, Vec at) {
        Body body;
        body.name = name;
        body.width = w;
        body.height = h;
        body.mass = mass;
        body.position = at;
        return body;
    };
    Scene scene;
    scene.least = 2;
    Body floor = box("floor", 20, 1, 1, {0, -0.5});
    floor.fixed = true;
    Body ingot = box("ingot", 1.1, 0.5, 820, {1.4, 3.2});
    ingot.restitution = 0.12;
    ingot.angle = 6;
    ingot.from = 0.5;
    Body lid = box("ladle lid", 0.9, 0.08, 60, {-1.8, 2.2});
    lid.restitution = 0.35;
    lid.angle = -24;
    lid.from = 1.2;
    Body shot;
    shot.name = "shot";
    shot.shape = Shape::ball;
    shot.radius = 0.18;
    shot.mass = 45;
    shot.restitution = 0.55;
    shot.position = {-3.2, 1.6};
    shot.velocity = {2.4, 1};
    shot.from = 0.2;
    scene.bodies = {floor, ingot, lid, shot};
    return scene;
}

WorldPoint aroundCamera(Vec at, const View& view)
{
    constexpr double halfLens = 25 * std::numbers::pi / 180;
    return {at.x - view.left - view.width / 2, at.y - view.bottom - view.height / 2,
            view.width / 2 / std::tan(halfLens)};
}

std::string impactsToJsonLines(const std::vector<Impact>& impacts, const View& view, Tell tell)
{
    std::string text;
    for (const Impact& impact : impacts) {
        const bool down = std::abs(impact.direction - 90) < 45;
        Json json{{"time", rounded(impact.seconds, 1e6)},
                  {"kind", impact.onFixed && down ? "landing" : "hit"},
                  {"name", impact.a + " on " + impact.b},
                  {"energy", rounded(impact.energy, 1e3)},
                  {"speed", rounded(impact.speed, 1e4)},
                  {"x", rounded(impact.at.x, 1e4)},
                  {"y", rounded(impact.at.y, 1e4)},
                  {"place",
                   {{"x", rounded((impact.at.x - view.left) / view.width, 1e4)},
                    {"y", rounded(1 - (impact.at.y - view.bottom) / view.height, 1e4)}}},
                  {"direction", rounded(impact.direction, 10)}};
        if (tell == Tell::positions) {
            const WorldPoint around = aroundCamera(impact.at, view);
            json["position"] = {rounded(around.x, 1e3), rounded(around.y, 1e3), rounded(around.z, 1e3)};
        }
        text += json.dump(-1, ' ', false, Json::error_handler_t::replace) + "\n";
    }
    return text;
}

} // namespace ember::drop
