// SPDX-License-Identifier: GPL-3.0-or-later
// Typed numbers, and lists of drawn keys.
#include <array>
#include <cmath>

#include <QTest>

#include "ember/core/keys.h"
#include "ember/core/typed.h"
#include "pictures.h"
#include "runner.h"

using namespace ember;

class TypedTest : public QObject {
    Q_OBJECT
    static std::optional<double> typed(const char* text, double now = 40, double plain = 1)
    {
        const TypedUnit units[] = {{"frames", 1}, {"s", 24}, {"ms", 0.024}};
        const auto change = readTyped(text, units, plain);
        return change ? std::optional(change->of(now)) : std::nullopt;
    }

private slots:
    void reads_data()
    {
        QTest::addColumn<QString>("text");
        QTest::addColumn<double>("value");
        const std::pair<const char*, double> cases[] = {
            {"12", 12},
            {" 1,5 ", 1.5},
            {"48/2", 24},
            {"2*(3+4)", 14},
            {"-7", -7},
            {"1.5s", 36},
            {"1 s + 6", 30},
            {"2*1s", 48},
            {"500 ms", 12},
            {"8 f", 8},
            {"8 Frames", 8},
            {"+10%", 44},
            {"-25 %", 30},
            {"x2", 80},
            {"x 0.25", 10},
            {"+5", 5},
            {"\xC3\x97"
             "1.5",
             60},
            {"x(1+2)", 120},
            {"10-4-3", 3},
            {"8/2/2", 2},
            {"-(2+3)*-2", 10},
            {".5", 0.5},
            {"(1s+2)/2", 13},
            {"x0", 0},
        };
        for (const auto& [text, value] : cases)
            QTest::newRow(text) << QString::fromUtf8(text) << value;
    }
    void reads()
    {
        QFETCH(QString, text);
        QFETCH(double, value);
        const auto got = typed(text.toUtf8().constData());
        QVERIFY(got);
        QVERIFY2(std::abs(*got - value) < 1e-12, qPrintable(QString::number(*got)));
    }
    void refusesWhatMakesNoSense()
    {
        for (const char* text :
             {"",   " ",   "x",  "1..2",  "3 apples", "2*", "*2", "/2",    "+=1", "-=5", "x",  "2x", "xx2", "(1",
              "1)", "1/0", "/0", "1s*1s", "4/1s",     "+",  "-=", "1e400", "nan", "inf", "+%", "--", "5 5"})
            QVERIFY2(!typed(text), text);
        QVERIFY(!typed(std::string(100000, '(').c_str()));
        QVERIFY(!typed(std::string(100000, '-').c_str()));
    }
    void plainNumbersAreInTheShownUnit()
    {
        const TypedUnit percent[] = {{"%", 0.01}};
        QCOMPARE(readTyped("48/2", percent, 0.01)->of(1), 0.24);
        QCOMPARE(readTyped("(1+2)*(3+1)", percent, 0.01)->of(1), 0.12);
        QCOMPARE(readTyped("80 %", percent, 0.01)->of(1), 0.8);
        QCOMPARE(readTyped("+10%", percent, 0.01)->of(0.5), 0.55);
        QVERIFY(readTyped("+10%", percent, 0.01)->relative());
        QVERIFY(!readTyped("80 %", percent, 0.01)->relative());
    }
};

