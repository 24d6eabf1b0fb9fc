// SPDX-License-Identifier: GPL-3.0-or-later
// The program as a citizen of a desktop: asked over the session's bus, its files known, its faults reported.
#include <csignal>
#include <sys/wait.h>
#include <unistd.h>

#include <QClipboard>
#include <QDBusConnection>
#include <QDBusInterface>
#include <QDBusReply>
#include <QDomDocument>
#include <QProcess>
#include <QSignalSpy>
#include <QTest>

#include "crash_report.h"
#include "crash_sheet.h"
#include "desktop_door.h"
#include "desktop_recent.h"
#include "patience.h"
#include "runner.h"
#include "window_fixture.h"

using namespace ember;
using namespace ember::app;

namespace {

const QString place = QStringLiteral("/org/vastember/VastEmber");
const QString interfaceName = QStringLiteral("org.freedesktop.Application");

/// A session's bus of our own.
class Bus {
public:
    explicit Bus(const QStringList& more = {})
    {
        process_.start(QStringLiteral("dbus-daemon"),
                       QStringList{QStringLiteral("--nofork"), QStringLiteral("--nopidfile"),
                                   QStringLiteral("--print-address=1")} +
                           (more.isEmpty() ? QStringList{QStringLiteral("--session")} : more));
        if (process_.waitForStarted(test::patience) &&
            QTest::qWaitFor([this] { return process_.canReadLine(); }, test::patience))
            address_ = QString::fromLatin1(process_.readLine()).trimmed();
    }
    ~Bus()
    {
        process_.terminate();
        process_.waitForFinished(test::patience);
    }
    const QString& address() const { return address_; }
    QDBusConnection connection(const QString& name) const { return QDBusConnection::connectToBus(address_, name); }

private:
    QProcess process_;
    QString address_;
};

} // namespace

class DesktopTest : public test::WindowFixture {
    Q_OBJECT
private slots:
    void theDesktopAsksOverTheBus()
    {
        const Bus bus;
        QVERIFY(!bus.address().isEmpty());
        QStringList asked;
        QStringList others;
        {
            DesktopDoor door(bus.connection(QStringLiteral("door")));
            connect(&door, &DesktopDoor::asked, this, [&](const QString& path) { asked.append(path); });
            connect(&door, &DesktopDoor::anotherAsked, this, [&](const QString& path) { others.append(path); });
            QVERIFY(door.open());
            QDBusConnection desktop = bus.connection(QStringLiteral("desktop"));
            const auto call = [&](const char* method, const QVariantList& arguments) {
                QDBusMessage message =
                    QDBusMessage::createMethodCall(DesktopDoor::name, place, interfaceName, QLatin1String(method));
                message.setArguments(arguments);
                return desktop.call(message, QDBus::BlockWithGui).type();
            };
            const QVariantMap platform{{QStringLiteral("activation-token"), QStringLiteral("from-the-menu")}};
            QCOMPARE(call("Activate", {platform}), QDBusMessage::ReplyMessage);
            QCOMPARE(asked, QStringList{QString()});
            QCOMPARE(qgetenv("XDG_ACTIVATION_TOKEN"), QByteArray("from-the-menu"));
            qunsetenv("XDG_ACTIVATION_TOKEN");
            QCOMPARE(
                call("Open", {QStringList{QStringLiteral("file:///films/H%C3%BCtte%20%231.vember"),
                                          QStringLiteral("https://example.org/a.mp4"), QStringLiteral("file:///b.mp4")},
                              QVariantMap()}),
                QDBusMessage::ReplyMessage);
            QCOMPARE(asked.back(), QStringLiteral("/films/Hütte #1.vember"));
            QCOMPARE(others, QStringList{QStringLiteral("/b.mp4")});
            QCOMPARE(call("ActivateAction", {QStringLiteral("new-window"), QVariantList(), QVariantMap()}),
                     QDBusMessage::ReplyMessage);
            QCOMPARE(others.size(), 2);
            QCOMPARE(call("ActivateAction", {QStringLiteral("format-disk"), QVariantList(), QVariantMap()}),
                     QDBusMessage::ReplyMessage);
            QCOMPARE(others.size(), 2);
            QCOMPARE(call("Open", {QStringLiteral("no list")}), QDBusMessage::ErrorMessage);
            DesktopDoor second(bus.connection(QStringLiteral("second"))); // the name is taken
            QVERIFY(!second.open());
            for (const char* name : {"door", "desktop", "second"})
                QDBusConnection::disconnectFromBus(QLatin1String(name));
        }
        DesktopDoor nowhere(QDBusConnection(QStringLiteral("no bus")));
        QVERIFY(!nowhere.open());
    }

