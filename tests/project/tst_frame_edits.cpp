// SPDX-License-Identifier: GPL-3.0-or-later
#include <cmath>

#include <QtTest>

#include "ember/core/motion.h"
#include "ember/project/edits.h"
#include "ember/project/file.h"
#include "ember/project/frame_edits.h"
#include "ember/project/recipe_book.h"
#include "ember/project/settings.h"
#include "ember/project/shipped_recipes.h"
#include "ember/project/shot_edits.h"
#include "pictures.h"
#include "runner.h"

using namespace ember;

namespace {

const FrameRate film = *FrameRate::make(24, 1);
const FrameRate video = *FrameRate::make(30, 1);
const FrameRate ntsc = *FrameRate::make(24000, 1001);

/// Two shots with something of everything in them.
Project everything()
{
    Project p = newProject(1280, 720, film);
    Shot first;
    first.clip = "a.mov";
    first.length = 120;
    first.available = 200;
    first.in = 12;
    first.move = {{Frame{12}, 0, 0, 1, 0}, {Frame{60}, 40, -20, 1.2, 3}};
    first.framing = {Framing::How::place, 30, 0, 1.5};
    Shot second = first;
    second.clip = "b.mov";
    second.length = 48;
    p.addShot(first);
    p.addShot(second);
    p = withStrike(std::move(p), Frame{36}, StrikeKind::blast, 1).project;
    p = withStrike(std::move(p), Frame{130}, StrikeKind::landing, 0.8).project;
    Strike& blast = p.strikes.front();
    blast.place = Place{PicturePoint{0.75, 0.25, 20}};
    blast.overrides.set("envelope.decay", 20);
    blast.overrides.set("light.streak.length", 40);
    blast.overrides.setCurve("shutter_angle", {{0, 360}, {12, 180}});
    Recipe& recipe = *p.recipe(blast.recipe);
    recipe.pivot = {Pivot::At::point, 0.75, 0.5};
    recipe.envelope.setCurve({{0, 0}, {2, 1}, {24, 0}});
    p.settles = {{Frame{100}, SettleMode::ease, 12}};
    p.master.keys = {{Frame{0}, 1}, {Frame{48}, 2}};
    p.layers.push_back({.name = "title", .picture = "t.png", .in = 24, .length = 72, .x = 320, .y = -180});
    p.drift.amount[Axis::x] = 6;
    p.drift.levelKeys = {{0, 1}, {48, 0.5}};
    p.clock.start = 86400;
    return p;
}

const Recipe& blastOf(const Project& p)
{
    return *p.recipe(p.strikes.front().recipe);
}

} // namespace

