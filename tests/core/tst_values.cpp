// SPDX-License-Identifier: GPL-3.0-or-later
#include <cmath>
#include <cstring>

#include <QTest>

#include "ember/core/error.h"
#include "ember/core/project.h"
#include "ember/core/text.h"
#include "pictures.h"
#include "runner.h"

using namespace ember;

class ValuesTest : public QObject {
    Q_OBJECT
private slots:
    void ratesAreExact()
    {
        const auto ntsc = FrameRate::make(48000, 2002);
        QVERIFY(ntsc);
        QCOMPARE(ntsc->num(), std::int64_t{24000});
        QCOMPARE(ntsc->den(), std::int64_t{1001});
        QCOMPARE(ntsc->seconds(24000), 1001.0);
        QCOMPARE(ntsc->frames(1001), 24000.0);
        QVERIFY(!(*ntsc == *FrameRate::make(23976, 1000)));
        for (const auto& [num, den] : {std::pair(0, 1), std::pair(24, 0), std::pair(-24, 1), std::pair(24, -1),
                                       std::pair(1, 2), std::pair(1001, 1)})
            QVERIFY(!FrameRate::make(num, den));
        QVERIFY(!FrameRate::make(INT64_MAX, 3));
    }
    void framesCount()
    {
        QVERIFY(Frame{3} + 4 == Frame{7});
        QCOMPARE(Frame{3} - Frame{7}, std::int64_t{-4});
        QVERIFY(Frame{2} < Frame{3});
    }
    void errorsAreSentences()
    {
        for (int code = 0; code <= static_cast<int>(ErrorCode::failed); ++code) {
            const std::string text = sentence({static_cast<ErrorCode>(code), "/tmp/a b.mp4", "why"});
            QVERIFY(text.find("a b.mp4") != std::string::npos && text.find("why") != std::string::npos &&
                    text.back() == '.');
            QVERIFY(sentence({static_cast<ErrorCode>(code), "", ""}).size() > 5);
        }
    }
    void phrasesAreCodesWithTheirValues()
    {
        const Phrase last("its last frame is {}, so {} cannot be read", 12, std::string("{}"));
        QCOMPARE(QString::fromStdString(last.said()), QString("its last frame is 12, so {} cannot be read"));
        const Tongue backwards = [](const std::string& code) {
            return code.starts_with("its last") ? "not {2}: {1} is the last" : "";
        };
        QCOMPARE(QString::fromStdString(last.said(backwards)), QString("not {}: 12 is the last"));
        // A tongue is asked for codes, never for what came from outside.
        std::vector<std::string> asked;
        const Tongue listening = [&asked](const std::string& code) {
            asked.push_back(code);
            return std::string();
        };
        const Error error{ErrorCode::badValue, std::string("night.vember"), Phrase("is {}", 1.5)};
        QCOMPARE(QString::fromStdString(sentence(error, listening)),
                 QString("\"night.vember\" has a value that cannot be used: is 1.5."));
        QCOMPARE(asked.size(), std::size_t{3}); // the sentence, its quotation marks, the detail
        QVERIFY(std::find(asked.begin(), asked.end(), "night.vember") == asked.end());
        QCOMPARE(QString::fromStdString(Phrase::joined({"One.", "Two."}, " ").said()), QString("One. Two."));
        QVERIFY(Phrase::joined({}, " ").empty() && Phrase().said().empty());
        // A detail that is a sentence ends with one full stop.
        QCOMPARE(QString::fromStdString(sentence({ErrorCode::failed, "It", "why."})), QString("\"It\" failed: why."));
    }
    void resultsHoldOneOrTheOther()
    {
        const Result<int> good = 4;
        const Result<int> bad = Error{ErrorCode::notFound, "x", ""};
        QVERIFY(good && good.value() == 4);
        QVERIFY(!bad && bad.error().code == ErrorCode::notFound);
    }
    void namesGoBothWays()
    {
        for (const auto kind : {StrikeKind::blast, StrikeKind::landing, StrikeKind::hit, StrikeKind::beat})
            QCOMPARE(kindFromName(kindName(kind)), std::optional(kind));
        for (const auto mode : {EdgeMode::mirror, EdgeMode::extend, EdgeMode::plain})
            QCOMPARE(edgeFromName(edgeName(mode)), std::optional(mode));
        for (const auto mode : {CoverMode::off, CoverMode::constant})
            QCOMPARE(coverFromName(coverName(mode)), std::optional(mode));
        QVERIFY(!kindFromName("Blast") && !edgeFromName("") && !coverFromName("on"));
    }
    void projectsGiveIdentities()
    {
        Project project;
        const auto a = project.addRecipe({0, "A", {}, {}});
        const auto b = project.addRecipe({0, "B", {}, {}});
        QVERIFY(a != b && project.recipe(b)->name == "B" && project.recipeNamed("A")->id == a);
        QVERIFY(project.recipe(99) == nullptr && project.recipeNamed("C") == nullptr);
        Strike late;
        late.frame = Frame{50};
        Strike early;
        early.frame = Frame{5};
        const auto first = project.addStrike(late);
        const auto second = project.addStrike(early);
        QVERIFY(first != second);
        QCOMPARE(project.strikes.front().id, second);
        QCOMPARE(project.strike(first)->frame.index, std::int64_t{50});
        QVERIFY(project.strike(77) == nullptr);
        QCOMPARE(project.length(), std::int64_t{0});
    }
    void fieldsClamp()
    {
        QCOMPARE(clampTo(strikefield::strength, 19), 10.0);
        QVERIFY(inRange(strikefield::strength, 0) && !inRange(strikefield::strength, -0.1));
    }
    void axesHaveNamesAndLimits()
    {
        for (const Axis axis : allAxes) {
            QVERIFY(!axisName(axis).empty());
            QVERIFY(amountLimit(axis) > 0);
        }
    }
    void endingsAreLowered_data()
    {
        QTest::addColumn<QString>("path");
        QTest::addColumn<QString>("ending");
        QTest::newRow("plain") << "a/b/film.MP4"
                               << ".mp4";
        QTest::newRow("two") << "film.tar.Gz"
                             << ".gz";
        QTest::newRow("none") << "a.b/film"
                              << "";
        QTest::newRow("hidden") << "a/.config"
                                << "";
        QTest::newRow("empty") << ""
                               << "";
        QTest::newRow("folder") << "a.b/"
                                << "";
        QTest::newRow("letters beyond ASCII") << QStringLiteral("bild.ÄB") << QStringLiteral(".Äb");
    }
    void endingsAreLowered()
    {
        QFETCH(QString, path);
        QFETCH(QString, ending);
        QCOMPARE(QString::fromStdString(fileEnding(path.toStdString())), ending);
    }
    void shortestTextsReadBack()
    {
        test::Random random(5);
        for (int i = 0; i < 2000; ++i) {
            const double value = random.between(-1, 1) * std::pow(10, random.whole(-12, 12));
            QCOMPARE(std::stod(shortestText(value)), value);
        }
        QCOMPARE(shortestText(0.1), std::string("0.1"));
        QCOMPARE(shortestText(24), std::string("24"));
    }
};

EMBER_TEST(ValuesTest)
#include "tst_values.moc"
