// SPDX-License-Identifier: GPL-3.0-or-later
// The motion as it is handed on: which part, told how, read back where a format can be.
#include <algorithm>
#include <cmath>

#include <QByteArray>
#include <QJsonArray>
#include <QJsonDocument>
#include <QJsonObject>
#include <QRegularExpression>
#include <QTest>

#include "ember/core/cover.h"
#include "ember/core/motion.h"
#include "ember/core/projection.h"
#include "ember/exchange/handed_motion.h"
#include "ember/exchange/motion_table.h"
#include "ember/exchange/reel.h"
#include "ember/project/edits.h"
#include "ember/project/shipped_recipes.h"
#include "pictures.h"
#include "runner.h"

using namespace ember;

namespace {

/// Two shots; a blast in the first, a landing in the second, a drift and a move.
Project film()
{
    Project project = newProject(1280, 720, *FrameRate::make(24, 1));
    Shot shot;
    shot.clip = "/films/Night shift.mp4";
    shot.length = 120;
    shot.in = 10;
    shot.available = 288;
    shot.move = {{Frame{0}}, {Frame{100}, 50, -20, 1.2, 3, Ease::linear}};
    project.addShot(shot);
    shot.clip = "/films/50 % \xc3\xa9toile & more.mp4";
    shot.length = 80;
    shot.speed = 0.5;
    shot.move.clear();
    project.addShot(shot);
    Project next = withStrike(project, Frame{30}, StrikeKind::blast, 1.1).project;
    next = withStrike(std::move(next), Frame{150}, StrikeKind::landing, 0.8).project;
    next.strikes.front().direction = 20;
    next.strikes.front().seed = 93764;
    next.drift.on = true;
    return next;
}

HandingOn ofStrike(const Project& project, std::size_t index = 0)
{
    HandingOn how;
    how.part = {HandedOf::strike, project.strikes[index].id};
    return how;
}

std::string whyNot(const Project& project, const HandingOn& how)
{
    const auto made = handedMotion(project, how);
    return made ? std::string() : sentence(made.error());
}

} // namespace

class HandedMotionTest : public QObject {
    Q_OBJECT
private slots:
    void partsAreWhatTheyAre()
    {
        const Project project = film();
        HandingOn how;
        const auto whole = handedMotion(project, how).value();
        QCOMPARE(whole.frames(), std::int64_t{200});
        QCOMPARE(whole.first, std::int64_t{0});
        // Added to rest: the shake without the shot's own move. In place: with it.
        Project shake = project;
        for (Shot& shot : shake.shots)
            shot.move.clear();
        const Motion added(shake);
        const Motion all(project);
        how.absolute = true;
        const auto placed = handedMotion(project, how).value();
        for (std::size_t i = 0; i < 200; ++i) {
            QVERIFY(whole.poses[i] == added.poseAt(static_cast<double>(i)));
            QVERIFY(placed.poses[i] == all.poseAt(static_cast<double>(i)));
            QCOMPARE(whole.channel("x")->curve.values[i], whole.poses[i].x);
            QCOMPARE(placed.channel("x")->curve.values[i], 640 + placed.poses[i].x);
            QCOMPARE(placed.channel("scale")->curve.values[i], 100 + 100 * (placed.poses[i].zoom - 1));
        }
        how = {};
        how.part = {HandedOf::shot, project.shots[1].id};
        how.frameOffset = 1001;
        const auto shot = handedMotion(project, how).value();
        QCOMPARE(shot.frames(), std::int64_t{80});
        QCOMPARE(shot.first, std::int64_t{120 + 1001});
        QVERIFY(shot.poses[35] == whole.poses[155]);
        // A strike is alone: neither the drift nor the other one.
        const auto strike = handedMotion(project, ofStrike(project)).value();
        QCOMPARE(strike.first, std::int64_t{30});
        QVERIFY(strike.poses.front().atRest() && strike.poses.back().atRest());
        Project only = test::onlyStrike(shake, project.strikes.front().id);
        only.drift.on = false;
        const Motion alone(only);
        for (std::size_t i = 0; i < strike.poses.size(); ++i)
            QVERIFY(strike.poses[i] == alone.poseAt(30.0 + static_cast<double>(i)));
        how = {};
        how.part = {HandedOf::recipe, project.strikes.front().recipe};
        QCOMPARE(handedMotion(project, how).value().first, std::int64_t{0});
    }

