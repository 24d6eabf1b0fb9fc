// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>
#include <cmath>
#include <future>

#include <QTest>

#include "ember/analysis/candidates.h"
#include "ember/analysis/film_match.h"
#include "ember/project/motion_library.h"
#include "operator.h"
#include "pictures.h"
#include "runner.h"
#include "scene.h"
#include "sound.h"
#include "timeline.h"

using namespace ember;

class DemoTest : public QObject {
    Q_OBJECT
private slots:
    void framesAreTheSameEachTime()
    {
        for (const int frame : {0, 38, 170, 234}) {
            auto elsewhere = std::async(std::launch::async, demo::drawFrame, frame);
            const Image here = demo::drawFrame(frame);
            QVERIFY(samePixels(here, elsewhere.get()));
            QCOMPARE(here.width(), demo::width);
            QCOMPARE(here.height(), demo::height);
        }
    }
    void shippedMotionsAreTheOperators_data()
    {
        QTest::addColumn<int>("who");
        for (int who = 0; who < 3; ++who)
            QTest::addRow("%s", std::string(demo::operatorNames[static_cast<std::size_t>(who)].name).c_str()) << who;
    }
    void shippedMotionsAreTheOperators()
    {
        QFETCH(int, who);
        // They were measured from the clips; here is what the operators really did.
        const auto& names = demo::operatorNames[static_cast<std::size_t>(who)];
        const auto& motions = shippedMotions();
        const KeptMotion* kept = motionNamed(motions, names.name);
        QVERIFY(kept != nullptr);
        QCOMPARE(kept->about, std::string(names.about));
        CapturedMotion truth{demo::width, demo::height, kept->motion.rate, {}};
        for (std::size_t i = 0; i < kept->motion.frames.size(); ++i)
            truth.frames.push_back(
                {demo::operatorMotion(static_cast<demo::Operator>(who), truth.rate.seconds(static_cast<double>(i))),
                 1});
        truth = withoutMean(truth);
        double squares = 0;
        double far = 0;
        for (std::size_t i = 0; i < truth.frames.size(); ++i) {
            const double off =
                cornerDistance(truth.frames[i].moved, kept->motion.frames[i].moved, demo::width, demo::height);
            squares += kept->motion.frames[i].confidence > 0 ? off * off : 0; // what was measured
            far = std::max(far, std::abs(truth.frames[i].moved.y));
        }
        const double error = std::sqrt(squares / static_cast<double>(truth.frames.size()));
        qInfo("%s: %.3f px at the corners, of %.0f px up and down", std::string(names.name).c_str(), error, far);
        QVERIFY(error < 0.2);
        QVERIFY(far > 5);
    }
    void soundIsTheSameEachTime()
    {
        const SoundBuffer a = demo::foundrySound();
        QVERIFY(a.samples == demo::foundrySound().samples);
        QCOMPARE(a.length(), std::int64_t{48000} * demo::frames / demo::framesPerSecond);
        for (const float v : a.samples)
            QVERIFY(std::abs(v) <= 1.f);
    }
    void strikesAreHeardOnTheirFrame()
    {
        // The sharp part of the sound (its differences) jumps within a millisecond of the frame's first instant.
        const SoundBuffer sound = demo::foundrySound();
        const auto sharpness = [&](std::int64_t from, std::int64_t to) {
            double sum = 0;
            for (std::int64_t i = std::max<std::int64_t>(1, from); i < to; ++i)
                sum += std::abs(sound.samples[static_cast<std::size_t>(2 * i)] -
                                sound.samples[static_cast<std::size_t>(2 * i - 2)]) +
                       std::abs(sound.samples[static_cast<std::size_t>(2 * i + 1)] -
                                sound.samples[static_cast<std::size_t>(2 * i - 1)]);
            return sum / static_cast<double>(to - from);
        };
        for (const auto& strike : demo::strikes) {
            const std::int64_t at = std::int64_t{48000} * strike.frame / demo::framesPerSecond;
            QVERIFY2(sharpness(at, at + 240) > 2.5 * sharpness(at - 240, at), std::string(strike.name).c_str());
        }
    }
    void theTrueStrikesAreFoundAndNoOther()
    {
        SoundMeter meter(48000, 2);
        meter.hear(demo::foundrySound().samples);
        const SoundTrace sound = meter.finish();
        PictureWatcher watcher;
        std::array<std::future<Image>, 2> ahead{std::async(std::launch::async, demo::drawFrame, 0),
                                                std::async(std::launch::async, demo::drawFrame, 1)};
        for (int i = 0; i < demo::frames; ++i) {
            auto& slot = ahead[static_cast<std::size_t>(i % 2)];
            const Image image = slot.get();
            if (i + 2 < demo::frames)
                slot = std::async(std::launch::async, demo::drawFrame, i + 2);
            watcher.watch(image, Frame{i});
        }
        const PictureTrace picture = watcher.finish();
        const Found found = findStrikes(&sound, &picture, 0, FrameRate(), {});
        QCOMPARE(found.candidates.size(), demo::strikes.size());
        for (std::size_t i = 0; i < demo::strikes.size(); ++i) {
            const Candidate& candidate = found.candidates[i];
            const auto& known = demo::strikes[i];
            QVERIFY2(std::abs(candidate.frame.index - known.frame) <= 1, std::string(known.name).c_str());
            QCOMPARE(kindName(candidate.kind), kindName(known.kind));
            QVERIFY(candidate.heard);
        }
        QVERIFY(found.tempo && std::abs(found.tempo->grid.bpm / 96 - 1) < 0.005);
        // Stronger blows are told stronger.
        QVERIFY(found.candidates[0].strength > found.candidates[2].strength);
        QVERIFY(found.candidates[2].strength > found.candidates[3].strength);
        QCOMPARE(found.candidates[5].strength, 1.0); // the burst
        // By eye alone: the blows, the landing and the burst, and nothing else.
        FindOptions seen;
        seen.from = FindFrom::picture;
        const auto byEye =
            findStrikes(static_cast<const SoundTrace*>(nullptr), &picture, 0, FrameRate(), seen).candidates;
        QCOMPARE(byEye.size(), std::size_t{6});
        for (std::size_t i = 0; i < byEye.size(); ++i)
            QVERIFY(std::abs(byEye[i].frame.index - demo::strikes[i].frame) <= 1);
    }
    void strikesAreFoundInANewEdit()
    {
        // The camera stands still and four blows are alike: only their order tells them apart.
        const SoundBuffer sound = demo::foundrySound();
        std::vector<Image> small;
        for (int i = 0; i < demo::frames; i += 2) {
            auto other = std::async(std::launch::async, demo::drawFrame, i + 1);
            for (const Image& whole : {demo::drawFrame(i), other.get()}) {
                Image picture(demo::width / 8, demo::height / 8);
                for (int y = 0; y < picture.height(); ++y)
                    for (int x = 0; x < picture.width(); ++x)
                        std::copy_n(whole.at(8 * x, 8 * y), 4, picture.at(x, y));
                small.push_back(std::move(picture));
            }
        }
        const auto printOf = [&](const std::vector<int>& frames) {
            FilmPrinter printer;
            for (const int f : frames) {
                const auto first = static_cast<std::ptrdiff_t>(f) * 2 * 48000 / demo::framesPerSecond;
                const auto end = static_cast<std::ptrdiff_t>(f + 1) * 2 * 48000 / demo::framesPerSecond;
                printer.add(small[static_cast<std::size_t>(f)],
                            {sound.samples.begin() + first, sound.samples.begin() + end}, 2);
            }
            return printer.finish();
        };
        const auto range = [](int first, int last) {
            std::vector<int> frames;
            for (int f = first; f <= last; ++f)
                frames.push_back(f);
            return frames;
        };
        const auto joined = [](std::vector<int> a, const std::vector<int>& b) {
            a.insert(a.end(), b.begin(), b.end());
            return a;
        };
        const FilmPrint before = printOf(range(0, demo::frames - 1));
        for (const std::vector<int>& edit :
             {joined(range(0, 77), range(114, 270)), joined(range(48, 199), range(212, 287)), range(20, 287),
              joined(range(110, 200), range(0, 109))}) {
            const auto matches = matchFrames(before, printOf(edit), [](double) { return true; });
            QVERIFY(matches.ok());
            for (const auto& strike : demo::strikes) {
                const auto place = std::find(edit.begin(), edit.end(), strike.frame);
                const auto truth = place == edit.end() ? -1 : place - edit.begin();
                const auto found = matches.value()[static_cast<std::size_t>(strike.frame)].frame;
                QVERIFY2(found == truth, qPrintable(QStringLiteral("%1: %2, not %3")
                                                        .arg(QString::fromStdString(std::string(strike.name)))
                                                        .arg(found)
                                                        .arg(truth)));
            }
        }
    }
    void strikesAreSeenOnTheirFrame()
    {
        // From the frame before a hammer blow to the blow itself more changes than between the two frames before.
        for (const auto& strike : demo::strikes) {
            if (strike.event != demo::Event::hammer && strike.event != demo::Event::ladle)
                continue;
            const auto change = [](int from, int to) {
                const Image a = demo::drawFrame(from);
                const Image b = demo::drawFrame(to);
                double sum = 0;
                for (int y = 0; y < a.height(); y += 2)
                    for (int x = 0; x < 4 * a.width(); ++x)
                        sum += std::abs(a.row(y)[x] - b.row(y)[x]);
                return sum;
            };
            QVERIFY2(change(strike.frame - 1, strike.frame) > 1.5 * change(strike.frame - 2, strike.frame - 1),
                     std::string(strike.name).c_str());
        }
    }
    void strikesAreInOrderAndWeaken()
    {
        for (std::size_t i = 1; i < demo::strikes.size(); ++i)
            QVERIFY(demo::strikes[i].frame > demo::strikes[i - 1].frame);
        QVERIFY(demo::strikes[3].strength < demo::strikes[2].strength &&
                demo::strikes[2].strength < demo::strikes[1].strength);
    }
};

EMBER_TEST(DemoTest)
#include "tst_demo.moc"
