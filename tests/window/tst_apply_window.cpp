// SPDX-License-Identifier: GPL-3.0-or-later
// A project's treatment for many clips, and what is dragged out of the window.
#include <QLabel>
#include <QListWidget>
#include <QMimeData>
#include <QTableWidget>

#include "apply_window.h"
#include "ember/media/clip.h"
#include "ember/project/file.h"
#include "recipe_list.h"
#include "recipe_page.h"
#include "render_panel.h"
#include "runner.h"
#include "window_fixture.h"

using namespace ember;
using namespace ember::app;

class ApplyWindowTest : public test::WindowFixture {
    Q_OBJECT

    QTableWidget* table() { return within<QTableWidget>("apply-window", "apply-clips"); }
    QString state(int row) { return table()->item(row, 2)->text(); }
    QString told() { return within<QLabel>("apply-window", "apply-told")->text(); }
    QString summary() { return within<QLabel>("apply-window", "apply-state")->text(); }
    ApplyWindow& window() { return *child<ApplyWindow>("apply-window"); }
    void pick(const char* name, const QString& word)
    {
        choose([this, name] { return within<QComboBox>("apply-window", name); }, word);
    }
    void openApply()
    {
        key(Qt::Key_B, Qt::ControlModifier | Qt::ShiftModifier);
        turn();
        QVERIFY(window().isVisible());
    }
    void applied()
    {
        QVERIFY(QTest::qWaitFor([&] { return !window().running(); }, test::patience));
    }
    void add(const QStringList& clips)
    {
        openAnswer_ = clips.join(QLatin1Char('\n'));
        click("apply-add");
    }
    void clip(const char* name) { QVERIFY(!test::numberedClip(folder_, name, 24, *FrameRate::make(24, 1)).empty()); }
    static Project loaded(const QString& path)
    {
        auto project = loadProject(path.toStdString());
        return project ? std::move(project).value() : Project();
    }
    static QStringList draggedOf(const QAbstractItemView& list, int row)
    {
        const QModelIndex index = list.model()->index(row, 0);
        const std::unique_ptr<QMimeData> data(list.model()->mimeData({index}));
        QStringList files;
        if (data)
            for (const QUrl& url : data->urls())
                files.append(url.toLocalFile());
        return files;
    }

private slots:
    void clipsAreDoneAndOpened()
    {
        strikeOn(10);
        session().document.edit(
            [&] {
                Project p = project();
                p.drift.on = true;
                return p;
            }(),
            QStringLiteral("Drift"));
        clip("a.mkv");
        clip("b.mkv");
        QVERIFY(QDir().mkpath(at(QStringLiteral("out"))));
        openApply();
        QVERIFY(!within<QPushButton>("apply-window", "apply-start")->isEnabled());
        QCOMPARE(summary(), QStringLiteral("Add clips first."));
        add({at(QStringLiteral("a.mkv")), at(QStringLiteral("b.mkv")), at(QStringLiteral("a.mkv"))});
        QCOMPARE(table()->rowCount(), 2); // each once
        pick("apply-strikes", QStringLiteral("the project's, at their seconds"));
        QVERIFY(!within<QComboBox>("apply-window", "apply-from")->isEnabled()); // of those found only
        pick("apply-film", QStringLiteral("MKV"));
        within<QLineEdit>("apply-window", "apply-folder")->setText(at(QStringLiteral("nowhere")));
        QVERIFY(!within<QPushButton>("apply-window", "apply-start")->isEnabled());
        within<QLineEdit>("apply-window", "apply-folder")->setText(at(QStringLiteral("out")));
        QVERIFY(draggedOf(*table(), 0).isEmpty()); // nothing is made yet
        const Project before = project();
        click("apply-start");
        applied();
        QCOMPARE(state(0), QStringLiteral("project made and film rendered"));
        QCOMPARE(table()->item(1, 1)->text(), QStringLiteral("1"));
        QCOMPARE(summary(), QStringLiteral("2 of 2 clips done"));
        const Project made = loaded(at(QStringLiteral("out/a.vember")));
        QVERIFY(made.drift.on && made.strikes.size() == 1 && made.strikes[0].frame.index == 10);
        const auto film = ClipReader::open(at(QStringLiteral("out/b-shaken.mkv")).toStdString());
        QVERIFY(film && film.value()->info().pictures == 24);
        QVERIFY(project() == before); // nothing here was touched
        QCOMPARE(draggedOf(*table(), 1), QStringList{at(QStringLiteral("out/b-shaken.mkv"))});

        // Once more: what is done stays done; a report tells of all.
        QVERIFY(!within<QPushButton>("apply-window", "apply-start")->isEnabled());
        saveAnswer_ = at(QStringLiteral("report"));
        click("apply-report");
        const QByteArray report = test::bytesOf(at(QStringLiteral("report.tsv")).toStdString());
        QCOMPARE(report.count('\n'), 3);
        QVERIFY(report.contains("b-shaken.mkv\tproject made and film rendered"));
        const QByteArray kept = test::bytesOf(at(QStringLiteral("a.mkv")).toStdString());
        saveAnswer_ = at(QStringLiteral("a.mkv"));
        click("apply-report");
        QVERIFY2(told().contains(QStringLiteral("never written over")), qPrintable(told()));
        QVERIFY(test::bytesOf(at(QStringLiteral("a.mkv")).toStdString()) == kept);

        table()->selectRow(1);
        click("apply-open");
        settle();
        QCOMPARE(session().file.path(), at(QStringLiteral("out/b.vember")));
    }
    void whatFailsSaysWhyAndIsTriedAgain()
    {
        clip("c.mkv");
        test::writeBytes(at(QStringLiteral("broken.mp4")).toStdString(), "no film");
        openApply();
        add({at(QStringLiteral("broken.mp4")), at(QStringLiteral("c.mkv")), QString::fromStdString(clip_)});
        pick("apply-strikes", QStringLiteral("none"));
        pick("apply-film", QStringLiteral("not rendered"));
        within<QLineEdit>("apply-window", "apply-folder")->setText({});
        test::writeBytes(at(QStringLiteral("c.vember")).toStdString(), "somebody's");
        click("apply-start");
        applied();
        const int first = table()->rowCount() - 3;
        QVERIFY2(state(first).contains(QStringLiteral("broken.mp4")), qPrintable(state(first)));
        QVERIFY2(state(first + 1).contains(QStringLiteral("Replace projects")), qPrintable(state(first + 1)));
        QCOMPARE(test::bytesOf(at(QStringLiteral("c.vember")).toStdString()), QByteArray("somebody's"));
        QVERIFY2(summary().contains(QStringLiteral("failed")), qPrintable(summary()));
        click("apply-replace");
        click("apply-start");
        applied();
        QCOMPARE(state(first + 1), QStringLiteral("project made"));
        QVERIFY(loaded(at(QStringLiteral("c.vember"))).strikes.empty());
        // A line is taken out; files stay.
        table()->selectRow(first);
        click("apply-remove");
        QVERIFY(QFile::exists(at(QStringLiteral("broken.mp4"))));
        QCOMPARE(table()->rowCount(), first + 2);
        click("apply-replace");
    }
    void foldersAreWatchedUntilStopped()
    {
        QVERIFY(QDir().mkpath(at(QStringLiteral("in"))));
        clip("d.mkv");
        openApply();
        openAnswer_ = at(QStringLiteral("in"));
        click("apply-add-folder");
        click("apply-watch");
        const int before = table()->rowCount();
        click("apply-start");
        QVERIFY(window().running());
        QVERIFY(!within<QPushButton>("apply-window", "apply-start")->isEnabled());
        QVERIFY(QFile::copy(at(QStringLiteral("d.mkv")), at(QStringLiteral("in/new.mkv"))));
        QVERIFY(QTest::qWaitFor(
            [&] { return table()->rowCount() == before + 1 && state(before) == QStringLiteral("project made"); },
            test::patience));
        QVERIFY(window().running() && QFile::exists(at(QStringLiteral("in/new.vember"))));
        QVERIFY(summary().contains(QStringLiteral("watching")));
        click("apply-stop");
        QVERIFY(!window().running());
        click("apply-watch");
    }
    void aFileOfRecipesIsAPattern()
    {
        Recipe own = project().recipes.front();
        own.id = 0;
        own.name = "Anvil";
        const QString book = at(QStringLiteral("book.json"));
        QVERIFY(saveRecipes({{own, scaleOf(project()), {}}}, book.toStdString()));
        openApply();
        openAnswer_ = book;
        auto* pattern = within<QComboBox>("apply-window", "apply-pattern");
        pattern->setCurrentIndex(2);
        emit pattern->activated(2);
        QCOMPARE(pattern->currentText(), QStringLiteral("book.json"));
        QVERIFY(!within<QComboBox>("apply-window", "apply-part")->isEnabled());
        clip("e.mkv");
        add({at(QStringLiteral("e.mkv"))});
        click("apply-start");
        applied();
        const Project made = loaded(at(QStringLiteral("e.vember")));
        QCOMPARE(made.recipes.size(), std::size_t{1});
        QCOMPARE(QString::fromStdString(made.recipes[0].name), QStringLiteral("Anvil"));
    }
    void clipsAreDroppedOnIt()
    {
        clip("dropped.mkv");
        openApply();
        const int before = table()->rowCount();
        drop(window(), {at(QStringLiteral("dropped.mkv")), at(QStringLiteral("in"))});
        QVERIFY(table()->rowCount() > before);
    }
    void aRenderedFilmIsDraggedOut()
    {
        strikeOn(10);
        window_->showBeside(MainWindow::Beside::render);
        child<QLineEdit>("render-path")->setText(at(QStringLiteral("drag.mkv")));
        click("render-later");
        auto* queue = child<QListWidget>("render-queue");
        QVERIFY(draggedOf(*queue, queue->count() - 1).isEmpty());
        click("render-start");
        QVERIFY(QTest::qWaitFor([&] { return !window_->renderPanel().running(); }, test::patience));
        QCOMPARE(draggedOf(*queue, queue->count() - 1), QStringList{at(QStringLiteral("drag.mkv"))});
        QVERIFY(queue->model()->supportedDragActions() == Qt::CopyAction);
    }
    void aRecipeIsDraggedOutAndIntoAnotherWindow()
    {
        strikeOn(10);
        key(Qt::Key_F6);
        turn();
        auto* list = child<QListWidget>("recipe-list");
        QVERIFY(draggedOf(*list, 0).isEmpty()); // a heading
        const QString name = list->item(1)->text();
        const QStringList files = draggedOf(*list, 1);
        QCOMPARE(files.size(), 1);
        const auto recipes = loadRecipes(files.front().toStdString());
        QVERIFY(recipes && recipes->size() == 1);
        QCOMPARE(QString::fromStdString(recipes->front().recipe.name), name);
        QVERIFY(recipes->front().recipe.strands == project().recipes.front().strands);

        const auto before = session().book.entries().size();
        const Project same = project();
        drop(*window_, files);
        QCOMPARE(session().book.entries().size(), before + 1);
        QVERIFY(project() == same); // the film stays as it is
        QVERIFY(session().book.takeBack().isEmpty());
        QCOMPARE(session().book.entries().size(), before);
    }
};

EMBER_TEST(ApplyWindowTest)

#include "tst_apply_window.moc"
