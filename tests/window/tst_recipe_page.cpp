// SPDX-License-Identifier: GPL-3.0-or-later
// The recipe book in the window: applying, previewing, keeping, handing on; by mouse and keyboard.
#include <QDir>
#include <QLabel>
#include <QListWidget>

#include "ember/project/shipped_recipes.h"
#include "recipe_page.h"
#include "runner.h"
#include "side_column.h"
#include "window_fixture.h"

using namespace ember;
using namespace ember::app;
using F = EnvelopeField;

class RecipePageTest : public test::WindowFixture {
    Q_OBJECT

    QListWidget* list() { return child<QListWidget>("recipe-list"); }
    /// The row of a name, counted from the end of the list when `last`: shipped names come again in one's own book.
    QListWidgetItem* row(const QString& name, bool last = false)
    {
        const auto found = list()->findItems(name, Qt::MatchExactly);
        return found.isEmpty() ? nullptr : last ? found.back() : found.front();
    }
    void pick(const QString& name, bool last = false)
    {
        list()->scrollToItem(row(name, last));
        QTest::mouseClick(list()->viewport(), Qt::LeftButton, {}, list()->visualItemRect(row(name, last)).center());
        turn();
    }
    const Recipe& recipe() { return *project().recipe(session().selection.strike()->recipe); }
    const BookEntries& book() { return session().book.entries(); }
    QString told() { return child<QLabel>("told")->text(); }
    void rename(const QString& text)
    {
        click("recipe-rename");
        auto* editor = list()->findChild<QLineEdit*>();
        QVERIFY(editor != nullptr);
        editor->selectAll();
        QTest::keyClicks(editor, text);
        QTest::keyClick(editor, Qt::Key_Return);
        turn();
    }
    void hover(QPoint place)
    {
        QMouseEvent move(QEvent::MouseMove, place, list()->viewport()->mapToGlobal(place), Qt::NoButton, Qt::NoButton,
                         Qt::NoModifier);
        QCoreApplication::sendEvent(list()->viewport(), &move);
    }

private slots:
    void theBookShowsAllAndApplies()
    {
        strikeOn(20);
        strikeOn(60);
        key(Qt::Key_A, Qt::ControlModifier);
        key(Qt::Key_F6);
        QVERIFY(list()->isVisible());
        for (const BookEntry& entry : shippedRecipes())
            QVERIFY(row(QString::fromStdString(entry.recipe.name)) != nullptr);
        const auto recipes = project().recipes.size();
        pick(QStringLiteral("Bell swing"));
        QTest::keyClick(list(), Qt::Key_Return);
        QCOMPARE(project().recipes.size(), recipes + 1);
        for (const Strike& strike : project().strikes)
            QCOMPARE(project().recipe(strike.recipe)->name, std::string("Bell swing"));
        // It is fitted to this film, and a second time it is not added again.
        QVERIFY(project().recipeNamed("Bell swing")->strands !=
                    entryNamed(shippedRecipes(), "Bell swing")->recipe.strands ||
                project().width == 1280);
        pick(QStringLiteral("Bell swing"), true);
        click("recipe-apply");
        QCOMPARE(project().recipes.size(), recipes + 1);
        key(Qt::Key_Z, Qt::ControlModifier);
        QCOMPARE(project().recipes.size(), recipes);
        key(Qt::Key_Escape);
        QCOMPARE(child<QAbstractButton>("recipe-apply")->text(), QStringLiteral("Add"));
    }
    void hoveringShowsItMoving()
    {
        session().playhead.setFrame(20);
        const Image still = shown();
        key(Qt::Key_F6);
        list()->scrollToItem(row(QStringLiteral("Ground swell")));
        hover(list()->visualItemRect(row(QStringLiteral("Ground swell"))).center());
        QCOMPARE(window_->picture().previewName(), QStringLiteral("Ground swell"));
        int moved = 0;
        Image last = shown();
        for (int i = 0; i < 12; ++i) {
            QTest::qWait(60);
            Image now = shown();
            moved += test::largestDifference(now, last) > 20 ? 1 : 0;
            last = std::move(now);
        }
        QVERIFY2(moved >= 6, qPrintable(QString::number(moved)));
        QCOMPARE(session().playhead.frame(), std::int64_t{20});
        QVERIFY(!session().document.history().canUndo());
        QEvent leave(QEvent::Leave);
        QCoreApplication::sendEvent(list()->viewport(), &leave);
        QVERIFY(window_->picture().previewName().isEmpty());
        QTRY_COMPARE(test::largestDifference(shown(), still), 0);
        // With the keys: what is chosen moves; another page ends it.
        pick(QStringLiteral("Drum beat"), true);
        QCOMPARE(window_->picture().previewName(), QStringLiteral("Drum beat"));
        QTest::keyClick(list(), Qt::Key_Down);
        QCOMPARE(window_->picture().previewName(), QStringLiteral("Bell swing"));
        key(Qt::Key_F5);
        QVERIFY(window_->picture().previewName().isEmpty());
    }
    void recipesAreNamedCopiedAndOrdered()
    {
        strikeOn(20);
        key(Qt::Key_F6);
        const std::string first = project().recipes[0].name;
        const std::string second = project().recipes[1].name;
        pick(QString::fromStdString(first));
        rename(QStringLiteral("Anvil blow"));
        QCOMPARE(project().recipes[0].name, std::string("Anvil blow"));
        rename(QString::fromStdString(second)); // taken
        QCOMPARE(project().recipes[0].name, std::string("Anvil blow"));
        QVERIFY(told().contains(QStringLiteral("already")));
        QCOMPARE(list()->currentItem()->text(), QStringLiteral("Anvil blow"));
        const auto count = project().recipes.size();
        click("recipe-duplicate");
        QCOMPARE(project().recipes.size(), count + 1);
        QVERIFY(list()->currentItem()->text().startsWith(QStringLiteral("Anvil blow")));
        const std::string copy = list()->currentItem()->text().toStdString();
        const auto placeOf = [&](const std::string& name) {
            std::size_t i = 0;
            while (project().recipes[i].name != name)
                ++i;
            return i;
        };
        const auto before = placeOf(copy);
        click("recipe-up");
        QCOMPARE(placeOf(copy), before - 1);
        QCOMPARE(list()->currentItem()->text().toStdString(), copy); // still chosen
        click("recipe-down");
        QCOMPARE(placeOf(copy), before);
        // A shipped one stays as it is, and says why; its copy is the project's.
        pick(QStringLiteral("Giant step"));
        QVERIFY(!child<QAbstractButton>("recipe-rename")->isEnabled());
        QVERIFY(child<QAbstractButton>("recipe-delete")->toolTip().contains(QStringLiteral("stay as they are")));
        click("recipe-duplicate");
        QVERIFY(project().recipeNamed("Giant step") != nullptr);
    }
    void oneInUseIsNotDeletedUnasked()
    {
        strikeOn(20);
        key(Qt::Key_F6);
        const RecipeId used = recipe().id;
        const QString name = QString::fromStdString(recipe().name);
        pick(name);
        confirmAnswer_ = false;
        click("recipe-delete");
        QVERIFY(project().recipe(used) != nullptr);
        confirmAnswer_ = true;
        click("recipe-delete");
        QVERIFY(project().recipe(used) == nullptr);
        QVERIFY(project().recipe(project().strikes[0].recipe) != nullptr); // it uses another
        key(Qt::Key_Z, Qt::ControlModifier);
        QCOMPARE(recipe().id, used);
        // One that nobody uses goes at once.
        pick(name);
        click("recipe-duplicate");
        const auto count = project().recipes.size();
        confirmAnswer_ = false;
        click("recipe-delete");
        QCOMPARE(project().recipes.size(), count - 1);
    }
    void onesOwnBookOutlivesTheWindow()
    {
        strikeOn(20);
        emit child<QComboBox>("strike-recipe")->activated(1);
        key(Qt::Key_F6);
        pick(QStringLiteral("Stuck gear"));
        click("recipe-keep");
        const QString mine = QString::fromStdString(recipe().name);
        pick(mine);
        click("recipe-keep");
        QCOMPARE(book().size(), std::size_t{2});
        QVERIFY(QFile::exists(QString::fromStdString(userBookPath())));
        window_.reset();
        begin();
        QCOMPARE(book().size(), std::size_t{2});
        open(QString::fromStdString(clip_));
        key(Qt::Key_F6);
        pick(QStringLiteral("Stuck gear"), true);
        rename(QStringLiteral("Jammed gear"));
        QCOMPARE(book()[0].recipe.name, std::string("Jammed gear"));
        click("recipe-down");
        QCOMPARE(book()[1].recipe.name, std::string("Jammed gear"));
        click("recipe-delete");
        QCOMPARE(book().size(), std::size_t{1});
        QVERIFY(child<QAbstractButton>("recipe-undo")->toolTip().contains(QStringLiteral("Jammed gear")));
        for (int i = 0; i < 3; ++i)
            click("recipe-undo");
        QCOMPARE(book()[0].recipe.name, std::string("Stuck gear"));
        QCOMPARE(loadRecipes(userBookPath()).value().size(), std::size_t{2});
    }
    void anotherWindowsRecipesAreKept()
    {
        key(Qt::Key_F6);
        pick(QStringLiteral("Tap"), true);
        click("recipe-keep");
        BookEntry other = shippedRecipes()[3];
        other.recipe.name = "From elsewhere";
        BookEntries both = book();
        both.push_back(other);
        QVERIFY(saveRecipes(both, userBookPath()));
        pick(QStringLiteral("Bell swing"), true);
        click("recipe-keep");
        QVERIFY(window_->notice().contains(QStringLiteral("another window")));
        QCOMPARE(book(), both);
        click("recipe-keep");
        QCOMPARE(loadRecipes(userBookPath()).value().size(), std::size_t{3});
        QVERIFY(entryNamed(book(), "From elsewhere") != nullptr);
    }
    void recipesAreHandedOn()
    {
        strikeOn(20);
        key(Qt::Key_F6);
        pick(QStringLiteral("Idling engine"));
        saveAnswer_ = at(QStringLiteral("engine"));
        click("recipe-export");
        QVERIFY(QFile::exists(at(QStringLiteral("engine.json"))));
        openAnswer_ = at(QStringLiteral("engine.json"));
        click("recipe-import");
        click("recipe-import");
        QCOMPARE(book().size(), std::size_t{2});
        QVERIFY(book()[0].recipe.name != book()[1].recipe.name);
        QCOMPARE(book()[0].recipe.strands.size(), entryNamed(shippedRecipes(), "Idling engine")->recipe.strands.size());
        QFile bad(at(QStringLiteral("bad.json")));
        QVERIFY(bad.open(QIODevice::WriteOnly));
        bad.write("{\"format\": \"vast-ember-recipes\", \"version\"");
        bad.close();
        openAnswer_ = bad.fileName();
        click("recipe-import");
        QCOMPARE(book().size(), std::size_t{2});
        QVERIFY2(window_->notice().contains(QStringLiteral("bad.json")), qPrintable(window_->notice()));
        // Where it cannot be written it says so, and the book stays as it was.
        saveAnswer_ = at(QStringLiteral("bad.json/engine.json"));
        click("recipe-export");
        QVERIFY2(window_->notice().contains(QStringLiteral("engine.json")), qPrintable(window_->notice()));
    }
    void aDamagedBookIsKeptAside()
    {
        const QString path = QString::fromStdString(userBookPath());
        QDir().mkpath(QFileInfo(path).path());
        QFile file(path);
        QVERIFY(file.open(QIODevice::WriteOnly));
        file.write("{ not json");
        file.close();
        begin();
        QVERIFY2(window_->notice().contains(QStringLiteral("recipes")), qPrintable(window_->notice()));
        QVERIFY(book().empty());
        const auto kept = QFileInfo(path).dir().entryList({QStringLiteral("recipes*")});
        QCOMPARE(kept.size(), 1);
        QVERIFY(kept[0] != QFileInfo(path).fileName());
        QFile aside(QFileInfo(path).dir().filePath(kept[0]));
        QVERIFY(aside.open(QIODevice::ReadOnly));
        QCOMPARE(aside.readAll(), QByteArray("{ not json"));
        aside.remove();
        key(Qt::Key_F6);
        QVERIFY(row(QStringLiteral("Tap")) != nullptr); // the shipped ones are there all the same
    }
};

EMBER_TEST(RecipePageTest)
#include "tst_recipe_page.moc"
