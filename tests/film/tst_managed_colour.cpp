// SPDX-License-Identifier: GPL-3.0-or-later
// Films whose colours a config manages: codes that nothing touches, light that is the same in every linear space, films
// in other spaces held against the standards' formulas, and configs that are not what a project thinks.
#include <cmath>

#include <QFile>
#include <QTemporaryDir>
#include <QTest>

#include "clips.h"
#include "coded_films.h"
#include "ember/film/film_colour.h"
#include "ember/film/film_reader.h"
#include "ember/film/film_view.h"
#include "ember/image/convert.h"
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

Project managed(const std::string& clip, const char* working = "", const char* output = "")
{
    Project p = test::projectOf(clip);
    p.colours.config = builtInConfig;
    p.colours.working = working;
    p.colours.output = output;
    return p;
}

ImagePtr pictureOf(const std::string& path, int index)
{
    return openedAsStored(path).value()->picture(index).value();
}

} // namespace

class ManagedColourTest : public QObject {
    Q_OBJECT
    QTemporaryDir folder_;
    std::string at(const QString& name) const { return folder_.filePath(name).toStdString(); }
    /// Twelve frames of light from -0.2 to 9.
    std::string plates() const
    {
        FilmSettings settings;
        settings.format = FilmFormat::exrSequence;
        settings.width = test::codedWidth;
        settings.height = test::codedHeight;
        settings.rate = *FrameRate::make(24, 1);
        settings.depth = Depth::single;
        settings.halfFloats = false;
        settings.overwrite = true;
        auto writer = FilmWriter::create(at(QStringLiteral("plate_%04d.exr")), settings);
        for (int frame = 0; frame < 12; ++frame) {
            test::Random random(static_cast<std::uint64_t>(frame) + 40);
            Image plate(settings.width, settings.height, Depth::single);
            plate.setOpaque(true);
            for (int y = 0; y < plate.height(); ++y)
                for (int x = 0; x < plate.width(); ++x)
                    for (int k = 0; k < 4; ++k)
                        plate.floatAt(x, y)[k] = k == 3               ? 1.0F
                                                 : x > 100 && x < 130 ? static_cast<float>(random.between(2, 9))
                                                                      : static_cast<float>(random.between(-0.2, 1));
            if (!writer.value()->addFrame(plate))
                return {};
        }
        return writer.value()->finish() ? at(QStringLiteral("plate_0000.exr")) : std::string();
    }
    std::string madeHdr() const
    {
        const QString clip = folder_.filePath(QStringLiteral("hdr.mkv"));
        return madeFilm(clip, QStringLiteral("yuv420p10le"), {QStringLiteral("-c:v"), QStringLiteral("ffv1")},
                        hdrTags("smpte2084"))
                   ? clip.toStdString()
                   : std::string();
    }
    std::string madeSdr() const
    {
        const QString clip = folder_.filePath(QStringLiteral("sdr.mkv"));
        return madeFilm(clip, QStringLiteral("gbrp"), {QStringLiteral("-c:v"), QStringLiteral("ffv1")}, {})
                   ? clip.toStdString()
                   : std::string();
    }

private slots:
    void codesAtRestAreTheClips()
    {
        const std::string clip = madeHdr();
        const Project p = managed(clip);
        RenderOptions options = wholeFilm(p);
        options.form.coder = Coder::asItCame;
        const auto told = renderFilm(p, at(QStringLiteral("hdr-out.mkv")), options, goOn);
        QVERIFY2(told, told ? "" : sentence(told.error()).c_str());
        QVERIFY2(told->said().find("Rec.2100 PQ") != std::string::npos, told->said().c_str());
        test::restIsUntouched(frameSums(clip), frameSums(at(QStringLiteral("hdr-out.mkv"))));
        for (const char* key : {"pix_fmt", "color_range", "color_space", "color_transfer", "color_primaries"})
            QCOMPARE(probed(at(QStringLiteral("hdr-out.mkv")), key), probed(clip, key));
        // The shaken frames are those without a config, but for rounding: light is the same in every linear space.
        Project tagged = p;
        tagged.colours = {};
        QVERIFY(renderFilm(tagged, at(QStringLiteral("hdr-tagged.mkv")), options, goOn));
        const ImagePtr one = pictureOf(at(QStringLiteral("hdr-out.mkv")), test::codedStrike + 1);
        const ImagePtr two = pictureOf(at(QStringLiteral("hdr-tagged.mkv")), test::codedStrike + 1);
        int far = 0;
        for (int x = 40; x < 248; ++x)
            for (int k = 0; k < 3; ++k)
                far = std::max(far, std::abs(one->deepAt(x, 16)[k] - two->deepAt(x, 16)[k]));
        QVERIFY2(far <= 700, qPrintable(QString::number(far))); // 4:2:0, and curves that meet in tables
    }
    void lightIsTheSameInEveryLinearSpace_data()
    {
        QTest::addColumn<QString>("working");
        for (const char* working : {"", "Linear Rec.709", "Linear Rec.2020", "ACES2065-1"})
            QTest::addRow("%s", working) << QString::fromLatin1(working);
    }
    void lightIsTheSameInEveryLinearSpace()
    {
        QFETCH(QString, working);
        const std::string clip = plates();
        Project p = managed(clip, qPrintable(working));
        p.finish.shutterAngle = 180;
        RenderOptions options = wholeFilm(p);
        options.overwrite = true;
        const auto told = renderFilm(p, at(QStringLiteral("light_%04d.exr")), options, goOn);
        QVERIFY2(told, told ? "" : sentence(told.error()).c_str());
        Project tagged = p;
        tagged.colours = {};
        QVERIFY(renderFilm(tagged, at(QStringLiteral("told_%04d.exr")), options, goOn));
        for (int frame = 0; frame < 12; ++frame) {
            const ImagePtr was = pictureOf(clip, frame);
            const ImagePtr is = pictureOf(at(QStringLiteral("light_0000.exr")), frame);
            const ImagePtr plain = pictureOf(at(QStringLiteral("told_0000.exr")), frame);
            QCOMPARE(samePixels(*was, *is), frame < test::codedStrike); // at rest bit for bit
            double far = 0;
            for (int y = 0; y < is->height(); ++y)
                for (int x = 0; x < is->width(); ++x)
                    for (int k = 0; k < 3; ++k)
                        far = std::max(far,
                                       static_cast<double>(std::abs(is->floatAt(x, y)[k] - plain->floatAt(x, y)[k])));
            QVERIFY2(far < 2e-5, qPrintable(QString::number(far)));
        }
    }
    void aFilmInAnotherSpaceHasItsCodesAndTags_data()
    {
        QTest::addColumn<QString>("space");
        QTest::addColumn<QString>("file");
        QTest::addColumn<QString>("transfer");
        QTest::addColumn<QString>("primaries");
        QTest::newRow("pq") << "Rec.2100 PQ"
                            << "pq.mp4"
                            << "smpte2084"
                            << "bt2020";
        QTest::newRow("hlg") << "Rec.2100 HLG"
                             << "hlg.mov"
                             << "arib-std-b67"
                             << "bt2020";
        QTest::newRow("p3") << "Display P3"
                            << "p3.mkv"
                            << "iec61966-2-1"
                            << "smpte432";
        QTest::newRow("log") << "ACEScct"
                             << "log.mkv"
                             << "unknown"
                             << "unknown";
    }
    void aFilmInAnotherSpaceHasItsCodesAndTags()
    {
        QFETCH(QString, space);
        QFETCH(QString, file);
        QFETCH(QString, transfer);
        QFETCH(QString, primaries);
        const std::string clip = madeSdr();
        const Project p = managed(clip, "", qPrintable(space));
        RenderOptions options = wholeFilm(p);
        options.form.quality = FilmQuality::best;
        const auto told = renderFilm(p, at(file), options, goOn);
        QVERIFY2(told, told ? "" : sentence(told.error()).c_str());
        QVERIFY(QString::fromStdString(told->said()).contains(space));
        const QString named = probed(at(file), "color_transfer");
        QVERIFY2(named == transfer || (transfer == QStringLiteral("iec61966-2-1") && named == QStringLiteral("bt709")),
                 qPrintable(named));
        QCOMPARE(probed(at(file), "color_primaries"), primaries);
        // The middles of the bars, by the formulas.
        const auto config = ColourConfig::open(std::string(builtInConfig)).value();
        const auto known = config->known(space.toStdString());
        const ImagePtr was = pictureOf(clip, 0);
        const ImagePtr is = pictureOf(at(file), 0);
        QCOMPARE(static_cast<int>(is->depth()), 16);
        for (const int x : {51, 82, 113, 144, 174, 205, 236}) {
            std::array<double, 3> light{};
            const ColourMatrix m = conversionOf(Primaries::bt709, known ? known->primaries : Primaries::ap1);
            for (std::size_t row = 0; row < 3; ++row)
                for (std::size_t k = 0; k < 3; ++k)
                    light[row] += m[3 * row + k] * lightOfCode(Transfer::srgb, was->at(x, 16)[k] / 255.0);
            for (std::size_t k = 0; k < 3; ++k) {
                // ACEScct: S-2016-001, 4.3.
                const double code = known                   ? codeOfLight(known->transfer, std::max(light[k], 0.0))
                                    : light[k] <= 0.0078125 ? 10.5402377416545 * light[k] + 0.0729055341958355
                                                            : (std::log2(light[k]) + 9.72) / 17.52;
                const double found = is->deepAt(x, 16)[k] / 65535.0;
                QVERIFY2(std::abs(found - code) < 0.015,
                         qPrintable(QStringLiteral("%1 is not %2").arg(found).arg(code)));
            }
        }
    }
    void aClipWhoseTagsAreWrongKeepsItsCodes()
    {
        // PQ that says nothing: named for its shot, the film says it, and codes at rest are the clip's.
        const QString clip = folder_.filePath(QStringLiteral("untold.mkv"));
        QVERIFY(madeFilm(clip, QStringLiteral("yuv422p10le"), {QStringLiteral("-c:v"), QStringLiteral("ffv1")}, {}));
        Project p = managed(clip.toStdString());
        p.shots.front().space = "Rec.2100 PQ";
        RenderOptions options = wholeFilm(p);
        options.form.coder = Coder::asItCame;
        QVERIFY(renderFilm(p, at(QStringLiteral("named.mkv")), options, goOn));
        QCOMPARE(probed(at(QStringLiteral("named.mkv")), "color_transfer"), QStringLiteral("smpte2084"));
        QCOMPARE(probed(at(QStringLiteral("named.mkv")), "color_primaries"), QStringLiteral("bt2020"));
        test::restIsUntouched(frameSums(clip.toStdString()), frameSums(at(QStringLiteral("named.mkv"))));
    }
    void lightBecomesCodesThatCanBeSeen()
    {
        // A film of light that is not written as OpenEXR is sRGB, where nothing else was said.
        const std::string clip = plates();
        const Project p = managed(clip);
        const auto told = renderFilm(p, at(QStringLiteral("seen.mkv")), wholeFilm(p), goOn);
        QVERIFY(told && told->said().find("\"sRGB\"") != std::string::npos);
        const ImagePtr was = pictureOf(clip, 0);
        const ImagePtr is = pictureOf(at(QStringLiteral("seen.mkv")), 0);
        for (int x = 0; x < 40; ++x) {
            const double code =
                std::clamp(codeOfLight(Transfer::srgb, static_cast<double>(was->floatAt(x, 9)[1])), 0.0, 1.0);
            QVERIFY(std::abs(is->deepAt(x, 9)[1] - 65535 * code) <= 3);
        }
    }
    void severalFilmsOfOnePassHaveEachItsOwn()
    {
        const std::string clip = plates();
        const Project p = managed(clip, "Linear Rec.2020");
        RenderFile light{at(QStringLiteral("both_%04d.exr")), wholeFilm(p).form};
        RenderFile codes{at(QStringLiteral("both.mkv")), wholeFilm(p).form};
        const auto made = renderFilms(p, {light, codes}, wholeFilm(p), goOn);
        QVERIFY(made && made->at(0) && made->at(1));
        QVERIFY(samePixels(*pictureOf(clip, 2), *pictureOf(at(QStringLiteral("both_0000.exr")), 2)));
        QCOMPARE(static_cast<int>(pictureOf(at(QStringLiteral("both.mkv")), 2)->depth()), 16);
    }
    void aViewMeetsHighlightsThatAreStillThere()
    {
        // By tags: at rest it is what it always was; light that is added is added before it is brought down.
        const std::string clip = madeHdr();
        Project p = test::projectOf(clip);
        const auto film = openFilm(p, FilmPictures::light).value();
        const auto view = FilmView::of(p, film->info()).value();
        QVERIFY(view && view->words().said() == "PQ shown as SDR");
        FrameLook look = plainLook(p);
        const ImagePtr light = film->picture(0).value();
        QVERIFY(light->depth() == Depth::sixteen);
        const ImagePtr seen = renderForScreen(view.get(), light, look, p.width, p.height);
        QVERIFY(samePixels(*seen, *openFilm(p).value()->picture(0).value()));
        look.light.exposure = -3; // stops
        const ImagePtr darker = renderForScreen(view.get(), light, look, p.width, p.height);
        look.depth = Depth::eight;
        const ImagePtr late = renderFrame(seen, look, p.width, p.height);
        int apart = 0;
        for (int x = 0; x < p.width; ++x)
            apart = std::max(apart, std::abs(darker->at(x, 10)[0] - late->at(x, 10)[0]));
        QVERIFY2(apart > 10, qPrintable(QString::number(apart)));
        // A film of the screen's own codes needs none.
        const std::string plain = madeSdr();
        Project sdr = test::projectOf(plain);
        QVERIFY(FilmView::of(sdr, openFilm(sdr, FilmPictures::light).value()->info()).value() == nullptr);
        // By a config: the same picture by the table, by the single frame, and by the reader.
        sdr.colours.config = builtInConfig;
        const auto opened = openFilm(sdr, FilmPictures::light).value();
        const auto through = FilmView::of(sdr, opened->info()).value();
        QCOMPARE(through->words().said(), std::string("sRGB screen, Cut at white"));
        const ImagePtr shown = through->of(opened->picture(0).value());
        const ImagePtr read = openFilm(sdr).value()->picture(0).value();
        QVERIFY2(test::largestDifference(*shown, *read) <= 2,
                 qPrintable(QString::number(test::largestDifference(*shown, *read))));
        QVERIFY(test::largestDifference(*read, *pictureOf(plain, 0)) <= 1);
        QVERIFY(renderStill(sdr, Frame{0}, at(QStringLiteral("still.png")), wholeFilm(sdr)));
        const ImagePtr still = pictureOf(at(QStringLiteral("still.png")), 0);
        for (int x = 0; x < sdr.width; ++x)
            QVERIFY(std::abs(still->deepAt(x, 20)[1] - 257 * read->at(x, 20)[1]) <= 200);
    }
    void gapsStayBlack()
    {
        const std::string clip = madeSdr();
        Project p = managed(clip, "", "ACEScct");
        Shot gap;
        gap.length = 200;
        p.addShot(gap);
        QVERIFY(renderFilm(p, at(QStringLiteral("gap.mkv")), wholeFilm(p), goOn));
        // No light in ACEScct: S-2016-001, 4.3. The same while a strike is felt and after it.
        const Motion motion(p);
        QVERIFY(motion.at(13) != MotionSample() && motion.at(205) == MotionSample());
        for (const int frame : {13, 205})
            QVERIFY(std::abs(pictureOf(at(QStringLiteral("gap.mkv")), frame)->deepAt(9, 9)[1] -
                             65535 * 0.0729055341958355) < 2);
        const auto light = openFilm(p, FilmPictures::light).value();
        QCOMPARE(light->frame(Frame{13}, p.rate).value()->floatAt(9, 9)[1], 0.0F);
        QVERIFY(light->frame(Frame{3}, p.rate).value()->floatAt(51, 16)[1] > 0.1F);
    }
    void whatAConfigHasNotIsTold()
    {
        const std::string clip = madeSdr();
        Project p = managed(clip, "Linear Mars", "Olympus");
        p.colours.display = "retina";
        p.colours.look = "warm";
        p.shots.front().space = "Phobos";
        const auto told = renderFilm(p, at(QStringLiteral("mars.mkv")), wholeFilm(p), goOn);
        QVERIFY(told);
        for (const char* name : {"Linear Mars", "ACEScg", "Olympus", "retina", "warm", "Phobos", "sRGB"})
            QVERIFY2(told->said().find(name) != std::string::npos, name);
        test::restIsUntouched(frameSums(clip), frameSums(at(QStringLiteral("mars.mkv"))));
        // A config that is not there: nothing is written, and the project names it.
        p = managed(clip);
        p.colours.config = at(QStringLiteral("studio.ocio"));
        for (const auto pictures : {FilmPictures::shown, FilmPictures::light})
            QVERIFY(!openFilm(p, pictures));
        const auto refused = renderFilm(p, at(QStringLiteral("never.mkv")), wholeFilm(p), goOn);
        QVERIFY(!refused && sentence(refused.error()).find("studio.ocio") != std::string::npos);
        QVERIFY(!QFile::exists(QString::fromStdString(at(QStringLiteral("never.mkv")))));
        QVERIFY(openFilm(p, FilmPictures::stored)); // which needs none
    }
    void nothingIsWrittenOntoTheConfig()
    {
        const std::string clip = madeSdr();
        Project p = managed(clip);
        p.colours.config = at(QStringLiteral("mine.mkv")); // whatever it is called
        test::writeBytes(p.colours.config, "ocio_profile_version: 2\n");
        RenderOptions options = wholeFilm(p);
        options.overwrite = true;
        QVERIFY(!renderStill(p, Frame{0}, p.colours.config, options));
        QCOMPARE(test::bytesOf(p.colours.config), QByteArray("ocio_profile_version: 2\n"));
    }
};

EMBER_TEST(ManagedColourTest)
#include "tst_managed_colour.moc"
