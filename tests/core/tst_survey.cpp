// SPDX-License-Identifier: GPL-3.0-or-later
// The survey of a film after edits must be what a survey from scratch is, to the bit, whatever was edited.
#include <cmath>
#include <functional>

#include <QTest>

#include "ember/core/survey.h"
#include "pictures.h"
#include "runner.h"

using namespace ember;
using F = EnvelopeField;

namespace {

Project film(test::Random& random, OverlapRule rule)
{
    Project project;
    project.addShot(Shot{"none.mp4", 900});
    project.overlap.rule = rule;
    Envelope e;
    e.set(F::decay, 12);
    e.set(F::rumbleLength, 10);
    e.set(F::release, 6);
    project.addRecipe(test::plainRecipe(Noise{2, 0.5, 2, 0}, test::amountOf(Axis::y, 30), e));
    e.set(F::rumbleLength, 160); // outlasts many others: what replaces it, and goes, gives it back
    project.addRecipe(test::plainRecipe(Noise{1, 0.5, 2, 0}, test::amountOf(Axis::roll, 2), e));
    project.recipes.back().name = "Long";
    e.set(F::rumbleLength, 10);
    e.set(F::lead, 4);
    e.set(F::rumbleUntil, static_cast<double>(RumbleUntil::nextStrike));
    project.addRecipe(test::plainRecipe(Kick{}, test::amountOf(Axis::x, 20), e));
    project.groups.push_back({"floor", {}});
    for (int i = 0; i < 14; ++i) {
        Strike strike;
        strike.frame = Frame{random.whole(0, 899)};
        strike.recipe = random.whole(1, 3);
        strike.seed = static_cast<std::uint32_t>(i + 1);
        strike.strength = random.between(0.2, 1.5);
        strike.group = random.whole(0, 3) == 0 ? "floor" : "";
        project.addStrike(strike);
    }
    return project;
}

void editSomething(Project& project, test::Random& random)
{
    Strike& any =
        project.strikes[static_cast<std::size_t>(random.whole(0, static_cast<int>(project.strikes.size()) - 1))];
    switch (random.whole(0, 11)) {
    case 0: any.strength = random.between(0, 2); break;
    case 1: any.frame = Frame{random.whole(0, 899)}; break;
    case 2: any.seed = static_cast<std::uint32_t>(random.whole(1, 1000)); break;
    case 3: any.recipe = random.whole(1, 3); break;
    case 4: any.overrides.set(F::decay, random.whole(0, 60)); break;
    case 5: project.recipes[0].envelope.set(F::hold, random.whole(0, 9)); break;
    case 6: project.recipes[2].strands[0].amount[Axis::roll] = random.between(0, 4); break;
    case 7: project.settles = {{Frame{random.whole(0, 899)}, SettleMode::ease, 12}}; break;
    case 8: project.master.intensity = random.between(0, 2); break;
    case 9: project.drift.on = !project.drift.on; break;
    case 10: any.group = any.group.empty() ? "floor" : ""; break;
    default: {
        Strike copy = any;
        copy.frame = Frame{random.whole(0, 899)};
        if (project.strikes.size() > 4)
            project.strikes.erase(project.strikes.begin() + random.whole(0, 3));
        project.addStrike(copy);
    }
    }
    project.sortStrikes();
}

} // namespace

