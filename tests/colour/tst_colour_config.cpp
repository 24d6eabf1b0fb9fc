// SPDX-License-Identifier: GPL-3.0-or-later
// Configs of OpenColorIO: the built-in one against the standards' formulas in double precision, those of others as they
// come, and those that mean harm.
#include <cmath>
#include <filesystem>

#include <sys/stat.h>

#include <QTemporaryDir>
#include <QtTest>

#include "clips.h"
#include "ember/colour/config.h"
#include "ember/colour/screen_table.h"
#include "ember/core/colour_setup.h"
#include "ember/image/convert.h"
#include "pictures.h"
#include "runner.h"

using namespace ember;

namespace {

std::shared_ptr<const ColourConfig> builtIn()
{
    return ColourConfig::open(std::string(builtInConfig)).value();
}

/// Light of BT.709 for codes of a space of ours.
std::array<double, 3> expected(ColourSpace space, const float* codes)
{
    const ColourMatrix m = conversionOf(space.primaries, Primaries::bt709);
    std::array<double, 3> out{};
    for (std::size_t row = 0; row < 3; ++row)
        for (std::size_t k = 0; k < 3; ++k)
            out[row] += m[3 * row + k] * lightOfCode(space.transfer, static_cast<double>(codes[k]));
    return out;
}

/// Random floats from 0 to `most`, opaque.
Image floats(int width, int height, double most, std::uint64_t seed)
{
    test::Random random(seed);
    Image image(width, height, Depth::single, {Primaries::bt709, Transfer::linear});
    image.setOpaque(true);
    for (int y = 0; y < height; ++y)
        for (int x = 0; x < width; ++x)
            for (int k = 0; k < 4; ++k)
                image.floatAt(x, y)[k] = k == 3 ? 1.0F : static_cast<float>(random.between(0, most));
    return image;
}

/// A config as a facility might have it, with or without what says how its spaces stand to others.
QByteArray config(const QByteArray& interchange, const QByteArray& spaces = {})
{
    return "ocio_profile_version: 2\n"
           "search_path: tables\n"
           "roles:\n  scene_linear: plates\n  default: plates\n" +
           interchange +
           "file_rules:\n  - !<Rule> {name: Default, colorspace: log}\n"
           "displays:\n  monitor:\n    - !<View> {name: plain, colorspace: seen}\n"
           "    - !<View> {name: dark, colorspace: seen, looks: dark}\n"
           "looks:\n  - !<Look> {name: dark, process_space: plates, transform: !<CDLTransform> {slope: [0.5, 0.5, "
           "0.5]}}\n"
           "colorspaces:\n"
           "  - !<ColorSpace> {name: plates, aliases: [p], encoding: scene-linear}\n"
           "  - !<ColorSpace> {name: aces, to_scene_reference: !<BuiltinTransform> {style: "
           "ACEScg_to_ACES2065-1, direction: inverse}}\n"
           "  - !<ColorSpace> {name: log, to_scene_reference: !<LogTransform> {base: 2, direction: inverse}}\n"
           "  - !<ColorSpace> {name: seen, from_scene_reference: !<ExponentTransform> {value: 2.2, direction: "
           "inverse}}\n"
           "  - !<ColorSpace> {name: data, isdata: true}\n" +
           spaces;
}

} // namespace

