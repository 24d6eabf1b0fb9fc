// SPDX-License-Identifier: GPL-3.0-or-later
#include <cmath>
#include <filesystem>

#include <QTemporaryDir>
#include <QTest>

#include "clips.h"
#include "ember/core/cover.h"
#include "ember/core/motion.h"
#include "ember/core/values.h"
#include "ember/project/file.h"
#include "ember/project/shipped_recipes.h"
#include "runner.h"

using namespace ember;
using F = EnvelopeField;

namespace {

BookEntry kept(const std::string& name, double y)
{
    BookEntry entry;
    entry.recipe.name = name;
    entry.recipe.add({"Kick", Kick{0.3}, Rate{}, {}}).amount[Axis::y] = y;
    entry.scale = {640, *FrameRate::make(25, 1)};
    entry.about = "for the anvil";
    return entry;
}

/// The film of one strike of a shipped recipe.
Project filmOf(const BookEntry& entry, std::uint32_t seed)
{
    Project project;
    project.addShot(Shot{"none.mp4", 900});
    Strike strike;
    strike.frame = Frame{30};
    strike.direction = 90;
    strike.seed = seed;
    strike.recipe = project.addRecipe(recipeFor(entry, project));
    project.addStrike(strike);
    return project;
}

} // namespace

class BookTest : public QObject {
    Q_OBJECT
    QTemporaryDir folder_;
    std::string at(const char* name) const { return folder_.filePath(QString::fromLatin1(name)).toStdString(); }

private slots:
    void lightFollowsSizeAndRate()
    {
        Recipe recipe;
        recipe.effects.streak.length = 20;
        recipe.effects.flash.strength = 0.5;
        const Recipe out = scaled(recipe, {1280, *FrameRate::make(24, 1)}, {2560, *FrameRate::make(48, 1)});
        QCOMPARE(out.effects.streak.length, 40.0);
        QCOMPARE(out.effects.streak.course.fall, 12.0);
        QCOMPARE(out.effects.flash.strength, 0.5);
    }
    void shippedRecipesAreSound_data()
    {
        QTest::addColumn<int>("index");
        for (int i = 0; i < static_cast<int>(shippedRecipes().size()); ++i)
            QTest::addRow("%s", shippedRecipes()[static_cast<std::size_t>(i)].recipe.name.c_str()) << i;
    }
    void shippedRecipesAreSound()
    {
        QFETCH(int, index);
        const BookEntry& entry = shippedRecipes()[static_cast<std::size_t>(index)];
        QVERIFY(!entry.about.empty());
        Recipe recipe = entry.recipe;
        for (const std::string& key : keysOf(recipe))
            QVERIFY2(inRange(*specOfValue(recipe, key), *readValue(recipe, key)), key.c_str());
        for (std::uint32_t seed = 1; seed <= 40; ++seed) {
            const Project project = filmOf(entry, seed);
            const Motion motion(project);
            const double peak = 30 + recipe.envelope.peak();
            const Pose top = motion.poseAt(peak);
            double squares = 0;
            int count = 0;
            for (double t = 20; t < 32 + recipe.envelope.end(); t += 0.5, ++count) {
                const Pose pose = motion.poseAt(t);
                // The whole shake, not only each strand, is never further out than on its peak.
                QVERIFY(std::abs(pose.x) <= std::abs(top.x) + 1e-9 && std::abs(pose.y) <= std::abs(top.y) + 1e-9);
                QVERIFY(std::abs(pose.roll) <= std::abs(top.roll) + 1e-9);
                squares += pose.x * pose.x + pose.y * pose.y + pose.roll * pose.roll;
            }
            QVERIFY(std::sqrt(squares / count) > 0.2 || recipe.name == "Tap");
            QVERIFY(motion.poseAt(29).atRest() || recipe.envelope[F::lead] > 0);
            QVERIFY(motion.poseAt(30 + recipe.envelope.end()).atRest());
            // What throws a cut moves far; the others hardly ask for a cover.
            QVERIFY(coverOf(project, motion).needed < (recipe.envelope.builds() ? 1.6 : 1.3));
        }
    }
    void thereAreEnoughAndTheyAreApart()
    {
        QVERIFY(shippedRecipes().size() >= 14);
        for (std::size_t i = 0; i < shippedRecipes().size(); ++i)
            for (std::size_t k = 0; k < i; ++k) {
                QVERIFY(shippedRecipes()[i].recipe.name != shippedRecipes()[k].recipe.name);
                QVERIFY(shippedRecipes()[i].recipe.strands != shippedRecipes()[k].recipe.strands);
            }
        // A landing goes straight down; a take-off goes against itself first.
        const auto& landing = entryNamed(shippedRecipes(), "Dead weight")->recipe;
        for (const Strand& strand : landing.strands)
            QVERIFY(strand.amount[Axis::x] == 0 && strand.amount[Axis::roll] == 0);
        const Project off = filmOf(*entryNamed(shippedRecipes(), "Push off"), 1);
        QVERIFY(Motion(off).poseAt(27).y > 1);
        QVERIFY(Motion(off).poseAt(33).y < -10);
    }
    void scalingKeepsTheLook()
    {
        for (const BookEntry& entry : shippedRecipes()) {
            const RecipeScale large{2560, *FrameRate::make(48, 1)};
            const Recipe twice = scaled(entry.recipe, entry.scale, large);
            QCOMPARE(twice.envelope[F::decay], 2 * entry.recipe.envelope[F::decay]);
            for (std::size_t i = 0; i < twice.strands.size(); ++i) {
                QCOMPARE(twice.strands[i].amount[Axis::y], 2 * entry.recipe.strands[i].amount[Axis::y]);
                QCOMPARE(twice.strands[i].amount[Axis::roll], entry.recipe.strands[i].amount[Axis::roll]);
                QCOMPARE(twice.strands[i].rate.peakHz, entry.recipe.strands[i].rate.peakHz);
            }
            QCOMPARE(scaled(entry.recipe, entry.scale, entry.scale), entry.recipe);
        }
    }
    void roundTrip()
    {
        BookEntries entries = shippedRecipes();
        entries.push_back(kept("Mine \xc3\xbc", 12));
        QVERIFY(saveRecipes(entries, at("new/folder/book.json")));
        const auto back = loadRecipes(at("new/folder/book.json"));
        QVERIFY2(back, back ? "" : sentence(back.error()).c_str());
        QVERIFY(back.value() == entries);
    }
    void sameNamesAreToldApart()
    {
        QVERIFY(saveRecipes({kept("A", 1), kept("A", 2), kept("A", 3)}, at("same.json")));
        const auto back = loadRecipes(at("same.json"));
        QVERIFY(back);
        QVERIFY(entryNamed(back.value(), "A 2") != nullptr && entryNamed(back.value(), "A 3") != nullptr);
    }
    void badFilesAreToldWithTheirPlace_data()
    {
        QTest::addColumn<QByteArray>("text");
        QTest::addColumn<QByteArray>("told");
        QTest::newRow("nothing") << QByteArray("") << QByteArray("bad.json");
        QTest::newRow("cut short") << QByteArray("{\"vember_recipes\": 1, \"recipes\": [") << QByteArray("bad.json");
        QTest::newRow("another thing") << QByteArray("{\"vember\": 1}") << QByteArray("vember_recipes");
        QTest::newRow("a later version") << QByteArray("{\"vember_recipes\": 7, \"recipes\": []}") << QByteArray("7");
        QTest::newRow("no list") << QByteArray("{\"vember_recipes\": 1, \"recipes\": {}}") << QByteArray("recipes");
        QTest::newRow("not an object") << QByteArray("{\"vember_recipes\": 1, \"recipes\": [4]}")
                                       << QByteArray("recipes[0]");
        QTest::newRow("no strands")
            << QByteArray("{\"vember_recipes\": 1, \"recipes\": [{\"name\": \"R\", \"envelope\": {}}]}")
            << QByteArray("recipes[0].strands");
        QTest::newRow("unknown part") << QByteArray("{\"vember_recipes\": 1, \"recipes\": [{\"name\": \"R\", "
                                                    "\"envelope\": {}, \"strands\": [], \"smell\": 1}]}")
                                      << QByteArray("recipes[0].smell");
        QTest::newRow("absurd number") << QByteArray("{\"vember_recipes\": 1, \"recipes\": [{\"name\": \"R\", "
                                                     "\"envelope\": {\"decay\": 1e999}, \"strands\": []}]}")
                                       << QByteArray("bad.json");
        QTest::newRow("no frame rate") << QByteArray("{\"vember_recipes\": 1, \"recipes\": [{\"name\": \"R\", "
                                                     "\"envelope\": {}, \"strands\": [], \"for\": {\"width\": 9, "
                                                     "\"rate\": \"often\"}}]}")
                                       << QByteArray("recipes[0].for.rate");
    }
    void badFilesAreToldWithTheirPlace()
    {
        QFETCH(QByteArray, text);
        QFETCH(QByteArray, told);
        QVERIFY(writeFileSafely(at("bad.json"), text.toStdString()));
        const auto read = loadRecipes(at("bad.json"));
        QVERIFY(!read);
        QVERIFY2(QByteArray::fromStdString(sentence(read.error())).contains(told), sentence(read.error()).c_str());
    }
    void aDamagedBookIsKeptAside()
    {
        const std::string path = at("book/recipes.json");
        QVERIFY(openUserBook(path).entries.empty());
        QVERIFY(openUserBook(path).trouble.empty()); // none yet is no trouble
        QVERIFY(saveRecipes({kept("A", 1)}, path));
        QCOMPARE(openUserBook(path).entries.size(), std::size_t{1});
        for (int time = 0; time < 3; ++time) {
            QVERIFY(writeFileSafely(path, "{ broken"));
            const UserBook book = openUserBook(path);
            QVERIFY(book.entries.empty());
            QVERIFY(QString::fromStdString(book.trouble.said()).contains("recipes.json.damaged"));
            QVERIFY(!std::filesystem::exists(path));
        }
        for (const char* aside : {"recipes.json.damaged", "recipes.json.damaged-2", "recipes.json.damaged-3"})
            QCOMPARE(test::bytesOf(at((std::string("book/") + aside).c_str())), QByteArray("{ broken"));
    }
    void theBookIsInTheConfigurationFolder()
    {
        qputenv("XDG_CONFIG_HOME", "/somewhere");
        QCOMPARE(userBookPath(), std::string("/somewhere/vast-ember/recipes.json"));
        qputenv("XDG_CONFIG_HOME", "relative"); // to be ignored, says the standard
        qputenv("HOME", "/home/smith");
        QCOMPARE(userBookPath(), std::string("/home/smith/.config/vast-ember/recipes.json"));
        qunsetenv("XDG_CONFIG_HOME");
        QCOMPARE(userBookPath(), std::string("/home/smith/.config/vast-ember/recipes.json"));
    }
};

EMBER_TEST(BookTest)
#include "tst_book.moc"
