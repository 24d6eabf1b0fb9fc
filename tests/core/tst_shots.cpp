// SPDX-License-Identifier: GPL-3.0-or-later
// Shots and cuts in the core: places, moves, what a frame sees beside a cut, leads that build up into one.
#include <cmath>

#include <QTest>

#include "ember/core/cover.h"
#include "ember/core/motion.h"
#include "pictures.h"
#include "runner.h"

using namespace ember;
using F = EnvelopeField;

namespace {

/// Three shots of 40, 30 and 50 frames.
Project threeShots()
{
    Project project;
    project.width = 640;
    project.height = 360;
    for (const std::int64_t length : {40, 30, 50}) {
        Shot shot{"clip", length};
        shot.available = 200;
        project.addShot(std::move(shot));
    }
    return project;
}

/// Up to `level` over `lead` frames, at the peak on the strike, gone `decay` frames later.
Envelope building(double lead, double level, double decay, double attack = 0)
{
    Envelope e;
    e.set(F::lead, lead);
    e.set(F::leadLevel, level);
    e.set(F::leadShape, static_cast<double>(LeadShape::build));
    e.set(F::attack, attack);
    e.set(F::hold, 0);
    e.set(F::decay, decay);
    e.set(F::rumble, 0);
    return e;
}

Project thrown(const Source& source, const AxisValues& amount, const Envelope& envelope, std::uint32_t seed = 7)
{
    Project project = threeShots();
    project.addRecipe(test::plainRecipe(source, amount, envelope));
    Strike strike;
    strike.frame = Frame{40};
    strike.direction = 0;
    strike.recipe = 1;
    strike.seed = seed;
    strike.onCut = true;
    project.addStrike(strike);
    return project;
}

} // namespace

class ShotsTest : public QObject {
    Q_OBJECT
private slots:
    void placesOfShots()
    {
        const Project project = threeShots();
        QCOMPARE(project.length(), std::int64_t{120});
        QCOMPARE(project.cuts(), (std::vector<std::int64_t>{40, 70}));
        QCOMPARE(project.shotAt(Frame{0})->index, std::size_t{0});
        QCOMPARE(project.shotAt(Frame{39})->index, std::size_t{0});
        QCOMPARE(project.shotAt(Frame{40})->index, std::size_t{1});
        QCOMPARE(project.shotAt(Frame{119})->end, std::int64_t{120});
        QVERIFY(!project.shotAt(Frame{120}));
        QVERIFY(!project.isCut(Frame{0}) && project.isCut(Frame{70}) && !project.isCut(Frame{71}));
        QVERIFY(!Project().shotAt(Frame{0}));
        QCOMPARE(Project().length(), std::int64_t{0});
    }

    void eachShotHasItsOwnMove()
    {
        Project project = threeShots();
        project.shots[1].move = {{Frame{10}, 5, 0, 1, 0, Ease::linear}, {Frame{30}, 25, 0, 1, 0}};
        project.shots[1].in = 10;
        project.shots[2].move = {{Frame{0}, 0, 7, 1, 0}};
        const Motion motion(project);
        QCOMPARE(motion.poseAt(39).x, 0.0);
        QCOMPARE(motion.poseAt(39.49).x, 0.0);
        QCOMPARE(motion.poseAt(40).x, 5.0); // the clip's frame 10
        QCOMPARE(motion.poseAt(50).x, 15.0);
        QCOMPARE(motion.poseAt(69).x, 25.0);
        QCOMPARE(motion.poseAt(70).x, 0.0);
        QCOMPARE(motion.poseAt(70).y, 7.0);
        project.shots[1].speed = 0.5;
        QCOMPARE(Motion(project).poseAt(50).x, 10.0);
        QCOMPARE(moveAt(project, 50).x, 10.0);
    }

    void anOpenShutterDoesNotSeePastACut()
    {
        Project project = threeShots();
        project.shots[0].move = {{Frame{0}, 0, 0, 1, 0, Ease::linear}, {Frame{40}, 400, 0, 1, 0}};
        project.shots[1].move = {{Frame{0}, -300, 0, 1, 0}};
        project.finish.shutterAngle = 360;
        project.finish.rolling = 0.6;
        for (const double phase : {-0.5, 0.0, 0.5}) {
            project.finish.exposureShift = phase;
            const Motion motion(project);
            for (const Pose& pose : exposureOf(project, motion, 39).poses)
                QVERIFY2(pose.x > 300, qPrintable(QString::number(pose.x)));
            for (const Pose& pose : exposureOf(project, motion, 40).poses)
                QCOMPARE(pose.x, -300.0);
        }
    }

