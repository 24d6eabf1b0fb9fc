// SPDX-License-Identifier: GPL-3.0-or-later
// Streaks, fringe, flashes, layers and bars against sums made from their definitions.
#include <cmath>

#include <QTest>

#include "ember/render/frame.h"
#include "light_reference.h"
#include "pictures.h"
#include "runner.h"

using namespace ember;

namespace {

constexpr int width = 240;
constexpr int height = 150;

Image drawnOpaque()
{
    Image image = test::drawn(width, height);
    image.setOpaque(true);
    return image;
}

ImagePtr shared(const Image& image)
{
    return std::make_shared<const Image>(image.copy());
}

FrameLook look()
{
    FrameLook l;
    l.projectWidth = width;
    l.projectHeight = height;
    return l;
}

ImagePtr rendered(const Image& source, const LightNow& light)
{
    FrameLook l = look();
    l.light = light;
    return renderFrame(shared(source), l, width, height);
}

/// The mean of the picture at many maps, the edges repeated.
Image meanAt(const Image& source, int count, const std::function<Matrix3(double)>& map)
{
    std::vector<test::Seen> seen;
    for (int i = 0; i < count; ++i) {
        const Matrix3 m = map((i + 0.5) / count - 0.5);
        const double share = 1.0 / count;
        seen.push_back({[m](int) { return m; }, {share, share, share, share}});
    }
    return test::codedLight(test::sumOf(test::lightOf(source), {EdgeMode::extend, {}}, seen, width, height));
}

void compare(const Image& a, const Image& b, double mean, double within)
{
    const test::Distance apart = test::distanceOf(a, b);
    QVERIFY2(
        apart.mean < mean && apart.within3 > within,
        qPrintable(
            QStringLiteral("mean %1, within 3: %2, largest %3").arg(apart.mean).arg(apart.within3).arg(apart.largest)));
}

Matrix3 about(double x, double y, double ratio)
{
    return Matrix3::translation(x, y) * Matrix3::scaling(ratio, ratio) * Matrix3::translation(-x, -y);
}

} // namespace

