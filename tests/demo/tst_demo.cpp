// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>
#include <cmath>
#include <future>

#include <QTest>

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
