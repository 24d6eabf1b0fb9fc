// SPDX-License-Identifier: GPL-3.0-or-later
// Trees, what is followed in pictures, and a part of the proving ground.
#include <map>

#include <QTest>

#include "boosted_trees.h"
#include "boosting.h"
#include "ember/analysis/candidates.h"
#include "ember/film/find_strikes.h"
#include "ember/media/clip.h"
#include "impact_features.h"
#include "motion_field.h"
#include "runner.h"
#include "scene.h"
#include "scoring.h"

using namespace ember;
using namespace ember::proving;

namespace {

/// Blotches that lie `x`, `y` pixels away, and upon them a square of others.
Image blotches(double x, double y, double squareX, double squareY)
{
    Image image(320, 180);
    image.setOpaque(true);
    const auto texture = [](double u, double v, double turn) {
        return 120 + 45 * std::sin(u * 0.23 + 2 * std::sin(v * 0.11 + turn)) +
               40 * std::cos(v * 0.31 + u * 0.05 + turn);
    };
    for (int v = 0; v < 180; ++v)
        for (int u = 0; u < 320; ++u) {
            const bool square = std::abs(u - squareX) < 28 && std::abs(v - squareY) < 28;
            const double value = square ? texture(u - squareX, v - squareY, 1.5) : texture(u - x, v - y, 0);
            std::uint8_t* pixel = image.at(u, v);
            pixel[0] = pixel[1] = pixel[2] = static_cast<std::uint8_t>(std::clamp(value, 0.0, 255.0));
            pixel[3] = 255;
        }
    return image;
}

/// What is told of each picture of a film but the first and the last.
std::vector<MotionNow> followed(int frames, const std::function<Image(int)>& draw)
{
    MotionField field;
    std::vector<MotionNow> told;
    for (int i = 0; i < frames; ++i)
        if (const auto one = field.next(draw(i)))
            told.push_back(*one);
    return told;
}

KnownClip knownClip(double length, std::vector<std::int64_t> frames)
{
    KnownClip clip;
    clip.frames = std::llround(24 * length);
    for (const auto frame : frames)
        clip.events.push_back({frame, StrikeKind::landing, 90, static_cast<double>(frame)});
    return clip;
}

} // namespace

