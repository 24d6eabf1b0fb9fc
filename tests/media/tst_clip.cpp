// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>
#include <cmath>
#include <numeric>

#include <QDir>
#include <QFile>
#include <QTest>

#include "clips.h"
#include "ember/media/clip.h"
#include "pictures.h"
#include "runner.h"

using namespace ember;

namespace {

constexpr int count = 60;

std::unique_ptr<ClipReader> opened(const QString& path, const ClipOptions& options = {})
{
    auto clip = ClipReader::open(path.toStdString(), options);
    if (!clip) {
        qWarning("%s", sentence(clip.error()).c_str());
        return nullptr;
    }
    return std::move(clip).value();
}

int numberAt(ClipReader& clip, std::int64_t frame, FrameRate rate)
{
    const auto image = clip.frame(Frame{frame}, rate);
    return image ? test::numberIn(*image.value()) : -2;
}

} // namespace

class ClipTest : public QObject {
    Q_OBJECT
    QTemporaryDir folder_;
    QString source_;

    QString at(const QString& name) const { return folder_.filePath(name); }
    /// The numbered source coded another way.
    QString coded(const QString& name, const QStringList& options, const QStringList& before = {})
    {
        return test::ffmpeg(before + QStringList{QStringLiteral("-i"), source_} + options + QStringList{at(name)})
                   ? at(name)
                   : QString();
    }

private slots:
    void initTestCase()
    {
        source_ = QString::fromStdString(test::numberedClip(folder_, "numbers.mkv", count, *FrameRate::make(24, 1)));
        QVERIFY(!source_.isEmpty());
    }

