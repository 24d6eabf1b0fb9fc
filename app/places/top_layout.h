// SPDX-License-Identifier: GPL-3.0-or-later
// Where things are in the view from above: metres and pixels, no painting.
#pragma once

#include <vector>

#include <QPointF>
#include <QRectF>
#include <QString>

#include "ember/core/place.h"
#include "ember/core/time.h"

namespace ember::app {

/// Metres seen from above and pixels: what is ahead of the camera's rest is up, what is right is right.
struct TopMap {
    QPointF middle;             ///< pixel of the world's 0, 0
    double pixelsPerMetre = 10; ///< above 0

    QPointF toPixel(const WorldPoint& at) const { return middle + QPointF(at.x, -at.z) * pixelsPerMetre; }
    /// At this height.
    WorldPoint toWorld(QPointF pixel, double height) const
    {
        const QPointF off = (pixel - middle) / pixelsPerMetre;
        return {off.x(), height, -off.y()};
    }
};

/// Something that has a place.
struct TopEvent {
    WorldPoint at;
    double strength = 1; ///< as it is set
    double share = 1;    ///< of it that arrives
    QString name;
    bool chosen = false;
};

/// A circle around the camera, seen from above.
struct TopRing {
    enum class Kind { strength, delay, cutoff } kind;
    double metres;
    double value; ///< share of strength; frames of delay
    QString label;
};

/// The rings of a world's laws that fit within `farthest` metres, nearest first: strength at full, a half, a quarter
/// and a tenth; delay in steps of frames that leave room between them; the cut-off.
std::vector<TopRing> ringsOf(const World& world, FrameRate rate, double farthest);

/// The map on which these places and the camera fit into a view, in round steps so that it does not breathe while
/// something is dragged.
TopMap fittingMap(const std::vector<TopEvent>& events, const World& world, QSizeF view);

/// The event under a pixel, the nearest of several; -1 when there is none.
int topEventAt(const std::vector<TopEvent>& events, const TopMap& map, QPointF pixel);

} // namespace ember::app
