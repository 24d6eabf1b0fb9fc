// SPDX-License-Identifier: GPL-3.0-or-later
#include <cmath>

#include <QTest>

#include "ember/core/motion.h"
#include "ember/core/values.h"
#include "ember/project/curve_edits.h"
#include "ember/project/document.h"
#include "ember/project/shipped_recipes.h"
#include "runner.h"

using namespace ember;
using F = EnvelopeField;

namespace {

/// Three landings of one recipe.
Project film()
{
    Project project = newProject(1280, 720, FrameRate());
    project.addShot(Shot{"a.mp4", 300});
    for (const int frame : {10, 100, 200})
        project = withStrike(std::move(project), Frame{frame}, StrikeKind::landing, 1).project;
    return project;
}

const Recipe& weight(const Project& project)
{
    return *project.recipeNamed("Dead weight");
}

} // namespace

class RecipeEditsTest : public QObject {
    Q_OBJECT
private slots:
    void aRecipesValueReachesAllItsStrikes()
    {
        const Project next = withRecipeValue(film(), {1}, "strand.Kick.amount.y", 44, ShapeScope::recipe);
        for (const Strike& strike : next.strikes)
            QCOMPARE(readValue(recipeOf(next, strike), "strand.Kick.amount.y"), std::optional(44.0));
    }
    void anOwnValueIsTheStrikesAlone()
    {
        Project next = withRecipeValue(film(), {2}, "strand.Kick.amount.y", 44, ShapeScope::strike);
        QCOMPARE(readValue(weight(next), "strand.Kick.amount.y"), std::optional(30.0));
        QCOMPARE(readValue(recipeOf(next, *next.strike(2)), "strand.Kick.amount.y"), std::optional(44.0));
        QCOMPARE(next.strike(2)->overrides.all().size(), std::size_t{1});
        // It stands when the recipe changes, and follows again once it is given back.
        next = withRecipeValue(std::move(next), {1}, "strand.Kick.amount.y", 20, ShapeScope::recipe);
        QCOMPARE(readValue(recipeOf(next, *next.strike(2)), "strand.Kick.amount.y"), std::optional(44.0));
        next = withoutOverride(std::move(next), {2}, "strand.Kick.amount.y");
        QCOMPARE(readValue(recipeOf(next, *next.strike(2)), "strand.Kick.amount.y"), std::optional(20.0));
        QVERIFY(next.strike(2)->overrides.empty());
        // Out of range is moved inside; what is no value changes nothing.
        next = withRecipeValue(std::move(next), {2}, "strand.Kick.damping", 1e9, ShapeScope::strike);
        QCOMPARE(next.strike(2)->overrides["strand.Kick.damping"], std::optional(0.98));
        QVERIFY(withRecipeValue(next, {2}, "strand.Kick.octaves", 3, ShapeScope::strike) == next);
    }
    void ownKeysAreTheStrikesAlone()
    {
        Project project = film();
        Recipe& shared = *project.recipe(project.strikes[0].recipe);
        Drawn line;
        line.asDrawn = true;
        line.keys[1] = {{0, 1, Ease::smooth}, {8, 0, Ease::smooth}};
        Strand hand;
        hand.name = "Hand";
        hand.source = line;
        hand.amount[Axis::y] = 10;
        shared.strands = {hand};
        const auto keysOf = [](const Project& p, StrikeId id) {
            return std::get<Drawn>(recipeOf(p, *p.strike(id)).strand("Hand")->source).keys[1];
        };
        const std::vector<CurveKey> mine{{4, -0.5, Ease::linear}, {0, 0.5, Ease::smooth}};
        Project next = withDrawnKeys(project, {2}, "Hand", Axis::y, mine, ShapeScope::strike);
        QCOMPARE(keysOf(next, 2).size(), std::size_t{2});
        QCOMPARE(keysOf(next, 2)[1], (CurveKey{4, -0.5, Ease::linear})); // in the order of their frames
        QCOMPARE(keysOf(next, 1), line.keys[1]);
        QVERIFY(next.recipes == project.recipes);
        // They are what is felt, of this strike alone.
        const Motion motion(next);
        QVERIFY(std::abs(motion.poseAt(static_cast<double>(next.strike(2)->frame.index) + 4).y + 5) < 1e-9);
        // For the recipe: all follow, and what is edited is what is felt.
        const Project all = withDrawnKeys(next, {2}, "Hand", Axis::y, {{0, 1, Ease::hold}}, ShapeScope::recipe);
        for (const StrikeId id : {1, 2, 3})
            QCOMPARE(keysOf(all, id), (std::vector<CurveKey>{{0, 1, Ease::hold}}));
        QVERIFY(all.strike(2)->overrides.empty());
        // They follow a new name, are given back, and go with the strand.
        const Project named = withStrandRenamed(next, shared.id, 0, "Line");
        QVERIFY(named.strike(2)->overrides.keysOf("Line") != nullptr &&
                named.strike(2)->overrides.keysOf("Hand") == nullptr);
        QVERIFY(withoutOwnKeys(next, {2}, "Hand") == project);
        QVERIFY(withoutStrand(next, shared.id, 0).strike(2)->overrides.empty());
        QVERIFY(withDrawnKeys(next, {2}, "nobody", Axis::y, mine, ShapeScope::strike) == next);
        // Made a recipe of their own, they are its.
        const RecipeAdded own = withOwnRecipe(next, 2);
        QCOMPARE(std::get<Drawn>(own.project.recipe(own.id)->strands[0].source).keys[1], keysOf(next, 2));
    }
    void theShapeReachesTheLastKey()
    {
        // Whether it rumbles or not, with a rate that falls, for the recipe or the strike.
        for (const double rumble : {0.0, 0.2})
            for (const ShapeScope scope : {ShapeScope::recipe, ShapeScope::strike}) {
                Project project = film();
                project.strikes = {*project.strike(2)}; // or what runs longer adds to it
                Recipe& shared = *project.recipe(project.strikes[0].recipe);
                shared.envelope = shared.envelope.with(F::rumble, rumble).with(F::rumbleLength, 10);
                Drawn line;
                line.keys[1] = {{0, 1, Ease::linear}, {90, 0.5, Ease::linear}};
                Strand hand;
                hand.name = "Hand";
                hand.source = line;
                hand.rate = {9, 3, 20};
                hand.amount[Axis::y] = 10;
                shared.strands = {hand};
                const auto felt = [](const Project& p) { return recipeOf(p, *p.strike(2)); };
                QVERIFY(lastFeltKeyFrame(felt(project), *felt(project).strand("Hand")) < 90);
                const Project next = withShapeReaching(project, {2}, "Hand", 90, scope);
                const Recipe now = felt(next);
                QVERIFY(lastFeltKeyFrame(now, *now.strand("Hand")) >= 90);
                QCOMPARE(next.recipes == project.recipes, scope == ShapeScope::strike);
                // The last key is there, on its frame.
                const double at = now.envelope.peak() + framesOfPace(hand.rate, 90);
                const double y = Motion(next).poseAt(static_cast<double>(next.strike(2)->frame.index) + at).y;
                const double level = intensityAt(now.envelope, at);
                QVERIFY(level > 0);
                QVERIFY2(std::abs(std::abs(y) - 5 * level) < 1e-4, qPrintable(QString::number(y)));
                QVERIFY(withShapeReaching(next, {2}, "Hand", 90, scope) == next); // once is enough
            }
    }
    void linksAndOwnValuesThroughUndo()
    {
        Document document(film());
        const Project before = document.project();
        document.edit(withRecipeValue(document.project(), {2}, "envelope.decay", 50, ShapeScope::strike), "own");
        document.edit(withRecipeValue(document.project(), {1}, "envelope.decay", 9, ShapeScope::recipe), "all");
        const auto decay = [&](StrikeId id) {
            return envelopeOf(document.project(), *document.project().strike(id))[F::decay];
        };
        QCOMPARE(decay(1), 9.0);
        QCOMPARE(decay(2), 50.0);
        QCOMPARE(decay(3), 9.0);
        document.undo();
        QCOMPARE(decay(1), 22.0);
        QCOMPARE(decay(2), 50.0);
        document.undo();
        QVERIFY(document.project() == before);
        document.redo();
        document.redo();
        QCOMPARE(decay(2), 50.0);
        QCOMPARE(decay(3), 9.0);
    }
    void aStrikeGetsItsOwnRecipe()
    {
        Project project = withRecipeValue(film(), {2}, "envelope.decay", 50, ShapeScope::strike);
        const Motion before(project);
        const auto [next, made] = withOwnRecipe(project, 2);
        QCOMPARE(next.strike(2)->recipe, made);
        QCOMPARE(next.recipe(made)->name, std::string("Dead weight 2"));
        QVERIFY(next.strike(2)->overrides.empty());
        QCOMPARE(next.strike(1)->recipe, project.strike(1)->recipe);
        const Motion after(next);
        for (double t = 0; t < 300; t += 0.5)
            QCOMPARE(after.poseAt(t), before.poseAt(t)); // it moves as it did
    }
    void aRecipeIsAppliedAsItIs()
    {
        Project project = withRecipeValue(film(), {2}, "envelope.decay", 50, ShapeScope::strike);
        const auto [added, blow] = withRecipe(std::move(project), shippedRecipes().front().recipe);
        const Project next = withRecipeApplied(added, {2, 3}, blow);
        QVERIFY(next.strike(2)->recipe == blow && next.strike(3)->recipe == blow);
        QVERIFY(next.strike(2)->overrides.empty());
        QCOMPARE(next.strike(2)->strength, added.strike(2)->strength);
        QCOMPARE(next.strike(2)->seed, added.strike(2)->seed);
        QVERIFY(next.strike(1)->recipe != blow);
    }
    void recipesAreNamedMovedCopiedAndDeleted()
    {
        Project project = film();
        const RecipeId id = weight(project).id;
        QCOMPARE(usersOf(project, id), std::size_t{3});
        QVERIFY(withRecipeRenamed(project, id, "Hard blow") == project); // taken
        QVERIFY(withRecipeRenamed(project, id, "") == project);
        QCOMPARE(withRecipeRenamed(project, id, "Slab").recipe(id)->name, std::string("Slab"));
        QCOMPARE(withRecipeMoved(project, id, -1).recipes.front().id, id);
        QCOMPARE(withRecipeMoved(project, id, 99).recipes.back().id, id);
        const auto [copied, copy] = withRecipe(project, *project.recipe(id));
        QCOMPARE(copied.recipe(copy)->strands, weight(project).strands);
        QCOMPARE(usersOf(copied, copy), std::size_t{0});
        const RecipeId other = project.recipeNamed("Hard blow")->id;
        const Project moved = withoutRecipe(project, id, other);
        QVERIFY(moved.recipe(id) == nullptr);
        QCOMPARE(usersOf(moved, other), std::size_t{3});
        QVERIFY(withoutRecipe(project, id, 0).strikes.empty());
    }
    void strandsAreAddedMovedRenamedAndDeleted()
    {
        Project project = withRecipeValue(film(), {2}, "strand.Rattle.rate", 20, ShapeScope::strike);
        const RecipeId id = weight(project).id;
        const Motion before(project);
        // Order and names do not change what is felt.
        Project next = withStrandRenamed(withStrandMoved(project, id, 1, 1), id, 2, "Chatter");
        QCOMPARE(weight(next).strands[2].name, std::string("Chatter"));
        QCOMPARE(next.strike(2)->overrides["strand.Chatter.rate"], std::optional(20.0));
        const Motion after(next);
        for (double t = 0; t < 300; t += 1) {
            QVERIFY(std::abs(after.poseAt(t).y - before.poseAt(t).y) < 1e-9);
        }
        QVERIFY(withStrandRenamed(next, id, 2, "Kick") == next); // taken
        next = withoutStrand(std::move(next), id, 2);
        QCOMPARE(weight(next).strands.size(), std::size_t{2});
        QVERIFY(next.strike(2)->overrides.empty()); // its own value went with the strand
        next = withStrand(std::move(next), id, weight(project).strands[0]);
        QCOMPARE(weight(next).strands.back().name, std::string("Kick 2"));
        QVERIFY(withoutStrand(next, id, 77) == next);
    }
    void anotherSourceTakesDeadValuesAway()
    {
        Project project = withRecipeValue(film(), {2}, "strand.Rattle.octaves", 6, ShapeScope::strike);
        project = withRecipeValue(std::move(project), {1}, "strand.Rattle.source", 2, ShapeScope::recipe);
        QVERIFY(std::holds_alternative<Jitter>(weight(project).strands[1].source));
        QVERIFY(project.strike(2)->overrides.empty());
    }
    void strandsGoThroughTheClipboard()
    {
        Strand strand = weight(film()).strands[1];
        strand.envelope.emplace();
        strand.intermittent.mode = IntermittentMode::set;
        const auto back = strandFromText(strandToText(strand));
        QVERIFY(back);
        QVERIFY(back.value() == strand);
        for (const char* text : {"", "hello", "{}", "{\"vember_strand\": 4}", "{\"vember_strand\": {\"name\": \"a\"}}"})
            QVERIFY2(!strandFromText(text), text);
    }
    void newVariationsLeaveLockedOnes()
    {
        Project project = film();
        project.strike(2)->locked = true;
        const Project next = withNewVariation(project, {1, 2, 3});
        QVERIFY(next.strike(1)->seed != project.strike(1)->seed);
        QCOMPARE(next.strike(2)->seed, project.strike(2)->seed);
        QVERIFY(next.strike(3)->seed != project.strike(3)->seed);
        // Where all move alike it is the recipe's seed that changes.
        project.recipe(weight(project).id)->variation = Variation::same;
        const Project alike = withNewVariation(project, {1, 3});
        QCOMPARE(alike.strike(1)->seed, project.strike(1)->seed);
        QVERIFY(weight(alike).seed != weight(project).seed);
    }
};

EMBER_TEST(RecipeEditsTest)
#include "tst_recipe_edits.moc"
