// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/core/cover.h"

#include <algorithm>
#include <cmath>
#include <limits>
#include <numbers>

#include "ember/core/shot_covers.h"

namespace ember {

namespace {

/// Lifts `zoom` until the point of the frame at `d` from the centre falls inside the source.
bool liftToCover(const Matrix3& back, double right, double bottom, const Point& d, double& unzoom)
{
    // Numerators of the source position of centre + u·d, as value at u = 0 and slope along u = 1/zoom.
    const auto& m = back.m;
    const Point centre{0.5 * right, 0.5 * bottom};
    const double x0 = m[0] * centre.x + m[1] * centre.y + m[2];
    const double y0 = m[3] * centre.x + m[4] * centre.y + m[5];
    const double w0 = back.depth(centre);
    const double dx = m[0] * d.x + m[1] * d.y;
    const double dy = m[3] * d.x + m[4] * d.y;
    const double dw = m[6] * d.x + m[7] * d.y;
    const std::array<std::pair<double, double>, 4> bounds{
        {{x0, dx}, {y0, dy}, {right * w0 - x0, right * dw - dx}, {bottom * w0 - y0, bottom * dw - dy}}};
    for (const auto& [value, slope] : bounds) {
        if (value < 0)
            return false;
        if (value + unzoom * slope < 0)
            unzoom = value / -slope;
    }
    return true;
}

/// The zoom for points of the frame given from its centre, all seen at one pose.
template <typename Points>
double coverOfPoints(const Pose& pose, int width, int height, const Points& points)
{
    if (pose.atRest())
        return 1.0;
    const Matrix3 back = poseMatrix(pose, width, height).inverse();
    double unzoom = 1.0;
    for (const Point& d : points)
        if (!liftToCover(back, width - 1, height - 1, d, unzoom))
            return std::numeric_limits<double>::infinity();
    return unzoom > 0 ? 1.0 / unzoom : std::numeric_limits<double>::infinity();
}

Point cornerOf(const SeenPart& part)
{
    return {0.5 * (part.width - 1), 0.5 * (part.height - 1)};
}

/// The largest of each value and its neighbours up to `reach` away.
std::vector<double> widened(const std::vector<double>& values, int reach)
{
    std::vector<double> out(values.size());
    const auto last = static_cast<std::ptrdiff_t>(values.size()) - 1;
    for (std::ptrdiff_t i = 0; i <= last; ++i) {
        double most = 0;
        for (auto k = std::max<std::ptrdiff_t>(0, i - reach); k <= std::min(last, i + reach); ++k)
            most = std::max(most, values[static_cast<std::size_t>(k)]);
        out[static_cast<std::size_t>(i)] = most;
    }
    return out;
}

/// The mean of each value and its neighbours up to `reach` away, falling off like a cosine; ends are held.
std::vector<double> smoothed(const std::vector<double>& values, int reach)
{
    std::vector<double> weights;
    double sum = 0;
    for (int k = -reach; k <= reach; ++k) {
        weights.push_back(1 + std::cos(std::numbers::pi * k / (reach + 1)));
        sum += weights.back();
    }
    std::vector<double> out(values.size());
    const auto last = static_cast<std::ptrdiff_t>(values.size()) - 1;
    for (std::ptrdiff_t i = 0; i <= last; ++i) {
        double total = 0;
        bool quiet = true;
        for (int k = -reach; k <= reach; ++k) {
            const double value = values[static_cast<std::size_t>(std::clamp<std::ptrdiff_t>(i + k, 0, last))];
            quiet = quiet && value == 1.0;
            total += value * weights[static_cast<std::size_t>(k + reach)];
        }
        out[static_cast<std::size_t>(i)] = quiet ? 1.0 : std::max(total / sum, 1.0);
    }
    return out;
}

} // namespace

Bars barsOf(double letterbox, int width, int height)
{
    if (letterbox <= 0)
        return {};
    const double ratio = static_cast<double>(width) / height;
    if (letterbox > ratio)
        return {0, std::clamp(static_cast<int>(std::lround((height - width / letterbox) / 2)), 0, (height - 1) / 2)};
    return {std::clamp(static_cast<int>(std::lround((width - height * letterbox) / 2)), 0, (width - 1) / 2), 0};
}

SeenPart partToCover(const Project& project)
{
    const Finish& finish = project.finish;
    const Bars bars = finish.coverBars ? barsOf(finish.letterbox, project.width, project.height) : Bars();
    return {static_cast<double>(project.width - 2 * bars.side), static_cast<double>(project.height - 2 * bars.top)};
}

double coverZoom(const Pose& pose, int width, int height)
{
    return coverZoom(pose, width, height, {static_cast<double>(width), static_cast<double>(height)});
}

double coverZoom(const Pose& pose, int width, int height, const SeenPart& part)
{
    const Point c = cornerOf(part);
    return coverOfPoints(pose, width, height,
                         std::array<Point, 4>{{{-c.x, -c.y}, {c.x, -c.y}, {-c.x, c.y}, {c.x, c.y}}});
}

double coverZoom(const Exposure& exposure, int width, int height, const SeenPart& part)
{
    double needed = 1;
    const Point c = cornerOf(part);
    for (int i = 0; i < exposure.instants(); ++i) {
        if (exposure.rows == 1) {
            needed = std::max(needed, coverZoom(exposure.at(i, 0), width, height, part));
            continue;
        }
        // Each row sees only its own points.
        for (int row = 0; row < exposure.rows; ++row) {
            const double y = (static_cast<double>(row) / (exposure.rows - 1) - 0.5) * (height - 1);
            const double seen = std::clamp(y, -c.y, c.y);
            needed = std::max(needed, coverOfPoints(exposure.at(i, row), width, height,
                                                    std::array<Point, 2>{{{-c.x, seen}, {c.x, seen}}}));
        }
    }
    return needed;
}

double neededCover(const Project& project, const Motion& motion, std::int64_t frame)
{
    return coverZoom(exposureOf(project, motion, static_cast<double>(frame)), project.width, project.height,
                     partToCover(project));
}

std::vector<double> neededCovers(const Project& project, const Motion& motion)
{
    std::vector<double> needed(static_cast<std::size_t>(std::max<std::int64_t>(0, project.length())), 1.0);
    const auto last = static_cast<std::int64_t>(needed.size()) - 1;
    const auto reach = static_cast<std::int64_t>(std::ceil(exposureReach(project.finish, motion)));
    for (const FrameSpan& span : motion.moving(last))
        for (auto frame = std::max<std::int64_t>(0, span.first - reach); frame <= std::min(last, span.last + reach);
             ++frame)
            needed[static_cast<std::size_t>(frame)] = neededCover(project, motion, frame);
    return needed;
}

std::vector<double> breathingCover(const std::vector<double>& needed, double speed)
{
    constexpr int ease = 4; ///< frames in which the rise itself sets in
    std::vector<double> zoom = needed;
    for (double& z : zoom)
        z = std::min(z, largestCover);
    // Never lower than what comes within reach at this speed, from either side.
    for (std::size_t i = 1; i < zoom.size(); ++i)
        zoom[i] = std::max(zoom[i], zoom[i - 1] - speed);
    for (std::size_t i = zoom.size(); i-- > 1;)
        zoom[i - 1] = std::max(zoom[i - 1], zoom[i] - speed);
    // Widened by as much as it is then smoothed: every value that goes into a mean is at least what is needed there.
    zoom = smoothed(widened(zoom, ease), ease);
    for (std::size_t i = 0; i < zoom.size(); ++i) // but for the last bit
        zoom[i] = std::max(zoom[i], std::min(needed[i], largestCover));
    return zoom;
}

Cover coverFrom(const Project& project, const std::vector<double>& needed)
{
    Cover cover;
    if (const auto worst = std::max_element(needed.begin(), needed.end()); worst != needed.end() && *worst > 1) {
        cover.needed = *worst;
        cover.worstFrame = worst - needed.begin();
    }
    if (project.finish.cover == CoverMode::off || needed.empty())
        return cover;
    cover.zoom = std::min(cover.needed, largestCover);
    if (project.finish.cover == CoverMode::constant && project.shots.size() < 2)
        return cover;
    // A cut hides a change of zoom: each shot has its own.
    auto from = needed.begin();
    for (const Shot& shot : project.shots) {
        const auto to = from + std::min<std::ptrdiff_t>(shot.length, needed.end() - from);
        const std::vector<double> own(from, to);
        from = to;
        if (own.empty())
            break;
        if (project.finish.cover == CoverMode::constant) {
            cover.breath.insert(cover.breath.end(), own.size(),
                                std::min(*std::max_element(own.begin(), own.end()), largestCover));
            continue;
        }
        const auto breath = breathingCover(own, project.finish.coverSpeed / project.rate.perSecond());
        cover.breath.insert(cover.breath.end(), breath.begin(), breath.end());
    }
    if (!cover.breath.empty())
        cover.zoom = *std::max_element(cover.breath.begin(), cover.breath.end());
    return cover;
}

Cover coverOf(const Project& project, const Motion& motion, const ForEach& each)
{
    if (project.finish.cover == CoverMode::breathing)
        return coverFrom(project, neededCovers(project, motion));
    Cover cover;
    const auto shots = shotCovers(project, motion, each);
    for (const ShotCover& shot : shots)
        if (shot.needed > cover.needed) {
            cover.needed = shot.needed;
            cover.worstFrame = shot.worstFrame;
        }
    if (project.finish.cover == CoverMode::off)
        return cover;
    cover.zoom = std::min(cover.needed, largestCover);
    if (shots.size() > 1) // a cut hides a change of zoom: each shot has its own
        for (const ShotCover& shot : shots)
            cover.breath.insert(cover.breath.end(), static_cast<std::size_t>(shot.end - shot.first), shot.zoom);
    return cover;
}

Cover coverOf(const Project& project, const Motion& motion)
{
    return coverOf(project, motion, [](std::size_t count, const std::function<void(std::size_t)>& work) {
        for (std::size_t i = 0; i < count; ++i)
            work(i);
    });
}

std::vector<std::int64_t> uncoveredFrames(const Cover& cover, const std::vector<double>& needed)
{
    std::vector<std::int64_t> frames;
    for (std::size_t i = 0; i < needed.size(); ++i)
        if (needed[i] > cover.at(static_cast<std::int64_t>(i)) * (1 + 1e-12))
            frames.push_back(static_cast<std::int64_t>(i));
    return frames;
}

} // namespace ember