class FrameEditsTest : public QObject {
    Q_OBJECT

private slots:
    void amountsFollowTheFrame()
    {
        const Project before = everything();
        const Project after = withFrameSize(before, 2560, 1440, PixelAmounts::follow);
        QVERIFY(after.width == 2560 && after.height == 1440);
        const Recipe& was = blastOf(before);
        const Recipe& is = blastOf(after);
        for (std::size_t i = 0; i < was.strands.size(); ++i) {
            QCOMPARE(is.strands[i].amount[Axis::x], 2 * was.strands[i].amount[Axis::x]);
            QCOMPARE(is.strands[i].amount[Axis::roll], was.strands[i].amount[Axis::roll]);
        }
        QCOMPARE(is.envelope, was.envelope);
        QCOMPARE(*after.strikes.front().overrides["light.streak.length"], 80.0);
        QCOMPARE(*after.strikes.front().overrides["envelope.decay"], 20.0);
        QCOMPARE(after.strikes.front().frame, before.strikes.front().frame);
        QCOMPARE(after.drift.amount[Axis::x], 12.0);
        QCOMPARE(after.shots.front().move[1].x, 80.0);
        QCOMPARE(after.shots.front().framing.x, 60.0);
        QCOMPARE(after.layers.front().x, 640.0);
        QCOMPARE(after.layers.front().size, 2.0);
        // The same picture at twice the size: every pose is twice as far.
        const Motion small(before);
        const Motion large(after);
        for (int i = 0; i < 200; ++i) {
            const Pose a = small.poseAt(0.75 * i);
            const Pose b = large.poseAt(0.75 * i);
            QVERIFY(std::abs(b.x - 2 * a.x) < 0.2 && std::abs(b.y - 2 * a.y) < 0.2); // kept to a tenth
            QVERIFY(std::abs(b.roll - a.roll) < 1e-9 && std::abs(b.zoom - a.zoom) < 1e-9);
        }
    }
    void amountsMayStay()
    {
        const Project before = everything();
        const Project after = withFrameSize(before, 1080, 1920, PixelAmounts::stay);
        QCOMPARE(blastOf(after).strands, blastOf(before).strands);
        QCOMPARE(after.drift.amount[Axis::x], 6.0);
        QVERIFY(withFrameSize(before, 1280, 720, PixelAmounts::follow) == before);
    }
    void pointsStayOnWhatTheyShow()
    {
        // Upright, filled: the picture is 1920/720 as large, and its middle stays the middle.
        const Project after = withFrameSize(everything(), 1080, 1920, PixelAmounts::follow);
        const double scale = 1920.0 / 720;
        const auto* point = std::get_if<PicturePoint>(&after.strikes.front().place->at);
        QVERIFY(point != nullptr);
        QVERIFY(std::abs(point->x - (0.5 + 0.25 * 1280 * scale / 1080)) < 1e-12);
        QVERIFY(std::abs(point->y - 0.25) < 1e-12);
        QVERIFY(std::abs(blastOf(after).pivot.x - point->x) < 1e-12);
        // What the clip shows under that point is the same in both.
        const FramedPart was = framedPart({}, 1920, 1080, 1280, 720);
        const FramedPart is = framedPart({}, 1920, 1080, 1080, 1920);
        QVERIFY(std::abs((was.left + 0.75 * was.width) - (is.left + point->x * is.width)) < 1e-9);
    }
    void everythingStaysAtItsSecond()
    {
        const Project before = everything();
        const Project after = withFrameRate(before, video);
        QCOMPARE(after.rate, video);
        QCOMPARE(after.strikes[0].frame, Frame{45});
        QCOMPARE(after.strikes[1].frame, Frame{163}); // 162.5
        QCOMPARE(after.shots[0].length, std::int64_t{150});
        QCOMPARE(after.length(), std::int64_t{210});
        QCOMPARE(after.shots[0].in, 15.0);
        QCOMPARE(after.shots[0].available, std::int64_t{250});
        QCOMPARE(after.shots[0].move[1].frame, Frame{75});
        QCOMPARE(after.settles[0].frame, Frame{125});
        QCOMPARE(after.settles[0].frames, 15.0);
        QCOMPARE(after.master.keys[1].frame, Frame{60});
        QVERIFY(after.layers[0].in == 30 && after.layers[0].length == 90);
        QCOMPARE(after.clock.start, std::int64_t{108000});
        QCOMPARE(after.drift.levelKeys[1].frame, 60.0);
        QCOMPARE(*after.strikes[0].overrides["envelope.decay"], 25.0);
        QCOMPARE(after.strikes[0].overrides.curves().of("shutter_angle")->back().frame, 15.0);
        const Envelope& shape = blastOf(after).envelope;
        QCOMPARE(shape.curve().back().frame, 30.0);
        // And back to where it was.
        const Project back = withFrameRate(after, film);
        QCOMPARE(back.strikes[0].frame, before.strikes[0].frame);
        QCOMPARE(back.strikes[1].frame, before.strikes[1].frame);
        QCOMPARE(back.shots, before.shots);
        QCOMPARE(back.settles, before.settles);
        QCOMPARE(back.layers, before.layers);
        QVERIFY(withFrameRate(before, film) == before);
    }
    void aSlowerRateLosesNothing()
    {
        // A tenth of a per cent: every frame stays itself; and few frames bring keys together without leaving two on
        // one.
        const Project before = everything();
        const Project same = withFrameRate(before, ntsc);
        QCOMPARE(same.strikes[0].frame, Frame{36});
        QCOMPARE(same.length(), before.length());
        Project dense = before;
        dense.master.keys.clear();
        for (int i = 0; i < 40; ++i)
            dense.master.keys.push_back({Frame{i}, 1 + 0.01 * i});
        const Project slow = withFrameRate(dense, *FrameRate::make(12, 1));
        for (std::size_t i = 1; i < slow.master.keys.size(); ++i)
            QVERIFY(slow.master.keys[i - 1].frame < slow.master.keys[i].frame);
        QCOMPARE(slow.strikes.size(), dense.strikes.size());
        QVERIFY(slow.shots[0].length >= 1 && slow.length() == 84);
    }
    void ratesBearAnythingByChance()
    {
        test::Random random(9);
        for (int i = 0; i < 60; ++i) {
            const FrameRate rate = *FrameRate::make(random.whole(1, 120), 1);
            Project p = everything();
            p = withFrameRate(std::move(p), rate);
            p = withFrameSize(std::move(p), random.whole(1, 5000), random.whole(1, 5000),
                              i % 2 == 0 ? PixelAmounts::follow : PixelAmounts::stay);
            QVERIFY(p.length() >= 2);
            for (const Shot& shot : p.shots)
                QVERIFY(shot.length <= shot.longest());
            for (std::size_t n = 1; n < p.strikes.size(); ++n)
                QVERIFY(p.strikes[n - 1].frame <= p.strikes[n].frame);
            QVERIFY(Motion(p).poseAt(static_cast<double>(p.length() - 1)).zoom > 0);
        }
    }
    void aBooksCurvesFollowTheRateToo()
    {
        Recipe recipe = shippedRecipes().front().recipe;
        recipe.envelope.setCurve({{0, 0}, {4, 1}, {48, 0}});
        const Recipe other = scaled(recipe, {1280, film}, {1280, *FrameRate::make(48, 1)});
        QCOMPARE(other.envelope.curve().back().frame, 96.0);
        QCOMPARE(other.envelope.curve()[1].frame, 8.0);
    }
    void picturesAreFramed_data()
    {
        QTest::addColumn<int>("how");
        QTest::addColumn<double>("left");
        QTest::addColumn<double>("top");
        QTest::addColumn<double>("width");
        QTest::addColumn<double>("height");
        // 1920 x 1080 in an upright frame of 1080 x 1920.
        QTest::newRow("fill") << static_cast<int>(Framing::How::fill) << 656.25 << 0.0 << 607.5 << 1080.0;
        QTest::newRow("fit") << static_cast<int>(Framing::How::fit) << 0.0 << -1166.0 - 2.0 / 3 << 1920.0
                             << 1080 + 2 * (1166 + 2.0 / 3);
        // Half as large as it fills, and 100 pixels to the right: 112.5 of the clip's.
        QTest::newRow("place") << static_cast<int>(Framing::How::place) << 960 - 607.5 - 112.5 << -540.0 << 1215.0
                               << 2160.0;
    }
    void picturesAreFramed()
    {
        QFETCH(int, how);
        QFETCH(double, left);
        QFETCH(double, top);
        QFETCH(double, width);
        QFETCH(double, height);
        const Framing framing{static_cast<Framing::How>(how), 100, 0, 0.5};
        const FramedPart part = framedPart(framing, 1920, 1080, 1080, 1920);
        QVERIFY2(
            std::abs(part.left - left) < 1e-9 && std::abs(part.top - top) < 1e-9 &&
                std::abs(part.width - width) < 1e-9 && std::abs(part.height - height) < 1e-9,
            qPrintable(QStringLiteral("%1 %2 %3 %4").arg(part.left).arg(part.top).arg(part.width).arg(part.height)));
    }
    void aPictureIsReframedByKeys()
    {
        Project p;
        Shot shot;
        shot.clip = "night.mp4";
        shot.available = 400;
        shot.in = 10;
        shot.length = 100;
        shot.speed = 2;
        const ShotId id = p.addShot(shot);
        Framing wide;
        wide.x = -200;
        Framing tight;
        tight.x = 300;
        tight.y = 40;
        tight.size = 1.5;
        QVERIFY(framingOn(p, id, Frame{7}) == Framing());
        p = withFramingKey(p, id, Frame{20}, wide); // frame 50 of the clip
        p = withFramingKey(p, id, Frame{60}, tight);
        const auto& keys = p.shots[0].framing.keys;
        QCOMPARE(keys.size(), std::size_t{2});
        QCOMPARE(keys[0].frame, Frame{50});
        QCOMPARE(keys[1].frame, Frame{130});
        QVERIFY(p.shots[0].framing.how == Framing::How::place);
        QCOMPARE(framingKeyFrames(p, id), (std::vector<Frame>{Frame{20}, Frame{60}}));
        // Level outside, eased between; each value by itself.
        QCOMPARE(framingOn(p, id, Frame{0}).x, -200.0);
        QCOMPARE(framingOn(p, id, Frame{99}).size, 1.5);
        const Framing middle = framingOn(p, id, Frame{40});
        QVERIFY(std::abs(middle.x - 50) < 1e-9 && std::abs(middle.y - 20) < 1e-9 &&
                std::abs(middle.size - 1.25) < 1e-9);
        p = withFramingEase(p, id, Frame{30}, Ease::linear);
        QCOMPARE(framingOn(p, id, Frame{30}).x, -75.0);
        p = withFramingEase(p, id, Frame{30}, Ease::hold);
        QCOMPARE(framingOn(p, id, Frame{59}).x, -200.0);
        // Another one on the same frame takes its place; the last one's values stay.
        Project one = withFramingKey(p, id, Frame{60}, wide);
        QCOMPARE(one.shots[0].framing.keys.size(), std::size_t{2});
        one = withoutFramingKey(withoutFramingKey(p, id, Frame{20}), id, Frame{60});
        QVERIFY(one.shots[0].framing.keys.empty());
        QCOMPARE(framingOn(one, id, Frame{0}).x, 300.0);
        QVERIFY(withoutFramingKey(p, id, Frame{33}) == p);
        // Another size and rate of the film: what is seen stays, and when.
        const Project small = withFrameSize(p, p.width / 2, p.height / 2, PixelAmounts::follow);
        QCOMPARE(framingOn(small, id, Frame{60}).x, 150.0);
        QCOMPARE(framingOn(small, id, Frame{60}).size, 1.5);
        const Project twice = withFrameRate(p, *FrameRate::make(2 * p.rate.num(), p.rate.den()));
        QCOMPARE(framingKeyFrames(twice, twice.shots[0].id), (std::vector<Frame>{Frame{40}, Frame{120}}));
        // As it is written it is read; by settings it is the same.
        const auto read = projectFromJson(projectToJson(p, {}), {}, "p");
        QVERIFY2(read, read ? "" : sentence(read.error()).c_str());
        QVERIFY(read->shots[0].framing == p.shots[0].framing);
        Project plain = p;
        plain.shots[0].framing = {};
        const auto set = withSettings(plain, {{"shot.1.framing_keys", "50:-200:0:1:hold,130:300:40:1.5"}});
        QVERIFY2(set, set ? "" : sentence(set.error()).c_str());
        QVERIFY(set->shots[0].framing == p.shots[0].framing);
        QVERIFY(!withSettings(plain, {{"shot.1.framing_keys", "50:0:0:99"}}));
        QVERIFY(!withSettings(plain, {{"shot.1.framing_keys", "50:0:0:1,50:1:0:1"}}));
    }
};

EMBER_TEST(FrameEditsTest)
#include "tst_frame_edits.moc"
