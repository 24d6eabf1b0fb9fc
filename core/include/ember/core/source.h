// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <array>
#include <cstdint>
#include <string_view>
#include <variant>
#include <vector>

#include "ember/core/axes.h"
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
    int every = 1; ///< 1 to 48

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

enum class Ease { linear, smooth, hold, in, out, curve };
inline constexpr std::array<std::string_view, 5> easeNames{"linear", "smooth", "hold", "in", "out"};
inline constexpr Choices easeWords{easeNames};
/// The same for drawn keys, which may also have slopes of their own.
inline constexpr std::array<std::string_view, 6> drawnEaseNames{"linear", "smooth", "hold", "in", "out", "curve"};
inline constexpr Choices drawnEaseWords{drawnEaseNames};

/// The share of the way from one key to the next at u (0 to 1): linear; smooth 3u²-2u³; hold 0; in u²; out 1-(1-u)². A
/// curve has slopes and not a share; here it is smooth.
double eased(Ease ease, double u);

/// A key of a drawn curve. `frame` is counted from the peak; the value is a share of the amount, -1 to 1.
struct DrawnKey {
    double frame = 0;
    double value = 0;
    Ease ease = Ease::smooth; ///< on the way to the next key
    double slopeIn = 0;       ///< change a frame with which a curve arrives
    double slopeOut = 0;      ///< and with which it leaves, where `ease` is a curve

    bool operator==(const DrawnKey&) const = default;
};

/// The value between two keys, by the first one's easing; a curve is the cubic with both values and slopes (Hermite).
double valueBetween(const DrawnKey& from, const DrawnKey& to, double frame);

/// The keys of each axis.
using AxisKeys = std::array<std::vector<DrawnKey>, axisCount>;

/// Curves drawn by hand, one for each axis. Keys are in the order of their frames; the key at frame 0, the peak, always
/// is 1 and need not be there. Before the first and after the last key the value stays.
struct Drawn {
    AxisKeys keys;
    /// The curves are the whole motion: not raised to 1 at the peak, not weighed by the envelope, which only says from
    /// when to when, and not turned about by direction or seed. For motion that was measured or turned into keys.
    bool asDrawn = false;

    bool operator==(const Drawn&) const = default;
};

/// Sorts keys, keeps the last of several on one frame, moves values into their range and, unless they are as drawn,
/// lifts the peak to 1.
std::vector<DrawnKey> tidied(std::vector<DrawnKey> keys, bool asDrawn);

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

/// How open the gate is `sincePeak` frames after the peak, 0 to 1; opens and closes within at most a frame.
double gateAt(const Intermittent& gate, double sincePeak, std::uint64_t seed);

/// Where in its run a source is asked for its value.
struct SourceMoment {
    double sinceOnset = 0; ///< frames since the attack began, negative during the lead
    double attack = 0;     ///< frames from there to the peak
    double pace = 0;       ///< paceSincePeak at this moment
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
