// SPDX-License-Identifier: GPL-3.0-or-later
// The motion that is read is the motion that was filmed.
#include <array>
#include <cmath>

#include <QTemporaryDir>
#include <QTest>

#include "ember/analysis/capture.h"
#include "filmed.h"
#include "pictures.h"
#include "runner.h"

using namespace ember;

namespace {

constexpr std::uint64_t seed = 411; // not the one anything was tuned with
constexpr int width = 640;
constexpr int height = 360;

} // namespace

class CaptureTest : public QObject {
    Q_OBJECT
    QTemporaryDir folder_;

private slots:
    void whatWasFilmedIsRead_data()
    {
        QTest::addColumn<int>("which");
        QTest::addColumn<double>("most"); ///< pixels at the corners, root of the mean square
        constexpr std::array most{0.01, 0.01, 0.06, 0.09, 0.3, 0.08, 0.05};
        const auto cases = test::captureCases(seed, width);
        for (std::size_t i = 0; i < cases.size(); ++i)
            QTest::newRow(cases[i].name.c_str()) << static_cast<int>(i) << most[i];
    }
    void whatWasFilmedIsRead()
    {
        QFETCH(int, which);
        QFETCH(double, most);
        const test::CaptureCase filmed = test::captureCases(seed, width)[static_cast<std::size_t>(which)];
        const test::Wall wall = filmed.wall(5);
        std::vector<Image> pictures;
        for (int i = 0; i < filmed.frames; ++i)
            pictures.push_back(test::filmed(wall, filmed.filming, i, width, height));
        MotionCapture capture{FrameRate()};
        if (filmed.coded) {
            const auto back = test::stronglyCoded(folder_, pictures);
            QCOMPARE(back.size(), pictures.size());
            for (const ImagePtr& picture : back)
                capture.add(*picture);
        } else {
            for (const Image& picture : pictures)
                capture.add(picture);
        }
        const CapturedMotion motion = capture.finish();
        QCOMPARE(motion.frames.size(), pictures.size());
        QCOMPARE(motion.bridged(), 0U);
        double squares = 0;
        for (int i = 0; i < filmed.frames; ++i) {
            const double off = cornerDistance(motion.frames[static_cast<std::size_t>(i)].moved, filmed.filming.shown(i),
                                              width, height);
            squares += off * off;
        }
        const double error = std::sqrt(squares / filmed.frames);
        qInfo("error %.4f px", error);
        QVERIFY2(error <= most, qPrintable(QString::number(error)));
    }

    /// Root of the mean square at the corners, of so many frames that were filmed so.
    static double errorOf(const test::Filming& filming, int frames)
    {
        const test::Wall wall(1000, 640, 5);
        MotionCapture capture{FrameRate()};
        for (int i = 0; i < frames; ++i)
            capture.add(test::filmed(wall, filming, i, width, height));
        const CapturedMotion motion = capture.finish();
        double squares = 0;
        for (int i = 0; i < frames; ++i) {
            const double off =
                cornerDistance(motion.frames[static_cast<std::size_t>(i)].moved, filming.shown(i), width, height);
            squares += off * off;
        }
        return std::sqrt(squares / frames);
    }
    void grainIsAveragedAway()
    {
        double alone = 0;
        double beside = 0;
        for (const std::uint64_t other : {seed, seed + 1, seed + 2}) {
            test::Filming dark = test::captureCases(other, width)[3].filming;
            alone += std::pow(errorOf(dark, 40), 2) / 3;
            dark.walker = true; // must not be averaged in
            beside += std::pow(errorOf(dark, 40), 2) / 3;
        }
        qInfo("error %.4f px, beside a walker %.4f px", std::sqrt(alone), std::sqrt(beside));
        QVERIFY(std::sqrt(alone) < 0.065); // 0.08 and 0.13 without
        QVERIFY(std::sqrt(beside) < 0.1);
    }
    void whatIsLeftAtTheEdgesCounts()
    {
        test::Filming near;
        near.moved = [](double frame) { return Similarity{0, 0, 0, frame == 0 ? 1 : 1.07}; };
        near.grain = 2;
        double squares = 0;
        for (near.seed = 1; near.seed <= 8; ++near.seed)
            squares += std::pow(errorOf(near, 2), 2) / 8;
        qInfo("error %.4f px", std::sqrt(squares));
        QVERIFY(std::sqrt(squares) < 0.0095); // 0.011 with whole blocks only
    }

