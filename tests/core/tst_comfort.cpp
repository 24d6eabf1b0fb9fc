// SPDX-License-Identifier: GPL-3.0-or-later
// Figures of how a film shakes, against motions whose figures are known; and gentle versions, which keep their limits.
#include <cmath>
#include <numbers>

#include <QTest>

#include "ember/core/comfort.h"
#include "ember/core/motion.h"
#include "ember/core/values.h"
#include "pictures.h"
#include "runner.h"

using namespace ember;

namespace {

Project film(std::int64_t frames)
{
    Project project;
    Shot shot;
    shot.length = frames;
    project.addShot(shot);
    return project;
}

/// A drift that swings with this amplitude and pace: the motion of a camera that was filmed so.
Project swaying(Axis axis, double amplitude, double hertz, std::int64_t frames = 24 * 60)
{
    Project project = film(frames);
    KeptMotion kept{"Sway", "", {1280, 720, project.rate, {}}};
    for (std::int64_t i = 0; i < frames + 48; ++i) {
        const double value = std::sin(2 * std::numbers::pi * hertz * static_cast<double>(i) / 24);
        Similarity moved;
        (axis == Axis::x ? moved.x : moved.roll) = value;
        kept.motion.frames.push_back({moved, 1});
    }
    project.drift.on = true;
    project.drift.captured.motion = MotionLoop(kept);
    for (const Axis other : allAxes)
        project.drift.amount[other] = 0;
    project.drift.amount[axis] = amplitude;
    return project;
}

/// Strikes of all kinds of shakes, weak and strong, close and far.
Project chanceFilm(std::uint64_t seed)
{
    test::Random random(seed);
    Project project = film(200);
    project.overlap.rule = static_cast<OverlapRule>(seed % 3);
    Recipe recipe = test::plainRecipe(Kick{}, test::amountOf(Axis::y, 20 + 60 * random.between(0, 1)), Envelope());
    Strand noise;
    noise.name = "Rattle";
    noise.source = Noise{};
    noise.amount[Axis::x] = 10 + 30 * random.between(0, 1);
    noise.amount[Axis::zoom] = 0.1 * random.between(0, 1);
    noise.amount[Axis::roll] = 3 * random.between(0, 1);
    recipe.add(noise);
    const RecipeId id = project.addRecipe(recipe);
    for (int n = 0; n < 6; ++n) {
        Strike strike;
        strike.frame = Frame{static_cast<std::int64_t>(170 * random.between(0, 1))};
        strike.strength = 0.2 + 2 * random.between(0, 1);
        strike.seed = static_cast<std::uint32_t>(1000 * random.between(0, 1));
        strike.direction = 90;
        strike.recipe = id;
        project.addStrike(strike);
    }
    if (seed % 2 == 0)
        project.master.keys = {{Frame{0}, 1.5}, {Frame{150}, 0.5}};
    return project;
}

} // namespace

class ComfortTest : public QObject {
    Q_OBJECT
private slots:
    void restIsComfortable()
    {
        const Project project = film(100);
        const ComfortFigures figures = comfortOf(project, 0, 100);
        QCOMPARE(figures.shaken, 0.0);
        QCOMPARE(figures.displacement, 0.0);
        QCOMPARE(figures.sway, 0.0);
        for (const ComfortLine& line : comfortLines(figures, project.rate)) {
            QVERIFY(line.within());
            QVERIFY(line.sentence.said().ends_with("."));
        }
        QCOMPARE(comfortOf(project, 50, 50).frames, std::int64_t{0});
    }

    void whatIsShakenIsCounted()
    {
        // Up in a frame, held for 9, down at once: frames 21 to 29, of 100.
        Envelope held;
        held.set(EnvelopeField::attack, 1);
        held.set(EnvelopeField::hold, 9);
        held.set(EnvelopeField::decay, 0);
        held.set(EnvelopeField::rumble, 0);
        Project project = film(100);
        Drawn still;
        Strike strike;
        strike.recipe = project.addRecipe(test::plainRecipe(still, test::amountOf(Axis::x, 64), held));
        strike.frame = Frame{20};
        strike.direction = 0;
        project.addStrike(strike);
        const ComfortFigures figures = comfortOf(project, 0, 100);
        QCOMPARE(figures.shaken, 0.09);
        QCOMPARE(figures.unstruck, 0.0);
        QCOMPARE(figures.longest, 9 / 24.0);
        QCOMPARE(figures.longestFrom, std::int64_t{21});
        QVERIFY(std::abs(figures.displacement - 0.05) < 1e-9); // 64 of 1280 pixels
        QVERIFY(std::abs(figures.speed - 0.05 * 24) < 1e-9);   // in one frame
        QCOMPARE(figures.strikes, 1);
        // What the camera does by itself is no shake.
        project.shots.front().move = {{Frame{0}}, {Frame{60}, 200, 100, 1.5, 10, Ease::linear}};
        QCOMPARE(comfortOf(project, 0, 100), figures);
        // A part knows its own frames only.
        QCOMPARE(comfortOf(project, 50, 100).shaken, 0.0);
        QCOMPARE(comfortOf(project, 21, 30).shaken, 1.0);
        project.master.bypass = true;
        QCOMPARE(comfortOf(project, 0, 100).shaken, 0.0);
    }

