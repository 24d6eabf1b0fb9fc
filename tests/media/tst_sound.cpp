// SPDX-License-Identifier: GPL-3.0-or-later
#include <cmath>

#include <QTest>

#include "clips.h"
#include "ember/media/sound_reader.h"
#include "pictures.h"
#include "runner.h"

using namespace ember;

class SoundTest : public QObject {
    Q_OBJECT
    QTemporaryDir folder_;
    std::string flac_;

    /// The right channel of the test clip climbs from -0.5 to 0.5 every 4800 samples: its value tells the place.
    static bool isPlace(float value, std::int64_t sample)
    {
        return std::abs(value - (static_cast<float>(sample % 4800) / 4800.f - 0.5f)) < 2e-4f;
    }

private slots:
    void initTestCase()
    {
        flac_ = test::numberedClip(folder_, "tones.mkv", 48, *FrameRate::make(24, 1), 192, 128, true);
        QVERIFY(!flac_.empty());
    }
    void readsStraightOn()
    {
        auto sound = SoundReader::open(flac_, 0, {});
        QVERIFY(sound);
        SoundReader& reader = *sound.value();
        QCOMPARE(reader.rate(), 48000);
        QCOMPARE(reader.channels(), 2);
        reader.seek(0);
        std::int64_t at = 0;
        for (int chunk = 1; at < 90000; chunk = chunk * 2 % 7001 + 1) {
            const SoundBuffer part = reader.read(chunk);
            QCOMPARE(part.length(), std::int64_t{chunk});
            for (std::int64_t i = 0; i < chunk; ++i)
                QVERIFY(isPlace(part.samples[static_cast<std::size_t>(2 * i + 1)], at + i));
            at += chunk;
        }
    }
    void seeksToTheSample()
    {
        auto sound = SoundReader::open(flac_, 0, {});
        test::Random random(3);
        for (int i = 0; i < 200; ++i) {
            const int at = random.whole(0, 90000);
            sound.value()->seek(at);
            const SoundBuffer part = sound.value()->read(50);
            for (int k = 0; k < 50; ++k)
                QVERIFY2(
                    isPlace(part.samples[static_cast<std::size_t>(2 * k + 1)], at + k),
                    qPrintable(
                        QStringLiteral("%1 at %2").arg(part.samples[static_cast<std::size_t>(2 * k + 1)]).arg(at + k)));
        }
    }
    void silenceBeforeAndAfter()
    {
        auto sound = SoundReader::open(flac_, 0, {});
        sound.value()->seek(-100);
        const SoundBuffer before = sound.value()->read(200);
        for (std::size_t i = 0; i < 200; ++i)
            QCOMPARE(before.samples[i], 0.f);
        QVERIFY(isPlace(before.samples[201 + 2], 1));
        sound.value()->seek(96000 - 10);
        const SoundBuffer end = sound.value()->read(1000);
        QVERIFY(isPlace(end.samples[1], 96000 - 10));
        for (std::size_t i = 20; i < 2000; ++i)
            QCOMPARE(end.samples[i], 0.f);
        QVERIFY(sound.value()->atEnd());
    }
    void originMovesTheSound()
    {
        auto sound = SoundReader::open(flac_, 0.5, {});
        sound.value()->seek(0);
        QVERIFY(isPlace(sound.value()->read(1).samples[1], 24000));
    }
    void otherRatesAndChannels()
    {
        auto sound = SoundReader::open(flac_, 0, {16000, 1});
        QCOMPARE(sound.value()->rate(), 16000);
        QCOMPARE(sound.value()->channels(), 1);
        sound.value()->seek(8000);
        const SoundBuffer part = sound.value()->read(16000);
        QCOMPARE(part.length(), std::int64_t{16000});
        float loudest = 0;
        for (const float v : part.samples)
            loudest = std::max(loudest, std::abs(v));
        QVERIFY(loudest > 0.2f && loudest <= 1.1f);
    }
    void lossyCodersStayInPlace()
    {
        // A click in AAC comes back within a millisecond of where it was put, from any place of reading.
        const QString wav = folder_.filePath(QStringLiteral("click.wav"));
        const QString mp4 = folder_.filePath(QStringLiteral("click.mp4"));
        QVERIFY(
            test::ffmpeg({QStringLiteral("-f"), QStringLiteral("lavfi"), QStringLiteral("-i"),
                          QStringLiteral("aevalsrc='if(between(t,1.5,1.51),sin(2*PI*3000*t),0)':s=48000:d=3"), wav}));
        QVERIFY(
            test::ffmpeg({QStringLiteral("-f"), QStringLiteral("lavfi"), QStringLiteral("-i"),
                          QStringLiteral("color=s=64x64:r=24:d=3"), QStringLiteral("-i"), wav, QStringLiteral("-c:a"),
                          QStringLiteral("aac"), QStringLiteral("-b:a"), QStringLiteral("192k"), mp4}));
        auto sound = SoundReader::open(mp4.toStdString(), 0, {});
        QVERIFY(sound);
        for (const std::int64_t from : {0, 48000, 70000}) {
            sound.value()->seek(from);
            const SoundBuffer part = sound.value()->read(90000 - from);
            std::int64_t first = -1;
            for (std::int64_t i = 0; i < part.length() && first < 0; ++i)
                if (std::abs(part.samples[static_cast<std::size_t>(i * part.channels)]) > 0.3f)
                    first = from + i;
            QVERIFY2(std::abs(first - 72000) < 48, qPrintable(QString::number(first)));
        }
    }
    void waveformFollowsTheSound()
    {
        const QString wav = folder_.filePath(QStringLiteral("burst.wav"));
        QVERIFY(test::ffmpeg({QStringLiteral("-f"), QStringLiteral("lavfi"), QStringLiteral("-i"),
                              QStringLiteral("aevalsrc='if(gte(t,1),0.8*sin(2*PI*500*t),0)':s=44100:d=2"), wav}));
        int told = 0;
        const auto wave =
            readWaveform(*SoundReader::open(wav.toStdString(), 0, {}).value(), "wave", 2.0, 0.01, [&](double share) {
                ++told;
                return share <= 1;
            });
        QVERIFY(wave);
        QCOMPARE(wave->low.size(), std::size_t{200});
        QVERIFY(told > 0);
        for (std::size_t i = 0; i < 200; ++i)
            QVERIFY(i < 99 ? wave->high[i] < 0.01f : i > 100 ? wave->high[i] > 0.7f && wave->low[i] < -0.7f : true);
        const auto stopped = readWaveform(*SoundReader::open(wav.toStdString(), 0, {}).value(), "wave", 2.0, 0.01,
                                          [](double) { return false; });
        QVERIFY(!stopped && stopped.error().code == ErrorCode::cancelled);
    }
};

EMBER_TEST(SoundTest)
#include "tst_sound.moc"
