// SPDX-License-Identifier: GPL-3.0-or-later
// Onsets against sounds whose onsets are known. None of these sounds was used to choose the detector's constants.
#include <aubio/aubio.h>

#include <set>

#include <QTest>

#include "ember/analysis/onsets.h"
#include "judging.h"
#include "pictures.h"
#include "runner.h"
#include "sounds.h"

using namespace ember;
using namespace ember::test;

namespace {

constexpr double oneFrame = 1.0 / 24;
constexpr std::uint64_t unheard = 7000; ///< seeds of the sounds here begin with this

SoundTrace traceOf(const SoundBuffer& sound)
{
    SoundMeter meter(sound.rate, sound.channels);
    meter.hear(sound.samples);
    return meter.finish();
}

std::vector<double> ours(const SoundBuffer& sound)
{
    std::vector<double> times;
    for (const Onset& onset : onsetsOf(traceOf(sound), {}))
        times.push_back(onset.seconds);
    return times;
}

/// The onsets that aubio finds as it comes.
std::vector<double> aubios(const SoundBuffer& sound)
{
    constexpr uint_t window = 512, hop = 256;
    aubio_onset_t* finder = new_aubio_onset("default", window, hop, static_cast<uint_t>(sound.rate));
    fvec_t* in = new_fvec(hop);
    fvec_t* out = new_fvec(1);
    std::vector<double> times;
    const auto channels = static_cast<std::size_t>(sound.channels);
    const auto frames = static_cast<std::size_t>(sound.length());
    for (std::size_t at = 0; at < frames; at += hop) {
        for (std::size_t i = 0; i < hop; ++i) {
            float sum = 0;
            for (std::size_t c = 0; at + i < frames && c < channels; ++c)
                sum += sound.samples[(at + i) * channels + c];
            in->data[i] = sum / static_cast<float>(channels);
        }
        aubio_onset_do(finder, in, out);
        if (out->data[0] != 0)
            times.push_back(static_cast<double>(aubio_onset_get_last_s(finder)));
    }
    del_fvec(in);
    del_fvec(out);
    del_aubio_onset(finder);
    return times;
}

/// A set of sounds and what both make of it, told as a line of the test's log.
struct Both {
    Judgement ours{oneFrame};
    Judgement theirs{oneFrame};

    void add(const KnownSound& known)
    {
        const double length = static_cast<double>(known.sound.length()) / known.sound.rate;
        ours.add(known.onsets, ::ours(known.sound), length);
        theirs.add(known.onsets, aubios(known.sound), length);
    }
    void tell(const char* name) const
    {
        qInfo("%-14s F %.3f, missed %.1f and false %.1f a minute, median offset %.1f ms; aubio's defaults F %.3f", name,
              ours.f(), ours.perMinute(ours.missed()), ours.perMinute(ours.wrong()), 1e3 * ours.medianOffset(),
              theirs.f());
    }
};

} // namespace

