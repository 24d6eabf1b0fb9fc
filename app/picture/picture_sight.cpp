// SPDX-License-Identifier: GPL-3.0-or-later
#include "picture_sight.h"

#include <algorithm>
#include <cmath>

namespace ember::app {

namespace {
constexpr double viewMargin = 6;
/// Where there is hardly more room than the picture needs, it is shown pixel for pixel.
constexpr double nearlyFull = 1.15;
} // namespace

QRectF fitPicture(const QSizeF& view, int projectWidth, int projectHeight)
{
    const double room = std::min(viewMargin, std::min(view.width(), view.height()) / 8);
    const double width = std::max(1.0, view.width() - 2 * room);
    const double height = std::max(1.0, view.height() - 2 * room);
    double scale = std::min(width / projectWidth, height / projectHeight);
    if (scale > 1 && scale < nearlyFull)
        scale = 1;
    // In whole pixels, so that a picture made in this size is painted as it is.
    const QSizeF size(std::max(1.0, std::round(projectWidth * scale)),
                      std::max(1.0, std::round(projectHeight * scale)));
    return {QPointF(std::round((view.width() - size.width()) / 2), std::round((view.height() - size.height()) / 2)),
            size};
}

QRectF PictureSight::frameRect(const Scene& scene) const
{
    if (fits())
        return fitPicture(scene.view, scene.width, scene.height);
    const double scale = scale_ / scene.ratio;
    const QPointF middle(scene.view.width() / 2, scene.view.height() / 2);
    const QPointF corner = middle - centre_ * scale;
    return {QPointF(std::round(corner.x()), std::round(corner.y())), QSizeF(scene.width * scale, scene.height * scale)};
}

double PictureSight::scale(const Scene& scene) const
{
    return frameRect(scene).width() * scene.ratio / scene.width;
}

void PictureSight::setScale(const Scene& scene, double scale, QPointF about)
{
    const QRectF before = frameRect(scene);
    const double old = before.width() / scene.width;
    const QPointF under = (about - before.topLeft()) / old; // the frame's pixel there
    scale_ = std::clamp(scale, least, most);
    const QPointF middle(scene.view.width() / 2, scene.view.height() / 2);
    centre_ = under + (middle - about) / (scale_ / scene.ratio);
    keepInSight(scene);
}

void PictureSight::move(const Scene& scene, QPointF by)
{
    if (fits())
        return;
    centre_ -= by / (scale_ / scene.ratio);
    keepInSight(scene);
}

void PictureSight::keepInSight(const Scene& scene)
{
    const auto axis = [&](double centre, double view, int size) {
        if (size * scale_ / scene.ratio <= view) // all of it is seen: in the middle
            return size / 2.0;
        return std::clamp(centre, 0.0, static_cast<double>(size));
    };
    centre_ = {axis(centre_.x(), scene.view.width(), scene.width),
               axis(centre_.y(), scene.view.height(), scene.height)};
}

} // namespace ember::app
