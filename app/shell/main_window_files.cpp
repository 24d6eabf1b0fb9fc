// SPDX-License-Identifier: GPL-3.0-or-later
// What the window does with files: opening, saving, lists of strikes, poses.
#include <sstream>

#include <QAction>
#include <QDir>
#include <QFileInfo>
#include <QMenu>
#include <QSettings>

#include "background.h"
#include "demo.h"
#include "desktop_recent.h"
#include "ember/film/film_sound.h"
#include "ember/film/import_strikes.h"
#include "ember/film/pose_table.h"
#include "ember/film/render_film.h"
#include "ember/project/file.h"
#include "import_sheet.h"
#include "main_window.h"
#include "motion_bench.h"
#include "notice_bar.h"
#include "player.h"
#include "progress_dialog.h"
#include "text.h"

namespace ember::app {

namespace {
constexpr int mostRecent = 10;
} // namespace

void MainWindow::openAsked()
{
    const QString path = dialogs_.openFile(this, tr("Open a clip or a project"), filter::projects());
    if (!path.isEmpty())
        openPath(path);
}

void MainWindow::openPictureAsked()
{
    const QString path = dialogs_.openFile(this, tr("Open one picture, without its neighbours"), filter::pictures());
    if (!path.isEmpty())
        openPath(path, true);
}

void MainWindow::openPath(const QString& path, bool alone)
{
    if (!mayLeave())
        return;
    player_->pause();
    session_->file.open(QFileInfo(path).absoluteFilePath(), alone);
}

bool MainWindow::save()
{
    if (session_->file.path().isEmpty())
        return saveAs();
    if (session_->file.changedOutside())
        switch (dialogs_.changedOutside(this, QFileInfo(session_->file.path()).fileName())) {
        case ChangedChoice::overwrite: break;
        case ChangedChoice::elsewhere: return saveAs();
        case ChangedChoice::cancel: return false;
        }
    return session_->file.save(session_->file.path());
}

bool MainWindow::saveAs()
{
    QString suggested = session_->file.path();
    if (suggested.isEmpty() && !session_->document.project().shots.empty()) {
        const QFileInfo clip(QString::fromStdString(session_->document.project().firstClip()));
        suggested = clip.path() + QLatin1Char('/') + clip.completeBaseName() + QStringLiteral(".vember");
    }
    QString path = dialogs_.saveFile(this, tr("Save the project as"), suggested, tr("Vast Ember projects (*.vember)"));
    if (path.isEmpty())
        return false;
    if (!path.endsWith(QStringLiteral(".vember"), Qt::CaseInsensitive))
        path += QStringLiteral(".vember");
    if (!session_->file.save(path))
        return false;
    rememberRecent(path);
    return true;
}

bool MainWindow::mayLeave()
{
    if (!session_->document.modified())
        return true;
    switch (dialogs_.unsavedChanges(this, session_->file.title())) {
    case SaveChoice::save: return save();
    case SaveChoice::discard: return true;
    case SaveChoice::cancel: break;
    }
    return false;
}

bool MainWindow::mayWrite(const QString& path)
{
    const Status may = session_->file.mayWrite(path);
    if (!may)
        emit session_->messages.trouble(said(may.error()));
    return may.ok();
}

void MainWindow::exportPoses()
{
    const QFileInfo from(session_->file.path().isEmpty()
                             ? QString::fromStdString(session_->document.project().firstClip())
                             : session_->file.path());
    const QString path = dialogs_.saveFile(
        this, tr("Export the poses to"),
        from.path() + QLatin1Char('/') + from.completeBaseName() + QStringLiteral("-poses.csv"), tr("Tables (*.csv)"));
    if (path.isEmpty() || !mayWrite(path))
        return;
    std::ostringstream csv;
    writePosesCsv(csv, session_->document.motion(), {0, session_->document.length() - 1, 1});
    if (const auto status = writeFileSafely(path.toStdString(), csv.str()); !status)
        emit session_->messages.trouble(said(status.error()));
    else
        say(tr("Poses of %1 frames written to %2").arg(session_->document.length()).arg(QFileInfo(path).fileName()));
}

void MainWindow::importStrikes()
{
    const QString path = dialogs_.openFile(this, tr("Import strikes from a list"),
                                           tr("Lists of strikes (*.csv *.json *.jsonl *.vtt *.mid *.midi *.otio)"));
    if (path.isEmpty())
        return;
    auto text = readListText(path.toStdString());
    if (!text) {
        emit session_->messages.trouble(said(text.error()));
        return;
    }
    const BookEntries book = allRecipes(session_->book.entries());
    ImportSheet sheet(session_->document.project(), book, QFileInfo(path).fileName(), std::move(text).value(), this);
    if (!dialogs_.run(sheet))
        return;
    auto imported = withStrikesImported(session_->document.project(), sheet.strikes(), book);
    if (auto beats = sheet.beats())
        imported.project.beats = std::move(beats);
    session_->document.edit(std::move(imported.project), QString::fromStdString(importSentence(imported)));
    session_->selection.set(std::move(imported.ids));
}

void MainWindow::exportRumble()
{
    const QString path =
        dialogs_.saveFile(this, tr("Export a rumble track"), QStringLiteral("rumble.wav"), tr("Sounds (*.wav)"));
    if (path.isEmpty() || !mayWrite(path))
        return;
    say(tr("Writing %1 …").arg(QFileInfo(path).fileName()));
    constexpr double hertz = 35;
    const auto write = [path, project = session_->document.snapshot()] {
        return writeRumbleTrack(*project, hertz, path.toStdString(), true); // the dialog has asked
    };
    inBackground(this, write, [this, path](const Status& status) {
        if (status)
            say(tr("How strongly it shakes, as a tone of %1 Hz: %2").arg(hertz).arg(QFileInfo(path).fileName()));
        else
            emit session_->messages.trouble(said(status.error()));
    });
}

void MainWindow::exportStill()
{
    const std::int64_t frame = session_->playhead.frame();
    QString path = dialogs_.saveFile(this, tr("Save frame %1 as a picture").arg(frame), tr("frame-%1.png").arg(frame),
                                     tr("Pictures (*.png)"));
    if (path.isEmpty())
        return;
    if (QFileInfo(path).suffix().isEmpty())
        path += QStringLiteral(".png");
    if (!mayWrite(path))
        return;
    const auto render = [path, frame, project = session_->document.snapshot()] {
        return renderStill(*project, Frame{frame}, path.toStdString(), {.overwrite = true}); // the dialog has asked
    };
    inBackground(this, render, [this, path, frame](const Result<Phrase>& note) {
        if (note && note.value().empty())
            say(tr("Frame %1 as it looks: %2").arg(frame).arg(QFileInfo(path).fileName()));
        else
            emit session_->messages.trouble(note ? said(note.value()) : said(note.error()));
    });
}

void MainWindow::exportStrikes()
{
    const QString path = dialogs_.saveFile(
        this, tr("Export strikes as"), session_->file.title() + QStringLiteral(".csv"),
        tr("CSV (*.csv);;JSON (*.json);;WebVTT (*.vtt);;MIDI (*.mid);;OpenTimelineIO (*.otio);;JSON Lines (*.jsonl)"));
    if (path.isEmpty())
        return;
    const QString named = QFileInfo(path).suffix().isEmpty() ? path + QStringLiteral(".csv") : path;
    if (!mayWrite(named))
        return;
    if (const Status status = writeStrikeList(session_->document.project(), named.toStdString(), ListDetail::recipes);
        !status)
        emit session_->messages.trouble(said(status.error()));
    else
        say(tr("%1 strikes written to %2")
                .arg(session_->document.project().strikes.size())
                .arg(QFileInfo(named).fileName()));
}

void MainWindow::findClip()
{
    const QString path = dialogs_.openFile(this, tr("Where is the clip now?"), filter::clips());
    if (!path.isEmpty())
        session_->file.relinkClip(path);
}

void MainWindow::rememberRecent(const QString& path)
{
    QSettings settings;
    QStringList recent = settings.value(QStringLiteral("files/recent")).toStringList();
    recent.removeAll(path);
    recent.prepend(path);
    while (recent.size() > mostRecent)
        recent.removeLast();
    settings.setValue(QStringLiteral("files/recent"), recent);
    inBackground([path] { tellDesktopUsed(path); });
}

void MainWindow::fillRecent()
{
    recent_->clear();
    const QStringList recent = QSettings().value(QStringLiteral("files/recent")).toStringList();
    for (const QString& path : recent) {
        QAction* action = recent_->addAction(QDir::toNativeSeparators(path));
        connect(action, &QAction::triggered, this, [this, path] { openPath(path); });
    }
    if (recent.isEmpty())
        recent_->addAction(tr("Nothing opened yet"))->setEnabled(false);
}

void MainWindow::openDemo()
{
    if (demo::project().isEmpty()) {
        const QString program = demo::program();
        if (program.isEmpty()) {
            say(tr("The program that makes the demo, vast-ember-demo, is not installed"));
            return;
        }
        auto wrong = std::make_shared<QString>();
        const auto make = [wrong, program, folder = demo::folder()](const Progress& tell) {
            *wrong = demo::make(program, folder, tell);
        };
        ProgressDialog sheet(tr("The demo"), tr("A night shift at a foundry is drawn and sounded."), make, this);
        if (!dialogs_.run(sheet))
            return;
        if (!wrong->isEmpty()) {
            notice_->tell(*wrong, NoticeBar::About::trouble);
            return;
        }
    }
    openPath(demo::project());
}

} // namespace ember::app
