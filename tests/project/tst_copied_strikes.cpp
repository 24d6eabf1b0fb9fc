// SPDX-License-Identifier: GPL-3.0-or-later
// Strikes copied within a film and to another one.
#include <QTest>

#include "ember/core/motion.h"
#include "ember/project/copied_strikes.h"
#include "ember/project/file.h"
#include "ember/project/recipe_edits.h"
#include "ember/project/shipped_recipes.h"
#include "runner.h"

using namespace ember;

namespace {

Project film(int width = 1280, int height = 720, FrameRate rate = FrameRate(), std::int64_t length = 300)
{
    Project project = newProject(width, height, rate);
    project.addShot(Shot{"a.mp4", length});
    return project;
}

/// A blast in a group with a value of its own, and a hit a second later.
Project source()
{
    Project project = film();
    project = withStrike(std::move(project), Frame{40}, StrikeKind::blast, 1.1).project;
    project = withStrike(std::move(project), Frame{64}, StrikeKind::hit, 0.6).project;
    StrikeGroup group;
    group.name = "floor";
    group.overlap.rule = OverlapRule::stronger;
    project.groups.push_back(group);
    Strike& blast = project.strikes.front();
    blast.name = "Ladle bursts";
    blast.group = "floor";
    blast.seed = 77;
    blast.direction = 200;
    blast.place = Place();
    project.recipe(blast.recipe)->name = "Ladle";
    return project;
}

StrikeIds idsOf(const Project& project)
{
    StrikeIds ids;
    for (const Strike& strike : project.strikes)
        ids.push_back(strike.id);
    return ids;
}

} // namespace

class CopiedStrikesTest : public QObject {
    Q_OBJECT
private slots:
    void aCopyIsOfItsStrikesOnly()
    {
        const Project from = source();
        const Project copy = copyOfStrikes(from, {from.strikes.front().id});
        QCOMPARE(copy.strikes.size(), std::size_t{1});
        QCOMPARE(copy.recipes.size(), std::size_t{1});
        QCOMPARE(copy.recipes.front().name, std::string("Ladle"));
        QCOMPARE(copy.groups.size(), std::size_t{1});
        QVERIFY(copy.shots.empty());
        const auto back = copyFromText(copyToText(copy));
        QVERIFY2(back, back ? "" : sentence(back.error()).c_str());
        QCOMPARE(copyToText(back.value()), copyToText(copy)); // all but identities, which are a project's own
        QCOMPARE(back->strikes.front().name, copy.strikes.front().name);
        QVERIFY(copyOfStrikes(from, {999}).strikes.empty());
    }

    /// In another film it moves as it did: at another rate and size as near as that allows, at its own exactly.
    void inAnotherFilmTheyShakeAsBefore()
    {
        const Project from = source();
        const Project copy = copyFromText(copyToText(copyOfStrikes(from, idsOf(from)))).value();
        const StrikesPasted pasted = withStrikesPasted(film(), copy, Frame{140}, CopiedFrom::elsewhere);
        QCOMPARE(pasted.ids.size(), std::size_t{2});
        QVERIFY(pasted.recipes == std::vector<std::string>{"Ladle"}); // the hit's is here already
        QCOMPARE(pasted.project.groups.size(), std::size_t{1});
        Project alone = from; // without what is of the film and not of the strikes
        alone.strikes.front().place.reset();
        Project there = pasted.project;
        there.strikes.front().place.reset();
        const Motion before(alone);
        const Motion after(there);
        bool moved = false;
        for (double f = 30; f < 190; f += 0.5) {
            QVERIFY(before.poseAt(f) == after.poseAt(f + 100));
            moved = moved || !before.poseAt(f).atRest();
        }
        QVERIFY(moved);

        const StrikesPasted large =
            withStrikesPasted(film(2560, 1440, *FrameRate::make(48, 1), 900), copy, Frame{100}, CopiedFrom::elsewhere);
        QCOMPARE(large.project.strikes[1].frame.index - large.project.strikes[0].frame.index, std::int64_t{48});
        QCOMPARE(large.project.strikes[0].name, std::string("Ladle bursts"));
        QCOMPARE(large.project.strikes[0].seed, 77U);
        const Motion twice(large.project);
        QVERIFY(std::abs(twice.poseAt(102).x - 2 * before.poseAt(41).x) < 0.2);
        // And the film can be saved and opened.
        QVERIFY(projectFromJson(projectToJson(large.project, "/x"), "/x", "x"));
    }

