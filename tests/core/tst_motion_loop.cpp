// SPDX-License-Identifier: GPL-3.0-or-later
// Motions of real cameras: rounds without a seam, as strands and as drift.
#include <cmath>
#include <set>

#include <QTest>

#include "ember/core/motion.h"
#include "ember/core/motion_loop.h"
#include "motions.h"
#include "pictures.h"
#include "runner.h"

using namespace ember;
using F = EnvelopeField;

namespace {

constexpr std::array<Axis, 4> filmedAxes{Axis::x, Axis::y, Axis::zoom, Axis::roll};

double filmed(const CapturedMotion& motion, std::size_t frame, Axis axis)
{
    const Similarity& s = motion.frames[frame].moved;
    return axis == Axis::x ? s.x : axis == Axis::y ? s.y : axis == Axis::zoom ? s.zoom - 1 : s.roll;
}

Project swayingFilm(int width, FrameRate rate, const MotionLoop& loop)
{
    Project project;
    project.width = width;
    project.height = width * 9 / 16;
    project.rate = rate;
    project.addShot(Shot{"clip.mp4", 100000});
    project.drift = {};
    project.drift.on = true;
    project.drift.captured.motion = loop;
    project.drift.amount = amountsAsFilmed(loop, width);
    return project;
}

} // namespace

