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
    return t >= keys.front().frame && t < keys.back().frame + 1 ? curve.at(t) : 0.0;
}

/// Until when a course goes on, in frames from the strike.
double endOf(const Course& course, const Envelope& envelope)
{
    return course.by == Course::By::envelope ? envelope.end() : envelope.peak() + course.hold + course.fall;
}

} // namespace

LightTrack::Kind::Kind(const Recipe& recipe) : effects(recipe.effects), envelope(recipe.envelope)
{
    const auto curve = [&](std::string_view key) {
        const CurveKeys* keys = recipe.curves.of(key);
        return keys != nullptr ? Curve(*keys) : Curve();
    };
    for (const EffectPart& part : effectParts())
        amounts[static_cast<std::size_t>(part.kind)] = curve(part.amount);
    streakAngle = curve("light.streak.angle");
    fringeAngle = curve("light.fringe.angle");
    shutter = curve("shutter_angle");
}

bool LightTrack::Kind::any() const
{
    return effects.any() || !shutter.empty() ||
           std::any_of(amounts.begin(), amounts.end(), [](const Curve& curve) { return !curve.empty(); });
}

LightTrack::LightTrack(const Project& project)
    : shown_(project.finish.shown), width_(project.width), height_(project.height),
      framesPerSecond_(project.rate.perSecond()), beats_(project.beats), cuts_(project.cuts())
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
        for (const EffectPart& part : effectParts())
            end = std::max(end, endOf(part.courseIn(effects), envelope));
        double start = std::min(envelope.start(), 0.0);
        const Kind& own = kinds_[kind];
        const auto take = [&](const Curve& curve) {
            if (curve.empty())
                return;
            start = std::min(start, curve.keys().front().frame);
            end = std::max(end, curve.keys().back().frame);
        };
        std::for_each(own.amounts.begin(), own.amounts.end(), take);
        take(own.shutter);
        const std::uint32_t seed = seedOf(strike, *recipe);
        const double turn = directionOf(strike, seed);
        lit_.push_back(
            {frame, strike.strength, settling, alongAxis(turn, Axis::x), alongAxis(turn, Axis::y), seed, kind});
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

/// What strikes do at an instant, put together one strike after the other.
class LightTrack::Gathered {
public:
    Gathered(const LightTrack& track, const Motion& motion, FrameTime time, double master)
        : track_(track), motion_(motion), time_(time), master_(master)
    {
    }
    void add(std::uint32_t index);
    LightNow taken();

private:
    /// How much of an effect there is of the strike that is added.
    double level(EffectKind kind) const;
    /// The same where it is more than there was; else 0.
    double more(EffectKind kind);
    /// The set direction; nothing where the motion's is asked for.
    std::optional<Direction> angled(const Curve& curve, Toward toward, double angle) const;
    void addRipple(std::uint32_t index);

    const LightTrack& track_;
    const Motion& motion_;
    FrameTime time_;
    double master_;
    LightNow now_;
    std::array<double, effectKinds> most_{};
    std::vector<std::pair<std::size_t, FlashNow>> flashes_;
    std::vector<std::pair<std::size_t, RippleNow>> ripples_;

    // Of the strike that is added.
    const Kind* kind_ = nullptr;
    double t_ = 0; ///< frames from it
    double onset_ = 0;
    double felt_ = 0;
    double scale_ = 0;
    bool on_ = false; ///< what flickers is seen
};

double LightTrack::Gathered::level(EffectKind kind) const
{
    const auto i = static_cast<std::size_t>(kind);
    const EffectPart& part = effectParts()[i];
    const Effects& effects = kind_->effects;
    if (!(track_.shown_.*part.shown) || (effects.flicker.*part.flickers && !on_))
        return 0;
    const Curve& curve = kind_->amounts[i];
    if (!curve.empty())
        return kind == EffectKind::exposure ? within(curve, t_) * scale_ : std::max(0.0, within(curve, t_)) * scale_;
    const double amount = part.amountIn(effects);
    return amount == 0 ? 0
                       : amount * scale_ * courseAt(part.courseIn(effects), t_, onset_, kind_->envelope.peak(), felt_);
}

double LightTrack::Gathered::more(EffectKind kind)
{
    const double here = level(kind);
    double& most = most_[static_cast<std::size_t>(kind)];
    if (std::abs(here) <= most)
        return 0;
    most = std::abs(here);
    return here;
}

