// SPDX-License-Identifier: GPL-3.0-or-later
// A machine that uses the window like a careless person: it clicks on fields, lists and buttons, types digits and
// letters into whatever has the focus, presses Enter, Escape, Tab, Delete and the arrows, and scrolls over things.
// After each step what must hold of every step is held against the project. Keys go the whole way, from the window
// system.
#include <cmath>

#include <QAbstractItemView>
#include <QLineEdit>
#include <QMenu>
#include <QMenuBar>
#include <QTabBar>
#include <QToolButton>
#include <QWheelEvent>
#include <QWindow>

#include "ember/project/compare.h"
#include "ember/project/film_edits.h"
#include "reel_geometry.h"
#include "runner.h"
#include "side_column.h"
#include "value_control.h"
#include "value_field.h"
#include "window_fixture.h"

using namespace ember;
using namespace ember::app;
using F = EnvelopeField;

class CarelessUseTest : public test::WindowFixture {
    Q_OBJECT

    static constexpr int stepsOfARow = 250;

    QString log_; ///< the last steps, for whoever has to find out

    void note(const QString& what)
    {
        QStringList lines = log_.split(QLatin1Char('\n'));
        lines << what;
        while (lines.size() > 14)
            lines.removeFirst();
        log_ = lines.join(QLatin1Char('\n'));
    }
    static QString nameOf(const QWidget* widget)
    {
        if (widget == nullptr)
            return QStringLiteral("nothing");
        const QString name = widget->objectName();
        return QLatin1String(widget->metaObject()->className()) + QLatin1Char(' ') +
               (name.isEmpty() && widget->parentWidget() != nullptr ? widget->parentWidget()->objectName() : name);
    }
    template <typename Widget>
    QList<Widget*> seen()
    {
        QList<Widget*> found;
        for (auto* widget : window_->findChildren<Widget*>())
            if (widget->isVisible() && widget->isEnabled() && !widget->visibleRegion().isEmpty())
                found << widget;
        return found;
    }
    template <typename Widget>
    Widget* any(test::Random& random)
    {
        const auto found = seen<Widget>();
        return found.isEmpty() ? nullptr : found[random.whole(0, static_cast<int>(found.size()) - 1)];
    }
    void send(Qt::Key k, Qt::KeyboardModifiers m = {})
    {
        QTest::keyClick(window_->windowHandle(), k, m);
        turn();
    }
    static bool inEntry()
    {
        const QWidget* focus = QApplication::focusWidget();
        return qobject_cast<const QLineEdit*>(focus) != nullptr || qobject_cast<const ValueField*>(focus) != nullptr ||
               qobject_cast<const QComboBox*>(focus) != nullptr ||
               qobject_cast<const QAbstractItemView*>(focus) != nullptr;
    }
    QList<QLineEdit*> editors()
    {
        QList<QLineEdit*> open;
        for (auto* field : window_->findChildren<ValueField*>())
            for (auto* editor : field->findChildren<QLineEdit*>())
                if (editor->isVisible())
                    open << editor;
        return open;
    }
    /// Not one that opens windows, files or menus, or makes the clock run.
    static bool harmless(const QAbstractButton& button)
    {
        static const QStringList left{QStringLiteral("render-open"),   QStringLiteral("render-start"),
                                      QStringLiteral("play"),          QStringLiteral("loop"),
                                      QStringLiteral("add-strand"),    QStringLiteral("recipe-export"),
                                      QStringLiteral("recipe-import"), QStringLiteral("sound-file"),
                                      QStringLiteral("layer-add"),     QStringLiteral("hint-close")};
        const auto* tool = qobject_cast<const QToolButton*>(&button);
        const auto* push = qobject_cast<const QPushButton*>(&button);
        return !left.contains(button.objectName()) && (tool == nullptr || tool->menu() == nullptr) &&
               (push == nullptr || push->menu() == nullptr);
    }

