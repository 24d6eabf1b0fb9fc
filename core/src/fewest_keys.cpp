// SPDX-License-Identifier: GPL-3.0-or-later
// The fewest keys that follow a motion.
#include <algorithm>
#include <array>
#include <cmath>
#include <cstdint>
#include <limits>
#include <utility>

#include "ember/core/keys.h"

namespace ember {

namespace {

constexpr std::size_t longestPart = 512; // steps
/// After as many lengths that do not fit, longer ones are not tried.
constexpr std::size_t triesBeyond = 8;

struct Slopes {
    double out = 0; ///< leaving the first key, a step
    double in = 0;  ///< arriving at the second
};

/// A stretch of a curve between two keys, which may lie beside it.
struct Part {
    const std::vector<double>& values;
    std::size_t from;
    std::size_t to;
    double begin;
    double end;

    double length() const { return static_cast<double>(to - from); }
    double at(const Slopes& slopes, std::size_t i) const
    {
        const double u = static_cast<double>(i - from) / length();
        return begin + (end - begin) * u * u * (3 - 2 * u) +
               length() * u * (1 - u) * ((1 - u) * slopes.out - u * slopes.in);
    }
    double farthest(const Slopes& slopes) const
    {
        double most = 0;
        for (std::size_t i = from + 1; i < to; ++i)
            most = std::max(most, std::abs(at(slopes, i) - values[i]));
        return most;
    }
};

/// The slopes of the cubic between two values that passes nearest to those between them: of least squares, then, where
/// that is not near enough yet, with more weight on what is far off (C. Lawson, 1961).
Slopes fittedSlopes(const Part& part, double tolerance)
{
    const auto length = part.length();
    const auto straight = (part.end - part.begin) / length;
    if (part.to - part.from < 2)
        return {straight, straight};
    const std::size_t from = part.from;
    const std::size_t to = part.to;
    Slopes best{straight, straight};
    double least = std::numeric_limits<double>::infinity();
    std::vector<double> weights; // all 1 at first
    for (int round = 0; round < 6; ++round) {
        double aa = 0;
        double ab = 0;
        double bb = 0;
        double ar = 0;
        double br = 0;
        for (std::size_t i = from + 1; i < to; ++i) { // what the slopes change from the straight ones
            const double u = static_cast<double>(i - from) / length;
            const double a = length * u * (1 - u) * (1 - u);
            const double b = -length * u * u * (1 - u);
            const double rest = part.values[i] - part.at({straight, straight}, i);
            const double weight = weights.empty() ? 1.0 : weights[i - from];
            aa += weight * a * a;
            ab += weight * a * b;
            bb += weight * b * b;
            ar += weight * a * rest;
            br += weight * b * rest;
        }
        const double below = aa * bb - ab * ab;
        const Slopes change = below > 1e-9 * aa * bb // else one value lies between, and both take part alike
                                  ? Slopes{(ar * bb - br * ab) / below, (br * aa - ar * ab) / below}
                                  : Slopes{ar / (aa + bb), br / (aa + bb)};
        const Slopes slopes{straight + change.out, straight + change.in};
        const double most = part.farthest(slopes);
        if (most < least) {
            least = most;
            best = slopes;
        }
        if (least <= tolerance || least > 2 * tolerance)
            break;
        weights.resize(to - from, 1.0);
        for (std::size_t i = from + 1; i < to; ++i)
            weights[i - from] *= std::abs(part.at(slopes, i) - part.values[i]) / most + 1e-3;
    }
    return best;
}

/// Whether a place lies in a stretch in which nothing changes, but for what is left of numbers that die away.
class Still {
public:
    explicit Still(std::span<const SampledCurve> curves) : flags_(curves.front().values.size(), 0)
    {
        constexpr std::size_t shortest = 8; // steps; turning points stand still for a moment too
        const std::size_t count = flags_.size();
        for (std::size_t from = 0; from + 1 < count;) {
            std::size_t to = from;
            while (to + 1 < count && same(curves, to))
                ++to;
            if (to >= from + shortest)
                std::fill(flags_.begin() + static_cast<std::ptrdiff_t>(from),
                          flags_.begin() + static_cast<std::ptrdiff_t>(to), std::uint8_t{1});
            from = std::max(to, from + 1);
        }
    }
    /// Between this place and the next.
    bool operator()(std::size_t i) const { return flags_[i] != 0; }

private:
    static bool same(std::span<const SampledCurve> curves, std::size_t i)
    {
        return std::all_of(curves.begin(), curves.end(), [i](const SampledCurve& curve) {
            return std::abs(curve.values[i] - curve.values[i + 1]) <= 1e-6 * curve.tolerance;
        });
    }
    std::vector<std::uint8_t> flags_;
};

/// Where a key may be, and which of the values it may have there.
struct Spot {
    std::size_t place;
    std::size_t side;
};

constexpr std::size_t none = std::numeric_limits<std::size_t>::max();
struct Way {
    std::size_t keys = none; ///< as many lead there
    std::size_t before = 0;
};

/// The fewest keys from the first place to the last: dynamic programming over places and the sides of each. Stretches
/// in which nothing changes have keys at both ends, so that they stay exactly what they are.
template <typename Sides, typename Fits>
std::vector<Spot> fewestSpots(std::size_t count, std::size_t sides, const Still& still, Sides sidesAt, Fits fits,
                              const Stopped& stopped)
{
    std::vector<Way> ways(count * sides);
    ways.at(0).keys = 1;
    std::size_t until = 0; // the end of the stretch that stands still or moves
    for (std::size_t from = 0; from + 1 < count; ++from) {
        if (stopped && from % 64 == 0 && stopped())
            return {{0, 0}, {count - 1, 0}};
        if (until <= from)
            for (until = from + 1; until + 1 < count && still(until) == still(from);)
                ++until;
        std::size_t missed = 0;
        for (std::size_t to = still(from) ? until : from + 1;
             to <= until && (still(from) || to <= from + longestPart) && missed < triesBeyond; ++to) {
            bool any = false;
            for (std::size_t a = 0; a < sidesAt(from); ++a)
                for (std::size_t b = 0; b < sidesAt(to); ++b) {
                    const std::size_t keys = ways[from * sides + a].keys;
                    Way& next = ways[to * sides + b];
                    if (keys == none || (any && next.keys <= keys + 1) || !(still(from) || fits(from, a, to, b)))
                        continue;
                    any = true;
                    if (keys + 1 < next.keys)
                        next = {keys + 1, from * sides + a};
                }
            missed = any ? 0 : missed + 1;
        }
    }
    std::vector<Spot> spots;
    for (std::size_t at = (count - 1) * sides; at >= sides; at = ways[at].before)
        spots.push_back({at / sides, at % sides});
    spots.push_back({0, 0});
    std::reverse(spots.begin(), spots.end());
    return spots;
}

bool straightFits(const SampledCurve& curve, std::size_t from, std::size_t to)
{
    const auto& values = curve.values;
    const double slope = (values[to] - values[from]) / static_cast<double>(to - from);
    for (std::size_t i = from + 1; i < to; ++i)
        if (std::abs(values[from] + slope * static_cast<double>(i - from) - values[i]) > curve.tolerance)
            return false;
    return true;
}

bool cubicFits(const Part& part, double tolerance)
{
    return part.farthest(fittedSlopes(part, tolerance)) <= tolerance;
}

/// Keys joined by the cubics of parts.
template <typename PartAfter>
CurveKeys keysWith(const SampledCurve& curve, std::size_t count, double first, double step, PartAfter partAfter)
{
    CurveKeys keys;
    for (std::size_t n = 0; n + 1 < count; ++n) {
        const Part part = partAfter(n);
        const Slopes slopes = fittedSlopes(part, curve.tolerance);
        if (keys.empty())
            keys.push_back({first + step * static_cast<double>(part.from), part.begin, Ease::curve});
        keys.back().slopeOut = slopes.out / step;
        keys.push_back({first + step * static_cast<double>(part.to), part.end, Ease::curve, slopes.in / step, 0});
    }
    if (keys.empty())
        keys.push_back({first, curve.values.front(), Ease::curve});
    return keys;
}

} // namespace

KeyPlaces fewestPlaces(std::span<const SampledCurve> curves, KeyJoin join, const Stopped& stopped)
{
    const std::size_t count = curves.empty() ? 0 : curves.front().values.size();
    if (count == 0)
        return {};
    const auto fits = [&](std::size_t from, std::size_t, std::size_t to, std::size_t) {
        return std::all_of(curves.begin(), curves.end(), [&](const SampledCurve& curve) {
            return join == KeyJoin::straight
                       ? straightFits(curve, from, to)
                       : cubicFits({curve.values, from, to, curve.values[from], curve.values[to]}, curve.tolerance);
        });
    };
    KeyPlaces places;
    for (const Spot& spot : fewestSpots(
             count, 1, Still(curves), [](std::size_t) { return std::size_t{1}; }, fits, stopped))
        places.push_back(spot.place);
    return places;
}

CurveKeys keysAtPlaces(const SampledCurve& curve, const KeyPlaces& places, KeyJoin join, double first, double step)
{
    const auto& values = curve.values;
    if (join == KeyJoin::curve)
        return keysWith(curve, places.size(), first, step, [&](std::size_t n) {
            return Part{values, places[n], places[n + 1], values[places[n]], values[places[n + 1]]};
        });
    CurveKeys keys;
    for (const std::size_t place : places)
        keys.push_back({first + step * static_cast<double>(place), values[place], Ease::linear});
    return keys;
}

CurveKeys fewestLooseKeys(const SampledCurve& curve, double first, double step, const Stopped& stopped)
{
    constexpr std::array<double, 5> beside{0, -0.5, 0.5, -0.99, 0.99}; // of the tolerance
    const auto& values = curve.values;
    const std::size_t count = values.size();
    const Still still({&curve, 1});
    // Where something begins or ends to move it is met exactly.
    const auto fixed = [&](std::size_t i) { return i == 0 || i + 1 == count || still(i - 1) || still(i); };
    const auto valueAt = [&](const Spot& spot) { return values[spot.place] + beside[spot.side] * curve.tolerance; };
    const auto partOf = [&](const Spot& a, const Spot& b) {
        return Part{values, a.place, b.place, valueAt(a), valueAt(b)};
    };
    // Where the cubic between the curve's own values is off by far, none of those beside it is near enough.
    constexpr double hopeless = 3; // tolerances
    const double tolerance = curve.tolerance * (1 - 1e-9);
    std::pair<std::size_t, std::size_t> asked{count, count};
    bool hope = false;
    const auto fits = [&](std::size_t from, std::size_t a, std::size_t to, std::size_t b) {
        if (asked != std::pair(from, to)) {
            asked = {from, to};
            const Part part = partOf({from, 0}, {to, 0});
            hope = part.farthest(fittedSlopes(part, tolerance)) <= hopeless * tolerance;
        }
        return hope && cubicFits(partOf({from, a}, {to, b}), tolerance);
    };
    const auto spots = fewestSpots(
        count, beside.size(), still, [&](std::size_t i) { return fixed(i) ? std::size_t{1} : beside.size(); }, fits,
        stopped);
    return keysWith(curve, spots.size(), first, step, [&](std::size_t n) { return partOf(spots[n], spots[n + 1]); });
}

CurveKeys fewestKeys(const std::function<double(double)>& value, double first, double last, double tolerance,
                     const Stopped& stopped)
{
    SampledCurve curve{{}, tolerance};
    const auto count = static_cast<std::size_t>(std::lround((last - first) / keyGrid)) + 1;
    for (std::size_t i = 0; i < count; ++i)
        curve.values.push_back(value(first + keyGrid * static_cast<double>(i)));
    return keysAtPlaces(curve, fewestPlaces({&curve, 1}, KeyJoin::curve, stopped), KeyJoin::curve, first, keyGrid);
}

} // namespace ember
