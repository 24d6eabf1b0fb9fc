// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>
#include <cmath>

#include <QImage>
#include <QPainter>
#include <QTest>

#include "anvil_geometry.h"
#include "anvil_tags.h"
#include "ember/core/projection.h"
#include "ember/core/survey.h"
#include "ember/project/shipped_recipes.h"
#include "heat_line.h"
#include "picture_view.h"
#include "pictures.h"
#include "playback.h"
#include "recipe_trace.h"
#include "reel_geometry.h"
#include "reel_painter.h"
#include "runner.h"
#include "theme.h"

using namespace ember;
using namespace ember::app;
using F = EnvelopeField;

class GeometryTest : public QObject {
    Q_OBJECT
    static Envelope shape()
    {
        Envelope e;
        e.set(F::attack, 2);
        e.set(F::hold, 3);
        e.set(F::decay, 20);
        e.set(F::rumble, 0.2);
        e.set(F::rumbleLength, 30);
        e.set(F::release, 15);
        return e;
    }
    static QPointF pointOf(const AnvilLayout& layout, const Envelope& e, Handle handle)
    {
        for (const HandlePoint& p : handlePoints(layout, e))
            if (p.handle == handle)
                return p.at;
        return {};
    }

private slots:
    void evenMapsGoBothWays()
    {
        const EvenMap map{10, 60, 100, 600};
        QCOMPARE(map.toPixel(10), 100.0);
        QCOMPARE(map.toPixel(60), 600.0);
        QCOMPARE(map.toFrame(350), 35.0);
        QCOMPARE(map.toFrame(0), 0.0); // outside: goes on
        QCOMPARE(map.toFrameInside(0), 10.0);
        QCOMPARE(map.toFrameInside(9999), 60.0);
        QCOMPARE(map.framesPerPixel(), 0.1);
    }
    void strikeMapsGoBothWays()
    {
        for (const bool even : {false, true}) {
            const StrikeMap map{-3, 200, 50, 1250, even};
            QCOMPARE(map.toPixel(-3), 50.0);
            QVERIFY(std::abs(map.toPixel(200) - 1250) < 1e-9);
            for (double frame = -10; frame < 300; frame += 0.37)
                QVERIFY(std::abs(map.toFrame(map.toPixel(frame)) - frame) < 1e-9);
        }
        // A frame near the strike is much wider than one far from it; position grows with asinh(frame / 5).
        const StrikeMap map{-3, 200, 0, 1000, false};
        QVERIFY(map.toPixel(1) - map.toPixel(0) > 10 * (map.toPixel(101) - map.toPixel(100)));
        const double ratio = (map.toPixel(20) - map.toPixel(0)) / (map.toPixel(5) - map.toPixel(0));
        QVERIFY(std::abs(ratio - std::asinh(4.0) / std::asinh(1.0)) < 1e-9);
    }
    void ticksKeepTheirDistance()
    {
        test::Random random(3);
        for (int i = 0; i < 300; ++i) {
            const StrikeMap map{-random.between(2, 50), random.between(5, 5000), 40, 1200, random.whole(0, 1) == 1};
            const auto ticks = strikeTicks(map, 40);
            QVERIFY(std::any_of(ticks.begin(), ticks.end(), [](const Tick& t) { return t.value == 0; }));
            for (std::size_t k = 1; k < ticks.size(); ++k)
                QVERIFY(map.toPixel(ticks[k].value) - map.toPixel(ticks[k - 1].value) >= 39.9);
            const EvenMap film{0, random.between(10, 200000), 40, 1200};
            const auto marks = filmTicks(film, 24, 64);
            QVERIFY(!marks.empty());
            for (std::size_t k = 1; k < marks.size(); ++k)
                QVERIFY(film.toPixel(marks[k].value) - film.toPixel(marks[k - 1].value) >= 63.9);
        }
        QCOMPARE(strikeTicks({-3, 50, 0, 1000, false}, 40).front().label, std::string("-3"));
    }
    void handlesLieOnTheCurve()
    {
        const Envelope e = shape();
        const AnvilLayout layout = layOutAnvil({1200, 220}, e, false);
        QCOMPARE(handlePoints(layout, e).size(), std::size_t{7});
        QCOMPARE(pointOf(layout, e, Handle::peak), layout.at(2, 1));
        QCOMPARE(pointOf(layout, e, Handle::decay), layout.at(25, 0.2));
        QCOMPARE(pointOf(layout, e, Handle::release), layout.at(70, 0));
        for (const HandlePoint& p : handlePoints(layout, e))
            QCOMPARE(handleAt(layout, e, p.at + QPointF(3, -3)), p.handle);
        QCOMPARE(handleAt(layout, e, layout.at(12, 0.05)), Handle::none);
        QCOMPARE(handlePoints(layout, e.with(F::rumble, 0)).size(), std::size_t{5});
        // A lead has a handle for its level too; a peak that is fixed to the strike is pulled by its onset.
        const Envelope led = e.with(F::lead, 3);
        const QPointF level = pointOf(layout, led, Handle::leadLevel);
        QCOMPARE(layout.map.toFrame(level.x()), -1.5);
        QVERIFY(std::abs(layout.toLevel(level.y()) - intensityAt(led, -1.5)) < 1e-9);
        const Envelope fixed = e.with(F::anchor, static_cast<double>(Anchor::peak));
        const auto points = handlePoints(layout, fixed);
        QVERIFY(std::none_of(points.begin(), points.end(), [](auto& p) { return p.handle == Handle::peak; }));
        QCOMPARE(pointOf(layout, fixed, Handle::onset), layout.at(-2, 0));
        QCOMPARE(dragHandle(layout, fixed, Handle::onset, layout.at(-3, 0), false).front().second, 3.0);
    }
    void handlesOnOnePlaceStepAside()
    {
        const Envelope e = shape().with(F::hold, 0);
        const AnvilLayout layout = layOutAnvil({1200, 220}, e, false);
        const QPointF peak = pointOf(layout, e, Handle::peak);
        const QPointF hold = pointOf(layout, e, Handle::hold);
        QVERIFY(hold.x() - peak.x() >= 12);
        QCOMPARE(handleAt(layout, e, peak), Handle::peak);
        QCOMPARE(handleAt(layout, e, hold), Handle::hold);
    }
    void draggingPutsTheHandleUnderTheHand_data()
    {
        QTest::addColumn<int>("handle");
        QTest::addColumn<double>("frame");
        QTest::addColumn<double>("level");
        QTest::addColumn<bool>("even");
        for (const bool even : {false, true}) {
            const char* axis = even ? "even" : "stretched";
            QTest::addRow("peak %s", axis) << static_cast<int>(Handle::peak) << 4.0 << 1.0 << even;
            QTest::addRow("hold %s", axis) << static_cast<int>(Handle::hold) << 9.0 << 1.0 << even;
            QTest::addRow("decay %s", axis) << static_cast<int>(Handle::decay) << 40.0 << 0.35 << even;
            QTest::addRow("rumble %s", axis) << static_cast<int>(Handle::rumble) << 66.0 << 0.1 << even;
            QTest::addRow("release %s", axis) << static_cast<int>(Handle::release) << 77.0 << 0.0 << even;
        }
    }
    void draggingPutsTheHandleUnderTheHand()
    {
        QFETCH(int, handle);
        QFETCH(double, frame);
        QFETCH(double, level);
        QFETCH(bool, even);
        Envelope e = shape();
        const AnvilLayout layout = layOutAnvil({1200, 220}, e, even);
        const auto which = static_cast<Handle>(handle);
        for (const auto& [field, value] : dragHandle(layout, e, which, layout.at(frame, level), false))
            e.set(field, value);
        const QPointF now = pointOf(layout, e, which);
        const QPointF wanted = layout.at(frame, level);
        QVERIFY2(std::abs(now.x() - wanted.x()) < 1e-6 && std::abs(now.y() - wanted.y()) < 1e-6,
                 qPrintable(QStringLiteral("%1 %2").arg(now.x() - wanted.x()).arg(now.y() - wanted.y())));
    }
    void draggingSnapsToFrames()
    {
        const Envelope e = shape();
        const AnvilLayout layout = layOutAnvil({1200, 220}, e, false);
        const auto coarse = dragHandle(layout, e, Handle::peak, layout.at(3.4, 1), false);
        QCOMPARE(coarse.front().second, 3.0);
        const auto fine = dragHandle(layout, e, Handle::peak, layout.at(3.4, 1), true);
        QVERIFY(std::abs(fine.front().second - 3.4) < 0.006);
        QCOMPARE(dragHandle(layout, e, Handle::peak, layout.at(-3, 1), false).front().second, 0.0);
        QVERIFY(dragHandle(layout, e, Handle::none, {}, false).empty());
    }
    void theCurveHandleBends()
    {
        Envelope e = shape();
        const AnvilLayout layout = layOutAnvil({1200, 220}, e, false);
        const double frame = curveHandleFrame(layout, e);
        for (const double level : {0.3, 0.5, 0.7, 0.9}) {
            Envelope bent = e;
            for (const auto& [field, value] : dragHandle(layout, e, Handle::curve, layout.at(frame, level), true))
                bent.set(field, value);
            QVERIFY2(std::abs(intensityAt(bent, frame) - level) < 0.01,
                     qPrintable(QString::number(intensityAt(bent, frame))));
        }
        QVERIFY(std::abs(slopeFall(Slope::power, 0.3, curveThrough(Slope::power, 0.3, 0.4), 1) - 0.4) < 1e-6);
    }
    void contactFramesDoNotOverlap()
    {
        test::Random random(14);
        for (int i = 0; i < 200; ++i) {
            Envelope e = shape();
            e.set(F::attack, random.whole(0, 5));
            e.set(F::rumbleLength, random.whole(0, 900));
            const AnvilLayout layout =
                layOutAnvil({random.between(700, 2400), random.between(150, 400)}, e, random.whole(0, 3) == 0);
            const double width = random.between(40, 120);
            const auto frames = contactFrames(layout, std::llround(e.peak()), width);
            QVERIFY(std::find(frames.begin(), frames.end(), std::llround(e.peak())) != frames.end()); // the peak always
            for (std::size_t k = 1; k < frames.size(); ++k)
                QVERIFY(layout.map.toPixel(static_cast<double>(frames[k])) -
                            layout.map.toPixel(static_cast<double>(frames[k - 1])) >=
                        width);
        }
    }
    void valuesOnHandlesNeverCollide()
    {
        // All shipped recipes and 200 chance envelopes, from narrow to wide, high and low.
        test::Random random(25);
        std::vector<Envelope> shapes;
        for (const BookEntry& entry : shippedRecipes()) {
            const Recipe& recipe = entry.recipe;
            shapes.push_back(recipe.envelope);
            for (const Strand& strand : recipe.strands)
                if (strand.envelope)
                    shapes.push_back(*strand.envelope);
        }
        QVERIFY(shapes.size() > 10);
        for (int i = 0; i < 200; ++i) {
            Envelope e;
            for (const F field : envelopeFields()) {
                const FieldSpec& spec = specOf(field);
                const double high =
                    spec.unit == "frames" ? std::min(spec.max, random.whole(0, 3) == 0 ? 300.0 : 20.0) : spec.max;
                const double value = random.between(spec.min, high);
                e.set(field, spec.choices.empty() ? value : std::floor(value));
            }
            shapes.push_back(e);
        }
        int offTheLine = 0;
        int all = 0;
        for (const Envelope& e : shapes)
            for (const double width : {960.0, 1280.0, 1920.0})
                for (const double height : {150.0, 205.0, 420.0}) {
                    const AnvilLayout layout = layOutAnvil({width, height}, e, false, roomForLanes(height, 3) ? 3 : 1);
                    const std::vector<Tag> tags = tagsOf(e);
                    std::vector<QSizeF> sizes;
                    for (std::size_t k = 0; k < tags.size(); ++k)
                        sizes.emplace_back(random.whole(62, 104), 19);
                    const auto places = placeTags(layout, e, tags, sizes);
                    QCOMPARE(places.size(), tags.size());
                    for (std::size_t k = 0; k < places.size(); ++k) {
                        QCOMPARE(places[k].size(), sizes[k]);
                        QVERIFY(places[k].left() >= layout.gutter.right() && places[k].right() <= width);
                        QVERIFY(places[k].top() >= 0 && places[k].bottom() <= layout.ruler.top());
                        for (std::size_t j = 0; j < k; ++j)
                            QVERIFY2(!places[k].intersects(places[j]),
                                     qPrintable(QStringLiteral("%1 x %2").arg(width).arg(height)));
                        for (const HandlePoint& point : handlePoints(layout, e))
                            QVERIFY(!places[k].contains(point.at));
                        ++all;
                        const QPointF from = tagPoint(layout, e, tags[k]) - places[k].center();
                        offTheLine += std::hypot(from.x(), from.y()) < 120 ? 1 : 0;
                    }
                }
        QVERIFY2(offTheLine > 0.8 * all, qPrintable(QStringLiteral("%1 of %2").arg(offTheLine).arg(all))); // near it
    }
    void lanesGiveWayWhereItIsLow()
    {
        QVERIFY(roomForLanes(205, 3) && roomForLanes(205, 4));
        QVERIFY(!roomForLanes(120, 3) && !roomForLanes(205, 12));
        const AnvilLayout layout = layOutAnvil({1280, 205}, shape(), false, 3);
        QVERIFY(layout.frames.height() >= 40); // pictures of a wide film are 64 wide
        for (std::size_t i = 0; i < 3; ++i) {
            const LaneParts parts = lanePartsAt(layout, i);
            QCOMPARE(laneAt(layout, parts.name.center().y()), std::optional(i));
            QVERIFY(parts.on.right() <= parts.name.left() && parts.name.right() <= parts.solo.left());
            QVERIFY(parts.solo.right() <= layout.gutter.right());
        }
        QVERIFY(!laneAt(layout, layout.plot.center().y()) && !laneAt(layout, layout.frames.center().y()));
    }
    void aHeatLineIsBoldAndColouredByColumn()
    {
        QImage image(60, 20, QImage::Format_RGB32);
        image.fill(Qt::black);
        HeatLine line;
        for (int i = 0; i <= 60; ++i)
            line.y.push_back(i < 30 ? 5.0 : 15.0); // a step down
        for (int i = 0; i < 60; ++i)
            line.colours.push_back(i < 30 ? Qt::red : Qt::blue);
        QPainter painter(&image);
        QCOMPARE(columnsOf(painter, QRectF(0, 0, 60, 20)), 60);
        paintHeatLine(painter, QRectF(0, 0, 60, 20), line, 2);
        painter.end();
        QCOMPARE(image.pixelColor(10, 4), QColor(Qt::red));
        QCOMPARE(image.pixelColor(10, 5), QColor(Qt::red));
        QCOMPARE(image.pixelColor(10, 7), QColor(Qt::black));
        QCOMPARE(image.pixelColor(50, 14), QColor(Qt::blue));
        QCOMPARE(image.pixelColor(29, 10), QColor(Qt::red)); // the step is drawn in the column before it
        QCOMPARE(image.pixelColor(31, 10), QColor(Qt::black));
        // At another scale of the screen it has a column for each pixel.
        QImage fine(120, 40, QImage::Format_RGB32);
        fine.setDevicePixelRatio(2);
        fine.fill(Qt::black);
        QPainter twice(&fine);
        QCOMPARE(columnsOf(twice, QRectF(0, 0, 60, 20)), 120);
    }
    void anvilBandsDoNotOverlap()
    {
        for (const double height : {120.0, 210.0, 500.0}) {
            const AnvilLayout layout = layOutAnvil({1000, height}, shape(), false);
            QVERIFY(layout.plot.bottom() <= layout.ruler.top() && layout.ruler.bottom() <= layout.lanes[0].top() &&
                    layout.lanes[0].bottom() <= layout.frames.top());
            QVERIFY(layout.frames.bottom() <= height + 1e-9);
            const AnvilLayout rows = layOutAnvil({1000, height + 60}, shape(), false, 3);
            QCOMPARE(rows.lanes.size(), std::size_t{3});
            QVERIFY(rows.ruler.bottom() <= rows.lanes[0].top() && rows.lanes[2].bottom() <= rows.frames.top());
        }
    }
    void reelKeepsItsTraceUnderAllLanes()
    {
        for (int which = 0; which < 8; ++which) {
            const ReelLanes lanes{(which & 1) != 0, (which & 2) != 0, (which & 4) != 0};
            for (const double more : {0.0, 50.0, 300.0}) {
                const double height = leastReelHeight(lanes) + more;
                const ReelLayout layout = layOutReel({1000, height}, 0, 100, lanes);
                double above = 0;
                for (const QRectF& band :
                     {layout.ruler, layout.shots, layout.thumbs, layout.sound, layout.intensity, layout.moves}) {
                    if (band.isEmpty())
                        continue;
                    QVERIFY(band.top() >= above);
                    above = band.bottom();
                }
                QVERIFY(layout.trace.top() >= above && layout.trace.height() >= 10);
                QVERIFY(layout.trace.bottom() <= height);
            }
        }
    }
    void reelFindsSparks()
    {
        const ReelLayout layout = layOutReel({1280, 126}, 0, 288);
        std::vector<Strike> strikes(3);
        for (std::size_t i = 0; i < 3; ++i) {
            strikes[i].id = static_cast<StrikeId>(i + 1);
            strikes[i].frame = Frame{static_cast<std::int64_t>(40 + 100 * i)};
        }
        const double y = layout.sparks.center().y();
        QCOMPARE(strikeAt(layout, strikes, {layout.sparkX(140) + 3, y}), StrikeId{2});
        QCOMPARE(strikeAt(layout, strikes, {layout.sparkX(90), y}), StrikeId{0});
        QCOMPARE(strikeAt(layout, strikes, {layout.sparkX(140), layout.thumbs.center().y()}), StrikeId{0});
        QCOMPARE(strikesBetween(layout, strikes, layout.sparkX(250), layout.sparkX(100)),
                 (std::vector<StrikeId>{2, 3}));
        QVERIFY(layout.sparkHeight(1.5) > layout.sparkHeight(1) && layout.sparkHeight(1) > layout.sparkHeight(0.3));
        QVERIFY(layout.sparkHeight(4) <= layout.sound.height());
    }
    void reelZoomsAboutTheHand()
    {
        const ReelLayout layout = layOutReel({1280, 126}, 0, 1000);
        const double pixel = layout.map.toPixel(300);
        const ReelRange closer = zoomed({0, 1000}, layout.map, pixel, 0.25, 1000);
        QCOMPARE(closer.last - closer.first, 250.0);
        const EvenMap after{closer.first, closer.last, layout.map.left, layout.map.right};
        QVERIFY(std::abs(after.toPixel(300) - pixel) < 1e-6);
        const ReelRange all = zoomed(closer, after, pixel, 100, 1000);
        QVERIFY(all.first == 0 && all.last == 1000);
        QCOMPARE(scrolled(closer, -1e6, 1000).first, 0.0);
        QCOMPARE(scrolled(closer, 1e6, 1000).last, 1000.0);
        const ReelRange tiny = zoomed(closer, after, pixel, 1e-6, 1000);
        QVERIFY(tiny.last - tiny.first >= 8);
    }
    void theTraceNeverMissesAPeak()
    {
        // Two hours in a thousand pixels: a strike of half a second is far narrower than a pixel.
        Project project;
        project.width = 1280;
        project.addShot(Shot{"x", 172800});
        Envelope e;
        e.set(F::rumble, 0);
        project.addRecipe(test::plainRecipe(Noise{2, 0.5, 2}, test::amountOf(Axis::y, 30), e));
        test::Random random(8);
        for (int i = 0; i < 60; ++i) {
            Strike strike;
            strike.frame = Frame{random.whole(0, 172000)};
            strike.recipe = 1;
            strike.seed = static_cast<std::uint32_t>(i);
            project.addStrike(strike);
        }
        const Motion motion(project);
        Survey survey;
        survey.update(project, motion);
        const ReelLayout layout = layOutReel({1100, 126}, 0, 172800);
        const auto trace = traceSlots(layout, survey.ways(), &Way::y);
        for (const StrikeSpan& span : motion.spans()) {
            const auto& slot = trace[static_cast<std::size_t>(layout.map.toPixel(span.peak) - layout.trace.left())];
            QVERIFY(std::max(slot.high, -slot.low) >= 29.9);
        }
        // Seen closely it goes through what every frame does.
        const StrikeSpan& span = motion.spans().front();
        const ReelLayout close = layOutReel({1100, 126}, std::floor(span.peak) - 10, std::floor(span.peak) + 30);
        const auto fine = traceSlots(close, survey.ways(), &Way::y);
        for (int k = -8; k < 28; ++k) {
            const double frame = std::floor(span.peak) + k;
            const auto slot = static_cast<std::size_t>(std::floor(close.map.toPixel(frame) - close.trace.left()));
            const double way = cornerWay(motion.poseAt(frame), project.width, project.height).y;
            QVERIFY(fine[slot].low - 1.5 <= way && way <= fine[slot].high + 1.5);
        }
    }
    void aRecipeAloneMovesAsItDoesInTheFilm()
    {
        // As on the Anvil's rows: the strike's recipe as it is felt, without what stands around it.
        Project project;
        project.addShot(Shot{"x", 500});
        Envelope e = shape();
        e.set(F::rumbleUntil, static_cast<double>(RumbleUntil::nextStrike));
        project.addRecipe(test::plainRecipe(Noise{2, 0.5, 2}, test::amountOf(Axis::y, 30), e));
        for (const int frame : {20, 150}) {
            Strike strike;
            strike.frame = Frame{frame};
            strike.recipe = 1;
            strike.seed = 7; // strikeAlone's
            strike.direction = 90;
            strike.strength = frame == 20 ? 1 : 0; // the second only ends the first one's rumble
            project.addStrike(strike);
        }
        const Motion film(project);
        const Motion alone(strikeAlone(project, recipeOf(project, project.strikes[0]), 20));
        QVERIFY(!film.poseAt(155).atRest()); // being released
        for (double t = 10; t < 250; t += 0.5)
            QCOMPARE(alone.poseAt(t), film.poseAt(t));
    }
    void thePictureFitsItsView()
    {
        const QRectF wide = fitPicture({900, 400}, 1280, 720);
        QCOMPARE(wide.size(), QSizeF(wide.size().toSize())); // whole pixels, and the shape kept within half of one
        QVERIFY(std::abs(wide.width() - wide.height() * 1280 / 720) <= 0.5 + 0.5 * 1280 / 720);
        QVERIFY(wide.left() > 0 && wide.top() >= 6 && wide.right() < 900 && wide.bottom() < 400);
        const QRectF tall = fitPicture({900, 400}, 100, 400);
        QVERIFY(std::abs(tall.center().x() - 450) <= 1);
        // Where there is hardly more room than the picture needs, it is shown pixel for pixel; with much more, larger.
        QCOMPARE(fitPicture({1400, 800}, 1280, 720).size(), QSizeF(1280, 720));
        QVERIFY(fitPicture({1800, 1100}, 1280, 720).width() > 1600);
    }
    void thePictureIsMagnifiedAboutTheHand()
    {
        test::Random random(31);
        for (int i = 0; i < 400; ++i) {
            const PictureSight::Scene scene{{double(random.whole(300, 1400)), double(random.whole(200, 900))},
                                            random.whole(64, 4000),
                                            random.whole(64, 3000),
                                            random.whole(0, 1) == 0 ? 1.0 : 2.0};
            PictureSight sight;
            QVERIFY(sight.fits());
            QCOMPARE(sight.frameRect(scene), fitPicture(scene.view, scene.width, scene.height));
            const QRectF fit = sight.frameRect(scene);
            const QPointF hand(random.between(fit.left(), fit.right()), random.between(fit.top(), fit.bottom()));
            const QPointF under = (hand - fit.topLeft()) / fit.width();
            const double wanted = sight.scale(scene) * random.between(1.5, 4);
            sight.setScale(scene, wanted, hand);
            QCOMPARE(sight.scale(scene), std::clamp(wanted, PictureSight::least, PictureSight::most));
            const QRectF large = sight.frameRect(scene);
            if (large.width() > scene.view.width() && large.height() > scene.view.height()) {
                const QPointF still = large.topLeft() + under * large.width();
                // To a pixel: pictures lie on whole ones. Unless the view's middle would leave the picture.
                if (large.adjusted(2, 2, -2, -2).contains(QPointF(scene.view.width() / 2, scene.view.height() / 2)))
                    QVERIFY(std::abs(still.x() - hand.x()) <= 1 && std::abs(still.y() - hand.y()) <= 1);
            }
            for (int k = 0; k < 5; ++k)
                sight.move(scene, {random.between(-9000, 9000), random.between(-9000, 9000)});
            QVERIFY(sight.frameRect(scene)
                        .adjusted(-1, -1, 1, 1)
                        .contains(QPointF(scene.view.width() / 2, scene.view.height() / 2))); // never lost
            sight.setScale(scene, 1e9, hand);
            QCOMPARE(sight.scale(scene), PictureSight::most);
            sight.setScale(scene, 1e-9, hand);
            QVERIFY(std::abs(sight.scale(scene) - PictureSight::least) < 1e-9);
            QVERIFY(std::abs(sight.frameRect(scene).center().x() - scene.view.width() / 2) <=
                    1); // all of it: in the middle
            sight.fit();
            QCOMPARE(sight.frameRect(scene), fit);
        }
    }
    void ownLinesAreRead()
    {
        Guides guides;
        setOwnLines(guides, QStringLiteral("x 25 %, X 75%; y 12,5 nonsense z 3 x x 130 y"));
        QCOMPARE(guides.x, (std::vector<double>{0.25, 0.75}));
        QCOMPARE(guides.y, (std::vector<double>{0.125}));
        Guides again;
        setOwnLines(again, ownLines(guides));
        QVERIFY(again == guides);
        setOwnLines(guides, QString());
        QVERIFY(guides == Guides());
    }
    void playLines()
    {
        const PlayLine straight{100, 0, 0, 1000};
        QCOMPARE(straight.at(50), 150);
        QCOMPARE(straight.at(5000), 1000);
        QVERIFY(!straight.finished(899) && straight.finished(900));
        QCOMPARE(straight.straightFrom(400), 500);
        const PlayLine loop{250, 200, 300, 1000};
        QCOMPARE(loop.at(49), 299);
        QCOMPARE(loop.at(50), 200);
        QCOMPARE(loop.at(50 + 100 * 7 + 3), 203);
        QCOMPARE(loop.straightFrom(50), 100);
        QVERIFY(!loop.finished(1'000'000));
        const PlayLine beyond{400, 200, 300, 1000}; // began after the loop: goes to the end
        QVERIFY(!beyond.loops());
        const PlayLine before{0, 200, 300, 1000};
        QCOMPARE(before.at(299), 299);
        QCOMPARE(before.at(300), 200);
    }
    void heatRises()
    {
        QCOMPARE(theme::heat(0), QColor(0x58, 0x54, 0x6e));
        QCOMPARE(theme::heat(0.5), QColor(0xb2, 0x3a, 0x24));
        QCOMPARE(theme::heat(1), QColor(0xff, 0xe8, 0xb0));
        QCOMPARE(theme::heat(1.01), QColor(0xff, 0xff, 0xff));
        QCOMPARE(theme::heat(-3), theme::heat(0));
    }
    void textHasContrast()
    {
        const auto light = [](const QColor& c) {
            const auto linear = [](double v) { return v <= 0.04045 ? v / 12.92 : std::pow((v + 0.055) / 1.055, 2.4); };
            return 0.2126 * linear(c.redF()) + 0.7152 * linear(c.greenF()) + 0.0722 * linear(c.blueF());
        };
        const auto contrast = [&](const QColor& a, const QColor& b) {
            const double x = light(a);
            const double y = light(b);
            return (std::max(x, y) + 0.05) / (std::min(x, y) + 0.05);
        };
        for (const theme::Scheme scheme : {theme::Scheme::light, theme::Scheme::dark}) {
            theme::setScheme(*qApp, scheme);
            for (const QColor& ground : {theme::window, theme::panel, theme::raised})
                for (const QColor& ink : {theme::text, theme::dim, theme::copper})
                    QVERIFY2(contrast(ground, ink) >= 4.5, qPrintable(ground.name() + ink.name()));
            QVERIFY(contrast(theme::surround, theme::onSurround) >= 4.5);
            // Steps of heat can be told apart, and the second curve from its paper.
            for (int i = 0; i < 4; ++i)
                QVERIFY(theme::heat(0.25 * i) != theme::heat(0.25 * (i + 1)));
            QVERIFY(contrast(theme::window, theme::secondInk) >= 3);
        }
    }
};

EMBER_TEST(GeometryTest)
#include "tst_geometry.moc"
