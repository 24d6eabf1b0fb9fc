// SPDX-License-Identifier: GPL-3.0-or-later
// What stands over all strikes, worked in the window: the master, where strikes meet, settle marks, drift, the move.
#include <cmath>

#include <QAbstractButton>
#include <QLabel>
#include <QScrollArea>

#include "ember/media/clip.h"
#include "ember/project/shot_edits.h"
#include "reel_geometry.h"
#include "reel_lanes.h"
#include "runner.h"
#include "value_control.h"
#include "value_field.h"
#include "window_fixture.h"
#include "words.h"

using namespace ember;
using namespace ember::app;
using F = EnvelopeField;

class FilmPageTest : public test::WindowFixture {
    Q_OBJECT

    ValueField* number(const char* grid, const char* key) { return within<ValueControl>(grid, key)->field(); }
    ValueField* number(const char* name) { return child<ValueControl>(name)->field(); }
    void toggle(const char* grid, const char* key)
    {
        QTest::mouseClick(within<QWidget>(grid, key)->findChild<QAbstractButton*>(), Qt::LeftButton);
        turn();
    }
    std::function<QComboBox*()> listOf(const char* grid, const char* key)
    {
        return [=, this] { return within<QWidget>(grid, key)->findChild<QComboBox*>(); };
    }
    Pose pose(double frame) { return session().document.motion().poseAt(frame); }

private slots:
    void theFrameIsAnotherSize()
    {
        strikeOn(20, Qt::Key_2);
        key(Qt::Key_F7);
        const Project before = project();
        auto* size = child<QLineEdit>("frame-size");
        QCOMPARE(size->text(), QStringLiteral("%1 x %2").arg(before.width).arg(before.height));
        // What is no size changes nothing and is told; neither do Enter and Tab on what is there.
        for (const char* wrong : {"", "abc", "1080", "0 x 5", "90000 x 20", "12 x 1080"}) {
            size->setFocus();
            size->selectAll();
            QTest::keyClicks(size, QString::fromLatin1(wrong));
            QTest::keyClick(size, Qt::Key_Return);
            QVERIFY2(project() == before, wrong);
            QCOMPARE(size->text(), QStringLiteral("%1 x %2").arg(before.width).arg(before.height));
        }
        size->setFocus();
        QTest::keyClick(size, Qt::Key_Return);
        QVERIFY(project() == before);
        const Pose small = pose(21);
        size->selectAll();
        QTest::keyClicks(size, QStringLiteral("%1x%2").arg(2 * before.width).arg(2 * before.height));
        QTest::keyClick(size, Qt::Key_Return);
        QCOMPARE(project().width, 2 * before.width);
        QVERIFY(std::abs(pose(21).y - 2 * small.y) < 0.3 && std::abs(small.y) > 1);
        QTRY_VERIFY(window_->picture().settled());
        session().document.undo();
        QVERIFY(project() == before);
        QCOMPARE(size->text(), QStringLiteral("%1 x %2").arg(before.width).arg(before.height));
        // Amounts may stay.
        QTest::mouseClick(child<QAbstractButton>("frame-follow"), Qt::LeftButton);
        size->setFocus();
        size->selectAll();
        QTest::keyClicks(size, QStringLiteral("%1 x %2").arg(2 * before.width).arg(2 * before.height));
        QTest::keyClick(size, Qt::Key_Return);
        QVERIFY(std::abs(pose(21).y - small.y) < 1e-9);
    }
    void theFrameHasAnotherRate()
    {
        strikeOn(20, Qt::Key_2);
        key(Qt::Key_F7);
        const Project before = project();
        session().playhead.setFrame(20);
        choose([this] { return child<QComboBox>("frame-rate"); }, QStringLiteral("48 fps"));
        const double factor = 48 / before.rate.perSecond();
        QCOMPARE(project().rate, *FrameRate::make(48, 1));
        QCOMPARE(project().strikes.front().frame.index, std::llround(20 * factor));
        QCOMPARE(session().playhead.frame(), std::llround(20 * factor));
        QVERIFY(session().film.hasClip());
        session().document.undo();
        QVERIFY(project() == before);
        QCOMPARE(child<QComboBox>("frame-rate")->currentText(), QStringLiteral("24 fps"));
    }
    void aShotIsFramed()
    {
        key(Qt::Key_F7);
        auto* size = child<QLineEdit>("frame-size");
        const Project before = project();
        // Upright: a third of the picture's width is left, or black above and below it.
        size->setFocus();
        size->selectAll();
        QTest::keyClicks(size, QStringLiteral("%1 x %2").arg(before.height / 2 * 2).arg(before.width / 2 * 2));
        QTest::keyClick(size, Qt::Key_Return);
        session().playhead.setFrame(15); // its upper row of blocks is white
        QTRY_VERIFY(shown().at(shown().width() / 2, 3)[0] > 200);
        const Image filled = shown();
        choose(listOf("shot-values", "framing"), QStringLiteral("fit"));
        QCOMPARE(project().shots.front().framing.how, Framing::How::fit);
        QTRY_VERIFY(test::largestDifference(shown(), filled) > 30);
        // Black above and below.
        QTRY_VERIFY(shown().at(shown().width() / 2, 3)[0] < 8);
        choose(listOf("shot-values", "framing"), QStringLiteral("placed"));
        type(number("shot-values", "framing_x"), QStringLiteral("40"));
        QCOMPARE(project().shots.front().framing.x, 40.0);
        QCOMPARE(project().shots.front().framing.y, 0.0);
    }
    void aPictureIsReframedFromKeyToKey()
    {
        key(Qt::Key_F7);
        QVERIFY(!child<QAbstractButton>("framing-key")->isVisible()); // it is not placed
        choose(listOf("shot-values", "framing"), QStringLiteral("placed"));
        type(number("shot-values", "framing_size"), QStringLiteral("200"));
        const auto framing = [this] { return project().shots.front().framing; };
        session().playhead.setFrame(4);
        click("framing-key");
        QCOMPARE(framing().keys.size(), std::size_t{1});
        session().playhead.setFrame(24);
        type(number("shot-values", "framing_x"), QStringLiteral("60"));
        QCOMPARE(framing().keys.size(), std::size_t{2}); // a value typed elsewhere is a key there
        QCOMPARE(framing().keys.back().frame, Frame{24});
        QCOMPARE(framing().keys.back().size, 2.0);
        QCOMPARE(child<QLabel>("framing-keys-say")->text(), QStringLiteral("keys: 4, 24"));
        choose(listOf("shot-values", "framing_ease"), QStringLiteral("linear"));
        session().playhead.setFrame(14);
        choose(listOf("shot-values", "framing_ease"), QStringLiteral("linear"));
        QVERIFY(framing().keys.front().ease == Ease::linear);
        QVERIFY(std::abs(number("shot-values", "framing_x")->value() - 30) < 1e-9);
        QVERIFY(!child<QAbstractButton>("framing-key-delete")->isEnabled());
        // What is only looked at, or confirmed as it is, makes no key.
        const Project before = project();
        auto* field = number("shot-values", "framing_x");
        bringIntoView(field);
        QTest::mouseClick(field, Qt::LeftButton);
        QTest::keyClick(field->findChild<QLineEdit*>(), Qt::Key_Return);
        QVERIFY(project() == before);
        session().playhead.setFrame(24);
        click("framing-key-delete");
        QCOMPARE(framing().keys.size(), std::size_t{1});
        session().document.undo();
        QVERIFY(project() == before);
    }
    void theMasterIsOverAll()
    {
        strikeOn(20, Qt::Key_2);
        key(Qt::Key_F7);
        const Pose full = pose(21);
        QVERIFY(!full.atRest());
        type(number("master", "intensity"), QStringLiteral("50"));
        QVERIFY(std::abs(pose(21).y - full.y / 2) < 1e-9);
        type(number("master", "intensity"), QStringLiteral("200"));
        QVERIFY(std::abs(pose(21).y - full.y * 2) < 1e-9);
        QTest::mouseClick(number("master", "intensity"), Qt::LeftButton, Qt::ControlModifier);
        QCOMPARE(pose(21), full);
        session().playhead.setFrame(21);
        QTRY_VERIFY(window_->picture().settled());
        const Image shaken = shown();
        key(Qt::Key_B);
        QVERIFY(project().master.bypass && pose(21).atRest());
        QTRY_VERIFY(test::largestDifference(shown(), shaken) > 30);
        QVERIFY(within<QWidget>("master", "bypass")->findChild<QAbstractButton*>()->isChecked());
        toggle("master", "bypass");
        QTRY_COMPARE(test::largestDifference(shown(), shaken), 0);
    }
    void axesAreSwitched()
    {
        strikeOn(20, Qt::Key_2);
        showStrand(1);
        for (const char* axis : {"amount-x", "amount-y", "amount-roll", "amount-zoom"})
            emit within<ValueField>("strand", axis)->wished(axis == QLatin1String("amount-zoom") ? 0.1 : 5, 0);
        key(Qt::Key_F7);
        QVERIFY(pose(21).roll != 0 && pose(21).zoom != 1);
        click("master-roll");
        QVERIFY(pose(21).roll == 0 && pose(21).y != 0);
        click("master-position");
        QVERIFY(pose(21).atRest());
        QVERIFY(!child<QAbstractButton>("master-x")->isChecked());
        click("master-position");
        click("master-rotation"); // all three on
        QVERIFY(pose(21).roll != 0 && pose(21).y != 0);
        toggle("master", "flat");
        QVERIFY(project().master.flat && pose(21).roll == 0 && pose(21).y != 0);
    }
    void intensityHasKeys()
    {
        strikeOn(20, Qt::Key_2);
        const Pose full = pose(21);
        key(Qt::Key_F7);
        session().playhead.setFrame(11);
        click("intensity-key");
        session().playhead.setFrame(31);
        click("intensity-key");
        type(number("intensity-1-value"), QStringLiteral("0"));
        QVERIFY(std::abs(pose(21).y - full.y / 2) < 1e-9);
        QVERIFY(pose(40).atRest());
        type(number("intensity-1-frame"), QStringLiteral("21"));
        QVERIFY(pose(21).atRest());
        click("intensity-0-go");
        QCOMPARE(session().playhead.frame(), std::int64_t{11});
        click("intensity-1-delete");
        click("intensity-0-delete");
        QCOMPARE(pose(21), full);
        key(Qt::Key_Z, Qt::ControlModifier);
        QCOMPARE(project().master.keys.size(), std::size_t{1});
    }
    void whereStrikesMeet()
    {
        strikeOn(20, Qt::Key_2);
        strikeOn(26, Qt::Key_2);
        key(Qt::Key_F7);
        const Pose added = pose(27);
        choose(listOf("overlap", "rule"), QStringLiteral("restart"));
        QCOMPARE(project().overlap.rule, OverlapRule::restart);
        QVERIFY(pose(30) != Pose() && pose(27) != added);
        choose(listOf("overlap", "rule"), QStringLiteral("stronger"));
        QCOMPARE(project().overlap.rule, OverlapRule::stronger);
        type(number("overlap", "ceiling"), QStringLiteral("120"));
        QCOMPARE(project().overlap.ceiling, 1.2);
        while (project().overlap.rule != OverlapRule::add)
            key(Qt::Key_Z, Qt::ControlModifier);
        QCOMPARE(pose(27), added);
    }
    void groupsMeetByTheirOwnRule()
    {
        strikeOn(20, Qt::Key_2);
        key(Qt::Key_F7);
        click("new-group");
        QCOMPARE(project().groups.size(), std::size_t{1});
        auto* name = child<QLineEdit>("group-0-name");
        name->setFocus();
        name->selectAll();
        QTest::keyClicks(name, QStringLiteral("Drums"));
        QTest::keyClick(name, Qt::Key_Return);
        QCOMPARE(project().groups[0].name, std::string("Drums"));
        key(Qt::Key_F5);
        choose([this] { return child<QComboBox>("strike-group"); }, QStringLiteral("Drums"));
        QCOMPARE(project().strikes[0].group, std::string("Drums"));
        emit child<QComboBox>("strike-group")->activated(child<QComboBox>("strike-group")->count() - 1); // new group
        QCOMPARE(project().groups.size(), std::size_t{2});
        QCOMPARE(project().strikes[0].group, project().groups[1].name);
        key(Qt::Key_F7);
        click("group-1-delete");
        QVERIFY(project().strikes[0].group.empty());
        key(Qt::Key_Z, Qt::ControlModifier);
        QCOMPARE(project().strikes[0].group, project().groups[1].name);
    }
    void shakesAreSettled()
    {
        strikeOn(20, Qt::Key_2);
        session().playhead.setFrame(30);
        QVERIFY(!pose(30).atRest());
        const ReelLayout layout = window_->reel().layoutNow();
        const QRect post(static_cast<int>(layout.sparkX(30)) - 4, static_cast<int>(layout.sparks.top()), 9,
                         static_cast<int>(layout.sparks.height()));
        const QImage before = window_->reel().grab(post).toImage();
        key(Qt::Key_X);
        for (double frame = 30; frame < 90; frame += 0.5)
            QVERIFY(pose(frame).atRest());
        QVERIFY(!pose(29).atRest());
        QVERIFY(window_->reel().grab(post).toImage() != before);
        QCOMPARE(settleAt(layout, project().settles, post.center()), &project().settles[0]);
        key(Qt::Key_H); // eased instead, from the same frame
        QCOMPARE(project().settles.size(), std::size_t{1});
        QCOMPARE(project().settles[0].frames, 12.0); // half a second
        QVERIFY(!pose(33).atRest() && pose(42).atRest());
        key(Qt::Key_F7);
        type(number("settle-0-frames"), QStringLiteral("4"));
        QVERIFY(pose(34).atRest());
        choose([this] { return child<ValueControl>("settle-0-mode")->findChild<QComboBox*>(); }, QStringLiteral("cut"));
        QVERIFY(pose(30).atRest());
        click("settle-0-delete");
        QVERIFY(project().settles.empty() && !pose(42).atRest());
        session().playhead.setFrame(40);
        click("settle-ease");
        QCOMPARE(project().settles[0].frame.index, std::int64_t{40});
    }
    void aSettleMarkEndsWhomItIsToldTo()
    {
        strikeOn(20, Qt::Key_2);
        strikeOn(24, Qt::Key_2);
        Project grouped = project();
        grouped.groups.push_back({"Hammer", {}});
        grouped.strikes[0].group = "Hammer";
        session().document.edit(grouped, QStringLiteral("group"));
        session().playhead.setFrame(30);
        key(Qt::Key_X);
        QVERIFY(pose(31).atRest());
        key(Qt::Key_F7);
        const auto whom = [this] { return child<QComboBox>("settle-0-choice"); };
        QCOMPARE(whom()->currentText(), QStringLiteral("all"));
        QCOMPARE(whom()->count(), 4);
        choose(whom, QStringLiteral("Hammer"));
        QCOMPARE(project().settles[0].group, std::string("Hammer"));
        const Pose second = pose(31);
        QVERIFY(!second.atRest());
        choose(whom, QStringLiteral("%1, 24").arg(strikeTitle(project().strikes[1])));
        QVERIFY(project().settles[0].group.empty() && project().settles[0].strike == project().strikes[1].id);
        QVERIFY(!pose(31).atRest() && !(pose(31) == second));
        // Its other values change without a change of whom it ends; a strike that is deleted takes its mark along.
        type(number("settle-0-frame"), QStringLiteral("32"));
        QCOMPARE(project().settles[0].strike, project().strikes[1].id);
        session().selection.set({project().strikes[1].id});
        session().strikes.remove();
        QVERIFY(project().settles.empty());
        session().document.undo();
        QCOMPARE(whom()->currentIndex(), 3);
    }
    void driftLiesUnderTheWholeShot()
    {
        key(Qt::Key_F7);
        QVERIFY(pose(50).atRest());
        toggle("drift", "on");
        QVERIFY(project().drift.on && !pose(50).atRest() && !pose(51).atRest());
        QVERIFY(session().document.cover().needed > 1);
        type(number("drift", "amount-x"), QStringLiteral("0"));
        QCOMPARE(pose(50).x, 0.0);
        type(number("drift", "fade_in"), QStringLiteral("20"));
        QVERIFY(pose(0).atRest());
        toggle("drift", "on");
        QVERIFY(pose(50).atRest());
    }
    void theShotHasAMoveOfItsOwn()
    {
        key(Qt::Key_F7);
        session().playhead.setFrame(10);
        click("move-key");
        session().playhead.setFrame(30);
        click("move-key");
        type(number("move-1-x"), QStringLiteral("40"));
        type(number("move-1-zoom"), QStringLiteral("150"));
        QCOMPARE(pose(30).x, 40.0);
        QCOMPARE(pose(30).zoom, 1.5);
        QCOMPARE(pose(10), Pose());
        QVERIFY(pose(20).x > 15 && pose(20).x < 25);
        for (auto* page : window_->findChildren<QScrollArea*>()) // with all its rows it still fits the column
            QVERIFY2(page == window_->centralWidget() || page->widget()->minimumSizeHint().width() <= 560,
                     qPrintable(QString::number(page->widget()->minimumSizeHint().width())));
        choose([this] { return child<ValueControl>("move-0-ease")->findChild<QComboBox*>(); }, QStringLiteral("hold"));
        QCOMPARE(pose(29), Pose());
        strikeOn(30, Qt::Key_2); // both run together
        QVERIFY(std::abs(pose(31).x - 40) < 1e-9 && std::abs(pose(31).y) > 5);
        key(Qt::Key_B);
        QCOMPARE(pose(31).x, 40.0); // the move is not a shake
        QCOMPARE(pose(31).y, 0.0);
    }
    void theMoveIsDrawnOnTheReel()
    {
        session().playhead.setFrame(10);
        key(Qt::Key_F7);
        click("move-key");
        ReelView& reel = window_->reel();
        const auto at = [&](int frame, MovePart part) {
            const ReelLayout l = reel.layoutNow();
            return QPoint(static_cast<int>(l.map.toPixel(frame + 0.5)),
                          static_cast<int>(std::lround(
                              moveToY(l, filmMove(project()), part, partOf(moveAt(project(), frame), part)))));
        };
        // A click on the line adds a key, and the same drag gives it its value; in one step.
        const Project before = project();
        drag(&reel, at(40, MovePart::x), at(40, MovePart::x) - QPoint(0, 6));
        QCOMPARE(filmMove(project()).size(), std::size_t{2});
        const double x = filmMove(project())[1].x;
        QVERIFY(x > 3 && x == std::round(x) && pose(40).x == x && pose(10).x == 0);
        // The lane's name shows the next of its values, in which the same key is dragged.
        const ReelLayout l = reel.layoutNow();
        QTest::mouseClick(&reel, Qt::LeftButton, {}, QPoint(40, static_cast<int>(l.moves.center().y())));
        drag(&reel, at(40, MovePart::y), at(44, MovePart::y) + QPoint(0, 6));
        QCOMPARE(filmMove(project()).size(), std::size_t{2});
        QCOMPARE(filmMove(project())[1].x, x);
        QVERIFY(filmMove(project())[1].y < -3 && filmMove(project())[1].frame.index == 44);
        QTest::mouseClick(&reel, Qt::LeftButton, Qt::ControlModifier, at(44, MovePart::y));
        QCOMPARE(filmMove(project()).size(), std::size_t{1});
        session().document.undo();
        session().document.undo();
        session().document.undo();
        QVERIFY(project() == before);
    }
    void withoutAClipItSaysWhatIsMissing()
    {
        session().file.close();
        key(Qt::Key_F7);
        for (const char* name : {"intensity-key", "settle-cut", "settle-ease", "move-key"}) {
            QVERIFY(!child<QAbstractButton>(name)->isEnabled());
            QVERIFY(child<QAbstractButton>(name)->toolTip().contains(QStringLiteral("Open a clip")));
        }
    }
};

EMBER_TEST(FilmPageTest)
#include "tst_film_page.moc"
