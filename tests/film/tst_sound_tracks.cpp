// SPDX-License-Identifier: GPL-3.0-or-later
// All sounds of a clip go along with its film, and what it says of itself; packets are copied where nothing is changed.
#include <QDir>
#include <QProcess>
#include <QTemporaryDir>
#include <QTest>

#include "clips.h"
#include "ember/film/film_sound.h"
#include "ember/film/new_project.h"
#include "ember/film/render_film.h"
#include "ember/project/edits.h"
#include "runner.h"

using namespace ember;

namespace {

bool goOn(const RenderProgress&)
{
    return true;
}

/// Of the packets of one sound as they stand in the file.
QByteArray packetsOf(const std::string& path, int track)
{
    QProcess ffmpeg;
    ffmpeg.start(QStringLiteral("ffmpeg"),
                 {QStringLiteral("-v"), QStringLiteral("error"), QStringLiteral("-i"), QString::fromStdString(path),
                  QStringLiteral("-map"), QStringLiteral("0:a:%1").arg(track), QStringLiteral("-c"),
                  QStringLiteral("copy"), QStringLiteral("-f"), QStringLiteral("md5"), QStringLiteral("-")});
    ffmpeg.waitForFinished(60000);
    return ffmpeg.readAllStandardOutput();
}

std::vector<float> samplesOf(const std::string& path, int track, std::int64_t count)
{
    const double origin = ClipReader::open(path).value()->info().originSeconds;
    auto reader = SoundReader::openBy([](SoundReader::Format) { return SoundReader::Format(); }, path, origin, track);
    if (!reader)
        return {};
    reader.value()->seek(0);
    return reader.value()->read(count).samples;
}

double farthestApart(const std::vector<float>& a, const std::vector<float>& b)
{
    if (a.size() != b.size() || a.empty())
        return 9;
    double most = 0;
    for (std::size_t i = 0; i < a.size(); ++i)
        most = std::max(most, std::abs(static_cast<double>(a[i]) - static_cast<double>(b[i])));
    return most;
}

} // namespace

class SoundTracksTest : public QObject {
    Q_OBJECT
    QTemporaryDir folder_;
    std::string three_; ///< mono, mono at another rate, six channels
    std::string one_;

