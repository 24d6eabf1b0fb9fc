// SPDX-License-Identifier: GPL-3.0-or-later
// The curve view, by mouse and keyboard: keys, slopes, boxes, what else changes over time.
#include <cmath>

#include <QAction>
#include <QCheckBox>
#include <QToolButton>

#include "channel_list.h"
#include "curve_view.h"
#include "cut_texts.h"
#include "ember/project/curve_edits.h"
#include "runner.h"
#include "value_control.h"
#include "value_field.h"
#include "window_fixture.h"

using namespace ember;
using namespace ember::app;

class CurvesTest : public test::WindowFixture {
    Q_OBJECT

    CurveView& view() { return window_->curves(); }
    CurveCanvas& curves() { return view().canvas(); }
    const CurveKeys& keys() { return curves().keys(); }
    QPoint place(double frame, double value)
    {
        const CurveLayout layout = curves().layoutNow();
        return QPointF(layout.toX(frame), layout.toY(value)).toPoint();
    }
    void act(const char* name)
    {
        auto* action = view().findChild<QAction*>(QLatin1String(name));
        if (action == nullptr)
            qFatal("no action %s", name);
        action->trigger();
        turn();
    }
    void press(Qt::Key k, Qt::KeyboardModifiers m = {})
    {
        QTest::keyClick(&curves(), k, m);
        turn();
    }
    /// A strike with keys of y by hand, in the curve view.
    void showHand(const CurveKeys& y)
    {
        session().playhead.setFrame(20);
        key(Qt::Key_M);
        const StrikeIds ids = session().selection.ids();
        session().document.edit(withMoves(project(), ids, "By hand", Axis::y, y, session().shaping.scope()),
                                QStringLiteral("keys"));
        key(Qt::Key_U);
        turn();
        QVERIFY(curves().isVisible());
    }
    void showAll(CurveChannels::Of of)
    {
        view().channels().setOf(of);
        curves().fit();
        turn();
    }
    void chooseChannel(const QString& name)
    {
        const auto& all = view().channels().channels();
        for (std::size_t i = 0; i < all.size(); ++i)
            if (all[i].name == name) {
                auto* list = child<ChannelList>("curve-channels");
                QTest::mouseClick(list, Qt::LeftButton, {}, list->rowRect(static_cast<int>(i)).center());
                turn();
                return;
            }
        QFAIL(qPrintable(name));
    }

private slots:
    void keysAreAddedMovedTypedAndDeleted()
    {
        showHand({{0, 0}, {2, 20}, {6, 0}});
        QCOMPARE(view().channels().channel()->name, QStringLiteral("y"));
        // A click on the line adds one, and the curve goes through it.
        const double there = valueOfKeys(keys(), 4);
        QTest::mouseClick(&curves(), Qt::LeftButton, {}, place(4, there));
        turn();
        QCOMPARE(keys().size(), std::size_t{4});
        QCOMPARE(keys()[2].frame, 4.0);
        QVERIFY(std::abs(keys()[2].value - there) < 1e-9);
        QCOMPARE(curves().chosen(), (KeyPlaces{2}));
        drag(&curves(), place(4, there), place(5, -12));
        QCOMPARE(keys()[2].frame, 5.0); // whole frames
        QVERIFY(std::abs(keys()[2].value + 12) < 0.6);
        type(child<ValueField>("curve-value"), QStringLiteral("-7.25"));
        type(child<ValueField>("curve-frame"), QStringLiteral("4.5"));
        QCOMPARE(keys()[2].frame, 4.5);
        QVERIFY(std::abs(keys()[2].value + 7.25) < 1e-9);
        // And that is where the picture is, at strength 100 %.
        QVERIFY(std::abs(session().document.motion().poseAt(24.5).y + 7.25) < 1e-9);
        curves().setFocus();
        press(Qt::Key_Delete);
        QCOMPARE(keys().size(), std::size_t{3});
        QCOMPARE(project().strikes.size(), std::size_t{1}); // not the strike
        session().document.undo();
        QCOMPARE(keys().size(), std::size_t{4});
        // Anywhere else by a double click; a plain click there chooses nothing.
        QTest::mouseDClick(&curves(), Qt::LeftButton, {}, place(9, 10));
        turn();
        QCOMPARE(keys().back().frame, 9.0);
        QTest::mouseClick(&curves(), Qt::LeftButton, {}, place(12, -15));
        QVERIFY(curves().chosen().empty());
        QCOMPARE(keys().size(), std::size_t{5});
    }
    void severalAreBoxedScaledReversedAndCopied()
    {
        showHand({{0, 0}, {4, -60}, {8, 40}, {12, -20}, {16, 0}});
        drag(&curves(), place(3, 55), place(17.5, -68)); // over the paper: nothing is added
        QCOMPARE(curves().chosen(), (KeyPlaces{1, 2, 3, 4}));
        QCOMPARE(keys().size(), std::size_t{5});
        const QRectF box = boxAround(curves().layoutNow(), keys(), curves().chosen());
        const double six = curves().layoutNow().toX(10) - curves().layoutNow().toX(16);
        const QPointF back = gripOf(box, CurveGrip::back);
        drag(&curves(), back.toPoint(), (back + QPointF(six, 0)).toPoint());
        QCOMPARE(keys().back().frame, 10.0);
        QCOMPARE(keys()[1].frame, 4.0);
        QCOMPARE(keys()[2].frame, 6.0);
        QCOMPARE(curves().chosen().size(), std::size_t{4});
        type(child<ValueField>("curve-value"), QStringLiteral("x0.5")); // each its own half
        QVERIFY(std::abs(keys()[1].value + 30) < 1e-9 && std::abs(keys()[3].value + 10) < 1e-9);
        act("keys-flip");
        QVERIFY(std::abs(keys()[1].value - 30) < 1e-9);
        act("keys-backwards");
        QVERIFY(std::abs(keys().back().value - 30) < 1e-9);
        session().document.undo();
        // Larger from the top, about rest.
        const QRectF tall = boxAround(curves().layoutNow(), keys(), curves().chosen());
        const QPointF top = gripOf(tall, CurveGrip::top);
        drag(&curves(), top.toPoint(), QPoint(top.toPoint().x(), place(0, 60).y() - 8));
        QVERIFY2(std::abs(keys()[1].value - 60) < 3, qPrintable(QString::number(keys()[1].value)));
        QVERIFY(std::abs(keys()[0].value) < 1e-9);
        curves().setFocus();
        press(Qt::Key_C, Qt::ControlModifier);
        chooseChannel(QStringLiteral("roll")); // to another axis
        session().playhead.setFrame(24);
        curves().setFocus();
        press(Qt::Key_V, Qt::ControlModifier);
        QCOMPARE(keys().size(), std::size_t{4});
        QCOMPARE(keys().front().frame, 4.0);
        QVERIFY(std::abs(keys().front().value - 60) < 3);
        press(Qt::Key_Right, Qt::ShiftModifier);
        QVERIFY(std::abs(keys().front().frame - 4.1) < 1e-9); // finely
        press(Qt::Key_Escape);
        QVERIFY(curves().chosen().empty());
    }
    void slopesAndEases()
    {
        showHand({{0, 0}, {4, 30}, {8, -10}, {12, 0}});
        curves().choose({1});
        act("slope-free");
        const double before = valueOfKeys(keys(), 3);
        QVERIFY(std::abs(before - 30 * eased(Ease::smooth, 0.75)) < 1e-6); // the shape is the same
        const auto handle = slopeHandle(curves().layoutNow(), keys(), 1, CurveGrip::slopeOut);
        QVERIFY(handle);
        drag(&curves(), handle->toPoint(), (*handle + QPointF(0, -24)).toPoint());
        QVERIFY(keys()[1].slopeOut > 0.5);
        QCOMPARE(keys()[1].slopeIn, keys()[1].slopeOut); // without a corner
        act("slope-flat");
        QCOMPARE(keys()[1].slopeOut, 0.0);
        act("slope-straight");
        QVERIFY(keys()[0].ease == Ease::linear && keys()[1].ease == Ease::linear);
        act("slope-stepped");
        QVERIFY(keys()[1].ease == Ease::hold);
        curves().choose({0, 1, 2});
        click("ease-in");
        QVERIFY(keys()[0].ease == Ease::in && keys()[2].ease == Ease::in && keys()[3].ease != Ease::in);
        act("slope-smooth");
        for (double t = 0; t <= 12; t += 0.25) // never beyond the keys
            QVERIFY(valueOfKeys(keys(), t) <= 30 + 1e-9 && valueOfKeys(keys(), t) >= -10 - 1e-9);
    }
    void keysKeepTheirScope()
    {
        strikeOn(20);
        strikeOn(60);
        key(Qt::Key_M); // two use the recipe: for this strike only
        QVERIFY(session().shaping.scope() == ShapeScope::strike);
        key(Qt::Key_U);
        showAll(CurveChannels::Of::light);
        const Project before = project();
        chooseChannel(QStringLiteral("flash"));
        QTest::mouseDClick(&curves(), Qt::LeftButton, {}, place(3, 60));
        turn();
        QVERIFY(project().recipes == before.recipes);
        QVERIFY(!project().strikes[1].overrides.curves().empty());
        QVERIFY(project().strikes[0].overrides.curves().empty());
        click("curve-follow");
        QVERIFY(project().strikes[1].overrides.curves().empty());
        child<QCheckBox>("curve-scope")->click();
        QTest::mouseDClick(&curves(), Qt::LeftButton, {}, place(3, 60));
        turn();
        QVERIFY(!(project().recipes == before.recipes));
    }
    void strengthIsACurveAndAShapeAgain()
    {
        strikeOn(20);
        const Motion before(project());
        key(Qt::Key_U);
        showAll(CurveChannels::Of::shape);
        QCOMPARE(view().channels().channel()->name, QStringLiteral("strength"));
        click("curve-turn");
        const Envelope& envelope = session().shaping.felt()->envelope;
        QVERIFY(envelope.drawn());
        const Motion& now = session().document.motion();
        for (double t = 18; t < 60; t += 0.5) // as it was, within a few hundredths of a pixel
            QVERIFY2(std::abs(now.poseAt(t).y - before.poseAt(t).y) < 0.3,
                     qPrintable(QStringLiteral("%1: %2 was %3").arg(t).arg(now.poseAt(t).y).arg(before.poseAt(t).y)));
        // A second bump.
        const auto end = envelope.end();
        QTest::mouseDClick(&curves(), Qt::LeftButton, {}, place(std::round(end * 0.7), 80));
        turn();
        QVERIFY(session().document.motion().intensityAt(20 + std::round(end * 0.7)) > 0.7);
        QVERIFY(!view().channels().whyNotBack().isEmpty()); // no attack and decay looks like that
        session().document.undo();
        QVERIFY(view().channels().whyNotBack().isEmpty());
        click("curve-turn");
        QVERIFY(!session().shaping.felt()->envelope.drawn());
    }
    void rateAndFilmAreCurvesToo()
    {
        strikeOn(20, Qt::Key_1);
        const std::string noisy = [&] {
            for (const Strand& strand : session().shaping.felt()->strands)
                if (std::holds_alternative<Noise>(strand.source))
                    return strand.name;
            return std::string();
        }();
        QVERIFY(!noisy.empty());
        session().shaping.setOpenStrand(noisy);
        key(Qt::Key_U);
        showAll(CurveChannels::Of::shape);
        chooseChannel(QStringLiteral("rate"));
        const Motion before(project());
        QTest::mouseDClick(&curves(), Qt::LeftButton, {}, place(10, view().channels().channel()->still * 0.5));
        turn();
        QVERIFY(session().shaping.felt()->curves.of("strand." + noisy + ".rate") != nullptr);
        QVERIFY(!(session().document.motion().poseAt(35) == before.poseAt(35)));
        showAll(CurveChannels::Of::film);
        chooseChannel(QStringLiteral("intensity"));
        QTest::mouseDClick(&curves(), Qt::LeftButton, {}, place(24, 40));
        turn();
        QCOMPARE(project().master.keys.size(), std::size_t{1});
        QVERIFY(std::abs(project().master.keys[0].value - 0.4) < 0.06);
        chooseChannel(QStringLiteral("move x"));
        QTest::mouseDClick(&curves(), Qt::LeftButton, {}, place(10, 5));
        QTest::mouseDClick(&curves(), Qt::LeftButton, {}, place(40, -5));
        turn();
        QCOMPARE(project().shots[0].move.size(), std::size_t{2});
        QVERIFY(project().shots[0].move[1].x < -3);
    }
    void comingHomeIsSwitchedOffWithAWarning()
    {
        showHand({{0, 0}, {3, 25}});
        QVERIFY(session().document.motion().poseAt(25).y > 1); // eased home over six frames
        QVERIFY(session().document.motion().poseAt(29).atRest());
        QVERIFY(!view().channels().channel()->jumps);
        click("curve-home");
        QVERIFY(view().channels().channel()->jumps);
        QVERIFY(session().document.motion().poseAt(24).atRest());
        QVERIFY(std::abs(session().document.motion().poseAt(23).y - 25) < 1e-9); // its own frame is felt
        session().document.undo();
        QVERIFY(session().document.motion().poseAt(25).y > 1);
    }
    void keysBeyondAnEnvelopeAreToldAndReached()
    {
        strikeOn(20);
        const std::string name = session().shaping.felt()->strands[0].name;
        session().shaping.set({{"strand." + name + ".source", 4}}, 0); // drawn, under the envelope
        session().shaping.setOpenStrand(name);
        const double end = session().shaping.lastFeltKey(name);
        session().shaping.setKeys(name, Axis::y, {{0, 1}, {std::ceil(end) + 20, 0.5}}, QStringLiteral("far"), 0);
        key(Qt::Key_U);
        showAll(CurveChannels::Of::keys);
        auto* reach = child<QPushButton>("curve-reach");
        QVERIFY(reach->isVisible());
        const QStringList cut = test::cutIn(*root());
        QVERIFY2(cut.isEmpty(), qPrintable(cut.join(QLatin1Char('\n'))));
        click("curve-reach");
        QVERIFY(!reach->isVisible());
        QVERIFY(session().shaping.lastFeltKey(name) >= std::ceil(end) + 20);
    }
    void whatIsSeenIsZoomedPannedAndFitted()
    {
        showHand({{0, 0}, {4, 30}, {40, 0}});
        const CurveRange whole = curves().range();
        const QPointF at = curves().layoutNow().plot.center();
        const auto wheel = [&](int notches, Qt::KeyboardModifiers m) {
            QWheelEvent event(at, curves().mapToGlobal(at), {}, {0, 120 * notches}, Qt::NoButton, m, Qt::NoScrollPhase,
                              false);
            QApplication::sendEvent(&curves(), &event);
        };
        wheel(4, {});
        QVERIFY(curves().range().lastFrame - curves().range().firstFrame < whole.lastFrame - whole.firstFrame);
        QCOMPARE(curves().range().high, whole.high);
        wheel(4, Qt::ControlModifier);
        QVERIFY(curves().range().high < whole.high);
        wheel(1, Qt::ShiftModifier);
        const Project before = project();
        QTest::mousePress(&curves(), Qt::MiddleButton, {}, at.toPoint());
        QTest::mouseMove(&curves(), at.toPoint() + QPoint(50, 10));
        QTest::mouseRelease(&curves(), Qt::MiddleButton, {}, at.toPoint() + QPoint(50, 10));
        QVERIFY(project() == before);
        curves().setFocus();
        press(Qt::Key_F);
        QCOMPARE(curves().range(), whole);
        // The ruler moves the playhead, nothing else.
        const QPointF ruler(curves().layoutNow().toX(7), curves().layoutNow().ruler.center().y());
        QTest::mouseClick(&curves(), Qt::LeftButton, {}, ruler.toPoint());
        QCOMPARE(session().playhead.frame(), 27);
        QVERIFY(project() == before);
        act("curve-velocity");
        act("curve-spacing");
        QVERIFY(curves().velocityShown() && curves().spacingShown());
        key(Qt::Key_U);
        QVERIFY(!curves().isVisible() && canvas().isVisible());
    }
    void tenThousandKeysAreWorkedOn()
    {
        CurveKeys many;
        for (int i = 0; i < 10'000; ++i)
            many.push_back({i * 0.01, 20 * std::sin(i * 0.02), Ease::linear});
        showHand(many);
        QCOMPARE(keys().size(), std::size_t{10'000});
        curves().choose({5000});
        const CurveKey held = keys()[5000];
        drag(&curves(), place(held.frame, held.value), place(held.frame, 25));
        QCOMPARE(keys().size(), std::size_t{10'000});
        QVERIFY(mostOfKeys(keys()) > 22);
    }
};

EMBER_TEST(CurvesTest)
#include "tst_curves.moc"
