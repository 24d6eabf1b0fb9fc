// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <condition_variable>
#include <cstdint>
#include <deque>
#include <map>
#include <mutex>
#include <thread>

#include <QObject>

#include "ember/core/image.h"
#include "ember/core/project.h"

namespace ember::app {

/// Small unshaken frames for the Anvil and the Reel, decoded on a thread of their own.
class ThumbStore : public QObject {
    Q_OBJECT
public:
    static constexpr int thumbHeight = 90;

    explicit ThumbStore(QObject* parent = nullptr);
    ~ThumbStore() override;

    /// Thumbs of this project's clip from now on.
    void setProject(const Project& project);

    /// The thumb of a frame, or null; a null one is made soon and ready() tells.
    ImagePtr thumb(std::int64_t frame);

signals:
    void ready(qint64 frame);

private:
    void run();

    std::mutex mutex_;
    std::condition_variable changed_;
    Project project_;
    std::uint64_t generation_ = 0;
    std::map<std::int64_t, ImagePtr> thumbs_;
    std::deque<std::int64_t> wanted_; ///< the newest wish last; it is served first
    bool stop_ = false;
    std::thread thread_;
};

} // namespace ember::app
