// SPDX-License-Identifier: GPL-3.0-or-later
// Keys over frames: what changes over time.
#pragma once

#include <array>
#include <cstddef>
#include <map>
#include <string>
#include <string_view>
#include <vector>

#include "ember/core/field.h"

namespace ember {

enum class Ease { linear, smooth, hold, in, out, curve };
/// Of keys that have no slopes of their own: moves of shots, intensity.
inline constexpr std::array<std::string_view, 5> easeNames{"linear", "smooth", "hold", "in", "out"};
inline constexpr Choices easeWords{easeNames};
/// Of keys of curves, which may.
inline constexpr std::array<std::string_view, 6> curveEaseNames{"linear", "smooth", "hold", "in", "out", "curve"};
inline constexpr Choices curveEaseWords{curveEaseNames};

/// The share of the way from one key to the next at u (0 to 1): linear; smooth 3u²-2u³; hold 0; in u²; out 1-(1-u)². A
/// curve has slopes and not a share; here it is smooth.
double eased(Ease ease, double u);

/// A key of a curve. What its frame counts from and what its value is, is the curve's.
struct CurveKey {
    double frame = 0;
    double value = 0;
    Ease ease = Ease::smooth; ///< on the way to the next key
    double slopeIn = 0;       ///< change a frame with which a curve arrives
    double slopeOut = 0;      ///< and with which it leaves, where `ease` is a curve

    bool operator==(const CurveKey&) const = default;
};
/// In the order of their frames, each frame once.
using CurveKeys = std::vector<CurveKey>;

/// Sorts keys; of several on one frame the last of the list stays.
CurveKeys inOrder(CurveKeys keys);

/// The value between two keys, by the first one's easing; a curve is the cubic with both values and slopes (Hermite).
double valueBetween(const CurveKey& from, const CurveKey& to, double frame);
/// Its exact integral from the first key to `frame`, in values times frames: every easing is a polynomial of u, and so
/// is its integral (Hermite: from.value·L·(u-u³+u⁴/2) + to.value·L·(u³-u⁴/2) + L²·(out·(u²/2-2u³/3+u⁴/4) +
/// in·(u⁴/4-u³/3)) with the length L between them).
double integralBetween(const CurveKey& from, const CurveKey& to, double frame);

/// The value of a curve; before the first and after the last key it stays, without keys it is 0.
double valueOfKeys(const CurveKeys& keys, double frame);
/// What the curve never goes beyond, without a sign: the largest of the values and, where slopes may overshoot, of the
/// control points of the same cubic (a cubic stays within the hull of its Bézier points).
double mostOfKeys(const CurveKeys& keys);
/// Keys with other units: frames times `frames`, values times `values`. Slopes follow.
CurveKeys scaledKeys(CurveKeys keys, double frames, double values);

/// A curve made ready to be asked often, value and integral in the time of looking a key up.
class Curve {
public:
    Curve() = default;
    /// Keys in order.
    explicit Curve(CurveKeys keys);

    bool empty() const { return keys_.empty(); }
    const CurveKeys& keys() const { return keys_; }
    double at(double frame) const { return valueOfKeys(keys_, frame); }
    /// The exact integral from one frame to another, in values times frames.
    double integral(double from, double to) const { return upTo(to) - upTo(from); }

private:
    double upTo(double frame) const; ///< from the first key

    CurveKeys keys_;
    std::vector<double> sums_; ///< from the first key to each
};

/// Curves in the places of single values, by the values' keys ("envelope.strength", "strand.Rattle.rate"; see
/// values.h).
class Curves {
public:
    /// Null where the value has none.
    const CurveKeys* of(std::string_view key) const;
    void set(std::string_view key, CurveKeys keys);
    void clear(std::string_view key);
    bool empty() const { return curves_.empty(); }
    const std::map<std::string, CurveKeys, std::less<>>& all() const { return curves_; }

    bool operator==(const Curves&) const = default;

private:
    std::map<std::string, CurveKeys, std::less<>> curves_;
};

} // namespace ember
