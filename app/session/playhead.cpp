// SPDX-License-Identifier: GPL-3.0-or-later
#include "playhead.h"

#include <algorithm>

#include "open_document.h"

namespace ember::app {

Playhead::Playhead(OpenDocument& document) : document_(document)
{
    connect(&document_, &OpenDocument::settled, this, [this] { // the film may be shorter than it was
        setFrame(frame_);
        setLoop(loop_);
    });
}

std::int64_t Playhead::inside(std::int64_t frame) const
{
    return std::clamp<std::int64_t>(frame, 0, std::max<std::int64_t>(0, document_.length() - 1));
}

void Playhead::setFrame(std::int64_t frame)
{
    frame = inside(frame);
    if (frame == frame_)
        return;
    frame_ = frame;
    emit moved(frame);
    emit wentTo(frame);
}

void Playhead::setLoop(LoopRange loop)
{
    if (loop.set()) {
        loop.first = inside(loop.first);
        loop.last = std::max(loop.first, inside(loop.last));
    }
    if (loop == loop_)
        return;
    loop_ = loop;
    emit loopChanged();
}

void Playhead::setPlaying(bool playing)
{
    playing_ = playing;
    emit playingChanged();
}

void Playhead::reset(std::int64_t frame)
{
    frame_ = inside(frame);
    loop_ = {};
}

void Playhead::tell()
{
    emit loopChanged();
    emit moved(frame_);
}

} // namespace ember::app
