// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <array>
#include <cmath>

#include "ember/drop/scene.h"

namespace ember::drop {

inline Vec operator+(Vec a, Vec b)
{
    return {a.x + b.x, a.y + b.y};
}
inline Vec operator-(Vec a, Vec b)
{
    return {a.x - b.x, a.y - b.y};
}
inline Vec operator*(double s, Vec a)
{
    return {s * a.x, s * a.y};
}
inline double dot(Vec a, Vec b)
{
    return a.x * b.x + a.y * b.y;
}
inline double cross(Vec a, Vec b)
{
    return a.x * b.y - a.y * b.x;
}
inline Vec cross(double s, Vec a)
{
    return {-s * a.y, s * a.x};
}
inline double length(Vec a)
{
    return std::hypot(a.x, a.y);
}

/// A body on its way.
struct Moving {
    Shape shape = Shape::box;
    Vec half; ///< of a box
    double radius = 0;
    double inverseMass = 0; ///< 0: fixed
    double inverseInertia = 0;
    Vec position;
    Vec velocity;
    double angle = 0; ///< radians
    double spin = 0;

    Vec turned(Vec local) const
    {
        const double c = std::cos(angle), s = std::sin(angle);
        return {c * local.x - s * local.y, s * local.x + c * local.y};
    }
    Vec local(Vec world) const
    {
        const double c = std::cos(angle), s = std::sin(angle);
        const Vec d = world - position;
        return {c * d.x + s * d.y, -s * d.x + c * d.y};
    }
    Vec velocityAt(Vec world) const { return velocity + cross(spin, world - position); }
    /// Of the circle around it.
    double reach() const { return shape == Shape::ball ? radius : length(half); }
};

struct ContactPoint {
    Vec at;
    double depth = 0; ///< how far one is inside the other
};

/// Where two bodies touch; the normal goes from the first to the second.
struct Contact {
    Vec normal;
    std::array<ContactPoint, 2> points;
    int count = 0;
};

Contact contactOf(const Moving& a, const Moving& b);

} // namespace ember::drop
