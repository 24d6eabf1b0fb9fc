// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/film/follow_point.h"

#include <algorithm>
#include <cmath>
#include <cstring>

#include "ember/analysis/capture.h"

namespace ember {

namespace {

/// The surroundings that are compared, as a share of the picture's smaller side.
constexpr double share = 0.3;
constexpr int leastSide = 48; ///< pixels

struct Corner {
    int x = 0;
    int y = 0;
};

/// A square of the picture around a point, wholly inside it.
Corner cornerFor(const Image& picture, int side, double x, double y)
{
    return {std::clamp(static_cast<int>(std::lround(x - side / 2.0)), 0, picture.width() - side),
            std::clamp(static_cast<int>(std::lround(y - side / 2.0)), 0, picture.height() - side)};
}

Image squareAt(const Image& picture, const Corner& corner, int side)
{
    Image out(side, side, picture.depth());
    out.setOpaque(picture.opaque());
    const std::size_t bytes = picture.pixelBytes();
    for (int row = 0; row < side; ++row)
        std::memcpy(out.row(row), picture.row(corner.y + row) + bytes * static_cast<std::size_t>(corner.x),
                    bytes * static_cast<std::size_t>(side));
    return out;
}

} // namespace

Result<FollowedPoint> followPoint(ClipReader& film, std::int64_t first, std::int64_t count, double x, double y,
                                  const Progress& progress)
{
    const ClipInfo& info = film.info();
    if (info.kind == ClipKind::still || count < 2)
        return Error{ErrorCode::badValue, info.path, "a point is followed over two frames or more of a moving picture"};
    FollowedPoint found;
    Image key;
    Corner keyCorner;
    Point start;
    Point at;
    Point step;
    int side = 0;
    for (std::int64_t i = 0; i < count; ++i) {
        const auto picture = film.frame(Frame{first + i}, info.rate);
        if (!picture)
            return picture.error();
        const Image& now = *picture.value();
        if (i == 0) {
            side = std::min({std::max(leastSide, static_cast<int>(share * std::min(now.width(), now.height()))),
                             now.width(), now.height()});
            start = at = {x * now.width() - 0.5, y * now.height() - 0.5};
            keyCorner = cornerFor(now, side, at.x, at.y);
            key = squareAt(now, keyCorner, side);
        } else {
            const Corner corner = cornerFor(now, side, at.x + step.x, at.y + step.y);
            MotionCapture capture(info.rate);
            capture.add(key);
            capture.add(squareAt(now, corner, side));
            const CapturedMotion motion = capture.finish();
            const Point before = at;
            if (motion.frames.size() == 2 && motion.frames[1].confidence > 0) {
                const double middle = 0.5 * (side - 1);
                const Point in =
                    motion.frames[1].moved.map({start.x - keyCorner.x, start.y - keyCorner.y}, {middle, middle});
                at = {in.x + corner.x, in.y + corner.y};
            } else {
                ++found.lost;
                at = {at.x + step.x, at.y + step.y};
            }
            at.x = std::clamp(at.x, -0.5, now.width() - 0.5);
            at.y = std::clamp(at.y, -0.5, now.height() - 0.5);
            step = {at.x - before.x, at.y - before.y};
        }
        const auto frame = static_cast<double>(i);
        found.x.push_back({frame, (at.x + 0.5) / now.width(), Ease::linear});
        found.y.push_back({frame, (at.y + 0.5) / now.height(), Ease::linear});
        if (!goesOn(progress, (frame + 1) / static_cast<double>(count)))
            return Error{ErrorCode::cancelled, "", ""};
    }
    if (found.lost + 1 >= static_cast<std::size_t>(count))
        return Error{ErrorCode::failed, info.path, "what is around the point cannot be followed: it is flat or dark"};
    return found;
}

} // namespace ember