class EyesTest : public QObject {
    Q_OBJECT
private slots:
    void treesAreReadAsTheyAreWritten()
    {
        BoostedTrees trees;
        trees.setStart(-0.5F);
        trees.add({{0, 1, 2.0F}, {-1, 0, -1.0F}, {1, 3, -4.0F}, {-1, 0, 0.25F}, {-1, 0, 2.0F}});
        trees.add({{-1, 0, 0.125F}});
        const auto odds = [&](float a, float b) {
            const float features[] = {a, b};
            return trees.oddsOf(features);
        };
        QCOMPARE(odds(2, 0), -0.5 - 1 + 0.125); // up to the limit is below
        QCOMPARE(odds(2.5F, -4), -0.5 + 0.25 + 0.125);
        QCOMPARE(odds(2.5F, 0), -0.5 + 2 + 0.125);
        const auto again = BoostedTrees::allIn(trees.text() + trees.text());
        QCOMPARE(again.size(), std::size_t{2});
        QCOMPARE(again[1].text(), trees.text());
        trees.recalibrate(1, 0.5);
        QCOMPARE(odds(2, 0), 1 + 0.5 * (-0.5 - 1 + 0.125));
    }
    void textThatIsNoTreeTellsNothing()
    {
        for (const char* text : {"", "x", "0 1", "0 1\n3 0 1 2 -1 0 1", "0 1\n1 0 0 1", "0 1\n3 0 5 1 -1 0 1 -1 0 1",
                                 "0 1\n99999999999 0 1 2", "0 1\n0", "nan 1 3"})
            QVERIFY2(BoostedTrees::allIn(text).empty(), text);
        const StrikeTrees none("0 0\n0 0\n");
        QCOMPARE(none.event.size(), std::size_t{0});
    }
    void theShippedTreesAreThere()
    {
        PictureTrace trace;
        trace.frames.resize(80);
        for (int i = 0; i < 80; ++i)
            trace.frames[static_cast<std::size_t>(i)].frame = Frame{i};
        QVERIFY(impactsOf(trace, {1, 6}).empty()); // nothing changes, nothing is told
        QVERIFY(confidenceAsked(0) > confidenceAsked(0.5) && confidenceAsked(0.5) > confidenceAsked(1));
    }
    void boostingLearnsWhatItIsShown()
    {
        // Inside a ring: no single feature tells.
        Chance chance(3);
        std::vector<std::array<float, 3>> points(1500);
        std::vector<Example> examples;
        const auto inside = [](const std::array<float, 3>& p) { return std::hypot(p[0], p[1]) < 0.6F; };
        for (auto& point : points) {
            for (float& value : point)
                value = static_cast<float>(chance.between(-1, 1));
            examples.push_back({point.data(), inside(point)});
        }
        Boosting how;
        how.columns = 1;
        how.trees = 80;
        const BoostedTrees trees = boosted(examples, 3, how);
        int right = 0;
        for (int i = 0; i < 1000; ++i) {
            std::array<float, 3> point{};
            for (float& value : point)
                value = static_cast<float>(chance.between(-1, 1));
            right += (trees.probabilityOf(point.data()) > 0.5) == inside(point);
        }
        QVERIFY2(right > 930, qPrintable(QString::number(right)));
    }
    void theCamerasMotionIsApart()
    {
        // The camera pans three pixels a frame and stops at picture 6; nothing else moves.
        const auto told = followed(12, [](int i) { return blotches(-3.0 * std::min(i, 6), 0, -100, 0); });
        QCOMPARE(told.size(), std::size_t{10});
        for (std::size_t i = 0; i < told.size(); ++i) {
            const double speed = i + 1 <= 6 ? 100 * 3 / 180.0 : 0; // hundredths of the height
            QVERIFY2(std::abs(static_cast<double>(told[i].cameraSpeed) - speed) < 0.25,
                     qPrintable(QString::number(told[i].cameraSpeed)));
            QVERIFY(told[i].moving < 0.02F);
            QCOMPARE(told[i].cameraTurned > 1, i + 1 == 6);
        }
    }
    void whatStopsAtOnceIsTold()
    {
        // A square comes down four pixels a frame and lies still from picture 7 on.
        const auto told = followed(14, [](int i) { return blotches(0, 0, 160, 60 + 4.0 * std::min(i, 7)); });
        std::size_t most = 0;
        for (std::size_t i = 1; i < told.size(); ++i)
            if (told[i].turnedMost > told[most].turnedMost)
                most = i;
        QCOMPARE(most + 1, std::size_t{7});
        QVERIFY(told[most].goingY > 1.2F && std::abs(told[most].goingX) < 0.5F);
        QVERIFY(told[most].speedAfter < 0.4F * told[most].speedBefore);
        QVERIFY(std::abs(told[most].brokenPlace.x - 0.5) < 0.15);
        QVERIFY(std::abs(told[most].brokenPlace.y - 88 / 180.0) < 0.2);
        QVERIFY(told[most].turnedMost > 3 * told[2].turnedMost);
    }
    void tooSmallOrOtherPicturesAreNotFollowed()
    {
        MotionField field;
        for (int i = 0; i < 6; ++i)
            QVERIFY(!field.next(Image(20 + i, 10)));
        QVERIFY(!field.next(blotches(0, 0, 0, 0)));
        QVERIFY(!field.next(blotches(1, 0, 0, 0)));
        QVERIFY(field.next(blotches(2, 0, 0, 0)));
        QVERIFY(!field.next(Image(100, 100))); // another size: from the start
    }
    void scoresAreWhatTheySay()
    {
        Score score;
        score.add(knownClip(60, {100, 200, 300}), {{100, 0.9, 0.2, StrikeKind::landing, 80.0},
                                                   {202, 0.5, 0.4, StrikeKind::landing, std::nullopt},
                                                   {301, 0.8, 0.1, StrikeKind::hit, 200.0},
                                                   {700, 0.25, 0.3, StrikeKind::hit, std::nullopt}});
        QCOMPARE(score.f(0), 2.0 * 1 / 7);
        QCOMPARE(score.f(1), 2.0 * 2 / 7);
        QCOMPARE(score.f(2), 2.0 * 3 / 7);
        QCOMPARE(score.recall(1), 2.0 / 3);
        QCOMPARE(score.precision(1), 0.5);
        QCOMPARE(score.falseAMinute(), 2.0);
        QCOMPARE(score.kindRight, 1);
        QCOMPARE(score.ways, 2);
        QCOMPARE(score.waysRight, 1);
        QCOMPARE(score.pairs, 1); // 100 and 301
        QCOMPARE(score.pairsRight, 0);
        QCOMPARE(score.brier(), (0.01 + 0.25 + 0.04 + 0.0625) / 4);
        QCOMPARE(score.reliability()[9], 1.0);
        QCOMPARE(score.reliability()[5], 0.0);
        QCOMPARE(score.reliability()[0], -1.0);
    }
    void truthIsReadAsItIsWritten()
    {
        const QTemporaryDir folder;
        KnownClip clip = knownClip(5, {17, 60});
        clip.path = (folder.path() + "/a b-7.mp4").toStdString();
        clip.kind = "landing in a crowd";
        clip.changes.push_back({"dissolve", 40, 12});
        writeTruth(clip);
        QFile file(QString::fromStdString(clip.path));
        QVERIFY(file.open(QIODevice::WriteOnly));
        const auto read = clipsIn(folder.path().toStdString());
        QCOMPARE(read.size(), std::size_t{1});
        QCOMPARE(read[0].kind, clip.kind);
        QCOMPARE(read[0].frames, clip.frames);
        QCOMPARE(read[0].events.size(), std::size_t{2});
        QCOMPARE(read[0].events[1].frame, std::int64_t{60});
        QCOMPARE(read[0].events[1].direction, std::optional<double>(90));
        QCOMPARE(read[0].changes[0].length, std::int64_t{12});
    }
    void aSceneShowsContactOnItsFrame()
    {
        Album album(Share::unseen);
        QVERIFY2(!album.empty(), "lomiri-wallpapers is not installed");
        const Scene scene = sceneOf("spark", 77, album);
        QVERIFY(!scene.events.empty());
        const auto lightAt = [&](std::int64_t frame) {
            const Image image = filmFrame(scene, frame, 160, 90);
            int brightest = 0;
            for (int y = 0; y < 90; ++y)
                for (int x = 0; x < 160; ++x)
                    brightest += image.at(x, y)[0] > 235 ? 1 : 0;
            return brightest;
        };
        const std::int64_t first = scene.frameOf(scene.events[0].seconds).index;
        // Half of the exposure before may catch it, the one before that cannot.
        QVERIFY(lightAt(first) > lightAt(first - 2) + 3);
        const Scene again = sceneOf("spark", 77, album);
        const Image a = filmFrame(scene, first, 160, 90), b = filmFrame(again, first, 160, 90);
        QVERIFY(std::memcmp(a.row(40), b.row(40), 160 * 4) == 0);
    }
    void impactsOfPhotographsAreFoundAndTrapsAreNot()
    {
        // One scene of each of some kinds; the photographs, like the seeds, are none of those that trained the trees.
        // The whole proving ground is bench_proving's.
        Album album(Share::unseen);
        QVERIFY2(!album.empty(), "lomiri-wallpapers is not installed");
        const QTemporaryDir folder;
        std::map<std::string, Score> scores;
        for (const char* kind : {"blast", "heavy landing", "collision in the air", "spark", "hammer", "lamp flicker",
                                 "passers-by", "whip pans", "leaves", "exposure"}) {
            const Scene scene = sceneOf(kind, 4001, album);
            const std::string path = (folder.path() + "/scene.mp4").toStdString();
            writeScene(scene, path, 384, 216);
            auto clip = ClipReader::open(path);
            QVERIFY2(clip, kind);
            const auto trace = watchClip(*clip.value(), scene.rate, scene.frames(), [](double) { return true; });
            QVERIFY2(trace, kind);
            KnownClip known;
            known.rate = scene.rate;
            known.frames = scene.frames();
            for (const Event& event : scene.events)
                known.events.push_back(
                    {scene.frameOf(event.seconds).index, event.kind, event.direction, event.strength});
            std::vector<Proposed> proposed;
            for (const Impact& impact : impactsOf(trace.value(), {}))
                proposed.push_back(
                    {impact.frame.index, impact.confidence, impact.strength, impact.kind, impact.direction});
            scores[kind].add(known, proposed);
        }
        qInfo("\n%s", tableOf(scores).c_str());
        Score all;
        for (const auto& [kind, score] : scores)
            all.add(score);
        QVERIFY2(all.f(1) >= 0.6, qPrintable(QString::number(all.f(1))));
        QVERIFY2(all.brier() < 0.25, qPrintable(QString::number(all.brier())));
    }
};

EMBER_TEST(EyesTest)
#include "tst_eyes.moc"
