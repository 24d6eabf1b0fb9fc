// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/core/projection.h"

#include <cmath>
#include <numbers>

namespace ember {

namespace {

constexpr double lensDegrees = 50.0;

double radians(double degrees)
{
    return degrees * std::numbers::pi / 180.0;
}

/// Distance of the picture's plane in pixels, for which its width fills the lens.
double planeDistance(int width)
{
    return 0.5 * width / std::tan(radians(lensDegrees / 2));
}

Matrix3 turn(double pan, double tilt, double distance)
{
    const double cp = std::cos(radians(pan));
    const double sp = std::sin(radians(pan));
    const double ct = std::cos(radians(tilt));
    const double st = std::sin(radians(tilt));
    const Matrix3 panned{{cp, 0, sp, 0, 1, 0, -sp, 0, cp}};
    const Matrix3 tilted{{1, 0, 0, 0, ct, st, 0, -st, ct}};
    const Matrix3 toSpace = Matrix3::scaling(1 / distance, 1 / distance);
    const Matrix3 toPicture = Matrix3::scaling(distance, distance);
    return toPicture * (tilted * panned) * toSpace;
}

} // namespace

Matrix3 operator*(const Matrix3& a, const Matrix3& b)
{
    Matrix3 out;
    for (std::size_t row = 0; row < 3; ++row)
        for (std::size_t column = 0; column < 3; ++column)
            out.m[3 * row + column] =
                a.m[3 * row] * b.m[column] + a.m[3 * row + 1] * b.m[3 + column] + a.m[3 * row + 2] * b.m[6 + column];
    return out;
}

Point Matrix3::map(Point p) const
{
    const double w = depth(p);
    return {(m[0] * p.x + m[1] * p.y + m[2]) / w, (m[3] * p.x + m[4] * p.y + m[5]) / w};
}

Matrix3 Matrix3::inverse() const
{
    return {{m[4] * m[8] - m[5] * m[7], m[2] * m[7] - m[1] * m[8], m[1] * m[5] - m[2] * m[4], m[5] * m[6] - m[3] * m[8],
             m[0] * m[8] - m[2] * m[6], m[2] * m[3] - m[0] * m[5], m[3] * m[7] - m[4] * m[6], m[1] * m[6] - m[0] * m[7],
             m[0] * m[4] - m[1] * m[3]}};
}

Matrix3 poseMatrix(const Pose& pose, int width, int height)
{
    const double cx = 0.5 * (width - 1);
    const double cy = 0.5 * (height - 1);
    const double c = pose.zoom * std::cos(radians(pose.roll));
    const double s = pose.zoom * std::sin(radians(pose.roll));
    const Matrix3 plane{{c, -s, cx + pose.x, s, c, cy + pose.y, 0, 0, 1}};
    const Matrix3 centred = Matrix3::translation(-cx, -cy);
    if (pose.pan == 0 && pose.tilt == 0)
        return plane * centred;
    return plane * turn(pose.pan, pose.tilt, planeDistance(width)) * centred;
}

} // namespace ember
