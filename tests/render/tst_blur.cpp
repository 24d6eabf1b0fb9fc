// SPDX-License-Identifier: GPL-3.0-or-later
// Motion blur against the judge: the sum over the shutter of the source in linear light, same kernel, double precision.
#include <cmath>

#include <oneapi/tbb/task_arena.h> // before Qt, whose word "emit" it uses as a name

#include <QTest>

#include "ember/render/frame.h"
#include "ember/render/warp.h"
#include "light_reference.h"
#include "pictures.h"
#include "runner.h"

using namespace ember;

namespace {

constexpr EdgeMode everyEdge[] = {EdgeMode::mirror, EdgeMode::extend, EdgeMode::plain, EdgeMode::wrap,
                                  EdgeMode::transparent};

/// A bright, textured picture without drawn lines, as a camera makes them.
Image photographed(int width, int height, std::uint64_t seed)
{
    test::Random random(seed);
    Image image(width, height);
    image.setOpaque(true);
    double grain[3] = {0, 0, 0};
    for (int y = 0; y < height; ++y)
        for (int x = 0; x < width; ++x)
            for (int k = 0; k < 4; ++k) {
                auto& g = grain[k % 3];
                g = 0.6 * g + random.between(-9, 9);
                const double wave = 90 + 60 * std::sin(0.09 * x + k) + 50 * std::cos(0.07 * y - 0.03 * x * k) + g;
                image.at(x, y)[k] = k == 3 ? 255 : static_cast<std::uint8_t>(std::clamp(wave, 0.0, 255.0));
            }
    return image;
}

Image drawnOpaque(int width, int height)
{
    Image image = test::drawn(width, height);
    image.setOpaque(true);
    return image;
}

/// A shutter in which the picture goes from one pose to another, bent a little.
Exposure sweep(const Pose& from, const Pose& to, int instants)
{
    Exposure exposure;
    exposure.poses.clear();
    const auto at = [&](double t) {
        const double bend = 4 * t * (1 - t);
        Pose pose;
        pose.x = from.x + (to.x - from.x) * t + 2 * bend;
        pose.y = from.y + (to.y - from.y) * t - 1.5 * bend;
        pose.zoom = from.zoom + (to.zoom - from.zoom) * t;
        pose.roll = from.roll + (to.roll - from.roll) * t;
        pose.pan = from.pan + (to.pan - from.pan) * t;
        pose.tilt = from.tilt + (to.tilt - from.tilt) * t;
        return pose;
    };
    for (int i = 0; i < instants; ++i)
        exposure.poses.push_back(at((i + 0.5) / instants));
    exposure.middle = at(0.5);
    return exposure;
}

FrameLook lookAt(const Exposure& exposure, EdgeMode edges, int width, int height)
{
    FrameLook look;
    look.exposure = exposure;
    look.edges = edges;
    look.plain = {30, 90, 200};
    look.projectWidth = width;
    look.projectHeight = height;
    return look;
}

Image judged(const Image& source, const FrameLook& look, int width, int height)
{
    std::vector<test::Seen> seen;
    const Exposure& exposure = look.exposure;
    const double share = 1.0 / exposure.instants();
    for (int i = 0; i < exposure.instants(); ++i)
        seen.push_back({[&, i](int row) {
                            const double place = exposure.rows == 1 || height < 2
                                                     ? 0
                                                     : static_cast<double>(row) / (height - 1) * (exposure.rows - 1);
                            const int band = std::min(static_cast<int>(place), std::max(0, exposure.rows - 2));
                            Matrix3 map =
                                viewMatrix(look, exposure.at(i, band), source.width(), source.height(), width, height);
                            if (exposure.rows > 1) {
                                const Matrix3 next = viewMatrix(look, exposure.at(i, band + 1), source.width(),
                                                                source.height(), width, height);
                                for (std::size_t n = 0; n < 9; ++n)
                                    map.m[n] += (next.m[n] - map.m[n]) * (place - band);
                            }
                            return map;
                        },
                        {share, share, share, share}});
    test::Edges edges{look.edges, {}};
    Image one(1, 1);
    one.fill(look.plain.r, look.plain.g, look.plain.b);
    edges.beyond = look.edges == EdgeMode::transparent ? test::Pixel{0, 0, 0, 0} : test::lightOf(one).at(0, 0);
    return test::codedLight(test::sumOf(test::lightOf(source), edges, seen, width, height));
}

ImagePtr shared(const Image& image)
{
    return std::make_shared<const Image>(image.copy());
}

} // namespace

