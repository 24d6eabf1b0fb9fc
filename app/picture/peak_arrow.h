// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>

#include <QPointF>

#include "ember/core/project.h"

namespace ember::app {

/// Where a strike alone has moved the picture's centre at its peak, in pixels of the frame; nothing when it does not.
std::optional<QPointF> peakMove(const Project& project, const Strike& strike);

/// The direction and strength with which the peak would be at `wanted` instead of `move`.
struct Aim {
    double direction; ///< degrees, whole ones
    double strength;  ///< ratio, whole percents
};
Aim aimAt(QPointF wanted, QPointF move, double strength);

} // namespace ember::app
