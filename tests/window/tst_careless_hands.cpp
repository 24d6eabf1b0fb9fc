// SPDX-License-Identifier: GPL-3.0-or-later
// Hands that press Enter, Tab and Escape where they should not, scroll over things and type in the wrong place: nothing
// changes that nobody meant. Keys go the whole way, from the window system to whatever has the focus.
#include <QAbstractItemView>
#include <QClipboard>
#include <QKeySequenceEdit>
#include <QLabel>
#include <QListWidget>
#include <QMenu>
#include <QMenuBar>
#include <QProcess>
#include <QScreen>
#include <QScrollBar>
#include <QTableWidget>
#include <QToolButton>
#include <QWheelEvent>
#include <QWindow>

#include "actions.h"
#include "ember/project/edits.h"
#include "ember/project/file.h"
#include "ember/project/film_edits.h"
#include "ember/project/shot_edits.h"
#include "input_rules.h"
#include "instance_door.h"
#include "reel_geometry.h"
#include "render_panel.h"
#include "runner.h"
#include "side_column.h"
#include "tab_order.h"
#include "value_control.h"
#include "value_field.h"
#include "window_fixture.h"

using namespace ember;
using namespace ember::app;
using F = EnvelopeField;

class CarelessHandsTest : public test::WindowFixture {
    Q_OBJECT