    void letter(test::Random& random)
    {
        constexpr std::array keys{Qt::Key_0,           Qt::Key_1,      Qt::Key_2,        Qt::Key_3, Qt::Key_4,
                                  Qt::Key_9,           Qt::Key_5,      Qt::Key_S,        Qt::Key_N, Qt::Key_X,
                                  Qt::Key_H,           Qt::Key_Period, Qt::Key_B,        Qt::Key_A, Qt::Key_Minus,
                                  Qt::Key_BracketLeft, Qt::Key_Delete, Qt::Key_Backspace};
        const Qt::Key k = keys[static_cast<std::size_t>(random.whole(0, static_cast<int>(keys.size()) - 1))];
        const bool entry = inEntry();
        const QString where = nameOf(QApplication::focusWidget());
        const std::size_t strikes = project().strikes.size();
        const std::size_t settles = project().settles.size();
        const StrikeIds selected = session().selection.ids();
        note(QStringLiteral("key %1 into %2").arg(QKeySequence(k).toString(), where));
        send(k);
        if (entry) { // what looks like typing reaches nothing but what it is typed into
            QVERIFY2(project().strikes.size() == strikes, qPrintable(log_));
            QVERIFY2(project().settles.size() == settles, qPrintable(log_));
            QVERIFY2(session().selection.ids() == selected, qPrintable(log_));
        }
    }
    void control(test::Random& random)
    {
        constexpr std::array keys{Qt::Key_Return, Qt::Key_Escape, Qt::Key_Tab,   Qt::Key_Backtab, Qt::Key_Up,
                                  Qt::Key_Down,   Qt::Key_Left,   Qt::Key_Right, Qt::Key_Enter};
        const Qt::Key k = keys[static_cast<std::size_t>(random.whole(0, static_cast<int>(keys.size()) - 1))];
        const bool editing = !editors().isEmpty();
        const bool entry = inEntry();
        const StrikeIds selected = session().selection.ids();
        const QWidget* focus = QApplication::focusWidget();
        if (const auto* button = qobject_cast<const QAbstractButton*>(focus);
            button != nullptr && (k == Qt::Key_Return || k == Qt::Key_Enter) && !harmless(*button))
            return;
        const Project before = project();
        note(QStringLiteral("key %1 into %2").arg(QKeySequence(k).toString(), nameOf(focus)));
        send(k, k == Qt::Key_Backtab ? Qt::ShiftModifier : Qt::NoModifier);
        if (k == Qt::Key_Escape && editing) {
            QVERIFY2(project() == before && session().selection.ids() == selected && editors().isEmpty(),
                     qPrintable(log_));
        } else if (entry && k != Qt::Key_Left && k != Qt::Key_Right) {
            QVERIFY2(session().selection.ids() == selected, qPrintable(log_));
        }
        if (QWidget* popup = QApplication::activePopupWidget()) // a list that Enter opened
            popup->close();
    }
    /// Click, type, Enter: what was typed is there, and what had the keys before has them again.
    void typeIntoAField(test::Random& random)
    {
        auto* field = any<ValueField>(random);
        if (field == nullptr || (!editors().isEmpty() && field->isAncestorOf(editors().front())))
            return; // a click into an open editor moves its cursor, as it should
        const QPointer<ValueField> kept(field);
        const QString number = QString::number(random.whole(0, 40));
        note(QStringLiteral("type %1 into %2").arg(number, nameOf(field)));
        QTest::mouseClick(field, Qt::LeftButton, {}, QPoint(6, field->height() / 2));
        turn();
        const auto before = session().document.snapshot(); // with what was typed elsewhere before
        const std::size_t strikes = before->strikes.size();
        QVERIFY2(editors().size() == 1, qPrintable(log_));
        for (const QChar c : number)
            QTest::keyClick(window_->windowHandle(), c.toLatin1());
        QVERIFY2(editors().size() == 1 && editors().front()->text() == number, qPrintable(log_));
        send(Qt::Key_Return);
        if (!editors().isEmpty()) { // it is out of range, and told
            send(Qt::Key_Escape);
            QVERIFY2(*before == project(), qPrintable(log_));
        }
        QVERIFY2(project().strikes.size() == strikes || nameOf(field).contains(QStringLiteral("length")) ||
                     nameOf(field).contains(QStringLiteral("in")),
                 qPrintable(log_));
        const auto* focus = QApplication::focusWidget();
        const bool table = kept != nullptr && kept->property("keeps-focus").toBool();
        QVERIFY2(focus == nullptr || qobject_cast<const QLineEdit*>(focus) == nullptr, qPrintable(log_));
        QVERIFY2(table || qobject_cast<const ValueField*>(focus) == nullptr, qPrintable(log_));
    }
    void scroll(test::Random& random)
    {
        QWidget* widget = nullptr;
        switch (random.whole(0, 2)) {
        case 0: widget = any<ValueField>(random); break;
        case 1: widget = any<QComboBox>(random); break;
        default: widget = any<QScrollArea>(random); break;
        }
        if (widget == nullptr)
            return;
        const bool its = widget->hasFocus() || widget->isAncestorOf(QApplication::focusWidget());
        const Project before = project();
        note(QStringLiteral("wheel over %1").arg(nameOf(widget)));
        wheelOver(widget, random.whole(0, 1) == 0 ? 1 : -1);
        if (!its && qobject_cast<QScrollArea*>(widget) == nullptr)
            QVERIFY2(project() == before, qPrintable(log_));
    }
    void clickSomething(test::Random& random)
    {
        switch (random.whole(0, 5)) {
        case 0:
            if (auto* field = any<ValueField>(random)) {
                note(QStringLiteral("click %1").arg(nameOf(field)));
                QTest::mouseClick(field, Qt::LeftButton, {}, QPoint(6, field->height() / 2));
            }
            break;
        case 1:
            if (auto* list = any<QComboBox>(random)) {
                note(QStringLiteral("focus %1").arg(nameOf(list)));
                list->setFocus(Qt::TabFocusReason);
            }
            break;
        case 2:
            if (auto* button = any<QAbstractButton>(random); button != nullptr && harmless(*button)) {
                note(QStringLiteral("press %1").arg(nameOf(button)));
                QTest::mouseClick(button, Qt::LeftButton);
            }
            break;
        case 3:
            if (auto* line = any<QLineEdit>(random)) {
                note(QStringLiteral("click %1").arg(nameOf(line)));
                QTest::mouseClick(line, Qt::LeftButton);
            }
            break;
        case 4: {
            QWidget* const parts[] = {&window_->picture(), &window_->anvil().canvas(), &window_->reel()};
            QWidget* part = parts[random.whole(0, 2)];
            note(QStringLiteral("click %1").arg(nameOf(part)));
            QTest::mouseClick(part, Qt::LeftButton, {}, QPoint(part->width() - 8, 4));
            break;
        }
        default: {
            constexpr std::array pages{Qt::Key_F5, Qt::Key_F6, Qt::Key_F7, Qt::Key_F8};
            note(QStringLiteral("a page"));
            send(pages[static_cast<std::size_t>(random.whole(0, 3))]);
        }
        }
        turn();
    }

