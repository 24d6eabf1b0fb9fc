// SPDX-License-Identifier: GPL-3.0-or-later
// Presses in live time: what they do is what the film's own functions do, and nothing of it stays.
#include <cmath>

#include <QTest>

#include "ember/live/live_bench.h"
#include "ember/live/recording.h"
#include "ember/project/board_edits.h"
#include "ember/project/recipe_edits.h"
#include "ember/project/shipped_recipes.h"
#include "pictures.h"
#include "runner.h"

using namespace ember;
using F = EnvelopeField;

namespace {

Project foundry()
{
    Project project = newProject(1280, 720, FrameRate());
    project.addShot(Shot{"clip", 480});
    project.beats = BeatGrid{120, 0, 4, 0};
    return project;
}

Strike pressOf(const Project& project, StrikeKind kind, double strength, std::uint32_t seed)
{
    Strike strike;
    strike.kind = kind;
    strike.recipe = project.recipeNamed(starterRecipeName(kind))->id;
    strike.strength = strength;
    strike.seed = seed;
    strike.direction = usualDirection(kind);
    return strike;
}

/// The largest of any value. Sums in another order may differ in their last bits.
double difference(const MotionSample& a, const MotionSample& b)
{
    double most = std::abs(a.intensity - b.intensity);
    for (const auto& [x, y] : {std::pair(a.pose.x, b.pose.x),
                               {a.pose.y, b.pose.y},
                               {a.pose.zoom, b.pose.zoom},
                               {a.pose.roll, b.pose.roll},
                               {a.pose.pan, b.pose.pan},
                               {a.pose.tilt, b.pose.tilt}})
        most = std::max(most, std::abs(x - y));
    return most;
}

constexpr LiveLine wholeFilm{0, 0, 479};

} // namespace

