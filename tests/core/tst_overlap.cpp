// SPDX-License-Identifier: GPL-3.0-or-later
// Strikes together: the overlap rules by cases worked out by hand, the ceiling, settle marks, groups.
#include <cmath>

#include <QTest>

#include "ember/core/motion.h"
#include "pictures.h"
#include "runner.h"

using namespace ember;
using F = EnvelopeField;

namespace {

/// A push of the zoom by 10 % that only follows the envelope: a drawn strand without keys. Level and zoom are then one
/// number, and sums can be done in the head.
Project pushes(const Envelope& envelope, OverlapRule rule)
{
    Project project;
    project.addShot(Shot{"none.mp4", 400});
    project.addRecipe(test::plainRecipe(Drawn{}, test::amountOf(Axis::zoom, 0.1), envelope));
    project.overlap.rule = rule;
    return project;
}

/// Straight down from the peak on the strike over `decay` frames.
Envelope straight(double decay, double attack = 0)
{
    Envelope e;
    e.set(F::attack, attack);
    e.set(F::hold, 0);
    e.set(F::decay, decay);
    e.set(F::decaySlope, static_cast<double>(Slope::linear));
    e.set(F::rumble, 0);
    return e;
}

void strike(Project& project, std::int64_t frame, double strength, std::uint32_t seed = 1)
{
    Strike s;
    s.frame = Frame{frame};
    s.strength = strength;
    s.direction = 90;
    s.recipe = 1;
    s.seed = seed;
    project.addStrike(s);
}

double zoomAt(const Project& project, double time)
{
    return (Motion(project).poseAt(time).zoom - 1) / 0.1;
}

bool near(double a, double b)
{
    return std::abs(a - b) < 1e-9;
}

} // namespace

