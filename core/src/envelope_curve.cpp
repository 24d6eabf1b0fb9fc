// SPDX-License-Identifier: GPL-3.0-or-later
// An envelope's shape as a curve, and back.
#include <algorithm>
#include <array>
#include <cmath>
#include <functional>

#include "ember/core/envelope.h"

namespace ember {

namespace {

using F = EnvelopeField;

constexpr double leastLength = 1e-3; ///< frames between two keys where a shape jumps

/// Keys of one part of a shape, its last key left out: cubics with the part's own slopes at their ends, halved until
/// they are near enough.
class PartKeys {
public:
    PartKeys(const Envelope& envelope, double tolerance) : envelope_(envelope), tolerance_(tolerance) {}

    void add(CurveKeys& keys, double from, double to) const { halve(keys, from, to, 0); }

private:
    /// The parts are whole to their ends: what is asked there is asked a hair inside.
    double value(double t, double from, double to) const
    {
        const double hair = 1e-9 * std::max(1.0, to - from);
        return intensityAt(envelope_, std::clamp(t, from + hair, to - hair));
    }
    void halve(CurveKeys& keys, double from, double to, int depth) const
    {
        const double step = (to - from) * 1e-4;
        const double a = value(from, from, to);
        const double b = value(to, from, to);
        CurveKey first{from, a, Ease::curve, 0, (value(from + step, from, to) - a) / step};
        CurveKey last{to, b, Ease::curve, (b - value(to - step, from, to)) / step, 0};
        double off = 0;
        for (int i = 1; i < 16; ++i) {
            const double t = from + (to - from) * i / 16;
            off = std::max(off, std::abs(valueBetween(first, last, t) - value(t, from, to)));
        }
        constexpr int deepest = 7;
        if (off <= tolerance_ || depth == deepest) {
            keys.push_back(first);
            arrival_ = last.slopeIn;
            return;
        }
        const double middle = (from + to) / 2;
        halve(keys, from, middle, depth + 1);
        const double arrives = arrival_;
        const auto next = keys.size();
        halve(keys, middle, to, depth + 1);
        keys[next].slopeIn = arrives;
    }

public:
    /// The slope with which the part that was added last arrives.
    double arrival() const { return arrival_; }

private:
    const Envelope& envelope_;
    const double tolerance_;
    mutable double arrival_ = 0;
};

double offBy(const CurveKeys& keys, const Envelope& shape)
{
    const double first = std::floor(std::min(keys.front().frame, shape.start()));
    const double last = std::ceil(std::max(keys.back().frame, shape.end()));
    double off = 0;
    for (double t = first; t <= last; t += 0.5) {
        const bool inside = t >= keys.front().frame && t <= keys.back().frame;
        off = std::max(off, std::abs((inside ? valueOfKeys(keys, t) : 0.0) - intensityAt(shape, t)));
    }
    return off;
}

} // namespace

CurveKeys curveOfShape(const Envelope& drawn, double tolerance)
{
    Envelope envelope = drawn;
    envelope.setCurve({});
    const PartKeys part(envelope, tolerance);
    CurveKeys keys;
    double arrives = 0;
    double at = envelope.builds() ? envelope.start() : envelope.onset();
    const auto upTo = [&](double to, bool straight, double level) { // the level it begins at, exactly
        if (to - at < leastLength)
            return;
        const auto first = keys.size();
        if (straight)
            keys.push_back({at, level, Ease::linear});
        else
            part.add(keys, at, to);
        keys[first].value = level;
        keys[first].slopeIn = arrives;
        arrives = straight ? 0 : part.arrival();
        at = to;
    };
    const double lead = envelope.builds() ? envelope[F::leadLevel] : 0;
    if (envelope.builds()) {
        upTo(envelope.onset() - leadBreaksOff, false, 0);
        upTo(envelope.onset(), true, lead);
    }
    upTo(envelope.peak(), false, lead);
    upTo(envelope.holdEnd(), true, 1);
    if (envelope[F::decay] > 0 && envelope.chosen<Slope>(F::decaySlope) == Slope::constant) {
        upTo(std::max(envelope.holdEnd(), envelope.decayEnd() - 1), true, 1);
        upTo(envelope.decayEnd(), true, 1);
    } else if (envelope[F::decay] > 0) {
        upTo(envelope.decayEnd(), false, 1);
    } else { // it drops at once
        keys.push_back({at, 1, Ease::linear});
        at += leastLength;
    }
    upTo(envelope.rumbleEnd(), true, envelope[F::rumble]);
    if (envelope[F::rumble] > 0 && envelope[F::release] > 0) {
        upTo(envelope.end(), false, envelope[F::rumble]);
    } else if (envelope[F::rumble] > 0 && !keys.empty()) {
        keys.push_back({at - leastLength, envelope[F::rumble], Ease::linear});
    }
    keys.push_back({at, 0, Ease::linear, arrives, 0});
    return inOrder(std::move(keys));
}

std::optional<FittedShape> shapeOfCurve(const CurveKeys& keys, const Envelope& like)
{
    Envelope curve;
    curve.setCurve(keys);
    if (keys.size() < 2 || curve.most() <= 0)
        return std::nullopt;
    Envelope shape = like;
    shape.setCurve({});
    constexpr double same = 0.01;
    if (const double off = offBy(curve.curve(), shape); off <= same)
        return FittedShape{shape, off};
    // What stands fast: from where to where it rises, and how long it stays.
    const double onset = curve.start();
    const double attack = curve.peak() - onset;
    const auto anchor = onset >= 0 ? Anchor::contact : curve.peak() == 0 ? Anchor::peak : Anchor::firstMoved;
    shape.set(F::lead, 0);
    shape.set(F::anchor, static_cast<double>(anchor));
    shape.set(F::attack, attack);
    shape.set(F::hold, curve.holdEnd() - curve.peak());
    shape.set(F::rumbleUntil, static_cast<double>(RumbleUntil::length));
    for (const F slope : {F::attackSlope, F::decaySlope, F::releaseSlope})
        shape.set(slope, static_cast<double>(Slope::exponential));
    const double left = std::max(0.0, curve.end() - curve.holdEnd());
    // The others by trying: steps that shrink (R. Hooke and T. A. Jeeves, Direct search solution of numerical and
    // statistical problems, 1961). Decay and release in shares of what is left of the curve, the rumble lasts the rest.
    std::array<double, 6> at{0,    4,   0.4,
                             0.12, 0.3, 2}; // attack's curve; decay's curve, share, level; release's share, curve
    std::array<double, 6> steps{2, 2, 0.2, 0.1, 0.2, 2};
    const auto made = [&](const std::array<double, 6>& v) {
        Envelope one = shape;
        const double decay = std::clamp(v[2], 0.0, 1.0);
        const double release = std::clamp(v[4], 0.0, 1.0 - decay);
        const bool rumbles = v[3] > 0.002;
        one.set(F::attackCurve, v[0]);
        one.set(F::decayCurve, v[1]);
        one.set(F::decay, rumbles ? decay * left : left);
        one.set(F::rumble, rumbles ? v[3] : 0);
        one.set(F::rumbleLength, (1 - decay - release) * left);
        one.set(F::release, release * left);
        one.set(F::releaseCurve, v[5]);
        return one;
    };
    const auto cost = [&](const std::array<double, 6>& v) { return offBy(curve.curve(), made(v)); };
    double best = cost(at);
    for (int round = 0; round < 60 && best > 1e-4; ++round) {
        bool better = false;
        for (std::size_t i = 0; i < at.size(); ++i)
            for (const double way : {1.0, -1.0}) {
                std::array<double, 6> next = at;
                next[i] += way * steps[i];
                if (const double now = cost(next); now < best) {
                    best = now;
                    at = next;
                    better = true;
                    break;
                }
            }
        if (!better)
            for (double& step : steps)
                step /= 2;
    }
    return FittedShape{made(at), best};
}

} // namespace ember
