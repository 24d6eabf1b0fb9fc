// SPDX-License-Identifier: GPL-3.0-or-later
// Colour and depth through the whole chain: a clip in, a film out, held against the clip's own codes, against light
// worked out in double precision, and against what ffprobe says of the film.
#include <cmath>
#include <limits>

#include <QTemporaryDir>
#include <QTest>

#include "clips.h"
#include "coded_films.h"
#include "ember/film/film_reader.h"
#include "ember/film/new_project.h"
#include "ember/film/render_film.h"
#include "ember/project/edits.h"
#include "pictures.h"
#include "runner.h"

using namespace ember;

namespace {

using test::frameSums;
using test::goOn;
using test::hdrTags;
using test::madeFilm;
using test::openedAsStored;
using test::probed;
using test::projectOf;

constexpr int width = test::codedWidth;
constexpr int height = test::codedHeight;
constexpr int strikeFrame = test::codedStrike;

} // namespace

class ColourTest : public QObject {
    Q_OBJECT
    QTemporaryDir folder_;
    std::string at(const QString& name) const { return folder_.filePath(name).toStdString(); }

private slots:
    void lightAboveWhiteGoesThrough()
    {
        // A plate with highlights of 8 and 1,000 times white, shadows below nothing, and what is not finite.
        constexpr float infinite = std::numeric_limits<float>::infinity();
        FilmSettings settings;
        settings.format = FilmFormat::exrSequence;
        settings.width = width;
        settings.height = height;
        settings.rate = *FrameRate::make(24, 1);
        settings.depth = Depth::single;
        auto writer = FilmWriter::create(at(QStringLiteral("plate_%04d.exr")), settings);
        QVERIFY(writer);
        std::vector<Image> plates;
        for (int frame = 0; frame < 12; ++frame) {
            test::Random random(static_cast<std::uint64_t>(frame));
            Image plate(width, height, Depth::single);
            plate.setOpaque(true);
            for (int y = 0; y < height; ++y)
                for (int x = 0; x < width; ++x)
                    for (int k = 0; k < 4; ++k)
                        plate.floatAt(x, y)[k] = k == 3             ? 1.0F
                                                 : x > 40 && x < 56 ? 8.0F + static_cast<float>(random.whole(0, 64)) / 8
                                                 : x == 80 && y == 40
                                                     ? 1000.0F
                                                     : static_cast<float>(random.whole(-20, 128)) / 128;
            if (frame < strikeFrame) {
                plate.floatAt(3, 3)[0] = std::nanf("");
                plate.floatAt(4, 3)[1] = infinite;
            }
            QVERIFY(writer.value()->addFrame(plate));
            plates.push_back(std::move(plate));
        }
        QVERIFY(writer.value()->finish());
        const Project p = projectOf(at(QStringLiteral("plate_0000.exr")));
        QCOMPARE(p.length(), std::int64_t{12});
        const auto told = renderFilm(p, at(QStringLiteral("shaken_%04d.exr")), wholeFilm(p), goOn);
        QVERIFY2(told, told ? "" : sentence(told.error()).c_str());
        QVERIFY2(told.value().empty(), told.value().said().c_str());
        const auto out = openedAsStored(at(QStringLiteral("shaken_0000.exr")));
        QVERIFY(out && out.value()->info().halfFloats); // as the clip
        float brightest = 0;
        for (int frame = 0; frame < 12; ++frame) {
            const ImagePtr picture = out.value()->picture(frame).value();
            const bool same = samePixels(*picture, plates[static_cast<std::size_t>(frame)]);
            QCOMPARE(same, frame < strikeFrame);
            if (frame > strikeFrame)
                for (int x = 0; x < width; ++x)
                    brightest = std::max(brightest, picture->floatAt(x, 20)[1]);
        }
        QVERIFY(brightest > 8); // also where it moves
        // Whole floats where they are asked for.
        RenderOptions whole = wholeFilm(p);
        whole.form.depth = Depth::single;
        QVERIFY(renderFilm(p, at(QStringLiteral("whole_%04d.exr")), whole, goOn));
        QVERIFY(!openedAsStored(at(QStringLiteral("whole_0000.exr"))).value()->info().halfFloats);
        // Compressed as wanted, or as the clip came; all but DWAA keep every bit.
        for (const Coder coder : {Coder::exrZips, Coder::exrPiz, Coder::exrRle, Coder::exrNone, Coder::exrDwaa}) {
            const std::string word(coderWords[static_cast<std::size_t>(coder)].word);
            const auto name = at(QString::fromStdString(word) + QStringLiteral("_%04d.exr"));
            RenderOptions options = wholeFilm(p);
            options.form.coder = coder;
            options.last = Frame{1};
            QVERIFY(renderFilm(p, name, options, goOn));
            const auto written = openedAsStored(sequenceFile(name, 0));
            QCOMPARE(written.value()->info().compression, word);
            QCOMPARE(samePixels(*written.value()->picture(1).value(), plates[1]), coder != Coder::exrDwaa);
            const Project again = projectOf(sequenceFile(name, 0));
            const auto kept = at(QStringLiteral("kept-") + QString::fromStdString(word) + QStringLiteral("_%04d.exr"));
            options.form.coder = Coder::asItCame;
            QVERIFY(renderFilm(again, kept, options, goOn));
            QCOMPARE(openedAsStored(sequenceFile(kept, 0)).value()->info().compression, word);
        }
        RenderOptions own = wholeFilm(projectOf(at(QStringLiteral("whole_0000.exr"))));
        own.form.coder = Coder::vp9;
        QVERIFY(!renderFilm(p, at(QStringLiteral("no_%04d.exr")), own, goOn));
        // A film of codes ends at white, which is said.
        const auto coded = renderFilm(p, at(QStringLiteral("coded.mkv")), wholeFilm(p), goOn);
        QVERIFY(coded && coded.value().said().find("cut off") != std::string::npos);
        const auto film = openedAsStored(at(QStringLiteral("coded.mkv")));
        const ImagePtr picture = film.value()->picture(0).value();
        QCOMPARE(int{picture->deepAt(50, 10)[0]}, 65535);
        const double wanted =
            65535 *
            std::clamp(codeOfLight(Transfer::srgb, static_cast<double>(plates[0].floatAt(10, 10)[1])), 0.0, 1.0);
        QVERIFY(std::abs(picture->deepAt(10, 10)[1] - wanted) <= 1);
    }
    void storedCodesGoThrough_data()
    {
        QTest::addColumn<QString>("pixels");
        for (const char* pixels : {"yuv420p", "yuv420p10le", "yuv422p10le", "yuv444p12le", "yuv420p16le", "gbrp10le"})
            QTest::addRow("%s", pixels) << QString::fromLatin1(pixels);
    }
    void storedCodesGoThrough()
    {
        QFETCH(QString, pixels);
        const QString clip = folder_.filePath(QStringLiteral("codes.mkv"));
        QVERIFY(madeFilm(clip, pixels, {QStringLiteral("-c:v"), QStringLiteral("ffv1")}, hdrTags("smpte2084")));
        const Project p = projectOf(clip.toStdString());
        RenderOptions options = wholeFilm(p);
        options.form.coder = Coder::asItCame;
        options.overwrite = true;
        const auto told = renderFilm(p, at(QStringLiteral("codes-out.mkv")), options, goOn);
        QVERIFY2(told, told ? "" : sentence(told.error()).c_str());
        test::restIsUntouched(frameSums(clip.toStdString()), frameSums(at(QStringLiteral("codes-out.mkv"))));
        for (const char* key : {"pix_fmt", "color_range", "color_space", "color_transfer", "color_primaries"})
            // RGB has the whole range and no matrix, whatever was said of it.
            if (!pixels.startsWith(QStringLiteral("gbr")) ||
                (qstrcmp(key, "color_range") != 0 && qstrcmp(key, "color_space") != 0))
                QCOMPARE(probed(at(QStringLiteral("codes-out.mkv")), key), probed(clip.toStdString(), key));
    }
    void pictureFilesGoThrough_data()
    {
        QTest::addColumn<QString>("ending");
        QTest::addColumn<int>("depth");
        for (const char* ending : {"png", "tif", "dpx"})
            for (const int depth : {8, 16})
                QTest::addRow("%s, %d", ending, depth) << QString::fromLatin1(ending) << depth;
        QTest::addRow("dpx, 10") << QStringLiteral("dpx") << 10;
    }
    void pictureFilesGoThrough()
    {
        QFETCH(QString, ending);
        QFETCH(int, depth);
        const QString name = QStringLiteral("%1%2_%04d.%1").arg(ending).arg(depth);
        QVERIFY(test::ffmpeg({QStringLiteral("-f"), QStringLiteral("lavfi"), QStringLiteral("-i"),
                              QStringLiteral("testsrc2=size=%1x%2:rate=24:duration=0.5,format=%3")
                                  .arg(width)
                                  .arg(height)
                                  .arg(depth == 8    ? QStringLiteral("rgb24")
                                       : depth == 10 ? QStringLiteral("gbrp10be")
                                                     : QStringLiteral("rgb48le")),
                              folder_.filePath(name)}));
        const QString first = QString(name).replace(QStringLiteral("%04d"), QStringLiteral("0001"));
        const Project p = projectOf(at(first));
        QCOMPARE(p.length(), std::int64_t{12});
        QVERIFY(renderFilm(p, at(QStringLiteral("out-") + name), wholeFilm(p), goOn));
        const auto before = openedAsStored(at(first));
        const auto after = openedAsStored(
            at(QStringLiteral("out-") + QString(name).replace(QStringLiteral("%04d"), QStringLiteral("0000"))));
        QVERIFY(before && after);
        QCOMPARE(after.value()->info().pixelFormat.substr(0, 5), before.value()->info().pixelFormat.substr(0, 5));
        for (int i = 0; i < 12; ++i) {
            const ImagePtr was = before.value()->picture(i).value();
            QCOMPARE(static_cast<int>(was->depth()), depth == 8 ? 8 : 16);
            QCOMPARE(samePixels(*was, *after.value()->picture(i).value()), i < strikeFrame);
        }
    }
    void hdrKeepsItsTags_data()
    {
        QTest::addColumn<QString>("transfer");
        QTest::addColumn<QString>("file");
        QTest::addColumn<int>("coder");
        QTest::addColumn<QString>("codec");
        QTest::addColumn<QString>("pixels");
        for (const char* transfer : {"smpte2084", "arib-std-b67"}) {
            const auto row = [&](const char* file, Coder coder, const char* codec, const char* pixels) {
                QTest::addRow("%s %s %s", transfer, codec, file)
                    << QString::fromLatin1(transfer) << QString::fromLatin1(file) << static_cast<int>(coder)
                    << QString::fromLatin1(codec) << QString::fromLatin1(pixels);
            };
            row("a.mp4", Coder::usual, "hevc", "yuv420p10le");
            row("b.webm", Coder::usual, "vp9", "yuv420p10le");
            row("c.mov", Coder::usual, "prores", "yuv422p10le");
            row("d.mkv", Coder::usual, "ffv1", "gbrp16le");
            row("e.mp4", Coder::h264Ten, "h264", "yuv420p10le");
            row("f.mp4", Coder::hevcTwelve, "hevc", "yuv420p12le");
            row("g.mp4", Coder::av1Ten, "av1", "yuv420p10le");
            row("h.mov", Coder::proresHq, "prores", "yuv422p10le");
            row("i.mov", Coder::prores4444, "prores", "");
            row("k.mp4", Coder::asItCame, "hevc", "yuv420p10le");
        }
    }
    void hdrKeepsItsTags()
    {
        QFETCH(QString, transfer);
        QFETCH(QString, file);
        QFETCH(int, coder);
        QFETCH(QString, codec);
        QFETCH(QString, pixels);
        const QString clip = folder_.filePath(transfer + QStringLiteral(".mp4"));
        if (!QFile::exists(clip))
            QVERIFY(madeFilm(clip, QStringLiteral("yuv420p10le"),
                             {QStringLiteral("-c:v"), QStringLiteral("libx265"), QStringLiteral("-x265-params"),
                              QStringLiteral("log-level=none:crf=4:max-cll=1000,400:master-display="
                                             "G(13250,34500)B(7500,3000)R(34000,16000)WP(15635,16450)L(10000000,1)")},
                             hdrTags(qPrintable(transfer))));
        const Project p = projectOf(clip.toStdString());
        RenderOptions options = wholeFilm(p);
        options.form.coder = static_cast<Coder>(coder);
        options.form.quality = FilmQuality::best;
        options.overwrite = true;
        const auto told = renderFilm(p, at(file), options, goOn);
        QVERIFY2(told, told ? "" : sentence(told.error()).c_str());
        QVERIFY(told.value().said().find("BT.2020") != std::string::npos);
        QCOMPARE(probed(at(file), "codec_name"), codec);
        if (!pixels.isEmpty())
            QCOMPARE(probed(at(file), "pix_fmt"), pixels);
        QCOMPARE(probed(at(file), "color_primaries"), QStringLiteral("bt2020"));
        QCOMPARE(probed(at(file), "color_transfer"), transfer);
        const bool rgb = codec == QStringLiteral("ffv1");
        QCOMPARE(probed(at(file), "color_space"), rgb ? QStringLiteral("gbr") : QStringLiteral("bt2020nc"));
        // The patches are the clip's, at rest and moved: by their middle codes, whatever the coder made of their edges.
        const auto before = openedAsStored(clip.toStdString());
        const auto after = openedAsStored(at(file));
        QVERIFY(after);
        QVERIFY(after.value()->info().colour == before.value()->info().colour);
        for (const int frame : {0, strikeFrame - 1}) {
            const ImagePtr was = before.value()->picture(frame).value();
            const ImagePtr is = after.value()->picture(frame).value();
            for (const int x : {51, 82, 113, 144, 174, 205, 236}) // the middles of the bars
                for (int k = 0; k < 3; ++k) {
                    const auto code = [&](const Image& image) {
                        int sum = 0;
                        for (int y = 10; y < 30; ++y)
                            sum += image.deepAt(x, y)[k];
                        return sum / 20;
                    };
                    QVERIFY2(std::abs(code(*was) - code(*is)) < 65535 / 60,
                             qPrintable(QStringLiteral("%1 %2 at %3").arg(code(*was)).arg(code(*is)).arg(x)));
                }
        }
        if (codec == QStringLiteral("hevc") && transfer == QStringLiteral("smpte2084")) {
            const auto& light = after.value()->info().tags.mastering;
            QVERIFY(light.has_value());
            QCOMPARE(light->contentMost, 1000);
            QVERIFY(std::abs(light->most - 1000) < 1e-6 && std::abs(light->display[0] - 0.68) < 1e-4);
        }
    }
    void plainFilmsStayPlain()
    {
        const QString clip = folder_.filePath(QStringLiteral("plain.mp4"));
        QVERIFY(madeFilm(clip, QStringLiteral("yuv420p"), {QStringLiteral("-c:v"), QStringLiteral("libx264")},
                         {QStringLiteral("-color_primaries"), QStringLiteral("bt709"), QStringLiteral("-color_trc"),
                          QStringLiteral("bt709"), QStringLiteral("-colorspace"), QStringLiteral("bt709")}));
        const Project p = projectOf(clip.toStdString());
        const auto told = renderFilm(p, at(QStringLiteral("plain-out.mp4")), wholeFilm(p), goOn);
        QVERIFY(told && told.value().empty());
        QCOMPARE(probed(at(QStringLiteral("plain-out.mp4")), "codec_name"), QStringLiteral("h264"));
        QCOMPARE(probed(at(QStringLiteral("plain-out.mp4")), "pix_fmt"), QStringLiteral("yuv420p"));
        QCOMPARE(probed(at(QStringLiteral("plain-out.mp4")), "color_transfer"), QStringLiteral("bt709"));
    }
    void aClipIsReadInTheSpaceThatWasChosen()
    {
        // Untagged, and known to be PQ: the film is tagged so, and its codes are the clip's.
        const QString clip = folder_.filePath(QStringLiteral("untagged.mkv"));
        QVERIFY(madeFilm(clip, QStringLiteral("yuv420p10le"), {QStringLiteral("-c:v"), QStringLiteral("ffv1")}, {}));
        Project p = projectOf(clip.toStdString());
        p.shots.front().colour = ClipColour::pq;
        RenderOptions options = wholeFilm(p);
        options.form.coder = Coder::asItCame;
        QVERIFY(renderFilm(p, at(QStringLiteral("chosen.mkv")), options, goOn));
        QCOMPARE(probed(at(QStringLiteral("chosen.mkv")), "color_transfer"), QStringLiteral("smpte2084"));
        QCOMPARE(probed(at(QStringLiteral("chosen.mkv")), "color_primaries"), QStringLiteral("bt2020"));
        test::restIsUntouched(frameSums(clip.toStdString()), frameSums(at(QStringLiteral("chosen.mkv"))));
        // What is known of it does not forget what it said.
        KnownClips known{{{clip.toStdString(), false}, openFilm(p).value()->info()}};
        p.addShot(p.shots.front());
        QVERIFY(openFilm(p, FilmPictures::stored, known).value()->info().colour.transfer == Transfer::pq);
        for (Shot& shot : p.shots)
            shot.colour = ClipColour::asTagged;
        QVERIFY(openFilm(p, FilmPictures::stored, known).value()->info().colour == ColourSpace{});
        // It is shown as that: white of PQ is far above white.
        p.shots.resize(1);
        const ImagePtr told = openFilm(p).value()->picture(0).value();
        p.shots.front().colour = ClipColour::pq;
        const ImagePtr chosen = openFilm(p).value()->picture(0).value();
        QVERIFY(!samePixels(*told, *chosen));
    }
    void timecodeGoesAlong_data()
    {
        QTest::addColumn<QString>("file");
        for (const char* file : {"tc.mov", "tc.mp4", "tc.mkv"})
            QTest::addRow("%s", file) << QString::fromLatin1(file);
    }
    void timecodeGoesAlong()
    {
        QFETCH(QString, file);
        const QString clip = folder_.filePath(QStringLiteral("tc-in.mov"));
        QVERIFY(madeFilm(clip, QStringLiteral("yuv422p10le"), {QStringLiteral("-c:v"), QStringLiteral("prores_ks")},
                         {QStringLiteral("-timecode"), QStringLiteral("10:20:30:12")}));
        const Project p = projectOf(clip.toStdString());
        RenderOptions options = wholeFilm(p);
        options.first = Frame{6};
        QVERIFY(renderFilm(p, at(file), options, goOn));
        QCOMPARE(openedAsStored(at(file)).value()->info().timecode, std::string("10:20:30:18"));
    }
    void clipsOfOtherSpacesAreBroughtIntoTheFirst()
    {
        const QString first = folder_.filePath(QStringLiteral("first.mkv"));
        const QString second = folder_.filePath(QStringLiteral("second.mkv"));
        QVERIFY(madeFilm(first, QStringLiteral("yuv444p12le"), {QStringLiteral("-c:v"), QStringLiteral("ffv1")},
                         hdrTags("smpte2084")));
        QVERIFY(test::ffmpeg(
            {QStringLiteral("-f"), QStringLiteral("lavfi"), QStringLiteral("-i"),
             QStringLiteral("color=white:size=%1x%2:rate=24:duration=0.5,format=gbrp").arg(width).arg(height),
             QStringLiteral("-c:v"), QStringLiteral("ffv1"), second}));
        Project p = projectForClip(openedAsStored(first.toStdString()).value()->info());
        p.finish.cover = CoverMode::off;
        Shot shot;
        shot.clip = second.toStdString();
        shot.length = 12;
        p.shots.push_back(shot);
        const auto told = renderFilm(p, at(QStringLiteral("mixed.mkv")), wholeFilm(p), goOn);
        QVERIFY2(told, told ? "" : sentence(told.error()).c_str());
        QVERIFY(told.value().said().find("different colour spaces") != std::string::npos);
        const auto film = openedAsStored(at(QStringLiteral("mixed.mkv")));
        QVERIFY(film && film.value()->info().colour == (ColourSpace{Primaries::bt2020, Transfer::pq}));
        // White of the second is reference white: 203 cd/m2 (ITU-R BT.2408).
        const ImagePtr white = film.value()->picture(15).value();
        const double wanted = 65535 * codeOfLight(Transfer::pq, 1);
        for (int k = 0; k < 3; ++k)
            QVERIFY(std::abs(white->deepAt(30, 30)[k] - wanted) < 40);
    }
    void codersAreHeldByTheirFilms()
    {
        const QString clip = folder_.filePath(QStringLiteral("held.mkv"));
        QVERIFY(madeFilm(clip, QStringLiteral("yuv420p"), {QStringLiteral("-c:v"), QStringLiteral("mpeg4")}, {}));
        const Project p = projectOf(clip.toStdString());
        RenderOptions options = wholeFilm(p);
        options.form.coder = Coder::vp9;
        QVERIFY(!renderFilm(p, at(QStringLiteral("wrong.mp4")), options, goOn));
        options.form.coder = Coder::asItCame; // which is not written
        const auto own = renderFilm(p, at(QStringLiteral("own.mkv")), options, goOn);
        QVERIFY(!own && sentence(own.error()).find("mpeg4") != std::string::npos);
        QVERIFY(!QFile::exists(folder_.filePath(QStringLiteral("own.mkv"))));
    }
};

EMBER_TEST(ColourTest)
#include "tst_colour.moc"
