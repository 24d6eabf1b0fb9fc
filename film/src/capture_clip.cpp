// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/film/capture_clip.h"

#include "ember/analysis/capture.h"

namespace ember {

Result<CapturedMotion> captureSome(ClipReader& clip, std::int64_t first, std::int64_t last, const Progress& progress)
{
    const ClipInfo& info = clip.info();
    if (info.kind == ClipKind::still)
        return Error{ErrorCode::badValue, info.path, "it is a single picture, in which nothing moves"};
    if (last <= first)
        return Error{ErrorCode::badValue, info.path, "motion is read from two frames or more"};
    MotionCapture capture(info.rate);
    const auto count = static_cast<double>(last - first + 1);
    for (std::int64_t frame = first; frame <= last; ++frame) {
        const auto picture = clip.frame(Frame{frame}, info.rate);
        if (!picture)
            return picture.error();
        capture.add(*picture.value());
        if (progress && !progress(static_cast<double>(frame - first + 1) / count))
            return Error{ErrorCode::cancelled, "", ""};
    }
    return capture.finish();
}

Result<CapturedMotion> ifFollowed(CapturedMotion motion, const std::string& path)
{
    if (motion.bridged() + 1 >= motion.frames.size())
        return Error{ErrorCode::failed, path,
                     "nothing in its pictures can be followed: they are flat, dark, or each another"};
    return motion;
}

Result<CapturedMotion> captureClip(ClipReader& clip, std::int64_t first, std::int64_t last, const Progress& progress)
{
    auto motion = captureSome(clip, first, last, progress);
    return motion ? ifFollowed(std::move(motion).value(), clip.info().path) : motion;
}

} // namespace ember
