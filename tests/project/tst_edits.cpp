// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>
#include <cmath>
#include <set>

#include <QTest>

#include "ember/core/cover.h"
#include "ember/project/document.h"
#include "ember/project/edits.h"
#include "ember/project/recipe_edits.h"
#include "ember/project/shipped_recipes.h"
#include "pictures.h"
#include "runner.h"

using namespace ember;
using F = EnvelopeField;

namespace {

Project film(std::int64_t length = 300)
{
    Project project = newProject(1280, 720, FrameRate());
    project.addShot(Shot{"a.mp4", length});
    return project;
}

Project withStrikesAt(std::initializer_list<int> frames)
{
    Project project = film();
    for (const int frame : frames)
        project = withStrike(std::move(project), Frame{frame}, StrikeKind::hit, 1).project;
    return project;
}

} // namespace

class EditsTest : public QObject {
    Q_OBJECT
private slots:
    void aStrikeInAProjectWithoutRecipesGetsOne()
    {
        Project p = newProject(640, 360, FrameRate());
        p.recipes.clear();
        for (const StrikeKind kind : {StrikeKind::blast, StrikeKind::landing}) {
            auto [next, id] = withStrike(p, Frame{3}, kind, 1);
            const Recipe* recipe = next.recipe(next.strike(id)->recipe);
            QVERIFY(recipe != nullptr);
            QCOMPARE(recipe->name, std::string(starterRecipeName(kind)));
            QVERIFY(recipe->strands == newProject(640, 360, FrameRate()).recipeNamed(recipe->name)->strands);
        }
    }
    void strikesGetTheirKindsRecipe()
    {
        Project project = film();
        for (const auto kind : {StrikeKind::blast, StrikeKind::landing, StrikeKind::hit, StrikeKind::beat}) {
            auto [next, id] = withStrike(std::move(project), Frame{10}, kind, 0.7);
            project = std::move(next);
            const Strike& strike = *project.strike(id);
            QCOMPARE(project.recipe(strike.recipe)->name, std::string(starterRecipeName(kind)));
            QCOMPARE(strike.direction, usualDirection(kind));
            QCOMPARE(strike.strength, 0.7);
        }
        project.recipes.erase(project.recipes.begin());
        auto [next, id] = withStrike(std::move(project), Frame{10}, StrikeKind::hit, 99);
        QCOMPARE(next.strike(id)->recipe, next.recipes.front().id); // its own is gone
        QCOMPARE(next.strike(id)->strength, 10.0);
    }
    void seedsAreFreshAndRepeatable()
    {
        Project project = film();
        std::set<std::uint32_t> seeds;
        for (int i = 0; i < 200; ++i) {
            QCOMPARE(freshSeed(project), freshSeed(project));
            auto [next, id] = withStrike(std::move(project), Frame{i}, StrikeKind::hit, 1);
            project = std::move(next);
            QVERIFY(seeds.insert(project.strike(id)->seed).second);
        }
    }
    void movingStopsAtTheFilmsEnds()
    {
        const Project project = withStrikesAt({5, 50, 290});
        StrikeIds all;
        for (const Strike& s : project.strikes)
            all.push_back(s.id);
        const auto framesOf = [](const Project& p) {
            QList<qint64> list;
            for (const Strike& s : p.strikes)
                list << s.frame.index;
            return list;
        };
        QCOMPARE(framesOf(withStrikesMoved(project, all, 4)), QList<qint64>({9, 54, 294}));
        QCOMPARE(framesOf(withStrikesMoved(project, all, 100)), QList<qint64>({14, 59, 299}));
        QCOMPARE(framesOf(withStrikesMoved(project, all, -100)), QList<qint64>({0, 45, 285}));
        QCOMPARE(framesOf(withStrikesMoved(project, {all[0]}, 60)), QList<qint64>({50, 65, 290})); // kept in order
        QCOMPARE(framesOf(project), QList<qint64>({5, 50, 290}));
    }
    void duplicatesAreNewStrikes()
    {
        const Project project = withStrikesAt({5, 50});
        const auto [next, ids] =
            withStrikesDuplicated(project, {project.strikes[0].id, project.strikes[1].id, 999}, 280);
        QCOMPARE(ids.size(), std::size_t{2});
        QCOMPARE(next.strikes.size(), std::size_t{4});
        QCOMPARE(next.strike(ids[0])->frame.index, std::int64_t{285});
        QCOMPARE(next.strike(ids[1])->frame.index, std::int64_t{299}); // the end
        std::set<std::uint32_t> seeds;
        for (const Strike& s : next.strikes)
            seeds.insert(s.seed);
        QCOMPARE(seeds.size(), std::size_t{4});
    }
    void deletingTakesOnlyThose()
    {
        const Project project = withStrikesAt({5, 50, 90});
        const Project next = withoutStrikes(project, {project.strikes[1].id});
        QCOMPARE(next.strikes.size(), std::size_t{2});
        QVERIFY(next.strike(project.strikes[1].id) == nullptr);
    }
    void recipeScopeReachesAllStrikes()
    {
        Project project = withStrikesAt({5, 50});
        const StrikeId first = project.strikes[0].id;
        const Project shared = withRecipeValue(project, {first}, overrideKey(F::decay), 33, ShapeScope::recipe);
        for (const Strike& s : shared.strikes)
            QCOMPARE(envelopeOf(shared, s)[F::decay], 33.0);
        const Project own = withRecipeValue(project, {first}, overrideKey(F::decay), 33, ShapeScope::strike);
        QCOMPARE(envelopeOf(own, own.strikes[0])[F::decay], 33.0);
        QVERIFY(envelopeOf(own, own.strikes[1])[F::decay] != 33.0);
        QVERIFY(own.strikes[0].overrides[F::decay].has_value());
        // A recipe's change is seen on a strike that had its own value.
        const Project again = withRecipeValue(own, {first}, overrideKey(F::decay), 44, ShapeScope::recipe);
        QCOMPARE(envelopeOf(again, again.strikes[0])[F::decay], 44.0);
        QVERIFY(again.strikes[0].overrides.empty());
        QVERIFY(withoutOverrides(own, {first}).strikes[0].overrides.empty());
        QVERIFY(withRecipeValue(project, {999}, overrideKey(F::decay), 1, ShapeScope::recipe) == project);
    }
    void theWholeShakePeaksOnItsPeak()
    {
        // Not only each strand: all strands of a strike together are never further out than on the peak frame.
        for (const Recipe& recipe : film().recipes)
            for (std::uint32_t seed = 1; seed <= 60; ++seed) {
                Project project = film();
                Strike strike;
                strike.frame = Frame{20};
                strike.recipe = recipe.id;
                strike.seed = seed;
                if (seed % 3 == 0)
                    strike.direction = 7.0 * seed;
                project.addStrike(strike);
                const Motion motion(project);
                const Pose peak = motion.poseAt(20 + recipe.envelope.peak());
                for (double t = 19; t < 21 + recipe.envelope.end(); t += 0.5) {
                    const Pose pose = motion.poseAt(t);
                    QVERIFY(std::abs(pose.x) <= std::abs(peak.x) + 1e-9);
                    QVERIFY(std::abs(pose.y) <= std::abs(peak.y) + 1e-9);
                    QVERIFY(std::abs(pose.roll) <= std::abs(peak.roll) + 1e-9);
                    QVERIFY(std::abs(pose.zoom - 1) <= std::abs(peak.zoom - 1) + 1e-9);
                }
            }
    }
    void starterRecipesAreSound_data()
    {
        QTest::addColumn<int>("width");
        QTest::addColumn<int>("rate");
        for (const int width : {320, 1280, 3840})
            for (const int rate : {12, 24, 60})
                QTest::addRow("%d wide at %d", width, rate) << width << rate;
    }
    void starterRecipesAreSound()
    {
        QFETCH(int, width);
        QFETCH(int, rate);
        Project project = newProject(width, width * 9 / 16, *FrameRate::make(rate, 1));
        project.addShot(Shot{"a", 100000});
        QCOMPARE(project.recipes.size(), std::size_t{4});
        int at = 1000;
        for (const Recipe& recipe : std::vector<Recipe>(project.recipes)) {
            QVERIFY(std::holds_alternative<Kick>(recipe.strands.front().source));
            const Envelope& e = recipe.envelope;
            QVERIFY(e.peak() == std::round(e.peak()) && e.end() == std::round(e.end()));
            QVERIFY(e.peak() / rate <= 0.09);   // short at the front
            QVERIFY(e.end() > 4 * e.holdEnd()); // long behind
            Strike strike;
            strike.frame = Frame{at += 2000};
            strike.recipe = recipe.id;
            strike.direction = 90;
            project.addStrike(strike);
            const Motion motion(test::onlyStrike(project, project.strikes.back().id));
            // The same share of the picture and of a second, whatever the size and rate.
            double largest = 0;
            for (double t = at; t < at + e.end(); t += 0.25)
                largest = std::max(largest, std::hypot(motion.poseAt(t).x, motion.poseAt(t).y));
            QVERIFY2(largest / width < 0.06, qPrintable(QString::number(largest / width)));
            QVERIFY(motion.poseAt(at - 1).atRest() && motion.poseAt(at + e.end()).atRest());
            QVERIFY(coverZoom(motion.poseAt(at + e.peak()), project.width, project.height) < 1.25);
        }
        const Project landing = withStrike(project, Frame{0}, StrikeKind::landing, 1).project;
        QCOMPARE(landing.recipeNamed("Dead weight")->strands.front().amount[Axis::x],
                 0.0); // a landing goes straight down
    }
};

