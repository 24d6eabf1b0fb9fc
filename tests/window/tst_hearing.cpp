// SPDX-License-Identifier: GPL-3.0-or-later
// What is heard: frames the playhead is taken to, slow playing, and a device that is late.
#include <cmath>

#include <QLabel>
#include <QSettings>

#include "part_fixture.h"
#include "player.h"
#include "preferences.h"
#include "runner.h"
#include "scrub.h"
#include "tap_test.h"
#include "tapper.h"

using namespace ember;
using namespace ember::app;

namespace hearing {

/// A device that plays when the test says so.
class TestSink final : public SoundSink {
public:
    struct Log {
        int starts = 0;
        int stops = 0;
        bool there = true;
        bool running = false;
        QIODevice* feed = nullptr;
        std::int64_t played = 0;

        /// The device takes so many instants; what it got of the left side, -1 to 1.
        std::vector<double> play(std::int64_t instants)
        {
            const QByteArray bytes = feed->read(instants * 4);
            const auto* samples = reinterpret_cast<const std::int16_t*>(bytes.constData());
            std::vector<double> left;
            for (qsizetype i = 0; i < bytes.size() / 4; ++i)
                left.push_back(samples[2 * i] / 32767.0);
            played += instants;
            return left;
        }
    };
    explicit TestSink(Log& log) : log_(log) {}
    bool start(QIODevice& feed, double) override
    {
        log_.feed = &feed;
        log_.running = log_.there;
        log_.starts += log_.there ? 1 : 0;
        log_.played = 0;
        return log_.there;
    }
    void stop() override
    {
        log_.stops += log_.running ? 1 : 0;
        log_.running = false;
    }
    bool running() const override { return log_.running; }
    std::int64_t played() const override { return log_.played; }

private:
    Log& log_;
};

inline double loudest(const std::vector<double>& samples)
{
    double most = 0;
    for (const double sample : samples)
        most = std::max(most, std::abs(sample));
    return most;
}

inline SoundBuffer flat(std::int64_t length, float value)
{
    return {SoundSink::rate, 2, std::vector<float>(static_cast<std::size_t>(2 * length), value)};
}

} // namespace hearing

using namespace hearing;

class HearingTest : public test::SessionFixture {
    Q_OBJECT
    TestSink::Log log_;

