// SPDX-License-Identifier: GPL-3.0-or-later
#include "contact_pictures.h"

#include "background.h"

namespace ember::app {

namespace {
constexpr std::size_t mostKept = 400; ///< small pictures
}

ContactPictures::ContactPictures(QObject* parent)
    : QObject(parent), worker_([this] { return !jobs_.empty(); }, [this](auto& held) { make(held); })
{
}

ContactPictures::~ContactPictures() = default;

void ContactPictures::setScene(Scene scene)
{
    scene_ = std::make_shared<const Scene>(std::move(scene));
    ++revision_;
    const auto held = worker_.lock();
    pending_ -= jobs_.size(); // of a scene that is no more
    jobs_.clear();
}

void ContactPictures::forget()
{
    kept_.clear();
    firstOfFilm_ = ++revision_;
}

ImagePtr ContactPictures::picture(std::int64_t frame, const ImagePtr& thumb)
{
    if (thumb == nullptr || scene_ == nullptr)
        return nullptr;
    if (kept_.size() > mostKept)
        std::erase_if(kept_, [this](const auto& kept) { return kept.second.revision != revision_; });
    Kept& kept = kept_[frame];
    if (kept.revision != revision_ || kept.thumb != thumb) {
        kept.revision = revision_;
        kept.thumb = thumb;
        ++pending_;
        worker_.change([&] { jobs_.push_back({scene_, revision_, frame, thumb}); });
    }
    return kept.picture;
}

void ContactPictures::take(std::int64_t frame, std::uint64_t revision, const ImagePtr& picture)
{
    --pending_;
    // One that was made for the scene before is better than an older one still.
    const auto kept = kept_.find(frame);
    if (kept != kept_.end() && revision >= firstOfFilm_ && revision <= kept->second.revision)
        kept->second.picture = picture;
    if (pending_ == 0)
        emit ready();
}

void ContactPictures::make(WaitingThread::Lock& held)
{
    const Job job = std::move(jobs_.front());
    jobs_.pop_front();
    held.unlock();
    const Scene& scene = *job.scene;
    ImagePtr made;
    withMemory([&] {
        made = renderFrame(
            job.thumb, lookOf(*scene.project, *scene.motion, scene.cover, static_cast<double>(job.frame), scene.layers),
            scene.width, scene.height);
    });
    QMetaObject::invokeMethod(
        this, [this, frame = job.frame, revision = job.revision, made] { take(frame, revision, made); },
        Qt::QueuedConnection);
    held.lock();
}

} // namespace ember::app
