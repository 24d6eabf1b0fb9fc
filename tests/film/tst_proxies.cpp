// SPDX-License-Identifier: GPL-3.0-or-later
#include <cstdlib>
#include <filesystem>

#include <QDir>
#include <QTemporaryDir>
#include <QTest>

#include "clips.h"
#include "coded_films.h"
#include "ember/film/film_reader.h"
#include "ember/film/new_project.h"
#include "ember/film/proxies.h"
#include "ember/film/render_film.h"
#include "pictures.h"
#include "runner.h"

using namespace ember;

class ProxiesTest : public QObject {
    Q_OBJECT
    QTemporaryDir folder_;
    ProxyShelf shelf_{folder_.filePath(QStringLiteral("proxies")).toStdString()};
    QStringList kept() const
    {
        return QDir(folder_.filePath(QStringLiteral("proxies"))).entryList(QDir::Files | QDir::Hidden);
    }
    Project clipOf(int frames) const
    {
        const FrameRate rate = *FrameRate::make(24, 1);
        const std::string clip = test::numberedClip(folder_, "numbers.mkv", frames, rate, 640, 360);
        return projectForClip(ClipReader::open(clip).value()->info());
    }
    ImagePtr pictureOf(const Project& project, std::int64_t frame, bool proxies) const
    {
        const auto film = openFilm(project, FilmPictures::shown, {}, {}, proxies ? &shelf_ : nullptr);
        return film.value()->frame(Frame{frame}, project.rate).value();
    }

private slots:
    void cleanup() { QDir(folder_.filePath(QStringLiteral("proxies"))).removeRecursively(); }

