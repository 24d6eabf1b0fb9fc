// SPDX-License-Identifier: GPL-3.0-or-later
#include <cmath>
#include <set>

#include <QTest>

#include "ember/core/source.h"
#include "pictures.h"
#include "runner.h"

using namespace ember;

namespace {

SourceMoment moment(double sinceStrike, double peak, double cycles)
{
    return {sinceStrike, peak, sinceStrike - peak, cycles};
}

/// Where a source is `sincePeak` frames after a peak that is `attack` frames after the onset.
SourceMoment run(const Rate& rate, double attack, double sincePeak)
{
    return {sincePeak + attack, attack, paceSincePeak(rate, sincePeak), cyclesSincePeak(rate, sincePeak, 24)};
}

Source randomSource(int kind, test::Random& random)
{
    switch (kind) {
    case 0: return Kick{random.between(0.02, 0.98)};
    case 1: return Noise{random.whole(1, 8), random.between(0, 1), random.between(1.2, 4), 3.0 * random.whole(0, 5)};
    case 2: return Jitter{static_cast<double>(random.whole(1, 6))};
    case 3: {
        Oscillation swing;
        swing.wave = static_cast<Wave>(random.whole(0, 2));
        swing.start = static_cast<PhaseStart>(random.whole(0, 1));
        for (std::size_t axis = 0; axis < axisCount; ++axis) {
            swing.ratio[axis] = random.between(0.05, 16);
            swing.phase[axis] = random.between(-180, 180);
            swing.back[axis] = random.between(0, 1);
        }
        return swing;
    }
    default: {
        Drawn drawn;
        for (auto& keys : drawn.keys) {
            for (int i = random.whole(0, 6); i > 0; --i)
                keys.push_back(
                    {random.between(-5, 40), random.between(-1.5, 1.5), static_cast<Ease>(random.whole(0, 4))});
            keys = tidied(std::move(keys), false);
        }
        return drawn;
    }
    }
}

} // namespace

