// SPDX-License-Identifier: GPL-3.0-or-later
// The real window, worked with mouse and keyboard; what is checked is the project and the pixels.
#include <cmath>

#include <QClipboard>
#include <QComboBox>
#include <QDir>
#include <QDropEvent>
#include <QFile>
#include <QLabel>
#include <QLineEdit>
#include <QListWidget>
#include <QMimeData>
#include <QProgressBar>
#include <QSettings>
#include <QSplitter>
#include <QTest>

#include "bars.h"
#include "ember/media/clip.h"
#include "ember/media/film_writer.h"
#include "ember/project/edits.h"
#include "ember/project/file.h"
#include "journal_keeper.h"
#include "player.h"
#include "render_panel.h"
#include "runner.h"
#include "value_field.h"
#include "window_fixture.h"

using namespace ember;
using namespace ember::app;
using F = EnvelopeField;

class MainWindowTest : public test::WindowFixture {
    Q_OBJECT

private slots:
    // --- finding the frame
    void stepsShowExactlyThatFrame()
    {
        QCOMPARE(test::numberIn(shown()), 0);
        key(Qt::Key_Right);
        QCOMPARE(test::numberIn(shown()), 1);
        key(Qt::Key_Right, Qt::ShiftModifier);
        QCOMPARE(test::numberIn(shown()), 11);
        key(Qt::Key_Left);
        QCOMPARE(test::numberIn(shown()), 10);
        key(Qt::Key_End);
        QCOMPARE(test::numberIn(shown()), 119);
        key(Qt::Key_Left, Qt::ShiftModifier);
        QCOMPARE(test::numberIn(shown()), 109);
        key(Qt::Key_Home);
        QCOMPARE(test::numberIn(shown()), 0);
        QTest::mouseClick(child<QAbstractButton>("step-on"), Qt::LeftButton);
        QTest::mouseClick(child<QAbstractButton>("step-on"), Qt::LeftButton);
        QTest::mouseClick(child<QAbstractButton>("step-back"), Qt::LeftButton);
        QCOMPARE(test::numberIn(shown()), 1);
        QTest::mouseClick(child<QAbstractButton>("to-start"), Qt::LeftButton);
        QCOMPARE(session().playhead.frame(), std::int64_t{0});
    }
    void theReelScrubs()
    {
        const ReelLayout layout = window_->reel().layoutNow();
        QTest::mouseClick(&window_->reel(), Qt::LeftButton, {},
                          QPointF(layout.map.toPixel(70), layout.thumbs.center().y()).toPoint());
        QCOMPARE(session().playhead.frame(), std::int64_t{70});
        QCOMPARE(test::numberIn(shown()), 70);
        drag(&window_->reel(), QPointF(layout.map.toPixel(70), layout.sound.center().y()).toPoint(),
             QPointF(layout.map.toPixel(33), layout.sound.center().y()).toPoint());
        QCOMPARE(session().playhead.frame(), std::int64_t{33});
        QVERIFY(!session().document.history().canUndo());
    }
    void theReelZoomsAndShowsAll()
    {
        const auto wheel = [&](int notches, Qt::KeyboardModifiers modifiers) {
            QWheelEvent event({640, 30}, window_->reel().mapToGlobal(QPointF(640, 30)), {}, {0, 120 * notches},
                              Qt::NoButton, modifiers, Qt::NoScrollPhase, false);
            QCoreApplication::sendEvent(&window_->reel(), &event);
        };
        wheel(3, Qt::ControlModifier);
        const ReelRange close = window_->reel().range();
        QVERIFY(close.last - close.first < 80);
        wheel(-2, {});
        QVERIFY(window_->reel().range().first > close.first);
        key(Qt::Key_W);
        QCOMPARE(window_->reel().range().last, 120.0);
        // Stepping out of what is seen brings it along.
        wheel(6, Qt::ControlModifier);
        key(Qt::Key_End);
        QVERIFY(window_->reel().range().last >= 119);
    }

