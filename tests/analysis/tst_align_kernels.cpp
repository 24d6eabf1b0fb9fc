// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>
#include <cmath>
#include <vector>

#include <QTest>

#include "align_kernels.h"
#include "ember/render/warp.h"
#include "pictures.h"
#include "runner.h"

using namespace ember;

namespace {

constexpr int columns = 200;
constexpr int rows = 150;

/// A picture and a key, both at random: what the kernels do has nothing to do with what is to be seen.
struct Scene {
    std::vector<float> picture;
    PixelStore key;

    explicit Scene(std::size_t groups, std::uint64_t seed)
    {
        test::Random random(seed);
        const auto chance = [&random](double from, double to) { return static_cast<float>(random.between(from, to)); };
        for (int i = 0; i < columns * rows; ++i)
            picture.push_back(chance(0, 255));
        // Along rows, as in a block of which all pixels are asked; rows end within groups.
        constexpr std::size_t wide = 37;
        for (std::size_t i = 0; i < groups * alignGroup; ++i) {
            key.x.push_back(static_cast<float>(i % wide) - 20.5F);
            key.y.push_back(static_cast<float>(i / wide) - 12.5F);
            key.value.push_back(chance(0, 255));
            key.dx.push_back(chance(-30, 30));
            key.dy.push_back(chance(-30, 30));
        }
    }
    KeyPixels all() const { return key.part(0, key.size()); }
    SeenPicture seen(double roll, double zoom, double x, double y) const
    {
        return {picture.data(),
                columns,
                static_cast<float>(0.5 * (columns - 1) + x),
                static_cast<float>(0.5 * (rows - 1) + y),
                static_cast<float>(zoom * std::cos(roll)),
                static_cast<float>(zoom * std::sin(roll)),
                0.9F};
    }
};

struct At {
    double x, y;
};
At placeOf(const Scene& scene, const SeenPicture& by, std::size_t i)
{
    const double x = static_cast<double>(scene.key.x[i]);
    const double y = static_cast<double>(scene.key.y[i]);
    const double turn = static_cast<double>(by.turn);
    const double lean = static_cast<double>(by.lean);
    return {static_cast<double>(by.x0) + turn * x - lean * y, static_cast<double>(by.y0) + lean * x + turn * y};
}

double differenceOf(const Scene& scene, const SeenPicture& by, std::size_t i)
{
    const At at = placeOf(scene, by, i);
    const auto column = static_cast<std::size_t>(at.x);
    const auto row = static_cast<std::size_t>(at.y);
    const auto pixel = [&](std::size_t c, std::size_t r) {
        return static_cast<double>(scene.picture[r * columns + c]);
    };
    const double fx = at.x - static_cast<double>(column);
    const double fy = at.y - static_cast<double>(row);
    return static_cast<double>(scene.key.value[i]) -
           static_cast<double>(by.contrast) *
               std::lerp(std::lerp(pixel(column, row), pixel(column + 1, row), fx),
                         std::lerp(pixel(column, row + 1), pixel(column + 1, row + 1), fx), fy);
}

bool near(float found, double wanted, double scale)
{
    return std::abs(static_cast<double>(found) - wanted) <= 2e-5 * scale + 1e-3;
}

} // namespace

/// Each with every instruction set that this machine has, against double precision.
class AlignKernelsTest : public QObject {
    Q_OBJECT

    static void addTargets()
    {
        QTest::addColumn<QString>("target");
        for (const std::string& name : instructionSets())
            QTest::newRow(name.c_str()) << QString::fromStdString(name);
    }
    static void force()
    {
        QFETCH(QString, target);
        QVERIFY(useInstructionSet(target.toStdString()));
    }

private slots:
    void cleanup() { useInstructionSet({}); }

    /// Sums come out a little different where they are taken in other lanes.
    void theForcedOneRuns()
    {
        const auto names = instructionSets();
        const Scene scene(40, 1);
        const auto summed = [&](const std::string& name) {
            useInstructionSet(name);
            return runPull(scene.all(), scene.key.dx.data(), 30);
        };
        const auto best = summed(names.front());
        QCOMPARE(summed(names.front()), best);
        QCOMPARE(summed(names.back()) != best, names.size() > 1);
    }

    void differences_data() { addTargets(); }
    void differences()
    {
        force();
        for (std::size_t groups = 1; groups <= 40; ++groups)
            for (const double roll : {0.0, 0.004, -0.02, 0.6, -2.0}) {
                const Scene scene(groups, groups);
                const SeenPicture by = scene.seen(roll, 1 + 0.3 * roll * roll, 3.37, -2.21);
                std::vector<float> found(scene.key.size());
                runDifferences(scene.all(), by, found.data());
                for (std::size_t i = 0; i < found.size(); ++i)
                    QVERIFY2(std::abs(static_cast<double>(found[i]) - differenceOf(scene, by, i)) < 0.02,
                             qPrintable(QStringLiteral("%1 of %2, roll %3").arg(i).arg(found.size()).arg(roll)));
            }
    }

    /// Pixels that lie along a row are fetched in another way; to the bit what they are elsewhere.
    void rowsAreAsScattered_data() { addTargets(); }
    void rowsAreAsScattered()
    {
        force();
        for (const double roll : {0.0, 0.003, -0.01}) {
            const Scene scene(40, 7);
            const std::size_t count = scene.key.size();
            const SeenPicture by = scene.seen(roll, 1.001, -1.6, 0.3);
            Scene scattered = scene;
            const auto other = [count](std::size_t i) { return i * 271 % count; }; // 271 and 640: all once
            for (std::size_t i = 0; i < count; ++i) {
                scattered.key.x[other(i)] = scene.key.x[i];
                scattered.key.y[other(i)] = scene.key.y[i];
                scattered.key.value[other(i)] = scene.key.value[i];
            }
            std::vector<float> along(count);
            std::vector<float> apart(count);
            runDifferences(scene.all(), by, along.data());
            runDifferences(scattered.all(), by, apart.data());
            for (std::size_t i = 0; i < count; ++i)
                QVERIFY(along[i] == apart[other(i)]);
        }
    }

