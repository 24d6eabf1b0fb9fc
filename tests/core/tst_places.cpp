// SPDX-License-Identifier: GPL-3.0-or-later
// Events with a place: distance laws and delays against cases worked out by hand, and what is felt of them.
#include <cmath>

#include <QTest>

#include "ember/core/motion.h"
#include "ember/core/place.h"
#include "ember/core/strike_sound.h"
#include "ember/core/survey.h"
#include "ember/core/values.h"
#include "pictures.h"
#include "runner.h"

using namespace ember;
using F = EnvelopeField;

namespace {

/// A kick of 40 pixels with its peak two frames after the strike, in a film of 480 frames.
Project kicked(const std::optional<Place>& place, double strength = 1, std::uint32_t seed = 5)
{
    Project project;
    project.addShot(Shot{"clip", 480});
    Envelope e;
    e.set(F::attack, 2);
    e.set(F::hold, 0);
    e.set(F::decay, 20);
    e.set(F::rumble, 0);
    AxisValues amount;
    amount[Axis::x] = 40;
    amount[Axis::y] = 40;
    project.addRecipe(test::plainRecipe(Kick{}, amount, e));
    Strike strike;
    strike.frame = Frame{100};
    strike.recipe = 1;
    strike.seed = seed;
    strike.strength = strength;
    strike.direction = 90;
    strike.place = place;
    project.addStrike(strike);
    return project;
}

Place at(double x, double y, double z)
{
    return Place{WorldPoint{x, y, z}};
}

std::int64_t largestFrame(const Motion& motion)
{
    std::int64_t found = -1;
    double most = 0;
    for (std::int64_t frame = 0; frame < 480; ++frame) {
        const Pose pose = motion.poseAt(static_cast<double>(frame));
        if (const double moved = std::hypot(pose.x, pose.y); moved > most + 1e-9) {
            most = moved;
            found = frame;
        }
    }
    return found;
}

bool near(double a, double b, double tolerance = 1e-9)
{
    return std::abs(a - b) <= tolerance;
}

} // namespace

