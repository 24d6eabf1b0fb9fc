// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/core/place.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <numbers>

#include "ember/core/project.h"
#include "ember/core/projection.h"
#include "value_list.h"

namespace ember {

namespace worldfield {
const FieldSpec coordinate{"coordinate", "Place", "m", -10'000, 10'000, 0, 1, "Metres: x to the right, y up, z ahead"};
const FieldSpec heading{"heading", "Heading", "°", -3600,
                        3600,      0,         5,   "Where the camera looks: 0 ahead, 90 to the right, seen from above"};
const FieldSpec picture{"picture", "Point", "%", -4, 5, 0.5, 0.01, "A point of the picture, of its size"};
const FieldSpec distance{"distance", "Distance", "m", 0, 10'000, 10, 1, "Metres from the camera"};
} // namespace worldfield

namespace {

constexpr std::array<std::string_view, 4> arrivalWords{"at_once", "air", "ground", "own"};
constexpr FieldSpec weakerField =
    choiceField("weaker", "Weaker with distance", offOn, 1, "Strikes with a place are weaker the further they are");
constexpr FieldSpec exponentField{
    "exponent", "Falloff power", "", 0, 6, 1, 0.1, "Strength falls as the reference over the distance, to this power"};
constexpr FieldSpec referenceField{
    "reference", "Full strength within",
    "m",         0.01,
    10'000,      5,
    0.5,         "Up to this distance a strike has its full strength; from there on it falls"};
constexpr FieldSpec cutoffField{
    "cutoff", "Silent beyond", "m", 0, 100'000, 0, 5, "From this distance on nothing is felt; 0 is never"};
constexpr FieldSpec laterField =
    choiceField("later", "Delayed by distance", offOn, 1, "Strikes with a place arrive later the further they are");
constexpr FieldSpec arrivalField = choiceField("arrival", "Travels", arrivalWords, 1,
                                               "At once; as sound in air, 343 m/s; as a wave in the ground, 1500 m/s; "
                                               "or at a speed of its own");
constexpr FieldSpec speedField{"speed", "Speed", "m/s", 1, 100'000, 100, 10, "How fast it travels, where that is own"};
constexpr FieldSpec directedField =
    choiceField("directed", "Directed from place", offOn, 1, "The blow of a strike with a place comes from there");

constexpr double degree = std::numbers::pi / 180;
constexpr double halfLens = 25 * degree;
/// A blow whose way across the picture is less than this share of its distance comes from ahead.
constexpr double leastAcross = 0.02;

double lengthOf(const WorldPoint& p)
{
    return std::hypot(p.x, p.y, p.z);
}

WorldPoint between(const WorldPoint& a, const WorldPoint& b, double share)
{
    return {a.x + (b.x - a.x) * share, a.y + (b.y - a.y) * share, a.z + (b.z - a.z) * share};
}

/// Turned to the right about the upright axis.
WorldPoint turned(const WorldPoint& p, double degrees)
{
    const double c = std::cos(degrees * degree);
    const double s = std::sin(degrees * degree);
    return {p.x * c + p.z * s, p.y, p.z * c - p.x * s};
}

WorldPoint bounded(const WorldPoint& p)
{
    const auto& spec = worldfield::coordinate;
    return {clampTo(spec, p.x), clampTo(spec, p.y), clampTo(spec, p.z)};
}

/// Pixels of the picture to the distance at which a 50 degree lens sees its width.
double lensLength(int width)
{
    return width / 2.0 / std::tan(halfLens);
}

double distanceAt(const World& world, const WorldPoint& at, FrameTime time)
{
    return lengthOf(seenFrom(cameraAt(world, time), at));
}

/// Frames until what left a place at `event` meets the camera.
double framesUntilMet(const Project& project, const WorldPoint& at, FrameTime event)
{
    const double perFrame = speedOf(project.world) / project.rate.perSecond(); // metres
    if (project.world.camera.empty())
        return distanceAt(project.world, at, event) / perFrame;
    // The camera may run ahead of it, but not for longer than the furthest place takes.
    const auto ahead = [&](double frames) { return distanceAt(project.world, at, event + frames) - frames * perFrame; };
    double low = 0;
    double high = 4 * worldfield::coordinate.max / perFrame;
    if (ahead(high) > 0)
        return high;
    // The first meeting: it is looked for in steps that double, then halved.
    for (double step = 1; low + step < high; step *= 2)
        if (ahead(low + step) <= 0) {
            high = low + step;
            break;
        } else {
            low += step;
        }
    for (int i = 0; i < 60; ++i) {
        const double middle = 0.5 * (low + high);
        (ahead(middle) > 0 ? low : high) = middle;
    }
    return 0.5 * (low + high);
}

} // namespace

template <>
std::span<const FieldOf<World>> fieldsOf<World>()
{
    static const auto fields = FieldTable<World>()
                                   .with<&World::weaker>(weakerField)
                                   .with<&World::exponent>(exponentField)
                                   .with<&World::reference>(referenceField)
                                   .with<&World::cutoff>(cutoffField)
                                   .with<&World::later>(laterField)
                                   .with<&World::arrival>(arrivalField)
                                   .with<&World::speed>(speedField)
                                   .with<&World::directed>(directedField)
                                   .done();
    return fields;
}

double shareAt(const World& world, double metres)
{
    const double distance = metres > 0 ? metres : 0.0;
    if (world.cutoff > 0 && distance >= world.cutoff)
        return 0;
    return std::pow(world.reference / std::max(distance, world.reference), world.exponent);
}

double speedOf(const World& world)
{
    switch (world.arrival) {
    case Arrival::atOnce: break;
    case Arrival::air: return speedInAir;
    case Arrival::ground: return speedInGround;
    case Arrival::own: return world.speed;
    }
    return 0;
}

CameraKey cameraAt(const World& world, FrameTime time)
{
    const auto& keys = world.camera;
    if (keys.empty())
        return {};
    const auto after = std::upper_bound(keys.begin(), keys.end(), time, [](FrameTime t, const CameraKey& key) {
        return t < static_cast<double>(key.frame.index);
    });
    if (after == keys.begin())
        return keys.front();
    if (after == keys.end())
        return keys.back();
    const CameraKey& from = *(after - 1);
    const double share =
        (time - static_cast<double>(from.frame.index)) / static_cast<double>(after->frame - from.frame);
    return {from.frame, between(from.at, after->at, share), from.heading + (after->heading - from.heading) * share};
}

WorldPoint seenFrom(const CameraKey& stand, const WorldPoint& at)
{
    return turned({at.x - stand.at.x, at.y - stand.at.y, at.z - stand.at.z}, -stand.heading);
}

WorldPoint worldOf(const PicturePoint& point, const CameraKey& stand, int width, int height)
{
    const WorldPoint ray{(clampTo(worldfield::picture, point.x) - 0.5) * width,
                         (0.5 - clampTo(worldfield::picture, point.y)) * height, lensLength(width)};
    const double scale = clampTo(worldfield::distance, point.distance) / lengthOf(ray);
    const WorldPoint off = turned({ray.x * scale, ray.y * scale, ray.z * scale}, stand.heading);
    return {stand.at.x + off.x, stand.at.y + off.y, stand.at.z + off.z};
}

std::optional<PicturePoint> pictureOf(const WorldPoint& at, const CameraKey& stand, int width, int height)
{
    const WorldPoint seen = seenFrom(stand, at);
    if (!(seen.z > 1e-9))
        return std::nullopt;
    const double scale = lensLength(width) / seen.z;
    return PicturePoint{0.5 + seen.x * scale / width, 0.5 - seen.y * scale / height, lengthOf(seen)};
}

std::string placeText(const Place& place)
{
    const auto joined = [](std::string text, std::initializer_list<double> numbers) {
        for (const double number : numbers)
            text += (text.empty() ? "" : ":") + valueText(worldfield::coordinate, number);
        return text;
    };
    if (const auto* in = std::get_if<PicturePoint>(&place.at))
        return joined("picture", {in->x, in->y, in->distance});
    const auto& at = std::get<WorldPoint>(place.at);
    return joined("", {at.x, at.y, at.z});
}

std::optional<Place> placeFromText(std::string_view text)
{
    const bool inPicture = text.starts_with("picture:");
    if (inPicture)
        text.remove_prefix(8);
    std::array<double, 3> numbers{};
    for (std::size_t i = 0; i < 3; ++i) {
        const auto colon = text.find(':');
        if ((colon == std::string_view::npos) != (i == 2))
            return std::nullopt;
        const FieldSpec& spec = !inPicture ? worldfield::coordinate
                                : i < 2    ? worldfield::picture
                                           : worldfield::distance;
        const auto value = valueFromText(spec, text.substr(0, colon));
        if (!value)
            return std::nullopt;
        numbers[i] = *value;
        text = colon == std::string_view::npos ? std::string_view() : text.substr(colon + 1);
    }
    if (inPicture)
        return Place{PicturePoint{numbers[0], numbers[1], numbers[2]}};
    return Place{WorldPoint{numbers[0], numbers[1], numbers[2]}};
}

ArrivalOf arrivalOf(const Project& project, const Strike& strike)
{
    ArrivalOf arrival{strike.frame, strike.frame};
    if (!strike.place)
        return arrival;
    const World& world = project.world;
    const auto event = static_cast<double>(strike.frame.index);
    const CameraKey stand = cameraAt(world, event);
    const auto* inPicture = std::get_if<PicturePoint>(&strike.place->at);
    const WorldPoint at = inPicture != nullptr ? worldOf(*inPicture, stand, project.width, project.height)
                                               : bounded(std::get<WorldPoint>(strike.place->at));
    const bool later = world.later && strike.place->later && speedOf(world) > 0 && !project.boundToCut(strike);
    const double frames = later ? framesUntilMet(project, at, event) : 0.0;
    arrival.delay = project.rate.seconds(frames);
    arrival.felt = strike.frame + std::llround(frames);
    const WorldPoint seen = seenFrom(cameraAt(world, event + frames), at);
    arrival.distance = lengthOf(seen);
    if (world.weaker && strike.place->weaker)
        arrival.share = shareAt(world, arrival.distance);
    // From there to here; the picture's y goes down.
    if (world.directed && strike.place->directed && std::hypot(seen.x, seen.y) > leastAcross * arrival.distance)
        arrival.direction = std::atan2(seen.y, -seen.x) / degree;
    return arrival;
}

namespace {

/// Where the camera sees the place of a strike that has one; nothing behind it.
std::optional<PicturePoint> whereSeen(const Project& project, const Strike& strike)
{
    if (const auto* inPicture = std::get_if<PicturePoint>(&strike.place->at))
        return *inPicture;
    return pictureOf(bounded(std::get<WorldPoint>(strike.place->at)),
                     cameraAt(project.world, static_cast<double>(strike.frame.index)), project.width, project.height);
}

} // namespace

Strike feltStrike(const Project& project, Strike strike)
{
    if (!strike.place)
        return strike;
    const ArrivalOf arrival = arrivalOf(project, strike);
    strike.frame = arrival.felt;
    strike.strength *= arrival.share;
    if (arrival.direction)
        strike.direction = arrival.direction;
    if (const Recipe* recipe = project.recipe(strike.recipe)) {
        const Recipe own = withOverrides(*recipe, strike.overrides);
        const bool pivots = own.pivot.at == Pivot::At::place;
        const bool ripples = own.effects.ripple.from == Ripple::From::place;
        const auto seen = pivots || ripples ? whereSeen(project, strike) : std::nullopt;
        if (pivots) // zoom and roll go about where the camera sees the place
            strike.overrides.set("pivot", static_cast<double>(seen ? Pivot::At::point : Pivot::At::middle));
        if (pivots && seen) {
            strike.overrides.set("pivot_x", seen->x);
            strike.overrides.set("pivot_y", seen->y);
        }
        if (ripples && seen) {
            strike.overrides.set("light.ripple.from", static_cast<double>(Ripple::From::point));
            strike.overrides.set("light.ripple.x", seen->x);
            strike.overrides.set("light.ripple.y", seen->y);
        }
    }
    strike.place.reset();
    return strike;
}

Project asFelt(Project project)
{
    if (!hasPlaces(project))
        return project;
    std::vector<Strike> felt;
    felt.reserve(project.strikes.size());
    for (const Strike& strike : project.strikes)
        felt.push_back(feltStrike(project, strike));
    project.strikes = std::move(felt);
    project.sortStrikes();
    return project;
}

bool hasPlaces(const Project& project)
{
    return std::any_of(project.strikes.begin(), project.strikes.end(),
                       [](const Strike& strike) { return strike.place.has_value(); });
}

} // namespace ember
