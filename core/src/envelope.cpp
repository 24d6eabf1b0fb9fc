// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/core/envelope.h"

#include <algorithm>
#include <cmath>
#include <numbers>

namespace ember {

namespace {

constexpr std::array<std::string_view, 2> leadWords{"swing", "build"};
constexpr std::array<std::string_view, 3> anchorWords{"contact", "first_moved", "peak"};
constexpr std::array<std::string_view, 5> slopeWords{"exponential", "power", "curvature", "linear", "constant"};
constexpr std::array<std::string_view, 3> untilWords{"length", "next_strike", "shot_end"};
/// A rise or a way home cannot be constant.
constexpr Choices slopes(slopeWords.data(), 4);

constexpr std::array<FieldSpec, envelopeFieldCount> specs{{
    {"lead", "Lead", "frames", 0, 48, 0, 1, "Frames before the move in which the picture swings the other way"},
    {"lead_level", "Lead level", "%", 0, 1, 0.12, 0.01, "How far the lead goes, against the peak"},
    choiceField("lead_shape", "Lead shape", leadWords, 0,
                "Swing: gently the other way and back; build: ever faster up to the strike, to throw a cut"),
    {"lead_curve", "Lead curve", "", -12, 12, 4, 0.25, "Bend of a lead that builds up; 0 is straight, 4 comes late"},
    choiceField(
        "anchor", "Anchor", anchorWords, 0,
        "What falls on the strike's frame: contact (at rest, about to move), the first moved frame, or the peak"),
    {"attack", "Attack", "frames", 0, 240, 1, 1, "Frames from rest to the peak; 0 is at the peak at once"},
    choiceField("attack_slope", "Attack slope", slopes, 0, "Family of the rise"),
    {"attack_curve", "Attack curve", "", -12, 12, 0, 0.25, "Bend of the rise; 0 is straight"},
    {"hold", "Hold", "frames", 0, 480, 1, 1, "Frames the peak stays"},
    {"decay", "Decay", "frames", 0, 2400, 20, 1, "Frames from the hold down to the rumble"},
    choiceField("decay_slope", "Decay slope", slopeWords, 0, "Family of the fall; constant stays up to its last frame"),
    {"decay_curve", "Decay curve", "", -12, 12, 4, 0.25, "Bend of the fall: 0 is straight, 4 falls fast and settles"},
    {"rumble", "Rumble", "%", 0, 1, 0.12, 0.01, "Level the shake settles to after the decay; 0 ends it there"},
    choiceField("rumble_until", "Rumble until", untilWords, 0,
                "How long the rumble lasts: its length, until the next strike, or to the end of the shot"),
    {"rumble_length", "Rumble length", "frames", 0, 86400, 48, 1, "Frames the rumble lasts"},
    {"release", "Release", "frames", 0, 2400, 24, 1, "Frames from the rumble back to exact rest"},
    choiceField("release_slope", "Release slope", slopes, 0, "Family of the return to rest"),
    {"release_curve", "Release curve", "", -12, 12, 2, 0.25, "Bend of the return to rest; 0 is straight"},
}};

constexpr std::array<EnvelopeField, envelopeFieldCount> allFields = [] {
    std::array<EnvelopeField, envelopeFieldCount> fields{};
    for (std::size_t i = 0; i < envelopeFieldCount; ++i)
        fields[i] = static_cast<EnvelopeField>(i);
    return fields;
}();

/// For curves of 0 and more.
double bentFall(Slope slope, double u, double curve)
{
    switch (slope) {
    case Slope::power: return std::pow(1.0 - u, 1.0 + curve);
    case Slope::curvature: return (1.0 - u) / (1.0 + curve * u);
    default: {
        const double last = std::expm1(-curve);
        return (std::expm1(-curve * u) - last) / -last;
    }
    }
}

} // namespace

const FieldSpec& specOf(EnvelopeField field)
{
    return specs[static_cast<std::size_t>(field)];
}

std::span<const EnvelopeField> envelopeFields()
{
    return allFields;
}

Envelope::Envelope()
{
    for (std::size_t i = 0; i < envelopeFieldCount; ++i)
        values_[i] = specs[i].fallback;
}

void Envelope::set(EnvelopeField field, double value)
{
    values_[static_cast<std::size_t>(field)] = clampTo(specOf(field), value);
}

Envelope Envelope::with(EnvelopeField field, double value) const
{
    Envelope copy = *this;
    copy.set(field, value);
    return copy;
}

void Envelope::setCurve(CurveKeys keys)
{
    curve_ = inOrder(std::move(keys));
    curveMost_ = mostOfKeys(curve_);
    curvePeak_ = curveHoldEnd_ = 0;
    if (curve_.empty())
        return;
    auto at = std::max_element(curve_.begin(), curve_.end(),
                               [](const CurveKey& a, const CurveKey& b) { return a.value < b.value; });
    curvePeak_ = curveHoldEnd_ = at->frame;
    for (++at; at != curve_.end() && at->value == (at - 1)->value; ++at)
        curveHoldEnd_ = at->frame;
}

Envelope Envelope::inTime(double factor) const
{
    using F = EnvelopeField;
    Envelope other = *this;
    for (const F field : {F::lead, F::attack, F::hold, F::decay, F::rumbleLength, F::release})
        other.values_[static_cast<std::size_t>(field)] *= factor;
    other.setCurve(scaledKeys(curve_, factor, 1));
    return other;
}

double Envelope::onset() const
{
    if (drawn())
        return curve_.front().frame;
    switch (chosen<Anchor>(EnvelopeField::anchor)) {
    case Anchor::contact: return 0;
    case Anchor::firstMoved: return -std::min(1.0, (*this)[EnvelopeField::attack]);
    case Anchor::peak: return -(*this)[EnvelopeField::attack];
    }
    return 0;
}

double Envelope::rumbleEnd() const
{
    if (drawn())
        return end();
    return (*this)[EnvelopeField::rumble] > 0 ? decayEnd() + (*this)[EnvelopeField::rumbleLength] : decayEnd();
}

double Envelope::end() const
{
    if (drawn())
        return curve_.back().frame + (curve_.back().value == 0 ? 0 : 1);
    return (*this)[EnvelopeField::rumble] > 0 ? rumbleEnd() + (*this)[EnvelopeField::release] : decayEnd();
}

double slopeFall(Slope slope, double u, double curve, double length)
{
    if (slope == Slope::constant) {
        const double left = (1.0 - u) * length; // frames
        return left >= 1.0 ? 1.0 : std::max(0.0, left);
    }
    if (slope == Slope::linear || std::abs(curve) < 1e-6)
        return 1.0 - u;
    return curve > 0 ? bentFall(slope, u, curve) : 1.0 - bentFall(slope, 1.0 - u, -curve);
}

double intensityAt(const Envelope& e, double t)
{
    using F = EnvelopeField;
    if (e.drawn())
        return t >= e.start() && t < e.end() ? std::max(0.0, valueOfKeys(e.curve(), t)) : 0.0;
    const double onset = e.onset();
    const double start = onset - e[F::lead];
    if (!(t >= start) || t >= e.end())
        return 0.0;
    const bool builds = e.builds();
    if (builds && t < onset) {
        if (t < onset - leadBreaksOff)
            return e[F::leadLevel] * slopeFall(Slope::exponential,
                                               (onset - leadBreaksOff - t) / std::max(1e-9, e[F::lead] - leadBreaksOff),
                                               e[F::leadCurve], 0);
        t = onset;
    }
    if (t < onset) {
        const double wave = std::sin(std::numbers::pi * (t - onset) / e[F::lead]);
        return e[F::leadLevel] * wave * wave;
    }
    const double peak = onset + e[F::attack];
    const auto fall = [&](F slope, F curve, double from, double length) {
        return slopeFall(e.chosen<Slope>(slope), (t - from) / length, e[curve], length);
    };
    const double from = builds ? e[F::leadLevel] : 0.0;
    if (t < peak)
        return 1.0 - (1.0 - from) * fall(F::attackSlope, F::attackCurve, onset, e[F::attack]);
    const double holdEnd = peak + e[F::hold];
    if (t <= holdEnd)
        return 1.0;
    const double rumble = e[F::rumble];
    const double decayEnd = holdEnd + e[F::decay];
    if (t < decayEnd)
        return rumble + (1.0 - rumble) * fall(F::decaySlope, F::decayCurve, holdEnd, e[F::decay]);
    const double rumbleEnd = e.rumbleEnd();
    if (t < rumbleEnd)
        return rumble;
    return rumble * fall(F::releaseSlope, F::releaseCurve, rumbleEnd, e[F::release]);
}

} // namespace ember
