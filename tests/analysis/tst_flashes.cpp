// SPDX-License-Identifier: GPL-3.0-or-later
// Flashes just under and just over each threshold of WCAG's success criterion 2.3.1.
#include <cmath>
#include <functional>

#include <QTest>

#include "ember/analysis/flashes.h"
#include "runner.h"

using namespace ember;

namespace {

constexpr int width = 192; // twice as many pixels as places, so that areas are exact
constexpr int height = 144;

/// The code whose relative luminance, or share of a channel, is nearest to this.
std::uint8_t codeFor(double light)
{
    const double code = light <= 0.0031308 ? 12.92 * light : 1.055 * std::pow(light, 1 / 2.4) - 0.055;
    return static_cast<std::uint8_t>(std::lround(255 * code));
}

double lightOf(std::uint8_t code)
{
    const double c = code / 255.0;
    return c <= 0.04045 ? c / 12.92 : std::pow((c + 0.055) / 1.055, 2.4);
}

struct Light {
    std::uint8_t r, g, b;
};

Light grey(double light)
{
    const std::uint8_t code = codeFor(light);
    return {code, code, code};
}

/// What a film does to a part of an otherwise dark picture.
struct Flicker {
    Light one{};
    Light other{};
    double hertz = 5; ///< flashes a second: there and back
    double share = 1; ///< of a field of ten degrees, a third of the picture's width and height
    int rate = 60;
    int frames = 120;
    bool deep = false;
};

std::vector<FlashViolation> found(const Flicker& f)
{
    FlashCheck check(*FrameRate::make(f.rate, 1), 0);
    const int across = width / 3;
    const int down = static_cast<int>(std::lround(height / 3 * f.share));
    for (int i = 0; i < f.frames; ++i) {
        Image image(width, height, f.deep ? Depth::sixteen : Depth::eight);
        const bool first = std::fmod(i * f.hertz / f.rate, 1.0) < 0.5;
        for (int y = 0; y < height; ++y)
            for (int x = 0; x < width; ++x) {
                const bool inside = x >= 20 && x < 20 + across && y >= 10 && y < 10 + down;
                const Light light = inside ? (first ? f.one : f.other) : Light{};
                const std::uint8_t codes[] = {light.r, light.g, light.b, 255};
                for (int k = 0; k < 4; ++k)
                    if (f.deep)
                        image.deepAt(x, y)[k] = static_cast<std::uint16_t>(codes[k] * 257);
                    else
                        image.at(x, y)[k] = codes[k];
            }
        check.add(image);
    }
    return check.violations();
}

bool has(const std::vector<FlashViolation>& list, FlashKind kind)
{
    return std::any_of(list.begin(), list.end(), [kind](const auto& v) { return v.kind == kind; });
}

} // namespace

