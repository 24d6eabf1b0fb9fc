// SPDX-License-Identifier: GPL-3.0-or-later
#include <cmath>

#include <QTest>

#include "ember/render/warp.h"
#include "light_reference.h"
#include "pictures.h"
#include "runner.h"

using namespace ember;

namespace {

Pose tilted(test::Random& random)
{
    Pose pose;
    pose.x = random.between(-6, 6);
    pose.y = random.between(-6, 6);
    pose.zoom = random.between(0.8, 1.3);
    // Nearly upright maps go another way, which is tested below.
    pose.roll = random.between(4, 12) * (random.whole(0, 1) == 1 ? 1 : -1);
    if (random.whole(0, 1) == 1)
        pose.pan = random.between(-4, 4);
    return pose;
}

void warpReference(const Image& source, const Matrix3& map, EdgeMode mode, Colour plain, Image& out)
{
    test::Edges edges{mode, {}};
    if (mode != EdgeMode::transparent)
        edges.beyond = {static_cast<double>(plain.r), static_cast<double>(plain.g), static_cast<double>(plain.b), 255};
    else
        edges.beyond = {0, 0, 0, 0};
    out = test::codedCodes(
        test::sumOf(test::codesOf(source), edges, {{[&](int) { return map; }}}, out.width(), out.height()));
}

} // namespace

class WarpTest : public QObject {
    Q_OBJECT
private slots:
    void cleanup() { useInstructionSet({}); }

