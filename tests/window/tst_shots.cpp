// SPDX-License-Identifier: GPL-3.0-or-later
// Shots in the window: the lane, the menu, the block on the Film page, what strikes go with, conforming.
#include <QAction>
#include <QComboBox>
#include <QLabel>
#include <QMenuBar>
#include <QProgressBar>
#include <QTableWidget>
#include <QToolTip>

#include "actions.h"
#include "conform_sheet.h"
#include "ember/project/file.h"
#include "ember/project/shipped_recipes.h"
#include "ember/project/shot_edits.h"
#include "progress_dialog.h"
#include "reel_geometry.h"
#include "runner.h"
#include "side_column.h"
#include "value_control.h"
#include "value_field.h"
#include "window_fixture.h"

using namespace ember;
using namespace ember::app;

class ShotsInTheWindowTest : public test::WindowFixture {
    Q_OBJECT
    std::string other_; ///< 50 numbered frames

    /// The clip's 120 frames, then another's 50.
    void twoShots()
    {
        if (other_.empty())
            other_ = test::numberedClip(folder_, "other.mkv", 50, FrameRate(), 384, 256, true);
        session().playhead.setFrame(10);
        openAnswer_ = QString::fromStdString(other_);
        trigger("Add a clip or still");
        QTRY_COMPARE(project().shots.size(), std::size_t{2});
    }
    void trigger(const char* text)
    {
        for (const ListedAction& found : actionsOf(*window_->menuBar()))
            if (plain(found.action->text()) == QLatin1String(text)) {
                QVERIFY2(found.action->isEnabled(), text);
                found.action->trigger();
                turn();
                return;
            }
        QFAIL(text);
    }
    static QString plain(QString text) { return text.remove(QLatin1Char('&')); }
    ReelLayout layout() { return window_->reel().layoutNow(); }
    QPoint inLane(double frame, double off = 0)
    {
        const ReelLayout l = layout();
        return QPointF(l.map.toPixel(frame) + off, l.shots.center().y()).toPoint();
    }
    std::vector<std::int64_t> strikeFrames()
    {
        std::vector<std::int64_t> frames;
        for (const Strike& strike : project().strikes)
            frames.push_back(strike.frame.index);
        return frames;
    }
    using Frames = std::vector<std::int64_t>;

private slots:
    void aClipIsAddedBehindTheShotHere()
    {
        QVERIFY(layout().shots.isEmpty()); // one shot needs no lane
        twoShots();
        QVERIFY(!layout().shots.isEmpty());
        QCOMPARE(project().length(), std::int64_t{170});
        QCOMPARE(session().playhead.frame(), std::int64_t{120}); // where it begins
        QCOMPARE(test::numberIn(shown()), 0);
        session().playhead.setFrame(119);
        QCOMPARE(test::numberIn(shown()), 119);
        session().playhead.setFrame(130);
        QCOMPARE(test::numberIn(shown()), 10);
        key(Qt::Key_Z, Qt::ControlModifier);
        QCOMPARE(project().length(), std::int64_t{120});
        QVERIFY(layout().shots.isEmpty());
        QCOMPARE(session().playhead.frame(), std::int64_t{119}); // no longer past the end
        QCOMPARE(test::numberIn(shown()), 119);
        key(Qt::Key_Z, Qt::ControlModifier | Qt::ShiftModifier);
        QCOMPARE(project().length(), std::int64_t{170});
        // A file that is none is told, and nothing changes.
        test::writeBytes(at(QStringLiteral("none.mp4")).toStdString(), "no film");
        openAnswer_ = at(QStringLiteral("none.mp4"));
        trigger("Add a clip or still");
        QTRY_VERIFY(window_->notice().contains(QStringLiteral("none.mp4")));
        QCOMPARE(project().shots.size(), std::size_t{2});
    }
    void endsAreDragged()
    {
        twoShots();
        strikeOn(100);
        strikeOn(140);
        QWidget& reel = window_->reel();
        const double pixels = 1 / layout().map.framesPerPixel();
        // The out of the first, 30 frames to the left: it is cut off before the strike on 100.
        drag(&reel, inLane(120, -3), inLane(120, -3 - 30 * pixels));
        QCOMPARE(project().shots[0].length, std::int64_t{90});
        QCOMPARE(strikeFrames(), (Frames{110}));
        QCOMPARE(project().shots[0].trimmed.size(), std::size_t{1});
        QCOMPARE(session().playhead.frame(), std::int64_t{89});
        QCOMPARE(test::numberIn(shown()), 89);
        // One step back brings both; what was selected stays selected.
        session().selection.set({project().strikes[0].id});
        key(Qt::Key_Z, Qt::ControlModifier);
        QCOMPARE(strikeFrames(), (Frames{100, 140}));
        QCOMPARE(session().selection.ids().size(), std::size_t{1});
        // The in of the second, 12 frames to the right.
        drag(&reel, inLane(120, 3), inLane(120, 3 + 12 / layout().map.framesPerPixel()));
        QCOMPARE(project().shots[1].in, 12.0);
        QCOMPARE(project().length(), std::int64_t{158});
        QCOMPARE(strikeFrames(), (Frames{100, 128}));
        session().playhead.setFrame(120);
        QCOMPARE(test::numberIn(shown()), 12);
        // A click is no drag.
        QTest::mouseClick(&reel, Qt::LeftButton, {}, inLane(60));
        QCOMPARE(session().playhead.frame(), std::int64_t{0});
        QCOMPARE(project().length(), std::int64_t{158});
    }
    void theMiddleIsDraggedInTheOrder()
    {
        twoShots();
        strikeOn(140);
        drag(&window_->reel(), inLane(145), inLane(20));
        QCOMPARE(project().shots[0].clip, other_);
        QCOMPARE(strikeFrames(), (Frames{20}));
        QCOMPARE(session().playhead.frame(), std::int64_t{0});
        QCOMPARE(test::numberIn(shown()), 0);
        key(Qt::Key_Right, Qt::ControlModifier | Qt::AltModifier);
        QCOMPARE(project().shots[1].clip, other_);
        QCOMPARE(session().playhead.frame(), std::int64_t{120}); // stays with it
        key(Qt::Key_Left, Qt::ControlModifier | Qt::AltModifier);
        QCOMPARE(project().shots[0].clip, other_);
        key(Qt::Key_Left, Qt::ControlModifier | Qt::AltModifier);
        QVERIFY(child<QLabel>("told")->text().contains(QStringLiteral("first")));
    }
    void undoWhileAShotIsDraggedLetsGoOfIt()
    {
        twoShots();
        QWidget& reel = window_->reel();
        QTest::mousePress(&reel, Qt::LeftButton, {}, inLane(145));
        moveTo(reel, inLane(20));
        key(Qt::Key_Z, Qt::ControlModifier); // the shot that is in the hand was never added
        QCOMPARE(project().shots.size(), std::size_t{1});
        moveTo(reel, inLane(10));
        QTest::mouseRelease(&reel, Qt::LeftButton, {}, inLane(10));
        QCOMPARE(project().shots.size(), std::size_t{1});
        reel.grab();
    }
    void aClipThatArrivesWhileASparkIsDraggedStays()
    {
        strikeOn(30);
        QWidget& reel = window_->reel();
        const QPoint from = spark(30);
        const auto to = [&](double frames) { return from + QPoint(qRound(frames / layout().map.framesPerPixel()), 0); };
        QTest::mousePress(&reel, Qt::LeftButton, {}, from);
        moveTo(reel, to(10));
        const auto moved = strikeFrames();
        QVERIFY(moved[0] > 35);
        session().shots.addClip(QString::fromStdString(other_));
        QTRY_COMPARE(project().shots.size(), std::size_t{2});
        moveTo(reel, to(5));
        QCOMPARE(project().shots.size(), std::size_t{2});
        QVERIFY(strikeFrames()[0] < moved[0]);
        // Escape takes back the drag and nothing else; the strike stays selected.
        QTest::keyClick(&reel, Qt::Key_Escape);
        QCOMPARE(strikeFrames(), (Frames{30}));
        QCOMPARE(project().shots.size(), std::size_t{2});
        QCOMPARE(session().selection.ids().size(), std::size_t{1});
        moveTo(reel, to(8));
        QTest::mouseRelease(&reel, Qt::LeftButton, {}, to(8));
        QCOMPARE(strikeFrames(), (Frames{30}));
    }
    void splitTrimAndDeleteHere()
    {
        strikeOn(30);
        session().playhead.setFrame(40);
        key(Qt::Key_Slash, Qt::ControlModifier);
        QCOMPARE(project().cuts(), (Frames{40}));
        key(Qt::Key_Slash, Qt::ControlModifier); // a shot begins here already
        QCOMPARE(project().shots.size(), std::size_t{2});
        session().playhead.setFrame(60);
        key(Qt::Key_Comma, Qt::AltModifier);
        QCOMPARE(project().shots[1].in, 60.0);
        QCOMPARE(project().length(), std::int64_t{100});
        QCOMPARE(session().playhead.frame(), std::int64_t{40});
        QCOMPARE(test::numberIn(shown()), 60);
        session().playhead.setFrame(70);
        key(Qt::Key_Period, Qt::AltModifier);
        QCOMPARE(project().length(), std::int64_t{71});
        session().playhead.setFrame(10);
        key(Qt::Key_Delete, Qt::ShiftModifier);
        QCOMPARE(project().shots.size(), std::size_t{1});
        QVERIFY(project().strikes.empty());
        QCOMPARE(test::numberIn(shown()), 70);
        key(Qt::Key_Delete, Qt::ShiftModifier); // the last one stays
        QCOMPARE(project().shots.size(), std::size_t{1});
        for (int i = 0; i < 4; ++i)
            key(Qt::Key_Z, Qt::ControlModifier);
        QCOMPARE(strikeFrames(), (Frames{30}));
        QCOMPARE(project().length(), std::int64_t{120});
    }
    void gapsAndReplacedClips()
    {
        twoShots();
        session().playhead.setFrame(5);
        trigger("Add a gap");
        QCOMPARE(project().shots.size(), std::size_t{3});
        QVERIFY(project().shots[1].gap());
        QCOMPARE(session().playhead.frame(), std::int64_t{120});
        QTRY_VERIFY(test::shareOf(shown(), Colour{0, 0, 0}) == 1.0);
        session().playhead.setFrame(150);
        openAnswer_ = QString::fromStdString(clip_);
        trigger("Replace its clip");
        QTRY_COMPARE(project().shots[2].clip, clip_);
        QCOMPARE(project().shots[2].length, std::int64_t{50});
        QCOMPARE(project().shots[2].available, std::int64_t{120});
    }
    void aCutIsThrown()
    {
        twoShots();
        session().playhead.setFrame(118);
        const Image still = shown();
        key(Qt::Key_5);
        const Strike* strike = session().selection.strike();
        QVERIFY(strike != nullptr && project().boundToCut(*strike));
        QCOMPARE(strike->frame.index, std::int64_t{120});
        QCOMPARE(project().recipe(strike->recipe)->name, std::string(cutRecipeName()));
        session().playhead.setFrame(118);
        QTRY_VERIFY(test::largestDifference(shown(), still) > 60); // it builds up in the outgoing shot
        // It goes where the cut goes, forth and back.
        const StrikeId id = strike->id;
        session().playhead.setFrame(99);
        key(Qt::Key_Period, Qt::AltModifier);
        QCOMPARE(project().strike(id)->frame.index, std::int64_t{100});
        key(Qt::Key_Z, Qt::ControlModifier);
        QCOMPARE(project().strike(id)->frame.index, std::int64_t{120});
        session().playhead.setFrame(130);
        key(Qt::Key_5);
        QCOMPARE(project().strikes.size(), std::size_t{1}); // it is thrown already
        // The lead's handle is where it breaks off, and pulls its level.
        QCOMPARE(felt()[EnvelopeField::leadLevel], 0.95);
        const QPoint top = handle(Handle::leadLevel);
        const AnvilLayout anvil = canvas().layoutNow();
        QVERIFY(std::abs(top.x() - anvil.map.toPixel(-leadBreaksOff)) <= 1);
        drag(&canvas(), top, QPoint(top.x(), qRound(anvil.toY(0.5))));
        QVERIFY(std::abs(felt()[EnvelopeField::leadLevel] - 0.5) < 0.03);
        choose([this] { return child<QWidget>("envelope-lead_shape")->findChild<QComboBox*>(); },
               QStringLiteral("swing"));
        QVERIFY(!felt().builds());
    }
    void whatStrikesGoWith()
    {
        strikeOn(100);
        QVERIFY(!child<QComboBox>("strike-goes-with")->isVisible()); // one shot: nothing to choose
        twoShots();
        session().selection.set({project().strikes[0].id});
        auto* list = child<QComboBox>("strike-goes-with");
        QVERIFY(list->isVisible());
        QCOMPARE(list->currentIndex(), 0);
        choose([list] { return list; }, QStringLiteral("the film"));
        QVERIFY(project().strikes[0].pinned);
        session().playhead.setFrame(9);
        key(Qt::Key_Comma, Qt::AltModifier);
        QCOMPARE(strikeFrames(), (Frames{100}));
        choose([list] { return list; }, QStringLiteral("the cut"));
        QVERIFY(project().boundToCut(project().strikes[0]) && !project().strikes[0].pinned);
        QCOMPARE(strikeFrames(), (Frames{111}));
        QCOMPARE(session().playhead.frame(), std::int64_t{111});
        trigger("Strikes go with their shot");
        QVERIFY(!project().boundToCut(project().strikes[0]));
        QCOMPARE(list->currentIndex(), 0);
    }
    void theBlockOnTheFilmPage()
    {
        twoShots();
        strikeOn(119);
        strikeOn(160);
        window_->findChild<SideColumn*>()->setPage(SideColumn::Page::film);
        turn();
        session().playhead.setFrame(140);
        QCOMPARE(child<QLabel>("shot-name")->text(), QStringLiteral("Shot 2 of 2: other.mkv"));
        type(within<ValueControl>("shot-values", "length")->field(), QStringLiteral("30"));
        QCOMPARE(project().length(), std::int64_t{150});
        QCOMPARE(strikeFrames(), (Frames{119}));
        QCOMPARE(session().playhead.frame(), std::int64_t{120});
        type(within<ValueControl>("shot-values", "in")->field(), QStringLiteral("15"));
        QCOMPARE(project().shots[1].in, 15.0);
        QCOMPARE(strikeFrames(), (Frames{119, 145})); // its frame is shown again
        type(within<ValueControl>("shot-values", "speed")->field(), QStringLiteral("50"));
        QCOMPARE(project().shots[1].length, std::int64_t{60});
        QCOMPARE(strikeFrames(), (Frames{119, 170}));
        // A strike that waits is put on a frame, another deleted.
        session().playhead.setFrame(0);
        type(within<ValueControl>("shot-values", "length")->field(), QStringLiteral("100"));
        QCOMPARE(project().shots[0].trimmed.size(), std::size_t{1});
        QVERIFY(child<QLabel>("waiting-0")->isVisible());
        session().playhead.setFrame(50);
        click("waiting-0-put");
        QCOMPARE(strikeFrames(), (Frames{50, 150}));
        QVERIFY(project().shots[0].trimmed.empty());
        key(Qt::Key_Z, Qt::ControlModifier);
        click("waiting-0-delete");
        QVERIFY(project().shots[0].trimmed.empty());
        QCOMPARE(strikeFrames(), (Frames{150}));
        session().playhead.setFrame(20);
        click("shot-split");
        QCOMPARE(project().shots.size(), std::size_t{3});
        click("shot-delete");
        QCOMPARE(project().shots.size(), std::size_t{2});
    }
    void aFinishedFilmIsSplitAtItsCuts()
    {
        // Ten frames of plain grounds with hard edges in other places: three shots.
        const QString film = at(QStringLiteral("cuts.mkv"));
        QVERIFY(test::ffmpeg(
            {QStringLiteral("-f"), QStringLiteral("lavfi"), QStringLiteral("-i"),
             QStringLiteral("testsrc=s=192x128:r=24:d=1"), QStringLiteral("-f"), QStringLiteral("lavfi"),
             QStringLiteral("-i"), QStringLiteral("mandelbrot=s=192x128:r=24"), QStringLiteral("-f"),
             QStringLiteral("lavfi"), QStringLiteral("-i"), QStringLiteral("smptebars=s=192x128:r=24:d=1"),
             QStringLiteral("-filter_complex"), QStringLiteral("[1]trim=end_frame=30[m];[0][m][2]concat=n=3"),
             QStringLiteral("-frames:v"), QStringLiteral("78"), QStringLiteral("-c:v"), QStringLiteral("ffv1"), film}));
        open(film);
        dialogAnswer_ = [](QDialog& dialog) { QTRY_VERIFY(dialog.result() == QDialog::Accepted); };
        trigger("Split at the film's cuts");
        QCOMPARE(project().cuts(), (Frames{24, 54}));
        key(Qt::Key_Z, Qt::ControlModifier);
        QVERIFY(project().cuts().empty());
        // Stopped: nothing is changed.
        dialogAnswer_ = [](QDialog& dialog) { dialog.findChild<QPushButton*>(QStringLiteral("work-stop"))->click(); };
        trigger("Split at the film's cuts");
        QVERIFY(project().cuts().empty());
    }
    void aNewEditTakesThePlace()
    {
        strikeOn(20);
        strikeOn(60);
        strikeOn(100);
        // The clip without its frames 50 to 79.
        const QString edit = at(QStringLiteral("edit.mkv"));
        QVERIFY(test::ffmpeg({QStringLiteral("-i"), QString::fromStdString(clip_), QStringLiteral("-vf"),
                              QStringLiteral("select='lt(n,50)+gte(n,80)',setpts=N/24/TB"), QStringLiteral("-an"),
                              QStringLiteral("-c:v"), QStringLiteral("ffv1"), edit}));
        openAnswer_ = edit;
        int sheets = 0;
        dialogAnswer_ = [&](QDialog& dialog) {
            if (qobject_cast<ProgressDialog*>(&dialog) != nullptr) {
                QTRY_VERIFY(dialog.result() == QDialog::Accepted);
                return;
            }
            ++sheets;
            const auto* table = dialog.findChild<QTableWidget*>(QStringLiteral("conform-table"));
            QCOMPARE(table->rowCount(), 3);
            QCOMPARE(table->item(0, 2)->text(), QStringLiteral("20"));
            QCOMPARE(table->item(1, 2)->text(), QStringLiteral("not found"));
            QCOMPARE(table->item(2, 2)->text(), QStringLiteral("70"));
            dialog.findChild<QPushButton*>(QStringLiteral("conform-accept"))->click();
        };
        trigger("Conform to a new edit");
        QCOMPARE(sheets, 1);
        QCOMPARE(project().length(), std::int64_t{90});
        QCOMPARE(strikeFrames(), (Frames{20, 70}));
        QCOMPARE(project().shots[0].trimmed.size(), std::size_t{1});
        session().playhead.setFrame(70);
        session().strikes.toggleBypass();
        QTRY_COMPARE(test::numberIn(shown()), 100);
        key(Qt::Key_Z, Qt::ControlModifier);
        key(Qt::Key_Z, Qt::ControlModifier);
        QCOMPARE(strikeFrames(), (Frames{20, 60, 100}));
        // Decided otherwise it stays where it was.
        dialogAnswer_ = [&](QDialog& dialog) {
            if (qobject_cast<ProgressDialog*>(&dialog) != nullptr) {
                QTRY_VERIFY(dialog.result() == QDialog::Accepted);
                return;
            }
            auto* fate = dialog.findChild<QComboBox*>(QStringLiteral("conform-fate-1"));
            QTest::keyClick(fate, Qt::Key_Down);
            dialog.findChild<QPushButton*>(QStringLiteral("conform-accept"))->click();
        };
        trigger("Conform to a new edit");
        QCOMPARE(strikeFrames(), (Frames{20, 60, 70}));
    }
    void aFilmOfShotsIsSavedAndOpened()
    {
        twoShots();
        strikeOn(140);
        saveAnswer_ = at(QStringLiteral("two.vember"));
        key(Qt::Key_S, Qt::ControlModifier);
        const std::string before = projectToJson(project(), "");
        open(saveAnswer_);
        QCOMPARE(projectToJson(project(), ""), before);
        session().playhead.setFrame(165);
        QVERIFY(session().film.hasClip());
        // A clip that is gone is named, and found again at another place.
        QVERIFY(QFile::rename(QString::fromStdString(other_), at(QStringLiteral("moved.mkv"))));
        open(saveAnswer_);
        QTRY_VERIFY(window_->notice().contains(QStringLiteral("other.mkv")));
        openAnswer_ = at(QStringLiteral("moved.mkv"));
        trigger("Find the clip");
        QTRY_VERIFY(session().film.hasClip());
        QCOMPARE(project().shots[1].clip, openAnswer_.toStdString());
        QCOMPARE(project().shots[0].clip, clip_);
        QVERIFY(QFile::rename(at(QStringLiteral("moved.mkv")), QString::fromStdString(other_)));
    }

