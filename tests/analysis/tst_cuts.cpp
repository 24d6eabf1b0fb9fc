// SPDX-License-Identifier: GPL-3.0-or-later
// Where one shot ends and the next begins: to the frame, and not at flashes, pans or bursts.
#include <cmath>

#include <QTest>

#include "ember/analysis/cuts.h"
#include "filmed.h"
#include "runner.h"

using namespace ember;

namespace {

constexpr int width = 320;
constexpr int height = 180;

/// A share of one picture and the rest of another; without a picture, black.
Image mixed(const Image& a, double share, const Image* b)
{
    Image out(a.width(), a.height());
    for (int y = 0; y < a.height(); ++y)
        for (int i = 0; i < 4 * a.width(); ++i) {
            const double other = i % 4 == 3 ? 255 : b != nullptr ? b->row(y)[i] : 0;
            out.row(y)[i] = static_cast<std::uint8_t>(std::lround(share * a.row(y)[i] + (1 - share) * other));
        }
    return out;
}

/// A shot of a wall of its own, by a hand of its own.
struct Shot {
    test::Wall wall;
    test::Filming filming;

    Shot(std::uint64_t seed, double strength, double pan = 0) : wall(900, 420, seed)
    {
        const auto hand = test::handHeld(strength, seed);
        filming.moved = [hand, pan](double frame) {
            Similarity moved = hand(frame);
            moved.x -= pan * frame;
            return moved;
        };
        filming.grain = 1.5;
        filming.seed = seed;
    }
    Image at(int frame) const { return test::filmed(wall, filming, frame, width, height); }
};

std::vector<ShotChange> changesOf(int frames, const std::function<Image(int)>& picture)
{
    CutWatcher watcher;
    for (int i = 0; i < frames; ++i)
        watcher.watch(picture(i), Frame{i});
    return watcher.finish();
}

QString listed(const std::vector<ShotChange>& changes)
{
    QString text;
    for (const ShotChange& c : changes)
        text += QStringLiteral("%1 %2 (%3) %4; ")
                    .arg(c.frame.index)
                    .arg(QString::fromUtf8(changeName(c.kind).data()))
                    .arg(c.length)
                    .arg(c.confidence);
    return text;
}

} // namespace

