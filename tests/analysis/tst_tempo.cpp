// SPDX-License-Identifier: GPL-3.0-or-later
#include <QTest>

#include "ember/analysis/sound_shape.h"
#include "ember/analysis/tempo.h"
#include "runner.h"
#include "sounds.h"

using namespace ember;
using namespace ember::test;

namespace {

SoundTrace traceOf(const SoundBuffer& sound)
{
    SoundMeter meter(sound.rate, sound.channels);
    meter.hear(sound.samples);
    return meter.finish();
}

std::vector<Onset> pulsesOf(const SoundTrace& trace)
{
    return OnsetFinder(trace, Band::all, 0.05).pulses();
}

/// Noise that falls exponentially from second 1 on, with a floor it stays on.
SoundBuffer falling(double decay, double floor, double seconds)
{
    SoundBuffer sound = whiteNoise(11, 0.9, seconds);
    for (std::size_t i = 0; i < sound.samples.size(); ++i) {
        const double t = static_cast<double>(i) / 48000 - 1;
        sound.samples[i] *= t < 0 ? 0.f : static_cast<float>(floor + (1 - floor) * std::exp(-t / decay));
    }
    return sound;
}

} // namespace

class TempoTest : public QObject {
    Q_OBJECT
private slots:
    void itIsRightWithinHalfAPercent()
    {
        int right = 0, halfOrDouble = 0;
        constexpr int count = 24;
        for (int i = 0; i < count; ++i) {
            const double bpm = 70 + 3.9 * i;
            const KnownSound known = drumMusic(9000 + static_cast<std::uint64_t>(i), bpm,
                                               i % 3 == 1   ? 0.2
                                               : i % 3 == 2 ? 0.33
                                                            : 0,
                                               14);
            const SoundTrace trace = traceOf(known.sound);
            const auto tempo = tempoOf(trace, pulsesOf(trace));
            QVERIFY(tempo.has_value());
            const double ratio = tempo->grid.bpm / bpm;
            right += std::abs(ratio - 1) < 0.005 ? 1 : 0;
            for (const double octave : {0.5, 1.0, 2.0})
                halfOrDouble += std::abs(ratio / octave - 1) < 0.005 ? 1 : 0;
            if (std::abs(ratio - 1) < 0.005) { // and on the beat
                const double off = (tempo->grid.firstBeat - known.firstBeat) * tempo->grid.bpm / 60;
                QVERIFY(std::abs(off - std::round(off)) < 0.06);
                QVERIFY(tempo->confidence > 0.6);
            }
        }
        qInfo("tempo right for %d of %d, %d with its half and double", right, count, halfOrDouble);
        QVERIFY(right >= count - 2);
        QCOMPARE(halfOrDouble, count);
    }
    void whereThereIsNoBeatNoneIsTold()
    {
        const SoundTrace noise = traceOf(whiteNoise(1, 0.4, 8));
        QVERIFY(!tempoOf(noise, pulsesOf(noise)));
        QVERIFY(!tempoOf(SoundTrace(), {}));
        int told = 0;
        for (std::uint64_t i = 0; i < 6; ++i) {
            const SoundTrace trace = traceOf(separateImpacts(9100 + i, Bed::silence, 1, 20).sound);
            const auto tempo = tempoOf(trace, pulsesOf(trace));
            told += tempo && tempo->confidence > 0.7 ? 1 : 0;
        }
        QCOMPARE(told, 0);
    }
    void barsBeginWithWhatIsLow()
    {
        for (const int beats : {3, 4})
            for (const int start : {0, 2}) {
                // A drum where bars begin, a tick on the other beats, at 100 BPM.
                SoundBuffer sound{48000, 1, std::vector<float>(48000 * 16, 0.f)};
                const SoundBuffer noise = whiteNoise(4, 0.9, 0.1);
                for (int beat = 0; beat < 24; ++beat)
                    for (std::size_t i = 0; i < noise.samples.size(); ++i) {
                        const double t = static_cast<double>(i) / 48000;
                        const bool bar = beat % beats == start;
                        const double value = bar ? 0.6 * std::sin(2 * 3.14159265 * 70 * t) * std::exp(-t / 0.05) : 0;
                        sound.samples[static_cast<std::size_t>((0.3 + 0.6 * beat) * 48000) + i] =
                            static_cast<float>(value + static_cast<double>(noise.samples[i]) * std::exp(-t / 0.01));
                    }
                const SoundTrace trace = traceOf(sound);
                const auto tempo = tempoOf(trace, pulsesOf(trace));
                QVERIFY(tempo && std::abs(tempo->grid.bpm - 100) < 0.5);
                QCOMPARE(tempo->grid.barBeats, beats);
                for (int bar = 0; bar < 4; ++bar) {
                    const auto beat = tempo->grid.nearest(0.3 + 0.6 * (start + bar * beats));
                    QVERIFY(tempo->grid.startsBar(beat) && !tempo->grid.startsBar(beat + 1));
                }
            }
    }
    void onlyWhatIsOnTheBeatBecomesOne()
    {
        Tempo tempo;
        tempo.grid = {120, 1, 4, 0};
        tempo.beats = 8;
        std::vector<Onset> onsets(5);
        const std::array<double, 5> times{0.5, 1.01, 1.75, 2.5, 9};
        for (std::size_t i = 0; i < 5; ++i)
            onsets[i].seconds = times[i];
        nameBeats(onsets, tempo);
        QCOMPARE(onsets[0].kind, StrikeKind::hit); // before the first beat
        QCOMPARE(onsets[1].kind, StrikeKind::beat);
        QCOMPARE(onsets[2].kind, StrikeKind::hit); // between beats
        QCOMPARE(onsets[3].kind, StrikeKind::beat);
        QCOMPARE(onsets[4].kind, StrikeKind::hit); // after the last
    }
    void theGridCounts()
    {
        const BeatGrid grid{120, 0.25, 3, 1};
        QCOMPARE(grid.at(4), 2.25);
        QCOMPARE(grid.nearest(2.3), std::int64_t{4});
        QVERIFY(grid.startsBar(1) && grid.startsBar(4) && grid.startsBar(-2));
        QVERIFY(!grid.startsBar(0) && !grid.startsBar(3));
    }
    void aLongTailRumblesLong()
    {
        const FrameRate rate;
        const SoundTrace quick = traceOf(falling(0.08, 0, 4));
        const SoundTrace slow = traceOf(falling(0.6, 0, 6));
        const SoundTrace rumbling = traceOf(falling(0.1, 0.1, 5));
        const Envelope a = envelopeFromSound(quick, 1, 4, rate, {});
        const Envelope b = envelopeFromSound(slow, 1, 6, rate, {});
        const Envelope c = envelopeFromSound(rumbling, 1, 5, rate, {});
        QVERIFY(a.end() < 24);
        QVERIFY(b.end() > 2.5 * a.end());
        QVERIFY(c.end() > 60);                                                      // to the end of its sound, quietly
        QVERIFY(c[EnvelopeField::rumble] > 0.15 && c[EnvelopeField::rumble] < 0.4); // 0.1^0.6 is 0.25
        // The envelope follows the loudness it was fitted to.
        for (const auto& [trace, envelope, end] : {std::tuple{&quick, a, 4.0}, {&slow, b, 6.0}, {&rumbling, c, 5.0}}) {
            const auto loudness = loudnessFrom(*trace, 1, end);
            double sum = 0;
            int count = 0;
            const auto peakEnd = static_cast<std::size_t>(rate.seconds(envelope.holdEnd() + 1) / SoundTrace::step);
            for (std::size_t i = peakEnd; i < loudness.size() && loudness[i] > 0.08f; ++i, ++count) {
                const double off = intensityAt(envelope, rate.frames(static_cast<double>(i) * SoundTrace::step)) -
                                   static_cast<double>(loudness[i]);
                sum += off * off;
            }
            QVERIFY2(std::sqrt(sum / count) < 0.09, qPrintable(QString::number(std::sqrt(sum / count))));
        }
        // Another event cuts it off.
        QVERIFY(envelopeFromSound(slow, 1, 1.5, rate, {}).end() < 0.75 * b.end());
        // Nothing to hear leaves the envelope as it is.
        QVERIFY(envelopeFromSound(quick, 0.2, 0.9, rate, a) == a);
        QVERIFY(envelopeFromSound({}, 0, 1, rate, a) == a);
    }
};

EMBER_TEST(TempoTest)
#include "tst_tempo.moc"