    void usedFilesAreKnownToTheDesktop()
    {
        const QDateTime when(QDate(2026, 12, 2), QTime(10, 0), Qt::UTC);
        const QByteArray foreign =
            "<?xml version=\"1.0\" encoding=\"UTF-8\"?>\n"
            "<xbel version=\"1.0\" xmlns:bookmark=\"http://www.freedesktop.org/standards/desktop-bookmarks\" "
            "xmlns:mime=\"http://www.freedesktop.org/standards/shared-mime-info\">\n"
            "<bookmark href=\"file:///a%20b.mp4\" added=\"2020-01-01T00:00:00Z\" modified=\"2020-01-01T00:00:00Z\" "
            "visited=\"2020-01-01T00:00:00Z\"><title>Mine</title><info><metadata owner=\"http://freedesktop.org\">"
            "<mime:mime-type type=\"video/mp4\"/><bookmark:groups><bookmark:group>G</bookmark:group></bookmark:groups>"
            "<bookmark:applications><bookmark:application name=\"Player\" exec=\"&apos;player %u&apos;\" "
            "modified=\"2020-01-01T00:00:00Z\" count=\"7\"/></bookmark:applications></metadata></info></bookmark>\n"
            "</xbel>\n";
        const QByteArray once = withRecentFile(foreign, QStringLiteral("/a b.mp4"), QStringLiteral("video/mp4"), when);
        const QByteArray twice =
            withRecentFile(once, QStringLiteral("/Hütte.vember"), QStringLiteral("application/x-vast-ember"), when);
        const QByteArray thrice =
            withRecentFile(twice, QStringLiteral("/Hütte.vember"), QStringLiteral("application/x-vast-ember"), when);
        QDomDocument read;
        QVERIFY(read.setContent(thrice, true)); // with its name spaces
        const QDomNodeList all = read.elementsByTagName(QStringLiteral("bookmark"));
        QCOMPARE(all.size(), 2);
        const QDomElement first = all.at(0).toElement();
        QCOMPARE(first.attribute(QStringLiteral("added")), QStringLiteral("2020-01-01T00:00:00Z"));
        QVERIFY(first.attribute(QStringLiteral("visited")).startsWith(QStringLiteral("2026-12-02T10:00:00")));
        QVERIFY(thrice.contains("<title>Mine</title>") && thrice.contains("name=\"Player\"") &&
                thrice.contains("count=\"7\"") && thrice.contains("<bookmark:group>G"));
        QCOMPARE(all.at(1).toElement().attribute(QStringLiteral("href")), QStringLiteral("file:///H%C3%BCtte.vember"));
        QVERIFY(thrice.contains("count=\"2\"")); // ours, opened twice
        QVERIFY(thrice.contains("vast-ember %f"));
        // A list that is none is another program's and left alone.
        for (const char* odd : {"<xbel", "<html/>", "5"})
            QVERIFY(withRecentFile(odd, QStringLiteral("/a"), QStringLiteral("b"), when).isEmpty());

        // And the window tells it.
        qputenv("XDG_DATA_HOME", at(QStringLiteral("share")).toUtf8());
        open(QString::fromStdString(clip_));
        QTRY_VERIFY(QFile::exists(recentFilesPath()));
        QFile list(recentFilesPath());
        QVERIFY(list.open(QIODevice::ReadOnly));
        QVERIFY(list.readAll().contains(QUrl::fromLocalFile(QString::fromStdString(clip_)).toEncoded()));
        QCOMPARE(list.permissions() & (QFileDevice::ReadGroup | QFileDevice::ReadOther), QFileDevice::Permissions());
        qunsetenv("XDG_DATA_HOME");
    }

