// SPDX-License-Identifier: GPL-3.0-or-later
#include <csignal>

#include <QApplication>
#include <QCommandLineParser>

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
    parser.process(application);
    ember::app::theme::apply(application);
    ember::app::MainWindow window;
    window.show();
    if (const auto files = parser.positionalArguments(); !files.isEmpty())
        window.openPath(files.first());
    return QApplication::exec();
}
