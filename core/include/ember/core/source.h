// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <array>
#include <cstdint>
#include <string_view>
#include <variant>
#include <vector>

#include "ember/core/axes.h"
#include "ember/core/curve.h"
#include "ember/core/field.h"
#include "ember/core/motion_loop.h"

namespace ember {

/// How fast a source runs: `peakHz` up to the peak, from there falling towards `restHz`; after `fall` frames the
/// difference is 1/e of what it was.
struct Rate {
    double peakHz = 10;
    double restHz = 3;
    double fall = 12;

    bool operator==(const Rate&) const = default;
};

/// Cycles run through since the peak, `frames` frames after it (negative before it). The exact integral of the rate:
/// rest·t + (peak - rest)·fall·(1 - e^(-t/fall)); so the phase never jumps when the rate changes.
double cyclesSincePeak(const Rate& rate, double frames, double framesPerSecond);

/// The same as frames at the rate of the peak: exactly `frames` while the rate does not change, fewer when it falls.
double paceSincePeak(const Rate& rate, double frames);
/// The frames since the peak at which so much pace has gone by: the inverse of it, to a millionth of a frame; 0 for
/// none.
double framesOfPace(const Rate& rate, double pace);

/// One directed blow with rebound: a damped spring that answers an impulse (linear vibration theory). From its first
/// maximum on it follows e^(-ζωt)·(cos ω't + ζ/√(1-ζ²)·sin ω't); before, the rise of the same answer.
struct Kick {
    double damping = 0.25; ///< ζ, the share of critical damping, 0.02 to 0.98

    bool operator==(const Kick&) const = default;
};

/// Half swings until a kick has fallen to 5 %: n = ln 20·√(1-ζ²)/(πζ); and the damping that gives this many.
double reboundsOf(double damping);
double dampingFor(double rebounds);

/// Smooth gradient noise in octaves, each `lacunarity` times as fast and `gain` times as strong as the one before.
struct Noise {
    int octaves = 2;         ///< 1 to 8
    double gain = 0.5;       ///< 0 (smooth) to 1 (jagged)
    double lacunarity = 2.0; ///< 1.2 to 4
    double loop = 0;         ///< swings after which it repeats without a seam; 0 never

    bool operator==(const Noise&) const = default;
};

/// A new random value every `every` frames, held until the next.
struct Jitter {
    double every = 1; ///< 1 to 48

    bool operator==(const Jitter&) const = default;
};

enum class Wave { sine, triangle, square };
enum class PhaseStart { seeded, fixed };

/// Swings to and fro. Each axis has its own frequency and phase. The phases part from the common crest at the peak
/// within one swing. An axis may swing back less far than it swings out.
struct Oscillation {
    Wave wave = Wave::sine;
    PhaseStart start = PhaseStart::seeded;                 ///< seeded adds a phase of its own for each seed and axis
    std::array<double, axisCount> ratio{1, 1, 1, 1, 1, 1}; ///< frequency against the rate, 0.05 to 16
    std::array<double, axisCount> phase{};                 ///< degrees, -180 to 180
    std::array<double, axisCount> back{1, 1, 1, 1, 1, 1};  ///< the way back against the way out, 0 to 1

    bool operator==(const Oscillation&) const = default;
};

/// The keys of each axis.
using AxisKeys = std::array<CurveKeys, axisCount>;

/// Curves drawn by hand, one for each axis, in shares of the amount, -1 to 1. Under an envelope their frames count from
/// its peak, at which they always are 1 (that key need not be there), and before the first and after the last key the
/// value stays.
struct Drawn {
    AxisKeys keys;
    /// The curves are the whole motion, without an envelope, a rate or a side: their frames count from the strike, and
    /// they last from their first key until they are back at rest (see handValue).
    bool asDrawn = false;
    double home = 6; ///< frames in which an axis goes back to rest after its last key, where that is not at rest

