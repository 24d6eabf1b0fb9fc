// SPDX-License-Identifier: GPL-3.0-or-later
#include <cmath>

#include <QDir>
#include <QFile>
#include <QTest>

#include "clips.h"
#include "ember/media/clip.h"
#include "ember/media/film_writer.h"
#include "ember/media/sound_reader.h"
#include "pictures.h"
#include "runner.h"

using namespace ember;

namespace {

FilmSettings settingsFor(FilmFormat format, int width = 192, int height = 128)
{
    FilmSettings settings;
    settings.format = format;
    settings.width = width;
    settings.height = height;
    return settings;
}

} // namespace

class FilmWriterTest : public QObject {
    Q_OBJECT
    QTemporaryDir folder_;
    std::string at(const char* name) const { return folder_.filePath(QString::fromLatin1(name)).toStdString(); }
    QStringList files() const
    {
        return QDir(folder_.path()).entryList(QDir::Files | QDir::Hidden | QDir::NoDotAndDotDot, QDir::Name);
    }

private slots:
    void init()
    {
        for (const QString& file : files())
            QFile::remove(folder_.filePath(file));
    }
    void namesTellTheFormat()
    {
        QVERIFY(filmFormatOf("a.mp4") == FilmFormat::mp4);
        QVERIFY(filmFormatOf("a.MKV") == FilmFormat::mkv);
        QVERIFY(filmFormatOf("a_%05d.png") == FilmFormat::pngSequence);
        QVERIFY(filmFormatOf("frames/") == FilmFormat::pngSequence);
        QVERIFY(filmFormatOf(folder_.path().toStdString()) == FilmFormat::pngSequence);
        QVERIFY(filmFormatOf("a.webm") == FilmFormat::webm && filmFormatOf("a.mov") == FilmFormat::mov);
        QVERIFY(filmFormatOf("a.gif") == FilmFormat::gif && filmFormatOf("a_%03d.exr") == FilmFormat::exrSequence);
        QVERIFY(!filmFormatOf("a.txt") && !filmFormatOf("mp4"));
        QCOMPARE(sequenceFile("x/a_%04d.png", 7), std::string("x/a_0007.png"));
        QCOMPARE(sequenceFile("x/a.png", 7), std::string("x/a_00007.png"));
        QCOMPARE(sequenceFile("x/", 12), std::string("x/frame_00012.png"));
        QCOMPARE(sequenceFile("50%off.png", 1), std::string("50%off_00001.png"));
    }
    void losslessIsLossless()
    {
        const std::string path = at("film.mkv");
        auto writer = FilmWriter::create(path, settingsFor(FilmFormat::mkv, 61, 37));
        QVERIFY(writer);
        for (std::uint64_t i = 0; i < 5; ++i)
            QVERIFY(writer.value()->addFrame(test::speckled(61, 37, i)));
        QVERIFY(!QFile::exists(QString::fromStdString(path))); // not before it is finished
        QVERIFY(writer.value()->finish());
        writer.value().reset();
        auto clip = ClipReader::open(path);
        QVERIFY(clip);
        QCOMPARE(clip.value()->info().length, std::int64_t{5});
        for (std::uint64_t i = 0; i < 5; ++i)
            QVERIFY(
                samePixels(*clip.value()->picture(static_cast<std::int64_t>(i)).value(), test::speckled(61, 37, i)));
        QCOMPARE(files(), QStringList{QStringLiteral("film.mkv")});
    }
    void picturesAreLossless()
    {
        for (const bool alpha : {false, true}) {
            FilmSettings settings = settingsFor(FilmFormat::pngSequence, 33, 21);
            settings.alpha = alpha;
            settings.overwrite = true;
            settings.firstNumber = 40;
            auto writer = FilmWriter::create(at("p_%03d.png"), settings);
            Image image = test::speckled(33, 21, 9);
            if (alpha)
                image.at(3, 3)[3] = 17;
            QVERIFY(writer.value()->addFrame(image));
            QVERIFY(writer.value()->finish());
            ClipOptions alone;
            alone.neverSequence = true;
            auto clip = ClipReader::open(at("p_040.png"), alone);
            QVERIFY(clip);
            QCOMPARE(clip.value()->info().alpha, alpha);
            QVERIFY(samePixels(*clip.value()->picture(0).value(), image));
        }
    }
    void mp4HoldsPicturesAndSound()
    {
        const auto path = test::numberedClip(folder_, "film.mp4", 48, *FrameRate::make(30000, 1001), 192, 128, true);
        auto clip = ClipReader::open(path);
        QVERIFY(clip);
        QCOMPARE(clip.value()->info().codec, std::string("h264"));
        QCOMPARE(clip.value()->info().rate, *FrameRate::make(30000, 1001));
        QCOMPARE(test::numberIn(*clip.value()->picture(31).value()), 31);
        auto sound = SoundReader::open(path, clip.value()->info().originSeconds, {});
        QVERIFY(sound);
        sound.value()->seek(12000);
        const SoundBuffer part = sound.value()->read(4800);
        double energy = 0;
        for (std::size_t i = 0; i < part.samples.size(); i += 2)
            energy += static_cast<double>(part.samples[i]) * part.samples[i];
        QVERIFY(std::abs(std::sqrt(energy / 4800) - 0.5 / std::sqrt(2.0)) < 0.03);
    }
    void coloursSurviveMp4()
    {
        const std::string path = at("colour.mp4");
        auto writer = FilmWriter::create(path, settingsFor(FilmFormat::mp4));
        Image image(192, 128);
        image.fill(200, 50, 20);
        for (int i = 0; i < 3; ++i)
            QVERIFY(writer.value()->addFrame(image));
        QVERIFY(writer.value()->finish());
        const auto clip = ClipReader::open(path);
        QVERIFY(test::largestDifference(*clip.value()->picture(1).value(), image) <= 4);
    }
    void oddSizesAreFitted()
    {
        int width = 61;
        int height = 37;
        fitToFormat(FilmFormat::mkv, width, height);
        QVERIFY(width == 61 && height == 37);
        fitToFormat(FilmFormat::mp4, width, height);
        QVERIFY(width == 60 && height == 36);
    }
    void soundRatesAreThoseOfTheCoder()
    {
        QCOMPARE(soundRateFor(FilmFormat::mp4, 44100), 44100);
        QCOMPARE(soundRateFor(FilmFormat::mp4, 192000), 96000);
        QCOMPARE(soundRateFor(FilmFormat::mkv, 192000), 192000);
    }
    void droppedWritersLeaveNothing()
    {
        for (const char* name : {"a.mp4", "a.mkv", "a_%04d.png"}) {
            auto writer = FilmWriter::create(at(name), settingsFor(*filmFormatOf(name)));
            QVERIFY(writer);
            QVERIFY(writer.value()->addFrame(test::numbered(192, 128, 1)));
            writer.value().reset();
            QCOMPARE(files(), QStringList{});
        }
        const std::string fresh = at("new folder/");
        auto writer = FilmWriter::create(fresh, settingsFor(FilmFormat::pngSequence));
        QVERIFY(writer.value()->addFrame(test::numbered(192, 128, 1)));
        writer.value().reset();
        QVERIFY(!QDir(QString::fromStdString(fresh)).exists());
    }
    void nothingIsReplacedUnasked()
    {
        test::writeBytes(at("kept.mp4"), "precious");
        const auto refused = FilmWriter::create(at("kept.mp4"), settingsFor(FilmFormat::mp4));
        QVERIFY(!refused && refused.error().code == ErrorCode::exists);
        QCOMPARE(test::bytesOf(at("kept.mp4")), QByteArray("precious"));
        FilmSettings settings = settingsFor(FilmFormat::mp4);
        settings.overwrite = true;
        {
            auto writer = FilmWriter::create(at("kept.mp4"), settings);
            QVERIFY(writer);
            QVERIFY(writer.value()->addFrame(test::numbered(192, 128, 1)));
        } // dropped: the old one is still whole
        QCOMPARE(test::bytesOf(at("kept.mp4")), QByteArray("precious"));
        test::writeBytes(at("p_00000.png"), "precious");
        const auto picture = FilmWriter::create(at("p_%05d.png"), settingsFor(FilmFormat::pngSequence));
        QVERIFY(!picture && picture.error().code == ErrorCode::exists);
    }
    void placesThatCannotBeWritten()
    {
        const auto lost = FilmWriter::create(at("no/such/folder/a.mp4"), settingsFor(FilmFormat::mp4));
        QVERIFY(!lost);
        QVERIFY(sentence(lost.error()).find("folder") != std::string::npos);
        QVERIFY(!FilmWriter::create("/proc/a.mkv", settingsFor(FilmFormat::mkv)));
        QVERIFY(!FilmWriter::create(at("zero.mkv"), settingsFor(FilmFormat::mkv, 0, 10)));
        QCOMPARE(files(), QStringList{});
    }
    void whatCodersCannotTakeIsTold()
    {
        for (const auto format : {FilmFormat::mp4, FilmFormat::webm}) {
            const auto writer = FilmWriter::create(at("wide.any"), settingsFor(format, 20000, 16));
            QVERIFY(!writer);
            QVERIFY(sentence(writer.error()).find("16384") != std::string::npos);
        }
        // Large lossless films need more slices than small ones.
        auto large = FilmWriter::create(at("large.mkv"), settingsFor(FilmFormat::mkv, 4096, 2304));
        QVERIFY2(large, large ? "" : sentence(large.error()).c_str());
    }
    void fullDisksAreTold_data()
    {
        QTest::addColumn<QString>("name");
        QTest::addColumn<int>("room");
        QTest::addRow("mkv") << QStringLiteral("a.mkv") << 60000;
        QTest::addRow("mp4") << QStringLiteral("a.mp4") << 3000;
        QTest::addRow("webm") << QStringLiteral("a.webm") << 3000;
        QTest::addRow("mov") << QStringLiteral("a.mov") << 30000;
        QTest::addRow("gif") << QStringLiteral("a.gif") << 30000;
        QTest::addRow("png") << QStringLiteral("a_%04d.png") << 1000;
        QTest::addRow("exr") << QStringLiteral("a_%04d.exr") << 1000;
    }
    /// As deep as the format wants it.
    static Image pictureFor(const std::string& path, std::uint64_t seed)
    {
        Image codes = test::speckled(192, 128, seed);
        if (filmFormatOf(path) != FilmFormat::exrSequence)
            return codes;
        Image light(192, 128, Depth::single);
        for (int y = 0; y < 128; ++y)
            for (int x = 0; x < 192; ++x)
                for (int k = 0; k < 4; ++k)
                    light.floatAt(x, y)[k] = static_cast<float>(codes.at(x, y)[k]) / 255;
        return light;
    }
    void fullDisksAreTold()
    {
        QFETCH(QString, name);
        QFETCH(int, room);
        const std::string path = folder_.filePath(name).toStdString();
        std::optional<Error> error;
        {
            const test::DiskLimit limit(room);
            auto writer = FilmWriter::create(path, settingsFor(*filmFormatOf(path)));
            if (!writer)
                error = writer.error();
            for (std::uint64_t i = 0; i < 60 && !error; ++i)
                if (auto status = writer.value()->addFrame(pictureFor(path, i)); !status)
                    error = status.error();
            if (!error)
                if (auto status = writer.value()->finish(); !status)
                    error = status.error();
        }
        QVERIFY(error);
        QVERIFY2(error->code == ErrorCode::unwritable, sentence(*error).c_str());
        QVERIFY(sentence(*error).find("cannot be written") != std::string::npos);
        QCOMPARE(files(), QStringList{});
    }
};

EMBER_TEST(FilmWriterTest)
#include "tst_film_writer.moc"
