// SPDX-License-Identifier: GPL-3.0-or-later
// What the session does when files of the film are written anew by somebody else.
#include <algorithm>
#include <cmath>

#include <QCoreApplication>
#include <QFileInfo>
#include <QPointer>

#include "background.h"
#include "ember/film/new_project.h"
#include "session.h"

namespace ember::app {

namespace {

QString namesOf(const QStringList& files)
{
    QStringList names;
    for (const QString& file : files)
        names << QFileInfo(file).fileName();
    return names.join(QStringLiteral(", "));
}

} // namespace

void Session::watchFiles()
{
    std::vector<FileWatch::File> files;
    const auto add = [&](const std::string& file, bool alone) {
        if (!file.empty())
            files.push_back({file, alone});
    };
    for (const Shot& shot : project().shots)
        add(shot.clip, shot.still);
    for (const Layer& layer : project().layers)
        add(layer.picture, true);
    for (const Recipe& recipe : project().recipes)
        add(recipe.sound.file, true);
    add(project().sound.file, true);
    std::sort(files.begin(), files.end());
    files.erase(std::unique(files.begin(), files.end()), files.end());
    if (files == watched_)
        return;
    watched_ = files;
    watch_.watch(files);
}

void Session::readAnew(const QStringList& files)
{
    const auto rewritten = [&files](const std::string& file) { return files.contains(QString::fromStdString(file)); };
    std::erase_if(shelf_, [&](const auto& known) { return rewritten(known.first); });
    std::erase_if(known_, [&](const auto& known) { return rewritten(known.first.first); });
    const auto& shots = project().shots;
    if (std::none_of(shots.begin(), shots.end(), [&](const Shot& shot) { return rewritten(shot.clip); })) {
        documentChanged();
        emit mediaRewritten();
        emit told(tr("%1 was written anew and is used as it is now").arg(namesOf(files)));
        return;
    }
    const QPointer<Session> self(this);
    inBackground([self, files, known = known_, before = document_.snapshot(), at = openings_] {
        auto film = std::make_shared<Result<std::unique_ptr<ClipReader>>>(openFilm(*before, false, known));
        QMetaObject::invokeMethod(QCoreApplication::instance(), [self, files, film, before, at] {
            Session* session = self.data();
            if (session == nullptr || session->openings_ != at)
                return; // another film was opened meanwhile
            if (!sameFilm(*before, session->project())) {
                session->readAnew(files);
            } else if (*film) {
                session->tookAnew(files, std::move(*film).value());
            } else {
                session->mediaTrouble_ =
                    tr("%1 The film is shown as it was.").arg(QString::fromStdString(sentence(film->error())));
                emit session->trouble(session->mediaTrouble_);
            }
        });
    });
}

void Session::tookAnew(const QStringList& files, std::unique_ptr<ClipReader> film)
{
    const bool wasMissing = !clipOpen_;
    clipTrouble_.clear();
    mediaTrouble_.clear();
    showClip(std::move(film));
    Project next = project();
    QString shorter;
    for (std::size_t i = 0; i < next.shots.size(); ++i) {
        Shot& shot = next.shots[i];
        const QString file = QString::fromStdString(shot.clip);
        if (shot.gap() || shot.still || !files.contains(file))
            continue;
        const Shot now = shotOf(clipInfo_->shots.empty() ? *clipInfo_ : clipInfo_->shots[i], next.rate);
        const std::int64_t available = now.available;
        shot.format = now.format;
        const auto used = static_cast<std::int64_t>(std::ceil(shot.clipFrame(static_cast<double>(shot.length)) - 1e-6));
        if (available < used)
            shorter = tr("%1 is shorter than before: it has %2 frames, and %3 are shown. Its last picture stands for "
                         "the rest; trim the shot to leave that out.")
                          .arg(QFileInfo(file).fileName())
                          .arg(available)
                          .arg(used);
        shot.available = std::max(available, used);
    }
    if (next.shots == project().shots)
        documentChanged();
    else
        edit(std::move(next), tr("Another length of %1").arg(namesOf(files)));
    emit mediaRewritten();
    if (wasMissing) {
        emit fileChanged();
        emit opened();
    }
    wantFrame();
    emit told(tr("%1 was written anew and is shown as it is now").arg(namesOf(files)));
    if (!shorter.isEmpty())
        emit trouble(shorter);
}

} // namespace ember::app
