// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstdint>
#include <map>
#include <memory>
#include <set>

#include <QObject>

#include "ember/core/time.h"
#include "ember/image/image.h"
#include "ember/media/clip.h"
#include "waiting_thread.h"

namespace ember::app {

/// Decodes the clip on a thread of its own, ahead of where it is looked at, into a cache bounded in bytes.
class FrameStore : public QObject {
    Q_OBJECT
public:
    explicit FrameStore(QObject* parent = nullptr);
    ~FrameStore() override;

    /// Frames of this clip at this rate, 0 to length - 1. What was cached is forgotten. A null clip has no frames.
    /// While it plays, frames that are not cached are read from `draft`, if there is one; at rest the frame that is
    /// looked at is the clip's own.
    void setClip(std::unique_ptr<ClipReader> clip, FrameRate rate, std::int64_t length,
                 std::unique_ptr<ClipReader> draft = nullptr);

    /// The frame if it is decoded already, else null.
    ImagePtr cached(std::int64_t frame) const;
    /// Whether it is there, but from the draft.
    bool isDraft(std::int64_t frame) const;

    struct Wish {
        std::int64_t frame = 0;
        bool playing = false; ///< decode far ahead
        std::int64_t loopFirst = 0;
        std::int64_t loopLast = -1; ///< no loop when smaller than loopFirst
    };
    /// What is looked at now; ready() follows if it is not cached yet.
    void want(const Wish& wish);

    void setBudget(std::size_t bytes);
    std::size_t bytesHeld() const;

signals:
    void ready(qint64 frame);
    void failed(qint64 frame, const QString& why);
    /// More of the clip's pictures were found damaged: a sentence with how many so far.
    void damageFound(const QString& text);

private:
    void decode(WaitingThread::Lock& held);
    std::int64_t nextMissing() const;
    bool missing(std::int64_t frame) const;
    /// The frame that is on show `count` frames after the wanted one, loop included.
    std::int64_t framesAhead(std::int64_t count) const;
    /// How far from being wanted a frame is.
    std::int64_t distance(std::int64_t frame) const;
    void trim();

    std::unique_ptr<ClipReader> clip_;
    std::unique_ptr<ClipReader> draft_;
    FrameRate rate_;
    std::int64_t length_ = 0;
    std::uint64_t generation_ = 0;
    Wish wish_;
    std::map<std::int64_t, ImagePtr> frames_;
    std::set<std::int64_t> drafts_; ///< those of them that are from the draft
    std::int64_t broken_ = -1;      ///< the frame that failed last; not tried again until another is wanted
    std::size_t bytes_ = 0;
    std::size_t budget_ = 320u << 20;
    WaitingThread worker_;
};

} // namespace ember::app
