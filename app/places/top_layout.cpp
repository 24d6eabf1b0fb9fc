// SPDX-License-Identifier: GPL-3.0-or-later
#include "top_layout.h"

#include <algorithm>
#include <array>
#include <cmath>

#include <QCoreApplication>

namespace ember::app {

namespace {
constexpr double reach = 12; ///< pixels
}

std::vector<TopRing> ringsOf(const World& world, FrameRate rate, double farthest)
{
    std::vector<TopRing> rings;
    const double cutoff = world.cutoff > 0 ? world.cutoff : HUGE_VAL;
    if (world.weaker && world.exponent > 0)
        for (const double share : {1.0, 0.5, 0.25, 0.1}) {
            // share = (reference / distance)^exponent
            const double metres = world.reference * std::pow(share, -1 / world.exponent);
            if (metres <= farthest && metres < cutoff)
                rings.push_back(
                    {TopRing::Kind::strength, metres, share, QStringLiteral("%1 %").arg(std::lround(100 * share))});
        }
    if (world.later && speedOf(world) > 0) {
        const double perFrame = speedOf(world) / rate.perSecond();
        // About four of them.
        double step = 1;
        for (const double wanted : {1.0, 2.0, 3.0, 6.0, 12.0, 24.0, 48.0, 120.0, 240.0, 1200.0}) {
            step = wanted;
            if (farthest / (wanted * perFrame) <= 5)
                break;
        }
        for (int i = 1; i <= 6; ++i)
            if (const double metres = i * step * perFrame; metres <= farthest && metres < cutoff)
                rings.push_back({TopRing::Kind::delay, metres, i * step,
                                 QCoreApplication::translate("TopView", "+%1 f").arg(i * step)});
    }
    if (world.weaker && world.cutoff > 0 && world.cutoff <= farthest)
        rings.push_back({TopRing::Kind::cutoff, world.cutoff, 0, QCoreApplication::translate("TopView", "nothing")});
    std::stable_sort(rings.begin(), rings.end(),
                     [](const TopRing& a, const TopRing& b) { return a.metres < b.metres; });
    return rings;
}

TopMap fittingMap(const std::vector<TopEvent>& events, const World& world, QSizeF view)
{
    double farthest = 2 * world.reference;
    const auto take = [&](const WorldPoint& at) { farthest = std::max({farthest, std::abs(at.x), std::abs(at.z)}); };
    for (const TopEvent& event : events)
        take(event.at);
    for (const CameraKey& key : world.camera)
        take(key.at);
    // 1, 2, 5, 10 … metres
    constexpr std::array<double, 3> rounds{1, 2, 5};
    double half = 1;
    for (double ten = 1; half < farthest * 1.15 && ten < 1e6; ten *= 10)
        for (const double one : rounds)
            if (half < farthest * 1.15)
                half = one * ten;
    const double shorter = std::max(40.0, std::min(view.width(), view.height()));
    return {QPointF(view.width() / 2, view.height() / 2), shorter / 2 / half};
}

int topEventAt(const std::vector<TopEvent>& events, const TopMap& map, QPointF pixel)
{
    int found = -1;
    double least = reach;
    for (std::size_t i = 0; i < events.size(); ++i) {
        const QPointF off = map.toPixel(events[i].at) - pixel;
        if (const double distance = std::hypot(off.x(), off.y()); distance <= least) {
            least = distance;
            found = static_cast<int>(i);
        }
    }
    return found;
}

} // namespace ember::app
