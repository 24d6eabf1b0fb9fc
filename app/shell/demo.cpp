// SPDX-License-Identifier: GPL-3.0-or-later
#include "demo.h"

#include <QCoreApplication>
#include <QDir>
#include <QFileInfo>
#include <QProcess>
#include <QStandardPaths>

namespace ember::app::demo {

namespace {
const QString projectName = QStringLiteral("/night-shift.vember");
}

QString folder()
{
    return QStandardPaths::writableLocation(QStandardPaths::AppDataLocation) + QStringLiteral("/demo");
}

QString project()
{
    const QString built = QCoreApplication::applicationDirPath() + QStringLiteral("/../foundry");
    for (const QString& place : {built, folder()})
        if (QFileInfo::exists(place + projectName))
            return QFileInfo(place + projectName).canonicalFilePath();
    return {};
}

QString program()
{
    const QString name = QStringLiteral("vast-ember-demo");
    const QString beside = QStandardPaths::findExecutable(name, {QCoreApplication::applicationDirPath()});
    return beside.isEmpty() ? QStandardPaths::findExecutable(name) : beside;
}

QString make(const QString& program, const QString& folder, const Progress& progress)
{
    // Beside its place first: a half-made demo never looks like one.
    const QString unfinished = folder + QStringLiteral(".part");
    QDir(unfinished).removeRecursively();
    if (!QDir().mkpath(unfinished))
        return QCoreApplication::translate("Demo", "%1 cannot be made. Choose where your data goes, or make room.")
            .arg(unfinished);
    QProcess process;
    process.start(program, {QStringLiteral("--progress"), unfinished});
    const bool started = process.waitForStarted();
    QByteArray said;
    bool wanted = true;
    while (process.state() != QProcess::NotRunning) {
        process.waitForReadyRead(100);
        said += process.readAllStandardOutput();
        const qsizetype end = said.lastIndexOf('\n');
        const qsizetype begin = said.lastIndexOf('\n', end - 1) + 1;
        wanted = goesOn(progress, end > begin ? said.mid(begin, end - begin).toDouble() / 100 : 0);
        if (!wanted) {
            process.kill();
            process.waitForFinished();
        }
    }
    const bool done = started && wanted && process.exitStatus() == QProcess::NormalExit && process.exitCode() == 0 &&
                      QFileInfo::exists(unfinished + projectName);
    if (done) {
        // Its projects name their films by where they themselves are: the folder can be moved.
        QDir(folder).removeRecursively();
        if (QDir().rename(unfinished, folder))
            return {};
    }
    QDir(unfinished).removeRecursively();
    if (!wanted)
        return {};
    const QString why = started ? QString::fromUtf8(process.readAllStandardError()).trimmed()
                                : process.errorString() + QLatin1Char('.');
    return QCoreApplication::translate("Demo", "The demo could not be made. %1").arg(why);
}

} // namespace ember::app::demo