    void turnedAboutAndCovered()
    {
        const Project project = film();
        HandingOn how = ofStrike(project);
        const auto down = handedMotion(project, how).value();
        how.yUp = true;
        const auto up = handedMotion(project, how).value();
        for (std::size_t i = 0; i < down.poses.size(); ++i) {
            QCOMPARE(up.channel("y")->curve.values[i], -down.channel("y")->curve.values[i]);
            QCOMPARE(up.channel("roll")->curve.values[i], -down.channel("roll")->curve.values[i]);
            QCOMPARE(up.channel("x")->curve.values[i], down.channel("x")->curve.values[i]);
        }
        how = {};
        how.cover = true;
        const auto covered = handedMotion(project, how).value();
        const Cover cover = coverOf(project, Motion(project));
        QVERIFY(cover.zoom > 1.01);
        const auto bare = handedMotion(project, {}).value();
        for (std::size_t i = 0; i < bare.poses.size(); ++i) {
            QCOMPARE(covered.poses[i].x, bare.poses[i].x * cover.at(static_cast<std::int64_t>(i)));
            QCOMPARE(covered.poses[i].zoom, bare.poses[i].zoom * cover.at(static_cast<std::int64_t>(i)));
        }
        how = {};
        how.gentle = true;
        const auto gentle = handedMotion(project, how).value();
        for (const Pose& pose : gentle.poses)
            QVERIFY(pose.roll == 0 && std::hypot(pose.x, pose.y) <= 0.02 * 1280);
    }

    /// A camera that sees the picture's plane sees what the pose shows.
    void camerasSeeTheSame_data()
    {
        QTest::addColumn<bool>("up");
        QTest::addColumn<bool>("absolute");
        QTest::addColumn<double>("lens");
        QTest::newRow("y up") << true << true << 50.0;
        QTest::newRow("y down") << false << true << 50.0;
        QTest::newRow("added, long lens") << true << false << 12.0;
    }
    void camerasSeeTheSame()
    {
        QFETCH(bool, up);
        QFETCH(bool, absolute);
        QFETCH(double, lens);
        const Project project = film();
        HandingOn how;
        how.as = HandedAs::camera;
        how.yUp = up;
        how.absolute = absolute;
        how.lens = lens;
        how.planeWidth = 4;
        const auto motion = handedMotion(project, how).value();
        QVERIFY2(motion.farthestOff < 1e-6, qPrintable(QString::number(motion.farthestOff)));
        const double distance = 0.5 * 4 / std::tan(lens * M_PI / 360);
        double most = 0;
        for (std::size_t i = 0; i < motion.poses.size(); ++i) {
            const auto at = [&](const char* name) { return motion.channel(name)->curve.values[i]; };
            const double sign = up ? 1 : -1;
            const double x = at("x");
            const double y = sign * at("y");
            const double z = sign * at("z") + (absolute ? 0 : distance);
            const double roll = sign * at("roll") * M_PI / 180;
            QCOMPARE(at("pan"), 0.0);
            for (const auto& [px, py] : {std::pair(0.0, 0.0), {-600.0, 300.0}, {630.0, -350.0}}) {
                // The point of the plane from the camera, then seen by one that is rolled, then in pixels, y down.
                const double dx = px * 4 / 1280 - x;
                const double dy = -py * 4 / 1280 - y;
                const double rx = std::cos(roll) * dx + std::sin(roll) * dy;
                const double ry = -std::sin(roll) * dx + std::cos(roll) * dy;
                const double focal = distance / 4 * 1280;
                const Point seen{rx / z * focal, -ry / z * focal};
                const Pose& pose = motion.poses[i];
                const Point should = poseMatrix(pose, 1280, 720).map({639.5 + px, 359.5 + py});
                most = std::max(most, std::hypot(seen.x - should.x + 639.5, seen.y - should.y + 359.5));
            }
        }
        QVERIFY2(most < 1e-6, qPrintable(QString::number(most)));
    }
    void panAndTiltWithShiftsAreToldToBeOff()
    {
        Project project = film();
        for (Strand& strand : project.recipes[2].strands) { // of the blast
            strand.amount[Axis::pan] = 1;
            strand.amount[Axis::tilt] = 1;
        }
        HandingOn how = ofStrike(project);
        how.as = HandedAs::camera;
        const auto motion = handedMotion(project, how).value();
        QVERIFY(motion.farthestOff > 0.01 && motion.farthestOff < 20);
        // Alone they are exact.
        for (Strand& strand : project.recipes[2].strands)
            for (const Axis axis : {Axis::x, Axis::y, Axis::zoom})
                strand.amount[axis] = 0;
        QVERIFY(handedMotion(project, how).value().farthestOff < 1e-6);
    }

