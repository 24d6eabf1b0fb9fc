// SPDX-License-Identifier: GPL-3.0-or-later
// What the session does with files: opening, finding a clip again, saving, closing.
#include <algorithm>
#include <cmath>

#include <QCoreApplication>
#include <QFileInfo>
#include <QPointer>

#include "background.h"
#include "ember/files/file_lock.h"
#include "ember/film/film_inputs.h"
#include "ember/film/film_reader.h"
#include "ember/film/new_project.h"
#include "ember/project/file.h"
#include "preferences.h"
#include "session.h"

namespace ember::app {

/// What comes back from the thread that opens files.
struct Session::Opened {
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
};

QString Session::title() const
{
    if (!path_.isEmpty())
        return QFileInfo(path_).fileName();
    if (!project().shots.empty())
        return tr("%1 (not saved yet)").arg(QFileInfo(QString::fromStdString(project().firstClip())).fileName());
    return tr("No project");
}

void Session::open(const QString& path, bool alone)
{
    auto result = std::make_shared<Opened>();
    result->alone = alone;
    result->path = path;
    result->isProject = path.endsWith(QStringLiteral(".vember"), Qt::CaseInsensitive);
    startOpening(result);
}

void Session::openRecovered(const LeftBehind& left)
{
    auto result = std::make_shared<Opened>();
    result->left = left;
    result->path = QString::fromStdString(left.projectPath);
    result->isProject = true;
    startOpening(result);
}

void Session::startOpening(const std::shared_ptr<Opened>& result)
{
    result->number = ++openings_;
    opening_ = true;
    emit openingChanged();
    const QPointer<Session> self(this);
    inBackground([self, result] {
        const auto look = [&] {
            const std::string file = result->path.toStdString();
            const bool reel = result->path.endsWith(QStringLiteral(".otio"), Qt::CaseInsensitive);
            result->stamp = stampOf(file);
            if (result->isProject || reel) {
                auto loaded = result->left ? recovered(*result->left)
                              : reel       ? projectFromReel(file)
                                           : loadProject(file);
                if (!loaded) {
                    result->trouble = QString::fromStdString(sentence(loaded.error()));
                } else {
                    result->project = std::move(loaded).value();
                    auto clip = openFilm(*result->project);
                    if (clip)
                        result->clip = std::move(clip).value();
                    else
                        result->clipTrouble = QString::fromStdString(sentence(clip.error()));
                }
            } else {
                ClipOptions options;
                options.neverSequence = result->alone;
                options.sequenceRate = result->stillRate;
                auto clip = ClipReader::open(file, options);
                if (!clip) {
                    result->trouble = QString::fromStdString(sentence(clip.error()));
                } else {
                    result->clip = std::move(clip).value();
                    result->project = projectForClip(result->clip->info());
                }
            }
        };
        if (!withMemory(look)) {
            result->project.reset();
            result->clip.reset();
            result->trouble = QString::fromStdString(sentence(noMemory()));
        }
        QMetaObject::invokeMethod(QCoreApplication::instance(), [self, result] {
            if (self)
                self->finishOpening(result);
        });
    });
}

void Session::finishOpening(const std::shared_ptr<Opened>& result)
{
    if (result->number != openings_)
        return; // something else was opened meanwhile
    opening_ = false;
    emit openingChanged();
    if (!result->project) {
        emit trouble(result->trouble);
        return;
    }
    emit aboutToReplace();
    copied_.reset(); // of another project's strike, with another project's recipe
    document_ = Document(std::move(*result->project));
    if (result->left)
        document_.markUnsaved();
    path_ = result->isProject ? result->path : QString();
    stamp_ = result->isProject ? result->stamp : FileStamp();
    selection_.clear();
    selectedBefore_.clear();
    loop_ = {};
    playhead_ = 0;
    clipTrouble_ = result->clipTrouble;
    showClip(std::move(result->clip));
    if (!project().strikes.empty()) {
        // The first screen shows the product at its best: the strongest strike, at its peak.
        const auto strongest =
            std::max_element(project().strikes.begin(), project().strikes.end(),
                             [](const Strike& a, const Strike& b) { return a.strength < b.strength; });
        selection_ = {strongest->id};
        const std::int64_t peak = strongest->frame.index + std::llround(envelopeOf(project(), *strongest).peak());
        playhead_ = std::clamp<std::int64_t>(peak, 0, std::max<std::int64_t>(0, length() - 1));
    }
    documentChanged();
    emit selectionChanged();
    emit loopChanged();
    emit playheadChanged(playhead_);
    wantFrame();
    emit opened();
    if (!clipTrouble_.isEmpty()) {
        emit trouble(clipTrouble_);
        return;
    }
    QStringList notes;
    for (const std::string& note : changedClips(project(), *clipInfo_))
        notes << QString::fromStdString(note);
    for (const std::string& note : clipInfo_->notes)
        notes << QString::fromStdString(note);
    if (!notes.isEmpty())
        emit trouble(notes.join(QLatin1Char(' ')));
}

void Session::showClip(std::unique_ptr<ClipReader> clip)
{
    clipOpen_ = clip != nullptr;
    clipInfo_ = clip ? std::optional(clip->info()) : std::nullopt;
    if (clipInfo_)
        for (std::size_t i = 0; i < project().shots.size(); ++i)
            if (const Shot& shot = project().shots[i]; !shot.gap())
                known_[{shot.clip, shot.still}] = clipInfo_->shots.empty() ? *clipInfo_ : clipInfo_->shots[i];
    frames_->setClip(std::move(clip), project().rate, length());
    thumbs_->setProject(clipOpen_ ? project() : Project{});
}

void Session::reopenFilm()
{
    if (project().shots.empty()) {
        clipTrouble_.clear();
        showClip(nullptr);
        return;
    }
    auto film = openFilm(project(), false, known_);
    clipTrouble_ = film ? QString() : QString::fromStdString(sentence(film.error()));
    showClip(film ? std::move(film).value() : nullptr);
}

void Session::relinkClip(const QString& path)
{
    ClipOptions options;
    options.sequenceRate = project().rate;
    auto clip = ClipReader::open(path.toStdString(), options);
    if (!clip) {
        emit trouble(QString::fromStdString(sentence(clip.error())));
        return;
    }
    const Shot found = shotOf(clip.value()->info(), project().rate);
    const std::string missing = missingClip(project());
    Project next = project();
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
    edit(std::move(next), tr("Clip found at %1").arg(path));
    emit fileChanged();
    emit opened();
    if (!clipTrouble_.isEmpty()) // another one is missing too
        emit trouble(clipTrouble_);
}

Status Session::mayWrite(const QString& path) const
{
    return guardOf(project(), path_.toStdString()).mayWrite(path.toStdString(), true, {});
}

bool Session::changedOutside() const
{
    const FileStamp now = stampOf(path_.toStdString());
    return !path_.isEmpty() && stamp_.bytes >= 0 && now.bytes >= 0 && now != stamp_;
}

bool Session::save(const QString& path)
{
    const std::string file = path.toStdString();
    const auto written = [&]() -> Status {
        if (const Status may = guardOf(project()).mayWrite(file, true, {}); !may) // onto itself is what saving is
            return may;
        const auto held = FileLock::take(file); // a command that changes it now is waited for; a new file has no lock
        return saveProject(project(), file);
    };
    if (const Status status = written(); !status) {
        emit trouble(QString::fromStdString(sentence(status.error())));
        return false;
    }
    path_ = path;
    stamp_ = stampOf(file);
    document_.markSaved();
    emit fileChanged();
    emit told(tr("Saved as %1").arg(QFileInfo(path).fileName()));
    return true;
}

void Session::close()
{
    ++openings_;
    opening_ = false;
    emit aboutToReplace();
    copied_.reset();
    document_ = Document();
    path_.clear();
    stamp_ = {};
    selection_.clear();
    selectedBefore_.clear();
    loop_ = {};
    playhead_ = 0;
    clipTrouble_.clear();
    showClip(nullptr);
    documentChanged();
    emit selectionChanged();
    emit loopChanged();
    emit playheadChanged(0);
    emit opened();
}

} // namespace ember::app
