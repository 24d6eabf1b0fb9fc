// SPDX-License-Identifier: GPL-3.0-or-later
// Impacts against drawn films whose impacts are known, and what is heard and seen put together.
#include <set>

#include <QTest>

#include "ember/analysis/candidates.h"
#include "films.h"
#include "judging.h"
#include "runner.h"
#include "sounds.h"
#include "strike_trees.h"

using namespace ember;
using namespace ember::test;

namespace {

PictureTrace traceOf(const KnownFilm& film)
{
    PictureWatcher watcher;
    for (int i = 0; i < film.frames; ++i)
        watcher.watch(film.draw(i), Frame{i});
    return watcher.finish();
}

KnownFilm filmNamed(std::uint64_t seed, const std::string& part)
{
    for (KnownFilm& film : knownFilms(seed))
        if (film.name.find(part) != std::string::npos)
            return film;
    return {};
}

SoundTrace clicksAt(const std::vector<double>& seconds, double length)
{
    const SoundBuffer noise = whiteNoise(2, 0.8, 0.05);
    SoundBuffer sound{48000, 1, std::vector<float>(static_cast<std::size_t>(length * 48000), 0.f)};
    for (const double at : seconds)
        for (std::size_t i = 0; i < noise.samples.size(); ++i)
            sound.samples[static_cast<std::size_t>(at * 48000) + i] +=
                noise.samples[i] * static_cast<float>(std::exp(-static_cast<double>(i) / 500));
    SoundMeter meter(48000, 1);
    meter.hear(sound.samples);
    return meter.finish();
}

} // namespace