class BlurTest : public QObject {
    Q_OBJECT
    void compare(const Image& source, const FrameLook& look, double mean = 0.5, double within = 0.999)
    {
        const ImagePtr fast = renderFrame(shared(source), look, source.width(), source.height());
        const test::Distance apart = test::distanceOf(*fast, judged(source, look, source.width(), source.height()));
        const QString says =
            QStringLiteral("mean %1, within 3: %2, largest %3").arg(apart.mean).arg(apart.within3).arg(apart.largest);
        QVERIFY2(apart.mean < mean && apart.within3 >= within, qPrintable(says));
        qInfo() << qPrintable(says);
    }

private slots:
    void cleanup() { useInstructionSet({}); }

    void agreesWithTheJudge_data()
    {
        QTest::addColumn<bool>("photographed");
        QTest::addColumn<int>("edges");
        QTest::addColumn<int>("instants");
        QTest::addColumn<double>("size"); ///< of the sweep
        for (const bool photo : {true, false})
            for (const EdgeMode edges : everyEdge)
                for (const auto& [instants, size] :
                     {std::pair{16, 1.0}, std::pair{16, 0.3}, std::pair{5, 0.1}, std::pair{48, 1.6}})
                    QTest::addRow("%s, %d, %d instants, %.1f", photo ? "photographed" : "drawn",
                                  static_cast<int>(edges), instants, size)
                        << photo << static_cast<int>(edges) << instants << size;
    }
    void agreesWithTheJudge()
    {
        QFETCH(bool, photographed);
        QFETCH(int, edges);
        QFETCH(int, instants);
        QFETCH(double, size);
        const Image source = photographed ? ::photographed(421, 237, 5) : drawnOpaque(421, 237);
        Pose to;
        to.x = 30 * size;
        to.y = -18 * size;
        to.roll = 3 * size;
        to.zoom = 1 + 0.05 * size;
        // Few instants are resampled one by one.
        const bool few = instants <= 8;
        compare(source, lookAt(sweep({}, to, instants), static_cast<EdgeMode>(edges), 421, 237), few ? 0.06 : 0.15,
                few ? 0.9999 : 0.999);
    }
    void turnedAndSizedThroughout_data()
    {
        QTest::addColumn<bool>("photographed");
        QTest::addColumn<double>("turn"); ///< degrees
        QTest::addColumn<double>("within");
        // Neighbourhoods are shared by four by two, then by two by two pixels; beyond eleven degrees all is seen
        // through the middle.
        for (const double turn : {1.5, -2.9, 2.9, 4.0})
            for (const bool photo : {true, false})
                QTest::addRow("%s, %.1f", photo ? "photographed" : "drawn", turn) << photo << turn << 0.999;
        QTest::newRow("photographed, 8") << true << 8.0 << 0.999;
        QTest::newRow("drawn, 8") << false << 8.0 << 0.998;
        QTest::newRow("photographed, 15") << true << 15.0 << 0.99;
        QTest::newRow("drawn, 15") << false << 15.0 << 0.95;
    }
    void turnedAndSizedThroughout()
    {
        QFETCH(bool, photographed);
        QFETCH(double, turn);
        QFETCH(double, within);
        const Image source = photographed ? ::photographed(421, 237, 5) : drawnOpaque(421, 237);
        Pose from;
        from.x = 13.3;
        from.y = 5.7;
        from.roll = turn;
        from.zoom = 1.05;
        Pose to = from;
        to.x += 10;
        to.y -= 6;
        to.roll += 1;
        to.zoom += 0.02;
        compare(source, lookAt(sweep(from, to, 16), EdgeMode::mirror, 421, 237), 0.4, within);
    }
    void perspectiveToo()
    {
        Pose from;
        from.pan = -1;
        from.tilt = 1.5;
        Pose to;
        to.pan = 2;
        to.tilt = -1;
        to.x = 8;
        compare(photographed(300, 200, 6), lookAt(sweep(from, to, 16), EdgeMode::mirror, 300, 200));
    }
    void hardTurnsGoTheExactWay()
    {
        Pose from;
        from.roll = -25;
        from.zoom = 0.7;
        Pose to;
        to.roll = 25;
        to.zoom = 1.5;
        compare(photographed(200, 150, 7), lookAt(sweep(from, to, 24), EdgeMode::mirror, 200, 150));
    }
    void rowsAtSuccessiveTimes()
    {
        Exposure exposure = sweep({}, {}, 8);
        exposure.rows = rollingRows;
        exposure.poses.clear();
        for (int i = 0; i < 8; ++i)
            for (int row = 0; row < rollingRows; ++row) {
                Pose pose;
                const double t = i / 8.0 + row / 16.0;
                pose.x = 14 * std::sin(2 * t);
                pose.roll = 1.2 * std::cos(3 * t);
                exposure.poses.push_back(pose);
            }
        compare(photographed(260, 180, 8), lookAt(exposure, EdgeMode::mirror, 260, 180));
        // One instant alone has rows too.
        exposure.poses.resize(rollingRows);
        const Image source = photographed(260, 180, 8);
        FrameLook look = lookAt(exposure, EdgeMode::extend, 260, 180);
        const ImagePtr skewed = renderFrame(shared(source), look, 260, 180);
        QVERIFY(test::largestDifference(*skewed, source) > 20);
    }
    void looksAreTurnedInEveryGrain()
    {
        // All instants at one pose and the middle at another: nothing evens an error out, whether blocks, four or two
        // rows or single pixels share a neighbourhood.
        Image waves(260, 180);
        waves.setOpaque(true);
        for (int y = 0; y < 180; ++y)
            for (int x = 0; x < 260; ++x)
                for (int k = 0; k < 4; ++k)
                    waves.at(x, y)[k] =
                        k == 3 ? 255
                               : static_cast<std::uint8_t>(130 + 55 * std::sin(0.5 * x + k) + 55 * std::cos(0.45 * y));
        for (const double roll : {0.3, -1.1, 1.9, -4.0}) {
            Exposure exposure;
            exposure.poses.assign(12, {.x = 2.3, .y = -1.4, .zoom = 1 + std::abs(roll) / 200, .roll = roll});
            exposure.middle = {};
            const FrameLook look = lookAt(exposure, EdgeMode::mirror, 260, 180);
            const test::Distance apart =
                test::distanceOf(*renderFrame(shared(waves), look, 260, 180), judged(waves, look, 260, 180));
            QVERIFY2(
                apart.mean < 0.45 && apart.largest <= 5,
                qPrintable(QStringLiteral("%1: mean %2, largest %3").arg(roll).arg(apart.mean).arg(apart.largest)));
        }
    }
    void everyWidthAndSetAgrees_data()
    {
        QTest::addColumn<QString>("set");
        for (const auto& set : instructionSets())
            QTest::addRow("%s", set.c_str()) << QString::fromStdString(set);
    }
    void everyWidthAndSetAgrees()
    {
        QFETCH(QString, set);
        QVERIFY(useInstructionSet(set.toStdString()));
        test::Random random(11);
        for (int width = 1; width <= 127; ++width) {
            const int height = 1 + width % 29;
            const Image source = drawnOpaque(width, height);
            Pose to;
            to.x = random.between(-12, 12);
            to.y = random.between(-6, 6);
            to.roll = random.between(-3, 3);
            const FrameLook look = lookAt(sweep({}, to, 9), everyEdge[width % 5], width, height);
            const ImagePtr fast = renderFrame(shared(source), look, width, height);
            const test::Distance apart = test::distanceOf(*fast, judged(source, look, width, height));
            QVERIFY2(apart.mean < 2.5, qPrintable(QStringLiteral("width %1: %2").arg(width).arg(apart.mean)));
        }
    }
    void setsAgreeWithEachOther()
    {
        const Image source = drawnOpaque(333, 150);
        Pose to;
        to.x = 20;
        to.roll = 2;
        ImagePtr first;
        for (const auto& set : instructionSets()) {
            QVERIFY(useInstructionSet(set));
            const ImagePtr out =
                renderFrame(shared(source), lookAt(sweep({}, to, 16), EdgeMode::mirror, 333, 150), 333, 150);
            first = first ? first : out;
            QVERIFY2(test::largestDifference(*first, *out) <= 1, set.c_str());
        }
    }
    void threadsAgree()
    {
        const Image source = photographed(500, 300, 9);
        Pose to;
        to.x = 25;
        to.roll = 2;
        ImagePtr first;
        for (const int threads : {1, 2, 7}) {
            oneapi::tbb::task_arena arena(threads);
            ImagePtr out;
            arena.execute([&] {
                out = renderFrame(shared(source), lookAt(sweep({}, to, 16), EdgeMode::mirror, 500, 300), 500, 300);
            });
            first = first ? first : out;
            QVERIFY(samePixels(*first, *out));
        }
    }
    void sparksSmearBright()
    {
        // A white dot on black, drawn out over ten pixels, is a tenth of the light: code 89, not 25.
        Image dot(64, 9);
        dot.fill(0, 0, 0);
        for (int y = 0; y < 9; ++y)
            for (int k = 0; k < 3; ++k)
                dot.at(20, y)[k] = 255;
        Exposure exposure;
        exposure.poses.clear();
        for (int i = 0; i < 40; ++i)
            exposure.poses.push_back({.x = -5 + 10 * (i + 0.5) / 40});
        const ImagePtr out = renderFrame(shared(dot), lookAt(exposure, EdgeMode::extend, 64, 9), 64, 9);
        QVERIFY2(std::abs(out->at(20, 4)[0] - 89) <= 2, qPrintable(QString::number(out->at(20, 4)[0])));
    }
    void flatPicturesStayFlatAndRampsComeBack()
    {
        Image ramp(256, 40);
        ramp.setOpaque(true);
        for (int y = 0; y < 40; ++y)
            for (int x = 0; x < 256; ++x)
                for (int k = 0; k < 4; ++k)
                    ramp.at(x, y)[k] = k == 3 ? 255 : static_cast<std::uint8_t>(x);
        // Moved along its own lines nothing may change, in linear light and through both curves.
        Exposure exposure;
        exposure.poses.clear();
        for (int i = 0; i < 16; ++i)
            exposure.poses.push_back({.y = -6 + 12 * (i + 0.5) / 16});
        const ImagePtr out = renderFrame(shared(ramp), lookAt(exposure, EdgeMode::extend, 256, 40), 256, 40);
        QCOMPARE(test::largestDifference(*out, ramp), 0);
    }
    void transparencyIsMultipliedIn()
    {
        // Red behind full transparency must not bleed into what is seen.
        Image source(80, 40);
        source.fill(255, 0, 0, 0);
        for (int y = 0; y < 40; ++y)
            for (int x = 30; x < 50; ++x) {
                const std::uint8_t white[4] = {200, 200, 200, 255};
                std::copy(white, white + 4, source.at(x, y));
            }
        Pose to;
        to.x = 9;
        for (const int instants : {1, 3, 12}) {
            Exposure exposure = sweep({}, to, instants);
            const ImagePtr out = renderFrame(shared(source), lookAt(exposure, EdgeMode::extend, 80, 40), 80, 40);
            for (int x = 0; x < 80; ++x)
                if (out->at(x, 20)[3] > 20)
                    QVERIFY2(out->at(x, 20)[1] > 190, qPrintable(QString::number(x)));
            QVERIFY(!out->opaque());
        }
    }
    void ownCountIsEnough()
    {
        // As many instants as are taken by themselves against eight times as many: nothing visible changes.
        Project project;
        project.width = 320;
        project.height = 200;
        project.addShot(
            Shot{"clip", 100, false, {{Frame{0}, 0, 0, 1, 0, Ease::linear}, {Frame{10}, 240, -120, 1.2, 20}}});
        project.finish.shutterAngle = 180;
        const Motion motion(project);
        const Exposure own = exposureOf(project, motion, 5);
        project.finish.instants = std::min(256, own.instants() * 8);
        const Exposure dense = exposureOf(project, motion, 5);
        QVERIFY(own.instants() > 8 && dense.instants() > own.instants());
        const Image source = photographed(320, 200, 21);
        const auto look = [&](const Exposure& e) { return lookAt(e, EdgeMode::mirror, 320, 200); };
        const test::Distance apart = test::distanceOf(*renderFrame(shared(source), look(own), 320, 200),
                                                      *renderFrame(shared(source), look(dense), 320, 200));
        QVERIFY2(apart.mean < 0.3 && apart.within3 > 0.999, qPrintable(QString::number(apart.mean)));
    }
    void sixteenBits()
    {
        Image ramp(300, 60, Depth::sixteen);
        ramp.setOpaque(true);
        for (int y = 0; y < 60; ++y)
            for (int x = 0; x < 300; ++x)
                for (int k = 0; k < 4; ++k)
                    ramp.deepAt(x, y)[k] = k == 3 ? 65535 : static_cast<std::uint16_t>(x * 219);
        Exposure exposure;
        exposure.poses.clear();
        for (int i = 0; i < 16; ++i)
            exposure.poses.push_back({.y = -6 + 12 * (i + 0.5) / 16});
        FrameLook look = lookAt(exposure, EdgeMode::extend, 300, 60);
        look.depth = Depth::sixteen;
        const ImagePtr out = renderFrame(shared(ramp), look, 300, 60);
        QCOMPARE(out->depth(), Depth::sixteen);
        int most = 0;
        for (int x = 0; x < 300; ++x)
            most = std::max(most, std::abs(out->deepAt(x, 30)[0] - ramp.deepAt(x, 30)[0]));
        QVERIFY2(most <= 16, qPrintable(QString::number(most)));
        // And down to eight bits: a frame at rest is only rounded.
        FrameLook rest = lookAt(Exposure::of({}), EdgeMode::mirror, 300, 60);
        const ImagePtr eight = renderFrame(shared(ramp), rest, 300, 60);
        for (int x = 0; x < 300; ++x)
            QVERIFY(std::abs(eight->at(x, 5)[0] - x * 219 / 257.0) <= 0.51);
    }
    void absurdShuttersDoNotCrash()
    {
        const Image source = photographed(33, 17, 1);
        Pose wild;
        wild.zoom = 0.05;
        wild.pan = 60;
        wild.tilt = -60;
        Pose away;
        away.x = 1e7;
        Pose turned;
        turned.roll = 170;
        for (const EdgeMode edges : everyEdge)
            for (const Pose& to : {wild, away, turned})
                for (const int instants : {2, 9, 40})
                    QCOMPARE(
                        renderFrame(shared(source), lookAt(sweep({}, to, instants), edges, 33, 17), 33, 17)->width(),
                        33);
        // A very wide picture whose few rows are seen at very different poses.
        const Image wide = photographed(3000, 16, 3);
        Exposure rolling;
        rolling.rows = rollingRows;
        rolling.poses.clear();
        for (int i = 0; i < 20; ++i)
            for (int row = 0; row < rollingRows; ++row)
                rolling.poses.push_back({.x = 3.0 * row, .y = row % 5 - 2.0 * i, .roll = 0.4 * row - i});
        rolling.middle = rolling.poses[170];
        QCOMPARE(renderFrame(shared(wide), lookAt(rolling, EdgeMode::mirror, 3000, 16), 3000, 16)->width(), 3000);
        for (const int size : {1, 2, 3})
            QCOMPARE(renderFrame(shared(photographed(size, size, 2)),
                                 lookAt(sweep({}, turned, 12), EdgeMode::mirror, size, size), 5, 4)
                         ->height(),
                     4);
    }
};

EMBER_TEST(BlurTest)
#include "tst_blur.moc"