    /// By way of the window system: shortcuts first, then whatever has the focus.
    void press(Qt::Key k, Qt::KeyboardModifiers m = {})
    {
        QTest::keyClick(window_->windowHandle(), k, m);
        turn();
    }
    void typeText(const QString& text)
    {
        for (const QChar c : text)
            QTest::keyClick(window_->windowHandle(), c.toLatin1());
        turn();
    }
    void clickField(QWidget* field)
    {
        bringIntoView(field);
        QTest::mouseClick(field, Qt::LeftButton);
    }
    ValueField* envelopeField(const char* name) { return child<ValueField>(name); }
    QLineEdit* openEditor() const
    {
        QLineEdit* found = nullptr;
        for (auto* field : window_->findChildren<ValueField*>())
            for (auto* editor : field->findChildren<QLineEdit*>())
                if (editor->isVisible())
                    found = editor;
        return found;
    }
    QString note() const
    {
        const auto* note = window_->findChild<QLabel*>(QStringLiteral("field-note"));
        return note != nullptr && note->isVisible() ? note->text() : QString();
    }
    double inRecipe(F field) { return project().recipe(session().selection.strike()->recipe)->envelope[field]; }
    std::size_t strikes() { return project().strikes.size(); }
    void twoStrikes()
    {
        strikeOn(20, Qt::Key_2);
        strikeOn(60, Qt::Key_1);
        session().selection.set({project().strikes[0].id});
        session().playhead.setFrame(20);
        window_->picture().setFocus();
        turn();
    }

private slots:
    // --- numbers
    void enterTakesClosesAndGivesTheFocusBack()
    {
        twoStrikes();
        clickField(envelopeField("envelope-release"));
        typeText(QStringLiteral("9"));
        press(Qt::Key_Return);
        QCOMPARE(inRecipe(F::release), 9.0);
        QVERIFY(openEditor() == nullptr);
        QCOMPARE(QApplication::focusWidget(), static_cast<QWidget*>(&window_->picture()));
        const Project before = project();
        press(Qt::Key_Down); // the next strike, as always
        QCOMPARE(session().selection.ids(), StrikeIds{project().strikes[1].id});
        QVERIFY(project() == before);
    }
    void anotherFieldClosesTheFirst()
    {
        twoStrikes();
        clickField(envelopeField("envelope-decay"));
        clickField(envelopeField("envelope-release"));
        typeText(QStringLiteral("14"));
        press(Qt::Key_Return);
        QCOMPARE(inRecipe(F::release), 14.0);
        // And a click into the first again begins anew.
        const double decay = inRecipe(F::decay);
        clickField(envelopeField("envelope-decay"));
        typeText(QStringLiteral("+10%"));
        press(Qt::Key_Return);
        QVERIFY(std::abs(inRecipe(F::decay) - 1.1 * decay) < 1e-9);
        QVERIFY(openEditor() == nullptr);
    }
    void whatIsTypedIsTakenWhenTheHandGoesElsewhere()
    {
        twoStrikes();
        const RecipeId first = project().strikes[0].recipe;
        QVERIFY(first != project().strikes[1].recipe);
        const double second = project().recipe(project().strikes[1].recipe)->envelope[F::release];
        clickField(envelopeField("envelope-release"));
        typeText(QStringLiteral("9"));
        QTest::mouseClick(&window_->reel(), Qt::LeftButton, {}, spark(60));
        turn();
        QCOMPARE(project().recipe(first)->envelope[F::release], 9.0);
        QCOMPARE(session().selection.ids(), StrikeIds{project().strikes[1].id});
        QVERIFY(openEditor() == nullptr);
        QCOMPARE(envelopeField("envelope-release")->value(), second);
        QCOMPARE(inRecipe(F::release), second);
    }
    void nothingOfItReachesAnotherProject()
    {
        twoStrikes();
        const QString file = at(QStringLiteral("other.vember"));
        Project other = project();
        QVERIFY(saveProject(other, file.toStdString()));
        session().strikes.copy();
        clickField(envelopeField("envelope-release"));
        typeText(QStringLiteral("9"));
        session().file.open(file);
        QTRY_VERIFY(!session().busy.working());
        QVERIFY(openEditor() == nullptr);
        QVERIFY(project().recipes == other.recipes);
        QVERIFY(!session().document.modified());
        // Nothing is selected there, so nothing takes the values that were copied.
        session().strikes.pasteValues();
        QVERIFY(!session().document.modified());
    }
    void escapeTakesBackOnlyTheEdit()
    {
        twoStrikes();
        const Project before = project();
        clickField(envelopeField("envelope-release"));
        typeText(QStringLiteral("9"));
        press(Qt::Key_Escape);
        QVERIFY(openEditor() == nullptr);
        QCOMPARE(session().selection.ids(), StrikeIds{project().strikes[0].id});
        QVERIFY(project() == before);
        QCOMPARE(QApplication::focusWidget(), static_cast<QWidget*>(&window_->picture()));
        press(Qt::Key_Escape); // that one is for the selection
        QVERIFY(session().selection.ids().empty());
    }
    void nonsenseAndTooMuchAreToldInPlace_data()
    {
        QTest::addColumn<QString>("typed");
        QTest::addColumn<QString>("told");
        QTest::newRow("words") << "abc"
                               << "abc";
        QTest::newRow("half a number") << "1+"
                                       << "1+";
        QTest::newRow("an old spelling") << "*2"
                                         << "*2";
        QTest::newRow("another old spelling") << "-=5"
                                              << "-=5";
        QTest::newRow("too much") << "99999"
                                  << "out of range";
        QTest::newRow("too little") << "-5"
                                    << "out of range";
    }
    void nonsenseAndTooMuchAreToldInPlace()
    {
        QFETCH(QString, typed);
        QFETCH(QString, told);
        twoStrikes();
        const Project before = project();
        clickField(envelopeField("envelope-release"));
        typeText(typed);
        press(Qt::Key_Return);
        QVERIFY2(note().contains(told), qPrintable(note()));
        QVERIFY(openEditor() != nullptr && project() == before);
        typeText(QStringLiteral("12")); // the whole of it was selected again
        QVERIFY(note().isEmpty());
        press(Qt::Key_Return);
        QCOMPARE(inRecipe(F::release), 12.0);
        // By going elsewhere it closes and says so.
        const Project after = project();
        clickField(envelopeField("envelope-release"));
        typeText(typed);
        QTest::mouseClick(&window_->reel(), Qt::LeftButton, {}, QPoint(20, 4));
        QVERIFY(openEditor() == nullptr && project() == after);
        QVERIFY(note().contains(told));
    }
    void severalValuesStaySeveral()
    {
        twoStrikes();
        session().strikes.scaleStrengths(0.5);
        session().selection.setAll();
        const Project before = project();
        clickField(child<ValueField>("strike-strength"));
        press(Qt::Key_Return); // looked at, and left
        QVERIFY(project() == before);
        clickField(child<ValueField>("strike-strength"));
        typeText(QStringLiteral("x0.5"));
        press(Qt::Key_Return);
        QCOMPARE(project().strikes[0].strength, 0.25);
        QCOMPARE(project().strikes[1].strength, 0.5);
    }
    void tabGoesOnAndDigitsTypeWhereTheFocusIs()
    {
        twoStrikes();
        clickField(envelopeField("envelope-attack"));
        typeText(QStringLiteral("2"));
        press(Qt::Key_Tab);
        QCOMPARE(inRecipe(F::attack), 2.0);
        for (int i = 0; i < 3 && qobject_cast<ValueField*>(QApplication::focusWidget()) == nullptr; ++i)
            press(Qt::Key_Tab); // past the list of its slope
        auto* next = qobject_cast<ValueField*>(QApplication::focusWidget());
        QVERIFY(next != nullptr && next != envelopeField("envelope-attack"));
        const double before = next->value();
        typeText(QStringLiteral("3"));
        QCOMPARE(strikes(), std::size_t{2});
        press(Qt::Key_Return);
        QCOMPARE(strikes(), std::size_t{2});
        QCOMPARE(QApplication::focusWidget(), static_cast<QWidget*>(next)); // it came there by key
        QVERIFY(next->value() != before);
        for (const Qt::Key k : {Qt::Key_S, Qt::Key_1, Qt::Key_N, Qt::Key_Delete})
            press(k);
        press(Qt::Key_Escape);
        QCOMPARE(strikes(), std::size_t{2});
        QCOMPARE(session().selection.ids().size(), std::size_t{1});
    }
    void theRightButtonOffersWhatCanBeDone()
    {
        twoStrikes();
        auto* field = envelopeField("envelope-release");
        const auto menu = [&] {
            QContextMenuEvent asked(QContextMenuEvent::Mouse, QPoint(5, 5), field->mapToGlobal(QPoint(5, 5)));
            QCoreApplication::sendEvent(field, &asked);
            return field->findChild<QMenu*>(QStringLiteral("field-menu"));
        };
        const auto choose = [&](const QString& words) {
            QMenu* shown = menu();
            for (QAction* action : shown->actions())
                if (action->text().startsWith(words) && (words != QLatin1String("Copy") || action->text() == words))
                    action->trigger();
            shown->close();
            turn();
        };
        QGuiApplication::clipboard()->setText(QStringLiteral("17 f"));
        choose(QStringLiteral("Paste"));
        QCOMPARE(inRecipe(F::release), 17.0);
        choose(QStringLiteral("Copy"));
        QCOMPARE(QGuiApplication::clipboard()->text(), QStringLiteral("17 f"));
        choose(QStringLiteral("Copy its key"));
        QCOMPARE(QGuiApplication::clipboard()->text(),
                 QString::fromStdString("recipe." + project().recipe(project().strikes[0].recipe)->name +
                                        ".envelope.release"));
        choose(QStringLiteral("Reset"));
        QCOMPARE(inRecipe(F::release), specOf(F::release).fallback);
        choose(QStringLiteral("Type"));
        QVERIFY(openEditor() != nullptr);
    }