    bool operator==(const Drawn&) const = default;
};

/// Sorts keys, keeps the last of several on one frame, moves values into their range and, unless they are as drawn,
/// lifts the peak to 1.
CurveKeys tidied(CurveKeys keys, bool asDrawn);

/// A curve that is drawn without an envelope, `since` frames after the strike: 0 before its first key, the curve to its
/// last, then eased to exactly 0 in `home` frames. Without these the last value stays for its own frame and is gone.
double handValue(const CurveKeys& keys, double home, double since);
/// From when to when it may not be 0, [first, end); nothing of it where there are no keys: end is not after first.
struct HandSpan {
    double first = 0;
    double end = 0;
};
HandSpan handSpan(const CurveKeys& keys, double home);

/// The motion of a real camera. Each seed begins where another violent moment of it falls on the peak; the axes are
/// lifted to 1 there over a quarter of a second either way and are otherwise as filmed, all of the same moment.
struct Captured {
    MotionLoop motion;
    double speed = 1; ///< against how it was filmed, 0.1 to 10

    bool operator==(const Captured&) const = default;
};

using Source = std::variant<Kick, Noise, Jitter, Oscillation, Drawn, Captured>;

/// The names of the sources, in the order of the variant.
inline constexpr std::array<std::string_view, 6> sourceNames{"kick",        "noise", "jitter",
                                                             "oscillation", "drawn", "captured"};
inline constexpr Choices sourceWords{sourceNames};
/// A source of this index with its defaults.
Source sourceOfKind(std::size_t index);

enum class IntermittentMode { off, set, seeded };

/// A gate over any source: it moves, rests, moves again. The first movement begins before the strike and holds the
/// peak. Seeded lengths differ by up to `unevenness` of the set ones; the rhythm stays.
struct Intermittent {
    IntermittentMode mode = IntermittentMode::off;
    double moves = 6;        ///< frames
    double rests = 6;        ///< frames
    double unevenness = 0.6; ///< 0 to 1

    bool operator==(const Intermittent&) const = default;
};

/// Whether a source moves the picture along one line, to both sides of its place, by one value for x and y.
enum class LineMode {
    off,
    direction, ///< along the strike's direction
    set,       ///< at an angle
};
struct Line {
    LineMode mode = LineMode::off;
    double angle = 90; ///< degrees, 0 right, 90 down

    bool operator==(const Line&) const = default;
};

/// How open the gate is `sincePeak` frames after the peak, 0 to 1; opens and closes within at most a frame.
double gateAt(const Intermittent& gate, double sincePeak, std::uint64_t seed);

/// Where in its run a source is asked for its value.
struct SourceMoment {
    double sinceOnset = 0; ///< frames since the attack began, negative during the lead
    double attack = 0;     ///< frames from there to the peak
    double pace = 0;       ///< paceSincePeak at this moment; frames from the strike for curves without an envelope
    double cycles = 0;     ///< cyclesSincePeak at this moment; for a kick since the end of the hold
    double seconds = 0;    ///< the pace in seconds
    bool builds = false;   ///< the lead builds up
};

/// The normalised value of a source on an axis, -1 to 1 and exactly 1 at the peak, whatever the seed. A kick and a
/// drawn curve do not depend on the seed; the others are another run for each. Before the onset all are -1: the lead
/// goes the other way. While a lead builds up only blows and drawn curves do; the others run as they do later. For a
/// captured motion the seed of all axes is the same.
double sourceValue(const Source& source, const SourceMoment& moment, Axis axis, std::uint64_t seed);

/// Gradient noise of one axis without a peak, for motion that runs under a whole shot; -1 to 1, mean 0.
double driftValue(const Noise& noise, double cycles, std::uint64_t seed);
/// The same of a captured motion, which begins anywhere in its round by the seed; 0 where there is none.
double driftValue(const Captured& captured, double seconds, Axis axis, std::uint64_t seed);

/// Well-mixed 64 bits from a seed and two numbers (the SplitMix64 finaliser, Steele, Lea and Flood 2014).
std::uint64_t mixSeed(std::uint64_t seed, std::uint64_t a, std::uint64_t b = 0);
/// Such bits as a number, 0 up to but not 1.
double unitOf(std::uint64_t bits);

} // namespace ember
