// SPDX-License-Identifier: GPL-3.0-or-later
// Edits of shots: what belongs to them goes with them, and comes back with them.
#include <QTemporaryDir>
#include <QTest>

#include "ember/project/file.h"
#include "ember/project/film_edits.h"
#include "ember/project/recipe_book.h"
#include "ember/project/recipe_edits.h"
#include "ember/project/settings.h"
#include "ember/project/shipped_recipes.h"
#include "ember/project/shot_edits.h"
#include "pictures.h"
#include "runner.h"

using namespace ember;

namespace {

Shot clip(const char* name, std::int64_t length, double in = 0, std::int64_t available = 400)
{
    Shot shot{name, length};
    shot.in = in;
    shot.available = available;
    return shot;
}

/// Shots a (100 frames, from its frame 20), b (50, from 0), c (80, from 10), with strikes on frames 30, 99, 120 and
/// 200.
Project film()
{
    Project project = newProject(640, 360, FrameRate());
    project.addShot(clip("/films/a.mp4", 100, 20));
    project.addShot(clip("/films/b.mp4", 50));
    project.addShot(clip("/films/c.mp4", 80, 10));
    for (const std::int64_t frame : {30, 99, 120, 200})
        project = withStrike(std::move(project), Frame{frame}, StrikeKind::hit, 1).project;
    return project;
}

std::vector<std::int64_t> framesOf(const Project& project)
{
    std::vector<std::int64_t> frames;
    for (const Strike& strike : project.strikes)
        frames.push_back(strike.frame.index);
    return frames;
}

/// What every strike of a project stands on: the clip and its frame, by the strike's identity.
std::map<StrikeId, std::pair<std::string, double>> contentOf(const Project& project)
{
    std::map<StrikeId, std::pair<std::string, double>> content;
    for (const Strike& strike : project.strikes)
        if (const auto place = project.shotAt(strike.frame)) {
            const Shot& shot = project.shots[place->index];
            content[strike.id] = {shot.clip, shot.clipFrame(static_cast<double>(strike.frame.index - place->first))};
        }
    for (const Shot& shot : project.shots)
        for (const Strike& strike : shot.trimmed)
            content[strike.id] = {shot.clip, static_cast<double>(strike.frame.index)};
    return content;
}

using Frames = std::vector<std::int64_t>;

} // namespace

