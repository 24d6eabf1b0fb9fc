// SPDX-License-Identifier: GPL-3.0-or-later
#include <QDir>
#include <QTest>

#include "clips.h"
#include "ember/media/clip.h"
#include "ember/media/sound_reader.h"
#include "pictures.h"
#include "runner.h"

using namespace ember;

class BadMediaTest : public QObject {
    Q_OBJECT
    QTemporaryDir folder_;
    std::string good_;

    std::string at(const char* name) const { return folder_.filePath(QString::fromLatin1(name)).toStdString(); }

private slots:
    void initTestCase()
    {
        good_ = test::numberedClip(folder_, "good.mp4", 48, *FrameRate::make(24, 1), 192, 128, true);
        QVERIFY(!good_.empty());
    }
    void eachIsASentence_data()
    {
        QTest::addColumn<QString>("name");
        QTest::addColumn<int>("code");
        test::writeBytes(at("empty.mp4"), {});
        test::writeBytes(at("words.mp4"), "This is no film at all, only words. ");
        test::writeBytes(at("noise.bin"), QByteArray(5000, '\x5a'));
        test::writeBytes(at("cut.mp4"), test::bytesOf(good_).left(2000));
        test::writeBytes(at("empty.png"), {});
        test::ffmpeg({QStringLiteral("-f"), QStringLiteral("lavfi"), QStringLiteral("-i"),
                      QStringLiteral("sine=440:d=1"), folder_.filePath(QStringLiteral("tone.wav"))});
        test::ffmpeg({QStringLiteral("-f"), QStringLiteral("lavfi"), QStringLiteral("-i"),
                      QStringLiteral("sine=440:d=1"), QStringLiteral("-c:a"), QStringLiteral("aac"),
                      folder_.filePath(QStringLiteral("tone.mp4"))});
        test::ffmpeg({QStringLiteral("-f"), QStringLiteral("lavfi"), QStringLiteral("-i"),
                      QStringLiteral("color=s=64x64:r=24"), QStringLiteral("-frames:v"), QStringLiteral("0"),
                      folder_.filePath(QStringLiteral("frameless.mkv"))});
        QDir(folder_.path()).mkdir(QStringLiteral("folder"));
        const auto row = [](const char* name, ErrorCode code) {
            QTest::addRow("%s", name) << QString::fromLatin1(name) << static_cast<int>(code);
        };
        row("nothing.mp4", ErrorCode::notFound);
        row("empty.mp4", ErrorCode::notMedia);
        row("empty.png", ErrorCode::notMedia);
        row("words.mp4", ErrorCode::notMedia);
        row("noise.bin", ErrorCode::notMedia);
        row("tone.wav", ErrorCode::noPicture);
        row("tone.mp4", ErrorCode::noPicture);
        row("folder", ErrorCode::unreadable);
        row("frameless.mkv", ErrorCode::damaged);
    }
    void eachIsASentence()
    {
        QFETCH(QString, name);
        QFETCH(int, code);
        const auto clip = ClipReader::open(folder_.filePath(name).toStdString());
        QVERIFY(!clip);
        QCOMPARE(static_cast<int>(clip.error().code), code);
        const QString text = QString::fromStdString(sentence(clip.error()));
        QVERIFY2(text.contains(name), qPrintable(text));
    }
    void aFilmCutBeforeItsIndexIsDamaged()
    {
        const auto clip = ClipReader::open(at("cut.mp4"));
        QVERIFY(!clip);
        QVERIFY(clip.error().code == ErrorCode::damaged || clip.error().code == ErrorCode::notMedia);
    }
    void aFilmCutLaterShowsWhatIsLeft()
    {
        // Matroska can be read up to where it breaks off.
        const auto whole = test::numberedClip(folder_, "whole.mkv", 48, *FrameRate::make(24, 1));
        const QByteArray bytes = test::bytesOf(whole);
        test::writeBytes(at("broken.mkv"), bytes.left(bytes.size() / 2));
        auto clip = ClipReader::open(at("broken.mkv"));
        QVERIFY(clip);
        QVERIFY(clip.value()->info().length < 48 && clip.value()->info().length > 5);
        QCOMPARE(test::numberIn(*clip.value()->picture(3).value()), 3);
        for (std::int64_t i = 0; i < clip.value()->info().pictures; ++i)
            QVERIFY(clip.value()->picture(i));
    }
    void scrambledPicturesDoNotStopTheOthers()
    {
        const auto whole = test::numberedClip(folder_, "scramble.mkv", 48, *FrameRate::make(24, 1), 640, 480);
        const QByteArray good = test::bytesOf(whole);
        int inPictures = 0;
        for (int place = 0; place < 12; ++place) { // some lie in a picture, some on what stands between two
            QByteArray bytes = good;
            const auto begin = bytes.size() / 3 + place * bytes.size() / 50;
            for (auto i = begin; i < begin + 12; ++i)
                bytes[i] = '\x77';
            test::writeBytes(at("scrambled.mkv"), bytes);
            auto clip = ClipReader::open(at("scrambled.mkv"));
            QVERIFY(clip);
            const std::int64_t pictures = clip.value()->info().pictures;
            int right = 0;
            for (std::int64_t i = 0; i < pictures; ++i)
                if (const auto picture = clip.value()->picture(i); picture && test::numberIn(*picture.value()) == i)
                    ++right;
            QCOMPARE(test::numberIn(*clip.value()->picture(3).value()), 3); // before it
            if (pictures < 48) { // where the file's own marks are gone it ends, and says so
                QVERIFY(right >= pictures - 1 && !clip.value()->info().notes.empty());
                continue;
            }
            ++inPictures;
            QVERIFY2(right >= 46, qPrintable(QString::number(right)));
            QCOMPARE(test::numberIn(*clip.value()->picture(47).value()), 47); // and behind it
        }
        QVERIFY2(inPictures >= 6, qPrintable(QString::number(inPictures)));
    }
    void randomBytesNeverCrash()
    {
        test::Random random(17);
        const QByteArray good = test::bytesOf(good_);
        for (int round = 0; round < 60; ++round) {
            QByteArray bytes = good;
            for (int i = 0; i < 40; ++i)
                bytes[random.whole(0, static_cast<int>(bytes.size()) - 1)] = static_cast<char>(random.whole(0, 255));
            test::writeBytes(at("fuzz.mp4"), bytes);
            if (auto clip = ClipReader::open(at("fuzz.mp4")))
                for (const std::int64_t i : {0, 20, 47, 5})
                    (void)clip.value()->picture(i);
            if (auto sound = SoundReader::open(at("fuzz.mp4"), 0, {}))
                (void)sound.value()->read(5000);
        }
        QVERIFY(ClipReader::open(good_));
    }
    void soundOfSilentThings()
    {
        QVERIFY(!SoundReader::open(at("words.mp4"), 0, {}));
        QVERIFY(!SoundReader::open(at("nothing.wav"), 0, {}));
        const auto mute = test::numberedClip(folder_, "mute.mkv", 4, *FrameRate::make(24, 1));
        const auto sound = SoundReader::open(mute, 0, {});
        QVERIFY(!sound && sound.error().code == ErrorCode::notMedia);
    }
};

EMBER_TEST(BadMediaTest)
#include "tst_bad_media.moc"
