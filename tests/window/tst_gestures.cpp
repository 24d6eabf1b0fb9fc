// SPDX-License-Identifier: GPL-3.0-or-later
// What a hand does between press and release, without a window: other things happen to the document meanwhile.
#include <QSignalSpy>

#include "drag_edit.h"
#include "ember/project/edits.h"
#include "ember/project/shot_edits.h"
#include "messages.h"
#include "open_document.h"
#include "playhead.h"
#include "reel_gesture.h"
#include "reel_lanes.h"
#include "runner.h"
#include "selection.h"

using namespace ember;
using namespace ember::app;

namespace {

Shot shotOf(const char* clip, std::int64_t length)
{
    Shot shot;
    shot.clip = clip;
    shot.length = shot.available = length;
    return shot;
}

/// Two shots of 50 frames, strikes on 10, 20 and 70.
Project film()
{
    Project project;
    project.addRecipe(Recipe());
    project.addShot(shotOf("hammer.mp4", 50));
    project.addShot(shotOf("crane.mp4", 50));
    for (const std::int64_t frame : {10, 20, 70})
        project = withStrike(std::move(project), Frame{frame}, StrikeKind::hit, 1).project;
    return project;
}

} // namespace

class GesturesTest : public QObject {
    Q_OBJECT

    Messages messages_;
    std::unique_ptr<OpenDocument> document_;
    std::unique_ptr<DragEdit> drag_;
    const ReelLayout layout_ = layOutReel({1000, 140}, 0, 100, {true});

