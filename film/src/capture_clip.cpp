// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/film/capture_clip.h"

#include <cstdio>

#include "ember/analysis/capture.h"

namespace ember {

Result<CapturedMotion> captureClip(ClipReader& clip, std::int64_t first, std::int64_t last, const Progress& progress)
{
    const ClipInfo& info = clip.info();
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
    CapturedMotion motion = capture.finish();
    if (motion.bridged() + 1 >= motion.frames.size())
        return Error{ErrorCode::failed, info.path,
                     "nothing in its pictures can be followed: they are flat, dark, or each another"};
    return motion;
}

std::string motionToCsv(const CapturedMotion& motion, std::int64_t first)
{
    std::string text = "frame,x_px,y_px,roll_deg,zoom,confidence\n";
    for (const CapturedFrame& frame : motion.frames) {
        char row[160];
        std::snprintf(row, sizeof row, "%lld,%.4f,%.4f,%.5f,%.7f,%.3f\n", static_cast<long long>(first++),
                      frame.moved.x, frame.moved.y, frame.moved.roll, frame.moved.zoom, frame.confidence);
        text += row;
    }
    return text;
}

} // namespace ember