    void everyPictureIsTheClips()
    {
        const Project p = clipOf(20);
        const Shot& shot = p.shots.front();
        QVERIFY(!shelf_.of(shot));
        double last = 0;
        bool forward = true;
        QVERIFY(shelf_.make(shot, p.rate, ProxySize::half, [&](double share) {
            forward = forward && share >= last;
            last = share;
            return true;
        }));
        QVERIFY(forward && last > 0.9);
        QVERIFY(shelf_.of(shot) == ProxySize::half);
        QCOMPARE(kept().size(), 1);
        for (const std::int64_t frame : {0, 7, 19, 3}) {
            const ImagePtr small = pictureOf(p, frame, true);
            QCOMPARE(small->width(), 320);
            QCOMPARE(test::numberIn(*small), static_cast<int>(frame));
            QCOMPARE(pictureOf(p, frame, false)->width(), 640);
        }
        // The other size takes its place.
        QVERIFY(shelf_.make(shot, p.rate, ProxySize::quarter, {}));
        QVERIFY(shelf_.of(shot) == ProxySize::quarter);
        QCOMPARE(kept().size(), 1);
        QCOMPARE(pictureOf(p, 5, true)->width(), 160);
        // What is told of the film is the clip's own.
        const auto info = openFilm(p, FilmPictures::shown, {}, {}, &shelf_).value()->info();
        QCOMPARE(info.width, 640);
        QCOMPARE(info.codec, std::string("ffv1"));
        shelf_.remove(shot);
        QVERIFY(!shelf_.of(shot) && kept().isEmpty());
        QCOMPARE(pictureOf(p, 5, true)->width(), 640);
    }
    void aFilmOfShotsPlaysFromThem()
    {
        Project p = clipOf(20);
        p.shots.front().length = 10;
        Shot second = p.shots.front();
        second.in = 4;
        p.addShot(second);
        QVERIFY(shelf_.make(second, p.rate, ProxySize::half, {}));
        QCOMPARE(test::numberIn(*pictureOf(p, 12, true)), 6);
        QCOMPARE(pictureOf(p, 12, true)->width(), 320);
    }
    void aClipThatWasChangedHasNone()
    {
        Project p = clipOf(8);
        QVERIFY(shelf_.make(p.shots.front(), p.rate, ProxySize::half, {}));
        p = clipOf(9);
        QVERIFY(!shelf_.of(p.shots.front()));
        QCOMPARE(test::numberIn(*pictureOf(p, 8, true)), 8);
        QVERIFY(shelf_.make(p.shots.front(), p.rate, ProxySize::half, {}));
        QCOMPARE(kept().size(), 1); // the old one is gone
    }
    void whatIsStoppedOrFailsLeavesNothing()
    {
        const Project p = clipOf(20);
        const auto stopped =
            shelf_.make(p.shots.front(), p.rate, ProxySize::half, [](double share) { return share < 0.5; });
        QVERIFY(!stopped && stopped.error().code == ErrorCode::cancelled);
        QVERIFY(!shelf_.of(p.shots.front()));
        QVERIFY2(kept().isEmpty(), qPrintable(kept().join(QLatin1Char(' '))));
        // A full disk.
        {
            const test::DiskLimit full(20'000);
            const auto failed = shelf_.make(p.shots.front(), p.rate, ProxySize::half, {});
            QVERIFY(!failed && !sentence(failed.error()).empty());
        }
        QVERIFY(!shelf_.of(p.shots.front()));
        QVERIFY2(kept().isEmpty(), qPrintable(kept().join(QLatin1Char(' '))));
        // One that is damaged is as good as none.
        QVERIFY(shelf_.make(p.shots.front(), p.rate, ProxySize::half, {}));
        const std::string file = folder_.filePath(QStringLiteral("proxies/") + kept().first()).toStdString();
        test::writeBytes(file, test::bytesOf(file).left(3000));
        QCOMPARE(pictureOf(p, 4, true)->width(), 640);
        Project gone = p;
        gone.shots.front().clip += ".gone";
        QVERIFY(!shelf_.make(gone.shots.front(), p.rate, ProxySize::half, {}));
        // Nowhere to keep any.
        const ProxyShelf nowhere{std::string()};
        QVERIFY(!nowhere.of(p.shots.front()));
        QVERIFY(!nowhere.make(p.shots.front(), p.rate, ProxySize::half, {}));
        QVERIFY(!nowhere.refusal(openFilm(p).value()->info()).empty());
    }
    void codesOfTenBitsKeepTheirSpace()
    {
        const QString clip = folder_.filePath(QStringLiteral("pq.mkv"));
        QVERIFY(test::madeFilm(clip, QStringLiteral("yuv420p10le"), {QStringLiteral("-c:v"), QStringLiteral("ffv1")},
                               test::hdrTags("smpte2084")));
        const Project p = test::projectOf(clip.toStdString());
        QVERIFY(shelf_.make(p.shots.front(), p.rate, ProxySize::half, {}));
        const ImagePtr small =
            openFilm(p, FilmPictures::light, {}, {}, &shelf_).value()->frame(Frame{3}, p.rate).value();
        const ImagePtr whole = openFilm(p, FilmPictures::light).value()->frame(Frame{3}, p.rate).value();
        QVERIFY(small->depth() == Depth::sixteen && small->colour() == whole->colour());
        QCOMPARE(small->width(), whole->width() / 2);
        for (const int x : {51, 82, 113, 144, 174, 205, 236}) // the middles of the bars
            for (int k = 0; k < 3; ++k)
                QVERIFY(std::abs(small->deepAt(x / 2, 8)[k] - whole->deepAt(x, 16)[k]) < 65535 / 60);
    }
    void whatHasNoneSaysWhy()
    {
        ClipInfo info;
        info.kind = ClipKind::still;
        QVERIFY(!shelf_.refusal(info).empty());
        info.kind = ClipKind::sequence;
        QVERIFY(shelf_.refusal(info).empty());
        info.depth = Depth::single;
        QVERIFY(shelf_.refusal(info).said().find("OpenEXR") != std::string::npos);
    }
};

EMBER_TEST(ProxiesTest)
#include "tst_proxies.moc"
