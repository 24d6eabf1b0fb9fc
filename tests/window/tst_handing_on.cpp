// SPDX-License-Identifier: GPL-3.0-or-later
// Handing on, comfort and gentle versions in the window.
#include <cmath>

#include <QApplication>
#include <QClipboard>
#include <QImage>
#include <QJsonDocument>
#include <QJsonObject>
#include <QLabel>
#include <QListWidget>
#include <QPlainTextEdit>
#include <QProgressBar>
#include <QTableWidget>

#include "comfort_window.h"
#include "ember/core/comfort.h"
#include "ember/core/motion.h"
#include "ember/exchange/handed_motion.h"
#include "ember/media/clip.h"
#include "ember/project/file.h"
#include "motion_export_window.h"
#include "preferences.h"
#include "reduced_motion.h"
#include "runner.h"
#include "value_control.h"
#include "value_field.h"
#include "window_fixture.h"

using namespace ember;
using namespace ember::app;

class HandingOnTest : public test::WindowFixture {
    Q_OBJECT

    QComboBox* list(const char* name) { return within<QComboBox>("hand-window", name); }
    QAbstractButton* button(const char* name) { return within<QAbstractButton>("hand-window", name); }
    QString text() { return within<QPlainTextEdit>("hand-window", "hand-text")->toPlainText(); }
    QString summary() { return within<QLabel>("hand-window", "hand-summary")->text(); }
    QString told() { return within<QLabel>("hand-window", "hand-told")->text(); }
    void pick(const char* name, const QString& word)
    {
        choose([this, name] { return list(name); }, word);
        ready();
    }
    void ready()
    {
        QVERIFY(QTest::qWaitFor([&] { return !summary().startsWith(QStringLiteral("Making")); }, test::patience));
    }
    void openHand()
    {
        key(Qt::Key_H, Qt::ControlModifier);
        turn();
        QVERIFY(child<QDialog>("hand-window")->isVisible());
        ready();
    }
    void openComfort()
    {
        key(Qt::Key_G, Qt::ControlModifier | Qt::ShiftModifier);
        turn();
        QVERIFY(child<QDialog>("comfort-window")->isVisible());
    }
    QTableWidget* table() { return within<QTableWidget>("comfort-window", "comfort-table"); }
    QString cell(int row, int column) { return table()->item(row, column)->text(); }
    void reported()
    {
        const QLabel* verdict = within<QLabel>("comfort-window", "comfort-verdict");
        QVERIFY(QTest::qWaitFor([&] { return verdict->text().startsWith(QStringLiteral("Full")); }, test::patience));
    }
    HandedMotion motionNow()
    {
        HandingOn how;
        how.part = {HandedOf::strike, session().selection.ids().front()};
        return handedMotion(project(), how).value();
    }

private slots:
    void whatIsChosenIsShownAndWritten()
    {
        strikeOn(30, Qt::Key_1);
        openHand();
        QVERIFY(text().startsWith(QStringLiteral("frame,seconds,x_px,y_px,scale_percent,")));
        QVERIFY2(summary().startsWith(QStringLiteral("120 frames.")), qPrintable(summary()));
        pick("hand-part", QStringLiteral("the selected strike"));
        const HandedMotion motion = motionNow();
        QCOMPARE(text().section(QLatin1Char('\n'), 1, 1).section(QLatin1Char(','), 0, 0),
                 QString::number(motion.first));
        pick("hand-keys", QStringLiteral("the fewest"));
        QVERIFY2(summary().contains(QStringLiteral(" keys instead of ")), qPrintable(summary()));
        const int strict = summary().section(QLatin1Char(' '), 2, 2).toInt();
        type(within<ValueField>("hand-window", "hand-pixels"), QStringLiteral("4"));
        ready();
        QVERIFY(summary().section(QLatin1Char(' '), 2, 2).toInt() < strict);
        pick("hand-keys", QStringLiteral("one on every frame"));
        type(within<ValueField>("hand-window", "hand-offset"), QStringLiteral("1001"));
        ready();
        pick("hand-up", QStringLiteral("up"));
        saveAnswer_ = at(QStringLiteral("moved"));
        QTest::mouseClick(button("hand-write"), Qt::LeftButton);
        turn();
        QVERIFY2(told().startsWith(QStringLiteral("Written")), qPrintable(told()));
        const QList<QByteArray> rows = test::bytesOf(at(QStringLiteral("moved.csv")).toStdString()).split('\n');
        QCOMPARE(rows[1].split(',')[0], QByteArray::number(static_cast<qlonglong>(motion.first + 1001)));
        for (int i = 0; i < 20; ++i) {
            QCOMPARE(rows[i + 1].split(',')[2].toDouble(), motion.poses[static_cast<std::size_t>(i)].x);
            QCOMPARE(rows[i + 1].split(',')[3].toDouble(), -motion.poses[static_cast<std::size_t>(i)].y);
        }
        QTest::mouseClick(button("hand-copy"), Qt::LeftButton);
        QVERIFY(QApplication::clipboard()->text().startsWith(QStringLiteral("frame,seconds,x_px")));
        // The clip itself is never written over, whatever the chooser said.
        saveAnswer_ = QString::fromStdString(clip_);
        const QByteArray before = test::bytesOf(clip_);
        QTest::mouseClick(button("hand-write"), Qt::LeftButton);
        turn();
        QVERIFY2(told().contains(QStringLiteral("never written over")), qPrintable(told()));
        QVERIFY(test::bytesOf(clip_) == before);
        // It follows the project.
        const QString was = text();
        session().strikes.scaleStrengths(0.5);
        ready();
        QVERIFY(text() != was);
    }
    void controlsCountWhereTheyMean()
    {
        strikeOn(60, Qt::Key_2);
        strikeOn(30, Qt::Key_1);
        openHand();
        pick("hand-format", QStringLiteral("Camera (glTF 2.0)"));
        QVERIFY(text().contains(QStringLiteral("\"version\": \"2.0\"")));
        QCOMPARE(list("hand-as")->currentText(), QStringLiteral("the camera"));
        QVERIFY(!list("hand-as")->isEnabled());
        QVERIFY(list("hand-as")->toolTip().contains(QStringLiteral("moves a camera")));
        pick("hand-format", QStringLiteral("Cues (WebVTT)"));
        for (const char* name : {"hand-part", "hand-keys", "hand-as", "hand-values", "hand-up"}) {
            QVERIFY2(!list(name)->isEnabled(), name);
            QVERIFY2(list(name)->toolTip().size() > 15, name);
        }
        pick("hand-format", QStringLiteral("Timeline (OpenTimelineIO)"));
        QVERIFY(!list("hand-part")->isEnabled());
        QVERIFY(list("hand-keys")->isEnabled());
        QVERIFY(text().contains(QStringLiteral("\"Timeline.1\"")));
        QVERIFY2(summary().contains(QStringLiteral("1 of 1 shots")), qPrintable(summary()));
        pick("hand-format", QStringLiteral("Scene (USD, as text)"));
        pick("hand-part", QStringLiteral("the selected strike"));
        pick("hand-as", QStringLiteral("the layer"));
        QVERIFY(text().contains(QStringLiteral("def Xform \"Layer\"")));
        pick("hand-as", QStringLiteral("the camera"));
        QVERIFY(text().contains(QStringLiteral("def Xform \"Rig\"")));
        pick("hand-format", QStringLiteral("Animation (Lottie)"));
        QCOMPARE(list("hand-as")->currentText(), QStringLiteral("the layer"));
        QVERIFY(text().startsWith(QStringLiteral("{\"ver\":10000")));
        pick("hand-part", QStringLiteral("the film"));
        pick("hand-format", QStringLiteral("Recipe for playback (JSON)"));
        QVERIFY2(summary().contains(QStringLiteral("say which")), qPrintable(summary()));
        QVERIFY(!button("hand-write")->isEnabled());
        pick("hand-part", QStringLiteral("its recipe"));
        QVERIFY(text().contains(QStringLiteral("\"vember_playable\"")));
        QVERIFY(!button("hand-gentle")->isEnabled());
        pick("hand-format", QStringLiteral("Table (CSV)"));
        QVERIFY(list("hand-as")->isEnabled());
        session().selection.set({});
        ready();
        QVERIFY2(summary().contains(QStringLiteral("Select a strike")), qPrintable(summary()));
        QVERIFY(!button("hand-write")->isEnabled());
        session().file.close();
        turn();
        ready();
        QVERIFY(summary().contains(QStringLiteral("Open a clip")));
    }
    void sheetsAreSeenAndWritten()
    {
        strikeOn(30, Qt::Key_1);
        strikeOn(60, Qt::Key_2);
        openHand();
        pick("hand-part", QStringLiteral("the selected strike"));
        pick("hand-format", QStringLiteral("Shake sheet (PDF, SVG, PNG)"));
        auto* page = within<QLabel>("hand-window", "hand-page");
        QVERIFY(page->isVisible());
        QVERIFY(page->pixmap().width() > 300);
        QCOMPARE(summary(), QStringLiteral("1 page, A4 across."));
        pick("hand-part", QStringLiteral("the film"));
        QVERIFY2(summary().startsWith(QStringLiteral("A page for each of 2 strikes")), qPrintable(summary()));
        pick("hand-part", QStringLiteral("the selected strike"));
        dialogAnswer_ = [](QDialog& sheet) {
            QVERIFY(QTest::qWaitFor([&] { return !sheet.isVisible(); }, test::patience));
        };
        saveAnswer_ = at(QStringLiteral("one.pdf"));
        QTest::mouseClick(button("hand-write"), Qt::LeftButton);
        turn();
        QVERIFY(test::bytesOf(at(QStringLiteral("one.pdf")).toStdString()).startsWith("%PDF"));
        saveAnswer_ = at(QStringLiteral("all sheets"));
        QTest::mouseClick(button("hand-all"), Qt::LeftButton);
        turn();
        QVERIFY2(told().startsWith(QStringLiteral("2 files written")), qPrintable(told()));
        QCOMPARE(QDir(saveAnswer_).entryList(QDir::Files),
                 (QStringList{QStringLiteral("01-blast.pdf"), QStringLiteral("02-landing.pdf")}));
        QTest::mouseClick(button("hand-all"), Qt::LeftButton); // again: they exist
        turn();
        QVERIFY2(told().contains(QStringLiteral("exists already")), qPrintable(told()));
    }