class ColourConfigTest : public QObject {
    Q_OBJECT
    QTemporaryDir folder_;
    std::string written(const char* name, const QByteArray& text) const
    {
        const std::string path = folder_.filePath(QLatin1String(name)).toStdString();
        test::writeBytes(path, text);
        return path;
    }
    /// Why it is not opened.
    static QString refusal(const std::string& name)
    {
        const auto config = ColourConfig::open(name);
        return config ? QString() : QString::fromStdString(sentence(config.error()));
    }

private slots:
    void builtInSpacesHaveTheStandardsValues_data()
    {
        QTest::addColumn<QString>("name");
        QTest::addColumn<int>("primaries");
        QTest::addColumn<int>("transfer");
        const auto row = [](const char* name, Primaries primaries, Transfer transfer) {
            QTest::newRow(name) << QString::fromLatin1(name) << static_cast<int>(primaries)
                                << static_cast<int>(transfer);
        };
        row("sRGB", Primaries::bt709, Transfer::srgb);
        row("Display P3", Primaries::displayP3, Transfer::srgb);
        row("Rec.2020 sRGB curve", Primaries::bt2020, Transfer::srgb);
        row("Linear Rec.709", Primaries::bt709, Transfer::linear);
        row("Linear Rec.2020", Primaries::bt2020, Transfer::linear);
        row("Linear Display P3", Primaries::displayP3, Transfer::linear);
        row("ACEScg", Primaries::ap1, Transfer::linear);
        row("Rec.2100 PQ", Primaries::bt2020, Transfer::pq);
        row("Rec.2100 HLG", Primaries::bt2020, Transfer::hlg);
    }
    void builtInSpacesHaveTheStandardsValues()
    {
        QFETCH(QString, name);
        QFETCH(int, primaries);
        QFETCH(int, transfer);
        const ColourSpace space{static_cast<Primaries>(primaries), static_cast<Transfer>(transfer)};
        const std::string own = name.toStdString();
        QCOMPARE(builtIn()->known(own), std::optional(space));
        QCOMPARE(builtIn()->spaceFor(space), own);
        const auto there = builtIn()->between(own, "Linear Rec.709");
        const auto home = builtIn()->between("Linear Rec.709", own);
        QVERIFY(there && home);
        const Image codes = floats(64, 40, 1, 1);
        const Image light = there->of(codes, Depth::single, {});
        const Image again = home->of(light, Depth::single, {});
        for (int y = 0; y < codes.height(); ++y)
            for (int x = 0; x < codes.width(); ++x) {
                const auto wanted = expected(space, codes.floatAt(x, y));
                // Relative to the largest of the three: what matrices add up.
                const double size = std::max({1.0, std::abs(wanted[0]), std::abs(wanted[1]), std::abs(wanted[2])});
                for (std::size_t k = 0; k < 3; ++k) {
                    QVERIFY2(std::abs(light.floatAt(x, y)[k] - wanted[k]) <= 1e-5 * size,
                             qPrintable(QStringLiteral("%1 is not %2").arg(light.floatAt(x, y)[k]).arg(wanted[k])));
                    // There and back in light: near black a code of PQ is less light than a float of white can tell.
                    const auto back = [&](const Image& image) {
                        return lightOfCode(space.transfer, static_cast<double>(image.floatAt(x, y)[k]));
                    };
                    QVERIFY(std::abs(back(again) - back(codes)) <= 2e-5 * size);
                }
            }
    }
    void logarithmicCodesAreTheAcademys()
    {
        // S-2016-001, 4.4: from ACEScct to the light of AP1.
        const auto light = [](double code) {
            return code <= 0.155251141552511 ? (code - 0.0729055341958355) / 10.5402377416545
                                             : std::exp2(code * 17.52 - 9.72);
        };
        const auto way = builtIn()->between("ACEScct", "ACEScg");
        const Image codes = floats(40, 40, 1, 2);
        const Image out = way->of(codes, Depth::single, {});
        for (int x = 0; x < 40; ++x)
            for (int k = 0; k < 3; ++k) {
                const double wanted = light(static_cast<double>(codes.floatAt(x, x)[k]));
                QVERIFY(std::abs(out.floatAt(x, x)[k] - wanted) <= 1e-4 * std::max(1.0, wanted));
            }
        QVERIFY(!builtIn()->known("ACEScct"));
        QVERIFY(builtIn()->has("ACEScct") && !builtIn()->has("ACES") && builtIn()->has("scene_linear"));
        QVERIFY(builtIn()->notes().empty());
    }
    void everyDepthIsTheSameColour()
    {
        const auto way = builtIn()->between("sRGB", "Linear Rec.2020");
        const Image eight = test::drawn(97, 33);
        const Image light = way->of(eight, Depth::single, {Primaries::bt2020, Transfer::srgb});
        QVERIFY((light.colour() == ColourSpace{Primaries::bt2020, Transfer::linear})); // floats are light
        const auto back = builtIn()->between("Linear Rec.2020", "sRGB");
        QCOMPARE(test::largestDifference(back->of(light, Depth::eight, {}), eight), 0);
        const Image deep = back->of(light, Depth::sixteen, {});
        for (int x = 0; x < 97; ++x)
            for (int k = 0; k < 3; ++k)
                QVERIFY(std::abs(deep.deepAt(x, 20)[k] - 257 * eight.at(x, 20)[k]) <= 2);
        QVERIFY(!way->nothing());
        QVERIFY(builtIn()->between("sRGB", "sRGB")->nothing());
    }
    void alphaMultipliesFloatsAlone()
    {
        Image codes(8, 8, Depth::sixteen);
        for (int y = 0; y < 8; ++y)
            for (int x = 0; x < 8; ++x) {
                const std::array<std::uint16_t, 4> pixel{40000, 20000, 5000, static_cast<std::uint16_t>(8000 * x)};
                std::copy(pixel.begin(), pixel.end(), codes.deepAt(x, y));
            }
        const auto way = builtIn()->between("sRGB", "ACEScg");
        const auto back = builtIn()->between("ACEScg", "sRGB");
        Image opaque = codes.copy();
        opaque.setOpaque(true);
        const Image light = way->of(codes, Depth::single, {});
        const Image full = way->of(opaque, Depth::single, {});
        const Image again = back->of(light, Depth::sixteen, {});
        for (int x = 1; x < 8; ++x)
            for (int k = 0; k < 3; ++k) {
                const float alpha = static_cast<float>(8000 * x) / 65535;
                QVERIFY(std::abs(light.floatAt(x, 3)[k] - alpha * full.floatAt(x, 3)[k]) < 1e-6);
                QVERIFY(std::abs(again.deepAt(x, 3)[k] - codes.deepAt(x, 3)[k]) <= 3);
                QCOMPARE(again.deepAt(x, 3)[3], codes.deepAt(x, 3)[3]);
            }
        QCOMPARE(light.floatAt(0, 3)[0], 0.0F);
    }
    void highlightsRollOffAsTheReportSays()
    {
        const ColourSpace space{Primaries::bt2020, Transfer::pq};
        test::Random random(3);
        Image codes(120, 80, Depth::sixteen, space);
        codes.setOpaque(true);
        for (int y = 0; y < codes.height(); ++y)
            for (int x = 0; x < codes.width(); ++x) { // colours as films have them: not far from grey
                const int grey = random.whole(0, 46000);
                for (int k = 0; k < 4; ++k)
                    codes.deepAt(x, y)[k] = static_cast<std::uint16_t>(
                        k == 3 ? 65535 : std::clamp(grey + random.whole(-3000, 3000), 0, 65535));
            }
        const Image wanted = ScreenPictures(space, 1000).of(codes);
        const auto view = builtIn()->viewOf({"", "Highlights rolled off", ""});
        const Image shown = builtIn()->toScreen("Rec.2100 PQ", view)->of(codes, Depth::eight, {});
        QVERIFY2(test::largestDifference(shown, wanted) <= 3,
                 qPrintable(QString::number(test::largestDifference(shown, wanted))));
        // What a screen can show stays as it is where it is only cut off.
        const Image eight = test::drawn(64, 32);
        const auto plain = builtIn()->toScreen("sRGB", builtIn()->viewOf({}));
        QCOMPARE(test::largestDifference(plain->of(eight, Depth::eight, {}), eight), 0);
    }
    void aTableForTheViewIsClose()
    {
        for (const char* name : {"Cut at white", "Highlights rolled off"}) {
            const auto way = builtIn()->toScreen("ACEScg", builtIn()->viewOf({"", name, ""}));
            QVERIFY(way);
            const ScreenTable table([&](const Image& light) { return way->of(light, Depth::single, {}); });
            Image light = builtIn()->between("sRGB", "ACEScg")->of(test::drawn(320, 180), Depth::single, {});
            for (int y = 0; y < light.height(); ++y) // from deep shadow to four times white
                for (int x = 0; x < light.width(); ++x)
                    for (int k = 0; k < 3; ++k)
                        light.floatAt(x, y)[k] *= std::exp2(static_cast<float>(y) / 30 - 4);
            const Image exact = way->of(light, Depth::eight, {});
            const Image quick = table.of(light);
            int far = 0;
            for (int y = 0; y < light.height(); ++y)
                for (int x = 0; x < light.width(); ++x)
                    for (int k = 0; k < 3; ++k)
                        far += std::abs(quick.at(x, y)[k] - exact.at(x, y)[k]) > 1 ? 1 : 0;
            QVERIFY2(far < light.width() * light.height() * 3 / 50, qPrintable(QString::number(far)));
            QVERIFY2(test::largestDifference(quick, exact) <= 8,
                     qPrintable(QString::number(test::largestDifference(quick, exact))));
        }
        // What is no number, and what is beyond all, is shown as something.
        const ScreenTable table([](const Image& light) { return light.copy(); });
        Image odd = floats(4, 1, 1, 5);
        odd.floatAt(0, 0)[0] = std::nanf("");
        odd.floatAt(1, 0)[0] = -3;
        odd.floatAt(2, 0)[0] = std::numeric_limits<float>::infinity();
        odd.floatAt(3, 0)[0] = 1e30F;
        const Image shown = table.of(odd);
        QCOMPARE(int{shown.at(0, 0)[0]}, 0);
        QCOMPARE(int{shown.at(1, 0)[0]}, 0);
        QCOMPARE(int{shown.at(2, 0)[0]}, 255);
        QCOMPARE(int{shown.at(3, 0)[0]}, 255);
    }
    void aFacilitysConfigIsUsedAsItIs()
    {
        const auto told = ColourConfig::open(written("told.ocio", config("  aces_interchange: aces\n")));
        QVERIFY2(told, qPrintable(refusal(folder_.filePath(QStringLiteral("told.ocio")).toStdString())));
        const ColourConfig& c = *told.value();
        QCOMPARE(c.spaces(), (std::vector<std::string>{"plates", "aces", "log", "seen"})); // data is no colour
        QCOMPARE(c.views("monitor"), (std::vector<std::string>{"plain", "dark"}));
        QCOMPARE(c.looks(), (std::vector<std::string>{"dark"}));
        QCOMPARE(c.workingSpace(), std::string("plates"));
        QCOMPARE(c.known("plates"), (std::optional<ColourSpace>(ColourSpace{Primaries::ap1, Transfer::linear})));
        QCOMPARE(c.known("p"), c.known("plates"));
        QVERIFY(!c.known("log") && !c.known("data"));
        QCOMPARE(c.spaceByRules("/films/a.exr"), std::string("log"));
        // A look stands in place of the view's own.
        const Image grey = floats(4, 4, 1, 6);
        const Image plain = c.toScreen("plates", c.viewOf({"monitor", "plain", ""}))->of(grey, Depth::single, {});
        const Image dark = c.toScreen("plates", c.viewOf({"monitor", "plain", "dark"}))->of(grey, Depth::single, {});
        const Image own = c.toScreen("plates", c.viewOf({"monitor", "dark", "dark"}))->of(grey, Depth::single, {});
        for (int k = 0; k < 3; ++k) {
            const double light = static_cast<double>(grey.floatAt(1, 1)[k]);
            QVERIFY(std::abs(plain.floatAt(1, 1)[k] - std::pow(light, 1 / 2.2)) < 1e-4);
            QVERIFY(std::abs(dark.floatAt(1, 1)[k] - std::pow(light / 2, 1 / 2.2)) < 1e-4);
            QVERIFY(std::abs(own.floatAt(1, 1)[k] - std::pow(light / 2, 1 / 2.2)) < 1e-4); // once, not twice
        }
        // Names it has not: its own stand in.
        QCOMPARE(c.viewOf({"cinema", "film", "warm"}), (DisplayView{"monitor", "plain", ""}));
        QVERIFY(!c.between("plates", "nowhere"));
        QVERIFY(QString::fromStdString(sentence(c.between("plates", "nowhere").error()))
                    .contains(QStringLiteral("nowhere")));
        // One that does not say how its spaces stand to others: nothing is guessed.
        const auto silent = ColourConfig::open(written("silent.ocio", config("")));
        QVERIFY(silent && !silent.value()->known("plates"));
        QCOMPARE(silent.value()->spaceFor({}), std::string());
    }
    void aConfigWrittenAnewIsReadAnew()
    {
        const std::string path = written("anew.ocio", config(""));
        QVERIFY(!ColourConfig::open(path).value()->has("later"));
        QCOMPARE(ColourConfig::open(path).value().get(), ColourConfig::open(path).value().get()); // read once
        test::writeBytes(path, config("", "  - !<ColorSpace> {name: later}\n"));
        QVERIFY(ColourConfig::open(path).value()->has("later"));
    }
    void badConfigsAreRefusedWithASentence_data()
    {
        QTest::addColumn<QByteArray>("text");
        QTest::addColumn<QString>("says");
        QTest::newRow("empty") << QByteArray() << QStringLiteral("no config of OpenColorIO");
        QTest::newRow("prose") << QByteArray("Colours are nice.") << QStringLiteral("no config of OpenColorIO");
        QTest::newRow("noise") << QByteArray(4096, '\xa7') << QStringLiteral("no config of OpenColorIO");
        QTest::newRow("cut short") << config("").left(420) << QStringLiteral("no config of OpenColorIO");
        QTest::newRow("of another time") << config("").replace("version: 2", "version: 9")
                                         << QStringLiteral("no config of OpenColorIO");
        QTest::newRow("made of itself")
            << config("",
                      "  - !<ColorSpace> {name: a, to_scene_reference: !<ColorSpaceTransform> {src: b, dst: plates}}\n"
                      "  - !<ColorSpace> {name: b, to_scene_reference: !<ColorSpaceTransform> {src: a, dst: plates}}\n")
            << QStringLiteral("made of itself");
        QTest::newRow("a look made of itself")
            << config("",
                      "  - !<ColorSpace> {name: c, to_scene_reference: !<LookTransform> {src: c, dst: plates, looks: "
                      "+dark}}\n")
            << QStringLiteral("made of itself");
        QTest::newRow("a device for a table")
            << config("", "  - !<ColorSpace> {name: d, to_scene_reference: !<FileTransform> {src: /dev/zero}}\n")
            << QStringLiteral("/dev/zero");
        QTest::newRow("a pipe for a table")
            << config("", "  - !<ColorSpace> {name: d, to_scene_reference: !<GroupTransform> {children: "
                          "[!<FileTransform> {src: ../pipe.spi1d}]}}\n")
            << QStringLiteral("pipe.spi1d");
        QTest::newRow("no colour space")
            << QByteArray("ocio_profile_version: 2\nroles: {default: x}\nfile_rules:\n  - !<Rule> {name: Default, "
                          "colorspace: x}\ndisplays:\n  a:\n    - !<View> {name: v, colorspace: "
                          "x}\ncolorspaces:\n  - !<ColorSpace> {name: x, isdata: true}\n")
            << QStringLiteral("no colour space");
    }
    void badConfigsAreRefusedWithASentence()
    {
        QFETCH(QByteArray, text);
        QFETCH(QString, says);
        ::mkfifo(qPrintable(folder_.filePath(QStringLiteral("pipe.spi1d"))), 0600);
        std::filesystem::create_directory(folder_.filePath(QStringLiteral("tables")).toStdString());
        const std::string path = written("bad.ocio", text);
        const QString told = refusal(path);
        QVERIFY2(told.contains(says), qPrintable(told));
        QVERIFY(told.contains(QStringLiteral("bad.ocio")) && told.endsWith(QLatin1Char('.')));
    }
    void whatIsMissingIsToldWhereItIsNeeded()
    {
        const auto opened = ColourConfig::open(written(
            "gone.ocio",
            config("", "  - !<ColorSpace> {name: e, to_scene_reference: !<FileTransform> {src: gone.spi1d}}\n")));
        QVERIFY(opened);
        QVERIFY(opened.value()->between("plates", "log"));
        const auto way = opened.value()->between("e", "plates");
        QVERIFY(!way && QString::fromStdString(sentence(way.error())).contains(QStringLiteral("gone.spi1d")));
        QVERIFY(refusal(folder_.filePath(QStringLiteral("not there.ocio")).toStdString())
                    .contains(QStringLiteral("not there")));
        QVERIFY(!refusal(folder_.path().toStdString()).isEmpty());
        // The environment's.
        qunsetenv("OCIO");
        QVERIFY(refusal(std::string(environmentConfig)).contains(QStringLiteral("OCIO")));
        const std::string path = written("env.ocio", config(""));
        qputenv("OCIO", QByteArray::fromStdString(path));
        QCOMPARE(ColourConfig::fileOf(std::string(environmentConfig)), path);
        QVERIFY(ColourConfig::open(std::string(environmentConfig)).value()->has("plates"));
        qunsetenv("OCIO");
        QCOMPARE(ColourConfig::fileOf(std::string(builtInConfig)), std::string());
    }
};

EMBER_TEST(ColourConfigTest)

#include "tst_colour_config.moc"
