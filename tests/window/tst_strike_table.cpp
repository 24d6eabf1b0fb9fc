// SPDX-License-Identifier: GPL-3.0-or-later
#include <QComboBox>
#include <QLabel>
#include <QLineEdit>
#include <QPushButton>
#include <QTableView>
#include <QTest>

#include "runner.h"
#include "strike_model.h"
#include "strike_table.h"
#include "window_fixture.h"

using namespace ember;
using namespace ember::app;

class StrikeTableTest : public test::WindowFixture {
    Q_OBJECT

    StrikeTable* open()
    {
        for (QAction* action : window_->findChildren<QAction*>())
            if (action->shortcut() == QKeySequence(Qt::CTRL | Qt::SHIFT | Qt::Key_T))
                action->trigger();
        turn();
        return child<StrikeTable>("strike-table");
    }
    QModelIndex cell(StrikeTable* table, int row, int column) { return table->view().model()->index(row, column); }
    QString textAt(StrikeTable* table, int row, int column) { return cell(table, row, column).data().toString(); }
    /// As a hand does: F2, type, Enter.
    void enter(StrikeTable* table, int row, int column, const QString& text)
    {
        QTableView& view = table->view();
        view.setFocus();
        view.setCurrentIndex(cell(table, row, column));
        QTest::keyClick(&view, Qt::Key_F2);
        auto* editor = view.viewport()->findChild<QLineEdit*>();
        QVERIFY(editor != nullptr);
        editor->selectAll();
        QTest::keyClicks(editor, text);
        QTest::keyClick(editor, Qt::Key_Return);
        turn();
    }
    void three()
    {
        strikeOn(60, Qt::Key_2);
        strikeOn(20, Qt::Key_1);
        strikeOn(40, Qt::Key_3);
        session().document.edit(
            [](Project p) {
                p.strikes[0].strength = 0.5;
                p.strikes[1].strength = 1.5;
                p.strikes[2].strength = 1;
                return p;
            },
            QStringLiteral("three"));
    }

private slots:
    void everyStrikeIsARowAndColumnsSort()
    {
        three();
        StrikeTable* table = open();
        QVERIFY(table->isVisible());
        QCOMPARE(table->view().model()->rowCount(), 3);
        QCOMPARE(textAt(table, 0, StrikeModel::frame), QStringLiteral("20"));
        QCOMPARE(textAt(table, 0, StrikeModel::timecode), QStringLiteral("00:00:00:20"));
        QCOMPARE(textAt(table, 0, StrikeModel::kind), QStringLiteral("Blast"));
        QCOMPARE(textAt(table, 2, StrikeModel::recipe), QStringLiteral("Dead weight"));
        table->view().sortByColumn(StrikeModel::strength, Qt::DescendingOrder);
        QCOMPARE(textAt(table, 0, StrikeModel::strength), QStringLiteral("150 %")); // by number, not by letter
        QCOMPARE(textAt(table, 1, StrikeModel::strength), QStringLiteral("100 %"));
    }
    void cellsAreEdited()
    {
        three();
        StrikeTable* table = open();
        enter(table, 0, StrikeModel::strength, QStringLiteral("80"));
        QCOMPARE(project().strikes[0].strength, 0.8);
        enter(table, 0, StrikeModel::strength, QStringLiteral("+10 %"));
        QVERIFY(std::abs(project().strikes[0].strength - 0.88) < 1e-9);
        enter(table, 1, StrikeModel::direction, QStringLiteral("45"));
        QCOMPARE(project().strikes[1].direction, std::optional(45.0));
        enter(table, 1, StrikeModel::direction, QStringLiteral("by seed"));
        QVERIFY(!project().strikes[1].direction);
        enter(table, 2, StrikeModel::name, QStringLiteral("Ladle"));
        QCOMPARE(project().strikes[2].name, std::string("Ladle"));
        enter(table, 2, StrikeModel::timecode, QStringLiteral("0:02:22")); // 70
        QCOMPARE(project().strikes[2].frame.index, std::int64_t{70});
        enter(table, 0, StrikeModel::frame, QStringLiteral("90")); // behind the others: rows follow
        QCOMPARE(textAt(table, 2, StrikeModel::frame), QStringLiteral("90"));
        // Words are chosen from a list.
        QTableView& view = table->view();
        view.edit(cell(table, 0, StrikeModel::kind));
        auto* list = view.viewport()->findChild<QComboBox*>();
        QVERIFY(list != nullptr);
        QCOMPARE(list->count(), 4);
        list->setCurrentIndex(3);
        emit list->activated(3);
        turn();
        QCOMPARE(project().strikes[0].kind, StrikeKind::beat);
        // Each was a step of undo.
        const int steps = 8;
        for (int i = 0; i < steps; ++i)
            session().document.undo();
        QCOMPARE(project().strikes[0].strength, 0.5);
        QCOMPARE(project().strikes[2].name, std::string());
    }
    void nonsenseChangesNothing_data()
    {
        QTest::addColumn<int>("column");
        QTest::addColumn<QString>("text");
        QTest::newRow("frame") << int(StrikeModel::frame) << "soon";
        QTest::newRow("beyond the film") << int(StrikeModel::frame) << "5000";
        QTest::newRow("before it") << int(StrikeModel::frame) << "-3";
        QTest::newRow("timecode") << int(StrikeModel::timecode) << "0:61:00";
        QTest::newRow("a number as timecode") << int(StrikeModel::timecode) << "12";
        QTest::newRow("strength") << int(StrikeModel::strength) << "very";
        QTest::newRow("too strong") << int(StrikeModel::strength) << "1e9";
        QTest::newRow("direction") << int(StrikeModel::direction) << "upwards";
        QTest::newRow("nothing") << int(StrikeModel::strength) << "";
    }
    void nonsenseChangesNothing()
    {
        QFETCH(int, column);
        QFETCH(QString, text);
        three();
        StrikeTable* table = open();
        const auto before = session().document.snapshot();
        enter(table, 1, column, text);
        QVERIFY(*before == project());
        QVERIFY(!child<QLabel>("told")->text().isEmpty()); // and is told
        QVERIFY(!table->model().setData(table->model().index(0, StrikeModel::own), QStringLiteral("3"), Qt::EditRole));
    }
    void digitsOnRowsPutNothing()
    {
        three();
        StrikeTable* table = open();
        table->view().setFocus();
        table->view().setCurrentIndex(cell(table, 1, StrikeModel::strength));
        const auto before = session().document.snapshot();
        for (const Qt::Key k : {Qt::Key_1, Qt::Key_7, Qt::Key_S, Qt::Key_X, Qt::Key_Return, Qt::Key_Down})
            QTest::keyClick(&table->view(), k);
        turn();
        QVERIFY(*before == project());
    }
    void rowsAndTheReelPickTogether()
    {
        three();
        StrikeTable* table = open();
        table->view().selectRow(2);
        QCOMPARE(session().selection.ids(), (StrikeIds{project().strikes[2].id}));
        session().selection.set({project().strikes[0].id, project().strikes[1].id});
        QCOMPARE(table->view().selectionModel()->selectedRows().size(), qsizetype{2});
        QTest::mouseClick(table->view().viewport(), Qt::LeftButton, {},
                          table->view().visualRect(cell(table, 1, StrikeModel::name)).center());
        QCOMPARE(session().playhead.frame(), std::int64_t{40}); // it is looked at
    }
    void strengthsAreScattered()
    {
        three();
        StrikeTable* table = open();
        session().selection.set({project().strikes[0].id, project().strikes[2].id});
        table->findChild<QPushButton*>(QStringLiteral("scatter-strengths"))->click();
        QVERIFY(project().strikes[0].strength != 0.5 && std::abs(project().strikes[0].strength - 0.5) <= 0.1);
        QCOMPARE(project().strikes[1].strength, 1.5); // it was not picked
        const double once = project().strikes[0].strength;
        session().document.undo();
        table->findChild<QPushButton*>(QStringLiteral("scatter-strengths"))->click();
        QVERIFY(project().strikes[0].strength != once); // another chance
        session().document.undo();
        QCOMPARE(project().strikes[0].strength, 0.5);
    }
};

EMBER_TEST(StrikeTableTest)
#include "tst_strike_table.moc"
