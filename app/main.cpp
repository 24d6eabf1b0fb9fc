// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>
#include <csignal>
#include <iostream>
#include <string_view>
#include <unistd.h>

#include <QApplication>
#include <QCommandLineParser>
#include <QDBusConnection>
#include <QFileInfo>
#include <QIcon>
#include <QProcess>
#include <QTimer>

#include "background.h"
#include "crash_report.h"
#include "crash_sheet.h"
#include "desktop_door.h"
#include "ember/files/manual_page.h"
#include "instance_door.h"
#include "language.h"
#include "main_window.h"
#include "theme.h"

namespace {

const QString newWindow = QStringLiteral("new-window");
constexpr const char* fileText = "A clip or a .vember project to open.";
const QString speak = QStringLiteral("language");
constexpr const char* speakText = "Speak this language (en, de), whatever the preferences say.";
constexpr const char* newWindowText = "Start another program, though one is running.";

std::string manualPage()
{
    return ember::roffOf({"vast-ember",
                          EMBER_VERSION,
                          "times impact shakes to the frame",
                          "[OPTIONS] [FILE]",
                          "A desktop instrument for timing and shaping impact shakes. Its guide is in its Help menu. "
                          "vast-ember-batch is the same engine without a window.",
                          {{"Options",
                            {},
                            {{"FILE", fileText},
                             {"--language CODE", speakText},
                             {"--new-window", newWindowText},
                             {"-h, --help", "Say what can be given, and end."},
                             {"-v, --version", "Say the version, and end."}}},
                           {"See also", "vast-ember-batch(1), vast-ember-demo(1)", {}}}});
}

/// Ends the program where the command line only asks something or is wrong.
void readCommandLine(QCommandLineParser& parser, const QStringList& arguments)
{
    QCoreApplication::setOrganizationName(QStringLiteral("vast-ember"));
    QCoreApplication::setApplicationName(QStringLiteral("vast-ember"));
    QCoreApplication::setApplicationVersion(QStringLiteral(EMBER_VERSION));
    parser.setApplicationDescription(QStringLiteral("Times impact shakes to the frame."));
    parser.addHelpOption();
    parser.addVersionOption();
    parser.addPositionalArgument(QStringLiteral("file"), QLatin1String(fileText), QStringLiteral("[file]"));
    parser.addOption({speak, QLatin1String(speakText), QStringLiteral("code")});
    parser.addOption({newWindow, QLatin1String(newWindowText)});
    parser.process(arguments);
}

/// Questions are answered where there is no display, too.
bool asksOnly(int argc, char** argv)
{
    return std::any_of(argv + 1, argv + argc, [](std::string_view argument) {
        return argument == "--help" || argument == "-h" || argument == "--help-all" || argument == "--version" ||
               argument == "-v";
    });
}

bool noDisplay(int argc, char** argv)
{
    return qEnvironmentVariableIsEmpty("DISPLAY") && qEnvironmentVariableIsEmpty("WAYLAND_DISPLAY") &&
           qEnvironmentVariableIsEmpty("QT_QPA_PLATFORM") &&
           std::none_of(argv + 1, argv + argc, [](std::string_view argument) {
               return argument.starts_with("-platform") || argument.starts_with("--platform") ||
                      argument.starts_with("-display") || argument.starts_with("--display");
           });
}

/// No memory for what was asked is told; the program goes on.
class Application : public QApplication {
public:
    using QApplication::QApplication;
    bool notify(QObject* receiver, QEvent* event) override
    {
        bool done = true; // an event that failed is not sent on
        ember::app::withMemory([&] { done = QApplication::notify(receiver, event); });
        return done;
    }
};

} // namespace

int main(int argc, char** argv)
{
    std::signal(SIGXFSZ, SIG_IGN); // a file that may not grow is an error like a full disk
    if (argc == 2 && std::string_view(argv[1]) == "--manual-page") {
        std::cout << manualPage() << std::flush;
        return std::cout ? 0 : 1;
    }
    QCommandLineParser parser;
    if (asksOnly(argc, argv)) {
        const QCoreApplication asked(argc, argv);
        readCommandLine(parser, QCoreApplication::arguments());
    }
    if (noDisplay(argc, argv)) {
        std::cerr << "There is no display to open a window on: neither DISPLAY nor WAYLAND_DISPLAY is set. "
                     "vast-ember-batch works without one.\n";
        return 1;
    }
    Application application(argc, argv);
    readCommandLine(parser, QApplication::arguments());
    QString file = parser.positionalArguments().value(0);
    if (!file.isEmpty())
        file = QFileInfo(file).absoluteFilePath();
    ember::app::InstanceDoor door(ember::app::InstanceDoor::nameFor(::getuid(), QGuiApplication::platformName(),
                                                                    qgetenv("WAYLAND_DISPLAY"), qgetenv("DISPLAY")));
    ember::app::DesktopDoor desktop(QDBusConnection::sessionBus());
    if (!parser.isSet(newWindow)) {
        if (door.handOver(file)) {
            std::cout << (file.isEmpty()
                              ? "Vast Ember is open on this display already; its window was brought to the "
                                "front."
                              : "Opened in the Vast Ember that is running on this display: " + file.toStdString())
                      << " --new-window starts another.\n";
            return 0;
        }
        door.open();
        desktop.open();
    }
    ember::app::language::use(parser.isSet(speak) ? parser.value(speak) : ember::app::language::wanted());
    ember::app::theme::apply(application);
    application.setWindowIcon(QIcon(QStringLiteral(":/vast-ember.svg")));
    QGuiApplication::setDesktopFileName(ember::app::DesktopDoor::name);
    ember::app::crash::watch(ember::app::CrashSheet::folder().toStdString(), EMBER_VERSION);
    ember::app::MainWindow window;
    window.show();
    QTimer::singleShot(0, &window, &ember::app::MainWindow::fitScreen); // now that it has its frame
    if (!file.isEmpty())
        window.openPath(file);
    const auto comeForward = [&window](const QString& path) {
        window.setWindowState(window.windowState() & ~Qt::WindowMinimized);
        window.raise();
        window.activateWindow();
        if (!path.isEmpty())
            window.openPath(path);
    };
    QObject::connect(&door, &ember::app::InstanceDoor::asked, &window, comeForward);
    QObject::connect(&desktop, &ember::app::DesktopDoor::asked, &window, comeForward);
    QObject::connect(&desktop, &ember::app::DesktopDoor::anotherAsked, &window, [](const QString& path) {
        QStringList arguments{QStringLiteral("--new-window")};
        if (!path.isEmpty())
            arguments.append(path);
        QProcess::startDetached(QCoreApplication::applicationFilePath(), arguments);
    });
    return QApplication::exec();
}