    // --- strikes
    void oneKeyPutsAStrike()
    {
        session().playhead.setFrame(40);
        key(Qt::Key_S);
        QCOMPARE(project().strikes.size(), std::size_t{1});
        QCOMPARE(project().strikes[0].frame.index, std::int64_t{40});
        QCOMPARE(session().selection.strike()->kind, StrikeKind::hit);
        session().playhead.setFrame(60);
        key(Qt::Key_1);
        QCOMPARE(session().selection.strike()->kind, StrikeKind::blast);
        key(Qt::Key_Z, Qt::ControlModifier);
        QCOMPARE(project().strikes.size(), std::size_t{1});
        key(Qt::Key_Z, Qt::ControlModifier | Qt::ShiftModifier);
        QCOMPARE(project().strikes.size(), std::size_t{2});
        session().playhead.setFrame(80);
        QTest::mouseClick(child<QAbstractButton>("put-strike"), Qt::LeftButton);
        QCOMPARE(session().selection.strike()->kind, StrikeKind::blast); // the last kind again
        QVERIFY(child<QLabel>("told")->text().contains(QStringLiteral("80")));
    }
    void aStrikeShakesThePicture()
    {
        session().playhead.setFrame(40);
        const Image plain = shown();
        key(Qt::Key_3);
        QTRY_VERIFY(test::largestDifference(shown(), plain) > 60);
        session().playhead.setFrame(39);
        const Image before = shown();
        QCOMPARE(test::numberIn(before), 39);
    }
    void compareShowsThePlainFrame()
    {
        session().playhead.setFrame(40);
        const Image plain = shown();
        key(Qt::Key_3);
        QTRY_VERIFY(test::largestDifference(shown(), plain) > 60);
        const Image shaken = shown();
        QTest::keyPress(window_.get(), Qt::Key_C);
        QTRY_COMPARE(test::largestDifference(shown(), plain), 0);
        QTest::keyRelease(window_.get(), Qt::Key_C);
        QTRY_COMPARE(test::largestDifference(shown(), shaken), 0);
        auto* button = child<QAbstractButton>("compare");
        QTest::mousePress(button, Qt::LeftButton);
        QTRY_COMPARE(test::largestDifference(shown(), plain), 0);
        QTest::mouseRelease(button, Qt::LeftButton);
        QTRY_COMPARE(test::largestDifference(shown(), shaken), 0);
    }
    void theViewIsTheExport()
    {
        strikeOn(40, Qt::Key_2);
        child<QComboBox>("picture-scale")->setCurrentIndex(1);
        emit child<QComboBox>("picture-scale")->activated(1); // full
        session().playhead.setFrame(41);
        const Image view = shown();
        QCOMPARE(view.width(), 384);
        auto clip = ClipReader::open(clip_);
        const ImagePtr source = clip.value()->picture(41).value();
        const ImagePtr frame = renderFrame(
            source, lookOf(project(), session().document.motion(), session().document.cover(), 41), 384, 256);
        QVERIFY(samePixels(view, *frame));
        emit child<QComboBox>("picture-scale")->activated(3);
        QTRY_COMPARE(window_->picture().picture().width(), 96);
    }
    void sparksAreDraggedFrameByFrame()
    {
        strikeOn(40);
        drag(&window_->reel(), spark(40), spark(57));
        QCOMPARE(project().strikes[0].frame.index, std::int64_t{57});
        QCOMPARE(session().playhead.frame(), std::int64_t{57});
        key(Qt::Key_Z, Qt::ControlModifier); // the whole drag is one step
        QCOMPARE(project().strikes[0].frame.index, std::int64_t{40});
        QVERIFY(session().document.history().canUndo());
        QTest::mouseClick(&window_->reel(), Qt::LeftButton, {}, spark(40)); // a click is none
        QCOMPARE(session().document.history().undoText(), std::string("Hit put on frame 40"));
        key(Qt::Key_Right, Qt::AltModifier);
        QCOMPARE(project().strikes[0].frame.index, std::int64_t{41});
        key(Qt::Key_Left, Qt::AltModifier);
        QCOMPARE(project().strikes[0].frame.index, std::int64_t{40});
    }
    void severalAreSelectedAndChanged()
    {
        for (const int frame : {20, 50, 80, 100})
            strikeOn(frame);
        QTest::mouseClick(&window_->reel(), Qt::LeftButton, {}, spark(20));
        QTest::mouseClick(&window_->reel(), Qt::LeftButton, Qt::ControlModifier, spark(80));
        QCOMPARE(session().selection.ids().size(), std::size_t{2});
        drag(&window_->reel(), spark(80), spark(85));
        QCOMPARE(project().strikes[0].frame.index, std::int64_t{25});
        QCOMPARE(project().strikes[2].frame.index, std::int64_t{85});
        QCOMPARE(project().strikes[1].frame.index, std::int64_t{50});
        // A rubber band over the sparks' band.
        const ReelLayout layout = window_->reel().layoutNow();
        const double y = layout.sparks.top() + 3;
        drag(&window_->reel(), QPointF(layout.map.toPixel(40), y).toPoint(),
             QPointF(layout.map.toPixel(92), y).toPoint());
        QCOMPARE(session().selection.ids().size(), std::size_t{2});
        child<ValueField>("strike-strength")->setFocus();
        emit child<ValueField>("strike-strength")->wished(0.5, 0);
        QCOMPARE(project().strikes[1].strength, 0.5);
        QCOMPARE(project().strikes[2].strength, 0.5);
        QCOMPARE(project().strikes[0].strength, 1.0);
        window_->setFocus();
        key(Qt::Key_A, Qt::ControlModifier);
        QCOMPARE(session().selection.ids().size(), std::size_t{4});
        QCOMPARE(child<ValueField>("strike-strength")->shownText(), QStringLiteral("–"));
        key(Qt::Key_Escape);
        QVERIFY(session().selection.ids().empty());
    }
    void duplicateAndDelete()
    {
        strikeOn(20);
        session().playhead.setFrame(70);
        key(Qt::Key_D, Qt::ControlModifier);
        QCOMPARE(project().strikes.size(), std::size_t{2});
        QCOMPARE(session().selection.strike()->frame.index, std::int64_t{70});
        QVERIFY(project().strikes[0].seed != project().strikes[1].seed);
        const StrikeIds copy = session().selection.ids();
        key(Qt::Key_Delete);
        QCOMPARE(project().strikes.size(), std::size_t{1});
        QVERIFY(session().selection.ids().empty());
        key(Qt::Key_Z, Qt::ControlModifier);
        QCOMPARE(project().strikes.size(), std::size_t{2});
        QCOMPARE(session().selection.ids(), copy); // what came back is selected
        key(Qt::Key_Z, Qt::ControlModifier);       // the duplicate goes
        QCOMPARE(session().selection.ids(), (StrikeIds{project().strikes[0].id}));
    }
    void copiedStrikesGoToTheOtherWindow()
    {
        strikeOn(20, Qt::Key_1);
        session().selection.set({project().strikes[0].id});
        const std::uint32_t seed = project().strikes[0].seed;
        key(Qt::Key_C, Qt::ControlModifier);
        QCOMPARE(project().strikes.size(), std::size_t{1});
        // Onto itself it would only be twice as strong: half a second on. Elsewhere where the playhead is.
        key(Qt::Key_V, Qt::ControlModifier);
        QCOMPARE(project().strikes.size(), std::size_t{2});
        QCOMPARE(project().strikes[1].frame.index, std::int64_t{32});
        QVERIFY(project().strikes[1].seed != seed);
        session().playhead.setFrame(60);
        key(Qt::Key_V, Qt::ControlModifier);
        QCOMPARE(session().selection.strike()->frame.index, std::int64_t{60});
        key(Qt::Key_Z, Qt::ControlModifier);
        QCOMPARE(project().strikes.size(), std::size_t{2});
        // Values alone, onto what is selected; nothing selected, nothing pasted.
        strikeOn(80, Qt::Key_4);
        key(Qt::Key_V, Qt::ControlModifier | Qt::ShiftModifier);
        QVERIFY(session().selection.strike()->kind == StrikeKind::blast);
        QCOMPARE(session().selection.strike()->frame.index, std::int64_t{80});
        // A window with another film takes it over with its recipe, as it was.
        Project changed = project();
        changed.recipe(changed.strikes[0].recipe)->position = 1.5;
        session().document.edit(std::move(changed), QStringLiteral("larger"));
        session().selection.set({project().strikes[0].id});
        key(Qt::Key_C, Qt::ControlModifier);
        const Recipe recipe = *project().recipe(project().strikes[0].recipe);
        session().file.close();
        QTRY_VERIFY(!session().busy.working());
        key(Qt::Key_V, Qt::ControlModifier); // no film: nothing to stand on
        QVERIFY(project().strikes.empty());
        open(QString::fromStdString(clip_));
        session().playhead.setFrame(7);
        key(Qt::Key_V, Qt::ControlModifier);
        QCOMPARE(project().strikes.size(), std::size_t{1});
        QCOMPARE(project().strikes[0].frame.index, std::int64_t{7});
        QCOMPARE(project().strikes[0].seed, seed);
        QCOMPARE(project().recipe(project().strikes[0].recipe)->position, 1.5);
        QVERIFY(project().recipe(project().strikes[0].recipe)->name != recipe.name); // which is another one's here
        key(Qt::Key_X, Qt::ControlModifier);
        QVERIFY(project().strikes.empty());
        key(Qt::Key_V, Qt::ControlModifier);
        QCOMPARE(project().strikes.size(), std::size_t{1});
        // Anything else on the clipboard changes nothing.
        const Project before = project();
        for (const char* text : {"", "24", "{\"strikes\": [{}]}"}) {
            QGuiApplication::clipboard()->setText(QLatin1String(text));
            key(Qt::Key_V, Qt::ControlModifier);
            key(Qt::Key_V, Qt::ControlModifier | Qt::ShiftModifier);
            QVERIFY(project() == before);
        }
    }
    void fromStrikeToStrike()
    {
        for (const int frame : {20, 50, 80})
            strikeOn(frame);
        key(Qt::Key_Home);
        key(Qt::Key_Down);
        QCOMPARE(session().playhead.frame(), std::int64_t{20});
        key(Qt::Key_Down);
        QCOMPARE(session().selection.strike()->frame.index, std::int64_t{50});
        key(Qt::Key_Up);
        QCOMPARE(session().playhead.frame(), std::int64_t{20});
        key(Qt::Key_Up);
        QVERIFY(child<QLabel>("told")->text().contains(QStringLiteral("No strike before")));
    }