class MotionLoopTest : public QObject {
    Q_OBJECT
private slots:
    void insideItIsWhatWasFilmed()
    {
        const KeptMotion kept = test::swayingMotion();
        const MotionLoop loop(kept);
        QCOMPARE(loop.seconds(), 175 / 25.0); // a second is blended
        for (std::size_t frame = 25; frame < 175; ++frame)
            for (const Axis axis : filmedAxes) {
                const double there = loop.at(axis, kept.motion.rate.seconds(static_cast<double>(frame)));
                QVERIFY(std::abs(there * loop.largest()[axis] - filmed(kept.motion, frame, axis)) < 1e-9);
            }
        QCOMPARE(loop.at(Axis::pan, 1.3), 0.0);
    }
    void betweenFramesItIsSmooth()
    {
        // Sampled at 25 a second, a sway of 1.5 hertz is known between frames to a hundredth.
        const MotionLoop loop(test::swayingMotion());
        for (double s = 1.2; s < 6.9; s += 0.0137) {
            const double x = 8 * std::sin(2.1 * s) + 3 * std::sin(9.3 * s);
            QVERIFY(std::abs(loop.at(Axis::x, s) * loop.largest()[Axis::x] - x) < 0.01);
        }
    }
    void noSeamForAnyLength_data()
    {
        QTest::addColumn<int>("frames");
        for (const int frames : {3, 8, 40, 99, 200, 1000})
            QTest::addRow("%d frames", frames) << frames;
    }
    void noSeamForAnyLength()
    {
        QFETCH(int, frames);
        KeptMotion kept = test::swayingMotion(frames);
        for (int i = 0; i < frames; ++i) // what drifts away would jump back without the blend
            kept.motion.frames[static_cast<std::size_t>(i)].moved.x += 0.05 * i;
        const MotionLoop loop(kept);
        double inside = 0; // the largest step away from the seam, and with the blend's own part
        for (double s = 0.002; s < loop.seconds() - 0.002; s += 0.001)
            inside = std::max(inside, std::abs(loop.at(Axis::x, s) - loop.at(Axis::x, s - 0.001)));
        for (const double round : {-3.0, 1.0, 2.0, 57.0})
            for (double s = -0.05; s < 0.05; s += 0.001) {
                const double at = round * loop.seconds() + s;
                QVERIFY(std::abs(loop.at(Axis::x, at) - loop.at(Axis::x, at - 0.001)) <= inside * 1.05 + 1e-12);
                QVERIFY(std::abs(loop.at(Axis::x, at) - loop.at(Axis::x, at + loop.seconds())) < 1e-9);
            }
    }
    void nothingIsStill()
    {
        for (const MotionLoop& loop : {MotionLoop(), MotionLoop(test::swayingMotion(1)), MotionLoop(KeptMotion{})})
            for (const Axis axis : allAxes) {
                QCOMPARE(loop.at(axis, 3.3), 0.0);
                QCOMPARE(loop.largest()[axis], 0.0);
                QCOMPARE(loop.violentTime(7), 0.0);
            }
        QVERIFY(MotionLoop().empty());
        QCOMPARE(MotionLoop(KeptMotion{"Named", "", {}}).kept().name, std::string("Named"));
    }
    void partsOfAMotion()
    {
        const CapturedMotion motion = test::swayingMotion().motion;
        const CapturedMotion part = trimmed(motion, 30, 89);
        QCOMPARE(part.frames.size(), std::size_t{60});
        QCOMPARE(part.frames[0].moved, Similarity());
        for (std::size_t i = 0; i < part.frames.size(); ++i) // the same steps as before
            QVERIFY(cornerDistance(part.frames[i].moved.after(motion.frames[30].moved), motion.frames[30 + i].moved,
                                   640, 360) < 1e-9);
        const CapturedMotion centred = withoutMean(part);
        for (const Axis axis : filmedAxes) {
            double sum = 0;
            for (std::size_t i = 0; i < centred.frames.size(); ++i)
                sum += filmed(centred, i, axis);
            QVERIFY(std::abs(sum) < 1e-9);
        }
        const CapturedMotion other = mirrored(motion);
        QCOMPARE(other.frames[9].moved.x, -motion.frames[9].moved.x);
        QCOMPARE(other.frames[9].moved.y, motion.frames[9].moved.y);
        QCOMPARE(other.frames[9].moved.roll, -motion.frames[9].moved.roll);
        QCOMPARE(mirrored(other), motion);
    }
    void driftIsAsFilmedInEverySizeAndRate_data()
    {
        QTest::addColumn<int>("width");
        QTest::addColumn<int>("rate");
        for (const int width : {320, 640, 1920})
            for (const int rate : {24, 25, 60})
                QTest::addRow("%d wide at %d", width, rate) << width << rate;
    }
    void driftIsAsFilmedInEverySizeAndRate()
    {
        QFETCH(int, width);
        QFETCH(int, rate);
        const MotionLoop loop(test::swayingMotion());
        const FrameRate frameRate = *FrameRate::make(rate, 1);
        const Project project = swayingFilm(width, frameRate, loop);
        const Motion motion(project);
        // Where in its round it begins is the seed's; found by the first value, then all must agree.
        const double scale = width / 640.0;
        double best = 1e9;
        double start = 0;
        const Pose first = motion.poseAt(0);
        for (double s = 0; s < loop.seconds(); s += 1e-4) {
            const double off = std::abs(first.x / scale - loop.at(Axis::x, s) * loop.largest()[Axis::x]) +
                               std::abs(first.y / scale - loop.at(Axis::y, s) * loop.largest()[Axis::y]) +
                               std::abs(first.roll - loop.at(Axis::roll, s) * loop.largest()[Axis::roll]);
            if (off < best) {
                best = off;
                start = s;
            }
        }
        QVERIFY(best < 0.01);
        for (int frame = 0; frame < 40 * rate; frame += 7) { // several rounds
            const Pose pose = motion.poseAt(frame);
            const double s = start + frameRate.seconds(frame);
            QVERIFY(std::abs(pose.x / scale - loop.at(Axis::x, s) * loop.largest()[Axis::x]) < 0.02);
            QVERIFY(std::abs(pose.y / scale - loop.at(Axis::y, s) * loop.largest()[Axis::y]) < 0.02);
            QVERIFY(std::abs(pose.roll - loop.at(Axis::roll, s) * loop.largest()[Axis::roll]) < 0.01);
            QVERIFY(std::abs(pose.zoom - 1 - loop.at(Axis::zoom, s) * loop.largest()[Axis::zoom]) < 1e-4);
        }
    }
    void driftGoesByItsSeedAndSpeed()
    {
        Project project = swayingFilm(640, *FrameRate::make(25, 1), MotionLoop(test::swayingMotion()));
        const Pose one = Motion(project).poseAt(60);
        project.drift.seed = 2;
        QVERIFY(Motion(project).poseAt(60) != one);
        project.drift.seed = 1;
        project.drift.captured.speed = 2;
        QCOMPARE(Motion(project).poseAt(30), one);
    }
    void strandPeaksOnItsFrameWhateverTheSeed()
    {
        const MotionLoop loop(test::swayingMotion());
        std::set<double> later; // what comes after the peak differs by the seed
        for (std::uint32_t seed = 1; seed <= 300; ++seed) {
            Envelope e;
            e.set(F::attack, seed % 4);
            e.set(F::decay, 60);
            AxisValues amount;
            amount[Axis::x] = 12;
            amount[Axis::y] = seed % 2 != 0 ? -7 : 7;
            amount[Axis::roll] = 1;
            amount[Axis::zoom] = 0.02;
            Project project;
            project.addShot(Shot{"clip.mp4", 400});
            Recipe recipe = test::plainRecipe(Captured{loop, 0.5 + 0.01 * seed}, amount, e);
            Strike strike;
            strike.frame = {100};
            strike.seed = seed;
            strike.recipe = project.addRecipe(recipe);
            project.addStrike(strike);
            const Motion motion(project);
            const Pose peak = motion.poseAt(100 + e.peak());
            QVERIFY(std::abs(std::abs(peak.x) - 12) < 1e-9);
            QVERIFY(std::abs(std::abs(peak.y) - 7) < 1e-9);
            QVERIFY(std::abs(std::abs(peak.roll) - 1) < 1e-9);
            QVERIFY(std::abs(peak.zoom - 1.02) < 1e-9);
            for (double t = 100; t < 180; t += 0.5) {
                const Pose pose = motion.poseAt(t);
                QVERIFY(std::abs(pose.x) <= 12 + 1e-9 && std::abs(pose.y) <= 7 + 1e-9 &&
                        std::abs(pose.roll) <= 1 + 1e-9);
                const Pose next = motion.poseAt(t + 0.01); // nothing jumps
                QVERIFY(std::abs(next.x - pose.x) < 0.6);
            }
            QVERIFY(motion.poseAt(99.9).atRest());
            QVERIFY(motion.poseAt(100 + e.end()).atRest());
            later.insert(motion.poseAt(120).x);
        }
        QVERIFY(later.size() > 250);
    }
    void strandMovesAsFilmedOnceThePeakIsOver()
    {
        // Half a second past the peak the axes are the camera's, all of the same moment: with a level envelope x and y
        // trace the filmed path.
        const MotionLoop loop(test::swayingMotion());
        Envelope e;
        e.set(F::attack, 0);
        e.set(F::hold, 200);
        Project project;
        project.rate = *FrameRate::make(25, 1);
        project.addShot(Shot{"clip.mp4", 400});
        Strike strike;
        strike.frame = {100};
        strike.recipe = project.addRecipe(test::plainRecipe(Captured{loop, 1}, amountsAsFilmed(loop, 640), e));
        strike.recipe = project.recipes.back().id;
        project.addStrike(strike);
        project.recipes.back().strands[0].rate.restHz = project.recipes.back().strands[0].rate.peakHz;
        const Motion motion(project);
        double best = 1e9;
        for (double start = 0; start < loop.seconds(); start += 1 / 25.0) {
            double off = 0;
            for (int frame = 10; frame < 100; frame += 3) {
                const Pose pose = motion.poseAt(100 + frame);
                off += std::abs(std::abs(pose.x) -
                                std::abs(loop.at(Axis::x, start + frame / 25.0)) * loop.largest()[Axis::x]) +
                       std::abs(std::abs(pose.y) -
                                std::abs(loop.at(Axis::y, start + frame / 25.0)) * loop.largest()[Axis::y]);
            }
            best = std::min(best, off);
        }
        QVERIFY(best < 1e-6);
    }
    void equalWhenMadeOfTheSame()
    {
        const MotionLoop a(test::swayingMotion());
        MotionLoop b = a;
        QVERIFY(a == b);
        b = MotionLoop(test::swayingMotion());
        QVERIFY(a == b);
        b = MotionLoop(test::swayingMotion(199));
        QVERIFY(a != b);
        QVERIFY(a != MotionLoop());
    }
};

EMBER_TEST(MotionLoopTest)
#include "tst_motion_loop.moc"
