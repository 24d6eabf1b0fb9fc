// SPDX-License-Identifier: GPL-3.0-or-later
// Anything, in any order: whatever a hand can do to the window, it stays alive, and undo takes all of it back.
#include <cmath>

#include <QMenu>
#include <QMenuBar>
#include <QTimer>
#include <QToolButton>

#include "actions.h"
#include "curve_view.h"
#include "ember/project/file.h"
#include "finder.h"
#include "runner.h"
#include "value_field.h"
#include "window_fixture.h"

using namespace ember;
using namespace ember::app;

class RandomUseTest : public test::WindowFixture {
    Q_OBJECT

    template <typename Widget>
    Widget* any(test::Random& random)
    {
        QList<Widget*> found;
        for (auto* widget : window_->findChildren<Widget*>())
            if (widget->isVisible() && widget->isEnabled())
                found << widget;
        return found.isEmpty() ? nullptr : found[random.whole(0, static_cast<int>(found.size()) - 1)];
    }
    static QPoint placeOn(const QWidget* widget, test::Random& random)
    {
        return {random.whole(0, widget->width() - 1), random.whole(0, widget->height() - 1)};
    }
    void useSomething(test::Random& random)
    {
        switch (random.whole(0, 16)) {
        case 0:
        case 1:
        case 2:
            if (auto* field = any<ValueField>(random))
                drag(field, {10, 8}, {10 + random.whole(-60, 60), 8});
            break;
        case 3:
            if (auto* field = any<ValueField>(random))
                QTest::mouseClick(field, Qt::LeftButton, Qt::ControlModifier);
            break;
        case 4:
            if (auto* field = any<ValueField>(random)) {
                bringIntoView(field); // what arrives meanwhile may take it away
                if (window_->findChildren<ValueField*>().contains(field) && field->isVisible() && field->isEnabled())
                    type(field, QString::number(random.between(-500, 500)));
            }
            break;
        case 5:
        case 6:
            if (auto* list = any<QComboBox>(random); list != nullptr && list->count() > 1)
                QTest::keyClick(list, random.whole(0, 1) == 0 ? Qt::Key_Down : Qt::Key_Up);
            break;
        case 7:
        case 8:
        case 9:
            if (auto* button = any<QAbstractButton>(random); button != nullptr && harmless(*button))
                QTest::mouseClick(button, Qt::LeftButton);
            break;
        case 10: {
            const QPoint from = session().selection.strike() != nullptr && random.whole(0, 2) == 0
                                    ? handle(static_cast<Handle>(random.whole(1, 9)))
                                    : placeOn(&canvas(), random);
            drag(&canvas(), from, placeOn(&canvas(), random));
            break;
        }
        case 11: drag(&window_->reel(), placeOn(&window_->reel(), random), placeOn(&window_->reel(), random)); break;
        case 12:
            if (CurveCanvas& curves = window_->curves().canvas(); curves.isVisible())
                drag(&curves, placeOn(&curves, random), placeOn(&curves, random));
            else if (auto* add = child<QToolButton>("add-strand"); add->isVisible())
                add->menu()->actions()[random.whole(0, 4)]->trigger();
            break;
        case 13: {
            PictureView& picture = window_->picture();
            const auto tip = picture.arrowPlace();
            drag(&picture, tip && random.whole(0, 1) == 0 ? tip->toPoint() : placeOn(&picture, random),
                 placeOn(&picture, random));
            break;
        }
        case 14:
        case 15: {
            const auto actions = actionsOf(*window_->menuBar());
            const ListedAction& listed =
                actions[static_cast<std::size_t>(random.whole(0, static_cast<int>(actions.size()) - 1))];
            if (staysInside(listed.id)) {
                closeWhatOpens();
                listed.action->trigger();
            }
            break;
        }
        default: {
            constexpr std::array keys{Qt::Key_S,  Qt::Key_1,  Qt::Key_2,  Qt::Key_N,      Qt::Key_X,
                                      Qt::Key_H,  Qt::Key_B,  Qt::Key_T,  Qt::Key_E,      Qt::Key_F5,
                                      Qt::Key_F6, Qt::Key_F7, Qt::Key_Up, Qt::Key_Down,   Qt::Key_Z,
                                      Qt::Key_A,  Qt::Key_R,  Qt::Key_K,  Qt::Key_Period, Qt::Key_Comma};
            const Qt::Key chosen = keys[static_cast<std::size_t>(random.whole(0, static_cast<int>(keys.size()) - 1))];
            key(chosen, chosen == Qt::Key_Z ? Qt::ControlModifier : Qt::NoModifier);
        }
        }
        turn();
    }
    /// Another window that waits for an answer gets none.
    static void closeWhatOpens()
    {
        QTimer::singleShot(0, [] {
            if (QWidget* asking = QApplication::activeModalWidget())
                asking->close();
        });
    }
    /// Not an action that opens, saves, renders, plays or makes another window of the picture.
    static bool staysInside(const QString& id)
    {
        static const QStringList outside{QStringLiteral("find.tap-test"), QStringLiteral("play.play-or-pause"),
                                         QStringLiteral("view.full-screen-picture")};
        return (!id.startsWith(QStringLiteral("file.")) || id == QStringLiteral("file.hand-on")) &&
               !id.startsWith(QStringLiteral("help.")) && !outside.contains(id);
    }
    /// Not a button that leads out of the window's work: rendering, playing, files, or a menu that waits for an answer.
    static bool harmless(const QAbstractButton& button)
    {
        static const QStringList left{QStringLiteral("render-open"), QStringLiteral("render-start"),
                                      QStringLiteral("play"), QStringLiteral("loop"), QStringLiteral("add-strand")};
        const auto* tool = qobject_cast<const QToolButton*>(&button); // a menu waits for somebody
        const auto* push = qobject_cast<const QPushButton*>(&button);
        return (tool == nullptr || tool->menu() == nullptr) && (push == nullptr || push->menu() == nullptr) &&
               !left.contains(button.objectName()) && button.window() == button.topLevelWidget();
    }

private slots:
    void everythingCanBeTakenBack_data()
    {
        QTest::addColumn<int>("seed");
        for (int seed = 1; seed <= 10; ++seed)
            QTest::addRow("seed %d", seed) << seed;
    }
    void everythingCanBeTakenBack()
    {
        QFETCH(int, seed);
        test::Random random(static_cast<std::uint64_t>(seed));
        const Project before = project();
        strikeOn(20, Qt::Key_2);
        strikeOn(50, Qt::Key_1);
        window_->showBeside(MainWindow::Beside::find);
        QTRY_VERIFY(!window_->finder().running());
        constexpr int actions = 500;
        for (int i = 0; i < actions; ++i)
            useSomething(random);
        while (session().document.history().canRedo()) // what was taken back by hand on the way
            session().document.redo();
        const Project after = project();
        const auto read = projectFromJson(projectToJson(after, ""), "", "it"); // and it can be saved and opened
        QVERIFY2(read.ok(), read.ok() ? "" : sentence(read.error()).c_str());
        int steps = 0;
        while (session().document.history().canUndo()) {
            session().document.undo();
            ++steps;
        }
        QVERIFY(project() == before);
        QVERIFY2(steps > 20, qPrintable(QString::number(steps)));
        while (session().document.history().canRedo())
            session().document.redo();
        QVERIFY(project() == after);
        for (double frame = 0; frame < 120; frame += 0.5) { // nothing ever is no number
            const Pose pose = session().document.motion().poseAt(frame);
            QVERIFY(std::isfinite(pose.x + pose.y + pose.zoom + pose.roll + pose.pan + pose.tilt));
        }
    }
};

EMBER_TEST(RandomUseTest)
#include "tst_random_use.moc"
