// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/core/axes.h"

namespace ember {

std::string_view axisName(Axis axis)
{
    constexpr std::array<std::string_view, axisCount> names{"x", "y", "zoom", "roll", "pan", "tilt"};
    return names[static_cast<std::size_t>(axis)];
}

double amountLimit(Axis axis)
{
    constexpr std::array<double, axisCount> limits{4000, 4000, 2, 180, 60, 60};
    return limits[static_cast<std::size_t>(axis)];
}

double along(const Pose& pose, Axis axis)
{
    switch (axis) {
    case Axis::x: return pose.x;
    case Axis::y: return pose.y;
    case Axis::zoom: return pose.zoom - 1;
    case Axis::roll: return pose.roll;
    case Axis::pan: return pose.pan;
    case Axis::tilt: return pose.tilt;
    }
    return 0;
}

} // namespace ember
