// SPDX-License-Identifier: GPL-3.0-or-later
#include <cmath>

#include <oneapi/tbb/task_arena.h> // before Qt, whose word "emit" it uses as a name

#include <QTest>

#include "ember/render/frame.h"
#include "pictures.h"
#include "runner.h"

using namespace ember;

namespace {

FrameLook look(int width, int height)
{
    FrameLook l;
    l.projectWidth = width;
    l.projectHeight = height;
    return l;
}

/// Changes the one pose a look has.
template <typename Change>
void move(FrameLook& l, Change change)
{
    Pose pose = l.exposure.middle;
    change(pose);
    l.exposure = Exposure::of(pose);
}

ImagePtr shared(Image image)
{
    return std::make_shared<const Image>(std::move(image));
}

} // namespace

class FrameTest : public QObject {
    Q_OBJECT
private slots:
    void restPassesThroughUntouched()
    {
        const ImagePtr source = shared(test::speckled(97, 55, 3));
        QCOMPARE(renderFrame(source, look(97, 55), 97, 55).get(), source.get());
    }
    void coverLeavesNoBorder()
    {
        // A red world beyond the edge must not be seen anywhere while the exact cover is on, and is seen just below it.
        test::Random random(77);
        int seenWithout = 0;
        for (int i = 0; i < 300; ++i) {
            const int width = random.whole(160, 420);
            const int height = random.whole(100, 260);
            Image grey(width, height);
            grey.fill(128, 128, 128);
            const ImagePtr source = shared(std::move(grey));
            FrameLook l = look(width, height);
            move(l, [&](Pose& pose) {
                pose.x = random.between(-0.05, 0.05) * width;
                pose.y = random.between(-0.05, 0.05) * width;
                pose.roll = random.between(-4, 4);
                pose.zoom = random.between(0.95, 1.05);
            });
            l.edges = EdgeMode::plain;
            l.plain = {255, 0, 0};
            l.cover = coverZoom(l.exposure.middle, width, height);
            QCOMPARE(test::largestDifference(*renderFrame(source, l, width, height), *source), 0);
            l.cover = 1;
            seenWithout += test::largestDifference(*renderFrame(source, l, width, height), *source) > 100 ? 1 : 0;
        }
        QVERIFY(seenWithout > 280);
    }
    void movesRightAndDown()
    {
        Image dot(64, 48);
        dot.fill(0, 0, 0);
        dot.at(20, 20)[0] = 255;
        FrameLook l = look(64, 48);
        move(l, [](Pose& pose) {
            pose.x = 5;
            pose.y = 3;
        });
        const ImagePtr out = renderFrame(shared(std::move(dot)), l, 64, 48);
        QCOMPARE(out->at(25, 23)[0], std::uint8_t{255});
        QCOMPARE(out->at(20, 20)[0], std::uint8_t{0});
    }
    void sizesAgree()
    {
        // A frame rendered at another size shows the same picture there: compare block means.
        const ImagePtr source = shared(test::drawn(320, 180));
        FrameLook l = look(320, 180);
        move(l, [](Pose& pose) {
            pose.x = 12;
            pose.roll = 2;
        });
        l.cover = 1.1;
        const ImagePtr full = renderFrame(source, l, 320, 180);
        const ImagePtr half = renderFrame(source, l, 160, 90);
        const Image small = halved(*full);
        double sum = 0;
        for (int y = 4; y < 86; ++y)
            for (int x = 4; x < 156; ++x)
                sum += std::abs(small.at(x, y)[0] - half->at(x, y)[0]);
        QVERIFY2(sum / (152 * 82) < 4, qPrintable(QString::number(sum / (152 * 82))));
        const ImagePtr large = renderFrame(source, l, 640, 360);
        QCOMPARE(large->width(), 640);
        const Image back = halved(*large);
        sum = 0;
        for (int y = 4; y < 176; ++y)
            for (int x = 4; x < 316; ++x)
                sum += std::abs(back.at(x, y)[0] - full->at(x, y)[0]);
        QVERIFY2(sum / (312 * 172) < 2, qPrintable(QString::number(sum / (312 * 172))));
    }
    void halvingIsTheMean()
    {
        Image source(5, 3);
        for (int y = 0; y < 3; ++y)
            for (int x = 0; x < 5; ++x)
                for (int k = 0; k < 4; ++k)
                    source.at(x, y)[k] = static_cast<std::uint8_t>(10 * x + 40 * y);
        const Image half = halved(source);
        QCOMPARE(half.width(), 3);
        QCOMPARE(half.height(), 2);
        QCOMPARE(half.at(0, 0)[0], std::uint8_t{25});
        QCOMPARE(half.at(2, 0)[0], std::uint8_t{60}); // the last column stands alone
        QCOMPARE(half.at(0, 1)[0], std::uint8_t{85}); // and the last row
    }
    void threadsAgree()
    {
        const ImagePtr source = shared(test::speckled(500, 300, 8));
        FrameLook l = look(500, 300);
        move(l, [](Pose& pose) {
            pose.roll = 3;
            pose.x = 4.3;
        });
        ImagePtr first;
        for (const int threads : {1, 2, 8}) {
            oneapi::tbb::task_arena arena(threads);
            ImagePtr out;
            arena.execute([&] { out = renderFrame(source, l, 500, 300); });
            if (!first)
                first = out;
            QVERIFY(samePixels(*first, *out));
        }
    }
    void alphaMovesAlong()
    {
        Image source = test::drawn(64, 64);
        for (int y = 0; y < 64; ++y)
            for (int x = 0; x < 64; ++x)
                source.at(x, y)[3] = x < 32 ? 0 : 255;
        FrameLook l = look(64, 64);
        move(l, [](Pose& pose) { pose.x = 10; });
        l.edges = EdgeMode::extend;
        const ImagePtr out = renderFrame(shared(std::move(source)), l, 64, 64);
        QCOMPARE(out->at(41, 30)[3], std::uint8_t{0});
        QCOMPARE(out->at(43, 30)[3], std::uint8_t{255});
    }
    void tinyFrames()
    {
        for (const int size : {1, 2, 3}) {
            FrameLook l = look(size, size);
            move(l, [](Pose& pose) { pose.roll = 30; });
            QCOMPARE(renderFrame(shared(test::speckled(size, size, 1)), l, 7, 5)->width(), 7);
        }
    }
    void looksComeFromTheProject()
    {
        Project project;
        project.width = 200;
        project.height = 100;
        project.addShot(Shot{"clip", 20, false, {{Frame{0}, 4, 0, 1, 0}}});
        project.finish.edges = EdgeMode::plain;
        project.finish.plain = {1, 2, 3};
        project.finish.letterbox = 2.39;
        Cover cover;
        cover.zoom = 1.25;
        const FrameLook l = lookOf(project, Motion(project), cover, 3);
        QVERIFY(l.exposure.still() && l.exposure.middle == Pose{.x = 4} && l.cover == 1.25);
        QVERIFY(l.edges == EdgeMode::plain && l.plain == Colour({1, 2, 3}) && l.letterbox == 2.39);
        QVERIFY(l.projectWidth == 200 && l.projectHeight == 100 && l.light.none() && l.layers.empty());
        const FrameLook plain = plainLook(project);
        QVERIFY(plain.exposure.middle.atRest() && plain.cover == 1 && plain.letterbox == 2.39);
    }
};

EMBER_TEST(FrameTest)
#include "tst_frame.moc"