    // --- the Anvil
    void handlesShapeTheEnvelope_data()
    {
        QTest::addColumn<int>("which");
        QTest::addColumn<double>("frame");
        QTest::addColumn<double>("level");
        QTest::addColumn<int>("field");
        QTest::addColumn<double>("value");
        const auto row = [](const char* name, Handle which, double frame, double level, F field, double value) {
            QTest::addRow("%s", name) << static_cast<int>(which) << frame << level << static_cast<int>(field) << value;
        };
        row("attack", Handle::peak, 4, 1, F::attack, 4);
        row("hold", Handle::hold, 6, 1, F::hold, 5);
        row("decay", Handle::decay, 34, 0.1, F::decay, 32);
        row("rumble level", Handle::decay, 24, 0.4, F::rumble, 0.4);
        row("rumble length", Handle::rumble, 80, 0.1, F::rumbleLength, 56);
        row("release", Handle::release, 94, 0, F::release, 34);
    }
    void handlesShapeTheEnvelope()
    {
        QFETCH(int, which);
        QFETCH(double, frame);
        QFETCH(double, level);
        QFETCH(int, field);
        QFETCH(double, value);
        strikeOn(20, Qt::Key_2); // the landing: attack 1, hold 1, decay 22, rumble 10 % for 36, release 24
        const Project before = project();
        const QPoint from = handle(static_cast<Handle>(which));
        const AnvilLayout layout = canvas().layoutNow();
        drag(&canvas(), from, layout.at(frame, level).toPoint());
        const double got = felt()[static_cast<F>(field)];
        const double slack = static_cast<F>(field) == F::rumble ? 0.02 : frame > 40 ? 1.5 : 0.5;
        QVERIFY2(std::abs(got - value) <= slack, qPrintable(QString::number(got)));
        if (static_cast<F>(field) != F::rumble)
            QCOMPARE(got, std::round(got)); // snapped to frames
        key(Qt::Key_Z, Qt::ControlModifier);
        QVERIFY(project() == before);
    }
    void theCurveHandleBendsTheDecay()
    {
        strikeOn(20, Qt::Key_2);
        const QPoint from = handle(Handle::curve);
        drag(&canvas(), from, from - QPoint(0, 25));
        QVERIFY(felt()[F::decayCurve] < 3);
        drag(&canvas(), handle(Handle::curve), handle(Handle::curve) + QPoint(0, 40));
        QVERIFY(felt()[F::decayCurve] > 4);
    }
    void shiftMovesFinely()
    {
        strikeOn(20, Qt::Key_2);
        const AnvilLayout layout = canvas().layoutNow();
        drag(&canvas(), handle(Handle::hold), layout.at(3.5, 1).toPoint(), Qt::ShiftModifier);
        const double hold = felt()[F::hold];
        QVERIFY2(hold != std::round(hold) && std::abs(hold - 2.5) < 0.2, qPrintable(QString::number(hold)));
    }
    void aHandleKeepsItsPlaceInTheHand()
    {
        // Taken six pixels beside its middle, it stays six pixels beside the hand: there a frame is only four pixels
        // wide.
        strikeOn(20, Qt::Key_2);
        const AnvilLayout layout = canvas().layoutNow();
        const QPoint beside(6, 0);
        drag(&canvas(), handle(Handle::release) + beside, layout.at(94, 0).toPoint() + beside);
        QVERIFY2(std::abs(felt()[F::release] - 34) <= 0.5, qPrintable(QString::number(felt()[F::release])));
    }
    void everythingFollowsWhileDragging()
    {
        strikeOn(20, Qt::Key_2);
        session().playhead.setFrame(24);
        const Image before = shown();
        const QPoint from = handle(Handle::peak);
        const AnvilLayout layout = canvas().layoutNow();
        const QImage reelBefore = window_->reel().grab().toImage();
        QTest::mousePress(&canvas(), Qt::LeftButton, {}, from);
        const QPoint to = layout.at(4, 1).toPoint();
        QMouseEvent move(QEvent::MouseMove, to, canvas().mapToGlobal(to), Qt::NoButton, Qt::LeftButton, Qt::NoModifier);
        QCoreApplication::sendEvent(&canvas(), &move);
        QCOMPARE(felt()[F::attack], 4.0); // still pressed
        QTRY_VERIFY(test::largestDifference(shown(), before) > 30);
        QVERIFY(window_->reel().grab().toImage() != reelBefore);
        QCOMPARE(child<ValueField>("envelope-attack")->value(), 4.0);
        QTest::mouseRelease(&canvas(), Qt::LeftButton, {}, to);
    }
    void aClickOnAHandleChangesNothing()
    {
        strikeOn(20, Qt::Key_2);
        const auto text = session().document.history().undoText();
        QTest::mouseClick(&canvas(), Qt::LeftButton, {}, handle(Handle::decay));
        QCOMPARE(session().document.history().undoText(), text);
    }
    void theAnvilScrubs()
    {
        strikeOn(20, Qt::Key_2);
        const AnvilLayout layout = canvas().layoutNow();
        QTest::mouseClick(&canvas(), Qt::LeftButton, {},
                          QPointF(layout.map.toPixel(8), layout.frames.center().y()).toPoint());
        QCOMPARE(session().playhead.frame(), std::int64_t{28});
    }
    void numbersShapeToo()
    {
        strikeOn(20, Qt::Key_2);
        auto* field = child<ValueField>("envelope-decay");
        QTest::mouseClick(field, Qt::LeftButton);
        auto* editor = field->findChild<QLineEdit*>();
        QVERIFY(editor != nullptr);
        editor->selectAll();
        QTest::keyClicks(editor, QStringLiteral("33"));
        QTest::keyClick(editor, Qt::Key_Return);
        QCOMPARE(felt()[F::decay], 33.0);
        QVERIFY(child<QLabel>("told")->text().contains(QStringLiteral("33")));
    }
    void shapesAreForTheRecipeOrTheStrikeAlone()
    {
        strikeOn(20);
        strikeOn(60);
        emit child<ValueField>("envelope-hold")->wished(7, 0);
        for (const Strike& strike : project().strikes)
            QCOMPARE(envelopeOf(project(), strike)[F::hold], 7.0);
        QTest::mouseClick(child<QAbstractButton>("shape-scope"), Qt::LeftButton);
        emit child<ValueField>("envelope-hold")->wished(3, 0);
        QCOMPARE(envelopeOf(project(), project().strikes[0])[F::hold], 7.0);
        QCOMPARE(envelopeOf(project(), project().strikes[1])[F::hold], 3.0);
        QTRY_VERIFY(child<QAbstractButton>("follow-recipe")->isVisible());
        QTest::mouseClick(child<QAbstractButton>("follow-recipe"), Qt::LeftButton);
        QCOMPARE(envelopeOf(project(), project().strikes[1])[F::hold], 7.0);
    }
    void theAxisCanBeEven()
    {
        strikeOn(20, Qt::Key_2);
        QVERIFY(!canvas().layoutNow().map.even);
        window_->anvil().toggleEven();
        QVERIFY(canvas().layoutNow().map.even);
        key(Qt::Key_E);
        QVERIFY(!canvas().layoutNow().map.even);
    }