    void takesOfOtherShotsAreNotHeldAgainstEachOther()
    {
        strikeOn(40);
        key(Qt::Key_1, Qt::ControlModifier);
        session().playhead.setFrame(20);
        key(Qt::Key_Slash, Qt::ControlModifier); // the same frames still
        key(Qt::Key_V, Qt::ShiftModifier);
        QCOMPARE(window_->picture().split(), PictureView::Split::take);
        key(Qt::Key_V, Qt::ShiftModifier);
        session().playhead.setFrame(10);
        key(Qt::Key_Period, Qt::AltModifier);
        key(Qt::Key_V, Qt::ShiftModifier);
        QCOMPARE(window_->picture().split(), PictureView::Split::none);
        QVERIFY(child<QLabel>("told")->text().contains(QStringLiteral("other shots")));
    }

    // --- geometry
    void gripsInTheLane()
    {
        std::vector<Shot> shots{Shot{"a", 100}, Shot{"b", 100}};
        const ReelLayout l = layOutReel({1276, 160}, 0, 200, {true});
        const auto grip = [&](double x) { return shotAt(l, shots, {x, l.shots.center().y()}); };
        const double cut = l.map.toPixel(100);
        QCOMPARE(*grip(cut - 2), (ShotGrip{0, ShotGrip::Part::out}));
        QCOMPARE(*grip(cut + 2), (ShotGrip{1, ShotGrip::Part::in}));
        QCOMPARE(*grip(cut - 30), (ShotGrip{0, ShotGrip::Part::body}));
        QCOMPARE(*grip(l.map.toPixel(0) - 3), (ShotGrip{0, ShotGrip::Part::in}));
        QCOMPARE(*grip(l.map.toPixel(200) + 3), (ShotGrip{1, ShotGrip::Part::out}));
        QVERIFY(!grip(l.map.toPixel(200) + 30));
        QVERIFY(!shotAt(l, shots, {cut, l.thumbs.center().y()}));
        QCOMPARE(dropIndex(l, shots, 1, l.map.toPixel(20)), std::size_t{0});
        QCOMPARE(dropIndex(l, shots, 1, l.map.toPixel(60)), std::size_t{1});
        QCOMPARE(dropIndex(l, shots, 0, l.map.toPixel(190)), std::size_t{1});
        QVERIFY(layOutReel({1276, 160}, 0, 200).shots.isEmpty());
        for (const QRectF& band : {l.ruler, l.shots, l.thumbs, l.sound, l.sparks, l.trace})
            QVERIFY(band.height() >= 10 && band.bottom() <= 160);
    }
};

EMBER_TEST(ShotsInTheWindowTest)
#include "tst_shots.moc"
