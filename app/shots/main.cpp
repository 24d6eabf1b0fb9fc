// SPDX-License-Identifier: GPL-3.0-or-later
// Takes the pictures of docs/screenshots from the running window.
#include <functional>
#include <iostream>

#include <QAbstractButton>
#include <QApplication>
#include <QComboBox>
#include <QDir>
#include <QElapsedTimer>
#include <QLineEdit>
#include <QListWidget>
#include <QProgressBar>
#include <QSettings>
#include <QStandardPaths>
#include <QTemporaryDir>

#include "main_window.h"
#include "picture_view.h"
#include "reel_view.h"
#include "render_panel.h"
#include "theme.h"

namespace {

using namespace ember::app;

bool waitFor(const std::function<bool()>& ready, int milliseconds = 20000)
{
    QElapsedTimer clock;
    clock.start();
    while (!ready() && clock.elapsed() < milliseconds)
        QApplication::processEvents(QEventLoop::WaitForMoreEvents, 20);
    return ready();
}

void settle(int milliseconds)
{
    waitFor([] { return false; }, milliseconds);
}

void take(MainWindow& window, const QDir& folder, const char* name)
{
    settle(300);
    window.grab().save(folder.filePath(QLatin1String(name) + QStringLiteral(".png")));
}

void press(MainWindow& window, const char* name)
{
    window.findChild<QAbstractButton*>(QLatin1String(name))->click();
    settle(200);
}

/// The side column's pages, each with something to see on it.
void takePages(MainWindow& window, const QDir& folder)
{
    press(window, "page-1");
    auto* list = window.findChild<QListWidget*>(QStringLiteral("recipe-list"));
    for (int i = 0; i < list->count(); ++i)
        if (list->item(i)->text() == QStringLiteral("Bell swing"))
            list->setCurrentRow(i);
    settle(900); // the preview is under way
    take(window, folder, "recipe-book");
    press(window, "page-2");
    take(window, folder, "film-page");
    press(window, "page-0");
    auto* strand = window.findChild<QWidget*>(QStringLiteral("strand-1"));
    strand->findChild<QAbstractButton*>(QStringLiteral("open-strand"))->click();
    take(window, folder, "strand-open");
    strand->findChild<QAbstractButton*>(QStringLiteral("open-strand"))->click();
}

} // namespace

int main(int argc, char** argv)
{
    QApplication application(argc, argv);
    QStandardPaths::setTestModeEnabled(true);
    QApplication::setOrganizationName(QStringLiteral("vast-ember"));
    QApplication::setApplicationName(QStringLiteral("vast-ember-shots"));
    QApplication::setApplicationVersion(QStringLiteral(EMBER_VERSION));
    QSettings().clear();
    if (argc != 3) {
        std::cerr << "Usage: vast-ember-shots PROJECT.vember FOLDER\n";
        return 2;
    }
    theme::apply(application);
    const QDir folder(QString::fromLocal8Bit(argv[2]));
    MainWindow window;
    window.resize(1280, 800);
    window.show();
    take(window, folder, "empty-start");

    window.openPath(QString::fromLocal8Bit(argv[1]));
    if (!waitFor([&] {
            return window.session().hasClip() && window.picture().pictureFrame() >= 0 && window.reel().waveformReady();
        }))
        return 1;
    // The landing: a clear attack, a decay and a rumble.
    for (const auto& strike : window.session().project().strikes)
        if (strike.kind == ember::StrikeKind::landing) {
            window.session().select({strike.id});
            window.session().setPlayhead(strike.frame.index + 1);
        }
    settle(6000);
    take(window, folder, "main-window");
    takePages(window, folder);

    QTemporaryDir scratch;
    window.showRender(true);
    window.findChild<QLineEdit*>(QStringLiteral("render-path"))
        ->setText(scratch.filePath(QStringLiteral("night-shift-shaken.mp4")));
    window.findChild<QAbstractButton*>(QStringLiteral("render-start"))->click();
    auto* bar = window.findChild<QProgressBar*>(QStringLiteral("render-bar"));
    waitFor([&] { return bar->value() > 90; });
    window.findChild<QLineEdit*>(QStringLiteral("render-path"))->setText(QStringLiteral("night-shift-shaken.mp4"));
    window.grab().save(folder.filePath(QStringLiteral("rendering.png")));
    window.renderPanel().cancel();
    waitFor([&] { return !window.renderPanel().running(); });
    return 0;
}
