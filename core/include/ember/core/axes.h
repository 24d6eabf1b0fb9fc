// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <array>
#include <cstddef>
#include <string_view>

namespace ember {

/// The six ways a picture can move. x and y in pixels of the project's frame (x right, y down), zoom a ratio,
/// roll (clockwise as seen), pan (to the right) and tilt (downwards) in degrees.
enum class Axis : std::size_t { x, y, zoom, roll, pan, tilt };
inline constexpr std::size_t axisCount = 6;
inline constexpr std::array<Axis, axisCount> allAxes{Axis::x, Axis::y, Axis::zoom, Axis::roll, Axis::pan, Axis::tilt};

std::string_view axisName(Axis axis);

/// One number per axis, 0 by default. For amounts: the largest excursion; zoom as a difference (0.1 is 10 %).
class AxisValues {
public:
    double operator[](Axis axis) const { return values_[static_cast<std::size_t>(axis)]; }
    double& operator[](Axis axis) { return values_[static_cast<std::size_t>(axis)]; }
    bool operator==(const AxisValues&) const = default;

private:
    std::array<double, axisCount> values_{};
};

/// Largest amount that can be set on an axis, in its unit.
double amountLimit(Axis axis);

/// Where the picture is at one instant. The default is rest: the frame passes through untouched.
struct Pose {
    double x = 0;
    double y = 0;
    double zoom = 1;
    double roll = 0;
    double pan = 0;
    double tilt = 0;

    bool operator==(const Pose&) const = default;
    bool atRest() const { return *this == Pose{}; }
};

/// How far a pose is from rest along an axis; zoom as a ratio from 1.
double along(const Pose& pose, Axis axis);

} // namespace ember