class ShotEditsTest : public QObject {
    Q_OBJECT
private slots:
    void strikesGoWithTheFrameOfTheirClip()
    {
        const Project project = film();
        const ShotId a = project.shots[0].id;
        const ShotId c = project.shots[2].id;
        // Ten frames off a's beginning: all that follows comes ten frames sooner.
        const Project sooner = withInTrimmed(project, a, 10);
        QCOMPARE(sooner.shots[0].in, 30.0);
        QCOMPARE(framesOf(sooner), (Frames{20, 89, 110, 190}));
        // Off its end: the strike on its last frame waits.
        const Project shorter = withOutTrimmed(project, a, -10);
        QCOMPARE(framesOf(shorter), (Frames{30, 110, 190}));
        QCOMPARE(shorter.shots[0].trimmed.size(), std::size_t{1});
        QCOMPARE(shorter.shots[0].trimmed[0].frame.index, std::int64_t{119}); // of the clip
        // And comes back where it was.
        QCOMPARE(withOutTrimmed(shorter, a, 10), project);
        // c first.
        const Project turned = withShotMoved(project, c, 0);
        QCOMPARE(framesOf(turned), (Frames{50, 110, 179, 200}));
        QCOMPARE(contentOf(turned), contentOf(project));
        QCOMPARE(withShotMoved(turned, c, 2), project);
        // Without b, its strike is gone.
        QCOMPARE(framesOf(withoutShot(project, project.shots[1].id)), (Frames{30, 99, 150}));
    }
    void trimsStopWhereTheClipEnds()
    {
        const Project project = film();
        const ShotId a = project.shots[0].id;
        const Project all = withInTrimmed(project, a, -500);
        QCOMPARE(all.shots[0].in, 0.0);
        QCOMPARE(all.shots[0].length, std::int64_t{120});
        QCOMPARE(withOutTrimmed(all, a, 5000).shots[0].length, std::int64_t{400});
        QCOMPARE(withOutTrimmed(project, a, -5000).shots[0].length, std::int64_t{1});
        QCOMPARE(withInTrimmed(project, a, 5000).shots[0].length, std::int64_t{1});
        QCOMPARE(withInTrimmed(project, 99, 5), project); // nobody
        // A still has no end on either side.
        Project still = project;
        Shot picture{"/films/title.png", 48, true};
        still = withShotAdded(still, picture, 1).project;
        const ShotId id = still.shots[1].id;
        QCOMPARE(withInTrimmed(still, id, -100).shots[1].length, std::int64_t{148});
        QCOMPARE(withInTrimmed(still, id, -100).shots[1].in, 0.0);
        QCOMPARE(withOutTrimmed(still, id, 1000).shots[1].length, std::int64_t{1048});
    }
    void aSplitChangesNothingThatIsSeen()
    {
        Project project = film();
        project.shots[0].move = {{Frame{20}, 0, 0, 1, 0, Ease::linear}, {Frame{120}, 100, 0, 1, 0}};
        project.settles = {{Frame{60}}};
        const Project split = withShotsSplit(project, {30, 70, 100, 500});
        QCOMPARE(split.shots.size(), std::size_t{5}); // 100 is a cut already, 500 past the end
        QCOMPARE(split.cuts(), (Frames{30, 70, 100, 150}));
        QCOMPARE(split.shots[1].in, 50.0);
        QCOMPARE(framesOf(split), framesOf(project));
        QCOMPARE(split.settles, project.settles);
        for (std::int64_t f = 0; f < project.length(); ++f) {
            const auto old = *project.shotAt(Frame{f});
            const auto now = *split.shotAt(Frame{f});
            QCOMPARE(split.shots[now.index].clip, project.shots[old.index].clip);
            QCOMPARE(split.shots[now.index].clipFrame(static_cast<double>(f - now.first)),
                     project.shots[old.index].clipFrame(static_cast<double>(f - old.first)));
            QCOMPARE(moveAt(split, static_cast<double>(f)).x, moveAt(project, static_cast<double>(f)).x);
        }
        // Parts go their own ways afterwards.
        const Project turned = withShotMoved(split, split.shots[1].id, 0);
        QCOMPARE(contentOf(turned), contentOf(project));
    }
    void pinnedStrikesAndSettleMarks()
    {
        Project project = film();
        project.strikes[2].pinned = true; // on 120
        project.settles = {{Frame{40}}, {Frame{95}}, {Frame{130}}};
        const Project shorter = withOutTrimmed(project, project.shots[0].id, -30);
        QCOMPARE(framesOf(shorter), (Frames{30, 120, 170}));
        QCOMPARE(shorter.settles[0].frame.index, std::int64_t{40});
        QCOMPARE(shorter.settles[1].frame.index, std::int64_t{69}); // stops at its shot's end
        QCOMPARE(shorter.settles[2].frame.index, std::int64_t{100});
    }
    void speedTakesStrikesAlong()
    {
        const Project project = film();
        const Project slow = withShotSpeed(project, project.shots[0].id, 0.5);
        QCOMPARE(slow.shots[0].length, std::int64_t{200});
        QCOMPARE(framesOf(slow), (Frames{60, 198, 220, 300}));
        QCOMPARE(contentOf(slow), contentOf(project));
        const Project fast = withShotSpeed(slow, project.shots[0].id, 1);
        QCOMPARE(fast, project);
        QCOMPARE(withShotSpeed(project, project.shots[0].id, 1000).shots[0].speed, 20.0);
    }
    void strikesOnACutStayOnIt()
    {
        Project project = film();
        auto [bound, id] = withCutStrike(project, 100);
        QVERIFY(bound.boundToCut(*bound.strike(id)));
        QCOMPARE(bound.recipes.back().name, std::string(cutRecipeName()));
        QCOMPARE(withCutStrike(bound, 100).id, id); // there already
        const ShotId a = bound.shots[0].id;
        const ShotId b = bound.shots[1].id;
        const auto at = [&](const Project& p) { return p.strike(id)->frame.index; };
        QCOMPARE(at(withOutTrimmed(bound, a, -25)), std::int64_t{75});
        QCOMPARE(at(withInTrimmed(bound, a, 25)), std::int64_t{75});
        QCOMPARE(at(withInTrimmed(bound, b, 25)), std::int64_t{100}); // its first frame is another, the cut is not
        QCOMPARE(at(withShotMoved(bound, b, 2)), std::int64_t{180});
        QCOMPARE(at(withoutShot(bound, b)), std::int64_t{100}); // the next shot begins there now
        QCOMPARE(at(withShotMoved(bound, b, 0)), std::int64_t{0});
        // Free again it belongs to its frame.
        const Project free = withStrikesOnCut(bound, {id}, false);
        QVERIFY(!free.boundToCut(*free.strike(id)));
        QCOMPARE(withInTrimmed(free, b, 25).shots[1].trimmed.size(), std::size_t{2});
        QCOMPARE(nearestCut(project, Frame{130}), std::optional<std::int64_t>(150));
        QVERIFY(!nearestCut(Project(), Frame{0}));
    }
    void chanceEditsLoseNothing()
    {
        for (std::uint64_t seed = 1; seed <= 200; ++seed) {
            test::Random random(seed);
            Project project = film();
            const auto content = contentOf(project);
            const auto frames = framesOf(project);
            const Project before = project;
            for (int i = 0; i < 12; ++i) {
                const Shot& shot =
                    project
                        .shots[static_cast<std::size_t>(random.whole(0, static_cast<int>(project.shots.size()) - 1))];
                const int by = random.whole(-60, 60);
                switch (random.whole(0, 3)) {
                case 0: project = withInTrimmed(project, shot.id, by); break;
                case 1: project = withOutTrimmed(project, shot.id, by); break;
                case 2: project = withShotMoved(project, shot.id, static_cast<std::size_t>(random.whole(0, 2))); break;
                default: project = withShotsSplit(project, {random.whole(0, static_cast<int>(project.length()) - 1)});
                }
                for (const Shot& each : project.shots) {
                    QVERIFY(each.length >= 1 && each.in >= 0);
                    QVERIFY(each.clipFrame(static_cast<double>(each.length)) <= static_cast<double>(each.available));
                }
                // Whatever is done, every strike is on its clip's frame, or waits for it.
                QCOMPARE(contentOf(project), content);
            }
            QCOMPARE(withShots(project, project.shots), project);
        }
    }

