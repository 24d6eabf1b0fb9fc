// SPDX-License-Identifier: GPL-3.0-or-later
#include "thumb_store.h"

#include <algorithm>
#include <cmath>

#include "background.h"
#include "ember/film/film_reader.h"
#include "ember/render/frame.h"

namespace ember::app {

namespace {
constexpr std::size_t mostThumbs = 3000;
constexpr std::size_t mostWanted = 400;
} // namespace

ThumbStore::ThumbStore(QObject* parent) : QObject(parent), thread_([this] { run(); }) {}

ThumbStore::~ThumbStore()
{
    {
        const std::lock_guard lock(mutex_);
        stop_ = true;
    }
    changed_.notify_all();
    thread_.join();
}

void ThumbStore::setProject(const Project& project)
{
    const std::lock_guard lock(mutex_);
    project_ = project;
    ++generation_;
    thumbs_.clear();
    wanted_.clear();
}

ImagePtr ThumbStore::thumb(std::int64_t frame)
{
    const std::lock_guard lock(mutex_);
    if (frame < 0 || frame >= project_.length())
        return nullptr;
    if (const auto found = thumbs_.find(frame); found != thumbs_.end())
        return found->second;
    if (std::find(wanted_.begin(), wanted_.end(), frame) == wanted_.end()) {
        wanted_.push_back(frame);
        if (wanted_.size() > mostWanted)
            wanted_.pop_front();
        changed_.notify_all();
    }
    return nullptr;
}

void ThumbStore::run()
{
    std::unique_ptr<ClipReader> clip;
    std::uint64_t opened = 0;
    std::unique_lock lock(mutex_);
    for (;;) {
        changed_.wait(lock, [&] { return stop_ || !wanted_.empty(); });
        if (stop_)
            return;
        // In film order, so that a run of frames is one pass of the decoder.
        const auto next = std::min_element(wanted_.begin(), wanted_.end());
        const auto frame = *next;
        wanted_.erase(next);
        const auto generation = generation_;
        const Project project = project_;
        lock.unlock();
        if (opened != generation) {
            auto fresh = openFilm(project);
            clip = fresh ? std::move(fresh).value() : nullptr;
            opened = generation;
        }
        ImagePtr small;
        withMemory([&] {
            if (!clip)
                return;
            if (const auto whole = clip->frame(Frame{frame}, project.rate)) {
                const int width = std::clamp(
                    static_cast<int>(std::lround(thumbHeight * static_cast<double>(project.width) / project.height)), 8,
                    400);
                FrameLook rest;
                rest.projectWidth = project.width;
                rest.projectHeight = project.height;
                rest.edges = EdgeMode::extend;
                small = renderFrame(whole.value(), rest, width, thumbHeight);
            }
        });
        lock.lock();
        if (generation != generation_ || !small)
            continue;
        if (thumbs_.size() >= mostThumbs)
            thumbs_.erase(thumbs_.begin());
        thumbs_[frame] = std::move(small);
        emit ready(frame);
    }
}

} // namespace ember::app
