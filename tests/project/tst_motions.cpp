// SPDX-License-Identifier: GPL-3.0-or-later
// The library of motions: files there and back, what is wrong in one, strands and drift that use them.
#include <cmath>
#include <filesystem>
#include <fstream>

#include <QTemporaryDir>
#include <QTest>

#include "ember/core/motion.h"
#include "ember/project/edits.h"
#include "ember/project/file.h"
#include "ember/project/motion_library.h"
#include "ember/project/recipe_book.h"
#include "ember/project/recipe_edits.h"
#include "ember/project/settings.h"
#include "ember/project/shipped_recipes.h"
#include "motions.h"
#include "runner.h"

using namespace ember;

namespace {

/// A film with a strike whose recipe has a captured strand, and such a drift.
Project film()
{
    Project project = newProject(1280, 720, FrameRate());
    project.addShot(Shot{"/films/a.mp4", 300});
    Recipe recipe;
    recipe.name = "Shouldered";
    recipe.add({"Camera", Captured{MotionLoop(test::swayingMotion()), 1.5}, Rate{}, {}});
    const RecipeId id = project.addRecipe(recipe);
    auto [next, strike] = withStrike(std::move(project), Frame{40}, StrikeKind::hit, 1);
    next.strike(strike)->recipe = id;
    return withDriftMotion(next, MotionLoop(test::swayingMotion(90, "Low")));
}

} // namespace

