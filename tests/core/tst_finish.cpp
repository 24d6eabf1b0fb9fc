// SPDX-License-Identifier: GPL-3.0-or-later
// What decides how a frame is finished: courses of effects, the shutter, the cover.
#include <cmath>

#include <QTest>

#include "ember/core/cover.h"
#include "ember/core/values.h"
#include "pictures.h"
#include "runner.h"

using namespace ember;

namespace {

Envelope shape()
{
    return Envelope().with(EnvelopeField::attack, 2).with(EnvelopeField::hold, 0).with(EnvelopeField::decay, 20);
}

/// A strike on frame 40 that throws the picture to the right.
Project project()
{
    Project p;
    p.width = 640;
    p.height = 360;
    p.rate = *FrameRate::make(24, 1);
    p.addShot(Shot{"clip", 120});
    p.addRecipe(test::plainRecipe(Kick{}, test::amountOf(Axis::x, 40), shape()));
    Strike strike;
    strike.frame = Frame{40};
    strike.recipe = p.recipes.front().id;
    strike.direction = 0;
    p.addStrike(strike);
    return p;
}

Project randomProject(test::Random& random)
{
    Project p = project();
    p.width = random.whole(120, 700);
    p.height = random.whole(90, 500);
    Recipe& recipe = p.recipes.front();
    recipe.strands.front().source = sourceOfKind(static_cast<std::size_t>(random.whole(0, 3)));
    for (const Axis axis : {Axis::x, Axis::y})
        recipe.strands.front().amount[axis] = random.between(-0.06, 0.06) * p.width;
    recipe.strands.front().amount[Axis::roll] = random.between(-3, 3);
    recipe.strands.front().amount[Axis::zoom] = random.between(-0.05, 0.05);
    if (random.whole(0, 2) == 0)
        recipe.strands.front().amount[Axis::pan] = random.between(-2, 2);
    p.strikes.front().seed = static_cast<std::uint32_t>(random.bits());
    p.strikes.front().strength = random.between(0.3, 1.3);
    p.finish.cover = random.whole(0, 1) == 0 ? CoverMode::constant : CoverMode::breathing;
    p.finish.shutterAngle = random.whole(0, 2) * 130;
    p.finish.exposureShift = random.whole(-1, 1) * 0.25;
    p.finish.letterbox = random.whole(0, 2) == 0 ? random.between(1, 2.6) : 0;
    p.finish.coverBars = random.whole(0, 1) == 0;
    return p;
}

/// Shots, strikes over each other by some rule, and any of the ways to move.
Project crowdedProject(test::Random& random)
{
    Project p = randomProject(random);
    p.shots.clear();
    for (int i = random.whole(1, 4); i > 0; --i) {
        Shot shot;
        shot.length = random.whole(20, 120);
        p.addShot(shot);
    }
    Recipe& recipe = p.recipes.front();
    recipe.strands.front().source = sourceOfKind(static_cast<std::size_t>(random.whole(0, 4)));
    if (auto* drawn = std::get_if<Drawn>(&recipe.strands.front().source)) {
        drawn->asDrawn = random.whole(0, 1) == 0;
        drawn->keys[0] = tidied({{-3, 0.4, Ease::smooth}, {4, -0.7, Ease::out}, {20, 0.2, Ease::hold}}, drawn->asDrawn);
    }
    Strand second = recipe.strands.front();
    second.name = "Second";
    second.salt = 2;
    second.source = sourceOfKind(static_cast<std::size_t>(random.whole(0, 3)));
    if (random.whole(0, 1) == 0)
        second.envelope = recipe.envelope.with(EnvelopeField::decay, random.between(1, 60))
                              .with(EnvelopeField::lead, random.between(0, 8));
    second.intermittent.mode = random.whole(0, 1) == 0 ? IntermittentMode::seeded : IntermittentMode::off;
    recipe.strands.push_back(second);
    recipe.envelope.set(EnvelopeField::lead, random.whole(0, 1) == 0 ? random.between(0, 10) : 0);
    recipe.envelope.set(EnvelopeField::leadShape, random.whole(0, 1));
    recipe.envelope.set(EnvelopeField::rumble, random.between(0, 0.4));
    p.overlap.rule = static_cast<OverlapRule>(random.whole(0, 2));
    p.master.intensity = random.between(0.2, 2);
    p.finish.cover = static_cast<CoverMode>(random.whole(0, 2));
    for (int i = random.whole(0, 6); i > 0; --i) {
        Strike strike = p.strikes.front();
        strike.frame = Frame{random.whole(0, 150)};
        strike.seed = static_cast<std::uint32_t>(random.bits());
        strike.strength = random.between(0.2, 2);
        strike.direction = random.whole(0, 1) == 0 ? std::optional(random.between(0, 360)) : std::nullopt;
        p.addStrike(strike);
    }
    p.sortStrikes();
    return p;
}

/// Whether every pixel centre of the seen part of a frame lies between the source's outermost pixel centres.
double furthestBeyond(const Project& p, const Exposure& exposure, double zoom)
{
    const SeenPart part = partToCover(p);
    double beyond = -1e9;
    const double cx = 0.5 * (p.width - 1);
    const double cy = 0.5 * (p.height - 1);
    for (const Pose& pose : exposure.poses) {
        const Matrix3 back = poseMatrix(pose, p.width, p.height).inverse();
        for (int i = 0; i <= 8; ++i)
            for (int k = 0; k <= 8; ++k) {
                if (i % 8 != 0 && k % 8 != 0)
                    continue; // the rim is enough: what is inside it is nearer
                const Point at = back.map(
                    {cx + (part.width - 1) * (i / 8.0 - 0.5) / zoom, cy + (part.height - 1) * (k / 8.0 - 0.5) / zoom});
                beyond = std::max({beyond, -at.x, -at.y, at.x - 2 * cx, at.y - 2 * cy});
            }
    }
    return beyond;
}

} // namespace

