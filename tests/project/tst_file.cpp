// SPDX-License-Identifier: GPL-3.0-or-later
#include <sys/stat.h>

#include <QDir>
#include <QFile>
#include <QTemporaryDir>
#include <QTest>

#include "clips.h"
#include "ember/core/motion.h"
#include "ember/core/values.h"
#include "ember/project/edits.h"
#include "ember/project/file.h"
#include "ember/project/shipped_recipes.h"
#include "motions.h"
#include "pictures.h"
#include "runner.h"

using namespace ember;
using F = EnvelopeField;

namespace {

Project fullProject()
{
    Project project = newProject(1920, 1080, *FrameRate::make(24000, 1001));
    project.addShot(Shot{"/films/night shift/clip \"one\".mp4", 480, false});
    test::Random random(1);
    for (int i = 0; i < 12; ++i) {
        auto [next, id] = withStrike(std::move(project), Frame{random.whole(0, 479)}, static_cast<StrikeKind>(i % 4),
                                     random.between(0, 2));
        project = std::move(next);
        Strike& strike = *project.strike(id);
        strike.name = i % 3 == 0 ? "" : "Schlag \xc3\xbc" + std::to_string(i);
        if (i % 2 == 0)
            strike.direction = random.between(-360, 360);
        if (i % 4 == 1)
            strike.overrides.set(F::decay, random.between(1, 50));
    }
    project.strikes[0].place = Place{WorldPoint{-3, 1.5, 40}, true, false, true};
    project.strikes[2].place = Place{PicturePoint{0.25, 0.75, 12}, false, true, false};
    project.gentle = {0.25, true, false, 0.03, 1.5};
    project.world = {
        false, 2, 4, 300, true, Arrival::own, 55, false, {{Frame{3}, {1, 2, 3}, -90}, {Frame{60}, {0, 0, -8}, 0}}};
    project.board.states = {"calm", "Schlag \xc3\xbc"};
    project.board.pads = {
        {"Anvil",
         StrikeKind::hit,
         {project.recipes[0].id, project.recipes[2].id},
         1.5,
         45.0,
         project.strikes[0].place,
         36},
        {"", StrikeKind::blast, {project.recipes[1].id, project.recipes[1].id}, 0.5, std::nullopt, std::nullopt, -1}};
    project.recipes[1].strands[0].muted = true;
    project.recipes[2].strands[1].solo = true;
    project.finish.edges = EdgeMode::plain;
    project.finish.plain = {18, 52, 86};
    project.finish.cover = CoverMode::off;
    project.finish.coverBars = false;
    project.finish.coverSpeed = 0.1;
    project.finish.shutterAngle = 200;
    project.finish.exposureShift = -0.125;
    project.finish.instants = 9;
    project.finish.blurAbove = 3;
    project.finish.rolling = 0.25;
    project.finish.letterbox = 2.39;
    project.finish.shown = {false, true, false, true, false, true, false};
    project.recipes.front().effects.streak = {21, Toward::set, 33, {Course::By::envelope, 2, 3, 4}};
    project.recipes.front().effects.radial = {11, 0.25, 0.75, {Course::By::own, 0, 1, 2}};
    project.recipes.front().effects.fringe = {3, Toward::centre, 12, {Course::By::own, 1, 0, 9}};
    project.recipes.front().effects.flash = {0.4, 0x123456, Blend::mix, {Course::By::own, 1, 2, 3}};
    project.recipes.front().effects.flicker = {3, Flicker::Count::beats, true, false, true, false};
    Layer layer;
    layer.name = "Title";
    layer.picture = "/films/title.png";
    layer.in = 4;
    layer.length = 30;
    layer.x = -12;
    layer.y = 7.5;
    layer.size = 0.5;
    layer.opacity = 0.75;
    layer.depth = 1.5;
    layer.axis[2] = false;
    layer.hidden = true;
    Layer bare;
    bare.picture = "/films/logo.png";
    project.layers = {layer, bare};
    // One recipe with every source, every kind of value off its default.
    Recipe rich;
    rich.name = "Rich \"quoted\"";
    rich.variation = Variation::same;
    rich.seed = 99;
    rich.rotation = 0.3;
    rich.envelope.set(F::anchor, static_cast<double>(Anchor::peak));
    rich.envelope.set(F::decaySlope, static_cast<double>(Slope::power));
    rich.envelope.set(F::rumbleUntil, static_cast<double>(RumbleUntil::shotEnd));
    for (std::size_t kind = 0; kind < sourceWords.size(); ++kind) {
        Strand strand;
        strand.name = "S" + std::to_string(kind);
        strand.source = sourceOfKind(kind);
        strand.amount[Axis::tilt] = -2;
        strand.intermittent = {IntermittentMode::seeded, 3, 4.5, 0.2};
        rich.add(std::move(strand));
    }
    rich.strands[1].envelope = rich.envelope.with(F::attack, 7);
    std::get<Noise>(rich.strands[1].source).loop = 12;
    auto& swing = std::get<Oscillation>(rich.strands[3].source);
    swing.wave = Wave::square;
    swing.start = PhaseStart::fixed;
    swing.ratio[2] = 3;
    swing.phase[4] = -45;
    swing.back[5] = 0.5;
    std::get<Captured>(rich.strands[5].source) = {MotionLoop(test::swayingMotion(20)), 0.75};
    std::get<Drawn>(rich.strands[4].source).keys[1] = tidied({{-2, 0, Ease::hold}, {5.5, -0.25, Ease::out}}, false);
    project.addRecipe(rich);
    Strike& first = project.strikes.front();
    first.recipe = project.recipes.back().id;
    first.overrides = {};
    first.overrides.set("strand.S3.wave", 1);
    first.overrides.set("light.flash.colour", 0x0a0b0c);
    first.overrides.set("light.flicker.fringe", 1);
    first.overrides.set("strand.S2.source", 1);
    first.overrides.set("strand.S2.octaves", 5);
    first.overrides.set("strand.S0.muted", 1);
    first.overrides.set("envelope.anchor", 1);
    AxisKeys own;
    own[0] = tidied({{-3, 0.5, Ease::curve, 0.1, -0.2}, {7, 0, Ease::smooth}}, false);
    first.overrides.setKeys("S4", own);
    first.locked = true;
    project.clock = {107'892, false};
    project.overlap = {OverlapRule::restart, 2, 0.4};
    project.groups = {{"drums", {OverlapRule::stronger, 1.5, 0.5}}};
    first.group = "drums";
    project.settles = {{Frame{5}, SettleMode::cut, 12}, {Frame{80}, SettleMode::ease, 7}};
    project.drift.on = true;
    project.drift.amount = {};
    project.drift.amount[Axis::pan] = 1;
    project.drift.fadeOut = 9;
    project.master.intensity = 0.7;
    project.master.flat = true;
    project.master.axis[1] = false;
    project.master.keys = {{Frame{0}, 0.5}, {Frame{9}, 1.5}};
    project.shots.front().move = {{Frame{3}, 1, 2, 1.5, -4, Ease::in}, {Frame{30}, 0, 0, 1, 0, Ease::smooth}};
    return project;
}

/// A small valid project whose text tests spoil.
QByteArray smallText()
{
    return R"({"vember": 1, "frame": {"width": 640, "height": 360}, "rate": "24/1",
 "shots": [{"clip": "a.mp4", "length": 100}],
 "recipes": [{"name": "R", "envelope": {}, "strands": [{"name": "K", "source": "kick", "damping": 0.2, "amount": {"y": 10}}]}],
 "strikes": [{"frame": 10, "kind": "hit", "strength": 1, "seed": 7, "recipe": "R"}],
 "finish": {"edges": "mirror", "plain": "#000000", "cover": "constant"}})";
}

