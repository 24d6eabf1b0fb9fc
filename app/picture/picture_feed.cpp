// SPDX-License-Identifier: GPL-3.0-or-later
#include "picture_feed.h"

#include <algorithm>

namespace ember::app {

bool PictureFeed::Wish::isComing(std::int64_t other) const
{
    return std::find(coming.begin(), coming.end(), other) != coming.end();
}

PictureFeed::PictureFeed(OrderOf orderOf, QObject* parent) : QObject(parent), orderOf_(std::move(orderOf))
{
    connect(&renderer_, &PictureRenderer::rendered, this, &PictureFeed::take);
}

void PictureFeed::want(const Wish& wish)
{
    // What is being made ahead is worth showing when its time has passed, but not when another place is looked at.
    if (making_ && making_->ahead && making_->frame != wish.frame && !wish.isComing(making_->frame))
        making_->forgotten = making_->forgotten || wish.coming.empty() || !wish_.isComing(wish.frame);
    wish_ = wish;
    go();
}

void PictureFeed::renew(const Wish& wish)
{
    ++revision_;
    ahead_.clear();
    want(wish);
}

void PictureFeed::forget()
{
    ++revision_;
    ahead_.clear();
    shownFrame_ = -1;
    if (making_)
        making_->forgotten = true;
}

void PictureFeed::go()
{
    const auto there = [this](std::int64_t frame) {
        return std::find_if(ahead_.begin(), ahead_.end(), [&](const Made& made) { return made.frame == frame; });
    };
    if (const auto now = there(wish_.frame); now != ahead_.end()) {
        const Made made = std::move(*now);
        ahead_.erase(now);
        show(made);
    }
    std::erase_if(ahead_, [this](const Made& made) { return !wish_.isComing(made.frame); });
    const bool current = shownFrame_ == wish_.frame && shownRevision_ == revision_;
    waiting_ = waiting_ && !current;
    if (making_) // one at a time: the next order is made of what is wanted when this one is done
        return;
    if (!current) {
        waiting_ = !order(wish_.frame, false);
        return;
    }
    const auto next = std::find_if(wish_.coming.begin(), wish_.coming.end(),
                                   [&](std::int64_t frame) { return there(frame) == ahead_.end(); });
    if (next != wish_.coming.end())
        order(*next, true);
}

bool PictureFeed::order(std::int64_t frame, bool ahead)
{
    auto order = orderOf_(frame);
    if (!order)
        return false;
    making_ = {frame, revision_, ahead, false};
    renderer_.order(std::move(*order));
    return true;
}

void PictureFeed::take(std::int64_t frame, const QImage& picture, const QImage& shown, double milliseconds)
{
    const Making making = *making_;
    making_.reset();
    const Made made{frame, making.revision, picture, shown, milliseconds};
    if (making.ahead && frame != wish_.frame && wish_.isComing(frame)) {
        if (made.revision == revision_ && !making.forgotten)
            ahead_.push_back(made);
    } else if (!making.forgotten) { // one whose time has passed is better than the one before it
        show(made);
    }
    go();
}

void PictureFeed::show(const Made& made)
{
    shownFrame_ = made.frame;
    shownRevision_ = made.revision;
    emit this->made(made.frame, made.picture, made.shown, made.milliseconds);
}

} // namespace ember::app