    std::string at(const char* name) const { return folder_.filePath(QString::fromLatin1(name)).toStdString(); }
    Project film() const { return projectForClip(ClipReader::open(three_).value()->info()); }
    static Phrase rendered(const Project& project, const std::string& path, Coder coder = Coder::usual)
    {
        RenderOptions options = wholeFilm(project);
        options.form.coder = coder;
        options.overwrite = true;
        const auto told = renderFilm(project, path, options, goOn);
        return told ? told.value() : Phrase("failed: {}", sentence(told.error()));
    }

private slots:
    void chaptersGoAlong_data()
    {
        QTest::addColumn<QString>("file");
        for (const char* file : {"chapters.mkv", "chapters.mp4", "chapters.mov"})
            QTest::addRow("%s", file) << QString::fromLatin1(file);
    }
    void chaptersGoAlong()
    {
        QFETCH(QString, file);
        // Four seconds: a chapter to the first, one to the third, one without a name to the end.
        const QString marks = folder_.filePath(QStringLiteral("marks.txt"));
        test::writeBytes(marks.toStdString(),
                         ";FFMETADATA1\n[CHAPTER]\nTIMEBASE=1/1000\nSTART=0\nEND=1000\ntitle=Hämmer\n"
                         "[CHAPTER]\nTIMEBASE=1/1000\nSTART=1000\nEND=3000\ntitle=Ladle; a=b\n"
                         "[CHAPTER]\nTIMEBASE=1/1000\nSTART=3000\nEND=4000\n");
        const QString clip = folder_.filePath(QStringLiteral("marked.mkv"));
        QVERIFY(test::ffmpeg({QStringLiteral("-f"), QStringLiteral("lavfi"), QStringLiteral("-i"),
                              QStringLiteral("testsrc=size=64x48:rate=24:duration=4"), QStringLiteral("-i"), marks,
                              QStringLiteral("-map_metadata"), QStringLiteral("1"), QStringLiteral("-c:v"),
                              QStringLiteral("ffv1"), clip}));
        const auto opened = ClipReader::open(clip.toStdString());
        QCOMPARE(opened.value()->info().chapters.size(), std::size_t{3});
        Project p = projectForClip(opened.value()->info());
        const auto chaptersOf = [&](const Project& project, const RenderOptions& options) {
            const std::string out = folder_.filePath(file).toStdString();
            if (!renderFilm(project, out, options, goOn))
                return std::vector<Chapter>();
            return ClipReader::open(out).value()->info().chapters;
        };
        const auto near = [](const Chapter& chapter, double begin, double end, const char* title) {
            return std::abs(chapter.begin - begin) < 0.002 && std::abs(chapter.end - end) < 0.002 &&
                   chapter.title == title;
        };
        const auto unnamed = [&](int number) { // MP4 and MOV have none without a name
            return file.endsWith(QStringLiteral("mkv")) ? "" : number == 1 ? "1" : "3";
        };
        RenderOptions options = wholeFilm(p);
        options.overwrite = true;
        auto made = chaptersOf(p, options);
        QCOMPARE(made.size(), std::size_t{3});
        QVERIFY(near(made[0], 0, 1, "Hämmer") && near(made[1], 1, 3, "Ladle; a=b") && near(made[2], 3, 4, unnamed(3)));
        // A part of the film.
        options.first = Frame{12};
        options.last = Frame{35};
        made = chaptersOf(p, options);
        QCOMPARE(made.size(), std::size_t{2});
        QVERIFY(near(made[0], 0, 0.5, "Hämmer") && near(made[1], 0.5, 1, "Ladle; a=b"));
        // Shots: the last second first, then from half a second on at twice the speed, in two pieces.
        Shot last = p.shots.front();
        last.in = 72;
        last.length = 24;
        Shot fast = p.shots.front();
        fast.in = 12;
        fast.speed = 2;
        fast.length = 12;
        Shot rest = fast;
        rest.in = 36;
        p.shots.clear();
        for (const Shot& shot : {last, fast, rest})
            p.addShot(shot);
        options = wholeFilm(p);
        options.overwrite = true;
        made = chaptersOf(p, options);
        QCOMPARE(made.size(), std::size_t{3});
        QVERIFY(near(made[0], 0, 1, unnamed(1)) && near(made[1], 1, 1.25, "Hämmer") &&
                near(made[2], 1.25, 2, "Ladle; a=b"));
    }
    void initTestCase()
    {
        three_ = at("three.mkv");
        one_ = at("one.mkv");
        const auto lavfi = [](const char* what) {
            return QStringList{QStringLiteral("-f"), QStringLiteral("lavfi"), QStringLiteral("-i"),
                               QString::fromLatin1(what)};
        };
        QStringList arguments = lavfi("testsrc2=s=96x64:r=24:d=2") + lavfi("sine=440:d=2:r=48000") +
                                lavfi("sine=880:d=2:r=44100") +
                                lavfi("aevalsrc=0.5*sin(300*t)|0.4*sin(500*t)|0.3*sin(700*t)|0.2*sin(90*t)|0.25*sin("
                                      "1100*t)|0.1*sin(1500*t):c=5.1(side):d=2:s=48000");
        for (const char* more : {"-map",
                                 "0",
                                 "-map",
                                 "1",
                                 "-map",
                                 "2",
                                 "-map",
                                 "3",
                                 "-c:v",
                                 "ffv1",
                                 "-c:a",
                                 "flac",
                                 "-metadata:s:a:0",
                                 "language=eng",
                                 "-metadata:s:a:1",
                                 "language=deu",
                                 "-metadata:s:a:1",
                                 "title=Comment",
                                 "-metadata",
                                 "title=Night shift",
                                 "-metadata",
                                 "comment=take 3"})
            arguments << QString::fromLatin1(more);
        QVERIFY(test::ffmpeg(arguments << QString::fromStdString(three_)));
        QVERIFY(test::ffmpeg(lavfi("testsrc2=s=96x64:r=24:d=2") + lavfi("sine=660:d=2:r=48000") +
                             QStringList{QStringLiteral("-c:v"), QStringLiteral("ffv1"), QStringLiteral("-c:a"),
                                         QStringLiteral("flac"), QString::fromStdString(one_)}));
    }
    void clipsTellTheirSounds()
    {
        const ClipInfo info = ClipReader::open(three_).value()->info();
        QCOMPARE(info.sounds.size(), std::size_t{3});
        QCOMPARE(info.sounds[0], (SoundTrack{"flac", 48000, 1, "mono", "eng", ""}));
        QCOMPARE(info.sounds[1], (SoundTrack{"flac", 44100, 1, "mono", "deu", "Comment"}));
        QCOMPARE(info.sounds[2], (SoundTrack{"flac", 48000, 6, "5.1(side)", "", ""}));
        QVERIFY(std::find(info.metadata.begin(), info.metadata.end(),
                          std::pair<std::string, std::string>("title", "Night shift")) != info.metadata.end());
        for (const auto& [key, value] : info.metadata)
            QVERIFY2(key != "encoder" && key != "ENCODER", key.c_str());
        QVERIFY(samplesOf(three_, 3, 100).empty());
        QVERIFY(samplesOf(three_, -1, 100).empty());
    }
    void allOfThemGoAlong()
    {
        const Phrase told = rendered(film(), at("all.mkv"));
        QVERIFY2(told.said().find("3 sounds go along.") != std::string::npos, told.said().c_str());
        const ClipInfo info = ClipReader::open(at("all.mkv")).value()->info();
        QCOMPARE(info.sounds, ClipReader::open(three_).value()->info().sounds);
        for (const auto& [key, value] : {std::pair{"title", "Night shift"}, std::pair{"COMMENT", "take 3"}})
            QVERIFY(std::find(info.metadata.begin(), info.metadata.end(),
                              std::pair<std::string, std::string>(key, value)) != info.metadata.end());
        for (const auto& [track, count] : {std::pair{0, 96000}, std::pair{1, 88200}, std::pair{2, 96000}})
            QVERIFY(farthestApart(samplesOf(at("all.mkv"), track, count), samplesOf(three_, track, count)) < 1e-6);
    }
    void otherContainersHoldThemToo_data()
    {
        QTest::addColumn<QByteArray>("name");
        QTest::addColumn<QByteArray>("language");
        for (const auto& [name, language] :
             {std::pair{"more.mp4", "deu"}, std::pair{"more.mov", "ger"}, std::pair{"more.webm", "deu"}})
            QTest::newRow(name) << QByteArray(name) << QByteArray(language);
    }
    void otherContainersHoldThemToo()
    {
        QFETCH(QByteArray, name);
        QFETCH(QByteArray, language);
        const Phrase told = rendered(film(), at(name.constData()));
        QVERIFY2(told.said().find("failed") == std::string::npos, told.said().c_str());
        const ClipInfo info = ClipReader::open(at(name.constData())).value()->info();
        QCOMPARE(info.sounds.size(), std::size_t{3});
        QCOMPARE(info.sounds[0].language, std::string("eng"));
        QCOMPARE(info.sounds[1].language, language.toStdString());
        QCOMPARE(info.sounds[2].channels, 6);
        QVERIFY(std::find(info.metadata.begin(), info.metadata.end(),
                          std::pair<std::string, std::string>("title", "Night shift")) != info.metadata.end());
        // Each is what it was, so far as its coder goes: the middle of the third's second channel.
        const auto before = samplesOf(three_, 2, 90000);
        const auto after = samplesOf(at(name.constData()), 2, 90000);
        double apart = 0;
        for (std::size_t i = 40000; i < 50000; ++i)
            apart += std::abs(static_cast<double>(before[6 * i + 1]) - static_cast<double>(after[6 * i + 1])) / 10000;
        QVERIFY2(apart < 0.02, qPrintable(QString::number(apart)));
    }
    void packetsAreCopiedWhereNothingIsChanged()
    {
        Project p = film();
        Phrase told = rendered(p, at("copy.mkv"), Coder::asItCame);
        QVERIFY2(told.said().find("3 of 3 sounds were copied") != std::string::npos, told.said().c_str());
        for (int track = 0; track < 3; ++track)
            QCOMPARE(packetsOf(at("copy.mkv"), track), packetsOf(three_, track));
        QCOMPARE(ClipReader::open(at("copy.mkv")).value()->info().sounds,
                 ClipReader::open(three_).value()->info().sounds);
        // Half of the film: only the packets that begin in it.
        RenderOptions half = wholeFilm(p);
        half.last = Frame{23};
        half.form.coder = Coder::asItCame;
        QVERIFY(renderFilm(p, at("half.mkv"), half, goOn));
        const double second = 48000 + 4608; // and the end of the last packet
        auto reader = SoundReader::open(at("half.mkv"), 0, {});
        QVERIFY(reader && reader.value()->seconds() * 48000 <= second + 96);
        QVERIFY(farthestApart(samplesOf(at("half.mkv"), 0, 48000), samplesOf(three_, 0, 48000)) < 1e-9);
        // A strike that is heard is in the first, which is then made anew; the others stay.
        p = withStrike(std::move(p), Frame{12}, StrikeKind::hit, 1).project;
        for (Recipe& recipe : p.recipes)
            recipe.sound = {SoundKind::thump, 0, {}};
        told = rendered(p, at("heard.mkv"), Coder::asItCame);
        QVERIFY2(told.said().find("2 of 3 sounds were copied") != std::string::npos, told.said().c_str());
        QVERIFY(packetsOf(at("heard.mkv"), 0) != packetsOf(three_, 0));
        QCOMPARE(packetsOf(at("heard.mkv"), 1), packetsOf(three_, 1));
    }
    void whatIsChangedIsMadeAnew_data()
    {
        QTest::addColumn<int>("what");
        QTest::newRow("faster") << 0;
        QTest::newRow("begun later") << 1;
        QTest::newRow("two shots") << 2;
        QTest::newRow("not from its start") << 3;
    }
    void whatIsChangedIsMadeAnew()
    {
        QFETCH(int, what);
        Project p = film();
        RenderOptions options = wholeFilm(p);
        options.form.coder = Coder::asItCame;
        options.overwrite = true;
        Shot& shot = p.shots.front();
        if (what == 0)
            shot.speed = 2;
        if (what == 1)
            shot.in = 5;
        if (what == 2) {
            Shot second = shot;
            second.in = 10;
            second.length = 10;
            p.addShot(second);
        }
        if (what == 3)
            options.first = Frame{4};
        const auto told = renderFilm(p, at("anew.mkv"), options, goOn);
        QVERIFY2(told, told ? "" : sentence(told.error()).c_str());
        QVERIFY2(told->said().find("3 sounds go along.") != std::string::npos, told->said().c_str());
    }
    void shotsWithFewerSoundsAreSilentThere()
    {
        Project p = film();
        Shot shot = shotOf(ClipReader::open(one_).value()->info(), p.rate);
        p.addShot(shot);
        rendered(p, at("two.mkv"));
        const auto first = samplesOf(at("two.mkv"), 0, 192000);
        const auto second = samplesOf(at("two.mkv"), 1, 176400);
        QCOMPARE(second.size(), std::size_t{176400});
        const auto loudest = [](const std::vector<float>& samples, std::size_t from, std::size_t to) {
            float most = 0;
            for (std::size_t i = from; i < to; ++i)
                most = std::max(most, std::abs(samples[i]));
            return most;
        };
        QVERIFY(loudest(first, 100000, 190000) > 0.1F);
        QVERIFY(loudest(second, 10000, 80000) > 0.1F);
        QCOMPARE(loudest(second, 88300, 176300), 0.0F);
    }
    void aSoundFileStandsAlone()
    {
        Project p = film();
        p.sound.file = one_;
        rendered(p, at("own.mkv"));
        const ClipInfo info = ClipReader::open(at("own.mkv")).value()->info();
        QCOMPARE(info.sounds.size(), std::size_t{1});
        QVERIFY(info.sounds.front().language.empty());
    }
};

EMBER_TEST(SoundTracksTest)
#include "tst_sound_tracks.moc"
