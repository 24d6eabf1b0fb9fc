// SPDX-License-Identifier: GPL-3.0-or-later
// Frames of one edit found in another: what was cut out, put in, moved, graded, and what is not there.
#include <cmath>
#include <numbers>

#include <QTest>

#include "ember/analysis/film_match.h"
#include "pictures.h"
#include "runner.h"

using namespace ember;

namespace {

/// A frame of a made film: things that wander before a ground that stays, and a burst of light and sound on some
/// frames.
struct MadeFilm {
    std::uint64_t seed;
    std::vector<int> bursts;

    Image draw(int frame, double gain, double grain, std::uint64_t copy) const
    {
        Image picture(96, 54);
        picture.setOpaque(true);
        test::Random ground(seed);
        const double slope = ground.between(0.2, 0.8);
        struct Thing {
            double x, y, across, down, size, light;
        };
        std::vector<Thing> things;
        for (int i = 0; i < 4; ++i)
            things.push_back({ground.between(0, 96), ground.between(0, 54), ground.between(-1, 1),
                              ground.between(-0.6, 0.6), ground.between(5, 14), ground.between(40, 150)});
        double burst = 0;
        for (const int b : bursts)
            if (frame >= b)
                burst = std::max(burst, std::exp(-0.25 * (frame - b)));
        test::Random noise(seed * 7919 + static_cast<std::uint64_t>(frame) * 31 + copy);
        for (int y = 0; y < 54; ++y)
            for (int x = 0; x < 96; ++x) {
                double light = 30 + slope * x;
                for (const Thing& t : things) {
                    const double far = std::hypot(x - std::fmod(t.x + t.across * frame + 960, 96.0),
                                                  y - std::fmod(t.y + t.down * frame + 540, 54.0));
                    light += far < t.size ? t.light * (1 - far / t.size) : 0;
                }
                light += 120 * burst * std::exp(-std::hypot(x - 48, y - 30) / 20);
                light = gain * light + grain * noise.between(-1, 1);
                const auto value = static_cast<std::uint8_t>(std::clamp(light, 0.0, 255.0));
                std::uint8_t* pixel = picture.at(x, y);
                pixel[0] = pixel[1] = pixel[2] = value;
                pixel[3] = 255;
            }
        return picture;
    }
    std::vector<float> sound(int frame) const
    {
        double burst = 0;
        for (const int b : bursts)
            if (frame >= b)
                burst = std::max(burst, std::exp(-0.2 * (frame - b)));
        test::Random noise(seed * 104729 + static_cast<std::uint64_t>(frame));
        std::vector<float> samples(1000);
        for (float& sample : samples)
            sample = static_cast<float>((0.01 + 0.6 * burst) * noise.between(-1, 1));
        return samples;
    }
};

/// Parts of made films one after the other.
struct Part {
    int film;
    int first;
    int last; ///< included
};

FilmPrint printOf(const std::vector<MadeFilm>& films, const std::vector<Part>& parts, double gain = 1, double grain = 1,
                  std::uint64_t copy = 0, bool heard = true)
{
    FilmPrinter printer;
    for (const Part& part : parts)
        for (int f = part.first; f <= part.last; ++f)
            printer.add(films[static_cast<std::size_t>(part.film)].draw(f, gain, grain, copy),
                        heard ? films[static_cast<std::size_t>(part.film)].sound(f) : std::vector<float>(), 1);
    return printer.finish();
}

/// Where a frame of the first edit is in the second; -1 where it is not.
std::vector<int> truthOf(const std::vector<Part>& before, const std::vector<Part>& after)
{
    std::vector<int> truth;
    for (const Part& part : before)
        for (int f = part.first; f <= part.last; ++f) {
            int found = -1;
            int at = 0;
            for (const Part& now : after) {
                if (now.film == part.film && f >= now.first && f <= now.last)
                    found = at + f - now.first;
                at += now.last - now.first + 1;
            }
            truth.push_back(found);
        }
    return truth;
}

const auto go = [](double) { return true; };

} // namespace

