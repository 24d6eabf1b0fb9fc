// SPDX-License-Identifier: GPL-3.0-or-later
#include <QTest>

#include "ember/project/file.h"
#include "ember/project/settings.h"
#include "ember/project/shipped_recipes.h"
#include "ember/project/timing_edits.h"
#include "runner.h"

using namespace ember;

namespace {

Project withStrikesOn(const std::vector<std::int64_t>& frames, StrikeIds& ids)
{
    Project project = newProject(1280, 720, FrameRate());
    project.addShot(Shot{"clip.mp4", 200});
    for (const auto frame : frames) {
        auto [next, id] = withStrike(std::move(project), Frame{frame}, StrikeKind::hit, 0.8);
        project = std::move(next);
        ids.push_back(id);
    }
    return project;
}

std::vector<std::int64_t> framesOf(const Project& project)
{
    std::vector<std::int64_t> frames;
    for (const Strike& strike : project.strikes)
        frames.push_back(strike.frame.index);
    return frames;
}

} // namespace

class TimingEditsTest : public QObject {
    Q_OBJECT
private slots:
    void strikesSpread()
    {
        StrikeIds ids;
        const Project project = withStrikesOn({10, 11, 30, 51}, ids);
        QCOMPARE(framesOf(withStrikesSpread(project, ids)), (std::vector<std::int64_t>{10, 24, 37, 51}));
        QVERIFY(withStrikesSpread(project, {ids[0], ids[3]}) == project); // nothing lies between
        std::swap(ids[0], ids[2]);                                        // whatever order they were picked in
        QCOMPARE(framesOf(withStrikesSpread(project, ids)), (std::vector<std::int64_t>{10, 24, 37, 51}));
    }
    void strengthsFall()
    {
        StrikeIds ids;
        const Project before = withStrikesOn({10, 20, 30, 40}, ids);
        const Project project = withFallingStrengths(before, {ids[2], ids[0], ids[3]}, 0.5);
        QCOMPARE(project.strikes[0].strength, 0.8);
        QCOMPARE(project.strikes[1].strength, 0.8); // was not asked for
        QCOMPARE(project.strikes[2].strength, 0.4);
        QCOMPARE(project.strikes[3].strength, 0.2);
        QVERIFY(withFallingStrengths(project, ids, 100).strikes[3].strength <= 10);
    }
    void strikesArePulledToWhatIsNear()
    {
        StrikeIds ids;
        const Project project = withStrikesOn({10, 20, 24, 100}, ids);
        const std::vector<double> moments{0.5, 0.9, 0.96, 1.2}; // frames 12, 21.6, 23.04, 28.8
        const auto pulled = withStrikesPulled(project, ids, moments, 2);
        QCOMPARE(framesOf(pulled.project), (std::vector<std::int64_t>{12, 22, 23, 100}));
        QCOMPARE(pulled.moved, std::size_t{3}); // one of them back
        QCOMPARE(pulled.far, std::size_t{1});
        QVERIFY(withStrikesPulled(project, ids, {}, 5).project == project);
        QCOMPARE(withStrikesPulled(project, {ids[0], 999}, moments, 1).far, std::size_t{1});
    }
    void soundAndBeatsAreKept()
    {
        StrikeIds ids;
        Project project = withStrikesOn({10}, ids);
        project.sound = {"/foundry/drums.wav", -0.25};
        project.beats = BeatGrid{96.5, 1.25, 3, 2};
        const auto back = projectFromJson(projectToJson(project, "/foundry"), "/foundry", "p");
        QVERIFY2(back, back ? "" : sentence(back.error()).c_str());
        QVERIFY(back->sound == project.sound && back->beats == project.beats);
        QVERIFY(projectToJson(project, "/foundry").find("\"file\": \"drums.wav\"") != std::string::npos);
        const auto set = withSettings(project, {{"sound.offset", "0.5"}, {"beats.bpm", "120"}});
        QVERIFY(set && set->sound.offset == 0.5 && set->beats->bpm == 120 && set->beats->barBeats == 3);
        QVERIFY(!withSettings(project, {{"beats.bpm", "0"}}));
        QVERIFY(!projectFromJson("{\"vember\": 3, \"frame\": {\"width\": 8, \"height\": 8}, \"rate\": \"24/1\", "
                                 "\"shots\": [], \"recipes\": [], \"strikes\": [], \"beats\": {\"bpm\": 1e9}}",
                                 "", "p"));
    }
    void pinnedBeatsAreKeptAndSet()
    {
        StrikeIds ids;
        Project project = withStrikesOn({10}, ids);
        project.beats = BeatGrid{96.5, 1.25, 3, 2};
        project.beats->pins = {{-8, -4.1}, {16, 11.3000000000000007}, {32, 22}};
        const auto back = projectFromJson(projectToJson(project, "/foundry"), "/foundry", "p");
        QVERIFY2(back, back ? "" : sentence(back.error()).c_str());
        QVERIFY(back->beats == project.beats);
        const auto set = withSettings(project, {{"beats.pins", "16:12,8:7.5"}});
        QVERIFY(set && set->beats->pins == (std::vector<BeatPin>{{8, 7.5}, {16, 12}}));
        QVERIFY(withSettings(project, {{"beats.pins", "none"}})->beats->pins.empty());
        for (const char* wrong : {"", "8", "8:x", "0:1", "8:1", "8:7,8:8", "8:7,9:6.9", "1e9:3"})
            QVERIFY2(!withSettings(project, {{"beats.pins", wrong}}), wrong);
        QVERIFY(!withSettings(project, {{"beats.first_beat", "40"}})); // after the pins
        // What is listed can be set.
        for (const Setting& one : settingsOf(project))
            if (one.first == "beats.pins")
                QVERIFY(withSettings(project, {one})->beats == project.beats);
        for (const char* pins :
             {"7", "[[1]]", "[[1.5, 2]]", "[[\"a\", 2]]", "[[0, 1.25]]", "[[4, 1]]", "[[1e300, 4]]"}) {
            std::string json = projectToJson(project, "/foundry");
            const auto at = json.find("\"pins\": ");
            const auto end = json.find("]\n    ]", at);
            QVERIFY(at != std::string::npos);
            json.replace(at + 8, (end == std::string::npos ? json.find("]]", at) + 2 : end + 7) - at - 8, pins);
            const auto read = projectFromJson(json, "/foundry", "p");
            QVERIFY2(!read, pins);
            QVERIFY2(sentence(read.error()).find("pins") != std::string::npos, sentence(read.error()).c_str());
        }
    }
    void scatteredByTheSeedWithinARange()
    {
        StrikeIds ids;
        std::vector<std::int64_t> frames;
        for (int i = 0; i < 100; ++i)
            frames.push_back(2 * i);
        Project project = withStrikesOn(frames, ids);
        for (std::size_t i = 0; i < project.strikes.size(); ++i)
            project.strikes[i].direction = i == 7 ? std::nullopt : std::optional(350.0);
        const Project once = withScattered(project, ids, Scattered::strength, 0.2, 1);
        QVERIFY(once == withScattered(project, ids, Scattered::strength, 0.2, 1)); // the same again
        QVERIFY(!(once == withScattered(project, ids, Scattered::strength, 0.2, 2)));
        double low = 9;
        double high = 0;
        double sum = 0;
        for (const Strike& strike : once.strikes) {
            low = std::min(low, strike.strength);
            high = std::max(high, strike.strength);
            sum += strike.strength;
        }
        QVERIFY(low >= 0.64 && high <= 0.96 && low < 0.69 && high > 0.91);
        QVERIFY(std::abs(sum / 100 - 0.8) < 0.03); // to no side
        const Project turned = withScattered(project, ids, Scattered::direction, 30, 1);
        QVERIFY(!turned.strikes[7].direction); // the seed chooses that one already
        int beyond = 0;
        for (const Strike& strike : turned.strikes)
            if (strike.direction) {
                QVERIFY(*strike.direction >= 0 && *strike.direction < 360);
                QVERIFY(*strike.direction >= 320 || *strike.direction <= 20);
                beyond += *strike.direction <= 20 ? 1 : 0;
            }
        QVERIFY(beyond > 15);
        QVERIFY(withScattered(project, ids, Scattered::strength, 0, 5) == project);
        // One strike alone, and no other; what would be too much is held.
        QCOMPARE(withScattered(project, {ids[3]}, Scattered::strength, 0.5, 1).strikes[4], project.strikes[4]);
        project.strikes[0].strength = strikefield::strength.max;
        QVERIFY(withScattered(project, ids, Scattered::strength, 1, 3).strikes[0].strength <=
                strikefield::strength.max);
    }
};

EMBER_TEST(TimingEditsTest)
#include "tst_timing_edits.moc"
