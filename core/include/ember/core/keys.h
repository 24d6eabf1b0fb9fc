// SPDX-License-Identifier: GPL-3.0-or-later
// Lists of keys: what an editor does with them, and keys that follow a given motion.
#pragma once

#include <cstddef>
#include <functional>
#include <span>
#include <vector>

#include "ember/core/curve.h"

namespace ember {

/// Places in a list of keys, in order.
using KeyPlaces = std::vector<std::size_t>;

// Edits of the chosen keys. Each gives keys in order; of two on one frame the moved one stays.

/// Frames are drawn together or apart: about + (frame - about) * factor, on whole frames where `whole`. Slopes follow.
CurveKeys scaledInTime(CurveKeys keys, const KeyPlaces& chosen, double about, double factor, bool whole);
/// Values times a factor about one, slopes too.
CurveKeys scaledInValue(CurveKeys keys, const KeyPlaces& chosen, double factor, double about = 0);
CurveKeys moved(CurveKeys keys, const KeyPlaces& chosen, double frames, double value);
/// The chosen ones turned about their middle in time: what came first comes last.
CurveKeys mirroredInTime(CurveKeys keys, const KeyPlaces& chosen);
/// Put `times` more times behind the last chosen one, each `share` as large as the one before.
CurveKeys repeated(const CurveKeys& keys, const KeyPlaces& chosen, int times, double share);
/// How a curve goes through a key.
enum class SlopeKind {
    free,     ///< as it does, with slopes on either side that can be dragged
    smooth,   ///< without a corner, and never beyond its neighbours (F. N. Fritsch and J. Butland, 1984)
    flat,     ///< level on both sides
    straight, ///< in straight lines to both neighbours
    stepped,  ///< it stays until the next key
};
CurveKeys withSlopes(CurveKeys keys, const KeyPlaces& chosen, SlopeKind kind);
/// The ways behind the chosen keys become eased so.
CurveKeys withEase(CurveKeys keys, const KeyPlaces& chosen, Ease ease);
/// The slope of a curve at a frame, of the way behind it where two meet; values a frame.
double slopeOfKeys(const CurveKeys& keys, double frame);
/// The frames at which a curve is highest between its rises and falls, to a hundredth of a frame, between two frames.
std::vector<double> crestsOf(const CurveKeys& keys, double first, double last);

/// Each chosen value half way to the mean of its neighbours.
CurveKeys smoothed(CurveKeys keys, const KeyPlaces& chosen);
/// Copies put in with their first key at `frame`.
CurveKeys pasted(CurveKeys keys, const CurveKeys& copies, double frame);
CurveKeys without(const CurveKeys& keys, const KeyPlaces& gone);

// Keys that follow a motion.

/// Half frames: between them nothing is seen but by an open shutter.
inline constexpr double keyGrid = 0.5;

/// A key on every whole frame from first to last, straight lines between.
CurveKeys keyEachFrame(const std::function<double(double frame)>& value, double first, double last);
/// How keys are joined.
enum class KeyJoin {
    straight,
    curve, ///< by cubics, whose slopes on both sides of a key are fitted
};
/// A curve at even steps, and how far keys may be off from it.
struct SampledCurve {
    std::vector<double> values;
    double tolerance = 0;
};
/// The fewest places, the first and the last among them, at which keys with the curves' own values stay within the
/// tolerance of every one of the curves at every step (dynamic programming: R. Bellman, On the approximation of curves
/// by line segments, 1961; with cubics, those of least squares). The curves are of one length, at least 1. Stretches in
/// which nothing changes have keys at both ends and stay exactly what they are; no other part is longer than 512 steps.
/// Where `stopped` says so now and then, it gives up with the first and the last place.
using Stopped = std::function<bool()>;
KeyPlaces fewestPlaces(std::span<const SampledCurve> curves, KeyJoin join, const Stopped& stopped = {});
/// The keys of a curve at such places; step 0 is at the frame `first`.
CurveKeys keysAtPlaces(const SampledCurve& curve, const KeyPlaces& places, KeyJoin join, double first, double step);
/// The same for one curve with cubics, whose keys may lie beside it within the tolerance while it moves: fewer still.
CurveKeys fewestLooseKeys(const SampledCurve& curve, double first, double step, const Stopped& stopped = {});

/// The fewest keys with curves whose value stays within `tolerance` of the motion on every half frame from first to
/// last, which are whole frames.
CurveKeys fewestKeys(const std::function<double(double frame)>& value, double first, double last, double tolerance,
                     const Stopped& stopped = {});
/// How far keys are from a motion on half frames.
double farthestOff(const CurveKeys& keys, const std::function<double(double frame)>& value, double first, double last);

} // namespace ember
