// SPDX-License-Identifier: GPL-3.0-or-later
#include <cmath>

#include <QTest>

#include "ember/core/source.h"
#include "pictures.h"
#include "runner.h"

using namespace ember;

namespace {

SourceMoment moment(double sinceStrike, double peak, double cycles)
{
    return {sinceStrike, peak, 0, cycles};
}

} // namespace

class SourceTest : public QObject {
    Q_OBJECT
private slots:
    void noiseIsLockedToItsPeak()
    {
        for (std::uint64_t seed = 0; seed < 1000; ++seed) {
            const Noise noise{1 + static_cast<int>(seed % 8), 0.1 + 0.1 * static_cast<double>(seed % 9),
                              1.2 + 0.3 * static_cast<double>(seed % 9)};
            QCOMPARE(sourceValue(noise, moment(1, 1, 0), mixSeed(seed, 1)), 1.0);
        }
    }
    void noiseNeverExceedsOne()
    {
        test::Random random(3);
        for (int i = 0; i < 200000; ++i) {
            const Noise noise{random.whole(1, 8), random.between(0, 1), random.between(1.2, 4)};
            const double value = sourceValue(noise, moment(5, 1, random.between(-20, 400)), random.bits());
            QVERIFY(std::abs(value) <= 1.0);
        }
    }
    void noiseIsAliveAndHasNoBias_data()
    {
        QTest::addColumn<int>("octaves");
        QTest::addColumn<double>("gain");
        for (const int octaves : {1, 2, 3, 5, 8})
            for (const double gain : {0.3, 0.5, 0.8})
                QTest::addRow("%d octaves, gain %g", octaves, gain) << octaves << gain;
    }
    void noiseIsAliveAndHasNoBias()
    {
        QFETCH(int, octaves);
        QFETCH(double, gain);
        const Noise noise{octaves, gain, 2.0};
        double sum = 0;
        double squares = 0;
        constexpr int count = 60000;
        for (int i = 0; i < count; ++i) {
            const double value =
                sourceValue(noise, moment(2, 1, 3.0 + 0.05 * i), mixSeed(7, static_cast<std::uint64_t>(octaves)));
            sum += value;
            squares += value * value;
        }
        QVERIFY2(std::sqrt(squares / count) >= 0.3, qPrintable(QString::number(std::sqrt(squares / count))));
        QVERIFY2(std::abs(sum / count) < 0.03, qPrintable(QString::number(sum / count)));
    }
    void axesAreIndependent()
    {
        const Noise noise{2, 0.5, 2};
        for (int pair = 0; pair < 15; ++pair) {
            const auto a = mixSeed(99, 1, static_cast<std::uint64_t>(pair));
            const auto b = mixSeed(99, 1, static_cast<std::uint64_t>(pair) + 1);
            double ab = 0;
            double aa = 0;
            double bb = 0;
            for (int i = 0; i < 20000; ++i) {
                const double x = sourceValue(noise, moment(2, 1, 2 + 0.13 * i), a);
                const double y = sourceValue(noise, moment(2, 1, 2 + 0.13 * i), b);
                ab += x * y, aa += x * x, bb += y * y;
            }
            QVERIFY2(std::abs(ab / std::sqrt(aa * bb)) < 0.1, qPrintable(QString::number(ab / std::sqrt(aa * bb))));
        }
    }
    void noiseSwingsAtItsRate()
    {
        // Two zero crossings make one swing.
        int crossings = 0;
        constexpr double cycles = 20000;
        double before = sourceValue(Noise{1, 0, 2}, moment(2, 1, 1), 5);
        for (double c = 1; c < cycles; c += 0.01) {
            const double now = sourceValue(Noise{1, 0, 2}, moment(2, 1, c), 5);
            crossings += (now > 0) != (before > 0) ? 1 : 0;
            before = now;
        }
        QVERIFY2(std::abs(crossings / 2.0 / cycles - 1) < 0.03, qPrintable(QString::number(crossings / 2.0 / cycles)));
    }
    void kickIsADampedSpring()
    {
        for (const double damping : {0.05, 0.2, 0.5, 0.9}) {
            const Kick kick{damping};
            QCOMPARE(sourceValue(kick, moment(3, 3, 0), 0), 1.0);
            QCOMPARE(sourceValue(kick, moment(0, 3, -1), 0), 0.0);
            for (double c = 0; c < 12; c += 0.01)
                QVERIFY(std::abs(sourceValue(kick, moment(4, 3, c), 0)) <= 1.0);
            // Each full swing later it is e^(-2πζ/√(1-ζ²)) of what it was: the logarithmic decrement.
            const double once = sourceValue(kick, moment(4, 3, 1), 0);
            QVERIFY(std::abs(once - std::exp(-2 * M_PI * damping / std::sqrt(1 - damping * damping))) < 1e-12);
        }
    }
    void kickReboundsPastRest()
    {
        double lowest = 1;
        for (double c = 0; c < 1; c += 0.01)
            lowest = std::min(lowest, sourceValue(Kick{0.25}, moment(4, 3, c), 0));
        QVERIFY(lowest < -0.3 && lowest > -0.6);
    }
    void kickRisesSteadily()
    {
        for (const double damping : {0.05, 0.4, 0.95}) {
            double before = 0;
            for (double t = 0; t <= 3; t += 0.01) {
                const double now = sourceValue(Kick{damping}, moment(t, 3, -1), 0);
                QVERIFY(now >= before - 1e-12 && now <= 1);
                before = now;
            }
        }
    }
    void leadGoesTheOtherWay() { QCOMPARE(sourceValue(Kick{0.3}, moment(-2, 1, -1), 0), -1.0); }
    void phaseIsTheSumOfTheRate()
    {
        test::Random random(8);
        for (int i = 0; i < 50; ++i) {
            const Rate rate{random.between(2, 30), random.between(0.5, 10), random.between(1, 60)};
            double summed = 0;
            constexpr double step = 1e-3;
            for (double t = 0; t < 80; t += step) {
                const double middle = t + step / 2;
                summed += step * (rate.restHz + (rate.peakHz - rate.restHz) * std::exp(-middle / rate.fall)) / 24;
            }
            QVERIFY(std::abs(cyclesSincePeak(rate, 80, 24) - summed) < 1e-5);
        }
    }
    void phaseNeverJumps()
    {
        const Rate rate{20, 2, 6};
        double before = cyclesSincePeak(rate, -10, 24);
        for (double t = -10; t < 100; t += 0.01) {
            const double now = cyclesSincePeak(rate, t, 24);
            QVERIFY(now >= before && now - before <= 20 * 0.0101 / 24);
            before = now;
        }
    }
    void seedsAreWellMixed()
    {
        int ones = 0;
        for (std::uint64_t i = 0; i < 4000; ++i)
            ones += __builtin_popcountll(mixSeed(i, 1) ^ mixSeed(i + 1, 1));
        QVERIFY(std::abs(ones / 4000.0 - 32) < 0.5);
    }
};

EMBER_TEST(SourceTest)
#include "tst_source.moc"
