// SPDX-License-Identifier: GPL-3.0-or-later
// The demo of an installed program: made when it is asked for, by a program of its own.
#include <QDir>
#include <QFile>
#include <QTemporaryDir>

#include "clips.h"
#include "demo.h"
#include "runner.h"

using namespace ember;
using namespace ember::app;

class DemoMakerTest : public QObject {
    Q_OBJECT
    QTemporaryDir folder_;

    QString at(const char* name) const { return folder_.filePath(QLatin1String(name)); }
    /// A stand-in for vast-ember-demo: what it does is a script.
    QString program(const char* script)
    {
        const QString path = at("stand-in");
        test::writeBytes(path.toStdString(), QByteArray("#!/bin/sh\n") + script);
        QFile::setPermissions(path, QFile::ReadOwner | QFile::WriteOwner | QFile::ExeOwner);
        return path;
    }

private slots:
    void itIsMadeWithProgressAndMovedToItsPlaceWhole()
    {
        std::vector<double> told;
        const QString wrong = demo::make(program("[ \"$1\" = --progress ] || exit 9\n"
                                                 "for i in 10 40 90; do echo $i; sleep 0.2; done\n"
                                                 "echo '{}' > \"$2/night-shift.vember\"\necho 100\n"),
                                         at("demo"), [&](double share) {
                                             told.push_back(share);
                                             return !QFile::exists(at("demo/night-shift.vember"));
                                         });
        QCOMPARE(wrong, QString());
        QVERIFY(QFile::exists(at("demo/night-shift.vember")));
        QVERIFY(!QDir(at("demo.part")).exists());
        QVERIFY(std::is_sorted(told.begin(), told.end()));
        QVERIFY(told.back() > 0.3);
    }
    void stoppedItLeavesNothing()
    {
        const QString wrong = demo::make(program("echo 5\ntouch \"$2/night-shift.mp4\"\nexec sleep 600\n"),
                                         at("stopped"), [](double share) { return share < 0.04; });
        QCOMPARE(wrong, QString());
        QVERIFY(!QDir(at("stopped")).exists());
        QVERIFY(!QDir(at("stopped.part")).exists());
    }
    void whatWentWrongIsSaid()
    {
        const auto goOn = [](double) { return true; };
        const QString wrong = demo::make(program("echo 'the disk is full' >&2\nexit 1\n"), at("full"), goOn);
        QVERIFY2(wrong.contains(QStringLiteral("the disk is full")), qPrintable(wrong));
        QVERIFY(!QDir(at("full")).exists() && !QDir(at("full.part")).exists());
        QVERIFY(!demo::make(at("no such program"), at("none"), goOn).isEmpty());
        QVERIFY(
            demo::make(program("exit 0\n"), QStringLiteral("/proc/nowhere"), goOn).contains(QStringLiteral("/proc")));
    }
};

EMBER_TEST(DemoMakerTest)
#include "tst_demo_maker.moc"