    /// What a field shows is what the project holds.
    void fieldsAreTrue()
    {
        const Strike* strike = session().selection.strike();
        if (strike == nullptr)
            return;
        const auto holds = [&](const char* name, double value) {
            auto* field = window_->findChild<ValueField*>(QLatin1String(name));
            if (field != nullptr && field->isVisible())
                QVERIFY2(std::abs(field->value() - value) < 1e-9, qPrintable(QLatin1String(name) + log_));
        };
        holds("strike-strength", strike->strength);
        holds("strike-frame", static_cast<double>(strike->frame.index));
        holds("strike-seed", strike->seed);
        const Envelope shape = session().shaping.envelope();
        for (const F f : {F::attack, F::decay, F::hold, F::release, F::rumble})
            holds(qPrintable(QStringLiteral("envelope-") +
                             QString::fromUtf8(specOf(f).key.data(), static_cast<qsizetype>(specOf(f).key.size()))),
                  shape[f]);
    }
    void holdsAlways()
    {
        if (QWidget* popup = QApplication::activePopupWidget()) // the next press anywhere would close it
            popup->close();
        QVERIFY2(editors().size() <= 1, qPrintable(log_));
        if (editors().size() == 1)
            QVERIFY2(editors().front()->hasFocus(), qPrintable(log_));
        fieldsAreTrue();
    }
    /// Undo takes back exactly what was done, and redo does it again. Where no step was added, the change went on with
    /// the step before it or ended where that one had begun.
    void canBeTakenBack(const Project& before, std::size_t stepsBefore, bool wasTyping)
    {
        const std::size_t steps = session().document.history().undoSteps();
        if (steps <= stepsBefore)
            return;
        const std::size_t added = steps - stepsBefore;
        // Two only where what was typed before was taken on the way.
        QVERIFY2(added == 1 || (added == 2 && wasTyping), qPrintable(QString::number(added) + log_));
        const Project after = project();
        for (std::size_t i = 0; i < added; ++i)
            session().document.undo();
        const bool exact = project() == before;
        for (std::size_t i = 0; i < added; ++i)
            session().document.redo();
        QVERIFY2(exact, qPrintable(log_));
        QVERIFY2(project() == after, qPrintable(log_));
    }

private slots:
    void nothingHappensThatWasNotMeant_data()
    {
        QTest::addColumn<int>("seed");
        const int steps = std::max(1000, qEnvironmentVariableIntValue("EMBER_CARELESS_STEPS"));
        for (int seed = 1; seed <= steps / stepsOfARow; ++seed)
            QTest::addRow("seed %d", seed) << seed;
    }
    void nothingHappensThatWasNotMeant()
    {
        QFETCH(int, seed);
        test::Random random(static_cast<std::uint64_t>(1000 + seed));
        strikeOn(20, Qt::Key_2);
        strikeOn(50, Qt::Key_1);
        strikeOn(80, Qt::Key_3);
        for (const std::int64_t frame : {5, 30, 90})
            session().document.edit(withMoveKey(project(), {Frame{frame}, 1, 2, 1, 0}), QStringLiteral("key"));
        window_->picture().setFocus();
        turn();
        int changes = 0;
        for (int i = 0; i < stepsOfARow; ++i) {
            if (project().strikes.size() > 40)
                session().document.undo();
            const Project before = project();
            const QWidget* focus = QApplication::focusWidget();
            const bool wasTyping = qobject_cast<const QLineEdit*>(focus) != nullptr;
            const std::size_t stepsBefore = session().document.history().undoSteps();
            switch (random.whole(0, 9)) {
            case 0:
            case 1:
            case 2: letter(random); break;
            case 3:
            case 4: control(random); break;
            case 5:
            case 6: typeIntoAField(random); break;
            case 7: scroll(random); break;
            default: clickSomething(random); break;
            }
            if (QTest::currentTestFailed())
                return;
            holdsAlways();
            if (!QTest::currentTestFailed() && editors().isEmpty())
                canBeTakenBack(before, stepsBefore, wasTyping);
            if (QTest::currentTestFailed())
                return;
            changes += project() == before ? 0 : 1;
        }
        QVERIFY2(changes > stepsOfARow / 20, qPrintable(QString::number(changes))); // or nothing was tried
    }
};

EMBER_TEST(CarelessUseTest)
#include "tst_careless_use.moc"