    const Project& project() { return document_->project(); }
    std::int64_t frameOf(std::size_t strike) { return project().strikes[strike].frame.index; }
    double pixels(double frames) const { return frames / layout_.map.framesPerPixel(); }
    void dragTo(ReelGesture& gesture, double frames)
    {
        gesture.moveTo(gesture.pressed() + QPointF(pixels(frames), 0));
        drag_->apply([&](Project p) { return gesture.withStrikesDragged(std::move(p), layout_); }, "moved");
    }

private slots:
    void init()
    {
        drag_.reset();
        document_ = std::make_unique<OpenDocument>(messages_);
        document_->replace(Document(film()));
        drag_ = std::make_unique<DragEdit>(*document_, messages_);
    }
    void aDragIsOneStepHoweverFarItGoes()
    {
        ReelGesture gesture;
        gesture.beginStrikes(project(), {project().strikes[0].id, project().strikes[1].id}, project().strikes[0].id,
                             {100, 60});
        drag_->begin();
        for (const double frames : {1.0, 5.0, 9.0, 4.0})
            dragTo(gesture, frames);
        QCOMPARE(frameOf(0), std::int64_t{14});
        QCOMPARE(frameOf(1), std::int64_t{24});
        drag_->end();
        document_->undo();
        QVERIFY(project() == film());
        QVERIFY(!document_->history().canUndo());
    }
    void whatArrivesMeanwhileStays()
    {
        ReelGesture gesture;
        gesture.beginStrikes(project(), {project().strikes[0].id}, project().strikes[0].id, {100, 60});
        drag_->begin();
        dragTo(gesture, 5);
        // A clip that was being read is there now.
        document_->edit([](Project p) { return withShotAdded(std::move(p), shotOf("ladle.mp4", 30), 2).project; },
                        "added");
        dragTo(gesture, 8);
        QCOMPARE(project().shots.size(), std::size_t{3});
        QCOMPARE(frameOf(0), std::int64_t{18});
        // And what is deleted stays deleted.
        const StrikeId gone = project().strikes[0].id;
        document_->edit([&](Project p) { return withoutStrikes(std::move(p), {gone}); }, "deleted");
        dragTo(gesture, 9);
        QCOMPARE(project().strikes.size(), std::size_t{2});
    }
    void strikesStayTogetherAndInTheFilm()
    {
        ReelGesture gesture;
        StrikeIds all;
        for (const Strike& strike : project().strikes)
            all.push_back(strike.id);
        gesture.beginStrikes(project(), all, all[0], {500, 60});
        drag_->begin();
        dragTo(gesture, -60);
        QCOMPARE(frameOf(0), std::int64_t{0});
        QCOMPARE(frameOf(1), std::int64_t{10});
        QCOMPARE(frameOf(2), std::int64_t{60});
        dragTo(gesture, 90);
        QCOMPARE(frameOf(2), std::int64_t{99});
        QCOMPARE(frameOf(0), std::int64_t{39});
        dragTo(gesture, 0);
        QVERIFY(project() == film());
        QVERIFY(!document_->history().canUndo()); // back where it began is no step
    }
    void keysOfTheLanesAreFoundAndMoved()
    {
        const ReelLayout layout = layOutReel({1000, 180}, 0, 100, {false, true, true});
        QVERIFY(!layout.intensity.isEmpty() && !layout.moves.isEmpty() && !layout.intensity.intersects(layout.trace));
        QVERIFY(layOutReel({1000, 180}, 0, 100).intensity.isEmpty());
        Master master;
        master.keys = {{Frame{10}, 1}, {Frame{50}, 0.5, Ease::smooth}, {Frame{80}, 3}};
        const std::vector<MoveKey> moves{{Frame{20}, 5, 0, 1, 0, Ease::smooth}, {Frame{60}}};
        for (std::size_t i = 0; i < master.keys.size(); ++i) {
            const QPointF at(layout.map.toPixel(static_cast<double>(master.keys[i].frame.index) + 0.5),
                             intensityToY(layout, master, master.keys[i].value));
            QCOMPARE(laneKeyAt(layout, master, moves, MovePart::x, at),
                     std::optional(LaneKey{LaneKey::Of::intensity, i}));
            QVERIFY(std::abs(intensityFromY(layout, master, at.y()) - master.keys[i].value) < 1e-9);
            QVERIFY(onIntensityLine(layout, master, at));
        }
        const QPointF move(layout.map.toPixel(60.5), layout.moves.center().y());
        QCOMPARE(laneKeyAt(layout, master, moves, MovePart::x, move), std::optional(LaneKey{LaneKey::Of::move, 1}));
        QVERIFY(!laneKeyAt(layout, master, moves, MovePart::x, move + QPointF(30, 0)));
        for (const auto& [part, value] : {std::pair(MovePart::x, 5.0), {MovePart::y, -8.0}, {MovePart::zoom, 1.1}}) {
            const double y = moveToY(layout, moves, part, value);
            QVERIFY(layout.moves.top() < y && y < layout.moves.bottom());
            QVERIFY(std::abs(moveFromY(layout, moves, part, y) - value) < 1e-9);
            QVERIFY(onMoveLine(layout, moves, part, value, {400, y + 4}));
            QVERIFY(!onMoveLine(layout, moves, part, value, {400, y + 7}));
        }
        QCOMPARE(moveInSteps(MovePart::roll, 1.234, false), 1.2);
        QCOMPARE(moveInSteps(MovePart::zoom, 9, false), 4.0);
        QVERIFY(!onIntensityLine(layout, master, QPointF(500, layout.intensity.bottom() - 1)));
        // Over another key: the moved one stays, with its ease; beyond what there is it is held.
        const auto over = withKeyAt(master.keys, 1, Frame{80}, 9);
        QCOMPARE(over.size(), std::size_t{2});
        QCOMPARE(over[1], (IntensityKey{Frame{80}, 4, Ease::smooth}));
        const auto moved = withKeyAt(moves, 0, Frame{90}, MovePart::y, -7);
        QCOMPARE(moved[1].frame.index, std::int64_t{90});
        QCOMPARE(moved[1].x, 5.0);
        QCOMPARE(moved[1].y, -7.0);
    }
    void cancelLeavesNothing()
    {
        ReelGesture gesture;
        gesture.beginStrikes(project(), {project().strikes[2].id}, project().strikes[2].id, {100, 60});
        drag_->begin();
        dragTo(gesture, 12);
        drag_->cancel();
        QVERIFY(!drag_->active());
        QVERIFY(project() == film());
        QVERIFY(!document_->history().canUndo() && !document_->history().canRedo());
        dragTo(gesture, 3); // the mouse still moves
        QVERIFY(project() == film());
        // With something else on top only what the drag did goes.
        gesture.beginStrikes(project(), {project().strikes[2].id}, project().strikes[2].id, {100, 60});
        drag_->begin();
        dragTo(gesture, 12);
        document_->edit([](Project p) { return withShotAdded(std::move(p), shotOf("ladle.mp4", 30), 2).project; },
                        "added");
        dragTo(gesture, 15); // and on
        drag_->cancel([&](Project p) { return gesture.withStrikesBack(std::move(p)); });
        QCOMPARE(frameOf(2), std::int64_t{70});
        QCOMPARE(project().shots.size(), std::size_t{3});
    }
    void undoLetsGo()
    {
        ReelGesture gesture;
        const QSignalSpy broken(drag_.get(), &DragEdit::broken);
        gesture.beginStrikes(project(), {project().strikes[0].id}, project().strikes[0].id, {100, 60});
        drag_->begin();
        dragTo(gesture, 5);
        document_->undo();
        QCOMPARE(broken.size(), 1);
        dragTo(gesture, 6);
        QVERIFY(project() == film());
        drag_->begin();
        document_->replace(Document());
        QCOMPARE(broken.size(), 2);
    }
    void aShotThatIsGoneIsNotDropped()
    {
        ReelGesture gesture;
        gesture.beginShot(project(), {1, ShotGrip::Part::body}, {700, 30});
        gesture.moveTo({100, 30});
        QCOMPARE(gesture.withShotDropped(project(), layout_).shots[0].clip, std::string("crane.mp4"));
        Project one = withoutShot(film(), project().shots[1].id);
        QCOMPARE(gesture.shotIndex(one), std::ptrdiff_t{-1});
        QVERIFY(gesture.withShotDropped(one, layout_) == one);
        // Trimmed by as much as the hand went, in the order that is now.
        gesture.beginShot(project(), {1, ShotGrip::Part::out}, {900, 30});
        gesture.moveTo({900 - pixels(7), 30});
        const Project swapped = withShotMoved(film(), project().shots[1].id, 0);
        const Project trimmed = gesture.withShotDropped(swapped, layout_);
        QCOMPARE(trimmed.shots[0].clip, std::string("crane.mp4"));
        QCOMPARE(trimmed.shots[0].length, std::int64_t{43});
    }
    void aClickIsNoDrag()
    {
        ReelGesture gesture;
        gesture.begin(ReelGesture::Kind::band, {100, 60});
        gesture.moveTo({102, 61});
        QVERIFY(!gesture.moved());
        gesture.moveTo({108, 61});
        gesture.moveTo({100, 60}); // there and back is one
        QVERIFY(gesture.moved());
    }

