// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/core/beat_grid.h"

#include <algorithm>

namespace ember {

namespace {

/// The times that are known, the first beat among the pins.
class Knots {
public:
    explicit Knots(const BeatGrid& grid)
        : grid_(grid),
          first_(static_cast<std::size_t>(std::partition_point(grid.pins.begin(), grid.pins.end(),
                                                               [](const BeatPin& pin) { return pin.beat < 0; }) -
                                          grid.pins.begin()))
    {
    }
    std::size_t size() const { return grid_.pins.size() + 1; }
    BeatPin operator[](std::size_t i) const
    {
        return i < first_ ? grid_.pins[i] : i == first_ ? BeatPin{0, grid_.firstBeat} : grid_.pins[i - 1];
    }
    /// How many of them `before` is true of; of those after them it is not.
    template <typename Before>
    std::size_t count(Before&& before) const
    {
        std::size_t low = 0, high = size();
        while (low < high) {
            const std::size_t middle = (low + high) / 2;
            if (before((*this)[middle]))
                low = middle + 1;
            else
                high = middle;
        }
        return low;
    }

private:
    const BeatGrid& grid_;
    std::size_t first_; ///< the place of beat 0
};

std::vector<BeatPin> knotsOf(const BeatGrid& grid)
{
    const Knots knots(grid);
    std::vector<BeatPin> all;
    for (std::size_t i = 0; i < knots.size(); ++i)
        all.push_back(knots[i]);
    return all;
}

double slope(const BeatPin& a, const BeatPin& b)
{
    return (b.seconds - a.seconds) / static_cast<double>(b.beat - a.beat);
}

/// A line on which beats lie: seconds = knot + (beat - knot's) * period.
struct Stretch {
    BeatPin knot;
    double period;
};

/// The stretch of the first knot that `before` is not true of; between two knots it is the left one's.
template <typename Before>
Stretch stretchOf(const BeatGrid& grid, Before&& before)
{
    const double own = 60 / grid.bpm;
    const Knots knots(grid);
    const std::size_t next = knots.count(before);
    if (next == knots.size())
        return {knots[next - 1], own};
    if (next == 0)
        return {knots[0], knots.size() > 1 ? slope(knots[0], knots[1]) : own};
    return {knots[next - 1], slope(knots[next - 1], knots[next])};
}

/// Pins put in place of those there, without the one that is beat 0.
BeatGrid withKnots(BeatGrid grid, const std::vector<BeatPin>& knots)
{
    grid.pins.clear();
    for (const BeatPin& knot : knots)
        if (knot.beat == 0)
            grid.firstBeat = knot.seconds;
        else
            grid.pins.push_back(knot);
    return grid;
}

} // namespace

double BeatGrid::at(std::int64_t beat) const
{
    const Stretch on = stretchOf(*this, [beat](const BeatPin& k) { return k.beat <= beat; });
    return on.knot.seconds + static_cast<double>(beat - on.knot.beat) * on.period;
}

double BeatGrid::beatAt(double seconds) const
{
    const Stretch on = stretchOf(*this, [seconds](const BeatPin& k) { return k.seconds <= seconds; });
    return static_cast<double>(on.knot.beat) + (seconds - on.knot.seconds) / on.period;
}

double BeatGrid::bpmAt(double seconds) const
{
    return 60 / stretchOf(*this, [seconds](const BeatPin& k) { return k.seconds <= seconds; }).period;
}

BeatGrid BeatGrid::shifted(double seconds) const
{
    BeatGrid grid = *this;
    grid.firstBeat += seconds;
    for (BeatPin& pin : grid.pins)
        pin.seconds += seconds;
    return grid;
}

BeatGrid BeatGrid::finer(int times) const
{
    BeatGrid grid = *this;
    grid.bpm *= times;
    for (BeatPin& pin : grid.pins)
        pin.beat *= times;
    return grid;
}

BeatGrid BeatGrid::halved() const
{
    BeatGrid grid = *this;
    grid.bpm /= 2;
    if (pins.empty())
        return grid;
    std::vector<BeatPin> knots;
    // What lies before them goes on as it did, though the first stretch may hold two tempos then.
    const std::int64_t first = Knots(*this)[0].beat;
    const std::int64_t before = (first - (first % 2 + 2) % 2) / 2 - 1;
    if (std::abs(at(2 * before) - 2 * at(2 * before + 2) + at(2 * before + 4)) > 1e-9)
        knots.push_back({before, at(2 * before)});
    for (const BeatPin& knot : knotsOf(*this)) {
        // Of a pin on a beat that goes those around it are pinned.
        const std::int64_t below = (knot.beat - (knot.beat % 2 + 2) % 2) / 2;
        for (std::int64_t half = below; 2 * half <= knot.beat + (knot.beat % 2 == 0 ? 0 : 1); ++half)
            if (knots.empty() || knots.back().beat < half)
                knots.push_back({half, at(2 * half)});
    }
    return withKnots(std::move(grid), knots);
}

BeatGrid BeatGrid::steady(double seconds) const
{
    BeatGrid grid = *this;
    grid.bpm = std::clamp(bpmAt(seconds), slowestBpm, fastestBpm);
    grid.pins.clear();
    return grid;
}

BeatGrid BeatGrid::laid(std::int64_t beat, double seconds) const
{
    if (beat == 0 && pins.empty())
        return shifted(seconds - firstBeat);
    std::vector<BeatPin> knots = knotsOf(*this);
    const auto next =
        std::partition_point(knots.begin(), knots.end(), [beat](const BeatPin& k) { return k.beat < beat; });
    const auto place = next - knots.begin();
    if (next == knots.end() || next->beat != beat)
        knots.insert(next, {beat, at(beat)});
    const auto allowed = [](const BeatPin& left, std::int64_t count, double& least, double& most) {
        least = std::max(least, left.seconds + static_cast<double>(count) * 60 / fastestBpm);
        most = std::min(most, left.seconds + static_cast<double>(count) * 60 / slowestBpm);
    };
    double least = -1e9, most = 1e9;
    if (place > 0)
        allowed(knots[static_cast<std::size_t>(place - 1)], beat - knots[static_cast<std::size_t>(place - 1)].beat,
                least, most);
    if (place + 1 < std::ssize(knots)) {
        const BeatPin& after = knots[static_cast<std::size_t>(place + 1)];
        const auto count = static_cast<double>(after.beat - beat);
        least = std::max(least, after.seconds - count * 60 / slowestBpm);
        most = std::min(most, after.seconds - count * 60 / fastestBpm);
    }
    if (least <= most)
        knots[static_cast<std::size_t>(place)].seconds = std::clamp(seconds, least, most);
    return withKnots(*this, knots);
}

std::optional<std::size_t> badPin(const BeatGrid& grid)
{
    constexpr double slack = 1e-6; // of what was written with decimals
    std::optional<BeatPin> last;
    bool firstPassed = false;
    const auto follows = [&](const BeatPin& pin) {
        if (!std::isfinite(pin.seconds))
            return false;
        if (last) {
            if (pin.beat <= last->beat || pin.seconds <= last->seconds)
                return false;
            const double bpm = 60 / slope(*last, pin);
            if (bpm < slowestBpm * (1 - slack) || bpm > fastestBpm * (1 + slack))
                return false;
        }
        last = pin;
        return true;
    };
    for (std::size_t i = 0; i < grid.pins.size(); ++i) {
        if (grid.pins[i].beat > 0 && !firstPassed) {
            firstPassed = true;
            if (!follows({0, grid.firstBeat}))
                return i;
        }
        if (grid.pins[i].beat == 0 || !follows(grid.pins[i]))
            return i;
    }
    if (!firstPassed && !grid.pins.empty() && !follows({0, grid.firstBeat}))
        return grid.pins.size() - 1;
    return std::nullopt;
}

BeatGrid gridThrough(const std::vector<double>& beats, double tolerance)
{
    // As in drawing a curve by few lines (Ramer, 1972; Douglas and Peucker, 1973): a stretch is split where it is
    // farthest off, until it is near enough everywhere.
    std::vector<bool> kept(beats.size(), false);
    kept.front() = kept.back() = true;
    std::vector<std::pair<std::size_t, std::size_t>> open{{0, beats.size() - 1}};
    while (!open.empty()) {
        const auto [left, right] = open.back();
        open.pop_back();
        const double period = (beats[right] - beats[left]) / static_cast<double>(right - left);
        double worst = tolerance;
        std::size_t at = left;
        for (std::size_t i = left + 1; i < right; ++i) {
            const double off = std::abs(beats[i] - beats[left] - static_cast<double>(i - left) * period);
            if (off > worst) {
                worst = off;
                at = i;
            }
        }
        if (at == left)
            continue;
        kept[at] = true;
        open.emplace_back(left, at);
        open.emplace_back(at, right);
    }
    BeatGrid grid;
    grid.firstBeat = beats.front();
    std::size_t last = 0;
    for (std::size_t i = 1; i < beats.size(); ++i)
        if (kept[i]) {
            grid.bpm = 60 * static_cast<double>(i - last) / (beats[i] - beats[last]);
            grid.pins.push_back({static_cast<std::int64_t>(i), beats[i]});
            last = i;
        }
    if (grid.pins.size() == 1)
        grid.pins.clear();
    return grid;
}

} // namespace ember
