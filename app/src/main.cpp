// SPDX-License-Identifier: GPL-3.0-or-later
#include <csignal>
#include <unistd.h>

#include <QApplication>
#include <QCommandLineParser>
#include <QFileInfo>
#include <QIcon>

#include "instance_door.h"
#include "main_window.h"
#include "theme.h"

int main(int argc, char** argv)
{
    std::signal(SIGXFSZ, SIG_IGN); // a file that may not grow is an error like a full disk
    QApplication application(argc, argv);
    QApplication::setOrganizationName(QStringLiteral("vast-ember"));
    QApplication::setApplicationName(QStringLiteral("vast-ember"));
    QApplication::setApplicationVersion(QStringLiteral(EMBER_VERSION));
    QCommandLineParser parser;
    parser.setApplicationDescription(QStringLiteral("Times impact shakes to the frame."));
    parser.addHelpOption();
    parser.addVersionOption();
    parser.addPositionalArgument(QStringLiteral("file"), QStringLiteral("A clip or a .vember project to open."),
                                 QStringLiteral("[file]"));
    const QCommandLineOption apart(QStringLiteral("new-window"),
                                   QStringLiteral("Start another program, though one is running."));
    parser.addOption(apart);
    parser.process(application);
    QString file = parser.positionalArguments().value(0);
    if (!file.isEmpty())
        file = QFileInfo(file).absoluteFilePath();
    ember::app::InstanceDoor door(QStringLiteral("vast-ember-%1").arg(::getuid()));
    if (!parser.isSet(apart)) {
        if (door.handOver(file))
            return 0;
        door.open();
    }
    ember::app::theme::apply(application);
    application.setWindowIcon(QIcon(QStringLiteral(":/vast-ember.svg")));
    QGuiApplication::setDesktopFileName(QStringLiteral("vast-ember"));
    ember::app::MainWindow window;
    window.show();
    if (!file.isEmpty())
        window.openPath(file);
    QObject::connect(&door, &ember::app::InstanceDoor::asked, &window, [&window](const QString& path) {
        window.setWindowState(window.windowState() & ~Qt::WindowMinimized);
        window.raise();
        window.activateWindow();
        if (!path.isEmpty())
            window.openPath(path);
    });
    return QApplication::exec();
}
