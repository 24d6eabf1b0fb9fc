// SPDX-License-Identifier: GPL-3.0-or-later
#include <cmath>

#include <QTest>

#include "ember/core/motion.h"
#include "ember/core/values.h"
#include "ember/project/curve_edits.h"
#include "ember/project/shipped_recipes.h"
#include "runner.h"

using namespace ember;

namespace {

/// Two strikes of one recipe, on frames 20 and 60.
Project film()
{
    Project project = newProject(1280, 720, FrameRate());
    project.addShot(Shot{"a.mp4", 200});
    for (const std::int64_t frame : {20, 60})
        project = withStrike(std::move(project), Frame{frame}, StrikeKind::landing, 1).project;
    return project;
}

Recipe feltBy(const Project& project, StrikeId id)
{
    return recipeOf(project, *project.strike(id));
}

} // namespace

class CurveEditsTest : public QObject {
    Q_OBJECT
private slots:
    void handWorkBeginsWithoutMovingAnything()
    {
        const Project before = film();
        const Project begun = withHandBegun(before, 1);
        QCOMPARE(begun.recipes.size(), before.recipes.size());
        QVERIFY(handStrand(feltBy(begun, 1)) != nullptr && handStrand(feltBy(before, 1)) == nullptr);
        QVERIFY(withHandBegun(begun, 2) == begun); // it has one
        const Motion was(before);
        const Motion is(begun);
        for (double t = 0; t < 100; t += 0.5)
            QCOMPARE(is.poseAt(t), was.poseAt(t));
        QVERIFY(withHandBegun(before, 99) == before);
    }
    void posesAreTheTypedValues()
    {
        Project project = film();
        project.strikes.resize(1);
        auto [own, id] = withRecipe(std::move(project), handRecipe());
        project = withRecipeApplied(std::move(own), {1}, id);
        const std::array<std::pair<double, AxisValues>, 3> frames = [] {
            std::array<std::pair<double, AxisValues>, 3> made{{{1, {}}, {2, {}}, {5, {}}}};
            made[0].second[Axis::x] = 12.345678901;
            made[1].second[Axis::x] = -123.4;
            made[2].second[Axis::x] = 0.7;
            made[0].second[Axis::roll] = 0.3;
            made[1].second[Axis::roll] = -2.7182818;
            made[2].second[Axis::roll] = 1.1;
            return made;
        }();
        for (const auto& [frame, moves] : frames)
            project = withHandPose(std::move(project), {1}, "By hand", frame,
                                   {moves, {true, false, false, true, false, false}}, ShapeScope::recipe);
        const Motion motion(project);
        for (const auto& [frame, moves] : frames)
            for (const Axis axis : {Axis::x, Axis::roll})
                QVERIFY(std::abs(along(motion.poseAt(20 + frame), axis) - moves[axis]) < 1e-9);
        QVERIFY(motion.poseAt(20).atRest()); // one frame before the first
        QVERIFY(motion.poseAt(31).atRest()); // and six behind the last
        QCOMPARE(handStrand(feltBy(project, 1))->amount[Axis::x], 123.4);
        // A value beyond what an axis may go is moved there.
        AxisValues far;
        far[Axis::zoom] = 99;
        project = withHandPose(std::move(project), {1}, "By hand", 3, {far, {false, false, true, false, false, false}},
                               ShapeScope::recipe);
        QCOMPARE(movesOf(*handStrand(feltBy(project, 1)), Axis::zoom).back().value, amountLimit(Axis::zoom));
    }
    void otherKeysStayToTheLastBit()
    {
        Project project = withHandBegun(film(), 1);
        CurveKeys moves;
        for (int i = 0; i < 50; ++i)
            moves.push_back({static_cast<double>(i), 20 * std::sin(i * 0.7) + 0.1 * i, Ease::curve, 0.3 * i, 0.1});
        project = withMoves(std::move(project), {1}, "By hand", Axis::y, moves, ShapeScope::strike);
        const CurveKeys before = std::get<Drawn>(feltBy(project, 1).strand("By hand")->source).keys[1];
        CurveKeys changed = movesOf(*handStrand(feltBy(project, 1)), Axis::y);
        changed[10].value = 1;
        project = withMoves(std::move(project), {1}, "By hand", Axis::y, changed, ShapeScope::strike);
        const CurveKeys after = std::get<Drawn>(feltBy(project, 1).strand("By hand")->source).keys[1];
        for (std::size_t i = 0; i < before.size(); ++i)
            QVERIFY(i == 10 || before[i] == after[i]);
    }
    void scopeIsKept()
    {
        const Project before = withHandBegun(film(), 1);
        const CurveKeys moves{{0, 0}, {2, 30}, {6, 0}};
        const Project one = withMoves(before, {1}, "By hand", Axis::x, moves, ShapeScope::strike);
        QVERIFY(one.recipes == before.recipes);
        QVERIFY(one.strikes[1] == before.strikes[1]);
        QVERIFY(std::abs(Motion(one).poseAt(22).x - Motion(before).poseAt(22).x - 30) < 1e-9);
        QCOMPARE(Motion(one).poseAt(62), Motion(before).poseAt(62));
        // Given back, with the amounts they are shares of.
        QVERIFY(withoutOwnKeys(one, {1}, "By hand") == before);
        const Project all = withMoves(one, {1}, "By hand", Axis::x, moves, ShapeScope::recipe);
        QVERIFY(all.strikes[0].overrides.empty());
        QVERIFY(std::abs(Motion(all).poseAt(62).x - Motion(before).poseAt(62).x - 30) < 1e-9);
    }
    void curvesFollowTheirStrandAndScope()
    {
        const Project before = film();
        const std::string strand = before.recipe(before.strikes[0].recipe)->strands[1].name;
        const std::string key = "strand." + strand + ".rate";
        const CurveKeys rate{{0, 9}, {20, 2}};
        const Project one = withCurve(before, {1}, key, rate, ShapeScope::strike);
        QVERIFY(one.recipes == before.recipes);
        QVERIFY(curveOf(feltBy(one, 1), key) != nullptr && curveOf(feltBy(one, 2), key) == nullptr);
        const Project all = withCurve(one, {1}, key, rate, ShapeScope::recipe);
        QVERIFY(all.strikes[0].overrides.empty() && curveOf(feltBy(all, 2), key) != nullptr);
        // None of its own, though the recipe has one.
        const Project without = withCurve(all, {2}, key, {}, ShapeScope::strike);
        QVERIFY(curveOf(feltBy(without, 2), key) == nullptr && curveOf(feltBy(without, 1), key) != nullptr);
        QVERIFY(withoutOwnCurve(without, {2}, key) == all);
        // They go with the strand's name, and with the strand.
        const RecipeId id = all.strikes[0].recipe;
        const Project named = withStrandRenamed(one, id, 1, "Drone");
        QVERIFY(curveOf(feltBy(named, 1), "strand.Drone.rate") != nullptr);
        QVERIFY(withoutStrand(all, id, 1).recipe(id)->curves.empty());
        QVERIFY(withoutStrand(one, id, 1).strikes[0].overrides.empty());
        QVERIFY(withCurve(before, {1}, "strand.Nobody.rate", rate, ShapeScope::strike) == before);
    }
    void keysGoOverTheClipboard()
    {
        const CurveKeys keys{{-1.5, 0.25, Ease::curve, 0.5, -2}, {3, 100, Ease::hold}};
        const auto back = keysFromText(keysToText(keys));
        QVERIFY(back && back.value() == keys);
        for (const char* other : {"", "{}", "hello", "{\"vember_keys\": 5}", "{\"vember_keys\": [{\"frame\": 1e99}]}"})
            QVERIFY(!keysFromText(other));
    }
};

EMBER_TEST(CurveEditsTest)
#include "tst_curve_edits.moc"
