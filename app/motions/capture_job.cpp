// SPDX-License-Identifier: GPL-3.0-or-later
#include "capture_job.h"

#include "ember/film/capture_clip.h"

namespace ember::app {

CaptureJob::CaptureJob(QString clip, std::int64_t first, std::int64_t last, QObject* parent)
    : QObject(parent), clip_(std::move(clip)), first_(first), last_(last)
{
    qRegisterMetaType<std::shared_ptr<const CapturedMotion>>();
}

void CaptureJob::start()
{
    thread_ = std::thread([this] {
        const auto told = [this](const Error& error) {
            emit failed(error.code == ErrorCode::cancelled ? QString() : QString::fromStdString(sentence(error)));
        };
        auto reader = ClipReader::open(clip_.toStdString());
        if (!reader)
            return told(reader.error());
        const std::int64_t end = reader.value()->info().length - 1;
        if (last_ > end)
            return told(Error{ErrorCode::badValue, clip_.toStdString(),
                              "its last frame is " + std::to_string(end) + ", so " + std::to_string(last_) +
                                  " cannot be read"});
        auto motion = captureClip(*reader.value(), first_, last_ < 0 ? end : last_, [this](double share) {
            emit progressed(share);
            return !stop_;
        });
        if (!motion)
            return told(motion.error());
        emit read(std::make_shared<const CapturedMotion>(std::move(motion).value()));
    });
}

CaptureJob::~CaptureJob()
{
    cancel();
    if (thread_.joinable())
        thread_.join();
}

} // namespace ember::app