class FilmMatchTest : public QObject {
    Q_OBJECT
private slots:
    void editsAreFoundAgain_data()
    {
        QTest::addColumn<int>("which");
        QTest::addColumn<bool>("heard");
        int row = 0;
        for (const char* name : {"the same", "a piece cut out", "a piece put in", "ends trimmed", "two pieces swapped",
                                 "graded, with other grain", "all of it"}) {
            QTest::addRow("%s, with sound", name) << row << true;
            QTest::addRow("%s, silent", name) << row++ << false;
        }
    }
    void editsAreFoundAgain()
    {
        QFETCH(int, which);
        QFETCH(bool, heard);
        for (std::uint64_t seed = 301; seed < 303; ++seed) {
            const std::vector<MadeFilm> films{{seed, {40, 90, 130, 170}}, {seed + 50, {20}}};
            const std::vector<Part> before{{0, 0, 219}};
            const std::vector<std::vector<Part>> edits{{{0, 0, 219}},
                                                       {{0, 0, 79}, {0, 111, 219}},
                                                       {{0, 0, 99}, {1, 0, 49}, {0, 100, 219}},
                                                       {{0, 25, 199}},
                                                       {{0, 110, 219}, {0, 0, 109}},
                                                       {{0, 0, 219}},
                                                       {{1, 0, 19}, {0, 10, 79}, {0, 111, 199}}};
            const std::vector<Part>& after = edits[static_cast<std::size_t>(which)];
            const bool graded = which >= 5;
            const auto matches = matchFrames(printOf(films, before, 1, 2, 0, heard),
                                             printOf(films, after, graded ? 1.25 : 1, graded ? 9 : 3, 9, heard), go);
            QVERIFY(matches.ok());
            const std::vector<int> truth = truthOf(before, after);
            int wrong = 0;
            for (std::size_t f = 0; f < truth.size(); ++f)
                wrong += std::abs(matches.value()[f].frame - truth[f]) > 0 ? 1 : 0;
            // Beside a cut a frame or two may go either way.
            QVERIFY2(wrong <= 6, qPrintable(QStringLiteral("seed %1: %2 wrong").arg(seed).arg(wrong)));
            for (const int burst : films[0].bursts)
                QCOMPARE(static_cast<int>(matches.value()[static_cast<std::size_t>(burst)].frame),
                         truth[static_cast<std::size_t>(burst)]);
        }
    }
    void anotherFilmIsNotFound()
    {
        const std::vector<MadeFilm> films{{401, {40, 90}}, {402, {30, 100}}};
        const auto matches =
            matchFrames(printOf(films, {{0, 0, 149}}, 1, 2, 0), printOf(films, {{1, 0, 149}}, 1, 2, 5), go);
        QVERIFY(matches.ok());
        const auto found = std::count_if(matches.value().begin(), matches.value().end(),
                                         [](const FrameMatch& match) { return match.frame >= 0; });
        QVERIFY2(found < 15, qPrintable(QString::number(found)));
    }
    void nothingAndTooMuch()
    {
        const std::vector<MadeFilm> films{{411, {}}};
        const FilmPrint some = printOf(films, {{0, 0, 9}});
        QCOMPARE(matchFrames(some, {}, go).value(), std::vector<FrameMatch>(10));
        QVERIFY(matchFrames({}, some, go).value().empty());
        FilmPrint endless;
        endless.frames.resize(30000);
        QVERIFY(!matchFrames(endless, endless, go).ok());
        const auto stopped = matchFrames(some, some, [](double) { return false; });
        QVERIFY(!stopped.ok() && stopped.error().code == ErrorCode::cancelled);
    }
    void deterministic()
    {
        const std::vector<MadeFilm> films{{421, {20, 60}}};
        const FilmPrint a = printOf(films, {{0, 0, 99}});
        const FilmPrint b = printOf(films, {{0, 10, 99}}, 1.1, 4, 3);
        QCOMPARE(matchFrames(a, b, go).value(), matchFrames(a, b, go).value());
    }
};

EMBER_TEST(FilmMatchTest)
#include "tst_film_match.moc"