    void whatWaitsKeepsWhatItNeeds()
    {
        // Recipes, strands and groups that only a waiting strike uses change or go: the file can still be read.
        Project project = film();
        project = withGroup(std::move(project), "Late");
        const StrikeId last = project.strikes.back().id;
        project = withStrikesInGroup(std::move(project), {last}, "Late");
        auto [own, recipe] = withOwnRecipe(std::move(project), last);
        project = withRecipeValue(std::move(own), {last}, "strand.Rattle.amount.x", 3, ShapeScope::strike);
        project = withOutTrimmed(project, project.shots[2].id, -60);
        const auto waiting = [&]() -> const Strike& { return project.shots[2].trimmed.at(0); };
        QCOMPARE(waiting().id, last);
        QCOMPARE(usersOf(project, recipe), std::size_t{1});
        const auto readable = [&] {
            const auto read = projectFromJson(projectToJson(project, "/films"), "/films", "p");
            return read.ok() ? std::string() : sentence(read.error());
        };
        project = withGroupRenamed(std::move(project), 0, "Later");
        QCOMPARE(waiting().group, std::string("Later"));
        QCOMPARE(readable(), std::string());
        project = withoutGroup(std::move(project), 0);
        QCOMPARE(readable(), std::string());
        const auto strands = project.recipe(recipe)->strands;
        for (std::size_t i = 0; i < strands.size(); ++i)
            if (strands[i].name == "Rattle")
                project = withStrandRenamed(std::move(project), recipe, i, "Clatter");
        QCOMPARE(waiting().overrides["strand.Clatter.amount.x"], std::optional(3.0));
        QCOMPARE(readable(), std::string());
        Project left = withoutRecipe(project, recipe, project.recipes[0].id);
        QCOMPARE(left.shots[2].trimmed[0].recipe, project.recipes[0].id);
        std::swap(project, left);
        QCOMPARE(readable(), std::string());
        while (!project.recipes.empty())
            project = withoutRecipe(std::move(project), project.recipes[0].id, 0);
        QVERIFY(everyStrike(project).empty());
        QCOMPARE(readable(), std::string());
    }

