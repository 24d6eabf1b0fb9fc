// SPDX-License-Identifier: GPL-3.0-or-later
// Made sounds: as high as the strike is strong, each its own, over when they say; and the limiter that holds them.
#include <cmath>
#include <numbers>

#include <QTest>

#include "ember/core/source.h"
#include "ember/sound/limiter.h"
#include "ember/sound/synth.h"
#include "pictures.h"
#include "runner.h"

using namespace ember;
using F = EnvelopeField;

namespace {

HeardStrike strikeOf(SoundKind kind, double strength = 1, std::uint32_t seed = 1)
{
    HeardStrike strike;
    strike.sound.kind = kind;
    strike.strength = strength;
    strike.seed = seed;
    return strike;
}

double energy(const std::vector<float>& samples, std::size_t from, std::size_t to)
{
    double sum = 0;
    for (std::size_t i = from; i < std::min(to, samples.size()); ++i)
        sum += static_cast<double>(samples[i]) * static_cast<double>(samples[i]);
    return sum;
}

/// Crossings of zero a second: how high it sounds, roughly.
double crossings(const std::vector<float>& samples, int rate)
{
    int count = 0;
    for (std::size_t i = 1; i < samples.size(); ++i)
        count += (samples[i] > 0) != (samples[i - 1] > 0) ? 1 : 0;
    return count * static_cast<double>(rate) / static_cast<double>(samples.size());
}

} // namespace

class StruckTest : public QObject {
    Q_OBJECT

    static void kinds()
    {
        QTest::addColumn<int>("kind");
        for (const SoundKind kind :
             {SoundKind::thump, SoundKind::crack, SoundKind::boom, SoundKind::ring, SoundKind::whoosh, SoundKind::sub})
            QTest::addRow("%s", std::string(soundKindNames[static_cast<std::size_t>(kind)]).c_str())
                << static_cast<int>(kind);
    }

private slots:
    void strengthIsItsHeight_data() { kinds(); }
    void strengthIsItsHeight()
    {
        QFETCH(int, kind);
        for (const int rate : {16000, 44100, 48000})
            for (const double strength : {0.1, 0.5, 1.0, 2.0})
                for (const double level : {-12.0, 0.0, 6.0}) {
                    HeardStrike strike = strikeOf(static_cast<SoundKind>(kind), strength, 9);
                    strike.sound.level = level;
                    const StruckSound sound = struckSound(strike, rate);
                    QVERIFY(std::abs(sound.peak() - 0.7 * strength * std::pow(10, level / 20)) < 1e-5);
                }
        QVERIFY(struckSound(strikeOf(static_cast<SoundKind>(kind), 0), 48000).peak() == 0);
    }
    void eachSeedIsItsOwn_data() { kinds(); }
    void eachSeedIsItsOwn()
    {
        QFETCH(int, kind);
        const auto samples = [&](std::uint32_t seed) {
            return struckSound(strikeOf(static_cast<SoundKind>(kind), 1, seed), 48000).samples;
        };
        QVERIFY(samples(4) == samples(4));
        for (std::uint32_t seed = 1; seed < 20; ++seed)
            QVERIFY(samples(seed) != samples(seed + 1));
    }
    void itBeginsWithTheStrikeAndEndsInSilence_data() { kinds(); }
    void itBeginsWithTheStrikeAndEndsInSilence()
    {
        QFETCH(int, kind);
        const StruckSound sound = struckSound(strikeOf(static_cast<SoundKind>(kind)), 48000);
        const auto at = static_cast<std::size_t>(sound.strikeAt);
        QCOMPARE(sound.samples.back(), 0.F);
        QVERIFY(std::abs(sound.samples.front()) < 0.02F);
        const double whole = energy(sound.samples, 0, sound.samples.size());
        if (static_cast<SoundKind>(kind) == SoundKind::whoosh) {
            QVERIFY(at > 20000);
            QVERIFY(energy(sound.samples, at / 2, at) > 4 * energy(sound.samples, 0, at / 2)); // rushes up to it
            QVERIFY(energy(sound.samples, at + 9600, sound.samples.size()) < 0.01 * whole);
        } else {
            QCOMPARE(at, std::size_t{0});
            QVERIFY(energy(sound.samples, 0, sound.samples.size() / 2) > 0.8 * whole);
        }
    }
    void theyDifferInHeight()
    {
        const auto height = [](SoundKind kind) { return crossings(struckSound(strikeOf(kind), 48000).samples, 48000); };
        QVERIFY(height(SoundKind::sub) < 130);
        QVERIFY(height(SoundKind::thump) < 800);
        QVERIFY(height(SoundKind::boom) < 800);
        QVERIFY(height(SoundKind::ring) > 500);
        QVERIFY(height(SoundKind::crack) > 2500);
        // A stronger one is brighter, not only louder.
        QVERIFY(crossings(struckSound(strikeOf(SoundKind::crack, 2), 48000).samples, 48000) >
                crossings(struckSound(strikeOf(SoundKind::crack, 0.3), 48000).samples, 48000));
    }
    void theEnvelopeIsHeard()
    {
        HeardStrike strike = strikeOf(SoundKind::sub);
        strike.envelope.set(F::attack, 2);
        strike.envelope.set(F::decay, 24);
        strike.envelope.set(F::rumble, 0);
        const StruckSound sound = struckSound(strike, 48000);
        const double frames = strike.envelope.end();
        QVERIFY(std::abs(static_cast<double>(sound.samples.size()) - frames / 24 * 48000) <= 1);
        // As high as the intensity, over a swing.
        double before = 1e9;
        for (int part = 0; part < 4; ++part) {
            const auto from = static_cast<std::size_t>(8000 + part * 9000);
            const double here = energy(sound.samples, from, from + 5000);
            QVERIFY(here < before);
            before = here;
        }
        strike.sound.kind = SoundKind::boom;
        const auto length = struckSound(strike, 48000).samples.size();
        strike.envelope.set(F::decay, 72);
        QVERIFY(struckSound(strike, 48000).samples.size() > length);
    }
    void nothingIsNothing()
    {
        QVERIFY(struckSound(strikeOf(SoundKind::none), 48000).samples.empty());
        QVERIFY(struckSound(strikeOf(SoundKind::file), 48000).samples.empty());
    }

