// SPDX-License-Identifier: GPL-3.0-or-later
// The vector code for deep pictures, with every instruction set, against plain arithmetic: all widths, odd values.
#include <cmath>
#include <limits>
#include <vector>

#include <QTest>

#include "ember/image/colour_space.h"
#include "ember/render/warp.h"
#include "kernels.h"
#include "pictures.h"
#include "runner.h"

using namespace ember;

namespace {

constexpr std::uint16_t untouched = 12345;

std::vector<float> oddLights(std::size_t count, std::uint64_t seed)
{
    constexpr float infinite = std::numeric_limits<float>::infinity();
    test::Random random(seed);
    std::vector<float> lights;
    for (std::size_t i = 0; i < count; ++i)
        switch (random.whole(0, 9)) {
        case 0: lights.push_back(std::nanf("")); break;
        case 1: lights.push_back(infinite); break;
        case 2: lights.push_back(-infinite); break;
        case 3: lights.push_back(static_cast<float>(random.between(-2, 0))); break;
        case 4: lights.push_back(static_cast<float>(std::exp(random.between(-60, 20)))); break;
        default: lights.push_back(static_cast<float>(random.between(0, 1.2)));
        }
    return lights;
}

} // namespace

class LightKernelsTest : public QObject {
    Q_OBJECT

private slots:
    void everyInstructionSet_data()
    {
        QTest::addColumn<QString>("name");
        for (const std::string& name : instructionSets())
            QTest::addRow("%s", name.c_str()) << QString::fromStdString(name);
    }
    void everyInstructionSet()
    {
        QFETCH(QString, name);
        QVERIFY(useInstructionSet(name.toStdString()));
        for (std::size_t pixels = 1; pixels < 128; ++pixels) {
            const std::size_t channels = 4 * pixels;
            test::Random random(pixels);
            std::vector<std::uint16_t> codes;
            for (std::size_t i = 0; i < channels; ++i)
                codes.push_back(static_cast<std::uint16_t>(random.whole(0, 65535)));
            std::vector<float> floats(channels + 1, 7);
            std::vector<std::uint16_t> back(channels + 1, untouched);
            runFloatsOfShorts(codes.data(), floats.data(), channels, 1 / 257.0F);
            runShortsOfFloats(floats.data(), back.data(), channels, 257);
            for (std::size_t i = 0; i < channels; ++i) {
                QVERIFY(std::abs(floats[i] - static_cast<float>(codes[i]) / 257.0F) < 1e-4F);
                QCOMPARE(back[i], codes[i]);
            }
            QVERIFY(floats[channels] == 7 && back[channels] == untouched);
            for (const Transfer transfer : {Transfer::srgb, Transfer::pq, Transfer::hlg, Transfer::linear}) {
                const TransferCurve& curve = TransferCurve::of(transfer);
                runLightOfShorts(codes.data(), floats.data(), channels, curve.lights());
                runShortsOfLight(floats.data(), back.data(), channels, curve.codes());
                for (std::size_t i = 0; i < channels; ++i) {
                    const bool alpha = i % 4 == 3;
                    const float wanted = alpha ? static_cast<float>(codes[i]) / 65535.0F : curve.light(codes[i]);
                    QVERIFY(std::abs(floats[i] - wanted) <= 1e-6F * (1 + wanted));
                    QCOMPARE(back[i], alpha ? std::uint16_t{65535} : codes[i]);
                }
                const auto odd = oddLights(channels, pixels);
                runShortsOfLight(odd.data(), back.data(), channels, curve.codes());
                for (std::size_t i = 0; i < channels; ++i)
                    if (i % 4 != 3)
                        QVERIFY2(std::abs(back[i] - 65535 * static_cast<double>(curve.code(odd[i]))) <= 0.51,
                                 qPrintable(QStringLiteral("%1: %2").arg(static_cast<double>(odd[i])).arg(back[i])));
                QVERIFY(floats[channels] == 7 && back[channels] == untouched);
            }
        }
    }
    void cleanup() { useInstructionSet(std::string()); }
};

EMBER_TEST(LightKernelsTest)
#include "tst_light_kernels.moc"
