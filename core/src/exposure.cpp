// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/core/exposure.h"

#include <algorithm>
#include <array>
#include <cmath>

#include "ember/core/projection.h"

namespace ember {

namespace {

constexpr double stillWay = 0.25;
constexpr int waySteps = 8;

double timeOfRow(const Finish& finish, int row)
{
    return finish.rolling * (static_cast<double>(row) / (rollingRows - 1) - 0.5);
}

/// Blur sets in between the speed asked for and one and a half times it, so that it never pops.
double shareAbove(double speed, double above)
{
    return above > 0 ? std::clamp((speed - above) / (0.5 * above), 0.0, 1.0) : 1.0;
}

} // namespace

double wayBetween(const Project& project, const Motion& motion, FrameTime from, FrameTime to)
{
    const double right = project.width - 1;
    const double bottom = project.height - 1;
    const std::array<Point, 4> corners{{{0, 0}, {right, 0}, {0, bottom}, {right, bottom}}};
    std::array<Point, 4> before{};
    std::array<double, 4> way{};
    for (int i = 0; i <= waySteps; ++i) {
        const Matrix3 map = poseMatrix(motion.poseAt(from + (to - from) * i / waySteps), project.width, project.height);
        for (std::size_t c = 0; c < 4; ++c) {
            const Point at = map.map(corners[c]);
            if (i > 0)
                way[c] += std::hypot(at.x - before[c].x, at.y - before[c].y);
            before[c] = at;
        }
    }
    return *std::max_element(way.begin(), way.end());
}

double exposureReach(const Finish& finish, const Motion& motion)
{
    return std::max(finish.shutterAngle, motion.mostShutter()) / 720 + std::abs(finish.exposureShift) +
           finish.rolling / 2;
}

Exposure exposureOf(const Project& project, const Motion& motion, FrameTime time)
{
    const Finish& finish = project.finish;
    const OwnShot own = motion.ownShot(time);
    double open = finish.shown.blur ? motion.shutterAt(time, finish.shutterAngle) / 360 : 0;
    double middle = time;
    int instants = 1;
    if (open > 0) {
        middle += finish.exposureShift;
        double way = wayBetween(project, motion, own(middle - open / 2), own(middle + open / 2));
        const double share = shareAbove(way / open, finish.blurAbove);
        open *= share;
        way *= share;
        if (open > 0 && way >= stillWay)
            instants = finish.instants > 0
                           ? finish.instants
                           : std::clamp(static_cast<int>(std::ceil(way / sampleStep)) + 1, 2, mostOwnSamples);
        else
            middle = time;
    }
    Exposure exposure = Exposure::of(motion.poseAt(own(middle)));
    const double reach = (open + finish.rolling) / 2;
    const bool rolling =
        finish.rolling > 0 && wayBetween(project, motion, own(middle - reach), own(middle + reach)) > stillWay;
    if (instants == 1 && !rolling)
        return exposure;
    exposure.rows = rolling ? rollingRows : 1;
    exposure.poses.clear();
    for (int i = 0; i < instants; ++i) {
        const double instant = middle + open * ((i + 0.5) / instants - 0.5);
        for (int row = 0; row < exposure.rows; ++row)
            exposure.poses.push_back(motion.poseAt(own(rolling ? instant + timeOfRow(finish, row) : instant)));
    }
    return exposure;
}

} // namespace ember
