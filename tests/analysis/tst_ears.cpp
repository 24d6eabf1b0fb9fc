// SPDX-License-Identifier: GPL-3.0-or-later
// What is heard as an event and what is not, on recordings: a part of the proving ground for ears.
#include <set>

#include <QTest>

#include "ember/analysis/likeness.h"
#include "onset_features.h"
#include "runner.h"
#include "scoring.h"
#include "sound_scenes.h"
#include "sounds.h"

using namespace ember;
using namespace ember::proving;
using namespace ember::test;

namespace {

SoundTrace traceOf(const SoundBuffer& sound)
{
    SoundMeter meter(sound.rate, sound.channels);
    meter.hear(sound.samples);
    return meter.finish();
}

const FrameRate milliseconds = FrameRate::make(1000, 1).value_or(FrameRate());

std::vector<Candidate> candidatesOf(const SoundTrace& trace, double sensitivity)
{
    FindOptions options;
    options.from = FindFrom::sound;
    options.sensitivity = sensitivity;
    return findStrikes(&trace, nullptr, 0, milliseconds, options).candidates;
}

/// Noise that dies away, low or bright.
void knock(SoundBuffer& sound, double at, double level, double seconds, double corner)
{
    const SoundBuffer noise = whiteNoise(17, level, 5 * seconds);
    const double share = 1 - std::exp(-2 * 3.14159265 * corner / sound.rate);
    double value = 0;
    for (std::size_t i = 0; i < static_cast<std::size_t>(noise.length()); ++i) {
        const double t = static_cast<double>(i) / sound.rate;
        value += share * (static_cast<double>(noise.samples[i * static_cast<std::size_t>(noise.channels)]) - value);
        const auto s = static_cast<float>(value * std::exp(-t / seconds));
        for (std::size_t c = 0; c < static_cast<std::size_t>(sound.channels); ++c)
            if (const std::size_t k =
                    (static_cast<std::size_t>(at * sound.rate) + i) * static_cast<std::size_t>(sound.channels) + c;
                k < sound.samples.size())
                sound.samples[k] += s;
    }
}

SoundBuffer silence(double seconds)
{
    SoundBuffer sound = whiteNoise(3, 0.001, seconds);
    return sound;
}

} // namespace