class LiveBenchTest : public QObject {
    Q_OBJECT
private slots:
    void aPressIsSeenAtOnce()
    {
        const Project project = foundry();
        LiveBench bench(project);
        QVERIFY(bench.at(10.7).pose.atRest());
        const Outcome outcome = bench.strike(pressOf(project, StrikeKind::landing, 1, 3), 10.7);
        QCOMPARE(outcome.fate, Fate::felt);
        QCOMPARE(outcome.felt.index, 10);
        QVERIFY(!bench.at(10.7).pose.atRest());
        QVERIFY(bench.at(10.7).intensity > 0.1);
    }
    /// Presses, settles and stops at random; the recording, put on a film, gives the same poses on every frame.
    void liveIsAsRecorded_data()
    {
        QTest::addColumn<int>("rule");
        QTest::addColumn<bool>("places");
        for (const int rule : {0, 1, 2})
            for (const bool places : {false, true})
                QTest::addRow("%s%s", std::string(overlapName(static_cast<OverlapRule>(rule))).c_str(),
                              places ? ", with places" : "")
                    << rule << places;
    }
    void liveIsAsRecorded()
    {
        QFETCH(int, rule);
        QFETCH(bool, places);
        Project project = foundry();
        project.overlap.rule = static_cast<OverlapRule>(rule);
        project.recipes[0].envelope.set(F::rumbleUntil, static_cast<double>(RumbleUntil::nextStrike));
        project.recipes[0].envelope.set(F::rumble, 0.2);
        project.recipes[1].envelope.set(F::rumbleUntil, static_cast<double>(RumbleUntil::shotEnd));
        project.recipes[1].envelope.set(F::rumble, 0.1);
        project.world.arrival = Arrival::ground;
        for (std::uint64_t seed = 1; seed <= 12; ++seed) {
            test::Random random(seed);
            LiveBench bench(project);
            bench.setFilmEnd(480);
            bench.record();
            std::vector<MotionSample> seen(480);
            double now = 0;
            for (int frame = 0; frame < 480; ++frame) {
                seen[static_cast<std::size_t>(frame)] = bench.at(frame); // as the picture had it
                // What is pressed in the rest of this frame.
                for (now = frame + 0.01; now < frame + 1; now += random.between(0.1, 6)) {
                    if (frame > 440 || random.between(0, 1) > 0.2)
                        continue;
                    if (const double what = random.between(0, 1); what < 0.06) {
                        bench.settle(what < 0.03 ? 0 : random.between(2, 30), now);
                        break;
                    }
                    Strike press = pressOf(project, static_cast<StrikeKind>(random.whole(0, 3)), random.between(0.1, 2),
                                           static_cast<std::uint32_t>(random.whole(1, 999)));
                    if (places)
                        press.place = Place{
                            WorldPoint{random.between(-300, 300), random.between(0, 9), random.between(-300, 300)}};
                    bench.strike(press, now);
                }
            }
            RecordedIn in = withRecorded(project, bench.endRecording(), wholeFilm, Quantise::frames);
            QVERIFY(in.ids.size() > 20);
            const Motion film(in.project);
            // A press within a frame is on that frame: the film has it there already, the picture had it after.
            std::vector<bool> pressed(481);
            for (const Strike& strike : asFelt(in.project).strikes)
                pressed[static_cast<std::size_t>(std::min<std::int64_t>(480, strike.frame.index))] = true;
            int compared = 0;
            for (std::size_t frame = 0; frame < seen.size(); ++frame) {
                if (pressed[frame])
                    continue;
                ++compared;
                const double off = difference(film.at(static_cast<double>(frame)), seen[frame]);
                QVERIFY2(off < 1e-9, qPrintable(QStringLiteral("seed %1 frame %2: %3").arg(seed).arg(frame).arg(off)));
            }
            QVERIFY(compared > 300);
        }
    }
    void onTheFrameOfAPressTheyAgreeToo()
    {
        const Project project = foundry();
        LiveBench bench(project);
        bench.record();
        bench.strike(pressOf(project, StrikeKind::hit, 1, 77), 24.4);
        const Motion film(withRecorded(project, bench.endRecording(), wholeFilm, Quantise::frames).project);
        for (double time = 24; time < 120; time += 0.25)
            QVERIFY(film.at(time) == bench.at(time));
    }
    void anHourOfHammeringEndsInExactRest()
    {
        Project project = foundry();
        test::Random random(4);
        for (const OverlapRule rule : {OverlapRule::add, OverlapRule::stronger, OverlapRule::restart}) {
            project.overlap.rule = rule;
            LiveBench bench(project);
            std::size_t most = 0;
            double farthest = 0;
            double now = 0;
            for (std::uint64_t press = 0; press < 108'000; ++press) { // thirty a second
                now += random.between(0, 2 * 24 / 30.0);
                bench.strike(pressOf(project, static_cast<StrikeKind>(random.whole(0, 3)), random.between(0.2, 1.5),
                                     pressSeed(1, press)),
                             now);
                most = std::max(most, bench.held());
                if (press % 50 == 0) {
                    const Pose pose = bench.at(now).pose;
                    farthest = std::max(farthest, std::hypot(pose.x, pose.y));
                    if (rule == OverlapRule::add) {
                        QVERIFY(bench.at(now).intensity <= 1.5);
                    }
                }
            }
            QVERIFY(most > 10 && most < 2000);
            QVERIFY(farthest > 5 && farthest < 500);
            const double end = now + 24 * 60;
            QVERIFY(bench.at(end) == MotionSample());
            QVERIFY(bench.silent(end));
            QCOMPARE(bench.held(), std::size_t{0});
        }
    }
    void endlessRumblesEndWithTheFilm()
    {
        Project project = foundry();
        for (Recipe& recipe : project.recipes) {
            recipe.envelope.set(F::rumble, 0.3);
            recipe.envelope.set(F::rumbleUntil, static_cast<double>(RumbleUntil::shotEnd));
        }
        LiveBench bench(project);
        bench.setFilmEnd(200);
        bench.strike(pressOf(project, StrikeKind::blast, 1, 3), 10);
        QVERIFY(!bench.at(199).pose.atRest());
        QVERIFY(bench.at(200).pose.atRest());
        QVERIFY(bench.silent(210));
    }
    void stopIsAtOnceAndEaseIsEased()
    {
        const Project project = foundry();
        LiveBench bench(project);
        bench.strike(pressOf(project, StrikeKind::blast, 1, 3), 0);
        QVERIFY(!bench.at(5).pose.atRest());
        bench.settle(0, 5.2);
        QVERIFY(bench.at(5.2) == MotionSample());
        bench.strike(pressOf(project, StrikeKind::blast, 1, 3), 20);
        bench.settle(12, 25.5);
        const double before = bench.at(25.9).intensity;
        QVERIFY(before > 0.05);
        QVERIFY(bench.at(32).intensity < before && bench.at(32).intensity > 0);
        QVERIFY(bench.at(38).pose.atRest());
        // A stop on the way home does not wait.
        bench.strike(pressOf(project, StrikeKind::blast, 1, 3), 60);
        bench.settle(40, 62);
        bench.settle(0, 70);
        QVERIFY(bench.at(70).pose.atRest());
        // And does not let come what was still on its way.
        Strike far = pressOf(project, StrikeKind::blast, 1, 3);
        far.place = Place{WorldPoint{0, 0, 343}};
        QCOMPARE(bench.strike(far, 100).felt.index, 124);
        bench.settle(0, 110);
        QVERIFY(bench.at(126).pose.atRest());
    }
    void oneShakeEndsAlone()
    {
        const Project project = foundry();
        LiveBench both(project);
        LiveBench one(project);
        const Strike blast = pressOf(project, StrikeKind::blast, 1, 3);
        const Strike hit = pressOf(project, StrikeKind::hit, 1, 5);
        one.strike(hit, 1);
        both.record();
        const StrikeId first = both.strike(blast, 0).id;
        both.strike(hit, 1);
        both.settleOnly({first, 4711}, 0, 3.5);
        for (const double t : {4.0, 5.0, 7.0, 12.0})
            QVERIFY(difference(both.at(t), one.at(t)) < 1e-9); // the hit alone is left
        QVERIFY(difference(both.at(3), one.at(3)) > 1e-3);
        // It is recorded for that strike.
        const RecordedIn in = withRecorded(project, both.endRecording(), wholeFilm, Quantise::frames);
        QCOMPARE(in.project.settles.size(), std::size_t{1});
        QCOMPARE(in.project.settles[0].strike, in.project.strikes[0].id);
        QVERIFY(difference(Motion(in.project).at(7), one.at(7)) < 1e-9);
    }
    void whatBecomesOfAPressIsTold()
    {
        Project project = foundry();
        LiveBench bench(project);
        QCOMPARE(bench.strike(pressOf(project, StrikeKind::hit, 0.5, 1), 10).fate, Fate::felt);
        QCOMPARE(bench.strike(pressOf(project, StrikeKind::hit, 0.4, 2), 10.3).fate, Fate::joined); // weaker: stays
        QCOMPARE(bench.project().strikes.at(0).seed, 1u);
        QCOMPARE(bench.strike(pressOf(project, StrikeKind::hit, 0.9, 3), 10.6).fate, Fate::joined);
        QCOMPARE(bench.project().strikes.at(0).seed, 3u);
        QCOMPARE(bench.held(), std::size_t{1});
        QCOMPARE(bench.strike(pressOf(project, StrikeKind::hit, 0, 3), 12).fate, Fate::ignored);
        QCOMPARE(bench.strike(pressOf(project, StrikeKind::hit, std::nan(""), 3), 12).fate, Fate::ignored);
        Strike gone = pressOf(project, StrikeKind::hit, 1, 3);
        gone.recipe = 99;
        QCOMPARE(bench.strike(gone, 12).fate, Fate::ignored);
        project.master.bypass = true;
        bench.setValues(project);
        QCOMPARE(bench.strike(pressOf(project, StrikeKind::hit, 1, 3), 12).fate, Fate::ignored);
        project.master.bypass = false;
        Strike far = pressOf(project, StrikeKind::hit, 1, 3);
        far.place = Place{WorldPoint{100, 0, 0}};
        project.world.cutoff = 80;
        bench.setValues(project);
        const Outcome beyond = bench.strike(far, 12);
        QCOMPARE(beyond.fate, Fate::ignored);
        QVERIFY(beyond.why.said().find("100 m") != std::string::npos);
        // The ceiling.
        for (int frame = 20; frame < 26; ++frame)
            bench.strike(pressOf(project, StrikeKind::blast, 1.2, 3), frame);
        const Outcome bent = bench.strike(pressOf(project, StrikeKind::blast, 1.2, 3), 26);
        QCOMPARE(bent.fate, Fate::bent);
        QVERIFY(bent.why.said().find("300 %") != std::string::npos);
        // The rules.
        project.overlap.rule = OverlapRule::stronger;
        LiveBench strongest(project);
        strongest.strike(pressOf(project, StrikeKind::blast, 2, 3), 10);
        QCOMPARE(strongest.strike(pressOf(project, StrikeKind::hit, 0.2, 3), 13).fate, Fate::hidden);
        QCOMPARE(strongest.strike(pressOf(project, StrikeKind::hit, 4, 3), 14).fate, Fate::tookOver);
        project.overlap.rule = OverlapRule::restart;
        LiveBench newest(project);
        newest.strike(pressOf(project, StrikeKind::blast, 2, 3), 10);
        QCOMPARE(newest.strike(pressOf(project, StrikeKind::hit, 0.2, 3), 13).fate, Fate::tookOver);
    }
    void noFrameTakesMoreThanEight()
    {
        Project project = foundry();
        while (project.recipes.size() < 12)
            project = withRecipe(std::move(project), project.recipes.front()).project;
        LiveBench bench(project);
        int ignored = 0;
        for (const Recipe& recipe : project.recipes) {
            Strike press = pressOf(project, StrikeKind::hit, 1, 3);
            press.recipe = recipe.id;
            ignored += bench.strike(press, 30.5).fate == Fate::ignored ? 1 : 0;
        }
        QCOMPARE(ignored, 4);
        QCOMPARE(bench.held(), LiveBench::mostOnAFrame);
    }
    void valuesAreTurnedWhileItRuns()
    {
        Project project = foundry();
        LiveBench bench(project);
        bench.strike(pressOf(project, StrikeKind::landing, 1, 3), 10);
        const double before = bench.at(12).pose.y;
        for (Strand& strand : project.recipe(bench.project().strikes[0].recipe)->strands)
            strand.amount[Axis::y] *= 2;
        bench.setValues(project);
        QVERIFY(std::abs(bench.at(12).pose.y - 2 * before) < 1e-9);
        bench.setIntensity(0.5);
        QVERIFY(std::abs(bench.at(12).pose.y - before) < 1e-9);
        bench.setValues(project); // the knob stays where it is
        QCOMPARE(bench.intensity(), 0.5);
        project.recipes.clear();
        bench.setValues(project);
        QCOMPARE(bench.held(), std::size_t{0});
        QVERIFY(bench.at(12).pose.atRest());
    }
    void recordedStrikesAreQuantised()
    {
        const Project project = foundry(); // a beat is twelve frames
        LiveEvents events;
        for (const std::int64_t frame : {11, 13, 18, 29}) {
            events.strikes.push_back(pressOf(project, StrikeKind::hit, 1, 3));
            events.strikes.back().frame = Frame{frame};
        }
        const auto frames = [&](Quantise quantise) {
            std::vector<std::int64_t> found;
            for (const Strike& strike : withRecorded(project, events, wholeFilm, quantise).project.strikes)
                found.push_back(strike.frame.index);
            return found;
        };
        QCOMPARE(frames(Quantise::frames), (std::vector<std::int64_t>{11, 13, 18, 29}));
        QCOMPARE(frames(Quantise::beats), (std::vector<std::int64_t>{12, 24})); // two on one, and a half goes up
        QCOMPARE(frames(Quantise::halfBeats), (std::vector<std::int64_t>{12, 18, 30}));
        QCOMPARE(frames(Quantise::quarterBeats), (std::vector<std::int64_t>{12, 18, 30}));
        QCOMPARE(withRecorded(project, events, wholeFilm, Quantise::beats).joined, std::size_t{2});
    }
    void whatTheFilmStrikesIsNotRecorded()
    {
        const Project project = foundry();
        LiveBench bench(project);
        bench.record();
        bench.strike(pressOf(project, StrikeKind::hit, 1, 3), 10, LiveBench::By::film);
        bench.strike(pressOf(project, StrikeKind::blast, 1, 3), 14);
        bench.strike(pressOf(project, StrikeKind::blast, 1, 3), 490);
        bench.settle(4, 495);
        const RecordedIn in = withRecorded(project, bench.endRecording(), {0, 0, 1000}, Quantise::frames);
        QCOMPARE(in.project.strikes.size(), std::size_t{1});
        QCOMPARE(in.project.strikes[0].frame.index, 14);
        QCOMPARE(in.past, std::size_t{1});
        QVERIFY(in.project.settles.empty());
    }
    void whatIsRecordedInALoopStaysInIt()
    {
        const LiveLine line{40, 24, 47};
        QCOMPARE(line.filmFrame(0), 40);
        QCOMPARE(line.filmFrame(7), 47);
        QCOMPARE(line.filmFrame(8), 24);
        QCOMPARE(line.filmFrame(31), 47);
        QCOMPARE(line.filmFrame(32 + 24), 24);
    }
    void theBoardHasAPadForEachRecipe()
    {
        Project project = foundry();
        Board board = boardOf(project);
        QCOMPARE(board.pads.size(), project.recipes.size());
        for (const Pad& pad : board.pads)
            QVERIFY(pad.recipes[0] == pad.recipes[1] && project.recipe(pad.recipes[0]) != nullptr);
        QCOMPARE(kindOfRecipe(project, project.recipeNamed(starterRecipeName(StrikeKind::blast))->id),
                 StrikeKind::blast);
        // Changing one makes the board the project's own; the other state strikes another recipe.
        project = withPadChanged(project, 0, [&](Pad& pad) {
            pad.recipes[1] = project.recipes[2].id;
            pad.strength = 1.5;
        });
        const Pad& pad = project.board.pads.at(0);
        QCOMPARE(strikeOf(pad, 0, 0.5).recipe, project.recipes[0].id);
        QCOMPARE(strikeOf(pad, 1, 0.5).recipe, project.recipes[2].id);
        QCOMPARE(strikeOf(pad, 1, 0.5).strength, 0.75);
        // A recipe that goes takes its place on pads with it.
        Project without = withoutRecipe(project, project.recipes[2].id, 0);
        QCOMPARE(without.board.pads.at(0).recipes[1], project.recipes[0].id);
        without = withoutRecipe(without, project.recipes[0].id, project.recipes[1].id);
        QCOMPARE(without.board.pads.at(0).recipes[0], project.recipes[1].id);
        while (project.board.pads.size() < mostPads)
            project = withPad(project, project.recipes[0].id);
        QCOMPARE(withPad(project, project.recipes[0].id).board.pads.size(), mostPads);
        QCOMPARE(withoutPad(project, 3).board.pads.size(), mostPads - 1);
    }
};

EMBER_TEST(LiveBenchTest)
#include "tst_live_bench.moc"
