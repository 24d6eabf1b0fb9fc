// SPDX-License-Identifier: GPL-3.0-or-later
// Inside motion: the strikes that meet by one overlap rule.
#pragma once

#include <array>
#include <complex>
#include <cstdint>
#include <limits>
#include <vector>

#include "ember/core/axes.h"
#include "ember/core/motion.h"
#include "ember/core/project.h"

namespace ember {

/// The motion of a recipe, compiled: everything that its strikes share.
struct Score {
    struct Voice {
        Axis axis;
        double amount;
        std::int8_t curve = -1; ///< of the part's curves, in place of the amount
    };
    struct Part {
        Source source;
        Rate rate;
        Intermittent intermittent;
        Envelope envelope;
        bool ownEnvelope = false; ///< else the envelope is the recipe's, whose level is known already
        bool kick = false;
        bool asDrawn = false; ///< by hand: without an envelope
        HandSpan hand;        ///< from when to when its curves are
        bool filmed = false;  ///< by a camera
        int salt = 1;
        double most = 1; ///< what its source never goes beyond, without a sign; infinite where that is not known
        std::uint8_t voiceCount = 0;
        std::array<Voice, axisCount> voices{};
        Curve rateCurve;                   ///< in place of the rate
        std::vector<Curve> curves;         ///< of the amounts
        LineMode line = LineMode::off;     ///< then x and y have one value
        std::array<double, 2> lineAlong{}; ///< where the angle is set
    };
    bool byHand = false; ///< nothing in it is weighed by the recipe's envelope
    bool pivots = false;
    double pivotX = 0; ///< pixels from the frame's middle
    double pivotY = 0;
    Curve pivotCurveX; ///< the same, where it moves
    Curve pivotCurveY;
    Envelope envelope;
    std::vector<Part> parts;
    double start = 0; ///< frames from the strike to the first and past the last movement
    double end = 0;

    /// Width and height in pixels: pivots are ratios of them.
    Score(const Recipe& recipe, int width, int height);
    /// What it is felt with, for the ones to which the others give way.
    double peak() const { return byHand ? handPeak : envelope.peak(); }
    double handPeak = 0; ///< frame of the largest key of all curves by hand
};

/// What strikes together do at an instant. Zoom z and roll θ about a point p move the picture's middle by (1 -
/// z·e^iθ)·p (points as complex numbers, from the frame's middle). Where strikes meet each keeps its own point to first
/// order, and to the last bit where they all have the same.
struct Felt {
    AxisValues axes;
    bool pivoted = false;
    std::complex<double> shift;  ///< Σ (1 - z·e^iθ)·p
    std::complex<double> turned; ///< Σ (1 - z·e^iθ)
    std::complex<double> points; ///< Σ weight·p
    double weights = 0;          ///< how much each zooms and rolls

    /// Takes what one strike does, zoom as a difference and roll in degrees, about its point.
    void add(double zoom, double roll, std::complex<double> point);
    void add(const Felt& other, double gain);
    /// How far all of it together moves the picture's middle where the whole zoom and roll are these.
    std::complex<double> middleMoves(double zoom, double roll) const;
};

/// Which axes the film lets move.
using AxesOn = std::array<bool, axisCount>;

/// How far settle marks have let a strike down, 1 to 0.
double settledTo(const Settling& settling, FrameTime time);

/// The seed a strike moves by, and the direction it has of its own or from that seed, in degrees.
std::uint32_t seedOf(const Strike& strike, const Recipe& recipe);
double directionOf(const Strike& strike, std::uint32_t seed);
/// Cosine or sine of a direction; whole quarter turns are exact, so that a landing has no sideways motion at all.
double alongAxis(double degrees, Axis axis);

/// A strike ready to be felt. One cache line, because a film may have thousands: what is shared is in the score.
struct alignas(64) Hit {
    double frame = 0;
    double strength = 0;
    double settle = 0;       ///< where a mark begins to end it; infinite without one
    double settleFrames = 0; ///< how long that takes
    double along[2]{};       ///< cosine and sine of the direction
    std::uint32_t score = 0;
    std::uint32_t seed = 0;
    std::array<std::int8_t, axisCount> side{}; ///< which way each axis moves first: 1 or -1
    bool lead = true;                          ///< false: a settle mark took it
    bool hasDirection = false;

    /// Where a later mark cuts it stands in its span.
    Settling settling() const { return {settle, settleFrames, std::numeric_limits<double>::infinity()}; }
};

/// Finds what runs at an instant: spans sorted into rows of cells, each row with cells four times as long as the row
/// before, each span in the row whose cells are at least as long as it. An instant looks at one cell in each row.
class SpanIndex {
public:
    struct Span {
        double start = 0;
        double end = 0;
    };
    SpanIndex() = default;
    explicit SpanIndex(const std::vector<Span>& spans);

    /// Calls visit(i) for every span with start <= time < end, in an order that does not depend on `time`.
    template <typename Visit>
    void at(double time, Visit&& visit) const
    {
        for (const Row& row : rows_) {
            const double cell = (time - row.origin) * row.perCell;
            if (!(cell >= 0) || cell >= row.cells)
                continue;
            const auto c = static_cast<std::size_t>(cell) + row.firstOffset;
            for (auto i = offsets_[c]; i < offsets_[c + 1]; ++i)
                if (const Entry& entry = entries_[i]; entry.span.start <= time && time < entry.span.end)
                    visit(entry.index);
        }
    }

private:
    struct Row {
        double origin;
        double perCell; ///< cells per frame
        double cells;
        std::size_t firstOffset;
    };
    struct Entry {
        Span span;
        std::uint32_t index;
    };
    std::vector<Row> rows_;
    std::vector<std::uint32_t> offsets_;
    std::vector<Entry> entries_;
};

class Stage {
public:
    /// The strikes of this group ("" for those without one).
    Stage(const Project& project, const std::string& group, const Overlap& overlap, const AxesOn& axesOn);

    bool empty() const { return hits_.empty(); }
    const std::vector<StrikeSpan>& spans() const { return spans_; }

    /// Adds what no axis goes beyond at any instant from `from` to `to`; false where that is not known.
    bool addMost(AxisValues& most, FrameTime from, FrameTime to) const;
    /// The farthest point any of its strikes goes about, in pixels from the frame's middle.
    double farthestPivot() const;

    /// Adds what is felt at `time` and lifts `intensity` to the strongest.
    void addTo(Felt& sum, double& intensity, FrameTime time) const;

private:
    void prepare(const Project& project, const Strike& strike, std::uint32_t score);
    double levelOf(const Hit& hit, FrameTime time) const;
    /// Adds `share` of what a strike does and returns how strongly that is felt.
    double addHit(Felt& sum, const Hit& hit, FrameTime time, double share) const;
    /// The same, and nothing once its span is over.
    double addWithin(Felt& sum, std::size_t i, FrameTime time, double share) const
    {
        return time < spans_[i].end ? addHit(sum, hits_[i], time, share) : 0.0;
    }
    void addAll(Felt& sum, double& intensity, FrameTime time) const;
    void addStronger(Felt& sum, double& intensity, FrameTime time) const;
    void addNewest(Felt& sum, double& intensity, FrameTime time) const;
    /// The strongest running strike, -1 when none runs; of equals the newer.
    std::int64_t strongestAt(FrameTime time) const;

    double framesPerSecond_;
    Overlap overlap_;
    AxesOn axesOn_;
    std::vector<Score> scores_;
    std::vector<Hit> hits_; ///< by start, like spans_
    std::vector<StrikeSpan> spans_;
    SpanIndex index_;
};

} // namespace ember
