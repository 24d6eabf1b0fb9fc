// SPDX-License-Identifier: GPL-3.0-or-later
// Pictures of floats and of other curves than sRGB, against the judge in double precision.
#include <cmath>
#include <limits>

#include <QTest>

#include "ember/render/frame.h"
#include "light_reference.h"
#include "pictures.h"
#include "runner.h"

using namespace ember;

namespace {

constexpr int width = 96;
constexpr int height = 64;
constexpr float infinite = std::numeric_limits<float>::infinity();

/// Light from a little below nothing to 40 times white.
Image bright(bool opaque)
{
    test::Random random(11);
    Image image(width, height, Depth::single);
    image.setOpaque(opaque);
    for (int y = 0; y < height; ++y)
        for (int x = 0; x < width; ++x)
            for (int k = 0; k < 4; ++k) {
                const double wave = 2 + 2 * std::sin(0.11 * x + k) * std::cos(0.07 * y) + random.between(-0.3, 0.3);
                image.floatAt(x, y)[k] = k < 3    ? static_cast<float>(x > 60 && y > 40 ? 10 * wave : wave - 0.5)
                                         : opaque ? 1.0F
                                                  : static_cast<float>(random.between(0.2, 1));
            }
    return image;
}

test::Plate plateOf(const Image& image)
{
    test::Plate plate{width, height, {}};
    for (int y = 0; y < height; ++y)
        for (int x = 0; x < width; ++x) {
            test::Pixel pixel{};
            for (std::size_t k = 0; k < 4; ++k) {
                const auto curve = image.colour().transfer;
                pixel[k] = image.depth() == Depth::single ? static_cast<double>(image.floatAt(x, y)[k])
                           : k == 3                       ? image.deepAt(x, y)[k] / 65535.0
                                                          : lightOfCode(curve, image.deepAt(x, y)[k] / 65535.0);
            }
            plate.pixels.push_back(pixel);
        }
    return plate;
}

FrameLook lookOf(std::vector<Pose> poses, const Image& source)
{
    FrameLook look;
    look.exposure.poses = std::move(poses);
    look.exposure.middle = look.exposure.poses[look.exposure.poses.size() / 2];
    look.edges = EdgeMode::mirror;
    look.projectWidth = width;
    look.projectHeight = height;
    look.depth = source.depth();
    look.colour = source.colour();
    return look;
}

Pose moved(double x, double y, double roll = 0)
{
    Pose pose;
    pose.x = x;
    pose.y = y;
    pose.roll = roll;
    return pose;
}

test::Plate judged(const Image& source, const FrameLook& look)
{
    std::vector<test::Seen> seen;
    const double share = 1.0 / look.exposure.instants();
    for (const Pose& pose : look.exposure.poses)
        seen.push_back(
            {[&](int) { return viewMatrix(look, pose, width, height, width, height); }, {share, share, share, share}});
    return test::sumOf(plateOf(source), {look.edges, {}}, seen, width, height);
}

ImagePtr shared(const Image& image)
{
    return std::make_shared<const Image>(image.copy());
}

} // namespace