    void theFewestKeysStayNearAndAreFew()
    {
        const Project project = film();
        HandingOn how = ofStrike(project);
        how.sparse = KeyTolerance();
        std::size_t keys = 0;
        std::size_t dense = 0;
        Project other = project;
        for (std::uint32_t seed = 93764; seed < 93770; ++seed) { // a blast with its rumble
            other.strikes.front().seed = seed;
            const auto motion = handedMotion(other, how).value();
            const auto all = handedKeys(motion);
            for (std::size_t c = 0; c < all.size(); ++c) {
                const auto& values = motion.channels[c].curve.values;
                for (std::size_t i = 0; i < values.size(); ++i)
                    QVERIFY(std::abs(valueOfKeys(all[c], static_cast<double>(motion.first) + static_cast<double>(i)) -
                                     values[i]) <= motion.channels[c].curve.tolerance * (1 + 1e-9));
            }
            const KeyCount count = countOf(all, motion);
            keys += count.keys;
            dense += count.dense;
        }
        QVERIFY2(dense >= 5 * keys, qPrintable(QStringLiteral("%1 keys, %2 frames").arg(keys).arg(dense)));
        qInfo("%.2f times fewer keys than frames", static_cast<double>(dense) / static_cast<double>(keys));
    }

    void tablesAreReadBack()
    {
        const Project project = film();
        HandingOn how;
        const auto motion = handedMotion(project, how).value();
        // Ours by the importer of any table, with its columns and units named.
        MotionReading reading;
        reading.rate = project.rate;
        reading.columns = {{MotionColumn::frame, "frame"},
                           {MotionColumn::x, "x_px"},
                           {MotionColumn::y, "y_px"},
                           {MotionColumn::roll, "roll_deg"},
                           {MotionColumn::zoom, "scale_percent"},
                           {MotionColumn::seconds, "seconds"},
                           {MotionColumn::confidence, ""}};
        how.absolute = false;
        std::string percent;
        for (const MotionUnit& unit : unitsOf(MotionColumn::zoom))
            if (std::abs(unit.factor - 0.01) < 1e-12)
                percent = unit.name;
        QVERIFY(!percent.empty());
        reading.units = {{MotionColumn::zoom, percent}};
        HandingOn placed;
        placed.absolute = true;
        const auto whole = handedMotion(project, placed).value();
        const auto table = motionFromCsv(handedToCsv(whole), reading);
        QVERIFY2(table, table ? "" : sentence(table.error()).c_str());
        QCOMPARE(table->frames.size(), std::size_t{200});
        for (const bool sparse : {false, true}) {
            how.sparse = sparse ? std::optional(KeyTolerance()) : std::nullopt;
            const auto told = handedMotion(project, how).value();
            const auto back = handedFromJson(handedToJson(told));
            QVERIFY2(back, back ? "" : sentence(back.error()).c_str());
            QCOMPARE(back->title, told.title);
            QCOMPARE(back->first, told.first);
            QVERIFY(back->rate == told.rate);
            QCOMPARE(back->channels.size(), told.channels.size());
            for (std::size_t c = 0; c < told.channels.size(); ++c) {
                QCOMPARE(back->channels[c].name, told.channels[c].name);
                for (std::size_t i = 0; i < 200; ++i) {
                    const double off = std::abs(back->channels[c].curve.values[i] - told.channels[c].curve.values[i]);
                    QVERIFY(off <= (sparse ? told.channels[c].curve.tolerance : 0) + 1e-9);
                }
            }
        }
        for (const char* text : {"", "{}", "[1]", "{\"vember_motion\":2}", "{\"vember_motion\":1}",
                                 "{\"vember_motion\":1,\"name\":\"x\",\"of\":\"moon\",\"as\":\"layer\"}"})
            QVERIFY(!handedFromJson(text));
        const std::string text = handedToJson(motion);
        for (std::size_t cut = 1; cut < text.size(); cut += 997)
            QVERIFY(!handedFromJson(text.substr(0, cut)));
    }

