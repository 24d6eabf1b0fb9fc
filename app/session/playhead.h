// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstdint>

#include <QObject>

#include "loop_range.h"

namespace ember::app {

class OpenDocument;

/// Where the film is looked at: one frame, and the stretch that is played over and over. Always inside the film.
class Playhead : public QObject {
    Q_OBJECT
public:
    explicit Playhead(OpenDocument& document);

    std::int64_t frame() const { return frame_; }
    void setFrame(std::int64_t frame);

    const LoopRange& loop() const { return loop_; }
    void setLoop(LoopRange loop);

    /// While it plays, frames are wanted far ahead.
    bool playing() const { return playing_; }
    void setPlaying(bool playing);

    /// Another film: this frame and no loop, told to all by tell().
    void reset(std::int64_t frame);
    void tell();

signals:
    void moved(qint64 frame);
    /// It moved, and not because another film was opened.
    void wentTo(qint64 frame);
    void loopChanged();
    void playingChanged();

private:
    std::int64_t inside(std::int64_t frame) const;

    OpenDocument& document_;
    std::int64_t frame_ = 0;
    LoopRange loop_;
    bool playing_ = false;
};

} // namespace ember::app
