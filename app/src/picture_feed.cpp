// SPDX-License-Identifier: GPL-3.0-or-later
#include "picture_feed.h"

namespace ember::app {

PictureFeed::PictureFeed(OrderOf orderOf, QObject* parent) : QObject(parent), orderOf_(std::move(orderOf))
{
    connect(&renderer_, &PictureRenderer::rendered, this, &PictureFeed::take);
}

void PictureFeed::want(const Wish& wish)
{
    wish_ = wish;
    go();
}

void PictureFeed::renew(const Wish& wish)
{
    ++revision_;
    ahead_.reset();
    want(wish);
}

void PictureFeed::forget()
{
    ++revision_;
    ahead_.reset();
    shownFrame_ = -1;
    if (making_)
        making_->forgotten = true;
}

void PictureFeed::go()
{
    if (ahead_ && ahead_->frame == wish_.frame) {
        const Made made = std::move(*ahead_);
        ahead_.reset();
        show(made);
    }
    const bool current = shownFrame_ == wish_.frame && shownRevision_ == revision_;
    waiting_ = waiting_ && !current;
    if (making_) // one at a time: the next order is made of what is wanted when this one is done
        return;
    if (!current)
        waiting_ = !order(wish_.frame, false);
    else if (wish_.next && !(ahead_ && ahead_->frame == *wish_.next))
        order(*wish_.next, true);
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
    if (!making.forgotten) {
        // One whose time has passed is better than the one before it; one that was made for nothing is not shown.
        const bool early = making.ahead && wish_.next == frame && frame != wish_.frame;
        if (early && made.revision == revision_)
            ahead_ = made;
        else if (!early && (!making.ahead || wish_.next || frame == wish_.frame))
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
