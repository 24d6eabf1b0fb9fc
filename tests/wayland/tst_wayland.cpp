// SPDX-License-Identifier: GPL-3.0-or-later
// The window as a client of a real Wayland compositor: keys, clipboard, lists that open, pictures and closing go
// through it. It has no pointer: clicks are made by Qt.
#include <QClipboard>
#include <QGuiApplication>
#include <QImage>
#include <QMimeData>
#include <QProcess>

#include "runner.h"
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
    static void pressed(const QStringList& keys) { run(QStringLiteral("wtype"), keys); }
    static void pressedWithControl(const char* key)
    {
        pressed({QStringLiteral("-M"), QStringLiteral("ctrl"), QStringLiteral("-k"), QLatin1String(key),
                 QStringLiteral("-m"), QStringLiteral("ctrl")});
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
        pressed({QStringLiteral("3")});
        QTRY_COMPARE(project().strikes.size(), std::size_t{1});
        QCOMPARE(project().strikes[0].frame.index, std::int64_t{20});
        pressedWithControl("z");
        QTRY_VERIFY(project().strikes.empty());
    }
    void strikesGoThroughTheSystemsClipboard()
    {
        strikeOn(20);
        pressedWithControl("c");
        QTRY_VERIFY(QGuiApplication::clipboard()->mimeData() != nullptr &&
                    QGuiApplication::clipboard()->mimeData()->hasText());
        const QByteArray text = run(QStringLiteral("wl-paste"), {QStringLiteral("--no-newline")});
        QVERIFY2(text.contains("\"strikes\""), text.constData());
        // From another program back: it is another window's clipboard now.
        run(QStringLiteral("wl-copy"), {}, text);
        QTRY_VERIFY(!QGuiApplication::clipboard()->ownsClipboard());
        session().playhead.setFrame(70);
        pressedWithControl("v");
        QTRY_COMPARE(project().strikes.size(), std::size_t{2});
        QCOMPARE(project().strikes[1].frame.index, std::int64_t{70});
        QVERIFY(project().strikes[1].kind == project().strikes[0].kind);
    }
    void theCompositorShowsWhatTheWindowDraws()
    {
        strikeOn(20);
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
        strikeOn(20);
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
