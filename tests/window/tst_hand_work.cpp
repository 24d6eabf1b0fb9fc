// SPDX-License-Identifier: GPL-3.0-or-later
// The picture moved by hand: keys by drag, wheel and arrows, their path, and how few actions it takes.
#include <cmath>

#include <QLabel>
#include <QSet>
#include <QWheelEvent>

#include "ember/core/values.h"
#include "ember/project/curve_edits.h"
#include "runner.h"
#include "window_fixture.h"

using namespace ember;
using namespace ember::app;

class HandWorkTest : public test::WindowFixture {
    Q_OBJECT

    int actions_ = 0;

    PictureView& picture() { return window_->picture(); }
    Pose poseNow() { return session().document.motion().poseAt(static_cast<double>(session().playhead.frame())); }
    /// Pixels of the view for one of the frame.
    double scale()
    {
        return picture().framePlace().width() / project().width *
               session().document.cover().at(session().playhead.frame());
    }
    void press(Qt::Key k, Qt::KeyboardModifiers m = {})
    {
        ++actions_;
        QTest::keyClick(&picture(), k, m);
        turn();
    }
    void dragPicture(QPoint by)
    {
        ++actions_;
        const QPoint from = picture().framePlace().center().toPoint() + QPoint(60, 70); // beside the path's dots
        drag(&picture(), from, from + by);
        turn();
    }
    void wheel(int notches, Qt::KeyboardModifiers m)
    {
        ++actions_;
        const QPointF at = picture().framePlace().center();
        QWheelEvent event(at, picture().mapToGlobal(at), {}, {0, 120 * notches}, Qt::NoButton, m, Qt::NoScrollPhase,
                          false);
        QApplication::sendEvent(&picture(), &event);
        turn();
    }
    const Strand& hand()
    {
        const Strand* strand = session().hand.strand();
        if (strand == nullptr)
            qFatal("no strand by hand");
        return *strand;
    }
    CurveKeys keys(Axis axis) { return movesOf(hand(), axis); }

private slots:
    void theFirstKeyTakesTwoActions()
    {
        session().playhead.setFrame(30);
        picture().setFocus();
        actions_ = 0;
        key(Qt::Key_M);
        ++actions_;
        dragPicture({14, -10});
        QCOMPARE(actions_, 2);
        QCOMPARE(project().strikes.size(), std::size_t{1}); // one was made for it
        QCOMPARE(project().strikes[0].frame.index, 30);
        QCOMPARE(keys(Axis::x).size(), std::size_t{2}); // at rest one frame earlier
        QCOMPARE(keys(Axis::x)[0], (CurveKey{-1, 0, Ease::smooth}));
        // What was held, 60 and 70 pixels from the middle, is under the pointer though the cover has grown.
        const Pose pose = poseNow();
        const double before = picture().framePlace().width() / project().width;
        QVERIFY(scale() > before);
        QVERIFY2(std::abs((60 / before + pose.x) * scale() - 74) < 1.5,
                 qPrintable(QString::number((60 / before + pose.x) * scale())));
        QVERIFY(std::abs((70 / before + pose.y) * scale() - 60) < 1.5);
        // The pose is the key's value, to 1e-9.
        QVERIFY(std::abs(pose.x - keys(Axis::x)[1].value) < 1e-9);
        // It is one step to undo, and the strike another.
        session().document.undo();
        QVERIFY(poseNow().atRest());
        session().document.undo();
        QVERIFY(project().strikes.empty());
        QVERIFY(!session().hand.on()); // there is nothing to work on
    }
    void sixFramesTakeNoMoreThanTwentyActions()
    {
        strikeOn(20);
        picture().setFocus();
        actions_ = 0;
        key(Qt::Key_M);
        ++actions_;
        session().playhead.setFrame(20);
        const std::array<std::pair<QPoint, int>, 6> path{
            {{{-6, 8}, -2}, {{20, -30}, 6}, {{-30, 40}, -8}, {{18, -22}, 5}, {{-6, 8}, -2}, {{4, -4}, 1}}};
        for (std::size_t i = 0; i < path.size(); ++i) {
            dragPicture(path[i].first);
            wheel(path[i].second, Qt::ControlModifier);
            if (i + 1 < path.size())
                press(Qt::Key_Period);
        }
        QVERIFY2(actions_ <= 20, qPrintable(QString::number(actions_)));
        QCOMPARE(session().playhead.frame(), 25);
        for (const Axis axis : {Axis::x, Axis::y, Axis::roll})
            QCOMPARE(keys(axis).size(), std::size_t{7}); // six, and the rest before them
        // Exactly rest before it and after it came home.
        const Motion& motion = session().document.motion();
        Project alone = project(); // without what else the recipe does
        for (Strand& strand : alone.recipes[0].strands)
            strand.muted = strand.name != hand().name;
        for (Recipe& recipe : alone.recipes)
            for (Strand& strand : recipe.strands)
                strand.muted = strand.name != hand().name;
        const Motion by(alone);
        QVERIFY(by.poseAt(18).atRest() && by.poseAt(19).atRest());
        QVERIFY(!by.poseAt(25).atRest() && !by.poseAt(28).atRest());
        QVERIFY(by.poseAt(31).atRest());
        QVERIFY(!motion.poseAt(25).atRest());
    }
    void nudgesAreExact()
    {
        session().playhead.setFrame(40);
        key(Qt::Key_M);
        picture().setFocus();
        press(Qt::Key_Right);
        press(Qt::Key_Right, Qt::ShiftModifier);
        press(Qt::Key_Up, Qt::AltModifier);
        press(Qt::Key_Left, Qt::ControlModifier);
        QVERIFY(std::abs(poseNow().x - 11) < 1e-9);
        QVERIFY(std::abs(poseNow().y + 0.1) < 1e-9);
        QVERIFY(std::abs(poseNow().roll + 0.1) < 1e-9);
        QCOMPARE(session().playhead.frame(), 40); // arrows do not step here
        press(Qt::Key_PageDown);
        QCOMPARE(session().playhead.frame(), 41);
        wheel(2, Qt::ShiftModifier);
        QVERIFY(std::abs(poseNow().zoom - 1.01) < 1e-9);
        press(Qt::Key_Delete); // the keys of this frame alone
        QVERIFY(std::abs(poseNow().zoom - 1) < 1e-9);
        QCOMPARE(project().strikes.size(), std::size_t{1});
        press(Qt::Key_Escape);
        QVERIFY(!session().hand.on());
        press(Qt::Key_Right);
        QCOMPARE(session().playhead.frame(), 42); // they step again
    }
    void itIsForThisStrikeOnly()
    {
        strikeOn(20);
        strikeOn(60);
        const Project before = project();
        QCOMPARE(before.strikes[0].recipe, before.strikes[1].recipe);
        key(Qt::Key_M);
        dragPicture({20, 0});
        QCOMPARE(session().shaping.scope(), ShapeScope::strike);
        const Motion was(before);
        for (const std::int64_t frame : {19, 20, 21, 24}) // the other one is as it was, to the last bit
            QCOMPARE(session().document.motion().poseAt(static_cast<double>(frame)),
                     was.poseAt(static_cast<double>(frame)));
        QVERIFY(!(session().document.motion().poseAt(60) == was.poseAt(60)));
    }
    void dotsAreDragged()
    {
        session().playhead.setFrame(40);
        key(Qt::Key_M);
        dragPicture({30, 0});
        session().playhead.setFrame(42);
        turn();
        dragPicture({-20, 10});
        const auto dots = picture().handLayer().dots();
        QCOMPARE(dots.size(), std::size_t{3});
        const QPoint at = dots[1].at.toPoint(); // that of frame 40
        const CurveKeys before = keys(Axis::y);
        drag(&picture(), at, at + QPoint(0, 24));
        turn();
        QCOMPARE(session().playhead.frame(), 42); // and nobody went there
        QVERIFY(keys(Axis::y)[1].value > before[1].value + 5);
        QVERIFY(std::abs(keys(Axis::y)[2].value - before[2].value) < 1e-9);
        // Escape takes back what is in the hand.
        const Project there = project();
        QTest::mousePress(&picture(), Qt::LeftButton, {}, at + QPoint(0, 24));
        QTest::mouseMove(&picture(), at + QPoint(40, 60));
        turn();
        QVERIFY(!(project() == there));
        QTest::keyClick(&picture(), Qt::Key_Escape);
        QTest::mouseRelease(&picture(), Qt::LeftButton, {}, at + QPoint(40, 60));
        QCOMPARE(project() == there, true);
        QVERIFY(session().hand.on());
    }
    void neighboursShowThrough()
    {
        session().playhead.setFrame(40);
        key(Qt::Key_M);
        turn();
        QTRY_VERIFY(!picture().skins().before().isNull() && !picture().skins().after().isNull());
        // Frames are numbered: those before and after are other pictures.
        QVERIFY(picture().skins().before() != picture().skins().after());
        action("view.onion-skins")->trigger();
        QVERIFY(picture().skins().before().isNull());
        action("view.onion-skins")->trigger();
    }
    void carelessHandsChangeNothing()
    {
        key(Qt::Key_M); // on frame 0, without a strike
        session().document.undo();
        const Project before = project();
        QVERIFY(!session().hand.on());
        dragPicture({20, 20});
        wheel(3, Qt::ControlModifier);
        QVERIFY(project() == before);
        strikeOn(20);
        key(Qt::Key_M);
        const Project begun = project();
        QTest::mouseClick(&picture(), Qt::LeftButton, {},
                          picture().framePlace().center().toPoint()); // a click is no drag
        turn();
        wheel(1, {}); // looks closer
        QVERIFY(project() == begun);
        picture().fit();
        session().document.edit(
            [&](Project p) {
                p.master.bypass = true;
                return p;
            },
            QStringLiteral("off"));
        const Project off = project();
        dragPicture({20, 20}); // nothing of it would be seen
        QVERIFY(project() == off);
    }
    void thePivotIsDragged()
    {
        strikeOn(20);
        session().shaping.set({{"pivot", 1}}, 0);
        turn();
        const auto mark = picture().pivotPlace();
        QVERIFY(mark && (*mark - picture().framePlace().center()).manhattanLength() < 1);
        drag(&picture(), mark->toPoint(), mark->toPoint() + QPoint(-80, 40));
        const Recipe& recipe = *session().shaping.felt();
        QVERIFY(std::abs(recipe.pivot.x - (0.5 - 80 / picture().framePlace().width())) < 0.02);
        QVERIFY(recipe.pivot.y > 0.5);
        session().document.undo();
        QCOMPARE(session().shaping.felt()->pivot.x, 0.5);
    }
    void thePivotIsFollowedInTheClip()
    {
        strikeOn(20);
        const Project before = project();
        action("strike.follow-the-pivot")->trigger();
        QTRY_VERIFY(session().shaping.felt()->pivot.at == Pivot::At::followed);
        const Recipe& recipe = *session().shaping.felt();
        for (const char* key : {"pivot_x", "pivot_y"}) {
            const CurveKeys* keys = curveOf(recipe, key);
            QVERIFY(keys != nullptr && keys->size() > 2);
            QCOMPARE(keys->front().frame, 0.0);
            QCOMPARE(keys->front().value, 0.5); // from where the pivot was
        }
        session().document.undo(); // in one step
        QVERIFY(project() == before);
    }
    void oneShakeEndsAlone()
    {
        strikeOn(20);
        strikeOn(22);
        session().playhead.setFrame(23);
        action("strike.cut-this-here")->trigger();
        QCOMPARE(project().settles.size(), std::size_t{1});
        QCOMPARE(project().settles[0].strike, project().strikes[1].id);
        Project other = project();
        other.settles.clear();
        other.strikes.erase(other.strikes.begin() + 1);
        QCOMPARE(session().document.motion().poseAt(24), Motion(other).poseAt(24)); // the first alone is left
    }
};

EMBER_TEST(HandWorkTest)
#include "tst_hand_work.moc"
