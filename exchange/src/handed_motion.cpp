// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/exchange/handed_motion.h"

#include <algorithm>
#include <cmath>

#include "ember/core/cover.h"
#include "ember/core/motion.h"
#include "ember/core/projection.h"
#include "writing.h"

namespace ember {

namespace {

constexpr std::int64_t longestAlone = 200'000; // frames of one strike

struct Range {
    std::int64_t first = 0;
    std::int64_t last = 0;
};

/// A part by itself: a project in which only it moves, and its frames.
struct Alone {
    Project project;
    Range range;
    std::string title;
};

/// A project whose one strike is all that moves.
Project withOnly(Project project, Strike strike)
{
    project.drift.on = false;
    project.overlap.rule = OverlapRule::add;
    project.groups.clear();
    strike.group.clear();
    project.strikes = {std::move(strike)};
    return project;
}

Result<Alone> spanOf(Project project, std::string title)
{
    const Motion motion(project);
    if (motion.spans().empty())
        return Error{ErrorCode::unwritable, title, "nothing moves in it, so there is nothing to export"};
    const StrikeSpan span = motion.spans().front();
    if (span.end - span.start > static_cast<double>(longestAlone))
        return Error{ErrorCode::badValue, title,
                     Phrase("it lasts longer than {} frames; give its rumble an end", longestAlone)};
    return Alone{std::move(project),
                 {static_cast<std::int64_t>(std::floor(span.start)), static_cast<std::int64_t>(std::ceil(span.end))},
                 std::move(title)};
}

std::string titleOf(const Strike& strike)
{
    return strike.name.empty() ? std::string(kindName(strike.kind)) + " on frame " + std::to_string(strike.frame.index)
                               : strike.name;
}

Result<Alone> alone(const Project& project, const HandedPart& part)
{
    const auto missing = [](const char* what) {
        return Error{ErrorCode::notFound, what, "it is not in the project (any more)"};
    };
    const auto filmTitle = [&] {
        const std::string clip = project.firstClip();
        const std::string file = clip.substr(clip.find_last_of('/') + 1);
        return file.empty() ? std::string("Film") : file.substr(0, file.find_last_of('.'));
    };
    switch (part.of) {
    case HandedOf::film:
        if (project.length() < 1)
            return Error{ErrorCode::unwritable, "The project", "it has no clip, so it has no frames to export"};
        return Alone{project, {0, project.length() - 1}, filmTitle()};
    case HandedOf::shot: {
        const auto place = project.placeOfShot(part.id);
        if (!place)
            return missing("The shot");
        return Alone{
            project, {place->first, place->end - 1}, filmTitle() + ", shot " + std::to_string(place->index + 1)};
    }
    case HandedOf::strike: {
        const Strike* strike = project.strike(part.id);
        if (strike == nullptr)
            return missing("The strike");
        auto own = strikeAlone(project, part.id);
        if (!own)
            return own.error();
        return spanOf(std::move(own).value(), titleOf(*strike));
    }
    case HandedOf::recipe: {
        const Recipe* recipe = project.recipe(part.id);
        if (recipe == nullptr)
            return missing("The recipe");
        Project own = project;
        own.settles.clear();
        own.master.keys.clear();
        own.master.intensity = 1;
        for (Shot& shot : own.shots)
            shot.move.clear();
        Strike strike;
        strike.id = 1;
        strike.seed = recipe->seed;
        strike.recipe = recipe->id;
        std::string title = recipe->name;
        return spanOf(withOnly(std::move(own), std::move(strike)), std::move(title));
    }
    }
    return missing("The part");
}

/// The pose as it looks enlarged about the middle.
Pose covered(Pose pose, double cover)
{
    pose.x *= cover;
    pose.y *= cover;
    pose.zoom *= cover;
    return pose;
}

double radians(double degrees)
{
    return degrees * std::numbers::pi / 180;
}

/// Where a camera stands so that it sees the picture's plane as the pose shows the picture, as near as a camera can:
/// exactly where there is neither pan nor tilt, else with the middle in its place and of its size.
struct Stand {
    double x = 0; ///< in widths of the picture; to the right
    double y = 0; ///< up
    double z = 0; ///< from the plane
};

/// The direction p is seen in, turned by pan and tilt, then roll: picture coordinates, y down, z ahead.
struct Vector {
    double x, y, z;
};

class Turn {
public:
    explicit Turn(const Pose& pose)
        : cp_(std::cos(radians(pose.pan))), sp_(std::sin(radians(pose.pan))), ct_(std::cos(radians(pose.tilt))),
          st_(std::sin(radians(pose.tilt))), cr_(std::cos(radians(pose.roll))), sr_(std::sin(radians(pose.roll)))
    {
    }
    Vector of(const Vector& p) const
    {
        const Vector a{cp_ * p.x + sp_ * p.z, p.y, -sp_ * p.x + cp_ * p.z};
        const Vector b{a.x, ct_ * a.y + st_ * a.z, -st_ * a.y + ct_ * a.z};
        return {cr_ * b.x - sr_ * b.y, sr_ * b.x + cr_ * b.y, b.z};
    }
    Vector backOf(const Vector& p) const
    {
        const Vector a{cr_ * p.x + sr_ * p.y, -sr_ * p.x + cr_ * p.y, p.z};
        const Vector b{a.x, ct_ * a.y - st_ * a.z, st_ * a.y + ct_ * a.z};
        return {cp_ * b.x - sp_ * b.z, b.y, sp_ * b.x + cp_ * b.z};
    }

private:
    double cp_, sp_, ct_, st_, cr_, sr_;
};

Stand standFor(const Pose& pose, const HandedMotion& motion)
{
    const double distance = planeDistance(motion.how.lens); // in widths; also the focal length
    const Point middle{0.5 * (motion.width - 1), 0.5 * (motion.height - 1)};
    const Matrix3 map = poseMatrix(pose, motion.width, motion.height);
    const Point seen = map.map(middle);
    const Turn turn(pose);
    const double depth = turn.of({0, 0, distance}).z / pose.zoom;
    const Vector wanted{(seen.x - middle.x) / motion.width / distance * depth,
                        (seen.y - middle.y) / motion.width / distance * depth, depth};
    const Vector back = turn.backOf(wanted);
    return {-back.x, back.y, back.z};
}

/// How far a corner is from where the pose puts it, in pixels.
double standOff(const Stand& stand, const Pose& pose, const HandedMotion& motion)
{
    const double distance = planeDistance(motion.how.lens);
    const Matrix3 map = poseMatrix(pose, motion.width, motion.height);
    const double cx = 0.5 * (motion.width - 1);
    const double cy = 0.5 * (motion.height - 1);
    const Turn turn(pose);
    double most = 0;
    for (const double x : {0.0, motion.width - 1.0})
        for (const double y : {0.0, motion.height - 1.0}) {
            const Vector p = turn.of({(x - cx) / motion.width - stand.x, (y - cy) / motion.width + stand.y, stand.z});
            const Point at = map.map({x, y});
            most = std::max(most, std::hypot(cx + p.x / p.z * distance * motion.width - at.x,
                                             cy + p.y / p.z * distance * motion.width - at.y));
        }
    return most;
}

void addChannels(HandedMotion& motion)
{
    const HandingOn& how = motion.how;
    const KeyTolerance tolerance = how.sparse.value_or(KeyTolerance());
    const double up = how.yUp ? -1 : 1;
    const auto add = [&](const char* name, const std::string& unit, double rest, double off, auto value) {
        HandedChannel channel{name, unit, rest, {{}, off}};
        for (const Pose& pose : motion.poses)
            channel.curve.values.push_back(value(pose) + 0.0);
        motion.channels.push_back(std::move(channel));
    };
    if (how.as == HandedAs::layer) {
        const double cx = how.absolute ? 0.5 * motion.width : 0;
        const double cy = how.absolute ? 0.5 * motion.height : 0;
        const double whole = how.absolute ? 100 : 0;
        add("x", "px", cx, tolerance.pixels, [&](const Pose& p) { return cx + p.x; });
        add("y", "px", cy, tolerance.pixels, [&](const Pose& p) { return cy + up * p.y; });
        add("scale", "%", whole, 100 * tolerance.zoom, [&](const Pose& p) { return whole + 100 * (p.zoom - 1); });
        add("roll", "°", 0, tolerance.degrees, [&](const Pose& p) { return up * p.roll; });
        add("pan", "°", 0, tolerance.degrees, [](const Pose& p) { return p.pan; });
        add("tilt", "°", 0, tolerance.degrees, [&](const Pose& p) { return up * p.tilt; });
        return;
    }
    // Coordinates are right-handed: y up and z towards who looks, or y down and z away from them.
    const double units = how.planeWidth;
    const double away = how.yUp ? 1 : -1;
    const double distance = planeDistance(how.lens) * units;
    const double rest = how.absolute ? away * distance : 0;
    const double from = how.absolute ? 0 : away * distance;
    std::vector<Stand> stands;
    for (const Pose& pose : motion.poses) {
        stands.push_back(standFor(pose, motion));
        motion.farthestOff = std::max(motion.farthestOff, standOff(stands.back(), pose, motion));
    }
    const double near = tolerance.pixels * units / motion.width;
    const auto addStand = [&](const char* name, double at, double off, auto value) {
        HandedChannel channel{name, how.unit, at, {{}, off}};
        for (const Stand& stand : stands)
            channel.curve.values.push_back(value(stand) + 0.0);
        motion.channels.push_back(std::move(channel));
    };
    addStand("x", 0, near, [&](const Stand& s) { return units * s.x; });
    addStand("y", 0, near, [&](const Stand& s) { return away * units * s.y; });
    addStand("z", rest, tolerance.zoom * distance, [&](const Stand& s) { return away * units * s.z - from; });
    add("pan", "°", 0, tolerance.degrees, [&](const Pose& p) { return away * p.pan; });
    add("tilt", "°", 0, tolerance.degrees, [](const Pose& p) { return p.tilt; });
    add("roll", "°", 0, tolerance.degrees, [&](const Pose& p) { return away * p.roll; });
}

std::optional<Error> wrongNumber(const HandingOn& how)
{
    const auto wrong = [](const char* what, const char* should) { return Error{ErrorCode::badValue, what, should}; };
    if (!(how.lens >= 1 && how.lens <= 170))
        return wrong("The lens", "it should be 1 to 170 degrees");
    if (!(how.planeWidth >= 1e-3 && how.planeWidth <= 1e6))
        return wrong("The picture width", "it should be 0.001 to 1000000 units");
    if (how.frameOffset < -100'000'000 || how.frameOffset > 100'000'000)
        return wrong("The frame offset", "it should be within 100 million frames");
    if (how.sparse)
        for (const double value : {how.sparse->pixels, how.sparse->degrees, how.sparse->zoom})
            if (!(value > 0 && value <= 1000))
                return wrong("What keys may be off", "it should be above 0 and at most 1000");
    return std::nullopt;
}

} // namespace

const HandedChannel* HandedMotion::channel(std::string_view name) const
{
    const auto found = std::find_if(channels.begin(), channels.end(), [&](const auto& c) { return c.name == name; });
    return found == channels.end() ? nullptr : &*found;
}

Result<Project> strikeAlone(const Project& project, StrikeId id)
{
    const FeltProject felt(project);
    const Strike* arrives = felt->strike(id);
    if (arrives == nullptr || project.recipe(arrives->recipe) == nullptr)
        return Error{ErrorCode::notFound, "The strike", "it has no recipe, or nothing of it arrives"};
    // A rumble lasts as long as it does among the others.
    Recipe recipe = recipeOf(*felt, *arrives);
    recipe.envelope.set(EnvelopeField::rumbleUntil, static_cast<double>(RumbleUntil::length));
    for (Strand& strand : recipe.strands)
        if (strand.envelope)
            strand.envelope->set(EnvelopeField::rumbleUntil, static_cast<double>(RumbleUntil::length));
    Strike single = *arrives;
    Project own = project;
    single.recipe = own.addRecipe(std::move(recipe));
    single.overrides = {};
    single.place.reset();
    return withOnly(std::move(own), std::move(single));
}

Result<HandedMotion> handedMotion(const Project& project, const HandingOn& how)
{
    if (const auto wrong = wrongNumber(how))
        return *wrong;
    Project from = how.gentle ? gentled(project) : project;
    if (how.gentle && how.part.of == HandedOf::recipe) // which no strike of the film stands for
        if (Recipe* recipe = from.recipe(how.part.id))
            *recipe =
                gentled(*project.recipe(how.part.id), project.gentle, project.width, project.height, project.rate);
    auto part = alone(from, how.part);
    if (!part)
        return part.error();
    Project& own = part->project;
    const Cover cover = how.cover ? coverOf(from, Motion(from)) : Cover();
    if (!how.absolute)
        for (Shot& shot : own.shots)
            shot.move.clear();
    HandedMotion motion;
    motion.title = part->title;
    motion.how = how;
    motion.width = project.width;
    motion.height = project.height;
    motion.rate = project.rate;
    motion.first = part->range.first + how.frameOffset;
    const Motion moves(own);
    bool any = false;
    for (std::int64_t f = part->range.first; f <= part->range.last; ++f) {
        const double zoom = how.cover ? cover.at(f) : 1.0;
        motion.poses.push_back(covered(moves.poseAt(static_cast<double>(f)), zoom));
        any = any || !motion.poses.back().atRest();
    }
    if (!any)
        return Error{ErrorCode::unwritable, motion.title, "nothing moves in it, so there is nothing to export"};
    addChannels(motion);
    return motion;
}

std::vector<CurveKeys> handedKeys(const HandedMotion& motion)
{
    std::vector<CurveKeys> all;
    const auto first = static_cast<double>(motion.first);
    for (const HandedChannel& channel : motion.channels) {
        if (motion.how.sparse) {
            const auto& values = channel.curve.values;
            const bool still = std::all_of(values.begin(), values.end(), [&](double v) { return v == values.front(); });
            all.push_back(still ? CurveKeys{{first, values.front(), Ease::curve}}
                                : fewestLooseKeys(channel.curve, first, 1, motion.stopped));
            continue;
        }
        CurveKeys keys;
        for (std::size_t i = 0; i < channel.curve.values.size(); ++i)
            keys.push_back({first + static_cast<double>(i), channel.curve.values[i], Ease::linear});
        all.push_back(std::move(keys));
    }
    return all;
}

KeyCount countOf(const std::vector<CurveKeys>& keys, const HandedMotion& motion)
{
    KeyCount count;
    for (std::size_t i = 0; i < keys.size(); ++i) {
        const auto& values = motion.channels[i].curve.values;
        if (std::all_of(values.begin(), values.end(), [&](double v) { return v == values.front(); }))
            continue; // a channel that does not move counts for neither
        count.keys += keys[i].size();
        count.dense += values.size();
    }
    return count;
}

std::string_view rotationOrderText(HandedAs as)
{
    return as == HandedAs::layer ? "pan and tilt (as seen by a camera with a 50 degree lens), then scale, then roll "
                                   "about the anchor, then x "
                                   "and y"
                                 : "about the camera's own axes: pan (y), then tilt (x), then roll (z)";
}

std::string slugOf(std::string_view name)
{
    std::string slug;
    for (const char c : name) {
        const auto lower = static_cast<char>(c >= 'A' && c <= 'Z' ? c - 'A' + 'a' : c);
        if ((lower >= 'a' && lower <= 'z') || (lower >= '0' && lower <= '9'))
            slug += lower;
        else if (!slug.empty() && slug.back() != '-')
            slug += '-';
    }
    while (!slug.empty() && slug.back() == '-')
        slug.pop_back();
    return slug.empty() ? "shake" : slug;
}

} // namespace ember