    void recipesOfOneNameStayTwo()
    {
        const Project from = source();
        const Project copy = copyOfStrikes(from, idsOf(from));
        Project to = film();
        const std::size_t before = to.recipes.size();
        StrikesPasted first = withStrikesPasted(to, copy, Frame{10}, CopiedFrom::elsewhere);
        QCOMPARE(first.project.recipes.size(), before + 1);
        // The same again shares it; changed over there it is another one.
        StrikesPasted again = withStrikesPasted(first.project, copy, Frame{100}, CopiedFrom::elsewhere);
        QCOMPARE(again.project.recipes.size(), before + 1);
        QVERIFY(again.recipes.empty());
        Project changed = copy;
        for (Recipe& recipe : changed.recipes)
            if (recipe.name == "Ladle")
                recipe.position = 2;
        changed.strikes.push_back(changed.strikes.front()); // two of it bring one recipe
        const StrikesPasted other = withStrikesPasted(again.project, changed, Frame{200}, CopiedFrom::elsewhere);
        QVERIFY(other.recipes == std::vector<std::string>{"Ladle 2"});
        QCOMPARE(other.project.recipes.size(), before + 2);
        QVERIFY(other.project.recipe(other.project.strike(other.ids[0])->recipe)->position == 2);
        QVERIFY(other.project.groups.size() == 1);
    }

    void hereTheyFollowTheirRecipeAsItIsNow()
    {
        Project project = source();
        const Project copy = copyFromText(copyToText(copyOfStrikes(project, idsOf(project)))).value();
        project.strikes.back().locked = true;
        project.recipe(project.strikes.front().recipe)->position = 3;
        Project locked = copy;
        locked.strikes.back().locked = true;
        const StrikesPasted pasted = withStrikesPasted(project, locked, Frame{200}, CopiedFrom::here);
        QCOMPARE(pasted.project.recipes.size(), project.recipes.size());
        const Strike& blast = *pasted.project.strike(pasted.ids[0]);
        QCOMPARE(blast.frame.index, std::int64_t{200});
        QCOMPARE(blast.recipe, project.strikes.front().recipe);
        QVERIFY(blast.seed != 77); // a variation of its own
        QVERIFY(pasted.project.strike(pasted.ids[1])->seed == copy.strikes[1].seed);
        // A recipe that was deleted meanwhile comes back.
        Project without = withoutStrikes(project, idsOf(project));
        std::erase_if(without.recipes, [](const Recipe& recipe) { return recipe.name == "Ladle"; });
        QVERIFY(withStrikesPasted(without, copy, Frame{0}, CopiedFrom::here).recipes ==
                std::vector<std::string>{"Ladle"});
        // Past the end they are left out.
        const StrikesPasted late = withStrikesPasted(project, copy, Frame{290}, CopiedFrom::here);
        QCOMPARE(late.ids.size(), std::size_t{1});
        QCOMPARE(late.past, std::size_t{1});
    }

    void valuesAlone()
    {
        const Project from = source();
        Project to = withStrike(film(), Frame{9}, StrikeKind::landing, 0.3).project;
        to.strikes.front().name = "Ingot";
        to.strikes.front().seed = 5;
        const StrikesPasted pasted =
            withValuesPasted(to, idsOf(to), copyOfStrikes(from, {from.strikes.front().id}), CopiedFrom::elsewhere);
        const Strike& strike = pasted.project.strikes.front();
        QCOMPARE(strike.name, std::string("Ingot"));
        QCOMPARE(strike.seed, 5U);
        QCOMPARE(strike.frame.index, std::int64_t{9});
        QVERIFY(!strike.place);
        QVERIFY(strike.kind == StrikeKind::blast && strike.strength == 1.1);
        QCOMPARE(pasted.project.recipe(strike.recipe)->name, std::string("Ladle"));
    }

    void anythingElseOnTheClipboardIsToldInASentence()
    {
        const std::string good = copyToText(copyOfStrikes(source(), idsOf(source())));
        for (const std::string text :
             {"", "  \n", "decay 20", "{}", "{\"strikes\": 5}", "[1,2]", "{\"vember\": 17, \"strikes\": []}"}) {
            const auto none = copyFromText(text);
            QVERIFY(!none);
            QVERIFY2(sentence(none.error()).size() > 25, sentence(none.error()).c_str());
        }
        for (std::size_t cut = 1; cut < good.size(); cut += 101)
            QVERIFY(!copyFromText(good.substr(0, cut)));
        // Pasting into nothing, or of nothing, is nothing.
        QVERIFY(withStrikesPasted(Project(), copyFromText(good).value(), Frame{0}, CopiedFrom::elsewhere).ids.empty());
        QVERIFY(withStrikesPasted(film(), Project(), Frame{0}, CopiedFrom::here).ids.empty());
        QVERIFY(withValuesPasted(film(), {1}, copyFromText(good).value(), CopiedFrom::elsewhere).ids.empty());
    }
};

EMBER_TEST(CopiedStrikesTest)
#include "tst_copied_strikes.moc"
