// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <array>
#include <cstddef>
#include <optional>
#include <span>

#include "ember/core/curve.h"
#include "ember/core/field.h"

namespace ember {

/// The values an envelope is made of, in the order of time.
enum class EnvelopeField : std::size_t {
    lead,
    leadLevel,
    leadShape, ///< a LeadShape
    leadCurve,
    anchor, ///< an Anchor
    attack,
    attackSlope, ///< a Slope
    attackCurve,
    hold,
    decay,
    decaySlope, ///< a Slope
    decayCurve,
    rumble,
    rumbleUntil, ///< a RumbleUntil
    rumbleLength,
    release,
    releaseSlope, ///< a Slope
    releaseCurve,
};
inline constexpr std::size_t envelopeFieldCount = 18;

const FieldSpec& specOf(EnvelopeField field);
/// Every envelope field, in order.
std::span<const EnvelopeField> envelopeFields();

/// What comes before the onset.
enum class LeadShape {
    swing, ///< a gentle swing the other way and back
    build, ///< it builds up, ever faster, and breaks off in the attack: what throws one shot into the next
};

/// Which moment of the envelope falls on the strike's frame.
enum class Anchor {
    contact,    ///< the picture is at rest on the strike's frame and sets off from it
    firstMoved, ///< the strike's frame is the first one that has moved
    peak,       ///< the strike's frame is the peak
};

/// The family of a slope. `curve` bends the first three: 0 is straight in each, positive falls fast first.
enum class Slope {
    exponential, ///< e^(-ku), as the slopes of computer music's envelope generators
    power,       ///< (1-u)^(1+k): 1 is squared, 2 cubed
    curvature,   ///< (1-u)/(1+ku): one hyperbola from straight to a corner
    linear,      ///< straight whatever the curve
    constant,    ///< stays up and drops within its last frame
};

/// How long the rumble lasts.
enum class RumbleUntil {
    length,     ///< its own length
    nextStrike, ///< until the film's next strike, then released
    shotEnd,    ///< to the last frame of the shot
};

/// How strongly a strike is felt over time. Lengths are in frames, levels are ratios of the peak (0 to 1).
///
/// Time 0 is the strike. The attack rises from 0 at onset() to 1 at peak(); the hold stays there; the decay falls to
/// the rumble level, which lasts `rumbleLength` and is released to exactly 0. A lead, if any, swings gently the other
/// way before the onset; or, from a frame on, it builds up to its level, and the attack goes on from there. It has
/// built up half a frame before the onset, where two shots meet, so that no open shutter sees both.
///
/// A curve may stand in place of this shape: keys over frames from the strike, values in ratios, any number of bumps.
/// Its first key is the onset, its first largest one the peak; it is felt from its first key to its last, and for one
/// frame more where that is not 0. The shape's values are kept beside it.
class Envelope {
public:
    Envelope();

    double operator[](EnvelopeField field) const { return values_[static_cast<std::size_t>(field)]; }
    /// The value is moved into the field's range; what is not finite becomes the default.
    void set(EnvelopeField field, double value);
    Envelope with(EnvelopeField field, double value) const;
    /// The curve in place of the shape; without keys the shape counts.
    const CurveKeys& curve() const { return curve_; }
    bool drawn() const { return !curve_.empty(); }
    void setCurve(CurveKeys keys);
    /// What it never goes beyond.
    double most() const { return drawn() ? curveMost_ : 1.0; }
    /// All lengths times a factor, beyond their ranges if need be.
    Envelope inTime(double factor) const;

    /// A choice as what it stands for: chosen<Slope>(EnvelopeField::decaySlope).
    template <typename Choice>
    Choice chosen(EnvelopeField field) const
    {
        return static_cast<Choice>(static_cast<int>((*this)[field]));
    }

    /// Frames from the strike at which each part begins or ends.
    double start() const { return drawn() ? onset() : onset() - (*this)[EnvelopeField::lead]; }
    double onset() const;
    bool builds() const
    {
        return !drawn() && (*this)[EnvelopeField::lead] >= 1 &&
               chosen<LeadShape>(EnvelopeField::leadShape) == LeadShape::build;
    }
    double attack() const { return drawn() ? curvePeak_ - curve_.front().frame : (*this)[EnvelopeField::attack]; }
    double peak() const { return drawn() ? curvePeak_ : onset() + (*this)[EnvelopeField::attack]; }
    double holdEnd() const { return drawn() ? curveHoldEnd_ : peak() + (*this)[EnvelopeField::hold]; }
    double decayEnd() const { return drawn() ? end() : holdEnd() + (*this)[EnvelopeField::decay]; }
    double rumbleEnd() const;
    /// From here on the intensity is exactly 0.
    double end() const;

    bool operator==(const Envelope&) const = default;

private:
    std::array<double, envelopeFieldCount> values_{};
    CurveKeys curve_;
    double curvePeak_ = 0;    ///< frame of its first largest key
    double curveHoldEnd_ = 0; ///< of the last one after it that is as large
    double curveMost_ = 0;
};

/// How long before the onset a lead that builds up breaks off, in frames.
inline constexpr double leadBreaksOff = 0.5;

/// Intensity at `t` frames from the strike, 0 to 1; exactly 0 outside [start, end), exactly 1 from the peak to the end
/// of the hold; of a curve its value, 0 where that is below. How long the rumble lasts is taken from `rumbleLength`
/// (see envelopeOf in project.h for the others).
double intensityAt(const Envelope& envelope, double t);

/// The shape as a curve that never goes beside it by more than `tolerance`, on whole frames and where its parts meet.
CurveKeys curveOfShape(const Envelope& envelope, double tolerance = 0.002);
/// The shape whose intensity comes nearest to a curve on half frames, and how far it is beside it; nothing where the
/// curve has no peak to begin from. The other values are those of `like`.
struct FittedShape {
    Envelope envelope;
    double off = 0;
};
std::optional<FittedShape> shapeOfCurve(const CurveKeys& keys, const Envelope& like);

/// A slope from 1 at u = 0 to 0 at u = 1, both exact, over `length` frames.
/// A negative curve is the same slope upside down: f₋ₖ(u) = 1 - fₖ(1-u).
double slopeFall(Slope slope, double u, double curve, double length);

} // namespace ember