    // --- the side column
    void theStrikesValues()
    {
        strikeOn(20);
        auto* bar = child<StrengthBar>("strength-bar");
        drag(bar, {bar->width() / 2, 10}, {bar->width() / 4, 10});
        QVERIFY(std::abs(project().strikes[0].strength - 0.5) < 0.05);
        key(Qt::Key_Z, Qt::ControlModifier);
        QCOMPARE(project().strikes[0].strength, 1.0);
        auto* dial = child<DirectionDial>("direction-dial");
        QTest::mouseClick(dial, Qt::LeftButton, {}, {40, 22});
        QCOMPARE(project().strikes[0].direction, std::optional(0.0));
        QTest::mouseClick(child<QAbstractButton>("direction-by-seed"), Qt::LeftButton);
        QVERIFY(!project().strikes[0].direction);
        const auto seed = project().strikes[0].seed;
        QTest::mouseClick(child<QAbstractButton>("new-variation"), Qt::LeftButton);
        QVERIFY(project().strikes[0].seed != seed);
        const auto second = project().strikes[0].seed;
        window_->setFocus();
        key(Qt::Key_N);
        QVERIFY(project().strikes[0].seed != second);
        emit child<ValueField>("strike-frame")->wished(33, 0);
        QCOMPARE(project().strikes[0].frame.index, std::int64_t{33});
        emit child<ValueField>("strike-seed")->wished(4711, 0);
        QCOMPARE(project().strikes[0].seed, 4711u);
        auto* name = child<QLineEdit>("strike-name");
        name->setFocus();
        name->selectAll();
        QTest::keyClicks(name, QStringLiteral("Big one"));
        QTest::keyClick(name, Qt::Key_Return);
        QCOMPARE(project().strikes[0].name, std::string("Big one"));
        emit child<QComboBox>("strike-kind")->activated(0);
        QCOMPARE(project().strikes[0].kind, StrikeKind::blast);
        emit child<QComboBox>("strike-recipe")->activated(2);
        QCOMPARE(project().strikes[0].recipe, project().recipes[2].id);
    }
    void theStrandsValues()
    {
        strikeOn(20, Qt::Key_2);
        click("strand-on");
        QVERIFY(project().recipes[1].strands[0].muted);
        QTest::mouseClick(&canvas(), Qt::LeftButton, {}, lanePartsAt(canvas().layoutNow(), 1).solo.center().toPoint());
        QVERIFY(project().recipes[1].strands[1].solo);
        session().document.undo();
        session().document.undo();
        showStrand(0);
        emit within<ValueField>("strand", "amount-y")->wished(50, 0);
        QCOMPARE(project().recipes[1].strands[0].amount[Axis::y], 50.0);
        QVERIFY(std::abs(session().document.motion().poseAt(21).y) >= 50);
    }
    void theFinishIsSeen()
    {
        strikeOn(20, Qt::Key_2);
        session().playhead.setFrame(21);
        const Image covered = shown();
        emit child<QComboBox>("finish-cover")->activated(0);
        key(Qt::Key_F8);
        QCOMPARE(project().finish.cover, CoverMode::off);
        QTRY_VERIFY(test::largestDifference(shown(), covered) > 20);
        emit child<QComboBox>("finish-edges")->activated(2);
        auto* colour = child<QLineEdit>("finish-colour");
        QVERIFY(colour->isVisible());
        colour->setFocus();
        colour->selectAll();
        QTest::keyClicks(colour, QStringLiteral("#ff00ff"));
        QTest::keyClick(colour, Qt::Key_Return);
        QCOMPARE(project().finish.plain, (Colour{255, 0, 255}));
        QTRY_VERIFY(test::shareOf(shown(), {255, 0, 255}) > 0.005);
        emit child<QComboBox>("finish-cover")->activated(1);
        QTRY_COMPARE(test::shareOf(shown(), {255, 0, 255}), 0.0);
    }