    /// Loud noise and tones with quiet stretches.
    static std::vector<float> loudSound(std::size_t frames, int channels)
    {
        test::Random random(12);
        std::vector<float> sound;
        for (std::size_t i = 0; i < frames; ++i)
            for (int c = 0; c < channels; ++c) {
                const double t = static_cast<double>(i) / 48000;
                const double level = i / 9000 % 2 == 0 ? 2.5 : 0.1;
                sound.push_back(static_cast<float>(
                    level * (0.6 * std::sin(2 * std::numbers::pi * 11025.0 * t + c) + 0.4 * random.between(-1, 1))));
            }
        return sound;
    }
    void theLimiterHoldsItsCeiling()
    {
        const Limiter limiter(48000, 0.9);
        const std::size_t reach = limiter.reach();
        const std::size_t count = 40000;
        const std::vector<float> sound = loudSound(count + 2 * reach, 2);
        const std::vector<float> gains = limiter.gains(sound, 2, count);
        QCOMPARE(gains.size(), count);
        bool untouched = false;
        for (std::size_t i = 0; i < count; ++i) {
            QVERIFY(gains[i] > 0 && gains[i] <= 1);
            untouched = untouched || gains[i] == 1.F;
            for (std::size_t c = 0; c < 2; ++c)
                QVERIFY(std::abs(gains[i] * sound[2 * (i + reach) + c]) <= 0.9F + 1e-6F);
            if (i > 0) // it is turned, not switched
                QVERIFY(std::abs(gains[i] - gains[i - 1]) < 0.01F);
        }
        QVERIFY(untouched);
    }
    void anyStretchIsTheSame()
    {
        const Limiter limiter(48000, 0.8);
        const std::size_t reach = limiter.reach();
        const std::size_t count = 12000;
        const std::vector<float> sound = loudSound(count + 2 * reach, 1);
        const std::vector<float> whole = limiter.gains(sound, 1, count);
        for (const std::size_t from : {0U, 1U, 777U, 6000U, 11000U}) {
            const std::size_t length = std::min<std::size_t>(900, count - from);
            const std::vector<float> part(sound.begin() + static_cast<std::ptrdiff_t>(from),
                                          sound.begin() + static_cast<std::ptrdiff_t>(from + length + 2 * reach));
            const std::vector<float> gains = limiter.gains(part, 1, length);
            for (std::size_t i = 0; i < length; ++i)
                QCOMPARE(gains[i], whole[from + i]);
        }
    }
    void quietSoundIsUntouched()
    {
        const Limiter limiter(44100, 0.9);
        std::vector<float> sound = loudSound(5000 + 2 * limiter.reach(), 1);
        for (float& sample : sound)
            sample *= 0.2F;
        for (const float gain : limiter.gains(sound, 1, 5000))
            QCOMPARE(gain, 1.F);
    }
};

EMBER_TEST(StruckTest)
#include "tst_struck.moc"