class ImpactTest : public QObject {
    Q_OBJECT
private slots:
    void theyAreFoundAndTrapsAreNot()
    {
        Judgement all(1.001);
        for (const KnownFilm& film : knownFilms(5100)) {
            std::vector<double> known(film.impacts.begin(), film.impacts.end()), found;
            for (const Impact& impact : impactsOf(traceOf(film), {}))
                found.push_back(static_cast<double>(impact.frame.index));
            Judgement one(1.001);
            one.add(known, found, film.frames / 24.0);
            qInfo("%-56s missed %d, false %d", film.name.c_str(), one.missed(), one.wrong());
            all.add(known, found, film.frames / 24.0);
            QVERIFY2(one.missed() == 0, film.name.c_str());
            QVERIFY2(one.wrong() <= 1, film.name.c_str());
        }
        qInfo("F %.3f within a frame, missed %.1f and false %.1f a minute", all.f(), all.perMinute(all.missed()),
              all.perMinute(all.wrong()));
        QVERIFY(all.f() > 0.9);
    }
    void aLandingComesDownAndABurstIsOne()
    {
        for (const Impact& impact : impactsOf(traceOf(filmNamed(5200, "weights")), {})) {
            QCOMPARE(impact.kind, StrikeKind::landing);
            QVERIFY(impact.direction && std::abs(*impact.direction - 90) < 20);
            QVERIFY(impact.place.y > 0.6);
        }
        const auto bursts = impactsOf(traceOf(filmNamed(5200, "debris")), {});
        QCOMPARE(bursts.size(), std::size_t{2});
        for (const Impact& impact : bursts)
            QCOMPARE(impact.kind, StrikeKind::blast);
        const auto blow = impactsOf(traceOf(filmNamed(5200, "wall")), {ImpactOptions().sensitivity, 6});
        QVERIFY(std::any_of(blow.begin(), blow.end(), [](const Impact& impact) {
            return impact.direction && std::abs(*impact.direction) < 25 && impact.place.x > 0.6; // to the right
        }));
    }
    void aHigherSensitivityFindsAllThatALowerDoes()
    {
        const PictureTrace trace = traceOf(filmNamed(5300, "flicker"));
        std::set<std::int64_t> before;
        for (const double sensitivity : {0.0, 0.3, 0.5, 0.7, 1.0}) {
            std::set<std::int64_t> now;
            for (const Impact& impact : impactsOf(trace, {sensitivity, 6}))
                now.insert(impact.frame.index);
            QVERIFY(std::includes(now.begin(), now.end(), before.begin(), before.end()));
            before = now;
        }
        QVERIFY(!before.empty());
    }
    void theCamerasOwnMoveIsNoMotion()
    {
        // Blotches that slide by as one, eight pixels a frame; then the same with one square that stays where it is.
        for (const bool square : {false, true}) {
            PictureWatcher watcher;
            for (int i = 0; i < 12; ++i) {
                Image image(320, 180);
                for (int y = 0; y < 180; ++y)
                    for (int x = 0; x < 320; ++x) {
                        const double u = x + 8 * i;
                        double value = 120 + 50 * std::sin(u * 0.11 + 0.7 * std::sin(u * 0.031)) * std::cos(y * 0.07) +
                                       30 * std::sin(u * 0.05 + y * 0.09);
                        if (square && std::abs(x - 160) < 24 && std::abs(y - 90) < 24)
                            value = 128 + 100 * std::sin(x * 0.4) * std::sin(y * 0.33);
                        const auto byte = static_cast<std::uint8_t>(std::clamp(value, 0.0, 255.0));
                        std::uint8_t* pixel = image.at(x, y);
                        pixel[0] = pixel[1] = pixel[2] = byte;
                        pixel[3] = 255;
                    }
                watcher.watch(image, Frame{i});
            }
            const PictureTrace trace = watcher.finish();
            QVERIFY(impactsOf(trace, {}).empty()); // what moves from the first frame on does not set in there
            for (std::size_t i = 2; i < trace.frames.size(); ++i) {
                QVERIFY(!trace.frames[i].cut);
                if (square)
                    QVERIFY(trace.frames[i].motion > 0.0005f);
                else
                    QVERIFY2(trace.frames[i].motion < 0.0005f, qPrintable(QString::number(trace.frames[i].motion)));
            }
        }
    }
    void emptyAndOddFilmsFindNothing()
    {
        QVERIFY(impactsOf({}, {}).empty());
        PictureWatcher none;
        QVERIFY(none.finish().frames.empty());
        PictureWatcher tiny; // smaller than a square, and of sizes that change
        for (int i = 0; i < 30; ++i) {
            Image image(1 + i % 3, 1 + i % 2);
            image.fill(static_cast<std::uint8_t>(40 * (i % 4)), 0, 0);
            tiny.watch(image, Frame{i});
        }
        QVERIFY(impactsOf(tiny.finish(), {}).empty());
        PictureWatcher still;
        Image image(320, 180);
        image.fill(90, 90, 90);
        for (int i = 0; i < 30; ++i)
            still.watch(image, Frame{i});
        QVERIFY(impactsOf(still.finish(), {ImpactOptions{1, 6}}).empty());
    }
    void whatIsHeardAndSeenIsOne()
    {
        const FrameRate rate;
        const KnownFilm film = filmNamed(5400, "bounces");
        const PictureTrace picture = traceOf(film);
        constexpr double late = 0.125; // three frames
        std::vector<double> clicks{0.21};
        for (const int frame : film.impacts)
            clicks.push_back(rate.seconds(frame) + late);
        const SoundTrace sound = clicksAt(clicks, 4);
        const Found found = findStrikes(&sound, &picture, 0, rate, {});
        QCOMPARE(found.candidates.size(), film.impacts.size() + 1);
        QVERIFY(!found.candidates[0].seen && found.candidates[0].heard);
        QVERIFY(found.soundLate.has_value());
        QVERIFY(std::abs(*found.soundLate - 3) < 0.6);
        QVERIFY(found.outOfStep);
        // What is heard alone is laid where the picture would show it.
        QVERIFY(std::abs(found.candidates[0].seconds - (0.21 - late)) < 0.03);
        for (std::size_t i = 1; i < found.candidates.size(); ++i) {
            const Candidate& candidate = found.candidates[i];
            QVERIFY(candidate.heard && candidate.seen);
            QVERIFY(std::abs(candidate.frame.index - film.impacts[i - 1]) <= 1); // the picture tells the frame
            QVERIFY(candidate.direction.has_value());
        }
        // Laid right, they come together.
        const Found right = findStrikes(&sound, &picture, -late, rate, {});
        QVERIFY(right.soundLate && std::abs(*right.soundLate) < 0.6);
        QVERIFY(!right.outOfStep);
        for (std::size_t i = 1; i < right.candidates.size(); ++i) // in step, the sound has the frame
            QCOMPARE(right.candidates[i].frame.index, film.impacts[i - 1]);
        // Each alone.
        FindOptions options;
        options.from = FindFrom::picture;
        for (const Candidate& candidate : findStrikes(&sound, &picture, 0, rate, options).candidates)
            QVERIFY(candidate.seen && !candidate.heard);
        options.from = FindFrom::sound;
        QCOMPARE(findStrikes(&sound, &picture, 0, rate, options).candidates.size(), clicks.size());
        QVERIFY(findStrikes(static_cast<const SoundTrace*>(nullptr), nullptr, 0, rate, {}).candidates.empty());
    }
    void whatIsSeenButNotHeardHasToBeSurer()
    {
        const FrameRate rate;
        const KnownFilm film = filmNamed(5600, "weights");
        const PictureTrace picture = traceOf(film);
        const auto seen = impactsOf(picture, {});
        QVERIFY(!seen.empty());
        // Clicks where nothing is to be seen make it a film with sound.
        const SoundTrace sound = clicksAt({0.11, 0.2, 0.29}, 4);
        FindOptions options;
        for (const Candidate& candidate : findStrikes(&sound, &picture, 0, rate, options).candidates)
            if (candidate.seen)
                for (const Impact& impact : seen)
                    if (impact.frame == candidate.frame)
                        QVERIFY(candidate.confidence < impact.confidence &&
                                candidate.confidence >= confidenceAsked(options.sensitivity));
        const SoundTrace silence = clicksAt({}, 4);
        const auto alone = findStrikes(&silence, &picture, 0, rate, options).candidates;
        QCOMPARE(alone.size(), seen.size());
        for (std::size_t i = 0; i < alone.size(); ++i)
            QCOMPARE(alone[i].confidence, seen[i].confidence);
    }
    void bothTogetherAreSurerThanOne()
    {
        const FrameRate rate;
        const KnownFilm film = filmNamed(5500, "weights");
        const PictureTrace picture = traceOf(film);
        std::vector<double> clicks;
        for (const int frame : film.impacts)
            clicks.push_back(rate.seconds(frame));
        const SoundTrace sound = clicksAt(clicks, 4);
        FindOptions seen;
        seen.from = FindFrom::picture;
        const auto both = findStrikes(&sound, &picture, 0, rate, {}).candidates;
        const auto alone = findStrikes(static_cast<const SoundTrace*>(nullptr), &picture, 0, rate, seen).candidates;
        QCOMPARE(both.size(), alone.size());
        for (std::size_t i = 0; i < both.size(); ++i)
            QVERIFY(both[i].heard && both[i].seen && both[i].confidence >= alone[i].confidence);
        QVERIFY(both[1].confidence > alone[1].confidence || both[0].confidence > alone[0].confidence);
    }
};

EMBER_TEST(ImpactTest)
#include "tst_impacts.moc"
