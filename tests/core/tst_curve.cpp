// SPDX-License-Identifier: GPL-3.0-or-later
// Curves: values and integrals, strength and rate over time, keys by hand, pivots, play rate, lines, loops.
#include <cmath>
#include <complex>
#include <numbers>

#include <QTest>

#include "ember/core/cover.h"
#include "ember/core/keys.h"
#include "ember/core/motion.h"
#include "ember/core/projection.h"
#include "ember/core/values.h"
#include "pictures.h"
#include "runner.h"

using namespace ember;
using F = EnvelopeField;

namespace {

CurveKeys chanceKeys(test::Random& random, int count, double low, double high)
{
    CurveKeys keys;
    for (int i = 0; i < count; ++i)
        keys.push_back({static_cast<double>(random.whole(-20, 60)), random.between(low, high),
                        static_cast<Ease>(random.whole(0, 5)), random.between(-2, 2), random.between(-2, 2)});
    return inOrder(std::move(keys));
}

/// A film with one strike on frame 50 of a recipe with these strands.
Project filmOf(std::vector<Strand> strands)
{
    Project project;
    Shot shot;
    shot.length = 400;
    project.addShot(shot);
    Recipe recipe;
    recipe.name = "Any";
    for (Strand& strand : strands)
        recipe.add(std::move(strand));
    const RecipeId id = project.addRecipe(std::move(recipe));
    Strike strike;
    strike.frame = Frame{50};
    strike.recipe = id;
    strike.direction = 90;
    project.addStrike(strike);
    return project;
}

Strand strandOf(Source source, Axis axis, double amount)
{
    Strand strand;
    strand.name = "One";
    strand.source = std::move(source);
    strand.amount[axis] = amount;
    return strand;
}

Strand handOf(Axis axis, const CurveKeys& moves, double home = 6)
{
    double most = 0;
    for (const CurveKey& key : moves)
        most = std::max(most, std::abs(key.value));
    Drawn drawn;
    drawn.asDrawn = true;
    drawn.home = home;
    drawn.keys[static_cast<std::size_t>(axis)] = scaledKeys(moves, 1, 1 / most);
    return strandOf(drawn, axis, most);
}

} // namespace