std::optional<Direction> LightTrack::Gathered::angled(const Curve& curve, Toward toward, double angle) const
{
    if (!curve.empty())
        return atAngle(curve.at(t_));
    return toward == Toward::set ? std::optional(atAngle(angle)) : std::nullopt;
}

void LightTrack::Gathered::addRipple(std::uint32_t index)
{
    const Ripple& ripple = kind_->effects.ripple;
    const double amount = level(EffectKind::ripple);
    if (amount == 0 || t_ < onset_)
        return;
    RippleNow now{amount, ripple.x, ripple.y, 0, ripple.width};
    if (ripple.from == Ripple::From::place) // one with a place is felt with its point set
        now.x = now.y = 0.5;
    now.radius = ripple.speed * (t_ - onset_) / track_.framesPerSecond_;
    const double farX = std::max(std::abs(now.x), std::abs(1 - now.x)) * track_.width_;
    const double farY = std::max(std::abs(now.y), std::abs(1 - now.y)) * track_.height_;
    if (now.radius - now.width < std::hypot(farX, farY))
        ripples_.emplace_back(index, now);
}

void LightTrack::Gathered::add(std::uint32_t index)
{
    const Lit& lit = track_.lit_[index];
    kind_ = &track_.kinds_[lit.kind];
    const Effects& effects = kind_->effects;
    const Envelope& envelope = kind_->envelope;
    t_ = time_ - lit.frame;
    onset_ = envelope.builds() ? envelope.start() : envelope.onset();
    felt_ = intensityAt(envelope, t_);
    scale_ = lit.strength * master_ * settledTo(lit.settling, time_);
    on_ = !track_.shown_.flicker || track_.treated(effects.flicker, lit, time_);
    const Direction own{lit.directionX, lit.directionY};
    if (const double drawn = more(EffectKind::streak); drawn > 0) {
        const auto set = angled(kind_->streakAngle, effects.streak.toward, effects.streak.angle);
        const Direction way = set ? *set : wayOf(motion_, track_.cuts_, time_, own);
        now_.streakX = drawn * way.x;
        now_.streakY = drawn * way.y;
    }
    if (const double radial = more(EffectKind::radial); radial > 0) {
        now_.radial = radial;
        now_.radialCentreX = effects.radial.x;
        now_.radialCentreY = effects.radial.y;
    }
    if (const double torn = more(EffectKind::fringe); torn > 0) {
        const auto set = angled(kind_->fringeAngle, effects.fringe.toward, effects.fringe.angle);
        const bool out = !set && effects.fringe.toward == Toward::centre;
        const Direction way = out ? Direction{0, 0} : set ? *set : wayOf(motion_, track_.cuts_, time_, own);
        now_.fringeX = torn * way.x;
        now_.fringeY = torn * way.y;
        now_.fringeOut = out ? torn : 0;
    }
    if (const double flash = level(EffectKind::flash); flash > 0)
        flashes_.push_back({index, {colourFromNumber(effects.flash.colour), flash, effects.flash.blend}});
    if (const double stops = more(EffectKind::exposure); stops != 0)
        now_.exposure = stops;
    if (const double radius = more(EffectKind::defocus); radius > 0)
        now_.defocus = radius;
    if (const double strength = more(EffectKind::impact); strength > 0) {
        const ImpactFrame& impact = effects.impact;
        now_.impact = {std::min(1.0, strength),
                       impact.look,
                       impact.threshold,
                       impact.softness,
                       colourFromNumber(impact.dark),
                       colourFromNumber(impact.light)};
    }
    if (const double amount = more(EffectKind::grain); amount > 0)
        now_.grain = {amount, effects.grain.size, effects.grain.colour,
                      static_cast<std::uint32_t>(
                          mixSeed(lit.seed, static_cast<std::uint64_t>(std::llround(time_ - lit.frame)), 0x96a1))};
    addRipple(index);
}

LightNow LightTrack::Gathered::taken()
{
    const auto inOrder = [](auto& of, auto& to) {
        std::sort(of.begin(), of.end(), [](const auto& a, const auto& b) { return a.first < b.first; });
        for (const auto& [index, one] : of)
            to.push_back(one);
    };
    inOrder(flashes_, now_.flashes);
    inOrder(ripples_, now_.ripples);
    return std::move(now_);
}

LightNow LightTrack::at(const Motion& motion, FrameTime time, double master) const
{
    Gathered gathered(*this, motion, time, master);
    index_.at(time, [&](std::uint32_t i) { gathered.add(i); });
    return gathered.taken();
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