    void aFaultLeavesAReport()
    {
        const std::string folder = at(QStringLiteral("crashes")).toStdString();
        QVERIFY(!crash::newestReport(folder));
        const auto fault = [&folder](int signal) {
            const pid_t child = ::fork();
            if (child == 0) {
                crash::watch(folder, "9.9");
                for (int i = 0; i < 50; ++i)
                    crash::note("step " + std::to_string(i) + (i == 49 ? "\n" + std::string(500, 'x') : std::string()));
                ::raise(signal);
                ::_exit(0);
            }
            int how = 0;
            ::waitpid(child, &how, 0);
            return WIFSIGNALED(how) ? WTERMSIG(how) : 0; // it ends as it would have
        };
        QCOMPARE(fault(SIGSEGV), SIGSEGV);
        const auto report = crash::newestReport(folder);
        QVERIFY(report);
        QFile file(QString::fromStdString(*report));
        QVERIFY(file.open(QIODevice::ReadOnly));
        const QByteArray text = file.readAll();
        QVERIFY2(text.startsWith("Vast Ember 9.9\nSystem: Linux"), text.constData());
        QVERIFY(text.contains("Signal: SIGSEGV"));
        QVERIFY(!text.contains("step 9\n") && text.contains("step 10\n") && text.contains("step 49 xxx"));
        QVERIFY(text.indexOf("step 10\n") < text.indexOf("step 48\n"));
        QVERIFY(text.mid(text.indexOf("Calls that led here")).count('\n') > 5);
        QVERIFY(text.endsWith("not been sent anywhere.\n"));
        QCOMPARE(file.permissions() & (QFileDevice::ReadGroup | QFileDevice::ReadOther), QFileDevice::Permissions());
        QCOMPARE(fault(SIGABRT), SIGABRT);
        crash::tidy(folder, 1);
        QCOMPARE(QDir(QString::fromStdString(folder)).entryList(QDir::Files).size(), 1);
        crash::tidy(folder, 0);
        QVERIFY(!crash::newestReport(folder));
    }

    void aReportIsToldOnceAndShownOnWish()
    {
        const QString folder = CrashSheet::folder();
        QVERIFY(QDir().mkpath(folder));
        QVERIFY(!CrashSheet::takeNews());
        test::writeBytes((folder + QStringLiteral("/crash-1790000000-1.txt")).toStdString(), "Vast Ember 9\n");
        QVERIFY(CrashSheet::takeNews());
        QVERIFY(!CrashSheet::takeNews());
        CrashSheet sheet(window_.get());
        sheet.show();
        QCOMPARE(sheet.findChild<QPlainTextEdit*>(QStringLiteral("crash-text"))->toPlainText(),
                 QStringLiteral("Vast Ember 9\n"));
        QTest::mouseClick(sheet.findChild<QPushButton*>(QStringLiteral("crash-copy")), Qt::LeftButton);
        QCOMPARE(QGuiApplication::clipboard()->text(), QStringLiteral("Vast Ember 9\n"));
        QTest::mouseClick(sheet.findChild<QPushButton*>(QStringLiteral("crash-delete")), Qt::LeftButton);
        QVERIFY(!sheet.isVisible());
        QVERIFY(QDir(folder).entryList(QDir::Files).isEmpty());
        const CrashSheet none(window_.get());
        QVERIFY(!none.findChild<QPushButton*>(QStringLiteral("crash-copy"))->isEnabled());
    }
};

EMBER_TEST(DesktopTest)
#include "tst_desktop.moc"
