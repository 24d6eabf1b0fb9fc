// SPDX-License-Identifier: GPL-3.0-or-later
#include <cmath>

#include <QTest>

#include "ember/core/cover.h"
#include "pictures.h"
#include "runner.h"

using namespace ember;

namespace {

bool near(Point a, Point b, double tolerance = 1e-9)
{
    return std::abs(a.x - b.x) <= tolerance && std::abs(a.y - b.y) <= tolerance;
}

Pose randomPose(test::Random& random, int width)
{
    Pose pose;
    pose.x = random.between(-0.08, 0.08) * width;
    pose.y = random.between(-0.08, 0.08) * width;
    pose.zoom = random.between(0.9, 1.2);
    pose.roll = random.between(-6, 6);
    if (random.whole(0, 1) == 1) {
        pose.pan = random.between(-3, 3);
        pose.tilt = random.between(-3, 3);
    }
    return pose;
}

/// Pixels of a covered frame whose place in the source lies beyond its outermost pixel centres.
int uncovered(const Pose& pose, double zoom, int width, int height)
{
    const Matrix3 back = poseMatrix(pose, width, height).inverse();
    const double cx = 0.5 * (width - 1);
    const double cy = 0.5 * (height - 1);
    int count = 0;
    for (int y = 0; y < height; ++y)
        for (int x = 0; x < width; ++x) {
            if (x != 0 && y != 0 && x != width - 1 && y != height - 1)
                continue; // the border decides
            const Point q{cx + (x - cx) / zoom, cy + (y - cy) / zoom};
            const Point s = back.map(q);
            const double slack = 1e-7;
            if (back.depth(q) <= 0 || s.x < -slack || s.y < -slack || s.x > width - 1 + slack ||
                s.y > height - 1 + slack)
                ++count;
        }
    return count;
}

} // namespace

class ProjectionTest : public QObject {
    Q_OBJECT
private slots:
    void restIsTheIdentity()
    {
        const Matrix3 map = poseMatrix(Pose{}, 640, 360);
        for (const Point p : {Point{0, 0}, Point{639, 359}, Point{12.5, 80}})
            QVERIFY(near(map.map(p), p, 1e-12));
        QCOMPARE(coverZoom(Pose{}, 640, 360), 1.0);
    }
    void movesAsDocumented()
    {
        Pose pose;
        pose.x = 10;
        pose.y = -4;
        QVERIFY(near(poseMatrix(pose, 101, 51).map({50, 25}), {60, 21}));
        pose = {};
        pose.zoom = 2;
        QVERIFY(near(poseMatrix(pose, 101, 51).map({60, 25}), {70, 25}));
        pose = {};
        pose.roll = 90; // clockwise as seen: right goes down
        QVERIFY(near(poseMatrix(pose, 101, 51).map({60, 25}), {50, 35}));
        pose = {};
        pose.pan = 1; // to the right
        const Point p = poseMatrix(pose, 1280, 720).map({639.5, 359.5});
        QVERIFY(p.x > 639.5 + 20 && p.x < 639.5 + 28 && std::abs(p.y - 359.5) < 1e-9);
        pose = {};
        pose.tilt = 1; // downwards
        const Point q = poseMatrix(pose, 1280, 720).map({639.5, 359.5});
        QVERIFY(q.y > 359.5 + 20 && std::abs(q.x - 639.5) < 1e-9);
    }
    void inverseTakesBack()
    {
        test::Random random(4);
        for (int i = 0; i < 500; ++i) {
            const Matrix3 map = poseMatrix(randomPose(random, 640), 640, 360);
            const Point p{random.between(0, 639), random.between(0, 359)};
            QVERIFY(near(map.inverse().map(map.map(p)), p, 1e-6));
            QVERIFY(map.inverse().depth(map.map(p)) > 0);
        }
    }
    void coverHidesAndIsLeast()
    {
        test::Random random(21);
        for (int i = 0; i < test::rounds(2000); ++i) {
            const int width = random.whole(200, 900);
            const int height = random.whole(120, 600);
            const Pose pose = randomPose(random, std::min(width, height));
            const double zoom = coverZoom(pose, width, height);
            QVERIFY(std::isfinite(zoom) && zoom >= 1);
            QCOMPARE(uncovered(pose, zoom, width, height), 0);
            if (zoom > 1.002)
                QVERIFY2(uncovered(pose, zoom * 0.998, width, height) > 0, qPrintable(QString::number(zoom)));
        }
    }
    void coverOfAShiftByHand()
    {
        Pose pose;
        pose.x = 50;
        // Half of 1000 pixel steps less 50 must still be filled: 500/zoom + 50 <= 500.
        QVERIFY(std::abs(coverZoom(pose, 1001, 601) - 500.0 / 450.0) < 1e-12);
    }
    void noZoomHelpsWhenTheMiddleIsGone()
    {
        Pose pose;
        pose.x = 700;
        QVERIFY(std::isinf(coverZoom(pose, 1280, 720)));
    }
    void filmCoverIsTheWorstFrames()
    {
        Project project;
        project.width = 640;
        project.height = 360;
        project.addShot(Shot{"x", 200});
        Envelope e;
        e.set(EnvelopeField::rumble, 0);
        project.addRecipe(test::plainRecipe(Noise{2, 0.5, 2}, test::amountOf(Axis::y, 14), e));
        for (const int frame : {20, 60, 150}) {
            Strike strike;
            strike.frame = Frame{frame};
            strike.strength = frame == 60 ? 1.0 : 0.5;
            strike.recipe = 1;
            strike.seed = static_cast<std::uint32_t>(frame);
            project.addStrike(strike);
        }
        const Motion motion(project);
        const Cover cover = coverOf(project, motion);
        double needed = 1;
        std::int64_t worst = 0;
        for (std::int64_t f = 0; f < 200; ++f) {
            const double zoom = coverZoom(motion.poseAt(static_cast<double>(f)), 640, 360);
            if (zoom > needed) {
                needed = zoom;
                worst = f;
            }
        }
        QCOMPARE(cover.zoom, needed);
        QCOMPARE(cover.worstFrame, worst);
        QCOMPARE(worst, std::int64_t{61});
        project.finish.cover = CoverMode::off;
        QCOMPARE(coverOf(project, motion).zoom, 1.0);
        QCOMPARE(coverOf(project, motion).needed, needed);
    }
    void coverHasALimit()
    {
        Project project;
        project.addShot(Shot{"x", 100});
        project.addRecipe(test::plainRecipe(Kick{}, test::amountOf(Axis::y, 3000), Envelope()));
        Strike strike;
        strike.frame = Frame{10};
        strike.recipe = 1;
        strike.direction = 90;
        project.addStrike(strike);
        const Cover cover = coverOf(project, Motion(project));
        QCOMPARE(cover.zoom, largestCover);
        QVERIFY(cover.needed > largestCover);
    }
    void tinyFramesAreFine()
    {
        Pose pose;
        pose.roll = 3;
        QVERIFY(coverZoom(pose, 1, 1) >= 1);
        QVERIFY(coverZoom(pose, 2, 2) >= 1);
    }
};

EMBER_TEST(ProjectionTest)
#include "tst_projection.moc"