    void everySetAgreesWithTheReference_data()
    {
        QTest::addColumn<QString>("set");
        const auto sets = instructionSets();
        QVERIFY(!sets.empty());
        for (const auto& set : sets)
            QTest::addRow("%s", set.c_str()) << QString::fromStdString(set);
    }
    void everySetAgreesWithTheReference()
    {
        QFETCH(QString, set);
        QVERIFY(useInstructionSet(set.toStdString()));
        test::Random random(31);
        for (int width = 1; width <= 127; ++width) {
            const int height = 1 + width % 23;
            const Image source = test::speckled(width, height, static_cast<std::uint64_t>(width));
            const Matrix3 map = poseMatrix(tilted(random), width, height).inverse();
            const auto mode = static_cast<EdgeMode>(width % 5);
            Image fast(width, height);
            Image judge(width, height);
            warp(source, map, mode, {200, 10, 30}, fast);
            warpReference(source, map, mode, {200, 10, 30}, judge);
            // Where next to nothing is seen its colour is next to nothing, too.
            for (Image* image : {&fast, &judge})
                for (int y = 0; y < height; ++y)
                    for (int x = 0; x < width; ++x)
                        for (int k = 0; k < 3; ++k)
                            image->at(x, y)[k] =
                                static_cast<std::uint8_t>(image->at(x, y)[k] * image->at(x, y)[3] / 255.0 + 0.5);
            QVERIFY2(test::largestDifference(fast, judge) <= 1, qPrintable(QStringLiteral("width %1").arg(width)));
        }
    }
    void theForcedSetIsTheOneThatRuns()
    {
        for (const auto& set : instructionSets()) {
            QVERIFY(useInstructionSet(set));
            QCOMPARE(instructionSetInUse(), set);
        }
        QVERIFY(!useInstructionSet("no such set"));
    }
    void largePicturesAgreeToo()
    {
        test::Random random(32);
        const Image source = test::drawn(640, 360);
        for (int i = 0; i < 10; ++i) {
            const Matrix3 map = poseMatrix(tilted(random), 640, 360).inverse();
            Image fast(640, 360);
            Image judge(640, 360);
            warp(source, map, static_cast<EdgeMode>(i % 5), {}, fast);
            warpReference(source, map, static_cast<EdgeMode>(i % 5), {}, judge);
            QVERIFY(test::largestDifference(fast, judge) <= 1);
        }
    }
    void nearlyUprightOnesAreAsGoodOnPictures()
    {
        // Across and down one after the other: not the same to the last code, but next to it on anything drawn.
        const Image source = test::drawn(640, 360);
        for (const double roll : {-3.0, -1.0, 0.0, 0.4, 2.0, 3.0}) {
            const Matrix3 map = poseMatrix({.x = 3.3, .y = -7.7, .zoom = 1.05, .roll = roll}, 640, 360).inverse();
            for (const EdgeMode mode : {EdgeMode::mirror, EdgeMode::plain}) {
                Image fast(640, 360);
                Image judge(640, 360);
                warp(source, map, mode, {9, 90, 9}, fast);
                warpReference(source, map, mode, {9, 90, 9}, judge);
                const test::Distance apart = test::distanceOf(fast, judge);
                QVERIFY2(apart.mean < 0.02 && apart.within3 > 0.999 && apart.largest < 12,
                         qPrintable(QString::number(roll)));
            }
        }
    }
    void opaqueOnesInWholeNumbers_data()
    {
        QTest::addColumn<QString>("set");
        for (const auto& set : instructionSets())
            QTest::addRow("%s", set.c_str()) << QString::fromStdString(set);
    }
    void opaqueOnesInWholeNumbers()
    {
        // Every width, upright so that the two steps are the definition itself: never more than 1 code apart.
        QFETCH(QString, set);
        QVERIFY(useInstructionSet(set.toStdString()));
        test::Random random(77);
        for (int width = 1; width <= 127; ++width) {
            const int height = 1 + width % 41;
            Image source = test::speckled(width, height, static_cast<std::uint64_t>(width));
            source.setOpaque(true);
            Pose pose;
            pose.x = random.between(-9, 9);
            pose.y = random.between(-9, 9);
            pose.zoom = random.between(0.9, 1.12);
            const Matrix3 map = poseMatrix(pose, width, height).inverse();
            const auto mode = static_cast<EdgeMode>(width % 4);
            Image fast(width, height);
            Image judge(width, height);
            warp(source, map, mode, {200, 10, 30}, fast);
            warpReference(source, map, mode, {200, 10, 30}, judge);
            QVERIFY2(test::largestDifference(fast, judge) <= 1,
                     qPrintable(QStringLiteral("width %1: %2").arg(width).arg(test::largestDifference(fast, judge))));
        }
        // Turned a little, on a drawn picture.
        Image source = test::drawn(640, 360);
        source.setOpaque(true);
        for (const double roll : {-3.2, -0.7, 1.5, 3.0}) {
            const Matrix3 map = poseMatrix({.x = -30.3, .y = 17.7, .zoom = 1.05, .roll = roll}, 640, 360).inverse();
            Image fast(640, 360);
            Image judge(640, 360);
            warp(source, map, EdgeMode::mirror, {}, fast);
            warpReference(source, map, EdgeMode::mirror, {}, judge);
            const test::Distance apart = test::distanceOf(fast, judge);
            QVERIFY2(apart.mean < 0.05 && apart.within3 > 0.999, qPrintable(QString::number(roll)));
        }
    }
    void wholePixelShiftsAreExact()
    {
        const Image source = test::speckled(60, 40, 5);
        Image out(60, 40);
        warp(source, Matrix3::translation(-7, 3), EdgeMode::extend, {}, out);
        for (int y = 0; y < 40; ++y)
            for (int x = 0; x < 60; ++x)
                for (int k = 0; k < 4; ++k)
                    QCOMPARE(out.at(x, y)[k], source.at(std::max(0, x - 7), std::min(39, y + 3))[k]);
    }
    void edgesByHand()
    {
        Image source(4, 1);
        for (int x = 0; x < 4; ++x) {
            source.at(x, 0)[0] = static_cast<std::uint8_t>(10 * (x + 1));
            source.at(x, 0)[1] = source.at(x, 0)[2] = 0;
            source.at(x, 0)[3] = 255;
        }
        const auto row = [&](EdgeMode mode) {
            Image out(12, 1);
            warp(source, Matrix3::translation(-4, 0), mode, {99, 0, 0}, out);
            QList<int> values;
            for (int x = 0; x < 12; ++x)
                values << out.at(x, 0)[0];
            return values;
        };
        QCOMPARE(row(EdgeMode::mirror), QList<int>({40, 30, 20, 10, 10, 20, 30, 40, 40, 30, 20, 10}));
        QCOMPARE(row(EdgeMode::extend), QList<int>({10, 10, 10, 10, 10, 20, 30, 40, 40, 40, 40, 40}));
        QCOMPARE(row(EdgeMode::wrap), QList<int>({10, 20, 30, 40, 10, 20, 30, 40, 10, 20, 30, 40}));
        // Three pixels go on, so that kernels that look beyond a picture that just covers the frame find no other
        // colour.
        QCOMPARE(row(EdgeMode::plain), QList<int>({99, 10, 10, 10, 10, 20, 30, 40, 40, 40, 40, 99}));
    }
    void flatPicturesStayFlat()
    {
        Image source(50, 30);
        source.fill(77, 130, 9);
        Image out(50, 30);
        test::Random random(6);
        for (const EdgeMode mode : {EdgeMode::mirror, EdgeMode::extend}) {
            warp(source, poseMatrix(tilted(random), 50, 30).inverse(), mode, {}, out);
            QCOMPARE(test::largestDifference(out, source), 0);
        }
    }
    void straightRampsAreReproduced()
    {
        // A cubic of this family reproduces straight lines exactly.
        Image source(64, 8);
        for (int y = 0; y < 8; ++y)
            for (int x = 0; x < 64; ++x)
                for (int k = 0; k < 4; ++k)
                    source.at(x, y)[k] = static_cast<std::uint8_t>(k == 3 ? 255 : 3 * x + 20);
        Image out(64, 8);
        warp(source, Matrix3::translation(0.25, 0), EdgeMode::extend, {}, out);
        for (int x = 4; x < 58; ++x)
            QVERIFY(std::abs(out.at(x, 4)[0] - (3 * (x + 0.25) + 20)) <= 0.51);
    }
    void weightsSumToOne()
    {
        for (double f = 0; f <= 1; f += 0.01) {
            const CubicWeights w = cubicWeights(f);
            QVERIFY(std::abs(w.w[0] + w.w[1] + w.w[2] + w.w[3] - 1) < 1e-12);
        }
        QCOMPARE(cubicWeights(0).w[1], 1.0);
    }
    void absurdMapsDoNotCrash()
    {
        const Image source = test::speckled(33, 17, 1);
        Image out(33, 17);
        Pose pose;
        pose.zoom = 0.05;
        pose.pan = 60;
        pose.tilt = -60;
        for (const EdgeMode mode : {EdgeMode::mirror, EdgeMode::extend, EdgeMode::plain}) {
            warp(source, poseMatrix(pose, 33, 17).inverse(), mode, {1, 2, 3}, out);
            warp(source, Matrix3::translation(1e12, -1e12), mode, {1, 2, 3}, out);
            warp(source, Matrix3::scaling(1e9, 1e9), mode, {1, 2, 3}, out);
        }
        warp(source, Matrix3::translation(1e5, 0), EdgeMode::plain, {1, 2, 3}, out);
        QVERIFY(test::shareOf(out, {1, 2, 3}) == 1.0);
    }
};

EMBER_TEST(WarpTest)
#include "tst_warp.moc"