class CurveTest : public QObject {
    Q_OBJECT
private slots:
    void integralsAreExact()
    {
        test::Random random(5);
        for (int round = 0; round < 200; ++round) {
            const Curve curve(chanceKeys(random, random.whole(1, 8), -5, 9));
            const double from = random.between(-30, 70);
            const double to = from + random.between(-40, 40);
            // Gauss-Legendre with five points is exact for the polynomials between keys; steps end on every key.
            std::vector<double> ends{std::min(from, to), std::max(from, to)};
            for (const CurveKey& key : curve.keys())
                if (key.frame > ends.front() && key.frame < std::max(from, to))
                    ends.push_back(key.frame);
            std::sort(ends.begin(), ends.end());
            constexpr std::array<double, 5> at{0, 0.5384693101056831, -0.5384693101056831, 0.906179845938664,
                                               -0.906179845938664};
            constexpr std::array<double, 5> weight{0.5688888888888889, 0.47862867049936647, 0.47862867049936647,
                                                   0.23692688505618908, 0.23692688505618908};
            double sum = 0;
            for (std::size_t i = 0; i + 1 < ends.size(); ++i) {
                const double half = (ends[i + 1] - ends[i]) / 2;
                for (std::size_t k = 0; k < at.size(); ++k)
                    sum += half * weight[k] * curve.at(ends[i] + half + half * at[k]);
            }
            sum *= to < from ? -1 : 1;
            const double exact = curve.integral(from, to);
            QVERIFY2(std::abs(exact - sum) < 1e-9 * std::max(1.0, std::abs(sum)),
                     qPrintable(QStringLiteral("%1 %2").arg(exact).arg(sum)));
        }
        QCOMPARE(Curve().integral(0, 10), 0.0);
        QCOMPARE(Curve({{5, 3}}).integral(0, 10), 30.0);
    }
    void nothingGoesBeyondItsHull()
    {
        test::Random random(6);
        for (int round = 0; round < 200; ++round) {
            const CurveKeys keys = chanceKeys(random, random.whole(1, 8), -5, 9);
            const double most = mostOfKeys(keys);
            for (double t = -30; t < 70; t += 0.37)
                QVERIFY(std::abs(valueOfKeys(keys, t)) <= most + 1e-9);
        }
    }
    void slopesAreTheDerivativeAndKindsKeepTheShape()
    {
        test::Random random(7);
        for (int round = 0; round < 100; ++round) {
            const CurveKeys keys = chanceKeys(random, 6, -5, 9);
            if (keys.size() < 3)
                continue;
            const CurveKeys free = withSlopes(keys, {1}, SlopeKind::free);
            const CurveKeys smooth = withSlopes(keys, {1}, SlopeKind::smooth);
            for (double t = keys.front().frame + 0.01; t < keys.back().frame; t += 0.173) {
                const double h = 1e-5;
                const auto next = std::upper_bound(keys.begin(), keys.end(), t - h,
                                                   [](double at, const CurveKey& key) { return at < key.frame; });
                if (next->frame <= t + h)
                    continue; // over a key
                const double slope = (valueOfKeys(keys, t + h) - valueOfKeys(keys, t - h)) / (2 * h);
                QVERIFY(std::abs(slopeOfKeys(keys, t) - slope) < 1e-5 * std::max(1.0, std::abs(slope)));
                if (keys[1].ease != Ease::hold)
                    QVERIFY(std::abs(valueOfKeys(free, t) - valueOfKeys(keys, t)) < 1e-9);
            }
            QCOMPARE(smooth[1].value, keys[1].value);
            QCOMPARE(smooth[1].slopeIn, smooth[1].slopeOut);
        }
        const CurveKeys wave{{0, 0}, {4, 1}, {8, -1}, {12, 1}, {16, 0}};
        QCOMPARE(crestsOf(wave, 0, 16), (std::vector<double>{4, 12}));
        QVERIFY(withSlopes(wave, {1}, SlopeKind::stepped)[1].ease == Ease::hold);
        QCOMPARE(scaledInValue(wave, {1, 2}, 2, 1)[2].value, -3.0); // about 1
    }
    void keysByHandAreExactAndComeHome()
    {
        const CurveKeys moves{{-2, 0}, {0, -7.3}, {1, 22.125}, {3, -11.7}, {7, 5.5}};
        for (const Axis axis : {Axis::x, Axis::roll}) {
            const Project project = filmOf({handOf(axis, moves)});
            const Motion motion(project);
            for (const CurveKey& key : moves)
                QVERIFY(std::abs(along(motion.poseAt(50 + key.frame), axis) - key.value) < 1e-9);
            QVERIFY(motion.poseAt(47.999).atRest() && motion.poseAt(0).atRest());
            QVERIFY(!motion.poseAt(60).atRest());
            QVERIFY(motion.poseAt(63).atRest()); // six frames behind the last key
            QCOMPARE(motion.spans().front().end, 63.0);
            QCOMPARE(motion.spans().front().peak, 51.0);
            QCOMPARE(motion.intensityAt(51), 1.0);
        }
        // Neither envelope nor rate has a say.
        Project shaped = filmOf({handOf(Axis::x, moves)});
        const Pose was = Motion(shaped).poseAt(54.4);
        shaped.recipes[0].envelope.set(F::decay, 2);
        shaped.recipes[0].envelope.set(F::rumble, 0);
        shaped.recipes[0].strands[0].rate = {20, 1, 3};
        QCOMPARE(Motion(shaped).poseAt(54.4), was);
        // Without the way home it stays for its own frame and is gone.
        const Motion jumps(filmOf({handOf(Axis::x, moves, 0)}));
        QVERIFY(std::abs(jumps.poseAt(57).x - 5.5) < 1e-9);
        QVERIFY(jumps.poseAt(58).atRest());
    }
    void aStrengthCurveHasAnyNumberOfBumps()
    {
        Project project = filmOf({strandOf(Noise{}, Axis::y, 10)});
        Envelope& envelope = project.recipes[0].envelope;
        envelope.setCurve({{0, 0}, {2, 1}, {6, 0.1}, {10, 0.8}, {20, 0}});
        QCOMPARE(envelope.onset(), 0.0);
        QCOMPARE(envelope.peak(), 2.0);
        QCOMPARE(envelope.end(), 20.0);
        const Motion motion(project);
        QVERIFY(std::abs(std::abs(motion.poseAt(52).y) - 10) < 1e-9); // peak lock
        QCOMPARE(motion.intensityAt(60), 0.8);
        QVERIFY(motion.poseAt(50).atRest() && motion.poseAt(70).atRest());
        double most = 0;
        for (double t = 45; t < 75; t += 0.05)
            most = std::max(most, std::abs(motion.poseAt(t).y));
        QVERIFY(most <= 10 + 1e-9);
    }
    void shapesBecomeCurvesAndBack()
    {
        test::Random random(11);
        for (int round = 0; round < 60; ++round) {
            Envelope shape;
            shape.set(F::attack, random.whole(0, 4));
            shape.set(F::hold, random.whole(0, 5));
            shape.set(F::decay, random.whole(1, 60));
            shape.set(F::decaySlope, random.whole(0, 4));
            shape.set(F::decayCurve, random.between(-6, 8));
            shape.set(F::rumble, random.whole(0, 1) * random.between(0.05, 0.5));
            shape.set(F::rumbleLength, random.whole(0, 60));
            shape.set(F::release, random.whole(0, 40));
            Envelope curve;
            curve.setCurve(curveOfShape(shape));
            for (double t = -5; t < shape.end() + 5; t += 0.25)
                QVERIFY2(std::abs(intensityAt(curve, t) - intensityAt(shape, t)) < 0.02,
                         qPrintable(QStringLiteral("round %1, frame %2: %3 for %4")
                                        .arg(round)
                                        .arg(t)
                                        .arg(intensityAt(curve, t))
                                        .arg(intensityAt(shape, t))));
            QCOMPARE(curve.peak(), shape.peak());
            if (shape.chosen<Slope>(F::decaySlope) != Slope::constant)
                QCOMPARE(curve.holdEnd(), shape.holdEnd()); // where a blow begins to swing
            const auto back = shapeOfCurve(curve.curve(), shape);
            QVERIFY(back && back->off < 0.03);
            const auto unlike = shapeOfCurve(curve.curve(), Envelope()); // found, not remembered
            QVERIFY(unlike.has_value());
        }
        const auto two = shapeOfCurve({{0, 0}, {2, 1}, {10, 0}, {12, 1}, {20, 0}}, Envelope());
        QVERIFY(two && two->off > 0.3); // two bumps are no attack and decay
        QVERIFY(!shapeOfCurve({{0, 0}}, Envelope()));
    }
    void thePhaseIsTheIntegralOfTheRate()
    {
        Project project = filmOf({strandOf(Oscillation{Wave::sine, PhaseStart::fixed}, Axis::x, 10)});
        Recipe& recipe = project.recipes[0];
        recipe.envelope.setCurve({{0, 1, Ease::linear}, {200, 1, Ease::linear}});
        const CurveKeys rate{{0, 2}, {40, 9, Ease::in}, {90, 1}};
        QVERIFY(setCurve(recipe, "strand.One.rate", rate));
        const Motion motion(project);
        const Curve curve(rate);
        double before = motion.poseAt(50).x;
        for (double t = 0; t < 150; t += 0.25) {
            const double x = motion.poseAt(50 + t).x;
            const double side = motion.poseAt(50).x < 0 ? -1 : 1; // the seed's
            QVERIFY(std::abs(side * x - 10 * std::cos(2 * std::numbers::pi * curve.integral(0, t) / 24)) < 1e-9);
            QVERIFY(std::abs(x - before) < 10 * 2 * std::numbers::pi * 9 / 24 * 0.25 + 1e-9); // it never jumps
            before = x;
        }
        // A rate that does not change is the rate.
        Project plain = filmOf({strandOf(Noise{}, Axis::x, 10)});
        plain.recipes[0].strands[0].rate = {7, 7, 12};
        Project curved = plain;
        QVERIFY(setCurve(curved.recipes[0], "strand.One.rate", {{0, 7}}));
        for (double t = 50; t < 80; t += 0.3)
            QVERIFY(std::abs(Motion(plain).poseAt(t).x - Motion(curved).poseAt(t).x) < 1e-9);
    }
    void amountsChangeOverTime()
    {
        Project project = filmOf({strandOf(Oscillation{Wave::square, PhaseStart::fixed}, Axis::x, 10)});
        Recipe& recipe = project.recipes[0];
        recipe.envelope.setCurve({{0, 1, Ease::linear}, {100, 1, Ease::linear}});
        recipe.strands[0].rate = {0.05, 0.05, 12}; // it does not turn
        QVERIFY(setCurve(recipe, "strand.One.amount.x", {{0, 4, Ease::linear}, {20, 24}}));
        const Motion motion(project);
        for (double t = 0; t < 60; t += 1)
            QVERIFY(std::abs(std::abs(motion.poseAt(50 + t).x) - std::min(24.0, 4 + t)) < 1e-9);
        const auto bound = motion.mostWithin(40, 120);
        QVERIFY(bound && (*bound)[Axis::x] >= 24);
    }
    void lightAndShutterFollowCurves()
    {
        Project project = filmOf({strandOf(Noise{}, Axis::x, 10)});
        Recipe& recipe = project.recipes[0];
        QVERIFY(setCurve(recipe, "light.streak.length", {{-2, 0, Ease::linear}, {3, 50, Ease::linear}, {8, 0}}));
        QVERIFY(setCurve(recipe, "light.streak.angle", {{0, 0, Ease::linear}, {90, 90}}));
        QVERIFY(setCurve(recipe, "shutter_angle", {{0, 720, Ease::linear}, {10, 90}}));
        const Motion motion(project);
        const LightNow now = motion.lightAt(53);
        QVERIFY(std::abs(std::hypot(now.streakX, now.streakY) - 50) < 1e-9);
        QVERIFY(std::abs(std::atan2(now.streakY, now.streakX) * 180 / std::numbers::pi - 3) < 1e-9);
        QVERIFY(motion.lightAt(60).none() && motion.lightAt(47).none());
        QCOMPARE(motion.shutterAt(50, 180), 720.0);
        QCOMPARE(motion.shutterAt(55, 180), 405.0);
        QCOMPARE(motion.shutterAt(80, 180), 180.0);
        QCOMPARE(motion.mostShutter(), 720.0);
        project.finish.shutterAngle = 0;
        QVERIFY(exposureOf(project, motion, 52).instants() > 1);
        QVERIFY(exposureOf(project, motion, 70).still());
        QVERIFY(!setCurve(recipe, "strand.One.gain", {{0, 1}})); // not everything may be one
        QCOMPARE(curveOf(recipe, "shutter_angle")->size(), std::size_t{2});
        QVERIFY(setCurve(recipe, "shutter_angle", {}));
        QVERIFY(curveOf(recipe, "shutter_angle") == nullptr);
    }
    void thePivotStaysWhereItIs()
    {
        test::Random random(3);
        for (int round = 0; round < 60; ++round) {
            Strand turns = strandOf(Noise{}, Axis::roll, random.between(-12, 12));
            turns.amount[Axis::zoom] = random.between(-0.2, 0.3);
            Strand more = strandOf(Oscillation{}, Axis::roll, random.between(-5, 5));
            more.name = "Two";
            Project project = filmOf({turns, more});
            Recipe& recipe = project.recipes[0];
            recipe.pivot = {Pivot::At::point, random.between(-0.2, 1.2), random.between(-0.2, 1.2)};
            Strike again = project.strikes[0]; // several meet about one point
            again.frame = Frame{54};
            again.seed = 9;
            project.addStrike(again);
            if (round % 2 == 1) // and the shot moves by itself
                project.shots[0].move = {{Frame{0}, 30, -20, 1.1, 4, Ease::linear},
                                         {Frame{100}, -50, 10, 1.4, -9, Ease::linear}};
            const Motion motion(project);
            Project still = project;
            still.strikes.clear();
            const Motion own(still);
            const Point point{recipe.pivot.x * project.width - 0.5, recipe.pivot.y * project.height - 0.5};
            for (double t = 50; t < 80; t += 1.7) {
                const Point there = poseMatrix(motion.poseAt(t), project.width, project.height).map(point);
                const Point rests = poseMatrix(own.poseAt(t), project.width, project.height).map(point);
                QVERIFY2(std::hypot(there.x - rests.x, there.y - rests.y) < 1e-9 * project.width,
                         qPrintable(QString::number(std::hypot(there.x - rests.x, there.y - rests.y))));
            }
            // Rest is exact, and what no axis goes beyond is known.
            QVERIFY(round % 2 == 1 || motion.poseAt(49).atRest());
            if (const auto most = motion.mostWithin(50, 80))
                for (double t = 50; t <= 80; t += 0.5) {
                    QVERIFY(std::abs(motion.poseAt(t).x) <= (*most)[Axis::x] + 1e-9);
                    QVERIFY(std::abs(motion.poseAt(t).y) <= (*most)[Axis::y] + 1e-9);
                }
        }
    }
    void aPlaceAndAFollowedPointArePivots()
    {
        Strand turns = strandOf(Noise{}, Axis::roll, 9);
        Project project = filmOf({turns});
        project.recipes[0].pivot.at = Pivot::At::place;
        QVERIFY(std::abs(Motion(project).poseAt(51).x) < 1e-12); // without a place: the middle
        project.strikes[0].place = Place{PicturePoint{0.25, 0.75, 8}, false, false, false};
        const Point point{0.25 * project.width - 0.5, 0.75 * project.height - 0.5};
        const Point there = poseMatrix(Motion(project).poseAt(51), project.width, project.height).map(point);
        QVERIFY(std::hypot(there.x - point.x, there.y - point.y) < 1e-9 * project.width);
        project.strikes[0].place.reset();
        project.recipes[0].pivot.at = Pivot::At::followed;
        QVERIFY(setCurve(project.recipes[0], "pivot_x", {{0, 0.2, Ease::linear}, {20, 0.9}}));
        QVERIFY(setCurve(project.recipes[0], "pivot_y", {{0, 0.5, Ease::linear}, {20, 0.1}}));
        const Motion motion(project);
        for (double t = 1; t < 20; t += 3) {
            const Point at{(0.2 + 0.7 * t / 20) * project.width - 0.5, (0.5 - 0.4 * t / 20) * project.height - 0.5};
            const Point moved = poseMatrix(motion.poseAt(50 + t), project.width, project.height).map(at);
            QVERIFY(std::hypot(moved.x - at.x, moved.y - at.y) < 1e-9 * project.width);
        }
    }
    void aPivotIsCovered()
    {
        Strand turns = strandOf(Noise{}, Axis::roll, 6);
        Project project = filmOf({turns});
        project.recipes[0].pivot = {Pivot::At::point, 0.1, 0.9};
        const Motion motion(project);
        const double needed = neededCover(project, motion, 51);
        QVERIFY(needed > 1.05);
        QCOMPARE(coverOf(project, motion).needed >= needed, true);
    }
    void playRateIsOneFactorForAll()
    {
        Recipe recipe;
        recipe.add(strandOf(Noise{}, Axis::x, 20));
        recipe.add(strandOf(Kick{}, Axis::y, 30));
        recipe.add(handOf(Axis::roll, {{0, 0}, {4, 3}, {9, 0}}));
        recipe.effects.flash.strength = 0.5;
        recipe.envelope.set(F::decay, 30);
        for (const double rate : {0.5, 2.0, 3.7}) {
            Project slow = filmOf({});
            slow.recipes[0] = recipe;
            slow.recipes[0].id = 1;
            Project fast = slow;
            fast.recipes[0].playRate = rate;
            const Motion a(slow);
            const Motion b(fast);
            for (double t = -3; t < 60; t += 0.7) {
                const Pose one = a.poseAt(50 + t);
                const Pose two = b.poseAt(50 + t / rate);
                QVERIFY2(std::abs(one.x - two.x) < 1e-6 && std::abs(one.y - two.y) < 1e-6 &&
                             std::abs(one.roll - two.roll) < 1e-9,
                         qPrintable(QStringLiteral("%1 at %2").arg(rate).arg(t)));
            }
            QVERIFY(std::abs(b.spans().front().end - 50 - (a.spans().front().end - 50) / rate) < 1e-9);
        }
    }
    void aLineHasOneValueForBoth()
    {
        for (const LineMode mode : {LineMode::set, LineMode::direction}) {
            Strand strand = strandOf(Noise{}, Axis::x, 3);
            strand.amount[Axis::y] = 4;
            strand.line = {mode, 30};
            Project project = filmOf({strand});
            project.strikes[0].direction = 30;
            const Motion motion(project);
            double least = 0;
            double most = 0;
            for (double t = 50; t < 90; t += 0.5) {
                const Pose pose = motion.poseAt(t);
                const double along = pose.x * std::cos(std::numbers::pi / 6) + pose.y * std::sin(std::numbers::pi / 6);
                const double across = pose.y * std::cos(std::numbers::pi / 6) - pose.x * std::sin(std::numbers::pi / 6);
                QVERIFY(std::abs(across) < 1e-9);
                least = std::min(least, along);
                most = std::max(most, along);
            }
            QVERIFY(std::abs(most - 5) < 1e-9); // as long as both together, on the peak
            QVERIFY(least < -0.5);              // both ways
        }
    }
    void driftLoopsWithoutASeam()
    {
        Project project = filmOf({});
        project.strikes.clear();
        project.drift.on = true;
        project.drift.loop = true;
        project.drift.rate = 0.37;
        const Motion motion(project);
        for (double t = -6; t < 6; t += 0.5) {
            const Pose a = motion.poseAt(t);
            const Pose b = motion.poseAt(400 + t);
            QVERIFY2(std::abs(a.x - b.x) < 1e-6 && std::abs(a.roll - b.roll) < 1e-6, qPrintable(QString::number(t)));
        }
        project.drift.loop = false;
        QVERIFY(std::abs(Motion(project).poseAt(0).x - Motion(project).poseAt(400).x) > 1e-3);
        project.drift.levelKeys = {{0, 0, Ease::linear}, {100, 2}};
        QVERIFY(Motion(project).poseAt(0).atRest());
        project.drift.rateKeys = {{0, 0, Ease::linear}, {400, 0}};
        QCOMPARE(Motion(project).poseAt(150), Motion(project).poseAt(300)); // it stands still
    }
    void marksEndWhomTheyName()
    {
        Project project = filmOf({strandOf(Noise{}, Axis::x, 10)});
        Strike second = project.strikes[0];
        second.seed = 5;
        second.group = "others";
        project.groups.push_back({"others", {}});
        const StrikeId id = project.addStrike(second);
        const auto ended = [&](const SettleMark& mark) {
            Project p = project;
            p.settles = {mark};
            std::vector<double> ends;
            const Motion motion(p);
            for (const StrikeSpan& span : motion.spans())
                ends.push_back(span.end);
            return std::count(ends.begin(), ends.end(), 55.0);
        };
        QCOMPARE(ended({Frame{55}, SettleMode::cut}), 2);
        QCOMPARE(ended({Frame{55}, SettleMode::cut, 0, {}, id}), 1);
        QCOMPARE(ended({Frame{55}, SettleMode::cut, 0, "others"}), 1);
        QCOMPARE(ended({Frame{55}, SettleMode::cut, 0, "nobody"}), 0);
    }
};

EMBER_TEST(CurveTest)
#include "tst_curve.moc"
