// SPDX-License-Identifier: GPL-3.0-or-later
// The window as a client of a real Wayland compositor: keys, pointer, wheel, lists that open, dragging, clipboard,
// pictures and closing go through it.
#include <QAbstractItemView>
#include <QClipboard>
#include <QComboBox>
#include <QCursor>
#include <QGuiApplication>
#include <QImage>
#include <QListWidget>
#include <QMimeData>
#include <QProcess>
#include <QTimer>

#include "runner.h"
#include "virtual_pointer.h"
#include "window_fixture.h"

using namespace ember;
using namespace ember::app;

class WaylandTest : public test::WindowFixture {
    Q_OBJECT

    /// Runs another program of the session to its end, and goes on answering the compositor.
    static QByteArray run(const QString& program, const QStringList& arguments, const QByteArray& input = {})
    {
        QProcess process;
        process.start(program, arguments);
        process.write(input);
        process.closeWriteChannel();
        const bool ended = QTest::qWaitFor([&] { return process.state() == QProcess::NotRunning; }, test::patience);
        if (!ended || process.exitStatus() != QProcess::NormalExit || process.exitCode() != 0)
            qWarning("%s: %s", qPrintable(program), process.readAllStandardError().constData());
        return process.readAllStandardOutput();
    }
    /// Does something until it shows. Each call of wtype brings a keyboard of its own, and while the compositor changes
    /// to it or takes it away the window is without the focus for a moment: keys are lost.
    template <typename Act, typename Shows>
    static bool until(const Act& act, const Shows& shows)
    {
        constexpr int often = 100; // looks, some hundredths of a second apart
        int looks = 0;
        return QTest::qWaitFor(
            [&] {
                if (looks++ % often == 0)
                    act();
                return shows();
            },
            test::patience);
    }
    template <typename Shows>
    static bool pressed(const QStringList& keys, const Shows& shows)
    {
        return until([&] { run(QStringLiteral("wtype"), keys); }, shows);
    }
    bool struck(std::int64_t frame)
    {
        return until(
            [&] { strikeOn(frame); },
            [&] { return session().selection.strike() && session().selection.strike()->frame == Frame{frame}; });
    }
    template <typename Shows>
    static bool pressedWithControl(const char* key, const Shows& shows)
    {
        return pressed({QStringLiteral("-M"), QStringLiteral("ctrl"), QStringLiteral("-k"), QLatin1String(key),
                        QStringLiteral("-m"), QStringLiteral("ctrl")},
                       shows);
    }
    /// Plugged in once: it stays for all tests.
    static test::VirtualPointer& pointer()
    {
        static test::VirtualPointer pointer({1280, 800});
        return pointer;
    }
    /// Where it is on the screen, which the window fills.
    static QPoint on(const QWidget* widget, QPoint place) { return widget->mapTo(widget->window(), place); }
    static QPoint middleOf(const QWidget* widget) { return on(widget, widget->rect().center()); }
    /// Once the window hears of it: what is pressed before is lost.
    static bool pointerIsHeard()
    {
        bool there = false;
        return QTest::qWaitFor(
            [&] {
                const QPoint at(there ? 400 : 420, 4);
                there = !there;
                pointer().move(at);
                QTest::qWait(20);
                return QCursor::pos() == at;
            },
            test::patience);
    }
    /// With the button held, in steps that the compositor is left to tell of.
    static void pull(QPoint from, QPoint to)
    {
        pointer().move(from);
        pointer().press();
        for (int i = 1; i <= 8; ++i) {
            pointer().move(from + (to - from) * i / 8);
            QTest::qWait(10);
        }
    }

private slots:
    void itIsAClientOfTheCompositor()
    {
        QCOMPARE(QGuiApplication::platformName(), QStringLiteral("wayland"));
        QVERIFY(window_->isActiveWindow());
        QTRY_COMPARE(window_->size(), QSize(1280, 800)); // as the compositor has it
    }
    void keysPutAndTakeBackStrikes()
    {
        session().playhead.setFrame(20);
        QVERIFY(pressed({QStringLiteral("3")}, [this] { return project().strikes.size() == 1; }));
        QCOMPARE(project().strikes[0].frame.index, std::int64_t{20});
        QVERIFY(pressedWithControl("z", [this] { return project().strikes.empty(); }));
    }
    void strikesGoThroughTheSystemsClipboard()
    {
        QVERIFY(struck(20));
        QByteArray text; // as another program has it
        QVERIFY(pressedWithControl("c", [&text] {
            const QMimeData* held = QGuiApplication::clipboard()->mimeData();
            if (held != nullptr && held->hasText())
                text = run(QStringLiteral("wl-paste"), {QStringLiteral("--no-newline")});
            return text.contains("\"strikes\"");
        }));
        // From another program back: it is another window's clipboard now.
        run(QStringLiteral("wl-copy"), {}, text);
        QTRY_VERIFY(!QGuiApplication::clipboard()->ownsClipboard());
        session().playhead.setFrame(70);
        QVERIFY(pressedWithControl("v", [this] { return project().strikes.size() == 2; }));
        QCOMPARE(project().strikes[1].frame.index, std::int64_t{70});
        QVERIFY(project().strikes[1].kind == project().strikes[0].kind);
    }
    void thePointerPicksAndDragsStrikes()
    {
        QVERIFY(pointer().works() && pointerIsHeard());
        QVERIFY(struck(20));
        QVERIFY(struck(60));
        pointer().click(on(&window_->reel(), spark(20)));
        QTRY_COMPARE(session().selection.strike()->frame.index, std::int64_t{20});
        pull(on(&window_->reel(), spark(20)), on(&window_->reel(), spark(30)));
        pointer().release();
        QTRY_COMPARE(project().strikes[0].frame.index, std::int64_t{30});
        QVERIFY(pressedWithControl("z", [this] { return project().strikes[0].frame.index == 20; }));
    }
    void listsOpenAtThePointer()
    {
        QVERIFY(struck(20));
        QVERIFY(until([this] { key(Qt::Key_F8); }, [this] { return child<QWidget>("finish-edges")->isVisible(); }));
        QVERIFY(pointer().works() && pointerIsHeard());
        auto* edges = child<QComboBox>("finish-edges");
        const int before = edges->currentIndex();
        const Project was = project();
        pointer().move(middleOf(edges));
        pointer().turn(3); // what is rolled over does not change
        pointer().click(middleOf(edges));
        QTRY_VERIFY(edges->view()->isVisible());
        QVERIFY(project() == was);
        const int wanted = before == 1 ? 2 : 1;
        const QAbstractItemView* list = edges->view();
        const QRect row = list->visualRect(edges->model()->index(wanted, 0));
        const QPoint corner = list->viewport()->mapToGlobal(QPoint()) - window_->mapToGlobal(QPoint());
        pointer().click(corner + row.center());
        QTRY_COMPARE(edges->currentIndex(), wanted);
        QTRY_VERIFY(!(project() == was));
    }
    void aRecipeIsDraggedIntoAnotherProgram()
    {
        QVERIFY(until([this] { key(Qt::Key_F6); }, [this] { return child<QWidget>("recipe-list")->isVisible(); }));
        QVERIFY(pointer().works() && pointerIsHeard());
        QProcess other;
        other.start(QStringLiteral(EMBER_DROP_TARGET), {});
        const QStringList tree{QStringLiteral("-t"), QStringLiteral("get_tree")};
        QTRY_VERIFY(run(QStringLiteral("swaymsg"), tree).contains("drop target"));
        auto* list = child<QListWidget>("recipe-list");
        const auto row = [&] { // below its heading
            int first = 0;
            while (first + 1 < list->count() && !list->item(first)->flags().testFlag(Qt::ItemIsSelectable))
                ++first;
            return on(list->viewport(), list->visualItemRect(list->item(first)).center());
        };
        // Dragging runs a loop of its own until the button is let go: it is done from a timer, and again where it led
        // nowhere.
        constexpr int steps = 10, rest = 30;
        const QPoint to(1080, 660);
        QPoint from;
        QTimer hand;
        int step = 0;
        QObject::connect(&hand, &QTimer::timeout, &hand, [&] {
            if (step == 0) {
                from = row();
                pointer().move(from);
                pointer().press();
            } else if (step <= steps) {
                pointer().move(from + (to - from) * step / steps);
            } else if (step == steps + 1) {
                pointer().release();
            }
            step = (step + 1) % (steps + rest);
        });
        hand.start(30);
        QByteArray told;
        const auto dropped = [&] {
            told += other.readAllStandardOutput();
            return told.contains("copied\n");
        };
        QTRY_VERIFY2(dropped(), told.constData());
        hand.stop();
        pointer().release();
        const QString file = QString::fromUtf8(told.split('\n').value(0));
        QVERIFY2(file.endsWith(QLatin1String(".json")) && QFile::exists(file), told.constData());
        QTRY_COMPARE(other.state(), QProcess::NotRunning);
    }
    void theCompositorShowsWhatTheWindowDraws()
    {
        QVERIFY(struck(20));
        session().playhead.setFrame(21);
        QVERIFY(shown().width() > 1);
        const QString file = at(QStringLiteral("screen.png"));
        const auto alike = [&] {
            run(QStringLiteral("grim"), {file});
            const QImage screen = QImage(file).convertToFormat(QImage::Format_RGB32);
            const QImage drawn = window_->grab().toImage().convertToFormat(QImage::Format_RGB32);
            if (screen.size() != drawn.size())
                return false;
            int other = 0;
            for (int y = 0; y < screen.height(); ++y)
                for (int x = 0; x < screen.width(); ++x)
                    other += screen.pixel(x, y) != drawn.pixel(x, y) ? 1 : 0;
            return other < 400; // a cursor that blinks
        };
        QVERIFY(QTest::qWaitFor(alike, test::patience));
    }
    void beingClosedFromOutsideAsks()
    {
        QVERIFY(struck(20));
        leaveAnswer_ = SaveChoice::cancel;
        run(QStringLiteral("swaymsg"), {QStringLiteral("kill")});
        QTRY_COMPARE(leaveAsked_, 1);
        QVERIFY(window_->isVisible());
        leaveAnswer_ = SaveChoice::discard;
        run(QStringLiteral("swaymsg"), {QStringLiteral("kill")});
        QTRY_VERIFY(!window_->isVisible());
    }
};

EMBER_TEST(WaylandTest)

#include "tst_wayland.moc"
