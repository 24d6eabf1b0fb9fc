// SPDX-License-Identifier: GPL-3.0-or-later
#include <cmath>

#include <QtTest>

#include "ember/image/convert.h"
#include "pictures.h"
#include "runner.h"

using namespace ember;

namespace {

constexpr std::array all{Transfer::srgb, Transfer::linear, Transfer::pq, Transfer::hlg};

bool near(double a, double b, double within)
{
    return std::abs(a - b) <= within;
}

} // namespace

class ColourSpaceTest : public QObject {
    Q_OBJECT

private slots:
    void curvesHaveTheStandardsValues_data()
    {
        QTest::addColumn<int>("transfer");
        QTest::addColumn<double>("code");
        QTest::addColumn<double>("light");
        QTest::addColumn<double>("within");
        const auto row = [](const char* name, Transfer transfer, double code, double light, double within) {
            QTest::newRow(name) << static_cast<int>(transfer) << code << light << within;
        };
        row("srgb 0", Transfer::srgb, 0, 0, 0);
        row("srgb half", Transfer::srgb, 0.5, 0.214041140, 1e-8);
        row("srgb 1", Transfer::srgb, 1, 1, 1e-12);
        // ITU-R BT.2408-7, table 1: 203 cd/m2 is a signal of 58 % in PQ and of 75 % in HLG.
        row("pq 0", Transfer::pq, 0, 0, 0);
        row("pq white", Transfer::pq, 0.58069, 1, 1e-3);
        row("pq 100 cd/m2", Transfer::pq, 0.508078, 100.0 / 203, 1e-5);
        row("pq 1000 cd/m2", Transfer::pq, 0.751827, 1000.0 / 203, 1e-4);
        row("pq 10000 cd/m2", Transfer::pq, 1, 10000.0 / 203, 1e-9);
        row("hlg 0", Transfer::hlg, 0, 0, 0);
        row("hlg half", Transfer::hlg, 0.5, (1.0 / 12) / 0.26496256, 1e-6);
        row("hlg white", Transfer::hlg, 0.75, 1, 1e-12);
        row("hlg 1", Transfer::hlg, 1, 1 / 0.26496256, 1e-5);
        row("linear", Transfer::linear, -3.5, -3.5, 0);
    }
    void curvesHaveTheStandardsValues()
    {
        QFETCH(int, transfer);
        QFETCH(double, code);
        QFETCH(double, light);
        QFETCH(double, within);
        const auto curve = static_cast<Transfer>(transfer);
        QVERIFY2(near(lightOfCode(curve, code), light, within),
                 qPrintable(QString::number(lightOfCode(curve, code), 'g', 12)));
        QVERIFY(near(codeOfLight(curve, lightOfCode(curve, code)), code, 1e-6)); // PQ begins at 7e-7, not at 0
    }
    void everyCodeComesBack()
    {
        for (const Transfer transfer : all) {
            const TransferCurve& curve = TransferCurve::of(transfer);
            for (int code = 0; code < 65536; ++code) {
                const auto back = curve.code(curve.light(static_cast<std::uint16_t>(code))) * 65535.0F + 0.5F;
                QCOMPARE(static_cast<int>(back), code);
            }
        }
    }
    void tablesAreTheFormula()
    {
        for (const Transfer transfer : all) {
            const TransferCurve& curve = TransferCurve::of(transfer);
            for (double light = 1e-9; light < 100; light *= 1.0007) {
                const auto single = static_cast<float>(light);
                const double code = std::clamp(codeOfLight(transfer, single), 0.0, 1.0);
                QVERIFY2(near(curve.code(single), code, 1e-6),
                         qPrintable(QStringLiteral("%1: %2").arg(static_cast<int>(transfer)).arg(light)));
            }
            for (const float odd : {-1.0F, 0.0F, std::nanf(""), -std::numeric_limits<float>::infinity()})
                QCOMPARE(curve.code(odd), 0.0F);
            for (const float odd : {1e9F, std::numeric_limits<float>::infinity()})
                QCOMPARE(curve.code(odd), 1.0F);
        }
    }
    void primariesAreConverted()
    {
        const auto isNear = [](const ColourMatrix& m, const ColourMatrix& known, double within) {
            for (std::size_t i = 0; i < 9; ++i)
                if (!near(m[i], known[i], within))
                    return false;
            return true;
        };
        // ITU-R BT.2087-0, 2.2, step 3.
        QVERIFY(isNear(conversionOf(Primaries::bt709, Primaries::bt2020),
                       {0.6274, 0.3293, 0.0433, 0.0691, 0.9195, 0.0114, 0.0164, 0.0880, 0.8956}, 6e-5));
        // ACEScg to the primaries of BT.709, Bradford, as the ACES reference tables have it.
        QVERIFY(isNear(conversionOf(Primaries::ap1, Primaries::bt709),
                       {1.70505, -0.62179, -0.08326, -0.13026, 1.14080, -0.01055, -0.02400, -0.12897, 1.15297}, 2e-4));
        for (const Primaries a : {Primaries::bt709, Primaries::bt2020, Primaries::displayP3, Primaries::ap1})
            for (const Primaries b : {Primaries::bt709, Primaries::bt2020, Primaries::displayP3, Primaries::ap1}) {
                const ColourMatrix there = conversionOf(a, b);
                const ColourMatrix back = conversionOf(b, a);
                for (std::size_t row = 0; row < 3; ++row) {
                    // White stays white, and there and back is nothing.
                    QVERIFY(near(there[3 * row] + there[3 * row + 1] + there[3 * row + 2], 1, 1e-9));
                    for (std::size_t column = 0; column < 3; ++column) {
                        double sum = 0;
                        for (std::size_t i = 0; i < 3; ++i)
                            sum += there[3 * row + i] * back[3 * i + column];
                        QVERIFY(near(sum, row == column ? 1 : 0, 1e-9));
                    }
                }
            }
    }
    void picturesOfOtherPrimariesAreConverted()
    {
        test::Random random(7);
        auto picture = std::make_shared<Image>(31, 5, Depth::single, ColourSpace{Primaries::ap1, Transfer::linear});
        for (int y = 0; y < 5; ++y)
            for (int x = 0; x < 31; ++x)
                for (int k = 0; k < 4; ++k)
                    picture->floatAt(x, y)[k] = static_cast<float>(random.whole(-100, 900)) / 100.0F;
        const ImagePtr out = inPrimaries(picture, Primaries::bt709);
        QVERIFY(out->colour() == (ColourSpace{Primaries::bt709, Transfer::linear}));
        const ColourMatrix m = conversionOf(Primaries::ap1, Primaries::bt709);
        for (int x = 0; x < 31; ++x) {
            const float* from = picture->floatAt(x, 2);
            for (int k = 0; k < 3; ++k) {
                const std::size_t row = 3 * static_cast<std::size_t>(k);
                const double wanted = m[row] * static_cast<double>(from[0]) +
                                      m[row + 1] * static_cast<double>(from[1]) +
                                      m[row + 2] * static_cast<double>(from[2]);
                QVERIFY(near(out->floatAt(x, 2)[k], wanted, 1e-4));
            }
            QCOMPARE(out->floatAt(x, 2)[3], from[3]);
        }
        QCOMPARE(inPrimaries(out, Primaries::bt709).get(), out.get());
    }
    void highlightsAreBroughtDown()
    {
        for (const double peak : {203.0, 600.0, 1000.0, 4000.0, 10000.0}) {
            const ScreenPictures screen({Primaries::bt2020, Transfer::pq}, peak);
            double before = 0;
            for (double light = 0.001; light < 50; light *= 1.01) {
                const double shown = screen.mapped(light);
                QVERIFY(shown >= before - 1e-9 && shown <= 1 + 1e-9);
                QVERIFY(shown <= light + 1e-9);
                before = shown;
            }
            QVERIFY(near(screen.mapped(peak / 203), 1, 1e-6)); // the brightest is white
            QVERIFY(near(screen.mapped(0.02), 0.02, 1e-9));    // and the dark is as it was
        }
        // A neutral stays neutral; white of sRGB is white of the picture.
        Image grey(3, 1, Depth::sixteen, {Primaries::bt2020, Transfer::pq});
        grey.setOpaque(true);
        for (int x = 0; x < 3; ++x)
            for (int k = 0; k < 4; ++k)
                grey.deepAt(x, 0)[k] = k == 3 ? 65535 : static_cast<std::uint16_t>(x * 24000);
        const Image shown = ScreenPictures(grey.colour(), 1000).of(grey);
        for (int x = 0; x < 3; ++x) {
            QVERIFY(std::abs(shown.at(x, 0)[0] - shown.at(x, 0)[1]) <= 1 &&
                    std::abs(shown.at(x, 0)[1] - shown.at(x, 0)[2]) <= 1);
            QCOMPARE(shown.at(x, 0)[3], std::uint8_t{255});
        }
        QVERIFY(shown.at(0, 0)[0] == 0 && shown.at(1, 0)[0] > 40 && shown.at(2, 0)[0] > 240);
    }
    void hlgIsShownAsOnItsDisplay()
    {
        // ITU-R BT.2100-2, table 5, for a display of 1,000 cd/m2: a grey of the signal E' is 1000 E^1.2.
        for (const double code : {0.2, 0.5, 0.6}) {
            Image grey(1, 1, Depth::sixteen, {Primaries::bt2020, Transfer::hlg});
            grey.setOpaque(true);
            for (int k = 0; k < 4; ++k)
                grey.deepAt(0, 0)[k] = static_cast<std::uint16_t>(std::lround((k == 3 ? 1 : code) * 65535));
            const double scene = lightOfCode(Transfer::hlg, code) / lightOfCode(Transfer::hlg, 1);
            const ScreenPictures screen(grey.colour(), 1000);
            const double light = screen.mapped(1000 * std::pow(scene, 1.2) / 203);
            const double wanted = 255 * codeOfLight(Transfer::srgb, light);
            QVERIFY2(near(screen.of(grey).at(0, 0)[1], wanted, 1), qPrintable(QString::number(wanted)));
        }
    }
};

EMBER_TEST(ColourSpaceTest)
#include "tst_colour_space.moc"
