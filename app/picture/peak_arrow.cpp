// SPDX-License-Identifier: GPL-3.0-or-later
#include "peak_arrow.h"

#include <cmath>
#include <numbers>

#include "ember/core/motion.h"

namespace ember::app {

std::optional<QPointF> peakMove(const Project& project, const Strike& strike)
{
    Project alone;
    alone.width = project.width;
    alone.height = project.height;
    alone.rate = project.rate;
    alone.recipes = project.recipes;
    alone.strikes = {strike};
    alone.strikes.front().group.clear();
    if (alone.recipe(strike.recipe) == nullptr)
        return std::nullopt;
    const double peak = static_cast<double>(strike.frame.index) + envelopeOf(alone, strike).peak();
    const Pose pose = Motion(alone).poseAt(peak);
    const QPointF move(pose.x, pose.y);
    return std::hypot(move.x(), move.y()) < 0.5 ? std::nullopt : std::optional(move);
}

Aim aimAt(QPointF wanted, QPointF move, double strength)
{
    double degrees = std::round(std::atan2(wanted.y(), wanted.x()) * 180 / std::numbers::pi);
    if (degrees < 0)
        degrees += 360;
    const double share = std::hypot(wanted.x(), wanted.y()) / std::hypot(move.x(), move.y());
    return {degrees, clampTo(strikefield::strength, std::round(100 * strength * share) / 100)};
}

} // namespace ember::app
