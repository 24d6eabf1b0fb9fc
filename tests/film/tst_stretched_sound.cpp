// SPDX-License-Identifier: GPL-3.0-or-later
// Slow sound: hits on their place, pitch as it was, the same from any place.
#include <cmath>
#include <functional>

#include <QTest>

#include "ember/film/stretched_sound.h"
#include "runner.h"

using namespace ember;

namespace {

constexpr int rate = 48000;

/// A sound that is a formula.
class Made final : public SoundReader {
public:
    Made(std::function<float(std::int64_t)> at, double seconds)
        : at_(std::move(at)), end_(std::llround(seconds * ::rate))
    {
    }
    int rate() const override { return ::rate; }
    int channels() const override { return 2; }
    double seconds() const override { return static_cast<double>(end_) / ::rate; }
    void seek(std::int64_t sample) override { position_ = sample; }
    SoundBuffer read(std::int64_t count) override
    {
        SoundBuffer out{::rate, 2, {}};
        for (std::int64_t i = 0; i < count; ++i, ++position_)
            for (const float side : {1.F, 0.5F})
                out.samples.push_back(position_ >= 0 && position_ < end_ ? side * at_(position_) : 0.F);
        return out;
    }
    bool atEnd() const override { return position_ >= end_; }

private:
    std::function<float(std::int64_t)> at_;
    std::int64_t end_;
    std::int64_t position_ = 0;
};

/// Noise that is struck once a second, at half of it, and dies away in a fifth of one; a faint hiss under it.
float struck(std::int64_t sample)
{
    auto mixed = static_cast<std::uint64_t>(sample) * 0x9E3779B97F4A7C15U;
    mixed = (mixed ^ (mixed >> 32U)) * 0xD6E8FEB86659FD93U;
    const float noise = static_cast<float>(mixed >> 40U) / 8388608.F - 1;
    const std::int64_t since = (sample + rate / 2) % rate;
    return noise * static_cast<float>(0.001 + 0.6 * std::exp(-static_cast<double>(since) / 2400));
}

float sung(std::int64_t sample)
{
    return static_cast<float>(0.5 * std::sin(2 * 3.14159265358979 * 440 * static_cast<double>(sample) / rate));
}

} // namespace

class StretchedSoundTest : public QObject {
    Q_OBJECT
private slots:
    void hitsStayOnTheirPlace_data()
    {
        QTest::addColumn<double>("speed");
        for (const double speed : {0.1, 0.25, 0.5, 0.75, 2.0})
            QTest::newRow(qPrintable(QString::number(speed))) << speed;
    }
    void hitsStayOnTheirPlace()
    {
        QFETCH(double, speed);
        const auto slow = stretched(std::make_unique<Made>(struck, 40), speed);
        QVERIFY(std::abs(slow->seconds() - 40 / speed) < 1e-6);
        for (const double hit : {0.5, 7.5, 31.5}) { // sought each, and the last after a long way too
            const double from = hit - 0.2;
            slow->seek(std::llround(from / speed * rate));
            const SoundBuffer heard = slow->read(std::llround(0.4 / speed * rate));
            std::int64_t onset = 0;
            while (onset < heard.length() && std::abs(heard.samples[static_cast<std::size_t>(2 * onset)]) < 0.2F)
                ++onset;
            const double late = static_cast<double>(onset) / rate - 0.2 / speed;
            QVERIFY2(std::abs(late) < 0.012, qPrintable(QString::number(1000 * late)));
        }
    }
    void itDoesNotDrift()
    {
        const auto slow = stretched(std::make_unique<Made>(struck, 20), 0.25);
        slow->seek(0);
        std::vector<float> all;
        while (all.size() < std::size_t{2} * rate * 70)
            for (const SoundBuffer part = slow->read(5000); const float sample : part.samples)
                all.push_back(sample);
        for (int hit = 0; hit < 17; ++hit) {
            const double place = (hit + 0.5) / 0.25;
            auto at = static_cast<std::size_t>(2 * std::llround((place - 0.5) * rate));
            while (std::abs(all[at]) < 0.2F)
                at += 2;
            QVERIFY(std::abs(static_cast<double>(at) / 2 / rate - place) < 0.012);
        }
    }
    void pitchAndSidesStay()
    {
        const auto slow = stretched(std::make_unique<Made>(sung, 4), 0.25);
        slow->seek(rate);
        const SoundBuffer heard = slow->read(4 * rate);
        int rising = 0;
        double left = 0;
        double right = 0;
        for (std::size_t i = 2; i < heard.samples.size(); i += 2) {
            rising += heard.samples[i - 2] < 0 && heard.samples[i] >= 0 ? 1 : 0;
            left += std::abs(heard.samples[i]);
            right += std::abs(heard.samples[i + 1]);
        }
        QVERIFY2(std::abs(rising / 4.0 - 440) < 2, qPrintable(QString::number(rising / 4.0)));
        QVERIFY(std::abs(right / left - 0.5) < 0.02);
    }
    void aSeekForgetsWhatWasBefore()
    {
        const auto once = stretched(std::make_unique<Made>(struck, 10), 0.5);
        const auto again = stretched(std::make_unique<Made>(struck, 10), 0.5);
        again->seek(9 * rate);
        again->read(7777);
        once->seek(2 * rate);
        again->seek(2 * rate);
        const SoundBuffer one = once->read(rate);
        const SoundBuffer two = again->read(rate);
        for (std::size_t i = 0; i < one.samples.size(); ++i)
            QVERIFY(std::abs(one.samples[i] - two.samples[i]) < 1e-4F);
    }
    void itEnds()
    {
        const auto slow = stretched(std::make_unique<Made>(struck, 1), 0.5);
        slow->seek(0);
        int reads = 0;
        while (!slow->atEnd() && reads < 100) {
            slow->read(rate / 10);
            ++reads;
        }
        QVERIFY2(reads >= 18 && reads < 26, qPrintable(QString::number(reads)));
    }
    void atFullSpeedItIsTheSoundItself()
    {
        auto made = std::make_unique<Made>(struck, 1);
        const SoundReader* was = made.get();
        QCOMPARE(stretched(std::move(made), 1).get(), was);
    }
};

EMBER_TEST(StretchedSoundTest)
#include "tst_stretched_sound.moc"
