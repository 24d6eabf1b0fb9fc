// SPDX-License-Identifier: GPL-3.0-or-later
// What the window does with files: opening, saving, lists of strikes, poses.
#include <sstream>

#include <QAction>
#include <QCoreApplication>
#include <QDir>
#include <QFileInfo>
#include <QMenu>
#include <QPointer>
#include <QSettings>

#include "background.h"
#include "ember/film/film_sound.h"
#include "ember/film/import_strikes.h"
#include "ember/film/pose_table.h"
#include "ember/film/render_film.h"
#include "ember/project/file.h"
#include "import_sheet.h"
#include "main_window.h"
#include "motion_bench.h"
#include "player.h"

namespace ember::app {

namespace {
constexpr int mostRecent = 10;
} // namespace

void MainWindow::openAsked()
{
    const QString path = dialogs_.openFile(
        this, tr("Open a clip or a project"),
        tr("Clips, projects and timelines (*.vember *.otio *.mp4 *.mov *.mkv *.webm *.avi *.png *.jpg "
           "*.jpeg *.tif *.tiff *.exr);;All files (*)"));
    if (!path.isEmpty())
        openPath(path);
}

void MainWindow::openPictureAsked()
{
    const QString path = dialogs_.openFile(this, tr("Open one picture, without its neighbours"),
                                           tr("Pictures (*.png *.jpg *.jpeg *.tif *.tiff *.exr)"));
    if (!path.isEmpty())
        openPath(path, true);
}

void MainWindow::openPath(const QString& path, bool alone)
{
    if (!mayLeave())
        return;
    player_->pause();
    session_->open(QFileInfo(path).absoluteFilePath(), alone);
}

bool MainWindow::save()
{
    if (session_->projectPath().isEmpty())
        return saveAs();
    if (session_->changedOutside())
        switch (dialogs_.changedOutside(this, QFileInfo(session_->projectPath()).fileName())) {
        case ChangedChoice::overwrite: break;
        case ChangedChoice::elsewhere: return saveAs();
        case ChangedChoice::cancel: return false;
        }
    return session_->save(session_->projectPath());
}

bool MainWindow::saveAs()
{
    QString suggested = session_->projectPath();
    if (suggested.isEmpty() && !session_->project().shots.empty()) {
        const QFileInfo clip(QString::fromStdString(session_->project().firstClip()));
        suggested = clip.path() + QLatin1Char('/') + clip.completeBaseName() + QStringLiteral(".vember");
    }
    QString path = dialogs_.saveFile(this, tr("Save the project as"), suggested, tr("Vast Ember projects (*.vember)"));
    if (path.isEmpty())
        return false;
    if (!path.endsWith(QStringLiteral(".vember"), Qt::CaseInsensitive))
        path += QStringLiteral(".vember");
    if (!session_->save(path))
        return false;
    rememberRecent(path);
    return true;
}

bool MainWindow::mayLeave()
{
    if (!session_->modified())
        return true;
    switch (dialogs_.unsavedChanges(this, session_->title())) {
    case SaveChoice::save: return save();
    case SaveChoice::discard: return true;
    case SaveChoice::cancel: break;
    }
    return false;
}

bool MainWindow::mayWrite(const QString& path)
{
    const Status may = session_->mayWrite(path);
    if (!may)
        emit session_->trouble(QString::fromStdString(sentence(may.error())));
    return may.ok();
}

void MainWindow::exportPoses()
{
    const QFileInfo from(session_->projectPath().isEmpty() ? QString::fromStdString(session_->project().firstClip())
                                                           : session_->projectPath());
    const QString path = dialogs_.saveFile(
        this, tr("Export the poses to"),
        from.path() + QLatin1Char('/') + from.completeBaseName() + QStringLiteral("-poses.csv"), tr("Tables (*.csv)"));
    if (path.isEmpty() || !mayWrite(path))
        return;
    std::ostringstream csv;
    writePosesCsv(csv, session_->motion(), {0, session_->length() - 1, 1});
    if (const auto status = writeFileSafely(path.toStdString(), csv.str()); !status)
        emit session_->trouble(QString::fromStdString(sentence(status.error())));
    else
        say(tr("Poses of %1 frames written to %2").arg(session_->length()).arg(QFileInfo(path).fileName()));
}

void MainWindow::importStrikes()
{
    const QString path = dialogs_.openFile(this, tr("Import strikes from a list"),
                                           tr("Lists of strikes (*.csv *.json *.jsonl *.vtt *.mid *.midi *.otio)"));
    if (path.isEmpty())
        return;
    auto text = readListText(path.toStdString());
    if (!text) {
        emit session_->trouble(QString::fromStdString(sentence(text.error())));
        return;
    }
    ImportSheet sheet(session_->project(), QFileInfo(path).fileName(), std::move(text).value(), this);
    if (!dialogs_.run(sheet))
        return;
    auto imported = withStrikesImported(session_->project(), sheet.strikes());
    session_->edit(std::move(imported.project), QString::fromStdString(importSentence(imported)));
    session_->select(std::move(imported.ids));
}

void MainWindow::exportRumble()
{
    const QString path =
        dialogs_.saveFile(this, tr("Export a rumble track"), QStringLiteral("rumble.wav"), tr("Sounds (*.wav)"));
    if (path.isEmpty() || !mayWrite(path))
        return;
    say(tr("Writing %1 …").arg(QFileInfo(path).fileName()));
    const QPointer<MainWindow> self(this);
    inBackground([self, path, project = session_->project()] {
        constexpr double hertz = 35;
        const auto status = writeRumbleTrack(project, hertz, path.toStdString(), true); // the dialog has asked
        const QString wrong = status ? QString() : QString::fromStdString(sentence(status.error()));
        QMetaObject::invokeMethod(QCoreApplication::instance(), [self, path, wrong] {
            MainWindow* window = self.data();
            if (window == nullptr)
                return;
            if (wrong.isEmpty())
                window->say(
                    tr("How strongly it shakes, as a tone of %1 Hz: %2").arg(hertz).arg(QFileInfo(path).fileName()));
            else
                emit window->session().trouble(wrong);
        });
    });
}

void MainWindow::exportStill()
{
    const std::int64_t frame = session_->playhead();
    QString path = dialogs_.saveFile(this, tr("Save frame %1 as a picture").arg(frame), tr("frame-%1.png").arg(frame),
                                     tr("Pictures (*.png)"));
    if (path.isEmpty())
        return;
    if (QFileInfo(path).suffix().isEmpty())
        path += QStringLiteral(".png");
    if (!mayWrite(path))
        return;
    const QPointer<MainWindow> self(this);
    inBackground([self, path, frame, project = session_->project()] {
        const auto status = renderStill(project, Frame{frame}, path.toStdString(), {.overwrite = true}); // asked
        const QString wrong = QString::fromStdString(status ? status.value() : sentence(status.error()));
        QMetaObject::invokeMethod(QCoreApplication::instance(), [self, path, frame, wrong] {
            MainWindow* window = self.data();
            if (window == nullptr)
                return;
            if (wrong.isEmpty())
                window->say(tr("Frame %1 as it looks: %2").arg(frame).arg(QFileInfo(path).fileName()));
            else
                emit window->session().trouble(wrong);
        });
    });
}

void MainWindow::exportStrikes()
{
    const QString path = dialogs_.saveFile(
        this, tr("Export strikes as"), session_->title() + QStringLiteral(".csv"),
        tr("CSV (*.csv);;JSON (*.json);;WebVTT (*.vtt);;MIDI (*.mid);;OpenTimelineIO (*.otio);;JSON Lines (*.jsonl)"));
    if (path.isEmpty())
        return;
    const QString named = QFileInfo(path).suffix().isEmpty() ? path + QStringLiteral(".csv") : path;
    if (!mayWrite(named))
        return;
    if (const Status status = writeStrikeList(session_->project(), named.toStdString()); !status)
        emit session_->trouble(QString::fromStdString(sentence(status.error())));
    else
        say(tr("%1 strikes written to %2").arg(session_->project().strikes.size()).arg(QFileInfo(named).fileName()));
}

void MainWindow::findClip()
{
    const QString path = dialogs_.openFile(
        this, tr("Where is the clip now?"),
        tr("Clips (*.mp4 *.mov *.mkv *.webm *.avi *.png *.jpg *.jpeg *.tif *.tiff *.exr);;All files (*)"));
    if (!path.isEmpty())
        session_->relinkClip(path);
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

} // namespace ember::app
