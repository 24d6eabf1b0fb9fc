// SPDX-License-Identifier: GPL-3.0-or-later
// Files of the film that somebody else writes anew while it is open.
#include <QSignalSpy>

#include "ember/project/file.h"
#include "ember/project/shot_edits.h"
#include "file_watch.h"
#include "runner.h"
#include "thumb_store.h"
#include "window_fixture.h"

using namespace ember;
using namespace ember::app;

class RewrittenTest : public test::WindowFixture {
    Q_OBJECT

    /// A clip whose frames say other numbers.
    std::string written(const char* name, int frames, int first, bool sound = true)
    {
        return test::numberedClip(folder_, name, frames, FrameRate(), 384, 256, sound, first);
    }
    int numberShown() { return test::numberIn(shown()); }
    /// Opened, shown once, and a moment gone by, as file systems count time.
    void openPlate()
    {
        open(QString::fromStdString(written("plate.mkv", 40, 0)));
        strikeOn(12);
        session().playhead.setFrame(5);
        QCOMPARE(numberShown(), 5);
    }
    QString bar() { return window_->notice(); }

private slots:
    void inPlace()
    {
        openPlate();
        QSignalSpy told(&session().messages, &Messages::told);
        session().film.thumbs().thumb(5);
        QTRY_VERIFY(session().film.thumbs().thumb(5) != nullptr);
        const ImagePtr before = session().film.thumbs().thumb(5);
        QVERIFY(session().film.soundSource().has_value());
        written("plate.mkv", 60, 100, false);
        QTRY_COMPARE(numberShown(), 105);
        QVERIFY(!session().film.soundSource());
        QVERIFY(told.last().first().toString().contains(QStringLiteral("plate.mkv was written anew")));
        // It is longer now and could be trimmed as far; nothing else of the project is another.
        QCOMPARE(project().length(), std::int64_t{40});
        QCOMPARE(project().shots[0].available, std::int64_t{60});
        QCOMPARE(project().strikes.size(), std::size_t{1});
        QTRY_VERIFY(session().film.thumbs().thumb(5) != nullptr);
        QVERIFY(test::largestDifference(*session().film.thumbs().thumb(5), *before) > 100);
        key(Qt::Key_Z, Qt::ControlModifier);
        QCOMPARE(project().shots[0].available, std::int64_t{40});
        session().playhead.setFrame(20);
        QCOMPARE(numberShown(), 120);
    }
    void anotherTakesItsName()
    {
        openPlate();
        const std::string undone = session().document.history().undoText();
        const std::string other = written("render-0001.mkv", 40, 200);
        QVERIFY(std::rename(other.c_str(), project().firstClip().c_str()) == 0);
        QTRY_COMPARE(numberShown(), 205);
        QCOMPARE(session().document.history().undoText(), undone); // the same length: no edit
        // And once more: the new file is watched as the old one was.
        written("plate.mkv", 40, 300);
        QTRY_COMPARE(numberShown(), 305);
    }
    void itIsShorter()
    {
        openPlate();
        written("plate.mkv", 20, 100);
        QTRY_VERIFY(bar().contains(QStringLiteral("it has 20 frames, and 40 are shown")));
        QCOMPARE(project().length(), std::int64_t{40});
        session().playhead.setFrame(33);
        QCOMPARE(numberShown(), 119);
    }
    void halfAFileIsNotShown()
    {
        openPlate();
        const QByteArray whole = test::bytesOf(written("other.mkv", 40, 400));
        test::writeBytes(project().firstClip(), QByteArray("nothing that could be read"));
        QTRY_VERIFY(bar().contains(QStringLiteral("shown as it was")));
        QVERIFY(bar().contains(QStringLiteral("plate.mkv")));
        QVERIFY(session().film.hasClip());
        test::writeBytes(project().firstClip(), whole);
        QTRY_COMPARE(numberShown(), 405);
        QVERIFY(bar().isEmpty());
    }
    void aMissingOneComesBack()
    {
        openPlate();
        const std::string clip = project().firstClip();
        QVERIFY(session().file.save(at("gone.vember")));
        const QByteArray bytes = test::bytesOf(clip);
        QFile::remove(QString::fromStdString(clip));
        open(at("gone.vember"));
        QVERIFY(!session().film.hasClip());
        test::writeBytes(clip, bytes);
        QTRY_VERIFY(session().film.hasClip());
        session().playhead.setFrame(7);
        QCOMPARE(numberShown(), 7);
    }
    void numberedPictures()
    {
        QVERIFY(QDir(folder_.path()).mkpath(QStringLiteral("series")));
        const auto picture = [this](int place, int number) {
            const Image image = test::numbered(384, 256, number);
            const QImage view(image.row(0), image.width(), image.height(), static_cast<int>(image.stride()),
                              QImage::Format_RGBA8888);
            QVERIFY(view.save(at(QStringLiteral("series/shot_%1.png").arg(place, 4, 10, QLatin1Char('0')))));
        };
        for (int i = 1; i <= 8; ++i)
            picture(i, i);
        open(at("series/shot_0001.png"));
        QCOMPARE(project().length(), std::int64_t{8});
        session().playhead.setFrame(6);
        QCOMPARE(numberShown(), 7);
        for (int i = 1; i <= 10; ++i) { // two more of them, and slower than a look
            picture(i, 600 + i);
            QTest::qWait(i == 4 ? 1600 : 100);
        }
        QTRY_COMPARE(numberShown(), 607);
        QTRY_COMPARE(project().shots[0].available, std::int64_t{10});
        // The one that is looked at only, in its place: nothing tells of that but the next look.
        picture(7, 777);
        QTRY_COMPARE(numberShown(), 777);
    }
    void layersAndEditsMeanwhile()
    {
        openPlate();
        const auto paint = [this](QColor colour) {
            QImage image(20, 20, QImage::Format_RGBA8888);
            image.fill(colour);
            QVERIFY(image.save(at("card.png")));
        };
        paint(Qt::red);
        Project next = project();
        next.layers.push_back({"Card", at("card.png").toStdString()});
        session().document.edit(std::move(next), "Card");
        QCOMPARE(int{session().film.layerPictures().at(0)->at(3, 3)[0]}, 255);
        QTest::qWait(20);
        paint(Qt::black);
        QTRY_COMPARE(int{session().film.layerPictures().at(0)->at(3, 3)[0]}, 0);
        QCOMPARE(numberShown(), 5);
        // The film is split while the clip is being opened again: both hold.
        written("plate.mkv", 40, 500);
        QSignalSpy anew(&session().film, &Film::rewritten);
        session().playhead.setFrame(30);
        session().shots.splitHere();
        QTRY_VERIFY(!anew.isEmpty());
        QCOMPARE(project().shots.size(), std::size_t{2});
        QCOMPARE(numberShown(), 530);
    }
    void whatGrowsIsWaitedFor()
    {
        const QString file = at("growing.bin");
        test::writeBytes(file.toStdString(), "a");
        FileWatch watch;
        QSignalSpy rewritten(&watch, &FileWatch::rewritten);
        watch.watch({{file.toStdString()}, {at("never.bin").toStdString(), false}});
        QByteArray bytes("a");
        for (int i = 0; i < 12; ++i) { // for longer than two looks
            bytes += "bcd";
            test::writeBytes(file.toStdString(), bytes);
            QTest::qWait(200);
        }
        QCOMPARE(rewritten.size(), 0);
        QTRY_COMPARE(rewritten.size(), 1);
        QCOMPARE(rewritten.first().first().toStringList(), QStringList{file});
        QFile::remove(file); // is not rewritten
        QTest::qWait(2000);
        QCOMPARE(rewritten.size(), 1);
        watch.watch({});
        test::writeBytes(file.toStdString(), "other");
        QTest::qWait(1800);
        QCOMPARE(rewritten.size(), 1);
    }
};

EMBER_TEST(RewrittenTest)
#include "tst_rewritten.moc"