class CutsTest : public QObject {
    Q_OBJECT
private slots:
    void hardCutsAreFoundToTheFrame_data()
    {
        QTest::addColumn<int>("seed");
        for (const int seed : {11, 42, 77, 203})
            QTest::addRow("seed %d", seed) << seed;
    }
    void hardCutsAreFoundToTheFrame()
    {
        QFETCH(int, seed);
        const auto s = static_cast<std::uint64_t>(seed);
        std::vector<Shot> shots{{s, 2}, {s + 1, 1, 3}, {s + 2, 3}, {s + 3, 1}};
        shots[1].filming.walker = true;
        const std::vector<int> starts{0, 25, 26 + 12, 70}; // one shot is short
        const auto changes = changesOf(90, [&](int frame) {
            std::size_t which = 0;
            while (which + 1 < starts.size() && frame >= starts[which + 1])
                ++which;
            return shots[which].at(frame - starts[which]);
        });
        QVERIFY2(changes.size() == 3, qPrintable(listed(changes)));
        for (std::size_t i = 0; i < 3; ++i) {
            QCOMPARE(changes[i].frame.index, starts[i + 1]);
            QVERIFY(changes[i].kind == ChangeKind::cut);
            QVERIFY(changes[i].confidence > 0.3);
        }
    }
    void flashesPansAndWalkersAreNoCuts()
    {
        Shot shot(5, 3, 14); // a fast pan
        shot.filming.walker = true;
        shot.filming.exposure = [](double frame) {
            const int f = static_cast<int>(frame);
            if (f == 10 || f == 25 || f == 26)
                return 6.0;                        // washed out
            return f >= 40 && f < 42 ? 0.05 : 1.0; // the light goes out for a moment
        };
        const auto changes = changesOf(56, [&](int frame) { return shot.at(frame % 56); });
        QVERIFY2(changes.empty(), qPrintable(listed(changes)));
    }
    void aFlashBesideACutHidesNothing()
    {
        Shot one(8, 1);
        Shot other(9, 1);
        one.filming.exposure = [](double frame) { return frame >= 22 && frame < 24 ? 4.0 : 1.0; };
        const auto changes = changesOf(50, [&](int frame) { return frame < 26 ? one.at(frame) : other.at(frame); });
        QVERIFY2(changes.size() == 1, qPrintable(listed(changes)));
        QCOMPARE(changes[0].frame.index, 26);
    }
    void dissolvesAreReported_data()
    {
        QTest::addColumn<int>("length");
        for (const int length : {10, 16, 24, 40})
            QTest::addRow("%d frames", length) << length;
    }
    void dissolvesAreReported()
    {
        QFETCH(int, length);
        const Shot one(31, 0.5);
        const Shot other(32, 0.5);
        const int from = 55;
        const auto changes = changesOf(150, [&](int frame) {
            if (frame < from)
                return one.at(frame);
            if (frame >= from + length)
                return other.at(frame);
            const Image b = other.at(frame);
            return mixed(one.at(frame), 1 - (frame - from + 0.5) / length, &b);
        });
        QVERIFY2(changes.size() == 1, qPrintable(listed(changes)));
        QVERIFY(changes[0].kind == ChangeKind::dissolve);
        QVERIFY2(std::abs(changes[0].frame.index - (from + length / 2)) <= 1 + length / 20,
                 qPrintable(listed(changes)));
        QVERIFY2(std::abs(changes[0].first.index - from) <= 1 + length / 12, qPrintable(listed(changes)));
        QVERIFY2(std::abs(changes[0].last.index - (from + length - 1)) <= 1 + length / 12, qPrintable(listed(changes)));
        QCOMPARE(changes[0].length, changes[0].last - changes[0].first + 1);
    }
    void fadesAreReported()
    {
        const Shot shot(61, 0.5);
        const auto changes = changesOf(140, [&](int frame) {
            return mixed(shot.at(frame), frame < 60 ? 1 : frame < 84 ? 1 - (frame - 60 + 0.5) / 24 : 0.0, nullptr);
        });
        QVERIFY2(changes.size() == 1, qPrintable(listed(changes)));
        QVERIFY(changes[0].kind == ChangeKind::fade);
        QVERIFY(std::abs(changes[0].frame.index - 72) <= 2);
        QVERIFY2(std::abs(changes[0].first.index - 60) <= 2, qPrintable(listed(changes)));
        QVERIFY2(std::abs(changes[0].last.index - 83) <= 2, qPrintable(listed(changes)));
    }
    void aFadeThroughBlackIsOne()
    {
        // Down and up in light; the dark falls between two pictures.
        const Shot first(63, 0.5), second(64, 0.5);
        const auto changes = changesOf(120, [&](int frame) {
            const double way = (frame - 59.5) / 14; // -1 to 1 within the fade
            const double share = std::pow(std::min(1.0, std::abs(way)), 1 / 2.4);
            return mixed((way < 0 ? first : second).at(frame), share, nullptr);
        });
        QVERIFY2(changes.size() == 1, qPrintable(listed(changes)));
        QVERIFY(changes[0].kind == ChangeKind::fade);
        QVERIFY2(std::abs(changes[0].frame.index - 60) <= 3, qPrintable(listed(changes)));
        QVERIFY2(changes[0].length >= 10 && changes[0].length <= 48, qPrintable(listed(changes)));
    }
    void grainOnSomethingSoftIsNoCut()
    {
        // A soft glow that drifts, under grain that is all the edges there are.
        std::uint32_t state = 7;
        const auto picture = [&](int frame, double middle) {
            Image image(width, height);
            for (int y = 0; y < height; ++y)
                for (int x = 0; x < width; ++x) {
                    const double r2 = std::pow((x - middle - frame) / 90.0, 2) + std::pow((y - 80) / 70.0, 2);
                    state = state * 1664525 + 1013904223;
                    const double grain = static_cast<double>(state >> 16) / 65535 * 60 - 30;
                    const double value = std::clamp(50 + 90 * std::exp(-r2) + grain, 0.0, 255.0);
                    std::fill_n(image.at(x, y), 3, static_cast<std::uint8_t>(value));
                    image.at(x, y)[3] = 255;
                }
            return image;
        };
        const auto soft = changesOf(40, [&](int frame) { return picture(frame, 90); });
        QVERIFY2(soft.empty(), qPrintable(listed(soft)));
    }
    void blackIsCutToAndFrom()
    {
        const Shot shot(71, 1);
        const Image black = mixed(shot.at(0), 0, nullptr);
        const auto changes = changesOf(
            60, [&](int frame) { return frame < 20 || frame >= 40 ? shot.at(frame) : mixed(black, 1, &black); });
        QVERIFY2(changes.size() == 2, qPrintable(listed(changes)));
        QCOMPARE(changes[0].frame.index, 20);
        QCOMPARE(changes[1].frame.index, 40);
    }
    void fewPicturesAndOtherSizes()
    {
        QVERIFY(CutWatcher().finish().empty());
        const Shot shot(3, 1);
        QVERIFY(changesOf(1, [&](int frame) { return shot.at(frame); }).empty());
        QVERIFY(changesOf(2, [&](int frame) { return shot.at(frame); }).empty());
        const auto changes = changesOf(20, [&](int frame) {
            return frame < 10 ? shot.at(frame) : test::filmed(shot.wall, shot.filming, frame, 200, 180);
        });
        QCOMPARE(changes.size(), std::size_t{1}); // other pictures altogether
        QCOMPARE(changes[0].frame.index, 10);
    }
};

EMBER_TEST(CutsTest)
#include "tst_cuts.moc"