    // --- playing
    void playingMovesInTime()
    {
        QElapsedTimer clock;
        clock.start();
        key(Qt::Key_Space);
        QVERIFY(window_->player().playing());
        QTRY_VERIFY(session().playhead.frame() >= 12);
        const double seconds = static_cast<double>(clock.elapsed()) / 1000;
        // The clock leads: never ahead of real time.
        QVERIFY(static_cast<double>(session().playhead.frame()) <= seconds * 24 + 1);
        key(Qt::Key_Space);
        const auto stopped = session().playhead.frame();
        QTest::qWait(120);
        QCOMPARE(session().playhead.frame(), stopped);
        QCOMPARE(test::numberIn(shown()), static_cast<int>(stopped));
    }
    void playingStopsAtTheEnd()
    {
        session().playhead.setFrame(112);
        key(Qt::Key_Space);
        QTRY_VERIFY(!window_->player().playing());
        QCOMPARE(session().playhead.frame(), std::int64_t{119});
        key(Qt::Key_Space); // and starts over
        QTRY_VERIFY(session().playhead.frame() < 100);
        key(Qt::Key_Space);
    }
    void loopsStayInside()
    {
        session().playhead.setFrame(30);
        key(Qt::Key_I);
        session().playhead.setFrame(36);
        key(Qt::Key_O);
        QCOMPARE(session().playhead.loop(), (LoopRange{30, 36, true}));
        int wrapped = 0;
        std::int64_t last = 30;
        connect(&session().playhead, &Playhead::moved, this, [&](qint64 frame) {
            wrapped += frame < last ? 1 : 0;
            last = frame;
            QVERIFY(frame >= 30 && frame <= 36);
        });
        session().playhead.setFrame(30);
        key(Qt::Key_Space);
        QTRY_VERIFY(wrapped >= 3);
        key(Qt::Key_Space);
        disconnect(&session().playhead, &Playhead::moved, this, nullptr);
        key(Qt::Key_L);
        QVERIFY(!session().playhead.loop().on);
        key(Qt::Key_L, Qt::ShiftModifier);
        QVERIFY(!session().playhead.loop().set());
        strikeOn(50);
        key(Qt::Key_L); // without a loop: around the strike
        QVERIFY(session().playhead.loop().on && session().playhead.loop().first == 44 &&
                session().playhead.loop().last >= 60);
    }
    void aLoopIsDrawnOnTheRuler()
    {
        const ReelLayout layout = window_->reel().layoutNow();
        const double y = layout.ruler.center().y();
        drag(&window_->reel(), QPointF(layout.map.toPixel(20) + 1, y).toPoint(),
             QPointF(layout.map.toPixel(50) + 1, y).toPoint(), Qt::ShiftModifier);
        QCOMPARE(session().playhead.loop(), (LoopRange{20, 50, true}));
    }
    void withoutADeviceTheStateSaysSo()
    {
        if (DeviceSink::available())
            return;
        QVERIFY(window_->player().silence().contains(QStringLiteral("No sound device")));
        QVERIFY(child<QAbstractButton>("sound")->toolTip().contains(QStringLiteral("No sound device")));
    }