    void whatCarriesNoStrikeIsTold()
    {
        Project project = swaying(Axis::x, 30, 1, 240);
        const ComfortFigures drift = comfortOf(project, 0, 240);
        QVERIFY(drift.shaken > 0.95);
        QCOMPARE(drift.unstruck, 1.0);
        const auto lines = comfortLines(drift, project.rate);
        QVERIFY2(lines.front().sentence.said().find("all of that carries no strike") != std::string::npos,
                 lines.front().sentence.said().c_str());
        Strike strike;
        strike.recipe = project.addRecipe(test::plainRecipe(Kick{}, test::amountOf(Axis::y, 1), Envelope()));
        strike.frame = Frame{100};
        project.addStrike(strike);
        const ComfortFigures struck = comfortOf(project, 0, 240);
        QVERIFY(std::abs((1 - struck.unstruck) * struck.shaken * 240 - 25) < 2.5); // the second after it
    }

    void slowSwayIsMeasuredInItsBand()
    {
        // A sine has the root mean square of its amplitude over √2.
        for (const double hertz : {0.15, 0.3, 0.45}) {
            const double sway = comfortOf(swaying(Axis::x, 20, hertz), 0, 24 * 60).sway;
            QVERIFY2(std::abs(sway / (20 / std::sqrt(2.0) / 1280) - 1) < 0.03, qPrintable(QString::number(sway)));
        }
        const double slow = comfortOf(swaying(Axis::x, 20, 0.3), 0, 24 * 60).sway;
        QVERIFY(comfortOf(swaying(Axis::x, 20, 2), 0, 24 * 60).sway < 0.02 * slow);
        QVERIFY(comfortOf(swaying(Axis::x, 20, 0.03), 0, 24 * 60).sway < 0.1 * slow);
        const ComfortFigures rolls = comfortOf(swaying(Axis::roll, 2, 0.3), 0, 24 * 60);
        QVERIFY(std::abs(rolls.swayRoll - std::sqrt(2.0)) < 0.05);
        QVERIFY(std::abs(rolls.rollSpeed - 2 * 2 * std::numbers::pi * 0.3) < 0.05);
    }

    void strikesOfAnyMinuteAreCounted()
    {
        Project project = film(24 * 200);
        const RecipeId id = project.addRecipe(test::plainRecipe(Kick{}, test::amountOf(Axis::y, 10), Envelope()));
        for (int n = 0; n < 90; ++n) {
            Strike strike;
            strike.recipe = id;
            strike.frame = Frame{n < 30 ? n * 24 : 24 * (70 + n)}; // one a second, with a pause
            project.addStrike(strike);
        }
        const ComfortFigures figures = comfortOf(project, 0, project.length());
        QCOMPARE(figures.strikes, 90);
        QCOMPARE(figures.strikesInMinute, 60);
    }

    void gentleVersionsKeepTheirLimits()
    {
        for (std::uint64_t seed = 1; seed <= 40; ++seed) {
            Project project = chanceFilm(seed);
            project.gentle.displacement = 0.005 + 0.002 * static_cast<double>(seed % 7);
            project.gentle.speed = 0.1 * static_cast<double>(1 + seed % 5);
            const Project gentle = gentled(project);
            const ComfortFigures full = comfortOf(project, 0, 200);
            const ComfortFigures less = comfortOf(gentle, 0, 200);
            QVERIFY2(less.displacement <= project.gentle.displacement, qPrintable(QString::number(seed)));
            QVERIFY2(less.speed <= project.gentle.speed, qPrintable(QString::number(seed)));
            QCOMPARE(less.rollSpeed, 0.0);
            QVERIFY(less.displacement > 0 && less.displacement < full.displacement);
            QVERIFY(!gentle.finish.shown.flash);
            QCOMPARE(gentle.strikes.size(), project.strikes.size());
            QCOMPARE(gentle.recipes, project.recipes);
            // It is its own gentle version.
            QCOMPARE(gentled(gentle), gentle);
            // A limit that is not passed weighs nothing down but by the share.
            Project free = project;
            free.gentle = {0.5, true, true, 1, 10};
            const Project half = gentled(free);
            for (std::size_t i = 0; i < half.strikes.size(); ++i)
                QCOMPARE(half.strikes[i].strength, 0.5 * project.strikes[i].strength);
            QCOMPARE(half.master, project.master);
        }
    }

    void gentleRecipesStayWithinTheirLimitsForAnySeed()
    {
        Project project = chanceFilm(3);
        const Recipe gentle =
            gentled(project.recipes.front(), project.gentle, project.width, project.height, project.rate);
        double most = 0;
        for (std::uint32_t seed = 500; seed < 560; ++seed) {
            Project one = film(100);
            Strike strike;
            strike.recipe = one.addRecipe(gentle);
            strike.seed = seed;
            strike.strength = gentleStrength;
            strike.frame = Frame{10};
            one.addStrike(strike);
            const ComfortFigures figures = comfortOf(one, 0, 100);
            most = std::max(most, figures.displacement);
            QCOMPARE(figures.rollSpeed, 0.0);
        }
        QVERIFY2(most <= project.gentle.displacement * 1.02, qPrintable(QString::number(most)));
        QVERIFY(most > 0.2 * project.gentle.displacement);
        QCOMPARE(gentled(Overlap{OverlapRule::add, 3, 0.5}).ceiling, gentleStrength);
    }

    void wordsFitTheFigures()
    {
        ComfortFigures figures;
        figures.frames = 100;
        figures.seconds = 100 / 24.0;
        figures.shaken = 0.41;
        figures.unstruck = 0.333;
        const auto lines = comfortLines(figures, FrameRate());
        QCOMPARE(lines.front().sentence.said(),
                 std::string("The picture shakes 41 % of the time; a third of that carries no strike."));
        QCOMPARE(lines.size(), std::size_t{8});
        figures.strikes = 1;
        figures.strikesInMinute = 1;
        QVERIFY(comfortLines(figures, FrameRate()).back().sentence.said().starts_with("1 strike in"));
    }
};

EMBER_TEST(ComfortTest)
#include "tst_comfort.moc"