    // --- tables
    void aTableKeepsTheKeys()
    {
        key(Qt::Key_F7);
        session().document.edit(withMoveKey(project(), {Frame{10}, 0, 0, 1, 0}), QStringLiteral("key"));
        session().document.edit(withMoveKey(project(), {Frame{40}, 5, 5, 1, 0}), QStringLiteral("key"));
        turn();
        const auto cell = [&](const char* name) { return child<ValueControl>(name)->field(); };
        clickField(cell("move-0-x"));
        typeText(QStringLiteral("12"));
        press(Qt::Key_Tab);
        QCOMPARE(QApplication::focusWidget(), static_cast<QWidget*>(cell("move-0-y")));
        typeText(QStringLiteral("7"));
        press(Qt::Key_Return);
        QCOMPARE(QApplication::focusWidget(), static_cast<QWidget*>(cell("move-0-y")));
        QCOMPARE(filmMove(project())[0].x, 12.0);
        QCOMPARE(filmMove(project())[0].y, 7.0);
        typeText(QStringLiteral("31"));
        press(Qt::Key_Return);
        QCOMPARE(filmMove(project())[0].y, 31.0);
        QCOMPARE(strikes(), std::size_t{0});
        // A row that goes to another place takes the focus along.
        clickField(cell("move-0-frame"));
        typeText(QStringLiteral("80"));
        press(Qt::Key_Return);
        QCOMPARE(filmMove(project())[1].frame, Frame{80});
        QCOMPARE(QApplication::focusWidget(), static_cast<QWidget*>(cell("move-1-frame")));
        QCOMPARE(strikes(), std::size_t{0});
    }
    void aNewRowIsSeen()
    {
        key(Qt::Key_F7);
        for (std::int64_t frame = 0; frame < 30; ++frame) {
            session().playhead.setFrame(3 * frame);
            click("move-key");
        }
        session().playhead.setFrame(100);
        child<QScrollArea>("film-area")->ensureVisible(0, 0);
        click("move-key");
        auto* last = child<ValueControl>("move-30-frame");
        QTRY_VERIFY(!last->visibleRegion().isEmpty());
    }

