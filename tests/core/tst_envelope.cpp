// SPDX-License-Identifier: GPL-3.0-or-later
#include <cmath>
#include <limits>

#include <QTest>

#include "ember/core/envelope.h"
#include "pictures.h"
#include "runner.h"

using namespace ember;
using F = EnvelopeField;

namespace {

Envelope shape(double attack, double hold, double decay, double curve, double rumble, double length, double release)
{
    Envelope e;
    e.set(F::attack, attack);
    e.set(F::hold, hold);
    e.set(F::decay, decay);
    e.set(F::decayCurve, curve);
    e.set(F::rumble, rumble);
    e.set(F::rumbleLength, length);
    e.set(F::release, release);
    e.set(F::releaseCurve, 0);
    return e;
}

Envelope randomEnvelope(test::Random& random)
{
    Envelope e =
        shape(random.whole(0, 4), random.whole(0, 3), random.whole(1, 40), random.between(-8, 8),
              random.whole(0, 2) == 0 ? 0 : random.between(0.02, 0.5), random.whole(0, 60), random.whole(1, 30));
    e.set(F::attackCurve, random.between(-8, 8));
    if (random.whole(0, 1) == 1)
        e.set(F::lead, random.whole(1, 8));
    return e;
}

} // namespace

class EnvelopeTest : public QObject {
    Q_OBJECT
private slots:
    void straightSlopesByTable_data()
    {
        QTest::addColumn<double>("t");
        QTest::addColumn<double>("level");
        const auto row = [](double t, double level) { QTest::addRow("t = %g", t) << t << level; };
        row(-5, 0), row(-0.001, 0), row(0, 0), row(1, 0.25), row(2, 0.5), row(4, 1), row(5, 1), row(6, 1);
        row(11, 0.6), row(16, 0.2), row(30, 0.2), row(36, 0.2), row(41, 0.1), row(46, 0), row(47, 0), row(1e9, 0);
    }
    void straightSlopesByTable()
    {
        QFETCH(double, t);
        QFETCH(double, level);
        const Envelope e = shape(4, 2, 10, 0, 0.2, 20, 10);
        QVERIFY2(std::abs(intensityAt(e, t) - level) < 1e-12, qPrintable(QString::number(intensityAt(e, t))));
    }
    void defaultsAreTheDocumentedOnes()
    {
        const Envelope e;
        for (const auto field : envelopeFields()) {
            QCOMPARE(e[field], specOf(field).fallback);
            QVERIFY(inRange(specOf(field), e[field]));
        }
        QCOMPARE(e.end(), 1.0 + 1 + 20 + 48 + 24);
    }
    void exactOutsideAndAtThePeak()
    {
        test::Random random(11);
        for (int i = 0; i < 500; ++i) {
            const Envelope e = randomEnvelope(random);
            QCOMPARE(intensityAt(e, e.start() - 1e-9), 0.0);
            QCOMPARE(intensityAt(e, e.end()), 0.0);
            QCOMPARE(intensityAt(e, e.end() + random.between(0, 100)), 0.0);
            QCOMPARE(intensityAt(e, e.peak()), 1.0);
            QCOMPARE(intensityAt(e, e.holdEnd()), 1.0);
            if (e.peak() > 0)
                QCOMPARE(intensityAt(e, 0), 0.0);
        }
    }
    void staysInsideAndHasNoJump()
    {
        test::Random random(12);
        for (int i = 0; i < 200; ++i) {
            Envelope e = randomEnvelope(random);
            e.set(F::attack, random.whole(1, 6));
            double before = intensityAt(e, e.start() - 0.01);
            for (double t = e.start(); t < e.end() + 1; t += 0.005) {
                const double now = intensityAt(e, t);
                if (now < 0 || now > 1 || std::abs(now - before) >= 0.06) // half a million times: no macro each time
                    QFAIL(qPrintable(QStringLiteral("%1 after %2 at %3").arg(now).arg(before).arg(t)));
                before = now;
            }
        }
    }
    void decayFallsAndAttackRises()
    {
        test::Random random(13);
        for (int i = 0; i < 200; ++i) {
            const Envelope e = randomEnvelope(random);
            for (double u = 0; u < 0.99; u += 0.05) {
                QVERIFY(intensityAt(e, u * e.peak()) <= intensityAt(e, (u + 0.01) * e.peak()) + 1e-12);
                const double t = e.holdEnd() + u * e[F::decay];
                QVERIFY(intensityAt(e, t) >= intensityAt(e, t + 0.01 * e[F::decay]) - 1e-12);
            }
        }
    }
    void slopeEndsAreExact()
    {
        for (double curve = -12; curve <= 12; curve += 0.25) {
            QCOMPARE(slopeFall(Slope::exponential, 0, curve, 10), 1.0);
            QCOMPARE(slopeFall(Slope::exponential, 1, curve, 10), 0.0);
            // Above straight for curves below 0, below it for those above.
            const double middle = slopeFall(Slope::exponential, 0.5, curve, 10);
            QVERIFY(curve > 1e-9 ? middle < 0.5 : curve < -1e-9 ? middle > 0.5 : middle == 0.5);
        }
        QVERIFY(std::abs(slopeFall(Slope::exponential, 0.25, 2, 10) -
                         (std::exp(-0.5) - std::exp(-2)) / (1 - std::exp(-2))) < 1e-14);
    }
    void leadSwingsAndComesBack()
    {
        Envelope e = shape(1, 0, 10, 0, 0, 0, 1);
        e.set(F::lead, 6);
        e.set(F::leadLevel, 0.3);
        QCOMPARE(intensityAt(e, -6.01), 0.0);
        QVERIFY(std::abs(intensityAt(e, -3) - 0.3) < 1e-12);
        QVERIFY(intensityAt(e, -0.001) < 1e-5);
    }
    void noRumbleEndsWithTheDecay()
    {
        const Envelope e = shape(1, 1, 8, 0, 0, 100, 50);
        QCOMPARE(e.end(), 10.0);
        QCOMPARE(e.rumbleEnd(), 10.0);
        QCOMPARE(intensityAt(e, 10), 0.0);
    }
    void absurdNumbersAreKeptInside()
    {
        const double nan = std::numeric_limits<double>::quiet_NaN();
        for (const auto field : envelopeFields()) {
            const FieldSpec& spec = specOf(field);
            Envelope e;
            e.set(field, 1e300);
            QCOMPARE(e[field], spec.max);
            e.set(field, -1e300);
            QCOMPARE(e[field], spec.min);
            e.set(field, nan);
            QCOMPARE(e[field], spec.fallback);
        }
        QVERIFY(!inRange(specOf(F::attack), nan));
    }
    void everySlopeIsExactAtItsEndsAndSteady()
    {
        for (const Slope slope : {Slope::exponential, Slope::power, Slope::curvature, Slope::linear})
            for (double curve = -12; curve <= 12; curve += 1.5) {
                QCOMPARE(slopeFall(slope, 0, curve, 10), 1.0);
                QCOMPARE(slopeFall(slope, 1, curve, 10), 0.0);
                for (double u = 0; u < 0.995; u += 0.01)
                    QVERIFY(slopeFall(slope, u, curve, 10) >= slopeFall(slope, u + 0.005, curve, 10));
                // Upside down with the other sign.
                for (double u = 0; u <= 1; u += 0.125)
                    QVERIFY(std::abs(slopeFall(slope, u, -curve, 10) + slopeFall(slope, 1 - u, curve, 10) - 1) < 1e-12);
            }
        QCOMPARE(slopeFall(Slope::power, 0.5, 1, 10), 0.25);     // squared
        QCOMPARE(slopeFall(Slope::power, 0.5, 2, 10), 0.125);    // cubed
        QCOMPARE(slopeFall(Slope::curvature, 0.5, 2, 10), 0.25); // 0.5 / 2
        QCOMPARE(slopeFall(Slope::linear, 0.3, 5, 10), 0.7);     // whatever the curve
    }
    void constantStaysUpToItsLastFrame()
    {
        Envelope e = shape(1, 0, 8, 4, 0, 0, 1);
        e.set(F::decaySlope, static_cast<double>(Slope::constant));
        for (double t = 1; t <= 8; t += 0.25)
            QCOMPARE(intensityAt(e, t), 1.0);
        QCOMPARE(intensityAt(e, 8.5), 0.5);
        QCOMPARE(intensityAt(e, 9), 0.0);
    }
    void anchorsPutTheirMomentOnTheStrike()
    {
        for (const double attack : {0.0, 0.5, 1.0, 3.0, 10.0}) {
            Envelope e = shape(attack, 1, 10, 2, 0, 0, 1);
            QCOMPARE(e.onset(), 0.0);
            e.set(F::anchor, static_cast<double>(Anchor::peak));
            QCOMPARE(e.peak(), 0.0);
            QCOMPARE(intensityAt(e, 0), 1.0);
            e.set(F::anchor, static_cast<double>(Anchor::firstMoved));
            QVERIFY(intensityAt(e, 0) > 0);
            QCOMPARE(intensityAt(e, -1), 0.0);
            // The shape itself is the same wherever it is anchored.
            const Envelope base = e.with(F::anchor, static_cast<double>(Anchor::contact));
            for (double t = -2; t < 15; t += 0.25)
                QVERIFY(std::abs(intensityAt(e, t + e.onset()) - intensityAt(base, t)) < 1e-12);
        }
    }
};

EMBER_TEST(EnvelopeTest)
#include "tst_envelope.moc"
