// SPDX-License-Identifier: GPL-3.0-or-later
#include "axis_map.h"

#include <algorithm>
#include <array>
#include <cmath>

#include "ember/core/stretch.h"

namespace ember::app {

double EvenMap::toPixel(double frame) const
{
    return left + (frame - firstFrame) / (lastFrame - firstFrame) * (right - left);
}

double EvenMap::toFrame(double pixel) const
{
    return firstFrame + (pixel - left) / (right - left) * (lastFrame - firstFrame);
}

double EvenMap::toFrameInside(double pixel) const
{
    return std::clamp(toFrame(pixel), firstFrame, lastFrame);
}

double StrikeMap::bend(double frame) const
{
    return even ? frame : stretched(frame);
}

double StrikeMap::toPixel(double frame) const
{
    const double first = bend(firstFrame);
    return left + (bend(frame) - first) / (bend(lastFrame) - first) * (right - left);
}

double StrikeMap::toFrame(double pixel) const
{
    const double first = bend(firstFrame);
    const double at = first + (pixel - left) / (right - left) * (bend(lastFrame) - first);
    return even ? at : unstretched(at);
}

std::vector<Tick> filmTicks(const EvenMap& map, double framesPerSecond, double spacing)
{
    const double second = std::max(1.0, std::round(framesPerSecond));
    std::vector<double> steps{1, 2, 5};
    for (const double parts : {4.0, 2.0, 1.0})
        if (std::fmod(second, parts) == 0 && second / parts > 5)
            steps.push_back(second / parts);
    for (const double seconds : {2, 5, 10, 15, 30, 60, 120, 300, 600, 1800, 3600, 7200, 14400})
        steps.push_back(second * seconds);
    const double least = std::max(1e-9, map.framesPerPixel()) * spacing;
    const auto found = std::find_if(steps.begin(), steps.end(), [least](double step) { return step >= least; });
    const double step = found == steps.end() ? steps.back() : *found;
    std::vector<Tick> ticks;
    for (double frame = std::ceil(map.firstFrame / step) * step; frame <= map.lastFrame; frame += step)
        ticks.push_back({frame, std::to_string(static_cast<long long>(frame))});
    return ticks;
}

std::vector<Tick> strikeTicks(const StrikeMap& map, double spacing)
{
    static constexpr std::array<int, 26> wanted{1,  2,  3,   4,   6,   8,   10,  12,  16,  20,  24,   36,   48,
                                                72, 96, 120, 144, 192, 240, 360, 480, 720, 960, 1440, 2880, 5760};
    std::vector<Tick> ticks{{0, "0"}};
    for (const int sign : {-1, 1}) {
        double last = map.toPixel(0);
        for (const int frame : wanted) {
            const double value = sign * frame;
            if (value < map.firstFrame || value > map.lastFrame)
                continue;
            const double pixel = map.toPixel(value);
            if (std::abs(pixel - last) < spacing)
                continue;
            last = pixel;
            ticks.push_back({value, (sign > 0 ? "+" : "-") + std::to_string(frame)});
        }
    }
    std::sort(ticks.begin(), ticks.end(), [](const Tick& a, const Tick& b) { return a.value < b.value; });
    return ticks;
}

} // namespace ember::app
