// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <deque>
#include <map>
#include <memory>

#include <QObject>

#include "ember/core/motion.h"
#include "ember/core/survey.h"
#include "ember/render/frame.h"
#include "waiting_thread.h"

namespace ember::app {

/// The shaken frames under the Anvil, made on a thread of their own, so that a change is seen in the curve at once.
/// Until a frame's new picture is there, its old one stays.
class ContactPictures : public QObject {
    Q_OBJECT
public:
    /// What the frames are made of, and how large.
    struct Scene {
        std::shared_ptr<const Project> project;
        std::shared_ptr<const Motion> motion;
        Cover cover;
        LayerPictures layers;
        int width = 0;
        int height = 0;
    };

    explicit ContactPictures(QObject* parent = nullptr);
    ~ContactPictures() override;

    /// From now on frames look like this.
    void setScene(Scene scene);
    /// The frame as it was made last; asks for it where the scene is another by now. Null when it was never made.
    ImagePtr picture(std::int64_t frame, const ImagePtr& thumb);
    /// All that was asked for is there.
    bool settled() const { return pending_ == 0; }
    /// Another film; pictures of the one before that are still being made are not taken.
    void forget();

signals:
    /// All that was asked for is there.
    void ready();

private:
    struct Job {
        std::shared_ptr<const Scene> scene;
        std::uint64_t revision;
        std::int64_t frame;
        ImagePtr thumb;
    };
    struct Kept {
        std::uint64_t revision = 0; ///< the one asked for last
        ImagePtr thumb;             ///< what it is made of
        ImagePtr picture;
    };
    void make(WaitingThread::Lock& held);
    void take(std::int64_t frame, std::uint64_t revision, const ImagePtr& picture);

    std::shared_ptr<const Scene> scene_;
    std::uint64_t revision_ = 1;
    std::uint64_t firstOfFilm_ = 1;
    std::map<std::int64_t, Kept> kept_;
    std::size_t pending_ = 0;

    std::deque<Job> jobs_;
    WaitingThread worker_;
};

} // namespace ember::app
