// SPDX-License-Identifier: GPL-3.0-or-later
// Exposure, impact frames, defocus, ripples and grain against sums made from their definitions.
#include <algorithm>
#include <cmath>
#include <cstring>
#include <limits>
#include <numbers>

#include <oneapi/tbb/task_arena.h> // before Qt, whose word "emit" it uses as a name

#include <QTest>

#include "ember/render/frame.h"
#include "light_reference.h"
#include "pictures.h"
#include "runner.h"

using namespace ember;

namespace {

constexpr int width = 240;
constexpr int height = 150;

FrameLook lookWith(const LightNow& light, Depth depth = Depth::eight)
{
    FrameLook look;
    look.projectWidth = width;
    look.projectHeight = height;
    look.light = light;
    look.depth = depth;
    return look;
}

ImagePtr rendered(Image source, const LightNow& light)
{
    source.setOpaque(true);
    const Depth depth = source.depth();
    return renderFrame(std::make_shared<const Image>(std::move(source)), lookWith(light, depth), width, height);
}

/// Floats, each from its place.
template <typename At>
Image floats(At at)
{
    Image image(width, height, Depth::single, heldAs(Depth::single, {}));
    for (int y = 0; y < height; ++y)
        for (int x = 0; x < width; ++x) {
            float* pixel = image.floatAt(x, y);
            for (int k = 0; k < 3; ++k)
                pixel[k] = at(x, y, k);
            pixel[3] = 1;
        }
    return image;
}

test::Plate plateOf(const Image& image)
{
    test::Plate plate{width, height, std::vector<test::Pixel>(static_cast<std::size_t>(width) * height)};
    for (int y = 0; y < height; ++y)
        for (int x = 0; x < width; ++x)
            for (std::size_t k = 0; k < 4; ++k)
                plate.at(x, y)[k] = static_cast<double>(image.floatAt(x, y)[k]);
    return plate;
}

/// A few hard highlights over a soft ground.
Image sparks()
{
    return floats([](int x, int y, int k) {
        const bool spark = (x == 60 && y == 40) || (x == 61 && y == 41) || (x == 180 && y == 100);
        return spark ? 4000.0F : 0.1F + 0.05F * static_cast<float>(std::sin(0.07 * x + 0.05 * y + k));
    });
}

double codeOf(double light)
{
    light = std::clamp(light, 0.0, 1.0);
    return light <= 0.0031308 ? 12.92 * light : 1.055 * std::pow(light, 1 / 2.4) - 0.055;
}

double lightOf(double code)
{
    return code <= 0.04045 ? code / 12.92 : std::pow((code + 0.055) / 1.055, 2.4);
}

struct Moments {
    double mean = 0;
    double deviation = 0;
};

/// Of a channel of a picture of even light.
Moments momentsOf(const Image& image, int k)
{
    double sum = 0;
    double squares = 0;
    for (int y = 0; y < height; ++y)
        for (int x = 0; x < width; ++x) {
            const auto value = static_cast<double>(image.floatAt(x, y)[k]);
            sum += value;
            squares += value * value;
        }
    const double mean = sum / (width * height);
    return {mean, std::sqrt(squares / (width * height) - mean * mean)};
}

bool same(const Image& a, const Image& b)
{
    for (int y = 0; y < a.height(); ++y)
        if (std::memcmp(a.row(y), b.row(y), 4 * sizeof(float) * static_cast<std::size_t>(a.width())) != 0)
            return false;
    return true;
}

} // namespace

