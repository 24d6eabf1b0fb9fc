// SPDX-License-Identifier: GPL-3.0-or-later
// Listening to files and watching clips: long, short, odd and broken ones.
#include <QTemporaryDir>
#include <QTest>

#include "clips.h"
#include "ember/film/find_strikes.h"
#include "ember/film/import_strikes.h"
#include "ember/film/new_project.h"
#include "ember/film/render_film.h"
#include "ember/media/sound_reader.h"
#include "ember/project/edits.h"
#include "runner.h"
#include "sounds.h"

using namespace ember;
using namespace ember::test;

namespace {

bool goOn(double)
{
    return true;
}

SoundBuffer hitsAt(const std::vector<double>& seconds, double length, int rate = 48000)
{
    const SoundBuffer noise = whiteNoise(1, 0.8, 0.08, rate);
    SoundBuffer sound{rate, 1, std::vector<float>(static_cast<std::size_t>(length * rate), 0.f)};
    for (const double at : seconds)
        for (std::size_t i = 0; i < noise.samples.size(); ++i)
            sound.samples[static_cast<std::size_t>(at * rate) + i] +=
                noise.samples[i] * static_cast<float>(std::exp(-static_cast<double>(i) / 700));
    return sound;
}

} // namespace

class FindTest : public QObject {
    Q_OBJECT
    QTemporaryDir folder_;
    std::string at(const char* name) const { return folder_.filePath(QString::fromUtf8(name)).toStdString(); }
    std::vector<double> heardIn(const SoundSource& source, double seconds)
    {
        std::vector<double> times;
        const auto trace = listenTo(source, seconds, goOn);
        if (trace)
            for (const Onset& onset : onsetsOf(trace.value(), {}))
                times.push_back(onset.seconds);
        return times;
    }

private slots:
    void aFileIsHeardAsItsSamplesAre()
    {
        const std::vector<double> hits{0.5, 1.25, 2.1};
        writeWav(at("hits.wav"), hitsAt(hits, 3));
        const auto found = heardIn({at("hits.wav"), 0}, 0);
        QCOMPARE(found.size(), hits.size());
        for (std::size_t i = 0; i < hits.size(); ++i)
            QVERIFY(std::abs(found[i] - hits[i]) < 0.004);
        // Only as far as the film goes, from where its second 0 is, and past the end of the sound.
        QCOMPARE(heardIn({at("hits.wav"), 0}, 1).size(), std::size_t{1});
        const auto later = heardIn({at("hits.wav"), 1}, 60);
        QCOMPARE(later.size(), std::size_t{2});
        QVERIFY(std::abs(later[0] - 0.25) < 0.004);
        const auto early = heardIn({at("hits.wav"), -2}, 60);
        QVERIFY(early.size() == 3 && std::abs(early[0] - 2.5) < 0.004);
    }
    void ratesThatChangeOnTheWayAreOneSound()
    {
        // Two pieces of another rate, one behind the other in an MPEG transport stream.
        writeWav(at("a.wav"), hitsAt({0.5}, 1.0, 48000));
        writeWav(at("b.wav"), hitsAt({0.5}, 1.0, 32000));
        for (const char* name : {"a", "b"})
            QVERIFY(ffmpeg({"-i", QString::fromStdString(at((std::string(name) + ".wav").c_str())), "-c:a", "mp2",
                            "-b:a", "128k", QString::fromStdString(at((std::string(name) + ".mp2").c_str()))}));
        writeBytes(at("both.mp2"), bytesOf(at("a.mp2")) + bytesOf(at("b.mp2")));
        const auto found = heardIn({at("both.mp2"), 0}, 0);
        QVERIFY(found.size() >= 2); // no hang, nothing lost
        QVERIFY(std::abs(found[0] - 0.5) < 0.06);
    }
    void brokenAndMissingSoundsAreTold()
    {
        QVERIFY(!listenTo({at("missing.wav"), 0}, 0, goOn));
        writeBytes(at("text.wav"), "this is no sound");
        const auto text = listenTo({at("text.wav"), 0}, 0, goOn);
        QVERIFY(!text);
        QVERIFY(sentence(text.error()).find("text.wav") != std::string::npos);
        writeWav(at("cut.wav"), hitsAt({0.3}, 2));
        writeBytes(at("cut.wav"), bytesOf(at("cut.wav")).left(60000));
        QVERIFY(!heardIn({at("cut.wav"), 0}, 0).empty()); // what is there is heard
    }
    void bothStopWhenAsked()
    {
        writeWav(at("long.wav"), hitsAt({1}, 20));
        int told = 0;
        const auto heard = listenTo({at("long.wav"), 0}, 0, [&](double done) { return done >= 0 && ++told < 3; });
        QVERIFY(!heard && heard.error().code == ErrorCode::cancelled);
        QCOMPARE(told, 3);
        auto clip = ClipReader::open(numberedClip(folder_, "long.mkv", 60, FrameRate()));
        QVERIFY(clip);
        double last = 0;
        const auto seen = watchClip(*clip.value(), FrameRate(), 60, [&](double done) {
            last = done;
            return done < 0.3;
        });
        QVERIFY(!seen && seen.error().code == ErrorCode::cancelled);
        QVERIFY(last < 0.5);
        const auto whole = watchClip(*clip.value(), FrameRate(), 60, goOn);
        QVERIFY(whole);
        QCOMPARE(whole->frames.size(), std::size_t{60});
        // At a higher rate each picture is watched once, at its first frame.
        const auto faster = watchClip(*clip.value(), *FrameRate::make(60, 1), 150, goOn);
        QCOMPARE(faster->frames.size(), std::size_t{60});
        QCOMPARE(faster->frames[2].frame.index, std::int64_t{5});
    }
    void theFilmSoundsAsTheProjectSays()
    {
        const std::string path = numberedClip(folder_, "sounding.mkv", 24, FrameRate(), 192, 128, true);
        const auto clip = ClipReader::open(path);
        Project project = projectForClip(clip.value()->info());
        QCOMPARE(soundOf(project, clip.value()->info())->path, path);
        project.sound.offset = 0.25;
        QCOMPARE(soundOf(project, clip.value()->info())->originSeconds, clip.value()->info().originSeconds - 0.25);
        writeWav(at("own.wav"), hitsAt({0.5}, 1));
        project.sound.file = at("own.wav");
        // The render has it, as late as it is laid.
        RenderOptions options = wholeFilm(project);
        const auto rendered = renderFilm(project, at("own.mkv"), options, [](const RenderProgress&) { return true; });
        QVERIFY2(rendered, rendered ? "" : sentence(rendered.error()).c_str());
        const auto found = heardIn({at("own.mkv"), 0}, 0);
        QCOMPARE(found.size(), std::size_t{1});
        QVERIFY(std::abs(found[0] - 0.75) < 0.03);
        project.sound.file = at("gone.wav");
        const auto refused = renderFilm(project, at("gone.mkv"), options, [](const RenderProgress&) { return true; });
        QVERIFY(!refused && sentence(refused.error()).find("gone.wav") != std::string::npos);
        project.sound.file = at("own.wav");
        QVERIFY(!renderFilm(project, at("own.wav"), options, [](const RenderProgress&) { return true; }));
    }
    void shapesAreTakenUntilTheNextStrike()
    {
        const std::string path = numberedClip(folder_, "shapes.mkv", 96, FrameRate());
        Project project = projectForClip(ClipReader::open(path).value()->info());
        StrikeIds ids;
        for (const int frame : {24, 48}) {
            auto [next, id] = withStrike(std::move(project), Frame{frame}, StrikeKind::hit, 1);
            project = std::move(next);
            ids.push_back(id);
        }
        SoundBuffer sound = whiteNoise(2, 0.9, 4);
        for (std::size_t i = 0; i < sound.samples.size(); ++i) {
            const double t = static_cast<double>(i) / 48000;
            sound.samples[i] *= static_cast<float>(t < 1   ? 0
                                                   : t < 2 ? std::exp(-(t - 1) / 0.5)
                                                           : std::exp(-(t - 2) / 0.05));
        }
        SoundMeter meter(48000, 1);
        meter.hear(sound.samples);
        const Project shaped = withShapesFromSound(project, ids, meter.finish());
        const double first = envelopeOf(shaped, *shaped.strike(ids[0])).end();
        const double second = envelopeOf(shaped, *shaped.strike(ids[1])).end();
        QVERIFY(first > 15 && first < 34); // until the second
        QVERIFY(second < 9);
        QVERIFY(shaped.strike(ids[0])->recipe == project.strike(ids[0])->recipe);
    }
};

EMBER_TEST(FindTest)
#include "tst_find.moc"
