// SPDX-License-Identifier: GPL-3.0-or-later
// The window through the accessibility interface alone, as assistive programs work it.
#include <QAccessible>
#include <QTest>

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
    void theMainJobIsDone()
    {
        // Put a strike, shape it, settle it: nothing but names, values and actions.
        auto* whole = QAccessible::queryAccessibleInterface(window_.get());
        session().playhead.setFrame(24);
        QAccessibleInterface* put = find(whole, QStringLiteral("Strike here  S"), QAccessible::Button);
        QVERIFY(put != nullptr);
        act(put, QAccessibleActionInterface::pressAction());
        QTRY_COMPARE(project().strikes.size(), std::size_t{1}); // a button goes down and up
        QCOMPARE(project().strikes[0].frame.index, std::int64_t{24});
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
        QAccessibleInterface* render = find(whole, QStringLiteral("Render film"), QAccessible::Button);
        QVERIFY(render != nullptr);
        act(render, QAccessibleActionInterface::pressAction());
        QTRY_VERIFY(child<QWidget>("render-panel")->isVisible());
    }
};

EMBER_TEST(AccessTest)
#include "tst_access.moc"
