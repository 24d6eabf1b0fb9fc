// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/core/keys.h"

#include <algorithm>
#include <cmath>
#include <limits>

namespace ember {

namespace {

/// Keys in order; of several on one frame the last of the list stays.
DrawnKeys inOrder(DrawnKeys keys)
{
    return tidied(std::move(keys), true);
}

/// Takes the chosen keys out and puts them in again as `change` makes them, so that they win over those they meet.
template <typename Change>
DrawnKeys changed(const DrawnKeys& keys, const KeyPlaces& chosen, Change change)
{
    DrawnKeys out = without(keys, chosen);
    for (const std::size_t i : chosen)
        if (i < keys.size()) {
            DrawnKey key = keys[i];
            change(key);
            out.push_back(key);
        }
    return inOrder(std::move(out));
}

constexpr std::size_t longestPart = 512; // steps
/// After as many lengths that do not fit, longer ones are not tried.
constexpr std::size_t triesBeyond = 24;

struct Slopes {
    double out = 0; ///< leaving the first key, a step
    double in = 0;  ///< arriving at the second
};

/// A stretch of a curve between two keys.
struct Part {
    const std::vector<double>& values;
    std::size_t from;
    std::size_t to;

    double length() const { return static_cast<double>(to - from); }
    double at(const Slopes& slopes, std::size_t i) const
    {
        const double u = static_cast<double>(i - from) / length();
        return values[from] + (values[to] - values[from]) * u * u * (3 - 2 * u) +
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
    const auto straight = (part.values[part.to] - part.values[part.from]) / length;
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

bool fits(const SampledCurve& curve, std::size_t from, std::size_t to, KeyJoin join)
{
    const auto& values = curve.values;
    if (join == KeyJoin::curve) {
        const Part part{values, from, to};
        return part.farthest(fittedSlopes(part, curve.tolerance)) <= curve.tolerance;
    }
    const double slope = (values[to] - values[from]) / static_cast<double>(to - from);
    for (std::size_t i = from + 1; i < to; ++i)
        if (std::abs(values[from] + slope * static_cast<double>(i - from) - values[i]) > curve.tolerance)
            return false;
    return true;
}

} // namespace

double valueOfKeys(const DrawnKeys& keys, double frame)
{
    if (keys.empty())
        return 0;
    const auto after = std::upper_bound(keys.begin(), keys.end(), frame,
                                        [](double at, const DrawnKey& key) { return at < key.frame; });
    if (after == keys.begin())
        return keys.front().value;
    return after == keys.end() ? keys.back().value : valueBetween(*(after - 1), *after, frame);
}

DrawnKeys without(const DrawnKeys& keys, const KeyPlaces& gone)
{
    DrawnKeys out;
    for (std::size_t i = 0; i < keys.size(); ++i)
        if (!std::binary_search(gone.begin(), gone.end(), i))
            out.push_back(keys[i]);
    return out;
}

DrawnKeys scaledInTime(DrawnKeys keys, const KeyPlaces& chosen, double about, double factor, bool whole)
{
    return changed(keys, chosen, [&](DrawnKey& key) {
        key.frame = about + (key.frame - about) * factor;
        if (whole)
            key.frame = std::round(key.frame);
        if (factor != 0) {
            key.slopeIn /= factor;
            key.slopeOut /= factor;
        }
    });
}

DrawnKeys scaledInValue(DrawnKeys keys, const KeyPlaces& chosen, double factor)
{
    return changed(keys, chosen, [&](DrawnKey& key) {
        key.value *= factor;
        key.slopeIn *= factor;
        key.slopeOut *= factor;
    });
}

DrawnKeys moved(DrawnKeys keys, const KeyPlaces& chosen, double frames, double value)
{
    return changed(keys, chosen, [&](DrawnKey& key) {
        key.frame += frames;
        key.value += value;
    });
}

DrawnKeys mirroredInTime(DrawnKeys keys, const KeyPlaces& chosen)
{
    if (chosen.empty())
        return keys;
    const double sum = keys[chosen.front()].frame + keys[chosen.back()].frame;
    // A key's easing is that of the way behind it, which is now the way before it.
    DrawnKeys out = without(keys, chosen);
    for (std::size_t n = 0; n < chosen.size(); ++n) {
        DrawnKey key = keys[chosen[n]];
        key.frame = sum - key.frame;
        std::swap(key.slopeIn, key.slopeOut);
        key.slopeIn = -key.slopeIn;
        key.slopeOut = -key.slopeOut;
        const Ease before = n > 0 ? keys[chosen[n - 1]].ease : keys[chosen.back()].ease;
        key.ease = before == Ease::in ? Ease::out : before == Ease::out ? Ease::in : before;
        out.push_back(key);
    }
    return inOrder(std::move(out));
}

DrawnKeys repeated(const DrawnKeys& keys, const KeyPlaces& chosen, int times, double share)
{
    constexpr std::size_t most = 4000; // more than a hand can want: keys that repeat keep on growing
    if (chosen.size() < 2 || keys.size() + chosen.size() * static_cast<std::size_t>(times) > most)
        return keys;
    DrawnKeys out = keys;
    const double first = keys[chosen.front()].frame;
    const double length = keys[chosen.back()].frame - first;
    double size = 1;
    for (int n = 1; n <= times; ++n) {
        size *= share;
        for (std::size_t i = 1; i < chosen.size(); ++i) { // the first falls on the last of the time before
            DrawnKey key = keys[chosen[i]];
            key.frame += length * n;
            key.value *= size;
            key.slopeIn *= size;
            key.slopeOut *= size;
            out.push_back(key);
        }
    }
    return inOrder(std::move(out));
}

DrawnKeys smoothed(DrawnKeys keys, const KeyPlaces& chosen)
{
    const DrawnKeys before = keys;
    for (const std::size_t i : chosen)
        if (i > 0 && i + 1 < before.size())
            keys[i].value = 0.5 * before[i].value + 0.25 * (before[i - 1].value + before[i + 1].value);
    return keys;
}

DrawnKeys pasted(DrawnKeys keys, const DrawnKeys& copies, double frame)
{
    if (copies.empty())
        return keys;
    for (DrawnKey key : copies) {
        key.frame += frame - copies.front().frame;
        keys.push_back(key);
    }
    return inOrder(std::move(keys));
}

DrawnKeys keyEachFrame(const std::function<double(double)>& value, double first, double last)
{
    DrawnKeys keys;
    for (double frame = first; frame <= last; ++frame)
        keys.push_back({frame, value(frame), Ease::linear});
    return keys;
}

KeyPlaces fewestPlaces(std::span<const SampledCurve> curves, KeyJoin join)
{
    const std::size_t count = curves.empty() ? 0 : curves.front().values.size();
    if (count == 0)
        return {};
    constexpr std::size_t none = std::numeric_limits<std::size_t>::max();
    std::vector<std::size_t> keys(count, none); // as many lead here
    std::vector<std::size_t> before(count, 0);
    keys.front() = 1;
    const auto take = [&](std::size_t from, std::size_t to) {
        if (keys[from] + 1 < keys[to]) {
            keys[to] = keys[from] + 1;
            before[to] = from;
        }
    };
    const auto same = [&](std::size_t i) {
        return std::all_of(curves.begin(), curves.end(),
                           [i](const SampledCurve& c) { return c.values[i] == c.values[i + 1]; });
    };
    std::size_t stillUntil = 0;
    for (std::size_t from = 0; from + 1 < count; ++from) {
        if (stillUntil <= from)
            for (stillUntil = from; stillUntil + 1 < count && same(stillUntil);)
                ++stillUntil;
        if (stillUntil > from + 1)
            take(from, stillUntil);
        std::size_t missed = 0;
        for (std::size_t to = from + 1; to < count && to <= from + longestPart && missed < triesBeyond; ++to) {
            const bool near = std::all_of(curves.begin(), curves.end(),
                                          [&](const SampledCurve& curve) { return fits(curve, from, to, join); });
            missed = near ? 0 : missed + 1;
            if (near)
                take(from, to);
        }
    }
    KeyPlaces places;
    for (std::size_t at = count - 1; at > 0; at = before[at])
        places.push_back(at);
    places.push_back(0);
    std::reverse(places.begin(), places.end());
    return places;
}

DrawnKeys keysAtPlaces(const SampledCurve& curve, const KeyPlaces& places, KeyJoin join, double first, double step)
{
    DrawnKeys keys;
    for (std::size_t n = 0; n < places.size(); ++n) {
        DrawnKey key{first + step * static_cast<double>(places[n]), curve.values[places[n]]};
        key.ease = join == KeyJoin::curve ? Ease::curve : Ease::linear;
        if (join == KeyJoin::curve && n > 0)
            key.slopeIn = fittedSlopes({curve.values, places[n - 1], places[n]}, curve.tolerance).in / step;
        if (join == KeyJoin::curve && n + 1 < places.size())
            key.slopeOut = fittedSlopes({curve.values, places[n], places[n + 1]}, curve.tolerance).out / step;
        keys.push_back(key);
    }
    return keys;
}

DrawnKeys fewestKeys(const std::function<double(double)>& value, double first, double last, double tolerance)
{
    SampledCurve curve{{}, tolerance};
    const auto count = static_cast<std::size_t>(std::lround((last - first) / keyGrid)) + 1;
    for (std::size_t i = 0; i < count; ++i)
        curve.values.push_back(value(first + keyGrid * static_cast<double>(i)));
    return keysAtPlaces(curve, fewestPlaces({&curve, 1}, KeyJoin::curve), KeyJoin::curve, first, keyGrid);
}

double farthestOff(const DrawnKeys& keys, const std::function<double(double)>& value, double first, double last)
{
    double most = 0;
    for (double frame = first; frame <= last; frame += keyGrid)
        most = std::max(most, std::abs(valueOfKeys(keys, frame) - value(frame)));
    return most;
}

} // namespace ember
