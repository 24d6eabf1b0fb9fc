// SPDX-License-Identifier: GPL-3.0-or-later
#include <QTemporaryDir>
#include <QTest>

#include "clips.h"
#include "ember/film/new_project.h"
#include "ember/film/thumbnail.h"
#include "ember/media/clip.h"
#include "ember/project/edits.h"
#include "ember/project/shipped_recipes.h"
#include "runner.h"

using namespace ember;

namespace {

/// Pixels of the lowest part that are neither paper nor the quiet line, by column.
int tallest(const Image& image, int from, int to)
{
    int most = 0;
    for (int x = from; x < to; ++x)
        for (int y = 0; y < image.height() / 6; ++y) {
            const std::uint8_t* p = image.at(x, image.height() - 1 - y);
            if (p[0] != 0x17 || p[1] != 0x14)
                most = std::max(most, y + 1);
        }
    return most;
}

} // namespace

class ThumbnailTest : public QObject {
    Q_OBJECT
    QTemporaryDir folder_;

private slots:
    void itShowsThePeakAndTheTrace()
    {
        const std::string clip = test::numberedClip(folder_, "clip.mkv", 96, *FrameRate::make(24, 1), 192, 108, false);
        const auto reader = ClipReader::open(clip);
        QVERIFY(reader);
        const Project calm = projectForClip(reader.value()->info());
        const Project struck = withStrike(calm, Frame{48}, StrikeKind::hit, 1).project;
        for (const int size : {16, 128, 256, 1024}) {
            const Image image = thumbnailOf(struck, size);
            QCOMPARE(std::max(image.width(), image.height()), size);
            QVERIFY(image.depth() == Depth::eight);
        }
        const Image image = thumbnailOf(struck, 256);
        QVERIFY(tallest(image, 0, 120) <= 1);                              // nothing before the strike
        QVERIFY2(tallest(image, 126, 150) > 15, "the strike is not seen"); // in the middle of the film
        QVERIFY(tallest(thumbnailOf(calm, 256), 0, 256) <= 1);
        // The picture is the film's, and not the frame at rest.
        int different = 0;
        int bright = 0;
        const Image rest = thumbnailOf(calm, 256);
        for (int x = 0; x < 256; ++x)
            for (int y = 0; y < 140; ++y) {
                different += image.at(x, y)[1] != rest.at(x, y)[1] ? 1 : 0;
                bright += rest.at(x, y)[1] > 40 ? 1 : 0;
            }
        QVERIFY(different > 500 && bright > 500);
    }
    void withoutItsClipTheTraceStandsAlone()
    {
        Project project = newProject(1080, 1920, FrameRate());
        QVERIFY(thumbnailOf(Project(), 64).height() > 0);
        QVERIFY(thumbnailOf(project, 64).height() == 64);
        project.addShot(Shot{"/nowhere/gone.mp4", 100});
        project = withStrike(std::move(project), Frame{50}, StrikeKind::blast, 2).project;
        const Image image = thumbnailOf(project, 200);
        QCOMPARE(image.height(), 200);
        int hot = 0;
        for (int x = 0; x < image.width(); ++x)
            for (int y = 0; y < image.height(); ++y)
                hot += image.at(x, y)[0] > 0xd0 ? 1 : 0;
        QVERIFY(hot > 50);
        QCOMPARE(thumbnailOf(project, -5).height(), smallestThumbnail);
        QCOMPARE(thumbnailOf(project, 99999).height(), largestThumbnail);
    }
};

EMBER_TEST(ThumbnailTest)
#include "tst_thumbnail.moc"