    // --- files
    void saveAndOpenAgain()
    {
        strikeOn(20);
        strikeOn(60, Qt::Key_1);
        saveAnswer_ = at(QStringLiteral("saved"));
        key(Qt::Key_S, Qt::ControlModifier);
        QVERIFY(QFile::exists(at(QStringLiteral("saved.vember"))));
        QVERIFY(!session().document.modified());
        const Project before = project();
        open(at(QStringLiteral("saved.vember")));
        QVERIFY(project() == before);
        QVERIFY(session().film.hasClip());
        QCOMPARE(leaveAsked_, 0);
        // Saving again goes to the same place without asking.
        saveAnswer_.clear();
        key(Qt::Key_Delete);
        key(Qt::Key_S, Qt::ControlModifier);
        QVERIFY(!session().document.modified());
        QCOMPARE(loadProject(at(QStringLiteral("saved.vember")).toStdString())->strikes.size(), std::size_t{1});
        QVERIFY(QSettings()
                    .value(QStringLiteral("files/recent"))
                    .toStringList()
                    .first()
                    .endsWith(QStringLiteral("saved.vember")));
    }
    void unsavedChangesAreAskedFor()
    {
        strikeOn(20);
        leaveAnswer_ = SaveChoice::cancel;
        window_->openPath(QString::fromStdString(clip_));
        QCOMPARE(leaveAsked_, 1);
        QCOMPARE(project().strikes.size(), std::size_t{1});
        QVERIFY(!window_->close());
        leaveAnswer_ = SaveChoice::save;
        saveAnswer_ = at(QStringLiteral("asked.vember"));
        QVERIFY(window_->close());
        QCOMPARE(loadProject(at(QStringLiteral("asked.vember")).toStdString())->strikes.size(), std::size_t{1});
        QVERIFY(window_->close());
        QCOMPARE(leaveAsked_, 3 - 0 - 0); // the open, the refused close, the saved close
    }
    void savingThatFailsLosesNothing()
    {
        strikeOn(20);
        saveAnswer_ = QStringLiteral("/proc/nowhere.vember");
        key(Qt::Key_S, Qt::ControlModifier);
        QVERIFY(session().document.modified());
        QVERIFY2(window_->notice().contains(QStringLiteral("nowhere.vember")), qPrintable(window_->notice()));
        QCOMPARE(project().strikes.size(), std::size_t{1});
        QTest::mouseClick(child<QAbstractButton>("dismiss"), Qt::LeftButton);
        QVERIFY(window_->notice().isEmpty());
    }
    void badFilesLeaveTheProjectAsItWas()
    {
        strikeOn(20);
        test::writeBytes(at(QStringLiteral("bad.vember")).toStdString(), "{\"vember\": 1");
        test::writeBytes(at(QStringLiteral("bad.mp4")).toStdString(), "no film");
        for (const char* name : {"bad.vember", "bad.mp4", "none.mp4"}) {
            open(at(QLatin1String(name)));
            QVERIFY2(window_->notice().contains(QLatin1String(name)), qPrintable(window_->notice()));
            QCOMPARE(project().strikes.size(), std::size_t{1});
            QVERIFY(session().film.hasClip());
        }
    }
    void aMissingClipIsAskedFor()
    {
        QVERIFY(QFile::copy(QString::fromStdString(clip_), at(QStringLiteral("away.mkv"))));
        open(at(QStringLiteral("away.mkv")));
        strikeOn(20);
        saveAnswer_ = at(QStringLiteral("lost.vember"));
        key(Qt::Key_S, Qt::ControlModifier);
        QVERIFY(QFile::rename(at(QStringLiteral("away.mkv")), at(QStringLiteral("moved away.mkv"))));
        open(at(QStringLiteral("lost.vember")));
        QVERIFY(!session().film.hasClip());
        QVERIFY(window_->notice().contains(QStringLiteral("away.mkv")));
        QCOMPARE(project().strikes.size(), std::size_t{1}); // the work is there
        auto* find = child<QAbstractButton>("find-clip");
        QVERIFY(find->isVisible());
        openAnswer_ = at(QStringLiteral("moved away.mkv"));
        QTest::mouseClick(find, Qt::LeftButton);
        settle();
        QVERIFY(session().film.hasClip());
        QCOMPARE(project().strikes.size(), std::size_t{1});
        QCOMPARE(test::numberIn(shown()) >= 0, true);
        QVERIFY(session().document.modified());
    }
    void aSeriesOrOnePictureOfIt()
    {
        for (int i = 1; i <= 3; ++i)
            QVERIFY(test::ffmpeg({QStringLiteral("-i"), QString::fromStdString(clip_), QStringLiteral("-vf"),
                                  QStringLiteral("select='eq(n,%1)'").arg(i), QStringLiteral("-frames:v"),
                                  QStringLiteral("1"), QStringLiteral("-update"), QStringLiteral("1"),
                                  at(QStringLiteral("series_%1.png").arg(i))}));
        open(at(QStringLiteral("series_2.png")));
        QCOMPARE(session().document.length(), std::int64_t{3});
        QCOMPARE(test::numberIn(shown()), 1);
        openAnswer_ = at(QStringLiteral("series_2.png"));
        for (QAction* action : window_->findChildren<QAction*>())
            if (action->text().contains(QStringLiteral("of a series")))
                action->trigger();
        QTRY_COMPARE(session().document.length(), std::int64_t{120}); // a still, for five seconds
        QCOMPARE(test::numberIn(shown()), 2);
        QVERIFY(project().shots.front().still);
    }
    void droppingOpens()
    {
        session().file.close();
        QVERIFY(!session().film.hasClip());
        QVERIFY(child<QWidget>("welcome")->isVisible());
        drop(*window_, {QString::fromStdString(clip_)});
        QTRY_VERIFY(session().film.hasClip());
        QVERIFY(!child<QWidget>("welcome")->isVisible());
    }
    void theEmptyWindowTakesEveryKey()
    {
        session().file.close();
        for (const auto k : {Qt::Key_S, Qt::Key_1, Qt::Key_Space, Qt::Key_Left, Qt::Key_End, Qt::Key_L, Qt::Key_I,
                             Qt::Key_Up, Qt::Key_Delete, Qt::Key_N, Qt::Key_C, Qt::Key_E, Qt::Key_W})
            key(k);
        QVERIFY(project().strikes.empty());
        for (auto* button : child<QWidget>("transport")->findChildren<QAbstractButton*>()) {
            QVERIFY(!button->isEnabled()); // and each says why
            QCOMPARE(button->toolTip(), QStringLiteral("Open a clip first"));
        }
        openAnswer_ = QString::fromStdString(clip_);
        QTest::mouseClick(child<QAbstractButton>("welcome-open"), Qt::LeftButton);
        QTRY_VERIFY(session().film.hasClip());
        QVERIFY(child<QAbstractButton>("play")->isEnabled());
        QVERIFY(child<QAbstractButton>("play")->toolTip().contains(QStringLiteral("Space")));
    }
    void theLayoutIsRemembered()
    {
        auto* splitter = window_->findChildren<QSplitter*>().first();
        QList<int> sizes = splitter->sizes();
        sizes[0] -= 40;
        sizes[1] += 40;
        splitter->setSizes(sizes);
        const QList<int> kept = splitter->sizes();
        QVERIFY(window_->close());
        MainWindow again;
        again.resize(window_->size());
        again.show();
        QCOMPARE(again.findChildren<QSplitter*>().first()->sizes(), kept);
    }