    // --- buttons
    void enterAndSpacePressTheFocusedButton()
    {
        twoStrikes();
        auto* loop = child<QToolButton>("loop");
        loop->setFocus(Qt::TabFocusReason);
        press(Qt::Key_Space);
        QVERIFY(session().playhead.loop().on);
        loop->setFocus(Qt::TabFocusReason);
        press(Qt::Key_Return);
        QVERIFY(!session().playhead.loop().on);
        auto* render = child<QPushButton>("render-open");
        render->setFocus(Qt::TabFocusReason);
        press(Qt::Key_Return);
        QVERIFY(window_->renderPanel().isVisible());
        // A button that is clicked leaves the keys where they were: Space still plays.
        press(Qt::Key_Escape);
        QVERIFY(!window_->renderPanel().isVisible());
        window_->picture().setFocus();
        click("lock-variation");
        QCOMPARE(QApplication::focusWidget(), static_cast<QWidget*>(&window_->picture()));
    }
    void renderIsReachedAndStartedByOneKey()
    {
        twoStrikes();
        press(Qt::Key_R, Qt::ControlModifier);
        QVERIFY(window_->renderPanel().isVisible());
        QCOMPARE(QApplication::focusWidget(), static_cast<QWidget*>(child<QPushButton>("render-start")));
        child<QLineEdit>("render-path")->setText(at(QStringLiteral("quick.mkv")));
        QCOMPARE(child<QComboBox>("render-format")->currentData().toString(), QStringLiteral(".mkv"));
        press(Qt::Key_R, Qt::ControlModifier);
        QTRY_VERIFY(QFile::exists(at(QStringLiteral("quick.mkv"))));
        QTRY_VERIFY(!window_->renderPanel().running());
    }
    void theRenderPanelSaysWhyItCannot()
    {
        twoStrikes();
        press(Qt::Key_R, Qt::ControlModifier);
        child<QLineEdit>("render-path")->setText(at(QStringLiteral("film.doc")));
        QVERIFY(!child<QPushButton>("render-start")->isEnabled());
        QVERIFY(child<QLabel>("render-state")->text().contains(QStringLiteral(".mp4")));
        child<QLineEdit>("render-path")->setText(QString::fromStdString(clip_)); // its own clip
        QVERIFY(child<QPushButton>("render-start")->isEnabled());
        child<QAbstractButton>("render-replace")->setChecked(true);
        const QByteArray bytes = [&] {
            QFile file(QString::fromStdString(clip_));
            return file.open(QIODevice::ReadOnly) ? file.readAll() : QByteArray();
        }();
        click("render-start");
        QTRY_VERIFY(window_->notice().contains(QStringLiteral("never written over")));
        QFile file(QString::fromStdString(clip_));
        QVERIFY(file.open(QIODevice::ReadOnly) && file.readAll() == bytes);
        // Another project closes it; Escape does, too, and the selection stays.
        open(QString::fromStdString(clip_));
        QVERIFY(!window_->renderPanel().isVisible());
        strikeOn(20);
        press(Qt::Key_R, Qt::ControlModifier);
        child<QLineEdit>("render-path")->setFocus();
        press(Qt::Key_Escape);
        QVERIFY(!window_->renderPanel().isVisible());
        QCOMPARE(session().selection.ids().size(), std::size_t{1});
    }