class OverlapTest : public QObject {
    Q_OBJECT
private slots:
    void addSums()
    {
        Project project = pushes(straight(20), OverlapRule::add);
        strike(project, 100, 1);
        strike(project, 110, 0.6);
        QVERIFY(near(zoomAt(project, 105), 0.75));
        QVERIFY(near(zoomAt(project, 110), 0.5 + 0.6));
        QVERIFY(near(zoomAt(project, 115), 0.25 + 0.45));
        QVERIFY(near(zoomAt(project, 125), 0.15));
        QCOMPARE(zoomAt(project, 130), 0.0);
    }
    void aStrongerOneTakesOver()
    {
        Project project = pushes(straight(20), OverlapRule::stronger);
        strike(project, 100, 0.5);
        strike(project, 110, 1);
        QVERIFY(near(zoomAt(project, 109), 0.5 * 0.55));
        QVERIFY(near(zoomAt(project, 110), 1)); // at once: it peaks on its frame
        QVERIFY(near(zoomAt(project, 115), 0.75));
    }
    void aWeakerOneWaitsUntilItStandsAbove()
    {
        // 1 - t/20 from 100 and 0.5 - t/40 from 104: they meet where 1 - t/20 = 0.5 - (t - 4)/40, at t = 16.
        Project project = pushes(straight(20), OverlapRule::stronger);
        strike(project, 100, 1);
        strike(project, 104, 0.5);
        for (double t = 100; t <= 116; t += 0.5)
            QVERIFY(near(zoomAt(project, t), 1 - (t - 100) / 20));
        for (double t = 118; t < 124; t += 0.5) // after the handover it is alone
            QVERIFY(near(zoomAt(project, t), 0.5 - (t - 104) / 40));
        QCOMPARE(zoomAt(project, 124), 0.0);
    }
    void ofEqualsTheNewerWins()
    {
        Recipe recipe = test::plainRecipe(Noise{}, test::amountOf(Axis::x, 10), straight(20));
        Project project;
        project.addShot(Shot{"none.mp4", 400});
        project.addRecipe(recipe);
        project.overlap.rule = OverlapRule::stronger;
        strike(project, 100, 1, 1);
        strike(project, 100, 1, 2);
        const Motion newer(test::onlyStrike(project, 2));
        const Motion both(project);
        for (double t = 100; t < 120; t += 0.25)
            QCOMPARE(both.poseAt(t), newer.poseAt(t));
    }
    void restartReplaces()
    {
        Project project = pushes(straight(20), OverlapRule::restart);
        strike(project, 100, 1);
        strike(project, 104, 0.25);
        QVERIFY(near(zoomAt(project, 103.5), 1 - 3.5 / 20));
        QVERIFY(near(zoomAt(project, 104), 0.25)); // a weaker one replaces too
        QVERIFY(near(zoomAt(project, 114), 0.125));
        QCOMPARE(zoomAt(project, 124), 0.0);
        // One that is over does not let the older one come back.
        project.recipe(1)->envelope = straight(4);
        project.strikes.front().overrides.set(F::decay, 60);
        QCOMPARE(zoomAt(project, 110), 0.0);
    }
    void handoverHasNoJump_data()
    {
        QTest::addColumn<int>("rule");
        QTest::newRow("stronger") << static_cast<int>(OverlapRule::stronger);
        QTest::newRow("restart") << static_cast<int>(OverlapRule::restart);
    }
    void handoverHasNoJump()
    {
        QFETCH(int, rule);
        test::Random random(4);
        for (int i = 0; i < 30; ++i) {
            Project project;
            project.addShot(Shot{"none.mp4", 400});
            project.addRecipe(test::plainRecipe(Noise{2, 0.5, 2}, test::amountOf(Axis::x, 10), straight(30, 2)));
            project.overlap.rule = static_cast<OverlapRule>(rule);
            strike(project, 100, random.between(0.3, 1), 2);
            const int second = 100 + random.whole(6, 20);
            strike(project, second, random.between(0.3, 1), 3);
            const Motion motion(project);
            double before = motion.poseAt(95).x;
            for (double t = 95; t < 160; t += 0.01) {
                const double now = motion.poseAt(t).x;
                // A hundredth of a frame: ten pixels in two frames are 0.05 of a pixel, and the noise adds its own. One
                // that takes over as the stronger on its way to its peak may be as hard as it is.
                const bool hitting = project.overlap.rule == OverlapRule::stronger && t > second && t < second + 2.01;
                QVERIFY2(hitting || std::abs(now - before) < 0.4, qPrintable(QString::number(t)));
                before = now;
            }
        }
    }
    void newerPeaksAreWhole()
    {
        // Whatever rule, a strike that takes over is at its full amount on its own peak.
        for (const auto rule : {OverlapRule::stronger, OverlapRule::restart}) {
            Project project = pushes(straight(20, 1), rule);
            strike(project, 100, 0.8);
            strike(project, 103, 1);
            QVERIFY(near(zoomAt(project, 104), 1));
        }
    }
    void rapidFireStaysBelowTheCeilingAndComesHome()
    {
        for (const auto rule : {OverlapRule::add, OverlapRule::stronger, OverlapRule::restart})
            for (const double ceiling : {1.2, 3.0}) {
                Project project = pushes(straight(60, 1), rule);
                project.overlap.ceiling = ceiling;
                for (int i = 0; i < 20; ++i)
                    strike(project, 100 + i, 1, static_cast<std::uint32_t>(i + 1));
                double most = 0;
                for (double t = 99; t < 200; t += 0.25)
                    most = std::max(most, zoomAt(project, t));
                QVERIFY2(most <= ceiling + 1e-9, qPrintable(QString::number(most)));
                QVERIFY(most >= 0.9);
                for (double t = 181; t < 400; t += 1)
                    QVERIFY(Motion(project).poseAt(t).atRest());
            }
    }
    void theKneeIsSoft()
    {
        // The sum of two bends from the knee on: never a corner, never less than the stronger alone.
        Project project = pushes(straight(40), OverlapRule::add);
        project.overlap = {OverlapRule::add, 1.5, 0.5};
        strike(project, 100, 1);
        double before = 1;
        for (double strength = 0; strength <= 4; strength += 0.05) {
            Project both = project;
            strike(both, 100, strength);
            const double now = zoomAt(both, 100);
            QVERIFY(now >= before && now - before < 0.06);
            QVERIFY(now >= std::max(1.0, strength) - 1e-9);
            QVERIFY(now < std::max(1.5, strength) + 1e-9);
            before = now;
        }
    }
    void oneAloneMayPassTheCeiling()
    {
        Project project = pushes(straight(20), OverlapRule::add);
        project.overlap.ceiling = 0.5;
        strike(project, 100, 2);
        QVERIFY(near(zoomAt(project, 100), 2));
    }
    void groupsMeetAmongThemselves()
    {
        Project project = pushes(straight(20), OverlapRule::restart);
        project.groups.push_back({"drums", {OverlapRule::stronger, 3, 0.6}});
        strike(project, 100, 1);
        strike(project, 104, 0.5);
        strike(project, 104, 0.25);
        project.strikes[1].group = "drums";
        project.strikes[2].group = "drums";
        QVERIFY(near(zoomAt(project, 104), 0.8 + 0.5)); // the drums do not restart the first
        project.strikes[1].group = "gone";              // a group that is not there is none
        QVERIFY(near(zoomAt(project, 104), 0.5 + 0.25));
    }
    void cutIsAtRestOnItsFrame()
    {
        Project project = pushes(straight(40), OverlapRule::add);
        strike(project, 100, 1);
        strike(project, 120, 1);
        project.settles = {{Frame{110}, SettleMode::cut, 0}};
        QVERIFY(near(zoomAt(project, 109), 1 - 9.0 / 40));
        for (double t = 110; t < 120; t += 0.5)
            QVERIFY(Motion(project).poseAt(t).atRest());
        QVERIFY(near(zoomAt(project, 120), 1)); // the next one is not touched
        QCOMPARE(Motion(project).spans().front().end, 110.0);
        project.settles.front().frame = Frame{120}; // on a strike's own frame: the older ones end, it begins
        QVERIFY(near(zoomAt(project, 120), 1));
    }
    void easeGoesHomeSmoothly()
    {
        Project project = pushes(straight(40), OverlapRule::add);
        strike(project, 100, 1);
        project.settles = {{Frame{110}, SettleMode::ease, 12}};
        QVERIFY(near(zoomAt(project, 110), 0.75));
        QVERIFY(near(zoomAt(project, 116), 0.6 * 0.5));
        double before = zoomAt(project, 109);
        for (double t = 109; t < 123; t += 0.05) {
            const double now = zoomAt(project, t);
            QVERIFY(now <= before + 1e-12 && before - now < 0.02);
            before = now;
        }
        QVERIFY(Motion(project).poseAt(122).atRest());
    }
    void aMarkTakesALeadNotTheStrike()
    {
        Envelope e = straight(20, 1);
        e.set(F::lead, 6);
        e.set(F::leadLevel, 0.3);
        Project project = pushes(e, OverlapRule::add);
        strike(project, 100, 1);
        QVERIFY(zoomAt(project, 97) < -0.2);
        project.settles = {{Frame{97}, SettleMode::cut, 0}};
        for (double t = 90; t <= 100; t += 0.25)
            QVERIFY(Motion(project).poseAt(t).atRest());
        QVERIFY(near(zoomAt(project, 101), 1));
    }
    void rumbleLastsUntilTheNextStrikeOrTheEnd()
    {
        Envelope e = straight(10);
        e.set(F::rumble, 0.2);
        e.set(F::rumbleUntil, static_cast<double>(RumbleUntil::nextStrike));
        e.set(F::release, 5);
        Project project = pushes(e, OverlapRule::add);
        strike(project, 100, 1);
        strike(project, 200, 1);
        QVERIFY(near(zoomAt(project, 199), 0.2));
        QVERIFY(near(zoomAt(project, 399), 0.2)); // the last one has none after it
        QCOMPARE(envelopeOf(project, project.strikes[0]).rumbleEnd(), 100.0);
        QCOMPARE(envelopeOf(project, project.strikes[0]).end(), 105.0);
        project.recipe(1)->envelope.set(F::rumbleUntil, static_cast<double>(RumbleUntil::shotEnd));
        QVERIFY(near(zoomAt(project, 300), 0.4));
        QCOMPARE(envelopeOf(project, project.strikes[0]).end(), 300.0);
    }
};

