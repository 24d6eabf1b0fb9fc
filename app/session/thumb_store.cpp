// SPDX-License-Identifier: GPL-3.0-or-later
#include "thumb_store.h"

#include <algorithm>
#include <cmath>

#include "background.h"
#include "ember/film/film_reader.h"
#include "ember/render/frame.h"

namespace ember::app {

namespace {

constexpr std::size_t mostWanted = 400;

ImagePtr smallPicture(ClipReader& clip, std::int64_t frame, const Project& project)
{
    const auto whole = clip.frame(Frame{frame}, project.rate);
    if (!whole)
        return nullptr;
    constexpr double height = ThumbStore::thumbHeight;
    const auto width = std::clamp(static_cast<int>(std::lround(height * project.width / project.height)), 8, 400);
    FrameLook rest;
    rest.projectWidth = project.width;
    rest.projectHeight = project.height;
    rest.edges = EdgeMode::extend;
    return renderFrame(whole.value(), rest, width, ThumbStore::thumbHeight);
}

} // namespace

ThumbStore::ThumbStore(std::size_t kept, QObject* parent)
    : QObject(parent), kept_(kept), worker_([this] { return !wanted_.empty(); }, [this](auto& held) { make(held); })
{
}

ThumbStore::~ThumbStore() = default;

void ThumbStore::setProject(const Project& project)
{
    const auto held = worker_.lock();
    project_ = project;
    ++generation_;
    thumbs_.clear();
    wanted_.clear();
}

ImagePtr ThumbStore::thumb(std::int64_t frame)
{
    auto held = worker_.lock();
    if (frame < 0 || frame >= project_.length())
        return nullptr;
    if (const auto found = thumbs_.find(frame); found != thumbs_.end()) {
        found->second.asked = ++wishes_;
        return found->second.picture;
    }
    if (std::find(wanted_.begin(), wanted_.end(), frame) == wanted_.end()) {
        wanted_.push_back(frame);
        if (wanted_.size() > mostWanted)
            wanted_.pop_front();
        worker_.tell();
    }
    return nullptr;
}

void ThumbStore::trim()
{
    // What was looked at longest ago goes, wherever it is in the film.
    while (thumbs_.size() > kept_)
        thumbs_.erase(std::min_element(thumbs_.begin(), thumbs_.end(),
                                       [](const auto& a, const auto& b) { return a.second.asked < b.second.asked; }));
}

void ThumbStore::make(WaitingThread::Lock& held)
{
    // In film order, so that a run of frames is one pass of the decoder.
    const auto next = std::min_element(wanted_.begin(), wanted_.end());
    const auto frame = *next;
    wanted_.erase(next);
    const auto generation = generation_;
    const Project project = project_;
    held.unlock();
    ImagePtr small;
    withMemory([&] {
        if (opened_ != generation) {
            auto fresh = openFilm(project);
            clip_ = fresh ? std::move(fresh).value() : nullptr;
            opened_ = generation;
        }
        if (clip_)
            small = smallPicture(*clip_, frame, project);
    });
    held.lock();
    if (generation != generation_ || !small)
        return;
    thumbs_[frame] = {std::move(small), ++wishes_};
    trim();
    emit ready(frame);
}

} // namespace ember::app
