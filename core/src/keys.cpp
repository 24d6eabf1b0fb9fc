// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/core/keys.h"

#include <algorithm>
#include <cmath>

namespace ember {

namespace {

/// Takes the chosen keys out and puts them in again as `change` makes them, so that they win over those they meet.
template <typename Change>
CurveKeys changed(const CurveKeys& keys, const KeyPlaces& chosen, Change change)
{
    CurveKeys out = without(keys, chosen);
    for (const std::size_t i : chosen)
        if (i < keys.size()) {
            CurveKey key = keys[i];
            change(key);
            out.push_back(key);
        }
    return inOrder(std::move(out));
}

} // namespace

CurveKeys without(const CurveKeys& keys, const KeyPlaces& gone)
{
    CurveKeys out;
    for (std::size_t i = 0; i < keys.size(); ++i)
        if (!std::binary_search(gone.begin(), gone.end(), i))
            out.push_back(keys[i]);
    return out;
}

CurveKeys scaledInTime(CurveKeys keys, const KeyPlaces& chosen, double about, double factor, bool whole)
{
    return changed(keys, chosen, [&](CurveKey& key) {
        key.frame = about + (key.frame - about) * factor;
        if (whole)
            key.frame = std::round(key.frame);
        if (factor != 0) {
            key.slopeIn /= factor;
            key.slopeOut /= factor;
        }
    });
}

CurveKeys scaledInValue(CurveKeys keys, const KeyPlaces& chosen, double factor, double about)
{
    return changed(keys, chosen, [&](CurveKey& key) {
        key.value = about + (key.value - about) * factor;
        key.slopeIn *= factor;
        key.slopeOut *= factor;
    });
}

CurveKeys moved(CurveKeys keys, const KeyPlaces& chosen, double frames, double value)
{
    return changed(keys, chosen, [&](CurveKey& key) {
        key.frame += frames;
        key.value += value;
    });
}

CurveKeys mirroredInTime(CurveKeys keys, const KeyPlaces& chosen)
{
    if (chosen.empty())
        return keys;
    const double sum = keys[chosen.front()].frame + keys[chosen.back()].frame;
    // A key's easing is that of the way behind it, which is now the way before it.
    CurveKeys out = without(keys, chosen);
    for (std::size_t n = 0; n < chosen.size(); ++n) {
        CurveKey key = keys[chosen[n]];
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

namespace {

/// Makes the way between two keys a cubic of the same shape; a step stays one.
void makeCubic(CurveKey& from, CurveKey& to)
{
    const double mean = (to.value - from.value) / (to.frame - from.frame);
    switch (from.ease) {
    case Ease::hold:
    case Ease::curve: return;
    case Ease::linear: from.slopeOut = to.slopeIn = mean; break;
    case Ease::smooth: from.slopeOut = to.slopeIn = 0; break;
    case Ease::in: // u² and its mirror are cubics too
        from.slopeOut = 0;
        to.slopeIn = 2 * mean;
        break;
    case Ease::out:
        from.slopeOut = 2 * mean;
        to.slopeIn = 0;
        break;
    }
    from.ease = Ease::curve;
}

double smoothSlope(const CurveKeys& keys, std::size_t i)
{
    const auto mean = [&](std::size_t a) {
        return (keys[a + 1].value - keys[a].value) / (keys[a + 1].frame - keys[a].frame);
    };
    if (keys.size() < 2)
        return 0;
    if (i == 0)
        return mean(0);
    if (i + 1 == keys.size())
        return mean(i - 1);
    const double before = mean(i - 1);
    const double after = mean(i);
    if (before * after <= 0)
        return 0;
    const double h0 = keys[i].frame - keys[i - 1].frame;
    const double h1 = keys[i + 1].frame - keys[i].frame;
    const double w0 = 2 * h1 + h0;
    const double w1 = h1 + 2 * h0;
    return (w0 + w1) / (w0 / before + w1 / after);
}

} // namespace

CurveKeys withSlopes(CurveKeys keys, const KeyPlaces& chosen, SlopeKind kind)
{
    for (const std::size_t i : chosen) {
        if (i >= keys.size())
            continue;
        const bool first = i == 0;
        const bool last = i + 1 == keys.size();
        if (kind == SlopeKind::stepped) {
            keys[i].ease = Ease::hold;
            continue;
        }
        if (kind == SlopeKind::straight) {
            keys[i].ease = Ease::linear;
            if (!first)
                keys[i - 1].ease = Ease::linear;
            continue;
        }
        if (!first)
            makeCubic(keys[i - 1], keys[i]);
        if (!last) {
            if (keys[i].ease == Ease::hold)
                keys[i].ease = Ease::smooth;
            makeCubic(keys[i], keys[i + 1]);
        }
        if (kind != SlopeKind::free)
            keys[i].slopeIn = keys[i].slopeOut = kind == SlopeKind::flat ? 0 : smoothSlope(keys, i);
    }
    return keys;
}

CurveKeys withEase(CurveKeys keys, const KeyPlaces& chosen, Ease ease)
{
    for (const std::size_t i : chosen)
        if (i < keys.size())
            keys[i].ease = ease;
    return keys;
}

double slopeOfKeys(const CurveKeys& keys, double frame)
{
    const auto after = std::upper_bound(keys.begin(), keys.end(), frame,
                                        [](double at, const CurveKey& key) { return at < key.frame; });
    if (after == keys.begin() || after == keys.end())
        return 0;
    CurveKey from = *(after - 1);
    CurveKey to = *after;
    if (from.ease == Ease::hold)
        return 0;
    makeCubic(from, to);
    const double length = to.frame - from.frame;
    const double u = (frame - from.frame) / length;
    return (to.value - from.value) / length * 6 * u * (1 - u) + from.slopeOut * (1 - u) * (1 - 3 * u) +
           to.slopeIn * u * (3 * u - 2);
}

std::vector<double> crestsOf(const CurveKeys& keys, double first, double last)
{
    constexpr double step = 0.125;
    std::vector<double> crests;
    if (keys.size() < 2)
        return crests;
    first = std::max(first, keys.front().frame);
    last = std::min(last, keys.back().frame);
    double rose = first; // since when it has not fallen
    bool rising = false;
    double before = valueOfKeys(keys, first);
    for (double frame = first + step; frame <= last + step / 2; frame += step) {
        const double value = valueOfKeys(keys, std::min(frame, last));
        if (value > before + 1e-12) {
            rising = true;
            rose = frame;
        } else if (value < before - 1e-12) {
            if (rising) { // between the last rise and this fall, to the hundredth
                double best = rose;
                for (double at = std::max(first, rose - step); at <= frame; at += 0.01)
                    best = valueOfKeys(keys, at) > valueOfKeys(keys, best) + 1e-12 ? at : best;
                crests.push_back(best);
            }
            rising = false;
        }
        before = value;
    }
    return crests;
}

CurveKeys repeated(const CurveKeys& keys, const KeyPlaces& chosen, int times, double share)
{
    constexpr std::size_t most = 4000; // more than a hand can want: keys that repeat keep on growing
    if (chosen.size() < 2 || keys.size() + chosen.size() * static_cast<std::size_t>(times) > most)
        return keys;
    CurveKeys out = keys;
    const double first = keys[chosen.front()].frame;
    const double length = keys[chosen.back()].frame - first;
    double size = 1;
    for (int n = 1; n <= times; ++n) {
        size *= share;
        for (std::size_t i = 1; i < chosen.size(); ++i) { // the first falls on the last of the time before
            CurveKey key = keys[chosen[i]];
            key.frame += length * n;
            key.value *= size;
            key.slopeIn *= size;
            key.slopeOut *= size;
            out.push_back(key);
        }
    }
    return inOrder(std::move(out));
}

CurveKeys smoothed(CurveKeys keys, const KeyPlaces& chosen)
{
    const CurveKeys before = keys;
    for (const std::size_t i : chosen)
        if (i > 0 && i + 1 < before.size())
            keys[i].value = 0.5 * before[i].value + 0.25 * (before[i - 1].value + before[i + 1].value);
    return keys;
}

CurveKeys pasted(CurveKeys keys, const CurveKeys& copies, double frame)
{
    if (copies.empty())
        return keys;
    for (CurveKey key : copies) {
        key.frame += frame - copies.front().frame;
        keys.push_back(key);
    }
    return inOrder(std::move(keys));
}

CurveKeys keyEachFrame(const std::function<double(double)>& value, double first, double last)
{
    CurveKeys keys;
    for (double frame = first; frame <= last; ++frame)
        keys.push_back({frame, value(frame), Ease::linear});
    return keys;
}

double farthestOff(const CurveKeys& keys, const std::function<double(double)>& value, double first, double last)
{
    double most = 0;
    for (double frame = first; frame <= last; frame += keyGrid)
        most = std::max(most, std::abs(valueOfKeys(keys, frame) - value(frame)));
    return most;
}

} // namespace ember
