// SPDX-License-Identifier: GPL-3.0-or-later
#include <cmath>
#include <sstream>

#include <QDir>
#include <QFile>
#include <QTest>

#include "clips.h"
#include "ember/film/film_reader.h"
#include "ember/film/new_project.h"
#include "ember/film/pose_table.h"
#include "ember/film/render_film.h"
#include "ember/media/sound_reader.h"
#include "ember/project/edits.h"
#include "ember/render/frame.h"
#include "light_reference.h"
#include "pictures.h"
#include "runner.h"

using namespace ember;

namespace {
bool goOn(const RenderProgress&)
{
    return true;
}
} // namespace

class FilmTest : public QObject {
    Q_OBJECT
    QTemporaryDir folder_;
    std::string clip_;

    std::string at(const char* name) const { return folder_.filePath(QString::fromLatin1(name)).toStdString(); }
    QStringList leftovers() const
    {
        return QDir(folder_.path()).entryList({QStringLiteral("*.part")}, QDir::Files | QDir::Hidden);
    }

    /// Forty-eight numbered frames with one short hit on frame 20.
    Project project() const
    {
        auto clip = ClipReader::open(clip_);
        Project p = projectForClip(clip.value()->info());
        p = withStrike(std::move(p), Frame{20}, StrikeKind::hit, 1).project;
        p.finish.cover = CoverMode::off;
        return p;
    }

private slots:
    void initTestCase()
    {
        clip_ = test::numberedClip(folder_, "clip.mkv", 48, *FrameRate::make(24, 1), 192, 128, true);
        QVERIFY(!clip_.empty());
    }
    void projectsFollowTheirClip()
    {
        const Project p = project();
        QCOMPARE(p.width, 192);
        QCOMPARE(p.height, 128);
        QCOMPARE(p.length(), std::int64_t{48});
        QCOMPARE(p.rate, *FrameRate::make(24, 1));
        QCOMPARE(p.shots.front().clip, clip_);
        QVERIFY(!openFilm(Project{}));
    }
    void timecodeComesFromTheClip_data()
    {
        QTest::addColumn<QString>("file");
        QTest::addColumn<QString>("rate");
        QTest::addColumn<QString>("timecode");
        QTest::addColumn<QString>("first");
        QTest::newRow("a track beside the pictures") << "track.mov"
                                                     << "24"
                                                     << "01:00:00:12"
                                                     << "01:00:00:12";
        QTest::newRow("a word of the file") << "word.mkv"
                                            << "25"
                                            << "10:00:00:00"
                                            << "10:00:00:00";
        QTest::newRow("drop-frame") << "drop.mov"
                                    << "30000/1001"
                                    << "01:00:00;02"
                                    << "01:00:00;02";
        QTest::newRow("none") << "none.mkv"
                              << "24"
                              << ""
                              << "00:00:00:00";
        QTest::newRow("nonsense") << "odd.mkv"
                                  << "24"
                                  << "a quarter past"
                                  << "00:00:00:00";
    }
    void timecodeComesFromTheClip()
    {
        QFETCH(QString, file);
        QFETCH(QString, rate);
        QFETCH(QString, timecode);
        QFETCH(QString, first);
        const QString path = folder_.filePath(file);
        QStringList arguments{"-f", "lavfi", "-i", "testsrc=s=64x48:d=1:r=" + rate, "-c:v", "mpeg4"};
        if (!timecode.isEmpty())
            arguments << (file.endsWith(QLatin1String("mov")) ? QStringList{"-timecode", timecode}
                                                              : QStringList{"-metadata", "timecode=" + timecode});
        QVERIFY(test::ffmpeg(arguments << path));
        const auto clip = ClipReader::open(path.toStdString());
        QVERIFY(clip);
        const Project made = projectForClip(clip.value()->info());
        QCOMPARE(QString::fromStdString(timecodeOf(0, made.clock, made.rate)), first);
    }
    void framesAtRestAreTheSourceBitForBit()
    {
        const Project p = project();
        RenderOptions options = wholeFilm(p);
        QVERIFY(renderFilm(p, at("rest_%03d.png"), options, goOn));
        auto source = ClipReader::open(clip_);
        ClipOptions alone;
        alone.neverSequence = true;
        const Motion motion(p);
        int still = 0;
        int moved = 0;
        for (int i = 0; i < 48; ++i) {
            auto out = ClipReader::open(sequenceFile(at("rest_%03d.png"), i), alone);
            QVERIFY(out);
            const ImagePtr wanted = source.value()->picture(i).value();
            const ImagePtr got = out.value()->picture(0).value();
            if (motion.poseAt(i).atRest()) {
                QVERIFY(samePixels(*wanted, *got));
                ++still;
            } else {
                QVERIFY(std::abs(motion.poseAt(i).y) < 0.5 || !samePixels(*wanted, *got));
                // And a moved frame is what the view shows.
                const ImagePtr view = renderFrame(wanted, lookOf(p, motion, coverOf(p, motion), i), 192, 128);
                QVERIFY(samePixels(*view, *got));
                ++moved;
            }
        }
        QVERIFY(still > 30 && moved > 5);
    }
    void rangesKeepTheirSoundAndNumbers()
    {
        const Project p = project();
        RenderOptions options = wholeFilm(p);
        options.first = Frame{12};
        options.last = Frame{35};
        QVERIFY(renderFilm(p, at("part.mkv"), options, goOn));
        auto out = ClipReader::open(at("part.mkv"));
        QVERIFY(out);
        QCOMPARE(out.value()->info().length, std::int64_t{24});
        QCOMPARE(test::numberIn(*out.value()->picture(0).value()), 12);
        QCOMPARE(test::numberIn(*out.value()->picture(23).value()), 35);
        auto sound = SoundReader::open(at("part.mkv"), out.value()->info().originSeconds, {});
        QVERIFY(sound);
        sound.value()->seek(0);
        // The right channel tells its place: half a second in, 24000 samples.
        const SoundBuffer part = sound.value()->read(48000);
        for (std::int64_t i = 0; i < 48000; i += 997)
            QVERIFY(std::abs(part.samples[static_cast<std::size_t>(2 * i + 1)] -
                             (static_cast<float>((24000 + i) % 4800) / 4800.f - 0.5f)) < 3e-4f);
        QVERIFY(sound.value()->atEnd() || std::abs(sound.value()->read(1).samples[0]) < 1e-6f);
        // Pictures of a range are numbered as on the film.
        options.last = Frame{13};
        QVERIFY(renderFilm(p, at("numbers/"), options, goOn));
        QCOMPARE(QDir(folder_.filePath(QStringLiteral("numbers"))).entryList(QDir::Files),
                 QStringList({QStringLiteral("frame_00012.png"), QStringLiteral("frame_00013.png")}));
    }
    void everyFormatHoldsTheFilm_data()
    {
        QTest::addColumn<QString>("name");
        QTest::addColumn<double>("mean"); ///< how far a picture may be from the lossless one, on the mean
        for (const auto& [name, mean] :
             {std::pair{"f.mp4", 4.0}, std::pair{"f.webm", 6.0}, std::pair{"f.mov", 4.0}, std::pair{"f.gif", 40.0},
              std::pair{"f_%04d.exr", 1.0}, std::pair{"f_%04d.png", 0.0}})
            QTest::addRow("%s", name) << QString::fromLatin1(name) << mean;
    }
    void everyFormatHoldsTheFilm()
    {
        QFETCH(QString, name);
        QFETCH(double, mean);
        const Project p = project();
        RenderOptions options = wholeFilm(p);
        options.first = Frame{18};
        options.last = Frame{25};
        options.overwrite = true;
        QVERIFY(renderFilm(p, at("truth.mkv"), options, goOn));
        auto truth = ClipReader::open(at("truth.mkv"));
        for (const FilmQuality quality : {FilmQuality::draft, FilmQuality::good, FilmQuality::best}) {
            options.form.quality = quality;
            const std::string path = at(name.toLatin1().constData());
            const auto done = renderFilm(p, path, options, goOn);
            QVERIFY2(done, done ? "" : sentence(done.error()).c_str());
            ClipOptions sequence;
            sequence.sequenceRate = p.rate;
            auto film = ClipReader::open(path, sequence);
            QVERIFY2(film, film ? "" : sentence(film.error()).c_str());
            QCOMPARE(film.value()->info().length, std::int64_t{8});
            for (int i = 0; i < 8; ++i) {
                const ImagePtr a = truth.value()->picture(i).value();
                const ImagePtr b = film.value()->picture(i).value();
                const double apart = test::distanceOf(*a, *b).mean;
                QVERIFY2(apart <= mean, qPrintable(QStringLiteral("%1 frame %2: %3").arg(name).arg(i).arg(apart)));
            }
            const bool sounds = name.endsWith(QStringLiteral(".mp4")) || name.endsWith(QStringLiteral(".webm")) ||
                                name.endsWith(QStringLiteral(".mov"));
            QCOMPARE(film.value()->info().hasSound, sounds);
        }
        QVERIFY(leftovers().isEmpty());
    }
    void transparencyIsKept()
    {
        Project p = project();
        p.finish.edges = EdgeMode::transparent;
        p.shots.front().move = {{Frame{0}, 60, 0, 1, 0}};
        RenderOptions options = wholeFilm(p);
        options.last = Frame{1};
        for (const char* name : {"clear.mkv", "clear.mov", "clear_%02d.png", "clear_%02d.exr"}) {
            const auto done = renderFilm(p, at(name), options, goOn);
            QVERIFY2(done, done ? "" : sentence(done.error()).c_str());
            auto film = ClipReader::open(at(name));
            QVERIFY(film);
            QVERIFY2(film.value()->info().alpha, name);
            const ImagePtr picture = film.value()->picture(0).value();
            QVERIFY2(picture->at(20, 64)[3] <= 2 && picture->at(150, 64)[3] >= 253, name);
        }
    }
    void sixteenBitsGoThroughTheWholeChain()
    {
        // A grey ramp of 16 bits, at rest and blurred along itself, comes back within one 8-bit code.
        Image ramp(256, 64, Depth::sixteen);
        ramp.setOpaque(true);
        for (int y = 0; y < 64; ++y)
            for (int x = 0; x < 256; ++x)
                for (int k = 0; k < 4; ++k)
                    ramp.deepAt(x, y)[k] = k == 3 ? 65535 : static_cast<std::uint16_t>(x * 257);
        QVERIFY(savePicture(ramp, at("ramp.png"), true));
        ClipOptions still;
        still.neverSequence = true;
        auto clip = ClipReader::open(at("ramp.png"), still);
        QVERIFY(clip && clip.value()->info().depth == Depth::sixteen);
        Project p = projectForClip(clip.value()->info());
        p.finish.cover = CoverMode::off;
        p.shots.front().move = {{Frame{0}, 0, 0, 1, 0, Ease::linear}, {Frame{4}, 0, 40, 1, 0}};
        RenderOptions options = wholeFilm(p);
        options.last = Frame{4};
        for (const char* name : {"deep.mkv", "deep.mov", "deep_%02d.png", "deep_%02d.exr"}) {
            QVERIFY(renderFilm(p, at(name), options, goOn));
            ClipOptions deep;
            deep.asStored = true;
            auto film = ClipReader::open(at(name), deep);
            QVERIFY(film && film.value()->info().depth != Depth::eight);
            for (int i = 0; i < 5; ++i) {
                const ImagePtr out = film.value()->picture(i).value();
                int most = 0;
                for (int x = 2; x < 254; ++x) {
                    const double code = out->depth() == Depth::sixteen
                                            ? out->deepAt(x, 50)[1]
                                            : 65535 * codeOfLight(Transfer::srgb, out->floatAt(x, 50)[1]);
                    most = std::max(most, static_cast<int>(std::abs(code - x * 257)));
                }
                QVERIFY2(most <= 257,
                         qPrintable(QStringLiteral("%1 frame %2: %3").arg(QLatin1String(name)).arg(i).arg(most)));
            }
        }
    }
    void greyRampsComeBackInEveryRange()
    {
        // Limited and full range, BT.601 and BT.709: read, at rest, written as PNG.
        for (const char* spelling : {"yuv420p:tv:bt709", "yuv420p:pc:bt709", "yuv422p:tv:smpte170m",
                                     "yuv444p:pc:smpte170m", "yuv420p10le:tv:bt709"}) {
            const QStringList parts = QString::fromLatin1(spelling).split(QLatin1Char(':'));
            const QString path = folder_.filePath(QStringLiteral("range.mkv"));
            QFile::remove(path);
            QVERIFY(test::ffmpeg(
                {QStringLiteral("-f"), QStringLiteral("lavfi"), QStringLiteral("-i"),
                 QStringLiteral("nullsrc=s=256x64:d=0.2:r=24,format=gbrp,geq=r=X:g=X:b=X,scale=in_range=pc:out_"
                                "range=%1:out_color_matrix=%2:flags=accurate_rnd+full_chroma_int,format=%3")
                     .arg(parts[1],
                          parts[2] == QStringLiteral("bt709") ? QStringLiteral("bt709") : QStringLiteral("bt601"),
                          parts[0]),
                 QStringLiteral("-color_range"), parts[1], QStringLiteral("-colorspace"), parts[2],
                 QStringLiteral("-c:v"), QStringLiteral("ffv1"), path}));
            auto clip = ClipReader::open(path.toStdString());
            QVERIFY(clip);
            const Project p = projectForClip(clip.value()->info());
            RenderOptions options = wholeFilm(p);
            options.last = Frame{0};
            options.overwrite = true;
            QVERIFY(renderFilm(p, at("range_%02d.png"), options, goOn));
            ClipOptions alone;
            alone.neverSequence = true;
            auto out = ClipReader::open(sequenceFile(at("range_%02d.png"), 0), alone);
            const ImagePtr picture = out.value()->picture(0).value();
            int most = 0;
            for (int x = 0; x < 256; ++x)
                for (int k = 0; k < 3; ++k)
                    most = std::max(most, std::abs(picture->at(x, 30)[k] - x));
            QVERIFY2(most <= 1, qPrintable(QStringLiteral("%1: %2").arg(QLatin1String(spelling)).arg(most)));
        }
    }
    void partsOfAFilmAreTheWholeFilms()
    {
        Project p = project();
        p.finish.cover = CoverMode::breathing;
        p.finish.shutterAngle = 180;
        p.recipes.front().effects.flash.strength = 0.3;
        RenderOptions options = wholeFilm(p);
        QVERIFY(renderFilm(p, at("whole_%03d.png"), options, goOn));
        options.threads = 1;
        for (const auto& [first, last] : {std::pair{0, 19}, std::pair{20, 22}, std::pair{23, 47}}) {
            options.first = Frame{first};
            options.last = Frame{last};
            QVERIFY(renderFilm(p, at("parts_%03d.png"), options, goOn));
        }
        for (int i = 0; i < 48; ++i)
            QCOMPARE(test::bytesOf(sequenceFile(at("parts_%03d.png"), i)),
                     test::bytesOf(sequenceFile(at("whole_%03d.png"), i)));
        // A still is the same frame again.
        QVERIFY(renderStill(p, Frame{21}, at("still.png"), {}));
        QCOMPARE(test::bytesOf(at("still.png")), test::bytesOf(sequenceFile(at("whole_%03d.png"), 21)));
        QVERIFY(!renderStill(p, Frame{21}, at("still.png"), {}));
    }
    void interruptedSequencesAreGoneOnWith()
    {
        const Project p = project();
        RenderOptions options = wholeFilm(p);
        options.resume = true;
        const auto stopped =
            renderFilm(p, at("go_%03d.png"), options, [](const RenderProgress& r) { return r.done < 10; });
        QVERIFY(!stopped && stopped.error().code == ErrorCode::cancelled);
        QVERIFY(QFile::exists(QString::fromStdString(sequenceFile(at("go_%03d.png"), 9))));
        QFile::remove(QString::fromStdString(sequenceFile(at("go_%03d.png"), 4))); // a hole is filled, too
        const QByteArray kept = test::bytesOf(sequenceFile(at("go_%03d.png"), 3));
        int made = 0;
        const auto done = renderFilm(p, at("go_%03d.png"), options, [&](const RenderProgress&) { return ++made > 0; });
        QVERIFY(done);
        QVERIFY(made >= 38 && made <= 40);
        QVERIFY(done.value().said().find("were there already") != std::string::npos);
        QCOMPARE(test::bytesOf(sequenceFile(at("go_%03d.png"), 3)), kept);
        QVERIFY(renderFilm(p, at("once_%03d.png"), wholeFilm(p), goOn));
        for (int i = 0; i < 48; ++i)
            QCOMPARE(test::bytesOf(sequenceFile(at("go_%03d.png"), i)),
                     test::bytesOf(sequenceFile(at("once_%03d.png"), i)));
    }
    void layersAreReadAndMissed()
    {
        Image title(40, 20);
        title.fill(255, 0, 0, 255);
        QVERIFY(savePicture(title, at("title.png"), true));
        Project p = project();
        Layer layer;
        layer.picture = at("title.png");
        layer.length = 48;
        layer.depth = 0;
        p.layers = {layer};
        QVERIFY(renderStill(p, Frame{2}, at("titled.png"), {.overwrite = true}));
        ClipOptions alone;
        alone.neverSequence = true;
        const ImagePtr out = ClipReader::open(at("titled.png"), alone).value()->picture(0).value();
        QVERIFY(out->at(96, 64)[0] > 250 && out->at(96, 64)[1] < 5);
        p.layers.front().picture = at("nowhere.png");
        const auto failed = renderStill(p, Frame{2}, at("titled.png"), {.overwrite = true});
        QVERIFY(!failed && sentence(failed.error()).find("nowhere.png") != std::string::npos);
    }
    void otherSizesAndShapes()
    {
        const Project p = project();
        RenderOptions options = wholeFilm(p);
        options.last = Frame{2};
        options.form.width = 96;
        options.form.height = 64;
        QVERIFY(renderFilm(p, at("small.mkv"), options, goOn));
        QCOMPARE(test::numberIn(*ClipReader::open(at("small.mkv")).value()->picture(2).value()), 2);
        options.form.width = 200;
        options.form.height = 64; // wider: bars left and right
        QVERIFY(renderFilm(p, at("wide.mkv"), options, goOn));
        const ImagePtr wide = ClipReader::open(at("wide.mkv")).value()->picture(0).value();
        QCOMPARE(wide->width(), 200);
        QCOMPARE(int(wide->at(20, 30)[0]), 0);
        QVERIFY(wide->at(60, 8)[0] > 200); // the bright corner of the picture inside
        options.form.width = 95;
        options.form.height = 63;
        const auto odd = renderFilm(p, at("odd.mp4"), options, goOn);
        QVERIFY(odd && !odd.value().empty());
        QCOMPARE(ClipReader::open(at("odd.mp4")).value()->info().width, 94);
    }
    void threadsDoNotMatter()
    {
        const Project p = project();
        RenderOptions options = wholeFilm(p);
        options.first = Frame{19};
        options.last = Frame{26};
        for (const int threads : {1, 2, 8}) {
            options.threads = threads;
            QVERIFY(
                renderFilm(p, folder_.filePath(QStringLiteral("t%1.mkv").arg(threads)).toStdString(), options, goOn));
        }
        auto one = ClipReader::open(at("t1.mkv"));
        for (const char* name : {"t2.mkv", "t8.mkv"}) {
            auto other = ClipReader::open(at(name));
            for (int i = 0; i < 8; ++i)
                QVERIFY(samePixels(*one.value()->picture(i).value(), *other.value()->picture(i).value()));
        }
    }
    void coverShowsNoBorderInTheFilm()
    {
        Project p = project();
        p.strikes.front().strength = 4;
        p.finish.edges = EdgeMode::plain;
        p.finish.plain = {255, 0, 255};
        p.finish.cover = CoverMode::constant;
        RenderOptions options = wholeFilm(p);
        options.first = Frame{20};
        options.last = Frame{30};
        QVERIFY(renderFilm(p, at("covered.mkv"), options, goOn));
        p.finish.cover = CoverMode::off;
        QVERIFY(renderFilm(p, at("bare.mkv"), options, goOn));
        auto covered = ClipReader::open(at("covered.mkv"));
        auto bare = ClipReader::open(at("bare.mkv"));
        double seen = 0;
        for (int i = 0; i < 11; ++i) {
            QCOMPARE(test::shareOf(*covered.value()->picture(i).value(), {255, 0, 255}), 0.0);
            seen += test::shareOf(*bare.value()->picture(i).value(), {255, 0, 255});
        }
        QVERIFY(seen > 0.01);
    }
    void cancellingLeavesNothing()
    {
        for (const char* name : {"stop.mp4", "stop.mkv", "stop_%04d.png"}) {
            int told = 0;
            const auto result =
                renderFilm(project(), at(name), wholeFilm(project()), [&](const RenderProgress& progress) {
                    ++told;
                    return progress.done < 10;
                });
            QVERIFY(!result && result.error().code == ErrorCode::cancelled);
            QCOMPARE(told, 10);
            QVERIFY(!QFile::exists(QString::fromStdString(at(name))));
            QCOMPARE(QDir(folder_.path()).entryList({QStringLiteral("stop*")}), QStringList());
            QCOMPARE(leftovers(), QStringList());
        }
    }
    void progressCountsUp()
    {
        std::int64_t last = 0;
        RenderOptions options = wholeFilm(project());
        options.overwrite = true;
        QVERIFY(renderFilm(project(), at("progress.mkv"), options, [&](const RenderProgress& progress) {
            const bool right = progress.done == last + 1 && progress.total == 48 && progress.secondsLeft >= 0;
            last = progress.done;
            return right;
        }));
        QCOMPARE(last, std::int64_t{48});
    }
    void troubleIsTold()
    {
        const Project p = project();
        QVERIFY(renderFilm(p, at("film.txt"), wholeFilm(p), goOn).error().code == ErrorCode::unsupported);
        RenderOptions options = wholeFilm(p);
        options.first = Frame{30};
        options.last = Frame{20};
        QVERIFY(renderFilm(p, at("none.mp4"), options, goOn).error().code == ErrorCode::badValue);
        options = wholeFilm(p);
        options.overwrite = true;
        const QByteArray before = test::bytesOf(clip_);
        QVERIFY(!renderFilm(p, clip_, options, goOn)); // never onto its own clip
        QCOMPARE(test::bytesOf(clip_), before);
        Project lost = p;
        lost.shots.front().clip = at("gone.mp4");
        const auto missing = renderFilm(lost, at("out.mp4"), wholeFilm(lost), goOn);
        QVERIFY(!missing && sentence(missing.error()).find("gone.mp4") != std::string::npos);
        {
            const test::DiskLimit limit(5000);
            const auto full = renderFilm(p, at("full.mkv"), wholeFilm(p), goOn);
            QVERIFY(!full && full.error().code == ErrorCode::unwritable);
        }
        QCOMPARE(leftovers(), QStringList());
        QVERIFY(!QFile::exists(folder_.filePath(QStringLiteral("full.mkv"))));
    }
    void posesAsCsv()
    {
        const Project p = project();
        std::ostringstream out;
        writePosesCsv(out, Motion(p), {18, 22, 1});
        const QStringList lines = QString::fromStdString(out.str()).split(QLatin1Char('\n'));
        QCOMPARE(lines[0], QStringLiteral("frame,x,y,zoom,roll,pan,tilt,intensity"));
        QCOMPARE(lines[1], QStringLiteral("18,0,0,1,0,0,0,0"));
        QCOMPARE(lines[2], QStringLiteral("19,0,0,1,0,0,0,0"));
        QCOMPARE(lines.size(), 7);
        // Numbers read back to the very same value.
        const Pose pose = Motion(p).poseAt(20);
        QCOMPARE(lines[3].split(QLatin1Char(','))[2].toDouble(), pose.y);
        QCOMPARE(lines[3].split(QLatin1Char(','))[7], QStringLiteral("1"));
        std::ostringstream fine;
        writePosesCsv(fine, Motion(p), {20, 20, 4});
        QVERIFY(fine.str().find("\n20.25,") != std::string::npos && fine.str().find("\n20.75,") != std::string::npos);
        std::ostringstream json;
        writePosesJson(json, Motion(p), {18, 19, 1});
        QCOMPARE(json.str(), std::string("[\n  {\"frame\": 18, \"x\": 0, \"y\": 0, \"zoom\": 1, \"roll\": 0, \"pan\": "
                                         "0, \"tilt\": 0, \"intensity\": 0},\n"
                                         "  {\"frame\": 19, \"x\": 0, \"y\": 0, \"zoom\": 1, \"roll\": 0, \"pan\": 0, "
                                         "\"tilt\": 0, \"intensity\": 0}\n]\n"));
    }
    void stillsBecomeFilms()
    {
        QVERIFY(test::ffmpeg({QStringLiteral("-i"), QString::fromStdString(clip_), QStringLiteral("-frames:v"),
                              QStringLiteral("1"), QStringLiteral("-update"), QStringLiteral("1"),
                              folder_.filePath(QStringLiteral("still.png"))}));
        Project p = projectForClip(ClipReader::open(at("still.png")).value()->info());
        QVERIFY(p.shots.front().still);
        p = withStrike(std::move(p), Frame{10}, StrikeKind::landing, 1).project;
        RenderOptions options = wholeFilm(p);
        options.last = Frame{20};
        QVERIFY(renderFilm(p, at("still.mkv"), options, goOn));
        QCOMPARE(ClipReader::open(at("still.mkv")).value()->info().length, std::int64_t{21});
    }
};

EMBER_TEST(FilmTest)
#include "tst_film.moc"
