// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/core/gentle.h"

#include <algorithm>
#include <cmath>

#include "ember/core/comfort.h"
#include "ember/core/motion.h"
#include "value_list.h"

namespace ember {

namespace {

constexpr FieldSpec strengthField{
    "strength", "Strength", "%", 0, 1, 0.4, 0.05, "How strong shakes and drift of the gentle version are"};
constexpr FieldSpec flashField =
    choiceField("flash", "Flashes", offOn, 0,
                "Whether it keeps flashes, exposure, impact frames, defocus, ripples, grain and effects that flicker");
constexpr FieldSpec rollField = choiceField("roll", "Roll", offOn, 0, "Whether it keeps roll, pan and tilt");
constexpr FieldSpec displacementField{
    "displacement",
    "Largest shift",
    "%",
    0.001,
    1,
    0.02,
    0.005,
    "How far a corner of the picture may go, of the picture's width; 100 % is no limit"};
constexpr FieldSpec speedField{
    "speed", "Speed at most",
    "%",     0.01,
    10,      0.5,
    0.05,    "How fast a corner may go, of the picture's width in a second; 1000 % is no limit"};

/// More of a strike is not looked at by itself; what comes later is seen with the whole film.
constexpr std::int64_t longestLook = 2400; // frames

struct Extremes {
    double displacement = 0;
    double speed = 0; ///< ratios a second
};

/// Of frames [first, last].
Extremes extremesOf(const Motion& motion, int width, int height, double framesPerSecond, std::int64_t first,
                    std::int64_t last)
{
    Extremes found;
    Pose before = motion.poseAt(static_cast<double>(first) - 1);
    for (std::int64_t f = first; f <= last; ++f) {
        const auto time = static_cast<double>(f);
        const Pose pose = motion.poseAt(time);
        found.displacement = std::max({found.displacement, cornerDisplacement(pose, width, height),
                                       cornerDisplacement(motion.poseAt(time + 0.5), width, height)});
        found.speed = std::max(found.speed, cornerStep(before, pose, width, height) * framesPerSecond);
        before = pose;
    }
    return found;
}

/// What brings a motion below its limits.
double factorFor(const Extremes& found, const Gentle& gentle)
{
    double factor = 1;
    if (gentle.displacement < displacementField.max && found.displacement > gentle.displacement)
        factor = gentle.displacement / found.displacement;
    if (gentle.speed < speedField.max && found.speed * factor > gentle.speed)
        factor = gentle.speed / found.speed;
    return factor;
}

/// A stage for one recipe and what is asked of it: no drift, no moves, no keys.
Project bareStage(const Recipe& recipe, int width, int height, const FrameRate& rate)
{
    Project bare;
    bare.width = width;
    bare.height = height;
    bare.rate = rate;
    bare.addRecipe(recipe);
    return bare;
}

/// Strength of one strike until it is within limits by itself, against the one it has.
double factorAlone(Project stage, Strike strike, const Gentle& gentle)
{
    strike.recipe = stage.recipes.front().id;
    strike.group.clear();
    strike.place.reset();
    Shot shot;
    shot.length = strike.frame.index + longestLook;
    stage.addShot(shot);
    const StrikeId id = stage.addStrike(strike);
    double factor = 1;
    for (int round = 0; round < 4; ++round) { // corners do not go quite as amounts do where the picture turns
        stage.strike(id)->strength = strike.strength * factor;
        const Motion motion(stage);
        if (motion.spans().empty())
            break;
        const StrikeSpan& span = motion.spans().front();
        const auto first = static_cast<std::int64_t>(std::floor(span.start));
        const auto last = std::min(first + longestLook, static_cast<std::int64_t>(std::ceil(span.end)));
        const double more =
            factorFor(extremesOf(motion, stage.width, stage.height, stage.rate.perSecond(), first, last), gentle);
        if (more >= 1)
            break;
        factor *= more * (1 - 1e-9);
    }
    return factor;
}

/// What flashes, or is made to be felt as a blow.
bool isHarsh(EffectKind kind)
{
    return kind != EffectKind::streak && kind != EffectKind::radial && kind != EffectKind::fringe;
}

void stopTurning(Recipe& recipe)
{
    recipe.rotation = 0;
}

} // namespace

template <>
std::span<const FieldOf<Gentle>> fieldsOf<Gentle>()
{
    static const auto fields = FieldTable<Gentle>()
                                   .with<&Gentle::strength>(strengthField)
                                   .with<&Gentle::flash>(flashField)
                                   .with<&Gentle::roll>(rollField)
                                   .with<&Gentle::displacement>(displacementField)
                                   .with<&Gentle::speed>(speedField)
                                   .done();
    return fields;
}

Project gentled(const Project& project)
{
    const Gentle gentle = project.gentle;
    Project out = project;
    out.gentle = {1, true, true, displacementField.max, speedField.max};
    if (!gentle.roll)
        for (const Axis axis : {Axis::roll, Axis::pan, Axis::tilt})
            out.master.axis[static_cast<std::size_t>(axis)] = false;
    if (!gentle.flash) {
        out.finish.shown.flicker = false;
        for (const EffectPart& part : effectParts())
            if (isHarsh(part.kind))
                out.finish.shown.*part.shown = false;
    }
    for (const Axis axis : allAxes)
        out.drift.amount[axis] *= gentle.strength;
    const FeltProject felt(out);
    for (Strike& strike : out.strikes) {
        const Strike* arrives = felt->strike(strike.id);
        if (arrives == nullptr || out.recipe(strike.recipe) == nullptr)
            continue;
        Strike alone = *arrives;
        alone.strength *= gentle.strength;
        Project stage =
            bareStage(withOverrides(*out.recipe(strike.recipe), strike.overrides), out.width, out.height, out.rate);
        alone.overrides = {};
        stage.master.axis = out.master.axis;
        stage.master.flat = out.master.flat;
        strike.strength *= gentle.strength * factorAlone(std::move(stage), alone, gentle);
    }
    // All together, with the film's own intensity.
    Project shake = out;
    for (Shot& shot : shake.shots)
        shot.move.clear();
    for (int round = 0; round < 4; ++round) {
        const Motion motion(shake);
        Extremes most;
        for (const FrameSpan& span : motion.moving(shake.length() - 1)) {
            const Extremes here =
                extremesOf(motion, out.width, out.height, out.rate.perSecond(), span.first, span.last);
            most = {std::max(most.displacement, here.displacement), std::max(most.speed, here.speed)};
        }
        const double factor = factorFor(most, gentle) * (1 - 1e-9);
        if (factor >= 1 - 1e-8)
            break;
        for (Project* p : {&shake, &out}) {
            p->master.intensity *= factor;
            for (IntensityKey& key : p->master.keys)
                key.value *= factor;
        }
    }
    return out;
}

Recipe gentled(const Recipe& recipe, const Gentle& gentle, int width, int height, const FrameRate& rate)
{
    Recipe out = recipe;
    if (!gentle.roll)
        stopTurning(out);
    if (!gentle.flash) {
        for (const EffectPart& part : effectParts())
            if (isHarsh(part.kind)) {
                part.amountOf(out.effects) = 0;
                out.curves.clear(part.amount);
            }
        out.effects.flicker.every = 1;
    }
    double factor = 1;
    for (std::uint32_t seed = 1; seed <= 64; ++seed) {
        Strike strike;
        strike.strength = gentleStrength * gentle.strength;
        strike.seed = seed;
        if (seed % 9 != 0) // every ninth goes where its seed sends it
            strike.direction = 45.0 * (seed % 8);
        factor = std::min(factor, factorAlone(bareStage(out, width, height, rate), strike, gentle));
    }
    for (Strand& strand : out.strands)
        for (const Axis axis : allAxes) {
            strand.amount[axis] *= gentle.strength * factor;
            const std::string key = "strand." + strand.name + ".amount." + std::string(axisName(axis));
            if (const CurveKeys* keys = out.curves.of(key))
                out.curves.set(key, scaledKeys(*keys, 1, gentle.strength * factor));
        }
    return out;
}

Overlap gentled(Overlap overlap)
{
    overlap.ceiling = std::min(overlap.ceiling, gentleStrength);
    return overlap;
}

} // namespace ember