    // --- moves
    void keysOfTheMoveOnFramesOfTheFilm()
    {
        Project project = film();
        const std::vector<MoveKey> keys{{Frame{5}, 1, 0, 1, 0}, {Frame{99}, 2, 0, 1, 0}, {Frame{100}, 3, 0, 1, 0}};
        project = withFilmMove(std::move(project), keys);
        QCOMPARE(filmMove(project), keys);
        QCOMPARE(project.shots[0].move[0].frame.index, std::int64_t{25}); // the clip's
        QCOMPARE(project.shots[1].move[0].frame.index, std::int64_t{0});
        // A key that is trimmed away is kept.
        Project trimmed = withInTrimmed(project, project.shots[0].id, 10);
        QCOMPARE(filmMove(trimmed).size(), std::size_t{2});
        trimmed = withFilmMove(std::move(trimmed), filmMove(trimmed));
        QCOMPARE(filmMove(withInTrimmed(trimmed, project.shots[0].id, -10)), keys);
    }

    // --- files and settings
    void filesHoldAllOfIt()
    {
        Project project = film();
        project = withCutStrike(std::move(project), 100).project;
        project.strikes[0].pinned = true;
        project = withOutTrimmed(project, project.shots[2].id, -40);
        project = withShotSpeed(project, project.shots[1].id, 0.25);
        Shot gap;
        gap.length = 12;
        project = withShotAdded(project, gap, 2).project;
        project = withShotAdded(project, Shot{"/films/title.png", 48, true}, 0).project;
        // A gap may have a move of its own, and a still that took a slow clip's place has no speed.
        project = withFilmMove(std::move(project), {{Frame{150}, 3, 0, 1, 0}, {Frame{360}, 5, 0, 1, 0}});
        project = withClipReplaced(project, project.shots[2].id, Shot{"/films/other.png", 1, true});
        QCOMPARE(project.shots[2].speed, 1.0);
        for (Shot& shot : project.shots)
            shot.move.push_back({Frame{400}, 1, 0, 1, 0});
        QVERIFY(!project.shots.back().trimmed.empty());
        QVERIFY(!project.shots.back().gap() && project.shots[3].gap());
        project.shots.front().colour = ClipColour::hlg;
        project.shots.front().framing = {Framing::How::place, 12.5, -3, 1.25};
        const auto text = projectToJson(project, "/films");
        const auto back = projectFromJson(text, "/films", "p");
        QVERIFY2(back.ok(), back.ok() ? "" : sentence(back.error()).c_str());
        QCOMPARE(projectToJson(back.value(), "/films"), text);
        QCOMPARE(back.value().shots.size(), project.shots.size());
        QCOMPARE(framesOf(back.value()), framesOf(project));
        for (std::size_t i = 0; i < project.shots.size(); ++i) {
            const Shot& a = back.value().shots[i];
            const Shot& b = project.shots[i];
            QVERIFY(a.clip == b.clip && a.in == b.in && a.speed == b.speed && a.length == b.length &&
                    a.available == b.available && a.framing == b.framing && a.colour == b.colour &&
                    a.trimmed.size() == b.trimmed.size());
        }
    }
    void aFileOfOneShotIsAllOfItsClip()
    {
        const auto old = projectFromJson(R"({"vember": 6, "frame": {"width": 64, "height": 36}, "rate": "24/1",
            "shots": [{"clip": "a.mp4", "length": 90}], "recipes": [], "strikes": []})",
                                         "/films", "p");
        QVERIFY(old.ok());
        QCOMPARE(old.value().shots[0].available, std::int64_t{90});
        QCOMPARE(old.value().shots[0].clip, std::string("/films/a.mp4"));
    }
    void badShotsAreRefused_data()
    {
        QTest::addColumn<QString>("shots");
        QTest::addColumn<QString>("says");
        QTest::newRow("no clip") << R"({"length": 5})"
                                 << "clip";
        QTest::newRow("no length") << R"({"gap": true})"
                                   << "length";
        QTest::newRow("negative in") << R"({"clip": "a", "length": 5, "in": -1})"
                                     << "in";
        QTest::newRow("speed 0") << R"({"clip": "a", "length": 5, "speed": 0})"
                                 << "speed";
        QTest::newRow("gap with a clip") << R"({"clip": "a", "length": 5, "gap": true})"
                                         << "clip";
        QTest::newRow("waiting for nobody") << R"({"clip": "a", "length": 5, "trimmed": [{"frame": 1}]})"
                                            << "trimmed";
        QTest::newRow("unknown framing") << R"({"clip": "a", "length": 5, "framing": {"how": "wide"}})"
                                         << "framing.how";
        QTest::newRow("framing of no size") << R"({"clip": "a", "length": 5, "framing": {"how": "placed", "size": 0}})"
                                            << "framing.size";
        QTest::newRow("too long") << R"({"gap": true, "length": 99999999}, {"gap": true, "length": 99999999})"
                                  << "longer";
    }
    void badShotsAreRefused()
    {
        QFETCH(QString, shots);
        QFETCH(QString, says);
        const QString text = QStringLiteral(R"({"vember": 7, "frame": {"width": 64, "height": 36}, "rate": "24/1",
            "shots": [%1], "recipes": [], "strikes": []})")
                                 .arg(shots);
        const auto read = projectFromJson(text.toStdString(), "/films", "p");
        QVERIFY(!read.ok());
        QVERIFY2(QString::fromStdString(sentence(read.error())).contains(says), sentence(read.error()).c_str());
    }
    void settingsOfShots()
    {
        const Project project = film();
        const auto set = [&](const char* text) { return withSettings(project, {settingFromText(text).value()}); };
        QCOMPARE(framesOf(set("shot.1.in=30").value()), (Frames{20, 89, 120, 200}));
        QCOMPARE(framesOf(set("shot.1.length=120").value()), (Frames{30, 99, 140, 220}));
        QCOMPARE(set("shot.2.speed=0.5").value().shots[1].length, std::int64_t{100});
        QVERIFY(set("strike.1.pinned=on").value().strikes[0].pinned);
        QCOMPARE(set("shot.1.colour=acescg").value().shots[0].colour, ClipColour::acescg);
        QVERIFY(!set("shot.1.colour=red").ok());
        QVERIFY(set("shot.1.framing=fit").value().shots[0].framing.how == Framing::How::fit);
        const Framing placed = set("shot.2.framing_x=-40").value().shots[1].framing; // placed by being given a place
        QVERIFY(placed == (Framing{Framing::How::place, -40, 0, 1}));
        QCOMPARE(set("shot.2.framing_size=150%").value().shots[1].framing.size, 1.5);
        for (const char* wrong : {"shot.1.framing=wide", "shot.1.framing_size=0", "shot.1.framing_z=1", "shot.4.in=0",
                                  "shot.1.in=-1", "shot.1.in=350", "shot.1.length=0", "shot.1.length=500",
                                  "shot.1.speed=0", "shot.x.in=1", "shot.1=5", "shot.1.clip=b"})
            QVERIFY2(!set(wrong).ok(), wrong);
    }

    // --- what comes with the program
    void fourRecipesForCuts()
    {
        for (const char* name : {"Thrown over", "Rammed through", "Shaken over", "Turned over"}) {
            const BookEntry* entry = entryNamed(shippedRecipes(), name);
            QVERIFY2(entry != nullptr, name);
            QVERIFY(entry->recipe.envelope.builds());
            QCOMPARE(entry->recipe.envelope.peak(), 0.0); // on the cut
            QVERIFY(entry->recipe.sound.kind != SoundKind::none);
        }
    }
};

EMBER_TEST(ShotEditsTest)
#include "tst_shots.moc"