    /// The animation of the file itself, evaluated, puts the plane's corners where the poses do.
    void gltfShowsThePicture_data()
    {
        QTest::addColumn<bool>("sparse");
        QTest::newRow("every frame") << false;
        QTest::newRow("few keys") << true;
    }
    void gltfShowsThePicture()
    {
        QFETCH(bool, sparse);
        const Project project = film();
        HandingOn how = ofStrike(project);
        how.as = HandedAs::camera;
        if (sparse)
            how.sparse = KeyTolerance();
        const auto motion = handedMotion(project, how).value();
        const QJsonObject json = QJsonDocument::fromJson(QByteArray::fromStdString(handedToGltf(motion))).object();
        const QByteArray bytes =
            QByteArray::fromBase64(json["buffers"][0]["uri"].toString().section(QLatin1Char(','), 1).toLatin1());
        QCOMPARE(bytes.size(), json["buffers"][0]["byteLength"].toInt());
        const auto numbers = [&](int accessor) {
            const QJsonObject view = json["bufferViews"][json["accessors"][accessor]["bufferView"].toInt()].toObject();
            std::vector<float> out(static_cast<std::size_t>(view["byteLength"].toInt()) / 4);
            std::memcpy(out.data(), bytes.constData() + view["byteOffset"].toInt(), out.size() * 4);
            return out;
        };
        const auto curve = [&](int channel, std::size_t wide, double time) {
            const QJsonObject sampler = json["animations"][0]["samplers"][channel].toObject();
            const auto times = numbers(sampler["input"].toInt());
            const auto values = numbers(sampler["output"].toInt());
            const bool cubic = sampler["interpolation"] == "CUBICSPLINE";
            const std::size_t stride = cubic ? 3 * wide : wide;
            auto next = static_cast<std::size_t>(std::upper_bound(times.begin(), times.end(), time) - times.begin());
            next = std::clamp<std::size_t>(next, 1, times.size() - 1);
            const std::size_t from = next - 1;
            const double length = times[next] - times[from];
            const double u = std::clamp((time - times[from]) / length, 0.0, 1.0);
            std::vector<double> out(wide);
            for (std::size_t k = 0; k < wide; ++k) {
                const double a = values[from * stride + (cubic ? wide : 0) + k];
                const double b = values[next * stride + (cubic ? wide : 0) + k];
                out[k] = a + (b - a) * u;
                if (cubic) { // as the standard's appendix C has it
                    const double leaving = values[from * stride + 2 * wide + k] * length;
                    const double arriving = values[next * stride + k] * length;
                    out[k] = (2 * u * u * u - 3 * u * u + 1) * a + (u * u * u - 2 * u * u + u) * leaving +
                             (-2 * u * u * u + 3 * u * u) * b + (u * u * u - u * u) * arriving;
                }
            }
            return out;
        };
        const double yfov = json["cameras"][0]["perspective"]["yfov"].toDouble();
        const double focal = 360 / std::tan(yfov / 2);
        double most = 0;
        for (std::size_t i = 0; i < motion.poses.size(); ++i) {
            const double time = (static_cast<double>(motion.first) + static_cast<double>(i)) / 24;
            const auto place = curve(0, 3, time);
            auto q = curve(1, 4, time);
            const double length = std::sqrt(q[0] * q[0] + q[1] * q[1] + q[2] * q[2] + q[3] * q[3]);
            for (double& part : q)
                part /= length;
            for (const auto& [px, py] : {std::pair(0.0, 0.0), {-640.0, -360.0}, {640.0, 360.0}}) {
                const double d[3] = {px * 16 / 1280 - place[0], -py * 16 / 1280 - place[1], -place[2]};
                // Into the camera's axes: turned by the opposite quaternion.
                const double u[3] = {-q[0], -q[1], -q[2]};
                const double w = q[3];
                const double t[3] = {2 * (u[1] * d[2] - u[2] * d[1]), 2 * (u[2] * d[0] - u[0] * d[2]),
                                     2 * (u[0] * d[1] - u[1] * d[0])};
                const double v[3] = {d[0] + w * t[0] + u[1] * t[2] - u[2] * t[1],
                                     d[1] + w * t[1] + u[2] * t[0] - u[0] * t[2],
                                     d[2] + w * t[2] + u[0] * t[1] - u[1] * t[0]};
                const Point seen{v[0] / -v[2] * focal, -v[1] / -v[2] * focal};
                const Point should = poseMatrix(motion.poses[i], 1280, 720).map({639.5 + px, 359.5 + py});
                most = std::max(most, std::hypot(seen.x + 639.5 - should.x, seen.y + 359.5 - should.y));
            }
        }
        QVERIFY2(most < (sparse ? 0.15 + 735 * (0.02 * M_PI / 180 + 0.0005) : 0.02), qPrintable(QString::number(most)));
    }

