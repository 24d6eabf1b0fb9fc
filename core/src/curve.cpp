// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/core/curve.h"

#include <algorithm>
#include <cmath>

namespace ember {

namespace {

/// The integral of eased() from 0 to u.
double easedSoFar(Ease ease, double u)
{
    switch (ease) {
    case Ease::linear: return u * u / 2;
    case Ease::curve:
    case Ease::smooth: return u * u * u * (1 - u / 2);
    case Ease::hold: return 0;
    case Ease::in: return u * u * u / 3;
    case Ease::out: return u * u * (1 - u / 3);
    }
    return u * u / 2;
}

CurveKeys::const_iterator behind(const CurveKeys& keys, double frame)
{
    return std::upper_bound(keys.begin(), keys.end(), frame,
                            [](double at, const CurveKey& key) { return at < key.frame; });
}

} // namespace

double eased(Ease ease, double u)
{
    switch (ease) {
    case Ease::linear: return u;
    case Ease::curve:
    case Ease::smooth: return u * u * (3.0 - 2.0 * u);
    case Ease::hold: return 0.0;
    case Ease::in: return u * u;
    case Ease::out: return 1.0 - (1.0 - u) * (1.0 - u);
    }
    return u;
}

CurveKeys inOrder(CurveKeys keys)
{
    const auto notAfter = [](const CurveKey& a, const CurveKey& b) { return !(a.frame < b.frame); };
    if (std::adjacent_find(keys.begin(), keys.end(), notAfter) == keys.end())
        return keys;
    std::stable_sort(keys.begin(), keys.end(), [](const CurveKey& a, const CurveKey& b) { return a.frame < b.frame; });
    CurveKeys out;
    out.reserve(keys.size());
    for (const CurveKey& key : keys)
        if (!out.empty() && out.back().frame == key.frame)
            out.back() = key;
        else
            out.push_back(key);
    return out;
}

double valueBetween(const CurveKey& from, const CurveKey& to, double frame)
{
    const double length = to.frame - from.frame;
    const double u = (frame - from.frame) / length;
    double value = from.value + (to.value - from.value) * eased(from.ease, u);
    if (from.ease == Ease::curve) // what the slopes add to a smooth way
        value += length * u * (1 - u) * ((1 - u) * from.slopeOut - u * to.slopeIn);
    return value;
}

double integralBetween(const CurveKey& from, const CurveKey& to, double frame)
{
    const double length = to.frame - from.frame;
    const double u = (frame - from.frame) / length;
    double sum = length * (from.value * u + (to.value - from.value) * easedSoFar(from.ease, u));
    if (from.ease == Ease::curve) // u(1-u)² and u²(1-u), integrated
        sum += length * length * u * u *
               (from.slopeOut * (0.5 + u * (u / 4 - 2.0 / 3)) - to.slopeIn * u * (1.0 / 3 - u / 4));
    return sum;
}

double valueOfKeys(const CurveKeys& keys, double frame)
{
    if (keys.empty())
        return 0;
    const auto after = behind(keys, frame);
    if (after == keys.begin())
        return keys.front().value;
    return after == keys.end() ? keys.back().value : valueBetween(*(after - 1), *after, frame);
}

double mostOfKeys(const CurveKeys& keys)
{
    double most = 0;
    for (std::size_t i = 0; i < keys.size(); ++i) {
        const CurveKey& key = keys[i];
        most = std::max(most, std::abs(key.value));
        if (key.ease != Ease::curve || i + 1 == keys.size())
            continue;
        const CurveKey& next = keys[i + 1];
        const double third = (next.frame - key.frame) / 3;
        most =
            std::max({most, std::abs(key.value + third * key.slopeOut), std::abs(next.value - third * next.slopeIn)});
    }
    return most;
}

CurveKeys scaledKeys(CurveKeys keys, double frames, double values)
{
    for (CurveKey& key : keys) {
        key.frame *= frames;
        key.value *= values;
        key.slopeIn *= values / frames;
        key.slopeOut *= values / frames;
    }
    return keys;
}

Curve::Curve(CurveKeys keys) : keys_(std::move(keys))
{
    sums_.reserve(keys_.size());
    for (std::size_t i = 0; i < keys_.size(); ++i)
        sums_.push_back(i == 0 ? 0 : sums_.back() + integralBetween(keys_[i - 1], keys_[i], keys_[i].frame));
}

double Curve::upTo(double frame) const
{
    if (keys_.empty())
        return 0;
    const auto after = behind(keys_, frame);
    if (after == keys_.begin())
        return keys_.front().value * (frame - keys_.front().frame);
    const auto last = static_cast<std::size_t>(after - keys_.begin()) - 1;
    const CurveKey& from = keys_[last];
    return sums_[last] +
           (after == keys_.end() ? from.value * (frame - from.frame) : integralBetween(from, *after, frame));
}

const CurveKeys* Curves::of(std::string_view key) const
{
    const auto found = curves_.find(key);
    return found != curves_.end() ? &found->second : nullptr;
}

void Curves::set(std::string_view key, CurveKeys keys)
{
    curves_.insert_or_assign(std::string(key), std::move(keys));
}

void Curves::clear(std::string_view key)
{
    if (const auto found = curves_.find(key); found != curves_.end())
        curves_.erase(found);
}

} // namespace ember
