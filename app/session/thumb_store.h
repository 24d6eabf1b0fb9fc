// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstdint>
#include <deque>
#include <map>

#include <QObject>

#include "ember/core/project.h"
#include "ember/image/image.h"
#include "ember/media/clip.h"
#include "waiting_thread.h"

namespace ember::app {

/// Small unshaken frames for the Anvil and the Reel, decoded on a thread of their own.
class ThumbStore : public QObject {
    Q_OBJECT
public:
    static constexpr int thumbHeight = 90;

    static constexpr std::size_t mostKept = 3000;

    /// Keeps at most `kept` of them: those that were asked for last.
    explicit ThumbStore(std::size_t kept = mostKept, QObject* parent = nullptr);
    ~ThumbStore() override;

    /// Thumbs of this project's clip from now on.
    void setProject(const Project& project);

    /// The thumb of a frame, or null; a null one is made soon and ready() tells.
    ImagePtr thumb(std::int64_t frame);

signals:
    void ready(qint64 frame);

private:
    void make(WaitingThread::Lock& held);

    Project project_;
    std::uint64_t generation_ = 0;
    struct Thumb {
        ImagePtr picture;
        std::uint64_t asked = 0; ///< the number of the wish that was the last for it
    };
    void trim();

    const std::size_t kept_;
    std::uint64_t wishes_ = 0;
    std::unique_ptr<ClipReader> clip_; ///< the thread's own
    std::uint64_t opened_ = 0;
    std::map<std::int64_t, Thumb> thumbs_;
    std::deque<std::int64_t> wanted_; ///< the newest wish last; it is served first
    WaitingThread worker_;
};

} // namespace ember::app