class DeepTest : public QObject {
    Q_OBJECT

private slots:
    void restIsTheSourceItself()
    {
        Image odd = bright(false);
        odd.floatAt(3, 4)[1] = std::nanf("");
        odd.floatAt(5, 4)[0] = infinite;
        odd.floatAt(6, 4)[2] = -infinite;
        const ImagePtr floats = shared(odd);
        QCOMPARE(renderFrame(floats, lookOf({Pose()}, *floats), width, height).get(), floats.get());
        const auto pq =
            std::make_shared<Image>(width, height, Depth::sixteen, ColourSpace{Primaries::bt2020, Transfer::pq});
        QCOMPARE(renderFrame(pq, lookOf({Pose()}, *pq), width, height).get(), pq.get());
    }
    void lightIsNotCutOff_data()
    {
        QTest::addColumn<bool>("opaque");
        QTest::addColumn<int>("instants");
        QTest::addColumn<double>("roll");
        QTest::newRow("one instant") << true << 1 << 0.0;
        QTest::newRow("one instant, turned, alpha") << false << 1 << 4.0;
        QTest::newRow("sixteen instants") << true << 16 << 0.0;
        QTest::newRow("sixteen instants, turned, alpha") << false << 16 << 3.0;
    }
    void lightIsNotCutOff()
    {
        QFETCH(bool, opaque);
        QFETCH(int, instants);
        QFETCH(double, roll);
        const Image source = bright(opaque);
        std::vector<Pose> poses;
        for (int i = 0; i < instants; ++i)
            poses.push_back(moved(5.25 + 0.5 * i, -3.5 + 0.25 * i, roll * (i + 1) / instants));
        const FrameLook look = lookOf(poses, source);
        const ImagePtr out = renderFrame(shared(source), look, width, height);
        QCOMPARE(out->depth(), Depth::single);
        const test::Plate wanted = judged(source, look);
        double mean = 0;
        double most = 0;
        double brightest = 0;
        for (int y = 0; y < height; ++y)
            for (int x = 0; x < width; ++x)
                for (std::size_t k = 0; k < 4; ++k) {
                    const double value = static_cast<double>(out->floatAt(x, y)[k]);
                    const double off = std::abs(value - wanted.at(x, y)[k]) / (1 + std::abs(wanted.at(x, y)[k]));
                    mean += off / (4 * width * height);
                    most = std::max(most, off);
                    brightest = std::max(brightest, value);
                }
        const QString says = QStringLiteral("mean %1, most %2, brightest %3").arg(mean).arg(most).arg(brightest);
        // Many instants share neighbourhoods: at the hardest edge (1 to 40) that is a few percent.
        QVERIFY2(mean < (instants == 1 ? 1e-4 : 4e-3) && most < (instants == 1 ? 2e-3 : 0.12), qPrintable(says));
        QVERIFY2(brightest > 20, qPrintable(says));
    }
    void whatIsNotFiniteStaysInItsReach()
    {
        for (const float odd : {std::nanf(""), infinite, -infinite}) {
            Image source = bright(true);
            source.floatAt(40, 30)[1] = odd;
            std::vector<Pose> poses;
            for (int i = 0; i < 16; ++i)
                poses.push_back(moved(0.5 * i, 0.3, 0));
            const ImagePtr whole = renderFrame(shared(bright(true)), lookOf(poses, source), width, height);
            const ImagePtr out = renderFrame(shared(source), lookOf(poses, source), width, height);
            int touched = 0;
            for (int y = 0; y < height; ++y)
                for (int x = 0; x < width; ++x) {
                    // From where it is, along the way, as far as the kernel and what sharpens it look, in blocks of
                    // four by eight pixels that share a neighbourhood.
                    const bool inReach = x >= 40 - 8 && x <= 40 + 8 + 8 && y >= 30 - 12 && y <= 30 + 12;
                    for (int k = 0; k < 4; ++k) {
                        const bool finite = std::isfinite(out->floatAt(x, y)[k]);
                        touched += finite ? 0 : 1;
                        if (!inReach || k != 1)
                            QVERIFY2(finite && out->floatAt(x, y)[k] == whole->floatAt(x, y)[k],
                                     qPrintable(QStringLiteral("%1, %2").arg(x).arg(y)));
                    }
                }
            QVERIFY(touched > 8);
        }
    }
    void sumsAreMadeInTheLightOfTheCurve_data()
    {
        QTest::addColumn<int>("transfer");
        QTest::newRow("PQ") << static_cast<int>(Transfer::pq);
        QTest::newRow("HLG") << static_cast<int>(Transfer::hlg);
        QTest::newRow("sRGB") << static_cast<int>(Transfer::srgb);
    }
    void sumsAreMadeInTheLightOfTheCurve()
    {
        QFETCH(int, transfer);
        const ColourSpace space{Primaries::bt2020, static_cast<Transfer>(transfer)};
        test::Random random(5);
        Image source(width, height, Depth::sixteen, space);
        source.setOpaque(true);
        for (int y = 0; y < height; ++y)
            for (int x = 0; x < width; ++x)
                for (int k = 0; k < 4; ++k)
                    source.deepAt(x, y)[k] =
                        k == 3 ? 65535
                               : static_cast<std::uint16_t>(30000 + 20000 * std::sin(0.1 * x + 0.06 * y * k) +
                                                            random.between(-900, 900));
        std::vector<Pose> poses;
        for (int i = 0; i < 16; ++i)
            poses.push_back(moved(0.75 * i, 0, 0));
        const FrameLook look = lookOf(poses, source);
        const ImagePtr out = renderFrame(shared(source), look, width, height);
        QVERIFY(out->colour() == space);
        const test::Plate wanted = judged(source, look);
        double mean = 0;
        for (int y = 0; y < height; ++y)
            for (int x = 0; x < width; ++x)
                for (std::size_t k = 0; k < 3; ++k)
                    mean += std::abs(out->deepAt(x, y)[k] -
                                     65535 * codeOfLight(space.transfer, std::max(0.0, wanted.at(x, y)[k]))) /
                            (3 * width * height);
        QVERIFY2(mean < 60, qPrintable(QString::number(mean))); // of 65535: a quarter of an 8-bit code
    }
    void anotherSpaceIsCodedAnew()
    {
        // A float of white, of half light and of eight times white, as 8 bits of sRGB and as 16 bits of PQ.
        Image source(4, 4, Depth::single);
        source.setOpaque(true);
        for (int y = 0; y < 4; ++y)
            for (int x = 0; x < 4; ++x) {
                constexpr std::array<float, 4> lights{1, 0.5F, 8, 0};
                for (int k = 0; k < 3; ++k)
                    source.floatAt(x, y)[k] = lights[static_cast<std::size_t>(x)];
                source.floatAt(x, y)[3] = 1;
            }
        FrameLook look = lookOf({Pose()}, source);
        look.projectWidth = look.projectHeight = 4;
        look.depth = Depth::eight;
        look.colour = {};
        const ImagePtr eight = renderFrame(shared(source), look, 4, 4);
        QCOMPARE(int{eight->at(0, 1)[0]}, 255);
        QCOMPARE(int{eight->at(1, 1)[1]}, 188);
        QCOMPARE(int{eight->at(2, 1)[2]}, 255);
        QCOMPARE(int{eight->at(3, 1)[2]}, 0);
        look.depth = Depth::sixteen;
        look.colour = {Primaries::bt709, Transfer::pq};
        const ImagePtr pq = renderFrame(shared(source), look, 4, 4);
        for (int x = 0; x < 4; ++x) {
            const double wanted = 65535 * codeOfLight(Transfer::pq, static_cast<double>(source.floatAt(x, 1)[0]));
            QVERIFY(std::abs(pq->deepAt(x, 1)[0] - wanted) < 2);
        }
    }
    void lightEffectsAddUpBeyondWhite()
    {
        const Image source = bright(true);
        FrameLook look = lookOf({Pose()}, source);
        look.light.flashes = {{{255, 255, 255}, 2.5, Blend::add}};
        const ImagePtr out = renderFrame(shared(source), look, width, height);
        for (int x = 0; x < width; ++x)
            QVERIFY(std::abs(out->floatAt(x, 20)[0] - (source.floatAt(x, 20)[0] + 2.5F)) < 1e-4F);
    }
    void halvedFloatsAreMeans()
    {
        const Image source = bright(true);
        const Image half = halved(source);
        QCOMPARE(half.depth(), Depth::single);
        const float mean = (source.floatAt(10, 8)[1] + source.floatAt(11, 8)[1] + source.floatAt(10, 9)[1] +
                            source.floatAt(11, 9)[1]) /
                           4;
        QVERIFY(std::abs(half.floatAt(5, 4)[1] - mean) < 1e-5F);
    }
};

EMBER_TEST(DeepTest)
#include "tst_deep.moc"
