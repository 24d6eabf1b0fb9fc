// SPDX-License-Identifier: GPL-3.0-or-later
// Motion turned into keys, held against the motion it was.
#include <cmath>

#include <QTest>

#include "ember/core/motion.h"
#include "ember/project/bake.h"
#include "ember/project/edits.h"
#include "ember/project/file.h"
#include "ember/project/recipe_edits.h"
#include "ember/project/shipped_recipes.h"
#include "runner.h"

using namespace ember;

class BakeTest : public QObject {
    Q_OBJECT
    static Project film()
    {
        Project project;
        project.addShot(Shot{"night.mkv", 240, false});
        for (const BookEntry& entry : shippedRecipes())
            project.addRecipe(entry.recipe);
        return project;
    }
    /// Farthest apart, in pixels and degrees, on half frames.
    static std::pair<double, double> apart(const Project& a, const Project& b)
    {
        const Motion one(a);
        const Motion two(b);
        double pixels = 0;
        double degrees = 0;
        const double corner = std::hypot(a.width, a.height) / 2;
        for (double t = 0; t < static_cast<double>(a.length()); t += 0.5) {
            const Pose p = one.poseAt(t);
            const Pose q = two.poseAt(t);
            pixels = std::max({pixels, std::abs(p.x - q.x), std::abs(p.y - q.y), corner * std::abs(p.zoom - q.zoom)});
            degrees =
                std::max({degrees, std::abs(p.roll - q.roll), std::abs(p.pan - q.pan), std::abs(p.tilt - q.tilt)});
        }
        return {pixels, degrees};
    }

private slots:
    void everyShippedRecipeBecomesKeys()
    {
        for (const Recipe& recipe : film().recipes) {
            auto [project, id] = withStrike(film(), Frame{40}, StrikeKind::blast, 0.8);
            project = withRecipeApplied(std::move(project), {id}, recipe.id);
            const auto baked = withStrikeBaked(project, id, {});
            QVERIFY2(baked.ok(), recipe.name.c_str());
            const Project& after = baked.value().project;
            const auto [pixels, degrees] = apart(project, after);
            const QString says = QStringLiteral("%1: %2 px, %3 degrees, %4 keys")
                                     .arg(recipe.name.c_str())
                                     .arg(pixels)
                                     .arg(degrees)
                                     .arg(baked.value().keys);
            QVERIFY2(pixels <= 0.1 + 1e-9 && degrees <= 0.02 + 1e-9, qPrintable(says));
            QVERIFY(std::abs(baked.value().pixelsOff * 0.8 - pixels) < 0.1); // told as it is, at full strength
            const auto& strands = after.recipe(after.strike(id)->recipe)->strands;
            QCOMPARE(strands.size(), std::size_t{1});
            QVERIFY(std::holds_alternative<Drawn>(strands.front().source));
            // Rest is exact, before and after.
            const Motion motion(after);
            const StrikeSpan span = motion.spans().front();
            QVERIFY(motion.poseAt(span.start - 0.01).atRest());
            QVERIFY(motion.poseAt(span.end).atRest());
            // And it is the same from the file.
            const auto back = projectFromJson(projectToJson(after, ""), "", "it");
            QVERIFY(back.ok());
            QVERIFY(back.value() == after);
        }
    }
    void aKeyOnEveryFrameIsExactThere()
    {
        auto [project, id] = withStrike(film(), Frame{30}, StrikeKind::landing, 1);
        const auto baked = withStrikeBaked(project, id, {.everyFrame = true});
        QVERIFY(baked.ok());
        const Motion before(project);
        const Motion after(baked.value().project);
        for (int frame = 0; frame < 240; ++frame) {
            QVERIFY(std::abs(before.poseAt(frame).y - after.poseAt(frame).y) < 1e-9);
            QVERIFY(std::abs(before.poseAt(frame).roll - after.poseAt(frame).roll) < 1e-9);
        }
    }
    void tighterMeansMoreKeys()
    {
        auto [project, id] = withStrike(film(), Frame{30}, StrikeKind::blast, 1);
        const auto loose = withStrikeBaked(project, id, {.pixels = 1, .degrees = 0.2});
        const auto tight = withStrikeBaked(project, id, {});
        const auto all = withStrikeBaked(project, id, {.everyFrame = true});
        QVERIFY(loose.value().keys < tight.value().keys);
        QVERIFY(loose.value().keys * 3 < all.value().keys);
        QVERIFY(apart(project, loose.value().project).first <= 1 + 1e-9);
    }
    void oneStrandLeavesTheOthers()
    {
        auto [project, id] = withStrike(film(), Frame{30}, StrikeKind::blast, 1);
        auto [two, other] = withStrike(std::move(project), Frame{150}, StrikeKind::blast, 1);
        const Project before = two;
        const auto baked = withStrandBaked(before, id, 1, {});
        QVERIFY(baked.ok());
        const Project& after = baked.value().project;
        QVERIFY(after.strike(id)->recipe != after.strike(other)->recipe);
        const auto& strands = after.recipe(after.strike(id)->recipe)->strands;
        QCOMPARE(strands.size(), before.recipe(before.strike(id)->recipe)->strands.size());
        QVERIFY(std::holds_alternative<Drawn>(strands[1].source));
        QVERIFY(!std::holds_alternative<Drawn>(strands[0].source));
        const auto [pixels, degrees] = apart(before, after);
        QVERIFY(pixels <= 0.1 + 1e-9 && degrees <= 0.02 + 1e-9);
    }
    void theWholeFilmIsOneStrike()
    {
        Project project = film();
        for (int i = 0; i < 4; ++i)
            project = withStrike(std::move(project), Frame{20 + 25 * i}, StrikeKind::hit, 1 - 0.2 * i).project;
        project.overlap.rule = OverlapRule::stronger;
        project.settles.push_back({Frame{140}, SettleMode::ease, 12});
        project.drift.on = true;
        const auto baked = withFilmBaked(project, {});
        QVERIFY(baked.ok());
        QCOMPARE(baked.value().project.strikes.size(), std::size_t{1});
        const auto [pixels, degrees] = apart(project, baked.value().project);
        QVERIFY2(pixels <= 0.1 + 1e-6 && degrees <= 0.02 + 1e-6, qPrintable(QString::number(pixels)));
    }
    void whatMovesTooFarIsSaid()
    {
        Project project = film();
        for (int i = 0; i < 60; ++i) // all at once, without a ceiling in their way
            project = withStrike(std::move(project), Frame{40}, StrikeKind::blast, 4).project;
        project.overlap.ceiling = 10;
        for (Recipe& recipe : project.recipes)
            for (Strand& strand : recipe.strands)
                strand.amount[Axis::zoom] = 2;
        const auto baked = withFilmBaked(project, {});
        QVERIFY(!baked.ok());
        QVERIFY(sentence(baked.error()).find("zoom") != std::string::npos);
    }
    void whatDoesNotMoveIsSaid()
    {
        const Project empty = film();
        QVERIFY(!withFilmBaked(empty, {}).ok());
        QVERIFY(!withStrikeBaked(empty, 7, {}).ok());
        auto [project, id] = withStrike(film(), Frame{30}, StrikeKind::blast, 1);
        QVERIFY(!withStrandBaked(project, id, 99, {}).ok());
        for (Strand& strand : project.recipe(project.strike(id)->recipe)->strands)
            strand.muted = true;
        const auto still = withStrikeBaked(project, id, {});
        QVERIFY(!still.ok());
        QVERIFY(sentence(still.error()).find("keys") != std::string::npos);
    }
};

EMBER_TEST(BakeTest)
#include "tst_bake.moc"
