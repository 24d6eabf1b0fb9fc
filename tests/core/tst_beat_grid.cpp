// SPDX-License-Identifier: GPL-3.0-or-later
// Beats of one tempo, and of tempos that change.
#include <cmath>

#include <QTest>

#include "ember/core/beat_grid.h"
#include "pictures.h"
#include "runner.h"

using namespace ember;

namespace {

/// With pins at random beats, at random tempos between them.
BeatGrid anyGrid(test::Random& random)
{
    BeatGrid grid;
    grid.bpm = random.between(30, 300);
    grid.firstBeat = random.between(-5, 20);
    for (const int side : {-1, 1}) {
        std::int64_t beat = 0;
        double seconds = grid.firstBeat;
        for (auto count = random.whole(0, 6); count > 0; --count) {
            const auto step = random.whole(1, 40);
            beat += side * step;
            seconds += static_cast<double>(side * step) * 60 / random.between(25, 390);
            grid.pins.insert(side < 0 ? grid.pins.begin() : grid.pins.end(), {beat, seconds});
        }
    }
    return grid;
}

} // namespace

class BeatGridTest : public QObject {
    Q_OBJECT
private slots:
    void betweenPinsBeatsAreEven()
    {
        BeatGrid grid{120, 1, 4, 0};
        grid.pins = {{4, 3}, {8, 7}};
        QCOMPARE(grid.at(0), 1.0);
        QCOMPARE(grid.at(2), 2.0); // 2 s for four
        QCOMPARE(grid.at(4), 3.0);
        QCOMPARE(grid.at(6), 5.0);  // 4 s for four
        QCOMPARE(grid.at(10), 8.0); // 120 BPM after the last
        QCOMPARE(grid.at(-2), 0.0); // as between the first two
        QCOMPARE(grid.bpmAt(1.5), 120.0);
        QCOMPARE(grid.bpmAt(3), 60.0);
        QCOMPARE(grid.bpmAt(6.9), 60.0);
        QCOMPARE(grid.bpmAt(7), 120.0);
        QCOMPARE(grid.nearest(5.4), std::int64_t{6});
        QCOMPARE(grid.from(5), std::int64_t{6});
        QCOMPARE(grid.from(5.01), std::int64_t{7});
    }
    void timesAndBeatsAgree()
    {
        test::Random random(31);
        for (int i = 0; i < 300; ++i) {
            const BeatGrid grid = anyGrid(random);
            QVERIFY(!badPin(grid));
            double last = -1e9;
            for (std::int64_t beat = -250; beat <= 250; ++beat) {
                const double seconds = grid.at(beat);
                QVERIFY(seconds > last);
                QVERIFY(std::abs(grid.beatAt(seconds) - static_cast<double>(beat)) < 1e-6);
                QCOMPARE(grid.nearest(seconds), beat);
                last = seconds;
            }
            for (const BeatPin& pin : grid.pins)
                QCOMPARE(grid.at(pin.beat), pin.seconds);
            // Half and double have the same beats.
            const BeatGrid twice = grid.finer(2), half = grid.halved();
            for (std::int64_t beat = -60; beat <= 60; ++beat) {
                QVERIFY(std::abs(twice.at(2 * beat) - grid.at(beat)) < 1e-9);
                QVERIFY(std::abs(half.at(beat) - grid.at(2 * beat)) < 1e-9);
            }
            const BeatGrid later = grid.shifted(2.5);
            QVERIFY(std::abs(later.at(17) - grid.at(17) - 2.5) < 1e-9);
        }
    }
    void aDraggedBeatMovesWhatIsUpToThePinsAroundIt()
    {
        test::Random random(7);
        for (int i = 0; i < 300; ++i) {
            const BeatGrid grid = anyGrid(random);
            const auto beat = random.whole(-100, 100);
            const double wanted = grid.at(beat) + random.between(-1, 1);
            const BeatGrid laid = grid.laid(beat, wanted);
            QVERIFY(!badPin(laid));
            if (beat == 0 && grid.pins.empty()) {
                QVERIFY(std::abs(laid.at(40) - laid.at(0) - (grid.at(40) - grid.at(0))) < 1e-9);
                continue;
            }
            std::int64_t before = INT64_MIN, after = INT64_MAX; // what stays
            const auto bound = [&](std::int64_t knot) {
                if (knot < beat)
                    before = std::max(before, knot);
                if (knot > beat)
                    after = std::min(after, knot);
            };
            bound(0);
            for (const BeatPin& pin : grid.pins)
                bound(pin.beat);
            for (std::int64_t k = -150; k <= 150; ++k) {
                const bool stays =
                    (k <= before && before != INT64_MIN && k >= (grid.pins.empty() ? 0 : grid.pins.front().beat)) ||
                    k >= after;
                if (stays)
                    QVERIFY2(std::abs(laid.at(k) - grid.at(k)) < 1e-9, qPrintable(QString::number(k)));
            }
            if (after == INT64_MAX) // what comes after it goes along
                QVERIFY(std::abs(laid.at(beat + 30) - laid.at(beat) - 30 * 60 / grid.bpm) < 1e-9);
        }
        // Where there is room it is laid where the hand wants it.
        const BeatGrid grid{120, 0, 4, 0};
        QCOMPARE(grid.laid(8, 4.2).at(8), 4.2);
        QCOMPARE(grid.laid(8, 4.2).at(4), 2.1);
        QCOMPARE(grid.laid(8, 4.2).at(10), 5.2);
        QCOMPARE(grid.laid(8, 0.1).at(8), 8 * 60 / fastestBpm); // no nearer
        QCOMPARE(grid.laid(8, 1000).at(8), 8 * 60 / slowestBpm);
    }
    void badPinsAreTold()
    {
        const auto bad = [](std::vector<BeatPin> pins) {
            BeatGrid grid{120, 1, 4, 0};
            grid.pins = std::move(pins);
            return badPin(grid);
        };
        QVERIFY(!bad({}) && !bad({{1, 1.5}}) && !bad({{-4, -2}, {4, 3}}));
        QCOMPARE(bad({{0, 1}}), std::optional<std::size_t>(0));
        QCOMPARE(bad({{4, 3}, {4, 4}}), std::optional<std::size_t>(1));
        QCOMPARE(bad({{4, 3}, {3, 4}}), std::optional<std::size_t>(1));
        QCOMPARE(bad({{4, 3}, {8, 2.9}}), std::optional<std::size_t>(1));
        QCOMPARE(bad({{4, 0.5}}), std::optional<std::size_t>(0));           // before the first beat
        QCOMPARE(bad({{-4, 1.5}}), std::optional<std::size_t>(0));          // after it
        QCOMPARE(bad({{4, 3}, {100, 3.5}}), std::optional<std::size_t>(1)); // far too fast
        QCOMPARE(bad({{4, 3}, {5, 13}}), std::optional<std::size_t>(1));    // far too slow
        QCOMPARE(bad({{4, std::nan("")}}), std::optional<std::size_t>(0));
    }
    void fewPinsKeepEveryBeat()
    {
        std::vector<double> beats, even;
        double t = 0.4;
        for (int i = 0; i < 120; ++i) {
            beats.push_back(t);
            even.push_back(0.4 + 0.5 * i);
            t += 0.6 - 0.002 * i;
        }
        const BeatGrid grid = gridThrough(beats, 0.01);
        QVERIFY(!badPin(grid));
        QVERIFY2(!grid.pins.empty() && grid.pins.size() < 40, qPrintable(QString::number(grid.pins.size())));
        for (std::size_t i = 0; i < beats.size(); ++i)
            QVERIFY(std::abs(grid.at(static_cast<std::int64_t>(i)) - beats[i]) <= 0.01 + 1e-9);
        const BeatGrid steady = gridThrough(even, 0.01);
        QVERIFY(steady.pins.empty());
        QVERIFY(std::abs(steady.bpm - 120) < 1e-9);
        // From the playhead on one tempo for all.
        QVERIFY(grid.steady(1).pins.empty());
        QVERIFY(std::abs(grid.steady(1).bpm - grid.bpmAt(1)) < 1e-9);
    }
};

EMBER_TEST(BeatGridTest)
#include "tst_beat_grid.moc"