class EarsTest : public QObject {
    Q_OBJECT
private slots:
    void recordedEventsAreFoundAndWhatIsNoneIsNot()
    {
        // Mixes that trained nothing; where openarena-data is installed its recordings, which did not either. The whole
        // proving ground is bench_ears'.
        const Share share = Recordings(Share::unseen).complete() ? Share::unseen : Share::tuning;
        const Recordings recordings(share);
        const Player player(share);
        QVERIFY2(recordings.complete() && player.ready(), "teeworlds-data and timgm6mb-soundfont are not installed");
        std::map<std::string, Score> scores;
        Score all, traps;
        for (const char* kind : {"alone", "in a room", "over ambience", "under music", "steps", "bursts", "drums",
                                 "drums in music", "whooshes", "ambience changes", "machines", "wind"})
            for (const std::uint64_t seed : {std::uint64_t{9001}, std::uint64_t{9002}}) {
                const SoundScene scene = soundScene(kind, seed, recordings, player);
                std::vector<Proposed> proposed;
                for (const Candidate& one : candidatesOf(traceOf(scene.sound), 0.5))
                    proposed.push_back({one.frame.index, one.confidence, one.strength, one.kind, std::nullopt});
                scores[kind].add(knownOf(scene, ""), proposed);
                all.add(knownOf(scene, ""), proposed);
                if (scene.trap)
                    traps.add(knownOf(scene, ""), proposed);
            }
        qInfo("\n%s", tableOf(scores).c_str());
        QVERIFY(all.known > 150);
        QVERIFY(all.f(1) > 0.8);
        QVERIFY(all.brier() < 0.12);
        QVERIFY(traps.falseAMinute() < 6);
        QVERIFY(all.strongestRight > 0.7 * all.strongest);
    }
    void scenesAreTheSameForASeed()
    {
        const Recordings recordings(Share::tuning);
        const Player player(Share::tuning);
        const SoundScene one = soundScene("under music", 5, recordings, player);
        QVERIFY(one.sound.samples == soundScene("under music", 5, recordings, player).sound.samples);
        QVERIFY(one.sound.samples != soundScene("under music", 6, recordings, player).sound.samples);
        QVERIFY(!one.events.empty() && !one.trap && soundScene("wind", 5, recordings, player).trap);
        for (const SoundEvent& event : one.events)
            QVERIFY(event.seconds >= 0 && event.seconds < static_cast<double>(one.sound.length()) / one.sound.rate);
    }
    void aBlastAndItsDebrisAreOne()
    {
        SoundBuffer sound = silence(8);
        for (const double at : {1.0, 4.5}) {
            knock(sound, at, 1.5, 0.4, 2500);
            for (int i = 0; i < 9; ++i) // what falls down after it
                knock(sound, at + 0.35 + 0.13 * i + 0.02 * (i % 3), 0.08, 0.02, 6000);
        }
        const SoundTrace trace = traceOf(sound);
        const auto found = candidatesOf(trace, 0.5);
        QCOMPARE(found.size(), std::size_t{2});
        QVERIFY(std::abs(found[0].seconds - 1) < 0.01 && std::abs(found[1].seconds - 4.5) < 0.01);
        QVERIFY(OnsetFinder(trace, Band::all, 0.05).pulses().size() > 2); // debris was there to be heard
    }
    void tailsAreToldOnWish()
    {
        SoundBuffer sound = silence(8);
        for (const double at : {1.0, 4.5}) {
            knock(sound, at, 1.5, 0.4, 2500);
            for (int i = 0; i < 9; ++i)
                knock(sound, at + 0.35 + 0.13 * i + 0.02 * (i % 3), 0.08, 0.02, 6000);
        }
        const SoundTrace trace = traceOf(sound);
        FindOptions options;
        options.from = FindFrom::sound;
        options.tails = true;
        int events = 0, tails = 0, nearDebris = 0;
        for (const Candidate& one : findStrikes(&trace, nullptr, 0.5, milliseconds, options).candidates) {
            if (!one.tailOf) {
                ++events;
                continue;
            }
            ++tails;
            const double from = one.seconds - *one.tailOf;
            QVERIFY(std::abs(*one.tailOf - 1.5) < 0.01 || std::abs(*one.tailOf - 5) < 0.01); // with the sound's offset
            QVERIFY(from > 0.05 && one.strength < 1);
            QVERIFY(std::abs(one.evidence.back().amount - from) < 1e-9);
            QCOMPARE(one.evidence.back().what, Evidence::What::tail);
            const double step = (from - 0.35) / 0.13;
            nearDebris += std::abs(step - std::round(step)) * 0.13 < 0.05;
        }
        QCOMPARE(events, 2);
        QVERIFY2(tails >= 2 && tails <= 18, qPrintable(QString::number(tails)));
        QCOMPARE(nearDebris, tails);
    }
    void aTempoThatChangesIsFollowed()
    {
        // Played by sampled drums that none of its constants were chosen with where openarena-data is there.
        const Share share = Recordings(Share::unseen).complete() ? Share::unseen : Share::tuning;
        const Recordings recordings(share);
        const Player player(share);
        double sum = 0, strokes = 0;
        int pinned = 0;
        constexpr int count = 6;
        for (std::uint64_t seed = 1; seed <= count; ++seed) {
            const SoundScene scene = soundScene("changing tempo", 7000 + seed, recordings, player);
            const SoundTrace trace = traceOf(scene.sound);
            const auto tempo = tempoOf(trace, OnsetFinder(trace, Band::all, 0.05).pulses());
            QVERIFY(scene.beats.size() > 20);
            QVERIFY(tempo && !badPin(tempo->grid));
            pinned += !tempo->grid.pins.empty();
            int met = 0;
            for (const double beat : scene.beats) // on a beat, or between two where every second was found
                met += std::abs(std::remainder(tempo->grid.beatAt(beat), 0.5)) * 60 / tempo->grid.bpmAt(beat) < 0.03;
            sum += met / static_cast<double>(scene.beats.size());
            Score score;
            std::vector<Proposed> proposed;
            for (const Candidate& one : candidatesOf(trace, 0.5))
                proposed.push_back({one.frame.index, one.confidence, one.strength, one.kind, std::nullopt});
            score.add(knownOf(scene, ""), proposed);
            strokes += score.f(1);
        }
        qInfo("%.2f of the beats on the grid, F of the strokes %.2f, %d of %d pinned", sum / count, strokes / count,
              pinned, count);
        QVERIFY(sum / count > 0.75);
        QVERIFY(strokes / count > 0.75);
        QVERIFY(pinned >= 4);
    }
    void itIsToldWhy()
    {
        SoundBuffer sound = silence(6);
        knock(sound, 2, 0.8, 0.15, 3000);
        const auto found = candidatesOf(traceOf(sound), 0.5);
        QCOMPARE(found.size(), std::size_t{1});
        QVERIFY(found[0].evidence.size() >= 2);
        QCOMPARE(found[0].evidence[0].what, Evidence::What::rises);
        QVERIFY(found[0].evidence[0].amount > 20 && found[0].evidence[0].amount < 80);
        QCOMPARE(found[0].evidence[1].what, Evidence::What::above);
        QVERIFY(found[0].sounds.size() > 20 && found[0].sounds.size() < OnsetFeatures::own());
        QVERIFY(found[0].looks.empty());
    }
    void whatIsAlikeIsFound()
    {
        // Two sounds that come again and again, at many strengths.
        SoundBuffer sound = silence(24);
        std::set<long> dull, bright;
        for (int i = 0; i < 11; ++i) {
            const double at = 1 + 2 * i + 0.13 * (i % 4), level = 0.3 + 0.06 * (i % 7);
            const bool low = i % 2 == 0;
            knock(sound, at, low ? 2 * level : level, low ? 0.25 : 0.03, low ? 150 : 9000);
            (low ? dull : bright).insert(std::lround(10 * at));
        }
        const auto all = candidatesOf(traceOf(sound), 1);
        const auto at = [&](double seconds) {
            return std::find_if(all.begin(), all.end(),
                                [&](const Candidate& one) { return std::abs(one.seconds - seconds) < 0.02; });
        };
        const auto example = at(1), other = at(3.13);
        QVERIFY(example != all.end() && other != all.end());
        const Likeness likeness(all);
        QCOMPARE(likeness.between(*example, *example), 0.0);
        QCOMPARE(likeness.between(*example, *other), likeness.between(*other, *example));
        QVERIFY(likeness.between(*example, *at(5.26)) < likeness.between(*example, *other));
        const std::vector<Candidate> others{*other};
        std::size_t right = 0;
        for (const std::size_t i : likeness.alike(*example, others)) {
            QVERIFY(!bright.contains(std::lround(10 * all[i].seconds)));
            right += dull.contains(std::lround(10 * all[i].seconds));
        }
        QVERIFY(right >= dull.size() - 2); // itself is not among them
        Candidate seen;
        seen.looks = {1, 2};
        QVERIFY(likeness.between(*example, seen) > 1000);
        QVERIFY(likeness.alike(seen, {}).empty());
        QVERIFY(Likeness({}).alike(*example, {}).empty());
    }
    void whatIsMuchSurerIsNotMeant()
    {
        std::vector<Candidate> proposals(3);
        proposals[0].confidence = 0.4;
        proposals[1].confidence = 0.6;
        proposals[2].confidence = 0.95;
        QCOMPARE(Likeness::surerThan(proposals[0], proposals).size(), std::size_t{1});
        QCOMPARE(Likeness::surerThan(proposals[2], proposals).size(), std::size_t{0});
    }
    void everyRiseHasItsNumbers()
    {
        QVERIFY(OnsetFeatures::own() > 20 && OnsetFeatures::own() < OnsetFeatures::count());
        const SoundTrace trace = traceOf(drumMusic(9100, 120, 0, 6).sound);
        const auto rises = OnsetTraining::risesOf(trace);
        QVERIFY(rises.size() > 10);
        const OnsetFeatures features = OnsetTraining::featuresOf(trace, rises);
        for (std::size_t i = 0; i < rises.size(); ++i)
            for (std::size_t n = 0; n < OnsetFeatures::count(); ++n)
                QVERIFY2(std::isfinite(features.of(i)[n]), qPrintable(QString::number(n)));
        // No sound, hardly any sound, nothing but silence.
        for (const double seconds : {0.0, 0.004, 0.2}) {
            SoundBuffer none{48000, 1, std::vector<float>(static_cast<std::size_t>(seconds * 48000), 0.F)};
            QVERIFY(candidatesOf(traceOf(none), 1).empty());
        }
    }
    void aHatBetweenTheBeatsIsNotTheBeat()
    {
        // Kick and snare on the beats, a bright hat as loud between them; the first two bars are hats alone.
        SoundBuffer sound = silence(20);
        const double beat = 0.55, first = 0.4;
        for (int i = 0; i < 34; ++i) {
            const double at = first + i * beat;
            if (i >= 8)
                knock(sound, at, i % 2 == 0 ? 2.5 : 1.2, 0.06, i % 2 == 0 ? 120 : 1500);
            else
                knock(sound, at, 0.15, 0.02, 9000);
            knock(sound, at + beat / 2, 0.5, 0.03, 9000);
        }
        const SoundTrace trace = traceOf(sound);
        const auto tempo = tempoOf(trace, OnsetFinder(trace, Band::all, 0.05).pulses());
        QVERIFY(tempo.has_value());
        QVERIFY2(std::abs(60 / tempo->grid.bpm / beat - 1) < 0.005, qPrintable(QString::number(tempo->grid.bpm)));
        QVERIFY(std::abs(std::remainder(tempo->grid.firstBeat - first, beat)) < 0.02);
        QVERIFY(tempo->grid.firstBeat < first + 0.02); // from the piece's first beat on
    }
};

EMBER_TEST(EarsTest)
#include "tst_ears.moc"