    void everyFrameIsExact_data()
    {
        QTest::addColumn<QString>("name");
        QTest::addColumn<QStringList>("options");
        const auto row = [](const char* name, const char* options) {
            QTest::addRow("%s %s", name, options)
                << QString::fromLatin1(name) << QString::fromLatin1(options).split(QLatin1Char(' '));
        };
        row("long.mp4", "-c:v libx264 -g 250 -bf 3 -pix_fmt yuv420p");
        row("open.mp4", "-c:v libx264 -g 12 -bf 3 -pix_fmt yuv420p -x264-params open-gop=1");
        row("intra.mov", "-c:v libx264 -g 1 -pix_fmt yuv420p");
        row("b.mkv", "-c:v libx264 -g 30 -bf 2 -pix_fmt yuv420p");
        row("hevc.mp4", "-c:v libx265 -pix_fmt yuv420p -x265-params log-level=none:keyint=40:bframes=3");
        row("hevc10.mkv", "-c:v libx265 -pix_fmt yuv420p10le -x265-params log-level=none:keyint=40");
        row("vp9.webm", "-c:v libvpx-vp9 -pix_fmt yuv420p -g 40 -deadline realtime -cpu-used 8");
        row("prores.mov", "-c:v prores_ks -pix_fmt yuv422p10le");
        row("ffv1.mkv", "-c:v ffv1 -pix_fmt yuv444p");
        row("ffv1.avi", "-c:v ffv1 -pix_fmt yuv420p");
        row("mjpeg.avi", "-c:v mjpeg -pix_fmt yuvj420p -q:v 3");
        row("mpeg4.avi", "-c:v mpeg4 -q:v 3 -g 20");
    }
    void everyFrameIsExact()
    {
        QFETCH(QString, name);
        QFETCH(QStringList, options);
        const QString path = coded(name, options);
        QVERIFY(!path.isEmpty());
        const auto clip = opened(path);
        QVERIFY(clip);
        QCOMPARE(clip->info().length, std::int64_t{count});
        QCOMPARE(clip->info().rate, *FrameRate::make(24, 1));
        QVERIFY(!clip->info().variableRate);
        for (int i = 0; i < count; ++i)
            QCOMPARE(numberAt(*clip, i, clip->info().rate), i);
        for (int i = count - 1; i >= 0; i -= 3)
            QCOMPARE(numberAt(*clip, i, clip->info().rate), i);
        test::Random random(4);
        for (int i = 0; i < 40; ++i) {
            const int wanted = random.whole(0, count - 1);
            QCOMPARE(numberAt(*clip, wanted, clip->info().rate), wanted);
        }
        QCOMPARE(numberAt(*clip, 10'000, clip->info().rate), count - 1); // held at the end
        QCOMPARE(numberAt(*clip, -5, clip->info().rate), 0);
        // The same where the index is known already and the file was not read from end to end before the first jump.
        QTest::qSleep(150);
        QVERIFY(opened(path)); // it is kept now: the file is no longer just written
        const auto again = opened(path);
        QVERIFY(again);
        for (int i = 0; i < 40; ++i) {
            const int wanted = random.whole(0, count - 1);
            QCOMPARE(numberAt(*again, wanted, clip->info().rate), wanted);
        }
        QCOMPARE(again->info().length, clip->info().length);
    }

    void ratesAreKept_data()
    {
        QTest::addColumn<QString>("extension");
        QTest::addColumn<int>("num");
        QTest::addColumn<int>("den");
        for (const char* extension : {"mp4", "mkv", "mov", "webm"})
            for (const auto& [num, den] : {std::pair(24000, 1001), std::pair(30000, 1001), std::pair(25, 1),
                                           std::pair(60000, 1001), std::pair(12, 1)})
                QTest::addRow("%s %d/%d", extension, num, den) << QString::fromLatin1(extension) << num << den;
    }
    void ratesAreKept()
    {
        QFETCH(QString, extension);
        QFETCH(int, num);
        QFETCH(int, den);
        const QString rate = QStringLiteral("%1/%2").arg(num).arg(den);
        const QStringList codec = extension == QStringLiteral("webm")
                                      ? QStringList{QStringLiteral("-c:v"), QStringLiteral("libvpx-vp9"),
                                                    QStringLiteral("-deadline"), QStringLiteral("realtime")}
                                      : QStringList{QStringLiteral("-c:v"), QStringLiteral("libx264")};
        const QString path = coded(QStringLiteral("rate.") + extension,
                                   codec + QStringList{QStringLiteral("-pix_fmt"), QStringLiteral("yuv420p"),
                                                       QStringLiteral("-vsync"), QStringLiteral("passthrough")},
                                   {QStringLiteral("-r"), rate});
        QVERIFY(!path.isEmpty());
        const auto clip = opened(path);
        QVERIFY(clip);
        QCOMPARE(clip->info().rate, *FrameRate::make(num, den));
        QCOMPARE(clip->info().length, std::int64_t{count});
        for (int i = 0; i < count; ++i)
            QCOMPARE(numberAt(*clip, i, clip->info().rate), i);
    }

    void variableRateShowsWhatCoversTheInstant()
    {
        // Every third frame is missing and the clock goes on: frame n is shown until the next one comes.
        const QString path =
            coded(QStringLiteral("phone.mp4"),
                  {QStringLiteral("-vf"), QStringLiteral("select='gt(mod(n,3),0)'"), QStringLiteral("-vsync"),
                   QStringLiteral("vfr"), QStringLiteral("-c:v"), QStringLiteral("libx264"), QStringLiteral("-bf"),
                   QStringLiteral("2"), QStringLiteral("-pix_fmt"), QStringLiteral("yuv420p")});
        QVERIFY(!path.isEmpty());
        const auto clip = opened(path);
        QVERIFY(clip);
        QVERIFY(clip->info().variableRate);
        QVERIFY(!clip->info().notes.empty());
        const FrameRate rate = *FrameRate::make(24, 1);
        // The first picture kept is number 1, at time 0 of the film.
        for (int n = 0; n < 50; ++n) {
            const int source = n + 1;
            QCOMPARE(numberAt(*clip, n, rate), source % 3 == 0 ? source - 1 : source);
        }
        // Seen at twice the rate each is shown twice as long.
        for (int n = 0; n < 60; ++n) {
            const int source = n / 2 + 1;
            QCOMPARE(numberAt(*clip, n, *FrameRate::make(48, 1)), source % 3 == 0 ? source - 1 : source);
        }
    }
    void startOffsetsBeginWithTheFirstPicture()
    {
        for (const char* name : {"late.mkv", "late.mp4"}) {
            const QString path =
                coded(QString::fromLatin1(name),
                      {QStringLiteral("-c:v"), QStringLiteral("libx264"), QStringLiteral("-pix_fmt"),
                       QStringLiteral("yuv420p"), QStringLiteral("-output_ts_offset"), QStringLiteral("2.5")});
            const auto clip = opened(path);
            QVERIFY(clip);
            QCOMPARE(numberAt(*clip, 0, clip->info().rate), 0);
            QCOMPARE(numberAt(*clip, 17, clip->info().rate), 17);
        }
    }
    void editListsAreObeyed()
    {
        // Cut without coding again: the file keeps pictures before its start and an edit list hides them.
        const QString whole =
            coded(QStringLiteral("whole.mp4"),
                  {QStringLiteral("-c:v"), QStringLiteral("libx264"), QStringLiteral("-g"), QStringLiteral("250"),
                   QStringLiteral("-bf"), QStringLiteral("2"), QStringLiteral("-pix_fmt"), QStringLiteral("yuv420p")});
        QVERIFY(test::ffmpeg({QStringLiteral("-ss"), QStringLiteral("0.5"), QStringLiteral("-i"), whole,
                              QStringLiteral("-c"), QStringLiteral("copy"), at(QStringLiteral("cut.mp4"))}));
        const auto clip = opened(at(QStringLiteral("cut.mp4")));
        QVERIFY(clip);
        QCOMPARE(numberAt(*clip, 0, clip->info().rate), 12);
        QCOMPARE(numberAt(*clip, 20, clip->info().rate), 32);
        QCOMPARE(numberAt(*clip, 3, clip->info().rate), 15);
    }
    void turnedClipsStandUpright_data()
    {
        QTest::addColumn<int>("turn");
        for (const int turn : {0, 90, 180, 270})
            QTest::addRow("%d", turn) << turn;
    }
    void turnedClipsStandUpright()
    {
        QFETCH(int, turn);
        // Stored turned clockwise, with the note that turns it back (the command counts counter-clockwise).
        const QString filter = turn == 90    ? QStringLiteral("transpose=clock")
                               : turn == 180 ? QStringLiteral("hflip,vflip")
                               : turn == 270 ? QStringLiteral("transpose=cclock")
                                             : QStringLiteral("null");
        const QString stored = coded(QStringLiteral("stored%1.mp4").arg(turn),
                                     {QStringLiteral("-vf"), filter, QStringLiteral("-c:v"), QStringLiteral("libx264"),
                                      QStringLiteral("-pix_fmt"), QStringLiteral("yuv420p")});
        const QString path = at(QStringLiteral("turned%1.mp4").arg(turn));
        QVERIFY(test::ffmpeg({QStringLiteral("-i"), stored, QStringLiteral("-c"), QStringLiteral("copy"),
                              QStringLiteral("-metadata:s:v:0"), QStringLiteral("rotate=%1").arg(turn), path}));
        const auto clip = opened(path);
        QVERIFY(clip);
        QCOMPARE(clip->info().width, 192);
        QCOMPARE(clip->info().height, 128);
        QCOMPARE(numberAt(*clip, 37, clip->info().rate), 37);
    }
    void pixelAspectIsMadeSquare()
    {
        const QString path =
            coded(QStringLiteral("wide.mp4"),
                  {QStringLiteral("-vf"), QStringLiteral("scale=96:128,setsar=2/1"), QStringLiteral("-c:v"),
                   QStringLiteral("libx264"), QStringLiteral("-pix_fmt"), QStringLiteral("yuv420p")});
        const auto clip = opened(path);
        QVERIFY(clip);
        QCOMPARE(clip->info().width, 192);
        QCOMPARE(clip->info().height, 128);
        QCOMPARE(numberAt(*clip, 21, clip->info().rate), 21);
    }
    void rangeAndMatrixAreKept_data()
    {
        QTest::addColumn<QString>("space");
        QTest::addColumn<QString>("range");
        for (const char* space : {"bt709", "smpte170m"})
            for (const char* range : {"tv", "pc"})
                QTest::addRow("%s %s", space, range) << QString::fromLatin1(space) << QString::fromLatin1(range);
    }
    void rangeAndMatrixAreKept()
    {
        QFETCH(QString, space);
        QFETCH(QString, range);
        // One strong colour, coded with this matrix and range, must come back.
        const QString path = at(QStringLiteral("colour.mkv"));
        const QString matrix = space == QStringLiteral("bt709") ? QStringLiteral("bt709") : QStringLiteral("smpte170m");
        QVERIFY(
            test::ffmpeg({QStringLiteral("-f"), QStringLiteral("lavfi"), QStringLiteral("-i"),
                          QStringLiteral("color=0xc83214:s=64x64:d=0.2:r=24,format=gbrp"), QStringLiteral("-vf"),
                          QStringLiteral("scale=out_color_matrix=%1:out_range=%2,format=yuv444p").arg(matrix, range),
                          QStringLiteral("-colorspace"), space, QStringLiteral("-color_range"), range,
                          QStringLiteral("-c:v"), QStringLiteral("ffv1"), path}));
        const auto clip = opened(path);
        QVERIFY(clip);
        const auto image = clip->picture(0);
        QVERIFY(image);
        const std::uint8_t* p = image.value()->at(30, 30);
        QVERIFY2(std::abs(p[0] - 200) <= 3 && std::abs(p[1] - 50) <= 3 && std::abs(p[2] - 20) <= 3,
                 qPrintable(QStringLiteral("%1 %2 %3").arg(p[0]).arg(p[1]).arg(p[2])));
    }
    void chromaIsInterpolatedFromWhereItWasTaken_data()
    {
        QTest::addColumn<bool>("halfRows");
        QTest::addColumn<QString>("place");
        QTest::addColumn<int>("width");
        QTest::addColumn<bool>("full");
        for (const int width : {2, 37, 150})
            for (const bool full : {false, true})
                for (const char* place : {"unspecified", "left", "center", "topleft"})
                    QTest::addRow("4:2:0, %s, %d wide, %s", place, width, full ? "full" : "limited")
                        << true << QString::fromLatin1(place) << width << full;
        QTest::newRow("4:2:2") << false << QStringLiteral("left") << 37 << false;
    }
    /// Samples of chance, and what they stand for by BT.709 in double precision, chroma linear between its samples.
    void chromaIsInterpolatedFromWhereItWasTaken()
    {
        QFETCH(bool, halfRows);
        QFETCH(QString, place);
        QFETCH(int, width);
        QFETCH(bool, full);
        const int height = 27;
        const int columns = (width + 1) / 2;
        const int rows = halfRows ? (height + 1) / 2 : height;
        test::Random random(static_cast<std::uint64_t>(width));
        QByteArray samples;
        for (int i = 0; i < width * height; ++i)
            samples.append(static_cast<char>(random.whole(90, 160)));
        for (int i = 0; i < 2 * columns * rows; ++i)
            samples.append(static_cast<char>(random.whole(100, 156)));
        const QString raw = at(QStringLiteral("samples.yuv"));
        const QString path = at(QStringLiteral("samples.mkv"));
        test::writeBytes(raw.toStdString(), samples);
        const QString format = halfRows ? QStringLiteral("yuv420p") : QStringLiteral("yuv422p");
        QVERIFY(test::ffmpeg({QStringLiteral("-f"), QStringLiteral("rawvideo"), QStringLiteral("-pix_fmt"), format,
                              QStringLiteral("-s"), QStringLiteral("%1x%2").arg(width).arg(height),
                              QStringLiteral("-color_range"), full ? QStringLiteral("pc") : QStringLiteral("tv"),
                              QStringLiteral("-i"), raw, QStringLiteral("-chroma_sample_location"), place,
                              QStringLiteral("-colorspace"), QStringLiteral("bt709"), QStringLiteral("-color_range"),
                              full ? QStringLiteral("pc") : QStringLiteral("tv"), QStringLiteral("-c:v"),
                              QStringLiteral("ffv1"), path}));
        const auto clip = opened(path);
        QVERIFY(clip);
        const auto image = clip->picture(0);
        QVERIFY(image);

        const auto sampleAt = [&](int plane, int x, int y) {
            const int first = plane == 0 ? 0 : width * height + (plane - 1) * columns * rows;
            const int across = plane == 0 ? width : columns;
            const int down = plane == 0 ? height : rows;
            x = std::clamp(x, 0, across - 1);
            y = std::clamp(y, 0, down - 1);
            return static_cast<double>(static_cast<std::uint8_t>(samples[first + y * across + x]));
        };
        const auto chromaAt = [&](int plane, int x, int y) {
            const double across = (x - (place == QStringLiteral("center") ? 0.5 : 0.0)) / 2;
            const double down = !halfRows ? y : (y - (place == QStringLiteral("topleft") ? 0.0 : 0.5)) / 2;
            const int i = static_cast<int>(std::floor(across));
            const int j = static_cast<int>(std::floor(down));
            const double fx = across - i;
            const double fy = down - j;
            return std::lerp(std::lerp(sampleAt(plane, i, j), sampleAt(plane, i + 1, j), fx),
                             std::lerp(sampleAt(plane, i, j + 1), sampleAt(plane, i + 1, j + 1), fx), fy) -
                   128;
        };
        for (int y = 0; y < height; ++y)
            for (int x = 0; x < width; ++x) {
                const double grey = full ? sampleAt(0, x, y) : (sampleAt(0, x, y) - 16) * 255 / 219;
                const double scale = full ? 1 : 255.0 / 224;
                const double cb = scale * chromaAt(1, x, y);
                const double cr = scale * chromaAt(2, x, y);
                const double wanted[3] = {grey + 1.5748 * cr, grey - 0.187324 * cb - 0.468124 * cr, grey + 1.8556 * cb};
                for (int k = 0; k < 3; ++k)
                    QVERIFY2(std::abs(image.value()->at(x, y)[k] - wanted[k]) <= 0.51,
                             qPrintable(QStringLiteral("%1 %2 %3: %4 for %5")
                                            .arg(x)
                                            .arg(y)
                                            .arg(k)
                                            .arg(image.value()->at(x, y)[k])
                                            .arg(wanted[k])));
            }
    }
    void greyRampsComeBack()
    {
        const QString path = at(QStringLiteral("ramp.mkv"));
        QVERIFY(test::ffmpeg({QStringLiteral("-f"), QStringLiteral("lavfi"), QStringLiteral("-i"),
                              QStringLiteral("color=black:s=256x16:d=0.1:r=24,format=gray,geq=lum='X'"),
                              QStringLiteral("-vf"), QStringLiteral("scale=out_range=tv,format=yuv420p"),
                              QStringLiteral("-c:v"), QStringLiteral("ffv1"), path}));
        const auto clip = opened(path);
        QVERIFY(clip);
        const auto image = clip->picture(0);
        for (int x = 0; x < 256; ++x)
            for (int k = 0; k < 3; ++k)
                QVERIFY2(std::abs(image.value()->at(x, 8)[k] - x) <= 1,
                         qPrintable(QStringLiteral("%1: %2").arg(x).arg(image.value()->at(x, 8)[k])));
    }
    void namesOfAnyKind_data()
    {
        QTest::addColumn<QString>("name");
        for (const char* name : {"with space.mp4", "-dash.mp4", "per%cent %d.mp4", "quo'te\".mp4",
                                 "Gl\xc3\xbchende Gie\xc3\x9f"
                                 "erei \xe9\x8b\xb3.mp4",
                                 "co:lon.mp4", "hash#mark?.mp4", "new\nline.mp4"})
            QTest::addRow("%s", name) << QString::fromUtf8(name);
    }
    void namesOfAnyKind()
    {
        QFETCH(QString, name);
        const QString plain =
            coded(QStringLiteral("plain.mp4"), {QStringLiteral("-c:v"), QStringLiteral("libx264"),
                                                QStringLiteral("-pix_fmt"), QStringLiteral("yuv420p")});
        QFile::remove(at(name));
        QVERIFY(QFile::copy(plain, at(name)));
        const auto clip = opened(at(name));
        QVERIFY(clip);
        QCOMPARE(numberAt(*clip, 30, clip->info().rate), 30);
        // And from where it lies, where the dash leads.
        const QString before = QDir::currentPath();
        QDir::setCurrent(folder_.path());
        QVERIFY(opened(name));
        QDir::setCurrent(before);
    }
    void stills_data()
    {
        QTest::addColumn<QString>("name");
        for (const char* name : {"still.png", "still.jpg", "still.tif", "still.exr", "per%04d.png"})
            QTest::addRow("%s", name) << QString::fromLatin1(name);
    }
    void stills()
    {
        QFETCH(QString, name);
        const bool exr = name.endsWith(QStringLiteral("exr"));
        QVERIFY(test::ffmpeg(
            QStringList{QStringLiteral("-i"), source_, QStringLiteral("-vf"),
                        exr ? QStringLiteral("select='eq(n,9)',format=gbrpf32le") : QStringLiteral("select='eq(n,9)'"),
                        QStringLiteral("-frames:v"), QStringLiteral("1"), QStringLiteral("-update"),
                        QStringLiteral("1"), at(name)}));
        const auto clip = opened(at(name));
        QVERIFY(clip);
        QCOMPARE(clip->info().kind, ClipKind::still);
        QCOMPARE(clip->info().length, std::int64_t{120});
        QCOMPARE(numberAt(*clip, 0, clip->info().rate), 9);
        QCOMPARE(numberAt(*clip, 90, clip->info().rate), 9);
    }
    void whatFollowsAPictureIsNoSecondOne_data()
    {
        QTest::addColumn<QString>("ending");
        QTest::addColumn<bool>("picture");
        for (const char* ending : {"png", "jpg"})
            for (const bool picture : {false, true})
                QTest::addRow("%s and %s", ending, picture ? "another" : "bytes")
                    << QString::fromLatin1(ending) << picture;
    }
    void whatFollowsAPictureIsNoSecondOne()
    {
        QFETCH(QString, ending);
        QFETCH(bool, picture);
        QByteArray file;
        for (const int i : {7, 4}) {
            const QString one = at(QStringLiteral("one.") + ending);
            QVERIFY(test::ffmpeg({QStringLiteral("-i"), source_, QStringLiteral("-vf"),
                                  QStringLiteral("select='eq(n,%1)'").arg(i), QStringLiteral("-frames:v"),
                                  QStringLiteral("1"), QStringLiteral("-update"), QStringLiteral("1"), one}));
            file += picture || i == 7 ? test::bytesOf(one.toStdString()) : QByteArray(3000, 'x');
        }
        const QString both = at(QStringLiteral("both.") + ending);
        test::writeBytes(both.toStdString(), file);
        const auto clip = opened(both);
        QVERIFY(clip);
        QCOMPARE(clip->info().kind, ClipKind::still);
        QCOMPARE(clip->info().length, std::int64_t{120});
        for (const int frame : {0, 1, 2, 119, 0})
            QCOMPARE(numberAt(*clip, frame, clip->info().rate), 7);
    }
    void jpegPicturesInARowAreAFilmByName()
    {
        for (const char* name : {"row.mjpeg", "row.MJPG"}) {
            QVERIFY(test::ffmpeg({QStringLiteral("-i"), source_, QStringLiteral("-q:v"), QStringLiteral("1"),
                                  QStringLiteral("-f"), QStringLiteral("mjpeg"), at(QString::fromLatin1(name))}));
            const auto clip = opened(at(QString::fromLatin1(name)));
            QVERIFY2(clip, name);
            QCOMPARE(clip->info().kind, ClipKind::video);
            QCOMPARE(numberAt(*clip, 5, clip->info().rate), 5);
        }
    }
    void sequences()
    {
        QDir(folder_.path()).mkdir(QStringLiteral("series"));
        for (int i = 0; i < 12; ++i)
            QVERIFY(test::ffmpeg({QStringLiteral("-i"), source_, QStringLiteral("-vf"),
                                  QStringLiteral("select='eq(n,%1)'").arg(i), QStringLiteral("-frames:v"),
                                  QStringLiteral("1"), QStringLiteral("-update"), QStringLiteral("1"),
                                  at(QStringLiteral("series/shot_%1.png").arg(i + 95, 4, 10, QLatin1Char('0')))}));
        ClipOptions options;
        options.sequenceRate = *FrameRate::make(25, 1);
        for (const char* name : {"series/shot_0095.png", "series/shot_0101.png", "series/shot_%04d.png"}) {
            const auto clip = opened(at(QString::fromLatin1(name)), options);
            QVERIFY2(clip, name);
            QCOMPARE(clip->info().kind, ClipKind::sequence);
            QCOMPARE(clip->info().length, std::int64_t{12});
            QCOMPARE(clip->info().rate, options.sequenceRate);
            for (const int i : {0, 11, 5, 6})
                QCOMPARE(numberAt(*clip, i, options.sequenceRate), i);
            QCOMPARE(numberAt(*clip, 10, *FrameRate::make(50, 1)), 5);
        }
        // One missing: the picture before it stays, and it is said.
        QFile::remove(at(QStringLiteral("series/shot_0098.png")));
        const auto gap = opened(at(QStringLiteral("series/shot_0095.png")), options);
        QVERIFY(gap && !gap->info().notes.empty());
        QCOMPARE(numberAt(*gap, 3, options.sequenceRate), 2);
        QCOMPARE(numberAt(*gap, 4, options.sequenceRate), 4);
        options.neverSequence = true;
        QCOMPARE(opened(at(QStringLiteral("series/shot_0096.png")), options)->info().kind, ClipKind::still);
        // All of them have one mark.
        const std::string any = at(QStringLiteral("series/shot_0101.png")).toStdString();
        const ClipMark series = markOfClip(any);
        QCOMPARE(series.files, std::int64_t{11});
        QVERIFY(markOfClip(at(QStringLiteral("series/shot_%04d.png")).toStdString()) == series);
        QFile other(at(QStringLiteral("series/shot_0096.png")));
        QVERIFY(other.open(QIODevice::Append) && other.write("more") == 4);
        other.close();
        QCOMPARE(markOfClip(any).bytes, series.bytes + 4);
        QCOMPARE(markOfClip(any, options).files, std::int64_t{1});
        QCOMPARE(markOfClip(at(QStringLiteral("nothing.mp4")).toStdString()).files, std::int64_t{0});
    }
    void alphaIsKept()
    {
        QVERIFY(test::ffmpeg({QStringLiteral("-f"), QStringLiteral("lavfi"), QStringLiteral("-i"),
                              QStringLiteral("color=red@0.5:s=32x32:d=0.1,format=rgba"), QStringLiteral("-frames:v"),
                              QStringLiteral("1"), QStringLiteral("-update"), QStringLiteral("1"),
                              at(QStringLiteral("glass.png"))}));
        const auto clip = opened(at(QStringLiteral("glass.png")));
        QVERIFY(clip && clip->info().alpha);
        QVERIFY(std::abs(clip->picture(0).value()->at(5, 5)[3] - 127) <= 1);
    }
    void soundIsNoticed()
    {
        const auto withSound = test::numberedClip(folder_, "sound.mp4", 24, *FrameRate::make(24, 1), 192, 128, true);
        QVERIFY(opened(QString::fromStdString(withSound))->info().hasSound);
        QVERIFY(!opened(source_)->info().hasSound);
    }
};

EMBER_TEST(ClipTest)
#include "tst_clip.moc"