    // --- wheel
    void theWheelScrollsAndChangesNothing()
    {
        twoStrikes();
        for (const Qt::Key page : {Qt::Key_F5, Qt::Key_F7, Qt::Key_F8}) {
            key(page);
            turn();
            const Project before = project();
            for (auto* field : window_->findChildren<ValueField*>())
                if (field->isVisible())
                    wheelOver(field, -1);
            for (auto* list : window_->findChildren<QComboBox*>())
                if (list->isVisible())
                    wheelOver(list, -1);
            QVERIFY(project() == before);
        }
        QCOMPARE(child<QComboBox>("picture-scale")->currentIndex(), 0);
        // What was clicked it turns.
        key(Qt::Key_F5);
        auto* field = envelopeField("envelope-release");
        const double release = inRecipe(F::release);
        clickField(field);
        wheelOver(openEditor(), 1);
        QCOMPARE(inRecipe(F::release), release + 1);
        QCOMPARE(openEditor()->text(), QString::number(release + 1));
        press(Qt::Key_Return);
        QCOMPARE(inRecipe(F::release), release + 1);
    }
    void aPageScrollsUnderTheWheel()
    {
        twoStrikes();
        key(Qt::Key_F8);
        turn();
        auto* area = child<QScrollArea>("finish-area");
        QVERIFY(area->verticalScrollBar()->maximum() > 0);
        QComboBox* list = nullptr;
        for (auto* one : area->findChildren<QComboBox*>())
            if (list == nullptr && one->isVisible())
                list = one;
        QVERIFY(list != nullptr);
        wheelOver(list, -1);
        QVERIFY(area->verticalScrollBar()->value() > 0);
    }