class EffectsTest : public QObject {
    Q_OBJECT
private slots:
    void streaksAreMeansAlongALine_data()
    {
        QTest::addColumn<double>("length");
        QTest::addColumn<double>("angle");
        for (const double length : {3.0, 24.0, 60.0, 200.0})
            for (const double angle : {0.0, 90.0, 37.0, -110.0})
                QTest::addRow("%.0f px, %.0f degrees", length, angle) << length << angle;
    }
    void streaksAreMeansAlongALine()
    {
        QFETCH(double, length);
        QFETCH(double, angle);
        const Image source = drawnOpaque();
        const double x = length * std::cos(angle * M_PI / 180);
        const double y = length * std::sin(angle * M_PI / 180);
        LightNow light;
        light.streakX = x;
        light.streakY = y;
        const Image judge = meanAt(source, static_cast<int>(20 + 1.5 * length),
                                   [&](double at) { return Matrix3::translation(at * x, at * y); });
        compare(*rendered(source, light), judge, 1.2, 0.9);
    }
    void longStreaksHaveNoBands()
    {
        // A dot becomes an even line: no gap, no bead.
        Image dot(width, height);
        dot.fill(0, 0, 0);
        for (int y = 70; y < 76; ++y)
            for (int x = 100; x < 106; ++x)
                for (int k = 0; k < 3; ++k)
                    dot.at(x, y)[k] = 255;
        LightNow light;
        light.streakX = 180;
        light.streakY = 60;
        const ImagePtr out = rendered(dot, light);
        const double steep = 60.0 / 180;
        int least = 255;
        int most = 0;
        for (int i = -60; i <= 60; ++i) {
            const int value = out->at(103 + i, static_cast<int>(std::lround(72.5 + i * steep)))[0];
            least = std::min(least, value);
            most = std::max(most, value);
        }
        QVERIFY2(least > 20 && most - least <= 3, qPrintable(QStringLiteral("%1 to %2").arg(least).arg(most)));
    }
    void radialStreaksGrowFromTheirCentre()
    {
        const Image source = drawnOpaque();
        LightNow light;
        light.radial = 40;
        light.radialCentreX = 0.3;
        light.radialCentreY = 0.6;
        const double cx = 0.3 * width - 0.5;
        const double cy = 0.6 * height - 0.5;
        const double ratio = 1 + 40 / (std::hypot(width, height) / 2);
        const Image judge = meanAt(source, 90, [&](double at) { return about(cx, cy, std::pow(ratio, at)); });
        compare(*rendered(source, light), judge, 1.2, 0.9);
        // The centre itself stays sharp.
        const int x = static_cast<int>(cx);
        const int y = static_cast<int>(cy);
        QVERIFY(std::abs(rendered(source, light)->at(x, y)[0] - source.at(x, y)[0]) <= 12);
    }
    void fringeTearsRedAndBlueApart()
    {
        Image edge(width, height);
        edge.fill(0, 0, 0);
        for (int y = 0; y < height; ++y)
            for (int x = 100; x < 140; ++x)
                for (int k = 0; k < 3; ++k)
                    edge.at(x, y)[k] = 255;
        LightNow light;
        light.fringeX = 6;
        const ImagePtr out = rendered(edge, light);
        const auto at = [&](int x, int k) { return out->at(x, 70)[k] > 128; };
        QVERIFY(!at(103, 0) && at(107, 0) && at(144, 0) && !at(148, 0)); // red went right
        QVERIFY(!at(98, 1) && at(101, 1) && at(138, 1) && !at(141, 1));  // green stayed
        QVERIFY(at(95, 2) && at(132, 2) && !at(136, 2));                 // blue went left
        light = {};
        light.fringeOut = 8;
        const ImagePtr grown = rendered(edge, light);
        QVERIFY(grown->at(119, 70)[0] > 250 && grown->at(119, 70)[2] > 250);
    }
    void flashesAddOrMix()
    {
        Image grey(width, height);
        grey.fill(100, 100, 100);
        LightNow light;
        light.flashes = {{{255, 128, 0}, 0.5, Blend::add}};
        const ImagePtr added = rendered(grey, light);
        const double base = test::lightOf(grey).at(0, 0)[0];
        Image colour(1, 1);
        colour.fill(255, 128, 0);
        const test::Pixel lit = test::lightOf(colour).at(0, 0);
        for (int k = 0; k < 3; ++k) {
            test::Plate one{1, 1, {{base + 0.5 * lit[0], base + 0.5 * lit[1], base + 0.5 * lit[2], 1}}};
            QVERIFY(std::abs(added->at(9, 9)[k] - test::codedLight(one).at(0, 0)[k]) <= 1);
        }
        light.flashes = {{{255, 128, 0}, 1, Blend::mix}};
        const ImagePtr mixed = rendered(grey, light);
        QCOMPARE(mixed->at(9, 9)[0], std::uint8_t{255});
        QVERIFY(std::abs(mixed->at(9, 9)[1] - 128) <= 1);
        QCOMPARE(mixed->at(9, 9)[2], std::uint8_t{0});
    }
    void nothingDarkComesInFromTheEdge()
    {
        // With every effect at once a bright picture stays bright right to its rim.
        Image white(width, height);
        white.fill(200, 200, 200);
        FrameLook l = look();
        l.exposure.poses.clear();
        for (int i = 0; i < 20; ++i)
            l.exposure.poses.push_back({.x = 20.0 * i / 20, .y = -9, .roll = 2});
        l.exposure.middle = {.x = 10, .y = -9, .roll = 2};
        l.light.streakX = 50;
        l.light.streakY = -20;
        l.light.radial = 60;
        l.light.radialCentreX = 0.9;
        l.light.fringeX = 9;
        l.light.fringeOut = 5;
        for (const EdgeMode mode : {EdgeMode::mirror, EdgeMode::extend, EdgeMode::wrap}) {
            l.edges = mode;
            QVERIFY(test::largestDifference(*renderFrame(shared(white), l, width, height), white) <= 1);
        }
    }
    void barsAreDrawnLast()
    {
        const Image source = drawnOpaque();
        FrameLook l = look();
        l.letterbox = 2;
        l.light.flashes = {{{255, 255, 255}, 1, Blend::add}};
        const ImagePtr out = renderFrame(shared(source), l, width, height);
        for (int y = 0; y < 15; ++y) {
            QCOMPARE(out->at(120, y)[0], std::uint8_t{0});
            QCOMPARE(out->at(120, height - 1 - y)[0], std::uint8_t{0});
        }
        QCOMPARE(out->at(120, 15)[0], std::uint8_t{255});
        // Over a frame that is otherwise untouched its pixels are the source's own.
        l.light = {};
        const ImagePtr rest = renderFrame(shared(source), l, width, height);
        for (int x = 0; x < width; ++x)
            QCOMPARE(rest->at(x, 75)[1], source.at(x, 75)[1]);
        QCOMPARE(rest->at(3, 3)[3], std::uint8_t{255});
    }
    void layersMoveByTheirDepth()
    {
        Image black(width, height);
        black.fill(0, 0, 0);
        Image title(21, 11);
        title.fill(255, 0, 0);
        Project project;
        project.width = width;
        project.height = height;
        project.addShot(Shot{"clip", 50, false, {{Frame{0}, 12, 0, 1, 0}}});
        project.finish.cover = CoverMode::off;
        Layer layer;
        layer.in = 10;
        layer.length = 20;
        const auto middleOf = [&](double depth, FrameTime time) {
            layer.depth = depth;
            project.layers = {layer};
            const FrameLook l = lookOf(project, Motion(project), Cover(), time, {shared(title)});
            const ImagePtr out = renderFrame(shared(black), l, width, height);
            double sum = 0;
            double at = 0;
            for (int x = 0; x < width; ++x) {
                sum += out->at(x, height / 2)[0];
                at += x * out->at(x, height / 2)[0];
            }
            return sum > 0 ? at / sum - 0.5 * (width - 1) : -1000;
        };
        QVERIFY(std::abs(middleOf(1, 15) - 12) < 0.1);
        QVERIFY(std::abs(middleOf(0, 15)) < 0.1);
        QVERIFY(std::abs(middleOf(2, 15) - 24) < 0.1);
        QCOMPARE(middleOf(1, 9), -1000.0);
        QCOMPARE(middleOf(1, 30), -1000.0);
        // Half as deep it is enlarged by half of the cover, about the frame's middle.
        Cover cover;
        cover.zoom = 1.4;
        layer.depth = 0.5;
        layer.x = 40;
        project.layers = {layer};
        const FrameLook covered = lookOf(project, Motion(project), cover, 15, {shared(title)});
        QCOMPARE(covered.layers.front().cover, 1.2);
        const ImagePtr out = renderFrame(shared(black), covered, width, height);
        const double edge = 0.5 * (width - 1) + 1.2 * (6 + 40 + 10.5);
        QVERIFY(out->at(static_cast<int>(edge - 2), height / 2)[0] > 200);
        QVERIFY(out->at(static_cast<int>(edge + 3), height / 2)[0] < 60);
        layer.x = 0;
        layer.axis[0] = false;
        QVERIFY(std::abs(middleOf(1, 15)) < 0.1);
        layer.hidden = true;
        QCOMPARE(middleOf(1, 15), -1000.0);
    }
    void layersAreLaidOverByTheirAlpha()
    {
        Image white(width, height);
        white.fill(255, 255, 255);
        Image half(30, 30);
        half.fill(0, 0, 0, 128);
        FrameLook l = look();
        l.layers.push_back({shared(half), Exposure::of({}), 1, 0, 0, 1, 1});
        const ImagePtr out = renderFrame(shared(white), l, width, height);
        test::Plate one{1, 1, {{1 - 128 / 255.0, 1 - 128 / 255.0, 1 - 128 / 255.0, 1}}};
        QVERIFY(std::abs(out->at(120, 75)[0] - test::codedLight(one).at(0, 0)[0]) <= 1);
        QCOMPARE(out->at(60, 75)[0], std::uint8_t{255});
        QCOMPARE(out->at(120, 75)[3], std::uint8_t{255});
    }
};

EMBER_TEST(EffectsTest)
#include "tst_effects.moc"
