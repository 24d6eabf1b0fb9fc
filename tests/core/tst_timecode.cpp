// SPDX-License-Identifier: GPL-3.0-or-later
// Names of frames by the clock, against SMPTE ST 12-1's own sums and a slow count of names.
#include <QTest>

#include "ember/core/timecode.h"
#include "pictures.h"
#include "runner.h"

using namespace ember;

namespace {
FrameRate rate(std::int64_t num, std::int64_t den)
{
    return *FrameRate::make(num, den);
}
} // namespace

class TimecodeTest : public QObject {
    Q_OBJECT
private slots:
    void names_data()
    {
        QTest::addColumn<qint64>("number");
        QTest::addColumn<qint64>("perSecond");
        QTest::addColumn<bool>("drop");
        QTest::addColumn<QString>("name");
        QTest::newRow("first") << qint64{0} << qint64{24} << false << "00:00:00:00";
        QTest::newRow("24") << qint64{126} << qint64{24} << false << "00:00:05:06";
        QTest::newRow("an hour") << qint64{90'000} << qint64{25} << false << "01:00:00:00";
        QTest::newRow("beyond a day") << qint64{25 * 3600 * 30} << qint64{30} << false << "25:00:00:00";
        QTest::newRow("before") << qint64{-25} << qint64{24} << false << "-00:00:01:01";
        QTest::newRow("last of the first minute") << qint64{1799} << qint64{30} << true << "00:00:59;29";
        QTest::newRow("two are left out") << qint64{1800} << qint64{30} << true << "00:01:00;02";
        QTest::newRow("none in the tenth") << qint64{17982} << qint64{30} << true << "00:10:00;00";
        QTest::newRow("an hour of it") << qint64{107'892} << qint64{30} << true << "01:00:00;00";
        QTest::newRow("four at 60") << qint64{3600} << qint64{60} << true << "00:01:00;04";
    }
    void names()
    {
        QFETCH(qint64, number);
        QFETCH(qint64, perSecond);
        QFETCH(bool, drop);
        QFETCH(QString, name);
        const TimecodeCount count{perSecond, drop};
        QCOMPARE(QString::fromStdString(timecodeText(number, count)), name);
        QCOMPARE(frameOfTimecode(name.toStdString(), count), std::optional<std::int64_t>(number));
    }
    void everyNameComesBackAndOrderHolds()
    {
        // All of eleven minutes, name by name: none is used twice, none that is left out appears.
        for (const TimecodeCount count : {TimecodeCount{30, true}, TimecodeCount{60, true}, TimecodeCount{24, false}}) {
            std::string last;
            for (std::int64_t n = 0; n < 11 * 60 * count.perSecond; ++n) {
                const std::string name = timecodeText(n, count);
                QVERIFY2(last < name, name.c_str());
                QCOMPARE(frameOfTimecode(name, count), std::optional(n));
                last = name;
            }
        }
        test::Random random(77);
        for (int i = 0; i < 2000; ++i) {
            const TimecodeCount count{random.whole(0, 2) == 0 ? 60 : 30, random.whole(0, 2) == 0};
            const auto n = static_cast<std::int64_t>(random.between(-3e6, 9e7));
            QCOMPARE(frameOfTimecode(timecodeText(n, count), count), std::optional(n));
        }
    }
    void aDroppedCountStaysWithTheClock()
    {
        // After a day it is within a tenth of a second of it (ST 12-1: 86.4 ms).
        const FrameRate ntsc = rate(30000, 1001);
        const auto day = frameOfTimecode("24:00:00;00", countOf(ntsc, true));
        QVERIFY(day && std::abs(ntsc.seconds(static_cast<double>(*day)) - 86'400) < 0.1);
        const auto without = frameOfTimecode("24:00:00:00", countOf(ntsc, false));
        QVERIFY(std::abs(ntsc.seconds(static_cast<double>(*without)) - 86'400) > 80);
    }
    void onlySomeRatesDrop()
    {
        QVERIFY(countOf(rate(30000, 1001), true).drop && countOf(rate(60000, 1001), true).drop);
        QVERIFY(!countOf(rate(24000, 1001), true).drop && !countOf(rate(30, 1), true).drop);
        QCOMPARE(countOf(rate(24000, 1001)).perSecond, std::int64_t{24});
        QCOMPARE(countOf(rate(1, 1)).perSecond, std::int64_t{1});
    }
    void aFilmHasAClock()
    {
        const FrameRate ntsc = rate(30000, 1001);
        const auto clock = clockFrom("01:00:00;00", ntsc);
        QVERIFY(clock && clock->drop);
        QCOMPARE(clock->start, std::int64_t{107'892});
        QCOMPARE(timecodeOf(0, *clock, ntsc), std::string("01:00:00;00"));
        QCOMPARE(timecodeOf(1800, *clock, ntsc), std::string("01:01:00;02"));
        QCOMPARE(frameOf("01:01:00;02", *clock, ntsc), std::optional<std::int64_t>(1800));
        QCOMPARE(frameOf("0:59:59;29", *clock, ntsc), std::optional<std::int64_t>(-1));
        QCOMPARE(clockFrom("01:00:00;00", FrameRate())->drop, false); // 24 has nothing to drop
        for (const char* text : {"", "an hour", "-00:00:00:01", "0:99"})
            QVERIFY2(!clockFrom(text, ntsc), text);
        QVERIFY(FilmClock() == *clockFrom("0:00", ntsc));
    }
    void shortNames()
    {
        const TimecodeCount count{24, false};
        QCOMPARE(frameOfTimecode("3:04", count), std::optional<std::int64_t>(76));
        QCOMPARE(frameOfTimecode(" 1:00:00 ", count), std::optional<std::int64_t>(1440));
        QCOMPARE(frameOfTimecode("0:00;23", count), std::optional<std::int64_t>(23));
    }
    void whatIsNoName()
    {
        const TimecodeCount count{24, false};
        for (const char* text : {"", "-", ":", "12", "1:", ":3", "1::2", "0:24", "0:60:00", "60:00:00", "1:2:3:4:5",
                                 "a:01", "1:0x", "99999999999999999999:00", "0:00:00:00:", "1.5", "--1:00"})
            QVERIFY2(!frameOfTimecode(text, count), text);
        QVERIFY(!frameOfTimecode("00:01:00;00", {30, true})); // left out
        QVERIFY(!frameOfTimecode("00:01:00;01", {30, true}));
        QVERIFY(frameOfTimecode("00:10:00;00", {30, true}));
    }
};

EMBER_TEST(TimecodeTest)
#include "tst_timecode.moc"
