// SPDX-License-Identifier: GPL-3.0-or-later
// Exposure, impact frames, defocus, ripples and grain over the frames of a strike.
#include <cmath>

#include <QTest>

#include "ember/core/comfort.h"
#include "ember/core/motion.h"
#include "ember/core/values.h"
#include "pictures.h"
#include "runner.h"

using namespace ember;

namespace {

/// A strike on frame 40 whose peak is on 42.
Project project()
{
    Project p;
    p.width = 640;
    p.height = 360;
    p.rate = *FrameRate::make(24, 1);
    p.addShot(Shot{"clip", 120});
    const Envelope shape =
        Envelope().with(EnvelopeField::attack, 2).with(EnvelopeField::hold, 0).with(EnvelopeField::decay, 20);
    p.addRecipe(test::plainRecipe(Kick{}, test::amountOf(Axis::x, 40), shape));
    Strike strike;
    strike.frame = Frame{40};
    strike.recipe = p.recipes.front().id;
    strike.direction = 0;
    p.addStrike(strike);
    return p;
}

Effects& effectsOf(Project& p)
{
    return p.recipes.front().effects;
}

LightNow at(const Project& p, FrameTime time)
{
    return Motion(p).lightAt(time);
}

} // namespace

class ImpactTest : public QObject {
    Q_OBJECT
private slots:
    void everyEffectIsInTheTables()
    {
        const auto parts = effectParts();
        for (std::size_t i = 0; i < parts.size(); ++i) {
            const EffectPart& part = parts[i];
            QCOMPARE(static_cast<std::size_t>(part.kind), i);
            Recipe recipe = project().recipes.front();
            QVERIFY(!recipe.effects.any());
            // The amount's key is the one of values, curves and shown switches.
            QVERIFY(specOfValue(recipe, part.amount) != nullptr && curveSpecOf(recipe, part.amount) != nullptr);
            QVERIFY(setValue(recipe, part.amount, 1));
            QVERIFY(recipe.effects.any());
            QCOMPARE(part.amountIn(recipe.effects), 1.0);
            QVERIFY(setValue(recipe, "light." + std::string(part.name) + ".fall", 33));
            QCOMPARE(part.courseIn(recipe.effects).fall, 33.0);
            QVERIFY(setValue(recipe, "light.flicker." + std::string(part.name), 1));
            QVERIFY(recipe.effects.flicker.*part.flickers);
            QVERIFY(fieldOf<Finish>("show_" + std::string(part.name)) != nullptr);
            // Each is there on the peak and nowhere before the onset, is gone after, and can be switched off.
            Project p = project();
            QVERIFY(setValue(p.recipes.front(), part.amount, 1));
            QVERIFY(!at(p, 42).none());
            QVERIFY(at(p, 39).none() && at(p, 119).none());
            p.finish.shown.*part.shown = false;
            QVERIFY(at(p, 42).none());
        }
    }
    void amountsFollowStrengthAndCourse()
    {
        Project p = project();
        effectsOf(p).exposure = {3, {Course::By::own, 0, 0, 6}};
        effectsOf(p).defocus = {20, {Course::By::own, 0, 2, 10}};
        p.strikes.front().strength = 0.5;
        QCOMPARE(at(p, 42).exposure, 1.5);
        QVERIFY(std::abs(at(p, 45).exposure - 1.5 * 0.25) < 1e-12);
        QCOMPARE(at(p, 44).defocus, 10.0);
        double before = 10;
        for (int frame = 45; frame < 54; ++frame) { // it falls
            QVERIFY(at(p, frame).defocus < before);
            before = at(p, frame).defocus;
        }
        QVERIFY(at(p, 54).none());
        p.master.intensity = 2;
        QCOMPARE(at(p, 42).exposure, 3.0);
        p.strikes.front().overrides.set("light.exposure.stops", -4);
        QCOMPARE(at(p, 42).exposure, -4.0);
        // Over frames from the strike, and below zero too.
        p = project();
        effectsOf(p).exposure.stops = 1;
        QVERIFY(setCurve(p.recipes.front(), "light.exposure.stops", {{0, -2, Ease::linear}, {10, 2, Ease::linear}}));
        QCOMPARE(at(p, 40).exposure, -2.0);
        QVERIFY(std::abs(at(p, 47).exposure - 0.8) < 1e-9);
        QVERIFY(at(p, 51).none());
    }
    void theStrongestCounts()
    {
        Project p = project();
        effectsOf(p).exposure = {1, {Course::By::own, 0, 20, 0}};
        Strike dark = p.strikes.front();
        dark.frame = Frame{44};
        dark.overrides.set("light.exposure.stops", -3);
        p.addStrike(dark);
        QCOMPARE(at(p, 45).exposure, 1.0);
        QCOMPARE(at(p, 46).exposure, -3.0);
    }
    void impactFramesAreSoMany()
    {
        Project p = project();
        ImpactFrame& impact = effectsOf(p).impact;
        impact.strength = 1;
        impact.look = ImpactFrame::Look::twoTone;
        impact.light = 0xff8000;
        for (int frame = 38; frame < 50; ++frame)
            QCOMPARE(at(p, frame).impact.strength, frame == 42 || frame == 43 ? 1.0 : 0.0);
        QCOMPARE(at(p, 42).impact.look, ImpactFrame::Look::twoTone);
        QCOMPARE(at(p, 42).impact.light, Colour({255, 128, 0}));
        impact.course.hold = 0;
        QVERIFY(at(p, 43).none());
        impact.course.hold = 5;
        effectsOf(p).flicker.every = 2;
        effectsOf(p).flicker.impact = true;
        for (int frame = 42; frame < 48; ++frame)
            QCOMPARE(at(p, frame).none(), frame % 2 == 1);
        p.strikes.front().strength = 3; // never more than all of it
        QCOMPARE(at(p, 42).impact.strength, 1.0);
    }
    void ringsRunOutwards()
    {
        Project p = project();
        effectsOf(p).ripple = {30, Ripple::From::point, 0.25, 0.5, 480, 60, {Course::By::own, 0, 40, 0}};
        for (int frame = 42; frame < 80; ++frame) {
            const LightNow light = at(p, frame);
            const double radius = 20.0 * (frame - 40);
            const bool within = radius - 60 < std::hypot(0.75 * 640, 180);
            QCOMPARE(light.ripples.size(), within ? std::size_t{1} : std::size_t{0});
            QCOMPARE(light.none(), !within);
            if (within)
                QVERIFY(std::abs(light.ripples.front().radius - radius) < 1e-9 && light.ripples.front().x == 0.25);
        }
        // Of several strikes all are there; at twice the pace a ring is twice as far.
        Strike second = p.strikes.front();
        second.frame = Frame{44};
        p.addStrike(second);
        QCOMPARE(at(p, 50).ripples.size(), std::size_t{2});
        QVERIFY(at(p, 50).ripples[0].radius > at(p, 50).ripples[1].radius);
        p.strikes.resize(1);
        p.recipes.front().playRate = 2;
        QVERIFY(std::abs(at(p, 45).ripples.front().radius - 40.0 * 5) < 1e-9);
    }
    void ringsBeginWhereTheStrikeIs()
    {
        Project p = project();
        effectsOf(p).ripple.amount = 10;
        effectsOf(p).ripple.from = Ripple::From::place;
        effectsOf(p).ripple.x = 0.9;
        QCOMPARE(at(p, 43).ripples.front().x, 0.5); // without a place: the middle
        Strike& strike = p.strikes.front();
        strike.place = Place{PicturePoint{0.2, 0.7}};
        strike.place->weaker = strike.place->later = false;
        QCOMPARE(at(p, 43).ripples.front().x, 0.2);
        QCOMPARE(at(p, 43).ripples.front().y, 0.7);
        effectsOf(p).ripple.from = Ripple::From::point;
        QCOMPARE(at(p, 43).ripples.front().x, 0.9);
    }
    void grainIsNewOnEveryFrameAndTheSameAgain()
    {
        Project p = project();
        effectsOf(p).grain.amount = 0.3;
        const GrainNow one = at(p, 42).grain;
        QCOMPARE(at(p, 42).grain, one);
        QVERIFY(at(p, 43).grain.seed != one.seed);
        // It is the strike's own, wherever that is moved.
        p.strikes.front().frame = Frame{50};
        QCOMPARE(at(p, 52).grain, one);
        p.strikes.front().seed = 12345;
        QVERIFY(at(p, 52).grain.seed != one.seed);
    }
    void gentleVersionsHaveNone()
    {
        Project p = project();
        for (const EffectPart& part : effectParts())
            part.amountOf(effectsOf(p)) = 1;
        const LightNow light = at(gentled(p), 42);
        QVERIFY(light.flashes.empty() && light.ripples.empty());
        QVERIFY(light.exposure == 0 && light.defocus == 0 && light.impact.strength == 0 && light.grain.amount == 0);
        QVERIFY(light.radial > 0 && light.fringeX != 0);
        Recipe recipe = p.recipes.front();
        QVERIFY(setCurve(recipe, "light.impact.strength", {{0, 1, Ease::linear}, {10, 1, Ease::linear}}));
        const Recipe gentle = gentled(recipe, p.gentle, p.width, p.height, p.rate);
        for (const EffectPart& part : effectParts())
            QCOMPARE(part.amountIn(gentle.effects) == 0 && gentle.curves.of(part.amount) == nullptr,
                     part.kind >= EffectKind::flash);
        p.gentle.flash = true;
        QVERIFY(at(gentled(p), 42).impact.strength > 0);
    }
    void ripplesCountForComfort()
    {
        Project p = project();
        const auto lines = [&] { return comfortLines(comfortOf(p, 0, p.length()), p.rate); };
        const auto has = [](const std::vector<ComfortLine>& all) {
            return std::find_if(all.begin(), all.end(), [](const ComfortLine& l) { return l.key == "ripple"; });
        };
        auto found = lines();
        QVERIFY(has(found) == found.end());
        effectsOf(p).ripple.amount = 48;
        found = lines();
        const auto line = has(found);
        QVERIFY(line != found.end());
        QVERIFY(std::abs(line->value - 7.5) < 1e-9);
        QVERIFY(!line->within());
        QCOMPARE(line->frame, std::int64_t{42});
    }
};

EMBER_TEST(ImpactTest)
#include "tst_impact.moc"