    void comfortIsToldForBothVersions()
    {
        openComfort();
        reported();
        QCOMPARE(table()->rowCount(), 8);
        QCOMPARE(cell(0, 0), QStringLiteral("The picture shakes 0 % of the time."));
        session().playhead.setFrame(30);
        session().strikes.put(StrikeKind::blast);
        session().strikes.scaleStrengths(3);
        QTRY_VERIFY(cell(2, 1).startsWith(QStringLiteral("▲")));
        const ComfortFigures figures = comfortOf(project(), 0, 120);
        QVERIFY(cell(2, 0).contains(QStringLiteral("on frame %1").arg(figures.farthestFrame)));
        QVERIFY(!cell(2, 2).startsWith(QStringLiteral("▲")));
        emit table()->cellActivated(2, 0);
        QCOMPARE(session().playhead.frame(), figures.farthestFrame);
        // What the gentle version keeps is an edit that can be undone.
        type(within<ValueControl>("gentle", "displacement")->field(), QStringLiteral("1"));
        QCOMPARE(project().gentle.displacement, 0.01);
        QTRY_VERIFY(cell(2, 2).startsWith(QStringLiteral("1")));
        auto* roll = within<QWidget>("gentle", "roll")->findChild<QAbstractButton*>();
        QTest::mouseClick(roll, Qt::LeftButton);
        turn();
        QVERIFY(project().gentle.roll);
        session().document.undo();
        session().document.undo();
        QCOMPARE(project().gentle, Gentle{});
        // Of the shot alone.
        choose([this] { return within<QComboBox>("comfort-window", "comfort-scope"); },
               QStringLiteral("of the shot at the playhead"));
        reported();
        QCOMPARE(table()->rowCount(), 8);
    }
    void flashesAreFoundAndGoneTo()
    {
        openComfort();
        auto* check = within<QAbstractButton>("comfort-window", "comfort-check");
        auto* found = within<QListWidget>("comfort-window", "comfort-flashes");
        auto* bar = within<QProgressBar>("comfort-window", "comfort-bar");
        auto* state = within<QLabel>("comfort-window", "comfort-flash-state");
        QTest::mouseClick(check, Qt::LeftButton);
        QVERIFY(bar->isVisible() && !check->isEnabled());
        QTRY_VERIFY(!bar->isVisible());
        QVERIFY2(state->text().startsWith(QStringLiteral("Beyond")), qPrintable(state->text())); // the clip flickers
        QVERIFY(found->count() > 0);
        emit found->itemActivated(found->item(0));
        QCOMPARE(session().playhead.frame(), found->item(0)->data(Qt::UserRole).toLongLong());
        session().playhead.setFrame(50);
        session().strikes.put(StrikeKind::hit); // the list is of the film as it was
        QCOMPARE(found->count(), 0);
        QTest::mouseClick(check, Qt::LeftButton);
        QTest::mouseClick(within<QAbstractButton>("comfort-window", "comfort-stop"), Qt::LeftButton);
        QTRY_VERIFY(!bar->isVisible());
        QCOMPARE(found->count(), 0);
        QVERIFY(check->isEnabled());
    }
    void theGentleVersionStandsBesideTheFullOne()
    {
        strikeOn(30, Qt::Key_1);
        session().strikes.scaleStrengths(2);
        Project still = project();
        still.finish.cover = CoverMode::off;
        session().document.edit(still, QStringLiteral("No cover"));
        session().playhead.setFrame(31);
        const Image full = shown();
        key(Qt::Key_G, Qt::ControlModifier);
        QCOMPARE(window_->picture().split(), PictureView::Split::gentle);
        const auto differs = [&](const Image& picture, int from, int to) {
            int count = 0;
            for (int y = 0; y < picture.height(); ++y)
                for (int x = from; x < to; ++x)
                    count += std::abs(picture.at(x, y)[1] - full.at(x, y)[1]) > 24 ? 1 : 0;
            return count;
        };
        QTRY_VERIFY(differs(shown(), 0, full.width() / 2 - 4) > 200);
        const Image split = shown();
        QCOMPARE(differs(split, full.width() / 2 + 4, full.width()), 0);
        // The comfort window's switch is the same one.
        openComfort();
        auto* beside = within<QAbstractButton>("comfort-window", "comfort-beside");
        QVERIFY(beside->isChecked());
        QTest::mouseClick(beside, Qt::LeftButton);
        QCOMPARE(window_->picture().split(), PictureView::Split::none);
        QTRY_COMPARE(differs(shown(), 0, full.width()), 0);
    }
    void bothVersionsAreRendered()
    {
        strikeOn(30, Qt::Key_1);
        key(Qt::Key_R, Qt::ControlModifier);
        turn();
        choose([this] { return child<QComboBox>("render-version"); }, QStringLiteral("both versions"));
        choose([this] { return child<QComboBox>("render-format"); }, QStringLiteral("MKV, sound in FLAC"));
        child<QLineEdit>("render-path")->setText(at(QStringLiteral("both.mkv")));
        click("render-start");
        auto* queue = child<QListWidget>("render-queue");
        QCOMPARE(queue->count(), 2);
        QTRY_VERIFY(queue->item(1)->text().startsWith(QStringLiteral("done")));
        const auto pictureOf = [&](const QString& name) {
            auto clip = ClipReader::open(at(name).toStdString(), {});
            return clip ? clip.value()->frame(Frame{31}, FrameRate()).value()->copy() : Image(1, 1);
        };
        QVERIFY(test::largestDifference(pictureOf(QStringLiteral("both.mkv")),
                                        pictureOf(QStringLiteral("both-gentle.mkv"))) > 20);
    }
    void aFrameIsSavedAsAPicture()
    {
        strikeOn(30, Qt::Key_1);
        session().playhead.setFrame(31);
        const Image there = shown();
        saveAnswer_ = at(QStringLiteral("frame"));
        for (QAction* action : window_->findChildren<QAction*>())
            if (action->text() == QStringLiteral("Save this &frame as a picture"))
                action->trigger();
        QTRY_VERIFY(QFile::exists(at(QStringLiteral("frame.png"))));
        QTRY_COMPARE(QImage(at(QStringLiteral("frame.png"))).size(), QSize(384, 256));
    }
    void timelinesAreOpened()
    {
        strikeOn(30, Qt::Key_1);
        openHand();
        pick("hand-format", QStringLiteral("Timeline (OpenTimelineIO)"));
        saveAnswer_ = at(QStringLiteral("reel.otio"));
        QTest::mouseClick(button("hand-write"), Qt::LeftButton);
        turn();
        const Project before = project();
        open(saveAnswer_);
        QVERIFY(session().film.hasClip() && session().file.path().isEmpty());
        QCOMPARE(project().shots.front().clip, before.shots.front().clip);
        QCOMPARE(project().strikes.size(), std::size_t{1});
        QCOMPARE(project().strikes.front().seed, before.strikes.front().seed);
    }
    void theDesktopsWishIsFollowed()
    {
        const QByteArray before = qgetenv("XDG_CONFIG_HOME");
        const QTemporaryDir homes;
        int number = 0;
        const auto wishes = [&](const char* file, const char* text) {
            const QDir home(homes.filePath(QString::number(++number)));
            home.mkpath(QFileInfo(QLatin1String(file)).path());
            test::writeBytes(home.filePath(QLatin1String(file)).toStdString(), text);
            qputenv("XDG_CONFIG_HOME", home.path().toUtf8());
            askDesktopAgain();
            return desktopPrefersLessMotion();
        };
        QVERIFY(!wishes("nothing", ""));
        QVERIFY(!wishes("kdeglobals", "[KDE]\nAnimationDurationFactor=1\n"));
        QVERIFY(!wishes("gtk-3.0/settings.ini", "[Settings]\ngtk-enable-animations=1\n"));
        QVERIFY(wishes("gtk-3.0/settings.ini", "[Settings]\ngtk-enable-animations=0\n"));
        QVERIFY(wishes("kdeglobals", "[KDE]\nAnimationDurationFactor=0\n"));
        QVERIFY(preference::calm());
        QSettings().setValue(QStringLiteral("preferences/calm"), false); // the person's own word counts
        QVERIFY(!preference::calm());
        qputenv("XDG_CONFIG_HOME", before);
        if (before.isEmpty())
            qunsetenv("XDG_CONFIG_HOME");
        askDesktopAgain();
    }
};

EMBER_TEST(HandingOnTest)
#include "tst_handing_on.moc"
