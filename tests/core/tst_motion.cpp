// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>
#include <cmath>
#include <cstring>
#include <thread>

#include <QTest>

#include "ember/core/motion.h"
#include "pictures.h"
#include "runner.h"

using namespace ember;
using F = EnvelopeField;

namespace {

Envelope shortEnvelope(double attack = 1, double hold = 0, double decay = 12)
{
    Envelope e;
    e.set(F::attack, attack);
    e.set(F::hold, hold);
    e.set(F::decay, decay);
    e.set(F::rumble, 0);
    return e;
}

Project withRecipe(const Recipe& recipe)
{
    Project project;
    project.addShot(Shot{"none.mp4", 1000});
    project.addRecipe(recipe);
    return project;
}

Strike strikeAt(std::int64_t frame, double strength = 1, std::uint32_t seed = 1, std::optional<double> direction = 90)
{
    Strike strike;
    strike.frame = Frame{frame};
    strike.strength = strength;
    strike.seed = seed;
    strike.direction = direction;
    strike.recipe = 1;
    return strike;
}

double valueOf(const Pose& pose, Axis axis)
{
    switch (axis) {
    case Axis::x: return pose.x;
    case Axis::y: return pose.y;
    case Axis::zoom: return pose.zoom - 1;
    case Axis::roll: return pose.roll;
    case Axis::pan: return pose.pan;
    case Axis::tilt: return pose.tilt;
    }
    return 0;
}

Project busyProject(int strikes, std::int64_t length)
{
    test::Random random(5);
    Recipe recipe = test::plainRecipe(Noise{3, 0.5, 2}, test::amountOf(Axis::x, 12), Envelope());
    recipe.strands.push_back({"Kick", Kick{0.2}, Rate{}, test::amountOf(Axis::y, 20)});
    recipe.strands.push_back({"Turn", Noise{1, 0.5, 2}, Rate{}, test::amountOf(Axis::roll, 2)});
    Project project = withRecipe(recipe);
    project.shots.front().length = length;
    for (int i = 0; i < strikes; ++i)
        project.strikes.push_back([&] {
            Strike s = strikeAt(random.whole(0, static_cast<int>(length) - 1), random.between(0.1, 1.5),
                                static_cast<std::uint32_t>(i), std::nullopt);
            s.id = i + 1;
            return s;
        }());
    project.sortStrikes();
    return project;
}

bool sameBits(const MotionSample& a, const MotionSample& b)
{
    return std::memcmp(&a, &b, sizeof a) == 0;
}

} // namespace