    void timelinesAreReadBack()
    {
        Project project = film();
        Shot gap;
        gap.length = 12;
        project.addShot(gap, 1);
        Shot still;
        still.clip = "/films/title.png";
        still.still = true;
        still.length = 48;
        project.addShot(still);
        project.strikes.front().name = "Ladle \"bursts\" <&>";
        const auto back = reelFromOtio(reelToOtio(project, "Night"));
        QVERIFY2(back, back ? "" : sentence(back.error()).c_str());
        QVERIFY(back->rate == project.rate);
        QCOMPARE(back->shots.size(), project.shots.size());
        for (std::size_t i = 0; i < back->shots.size(); ++i) {
            const Shot& a = back->shots[i];
            const Shot& b = project.shots[i];
            QCOMPARE(a.clip, b.clip);
            QCOMPARE(a.length, b.length);
            QCOMPARE(a.in, b.gap() ? 0.0 : b.in);
            QCOMPARE(a.speed, b.speed);
            QCOMPARE(a.still, b.still);
            QCOMPARE(a.available, b.available);
        }
        QVERIFY(back->strikes == listOf(project));
        for (const char* text :
             {"", "{}", "{\"OTIO_SCHEMA\":\"Timeline.1\"}",
              "{\"OTIO_SCHEMA\":\"Timeline.1\",\"tracks\":{\"children\":[]}}",
              "{\"OTIO_SCHEMA\":\"Timeline.1\",\"tracks\":{\"children\":[{\"OTIO_SCHEMA\":\"Track.1\","
              "\"children\":[{\"OTIO_SCHEMA\":\"Clip.2\"}]}]}}"})
            QVERIFY(!reelFromOtio(text));
        const std::string text = reelToOtio(project, "Night");
        test::Random random(2);
        for (int round = 0; round < 400; ++round) {
            std::string broken = text;
            broken[static_cast<std::size_t>(random.between(0, static_cast<double>(text.size())))] = '7';
            if (const auto any = reelFromOtio(broken)) // words or a reel, whose shots are possible ones
                for (const Shot& one : any->shots)
                    QVERIFY(one.length >= 1 && std::isfinite(one.in) && one.in >= 0);
        }
        // 23.976 is what it is.
        project.rate = *FrameRate::make(24000, 1001);
        QVERIFY(reelFromOtio(reelToOtio(project, "x"))->rate == project.rate);
    }

    void whatCannotBeHandedOnIsTold()
    {
        QVERIFY(whyNot(Project(), {}).find("no clip") != std::string::npos);
        Project still = newProject(1280, 720, FrameRate());
        Shot shot;
        shot.length = 50;
        still.addShot(shot);
        QVERIFY(whyNot(still, {}).find("nothing moves") != std::string::npos);
        const Project project = film();
        HandingOn how;
        how.part = {HandedOf::strike, 999};
        QVERIFY(whyNot(project, how).find("not in the project") != std::string::npos);
        how.part.of = HandedOf::shot;
        QVERIFY(whyNot(project, how).find("not in the project") != std::string::npos);
        how = ofStrike(project);
        how.lens = 200;
        QVERIFY(whyNot(project, how).find("1 to 170") != std::string::npos);
        how = ofStrike(project);
        how.sparse = KeyTolerance{0, 1, 1};
        QVERIFY(whyNot(project, how).find("above 0") != std::string::npos);
        how = ofStrike(project);
        how.planeWidth = std::nan("");
        QVERIFY(!whyNot(project, how).empty());
        // One beyond the film is handed on as it is; one without strength moves nothing.
        Project late = project;
        late.strikes.back().frame = Frame{5000};
        QVERIFY(whyNot(late, ofStrike(late, 1)).empty());
        late.strikes.back().strength = 0;
        QVERIFY(whyNot(late, ofStrike(late, 1)).find("nothing moves") != std::string::npos);
    }

