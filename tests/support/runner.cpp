// SPDX-License-Identifier: GPL-3.0-or-later
#include "runner.h"

#include <algorithm>
#include <csignal>
#include <iostream>

#include <QStandardPaths>
#include <QTemporaryDir>
#include <QTest>

#ifdef EMBER_TEST_WINDOWS
#include <QApplication>
#include <QSettings>

#include "theme.h"
#else
#include <QCoreApplication>
#endif

namespace ember::test {

int rounds(int all)
{
    static const bool every = qEnvironmentVariableIsSet("EMBER_ALL_ROUNDS");
    return every ? all : std::max(1, all / 10);
}

std::vector<Factory>& registry()
{
    static std::vector<Factory> factories;
    return factories;
}

} // namespace ember::test

#ifdef __SANITIZE_THREAD__
/// Libraries that are not built with the sanitizer: Qt Test's watchdog and the coders' own threads.
extern "C" const char* __tsan_default_suppressions();
extern "C" const char* __tsan_default_suppressions()
{
    return "race:QWaitCondition::~QWaitCondition\n"
           "race_top:pthread_mutex_destroy\n"
           "race_top:^operator delete\n"
           "race:libavcodec.so\n"
           "race:libavutil.so\n"
           "race:libswscale.so\n";
}
#endif

/// -class NAME,NAME runs these classes, -without NAME,NAME all others, -none says that there are none; everything else
/// is Qt Test's.
int main(int argc, char** argv)
{
    std::signal(SIGXFSZ, SIG_IGN);
    QStandardPaths::setTestModeEnabled(true);
    const QTemporaryDir configuration; // nobody's own settings and recipe book are touched
    qputenv("XDG_CONFIG_HOME", configuration.path().toUtf8());
    qputenv("HOME", configuration.path().toUtf8());           // nor journals of another run of the tests
    if (!qEnvironmentVariableIsSet("QTEST_FUNCTION_TIMEOUT")) // milliseconds; five minutes are little on a busy machine
        qputenv("QTEST_FUNCTION_TIMEOUT", "3600000");
#ifdef EMBER_TEST_WINDOWS
    QApplication application(argc, argv);
    QApplication::setOrganizationName(QStringLiteral("vast-ember-tests"));
    QApplication::setApplicationName(QStringLiteral("vast-ember-tests"));
    // Not where Qt's test mode keeps them: two runs at once would clear each other's.
    QSettings::setPath(QSettings::NativeFormat, QSettings::UserScope, configuration.path());
    QSettings().clear();
    ember::app::theme::apply(application);
#else
    QCoreApplication application(argc, argv);
#endif
    QStringList arguments = QCoreApplication::arguments();
    const auto named = [&arguments](const char* option) {
        const auto at = arguments.indexOf(QLatin1String(option));
        if (at <= 0 || at + 1 >= arguments.size())
            return QString();
        const QString name = arguments[at + 1];
        arguments.remove(at, 2);
        return name;
    };
    const QStringList only = named("-class").split(QLatin1Char(','), Qt::SkipEmptyParts);
    const QStringList without = named("-without").split(QLatin1Char(','), Qt::SkipEmptyParts);
    const bool none = arguments.removeAll(QStringLiteral("-none")) > 0;
    int failed = 0;
    int run = 0;
    for (const auto& make : ember::test::registry()) {
        const auto object = make();
        const QLatin1String name(object->metaObject()->className());
        if ((!only.isEmpty() && !only.contains(name)) || without.contains(name))
            continue;
        ++run;
        if (none) {
            std::cerr << name.data() << " is run by nothing.\n";
            continue;
        }
        failed += QTest::qExec(object.get(), arguments);
    }
    if (none)
        return run == 0 ? 0 : 1;
    const bool all = run > 0 && (only.isEmpty() || run == only.size());
    if (!all)
        std::cerr << run << " test classes were run, and not what was asked for.\n";
    return failed == 0 && all ? 0 : 1;
}