class FinishTest : public QObject {
    Q_OBJECT
private slots:
    void coursesByTable()
    {
        const Course course{Course::By::own, 2, 1, 4};
        // Onset 0, peak 3.
        const std::pair<double, double> table[] = {{0, 0},   {1, 0}, {2, 0.5},       {3, 1},  {4, 1},
                                                   {6, .25}, {8, 0}, {7.5, .015625}, {20, 0}, {-5, 0}};
        for (const auto& [t, level] : table)
            QVERIFY2(std::abs(courseAt(course, t, 0, 3, 0.7) - level) < 1e-12, qPrintable(QString::number(t)));
        // Nothing comes before the onset, however long the rise.
        QCOMPARE(courseAt({Course::By::own, 50, 0, 4}, -0.01, 0, 3, 0), 0.0);
        QCOMPARE(courseAt({Course::By::own, 0, 0, 4}, 2.99, 0, 3, 0), 0.0);
        QCOMPARE(courseAt({Course::By::own, 0, 0, 0}, 3, 0, 3, 0), 1.0);
        QCOMPARE(courseAt({Course::By::envelope, 2, 1, 4}, 1, 0, 3, 0.7), 0.7);
    }
    void lightFollowsStrengthPeakAndDirection()
    {
        Project p = project();
        Effects& effects = p.recipes.front().effects;
        effects.streak.length = 30;
        effects.fringe.amount = 4;
        effects.fringe.toward = Toward::set;
        effects.fringe.angle = 90;
        effects.flash.strength = 0.5;
        effects.radial.length = 20;
        p.strikes.front().strength = 0.5;
        const LightNow peak = Motion(p).lightAt(42);
        QCOMPARE(std::hypot(peak.streakX, peak.streakY), 15.0);
        QCOMPARE(peak.streakX, 15.0); // the way it moves
        QCOMPARE(peak.fringeY, 2.0);
        QCOMPARE(peak.radial, 10.0);
        QCOMPARE(peak.flashes.size(), std::size_t{1});
        QCOMPARE(peak.flashes.front().strength, 0.25);
        QVERIFY(Motion(p).lightAt(39).none());
        QVERIFY(Motion(p).lightAt(40).none()); // contact: nothing yet
        QVERIFY(Motion(p).lightAt(43).fringeY < 2 && Motion(p).lightAt(43).fringeY > 0);
        QVERIFY(Motion(p).lightAt(60).none());
        p.finish.shown.streak = false;
        QCOMPARE(Motion(p).lightAt(42).streakX, 0.0);
        p.master.intensity = 0.5;
        QCOMPARE(Motion(p).lightAt(42).fringeY, 1.0);
        p.settles = {{Frame{42}, SettleMode::cut, 0}};
        QVERIFY(Motion(p).lightAt(42).none());
        p.settles.clear();
        p.master.bypass = true;
        QVERIFY(Motion(p).lightAt(42).none());
    }
    void strikesMayHaveTheirOwnLight()
    {
        Project p = project();
        p.strikes.front().overrides.set("light.flash.strength", 0.4);
        p.strikes.front().overrides.set("light.flash.colour", 0x102030);
        const LightNow light = Motion(p).lightAt(42);
        QCOMPARE(light.flashes.size(), std::size_t{1});
        QCOMPARE(light.flashes.front().colour, Colour({16, 32, 48}));
        p.recipes.front().effects.flash.strength = 1;
        p.strikes.front().overrides.set("light.flash.strength", 0);
        QVERIFY(Motion(p).lightAt(42).none());
    }
    void flickerCountsFromTheStrike()
    {
        Project p = project();
        p.recipes.front().effects.flash = {1, 0xffffff, Blend::add, {Course::By::own, 0, 20, 20}};
        p.recipes.front().effects.flicker.every = 2;
        const Motion motion(p);
        for (int frame = 42; frame < 60; ++frame)
            QCOMPARE(motion.lightAt(frame).none(), frame % 2 == 1);
        p.finish.shown.flicker = false;
        QVERIFY(!Motion(p).lightAt(43).none());
        // By beats: 120 a minute are one in twelve frames, the first on frame 4.
        p.finish.shown.flicker = true;
        p.beats = BeatGrid{120, 4.0 / 24, 4, 0};
        p.recipes.front().effects.flicker = {1, Flicker::Count::beats, false, false, false, true};
        for (int frame = 42; frame < 60; ++frame)
            QCOMPARE(!Motion(p).lightAt(frame).none(), frame == 52);
    }
    void theStrongestDrawsTheLight()
    {
        Project p = project();
        p.recipes.front().effects.streak = {20, Toward::set, 0, {Course::By::own, 0, 5, 5}};
        Strike second = p.strikes.front();
        second.frame = Frame{41};
        second.strength = 2;
        second.overrides.set("light.streak.angle", 90);
        p.addStrike(second);
        const LightNow light = Motion(p).lightAt(43);
        QVERIFY(std::abs(light.streakX) < 1e-9);
        QCOMPARE(light.streakY, 40.0);
    }
    void shutterAtRestIsRest()
    {
        Project p = project();
        p.finish.shutterAngle = 180;
        const Motion motion(p);
        const Exposure rest = exposureOf(p, motion, 20);
        QVERIFY(rest.still() && rest.middle.atRest());
        const Exposure moving = exposureOf(p, motion, 41);
        QVERIFY(moving.instants() > 5);
        QCOMPARE(moving.middle, motion.poseAt(41)); // around the frame's own instant
        QVERIFY(moving.poses.front() == motion.poseAt(41 + 0.5 * (0.5 / moving.instants() - 0.5)));
        p.finish.instants = 7;
        QCOMPARE(exposureOf(p, motion, 41).instants(), 7);
        p.finish.exposureShift = 0.25;
        QCOMPARE(exposureOf(p, motion, 41).middle, motion.poseAt(41.25));
        p.finish.shown.blur = false;
        QCOMPARE(exposureOf(p, motion, 41).instants(), 1);
        QCOMPARE(exposureOf(p, motion, 41).middle, motion.poseAt(41));
    }
    void slowMotionIsNotBlurredWhenAsked()
    {
        Project p = project();
        p.finish.shutterAngle = 180;
        p.finish.blurAbove = 15;
        const Motion motion(p);
        int blurred = 0;
        for (int frame = 40; frame < 64; ++frame) {
            const double speed = wayBetween(p, motion, frame - 0.25, frame + 0.25) * 2;
            const bool many = exposureOf(p, motion, frame).instants() > 1;
            QVERIFY(!many || speed > 15);
            QVERIFY(many || speed < 24);
            blurred += many ? 1 : 0;
        }
        QVERIFY(blurred > 0);
    }
    void rowsHaveTheirOwnTimes()
    {
        Project p = project();
        p.finish.rolling = 0.5;
        const Motion motion(p);
        const Exposure exposure = exposureOf(p, motion, 41);
        QCOMPARE(exposure.rows, rollingRows);
        QCOMPARE(exposure.instants(), 1);
        QCOMPARE(exposure.at(0, 0), motion.poseAt(40.75));
        QCOMPARE(exposure.at(0, rollingRows - 1), motion.poseAt(41.25));
        QCOMPARE(exposure.middle, motion.poseAt(41));
        QCOMPARE(exposureOf(p, motion, 10).rows, 1);
    }
    void barsByHand()
    {
        QCOMPARE(barsOf(0, 1920, 1080).top, 0);
        QCOMPARE(barsOf(2.4, 1920, 1080).top, 140);
        QCOMPARE(barsOf(2.4, 1920, 1080).side, 0);
        QCOMPARE(barsOf(1, 1920, 1080).side, 420);
        QCOMPARE(barsOf(10, 2, 2).top, 0);
        Project p = project();
        p.finish.letterbox = 640.0 / 300;
        QCOMPARE(partToCover(p).height, 300.0);
        p.finish.coverBars = false;
        QCOMPARE(partToCover(p).height, 360.0);
    }
    void barsSaveZoom()
    {
        Project p = project();
        p.strikes.front().direction = 90;
        p.recipes.front().strands.front().amount = test::amountOf(Axis::y, 20);
        p.finish.letterbox = 640.0 / 300; // thirty pixels above and below
        QCOMPARE(coverOf(p, Motion(p)).needed, 1.0);
        p.finish.coverBars = false;
        QVERIFY(coverOf(p, Motion(p)).needed > 1.05);
    }
    void coverLeavesNothingUncoveredAndIsLeast()
    {
        // 2,000 random projects: what the cover gives hides every border, and a fifth of a percent less would not.
        test::Random random(404);
        int tight = 0;
        for (int i = 0; i < test::rounds(2000); ++i) {
            const Project p = randomProject(random);
            const Motion motion(p);
            const std::vector<double> needed = neededCovers(p, motion);
            const Cover cover = coverFrom(p, needed);
            if (cover.needed > largestCover)
                continue;
            QVERIFY(uncoveredFrames(cover, needed).empty());
            for (std::int64_t frame = 36; frame < 70; ++frame) {
                const Exposure exposure = exposureOf(p, motion, static_cast<double>(frame));
                const double beyond = furthestBeyond(p, exposure, cover.at(frame));
                QVERIFY2(beyond < 1e-6,
                         qPrintable(QStringLiteral("project %1 frame %2: %3").arg(i).arg(frame).arg(beyond)));
            }
            if (cover.needed > 1.002) {
                ++tight;
                const Exposure worst = exposureOf(p, motion, static_cast<double>(cover.worstFrame));
                QVERIFY(furthestBeyond(p, worst, cover.needed * 0.998) > 0);
                if (p.finish.cover == CoverMode::constant)
                    QCOMPARE(cover.zoom, cover.needed);
                else
                    QVERIFY(cover.zoom < cover.needed * 1.002 + 0.01);
            }
        }
        QVERIFY(4 * tight > 3 * test::rounds(2000));
    }
    void noAxisGoesBeyondItsBound()
    {
        // Every shipped way to move, several strikes over each other, each rule; the bound is for a window of time.
        test::Random random(77);
        int close = 0;
        for (int round = 0; round < 400; ++round) {
            const Project p = crowdedProject(random);
            const Motion motion(p);
            const double from = random.between(-5, 200);
            const double to = from + random.between(0, 2);
            const auto most = motion.mostWithin(from, to);
            if (!most)
                continue;
            for (int i = 0; i <= 8; ++i) {
                const Pose pose = motion.poseAt(from + (to - from) * i / 8);
                const std::pair<Axis, double> axes[] = {{Axis::x, pose.x},           {Axis::y, pose.y},
                                                        {Axis::zoom, pose.zoom - 1}, {Axis::roll, pose.roll},
                                                        {Axis::pan, pose.pan},       {Axis::tilt, pose.tilt}};
                for (const auto& [axis, value] : axes) {
                    QVERIFY2(std::abs(value) <= (*most)[axis] * (1 + 1e-9) + 1e-12,
                             qPrintable(QStringLiteral("%1: %2 beyond %3").arg(round).arg(value).arg((*most)[axis])));
                    close += (*most)[axis] > 0 && std::abs(value) > 0.5 * (*most)[axis] ? 1 : 0;
                }
            }
        }
        QVERIFY(close > 200); // or it bounds nothing
    }
    void shotCoversAreThoseOfEveryFrame()
    {
        test::Random random(78);
        for (int round = 0; round < test::rounds(150); ++round) {
            Project p = crowdedProject(random);
            if (round % 5 == 0)
                p.recipes.front().strands.front().amount[Axis::x] = 3 * p.width; // no zoom helps
            const Motion motion(p);
            const auto needed = neededCovers(p, motion);
            const Cover cover = coverFrom(p, needed);
            const auto bare = uncoveredFrames(cover, needed);
            const auto shots = shotCovers(p, motion);
            QCOMPARE(shots.size(), p.shots.size());
            for (std::size_t i = 0; i < shots.size(); ++i) {
                const ShotPlace place = p.placeOf(i);
                const auto begin = needed.begin() + place.first;
                const auto worst = std::max_element(begin, needed.begin() + place.end);
                QCOMPARE(shots[i].needed, std::max(1.0, *worst));
                QCOMPARE(shots[i].worstFrame, *worst > 1 ? worst - needed.begin() : place.first);
                double zoom = 1;
                for (auto f = place.first; f < place.end; ++f)
                    zoom = std::max(zoom, cover.at(f));
                QCOMPARE(shots[i].zoom, zoom);
                QCOMPARE(shots[i].uncovered, std::count_if(bare.begin(), bare.end(), [&](std::int64_t f) {
                             return f >= place.first && f < place.end;
                         }));
            }
            const Cover quick = coverOf(p, motion);
            QCOMPARE(quick.needed, cover.needed);
            QCOMPARE(quick.worstFrame, cover.worstFrame);
            QCOMPARE(quick.zoom, cover.zoom);
            QVERIFY(quick.breath == cover.breath);
        }
    }
    void ownShotsAreFoundInEitherWay()
    {
        test::Random random(79);
        for (int round = 0; round < 60; ++round) {
            const Project p = crowdedProject(random);
            const Motion motion(p);
            for (int i = 0; i < 40; ++i) {
                const double time = random.between(-30, static_cast<double>(p.length()) + 30);
                const double asked = time + random.between(-3, 3);
                QCOMPARE(motion.ownShot(time)(asked), OwnShot(p, time)(asked));
            }
        }
    }
    void breathingIsSlowRoundAndQuiet()
    {
        std::vector<double> needed(400, 1.0);
        needed[200] = 1.08;
        needed[203] = 1.05;
        const double speed = 0.04 / 24;
        const std::vector<double> zoom = breathingCover(needed, speed);
        double most = 1;
        for (std::size_t i = 1; i < zoom.size(); ++i) {
            QVERIFY(zoom[i] >= needed[i]);
            QVERIFY(std::abs(zoom[i] - zoom[i - 1]) <= speed * (1 + 1e-9));
            if (i > 1)
                QVERIFY(std::abs(zoom[i] - 2 * zoom[i - 1] + zoom[i - 2]) <= speed * 0.51); // no corner
            most = std::max(most, zoom[i]);
        }
        QCOMPARE(zoom[100], 1.0);
        QCOMPARE(zoom[320], 1.0);
        QVERIFY(most < 1.09);
        QVERIFY(breathingCover({}, speed).empty());
        QCOMPARE(breathingCover({1, 1, 1}, speed), std::vector<double>({1, 1, 1}));
    }
    void rollingShuttersAreCoveredByTheirRows()
    {
        Project p = project();
        p.finish.rolling = 1;
        const Motion motion(p);
        const double rolling = neededCover(p, motion, 41);
        Project still = p;
        still.finish.rolling = 0;
        QVERIFY(rolling > 1 && neededCover(still, motion, 41) > 1);
        QVERIFY(rolling != neededCover(still, motion, 41));
    }
    void valuesOfEffectsAreReachedByKey()
    {
        Recipe recipe;
        QVERIFY(setValue(recipe, "light.streak.length", 33));
        QCOMPARE(recipe.effects.streak.length, 33.0);
        QVERIFY(setValue(recipe, "light.flash.colour", 0x0a0b0c));
        const FieldSpec* colour = specOfValue(recipe, "light.flash.colour");
        QVERIFY(colour != nullptr);
        QCOMPARE(valueText(*colour, 0x0a0b0c), std::string("#0a0b0c"));
        QCOMPARE(valueFromText(*colour, "#0A0b0c"), std::optional<double>(0x0a0b0c));
        QVERIFY(!valueFromText(*colour, "red"));
        QCOMPARE(valueWanted(*colour).said(), std::string("a colour such as #1a2b3c"));
        QVERIFY(!setValue(recipe, "light.streak.nothing", 1));
        QCOMPARE(colourFromNumber(colourNumber({1, 2, 3})), Colour({1, 2, 3}));
    }
};

EMBER_TEST(FinishTest)
#include "tst_finish.moc"