class MotionsTest : public QObject {
    Q_OBJECT
private slots:
    void thereAndBack()
    {
        KeptMotion kept = test::swayingMotion(60, "Says \"[1, 2]\"\nand ü");
        kept.about = "in [ 3 ] words";
        const auto back = motionFromText(motionToText(kept), "text");
        QVERIFY2(back, back ? "" : sentence(back.error()).c_str());
        QVERIFY(back.value() == kept); // to the last bit
        const std::string text = motionToText(kept);
        QVERIFY(std::count(text.begin(), text.end(), '\n') < 80); // a line for each frame, not for each number
        kept.motion = rounded(kept.motion);
        QVERIFY(rounded(kept.motion) == kept.motion);
        QVERIFY(motionToText(kept).size() < text.size());
        for (std::size_t i = 0; i < 60; ++i)
            QVERIFY(cornerDistance(kept.motion.frames[i].moved, test::swayingMotion(60).motion.frames[i].moved, 640,
                                   360) < 2e-4);
    }
    void whatIsWrongIsTold_data()
    {
        QTest::addColumn<QString>("from");
        QTest::addColumn<QString>("to");
        QTest::addColumn<QString>("told");
        const auto row = [](const char* name, const char* from, const char* to, const char* told) {
            QTest::newRow(name) << from << to << told;
        };
        row("no JSON", "{", "", "text");
        row("other JSON", "vember_motion", "something", "holds no motion");
        row("newer", "\"vember_motion\": 1", "\"vember_motion\": 2", "version 2");
        row("no name", "\"name\": \"Swaying\",", "", "name");
        row("no size", "\"width\": 640", "\"width\": 0", "width");
        row("rate", "25/1", "0/0", "rate");
        row("short row", "\"frames\": [", "\"frames\": [[1, 2, 3],", "frames[0] should be five numbers");
        row("not a number", "\"frames\": [", "\"frames\": [[1, 2, null, 1, 1],", "frames[0] has null as its roll_deg");
        row("zoom", "\"frames\": [", "\"frames\": [[1, 2, 3, -1, 1],", "frames[0] has -1 as its zoom");
        row("confidence", "\"frames\": [", "\"frames\": [[1, 2, 3, 1, 7],", "confidence");
        row("unknown", "\"height\"", "\"depth\": 3, \"height\"", "depth");
    }
    void whatIsWrongIsTold()
    {
        QFETCH(QString, from);
        QFETCH(QString, to);
        QFETCH(QString, told);
        QString text = QString::fromStdString(motionToText(test::swayingMotion(10)));
        QVERIFY(text.contains(from));
        text.replace(text.indexOf(from), from.size(), to);
        const auto read = motionFromText(text.toStdString(), "text");
        QVERIFY(!read);
        const QString said = QString::fromStdString(sentence(read.error()));
        QVERIFY2(said.contains(told), qPrintable(said));
    }
    void libraryIsAFolder()
    {
        const QTemporaryDir place;
        const std::string folder = place.filePath(QStringLiteral("new/motions")).toStdString();
        QVERIFY(openMotions(folder).motions.empty());
        QVERIFY(openMotions(folder).trouble.empty());
        const auto first = keepMotion(test::swayingMotion(30, "../B: a/b"), folder);
        const auto second = keepMotion(test::swayingMotion(40, "../B: a/b"), folder);
        const auto third = keepMotion(test::swayingMotion(50, "A"), folder);
        QVERIFY(first && second && third);
        QCOMPARE(std::filesystem::path(first.value()).parent_path().string(), folder); // stays in it
        QVERIFY(first.value() != second.value());
        std::ofstream(folder + "/broken.json") << "{ \"vember_motion\": 1, ";
        const OwnMotions own = openMotions(folder);
        QCOMPARE(own.motions.size(), std::size_t{3});
        QCOMPARE(own.motions[2].kept.name, std::string("A")); // by name
        QVERIFY(QString::fromStdString(own.trouble.said()).contains(QStringLiteral("broken.json")));
        QVERIFY(std::filesystem::exists(folder + "/broken.json")); // nothing is lost
        const auto all = allMotions(own);
        QCOMPARE(all.size(), shippedMotions().size() + 3);
        QVERIFY(motionNamed(all, "A") != nullptr);
        QCOMPARE(freshMotionName(all, "A"), std::string("A 2"));
        QCOMPARE(freshMotionName(all, "C"), std::string("C"));
        QVERIFY(!keepMotion(test::swayingMotion(), "/proc/motions"));
    }
    void shippedOnesAreThere()
    {
        QCOMPARE(shippedMotions().size(), std::size_t{3});
        for (const KeptMotion& kept : shippedMotions()) {
            QCOMPARE(kept.motion.frames.size(), std::size_t{288});
            QVERIFY(kept.motion.bridged() <= 4); // of a blast that blinds the camera
            QVERIFY(rounded(kept.motion) == kept.motion);
            QVERIFY(!kept.about.empty());
        }
    }
    void projectsKeepTheirMotions()
    {
        const Project project = film();
        const std::string text = projectToJson(project, "/films");
        const auto back = projectFromJson(text, "/films", "text");
        QVERIFY2(back, back ? "" : sentence(back.error()).c_str());
        QVERIFY(back.value() == project);
        QVERIFY(Motion(back.value()).poseAt(43.7) == Motion(project).poseAt(43.7));
        const Recipe recipe = *project.recipeNamed("Shouldered");
        const auto strand = strandFromText(strandToText(recipe.strands[0]));
        QVERIFY(strand && strand.value() == recipe.strands[0]);
        // A recipe of a book brings its motion along, into any size and rate.
        BookEntry entry{recipe, {640, *FrameRate::make(30, 1)}, ""};
        entry.recipe.strands[0].amount[Axis::x] = 10;
        const Recipe scaledUp = recipeFor(entry, project);
        QCOMPARE(scaledUp.strands[0].amount[Axis::x], 20.0);
        QVERIFY(scaledUp.strands[0].source == recipe.strands[0].source);
        QString wrong = QString::fromStdString(text);
        wrong.replace(QStringLiteral("\"height\": 360"), QStringLiteral("\"height\": -3"));
        const auto refused = projectFromJson(wrong.toStdString(), "/films", "text");
        QVERIFY(!refused);
        QVERIFY(QString::fromStdString(sentence(refused.error())).contains(QStringLiteral("motion.height")));
    }
    void aStrandTakesAMotion()
    {
        Project project = film();
        const RecipeId id = project.recipes.front().id;
        const MotionLoop loop(shippedMotions()[2]);
        project = withStrandMotion(project, id, 0, loop);
        const Strand& strand = project.recipe(id)->strands[0];
        QVERIFY(std::get<Captured>(strand.source).motion == loop);
        QCOMPARE(strand.amount[Axis::x], loop.largest()[Axis::x]); // 1280 wide, as filmed
        QCOMPARE(strand.rate.restHz, strand.rate.peakHz);
        QCOMPARE(withStrandMotion(project, id, 99, loop), project);
        QCOMPARE(withStrandMotion(project, 4711, 0, loop), project);
    }
    void driftTakesAMotionAndGivesItBack()
    {
        Project project = newProject(1920, 1080, FrameRate());
        const Drift before = project.drift;
        const MotionLoop loop(shippedMotions()[0]);
        project = withDriftMotion(project, loop);
        QVERIFY(project.drift.on);
        QCOMPARE(project.drift.amount[Axis::y], loop.largest()[Axis::y] * 1.5);
        project = withDriftMotion(project, MotionLoop());
        QVERIFY(project.drift.on);
        project.drift.on = false;
        QVERIFY(project.drift == before);
    }
    void settingsNameMotions()
    {
        const Project project = film();
        const auto set = [&](std::vector<Setting> settings) { return withSettings(project, settings); };
        const auto made = set({{"drift.motion", "Nervous operator"},
                               {"drift.speed", "50%"},
                               {"recipe.Shouldered.strand.Camera.motion", "Calm operator"},
                               {"recipe.Shouldered.strand.Camera.speed", "2"}});
        QVERIFY2(made, made ? "" : sentence(made.error()).c_str());
        QCOMPARE(made->drift.captured.motion.kept().name, std::string("Nervous operator"));
        QCOMPARE(made->drift.captured.speed, 0.5);
        const auto& source = std::get<Captured>(made->recipeNamed("Shouldered")->strands[0].source);
        QCOMPARE(source.motion.kept().name, std::string("Calm operator"));
        QCOMPARE(source.speed, 2.0);
        const auto none = set({{"drift.motion", "none"}});
        QVERIFY(none && none->drift.captured.motion.empty());
        const auto unknown = set({{"drift.motion", "Nobody"}});
        QVERIFY(!unknown);
        QVERIFY(QString::fromStdString(sentence(unknown.error())).contains(QStringLiteral("Calm operator")));
        QVERIFY(!set({{"drift.motion", "/nowhere/m.json"}}));
        bool listed = false;
        for (const auto& [key, value] : settingsOf(made.value()))
            listed = listed || (key == "recipe.Shouldered.strand.Camera.motion" && value == "Calm operator");
        QVERIFY(listed);
    }
};

EMBER_TEST(MotionsTest)
#include "tst_motions.moc"