    // --- rendering
    void rendersToAFile()
    {
        strikeOn(20);
        key(Qt::Key_R, Qt::ControlModifier);
        QVERIFY(child<QWidget>("render-panel")->isVisible());
        const QString out = at(QStringLiteral("out film.mkv"));
        emit child<QComboBox>("render-format")->activated(1);
        child<QComboBox>("render-format")->setCurrentIndex(1);
        child<QLineEdit>("render-path")->setText(out);
        session().playhead.setLoop({10, 29, true});
        child<QComboBox>("render-range")->setCurrentIndex(1);
        QTest::mouseClick(child<QAbstractButton>("render-start"), Qt::LeftButton);
        QVERIFY(window_->renderPanel().running());
        QCOMPARE(child<QAbstractButton>("render-start")->text(), QStringLiteral("Add to queue"));
        QTRY_VERIFY(!window_->renderPanel().running());
        QVERIFY2(child<QLabel>("render-state")->text().contains(QStringLiteral("out film.mkv")),
                 qPrintable(child<QLabel>("render-state")->text()));
        auto film = ClipReader::open(out.toStdString());
        QVERIFY(film);
        QCOMPARE(film.value()->info().length, std::int64_t{20});
        QCOMPARE(test::numberIn(*film.value()->picture(3).value()), 13);
        // Again: it is there already, and is not replaced unasked.
        QTest::mouseClick(child<QAbstractButton>("render-start"), Qt::LeftButton);
        QTRY_VERIFY(!window_->renderPanel().running());
        QVERIFY(window_->notice().contains(QStringLiteral("exists already")));
        QTest::mouseClick(child<QAbstractButton>("render-back"), Qt::LeftButton);
        QVERIFY(!child<QWidget>("render-panel")->isVisible());
    }
    void cancellingARenderLeavesNothing()
    {
        window_->showBeside(MainWindow::Beside::render);
        child<QLineEdit>("render-path")->setText(at(QStringLiteral("stopped.mp4")));
        child<QComboBox>("render-size")->setCurrentIndex(4); // twice the size: slow enough to stop
        QTest::mouseClick(child<QAbstractButton>("render-start"), Qt::LeftButton);
        QTRY_VERIFY(child<QProgressBar>("render-bar")->value() > 0);
        QTest::mouseClick(child<QAbstractButton>("render-cancel"), Qt::LeftButton);
        QTRY_VERIFY(!window_->renderPanel().running());
        QVERIFY(child<QLabel>("render-state")->text().contains(QStringLiteral("Cancelled")));
        QCOMPARE(QDir(folder_.path()).entryList({QStringLiteral("*stopped*")}, QDir::Files | QDir::Hidden),
                 QStringList());
    }
    void rendersWaitTheirTurn()
    {
        strikeOn(20);
        window_->showBeside(MainWindow::Beside::render);
        auto* list = child<QListWidget>("render-queue");
        const auto ask = [&](const char* name) {
            child<QLineEdit>("render-path")->setText(at(QLatin1String(name)));
            QTest::mouseClick(child<QAbstractButton>("render-start"), Qt::LeftButton);
        };
        child<QComboBox>("render-size")->setCurrentIndex(4);
        ask("first.mp4");
        child<QComboBox>("render-size")->setCurrentIndex(0);
        ask("second.webm");
        // What is changed later does not change what was asked for before.
        session().document.edit(withoutStrikes(project(), session().selection.ids()), QStringLiteral("gone"));
        ask("third_%03d.png");
        ask("never.gif");
        QCOMPARE(list->count(), 4);
        QVERIFY(list->item(1)->text().startsWith(QStringLiteral("waiting")));
        list->setCurrentRow(3);
        QTest::mouseClick(child<QAbstractButton>("render-remove"), Qt::LeftButton);
        QCOMPARE(list->count(), 3);
        list->setCurrentRow(0);
        QVERIFY(!child<QAbstractButton>("render-remove")->isEnabled() ||
                !list->item(0)->text().startsWith(QStringLiteral("running")));
        QTest::mouseClick(child<QAbstractButton>("render-cancel"), Qt::LeftButton);
        QTRY_VERIFY(!window_->renderPanel().running());
        QVERIFY(list->item(0)->text().startsWith(QStringLiteral("not made")));
        QVERIFY(list->item(1)->text().startsWith(QStringLiteral("done")));
        QVERIFY(list->item(2)->text().startsWith(QStringLiteral("done")));
        QVERIFY(QFile::exists(at(QStringLiteral("second.webm"))) && !QFile::exists(at(QStringLiteral("first.mp4"))));
        QVERIFY(!QFile::exists(at(QStringLiteral("never.gif"))));
        auto clip = ClipReader::open(at(QStringLiteral("third_%03d.png")).toStdString());
        QCOMPARE(test::numberIn(*clip.value()->picture(21).value()), 21); // the strike was gone by then
    }
    void kindsOfFilmTellWhatTheyHold()
    {
        window_->showBeside(MainWindow::Beside::render);
        auto* format = child<QComboBox>("render-format");
        for (int i = 0; i < format->count(); ++i) {
            format->setCurrentIndex(i);
            const QString path = child<QLineEdit>("render-path")->text();
            QVERIFY2(path.endsWith(format->currentData().toString()), qPrintable(path));
            const auto kind = filmFormatOf(path.toStdString());
            QVERIFY(kind);
            QCOMPARE(child<QWidget>("render-depth")->isEnabled(), holdsDepth(*kind, Coder::usual));
            QCOMPARE(child<QWidget>("render-coder")->isEnabled(), codersIn(*kind).size() > 1);
            QCOMPARE(child<QWidget>("render-resume")->isEnabled(), isSequence(*kind));
            QVERIFY(!child<QWidget>("render-quality")->toolTip().isEmpty());
        }
    }
    void closingDuringARenderAsks()
    {
        window_->showBeside(MainWindow::Beside::render);
        child<QLineEdit>("render-path")->setText(at(QStringLiteral("closing.mp4")));
        child<QComboBox>("render-size")->setCurrentIndex(4);
        QTest::mouseClick(child<QAbstractButton>("render-start"), Qt::LeftButton);
        confirmAnswer_ = false;
        QVERIFY(!window_->close());
        confirmAnswer_ = true;
        QVERIFY(window_->close());
        window_.reset();
        QCOMPARE(QDir(folder_.path()).entryList({QStringLiteral("*closing*")}, QDir::Files | QDir::Hidden),
                 QStringList());
    }
    void rendersThatCannotBeAreTold()
    {
        window_->showBeside(MainWindow::Beside::render);
        child<QLineEdit>("render-path")->setText(QStringLiteral("/proc/film.mkv"));
        QTest::mouseClick(child<QAbstractButton>("render-start"), Qt::LeftButton);
        QTRY_VERIFY(!window_->renderPanel().running());
        QVERIFY(window_->notice().contains(QStringLiteral("film.mkv")));
        child<QComboBox>("render-range")->setCurrentIndex(1); // the loop, which is not there
        QTest::mouseClick(child<QAbstractButton>("render-start"), Qt::LeftButton);
        QVERIFY(child<QLabel>("render-state")->text().contains(QStringLiteral("no loop")));
    }
    void listsOfStrikesComeAndGo()
    {
        strikeOn(20);
        saveAnswer_ = at(QStringLiteral("strikes"));
        key(Qt::Key_E, Qt::ControlModifier | Qt::ShiftModifier);
        QVERIFY(QFile::exists(at(QStringLiteral("strikes.csv"))));
        QVERIFY(child<QLabel>("told")->text().contains(QStringLiteral("strikes.csv")));
        test::writeBytes(at(QStringLiteral("more.csv")).toStdString(), "seconds,kind,name\n1,blast,Ladle\n2.5,beat,\n");
        openAnswer_ = at(QStringLiteral("more.csv"));
        key(Qt::Key_I, Qt::ControlModifier);
        QCOMPARE(project().strikes.size(), std::size_t{3});
        QCOMPARE(project().strikes[1].frame.index, std::int64_t{24});
        QCOMPARE(session().selection.ids().size(), std::size_t{2}); // what came is selected
        QVERIFY(child<QLabel>("told")->text().contains(QStringLiteral("2 strikes added")));
        key(Qt::Key_Z, Qt::ControlModifier); // in one step
        QCOMPARE(project().strikes.size(), std::size_t{1});
        test::writeBytes(at(QStringLiteral("more.csv")).toStdString(), "seconds\nsoon\n");
        dialogAnswer_ = [](QDialog& dialog) {
            const auto* result = dialog.findChild<QLabel*>(QStringLiteral("import-result"));
            QVERIFY2(result->text().contains(QStringLiteral("line 2")), qPrintable(result->text()));
            auto* go = dialog.findChild<QPushButton*>(QStringLiteral("import-go"));
            QVERIFY(!go->isEnabled());
            QVERIFY(go->toolTip().contains(QStringLiteral("line 2")));
            dialog.findChild<QPushButton*>(QStringLiteral("import-cancel"))->click();
        };
        key(Qt::Key_I, Qt::ControlModifier);
        QCOMPARE(project().strikes.size(), std::size_t{1});
    }
    void posesAreExported()
    {
        strikeOn(20);
        saveAnswer_ = at(QStringLiteral("poses.csv"));
        key(Qt::Key_E, Qt::ControlModifier);
        const QByteArray csv = test::bytesOf(saveAnswer_.toStdString());
        QVERIFY(csv.startsWith("frame,x,y,zoom,roll,pan,tilt,intensity\n0,0,0,1,0,0,0,0\n"));
        QCOMPARE(csv.count('\n'), 121);
    }
    void undoIsUnlimitedInTheWindow()
    {
        for (int i = 0; i < 60; ++i)
            strikeOn(i, Qt::Key_4);
        for (int i = 0; i < 60; ++i)
            key(Qt::Key_Z, Qt::ControlModifier);
        QVERIFY(project().strikes.empty());
        QVERIFY(!session().document.modified());
        for (int i = 0; i < 60; ++i)
            key(Qt::Key_Z, Qt::ControlModifier | Qt::ShiftModifier);
        QCOMPARE(project().strikes.size(), std::size_t{60});
    }
};