class DocumentTest : public QObject {
    Q_OBJECT
    static Project sized(int width)
    {
        Project project;
        project.width = width;
        return project;
    }

private slots:
    void undoAndRedo()
    {
        Document document(sized(100));
        for (int i = 1; i <= 500; ++i)
            QVERIFY(document.edit(sized(100 + i), "Width " + std::to_string(i)));
        QCOMPARE(document.undoText(), std::string("Width 500"));
        for (int i = 499; i >= 0; --i) {
            document.undo();
            QCOMPARE(document.project().width, 100 + i);
        }
        QVERIFY(!document.canUndo());
        document.undo();
        QCOMPARE(document.redoText(), std::string("Width 1"));
        document.redo();
        document.redo();
        QCOMPARE(document.project().width, 102);
        document.edit(sized(7), "Other way");
        QVERIFY(!document.canRedo());
        document.undo();
        QCOMPARE(document.project().width, 102);
    }
    void oneGestureIsOneStep()
    {
        Document document(sized(100));
        const auto drag = document.newGesture();
        for (int i = 1; i < 50; ++i)
            document.edit(sized(100 + i), "Dragged", drag);
        document.undo();
        QCOMPARE(document.project().width, 100);
        document.redo();
        QCOMPARE(document.project().width, 149);
        // Another drag of the same thing is another step.
        document.edit(sized(200), "Dragged", document.newGesture());
        document.undo();
        QCOMPARE(document.project().width, 149);
    }
    void gesturesThatComeBackLeaveNothing()
    {
        Document document(sized(100));
        const auto drag = document.newGesture();
        document.edit(sized(120), "Dragged", drag);
        document.edit(sized(100), "Dragged", drag);
        QVERIFY(!document.canUndo());
        QVERIFY(!document.modified());
        QVERIFY(!document.edit(sized(100), "Nothing"));
        QVERIFY(!document.canUndo());
    }
    void savedIsAPlaceInHistory()
    {
        Document document(sized(100));
        document.edit(sized(101), "a");
        QVERIFY(document.modified());
        document.markSaved();
        QVERIFY(!document.modified());
        document.edit(sized(102), "b");
        document.undo();
        QVERIFY(!document.modified());
        document.undo();
        QVERIFY(document.modified());
    }
    void savingInTheMiddleOfAGestureKeepsTheSavedStep()
    {
        Document document(sized(100));
        const auto drag = document.newGesture();
        document.edit(sized(110), "Dragged", drag);
        document.markSaved();
        document.edit(sized(120), "Dragged", drag);
        QVERIFY(document.modified());
        document.undo();
        QCOMPARE(document.project().width, 110);
        QVERIFY(!document.modified());
    }
    void snapshotsOutliveEdits()
    {
        Document document(sized(100));
        const auto before = document.snapshot();
        document.edit(sized(5), "x");
        QCOMPARE(before->width, 100);
    }
};

EMBER_TEST(EditsTest)
EMBER_TEST(DocumentTest)
#include "tst_edits.moc"