class SurveyTest : public QObject {
    Q_OBJECT
private slots:
    void editsGiveTheSameAsFromScratch_data()
    {
        QTest::addColumn<int>("rule");
        QTest::newRow("add") << static_cast<int>(OverlapRule::add);
        QTest::newRow("stronger") << static_cast<int>(OverlapRule::stronger);
        QTest::newRow("restart") << static_cast<int>(OverlapRule::restart);
    }
    void editsGiveTheSameAsFromScratch()
    {
        QFETCH(int, rule);
        test::Random random(static_cast<std::uint64_t>(rule) + 5);
        Project project = film(random, static_cast<OverlapRule>(rule));
        Survey kept;
        kept.update(project, Motion(project));
        for (int i = 0; i < test::rounds(120); ++i) {
            editSomething(project, random);
            const Motion motion(project);
            kept.update(project, motion);
            Survey fresh;
            fresh.update(project, motion);
            QVERIFY2(std::equal(kept.ways().begin(), kept.ways().end(), fresh.ways().begin(), fresh.ways().end()),
                     qPrintable(QStringLiteral("after edit %1").arg(i)));
            const Cover cover = coverOf(project, motion);
            QCOMPARE(kept.cover().needed, cover.needed);
            QCOMPARE(kept.cover().zoom, cover.zoom);
            QCOMPARE(kept.cover().worstFrame, cover.worstFrame);
        }
    }
    void anEditAsksOnlyWhatItChanges()
    {
        test::Random random(2);
        Project project = film(random, OverlapRule::add);
        project.shots.front().length = 200000;
        Survey survey;
        survey.update(project, Motion(project));
        project.strikes[3].strength *= 0.5;
        survey.update(project, Motion(project));
        QVERIFY(survey.asked() > 0 && survey.asked() < 200);
        survey.update(project, Motion(project));
        QCOMPARE(survey.asked(), std::int64_t{0});
    }
    void aKeyByHandAsksOnlyTheWayToItsNeighbours()
    {
        test::Random random(4);
        for (const OverlapRule rule : {OverlapRule::add, OverlapRule::stronger}) {
            Project project = film(random, rule);
            project.finish.shutterAngle = 360;
            Recipe hand;
            hand.name = "Hand";
            Strand strand;
            strand.name = "Hand";
            Drawn drawn;
            drawn.asDrawn = true;
            for (int i = 0; i < 100; ++i) {
                drawn.keys[0].push_back({4.0 * i, random.between(-1, 1)});
                drawn.keys[3].push_back({4.0 * i + 1, random.between(-1, 1), Ease::linear});
            }
            strand.source = drawn;
            strand.amount[Axis::x] = 30;
            strand.amount[Axis::roll] = 3;
            hand.add(strand);
            const RecipeId id = project.addRecipe(hand);
            project.strikes[2].recipe = id;
            project.strikes[2].frame = Frame{100};
            project.sortStrikes();
            Survey kept;
            kept.update(project, Motion(project));
            for (int round = 0; round < 40; ++round) {
                auto& keys = std::get<Drawn>(project.recipe(id)->strands[0].source).keys[round % 2 == 0 ? 0 : 3];
                const auto at = static_cast<std::size_t>(random.whole(0, static_cast<int>(keys.size()) - 1));
                if (round % 5 == 4)
                    keys.erase(keys.begin() + static_cast<std::ptrdiff_t>(at));
                else
                    keys[at].value = random.between(-1, 1);
                const Motion motion(project);
                kept.update(project, motion);
                Survey fresh;
                fresh.update(project, motion);
                QVERIFY(std::equal(kept.ways().begin(), kept.ways().end(), fresh.ways().begin(), fresh.ways().end()));
                QVERIFY(kept.needed() == fresh.needed());
                if (rule == OverlapRule::add)
                    QVERIFY2(kept.asked() < 60 || at + 1 >= keys.size(), qPrintable(QString::number(kept.asked())));
            }
        }
    }
    void waysAreWhatTheCornerMoves()
    {
        const auto near = [](Way way, double x, double y) {
            return std::abs(way.x - x) < 0.01 && std::abs(way.y - y) < 0.01;
        };
        Pose pose;
        QCOMPARE(cornerWay(pose, 1001, 501), Way());
        pose.x = 3;
        pose.y = -4;
        QVERIFY(near(cornerWay(pose, 1001, 501), 3, -4));
        pose = {};
        pose.zoom = 1.1; // the corner is 500 and 250 pixels from the centre
        QVERIFY(near(cornerWay(pose, 1001, 501), 50, 25));
        pose = {};
        pose.roll = 90; // clockwise: the lower right corner goes to the lower left
        QVERIFY(near(cornerWay(pose, 1001, 501), -750, 250));
    }
};

EMBER_TEST(SurveyTest)
#include "tst_survey.moc"
