// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <array>

#include "ember/core/axes.h"

namespace ember {

struct Point {
    double x = 0;
    double y = 0;
};

/// A projective map of the plane, row by row: (x, y) goes to ((m0 x + m1 y + m2)/w, (m3 x + m4 y + m5)/w) with
/// w = m6 x + m7 y + m8.
struct Matrix3 {
    std::array<double, 9> m{1, 0, 0, 0, 1, 0, 0, 0, 1};

    static Matrix3 translation(double x, double y) { return {{1, 0, x, 0, 1, y, 0, 0, 1}}; }
    static Matrix3 scaling(double x, double y) { return {{x, 0, 0, 0, y, 0, 0, 0, 1}}; }

    friend Matrix3 operator*(const Matrix3& a, const Matrix3& b);
    /// The depth w of a point; the map is only meaningful where it is positive.
    double depth(Point p) const { return m[6] * p.x + m[7] * p.y + m[8]; }
    Point map(Point p) const;
    /// The inverse up to a factor (the adjugate), which maps points alike. The factor is positive for the maps of a
    /// pose.
    Matrix3 inverse() const;
};

/// Where a pose puts the source's pixels: source pixel coordinates (pixel centres are whole numbers) to those of the
/// frame. About the centre ((width-1)/2, (height-1)/2) the picture is turned in depth by pan and tilt as a camera with
/// a 50 degree horizontal lens would see it, then rolled, zoomed and moved: p goes to c + zoom·R(roll)·(p' - c) + (x,
/// y).
Matrix3 poseMatrix(const Pose& pose, int width, int height);

} // namespace ember
