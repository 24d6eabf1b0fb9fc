// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/render/frame.h"

#include <algorithm>

#include "ember/render/warp.h"

namespace ember {

FrameLook lookOf(const Project& project, const Cover& cover, const Pose& pose)
{
    return {pose, cover.zoom, project.finish.edges, project.finish.plain, project.width, project.height};
}

Matrix3 viewMatrix(const FrameLook& look, int sourceWidth, int sourceHeight, int width, int height)
{
    // Pixel i of n covers [i, i+1) of n: a change of size maps the outer edges onto each other, not the centres.
    const auto resize = [](double fromWidth, double fromHeight, double toWidth, double toHeight) {
        const double sx = toWidth / fromWidth;
        const double sy = toHeight / fromHeight;
        return Matrix3{{sx, 0, 0.5 * sx - 0.5, 0, sy, 0.5 * sy - 0.5, 0, 0, 1}};
    };
    const double cx = 0.5 * (look.projectWidth - 1);
    const double cy = 0.5 * (look.projectHeight - 1);
    const double shrink = 1.0 / look.cover;
    const Matrix3 uncover =
        Matrix3::translation(cx, cy) * Matrix3::scaling(shrink, shrink) * Matrix3::translation(-cx, -cy);
    return resize(look.projectWidth, look.projectHeight, sourceWidth, sourceHeight) *
           poseMatrix(look.pose, look.projectWidth, look.projectHeight).inverse() * uncover *
           resize(width, height, look.projectWidth, look.projectHeight);
}

Image halved(const Image& source)
{
    Image out((source.width() + 1) / 2, (source.height() + 1) / 2);
    for (int y = 0; y < out.height(); ++y) {
        const std::uint8_t* a = source.row(2 * y);
        const std::uint8_t* b = source.row(std::min(2 * y + 1, source.height() - 1));
        std::uint8_t* to = out.row(y);
        const int whole = source.width() / 2;
        for (int x = 0; x < whole; ++x)
            for (int k = 0; k < 4; ++k)
                to[4 * x + k] = static_cast<std::uint8_t>(
                    (a[8 * x + k] + a[8 * x + 4 + k] + b[8 * x + k] + b[8 * x + 4 + k] + 2) / 4);
        if (whole < out.width())
            for (int k = 0; k < 4; ++k)
                to[4 * whole + k] = static_cast<std::uint8_t>((a[8 * whole + k] + b[8 * whole + k] + 1) / 2);
    }
    return out;
}

ImagePtr renderFrame(const ImagePtr& source, const FrameLook& look, int width, int height)
{
    const bool untouched = look.pose.atRest() && look.cover == 1.0;
    if (untouched && source->width() == width && source->height() == height)
        return source;
    // Far below the source's size a kernel of four pixels would miss most of them; halving first keeps every one.
    const Image* from = source.get();
    Image half;
    while (from->width() >= 2 * width && from->height() >= 2 * height) {
        half = halved(*from);
        from = &half;
    }
    auto out = std::make_shared<Image>(width, height);
    if (untouched && from->width() == width && from->height() == height)
        *out = from->copy();
    else
        warp(*from, viewMatrix(look, from->width(), from->height(), width, height), look.edges, look.plain, *out);
    return out;
}

} // namespace ember