    // --- lists
    void aListGivesTheArrowKeysBack()
    {
        twoStrikes();
        auto* kind = child<QComboBox>("strike-kind");
        QTest::mouseClick(kind, Qt::LeftButton);
        QTRY_VERIFY(kind->view()->isVisible());
        const QModelIndex hit = kind->model()->index(static_cast<int>(StrikeKind::hit), 0);
        QTest::qWait(QApplication::doubleClickInterval() + 50); // the list takes no click right after it opened
        QTest::mouseClick(kind->view()->viewport(), Qt::LeftButton, {}, kind->view()->visualRect(hit).center());
        turn();
        QCOMPARE(project().strikes[0].kind, StrikeKind::hit);
        QTRY_COMPARE(QApplication::focusWidget(), static_cast<QWidget*>(&window_->picture()));
        press(Qt::Key_Down);
        QCOMPARE(session().selection.ids(), StrikeIds{project().strikes[1].id});
        QCOMPARE(project().strikes[0].kind, StrikeKind::hit);
    }
    void aListThatHasTheFocusKeepsItsKeys()
    {
        twoStrikes();
        auto* kind = child<QComboBox>("strike-kind");
        kind->setFocus(Qt::TabFocusReason);
        press(Qt::Key_S);
        press(Qt::Key_1);
        press(Qt::Key_Delete);
        QCOMPARE(strikes(), std::size_t{2});
        QCOMPARE(session().selection.ids().size(), std::size_t{1});
        key(Qt::Key_F6);
        auto* recipes = child<QListWidget>("recipe-list");
        QVERIFY(recipes->currentItem() != nullptr); // the strike's own
        QCOMPARE(recipes->currentItem()->text().toStdString(), project().recipe(project().strikes[0].recipe)->name);
        recipes->setFocus(Qt::TabFocusReason);
        for (const Qt::Key k : {Qt::Key_S, Qt::Key_1, Qt::Key_X, Qt::Key_Delete})
            press(k);
        QCOMPARE(strikes(), std::size_t{2});
        QVERIFY(project().settles.empty());
    }
    void aNameThatIsTypedIsANameOnly()
    {
        twoStrikes();
        auto* name = child<QLineEdit>("strike-name");
        QTest::mouseClick(name, Qt::LeftButton);
        name->selectAll();
        typeText(QStringLiteral("s3 hammer"));
        press(Qt::Key_Up);
        press(Qt::Key_Down);
        QCOMPARE(strikes(), std::size_t{2});
        QCOMPARE(session().selection.ids(), StrikeIds{project().strikes[0].id});
        press(Qt::Key_Return);
        QCOMPARE(project().strikes[0].name, std::string("s3 hammer"));
        QTRY_COMPARE(QApplication::focusWidget(), static_cast<QWidget*>(&window_->picture()));
        QTest::mouseClick(name, Qt::LeftButton);
        typeText(QStringLiteral("x"));
        press(Qt::Key_Escape);
        QCOMPARE(project().strikes[0].name, std::string("s3 hammer"));
        QCOMPARE(name->text(), QStringLiteral("s3 hammer"));
        QCOMPARE(session().selection.ids().size(), std::size_t{1});
    }

    // --- going through it by Tab
    void tabFollowsTheEye()
    {
        twoStrikes();
        const auto places = std::vector<QRect>{{0, 50, 20, 10}, {100, 2, 20, 20}, {0, 0, 20, 20}, {50, 52, 10, 10}};
        QCOMPARE(readingOrder(places), (std::vector<std::size_t>{2, 1, 0, 3}));
        window_->picture().setFocus();
        std::vector<QWidget*> seen;
        for (int i = 0; i < 400; ++i) {
            press(Qt::Key_Tab);
            QWidget* here = QApplication::focusWidget();
            if (here == &window_->picture())
                break;
            seen.push_back(here);
        }
        QVERIFY(!seen.empty() && seen.size() < 399);
        const auto at = [&](const QWidget* widget) {
            return std::find(seen.begin(), seen.end(), widget) - seen.begin();
        };
        const auto count = static_cast<std::ptrdiff_t>(seen.size());
        // Transport, column, Anvil, Reel; and on the Anvil the values from left to right.
        const QWidget* const order[] = {child<QToolButton>("play"),
                                        child<QWidget>("strike-strength"),
                                        child<QWidget>("envelope-attack"),
                                        child<QWidget>("envelope-decay"),
                                        child<QWidget>("envelope-release"),
                                        &window_->anvil().canvas(),
                                        &window_->reel()};
        for (std::size_t i = 0; i < std::size(order); ++i) {
            QVERIFY2(at(order[i]) < count, qPrintable(QString::number(i)));
            if (i > 0)
                QVERIFY2(at(order[i - 1]) < at(order[i]), qPrintable(QString::number(i)));
        }
        press(Qt::Key_Backtab, Qt::ShiftModifier);
        QCOMPARE(QApplication::focusWidget(), seen.back());
    }
    void keysJumpToTheParts()
    {
        twoStrikes();
        press(Qt::Key_2, Qt::AltModifier);
        QCOMPARE(QApplication::focusWidget(), static_cast<QWidget*>(&window_->anvil().canvas()));
        press(Qt::Key_3, Qt::AltModifier);
        QCOMPARE(QApplication::focusWidget(), static_cast<QWidget*>(&window_->reel()));
        press(Qt::Key_4, Qt::AltModifier);
        QVERIFY(child<QWidget>("side-stack")->isAncestorOf(QApplication::focusWidget()));
        press(Qt::Key_1, Qt::AltModifier);
        QCOMPARE(QApplication::focusWidget(), static_cast<QWidget*>(&window_->picture()));
        QCOMPARE(strikes(), std::size_t{2});
    }