class FlashesTest : public QObject {
    Q_OBJECT
private slots:
    void aStrongFlickerIsFoundToTheFrame()
    {
        // Black and white five times a second, at 60 frames: a change every 6 frames, the first into frame 6. The
        // fourth flash is complete with the eighth change, on frame 48.
        for (const bool deep : {false, true}) {
            Flicker f{grey(0), grey(0.7)};
            f.deep = deep;
            const auto list = found(f);
            QCOMPARE(list.size(), std::size_t{1});
            QVERIFY(list[0].kind == FlashKind::general);
            QCOMPARE(list[0].first, std::int64_t{48});
            QCOMPARE(list[0].last, std::int64_t{119});
            QCOMPARE(list[0].flashes, 5);
            QCOMPARE(list[0].area, 1.0);
        }
    }
    void threeFlashesASecondAreAllowedAndFourAreNot()
    {
        Flicker f{grey(0), grey(0.7)};
        f.hertz = 3;
        QVERIFY(found(f).empty());
        f.hertz = 4;
        QVERIFY(has(found(f), FlashKind::general));
        // Three bursts, then rest: the fourth comes more than a second after the first.
        FlashCheck check(*FrameRate::make(24, 1), 100);
        Image dark(96, 72);
        dark.fill(0, 0, 0);
        Image bright(96, 72);
        bright.fill(200, 200, 200);
        for (int i = 0; i < 96; ++i)
            check.add(i % 8 == 4 && i % 32 != 28 ? bright : dark); // 3 of each 32 frames
        QVERIFY(check.violations().empty());
    }
    void aTenthOfTheLuminanceCounts()
    {
        for (const double low : {0.0, 0.2, 0.6}) {
            Flicker f{grey(low), {}};
            f.one = grey(low);
            const double from = lightOf(f.one.r);
            std::uint8_t over = f.one.r;
            while (lightOf(over) - from < 0.1)
                ++over;
            f.other = {over, over, over};
            QVERIFY2(has(found(f), FlashKind::general), qPrintable(QString::number(low)));
            --over;
            f.other = {over, over, over};
            QVERIFY2(found(f).empty(), qPrintable(QString::number(low)));
        }
    }
    void brightPicturesMayFlicker()
    {
        // The darker state must be below 0.8.
        std::uint8_t dark = 255;
        while (lightOf(dark) >= 0.8)
            --dark;
        Flicker f{{dark, dark, dark}, grey(1)};
        QVERIFY(lightOf(255) - lightOf(dark) > 0.1);
        QVERIFY(has(found(f), FlashKind::general));
        ++dark;
        f.one = {dark, dark, dark};
        QVERIFY(lightOf(255) - lightOf(dark) > 0.1);
        QVERIFY(found(f).empty());
    }
    void aQuarterOfTenDegreesIsAllowed()
    {
        Flicker f{grey(0), grey(0.7)};
        f.share = 0.25;
        QVERIFY(found(f).empty());
        f.share = 0.25 + 2.0 / 48; // one row of places more
        QVERIFY(has(found(f), FlashKind::general));
        // The same area apart, in no one field, is allowed.
        FlashCheck apart(*FrameRate::make(60, 1), 0);
        for (int i = 0; i < 120; ++i) {
            Image image(width, height);
            image.fill(0, 0, 0);
            if (i / 6 % 2 == 1)
                for (int y = 0; y < 12; ++y)
                    for (int x = 0; x < 64; ++x)
                        for (const int top : {0, 66, 132})
                            for (int k = 0; k < 3; ++k)
                                image.at(x, top + y)[k] = 220;
            apart.add(image);
        }
        QVERIFY(apart.violations().empty());
    }
    void saturatedRedCountsByItself()
    {
        // (R - G - B) x 320 above 20, of linear values: red of 0.0625 and more. Its luminance changes by far less than
        // a tenth.
        std::uint8_t red = 0;
        while (320 * lightOf(red) <= 20)
            ++red;
        Flicker f{{0, 0, 0}, {red, 0, 0}};
        auto list = found(f);
        QVERIFY(has(list, FlashKind::red));
        QVERIFY(!has(list, FlashKind::general));
        --red;
        f.other = {red, 0, 0};
        QVERIFY(found(f).empty());
        // A share of red just over and under 80 % of the light.
        const std::uint8_t strong = codeFor(0.3);
        const double part = lightOf(strong);
        std::uint8_t green = 0;
        while (part / (part + lightOf(green)) >= 0.8)
            ++green;
        f.other = {strong, green, 0};
        QVERIFY(!has(found(f), FlashKind::red));
        --green;
        f.other = {strong, green, 0};
        QVERIFY(has(found(f), FlashKind::red));
    }
    void oneFlashThatFadesIsNone()
    {
        FlashCheck check(*FrameRate::make(24, 1), 0);
        for (int i = 0; i < 72; ++i) {
            Image image(width, height);
            const double light = i < 10 ? 0.02 : 0.02 + 0.9 * std::exp(-(i - 10) / 4.0);
            const std::uint8_t code = codeFor(light);
            image.fill(code, code, code);
            check.add(image);
        }
        QVERIFY(check.violations().empty());
    }
    void smallPicturesAreLookedAtToo()
    {
        for (const auto& [w, h] : {std::pair(1, 1), {2, 2}, {3, 200}, {1000, 1}}) {
            FlashCheck check(*FrameRate::make(30, 1), 7);
            for (int i = 0; i < 60; ++i) {
                Image image(w, h);
                const std::uint8_t code = i / 3 % 2 == 0 ? 0 : 200;
                image.fill(code, code, code);
                check.add(image);
            }
            QVERIFY(has(check.violations(), FlashKind::general));
            QVERIFY(check.violations().front().first > 7);
        }
    }
};

EMBER_TEST(FlashesTest)
#include "tst_flashes.moc"