class OnsetTest : public QObject {
    Q_OBJECT
private slots:
    void theyAreFoundBetterThanByDefaultsElsewhere()
    {
        struct Row {
            const char* name;
            double least; ///< F
            Both both = {};
        };
        std::array<Row, 8> rows{{{"drums", 0.95},
                                 {"drums in a mix", 0.92},
                                 {"impacts", 0.97},
                                 {"under music", 0.95},
                                 {"under noise", 0.95},
                                 {"clipped", 0.95},
                                 {"8 to 96 kHz", 0.87},
                                 {"5.1", 0.95}}};
        auto& [drums, mixed, impacts, music, noise, clipped, rates, surround] = rows;
        const std::vector<double> tempi{76, 93, 109, 121, 134, 167};
        for (std::size_t i = 0; i < tempi.size(); ++i)
            drums.both.add(drumMusic(unheard + i, tempi[i], i % 3 == 1 ? 0.2 : i % 3 == 2 ? 0.33 : 0, 10));
        for (std::uint64_t i = 0; i < 4; ++i) {
            mixed.both.add(drumMusic(unheard + 10 + i, 84 + 19.0 * static_cast<double>(i), i % 2 == 0 ? 0 : 0.25, 10,
                                     i % 2 == 0 ? Bed::music : Bed::noise));
            impacts.both.add(separateImpacts(unheard + 20 + i, Bed::silence, 1, 12));
            music.both.add(separateImpacts(unheard + 30 + i, Bed::music, 1, 12));
            noise.both.add(separateImpacts(unheard + 40 + i, Bed::noise, 1, 12));
            clipped.both.add(separateImpacts(unheard + 50 + i, i % 2 == 0 ? Bed::noise : Bed::silence, 4, 12));
            surround.both.add(separateImpacts(unheard + 60 + i, i % 2 == 0 ? Bed::noise : Bed::music, 1, 10, 48000, 6));
        }
        for (const int rate : {8000, 11025, 22050, 96000})
            rates.both.add(
                separateImpacts(unheard + static_cast<std::uint64_t>(rate), Bed::noise, 1, 10, rate, rate % 2 + 1));
        double mean = 0, theirs = 0;
        for (const Row& row : rows) {
            row.both.tell(row.name);
            mean += row.both.ours.f() / rows.size();
            theirs += row.both.theirs.f() / rows.size();
        }
        qInfo("mean F %.3f; aubio's defaults %.3f", mean, theirs);
        for (const Row& row : rows) {
            QVERIFY2(row.both.ours.f() >= row.least, row.name);
            QVERIFY2(row.both.ours.medianOffset() < 0.005, row.name);
        }
        QVERIFY(mean >= theirs + 0.08);
    }
    void aHigherSensitivityFindsAllThatALowerDoes()
    {
        std::size_t more = 0;
        for (const Band band : {Band::all, Band::low, Band::middle, Band::high}) {
            const SoundTrace trace = traceOf(drumMusic(unheard + 1, 110, 0.2, 6).sound);
            std::set<double> before;
            for (const double sensitivity : {0.0, 0.2, 0.4, 0.5, 0.7, 0.9, 1.0}) {
                std::set<double> now;
                for (const Onset& onset : onsetsOf(trace, {band, sensitivity, 0.05}))
                    now.insert(onset.seconds);
                QVERIFY(std::includes(now.begin(), now.end(), before.begin(), before.end()));
                QVERIFY(sensitivity == 0 || now.size() >= before.size());
                before = now;
            }
            QVERIFY(before.size() > 10);
            more += before.size() - onsetsOf(trace, {band, 0.2, 0.05}).size();
        }
        QVERIFY(more > 3);
    }
    void noTwoAreCloserThanTheyMay()
    {
        const SoundTrace trace = traceOf(drumMusic(unheard + 2, 150, 0, 6).sound);
        const auto close = onsetsOf(trace, {Band::all, 0.5, 0.05});
        const auto apart = onsetsOf(trace, {Band::all, 0.5, 0.35});
        QVERIFY(apart.size() < close.size());
        for (std::size_t i = 1; i < apart.size(); ++i)
            QVERIFY(apart[i].seconds - apart[i - 1].seconds >= 0.35);
    }
    void theyComeWithTheFirstEnergyNotTheLoudest()
    {
        // A tone that takes a fifth of a second to its loudest; and it is quiet before.
        SoundBuffer sound{48000, 1, std::vector<float>(96000, 0.f)};
        for (std::size_t i = 48000; i < 96000; ++i) {
            const double t = static_cast<double>(i - 48000) / 48000;
            sound.samples[i] = static_cast<float>(0.8 * std::min(1.0, t / 0.2) * std::sin(2000 * t));
        }
        // It is no blow, so that it is no event; but it begins to sound there.
        const SoundTrace trace = traceOf(sound);
        QVERIFY(onsetsOf(trace, {}).empty());
        const auto onsets = OnsetFinder(trace, Band::all, 0.05).pulses();
        QCOMPARE(onsets.size(), std::size_t{1});
        QVERIFY(std::abs(onsets[0].seconds - 1) < 0.02);
    }
    void bandsAreListenedToApart()
    {
        // A thump at 1 s, a hiss at 2 s.
        SoundBuffer sound{48000, 1, std::vector<float>(144000, 0.f)};
        const SoundBuffer noise = whiteNoise(3, 0.5, 0.2);
        for (std::size_t i = 0; i < 9600; ++i) {
            const double t = static_cast<double>(i) / 48000;
            sound.samples[48000 + i] =
                static_cast<float>(0.8 * std::exp(-t / 0.06) * std::sin(2 * 3.14159265 * 60 * t));
            const float high = i < 2 ? 0.f : noise.samples[i] - 2 * noise.samples[i - 1] + noise.samples[i - 2];
            sound.samples[96000 + i] = 0.3f * high * static_cast<float>(std::exp(-t / 0.03));
        }
        const SoundTrace trace = traceOf(sound);
        const auto low = onsetsOf(trace, {Band::low, 0.5, 0.05});
        const auto high = onsetsOf(trace, {Band::high, 0.5, 0.05});
        QCOMPARE(low.size(), std::size_t{1});
        QVERIFY(std::abs(low[0].seconds - 1) < 0.01);
        QVERIFY(!high.empty() && std::abs(high.back().seconds - 2) < 0.005);
        QCOMPARE(onsetsOf(trace, {}).size(), std::size_t{2});
    }
    void strengthFollowsLoudness()
    {
        // The same hit at falling levels.
        SoundBuffer sound{48000, 1, std::vector<float>(48000 * 4, 0.f)};
        const SoundBuffer noise = whiteNoise(5, 1, 0.2);
        for (int hit = 0; hit < 4; ++hit)
            for (std::size_t i = 0; i < noise.samples.size(); ++i)
                sound.samples[24000 + 40000 * static_cast<std::size_t>(hit) + i] =
                    noise.samples[i] *
                    static_cast<float>(std::pow(0.5, hit) * std::exp(-static_cast<double>(i) / 1500));
        const auto onsets = onsetsOf(traceOf(sound), {});
        QCOMPARE(onsets.size(), std::size_t{4});
        QCOMPARE(onsets[0].strength, 1.0);
        for (std::size_t i = 1; i < 4; ++i) // half the pressure is 0.5^0.6 of the loudness
            QVERIFY(std::abs(onsets[i].strength / onsets[i - 1].strength - std::pow(0.5, 0.6)) < 0.03);
    }
    void theSameSoundGivesTheSameHoweverItComes()
    {
        const SoundBuffer sound = separateImpacts(unheard + 3, Bed::noise, 1, 5).sound;
        const SoundTrace whole = traceOf(sound);
        SoundMeter meter(sound.rate, sound.channels);
        Random random(4);
        for (std::size_t at = 0; at < sound.samples.size();) {
            const auto count =
                std::min<std::size_t>(2 * static_cast<std::size_t>(random.whole(1, 9000)), sound.samples.size() - at);
            meter.hear(std::span(sound.samples).subspan(at, count));
            at += count;
        }
        const SoundTrace pieces = meter.finish();
        QVERIFY(pieces.spectrum == whole.spectrum);
        QVERIFY(pieces.fine == whole.fine);
        QCOMPARE(pieces.seconds, whole.seconds);
    }
    void aQuietRecordingIsReadLikeALoudOne()
    {
        KnownSound known = separateImpacts(unheard + 6, Bed::silence, 1, 10);
        for (float& s : known.sound.samples)
            s *= 0.02f;
        Judgement judgement(oneFrame);
        judgement.add(known.onsets, ours(known.sound), 10);
        QVERIFY(judgement.f() > 0.95);
    }
    void whereNothingHitsNothingIsFound()
    {
        QVERIFY(ours(whiteNoise(1, 0.3, 5)).empty());
        QVERIFY(ours(whiteNoise(2, 0.3, 60)).size() <= 1);
        QVERIFY(ours({48000, 2, std::vector<float>(480000, 0.f)}).empty());
        SoundBuffer tone{48000, 1, std::vector<float>(96000)}; // from the first sample to the last
        for (std::size_t i = 0; i < tone.samples.size(); ++i)
            tone.samples[i] = static_cast<float>(0.5 * std::cos(0.013 * static_cast<double>(i)));
        QVERIFY(ours(tone).empty());
        QVERIFY(ours({48000, 1, {}}).empty());
        QVERIFY(ours({48000, 1, {0.5f}}).empty());
        QVERIFY(ours({48000, 6, std::vector<float>(60, 0.1f)}).empty());
        SoundBuffer broken{48000, 1, std::vector<float>(48000, std::nanf(""))};
        QVERIFY(ours(broken).empty());
    }
    void aHitOnTheFirstSampleCounts()
    {
        SoundBuffer sound = whiteNoise(8, 0.8, 1);
        for (std::size_t i = 0; i < sound.samples.size(); ++i)
            sound.samples[i] *= static_cast<float>(std::exp(-static_cast<double>(i) / 2000));
        const auto found = ours(sound);
        QCOMPARE(found.size(), std::size_t{1});
        QVERIFY(found[0] < 0.01);
    }
    void threeHoursAreBounded()
    {
        // What is kept of a second does not grow with the rate or the channels.
        const SoundTrace little = traceOf(whiteNoise(1, 0.1, 2, 8000));
        SoundBuffer wide{96000, 6, std::vector<float>(96000 * 6 * 2, 0.01f)};
        const SoundTrace much = traceOf(wide);
        QCOMPARE(much.spectrum.size(), little.spectrum.size());
        QCOMPARE(much.fine.size(), little.fine.size());
        const double bytesAnHour = 1800.0 * static_cast<double>(little.spectrum.size() + little.fine.size());
        QVERIFY(bytesAnHour < 33e6);
    }
};

EMBER_TEST(OnsetTest)
#include "tst_onsets.moc"
