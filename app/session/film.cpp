// SPDX-License-Identifier: GPL-3.0-or-later
#include "film.h"

#include <algorithm>
#include <cmath>

#include <QFileInfo>
#include <QGuiApplication>

#include "background.h"
#include "busy.h"
#include "ember/colour/config.h"
#include "ember/files/cache.h"
#include "ember/film/layer_pictures.h"
#include "ember/film/new_project.h"
#include "ember/image/convert.h"
#include "frame_store.h"
#include "messages.h"
#include "open_document.h"
#include "playhead.h"
#include "text.h"
#include "thumb_store.h"

namespace ember::app {

namespace {

QString namesOf(const QStringList& files)
{
    QStringList names;
    for (const QString& file : files)
        names << QFileInfo(file).fileName();
    return names.join(QStringLiteral(", "));
}

/// Every file the film is read from, each once.
std::vector<FileWatch::File> filesOf(const Project& project)
{
    std::vector<FileWatch::File> files;
    const auto add = [&](const std::string& file, bool alone) {
        if (!file.empty())
            files.push_back({file, alone});
    };
    for (const Shot& shot : project.shots)
        add(shot.clip, shot.still);
    for (const Layer& layer : project.layers)
        add(layer.picture, true);
    for (const Recipe& recipe : project.recipes)
        add(recipe.sound.file, true);
    add(project.sound.file, true);
    add(ColourConfig::fileOf(project.colours.config), true);
    std::sort(files.begin(), files.end());
    files.erase(std::unique(files.begin(), files.end()), files.end());
    return files;
}

} // namespace

Film::Film(OpenDocument& document, Playhead& playhead, Messages& messages, Busy& busy)
    : document_(document), playhead_(playhead), messages_(messages), busy_(busy), proxies_(cacheFolder("proxies")),
      frames_(std::make_unique<FrameStore>()), thumbs_(std::make_unique<ThumbStore>())
{
    connect(&document_, &OpenDocument::edited, this, [this](const Project&, const Change& change) {
        if (change.film)
            reopen();
        if (change.layers)
            fetchLayers();
        if (change.files)
            watchFiles();
    });
    connect(&document_, &OpenDocument::settled, this, [this](const Project& before) {
        if (sameFilm(before, document_.project()))
            return;
        wantFrame();
        emit edited();
    });
    for (const auto moved : {&Playhead::loopChanged, &Playhead::playingChanged})
        connect(&playhead_, moved, this, &Film::wantFrame);
    connect(&playhead_, &Playhead::moved, this, &Film::wantFrame);
    connect(&watch_, &FileWatch::rewritten, this, &Film::readAnew);
    connect(frames_.get(), &FrameStore::damageFound, this, &Film::damageFound);
    if (auto* application = qobject_cast<QGuiApplication*>(QCoreApplication::instance()))
        connect(application, &QGuiApplication::applicationStateChanged, &watch_, &FileWatch::look);
}

Film::~Film() = default;

std::optional<SoundSource> Film::soundSource() const
{
    return clipInfo_ ? soundOf(document_.project(), *clipInfo_) : std::nullopt;
}

FilmSound Film::filmSound() const
{
    return {soundSource(), heardStrikes(document_.project())};
}

void Film::wantFrame()
{
    const LoopRange& loop = playhead_.loop();
    frames_->want({playhead_.frame(), playhead_.playing(), loop.first, loop.on ? loop.last : -1});
}

void Film::show(std::unique_ptr<ClipReader> clip, const QString& trouble)
{
    ++shown_;
    clipTrouble_ = trouble;
    mediaTrouble_.clear();
    showClip(std::move(clip));
    fetchLayers();
    watchFiles();
}

void Film::showClip(std::unique_ptr<ClipReader> clip)
{
    const Project& project = document_.project();
    open_ = clip != nullptr;
    clipInfo_ = clip ? std::optional(clip->info()) : std::nullopt;
    if (clipInfo_)
        for (std::size_t i = 0; i < project.shots.size(); ++i)
            if (const Shot& shot = project.shots[i]; !shot.gap())
                learn(shot, clipInfo_->shots.empty() ? *clipInfo_ : clipInfo_->shots[i]);
    view_.reset();
    if (clipInfo_) {
        auto view = FilmView::of(project, *clipInfo_);
        if (view) {
            view_ = std::move(view).value();
        } else {
            clipTrouble_ = said(view.error());
            clip.reset();
            open_ = false;
        }
    }
    if (view_)
        for (const Phrase& note : view_->notes())
            emit messages_.told(said(note));
    bringLayers();
    std::unique_ptr<ClipReader> draft;
    const auto has = [this](const Shot& shot) { return proxies_.of(shot).has_value(); };
    if (clip && std::any_of(project.shots.begin(), project.shots.end(), has))
        if (auto film = openFilm(project, FilmPictures::light, known_, {}, &proxies_))
            draft = std::move(film).value();
    frames_->setClip(std::move(clip), project.rate, project.length(), std::move(draft));
    thumbs_->setProject(open_ ? project : Project{});
}

void Film::reopen()
{
    const Project& project = document_.project();
    if (project.shots.empty()) {
        clipTrouble_.clear();
        showClip(nullptr);
        return;
    }
    auto film = openFilm(project, FilmPictures::light, known_);
    clipTrouble_ = film ? QString() : said(film.error());
    showClip(film ? std::move(film).value() : nullptr);
}

void Film::proxiesChanged()
{
    if (!open_)
        return;
    reopen();
    wantFrame();
}

void Film::fetchLayers()
{
    layerPictures_.clear();
    for (const Layer& layer : document_.project().layers) {
        auto known = shelf_.find(layer.picture);
        if (known == shelf_.end()) {
            auto picture = layerPicture(layer);
            if (!picture)
                emit messages_.told(said(picture.error()));
            known = shelf_.emplace(layer.picture, picture ? picture.value() : nullptr).first;
        }
        layerPictures_.push_back(known->second);
    }
    bringLayers();
}

void Film::bringLayers()
{
    viewLayers_ = layerPictures_;
    if (view_ != nullptr)
        for (ImagePtr& picture : viewLayers_)
            if (picture != nullptr)
                picture = inPrimaries(picture, view_->colour().primaries);
}

void Film::lookAt(const QString& path, std::function<void(const ClipInfo&)> then)
{
    ClipOptions options;
    options.sequenceRate = document_.project().rate;
    const auto look = [file = path.toStdString(), options](const Progress& progress) -> Result<ClipInfo> {
        ClipOptions told = options;
        told.progress = progress;
        const auto clip = ClipReader::open(file, told);
        if (!clip)
            return clip.error();
        return clip.value()->info();
    };
    busy_.begin(tr("Reading %1").arg(QFileInfo(path).fileName()), look,
                [this, then = std::move(then), film = shown_](const Result<ClipInfo>& info) {
                    if (shown_ != film) // another project was opened meanwhile
                        return;
                    if (info)
                        then(info.value());
                    else
                        messages_.wentWrong(info.error());
                });
}

// --- files that somebody else writes anew ---

void Film::watchFiles()
{
    auto files = filesOf(document_.project());
    if (files == watched_)
        return;
    watched_ = std::move(files);
    watch_.watch(watched_);
}

void Film::readAnew(const QStringList& files)
{
    const auto isNew = [&files](const std::string& file) { return files.contains(QString::fromStdString(file)); };
    std::erase_if(shelf_, [&](const auto& known) { return isNew(known.first); });
    std::erase_if(known_, [&](const auto& known) { return isNew(known.first.first); });
    fetchLayers();
    const auto& shots = document_.project().shots;
    if (!isNew(ColourConfig::fileOf(document_.project().colours.config)) &&
        std::none_of(shots.begin(), shots.end(), [&](const Shot& shot) { return isNew(shot.clip); })) {
        document_.showAgain();
        emit rewritten();
        emit messages_.told(tr("%1 was written anew and is used as it is now").arg(namesOf(files)));
        return;
    }
    const auto before = document_.snapshot();
    const auto open = [before, known = known_] { return openFilm(*before, FilmPictures::light, known); };
    inBackground(this, open, [this, files, before, at = shown_](Result<std::unique_ptr<ClipReader>> film) {
        if (shown_ != at)
            return; // another film was opened meanwhile
        if (!sameFilm(*before, document_.project())) {
            readAnew(files);
        } else if (film) {
            tookAnew(files, std::move(film).value());
        } else {
            mediaTrouble_ = tr("%1 The film is shown as it was.").arg(said(film.error()));
            emit messages_.trouble(mediaTrouble_);
        }
    });
}

void Film::tookAnew(const QStringList& files, std::unique_ptr<ClipReader> film)
{
    const bool wasMissing = !open_;
    clipTrouble_.clear();
    mediaTrouble_.clear();
    showClip(std::move(film));
    Project next = document_.project();
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
    if (next.shots == document_.project().shots)
        document_.showAgain();
    else
        document_.edit(std::move(next), tr("Another length of %1").arg(namesOf(files)));
    emit rewritten();
    if (wasMissing)
        emit found();
    wantFrame();
    emit messages_.told(tr("%1 was written anew and is shown as it is now").arg(namesOf(files)));
    if (!shorter.isEmpty())
        emit messages_.trouble(shorter);
}

} // namespace ember::app
