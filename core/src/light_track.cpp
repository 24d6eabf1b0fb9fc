// SPDX-License-Identifier: GPL-3.0-or-later
#include "light_track.h"

#include <algorithm>
#include <cmath>
#include <map>
#include <numbers>

namespace ember {

namespace {

struct Direction {
    double x;
    double y;
};

/// Whether two instants are of different shots, of which all but the first begin on these frames.
bool apart(const std::vector<std::int64_t>& cuts, FrameTime a, FrameTime b)
{
    const auto shot = [&](FrameTime time) {
        return std::upper_bound(cuts.begin(), cuts.end(), time,
                                [](FrameTime t, std::int64_t cut) { return t < static_cast<double>(cut) - 0.5; });
    };
    return shot(a) != shot(b);
}

/// The way the picture comes from just before, or goes just after; the strike's own where it does neither.
Direction wayOf(const Motion& motion, const std::vector<std::int64_t>& cuts, FrameTime time, const Direction& own)
{
    const Pose here = motion.poseAt(time);
    for (const double other : {-1.0, 1.0}) {
        if (apart(cuts, time, time + other))
            continue;
        const Pose there = motion.poseAt(time + other);
        const double x = (there.x - here.x) * other;
        const double y = (there.y - here.y) * other;
        if (const double way = std::hypot(x, y); way > 0.05)
            return {x / way, y / way};
    }
    return own;
}

Direction atAngle(double degrees)
{
    return {alongAxis(degrees, Axis::x), alongAxis(degrees, Axis::y)};
}

/// A curve where its keys are, its last key's own frame among them; 0 elsewhere.
double within(const Curve& curve, double t)
{
    const CurveKeys& keys = curve.keys();
    return t >= keys.front().frame && t < keys.back().frame + 1 ? std::max(0.0, curve.at(t)) : 0.0;
}

/// Until when a course goes on, in frames from the strike.
double endOf(const Course& course, const Envelope& envelope)
{
    return course.by == Course::By::envelope ? envelope.end() : envelope.peak() + course.hold + course.fall;
}

} // namespace

LightTrack::Kind::Kind(const Recipe& recipe) : effects(recipe.effects), envelope(recipe.envelope)
{
    const auto curve = [&](const char* key) {
        const CurveKeys* keys = recipe.curves.of(key);
        return keys != nullptr ? Curve(*keys) : Curve();
    };
    streak = curve("light.streak.length");
    streakAngle = curve("light.streak.angle");
    radial = curve("light.radial.length");
    fringe = curve("light.fringe.amount");
    fringeAngle = curve("light.fringe.angle");
    flash = curve("light.flash.strength");
    shutter = curve("shutter_angle");
}

bool LightTrack::Kind::any() const
{
    return effects.any() || !streak.empty() || !radial.empty() || !fringe.empty() || !flash.empty() || !shutter.empty();
}

LightTrack::LightTrack(const Project& project)
    : shown_(project.finish.shown), framesPerSecond_(project.rate.perSecond()), beats_(project.beats),
      cuts_(project.cuts())
{
    std::map<RecipeId, std::size_t> shared;
    std::vector<SpanIndex::Span> spans;
    for (const Strike& strike : project.strikes) {
        const Recipe* recipe = project.recipe(strike.recipe);
        if (recipe == nullptr || strike.strength == 0)
            continue;
        if (!recipe->effects.any() && recipe->curves.empty() && strike.overrides.empty())
            continue;
        const auto known = shared.find(recipe->id);
        std::size_t kind = kinds_.size();
        if (strike.overrides.empty() && known != shared.end()) {
            kind = known->second;
        } else {
            Kind own(recipeOf(project, strike));
            if (!own.any())
                continue;
            kinds_.push_back(std::move(own));
            if (strike.overrides.empty())
                shared.emplace(recipe->id, kind);
        }
        const Effects& effects = kinds_[kind].effects;
        const Envelope& envelope = kinds_[kind].envelope;
        const Settling settling = settlingOf(project, strike);
        const auto frame = static_cast<double>(strike.frame.index);
        double end = 0;
        for (const Course* course :
             {&effects.streak.course, &effects.radial.course, &effects.fringe.course, &effects.flash.course})
            end = std::max(end, endOf(*course, envelope));
        double start = std::min(envelope.start(), 0.0);
        const Kind& own = kinds_[kind];
        for (const Curve* curve : {&own.streak, &own.radial, &own.fringe, &own.flash, &own.shutter})
            if (!curve->empty()) {
                start = std::min(start, curve->keys().front().frame);
                end = std::max(end, curve->keys().back().frame);
            }
        const double turn = directionOf(strike, seedOf(strike, *recipe));
        lit_.push_back({frame, strike.strength, settling, alongAxis(turn, Axis::x), alongAxis(turn, Axis::y), kind});
        // One frame more: a course without a fall is there on its last frame.
        spans.push_back({frame + start, std::min({frame + end, settling.from + settling.frames, settling.until}) + 1});
    }
    index_ = SpanIndex(spans);
}

bool LightTrack::treated(const Flicker& flicker, const Lit& lit, FrameTime time) const
{
    if (flicker.every <= 1 && flicker.count == Flicker::Count::frames)
        return true;
    if (flicker.count == Flicker::Count::frames) {
        const auto since = std::llround(time - lit.frame);
        return ((since % flicker.every) + flicker.every) % flicker.every == 0;
    }
    if (!beats_)
        return true;
    // Whether a beat falls on this frame, and how many there were since the one nearest to the strike.
    const std::int64_t beat = beats_->nearest(time / framesPerSecond_);
    const std::int64_t first = beats_->nearest(lit.frame / framesPerSecond_);
    const bool here = std::llround(beats_->at(beat) * framesPerSecond_) == std::llround(time);
    return here && (((beat - first) % flicker.every) + flicker.every) % flicker.every == 0;
}

LightNow LightTrack::at(const Motion& motion, FrameTime time, double master) const
{
    LightNow now;
    std::vector<std::pair<std::size_t, FlashNow>> flashes;
    double streak = 0;
    double fringe = 0;
    index_.at(time, [&](std::uint32_t i) {
        const Lit& lit = lit_[i];
        const Kind& kind = kinds_[lit.kind];
        const Effects& effects = kind.effects;
        const Envelope& envelope = kind.envelope;
        const double t = time - lit.frame;
        const double felt = intensityAt(envelope, t);
        const double scale = lit.strength * master * settledTo(lit.settling, time);
        const bool on = !shown_.flicker || treated(effects.flicker, lit, time);
        const auto level = [&](double amount, const Course& course, const Curve& curve, bool shown, bool flickers) {
            if (!shown || (flickers && !on))
                return 0.0;
            if (!curve.empty())
                return within(curve, t) * scale;
            if (amount == 0)
                return 0.0;
            return amount * scale *
                   courseAt(course, t, envelope.builds() ? envelope.start() : envelope.onset(), envelope.peak(), felt);
        };
        const Direction own{lit.directionX, lit.directionY};
        const auto angled = [t](const Curve& curve, Toward toward, double angle) -> std::optional<Direction> {
            if (!curve.empty())
                return atAngle(curve.at(t));
            return toward == Toward::set ? std::optional(atAngle(angle)) : std::nullopt;
        };
        const double drawn =
            level(effects.streak.length, effects.streak.course, kind.streak, shown_.streak, effects.flicker.streak);
        if (drawn > streak) {
            const auto set = angled(kind.streakAngle, effects.streak.toward, effects.streak.angle);
            const Direction way = set ? *set : wayOf(motion, cuts_, time, own);
            streak = drawn;
            now.streakX = drawn * way.x;
            now.streakY = drawn * way.y;
        }
        const double radial =
            level(effects.radial.length, effects.radial.course, kind.radial, shown_.radial, effects.flicker.radial);
        if (radial > now.radial) {
            now.radial = radial;
            now.radialCentreX = effects.radial.x;
            now.radialCentreY = effects.radial.y;
        }
        const double torn =
            level(effects.fringe.amount, effects.fringe.course, kind.fringe, shown_.fringe, effects.flicker.fringe);
        if (torn > fringe) {
            const auto set = angled(kind.fringeAngle, effects.fringe.toward, effects.fringe.angle);
            const bool out = !set && effects.fringe.toward == Toward::centre;
            const Direction way = out ? Direction{0, 0} : set ? *set : wayOf(motion, cuts_, time, own);
            fringe = torn;
            now.fringeX = torn * way.x;
            now.fringeY = torn * way.y;
            now.fringeOut = out ? torn : 0;
        }
        const double flash =
            level(effects.flash.strength, effects.flash.course, kind.flash, shown_.flash, effects.flicker.flash);
        if (flash > 0)
            flashes.push_back({i, {colourFromNumber(effects.flash.colour), flash, effects.flash.blend}});
    });
    std::sort(flashes.begin(), flashes.end(), [](const auto& a, const auto& b) { return a.first < b.first; });
    for (const auto& [index, flash] : flashes)
        now.flashes.push_back(flash);
    return now;
}

double LightTrack::shutterAt(FrameTime time, double filmAngle) const
{
    std::optional<double> largest;
    index_.at(time, [&](std::uint32_t i) {
        const Lit& lit = lit_[i];
        const Curve& curve = kinds_[lit.kind].shutter;
        const double t = time - lit.frame;
        if (curve.empty() || t < curve.keys().front().frame || t >= curve.keys().back().frame + 1)
            return;
        const double angle = filmAngle + (std::max(0.0, curve.at(t)) - filmAngle) * settledTo(lit.settling, time);
        largest = std::max(largest.value_or(0), angle);
    });
    return largest.value_or(filmAngle);
}

double LightTrack::mostShutter() const
{
    double most = 0;
    for (const Kind& kind : kinds_)
        most = std::max(most, mostOfKeys(kind.shutter.keys()));
    return most;
}

} // namespace ember