Result<Project> parsed(const QByteArray& text)
{
    return projectFromJson(std::string_view(text.constData(), static_cast<std::size_t>(text.size())), "/films",
                           "test.vember");
}

} // namespace

class FileTest : public QObject {
    Q_OBJECT
    QTemporaryDir folder_;
    std::string at(const char* name) const { return folder_.filePath(QString::fromLatin1(name)).toStdString(); }

private slots:
    void roundTripKeepsEverything()
    {
        const Project project = fullProject();
        const std::string path = at("full.vember");
        QVERIFY(saveProject(project, path));
        const auto loaded = loadProject(path);
        QVERIFY2(loaded, loaded ? "" : sentence(loaded.error()).c_str());
        Project back = loaded.value();
        // Identities are the document's own; what they stand for is the same.
        Project expected = project;
        StrikeId id = 0;
        for (Strike& strike : expected.strikes)
            strike.id = ++id;
        QVERIFY(back == expected);
        // And writing it again gives the same text.
        QCOMPARE(projectToJson(back, "/x"), projectToJson(expected, "/x"));
    }
    void curvesAndWhatElseChangesOverTimeAreKept()
    {
        Project project = fullProject();
        Recipe& recipe = project.recipes[0];
        const std::string strand = recipe.strands[0].name;
        recipe.playRate = 1.5;
        recipe.pivot = {Pivot::At::followed, 0.25, 0.75};
        const CurveKeys keys{{-1.5, 0, Ease::curve, 0.1, -0.25}, {3, 1, Ease::hold}, {7.25, 0.5, Ease::out}};
        for (const std::string& key :
             {std::string("envelope.strength"), "strand." + strand + ".rate", "strand." + strand + ".amount.y",
              std::string("light.flash.strength"), std::string("shutter_angle"), std::string("pivot_x")})
            QVERIFY2(setCurve(recipe, key, keys), key.c_str());
        recipe.strands[1].line = {LineMode::set, 33};
        Strand hand;
        hand.name = "Hand";
        Drawn drawn;
        drawn.asDrawn = true;
        drawn.home = 9;
        drawn.keys[0] = {{-2, 0}, {1, -1, Ease::in}};
        hand.source = drawn;
        hand.amount[Axis::x] = 12;
        recipe.add(hand);
        project.strikes[1].recipe = recipe.id;
        project.strikes[1].overrides = {};
        project.strikes[1].overrides.setCurve("light.flash.strength", keys);
        project.strikes[1].overrides.setCurve("shutter_angle", {}); // none, though the recipe has one
        project.master.intensity = 3.5;
        project.master.keys = {{Frame{0}, 0.5, Ease::smooth}, {Frame{9}, 4, Ease::hold}};
        project.drift.loop = true;
        project.drift.rateKeys = keys;
        project.drift.levelKeys = {{0, 1}, {20, -2}};
        StrikeId id = 0;
        for (Strike& strike : project.strikes)
            strike.id = ++id;
        project.settles = {{Frame{5}, SettleMode::cut, 12},
                           {Frame{5}, SettleMode::cut, 12, {}, 2},
                           {Frame{80}, SettleMode::ease, 7, "drums"}};
        const std::string path = at("curves.vember");
        QVERIFY(saveProject(project, path));
        const auto loaded = loadProject(path);
        QVERIFY2(loaded, loaded ? "" : sentence(loaded.error()).c_str());
        QCOMPARE(projectToJson(loaded.value(), "/x"), projectToJson(project, "/x"));
        QVERIFY(loaded->recipes == project.recipes);
        QVERIFY(loaded->strikes == project.strikes);
        QVERIFY(loaded->settles == project.settles);
        QVERIFY(loaded->drift == project.drift);
        QVERIFY(loaded->master == project.master);
        QVERIFY(loaded.value() == project);
        // A mark of a strike that is gone is not written.
        project.settles[1].strike = 99;
        QVERIFY(saveProject(project, path));
        QCOMPARE(loadProject(path).value().settles.size(), std::size_t{2});
    }
    void handKeysOfEarlierVersionsMoveAsTheyDid()
    {
        // They counted from the envelope's peak, here two frames after the strike, and were cut where it ended.
        QByteArray text = smallText();
        text.replace("\"vember\": 1,", "\"vember\": 12,");
        text.replace("\"envelope\": {}", "\"envelope\": {\"attack\": 2, \"hold\": 0, \"decay\": 10, \"rumble\": 0}");
        text.replace("\"source\": \"kick\", \"damping\": 0.2",
                     "\"source\": \"drawn\", \"as_drawn\": true, \"rate\": 5, \"rate_rest\": 5, \"keys\": {\"y\": "
                     "[{\"frame\": -2, "
                     "\"value\": 0.5, \"ease\": \"linear\"}, {\"frame\": 20, \"value\": 1}]}");
        const auto project = parsed(text);
        QVERIFY2(project, project ? "" : sentence(project.error()).c_str());
        const Motion motion(project.value());
        QVERIFY(motion.poseAt(9).atRest());
        QVERIFY(std::abs(motion.poseAt(10).y - 5) < 1e-9); // it began displaced
        QVERIFY(std::abs(motion.poseAt(15).y - 10 * (0.5 + 0.5 * 5 / 22)) < 1e-6);
        QVERIFY(motion.poseAt(22).atRest()); // where the envelope ended
        QVERIFY(!motion.poseAt(21).atRest());
        QCOMPARE(std::get<Drawn>(project.value().recipes[0].strands[0].source).home, 0.0);
    }
    void pathsAreRelativeToTheProject()
    {
        Project project = newProject(64, 64, FrameRate());
        project.addShot(Shot{folder_.filePath(QStringLiteral("clips/a.mp4")).toStdString(), 10});
        QVERIFY(saveProject(project, at("p.vember")));
        QVERIFY(test::bytesOf(at("p.vember")).contains("\"clips/a.mp4\""));
        QDir(folder_.path()).mkpath(QStringLiteral("moved/clips"));
        QVERIFY(QFile::rename(folder_.filePath(QStringLiteral("p.vember")),
                              folder_.filePath(QStringLiteral("moved/p.vember"))));
        QCOMPARE(loadProject(at("moved/p.vember"))->shots.front().clip,
                 folder_.filePath(QStringLiteral("moved/clips/a.mp4")).toStdString());
        project.shots.front().clip = folder_.filePath(QStringLiteral("above.mp4")).toStdString();
        QVERIFY(saveProject(project, at("moved/q.vember")));
        QCOMPARE(loadProject(at("moved/q.vember"))->shots.front().clip, project.shots.front().clip);
    }
    void earlierVersionsAreRead()
    {
        QByteArray text = smallText();
        text.replace("\"recipe\": \"R\"", "\"recipe\": \"R\", \"envelope\": {\"decay\": 31}");
        const auto project = parsed(text);
        QVERIFY2(project, project ? "" : sentence(project.error()).c_str());
        QCOMPARE(project->strikes.front().overrides[F::decay], std::optional(31.0));
        QCOMPARE(project->overlap, Overlap());
        QCOMPARE(project->recipes.front().strands.front().salt, 1);
    }
    void theSmallTextIsGood() { QVERIFY(parsed(smallText())); }