    // --- what a change tells
    void aChangeSaysWhatItIs_data()
    {
        QTest::addColumn<QString>("what");
        QTest::addColumn<QString>("expected");
        QTest::newRow("strength") << "strength"
                                  << "sound motion";
        QTest::newRow("recipe") << "recipe"
                                << "sound motion";
        QTest::newRow("edges") << "edges"
                               << "finish";
        QTest::newRow("layer") << "layer"
                               << "files layers";
        QTest::newRow("shot") << "shot"
                              << "film sound files motion";
        QTest::newRow("master") << "master"
                                << "sound motion";
        QTest::newRow("beats") << "beats"
                               << "";
        QTest::newRow("soundtrack") << "soundtrack"
                                    << "sound files";
    }
    void aChangeSaysWhatItIs()
    {
        QFETCH(QString, what);
        QFETCH(QString, expected);
        Project next = film();
        if (what == "strength")
            next.strikes[0].strength = 0.5;
        else if (what == "recipe")
            next.recipes[0].envelope.set(EnvelopeField::hold, 7);
        else if (what == "edges")
            next.finish.edges = next.finish.edges == EdgeMode::mirror ? EdgeMode::extend : EdgeMode::mirror;
        else if (what == "layer")
            next.layers.push_back({"Card", "card.png"});
        else if (what == "shot")
            next.shots[0].length = 40;
        else if (what == "master")
            next.master.bypass = true;
        else if (what == "beats")
            next.beats = BeatGrid();
        else if (what == "soundtrack")
            next.sound.file = "drums.wav";
        const Change change = Change::between(film(), next);
        QStringList told;
        for (const auto& [name, on] : {std::pair("film", change.film), std::pair("sound", change.sound),
                                       std::pair("files", change.files), std::pair("layers", change.layers),
                                       std::pair("motion", change.motion), std::pair("finish", change.finish)})
            if (on)
                told << QLatin1String(name);
        QCOMPARE(told.join(QLatin1Char(' ')), expected);
    }
    void ownersFollowTheDocumentBeforeAnyViewIsTold()
    {
        Selection selection(*document_);
        Playhead playhead(*document_);
        selection.set({project().strikes[2].id});
        playhead.setFrame(90);
        playhead.setLoop({60, 95, true});
        StrikeIds seen{1};
        connect(document_.get(), &OpenDocument::changed, this, [&] { seen = selection.ids(); });
        document_->edit([&](Project p) { return withoutStrikes(std::move(p), {p.strikes[2].id}); }, "deleted");
        QVERIFY(seen.empty());
        document_->edit([&](Project p) { return withoutShot(std::move(p), p.shots[1].id); }, "deleted");
        QCOMPARE(playhead.frame(), std::int64_t{49});
        QVERIFY(playhead.loop().first <= 49 && playhead.loop().last <= 49);
    }
};

EMBER_TEST(GesturesTest)
#include "tst_gestures.moc"
