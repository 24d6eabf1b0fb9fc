// SPDX-License-Identifier: GPL-3.0-or-later
#include "lens_effects.h"

#include <algorithm>
#include <cmath>
#include <cstring>
#include <numbers>

#include "cubic_tables.h"
#include "kernels.h"
#include "light_canvas.h"
#include "tiles.h"

namespace ember {

namespace {

constexpr TileSize lensTile{256, 64};
/// Neighbours that a cubic kernel looks at beyond a place.
constexpr int kernelReach = 3;

Patch roomFor(std::size_t level, int width, int height)
{
    const auto stride = 4 * static_cast<std::ptrdiff_t>(width);
    return {scratch(level).room(static_cast<std::size_t>(stride) * static_cast<std::size_t>(height)), stride};
}

Rect grown(const Rect& rect, int by)
{
    return {rect.x - by, rect.y - by, rect.width + 2 * by, rect.height + 2 * by};
}

/// Ripples in pixels of a picture.
class Ripples {
public:
    Ripples(std::vector<RippleNow> ripples, int width, int height, double scale)
        : ripples_(std::move(ripples)), right_(width - 1), bottom_(height - 1)
    {
        for (RippleNow& ripple : ripples_) {
            ripple.x = ripple.x * width - 0.5;
            ripple.y = ripple.y * height - 0.5;
            ripple.amount *= scale;
            ripple.radius *= scale;
            ripple.width *= scale;
            most_ += ripple.amount;
        }
    }

    int reach() const { return static_cast<int>(std::ceil(most_)); }
    bool meet(const Rect& rect) const
    {
        const auto left = static_cast<double>(rect.x);
        const auto top = static_cast<double>(rect.y);
        return std::any_of(ripples_.begin(), ripples_.end(), [&](const RippleNow& ripple) {
            const double dx = std::max({0.0, left - ripple.x, ripple.x - (left + rect.width)});
            const double dy = std::max({0.0, top - ripple.y, ripple.y - (top + rect.height)});
            const double farX = std::max(std::abs(left - ripple.x), std::abs(left + rect.width - ripple.x));
            const double farY = std::max(std::abs(top - ripple.y), std::abs(top + rect.height - ripple.y));
            return std::hypot(dx, dy) < ripple.radius + ripple.width &&
                   std::hypot(farX, farY) > ripple.radius - ripple.width;
        });
    }
    /// How far what is seen at a pixel was pushed.
    Point pushAt(double x, double y) const
    {
        constexpr double most = 0.6495190528383290; // 3 sqrt(3) / 8, of sin cos^2
        Point push{0, 0};
        for (const RippleNow& ripple : ripples_) {
            const double dx = x - ripple.x;
            const double dy = y - ripple.y;
            const double distance = std::hypot(dx, dy);
            const double u = (distance - ripple.radius) / ripple.width;
            if (!(std::abs(u) < 1) || distance == 0)
                continue;
            const double half = std::cos(0.5 * std::numbers::pi * u);
            const double strength = ripple.amount / most * std::sin(std::numbers::pi * u) * half * half *
                                    std::min(1.0, 2 * distance / ripple.width);
            push.x += strength * dx / distance;
            push.y += strength * dy / distance;
        }
        return {push.x * within(x, right_), push.y * within(y, bottom_)};
    }

private:
    /// How much of a push is left so near to the border.
    double within(double at, double last) const
    {
        const double share = std::clamp(std::min(at, last - at) / (2 * most_), 0.0, 1.0);
        return share * share * (3 - 2 * share);
    }