class MotionTest : public QObject {
    Q_OBJECT
private slots:
    void restIsExactOutsideStrikes()
    {
        const Project project = busyProject(20, 3000);
        const Motion motion(project);
        int still = 0;
        for (std::int64_t frame = 0; frame < 3000; ++frame) {
            const auto t = static_cast<double>(frame);
            const bool running = std::any_of(motion.spans().begin(), motion.spans().end(),
                                             [t](const StrikeSpan& s) { return t >= s.start && t < s.end; });
            if (running)
                continue;
            ++still;
            QVERIFY(sameBits(motion.at(t), MotionSample{}));
        }
        QVERIFY(still > 500);
    }
    void peakIsLocked_data()
    {
        QTest::addColumn<int>("kind");
        QTest::addColumn<int>("axis");
        for (int kind = 0; kind < 2; ++kind)
            for (int axis = 0; axis < 6; ++axis)
                QTest::addRow("%s on axis %d", kind == 0 ? "kick" : "noise", axis) << kind << axis;
    }
    void peakIsLocked()
    {
        QFETCH(int, kind);
        QFETCH(int, axis);
        const auto on = static_cast<Axis>(axis);
        const double amount = on == Axis::zoom ? 0.2 : 10;
        const Source source = kind == 0 ? Source(Kick{0.2}) : Source(Noise{3, 0.5, 2});
        for (std::uint32_t seed = 1; seed <= static_cast<std::uint32_t>(test::rounds(1000)); ++seed) {
            const Envelope e = shortEnvelope(seed % 4, seed % 3, 5 + seed % 20);
            Project project = withRecipe(test::plainRecipe(source, test::amountOf(on, amount), e));
            const double direction = on == Axis::x ? 180 : 90;
            project.addStrike(strikeAt(50, 1, seed, direction));
            const Motion motion(project);
            const double peak = 50 + e.peak();
            const double atPeak = std::abs(valueOf(motion.poseAt(peak), on));
            QVERIFY2(std::abs(atPeak - amount) < 1e-12, qPrintable(QString::number(atPeak, 'g', 17)));
            for (double t = 45; t < 90; t += 0.25)
                QVERIFY(std::abs(valueOf(motion.poseAt(t), on)) <= amount + 1e-12);
        }
    }
    void firstMoveFollowsTheDirection()
    {
        for (const auto& [degrees, x, y] :
             {std::tuple(0.0, 1.0, 0.0), std::tuple(90.0, 0.0, 1.0), std::tuple(180.0, -1.0, 0.0),
              std::tuple(-90.0, 0.0, -1.0), std::tuple(450.0, 0.0, 1.0)}) {
            AxisValues amount = test::amountOf(Axis::x, 10);
            amount[Axis::y] = 10;
            Project project = withRecipe(test::plainRecipe(Kick{0.3}, amount, shortEnvelope()));
            project.addStrike(strikeAt(10, 1, 7, degrees));
            const Pose pose = Motion(project).poseAt(11);
            QCOMPARE(pose.x, 10 * x); // whole quarter turns are exact
            QCOMPARE(pose.y, 10 * y);
        }
    }
    void obliqueKickKeepsItsLength()
    {
        AxisValues amount = test::amountOf(Axis::x, 20);
        amount[Axis::y] = 20;
        Project project = withRecipe(test::plainRecipe(Kick{0.3}, amount, shortEnvelope()));
        for (std::uint32_t seed = 1; seed < 50; ++seed) {
            project.strikes.clear();
            project.addStrike(strikeAt(10, 1, seed, std::nullopt));
            const Pose pose = Motion(project).poseAt(11);
            QVERIFY(std::abs(std::hypot(pose.x, pose.y) - 20) < 1e-9);
        }
    }
    void noJumpAtStartAndEnd()
    {
        Project project = busyProject(1, 400);
        project.recipe(1)->envelope = shortEnvelope(2, 1, 30);
        project.strikes.front().frame = Frame{100};
        const Motion motion(project);
        Pose before = motion.poseAt(98);
        for (double t = 98; t < 150; t += 0.002) {
            const Pose now = motion.poseAt(t);
            QVERIFY(std::abs(now.x - before.x) < 0.25 && std::abs(now.y - before.y) < 0.25);
            before = now;
        }
        QVERIFY(std::abs(motion.poseAt(100.0001).y) < 0.01);
        QVERIFY(std::abs(motion.poseAt(132.9999).y) < 0.01);
    }
    void strikeOnItsFrameWhenThereIsNoAttack()
    {
        Project project = withRecipe(test::plainRecipe(Kick{0.3}, test::amountOf(Axis::y, 10), shortEnvelope(0)));
        project.addStrike(strikeAt(10));
        const Motion motion(project);
        QVERIFY(motion.poseAt(9.999).atRest());
        QCOMPARE(motion.poseAt(10).y, 10.0);
    }
    void strengthScales()
    {
        Project project = withRecipe(test::plainRecipe(Noise{}, test::amountOf(Axis::x, 10), shortEnvelope()));
        project.addStrike(strikeAt(10, 0.5, 3, 0));
        QCOMPARE(Motion(project).poseAt(11).x, 5.0);
        QCOMPARE(Motion(project).intensityAt(11), 0.5);
        project.strikes.front().strength = 0;
        QVERIFY(Motion(project).spans().empty());
    }
    void strikesAdd()
    {
        Project project = withRecipe(test::plainRecipe(Noise{}, test::amountOf(Axis::x, 10), shortEnvelope(1, 0, 40)));
        project.addStrike(strikeAt(10, 1, 3, 0));
        project.addStrike(strikeAt(14, 0.6, 4, 0));
        const Motion both(project);
        const Motion first(test::onlyStrike(project, 1));
        const Motion second(test::onlyStrike(project, 2));
        for (double t = 8; t < 60; t += 0.5) {
            QVERIFY(std::abs(both.poseAt(t).x - first.poseAt(t).x - second.poseAt(t).x) < 1e-12);
            QCOMPARE(both.intensityAt(t), std::max(first.intensityAt(t), second.intensityAt(t)));
        }
    }
    void muteAndSolo()
    {
        Recipe recipe = test::plainRecipe(Kick{}, test::amountOf(Axis::y, 10), shortEnvelope());
        recipe.strands.push_back({"Other", Noise{}, Rate{}, test::amountOf(Axis::x, 5)});
        Project project = withRecipe(recipe);
        project.addStrike(strikeAt(10, 1, 3, 0));
        project.strikes.front().direction = 90;
        project.recipe(1)->strands[1].muted = true;
        QCOMPARE(Motion(project).poseAt(11).x, 0.0);
        project.recipe(1)->strands[1].muted = false;
        project.recipe(1)->strands[1].solo = true;
        QCOMPARE(Motion(project).poseAt(11).y, 0.0);
        QCOMPARE(std::abs(Motion(project).poseAt(11).x), 5.0);
    }
    void overridesShapeOneStrikeOnly()
    {
        Project project = withRecipe(test::plainRecipe(Noise{}, test::amountOf(Axis::x, 10), shortEnvelope()));
        project.addStrike(strikeAt(10, 1, 3, 0));
        project.addStrike(strikeAt(100, 1, 3, 0));
        project.strikes.back().overrides.set(F::attack, 5);
        const Motion motion(project);
        QCOMPARE(motion.poseAt(11).x, 10.0);
        QCOMPARE(motion.poseAt(105).x, 10.0);
    }
    void sameBitsFromThreadsAndAnyOrder()
    {
        const Project project = busyProject(60, 2000);
        const Motion motion(project);
        std::vector<MotionSample> straight(8000);
        for (std::size_t i = 0; i < straight.size(); ++i)
            straight[i] = motion.at(0.25 * static_cast<double>(i));
        for (const int threads : {2, 8}) {
            std::vector<MotionSample> shared(straight.size());
            std::vector<std::thread> crew;
            for (int t = 0; t < threads; ++t)
                crew.emplace_back([&, t] {
                    for (std::size_t i = straight.size(); i-- > 0;) // backwards, interleaved
                        if (static_cast<int>(i % static_cast<std::size_t>(threads)) == t)
                            shared[i] = motion.at(0.25 * static_cast<double>(i));
                });
            for (auto& thread : crew)
                thread.join();
            for (std::size_t i = 0; i < straight.size(); ++i)
                QVERIFY(sameBits(straight[i], shared[i]));
        }
        test::Random random(2);
        const Motion again(project);
        for (int i = 0; i < 4000; ++i) {
            const auto at = static_cast<std::size_t>(random.whole(0, 7999));
            QVERIFY(sameBits(straight[at], again.at(0.25 * static_cast<double>(at))));
        }
    }
    void indexFindsEveryRunningStrike()
    {
        Project project = busyProject(300, 4000);
        for (std::size_t i = 0; i < project.strikes.size(); i += 17)
            project.strikes[i].overrides.set(F::rumbleLength, 3000); // long ones among short ones
        const Motion motion(project);
        test::Random random(9);
        for (int i = 0; i < 300; ++i) {
            const double t = random.between(0, 4500);
            double strongest = 0;
            for (const Strike& strike : project.strikes)
                strongest =
                    std::max(strongest, strike.strength * intensityAt(envelopeOf(project, strike),
                                                                      t - static_cast<double>(strike.frame.index)));
            QCOMPARE(motion.intensityAt(t), strongest);
        }
    }
    void indexKeepsEveryStrikeToItsVeryEnd()
    {
        const Project project = busyProject(40, 2000);
        for (const Strike& strike : project.strikes) {
            const Motion alone(test::onlyStrike(project, strike.id));
            const StrikeSpan& span = alone.spans().front();
            for (const double t : {span.start + 0.3, span.end - 0.3, span.end - 0.001}) {
                const double level = strike.strength * intensityAt(envelopeOf(project, strike),
                                                                   t - static_cast<double>(strike.frame.index));
                QVERIFY(level > 0);
                QCOMPARE(alone.intensityAt(t), level);
            }
        }
    }
    void posesStayUsable()
    {
        Project project = withRecipe(test::plainRecipe(Kick{}, test::amountOf(Axis::zoom, -2), shortEnvelope()));
        project.recipe(1)->strands[0].amount[Axis::pan] = 60;
        for (int i = 0; i < 10; ++i)
            project.addStrike(strikeAt(10, 4, static_cast<std::uint32_t>(i)));
        for (double t = 9; t < 30; t += 0.25) {
            const Pose pose = Motion(project).poseAt(t);
            QVERIFY(pose.zoom >= 0.05 && std::abs(pose.pan) <= 60);
        }
    }
    void unknownRecipeMovesNothing()
    {
        Project project = withRecipe(test::plainRecipe(Kick{}, test::amountOf(Axis::y, 5), shortEnvelope()));
        Strike lost = strikeAt(10);
        lost.recipe = 77;
        project.addStrike(lost);
        QVERIFY(Motion(project).poseAt(11).atRest());
    }
    void noNegativeZero()
    {
        const Project project = busyProject(10, 500);
        const Motion motion(project);
        for (double t = 0; t < 500; t += 0.5) {
            const Pose pose = motion.poseAt(t);
            for (const double v : {pose.x, pose.y, pose.roll, pose.pan, pose.tilt})
                QVERIFY(v != 0 || !std::signbit(v));
        }
    }
};

EMBER_TEST(MotionTest)
#include "tst_motion.moc"
