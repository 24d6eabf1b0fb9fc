// SPDX-License-Identifier: GPL-3.0-or-later
// Events with a place in the window: typed, dragged in the view from above, and seen where they are felt.
#include <cmath>

#include <QLabel>

#include "ember/project/file.h"
#include "places_window.h"
#include "reel_view.h"
#include "runner.h"
#include "top_view.h"
#include "value_control.h"
#include "value_field.h"
#include "window_fixture.h"

using namespace ember;
using namespace ember::app;

class PlacesTest : public test::WindowFixture {
    Q_OBJECT

    PlacesWindow* places() { return child<PlacesWindow>("places-window"); }
    TopView* view() { return within<TopView>("places-window", "top-view"); }
    ValueField* field(const char* name) { return within<ValueControl>("place-values", name)->field(); }
    QComboBox* where() { return within<QWidget>("place-values", "where")->findChild<QComboBox*>(); }
    void flip(const char* name)
    {
        auto* button = within<QWidget>("place-values", name)->findChild<QAbstractButton*>();
        bringIntoView(button);
        QTest::mouseClick(button, Qt::LeftButton);
        turn();
    }
    const Strike& strike() { return *session().selection.strike(); }
    WorldPoint at() { return std::get<WorldPoint>(strike().place->at); }
    void openPlaces()
    {
        key(Qt::Key_T, Qt::ControlModifier);
        turn();
        QVERIFY(places()->isVisible());
        for (auto* area : places()->findChildren<QScrollArea*>()) // nothing is cut at the side
            QVERIFY2(area->widget()->minimumSizeHint().width() <= area->viewport()->width(),
                     qPrintable(QString::number(area->widget()->minimumSizeHint().width())));
    }
    /// A strike on frame 40, 10 m ahead.
    void placed()
    {
        strikeOn(40);
        click("strike-place");
        QVERIFY(strike().place && where()->isVisible());
        QVERIFY(at() == (WorldPoint{0, 0, 10}));
    }

private slots:
    void ringsAreWhereTheLawSays()
    {
        World world;
        world.exponent = 2;
        world.reference = 4;
        world.cutoff = 30;
        const auto rings = ringsOf(world, FrameRate(), 60);
        std::vector<double> strengths;
        for (const TopRing& ring : rings) {
            if (ring.kind == TopRing::Kind::strength) {
                QVERIFY(std::abs(shareAt(world, ring.metres) - ring.value) < 1e-9);
                strengths.push_back(ring.metres);
            }
            if (ring.kind == TopRing::Kind::delay) {
                QVERIFY(std::abs(ring.metres * 24 / speedInAir - ring.value) < 1e-9);
            }
            QVERIFY(ring.metres <= 30);
        }
        QCOMPARE(strengths.size(), std::size_t{4});
        QCOMPARE(strengths[2], 8.0); // a quarter at twice the reference
        QCOMPARE(rings.back().kind, TopRing::Kind::cutoff);
        world.weaker = false;
        world.later = false;
        QVERIFY(ringsOf(world, FrameRate(), 60).empty());
        // What it shows fits in, and metres and pixels go back and forth.
        for (const double far : {3.0, 40.0, 9000.0}) {
            const std::vector<TopEvent> events{{{far, 2, -far}, 1, 1, QString(), false}};
            const TopMap map = fittingMap(events, World(), {400, 300});
            QVERIFY(QRectF(0, 0, 400, 300).contains(map.toPixel(events[0].at)));
            const WorldPoint back = map.toWorld(map.toPixel(events[0].at), 2);
            QVERIFY(std::abs(back.x - far) < 1e-6 && std::abs(back.z + far) < 1e-6 && back.y == 2);
            QCOMPARE(topEventAt(events, map, map.toPixel(events[0].at) + QPointF(5, -5)), 0);
            QCOMPARE(topEventAt(events, map, map.toPixel(events[0].at) + QPointF(40, 0)), -1);
        }
    }
    void aPlaceIsTypedAndFelt()
    {
        placed();
        QCOMPARE(child<QLabel>("place-says")->text(),
                 QStringLiteral("10.0 m away: felt on frame 41, 1 frame later, at 50 %"));
        type(field("z"), QStringLiteral("343"));
        QVERIFY(at() == (WorldPoint{0, 0, 343}));
        QCOMPARE(child<QLabel>("place-says")->text(),
                 QStringLiteral("343 m away: felt on frame 64, 24 frames later, at 1 %"));
        // Nothing moves before; with the strength kept the picture moves where it arrives.
        flip("weaker");
        QVERIFY(!strike().place->weaker);
        QVERIFY(session().document.motion().poseAt(63).atRest());
        QVERIFY(!session().document.motion().poseAt(65).atRest());
        flip("later");
        QVERIFY(session().document.motion().poseAt(63).atRest() == session().document.motion().poseAt(39).atRest());
        QVERIFY(!session().document.motion().poseAt(41).atRest());
        // The Anvil is around the frame it is felt on.
        flip("later");
        QCOMPARE(session().selection.feltStrike()->frame.index, 64);
        session().document.undo();
        session().document.undo();
        session().document.undo();
        QVERIFY(strike().place->later && strike().place->weaker);
        // It survives being saved.
        type(field("x"), QStringLiteral("10000"));
        QCOMPARE(at().x, 10'000.0);
        const auto read = projectFromJson(projectToJson(project(), ""), "", "it");
        QVERIFY(read.ok());
        QVERIFY(read->strikes[0].place == strike().place);
    }
    void theBlowComesFromItsPlace()
    {
        placed();
        QVERIFY(child<ValueField>("strike-direction")->isEnabled());
        type(field("x"), QStringLiteral("10"));
        // From the right: to the left, and the direction is not the hand's to set.
        QCOMPARE(child<ValueField>("strike-direction")->value(), 180.0);
        const auto felt = session().selection.feltStrike()->frame.index;
        double least = 0;
        for (auto frame = felt; frame < felt + 4; ++frame)
            least = std::min(least, session().document.motion().poseAt(static_cast<double>(frame)).x);
        QVERIFY(least < -1);
        QTest::mouseClick(child<ValueField>("strike-direction"), Qt::LeftButton);
        QVERIFY(child<ValueField>("strike-direction")->findChild<QLineEdit*>() == nullptr);
        flip("directed");
        QVERIFY(child<ValueField>("strike-direction")->value() == *strike().direction);
    }
    void itIsDraggedFromAbove()
    {
        placed();
        openPlaces();
        view()->resize(400, 400);
        const TopMap map = view()->mapNow();
        const auto steps = session().document.history().undoText();
        drag(view(), map.toPixel(at()).toPoint(), map.toPixel({6, 0, 4}).toPoint());
        QVERIFY(std::abs(at().x - 6) < 0.3 && std::abs(at().z - 4) < 0.3);
        QVERIFY(session().document.history().undoText() != steps);
        session().document.undo(); // one step
        QVERIFY(at() == (WorldPoint{0, 0, 10}));
        // With the keys, a metre or ten.
        QTest::keyClick(view(), Qt::Key_Left);
        QTest::keyClick(view(), Qt::Key_Up, Qt::ShiftModifier);
        QVERIFY(at() == (WorldPoint{-1, 0, 20}));
        // A double click puts it there.
        QTest::mouseDClick(view(), Qt::LeftButton, {}, view()->mapNow().toPixel({8, 0, -8}).toPoint());
        QVERIFY(std::abs(at().x - 8) < 0.6 && std::abs(at().z + 8) < 0.6);
        // Another one is chosen by a click.
        session().playhead.setFrame(60);
        session().strikes.put(StrikeKind::hit);
        QVERIFY(!strike().place);
        QTest::mouseClick(view(), Qt::LeftButton, {},
                          view()->mapNow().toPixel(std::get<WorldPoint>(project().strikes[0].place->at)).toPoint());
        QCOMPARE(strike().frame.index, 40);
        // The wheel zooms, F fits again.
        const double before = view()->mapNow().pixelsPerMetre;
        QWheelEvent wheel(QPointF(20, 20), view()->mapToGlobal(QPointF(20, 20)), {}, {0, 240}, Qt::NoButton, {},
                          Qt::NoScrollPhase, false);
        QCoreApplication::sendEvent(view(), &wheel);
        QVERIFY(view()->mapNow().pixelsPerMetre > 1.4 * before);
        QTest::keyClick(view(), Qt::Key_F);
        QCOMPARE(view()->mapNow().pixelsPerMetre, before);
    }
    void ringsAndEventsAreSeen()
    {
        placed();
        openPlaces();
        view()->resize(400, 400);
        turn();
        const QImage with = view()->grab().toImage();
        const QPoint spark = view()->mapNow().toPixel(at()).toPoint();
        const QPoint beside = spark + QPoint(80, -30);
        QVERIFY(with.pixelColor(spark - QPoint(0, 2)) != with.pixelColor(beside));
        // Without laws there are no rings: fewer pixels are drawn.
        const auto drawn = [](const QImage& image) {
            int count = 0;
            for (int y = 0; y < image.height(); ++y)
                for (int x = 0; x < image.width(); ++x)
                    count += image.pixelColor(x, y) != image.pixelColor(2, 2) ? 1 : 0;
            return count;
        };
        Project bare = project();
        bare.world.weaker = bare.world.later = false;
        session().document.edit(bare, QStringLiteral("no laws"));
        turn();
        QVERIFY(drawn(view()->grab().toImage()) + 1500 < drawn(with));
    }
    void aPointOfThePictureStaysOne()
    {
        placed();
        choose([this] { return where(); }, QStringLiteral("in the picture"));
        const auto seen = std::get<PicturePoint>(strike().place->at);
        QVERIFY(seen.x == 0.5 && seen.y == 0.5 && seen.distance == 10);
        type(field("across"), QStringLiteral("90"));
        QCOMPARE(std::get<PicturePoint>(strike().place->at).x, 0.9);
        QVERIFY(std::abs(std::abs(*arrivalOf(project(), strike()).direction) - 180) < 1);
        openPlaces();
        const TopMap map = view()->mapNow();
        const WorldPoint from =
            worldOf(std::get<PicturePoint>(strike().place->at), {}, project().width, project().height);
        drag(view(), map.toPixel(from).toPoint(), map.toPixel({0, 0, 8}).toPoint());
        const auto* still = std::get_if<PicturePoint>(&strike().place->at);
        QVERIFY(still != nullptr && std::abs(still->distance - 8) < 0.5 && std::abs(still->x - 0.5) < 0.05);
        choose([this] { return where(); }, QStringLiteral("at the camera"));
        QVERIFY(!strike().place);
    }
    void theLawsAndTheCameraAreSet()
    {
        placed();
        openPlaces();
        const auto world = [&](const char* name) { return within<ValueControl>("world", name); };
        type(world("exponent")->field(), QStringLiteral("2"));
        QCOMPARE(project().world.exponent, 2.0);
        QCOMPARE(arrivalOf(project(), strike()).share, 0.25);
        choose([&] { return world("arrival")->findChild<QComboBox*>(); }, QStringLiteral("own"));
        type(world("speed")->field(), QStringLiteral("20"));
        QCOMPARE(arrivalOf(project(), strike()).felt.index, 52);
        session().playhead.setFrame(0);
        click("camera-key");
        session().playhead.setFrame(48);
        click("camera-key");
        QCOMPARE(project().world.camera.size(), std::size_t{2});
        type(within<ValueControl>("places-window", "camera-1-z")->field(), QStringLiteral("6"));
        QCOMPARE(project().world.camera[1].at.z, 6.0);
        QVERIFY(arrivalOf(project(), strike()).distance < 6);
        while (session().document.history().canUndo())
            session().document.undo();
        QVERIFY(project().world == World());
    }
    void theReelTellsBoth()
    {
        placed();
        type(field("z"), QStringLiteral("200"));
        const QString sentence = session().document.project().strikes[0].place ? QString() : QStringLiteral("no place");
        QCOMPARE(sentence, QString());
        // The spark is on the event, a mark where it arrives.
        const ReelLayout layout = window_->reel().layoutNow();
        const QImage with = window_->reel().grab().toImage();
        session().document.undo();
        session().document.undo();
        turn();
        const QImage without = window_->reel().grab().toImage();
        const auto felt = layout.sparkX(40 + 14);
        bool differs = false;
        for (int y = static_cast<int>(layout.sparks.top()); y < static_cast<int>(layout.sparks.bottom()); ++y)
            for (int x = static_cast<int>(felt) - 2; x <= static_cast<int>(felt) + 2; ++x)
                differs = differs || with.pixelColor(x, y) != without.pixelColor(x, y);
        QVERIFY(differs);
    }
};

EMBER_TEST(PlacesTest)
#include "tst_places.moc"
