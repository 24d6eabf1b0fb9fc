// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/film/follow_point.h"

#include <algorithm>
#include <cmath>

#include "ember/analysis/capture.h"

namespace ember {

namespace {

/// The surroundings that are compared, as a share of the picture's smaller side.
constexpr double share = 0.3;
constexpr int leastSide = 96; ///< pixels
/// Below this what was measured on small surroundings is not taken before larger ones were asked.
constexpr double sure = 0.3;

/// A part of a picture.
struct Part {
    int x = 0;
    int y = 0;
    int width = 0;
    int height = 0;
};

/// The part around a point, wholly inside the picture; all of it where it is smaller.
Part partAround(const Image& picture, int side, Point at)
{
    const auto corner = [side](double middle, int length) {
        return std::clamp(static_cast<int>(std::lround(middle - side / 2.0)), 0, std::max(0, length - side));
    };
    return {corner(at.x, picture.width()), corner(at.y, picture.height()), std::min(side, picture.width()),
            std::min(side, picture.height())};
}

struct Match {
    Point at;
    double confidence = 0;
};

/// Where what is at `from` in one picture is in another, in which it is looked for around `near`.
Match foundAgain(const Image& before, Point from, const Image& now, Point near, int side, FrameRate rate)
{
    const Part was = partAround(before, side, from);
    const Part is = partAround(now, side, near);
    MotionCapture capture(rate);
    capture.add(cropped(before, was.x, was.y, was.width, was.height));
    capture.add(cropped(now, is.x, is.y, is.width, is.height));
    const CapturedMotion motion = capture.finish();
    if (motion.frames.size() != 2 || motion.frames[1].confidence <= 0)
        return {near};
    const Point middle{0.5 * (was.width - 1), 0.5 * (was.height - 1)};
    const Point in = motion.frames[1].moved.map({from.x - was.x, from.y - was.y}, middle);
    const Point at{in.x + is.x, in.y + is.y};
    // Further than half of what was compared nothing was seen of it.
    if (std::abs(at.x - near.x) > 0.5 * side || std::abs(at.y - near.y) > 0.5 * side)
        return {near};
    return {at, motion.frames[1].confidence};
}

} // namespace

Result<FollowedPoint> followPoint(ClipReader& film, std::int64_t first, std::int64_t count, double x, double y,
                                  const Progress& progress)
{
    const ClipInfo& info = film.info();
    if (info.kind == ClipKind::still || count < 2)
        return Error{ErrorCode::badValue, info.path, "a point is followed over two frames or more of a moving picture"};
    FollowedPoint found;
    ImagePtr begin;
    ImagePtr before;
    Point start;
    Point at;
    Point step;
    for (std::int64_t i = 0; i < count; ++i) {
        const auto picture = film.frame(Frame{first + i}, info.rate);
        if (!picture)
            return picture.error();
        const ImagePtr& now = picture.value();
        if (i == 0) {
            begin = now;
            start = at = {x * now->width() - 0.5, y * now->height() - 0.5};
        } else {
            const int least = std::min(now->width(), now->height());
            const int side = std::min(std::max(leastSide, static_cast<int>(share * least)), least);
            const Point expected{at.x + step.x, at.y + step.y};
            // As it was at first, which does not add up errors; else as it was just now; else with more around it.
            Match best{expected};
            for (const int around : {side, std::min(2 * side, least), std::max(now->width(), now->height())})
                for (const bool sinceFirst : {true, false})
                    if (best.confidence < sure) {
                        const Match next = sinceFirst ? foundAgain(*begin, start, *now, expected, around, info.rate)
                                                      : foundAgain(*before, at, *now, expected, around, info.rate);
                        if (next.confidence > best.confidence)
                            best = next;
                    }
            step = {best.at.x - at.x, best.at.y - at.y};
            if (best.confidence == 0) {
                ++found.lost;
                step = {0.5 * step.x, 0.5 * step.y}; // it does not run away
            }
            at = {std::clamp(at.x + step.x, -0.5, now->width() - 0.5),
                  std::clamp(at.y + step.y, -0.5, now->height() - 0.5)};
        }
        before = now;
        const auto frame = static_cast<double>(i);
        found.x.push_back({frame, (at.x + 0.5) / now->width(), Ease::linear});
        found.y.push_back({frame, (at.y + 0.5) / now->height(), Ease::linear});
        if (!goesOn(progress, (frame + 1) / static_cast<double>(count)))
            return Error{ErrorCode::cancelled, "", ""};
    }
    if (found.lost + 1 >= static_cast<std::size_t>(count))
        return Error{ErrorCode::failed, info.path, "what is around the point cannot be followed: it is flat or dark"};
    return found;
}

} // namespace ember
