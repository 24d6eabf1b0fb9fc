// SPDX-License-Identifier: GPL-3.0-or-later
// The window through the accessibility interface alone, as assistive programs work it.
#include <QAccessible>
#include <QMenu>
#include <QMenuBar>
#include <QTest>

#include "clips.h"
#include "finder.h"
#include "render_panel.h"
#include "runner.h"
#include "window_fixture.h"

using namespace ember;
using namespace ember::app;

class AccessTest : public test::WindowFixture {
    Q_OBJECT

    /// The first below another one of a name (and role) that is to be seen.
    static QAccessibleInterface* find(QAccessibleInterface* in, const QString& name,
                                      QAccessible::Role role = QAccessible::NoRole)
    {
        if (in == nullptr)
            return nullptr;
        if (in->text(QAccessible::Name) == name && (role == QAccessible::NoRole || in->role() == role) &&
            !in->state().invisible)
            return in;
        for (int i = 0; i < in->childCount(); ++i)
            if (QAccessibleInterface* found = find(in->child(i), name, role))
                return found;
        return nullptr;
    }
    QAccessibleInterface* within(QWidget& widget, const QString& name)
    {
        return find(QAccessible::queryAccessibleInterface(&widget), name);
    }
    QMenu* menuNamed(const QString& title)
    {
        for (QAction* action : window_->menuBar()->actions())
            if (action->menu() != nullptr &&
                action->menu()->title().remove(QLatin1Char('&')) == QString(title).remove(QLatin1Char('&')))
                return action->menu();
        return nullptr;
    }
    static void act(QAccessibleInterface* on, const QString& name)
    {
        QVERIFY(on != nullptr);
        QVERIFY2(on->actionInterface() != nullptr && on->actionInterface()->actionNames().contains(name),
                 qPrintable(on->actionInterface()->actionNames().join(QLatin1Char(','))));
        on->actionInterface()->doAction(name);
        turn();
    }

private slots:
    void lanesAreParts()
    {
        strikeOn(20, Qt::Key_2);
        auto* anvil = QAccessible::queryAccessibleInterface(&canvas());
        QVERIFY(anvil != nullptr);
        QCOMPARE(anvil->text(QAccessible::Name), QStringLiteral("Anvil"));
        QTRY_COMPARE(anvil->childCount(), 3);
        QAccessibleInterface* rattle = anvil->child(1);
        QCOMPARE(rattle->text(QAccessible::Name), QStringLiteral("Strand Rattle"));
        QVERIFY(rattle->text(QAccessible::Value).endsWith(QStringLiteral("px")));
        QVERIFY(rattle->state().checkable && rattle->state().checked);
        QCOMPARE(anvil->indexOfChild(rattle), 1);
        QCOMPARE(rattle->parent(), anvil);
        QCOMPARE(anvil->childAt(rattle->rect().center().x(), rattle->rect().center().y()), rattle);
        act(rattle, QStringLiteral("Turn on or off"));
        QVERIFY(session().shaping.felt()->strands[1].muted && !rattle->state().checked);
        act(rattle, QStringLiteral("Open or close"));
        QVERIFY(rattle->state().selected);
        act(rattle, QStringLiteral("Move up"));
        QCOMPARE(session().shaping.felt()->strands[0].name, std::string("Rattle"));
        // It says what is there now, and nothing once it is gone.
        QCOMPARE(rattle->text(QAccessible::Name), QStringLiteral("Strand Kick"));
        session().selection.set({});
        turn();
        QCOMPARE(anvil->childCount(), 0);
        QVERIFY(!rattle->isValid() && rattle->text(QAccessible::Name).isEmpty());
        QCOMPARE(rattle->rect(), QRect());
    }
    void strikesAreParts()
    {
        strikeOn(20, Qt::Key_2);
        strikeOn(60, Qt::Key_1);
        auto* reel = QAccessible::queryAccessibleInterface(&window_->reel());
        QCOMPARE(reel->childCount(), 2);
        QAccessibleInterface* first = reel->child(0);
        QCOMPARE(first->text(QAccessible::Value), QStringLiteral("frame 20, 100 %"));
        QVERIFY(!first->state().selected && reel->child(1)->state().selected);
        act(first, QStringLiteral("Select"));
        QCOMPARE(session().selection.ids(), (StrikeIds{project().strikes[0].id}));
        QVERIFY(first->state().selected);
        act(reel->child(1), QStringLiteral("Go there"));
        QCOMPARE(session().playhead.frame(), std::int64_t{60});
    }
    void numbersAreReadAndSet()
    {
        strikeOn(20, Qt::Key_2);
        QAccessibleInterface* decay = within(window_->anvil(), QStringLiteral("decay"));
        QVERIFY(decay != nullptr);
        decay = find(decay, QStringLiteral("decay"), QAccessible::SpinBox);
        QVERIFY(decay != nullptr && decay->valueInterface() != nullptr);
        QCOMPARE(decay->text(QAccessible::Value), QStringLiteral("22 f"));
        decay->valueInterface()->setCurrentValue(40);
        turn();
        QCOMPARE(felt()[EnvelopeField::decay], 40.0);
        QCOMPARE(decay->valueInterface()->currentValue().toDouble(), 40.0);
        QVERIFY(decay->valueInterface()->maximumValue().toDouble() > 1000);
        decay->valueInterface()->setCurrentValue(-5); // out of range: as near as can be
        QVERIFY(felt()[EnvelopeField::decay] >= 0);
    }
    void sparksAreNumbersToo()
    {
        strikeOn(20, Qt::Key_2);
        QAccessibleInterface* spark = QAccessible::queryAccessibleInterface(&window_->reel())->child(0);
        QVERIFY(spark->valueInterface() != nullptr);
        QCOMPARE(spark->valueInterface()->currentValue().toDouble(), 1.0);
        spark->valueInterface()->setCurrentValue(0.4);
        turn();
        QCOMPARE(project().strikes[0].strength, 0.4);
        spark->valueInterface()->setCurrentValue(99); // as far as it goes
        QCOMPARE(project().strikes[0].strength, spark->valueInterface()->maximumValue().toDouble());
        act(spark, QStringLiteral("One frame later"));
        QCOMPARE(project().strikes[0].frame.index, std::int64_t{21});
        session().strikes.settleHere(SettleMode::cut);
        QAccessibleInterface* mark = QAccessible::queryAccessibleInterface(&window_->reel())->child(1);
        QVERIFY(mark->text(QAccessible::Name) == QStringLiteral("Settle mark") && mark->valueInterface() == nullptr);
    }
    void thePictureTellsItsPose()
    {
        strikeOn(20, Qt::Key_2);
        session().playhead.setFrame(10);
        QAccessibleInterface* picture = QAccessible::queryAccessibleInterface(&window_->picture());
        QAccessibleInterface* shown = picture->child(picture->childCount() - 1);
        QCOMPARE(shown->text(QAccessible::Value), QStringLiteral("at rest"));
        session().playhead.setFrame(22);
        QCOMPARE(shown->text(QAccessible::Name), QStringLiteral("frame 22"));
        QVERIFY(shown->text(QAccessible::Value).contains(QStringLiteral("y ")));
    }
    void tracesTellTheirPeaks()
    {
        strikeOn(20, Qt::Key_2);
        key(Qt::Key_Y);
        turn();
        QAccessibleInterface* traces = find(QAccessible::queryAccessibleInterface(&window_->anvil()),
                                            QStringLiteral("Motion axis by axis"), QAccessible::Canvas);
        QVERIFY(traces != nullptr);
        QAccessibleInterface* y = find(traces, QStringLiteral("y"), QAccessible::ListItem);
        QVERIFY(y != nullptr && y->text(QAccessible::Value).contains(QStringLiteral("px at +")));
        act(y, QStringLiteral("Go to its peak"));
        QVERIFY(session().playhead.frame() > 20);
        key(Qt::Key_Y);
    }
    void keysOfACurveAreParts()
    {
        strikeOn(20, Qt::Key_2);
        Project next = session().document.project();
        Strand drawn;
        drawn.name = "Hand";
        Drawn keys;
        keys.keys[1] = {{0, 1, Ease::smooth}, {6, -0.5, Ease::smooth}, {12, 0, Ease::smooth}};
        drawn.source = keys;
        drawn.amount[Axis::y] = 10;
        for (Recipe& recipe : next.recipes)
            if (recipe.id == next.strikes[0].recipe)
                recipe.strands = {drawn};
        session().document.edit(std::move(next), QStringLiteral("keys"));
        session().shaping.setOpenStrand("Hand");
        turn();
        key(Qt::Key_U);
        turn();
        auto* canvas = child<QWidget>("curve-canvas");
        QAccessibleInterface* curve = QAccessible::queryAccessibleInterface(canvas);
        QCOMPARE(curve->childCount(), 3);
        QVERIFY(curve->child(0)->valueInterface() == nullptr); // the peak stays at 100 %
        QAccessibleInterface* second = curve->child(1);
        QCOMPARE(second->text(QAccessible::Value), QStringLiteral("-5 px"));
        second->valueInterface()->setCurrentValue(2.5);
        act(second, QStringLiteral("One frame later"));
        const auto& now = std::get<Drawn>(session().shaping.felt()->strands[0].source).keys[1];
        QCOMPARE(now[1].value, 0.25);
        QCOMPARE(now[1].frame, 7.0);
    }
    void everyControlHasAName()
    {
        std::set<QString> without;
        throughAllPlaces([&](QWidget& place) {
            for (auto* widget : place.findChildren<QWidget*>()) {
                if (!widget->isVisible() || widget->focusPolicy() == Qt::NoFocus ||
                    (widget->parentWidget() != nullptr && widget->parentWidget()->inherits("QComboBox")))
                    continue;
                QAccessibleInterface* known = QAccessible::queryAccessibleInterface(widget);
                if (known != nullptr && known->role() != QAccessible::Client &&
                    known->text(QAccessible::Name).isEmpty())
                    without.insert(QString::fromLatin1(widget->metaObject()->className()) + QLatin1Char(' ') +
                                   widget->objectName());
            }
        });
        for (const QString& one : without)
            qWarning("%s", qPrintable(one));
        QVERIFY(without.empty());
    }
    void theMainJobIsDone()
    {
        // Find, accept, shape, settle, render: nothing but names, values and actions.
        auto* whole = QAccessible::queryAccessibleInterface(window_.get());
        const auto press = [&](const QString& name) {
            QAccessibleInterface* button = find(whole, name, QAccessible::Button);
            QVERIFY2(button != nullptr, qPrintable(name));
            act(button, QAccessibleActionInterface::pressAction());
        };
        QVERIFY(test::flashingClip(at(QStringLiteral("struck.mkv")).toStdString(), {20, 61}));
        open(at(QStringLiteral("struck.mkv")));
        auto* menu = menuNamed(QStringLiteral("&Find"));
        QVERIFY(menu != nullptr);
        menu->popup({}); // as the key or the program for it opens it
        QAccessibleInterface* entry =
            find(QAccessible::queryAccessibleInterface(menu), QStringLiteral("Find strikes"), QAccessible::MenuItem);
        QVERIFY(entry != nullptr);
        act(entry, QAccessibleActionInterface::pressAction());
        menu->close();
        QTRY_VERIFY(window_->finder().ready() && !window_->finder().running());
        auto* reel = QAccessible::queryAccessibleInterface(&window_->reel());
        QTRY_VERIFY(reel->childCount() > 0);
        QVERIFY(reel->child(0)->text(QAccessible::Name).startsWith(QStringLiteral("Proposal")));
        act(reel->child(0), QStringLiteral("Accept"));
        QCOMPARE(project().strikes.size(), std::size_t{1});
        act(reel->child(0), QStringLiteral("Select")); // it is a strike now
        act(reel->child(0), QStringLiteral("Go there"));
        press(QStringLiteral("Close"));
        QTRY_COMPARE(window_->beside(), MainWindow::Beside::column);
        QAccessibleInterface* strength = find(whole, QStringLiteral("Strength"), QAccessible::SpinBox);
        QVERIFY(strength != nullptr && strength->valueInterface() != nullptr);
        strength->valueInterface()->setCurrentValue(0.5);
        turn();
        QCOMPARE(project().strikes[0].strength, 0.5);
        QAccessibleInterface* mine = find(whole, QStringLiteral("this strike only"), QAccessible::CheckBox);
        QVERIFY(mine != nullptr && !mine->state().checked);
        act(mine, QAccessibleActionInterface::toggleAction());
        QVERIFY(mine->state().checked);
        QCOMPARE(session().shaping.scope(), ShapeScope::strike);
        QAccessibleInterface* hold = find(whole, QStringLiteral("hold"), QAccessible::SpinBox);
        QVERIFY(hold != nullptr);
        hold->valueInterface()->setCurrentValue(6);
        turn();
        QCOMPARE(felt()[EnvelopeField::hold], 6.0);
        QVERIFY(!project().strikes[0].overrides.empty());
        // Settled a little later.
        const auto at = project().strikes[0].frame.index + 12;
        QAccessibleInterface* place = find(whole, QStringLiteral("Frame on show"), QAccessible::SpinBox);
        QVERIFY(place != nullptr);
        place->valueInterface()->setCurrentValue(static_cast<double>(at));
        turn();
        QCOMPARE(session().playhead.frame(), at);
        QAccessibleInterface* film = find(whole, QStringLiteral("Film"), QAccessible::CheckBox);
        QVERIFY(film != nullptr && film->actionInterface() != nullptr);
        film->actionInterface()->doAction(QAccessibleActionInterface::pressAction());
        turn();
        press(QStringLiteral("Ease home here"));
        QCOMPARE(project().settles.size(), std::size_t{1});
        // Rendered.
        press(QStringLiteral("Render film"));
        QTRY_VERIFY(child<QWidget>("render-panel")->isVisible());
        QAccessibleInterface* path = find(whole, QStringLiteral("File"), QAccessible::EditableText);
        QVERIFY(path != nullptr && path->editableTextInterface() != nullptr);
        const QString film1 = PartFixture::at(QStringLiteral("heard.mkv"));
        path->editableTextInterface()->replaceText(0, path->textInterface()->characterCount(), film1);
        press(QStringLiteral("Render"));
        QTRY_VERIFY(QFile::exists(film1) && !window_->renderPanel().running());
    }
    void theMainJobIsDoneByKeys()
    {
        QVERIFY(test::flashingClip(at(QStringLiteral("struck.mkv")).toStdString(), {20, 61}));
        openAnswer_ = at(QStringLiteral("struck.mkv"));
        const auto pressed = [](Qt::Key k, Qt::KeyboardModifiers m = {}) {
            QWidget* to = QApplication::focusWidget();
            QTest::keyClick(to != nullptr ? to : QApplication::activeWindow(), k, m);
            turn();
        };
        const auto tabTo = [&](const char* name) {
            for (int i = 0; i < 200; ++i) {
                for (const QWidget* at = QApplication::focusWidget(); at != nullptr; at = at->parentWidget())
                    if (at->objectName() == QLatin1String(name))
                        return true;
                pressed(Qt::Key_Tab);
            }
            return false;
        };
        const auto typed = [&](const char* name, const QString& text) {
            if (!tabTo(name))
                qFatal("no way to %s", name);
            for (const QChar one : text) // an editor opens with the first
                QTest::keyClick(QApplication::focusWidget(), one.toLatin1());
            pressed(Qt::Key_Return);
        };
        pressed(Qt::Key_O, Qt::ControlModifier);
        settle();
        QVERIFY(session().film.hasClip());
        pressed(Qt::Key_F, Qt::ControlModifier);
        QTRY_VERIFY(window_->finder().ready() && !window_->finder().running());
        pressed(Qt::Key_Period);
        pressed(Qt::Key_A);
        QCOMPARE(project().strikes.size(), std::size_t{1});
        pressed(Qt::Key_F5);
        if (session().selection.strike() == nullptr)
            pressed(Qt::Key_Up);
        QVERIFY(session().selection.strike() != nullptr);
        typed("strike-strength", QStringLiteral("50"));
        QCOMPARE(project().strikes[0].strength, 0.5);
        typed("envelope-hold", QStringLiteral("6"));
        QCOMPARE(felt()[EnvelopeField::hold], 6.0);
        pressed(Qt::Key_Escape); // out of the number, to the window's own keys
        const auto from = session().playhead.frame();
        key(Qt::Key_Right, Qt::ShiftModifier);
        QCOMPARE(session().playhead.frame(), from + 10);
        key(Qt::Key_H);
        QCOMPARE(project().settles.size(), std::size_t{1});
        pressed(Qt::Key_R, Qt::ControlModifier);
        QVERIFY(window_->renderPanel().isVisible());
        QVERIFY(tabTo("render-path"));
        const QString film = at(QStringLiteral("typed.mkv"));
        pressed(Qt::Key_A, Qt::ControlModifier);
        QTest::keyClicks(QApplication::focusWidget(), film);
        pressed(Qt::Key_R, Qt::ControlModifier);
        QTRY_VERIFY(QFile::exists(film) && !window_->renderPanel().running());
    }
};

EMBER_TEST(AccessTest)
#include "tst_access.moc"