/// Work that a program left behind.
class RecoveryTest : public test::WindowFixture {
    Q_OBJECT
    static std::string journals() { return JournalKeeper::folder().toStdString(); }
    static int files()
    {
        return static_cast<int>(
            QDir(JournalKeeper::folder()).entryList({QStringLiteral("*.journal")}, QDir::Files).size());
    }

    /// A window with the clip, and nothing left behind.
    void fresh()
    {
        window_.reset();
        QDir(JournalKeeper::folder()).removeRecursively();
        begin();
        open(QString::fromStdString(clip_));
    }

private slots:
    void changesAreKeptUntilTheyAreSaved()
    {
        fresh();
        QCOMPARE(files(), 0);
        key(Qt::Key_S);
        QTRY_COMPARE(files(), 1);
        QVERIFY(leftBehind(journals()).empty()); // this window is alive
        session().document.undo();
        QCOMPARE(files(), 0); // as it was opened
        session().document.redo();
        QTRY_COMPARE(files(), 1);
        saveAnswer_ = at(QStringLiteral("kept.vember"));
        key(Qt::Key_S, Qt::ControlModifier);
        QCOMPARE(files(), 0);
        QTest::qWait(600);
        QCOMPARE(files(), 0);
    }
    void whatWasLeftBehindIsOffered()
    {
        fresh();
        key(Qt::Key_S);
        const Project lost = project();
        window_.reset();
        {
            auto journal = Journal::begin(journals());
            QVERIFY(journal.ok());
            QVERIFY(journal.value().keep(lost, at(QStringLiteral("lost.vember")).toStdString(), "lost.vember").ok());
        }
        begin();
        QVERIFY(window_->notice().contains(QStringLiteral("lost.vember")));
        click("recover");
        QTRY_VERIFY(!session().busy.working());
        QVERIFY(project() == lost);
        QVERIFY(session().document.modified());
        QCOMPARE(session().file.path(), at(QStringLiteral("lost.vember")));
        QVERIFY(window_->notice().isEmpty());
        QTRY_COMPARE(files(), 1); // once more than the old one for a moment, then anew alone
        QTRY_VERIFY(leftBehind(journals()).empty());
        key(Qt::Key_S, Qt::ControlModifier);
        QCOMPARE(files(), 0);
        QVERIFY(loadProject(at(QStringLiteral("lost.vember")).toStdString()).value() == lost);
    }
    void orThrownAwayWhenThatIsWanted()
    {
        fresh();
        window_.reset();
        {
            auto journal = Journal::begin(journals());
            Project small;
            QVERIFY(journal.value().keep(small, "", "small").ok());
        }
        confirmAnswer_ = false;
        begin();
        click("dismiss");
        QCOMPARE(files(), 1); // not now
        begin();
        confirmAnswer_ = true;
        click("dismiss");
        QCOMPARE(files(), 0);
    }
};

EMBER_TEST(MainWindowTest)
EMBER_TEST(RecoveryTest)
#include "tst_main_window.moc"
