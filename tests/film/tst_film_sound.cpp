// SPDX-License-Identifier: GPL-3.0-or-later
// What a film sounds like with its strikes: to the sample, below the ceiling, the same from any place; the rumble
// track.
#include <cmath>
#include <fstream>

#include <QTemporaryDir>
#include <QTest>

#include <ebur128.h>

#include "clips.h"
#include "ember/core/motion.h"
#include "ember/film/film_sound.h"
#include "ember/film/new_project.h"
#include "ember/film/render_film.h"
#include "ember/project/edits.h"
#include "ember/project/file.h"
#include "ember/project/settings.h"
#include "ember/sound/synth.h"
#include "runner.h"

using namespace ember;

class FilmSoundTest : public QObject {
    Q_OBJECT
    QTemporaryDir folder_;
    std::string clip_;
    std::string silent_;

    std::string at(const char* name) const { return folder_.filePath(QString::fromLatin1(name)).toStdString(); }

    /// A film with strikes on these frames that sound like this.
    static Project film(const std::string& clip, const std::vector<std::int64_t>& frames, SoundKind kind,
                        double level = 0)
    {
        Project p = projectForClip(ClipReader::open(clip).value()->info());
        for (const std::int64_t frame : frames)
            p = withStrike(std::move(p), Frame{frame}, StrikeKind::hit, 1).project;
        for (Recipe& recipe : p.recipes)
            recipe.sound = {kind, level, {}};
        return p;
    }
    static std::unique_ptr<SoundReader> opened(const Project& p, SoundReader::Format format = {48000, 2})
    {
        auto reader = openFilmSound(filmSoundOf(p, ClipReader::open(p.shots.front().clip).value()->info()), format);
        return reader ? std::move(reader).value() : nullptr;
    }
    static std::vector<float> heard(SoundReader& reader, std::int64_t from, std::int64_t count)
    {
        reader.seek(from);
        return reader.read(count).samples;
    }
    static double truePeak(const std::vector<float>& samples, int rate)
    {
        ebur128_state* state = ebur128_init(2, static_cast<unsigned long>(rate), EBUR128_MODE_TRUE_PEAK);
        ebur128_add_frames_float(state, samples.data(), samples.size() / 2);
        double most = 0;
        for (unsigned c = 0; c < 2; ++c) {
            double peak = 0;
            ebur128_true_peak(state, c, &peak);
            most = std::max(most, peak);
        }
        ebur128_destroy(&state);
        return 20 * std::log10(most);
    }

private slots:
    void initTestCase()
    {
        clip_ = test::numberedClip(folder_, "clip.mkv", 96, *FrameRate::make(24, 1), 96, 64, true);
        silent_ = test::numberedClip(folder_, "silent.mkv", 96, *FrameRate::make(30000, 1001), 96, 64, false);
        QVERIFY(!clip_.empty() && !silent_.empty());
    }
    void aStrikeIsHeardOnItsFrameToTheSample_data()
    {
        QTest::addColumn<int>("frame");
        QTest::addColumn<int>("rate");
        for (const int frame : {0, 1, 20, 59})
            for (const int rate : {44100, 48000})
                QTest::addRow("frame %d at %d Hz", frame, rate) << frame << rate;
    }
    void aStrikeIsHeardOnItsFrameToTheSample()
    {
        QFETCH(int, frame);
        QFETCH(int, rate);
        const Project p = film(silent_, {frame}, SoundKind::thump, -6);
        const auto reader = opened(p, {rate, 2});
        QVERIFY(reader != nullptr);
        const std::vector<float> samples = heard(*reader, 0, 4 * rate);
        const StruckSound alone = struckSound(heardStrikes(p).front(), rate);
        const auto at = static_cast<std::size_t>(std::llround(frame * 1001.0 / 30000 * rate));
        for (std::size_t i = 0; i < samples.size() / 2; ++i) {
            const float wanted = i >= at && i - at < alone.samples.size() ? alone.samples[i - at] : 0.F;
            QCOMPARE(samples[2 * i], wanted);
            QCOMPARE(samples[2 * i + 1], wanted);
        }
    }
    void itIsLaidOverTheSoundtrack()
    {
        const Project bare = film(clip_, {}, SoundKind::none);
        const Project p = film(clip_, {24, 48}, SoundKind::crack, -14);
        const auto track = opened(bare);
        const auto mixed = opened(p);
        const auto a = heard(*track, 0, 4 * 48000);
        const auto b = heard(*mixed, 0, 4 * 48000);
        const StruckSound one = struckSound(heardStrikes(p)[0], 48000);
        double most = 0;
        for (std::size_t i = 0; i < a.size() / 2; ++i) {
            double wanted = static_cast<double>(a[2 * i]);
            if (i >= 48000 && i - 48000 < one.samples.size() && i < 96000)
                wanted += static_cast<double>(one.samples[i - 48000]);
            if (i < 96000)
                most = std::max(most, std::abs(static_cast<double>(b[2 * i]) - wanted));
        }
        QVERIFY2(most < 1e-6, qPrintable(QString::number(most)));
        // Muted, bypassed or of no strength: the soundtrack, to the bit.
        for (const char* setting : {"master.sounds=off", "master.bypass=on", "strike.*.strength=0"}) {
            const auto muted = withSettings(p, {settingFromText(setting).value()});
            QVERIFY(muted);
            QVERIFY(heardStrikes(muted.value()).empty());
            QVERIFY(heard(*opened(muted.value()), 0, 96000) == heard(*opened(bare), 0, 96000));
        }
        // A value of the strike's own.
        const auto own =
            withSettings(bare.strikes.empty() ? p : bare, {settingFromText("strike.2.own.sound.kind=none").value()});
        QVERIFY(own);
        QCOMPARE(heardStrikes(own.value()).size(), std::size_t{1});
    }
    void fromAnyPlaceTheSame()
    {
        const Project p = film(clip_, {5, 6, 7, 30, 31, 60}, SoundKind::boom, 6); // far too loud
        const auto reader = opened(p);
        const auto whole = heard(*reader, 0, 3 * 48000);
        for (const std::int64_t from : {0, 1, 9999, 12345, 60001, 130000}) {
            const auto part = heard(*opened(p), from, 5000);
            for (std::size_t i = 0; i < part.size(); ++i)
                QCOMPARE(part[i], whole[static_cast<std::size_t>(2 * from) + i]);
        }
        reader->seek(7000); // in small pieces
        for (std::size_t done = 0; done < 6000;) {
            const auto piece = reader->read(77);
            for (std::size_t i = 0; i < piece.samples.size(); ++i)
                QCOMPARE(piece.samples[i], whole[2 * (7000 + done) + i]);
            done += 77;
        }
    }
    void peaksStayBelowTheCeiling_data()
    {
        QTest::addColumn<int>("kind");
        for (const SoundKind kind :
             {SoundKind::thump, SoundKind::crack, SoundKind::boom, SoundKind::ring, SoundKind::whoosh, SoundKind::sub})
            QTest::addRow("%s", std::string(soundKindNames[static_cast<std::size_t>(kind)]).c_str())
                << static_cast<int>(kind);
    }
    void peaksStayBelowTheCeiling()
    {
        QFETCH(int, kind);
        const Project p = film(clip_, {5, 6, 7, 8, 20, 21, 22, 40, 60}, static_cast<SoundKind>(kind), 12);
        for (const int rate : {44100, 48000}) {
            const double peak = truePeak(heard(*opened(p, {rate, 2}), 0, 4 * rate), rate);
            QVERIFY2(peak <= -1.0 && peak > -3, qPrintable(QString::number(peak)));
        }
    }
    void aFileCanBeTheSound()
    {
        // A click and silence, as WAV and as FLAC.
        const std::string wav = at("click.wav");
        QVERIFY(test::ffmpeg({"-f", "lavfi", "-i",
                              "aevalsrc=0.5*eq(n\\,0)+0.25*eq(n\\,100)|0.5*eq(n\\,0)+0.25*eq(n\\,100):s=48000:d=0.1",
                              QString::fromStdString(wav)}));
        const std::string flac = at("click.flac");
        QVERIFY(test::ffmpeg({"-i", QString::fromStdString(wav), QString::fromStdString(flac)}));
        for (const std::string& file : {wav, flac}) {
            Project p = film(silent_, {15}, SoundKind::file);
            for (Recipe& recipe : p.recipes)
                recipe.sound.file = file;
            p.strikes[0].strength = 0.5;
            const auto samples = heard(*opened(p), 0, 48000);
            const auto first = static_cast<std::size_t>(std::llround(15 * 1001.0 / 30000 * 48000));
            QVERIFY(std::abs(samples[2 * first] - 0.25F) < 1e-3F);
            QVERIFY(std::abs(samples[2 * (first + 100)] - 0.125F) < 1e-3F);
            QCOMPARE(samples[2 * first - 2], 0.F);
            // The project keeps it by a path of its own.
            QVERIFY(saveProject(p, at("own.vember")));
            QVERIFY(test::bytesOf(at("own.vember")).contains(QByteArray("\"file\": \"click.")));
            QVERIFY(loadProject(at("own.vember")).value() == p);
        }
        Project p = film(silent_, {15}, SoundKind::file);
        test::writeBytes(at("no.wav"), "not a sound");
        for (const char* wrong : {"no.wav", "nowhere.wav"}) {
            for (Recipe& recipe : p.recipes)
                recipe.sound.file = at(wrong);
            const auto refused =
                renderFilm(p, at("refused.mkv"), wholeFilm(p), [](const RenderProgress&) { return true; });
            QVERIFY(!refused);
            QVERIFY(QString::fromStdString(sentence(refused.error())).contains(QLatin1String(wrong)));
            QVERIFY(!QFile::exists(QString::fromStdString(at("refused.mkv"))));
        }
    }
    void theFilmIsRenderedWithIt()
    {
        const Project p = film(silent_, {15}, SoundKind::ring);
        const auto note = renderFilm(p, at("ring.mkv"), wholeFilm(p), [](const RenderProgress&) { return true; });
        QVERIFY2(note, note ? "" : sentence(note.error()).c_str());
        QVERIFY2(QString::fromStdString(note.value().said()).contains(QStringLiteral("LUFS, true peak -")),
                 note.value().said().c_str());
        const auto back = SoundReader::open(at("ring.mkv"), 0, {48000, 2});
        QVERIFY(back);
        const auto rendered = heard(*back.value(), 0, 3 * 48000);
        const auto wanted = heard(*opened(p), 0, 3 * 48000);
        for (std::size_t i = 0; i < wanted.size(); ++i)
            QVERIFY(std::abs(rendered[i] - wanted[i]) < 1e-3F); // 16 bits at the least
    }
    void theRumbleTrackIsTheIntensity()
    {
        const Project p = film(clip_, {20, 60}, SoundKind::none);
        QVERIFY(writeRumbleTrack(p, 40, at("rumble.wav"), false));
        QVERIFY(!writeRumbleTrack(p, 40, at("rumble.wav"), false));
        QVERIFY(writeRumbleTrack(p, 40, at("rumble.wav"), true));
        QVERIFY(!writeRumbleTrack(p, 4000, at("rumble2.wav"), false));
        const auto back = SoundReader::open(at("rumble.wav"), 0, {});
        QVERIFY(back);
        QCOMPARE(back.value()->rate(), 48000);
        QCOMPARE(back.value()->channels(), 1);
        const auto samples = heard(*back.value(), 0, 4 * 48000);
        const Motion motion(p);
        for (std::size_t i = 0; i < samples.size(); i += 7) {
            const double t = static_cast<double>(i) / 48000;
            double least = 1;
            double most = 0;
            for (const double near :
                 {-0.0006, -0.0003, 0.0, 0.0003, 0.0006}) { // it is asked for every half millisecond
                const double level = std::min(1.0, motion.intensityAt(24 * (t + near)));
                least = std::min(least, level);
                most = std::max(most, level);
            }
            const double sine = std::sin(2 * M_PI * 40 * t);
            const double value = static_cast<double>(samples[i]);
            QVERIFY(value >= std::min(least * sine, most * sine) - 0.001 &&
                    value <= std::max(least * sine, most * sine) + 0.001);
        }
        QVERIFY(std::abs(samples[48000 * 19 / 24]) == 0); // before the first strike
        Project empty;
        QVERIFY(!writeRumbleTrack(empty, 40, at("rumble3.wav"), false));
    }
};

EMBER_TEST(FilmSoundTest)
#include "tst_film_sound.moc"