    std::unique_ptr<SoundSink> sink()
    {
        log_ = {};
        return std::make_unique<TestSink>(log_);
    }
    /// What is heard once a grain came, or nothing if none comes.
    std::vector<double> grain()
    {
        std::vector<double> heard;
        const auto came = [&] { // asked more than once
            if (loudest(heard) < 0.01)
                heard = log_.play(2400);
            return loudest(heard) >= 0.01;
        };
        [&] { QTRY_VERIFY(came()); }();
        return heard;
    }

private slots:
    void aGrainIsSoftlyCut()
    {
        auto reader = SoundReader::open(clip_, 0, {SoundSink::rate, 2});
        const SoundBuffer grain = grainAt(*reader.value(), 4800, 2000);
        QCOMPARE(grain.length(), 2000);
        QVERIFY(std::abs(grain.samples.front()) < 0.01F);
        QVERIFY(std::abs(grain.samples.back()) < 0.01F);
        reader.value()->seek(4800);
        const SoundBuffer whole = reader.value()->read(2000);
        for (std::size_t i = 2 * 48; i < 2 * 1500; ++i) // open after a millisecond, until the last quarter
            QCOMPARE(grain.samples[i], whole.samples[i]);
    }
    void aNewGrainTakesOverWithoutAClick()
    {
        GrainFeed feed;
        QVERIFY(feed.silent());
        feed.sound(flat(2000, 0.5F));
        feed.read(400 * 4);
        feed.sound(flat(2000, 0.5F)); // as loud: what is heard dips and rises no further than both together
        const QByteArray bytes = feed.read(3000 * 4);
        const auto* samples = reinterpret_cast<const std::int16_t*>(bytes.constData());
        QVERIFY(std::abs(samples[0] / 32767.0 - 1.0) < 0.01);       // the old one is all there,
        QVERIFY(std::abs(samples[2 * 250] / 32767.0 - 0.5) < 0.01); // and gone after four milliseconds
        for (int i = 1; i < 1900; ++i)
            QVERIFY(std::abs(samples[2 * i] - samples[2 * (i - 1)]) < 400);
        QCOMPARE(samples[2 * 2500], std::int16_t{0});
        QVERIFY(feed.silent());
    }
    void theFrameThatIsSteppedToIsHeard()
    {
        Player player(session());
        Scrub scrub(session(), player, sink());
        session().playhead.setFrame(30);
        const std::vector<double> heard = grain();
        QCOMPARE(log_.starts, 1);
        auto reader =
            SoundReader::open(clip_, ClipReader::open(clip_).value()->info().originSeconds, {SoundSink::rate, 2});
        const double rate = project().rate.perSecond();
        reader.value()->seek(std::llround(30 / rate * SoundSink::rate));
        const SoundBuffer frame = reader.value()->read(1000);
        const auto first = std::find_if(heard.begin(), heard.end(), [](double sample) { return sample != 0; });
        QVERIFY(std::distance(first, heard.end()) > 1000);
        double off = 1;
        for (int lead = 0; lead < 3; ++lead) { // its very first samples may round to 0
            double most = 0;
            for (int i = 100; i < 900; ++i)
                most = std::max(most, std::abs(first[i - lead] -
                                               static_cast<double>(frame.samples[static_cast<std::size_t>(2 * i)])));
            off = std::min(off, most);
        }
        QVERIFY2(off < 0.01, qPrintable(QString::number(off)));
        session().playhead.setFrame(31);
        grain();
        QCOMPARE(log_.starts, 1); // the device stays open from one to the next
    }
    void itIsSilentWhereItIsNotWanted()
    {
        Player player(session());
        Scrub scrub(session(), player, sink());
        player.setSoundOn(false);
        session().playhead.setFrame(10);
        player.setSoundOn(true);
        scrub.setOn(false);
        session().playhead.setFrame(11);
        QCOMPARE(log_.starts, 0);
        QVERIFY(!Scrub::on()); // remembered
        scrub.setOn(true);
        session().file.open(QString::fromStdString(clip_)); // another film is not a way the playhead went
        settle();
        QCOMPARE(log_.starts, 0);
        session().playhead.setFrame(13);
        QCOMPARE(log_.starts, 1);
        player.play();
        QCOMPARE(log_.stops, 1);
        session().playhead.setFrame(20);
        QCOMPARE(log_.starts, 1);
    }
    void withoutADeviceTheSystemIsNotAskedAtEachStep()
    {
        Player player(session());
        Scrub scrub(session(), player, sink());
        log_.there = false;
        session().playhead.setFrame(12);
        QVERIFY(!log_.running && log_.feed != nullptr); // it was asked for
        log_.feed = nullptr;
        for (int frame = 13; frame < 20; ++frame)
            session().playhead.setFrame(frame);
        QVERIFY(log_.feed == nullptr);
    }
    void slowPlayingIsHeard()
    {
        Player player(session(), sink());
        player.setSpeed(0.25);
        player.play();
        QVERIFY(log_.running);
        QVERIFY(loudest(log_.play(SoundSink::rate / 4)) > 0.05);
        // The device is the clock: a second of it is a quarter of the film's.
        log_.played = SoundSink::rate;
        const double place = player.framePosition();
        const double wanted = project().rate.perSecond() / 4;
        QVERIFY2(place >= wanted && place < wanted + 0.4, qPrintable(QString::number(place)));
        player.pause();
        QVERIFY(!log_.running);
    }
    void thePictureWaitsForALateDevice()
    {
        preference::setValue(preference::soundLatency, 200);
        Player player(session(), sink());
        player.play();
        log_.played = SoundSink::rate / 10;
        QCOMPARE(player.framePosition(), 0.0); // it was not heard yet
        log_.played = SoundSink::rate;
        const double place = player.framePosition();
        const double wanted = project().rate.perSecond() * 0.8;
        QVERIFY2(place >= wanted && place < wanted + 1.6, qPrintable(QString::number(place)));
    }
    void latencyIsMeasuredByTapping()
    {
        Tapper::setLatency(40);
        TapTest test(TapTest::Along::sound, nullptr, sink());
        QVERIFY(log_.running);
        // Clicks are there, one a beat.
        const std::vector<double> heard = log_.play(2 * SoundSink::rate * TapTest::beatMilliseconds / 1000);
        const std::size_t beat = heard.size() / 2;
        QVERIFY(loudest({heard.begin(), heard.begin() + 500}) > 0.3);
        QVERIFY(loudest({heard.begin() + 12000, heard.begin() + static_cast<std::ptrdiff_t>(beat)}) < 0.001);
        QVERIFY(loudest({heard.begin() + static_cast<std::ptrdiff_t>(beat),
                         heard.begin() + static_cast<std::ptrdiff_t>(beat) + 500}) > 0.3);
        for (int i = 0; i < TapTest::wanted; ++i) // late by more than half a beat
            test.tapAt(i * TapTest::beatMilliseconds + 370 + i % 3);
        QVERIFY(std::abs(test.measured() - 331) <= 1);
        test.findChild<QPushButton*>(QStringLiteral("tap-use"))->click();
        QCOMPARE(preference::value(preference::soundLatency), static_cast<double>(test.measured()));
        QCOMPARE(Tapper::latency(), 40);
    }
    void withoutADeviceThereIsNothingToMeasure()
    {
        auto none = sink();
        log_.there = false;
        const TapTest test(TapTest::Along::sound, nullptr, std::move(none));
        QVERIFY(
            test.findChild<QLabel*>(QStringLiteral("tap-text"))->text().contains(QStringLiteral("no sound device")));
        QVERIFY(!test.findChild<QPushButton*>(QStringLiteral("tap-use"))->isEnabled());
    }
};

EMBER_TEST(HearingTest)
#include "tst_hearing.moc"
