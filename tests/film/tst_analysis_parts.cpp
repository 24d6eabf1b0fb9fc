// SPDX-License-Identifier: GPL-3.0-or-later
// Watching and tracking in parts: what is joined is what the whole tells.
#include <QDir>
#include <QFile>
#include <QTemporaryDir>
#include <QTest>

#include "clips.h"
#include "ember/film/analysis_parts.h"
#include "ember/film/capture_clip.h"
#include "ember/film/media_source.h"
#include "filmed.h"
#include "runner.h"

using namespace ember;

class AnalysisPartsTest : public QObject {
    Q_OBJECT
    static constexpr int frames = 60; // at 24 a second
    QTemporaryDir folder_;
    std::string clip_;

    std::string at(const char* name) const { return folder_.filePath(QString::fromUtf8(name)).toStdString(); }
    static bool has(const Error& error, const char* words) { return sentence(error).find(words) != std::string::npos; }
    AnalysisJob job(const char* out, FrameRate rate = {}) const
    {
        auto job = watchingJob(clip_, rate, at(out));
        return job ? job.value() : AnalysisJob();
    }
    /// All parts, the last one first.
    static bool all(decltype(watchPart)& work, const AnalysisJob& job, int count)
    {
        int number = count;
        while (number > 0 && work(job, {number, count}, false, {}))
            --number;
        return number == 0;
    }

private slots:
    void initTestCase()
    {
        const test::Wall wall = test::Wall::ofThings(640, 420, 4);
        test::Filming filming;
        filming.moved = test::handHeld(0.6, 7);
        filming.shutter = 0.5;
        filming.grain = 2;
        filming.walker = true;
        filming.exposure = [](double frame) { return frame >= 31 && frame < 34 ? 1.4 : 1.0; };
        clip_ = at("hand held.mkv");
        test::writeFilmedClip(clip_, wall, filming, frames, 320, 180);
    }
    void partsSeeWhatTheWholeDoes_data()
    {
        QTest::addColumn<int>("num");
        QTest::addColumn<int>("count");
        QTest::newRow("at its rate") << 24 << 4;
        QTest::newRow("one part") << 24 << 1;
        QTest::newRow("parts shorter than what is remembered") << 24 << 13;
        QTest::newRow("three frames each") << 24 << 20;
        QTest::newRow("each picture twice") << 48 << 7;
        QTest::newRow("parts that begin in the middle of a picture") << 96 << 11;
        QTest::newRow("pictures left out") << 10 << 5;
    }
    void partsSeeWhatTheWholeDoes()
    {
        QFETCH(int, num);
        QFETCH(int, count);
        const AnalysisJob wanted = job("seen.csv", *FrameRate::make(num, 1));
        QVERIFY(all(watchPart, wanted, count));
        const auto joined = joinWatched(wanted);
        QVERIFY2(joined, joined ? "" : sentence(joined.error()).c_str());
        const auto clip = ClipReader::open(clip_);
        QVERIFY(clip);
        const auto whole = watchClip(*clip.value(), wanted.rate, wanted.frames.last + 1, {});
        QVERIFY(whole && whole->frames.size() > 20);
        QVERIFY(joined.value() == whole.value());
        removeParts(wanted.out);
        QVERIFY(!QFile::exists(QString::fromStdString(partsFolder(wanted.out))));
    }
    void whatIsWatchedAroundAPartMatters()
    {
        // With nothing before them the first pictures are told otherwise, so that the margin is needed.
        const auto clip = ClipReader::open(clip_);
        QVERIFY(clip);
        const auto whole = watchClip(*clip.value(), {}, frames, {});
        PictureWatcher watcher;
        for (std::int64_t i = 20; i < 30; ++i)
            watcher.watch(*clip.value()->picture(i).value(), Frame{i});
        const PictureTrace alone = watcher.finish();
        QVERIFY(whole);
        for (const std::size_t i : {0U, 1U, 3U})
            QVERIFY2(!(alone.frames[i] == whole->frames[20 + i]), std::to_string(i).c_str());
        QVERIFY(alone.frames[PictureWatcher::before] == whole->frames[20 + PictureWatcher::before]);
    }
    void motionsJoinToHundredthsOfAPixel()
    {
        const AnalysisJob wanted = job("motion.csv");
        QVERIFY(all(capturePart, wanted, 4));
        const auto joined = joinCaptured(wanted);
        QVERIFY2(joined, joined ? "" : sentence(joined.error()).c_str());
        const auto clip = ClipReader::open(clip_);
        const auto whole = captureClip(*clip.value(), 0, frames - 1, {});
        QVERIFY(whole && joined->frames.size() == whole->frames.size());
        QVERIFY(joined->width == 320 && joined->height == 180 && joined->rate == whole->rate);
        double most = 0, way = 0;
        for (std::size_t i = 0; i < joined->frames.size(); ++i) {
            most = std::max(most, cornerDistance(joined->frames[i].moved, whole->frames[i].moved, 320, 180));
            way = std::max(way, cornerDistance({}, whole->frames[i].moved, 320, 180));
        }
        QVERIFY2(most < 0.1 && way > 2, qPrintable(QStringLiteral("%1 of %2").arg(most).arg(way)));
    }
    void aRangeCountsFromItsFirstFrame()
    {
        AnalysisJob wanted = job("range.csv");
        wanted.frames = {20, 49};
        QVERIFY(all(capturePart, wanted, 2));
        const auto joined = joinCaptured(wanted);
        QVERIFY(joined && joined->frames.size() == 30 && joined->frames.front().moved == Similarity());
        const auto clip = ClipReader::open(clip_);
        const auto whole = captureClip(*clip.value(), 20, 49, {});
        QVERIFY(whole);
        QVERIFY(cornerDistance(joined->frames.back().moved, whole->frames.back().moved, 320, 180) < 0.1);
    }
    void whatIsThereIsKept()
    {
        const AnalysisJob wanted = job("kept.csv");
        QVERIFY(watchPart(wanted, {1, 2}, false, {}));
        const std::string record = partRecord(wanted.out, {1, 2});
        const QByteArray before = test::bytesOf(record);
        bool worked = false;
        const Progress watched = [&](double) { return worked = true; };
        const auto again = watchPart(wanted, {1, 2}, false, watched);
        QVERIFY(again && again->said().find("was kept") != std::string::npos && !worked);
        QVERIFY(watchPart(wanted, {1, 2}, true, watched) && worked);
        QCOMPARE(test::bytesOf(record), before);
        // Damaged, it is made again.
        test::writeBytes(record, before.left(before.size() / 2));
        worked = false;
        QVERIFY(watchPart(wanted, {1, 2}, false, watched) && worked);
        QCOMPARE(test::bytesOf(record), before);
    }
    void stoppedItLeavesNothing()
    {
        const AnalysisJob wanted = job("stopped.csv");
        const auto stopped = watchPart(wanted, {1, 2}, false, [](double share) { return share < 0.3; });
        QVERIFY(!stopped && stopped.error().code == ErrorCode::cancelled);
        QVERIFY(QDir(QString::fromStdString(partsFolder(wanted.out))).isEmpty());
        const auto track = capturePart(wanted, {1, 2}, false, [](double share) { return share < 0.3; });
        QVERIFY(!track && track.error().code == ErrorCode::cancelled);
        QVERIFY(QDir(QString::fromStdString(partsFolder(wanted.out))).isEmpty());
    }
    void whatDoesNotBelongIsRefused()
    {
        const AnalysisJob wanted = job("refused.csv");
        QVERIFY(has(joinWatched(wanted).error(), "there are no parts to be joined"));
        for (const int number : {1, 3, 4})
            QVERIFY(watchPart(wanted, {number, 4}, false, {}));
        QVERIFY(has(joinWatched(wanted).error(), "part 2 of 4 is missing"));
        QVERIFY(watchPart(wanted, {2, 4}, false, {}));
        QVERIFY(joinWatched(wanted));
        // Of another job: another rate, other frames, tracking.
        QVERIFY(has(joinWatched(job("refused.csv", *FrameRate::make(25, 1))).error(), "run it again"));
        AnalysisJob fewer = wanted;
        fewer.frames.last -= 1;
        QVERIFY(has(joinWatched(fewer).error(), "run it again"));
        QVERIFY(has(joinCaptured(wanted).error(), "run it again"));
        // Doubled.
        QVERIFY(all(watchPart, wanted, 2));
        QVERIFY(has(joinWatched(wanted).error(), "all is there twice: in 2 parts and in 4"));
        removeParts(wanted.out); // not known which: nothing is deleted
        QVERIFY(QFile::exists(QString::fromStdString(partRecord(wanted.out, {1, 4}))));
    }
    void recordsAreNotTrusted()
    {
        const AnalysisJob wanted = job("hostile.csv");
        QVERIFY(capturePart(wanted, {1, 1}, false, {}));
        const std::string record = partRecord(wanted.out, {1, 1});
        const QByteArray good = test::bytesOf(record);
        const auto refused = [&](const QByteArray& bytes) {
            test::writeBytes(record, bytes);
            return !joinCaptured(wanted);
        };
        const auto with = [&](const char* from, const char* to) { return QByteArray(good).replace(from, to); };
        for (const QByteArray& bytes :
             {QByteArray(), QByteArray("[]"), QByteArray("{\"job\": 1}"), good.left(good.size() - 20),
              with("\"poses\":[[", "\"poses\":[[1e999,"), with("\"poses\":[[", "\"poses\":[[\"x\","),
              with("\"poses\":[[", "\"poses\":[[0.0,0.0,0.0,-1.0,1.0],["), with("\"size\":[320,180]", "\"size\":320"),
              with("\"data\":{", "\"data\":{\"poses\":[],\"other\":{")})
            QVERIFY2(refused(bytes), bytes.left(300).constData());
        QVERIFY(!refused(good));
        // Frames in disorder, outside the part, and too few numbers.
        const AnalysisJob seen = job("hostile seen.csv");
        QVERIFY(watchPart(seen, {1, 1}, false, {}));
        const std::string note = partRecord(seen.out, {1, 1});
        const QByteArray whole = test::bytesOf(note);
        for (const char* first : {"\"data\":[[7,", "\"data\":[[-1,", "\"data\":[[999,", "\"data\":[[],[0,"}) {
            test::writeBytes(note, QByteArray(whole).replace("\"data\":[[0,", first));
            QVERIFY2(!joinWatched(seen), first);
        }
    }
    void whatCannotBeCutIsTold()
    {
        const AnalysisJob wanted = job("many.csv");
        QVERIFY(has(watchPart(wanted, {1, frames + 1}, false, {}).error(), "cannot be cut into 61 parts"));
        AnalysisJob nowhere = wanted;
        nowhere.out = at("no/such/folder/seen.csv");
        QVERIFY(has(watchPart(nowhere, {1, 2}, false, {}).error(), "there is no such folder"));
        QVERIFY(!watchingJob(at("nothing.mkv"), {}, at("x.csv")));
    }
    void partsWithNothingToFollowAreBridged()
    {
        // Black in the middle: the whole bridges it, and so do parts of which one sees nothing at all.
        const std::string dark = at("dark.mkv");
        QVERIFY(test::ffmpeg({QStringLiteral("-i"), QString::fromStdString(clip_), QStringLiteral("-vf"),
                              QStringLiteral("eq=brightness=-1:enable='between(n,18,45)'"), QStringLiteral("-c:v"),
                              QStringLiteral("ffv1"), QString::fromStdString(dark)}));
        AnalysisJob wanted = job("dark.csv");
        wanted.clip = dark;
        QVERIFY(all(capturePart, wanted, 6));
        const auto joined = joinCaptured(wanted);
        QVERIFY2(joined, joined ? "" : sentence(joined.error()).c_str());
        QVERIFY(joined->frames[30].confidence == 0 && joined->bridged() >= 28 && joined->bridged() < 45);
        QVERIFY(joined->frames[10].confidence > 0 && joined->frames[58].confidence > 0);
    }
};

EMBER_TEST(AnalysisPartsTest)

#include "tst_analysis_parts.moc"