class SourceTest : public QObject {
    Q_OBJECT
private slots:
    void noiseIsLockedToItsPeak()
    {
        for (std::uint64_t seed = 0; seed < static_cast<std::uint64_t>(test::rounds(1000)); ++seed) {
            const Noise noise{1 + static_cast<int>(seed % 8), 0.1 + 0.1 * static_cast<double>(seed % 9),
                              1.2 + 0.3 * static_cast<double>(seed % 9)};
            QCOMPARE(sourceValue(noise, moment(1, 1, 0), Axis::x, mixSeed(seed, 1)), 1.0);
        }
    }
    void noiseNeverExceedsOne()
    {
        test::Random random(3);
        for (int i = 0; i < 200000; ++i) {
            const Noise noise{random.whole(1, 8), random.between(0, 1), random.between(1.2, 4)};
            const double value = sourceValue(noise, moment(5, 1, random.between(-20, 400)), Axis::x, random.bits());
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
            const double value = sourceValue(noise, moment(2, 1, 3.0 + 0.05 * i), Axis::x,
                                             mixSeed(7, static_cast<std::uint64_t>(octaves)));
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
                const double x = sourceValue(noise, moment(2, 1, 2 + 0.13 * i), Axis::x, a);
                const double y = sourceValue(noise, moment(2, 1, 2 + 0.13 * i), Axis::x, b);
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
        double before = sourceValue(Noise{1, 0, 2}, moment(2, 1, 1), Axis::x, 5);
        for (double c = 1; c < cycles; c += 0.01) {
            const double now = sourceValue(Noise{1, 0, 2}, moment(2, 1, c), Axis::x, 5);
            crossings += (now > 0) != (before > 0) ? 1 : 0;
            before = now;
        }
        QVERIFY2(std::abs(crossings / 2.0 / cycles - 1) < 0.03, qPrintable(QString::number(crossings / 2.0 / cycles)));
    }
    void kickIsADampedSpring()
    {
        for (const double damping : {0.05, 0.2, 0.5, 0.9}) {
            const Kick kick{damping};
            QCOMPARE(sourceValue(kick, moment(3, 3, 0), Axis::x, 0), 1.0);
            QCOMPARE(sourceValue(kick, moment(0, 3, -1), Axis::x, 0), 0.0);
            for (double c = 0; c < 12; c += 0.01)
                QVERIFY(std::abs(sourceValue(kick, moment(4, 3, c), Axis::x, 0)) <= 1.0);
            // Each full swing later it is e^(-2πζ/√(1-ζ²)) of what it was: the logarithmic decrement.
            const double once = sourceValue(kick, moment(4, 3, 1), Axis::x, 0);
            QVERIFY(std::abs(once - std::exp(-2 * M_PI * damping / std::sqrt(1 - damping * damping))) < 1e-12);
        }
    }
    void kickReboundsPastRest()
    {
        double lowest = 1;
        for (double c = 0; c < 1; c += 0.01)
            lowest = std::min(lowest, sourceValue(Kick{0.25}, moment(4, 3, c), Axis::x, 0));
        QVERIFY(lowest < -0.3 && lowest > -0.6);
    }
    void kickRisesSteadily()
    {
        for (const double damping : {0.05, 0.4, 0.95}) {
            double before = 0;
            for (double t = 0; t <= 3; t += 0.01) {
                const double now = sourceValue(Kick{damping}, moment(t, 3, -1), Axis::x, 0);
                QVERIFY(now >= before - 1e-12 && now <= 1);
                before = now;
            }
        }
    }
    void leadGoesTheOtherWay() { QCOMPARE(sourceValue(Kick{0.3}, moment(-2, 1, -1), Axis::x, 0), -1.0); }
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
    void everySourceIsLockedToItsPeak_data()
    {
        QTest::addColumn<int>("kind");
        for (int kind = 0; kind < 5; ++kind)
            QTest::addRow("%s", std::string(sourceWords[static_cast<std::size_t>(kind)]).c_str()) << kind;
    }
    void everySourceIsLockedToItsPeak()
    {
        QFETCH(int, kind);
        test::Random random(17);
        for (std::uint64_t seed = 0; seed < static_cast<std::uint64_t>(test::rounds(1000)); ++seed) {
            const Source source = randomSource(kind, random);
            const Rate rate{random.between(1, 30), random.between(1, 10), random.between(1, 40)};
            for (const Axis axis : allAxes) {
                const auto mixed = mixSeed(seed, 3, static_cast<std::uint64_t>(axis));
                QCOMPARE(sourceValue(source, run(rate, 2, 0), axis, mixed), 1.0);
                for (double t = -2; t < 60; t += 0.7)
                    QVERIFY(std::abs(sourceValue(source, run(rate, 2, t), axis, mixed)) <= 1.0);
                QCOMPARE(sourceValue(source, run(rate, 2, -2.5), axis, mixed), -1.0); // the lead
            }
        }
    }
    void oscillationIsAlive()
    {
        for (const Wave wave : {Wave::sine, Wave::triangle, Wave::square}) {
            Oscillation swing;
            swing.wave = wave;
            double squares = 0;
            double sum = 0;
            constexpr int count = 40000;
            for (int i = 0; i < count; ++i) {
                const double value = sourceValue(swing, moment(2, 1, 2 + 0.0137 * i), Axis::roll, 5);
                squares += value * value;
                sum += value;
            }
            QVERIFY(std::sqrt(squares / count) >= 0.3);
            QVERIFY(std::abs(sum / count) < 0.01);
        }
    }
    void oscillationKeepsItsFrequencyAndPhase()
    {
        Oscillation swing;
        swing.start = PhaseStart::fixed;
        swing.ratio[0] = 2;
        swing.phase[1] = 90;
        for (double c = 1; c < 6; c += 0.05) { // past the first swing, in which phases part
            QVERIFY(std::abs(sourceValue(swing, moment(3, 1, c), Axis::x, 1) - std::cos(4 * M_PI * c)) < 1e-9);
            QVERIFY(std::abs(sourceValue(swing, moment(3, 1, c), Axis::y, 1) + std::sin(2 * M_PI * c)) < 1e-9);
        }
        // No step larger than the fastest phase (7/4 of the rate) allows, also while the phases part.
        swing.start = PhaseStart::seeded;
        for (std::uint64_t seed = 0; seed < 200; ++seed) {
            double before = sourceValue(swing, moment(3, 1, 0), Axis::y, seed);
            for (double c = 0.002; c < 3; c += 0.002) {
                const double now = sourceValue(swing, moment(3, 1, c), Axis::y, seed);
                QVERIFY(std::abs(now - before) <= 2 * M_PI * 1.76 * 0.002);
                before = now;
            }
        }
    }
    void seedsStartOscillationsDifferently()
    {
        Oscillation swing;
        int different = 0;
        for (std::uint64_t seed = 0; seed < 100; ++seed) {
            const double a = sourceValue(swing, moment(3, 1, 2.2), Axis::x, mixSeed(seed, 1));
            const double b = sourceValue(swing, moment(3, 1, 2.2), Axis::x, mixSeed(seed + 1, 1));
            different += std::abs(a - b) > 0.02 ? 1 : 0;
        }
        QVERIFY(different > 90);
        swing.start = PhaseStart::fixed;
        QCOMPARE(sourceValue(swing, moment(3, 1, 2.2), Axis::x, 1), sourceValue(swing, moment(3, 1, 2.2), Axis::x, 2));
    }
    void swingsBackLessFar()
    {
        Oscillation swing;
        swing.start = PhaseStart::fixed;
        swing.back[static_cast<std::size_t>(Axis::roll)] = 0.625; // -8 and +5
        double low = 0;
        double high = 0;
        for (double c = 0; c < 4; c += 0.01) {
            const double value = -8 * sourceValue(swing, moment(3, 1, c), Axis::roll, 1);
            low = std::min(low, value);
            high = std::max(high, value);
        }
        QCOMPARE(low, -8.0);
        QVERIFY(std::abs(high - 5) < 0.01);
    }
    void loopHasNoSeam()
    {
        test::Random random(21);
        for (int i = 0; i < 60; ++i) {
            const Noise noise{random.whole(1, 8), random.between(0.2, 0.9), random.between(1.2, 4),
                              static_cast<double>(random.whole(3, 40))};
            const auto seed = random.bits();
            for (double c = 0; c < noise.loop; c += 0.37)
                QVERIFY(std::abs(sourceValue(noise, moment(3, 1, c), Axis::x, seed) -
                                 sourceValue(noise, moment(3, 1, c + noise.loop), Axis::x, seed)) < 1e-9);
            // And no step where it closes.
            const double before = sourceValue(noise, moment(3, 1, noise.loop - 1e-6), Axis::x, seed);
            QVERIFY(std::abs(before - sourceValue(noise, moment(3, 1, noise.loop), Axis::x, seed)) < 1e-2);
        }
    }
    void jitterHoldsItsFrames()
    {
        for (const int every : {1, 2, 5}) {
            const Jitter jitter{static_cast<double>(every)};
            std::set<double> values;
            for (int frame = 0; frame < 200 * every; ++frame) {
                const double now = sourceValue(jitter, run({10, 10, 1}, 0, frame), Axis::x, 9);
                QCOMPARE(now, sourceValue(jitter, run({10, 10, 1}, 0, frame - frame % every), Axis::x, 9));
                values.insert(now);
            }
            QCOMPARE(values.size(), std::size_t{200});
        }
        // It slows down with its rate: after the fall each value stays twice as long.
        const Rate slowing{10, 5, 4};
        int changes = 0;
        double before = 2;
        for (int frame = 100; frame < 300; ++frame) {
            const double now = sourceValue(Jitter{1}, run(slowing, 0, frame), Axis::x, 9);
            changes += now != before ? 1 : 0;
            before = now;
        }
        QVERIFY(std::abs(changes - 100) <= 2);
    }
    void drawnGoesThroughItsKeys()
    {
        Drawn drawn;
        drawn.keys[1] = tidied({{6, -0.5, Ease::linear}, {-3, 0, Ease::hold}, {12, 0, Ease::smooth}}, false);
        QCOMPARE(drawn.keys[1].size(), std::size_t{4}); // with the peak's
        const auto at = [&](double frame) { return sourceValue(drawn, run({9, 9, 1}, 5, frame), Axis::y, 1); };
        QCOMPARE(at(-4), 0.0);
        QCOMPARE(at(-0.01), 0.0); // held
        QCOMPARE(at(0), 1.0);
        QCOMPARE(at(3), 0.25); // smooth, half way from 1 to -0.5
        QCOMPARE(at(6), -0.5);
        QCOMPARE(at(9), -0.25);
        QCOMPARE(at(400), 0.0);
        QCOMPARE(sourceValue(drawn, run({9, 9, 1}, 5, 7), Axis::x, 1), 1.0); // nothing drawn: the envelope alone
    }
    void easingEndsWhereItShould()
    {
        for (const Ease ease : {Ease::linear, Ease::smooth, Ease::in, Ease::out}) {
            QCOMPARE(eased(ease, 0), 0.0);
            QCOMPARE(eased(ease, 1), 1.0);
        }
        QVERIFY(eased(Ease::in, 0.5) < 0.5 && eased(Ease::out, 0.5) > 0.5);
        QCOMPARE(eased(Ease::hold, 0.99), 0.0);
    }
    void keysAreTidied()
    {
        const auto keys = tidied({{4, 9, Ease::linear}, {4, 0.5, Ease::in}, {0, 0.2, Ease::out}}, false);
        QCOMPARE(keys.size(), std::size_t{2});
        QCOMPARE(keys[0].value, 1.0); // the peak is the peak
        QCOMPARE(keys[0].ease, Ease::out);
        QCOMPARE(keys[1].value, 0.5);
        QVERIFY(tidied({}, false).empty());
    }
    void burstsMoveAndPause()
    {
        const Intermittent set{IntermittentMode::set, 6, 4, 0.6};
        QCOMPARE(gateAt(set, -50, 1), 1.0);
        QCOMPARE(gateAt(set, 0, 1), 1.0);
        QCOMPARE(gateAt(set, 4.9, 1), 1.0);
        for (double t = 6; t <= 10; t += 0.5)
            QCOMPARE(gateAt(set, t, 1), 0.0);
        QCOMPARE(gateAt(set, 12, 1), 1.0);
        QCOMPARE(gateAt(set, 15, 2), gateAt(set, 25, 3)); // as long each time, whatever the seed
        const Intermittent seeded{IntermittentMode::seeded, 6, 4, 0.8};
        std::set<int> lengths;
        for (int round = 0; round < 60; ++round) {
            int open = 0;
            for (int i = 0; i < 100; ++i)
                open += gateAt(seeded, 10 * round + 0.1 * i, 7) > 0.5 ? 1 : 0;
            QVERIFY(open > 15 && open < 98); // always moves, always pauses
            lengths.insert(open / 5);
        }
        QVERIFY(lengths.size() > 6);
        double before = 1;
        for (double t = 0; t < 200; t += 0.01) {
            const double now = gateAt(seeded, t, 7);
            QVERIFY(std::abs(now - before) < 0.02); // opens and closes softly
            before = now;
        }
    }
    void reboundsAndDampingAreOneNumber()
    {
        for (double damping = 0.02; damping < 0.98; damping += 0.04)
            QVERIFY(std::abs(dampingFor(reboundsOf(damping)) - damping) < 1e-12);
        // After so many half swings the top of the swing has fallen to 5 %.
        const double damping = dampingFor(4);
        QVERIFY(std::abs(sourceValue(Kick{damping}, moment(4, 3, 2.0), Axis::x, 0) - 0.05) < 1e-12);
    }
    void driftHasNoBiasAndNoPeak()
    {
        const Noise noise{3, 0.45, 2.0, 0};
        double sum = 0;
        double first = 0;
        for (std::uint64_t seed = 0; seed < 400; ++seed) {
            first += std::abs(driftValue(noise, 0, seed));
            for (int i = 0; i < 100; ++i)
                sum += driftValue(noise, 0.3 * i, seed);
        }
        QVERIFY(std::abs(sum / 40000) < 0.03);
        QVERIFY(first / 400 < 0.6);
    }
};

EMBER_TEST(SourceTest)
#include "tst_source.moc"