    void badTextsAreToldWithTheirPlace_data()
    {
        QTest::addColumn<QByteArray>("from");
        QTest::addColumn<QByteArray>("to");
        QTest::addColumn<QByteArray>("place");
        const auto row = [](const char* from, const char* to, const char* place) {
            QTest::addRow("%s -> %s", from, to) << QByteArray(from) << QByteArray(to) << QByteArray(place);
        };
        row("\"vember\": 1,", "", "vember");
        row("\"vember\": 1", "\"vember\": 18", "version 18");
        row("\"rate\": \"24/1\"", "\"rate\": \"24/1\", \"timecode\": \"an hour\"", "timecode");
        row("\"vember\": 1", "\"vember\": \"one\"", "version");
        row("\"width\": 640", "\"width\": 0", "frame.width");
        row("\"width\": 640", "\"width\": 1e300", "frame.width");
        row("\"width\": 640", "\"width\": 640.5", "frame.width");
        row("\"width\": 640, ", "", "frame.width");
        row("\"24/1\"", "\"24\"", "rate");
        row("\"24/1\"", "\"0/1\"", "rate");
        row("\"24/1\"", "\"24/1x\"", "rate");
        row("\"24/1\"", "24", "rate");
        row("\"length\": 100", "\"length\": -3", "shots[0].length");
        row("\"a.mp4\"", "\"\"", "shots[0].clip");
        row("{\"clip\": \"a.mp4\", \"length\": 100}",
            "{\"clip\": \"a.mp4\", \"length\": 100}, {\"clip\": \"b.mp4\", \"length\": 0}", "shots[1]");
        row("\"name\": \"R\"", "\"name\": \"\"", "recipes[0].name");
        row("\"kick\"", "\"wobble\"", "recipes[0].strands[0].source");
        row("\"damping\": 0.2", "\"damping\": 7", "recipes[0].strands[0].damping");
        row("\"damping\": 0.2", "\"damping\": \"much\"", "recipes[0].strands[0].damping");
        row("\"damping\": 0.2", "\"intermittent\": \"often\"", "recipes[0].strands[0].intermittent");
        row("\"damping\": 0.2", "\"muted\": 1", "recipes[0].strands[0].muted");
        row("\"damping\": 0.2", "\"salt\": 1.5", "recipes[0].strands[0].salt");
        row("\"source\": \"kick\", \"damping\": 0.2", "\"source\": \"wind\"", "strands[0].source");
        row("\"source\": \"kick\", \"damping\": 0.2", "\"source\": \"noise\", \"octaves\": 2.5", "strands[0].octaves");
        row("\"source\": \"kick\", \"damping\": 0.2", "\"source\": \"drawn\", \"keys\": {\"y\": [{\"value\": 3}]}",
            "strands[0].keys.y[0].value");
        row("\"source\": \"kick\", \"damping\": 0.2", "\"source\": \"oscillation\", \"phase\": {\"up\": 3}",
            "strands[0].phase.up");
        row("[{\"name\": \"K\"", "[{\"name\": \"K\", \"source\": \"jitter\"}, {\"name\": \"K\"", "strands[1].name");
        row("\"recipe\": \"R\"", "\"recipe\": \"R\", \"own\": {\"envelope.colour\": 1}",
            "strikes[0].own.envelope.colour");
        row("\"recipe\": \"R\"", "\"recipe\": \"R\", \"own\": {\"envelope.decay\": -4}",
            "strikes[0].own.envelope.decay");
        row("\"recipe\": \"R\"", "\"recipe\": \"R\", \"own\": {\"strand.K.source\": \"wind\"}", "own.strand.K.source");
        row("\"recipe\": \"R\"", "\"recipe\": \"R\", \"group\": \"none\"", "strikes[0].group");
        row("\"recipe\": \"R\"", "\"recipe\": \"R\", \"place\": {\"x\": 1e9}", "strikes[0].place.x");
        row("\"recipe\": \"R\"", "\"recipe\": \"R\", \"place\": {\"picture\": [0.5]}", "strikes[0].place.picture");
        row("\"recipe\": \"R\"", "\"recipe\": \"R\", \"place\": {\"picture\": [0.5, 0.5], \"distance\": -1}",
            "strikes[0].place.distance");
        row("\"finish\"", "\"gentle\": {\"speed\": 0}, \"finish\"", "gentle.speed");
        row("\"finish\"", "\"gentle\": {\"softly\": 1}, \"finish\"", "gentle.softly");
        row("\"finish\"", "\"world\": {\"arrival\": \"light\"}, \"finish\"", "world.arrival");
        row("\"finish\"", "\"world\": {\"reference\": 0}, \"finish\"", "world.reference");
        row("\"finish\"", "\"world\": {\"camera\": [{\"frame\": 4}, {\"frame\": 4}]}, \"finish\"",
            "world.camera[1].frame");
        row("\"finish\"", "\"board\": {\"pads\": [{\"kind\": \"hit\", \"recipes\": [\"Q\", \"R\"]}]}, \"finish\"",
            "board.pads[0].recipes[0]");
        row("\"finish\"", "\"board\": {\"pads\": [{\"kind\": \"hit\", \"recipes\": [\"R\"]}]}, \"finish\"",
            "board.pads[0].recipes");
        row("\"finish\"", "\"board\": {\"states\": [\"a\", \"b\", \"c\"]}, \"finish\"", "board.states[2]");
        row("\"finish\"", "\"overlap\": {\"rule\": \"merge\"}, \"finish\"", "overlap.rule");
        row("\"finish\"", "\"overlap\": {\"ceiling\": 1e9}, \"finish\"", "overlap.ceiling");
        row("\"finish\"", "\"groups\": [{\"name\": \"a\"}, {\"name\": \"a\"}], \"finish\"", "groups[1].name");
        row("\"finish\"", "\"settles\": [{\"frame\": -1}], \"finish\"", "settles[0].frame");
        row("\"finish\"", "\"settles\": [{\"frame\": 4}, {\"frame\": 4}], \"finish\"", "frame 4");
        row("\"finish\"", "\"master\": {\"keys\": [{\"frame\": 1, \"value\": 5}]}, \"finish\"", "master.keys[0].value");
        row("\"finish\"", "\"drift\": {\"amount\": {\"x\": \"far\"}}, \"finish\"", "drift.amount.x");
        row("\"length\": 100", "\"length\": 100, \"move\": [{\"frame\": 2, \"zoom\": 0}]", "shots[0].move[0].zoom");
        row("\"damping\": 0.2", "\"colour\": 1", "recipes[0].strands[0].colour");
        row("{\"y\": 10}", "{\"y\": 1e300}", "recipes[0].strands[0].amount.y");
        row("{\"y\": 10}", "{\"w\": 1}", "recipes[0].strands[0].amount.w");
        row("\"envelope\": {}", "\"envelope\": {\"attack\": -1}", "recipes[0].envelope.attack");
        row("\"envelope\": {}", "\"envelope\": []", "recipes[0].envelope");
        row("\"frame\": 10", "\"frame\": -1", "strikes[0].frame");
        row("\"frame\": 10", "\"frame\": 1.5", "strikes[0].frame");
        row("\"frame\": 10", "\"frame\": 1e300", "strikes[0].frame");
        row("\"frame\": 10, ", "", "strikes[0].frame");
        row("\"hit\"", "\"bump\"", "strikes[0].kind");
        row("\"strength\": 1", "\"strength\": 99", "strikes[0].strength");
        row("\"strength\": 1", "\"strength\": 1e999", "1e999");
        row("\"strength\": 1", "\"strength\": NaN", "test.vember");
        row("\"seed\": 7", "\"seed\": -7", "strikes[0].seed");
        row("\"recipe\": \"R\"", "\"recipe\": \"Q\"", "strikes[0].recipe");
        row("\"mirror\"", "\"torn\"", "finish.edges");
        row("\"constant\"", "\"always\"", "finish.cover");
        row("\"#000000\"", "\"#00000g\"", "finish.plain");
        row("\"strikes\": [", "\"strikes\": {", "test.vember");
        row("}})", "", "test.vember");
        row("\"finish\"", "\"finnish\"", "finnish");
    }
    void badTextsAreToldWithTheirPlace()
    {
        QFETCH(QByteArray, from);
        QFETCH(QByteArray, to);
        QFETCH(QByteArray, place);
        QByteArray text = smallText();
        if (from == "}})")
            text.chop(3);
        else {
            QVERIFY(text.contains(from));
            text.replace(text.indexOf(from), from.size(), to);
        }
        const auto project = parsed(text);
        QVERIFY(!project);
        const QByteArray told = QByteArray::fromStdString(sentence(project.error()));
        QVERIFY2(told.contains(place) && told.contains("test.vember"), told.constData());
    }
    void twoRecipesOfOneName()
    {
        QByteArray text = smallText();
        const QByteArray recipe = text.mid(text.indexOf("{\"name\": \"R\""),
                                           text.indexOf("],\n \"strikes\"") - text.indexOf("{\"name\": \"R\""));
        text.replace(recipe, recipe + ", " + recipe);
        const auto project = parsed(text);
        QVERIFY(!project && sentence(project.error()).find("recipes[1].name") != std::string::npos);
    }
    void otherJsonIsNoProject()
    {
        for (const char* text : {"", "[]", "3", "{}", "null", "{\"vember\"", "\xff\xfe", "{\"vember\": {}}"})
            QVERIFY(!parsed(text));
        // Deep nesting must not run out of stack.
        QVERIFY(!parsed(QByteArray(200000, '[')));
    }
    void filesThatAreNotThere()
    {
        QVERIFY(loadProject(at("none.vember")).error().code == ErrorCode::notFound);
        QVERIFY(loadProject(folder_.path().toStdString()).error().code == ErrorCode::unreadable);
    }
    void savingIsAllOrNothing()
    {
        const std::string path = at("kept.vember");
        QVERIFY(saveProject(fullProject(), path));
        const QByteArray before = test::bytesOf(path);
        {
            const test::DiskLimit limit(1000);
            const auto status = saveProject(newProject(64, 64, FrameRate()), path);
            QVERIFY(!status && status.error().code == ErrorCode::unwritable);
            QVERIFY(sentence(status.error()).find("kept.vember") != std::string::npos);
        }
        QCOMPARE(test::bytesOf(path), before);
        QCOMPARE(QDir(folder_.path()).entryList({QStringLiteral("*.part")}, QDir::Files | QDir::Hidden).size(), 0);
        QVERIFY(!saveProject(fullProject(), at("no/folder/p.vember")));
        QVERIFY(!saveProject(fullProject(), "/proc/p.vember"));
    }
    void randomDamageNeverCrashes()
    {
        const std::string text = projectToJson(fullProject(), "/films");
        test::Random random(6);
        for (int i = 0; i < 3000; ++i) {
            std::string spoiled = text;
            for (int k = random.whole(1, 6); k > 0; --k)
                spoiled[static_cast<std::size_t>(random.whole(0, static_cast<int>(text.size()) - 1))] =
                    static_cast<char>(random.whole(32, 126));
            if (random.whole(0, 4) == 0)
                spoiled.resize(static_cast<std::size_t>(random.whole(0, static_cast<int>(text.size()))));
            const auto project = projectFromJson(spoiled, "/films", "p");
            if (!project)
                QVERIFY(!sentence(project.error()).empty());
        }
    }
};

EMBER_TEST(FileTest)
#include "tst_file.moc"