    std::vector<RippleNow> ripples_;
    double right_;
    double bottom_;
    double most_ = 0;
};

void rippleTile(const Ripples& ripples, const Plane& plane, const Rect& tile, Canvas& out)
{
    if (!ripples.meet(tile)) {
        const Patch same = roomFor(1, tile.width, tile.height);
        plane.fill(tile, same);
        for (int y = 0; y < tile.height; ++y)
            out.put(static_cast<int>(tile.x), static_cast<int>(tile.y) + y, tile.width, same.at(0, y));
        return;
    }
    const int margin = ripples.reach() + kernelReach;
    const Rect needed = grown(tile, margin);
    const Patch patch = roomFor(1, needed.width, needed.height);
    plane.fill(needed, patch);
    const Patch row = roomFor(2, tile.width, 1);
    float* placesX = scratch(3).room(2 * static_cast<std::size_t>(tile.width));
    float* placesY = placesX + tile.width;
    for (int y = 0; y < tile.height; ++y) {
        std::memcpy(row.pixels, patch.at(margin, margin + y), sizeof(float) * 4 * static_cast<std::size_t>(tile.width));
        int from = tile.width; // of the run that is pushed
        const auto flush = [&](int to) {
            if (from < to)
                runCubicRow({patch.pixels, patch.stride, 0, 0, 0, 0, 1, 0, false, &cubicTable(), row.at(from, 0),
                             to - from, placesX + from, placesY + from});
            from = tile.width;
        };
        for (int x = 0; x < tile.width; ++x) {
            const Point push = ripples.pushAt(static_cast<double>(tile.x + x), static_cast<double>(tile.y + y));
            if (push.x == 0 && push.y == 0) {
                flush(x);
                continue;
            }
            from = std::min(from, x);
            placesX[x] = static_cast<float>(margin + x - push.x);
            placesY[x] = static_cast<float>(margin + y - push.y);
        }
        flush(tile.width);
        out.put(static_cast<int>(tile.x), static_cast<int>(tile.y) + y, tile.width, row.pixels);
    }
}

/// A row of a disc: whole pixels with their weights, from `left` on.
struct DiscRow {
    int y;
    int left;
    std::vector<float> weights;
};

/// What a disc covers of each pixel, the sum being 1.
std::vector<DiscRow> discOf(double radius)
{
    constexpr int parts = 16; // of a pixel, along each direction
    const int reach = static_cast<int>(std::ceil(radius - 0.5));
    std::vector<DiscRow> rows;
    double sum = 0;
    for (int y = -reach; y <= reach; ++y) {
        DiscRow row{y, -reach, {}};
        for (int x = -reach; x <= reach; ++x) {
            const auto place = [](int pixel, int part) { return pixel + (part + 0.5) / parts - 0.5; };
            int inside = 0;
            for (int j = 0; j < parts; ++j)
                for (int i = 0; i < parts; ++i)
                    inside += std::hypot(place(x, i), place(y, j)) <= radius ? 1 : 0;
            row.weights.push_back(static_cast<float>(inside));
            sum += inside;
        }
        while (!row.weights.empty() && row.weights.back() == 0)
            row.weights.pop_back();
        const auto first =
            std::find_if(row.weights.begin(), row.weights.end(), [](float weight) { return weight > 0; });
        row.left += static_cast<int>(first - row.weights.begin());
        row.weights.erase(row.weights.begin(), first);
        rows.push_back(std::move(row));
    }
    for (DiscRow& row : rows)
        for (float& weight : row.weights)
            weight = static_cast<float>(weight / sum);
    return rows;
}

/// The means of a disc, added up as they are.
void addDiscs(const std::vector<DiscRow>& disc, const Plane& plane, int width, int height, Canvas& out)
{
    const int reach = -disc.front().y;
    forTiles(lensTile, width, height, [&](const Rect& tile) {
        const Rect needed = grown(tile, reach);
        const Patch patch = roomFor(1, needed.width, needed.height);
        plane.fill(needed, patch);
        const Patch sum = roomFor(2, tile.width, 1);
        for (int y = 0; y < tile.height; ++y) {
            std::fill_n(sum.pixels, sum.stride, 0.0F);
            for (const DiscRow& row : disc)
                for (std::size_t i = 0; i < row.weights.size(); ++i) {
                    const Light weight{row.weights[i], row.weights[i], row.weights[i], row.weights[i]};
                    runAddWeighted(patch.at(reach + row.left + static_cast<int>(i), reach + y + row.y), weight.data(),
                                   static_cast<std::size_t>(tile.width), sum.pixels);
                }
            out.put(static_cast<int>(tile.x), static_cast<int>(tile.y) + y, tile.width, sum.pixels);
        }
    });
}

/// Half, a quarter, … of the size (`times`, even), by tents two small pixels wide: no light gets lost or moves.
LightPicture shrunk(const Plane& plane, int width, int height, int times)
{
    LightPicture small((width + times - 1) / times, (height + times - 1) / times, Precision::single);
    std::vector<float> tent(2 * static_cast<std::size_t>(times));
    for (std::size_t i = 0; i < tent.size(); ++i)
        tent[i] = static_cast<float>((1 - std::abs(static_cast<double>(i) - times + 0.5) / times) / times);
    const TileSize size{std::max(4, lensTile.width / times), std::max(4, lensTile.height / times)};
    forTiles(size, small.width(), small.height(), [&](const Rect& tile) {
        const Rect needed{tile.x * times - times / 2, tile.y * times - times / 2, (tile.width + 1) * times,
                          (tile.height + 1) * times};
        const Patch patch = roomFor(1, needed.width, needed.height);
        plane.fill(needed, patch);
        const Patch down = roomFor(2, needed.width, 1);
        const Patch row = roomFor(3, tile.width, 1);
        for (int y = 0; y < tile.height; ++y) {
            std::fill_n(down.pixels, down.stride, 0.0F);
            for (int i = 0; i < 2 * times; ++i) {
                const float share = tent[static_cast<std::size_t>(i)];
                const Light weight{share, share, share, share};
                runAddWeighted(patch.at(0, y * times + i), weight.data(), static_cast<std::size_t>(needed.width),
                               down.pixels);
            }
            std::fill_n(row.pixels, row.stride, 0.0F);
            for (int x = 0; x < tile.width; ++x)
                for (int i = 0; i < 2 * times; ++i)
                    for (int k = 0; k < 4; ++k)
                        row.at(x, 0)[k] += tent[static_cast<std::size_t>(i)] * down.at(x * times + i, 0)[k];
            small.write(static_cast<int>(tile.x), static_cast<int>(tile.y) + y, tile.width, row.pixels);
        }
    });
    return small;
}

void blowUp(const LightPicture& small, int width, int height, int times, Canvas& out)
{
    const LightPlane plane(small);
    const double step = 1.0 / times;
    forTiles(lensTile, width, height, [&](const Rect& tile) {
        const double x = (static_cast<double>(tile.x) + 0.5) * step - 0.5;
        const double y = (static_cast<double>(tile.y) + 0.5) * step - 0.5;
        const Rect needed{static_cast<long>(std::floor(x)) - kernelReach,
                          static_cast<long>(std::floor(y)) - kernelReach, tile.width / times + 2 * kernelReach + 2,
                          tile.height / times + 2 * kernelReach + 2};
        const Patch patch = roomFor(1, needed.width, needed.height);
        plane.fill(needed, patch);
        const Patch row = roomFor(2, tile.width, 1);
        for (int i = 0; i < tile.height; ++i) {
            runCubicRow({patch.pixels, patch.stride, x - static_cast<double>(needed.x), step,
                         y + i * step - static_cast<double>(needed.y), 0, 1, 0, true, &splineTable(), row.pixels,
                         tile.width});
            out.put(static_cast<int>(tile.x), static_cast<int>(tile.y) + i, tile.width, row.pixels);
        }
    });
}

} // namespace

Sum rippling(std::vector<RippleNow> ripples, int width, int height, double scale)
{
    return
        [ripples = Ripples(std::move(ripples), width, height, scale), width, height](const Plane& plane, Canvas& out) {
            forTiles(lensTile, width, height, [&](const Rect& tile) { rippleTile(ripples, plane, tile, out); });
        };
}

Sum defocusing(double radius, int width, int height)
{
    // Two hundred pixels at most are added up for each of the picture's, in whatever size.
    constexpr double mostAdded = 8;
    return [radius, width, height](const Plane& plane, Canvas& out) {
        int times = 1;
        while (radius > mostAdded * times * times)
            times *= 2;
        if (times == 1) {
            addDiscs(discOf(radius), plane, width, height, out);
            return;
        }
        const LightPicture small = shrunk(plane, width, height, times);
        LightPicture discs(small.width(), small.height(), Precision::single);
        LightCanvas canvas(discs);
        addDiscs(discOf(radius / times), LightPlane(small), small.width(), small.height(), canvas);
        blowUp(discs, width, height, times, out);
    };
}

} // namespace ember