    // --- the window itself
    void itFitsSmallScreens()
    {
        const auto* area = qobject_cast<QScrollArea*>(window_->centralWidget());
        QVERIFY(area != nullptr);
        const QSize least = area->widget()->minimumSizeHint(); // 1024 x 640 less frame, menu and foot
        QVERIFY2(least.width() <= 1008 && least.height() <= 547,
                 qPrintable(QStringLiteral("%1 x %2").arg(least.width()).arg(least.height())));
        twoStrikes();
        window_->resize(1024, 640);
        turn();
        QCOMPARE(window_->size(), QSize(1024, 640));
        window_->resize(2560, 1600);
        window_->fitScreen(); // the screen of these tests is smaller
        const QSize usable = window_->screen()->availableGeometry().size();
        QVERIFY(usable.width() < 2560);
        QVERIFY(window_->width() <= std::max(usable.width(), window_->minimumSizeHint().width()) &&
                window_->height() <= usable.height());
        window_->resize(1024, 640);
        turn();
        for (const char* name : {"play", "loop", "sound", "compare", "put-strike", "picture-scale", "strike-strength",
                                 "strike-recipe", "envelope-attack", "envelope-release", "told"}) {
            auto* widget = child<QWidget>(name);
            QVERIFY2(widget->visibleRegion().boundingRect() == widget->rect(), name);
        }
    }
    void oneProgramForEachDisplay()
    {
        const auto name = [](const char* display) {
            return InstanceDoor::nameFor(1000, QStringLiteral("xcb"), {}, display);
        };
        QVERIFY(name(":0") != name(":1"));
        QCOMPARE(name(":0"), name(":0"));
        QVERIFY(name(":0") != InstanceDoor::nameFor(1001, QStringLiteral("xcb"), {}, ":0"));
        QVERIFY(!name("host/unix:0").contains(QLatin1Char('/')));
        QVERIFY(InstanceDoor::nameFor(1000, QStringLiteral("wayland"), "wayland-0", ":0") !=
                InstanceDoor::nameFor(1000, QStringLiteral("wayland"), "wayland-1", ":0"));
    }
    void questionsNeedNoDisplay()
    {
        const auto run = [](const QStringList& arguments) {
            QProcess program;
            QProcessEnvironment bare;
            bare.insert(QStringLiteral("PATH"), qEnvironmentVariable("PATH"));
            program.setProcessEnvironment(bare);
            program.start(QCoreApplication::applicationDirPath() + QStringLiteral("/vast-ember"), arguments);
            program.waitForFinished(test::patience);
            return std::tuple(program.exitStatus() == QProcess::NormalExit ? program.exitCode() : -1,
                              program.readAllStandardOutput(), program.readAllStandardError());
        };
        QVERIFY(std::get<1>(run({QStringLiteral("--version")})).contains("vast-ember"));
        QCOMPARE(std::get<0>(run({QStringLiteral("--version")})), 0);
        QVERIFY(std::get<1>(run({QStringLiteral("--help")})).contains("--new-window"));
        const auto [code, out, err] = run({});
        QCOMPARE(code, 1);
        QVERIFY(err.contains("no display"));
    }
    void aShortcutIsTakenOverAndEscapeIsNone()
    {
        dialogAnswer_ = [this](QDialog& dialog) {
            auto* keys = dialog.findChild<QKeySequenceEdit*>();
            auto* set = dialog.findChild<QPushButton*>(QStringLiteral("shortcut-set"));
            dialog.findChild<QLineEdit*>(QStringLiteral("shortcut-words"))->setText(QStringLiteral("new variation"));
            QTest::keyClick(keys, Qt::Key_B);
            QTRY_COMPARE(set->text(), QStringLiteral("Take over"));
            QVERIFY(set->isEnabled());
            set->click();
            QTest::keyClick(keys, Qt::Key_T);
            QTest::keyClick(keys, Qt::Key_Escape);
            QVERIFY(keys->keySequence().isEmpty() && dialog.isVisible());
            QTest::keyClick(keys, Qt::Key_Escape);
            QVERIFY(!dialog.isVisible());
        };
        const auto actions = actionsOf(*window_->menuBar());
        const auto named = [&](const QString& id) {
            for (const ListedAction& listed : actions)
                if (listed.id == id)
                    return listed;
            return actions.front();
        };
        named(QStringLiteral("edit.shortcuts")).action->trigger();
        QCOMPARE(named(QStringLiteral("strike.new-variation")).action->shortcut(), QKeySequence(Qt::Key_B));
        QVERIFY(named(QStringLiteral("strike.bypass-all-shakes")).action->shortcut().isEmpty());
    }
    void findingAnActionPassesOverThoseThatAreOff()
    {
        session().selection.set({});
        key(Qt::Key_F2);
        auto* words = child<QLineEdit>("action-words");
        auto* list = child<QListWidget>("action-list");
        QTest::keyClicks(words, QStringLiteral("strikes")); // most of them need a selection
        for (int i = 0; i < list->count(); ++i) {
            const auto* item = list->currentItem();
            QVERIFY(item != nullptr && (item->flags() & Qt::ItemIsEnabled) != 0);
            QTest::keyClick(words, Qt::Key_Down);
        }
        QTest::keyClick(words, Qt::Key_Escape);
        QVERIFY(!words->isVisible());
    }
    void theWordsFitWhatIsSelected()
    {
        twoStrikes();
        session().selection.setAll();
        turn();
        for (auto* label : window_->anvil().findChildren<QLabel*>())
            QVERIFY2(!label->text().contains(QStringLiteral("no strike")), qPrintable(label->text()));
    }
    void savingOverSomebodyElsesChangeIsAsked()
    {
        twoStrikes();
        const QString file = at(QStringLiteral("shared.vember"));
        QVERIFY(session().file.save(file));
        Project theirs = project();
        theirs.strikes[0].name = "theirs";
        QVERIFY(saveProject(theirs, file.toStdString()));
        session().strikes.scaleStrengths(0.5);
        press(Qt::Key_S, Qt::ControlModifier);
        QCOMPARE(changedAsked_, 1);
        QVERIFY(session().document.modified());
        QCOMPARE(loadProject(file.toStdString())->strikes[0].name, std::string("theirs"));
        changedAnswer_ = ChangedChoice::elsewhere;
        saveAnswer_ = at(QStringLiteral("mine.vember"));
        press(Qt::Key_S, Qt::ControlModifier);
        QCOMPARE(loadProject(file.toStdString())->strikes[0].name, std::string("theirs"));
        QVERIFY(loadProject(saveAnswer_.toStdString()).value() == project());
        press(Qt::Key_S, Qt::ControlModifier); // its own file now: nothing to ask
        QCOMPARE(changedAsked_, 2);
        // And never onto the clip.
        saveAnswer_ = QString::fromStdString(clip_);
        QVERIFY(!session().file.save(saveAnswer_));
        QVERIFY(window_->notice().contains(QStringLiteral("never written over")));
    }
    void lengthsOfSeveralStayTheirOwn()
    {
        twoStrikes();
        const double first = project().recipe(project().strikes[0].recipe)->envelope[F::decay];
        const double second = project().recipe(project().strikes[1].recipe)->envelope[F::decay];
        QVERIFY(first != second);
        session().selection.setAll();
        press(Qt::Key_BracketRight);
        QCOMPARE(project().recipe(project().strikes[0].recipe)->envelope[F::decay], 2 * first);
        QCOMPARE(project().recipe(project().strikes[1].recipe)->envelope[F::decay], 2 * second);
        press(Qt::Key_BracketLeft);
        QCOMPARE(project().recipe(project().strikes[0].recipe)->envelope[F::decay], first);
    }
};

EMBER_TEST(CarelessHandsTest)
#include "tst_careless_hands.moc"
