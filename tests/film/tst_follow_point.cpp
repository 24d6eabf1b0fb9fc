// SPDX-License-Identifier: GPL-3.0-or-later
// A point of the picture is followed: where the content goes is known, the pictures are filmed or put together here.
#include <algorithm>
#include <cmath>

#include <QTemporaryDir>
#include <QTest>

#include "ember/film/follow_point.h"
#include "ember/media/film_writer.h"
#include "filmed.h"
#include "runner.h"

using namespace ember;

namespace {

constexpr int width = 320;
constexpr int height = 180;

/// Where a followed point is on a frame, in pixels from the first pixel's middle.
Point at(const FollowedPoint& found, std::size_t frame)
{
    return {found.x[frame].value * width - 0.5, found.y[frame].value * height - 0.5};
}

/// A piece of one wall, 96 pixels wide and high, over a still other one.
Image pasted(const test::Wall& behind, const test::Wall& before, Point middle, int frame)
{
    test::Filming still;
    still.moved = [](double) { return Similarity{}; };
    still.grain = 3;
    still.seed = 7;
    Image out = test::filmed(behind, still, frame, width, height);
    for (int y = 0; y < height; ++y)
        for (int x = 0; x < width; ++x) {
            const double inX = x - middle.x;
            const double inY = y - middle.y;
            if (std::abs(inX) > 48 || std::abs(inY) > 48)
                continue;
            const auto grey = static_cast<std::uint8_t>(std::clamp(std::lround(before.at(inX, inY)), 0L, 255L));
            std::uint8_t* pixel = out.row(y) + 4 * x;
            pixel[0] = pixel[1] = pixel[2] = grey;
        }
    return out;
}

} // namespace

class FollowPointTest : public QObject {
    Q_OBJECT
    QTemporaryDir folder_;

    std::string file(const char* name) const { return folder_.filePath(QString::fromUtf8(name)).toStdString(); }
    static Result<FollowedPoint> followed(const std::string& path, std::int64_t first, std::int64_t count, Point start,
                                          const Progress& progress = {})
    {
        auto clip = ClipReader::open(path);
        if (!clip)
            return clip.error();
        return followPoint(*clip.value(), first, count, (start.x + 0.5) / width, (start.y + 0.5) / height, progress);
    }

private slots:
    void whatACameraSeesIsFollowed()
    {
        const test::Wall wall = test::Wall::ofThings(480, 320, 5);
        test::Filming filming;
        filming.moved = test::handHeld(3, 11);
        filming.grain = 3;
        test::writeFilmedClip(file("held.mkv"), wall, filming, 14, width, height);
        // From the third frame on, off the middle, so that roll and zoom count.
        const Point start{220, 60};
        const auto found = followed(file("held.mkv"), 2, 12, start);
        QVERIFY(found);
        QCOMPARE(found->x.size(), std::size_t{12});
        QCOMPARE(found->lost, std::size_t{0});
        const Point middle{0.5 * (width - 1), 0.5 * (height - 1)};
        const Similarity base = filming.shown(2).inverse();
        double moved = 0;
        for (std::size_t i = 0; i < 12; ++i) {
            const Point truth = filming.shown(2 + static_cast<double>(i)).after(base).map(start, middle);
            const Point is = at(found.value(), i);
            QVERIFY2(std::hypot(is.x - truth.x, is.y - truth.y) < 0.25,
                     qPrintable(
                         QStringLiteral("%1: %2 %3, not %4 %5").arg(i).arg(is.x).arg(is.y).arg(truth.x).arg(truth.y)));
            QCOMPARE(found->x[i].frame, static_cast<double>(i));
            moved = std::max(moved, std::hypot(truth.x - start.x, truth.y - start.y));
        }
        QVERIFY2(moved > 2, qPrintable(QString::number(moved)));
    }
    void aThingThatMovesOverWhatIsStillIsFollowed()
    {
        const test::Wall behind = test::Wall::ofThings(480, 320, 21);
        const test::Wall before = test::Wall::ofThings(120, 120, 22);
        const auto place = [](int frame) { return Point{90.0 + 9 * frame, 60 + 0.6 * frame * frame}; };
        auto writer = FilmWriter::create(file("thing.mkv"),
                                         {.format = FilmFormat::mkv, .width = width, .height = height, .rate = {}});
        QVERIFY(writer);
        for (int i = 0; i < 11; ++i)
            QVERIFY(writer.value()->addFrame(pasted(behind, before, place(i), i)));
        QVERIFY(writer.value()->finish());
        const auto found = followed(file("thing.mkv"), 0, 11, place(0));
        QVERIFY(found);
        for (int i = 0; i < 11; ++i) {
            const Point is = at(found.value(), static_cast<std::size_t>(i));
            QVERIFY2(std::hypot(is.x - place(i).x, is.y - place(i).y) < 1,
                     qPrintable(QStringLiteral("%1: %2 %3").arg(i).arg(is.x).arg(is.y)));
        }
    }
    void aPointInABareSpotGoesWithWhatIsAroundIt()
    {
        const test::Wall wall = test::Wall::ofThings(480, 320, 31);
        test::Filming filming;
        filming.moved = [](double frame) { return Similarity{5 * frame, 2 * frame, 0, 1}; };
        filming.grain = 2;
        const Point start{120, 80};
        auto writer = FilmWriter::create(file("bare.mkv"),
                                         {.format = FilmFormat::mkv, .width = width, .height = height, .rate = {}});
        QVERIFY(writer);
        for (int i = 0; i < 8; ++i) {
            Image picture = test::filmed(wall, filming, i, width, height);
            for (int y = -58; y < 58; ++y)
                std::fill_n(picture.row(80 + 2 * i + y) + std::ptrdiff_t{4} * (120 + 5 * i - 58), 4 * 116,
                            std::uint8_t{120});
            QVERIFY(writer.value()->addFrame(picture));
        }
        QVERIFY(writer.value()->finish());
        const auto found = followed(file("bare.mkv"), 0, 8, start);
        QVERIFY(found);
        for (std::size_t i = 0; i < 8; ++i) {
            const Point is = at(found.value(), i);
            const auto frame = static_cast<double>(i);
            QVERIFY2(std::hypot(is.x - (120 + 5 * frame), is.y - (80 + 2 * frame)) < 1,
                     qPrintable(QStringLiteral("%1: %2 %3").arg(i).arg(is.x).arg(is.y)));
        }
    }
    void whatCannotBeFollowedIsSaid()
    {
        auto writer = FilmWriter::create(file("flat.mkv"),
                                         {.format = FilmFormat::mkv, .width = width, .height = height, .rate = {}});
        QVERIFY(writer);
        Image flat(width, height);
        for (int y = 0; y < height; ++y)
            std::fill_n(flat.row(y), 4 * width, std::uint8_t{90});
        for (int i = 0; i < 4; ++i)
            QVERIFY(writer.value()->addFrame(flat));
        QVERIFY(writer.value()->finish());
        const auto found = followed(file("flat.mkv"), 0, 4, {100, 90});
        QVERIFY(!found && sentence(found.error()).find("flat or dark") != std::string::npos);
        QVERIFY(!followed(file("flat.mkv"), 0, 1, {100, 90}));
        const auto stopped = followed(file("flat.mkv"), 0, 4, {100, 90}, [](double) { return false; });
        QVERIFY(!stopped && stopped.error().code == ErrorCode::cancelled);
    }
};

EMBER_TEST(FollowPointTest)
#include "tst_follow_point.moc"
