// SPDX-License-Identifier: GPL-3.0-or-later
// Settle marks, keys and groups as lists that are edited.
#include <cmath>

#include <QTest>

#include "ember/core/motion.h"
#include "ember/project/film_edits.h"
#include "runner.h"

using namespace ember;

namespace {

Project film()
{
    Project project;
    project.addShot(Shot{"none.mp4", 200});
    return project;
}

SettleMark cutAt(std::int64_t frame)
{
    return {Frame{frame}, SettleMode::cut, 12};
}

} // namespace

class FilmEditsTest : public QObject {
    Q_OBJECT
private slots:
    void marksStandInOrderAndOnceAFrame()
    {
        Project project = film();
        for (const int frame : {80, 20, 50})
            project = withSettle(std::move(project), cutAt(frame));
        project = withSettle(std::move(project), {Frame{50}, SettleMode::ease, 6});
        QCOMPARE(project.settles.size(), std::size_t{3});
        QCOMPARE(project.settles[0].frame.index, std::int64_t{20});
        QCOMPARE(project.settles[1].mode, SettleMode::ease);
        // Moved past its neighbour it takes the neighbour's place in the order; onto another's frame it replaces it.
        project = withSettleAt(std::move(project), 0, cutAt(60));
        QCOMPARE(project.settles[1].frame.index, std::int64_t{60});
        project = withSettleAt(std::move(project), 1, cutAt(80));
        QCOMPARE(project.settles.size(), std::size_t{2});
        project = withoutSettle(std::move(project), 0);
        QCOMPARE(project.settles, (std::vector<SettleMark>{cutAt(80)}));
        QCOMPARE(withoutSettle(project, 7), project);
    }
    void aNewKeyChangesNothing()
    {
        Project project = film();
        project.master.intensity = 0.8;
        project = withIntensityKey(std::move(project), {Frame{0}, 1});
        project = withIntensityKey(std::move(project), {Frame{100}, 0.5});
        const IntensityKey middle = intensityKeyHere(project, Frame{50});
        QCOMPARE(middle.value, 0.75);
        const Project more = withIntensityKey(project, middle);
        for (int frame = 0; frame <= 120; frame += 10)
            QVERIFY(std::abs(more.master.intensityAt(frame) - project.master.intensityAt(frame)) < 1e-12);

        project = withMoveKey(std::move(project), {Frame{10}, 0, 0, 1, 0, Ease::linear});
        project = withMoveKey(std::move(project), {Frame{30}, 40, -8, 1.2, 6, Ease::linear});
        const MoveKey here = moveKeyHere(project, Frame{20});
        QCOMPARE(here.x, 20.0);
        QCOMPARE(here.roll, 3.0);
        const Motion motion(project);
        QCOMPARE(motion.poseAt(20).x, 20.0);
        QCOMPARE(motion.poseAt(30).zoom, 1.2);
        QCOMPARE(motion.poseAt(150).y, -8.0);              // level after the last key
        QCOMPARE(withMoveKey(Project(), here), Project()); // nothing to move
    }
    void easeHomeIsHalfASecond()
    {
        Project project = film();
        project.rate = FrameRate::make(30, 1).value();
        QCOMPARE(easeHomeAt(project, Frame{9}), (SettleMark{Frame{9}, SettleMode::ease, 15}));
    }
    void strikesFollowTheirGroup()
    {
        Project project = film();
        const RecipeId recipe = project.addRecipe(Recipe());
        StrikeIds ids;
        for (int i = 0; i < 3; ++i) {
            Strike strike;
            strike.frame = Frame{10 * i};
            strike.recipe = recipe;
            ids.push_back(project.addStrike(strike));
        }
        project = withGroup(std::move(project), "Floor");
        project = withGroup(std::move(project), "Floor");
        QCOMPARE(project.groups.size(), std::size_t{2});
        QVERIFY(project.groups[0].name != project.groups[1].name);
        project = withStrikesInGroup(std::move(project), {ids[0], ids[2]}, "Floor");
        project = withGroupRenamed(std::move(project), 0, "Drums");
        QCOMPARE(project.strike(ids[0])->group, std::string("Drums"));
        QCOMPARE(project.strike(ids[1])->group, std::string());
        // A name that is taken, or none, is not given.
        const Project before = project;
        QCOMPARE(withGroupRenamed(project, 0, project.groups[1].name), before);
        QCOMPARE(withGroupRenamed(project, 0, ""), before);
        project = withoutGroup(std::move(project), 0);
        QCOMPARE(project.groups.size(), std::size_t{1});
        QCOMPARE(project.strike(ids[2])->group, std::string());
    }
};

EMBER_TEST(FilmEditsTest)
#include "tst_film_edits.moc"