class PlacesTest : public QObject {
    Q_OBJECT
private slots:
    void strengthFallsByTheLaw_data()
    {
        QTest::addColumn<double>("exponent");
        QTest::addColumn<double>("reference");
        QTest::addColumn<double>("cutoff");
        QTest::addColumn<double>("metres");
        QTest::addColumn<double>("share");
        QTest::addRow("at the reference") << 1.0 << 5.0 << 0.0 << 5.0 << 1.0;
        QTest::addRow("twice as far is half") << 1.0 << 5.0 << 0.0 << 10.0 << 0.5;
        QTest::addRow("inverse square") << 2.0 << 5.0 << 0.0 << 20.0 << 0.0625;
        QTest::addRow("root") << 0.5 << 4.0 << 0.0 << 16.0 << 0.5;
        QTest::addRow("no fall") << 0.0 << 5.0 << 0.0 << 9000.0 << 1.0;
        QTest::addRow("nearer is no stronger") << 2.0 << 5.0 << 0.0 << 1.0 << 1.0;
        QTest::addRow("at the camera") << 2.0 << 5.0 << 0.0 << 0.0 << 1.0;
        QTest::addRow("negative counts as none") << 2.0 << 5.0 << 0.0 << -3.0 << 1.0;
        QTest::addRow("no number counts as none") << 2.0 << 5.0 << 0.0 << std::nan("") << 1.0;
        QTest::addRow("just before the cut-off") << 1.0 << 5.0 << 50.0 << 49.999 << 5 / 49.999;
        QTest::addRow("from the cut-off on") << 1.0 << 5.0 << 50.0 << 50.0 << 0.0;
        QTest::addRow("infinitely far") << 1.0 << 5.0 << 0.0 << std::numeric_limits<double>::infinity() << 0.0;
    }
    void strengthFallsByTheLaw()
    {
        QFETCH(double, exponent);
        QFETCH(double, reference);
        QFETCH(double, cutoff);
        QFETCH(double, metres);
        World world;
        world.exponent = exponent;
        world.reference = reference;
        world.cutoff = cutoff;
        QTEST(shareAt(world, metres), "share");
    }
    void itArrivesLater_data()
    {
        QTest::addColumn<int>("arrival");
        QTest::addColumn<double>("metres");
        QTest::addColumn<double>("seconds");
        QTest::addColumn<int>("frames"); // of 24
        QTest::addRow("air") << 1 << 343.0 << 1.0 << 24;
        QTest::addRow("air, to the nearest frame") << 1 << 50.0 << 50 / 343.0 << 3;
        QTest::addRow("ground") << 2 << 750.0 << 0.5 << 12;
        QTest::addRow("own") << 3 << 60.0 << 0.6 << 14;
        QTest::addRow("at once") << 0 << 9999.0 << 0.0 << 0;
    }
    void itArrivesLater()
    {
        QFETCH(int, arrival);
        QFETCH(double, metres);
        QFETCH(double, seconds);
        QFETCH(int, frames);
        Project project = kicked(at(0, 0, metres));
        project.world.arrival = static_cast<Arrival>(arrival);
        const ArrivalOf found = arrivalOf(project, project.strikes[0]);
        QCOMPARE(found.event.index, 100);
        QVERIFY(near(found.delay, seconds));
        QCOMPARE(found.felt.index, 100 + frames);
        QCOMPARE(found.distance, metres);
        // And the peak is on that frame's, for the picture as for the sound.
        project.world.weaker = false;
        QCOMPARE(largestFrame(Motion(project)), found.felt.index + 2);
        project.recipes[0].sound.kind = SoundKind::thump;
        QCOMPARE(heardStrikes(project).at(0).seconds, static_cast<double>(100 + frames) / 24);
    }
    void peakLockHoldsForWhatIsDelayed()
    {
        test::Random random(3);
        for (std::uint32_t seed = 1; seed <= 60; ++seed) {
            const Place place = at(random.between(-400, 400), random.between(-20, 20), random.between(-400, 400));
            const Project project = kicked(place, 1.5, seed);
            const ArrivalOf arrival = arrivalOf(project, project.strikes[0]);
            const Motion motion(project);
            QCOMPARE(largestFrame(motion), arrival.felt.index + 2);
            const Pose peak = motion.poseAt(static_cast<double>(arrival.felt.index + 2));
            QVERIFY(near(std::hypot(peak.x, peak.y), 40 * 1.5 * arrival.share, 1e-9));
            QVERIFY(motion.poseAt(static_cast<double>(arrival.felt.index)).atRest());
            QVERIFY(motion.poseAt(479).atRest());
        }
    }
    void theBlowComesFromThere_data()
    {
        QTest::addColumn<double>("x");
        QTest::addColumn<double>("y");
        QTest::addColumn<double>("z");
        QTest::addColumn<double>("degrees");
        QTest::addRow("right pushes left") << 10.0 << 0.0 << 0.0 << 180.0;
        QTest::addRow("left pushes right") << -10.0 << 0.0 << 5.0 << 0.0;
        QTest::addRow("above pushes down") << 0.0 << 10.0 << 5.0 << 90.0;
        QTest::addRow("below pushes up") << 0.0 << -10.0 << 5.0 << -90.0;
        QTest::addRow("below on the right pushes up and left") << 10.0 << -10.0 << 3.0 << -135.0;
    }
    void theBlowComesFromThere()
    {
        QFETCH(double, x);
        QFETCH(double, y);
        QFETCH(double, z);
        QFETCH(double, degrees);
        const Project project = kicked(at(x, y, z));
        const auto direction = arrivalOf(project, project.strikes[0]).direction;
        QVERIFY(direction);
        QVERIFY(near(std::remainder(*direction - degrees, 360), 0));
        const Pose peak =
            Motion(project).poseAt(static_cast<double>(arrivalOf(project, project.strikes[0]).felt.index + 2));
        QVERIFY(near(std::remainder(std::atan2(peak.y, peak.x) * 180 / M_PI - degrees, 360), 0, 1e-6));
    }
    void fromAheadTheStrikesOwnDirectionCounts()
    {
        const Project project = kicked(at(0, 0, 20));
        QVERIFY(!arrivalOf(project, project.strikes[0]).direction);
        const Pose peak = Motion(project).poseAt(103);
        QCOMPARE(peak.x, 0.0);
        QVERIFY(peak.y > 0);
    }
    void eachLawCanBeOff()
    {
        for (const bool own : {false, true}) {
            Project project = kicked(at(200, 0, 0));
            Place& place = *project.strikes[0].place;
            const auto found = [&] { return arrivalOf(project, project.strikes[0]); };
            QCOMPARE(found().share, 5 / 200.0);
            QVERIFY(found().felt.index == 114 && found().direction);
            (own ? place.weaker : project.world.weaker) = false;
            QCOMPARE(found().share, 1.0);
            (own ? place.later : project.world.later) = false;
            QCOMPARE(found().felt.index, 100);
            (own ? place.directed : project.world.directed) = false;
            QVERIFY(!found().direction);
            // With all of them off a place changes nothing, to the bit.
            const Motion with(project);
            const Motion without(kicked(std::nullopt));
            for (int frame = 90; frame < 140; ++frame)
                QVERIFY(with.at(frame + 0.25) == without.at(frame + 0.25));
        }
    }
    void beyondTheCutOffNothingIsFelt()
    {
        Project project = kicked(at(0, 0, 30));
        project.world.cutoff = 30;
        QVERIFY(Motion(project).spans().empty());
        project.world.cutoff = 30.001;
        QCOMPARE(Motion(project).spans().size(), std::size_t{1});
    }
    void absurdPlacesAreBounded()
    {
        for (const double wild : {1e300, -1e300, std::numeric_limits<double>::infinity(), std::nan("")}) {
            const Project project = kicked(at(wild, wild, wild));
            const ArrivalOf found = arrivalOf(project, project.strikes[0]);
            QVERIFY(std::isfinite(found.distance) && found.distance <= 17'321);
            QVERIFY(found.felt.index >= 100 && found.felt.index < 100 + 24 * 60);
            QVERIFY(std::isfinite(Motion(project).poseAt(200).x));
            Project seen = kicked(Place{PicturePoint{wild, wild, wild}});
            QVERIFY(std::isfinite(arrivalOf(seen, seen.strikes[0]).distance));
        }
    }
    void pointsOfThePictureAreInTheWorld()
    {
        // The lens sees 50 degrees: the frame's right end is 25 degrees from ahead.
        const CameraKey stand;
        const WorldPoint right = worldOf({1, 0.5, 10}, stand, 1280, 720);
        QVERIFY(near(right.x, 10 * std::sin(25 * M_PI / 180)) && near(right.z, 10 * std::cos(25 * M_PI / 180)));
        QVERIFY(near(right.y, 0));
        test::Random random(9);
        for (int i = 0; i < 200; ++i) {
            const CameraKey there{
                {}, {random.between(-9, 9), random.between(-9, 9), random.between(-9, 9)}, random.between(-400, 400)};
            const PicturePoint point{random.between(0, 1), random.between(0, 1), random.between(0.1, 500)};
            const auto back = pictureOf(worldOf(point, there, 1280, 720), there, 1280, 720);
            QVERIFY(back && near(back->x, point.x) && near(back->y, point.y) &&
                    near(back->distance, point.distance, 1e-7));
        }
        QVERIFY(!pictureOf({0, 0, -5}, stand, 1280, 720)); // behind
        // On the right of the picture pushes left.
        const Project project = kicked(Place{PicturePoint{0.9, 0.5, 20}});
        QVERIFY(near(std::abs(*arrivalOf(project, project.strikes[0]).direction), 180, 1e-6));
    }
    void theCameraMayMove()
    {
        // It runs away from the event at half the speed of sound: 343 m ahead of it is met after two seconds.
        Project project = kicked(at(0, 0, 0));
        project.strikes[0].frame = Frame{0};
        project.world.camera = {{Frame{0}, {0, 0, 343}, 0}, {Frame{480}, {0, 0, 343 + 20 * 171.5}, 0}};
        ArrivalOf found = arrivalOf(project, project.strikes[0]);
        QVERIFY(near(found.delay, 2, 1e-9) && near(found.distance, 686, 1e-6));
        QCOMPARE(found.felt.index, 48);
        // And towards it: met after two thirds of a second.
        project.world.camera = {{Frame{0}, {0, 0, 343}, 0}, {Frame{40}, {0, 0, 343 - 171.5 * 40 / 24}, 0}};
        found = arrivalOf(project, project.strikes[0]);
        QVERIFY(near(found.delay, 2 / 3.0, 1e-9));
        QCOMPARE(found.felt.index, 16);
        // Where it looks decides from where the blow comes: an event on its right, seen by a camera turned to it.
        project = kicked(at(10, 0, 0));
        project.world.camera = {{Frame{0}, {0, 0, 0}, 90}};
        const WorldPoint seen = seenFrom(project.world.camera[0], {10, 0, 0});
        QVERIFY(near(seen.x, 0) && near(seen.z, 10));
        QVERIFY(!arrivalOf(project, project.strikes[0]).direction);
        // A camera as fast as sound is met as late as anything can be, and no later.
        project.world.camera = {{Frame{0}, {0, 0, 0}, 0}, {Frame{24}, {9000, 0, 0}, 0}};
        QVERIFY(std::isfinite(arrivalOf(project, project.strikes[0]).delay));
    }
    void onACutItIsNotDelayed()
    {
        Project project = kicked(at(0, 0, 343));
        project.shots.clear();
        project.addShot(Shot{"a", 100});
        project.addShot(Shot{"b", 380});
        project.strikes[0].onCut = true;
        QCOMPARE(arrivalOf(project, project.strikes[0]).felt.index, 100);
        project.strikes[0].onCut = false;
        QCOMPARE(arrivalOf(project, project.strikes[0]).felt.index, 124);
    }
    void anEventMayBeOvertaken()
    {
        // The later but nearer one arrives first, and "restart" goes by what arrives.
        Project project = kicked(at(0, 0, 343));
        Strike nearer = project.strikes[0];
        nearer.frame = Frame{110};
        nearer.place.reset();
        project.addStrike(nearer);
        project.overlap.rule = OverlapRule::restart;
        const Project felt = asFelt(project);
        QCOMPARE(felt.strikes[0].frame.index, 110);
        QCOMPARE(felt.strikes[1].frame.index, 124);
        QVERIFY(!hasPlaces(felt) && hasPlaces(project));
        QVERIFY(Motion(project).at(126) == Motion(felt).at(126));
    }
    void theSurveyFollowsTheWorld()
    {
        Project project = kicked(at(0, 0, 60));
        Survey survey;
        survey.update(project, Motion(project));
        for (const auto& change :
             {+[](Project& p) { p.world.exponent = 2; }, +[](Project& p) { p.world.arrival = Arrival::ground; },
              +[](Project& p) {
                  p.strikes[0].place->at = WorldPoint{30, 0, 5};
              },
              +[](Project& p) { p.strikes[0].place.reset(); }}) {
            change(project);
            const Motion motion(project);
            survey.update(project, motion);
            QCOMPARE(survey.needed(), neededCovers(project, motion));
        }
    }
    void textsOfPlacesComeBack()
    {
        for (const Place& place : {at(1.5, -2, 300), Place{PicturePoint{0.25, 0.75, 12}}})
            QVERIFY(placeFromText(placeText(place)) == place);
        QCOMPARE(placeText(at(1.5, -2, 300)), std::string("1.5:-2:300"));
        QCOMPARE(placeText(Place{PicturePoint{0.25, 0.75, 12}}), std::string("picture:0.25:0.75:12"));
        for (const char* text :
             {"", "1:2", "1:2:3:4", "a:b:c", "1:2:", "picture:0.5:0.5:-1", "picture:9:0:1", "0:0:1e9", "nan:0:0"})
            QVERIFY2(!placeFromText(text), text);
    }
    void aCutDoesNotWaitForAnEase()
    {
        // A settle mark that cuts, within the way home of one that eases.
        Project project = kicked(std::nullopt);
        project.recipes[0].envelope.set(F::decay, 200);
        project.recipes[0].strands[0].source = Noise{};
        project.settles = {{Frame{110}, SettleMode::ease, 40}, {Frame{120}, SettleMode::cut, 12}};
        for (const OverlapRule rule : {OverlapRule::add, OverlapRule::stronger, OverlapRule::restart}) {
            project.overlap.rule = rule;
            const Motion motion(project);
            QVERIFY(!motion.poseAt(119.5).atRest());
            for (double time = 120; time < 170; time += 0.5)
                QVERIFY(motion.poseAt(time).atRest());
        }
    }
};

EMBER_TEST(PlacesTest)
#include "tst_places.moc"
