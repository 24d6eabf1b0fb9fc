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

CurveKeys scaledInValue(CurveKeys keys, const KeyPlaces& chosen, double factor)
{
    return changed(keys, chosen, [&](CurveKey& key) {
        key.value *= factor;
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
