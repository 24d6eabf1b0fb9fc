// SPDX-License-Identifier: GPL-3.0-or-later
#include "project_file.h"

#include <algorithm>
#include <cmath>

#include <QFileInfo>

#include "background.h"
#include "ember/files/file_lock.h"
#include "ember/film/film_inputs.h"
#include "ember/film/film_reader.h"
#include "ember/film/new_project.h"
#include "ember/project/edits.h"
#include "ember/project/file.h"
#include "film.h"
#include "messages.h"
#include "open_document.h"
#include "playhead.h"
#include "preferences.h"
#include "selection.h"

namespace ember::app {

/// What comes back from the thread that opens files.
struct ProjectFile::Opened {
    std::uint64_t number = 0;
    QString path;
    std::optional<LeftBehind> left; ///< it is unsaved work
    bool isProject = false;
    FrameRate stillRate = preference::stillRate();
    bool alone = false;
    std::optional<Project> project;
    FileStamp stamp;
    std::unique_ptr<ClipReader> clip;
    QString clipTrouble;
    QString trouble;

    void read();
};

void ProjectFile::Opened::read()
{
    const std::string file = path.toStdString();
    const bool reel = path.endsWith(QStringLiteral(".otio"), Qt::CaseInsensitive);
    stamp = stampOf(file);
    if (isProject || reel) {
        auto loaded = left ? recovered(*left) : reel ? projectFromReel(file) : loadProject(file);
        if (!loaded) {
            trouble = QString::fromStdString(sentence(loaded.error()));
            return;
        }
        project = std::move(loaded).value();
        auto film = openFilm(*project);
        if (film)
            clip = std::move(film).value();
        else
            clipTrouble = QString::fromStdString(sentence(film.error()));
        return;
    }
    ClipOptions options;
    options.neverSequence = alone;
    options.sequenceRate = stillRate;
    auto opened = ClipReader::open(file, options);
    if (!opened) {
        trouble = QString::fromStdString(sentence(opened.error()));
        return;
    }
    clip = std::move(opened).value();
    project = projectForClip(clip->info());
}

ProjectFile::ProjectFile(OpenDocument& document, Selection& selection, Playhead& playhead, Film& film,
                         Messages& messages)
    : document_(document), selection_(selection), playhead_(playhead), film_(film), messages_(messages)
{
}

QString ProjectFile::title() const
{
    if (!path_.isEmpty())
        return QFileInfo(path_).fileName();
    if (const Project& project = document_.project(); !project.shots.empty())
        return tr("%1 (not saved yet)").arg(QFileInfo(QString::fromStdString(project.firstClip())).fileName());
    return tr("No project");
}

void ProjectFile::open(const QString& path, bool alone)
{
    auto opened = std::make_shared<Opened>();
    opened->alone = alone;
    opened->path = path;
    opened->isProject = path.endsWith(QStringLiteral(".vember"), Qt::CaseInsensitive);
    start(opened);
}

void ProjectFile::openRecovered(const LeftBehind& left)
{
    auto opened = std::make_shared<Opened>();
    opened->left = left;
    opened->path = QString::fromStdString(left.projectPath);
    opened->isProject = true;
    start(opened);
}

void ProjectFile::start(const std::shared_ptr<Opened>& opened)
{
    opened->number = ++openings_;
    opening_ = true;
    emit openingChanged();
    const auto read = [opened]() -> Status {
        opened->read();
        return Done();
    };
    inBackground(this, read, [this, opened](const Status& status) {
        if (!status) {
            opened->project.reset();
            opened->clip.reset();
            opened->trouble = QString::fromStdString(sentence(status.error()));
        }
        finish(opened);
    });
}

namespace {

/// The first screen shows the film at its best: the strongest strike, at its peak.
std::pair<StrikeIds, std::int64_t> firstSight(const Project& project)
{
    if (project.strikes.empty())
        return {{}, 0};
    const auto strongest = std::max_element(project.strikes.begin(), project.strikes.end(),
                                            [](const Strike& a, const Strike& b) { return a.strength < b.strength; });
    return {{strongest->id}, strongest->frame.index + std::llround(envelopeOf(project, *strongest).peak())};
}

} // namespace

void ProjectFile::finish(const std::shared_ptr<Opened>& opened)
{
    if (opened->number != openings_)
        return; // something else was opened meanwhile
    opening_ = false;
    emit openingChanged();
    if (!opened->project) {
        emit messages_.trouble(opened->trouble);
        return;
    }
    emit aboutToReplace();
    path_ = opened->isProject ? opened->path : QString();
    stamp_ = opened->isProject ? opened->stamp : FileStamp();
    Document document(std::move(*opened->project));
    if (opened->left)
        document.markUnsaved();
    replace(std::move(document), std::move(opened->clip), opened->clipTrouble);
    if (!opened->clipTrouble.isEmpty()) {
        emit messages_.trouble(opened->clipTrouble);
        return;
    }
    QStringList notes;
    for (const std::string& note : changedClips(document_.project(), *film_.clipInfo()))
        notes << QString::fromStdString(note);
    for (const std::string& note : film_.clipInfo()->notes)
        notes << QString::fromStdString(note);
    if (!notes.isEmpty())
        emit messages_.trouble(notes.join(QLatin1Char(' ')));
}

void ProjectFile::replace(Document document, std::unique_ptr<ClipReader> clip, const QString& clipTrouble)
{
    document_.replace(std::move(document));
    const auto [selected, frame] = firstSight(document_.project());
    selection_.reset(selected);
    playhead_.reset(frame);
    film_.show(std::move(clip), clipTrouble);
    document_.showAgain();
    emit pathChanged();
    selection_.tell();
    playhead_.tell();
    film_.wantFrame();
    emit opened();
}

void ProjectFile::close()
{
    ++openings_;
    opening_ = false;
    emit aboutToReplace();
    path_.clear();
    stamp_ = {};
    replace(Document(), nullptr, {});
}

void ProjectFile::relinkClip(const QString& path)
{
    ClipOptions options;
    options.sequenceRate = document_.project().rate;
    auto clip = ClipReader::open(path.toStdString(), options);
    if (!clip) {
        emit messages_.trouble(QString::fromStdString(sentence(clip.error())));
        return;
    }
    const Shot found = shotOf(clip.value()->info(), document_.project().rate);
    const std::string missing = missingClip(document_.project());
    Project next = document_.project();
    if (next.shots.empty())
        next.addShot(found);
    for (Shot& shot : next.shots)
        if (missing.empty() ? &shot == &next.shots.front() : shot.clip == missing) {
            shot.clip = found.clip;
            shot.still = found.still;
            shot.format = found.format;
            // It may go on further than it was known to; never less far than it is used.
            if (shot.still) {
                shot.in = 0;
                shot.speed = 1;
                shot.available = 0;
            } else {
                shot.available = std::max(shot.available, found.available);
            }
        }
    document_.edit(std::move(next), tr("Clip found at %1").arg(path));
    emit opened();
    if (!film_.clipTrouble().isEmpty()) // another one is missing too
        emit messages_.trouble(film_.clipTrouble());
}

Status ProjectFile::mayWrite(const QString& path) const
{
    return guardOf(document_.project(), path_.toStdString()).mayWrite(path.toStdString(), true, {});
}

bool ProjectFile::changedOutside() const
{
    const FileStamp now = stampOf(path_.toStdString());
    return !path_.isEmpty() && stamp_.bytes >= 0 && now.bytes >= 0 && now != stamp_;
}

bool ProjectFile::save(const QString& path)
{
    const std::string file = path.toStdString();
    const Project& project = document_.project();
    const auto written = [&]() -> Status {
        if (const Status may = guardOf(project).mayWrite(file, true, {}); !may) // onto itself is what saving is
            return may;
        const auto held = FileLock::take(file); // a command that changes it now is waited for; a new file has no lock
        return saveProject(project, file);
    };
    if (const Status status = written(); !status) {
        emit messages_.trouble(QString::fromStdString(sentence(status.error())));
        return false;
    }
    path_ = path;
    stamp_ = stampOf(file);
    document_.markSaved();
    emit pathChanged();
    emit messages_.told(tr("Saved as %1").arg(QFileInfo(path).fileName()));
    return true;
}

} // namespace ember::app
