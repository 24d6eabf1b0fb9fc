// SPDX-License-Identifier: GPL-3.0-or-later
#include "frame_store.h"

#include <algorithm>
#include <cstdlib>
#include <new>

#include "ember/film/film_inputs.h"
#include "text.h"

namespace ember::app {

namespace {
constexpr std::int64_t aheadPlaying = 24;
constexpr std::int64_t aheadResting = 4;
constexpr std::int64_t behindResting = 16;
constexpr std::int64_t behindNear = 3; ///< fewer than these behind: decode the next block
} // namespace

FrameStore::FrameStore(QObject* parent)
    : QObject(parent), worker_([this] { return nextMissing() >= 0; }, [this](auto& held) { decode(held); })
{
}

FrameStore::~FrameStore() = default;

void FrameStore::setClip(std::unique_ptr<ClipReader> clip, FrameRate rate, std::int64_t length,
                         std::unique_ptr<ClipReader> draft)
{
    worker_.change([&] {
        clip_ = std::move(clip);
        draft_ = std::move(draft);
        rate_ = rate;
        length_ = clip_ ? length : 0;
        ++generation_;
        frames_.clear();
        drafts_.clear();
        bytes_ = 0;
        broken_ = -1;
        wish_ = {};
        wish_.frame = -1; // nothing is looked at yet
    });
}

ImagePtr FrameStore::cached(std::int64_t frame) const
{
    const auto held = worker_.lock();
    const auto found = frames_.find(frame);
    return found == frames_.end() ? nullptr : found->second;
}

bool FrameStore::isDraft(std::int64_t frame) const
{
    const auto held = worker_.lock();
    return drafts_.contains(frame);
}

void FrameStore::want(const Wish& wish)
{
    worker_.change([&] {
        if (wish.frame != wish_.frame)
            broken_ = -1;
        wish_ = wish;
    });
}

void FrameStore::setBudget(std::size_t bytes)
{
    const auto held = worker_.lock();
    budget_ = bytes;
    trim();
}

std::size_t FrameStore::bytesHeld() const
{
    const auto held = worker_.lock();
    return bytes_;
}

bool FrameStore::missing(std::int64_t frame) const
{
    if (frame == broken_)
        return false;
    const bool looked = !wish_.playing && frame == wish_.frame; // what is judged is the clip's own
    return !frames_.contains(frame) || (looked && drafts_.contains(frame));
}

std::int64_t FrameStore::nextMissing() const
{
    if (length_ == 0 || wish_.frame < 0)
        return -1;
    const std::size_t one = frames_.empty() ? 0 : frames_.begin()->second->bytes();
    // Half of the budget may lie ahead; the rest stays behind for stepping back.
    const auto room = one == 0 ? aheadResting : static_cast<std::int64_t>(std::max<std::size_t>(1, budget_ / 2 / one));
    const auto ahead = std::min(wish_.playing ? aheadPlaying : aheadResting, room);
    for (std::int64_t i = 0; i <= ahead; ++i) {
        const auto frame = framesAhead(i);
        if (frame < 0 || frame >= length_)
            break;
        if (missing(frame))
            return frame;
    }
    // At rest, a block behind is decoded in one pass before it is stepped into: in a clip with few key pictures each
    // single step back would decode its way from the key picture again.
    const auto behind = std::min({behindResting, room, wish_.frame});
    const auto near = std::min(behind, behindNear);
    bool needed = false;
    for (std::int64_t i = 1; i <= near && !wish_.playing; ++i)
        needed = needed || !frames_.contains(wish_.frame - i);
    for (auto frame = wish_.frame - behind; needed && frame < wish_.frame; ++frame)
        if (frame != broken_ && !frames_.contains(frame))
            return frame;
    return -1;
}

std::int64_t FrameStore::framesAhead(std::int64_t count) const
{
    const auto frame = wish_.frame + count;
    const bool loops = wish_.loopLast > wish_.loopFirst && wish_.frame <= wish_.loopLast;
    if (!loops || frame <= wish_.loopLast)
        return frame;
    return wish_.loopFirst + (frame - wish_.loopLast - 1) % (wish_.loopLast - wish_.loopFirst + 1);
}

std::int64_t FrameStore::distance(std::int64_t frame) const
{
    // What a loop comes to next is near, wherever it stands on the film.
    const bool looping = wish_.loopLast > wish_.loopFirst && wish_.frame <= wish_.loopLast && frame >= wish_.loopFirst;
    if (looping && frame < wish_.frame)
        return std::min(wish_.frame - frame, wish_.loopLast - wish_.frame + 1 + frame - wish_.loopFirst);
    return std::abs(frame - wish_.frame);
}

void FrameStore::trim()
{
    // The farthest from where we look goes first.
    while (bytes_ > budget_ && frames_.size() > 1) {
        const auto victim = std::max_element(frames_.begin(), frames_.end(), [this](const auto& a, const auto& b) {
            return distance(a.first) < distance(b.first);
        });
        bytes_ -= victim->second->bytes();
        drafts_.erase(victim->first);
        frames_.erase(victim);
    }
}

void FrameStore::decode(WaitingThread::Lock& held)
{
    const auto frame = nextMissing();
    const auto generation = generation_;
    const bool draft = wish_.playing && draft_ != nullptr;
    auto& place = draft ? draft_ : clip_;
    auto clip = std::move(place);
    const auto rate = rate_;
    held.unlock();
    const auto damagedBefore = clip->damage().count;
    Result<ImagePtr> image = noMemory();
    try {
        image = clip->frame(Frame{frame}, rate);
    } catch (const std::bad_alloc&) { // told like any other trouble with a frame
    }
    const Damage damage = clip->damage();
    held.lock();
    if (generation != generation_)
        return;            // another clip came meanwhile
    if (!image && draft) { // one that cannot be read is as good as none
        draft_.reset();
        return;
    }
    place = std::move(clip);
    if (damage.count > damagedBefore)
        emit damageFound(said(damageSentence(damage)));
    if (!image) {
        broken_ = frame;
        emit failed(frame, said(image.error()));
        return;
    }
    if (const auto old = frames_.find(frame); old != frames_.end())
        bytes_ -= old->second->bytes();
    bytes_ += image.value()->bytes();
    frames_[frame] = std::move(image).value();
    if (draft)
        drafts_.insert(frame);
    else
        drafts_.erase(frame);
    trim();
    emit ready(frame);
}

} // namespace ember::app