class ImpactEffectsTest : public QObject {
    Q_OBJECT
private slots:
    void stopsDoubleAndHalve()
    {
        for (const double stops : {1.0, -1.0, 3.0, 0.5}) {
            LightNow light;
            light.exposure = stops;
            const Image source = sparks();
            const ImagePtr out = rendered(source.copy(), light);
            for (const auto& [x, y] : {std::pair{60, 40}, std::pair{5, 5}, std::pair{200, 140}}) {
                const double wanted = static_cast<double>(source.floatAt(x, y)[1]) * std::exp2(stops);
                QVERIFY(std::abs(static_cast<double>(out->floatAt(x, y)[1]) / wanted - 1) < 1e-6);
                QCOMPARE(out->floatAt(x, y)[3], 1.0F);
            }
        }
        // Brighter first, then lit: a flash is not made brighter.
        LightNow light;
        light.exposure = 2;
        light.flashes = {{{255, 255, 255}, 0.5, Blend::add}};
        const ImagePtr out = rendered(floats([](int, int, int) { return 0.1F; }), light);
        QVERIFY(std::abs(static_cast<double>(out->floatAt(3, 3)[0]) - 0.9) < 1e-5);
    }
    void negativesAreOfTheCodes()
    {
        Image every(width, height);
        for (int y = 0; y < height; ++y)
            for (int x = 0; x < width; ++x)
                for (int k = 0; k < 4; ++k)
                    every.at(x, y)[k] = k == 3 ? 255 : static_cast<std::uint8_t>((x + 60 * k + y) & 255);
        LightNow light;
        light.impact = {1, ImpactFrame::Look::invert, 0, 0, {}, {}};
        const ImagePtr out = rendered(every.copy(), light);
        for (int y = 0; y < height; ++y)
            for (int x = 0; x < width; ++x)
                for (int k = 0; k < 3; ++k)
                    QCOMPARE(int(out->at(x, y)[k]), 255 - int(every.at(x, y)[k]));
        // By half: half of the light of either.
        light.impact.strength = 0.5;
        const ImagePtr half = rendered(every.copy(), light);
        for (int x = 0; x < width; ++x) {
            const double code = every.at(x, 0)[0] / 255.0;
            QVERIFY(std::abs(half->at(x, 0)[0] - 255 * codeOf(0.5 * (lightOf(code) + lightOf(1 - code)))) < 1.01);
        }
        // What is brighter than white, or no number, is white or black.
        light.impact.strength = 1;
        const ImagePtr bright = rendered(
            floats([](int x, int, int) {
                return x == 0 ? 50.0F : x == 1 ? -2.0F : x == 2 ? std::numeric_limits<float>::quiet_NaN() : 0.2F;
            }),
            light);
        QCOMPARE(bright->floatAt(0, 9)[0], 0.0F);
        QCOMPARE(bright->floatAt(1, 9)[0], 1.0F);
        QVERIFY(std::isfinite(bright->floatAt(2, 9)[0]));
        QVERIFY(std::abs(static_cast<double>(bright->floatAt(3, 9)[0]) - lightOf(1 - codeOf(0.2))) < 1e-4);
    }
    void negativesKeepTheirAlpha()
    {
        Image half(width, height);
        half.fill(200, 100, 50, 128);
        LightNow light;
        light.impact = {1, ImpactFrame::Look::invert, 0, 0, {}, {}};
        FrameLook look = lookWith(light);
        look.edges = EdgeMode::transparent;
        const ImagePtr out = renderFrame(std::make_shared<const Image>(std::move(half)), look, width, height);
        for (const auto& [k, wanted] : {std::pair{0, 55}, std::pair{1, 155}, std::pair{2, 205}, std::pair{3, 128}})
            QVERIFY(std::abs(int(out->at(100, 70)[k]) - wanted) <= 1);
    }
    void contrastAndTwoTonesByTheirCurve()
    {
        const double threshold = 0.4;
        const double softness = 0.2;
        const auto way = [&](double v) {
            const double share = std::clamp((v - threshold + softness) / (2 * softness), 0.0, 1.0);
            return share * share * (3 - 2 * share);
        };
        const Image source = floats([](int x, int y, int k) {
            return static_cast<float>(x) / width * (k == 1 ? 1.0F : 0.5F) + 0.001F * static_cast<float>(y);
        });
        LightNow light;
        light.impact = {1, ImpactFrame::Look::contrast, threshold, softness, {20, 0, 60}, {255, 200, 0}};
        const ImagePtr hard = rendered(source.copy(), light);
        light.impact.look = ImpactFrame::Look::twoTone;
        const ImagePtr two = rendered(source.copy(), light);
        const double dark[] = {lightOf(20 / 255.0), 0, lightOf(60 / 255.0)};
        const double bright[] = {1, lightOf(200 / 255.0), 0};
        for (int x = 0; x < width; x += 3) {
            const float* from = source.floatAt(x, 70);
            const double luminance = 0.2126 * static_cast<double>(from[0]) + 0.7152 * static_cast<double>(from[1]) +
                                     0.0722 * static_cast<double>(from[2]);
            const double share = lightOf(way(codeOf(luminance)));
            for (int k = 0; k < 3; ++k) {
                QVERIFY(std::abs(static_cast<double>(hard->floatAt(x, 70)[k]) -
                                 lightOf(way(codeOf(static_cast<double>(from[k]))))) < 2e-3);
                QVERIFY(std::abs(static_cast<double>(two->floatAt(x, 70)[k]) -
                                 (dark[k] + (bright[k] - dark[k]) * share)) < 2e-3);
            }
        }
        // Without softness there is nothing between.
        light.impact.softness = 0;
        const ImagePtr graphic = rendered(source.copy(), light);
        for (int x = 0; x < width; ++x) {
            const float green = graphic->floatAt(x, 20)[1];
            QVERIFY(green == 0.0F || std::abs(static_cast<double>(green) - bright[1]) < 1e-4);
        }
    }
    void defocusIsTheMeanOfADisc_data()
    {
        QTest::addColumn<double>("radius");
        QTest::addColumn<double>("rim"); ///< pixels on either side in which it is softer than that
        for (const double radius : {0.4, 1.0, 2.7, 7.9})
            QTest::addRow("%.1f px", radius) << radius << 0.0;
        for (const double radius : {8.1, 14.0, 30.0})
            QTest::addRow("%.1f px", radius) << radius << 4.0;
        QTest::addRow("40 px") << 40.0 << 8.0;
    }
    void defocusIsTheMeanOfADisc()
    {
        QFETCH(double, radius);
        QFETCH(double, rim);
        const Image source = sparks();
        LightNow light;
        light.defocus = radius;
        const test::Plate seen = plateOf(*rendered(source.copy(), light));
        // What is a disc is decided on a grid of its own, finer than that of the program.
        const test::Plate from = plateOf(source);
        const int reach = static_cast<int>(std::ceil(radius));
        constexpr int parts = 21;
        std::vector<double> disc;
        double sum = 0;
        for (int y = -reach; y <= reach; ++y)
            for (int x = -reach; x <= reach; ++x) {
                int inside = 0;
                for (int i = 0; i < parts * parts; ++i) {
                    const double dx = x + (i % parts - 10) / 21.0;
                    const double dy = y + (i / parts - 10) / 21.0;
                    inside += dx * dx + dy * dy < radius * radius ? 1 : 0;
                }
                disc.push_back(inside);
                sum += inside;
            }
        const double spark = 4000 / sum * parts * parts;
        double largest = 0;
        double atRim = 0;
        double before = 0;
        double after = 0;
        for (int y = 0; y < height; ++y)
            for (int x = 0; x < width; ++x) {
                double wanted = 0;
                for (int j = -reach; j <= reach; ++j)
                    for (int i = -reach; i <= reach; ++i)
                        wanted += disc[static_cast<std::size_t>((j + reach) * (2 * reach + 1) + i + reach)] / sum *
                                  from.at(std::clamp(x + i, 0, width - 1), std::clamp(y + j, 0, height - 1))[0];
                const auto near = [&](int sparkX, int sparkY) {
                    return std::abs(std::hypot(x - sparkX, y - sparkY) - radius) < rim;
                };
                double& most = near(60, 40) || near(61, 41) || near(180, 100) ? atRim : largest;
                most = std::max(most, std::abs(seen.at(x, y)[0] - wanted) / spark);
                before += wanted;
                after += seen.at(x, y)[0];
            }
        QVERIFY2(largest < 0.04 && atRim < 1.2,
                 qPrintable(QStringLiteral("%1, at the rim %2").arg(largest).arg(atRim)));
        QVERIFY2(std::abs(after / before - 1) < 0.003, qPrintable(QString::number(after / before)));
    }
    void defocusGrowsEvenly()
    {
        // How far a spark's light is spread, as a deviation, grows by the same for each step, whatever way it is made.
        const Image source = floats([](int x, int y, int) { return x == 120 && y == 75 ? 100.0F : 0.0F; });
        for (double radius = 2; radius < 40; radius *= 1.04) {
            LightNow light;
            light.defocus = radius;
            const test::Plate seen = plateOf(*rendered(source.copy(), light));
            double sum = 0;
            double squares = 0;
            for (int y = 0; y < height; ++y)
                for (int x = 0; x < width; ++x) {
                    QVERIFY(seen.at(x, y)[0] >= 0); // no dark ring around a highlight
                    sum += seen.at(x, y)[0];
                    squares += seen.at(x, y)[0] * (x - 120) * (x - 120);
                }
            QVERIFY(std::abs(sum - 100) < 0.01);
            const double deviation = std::sqrt(squares / sum);
            QVERIFY2(std::abs(deviation / std::hypot(0.5 * radius, 0.289) - 1) < 0.08,
                     qPrintable(QStringLiteral("%1: %2").arg(radius).arg(deviation)));
        }
    }
    void whatIsNoNumberStaysNearby()
    {
        const Image source = floats(
            [](int x, int y, int) { return x == 120 && y == 75 ? std::numeric_limits<float>::quiet_NaN() : 0.5F; });
        for (const double radius : {3.0, 20.0}) {
            LightNow light;
            light.defocus = radius;
            light.ripples = {{10, 0.5, 0.5, 40, 20}};
            const ImagePtr out = rendered(source.copy(), light);
            for (int y = 0; y < height; ++y)
                for (int x = 0; x < width; ++x)
                    if (std::hypot(x - 120, y - 75) > 1.6 * radius + 12)
                        QVERIFY(std::isfinite(out->floatAt(x, y)[0]));
        }
    }
    void ripplesPushOutwardsByTheirForm()
    {
        const Image source = floats([](int x, int y, int k) {
            return 0.5F + 0.4F * static_cast<float>(std::sin(0.11 * x + 0.3 * k) * std::cos(0.13 * y));
        });
        LightNow light;
        light.ripples = {{14, 0.4, 0.55, 50, 24}, {6, 0.9, 0.1, 30, 40}};
        const test::Plate seen = plateOf(*rendered(source.copy(), light));
        const test::Plate from = plateOf(source);
        double farthest = 0;
        int untouched = 0;
        for (int y = 0; y < height; ++y)
            for (int x = 0; x < width; ++x) {
                double dx = 0;
                double dy = 0;
                for (const RippleNow& ripple : light.ripples) {
                    const double px = x - (ripple.x * width - 0.5);
                    const double py = y - (ripple.y * height - 0.5);
                    const double d = std::hypot(px, py);
                    const double u = (d - ripple.radius) / ripple.width;
                    if (std::abs(u) >= 1)
                        continue;
                    const double push = ripple.amount * std::sin(std::numbers::pi * u) *
                                        std::pow(std::cos(std::numbers::pi * u / 2), 2) / 0.649519 *
                                        std::min(1.0, 2 * d / ripple.width);
                    dx += push * px / d;
                    dy += push * py / d;
                }
                const auto left = [](double at, double last) {
                    const double share = std::clamp(std::min(at, last - at) / 40, 0.0, 1.0);
                    return share * share * (3 - 2 * share);
                };
                dx *= left(x, width - 1);
                dy *= left(y, height - 1);
                farthest = std::max(farthest, std::hypot(dx, dy));
                QVERIFY(x - dx >= 0 && x - dx <= width - 1 && y - dy >= 0 && y - dy <= height - 1);
                const double wanted = test::placeIn(from, {}, x - dx, y - dy)[1];
                QVERIFY2(
                    std::abs(seen.at(x, y)[1] - wanted) < 1e-3,
                    qPrintable(QStringLiteral("%1, %2: %3 for %4").arg(x).arg(y).arg(seen.at(x, y)[1]).arg(wanted)));
                if (dx == 0 && dy == 0) {
                    ++untouched;
                    QCOMPARE(seen.at(x, y)[1], from.at(x, y)[1]);
                }
            }
        QVERIFY(farthest > 13.5 && farthest <= 20);
        QVERIFY(untouched > width * height / 4);
    }
    void grainIsNoiseOfItsAmount()
    {
        const Image grey = floats([](int, int, int) { return 0.5F; });
        for (const double size : {1.0, 1.5, 2.7, 6.0}) {
            LightNow light;
            light.grain = {0.2, size, false, 77};
            const ImagePtr out = rendered(grey.copy(), light);
            const Moments seen = momentsOf(*out, 0);
            QVERIFY2(std::abs(seen.mean / 0.5 - 1) < 0.004 * size, qPrintable(QString::number(seen.mean)));
            QVERIFY2(std::abs(seen.deviation / 0.1 - 1) < 0.02 * size, qPrintable(QString::number(seen.deviation)));
            for (int x = 0; x < width; ++x) // grey stays grey
                QCOMPARE(out->floatAt(x, 70)[0], out->floatAt(x, 70)[2]);
            QVERIFY(same(*rendered(grey.copy(), light), *out));
            light.grain.seed = 78;
            QVERIFY(!same(*rendered(grey.copy(), light), *out));
            light.grain.colour = true;
            const ImagePtr colours = rendered(grey.copy(), light);
            double product = 0;
            for (int y = 0; y < height; ++y)
                for (int x = 0; x < width; ++x)
                    product += (static_cast<double>(colours->floatAt(x, y)[0]) - 0.5) *
                               (static_cast<double>(colours->floatAt(x, y)[2]) - 0.5);
            QVERIFY(std::abs(product / (width * height)) < 0.01 * 0.05 * size * size);
        }
        // A grain is as wide as it says: half a grain apart pixels are alike, two grains apart they are not.
        LightNow light;
        light.grain = {0.2, 6, false, 5};
        const ImagePtr coarse = rendered(grey.copy(), light);
        const auto alike = [&](int apart) {
            double sum = 0;
            for (int y = 0; y < height; ++y)
                for (int x = 0; x + apart < width; ++x)
                    sum += (static_cast<double>(coarse->floatAt(x, y)[0]) - 0.5) *
                           (static_cast<double>(coarse->floatAt(x + apart, y)[0]) - 0.5) / 0.01;
            return sum / (height * (width - apart));
        };
        QVERIFY2(alike(1) > 0.8, qPrintable(QString::number(alike(1))));
        QVERIFY2(std::abs(alike(13)) < 0.1, qPrintable(QString::number(alike(13))));
        // Black stays black, and at half the size fine grain is half as strong, as it would be after shrinking.
        const ImagePtr black = rendered(floats([](int, int, int) { return 0.0F; }), light);
        QCOMPARE(momentsOf(*black, 1).deviation, 0.0);
        light.grain = {0.2, 1, false, 5};
        FrameLook look = lookWith(light, Depth::single);
        look.projectWidth *= 2;
        look.projectHeight *= 2;
        const ImagePtr view = renderFrame(std::make_shared<const Image>(grey.copy()), look, width, height);
        QVERIFY(std::abs(momentsOf(*view, 0).deviation / 0.05 - 1) < 0.02);
    }
    void threadsAgree()
    {
        LightNow light;
        light.exposure = 0.7;
        light.defocus = 12;
        light.ripples = {{9, 0.3, 0.5, 60, 30}};
        light.grain = {0.3, 2.5, true, 9};
        light.impact = {0.6, ImpactFrame::Look::twoTone, 0.3, 0.2, {10, 20, 30}, {250, 240, 90}};
        light.streakX = 20;
        const Image source = sparks();
        const ImagePtr all = rendered(source.copy(), light);
        for (const int threads : {1, 2, 7}) {
            oneapi::tbb::task_arena arena(threads);
            arena.execute([&] { QVERIFY(same(*rendered(source.copy(), light), *all)); });
        }
    }
};

EMBER_TEST(ImpactEffectsTest)
#include "tst_impact_effects.moc"