    void seen_data() { addTargets(); }
    void seen()
    {
        force();
        for (std::size_t groups = 1; groups <= 40; ++groups) {
            const Scene scene(groups, 100 + groups);
            const SeenPicture by = scene.seen(0.11, 1.02, 85.4, 70.3); // beyond the right and the bottom edge in part
            std::vector<std::size_t> wanted;
            for (std::size_t i = 0; i < scene.key.size(); ++i)
                if (const At at = placeOf(scene, by, i);
                    at.x >= 0 && at.y >= 0 && at.x < columns - 1 && at.y < rows - 1)
                    wanted.push_back(i);
            PixelStore to;
            constexpr std::size_t first = 32;
            to.resize(first + scene.key.size() + alignGroup);
            const std::size_t held = runSeen(scene.all(), by, columns, rows, to, first);
            QCOMPARE(held, wanted.size());
            for (std::size_t i = 0; i < held; ++i) {
                QCOMPARE(to.x[first + i], scene.key.x[wanted[i]]);
                QCOMPARE(to.y[first + i], scene.key.y[wanted[i]]);
                QCOMPARE(to.value[first + i], scene.key.value[wanted[i]]);
                QCOMPARE(to.dx[first + i], scene.key.dx[wanted[i]]);
                QCOMPARE(to.dy[first + i], scene.key.dy[wanted[i]]);
            }
            QCOMPARE(to.x[first - 1], 0.0F);
        }
    }

    void slopes_data() { addTargets(); }
    void slopes()
    {
        force();
        for (std::size_t groups = 1; groups <= 40; ++groups) {
            const Scene scene(groups, 200 + groups);
            std::array<double, 5> sums{};
            std::array<double, 5> sizes{};
            std::array<std::array<double, 5>, 5> products{};
            std::array<std::array<double, 5>, 5> sizesOf{};
            for (std::size_t i = 0; i < scene.key.size(); ++i) {
                const std::array<double, 5> of = unknownsOf(scene, i);
                for (std::size_t a = 0; a < 5; ++a) {
                    sums[a] += of[a];
                    sizes[a] += std::abs(of[a]);
                    for (std::size_t b = a; b < 5; ++b) {
                        products[a][b] += of[a] * of[b];
                        sizesOf[a][b] += std::abs(of[a] * of[b]);
                    }
                }
            }
            const SlopeSums found = runSlopes(scene.all());
            for (std::size_t a = 0; a < 5; ++a) {
                QVERIFY(near(found.slopes[a], sums[a], sizes[a]));
                for (std::size_t b = a; b < 5; ++b)
                    QVERIFY(near(found.products[a][b], products[a][b], sizesOf[a][b]));
            }
        }
    }

    void sumsOfDifferences_data() { addTargets(); }
    void sumsOfDifferences()
    {
        force();
        constexpr float taken = 4.5F;
        constexpr float cap = 11;
        for (std::size_t groups = 1; groups <= 40; ++groups) {
            const Scene scene(groups, 300 + groups);
            std::vector<float> of;
            for (const float slope : scene.key.dx)
                of.push_back(slope);
            double light = 0;
            double sizes = 0;
            double squares = 0;
            std::array<double, 6> pulled{};
            std::array<double, 6> sizesOf{};
            for (std::size_t i = 0; i < of.size(); ++i) {
                const double held =
                    std::clamp(static_cast<double>(of[i] - taken), -static_cast<double>(cap), static_cast<double>(cap));
                light += held;
                sizes += std::abs(held);
                squares += held * held;
                const std::array<double, 5> slopesOf = unknownsOf(scene, i);
                for (std::size_t a = 0; a < 6; ++a) {
                    const double one = a < 5 ? slopesOf[a] * held : held;
                    pulled[a] += one;
                    sizesOf[a] += std::abs(one);
                }
            }
            QVERIFY(near(runLight(of.data(), of.size(), taken, cap), light, sizes));
            const Misfit misfit = runMisfit(of.data(), of.size(), taken, cap);
            QVERIFY(near(misfit.sizes, sizes, sizes));
            QVERIFY(near(misfit.squares, squares, squares));
            for (std::size_t i = 0; i < of.size(); ++i)
                QCOMPARE(of[i], scene.key.dx[i] - taken);
            const auto found = runPull(scene.all(), of.data(), cap);
            for (std::size_t a = 0; a < 6; ++a)
                QVERIFY(near(found[a], pulled[a], sizesOf[a]));
        }
    }

private:
    static std::array<double, 5> unknownsOf(const Scene& scene, std::size_t i)
    {
        const double x = static_cast<double>(scene.key.x[i]);
        const double y = static_cast<double>(scene.key.y[i]);
        const double dx = static_cast<double>(scene.key.dx[i]);
        const double dy = static_cast<double>(scene.key.dy[i]);
        return {dx, dy, dx * x + dy * y, dy * x - dx * y, -static_cast<double>(scene.key.value[i])};
    }
};

EMBER_TEST(AlignKernelsTest)
#include "tst_align_kernels.moc"
