// SPDX-License-Identifier: GPL-3.0-or-later
// One project's treatment for many clips.
#include <atomic>
#include <sstream>
#include <thread>

#include <QDir>
#include <QFile>
#include <QTemporaryDir>
#include <QTest>

#include "clips.h"
#include "ember/batch/batch.h"
#include "ember/core/motion.h"
#include "ember/film/apply_pattern.h"
#include "ember/media/clip.h"
#include "ember/project/file.h"
#include "ember/project/recipe_book.h"
#include "runner.h"

using namespace ember;

class ApplyTest : public QObject {
    Q_OBJECT
    QTemporaryDir folder_;
    std::string pattern_;
    std::string out_;
    std::string err_;

    QString path(const char* name) const { return folder_.filePath(QString::fromUtf8(name)); }
    std::string at(const char* name) const { return path(name).toStdString(); }
    int run(const std::vector<std::string>& arguments, const std::atomic<bool>* stop = nullptr)
    {
        std::ostringstream out;
        std::ostringstream err;
        const int code = runBatch(arguments, {out, err, false, stop});
        out_ = out.str();
        err_ = err.str();
        return code;
    }
    static Project loaded(const std::string& path)
    {
        auto project = loadProject(path);
        return project ? std::move(project).value() : Project();
    }

private slots:
    void initTestCase()
    {
        QVERIFY(test::flashingClip(at("pattern.mp4"), {20, 60}));
        pattern_ = at("pattern.vember");
        QCOMPARE(run({"new", at("pattern.mp4"), "-o", pattern_, "--strike", "20:hit:1", "--strike", "60:hit:0.5",
                      "--strike", "70:blast:1"}),
                 0);
        QCOMPARE(run({"set", pattern_, "strike.1.recipe=Dead weight", "strike.2.recipe=Dead weight",
                      "recipe.Dead weight.strand.Kick.amount.y=30", "finish.cover=constant", "overlap.rule=restart",
                      "drift.on=on"}),
                 0);
        QVERIFY(QDir().mkpath(path("clips")));
        QVERIFY(test::flashingClip(at("clips/one.mp4"), {30, 70}));
        QVERIFY(!test::numberedClip(folder_, "clips/two.mkv", 48, *FrameRate::make(48, 1), 384, 256).empty());
        test::writeBytes(at("clips/notes.txt"), "no clip");
    }
    void eachClipGetsTheTreatment()
    {
        QVERIFY(QDir().mkpath(path("out")));
        QCOMPARE(run({"apply", pattern_, at("clips"), "-o", at("out"), "--strikes", "found"}), 0);
        QCOMPARE(QString::fromStdString(out_).count(QLatin1Char('\n')), 3);
        const Project pattern = loaded(pattern_);
        const Project one = loaded(at("out/one.vember"));
        QCOMPARE(one.length(), std::int64_t{96});
        QCOMPARE(one.finish.cover, pattern.finish.cover);
        QVERIFY(one.overlap == pattern.overlap && one.drift.on);
        QVERIFY(one.recipes == pattern.recipes); // of the same size and rate
        QVERIFY(one.strikes.size() >= 2);
        for (const Strike& strike : one.strikes) {
            QVERIFY(std::abs(strike.frame.index - 30) <= 1 || std::abs(strike.frame.index - 70) <= 1);
            QCOMPARE(strike.recipe, usualRecipe(pattern, strike.kind));
        }
        // Another size and rate: pixels and frames follow.
        const Project two = loaded(at("out/two.vember"));
        QCOMPARE(two.width, 384);
        const double scale = std::sqrt(384.0 * 256 / (pattern.width * pattern.height));
        const Recipe* there = pattern.recipeNamed("Dead weight");
        const Recipe* here = two.recipeNamed("Dead weight");
        QVERIFY(there != nullptr && here != nullptr);
        QVERIFY(std::abs(here->strands[0].amount[Axis::y] - 30 * scale) < 0.06);
        QCOMPARE(here->envelope[EnvelopeField::decay], there->envelope[EnvelopeField::decay] * 2);
        QCOMPARE(run({"apply", pattern_, at("clips"), "-o", at("out")}), 1); // they are there
        QVERIFY(err_.find("--force replaces it") != std::string::npos);
    }
    void theStrikeOfAKindUsesWhatItsKindUses()
    {
        const Project pattern = loaded(pattern_);
        QCOMPARE(usualRecipe(pattern, StrikeKind::hit), pattern.recipeNamed("Dead weight")->id);
        QVERIFY(usualRecipe(pattern, StrikeKind::landing) != 0); // none there: as one begins
    }
    void thePatternsStrikesGoAlong()
    {
        QCOMPARE(run({"apply", pattern_, at("clips/two.mkv"), "-o", at("out"), "--strikes", "pattern", "--force"}), 0);
        const Project two = loaded(at("out/two.vember"));
        QCOMPARE(two.strikes.size(), std::size_t{1}); // one second long
        QCOMPARE(two.strikes[0].frame.index, std::int64_t{40});
        QVERIFY(Motion(two).at(42).intensity > 0.5);
        QCOMPARE(run({"apply", pattern_, at("clips/two.mkv"), "-o", at("out"), "--strikes", "none", "--only", "finish",
                      "--force"}),
                 0);
        const Project finish = loaded(at("out/two.vember"));
        QVERIFY(finish.strikes.empty() && finish.overlap.rule == OverlapRule::add);
        QCOMPARE(finish.finish.cover, loaded(pattern_).finish.cover);
    }
    void filmsAreRendered()
    {
        QCOMPARE(run({"apply", pattern_, at("clips/two.mkv"), "-o", at("out"), "--strikes", "pattern", "--render",
                      "mkv", "--force"}),
                 0);
        const auto film = ClipReader::open(at("out/two-shaken.mkv"));
        QVERIFY(film && film.value()->info().pictures == 48);
        QVERIFY(out_.find("two-shaken.mkv") != std::string::npos);
    }
    void whatIsWrongIsToldAndTheOthersAreDone()
    {
        QVERIFY(QDir().mkpath(path("some")));
        QCOMPARE(run({"apply", pattern_, at("clips/none.mp4"), at("clips/notes.txt"), at("clips/two.mkv"), "-o",
                      at("some"), "--strikes", "none"}),
                 1);
        QVERIFY(err_.find("none.mp4") != std::string::npos && err_.find("notes.txt") != std::string::npos);
        QVERIFY(err_.find("2 of 3 clips") != std::string::npos);
        QVERIFY(QFile::exists(path("some/two.vember")));
        QCOMPARE(run({"apply", pattern_, at("clips"), "-o", at("nowhere")}), 1);
        QCOMPARE(run({"apply", at("none.vember"), at("clips")}), 1);
        QCOMPARE(run({"apply", pattern_, at("clips/two.mkv"), "--watch"}), 1);
        // Never onto the pattern or a clip.
        const QByteArray before = test::bytesOf(pattern_);
        QCOMPARE(run({"apply", pattern_, at("pattern.mp4"), "--force"}), 1);
        QCOMPARE(test::bytesOf(pattern_), before);
    }
    void clipsOfOneNameDoNotReplaceEachOther()
    {
        for (const char* folder : {"left", "right", "both"})
            QVERIFY(QDir().mkpath(path(folder)));
        for (const char* clip : {"left/same.mkv", "right/same.mkv"})
            QVERIFY(QFile::copy(path("clips/two.mkv"), path(clip)));
        QCOMPARE(run({"apply", pattern_, at("left"), at("right"), "-o", at("both"), "--strikes", "none", "--force"}),
                 1);
        QCOMPARE(loaded(at("both/same.vember")).firstClip(), at("left/same.mkv"));
        QVERIFY(err_.find("just made of") != std::string::npos && err_.find("1 of 2 clips") != std::string::npos);
    }
    void recipesAloneAreAPattern()
    {
        const std::string book = at("book.json");
        Project pattern = loaded(pattern_);
        Recipe own = *pattern.recipeNamed("Dead weight");
        own.name = "Anvil";
        QVERIFY(saveRecipes({{own, scaleOf(pattern), "of the foundry"}}, book));
        QCOMPARE(run({"apply", book, at("clips/one.mp4"), "-o", at("out"), "--force"}), 0);
        const Project one = loaded(at("out/one.vember"));
        QCOMPARE(one.recipes.size(), std::size_t{1});
        QCOMPARE(QString::fromStdString(one.recipes[0].name), QStringLiteral("Anvil"));
        QVERIFY(one.recipes[0].strands == own.strands); // of the same width and rate
        QVERIFY(!one.strikes.empty() && !one.drift.on); // a new project's else
        for (const Strike& strike : one.strikes)
            QCOMPARE(strike.recipe, one.recipes[0].id);
        QCOMPARE(run({"apply", at("clips/notes.json"), at("clips/one.mp4"), "-o", at("out"), "--force"}), 1);
    }
    void aFolderIsWatched()
    {
        QVERIFY(QDir().mkpath(path("watched")) && QDir().mkpath(path("made")));
        std::atomic<bool> stop = false;
        int code = -1;
        std::thread watching([&] {
            code = run({"apply", pattern_, at("watched"), "-o", at("made"), "--strikes", "none", "--watch"}, &stop);
        });
        QFile::copy(path("clips/two.mkv"), path("watched/first.mkv"));
        const bool first = QTest::qWaitFor([&] { return QFile::exists(path("made/first.vember")); }, test::patience);
        QFile::copy(path("clips/two.mkv"), path("watched/second.mkv"));
        const bool second = QTest::qWaitFor([&] { return QFile::exists(path("made/second.vember")); }, test::patience);
        stop = true;
        watching.join();
        QVERIFY(first && second);
        QCOMPARE(code, 0);
        QCOMPARE(QString::fromStdString(out_).count(QStringLiteral("vember\t")), 2);
    }
};

EMBER_TEST(ApplyTest)

#include "tst_apply.moc"
