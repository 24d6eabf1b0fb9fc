// SPDX-License-Identifier: GPL-3.0-or-later
#include "apply_run.h"

#include <algorithm>

#include <QFileInfo>

#include "text.h"

namespace ember::app {

namespace {
constexpr int lookEvery = 1000; // ms
} // namespace

ApplyRun::ApplyRun(QObject* parent) : QObject(parent), folders_(std::make_shared<std::vector<FolderWatch>>())
{
    again_.setInterval(lookEvery);
    connect(&again_, &QTimer::timeout, this, &ApplyRun::look);
}

void ApplyRun::add(const std::vector<std::string>& clips)
{
    for (const std::string& path : clips)
        if (std::none_of(clips_.begin(), clips_.end(), [&](const Clip& clip) { return clip.path == path; })) {
            Clip clip;
            clip.path = path;
            clips_.push_back(std::move(clip));
        }
    if (running() && !task_.working())
        next();
    emit changed();
}

void ApplyRun::addFolder(const std::string& folder)
{
    // Another list: the one there may be looked through just now.
    folders_ = std::make_shared<std::vector<FolderWatch>>(*folders_);
    if (std::none_of(folders_->begin(), folders_->end(), [&](const auto& one) { return one.folder() == folder; }))
        folders_->emplace_back(folder);
    if (watching_)
        return look();
    add(clipsIn(folder));
}

void ApplyRun::remove(const std::set<std::size_t>& rows)
{
    for (auto row = rows.rbegin(); row != rows.rend(); ++row)
        if (*row < clips_.size() && clips_[*row].state != State::running)
            clips_.erase(clips_.begin() + static_cast<std::ptrdiff_t>(*row));
    emit changed();
}

bool ApplyRun::anyLeft() const
{
    return std::any_of(clips_.begin(), clips_.end(), [](const Clip& clip) { return clip.state != State::done; });
}

void ApplyRun::start(Pattern pattern, ApplyOptions options, bool watch)
{
    if (running())
        return;
    std::vector<std::string> paths;
    for (Clip& clip : clips_) {
        paths.push_back(clip.path);
        if (clip.state != State::done)
            clip.state = State::waiting;
    }
    stopping_ = false;
    overwrite_ = options.overwrite;
    applier_ = std::make_shared<PatternApplier>(std::move(pattern), std::move(options), paths);
    watching_ = watch;
    if (watching_) {
        again_.start();
        look();
    }
    next();
}

void ApplyRun::stop()
{
    watching_ = false;
    stopping_ = true;
    again_.stop();
    if (task_.working())
        task_.stop();
    else
        applier_.reset();
    emit changed();
}

void ApplyRun::next()
{
    const auto waiting =
        std::find_if(clips_.begin(), clips_.end(), [](const Clip& clip) { return clip.state == State::waiting; });
    if (waiting == clips_.end()) {
        if (!watching_)
            applier_.reset();
        emit changed();
        return;
    }
    waiting->state = State::running;
    waiting->step = ApplyStep::finding;
    waiting->share = 0;
    const std::string path = waiting->path;
    const auto rowOf = [this, path] {
        return static_cast<std::size_t>(
            std::find_if(clips_.begin(), clips_.end(), [&](const Clip& clip) { return clip.path == path; }) -
            clips_.begin());
    };
    const auto work = [self = QPointer<ApplyRun>(this), applier = applier_, path, rowOf](const Progress& go) {
        return applier->apply(path, [&, told = -1.0, was = ApplyStep::finding](ApplyStep step, double share) mutable {
            if (step != was || share - told > 0.004) {
                was = step;
                told = share;
                onInterface(self, [rowOf, step, share](ApplyRun& run) {
                    const std::size_t row = rowOf();
                    if (row >= run.clips_.size() || run.clips_[row].state != State::running)
                        return;
                    run.clips_[row].step = step;
                    run.clips_[row].share = share;
                    emit run.progressed(static_cast<int>(row));
                });
            }
            return go(share);
        });
    };
    task_.begin(work, [this, rowOf](Result<AppliedClip> made) { took(rowOf(), std::move(made)); });
    emit changed();
}

void ApplyRun::took(std::size_t row, Result<AppliedClip> made)
{
    const bool stopped = !made && made.error().code == ErrorCode::cancelled;
    if (row < clips_.size()) {
        Clip& clip = clips_[row];
        clip.state = made ? State::done : stopped ? State::stopped : State::failed;
        clip.trouble = made || stopped ? QString() : said(made.error());
        if (made)
            clip.made = std::move(made).value();
    }
    if (stopping_) {
        applier_.reset();
        emit changed();
        return;
    }
    next();
}

void ApplyRun::look()
{
    if (looking_ || folders_->empty())
        return;
    looking_ = true;
    const auto seen = [folders = folders_] { // a folder may be far away
        std::vector<std::string> arrived;
        auto now = std::make_shared<std::vector<FolderWatch>>(*folders);
        for (FolderWatch& folder : *now)
            for (std::string& clip : folder.arrived())
                arrived.push_back(std::move(clip));
        return std::pair(now, arrived);
    };
    inBackground(this, seen, [this, before = folders_](const auto& found) {
        looking_ = false;
        if (folders_ != before) // a folder was added meanwhile
            return look();
        folders_ = found.first;
        if (!watching_ || !running())
            return;
        std::vector<std::string> fresh;
        for (const std::string& clip : found.second)
            if (overwrite_ || !QFileInfo::exists(toQString(applier_->projectFor(clip)))) // or of an earlier watch
                fresh.push_back(clip);
        if (!fresh.empty())
            add(fresh);
    });
}

} // namespace ember::app