    /// A wall from the side it is filmed from.
    static Image at(const test::Wall& wall, const Similarity& moved, double exposure = 1)
    {
        test::Filming filming;
        filming.moved = [moved](double) { return moved; };
        filming.exposure = [exposure](double) { return exposure; };
        return test::filmed(wall, filming, 0, width, height);
    }
    void bars_data()
    {
        QTest::addColumn<int>("above");
        QTest::addColumn<int>("below");
        QTest::addColumn<int>("beside");
        QTest::newRow("letterbox") << 46 << 46 << 0;
        QTest::newRow("uneven by a row") << 46 << 47 << 0;
        QTest::newRow("pillars") << 0 << 0 << 180;
        QTest::newRow("all round") << 30 << 30 << 40;
        QTest::newRow("a black floor") << 0 << 120 << 0;
    }
    void bars()
    {
        QFETCH(int, above);
        QFETCH(int, below);
        QFETCH(int, beside);
        const test::Wall wall(900, 600, 4);
        const auto hand = test::handHeld(2, 3);
        MotionCapture capture{FrameRate()};
        for (int i = 0; i < 20; ++i) {
            Image picture = at(wall, hand(i));
            for (int y = 0; y < height; ++y)
                for (int x = 0; x < width; ++x)
                    if (y < above || y >= height - below || x < beside || x >= width - beside)
                        std::fill_n(picture.at(x, y), 3, std::uint8_t{1});
            capture.add(picture);
        }
        const CapturedMotion motion = capture.finish();
        QCOMPARE(motion.bridged(), 0U);
        double worst = 0;
        for (int i = 0; i < 20; ++i)
            worst = std::max(worst,
                             cornerDistance(motion.frames[static_cast<std::size_t>(i)].moved, hand(i), width, height));
        qInfo("worst %.4f px", worst);
        QVERIFY(worst < (below > 100 ? 0.15 : 0.02)); // the edge of the floor stands still
    }
    void flashesAndBlackAreBridged()
    {
        const test::Wall wall(900, 600, 4);
        const auto hand = test::handHeld(2, 3);
        MotionCapture capture{FrameRate()};
        for (int i = 0; i < 20; ++i) {
            const bool gone = i == 8 || i == 13 || i == 14;
            capture.add(at(wall, hand(i), gone ? (i == 8 ? 50.0 : 0.0) : 1.0));
        }
        const CapturedMotion motion = capture.finish();
        QCOMPARE(motion.bridged(), 3U);
        for (int i = 0; i < 20; ++i) {
            const CapturedFrame& frame = motion.frames[static_cast<std::size_t>(i)];
            const double error = cornerDistance(frame.moved, hand(i), width, height);
            const bool gone = i == 8 || i == 13 || i == 14;
            QCOMPARE(frame.confidence == 0, gone);
            QVERIFY2(error < (gone ? 3 : 0.02), qPrintable(QString::number(error)));
        }
    }
    void aCutIsNotAJump()
    {
        const test::Wall one(900, 600, 4);
        const test::Wall other(900, 600, 40);
        const auto hand = test::handHeld(2, 3);
        MotionCapture capture{FrameRate()};
        for (int i = 0; i < 24; ++i)
            capture.add(at(i < 12 ? one : other, hand(i)));
        const CapturedMotion motion = capture.finish();
        QCOMPARE(motion.frames[12].confidence, 0.0);
        for (int i = 0; i < 24; ++i)
            QVERIFY(i == 12 || motion.frames[static_cast<std::size_t>(i)].confidence > 0.5);
        // Beyond the cut the steps are right again.
        for (int i = 14; i < 24; ++i) {
            const Similarity step = motion.frames[static_cast<std::size_t>(i)].moved.after(
                motion.frames[static_cast<std::size_t>(i - 1)].moved.inverse());
            QVERIFY(cornerDistance(step, hand(i).after(hand(i - 1).inverse()), width, height) < 0.03);
        }
    }
    void nothingToFollow()
    {
        Image black(320, 180);
        black.setOpaque(true);
        black.fill(0, 0, 0);
        MotionCapture flat{FrameRate()};
        for (int i = 0; i < 5; ++i)
            flat.add(black);
        const CapturedMotion none = flat.finish();
        QCOMPARE(none.frames.size(), 5U);
        QCOMPARE(none.bridged(), 5U);
        for (const CapturedFrame& frame : none.frames)
            QCOMPARE(frame.moved, Similarity());

        MotionCapture mixed{FrameRate()}; // pictures of another size, and tiny ones
        mixed.add(test::speckled(8, 6, 1));
        mixed.add(test::speckled(640, 2, 2));
        mixed.add(test::speckled(8, 6, 3));
        QCOMPARE(mixed.finish().frames.size(), 3U);
        QCOMPARE(MotionCapture{FrameRate()}.finish().frames.size(), 0U);
    }
    void largePicturesAreReadAtAPartOfTheirSize()
    {
        const test::Wall wall(2200, 700, 6);
        test::Filming filming;
        filming.moved = [](double frame) {
            return Similarity{3.3 * frame, -2.1 * frame, 0.3 * frame, 1 + 0.01 * frame};
        };
        MotionCapture capture{FrameRate()};
        for (int i = 0; i < 5; ++i)
            capture.add(test::filmed(wall, filming, i, 1501, 303)); // an odd width: the middle of the half is elsewhere
        const CapturedMotion motion = capture.finish();
        for (int i = 0; i < 5; ++i)
            QVERIFY(cornerDistance(motion.frames[static_cast<std::size_t>(i)].moved, filming.moved(i), 1501, 303) <
                    0.05);
    }
    void whatIsSlowIsTakenOff()
    {
        CapturedMotion motion{640, 360, FrameRate(), {}};
        for (int i = 0; i < 240; ++i) // a pan that turns a little, with a tremor of 6 Hz
            motion.frames.push_back({Similarity{2 * std::sin(1.57 * i), 0, 0, 1}.after(
                                         Similarity{-4.0 * i, 0.5 * i, 0.01 * i, std::exp(0.001 * i)}),
                                     1});
        const CapturedMotion fast = fasterThan(motion, 1);
        for (std::size_t i = 0; i < 240; ++i) {
            const Similarity& moved = fast.frames[i].moved;
            const bool inside = i >= 12 && i < 228; // at the ends what is slow can only be guessed
            QVERIFY(std::abs(moved.x - 2 * std::sin(1.57 * static_cast<double>(i))) < (inside ? 0.05 : 1.0));
            QVERIFY(std::abs(moved.y) < 0.1 && std::abs(moved.roll) < 1e-3 && std::abs(moved.zoom - 1) < 1e-3);
        }
        // Half of the power of a sway of the period itself is taken off.
        CapturedMotion sway = motion;
        for (std::size_t i = 0; i < 240; ++i)
            sway.frames[i].moved = {10 * std::sin(2 * 3.14159265 * static_cast<double>(i) / 24), 0, 0, 1};
        double largest = 0;
        for (std::size_t i = 60; i < 180; ++i)
            largest = std::max(largest, std::abs(fasterThan(sway, 1).frames[i].moved.x));
        QVERIFY(std::abs(largest - 10 * (1 - std::sqrt(0.5))) < 0.1);
        for (const CapturedFrame& frame : fasterThan(motion, 0).frames)
            QCOMPARE(frame.moved, Similarity());
    }
    void similaritiesFollowEachOther()
    {
        test::Random random(9);
        for (int i = 0; i < 200; ++i) {
            const auto any = [&] {
                return Similarity{random.between(-90, 90), random.between(-90, 90), random.between(-170, 170),
                                  random.between(0.5, 2)};
            };
            const Similarity a = any();
            const Similarity b = any();
            const Point p{random.between(0, 640), random.between(0, 360)};
            const Point middle{319.5, 179.5};
            const Point both = b.after(a).map(p, middle);
            const Point one = b.map(a.map(p, middle), middle);
            QVERIFY(std::hypot(both.x - one.x, both.y - one.y) < 1e-9);
            const Point back = a.inverse().map(a.map(p, middle), middle);
            QVERIFY(std::hypot(back.x - p.x, back.y - p.y) < 1e-9);
        }
        // As it is written: c + zoom R(roll) (p - c) + (x, y), clockwise as seen with y down.
        const Point turned = Similarity{1, 2, 90, 2}.map({320.5, 179.5}, {319.5, 179.5});
        QVERIFY(std::abs(turned.x - 320.5) < 1e-12 && std::abs(turned.y - 183.5) < 1e-12);
    }
};

EMBER_TEST(CaptureTest)
#include "tst_capture.moc"