    // --- a lead that builds up
    void itBuildsUpBreaksOffAndSettles()
    {
        for (const double attack : {0.0, 3.0}) {
            const Envelope e = building(10, 0.8, 20, attack);
            QCOMPARE(intensityAt(e, -10.001), 0.0);
            double before = -1;
            double rise = 0;
            for (double t = -10; t < -0.5; t += 0.25) {
                const double level = intensityAt(e, t);
                QVERIFY(level > before || (level == 0 && t == -10));
                QVERIFY(level < 0.8);
                if (before >= 0)
                    QVERIFY2(level - before > rise, "ever faster");
                rise = before >= 0 ? level - before : 0;
                before = level;
            }
            QVERIFY(before > 0.5);
            // From half a frame before the strike on it is what it is on the strike.
            for (const double t : {-0.5, -0.25, 0.0})
                QCOMPARE(intensityAt(e, t), attack == 0 ? 1.0 : 0.8);
            QCOMPARE(intensityAt(e, attack), 1.0);
            QCOMPARE(intensityAt(e, e.end()), 0.0);
        }
    }
    void theOldLeadIsAsItWas()
    {
        Envelope e;
        e.set(F::lead, 8);
        e.set(F::leadLevel, 0.3);
        QVERIFY(!e.builds());
        QCOMPARE(intensityAt(e, -4), 0.3);
        QCOMPARE(intensityAt(e, 0), 0.0);
        e.set(F::leadShape, 1);
        QVERIFY(e.builds());
        QVERIFY(!e.with(F::lead, 0).builds());
    }
    void aThrowIsOneMovementOverTheCut()
    {
        Project project = thrown(Kick{0.8}, test::amountOf(Axis::x, 200), building(8, 0.95, 14));
        project.recipes[0].strands[0].rate = {1.6, 1.4, 8};
        const Motion motion(project);
        // Out to the left, ever faster; in from the right, ever slower: always the same way.
        double step = 0;
        for (int f = 33; f < 40; ++f) {
            const double now = motion.poseAt(f).x - motion.poseAt(f - 1).x;
            QVERIFY(now < 0);
            QVERIFY(-now > step);
            step = -now;
        }
        QCOMPARE(motion.poseAt(40).x, 200.0); // the amount, on the cut
        for (int f = 41; f < 48; ++f)
            QVERIFY(motion.poseAt(f).x < motion.poseAt(f - 1).x);
        QVERIFY(motion.poseAt(31).atRest());
        QVERIFY(motion.poseAt(54).atRest());
        QCOMPARE(motion.poseAt(40).y, 0.0);
        // What the shutter sees of either side is that side's.
        Project seen = project;
        seen.finish.shutterAngle = 360;
        for (const Pose& pose : exposureOf(seen, motion, 39).poses)
            QVERIFY(pose.x < 0);
        for (const Pose& pose : exposureOf(seen, motion, 40).poses)
            QVERIFY(pose.x > 0);
    }
    void thePeakIsOnTheCutWhateverTheSourceAndSeed()
    {
        for (const Source& source :
             {Source(Kick{0.7}), Source(Noise{3, 0.5, 2}), Source(Jitter{2}), Source(Oscillation{})})
            for (std::uint32_t seed = 1; seed <= 60; ++seed) {
                const Project project = thrown(source, test::amountOf(Axis::y, 30), building(12, 0.9, 20), seed);
                const Motion motion(project);
                double largest = 0;
                int at = -1;
                for (int f = 0; f < 120; ++f)
                    if (const double y = std::abs(motion.poseAt(f).y); y > largest + 1e-9) {
                        largest = y;
                        at = f;
                    }
                if (std::holds_alternative<Kick>(source)) { // to the right: nothing goes down
                    QVERIFY(largest < 1e-9);
                    continue;
                }
                QCOMPARE(at, 40);
                QVERIFY(std::abs(largest - 30) < 1e-9);
            }
    }
    void noiseGetsFasterIntoTheCut()
    {
        Project project = thrown(Noise{1, 0.5, 2}, test::amountOf(Axis::x, 30), building(40, 1, 40));
        project.recipes[0].strands[0].rate = {16, 2, 8};
        project.recipes[0].envelope.set(F::leadCurve, 0);
        const Motion motion(project);
        // Changes of direction tell how fast it shakes, whatever the level.
        const auto turns = [&](double from, double to) {
            int count = 0;
            double last = 0;
            for (double t = from; t < to; t += 0.05) {
                const double way = motion.poseAt(t + 0.05).x - motion.poseAt(t).x;
                count += way * last < 0 ? 1 : 0;
                last = way != 0 ? way : last;
            }
            return count;
        };
        QVERIFY(turns(28, 39.4) > 1.5 * turns(1, 12.4));
        QVERIFY(turns(40.6, 52) > 1.5 * turns(66, 77.4));
    }
    void aStreakSpansTheCut()
    {
        Project project = thrown(Kick{0.8}, test::amountOf(Axis::x, 200), building(8, 0.95, 14));
        project.recipes[0].effects.streak = {80, Toward::motion, 0, {Course::By::envelope}};
        const Motion motion(project);
        for (const int f : {38, 39, 40, 41}) {
            const LightNow light = motion.lightAt(f);
            QVERIFY(std::abs(light.streakX) > 15);
            QVERIFY(light.streakX < 0); // the way the picture goes, on both sides
            QCOMPARE(light.streakY, 0.0);
        }
        QVERIFY(motion.lightAt(30).none());
        // By its own course it comes within the lead too.
        project.recipes[0].effects.streak.course = {Course::By::own, 4, 0, 6};
        const Motion own(project);
        QVERIFY(own.lightAt(38).streakX < -30);
    }

    // --- cover
    void eachShotIsCoveredForItself()
    {
        Project project = thrown(Kick{0.8}, test::amountOf(Axis::x, 60), building(8, 0.5, 14));
        project.finish.cover = CoverMode::constant;
        const Motion motion(project);
        const auto needed = neededCovers(project, motion);
        const Cover cover = coverFrom(project, needed);
        QVERIFY(uncoveredFrames(cover, needed).empty());
        QCOMPARE(cover.at(119), 1.0); // nothing moves in the third shot
        QVERIFY(cover.at(0) > 1.02 && cover.at(0) == cover.at(39));
        QVERIFY(cover.at(40) > cover.at(39) && cover.at(40) == cover.at(69));
        QCOMPARE(cover.zoom, cover.at(40));
        QCOMPARE(cover.worstFrame, std::int64_t{40});
        project.finish.cover = CoverMode::breathing;
        const Cover breath = coverFrom(project, needed);
        QVERIFY(uncoveredFrames(breath, needed).empty());
        QCOMPARE(breath.at(119), 1.0);
    }
};

EMBER_TEST(ShotsTest)
#include "tst_shots.moc"