    /// A timeline's clips carry how their shots move, counted from each shot's own first frame.
    void timelinesCarryTheMotionOfTheirShots()
    {
        const Project project = film();
        QCOMPARE(project.shots.size(), std::size_t{2});
        const std::int64_t cut = project.shots.front().length;
        ReelMotions motions(2);
        HandingOn how;
        how.part = {HandedOf::shot, project.shots[0].id};
        motions[0] = handedMotion(project, how).value();
        const std::string text = reelToOtio(project, "Night", motions);
        const QJsonObject json = QJsonDocument::fromJson(QByteArray::fromStdString(text)).object();
        QJsonArray items;
        for (const auto& track : json["tracks"]["children"].toArray())
            if (track.toObject()["kind"] == "Video")
                items = track.toObject()["children"].toArray();
        QCOMPARE(items.size(), 2);
        const QByteArray told =
            QJsonDocument(items.at(0).toObject()["metadata"].toObject()["vast-ember"].toObject()["motion"].toObject())
                .toJson(QJsonDocument::Compact);
        const auto back = handedFromJson(told.toStdString());
        QVERIFY2(back, back ? "" : sentence(back.error()).c_str());
        QCOMPARE(back->first, 0);
        QCOMPARE(back->frames(), cut);
        QCOMPARE(back->channel("x")->curve.values, motions[0]->channel("x")->curve.values);
        QVERIFY(items.at(1).toObject()["metadata"].toObject()["vast-ember"].toObject().value("motion").isUndefined());
        QVERIFY(reelFromOtio(text)); // and it is opened as before
    }

    void scenesOfUsdSayWhatTheyAre()
    {
        const Project project = film();
        HandingOn how = ofStrike(project);
        how.as = HandedAs::camera;
        how.unit = "cm";
        how.planeWidth = 320;
        how.lens = 90;
        const HandedMotion motion = handedMotion(project, how).value();
        const auto usd = QString::fromStdString(handedToUsd(motion));
        QVERIFY(usd.startsWith(QStringLiteral("#usda 1.0\n(\n")));
        QVERIFY(usd.contains(QStringLiteral("metersPerUnit = 0.01\n")));
        QVERIFY(usd.contains(QStringLiteral("focalLength = 18\n"))); // 36 across at 90 degrees
        QVERIFY(usd.contains(QStringLiteral("startTimeCode = %1\n").arg(motion.first)));
        QVERIFY(usd.contains(QStringLiteral("endTimeCode = %1\n").arg(motion.first + motion.frames() - 1)));
        QCOMPARE(usd.count(QLatin1Char('{')), usd.count(QLatin1Char('}')));
        QCOMPARE(usd.count(QRegularExpression(QStringLiteral("(?m)^ +-?\\d+: \\("))),
                 2 * static_cast<int>(motion.frames()));
        // The other way of y makes no difference: a scene has its own.
        how.yUp = true;
        QCOMPARE(handedToUsd(handedMotion(project, how).value()), usd.toStdString());
    }

    void namesBecomeHarmless()
    {
        QCOMPARE(slugOf("../../etc/passwd"), std::string("etc-passwd"));
        QCOMPARE(slugOf("  Ladle / bursts?  "), std::string("ladle-bursts"));
        QCOMPARE(slugOf("\xe9\x8a\x91 *"), std::string("shake"));
        QCOMPARE(slugOf(""), std::string("shake"));
        Project project = film();
        project.strikes.front().name = "a */ } <script>\n\x01";
        const auto motion = handedMotion(project, ofStrike(project)).value();
        const std::string css = handedToCss(motion);
        QCOMPARE(css.find("*/"), css.rfind("*/")); // the comment ends once
        QCOMPARE(handedToPage(motion).find("<script>\n\x01"), std::string::npos);
        QCOMPARE(handedToSvg(motion).find("<script>"), std::string::npos);
        QCOMPARE(handedToSvg(motion).find('\x01'), std::string::npos);
        project.strikes.front().name = "a\" ) { \\ \n\xff#";
        const auto hostile = handedMotion(project, ofStrike(project)).value();
        const std::string usd = handedToUsd(hostile);
        QVERIFY2(usd.find("doc = \"a\\\" ) { \\\\  ") != std::string::npos, usd.substr(0, 200).c_str());
        QVERIFY(QJsonDocument::fromJson(QByteArray::fromStdString(handedToLottie(hostile))).isObject());
    }
};

EMBER_TEST(HandedMotionTest)
#include "tst_handed_motion.moc"