class KeysTest : public QObject {
    Q_OBJECT
    static CurveKeys some() { return {{0, 0, Ease::in}, {2, 1, Ease::linear}, {6, -0.5, Ease::out}, {10, 0}}; }

private slots:
    void aCurveHasItsValuesAndSlopes()
    {
        const CurveKey a{2, 0.5, Ease::curve, 0, 0.25};
        const CurveKey b{6, -0.25, Ease::curve, -0.125, 0};
        QCOMPARE(valueBetween(a, b, 2), 0.5);
        QCOMPARE(valueBetween(a, b, 6), -0.25);
        const double e = 1e-6;
        QVERIFY(std::abs((valueBetween(a, b, 2 + e) - 0.5) / e - 0.25) < 1e-4);
        QVERIFY(std::abs((-0.25 - valueBetween(a, b, 6 - e)) / e + 0.125) < 1e-4);
        // Hermite by its basis polynomials, in the middle.
        QVERIFY(std::abs(valueBetween(a, b, 4) - (0.5 * 0.5 + 0.5 * -0.25 + 4 * (0.125 * 0.25 - 0.125 * -0.125))) <
                1e-12);
    }
    void scalesInTimeAndValue()
    {
        const CurveKeys half = scaledInTime(some(), {1, 2, 3}, 0, 0.5, true);
        QCOMPARE(half.size(), std::size_t{4});
        QCOMPARE(half[1].frame, 1.0);
        QCOMPARE(half[2].frame, 3.0);
        QCOMPARE(half[3].frame, 5.0);
        const CurveKeys twice = scaledInValue(some(), {2}, 2);
        QCOMPARE(twice[2].value, -1.0);
        QCOMPARE(twice[1].value, 1.0);
        // What is pressed onto one frame leaves one key.
        QCOMPARE(scaledInTime(some(), {1, 2, 3}, 2, 0.1, true).size(), std::size_t{3});
    }
    void mirrorsThereAndBack()
    {
        CurveKeys keys = some();
        keys[1].slopeOut = 0.3;
        const CurveKeys there = mirroredInTime(keys, {0, 1, 2, 3});
        QCOMPARE(there.front().frame, 0.0);
        QCOMPARE(there[1].frame, 4.0);
        QCOMPARE(there[1].value, -0.5);
        for (double t = 0; t <= 10; t += 0.25) // the same curve backwards
            QVERIFY(std::abs(valueOfKeys(there, 10 - t) - valueOfKeys(keys, t)) < 1e-12);
    }
    void repeatsFallingOff()
    {
        const CurveKeys three = repeated(some(), {0, 1, 2, 3}, 2, 0.5);
        QCOMPARE(three.size(), std::size_t{10});
        QVERIFY(std::abs(valueOfKeys(three, 12) - 0.5) < 1e-12);
        QVERIFY(std::abs(valueOfKeys(three, 26) + 0.125) < 1e-12);
    }
    void smoothsPastesAndTakesOut()
    {
        const CurveKeys soft = smoothed(some(), {1});
        QCOMPARE(soft[1].value, 0.5 + 0.25 * -0.5);
        QCOMPARE(without(some(), {1, 2}).size(), std::size_t{2});
        const CurveKeys all = pasted(some(), {{100, 0.75}, {101, 0.25}}, 6);
        QCOMPARE(all.size(), std::size_t{5});
        QCOMPARE(all[2].value, 0.75);
        QCOMPARE(all[3].frame, 7.0);
        QCOMPARE(moved(some(), {3}, 2, 0.5)[3].frame, 12.0);
    }
    void fewKeysStayWithinTheirTolerance_data()
    {
        QTest::addColumn<int>("kind");
        QTest::addColumn<double>("tolerance");
        for (const int kind : {0, 1, 2})
            for (const double tolerance : {0.02, 0.002})
                QTest::addRow("%d, %g", kind, tolerance) << kind << tolerance;
    }
    void fewKeysStayWithinTheirTolerance()
    {
        QFETCH(int, kind);
        QFETCH(double, tolerance);
        test::Random random(7);
        std::vector<double> steps;
        for (int i = 0; i < 100; ++i)
            steps.push_back(random.between(-1, 1));
        const auto value = [&](double t) {
            if (kind == 0)
                return std::exp(-t / 20) * std::sin(0.7 * t);
            if (kind == 1)
                return std::exp(-t / 9);
            return steps[static_cast<std::size_t>(t)]; // jumps every frame
        };
        const CurveKeys keys = fewestKeys(value, 0, 80, tolerance);
        QVERIFY(farthestOff(keys, value, 0, 80) <= tolerance);
        QCOMPARE(keys.front().frame, 0.0);
        QCOMPARE(keys.back().frame, 80.0);
        if (kind == 1)
            QVERIFY2(keys.size() <= 8, qPrintable(QString::number(keys.size())));
        if (kind == 0)
            QVERIFY2(keys.size() < 60, qPrintable(QString::number(keys.size())));
        for (std::size_t i = 1; i + 1 < keys.size(); ++i) // each is needed
            QVERIFY(farthestOff(without(keys, {i}), value, 0, 80) > tolerance);
        QCOMPARE(keyEachFrame(value, 0, 80).size(), std::size_t{81});
    }