/// What stands over and under the strikes.
class MasterTest : public QObject {
    Q_OBJECT
private slots:
    void intensityIsKeyed()
    {
        Project project = pushes(straight(100), OverlapRule::add);
        strike(project, 100, 1);
        project.master.intensity = 0.5;
        QVERIFY(near(zoomAt(project, 100), 0.5));
        project.master.keys = {{Frame{110}, 1}, {Frame{120}, 2}};
        QVERIFY(near(zoomAt(project, 100), 1));
        QVERIFY(near(zoomAt(project, 115), 0.85 * 1.5));
        QVERIFY(near(zoomAt(project, 150), 0.5 * 2));
        project.master.bypass = true;
        QVERIFY(Motion(project).poseAt(110).atRest());
        QCOMPARE(Motion(project).intensityAt(110), 0.0);
    }
    void axesAreSwitched()
    {
        Recipe recipe = test::plainRecipe(Drawn{}, {}, straight(20));
        for (const Axis axis : allAxes)
            recipe.strands[0].amount[axis] = axis == Axis::zoom ? 0.1 : 5;
        Project project;
        project.addShot(Shot{"none.mp4", 400});
        project.addRecipe(recipe);
        strike(project, 100, 1);
        const Pose all = Motion(project).poseAt(100);
        QVERIFY(all.y != 0 && all.x != 0 && all.roll != 0 && all.pan != 0 && all.tilt != 0 && all.zoom != 1);
        project.master.flat = true;
        const Pose flat = Motion(project).poseAt(100);
        QCOMPARE(flat.x, all.x);
        QCOMPARE(flat.zoom, all.zoom);
        QVERIFY(flat.roll == 0 && flat.pan == 0 && flat.tilt == 0);
        project.master.axis[static_cast<std::size_t>(Axis::x)] = false;
        QCOMPARE(Motion(project).poseAt(100).x, 0.0);
        QCOMPARE(Motion(project).poseAt(100).y, all.y);
        // Position and rotation are judged apart in the recipe.
        project.master = {};
        project.recipe(1)->rotation = 0.5;
        project.recipe(1)->position = 0;
        const Pose apart = Motion(project).poseAt(100);
        QVERIFY(apart.x == 0 && apart.y == 0 && apart.zoom == 1);
        QCOMPARE(apart.roll, all.roll / 2);
    }
    void shakesAreAddedToTheShotsOwnMove()
    {
        Project project = pushes(straight(20), OverlapRule::add);
        strike(project, 100, 1);
        project.shots.front().move = {{Frame{50}, 0, 0, 1, 0, Ease::linear},
                                      {Frame{150}, 100, -50, 2, 10, Ease::smooth}};
        const Motion motion(project);
        QVERIFY(motion.poseAt(20).atRest());
        const Pose middle = motion.poseAt(75);
        QCOMPARE(middle.x, 25.0);
        QCOMPARE(middle.y, -12.5);
        QCOMPARE(middle.zoom, 1.25);
        QCOMPARE(middle.roll, 2.5);
        QVERIFY(near(motion.poseAt(100).zoom, 1.5 * 1.1));
        QCOMPARE(motion.poseAt(399).x, 100.0);
        // Bypass and intensity are for shakes.
        project.master.bypass = true;
        QCOMPARE(Motion(project).poseAt(100).zoom, 1.5);
    }
    void driftRunsUnderTheWholeShot()
    {
        Project project;
        project.addShot(Shot{"none.mp4", 400});
        project.drift.on = true;
        project.drift.fadeIn = 20;
        project.drift.fadeOut = 30;
        const Motion motion(project);
        QVERIFY(motion.poseAt(0).atRest());
        QVERIFY(motion.poseAt(400).atRest());
        double most = 0;
        Pose before = motion.poseAt(0);
        for (double t = 0; t < 400; t += 0.5) {
            const Pose now = motion.poseAt(t);
            most = std::max(most, std::abs(now.x));
            QVERIFY(std::abs(now.x - before.x) < 0.5);
            before = now;
        }
        QVERIFY(most > 1 && most <= 4);
        QCOMPARE(motion.moving(399).size(), std::size_t{1});
        project.drift.on = false;
        QVERIFY(Motion(project).moving(399).empty());
    }
};

EMBER_TEST(OverlapTest)
EMBER_TEST(MasterTest)
#include "tst_overlap.moc"
