// SPDX-License-Identifier: GPL-3.0-or-later
#include "project_file.h"

#include <algorithm>
#include <cmath>

#include <QFileInfo>

#include "busy.h"
#include "ember/files/file_lock.h"
#include "ember/film/film_inputs.h"
#include "ember/film/film_reader.h"
#include "ember/film/new_project.h"
#include "ember/project/edits.h"
#include "ember/project/file.h"
#include "ember/project/shot_edits.h"
#include "film.h"
#include "messages.h"
#include "open_document.h"
#include "playhead.h"
#include "preferences.h"
#include "selection.h"
#include "text.h"

namespace ember::app {

/// What comes back from the thread that opens files.
struct ProjectFile::Opened {
    QString path;
    std::optional<LeftBehind> left; ///< it is unsaved work
    bool isProject = false;
    FrameRate stillRate = preference::stillRate();
    bool alone = false;
    std::optional<Project> project;
    FileStamp stamp;
    std::unique_ptr<ClipReader> clip;
    QString clipTrouble;

    Status read(const Progress& progress);
};

Status ProjectFile::Opened::read(const Progress& progress)
{
    const std::string file = path.toStdString();
    const bool reel = path.endsWith(QStringLiteral(".otio"), Qt::CaseInsensitive);
    stamp = stampOf(file);
    if (isProject || reel) {
        auto loaded = left ? recovered(*left) : reel ? projectFromReel(file) : loadProject(file);
        if (!loaded)
            return loaded.error();
        project = std::move(loaded).value();
        auto film = openFilm(*project, FilmPictures::light, {}, progress);
        if (film)
            clip = std::move(film).value();
        else if (film.error().code == ErrorCode::cancelled)
            return film.error();
        else
            clipTrouble = said(film.error());
        return Done();
    }
    ClipOptions options;
    options.neverSequence = alone;
    options.sequenceRate = stillRate;
    options.progress = progress;
    auto opened = ClipReader::open(file, options);
    if (!opened)
        return opened.error();
    clip = std::move(opened).value();
    project = projectForClip(clip->info());
    if (clip->info().colour == ColourSpace{})
        return Done();
    auto film = openFilm(*project, FilmPictures::light); // with what is brighter than the screen's white
    if (!film)
        return film.error();
    clip = std::move(film).value();
    return Done();
}

ProjectFile::ProjectFile(OpenDocument& document, Selection& selection, Playhead& playhead, Film& film,
                         Messages& messages, Busy& busy)
    : document_(document), selection_(selection), playhead_(playhead), film_(film), messages_(messages), busy_(busy)
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
    const auto read = [opened](const Progress& progress) { return opened->read(progress); };
    busy_.begin(tr("Reading %1").arg(QFileInfo(opened->path).fileName()), read, [this, opened](const Status& status) {
        if (status)
            finish(*opened);
        else
            messages_.wentWrong(status.error());
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

void ProjectFile::finish(Opened& opened)
{
    emit aboutToReplace();
    path_ = opened.isProject ? opened.path : QString();
    stamp_ = opened.isProject ? opened.stamp : FileStamp();
    Document document(std::move(*opened.project));
    if (opened.left)
        document.markUnsaved();
    replace(std::move(document), std::move(opened.clip), opened.clipTrouble);
    if (!opened.clipTrouble.isEmpty()) {
        emit messages_.trouble(opened.clipTrouble);
        return;
    }
    QStringList notes;
    for (const Phrase& note : changedClips(document_.project(), *film_.clipInfo()))
        notes << said(note);
    for (const Phrase& note : film_.clipInfo()->notes)
        notes << said(note);
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
    busy_.drop();
    emit aboutToReplace();
    path_.clear();
    stamp_ = {};
    replace(Document(), nullptr, {});
}

void ProjectFile::relinkClip(const QString& path)
{
    // All clips are looked at, so that the film opens at once afterwards.
    struct Found {
        Shot shot;
        std::string missing;
        KnownClips clips; ///< that one
    };
    const auto look = [before = document_.snapshot(),
                       file = path.toStdString()](const Progress& progress) -> Result<Found> {
        ClipOptions options;
        options.sequenceRate = before->rate;
        options.progress = partOf(progress, 0, 0.5);
        const auto clip = ClipReader::open(file, options);
        if (!clip)
            return clip.error();
        Found found{shotOf(clip.value()->info(), before->rate), missingClip(*before), {}};
        found.clips[{found.shot.clip, found.shot.still}] = clip.value()->info();
        const auto film = openFilm(withClipFound(*before, found.missing, found.shot), FilmPictures::light, found.clips,
                                   partOf(progress, 0.5, 1));
        if (!film && film.error().code == ErrorCode::cancelled)
            return film.error();
        return found;
    };
    busy_.begin(tr("Reading %1").arg(QFileInfo(path).fileName()), look, [this, path](const Result<Found>& found) {
        if (!found)
            return messages_.wentWrong(found.error());
        film_.learn(found.value().shot, found.value().clips.begin()->second);
        document_.edit(withClipFound(document_.project(), found.value().missing, found.value().shot),
                       tr("Clip found at %1").arg(path));
        emit opened();
        if (!film_.clipTrouble().isEmpty()) // another one is missing too
            emit messages_.trouble(film_.clipTrouble());
    });
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
        if (Status may = guardOf(project).mayWrite(file, true, {}); !may) // onto itself is what saving is
            return may;
        const auto held = FileLock::take(file); // a command that changes it now is waited for; a new file has no lock
        return saveProject(project, file);
    };
    if (const Status status = written(); !status) {
        emit messages_.trouble(said(status.error()));
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