    void thereAreNoFewerPlaces()
    {
        // Against every choice of places of short curves.
        test::Random random(11);
        for (int round = 0; round < 30; ++round) {
            const std::size_t count = 11;
            SampledCurve curve{{}, 0.15};
            for (std::size_t i = 0; i < count; ++i)
                curve.values.push_back(random.between(-0.5, 0.5) + std::sin(0.7 * static_cast<double>(i)));
            for (const KeyJoin join : {KeyJoin::straight, KeyJoin::curve}) {
                const auto offBy = [&](const KeyPlaces& places) {
                    const CurveKeys keys = keysAtPlaces(curve, places, join, 0, 1);
                    double most = 0;
                    for (std::size_t i = 0; i < count; ++i)
                        most = std::max(most, std::abs(valueOfKeys(keys, static_cast<double>(i)) - curve.values[i]));
                    return most;
                };
                std::size_t least = count;
                for (unsigned inner = 0; inner < 1u << (count - 2); ++inner) {
                    KeyPlaces places{0};
                    for (std::size_t i = 1; i + 1 < count; ++i)
                        if ((inner >> (i - 1)) & 1u)
                            places.push_back(i);
                    places.push_back(count - 1);
                    if (places.size() < least && offBy(places) <= curve.tolerance)
                        least = places.size();
                }
                const KeyPlaces found = fewestPlaces({&curve, 1}, join);
                QVERIFY(offBy(found) <= curve.tolerance * (1 + 1e-12));
                QCOMPARE(found.size(), least);
            }
            // Keys that may lie beside the curve are no more, and stay as near.
            const CurveKeys loose = fewestLooseKeys(curve, 5, 1);
            QVERIFY(loose.size() <= fewestPlaces({&curve, 1}, KeyJoin::curve).size());
            for (std::size_t i = 0; i < count; ++i)
                QVERIFY(std::abs(valueOfKeys(loose, 5 + static_cast<double>(i)) - curve.values[i]) <= curve.tolerance);
        }
    }

    void theSearchIsGivenUpWhenItIsAsked()
    {
        test::Random random(3);
        SampledCurve curve{{}, 0.01};
        for (int i = 0; i < 2000; ++i)
            curve.values.push_back(random.between(-1, 1));
        int asked = 0;
        const Stopped after = [&asked] { return ++asked > 3; };
        QCOMPARE(fewestPlaces({&curve, 1}, KeyJoin::curve, after), (KeyPlaces{0, 1999}));
        QCOMPARE(asked, 4);
        QCOMPARE(fewestLooseKeys(curve, 0, 1, after).size(), std::size_t{2});
        QVERIFY(fewestLooseKeys(curve, 0, 1, [] { return false; }).size() > 500);
    }

    void restStaysExact()
    {
        SampledCurve curve{std::vector<double>(60, 0.0), 0.5};
        for (std::size_t i = 20; i < 30; ++i)
            curve.values[i] = 3 * std::sin(static_cast<double>(i));
        const SampledCurve other{std::vector<double>(60, 7.0), 0.5};
        const std::array<SampledCurve, 2> both{curve, other};
        const KeyPlaces places = fewestPlaces(both, KeyJoin::curve);
        for (const CurveKeys& keys : {keysAtPlaces(curve, places, KeyJoin::curve, 0, 1), fewestLooseKeys(curve, 0, 1)})
            for (std::size_t i = 0; i < 60; ++i)
                if (curve.values[i] == 0)
                    QCOMPARE(valueOfKeys(keys, static_cast<double>(i)), 0.0);
        for (const CurveKey& key : keysAtPlaces(other, places, KeyJoin::curve, 0, 1))
            QCOMPARE(key.value, 7.0);
        QVERIFY(fewestPlaces({}, KeyJoin::curve).empty());
        const SampledCurve one{{4.0}, 0.1};
        QCOMPARE(fewestPlaces({&one, 1}, KeyJoin::curve).size(), std::size_t{1});
        QCOMPARE(fewestLooseKeys(one, 3, 1).size(), std::size_t{1});
    }
};

EMBER_TEST(TypedTest)
EMBER_TEST(KeysTest)
#include "tst_keys.moc"
