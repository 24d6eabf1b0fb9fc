// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/core/envelope.h"

#include <algorithm>
#include <cmath>
#include <numbers>

namespace ember {

namespace {

constexpr std::array<FieldSpec, envelopeFieldCount> specs{{
    {"lead", "Lead", "frames", 0, 48, 0, 1, "Frames before the strike in which the picture swings the other way"},
    {"lead_level", "Lead level", "%", 0, 0.5, 0.12, 0.01, "How far the lead swings back, against the peak"},
    {"attack", "Attack", "frames", 0, 240, 1, 1, "Frames from the strike to the peak; 0 peaks on the strike itself"},
    {"attack_curve", "Attack curve", "", -12, 12, 0, 0.25, "Bend of the rise; 0 is straight"},
    {"hold", "Hold", "frames", 0, 480, 1, 1, "Frames the peak stays"},
    {"decay", "Decay", "frames", 0, 2400, 20, 1, "Frames from the hold down to the rumble"},
    {"decay_curve", "Decay curve", "", -12, 12, 4, 0.25, "Bend of the fall: 0 is straight, 4 falls fast and settles"},
    {"rumble", "Rumble", "%", 0, 1, 0.12, 0.01, "Level the shake settles to after the decay; 0 ends it there"},
    {"rumble_length", "Rumble length", "frames", 0, 86400, 48, 1, "Frames the rumble lasts"},
    {"release", "Release", "frames", 0, 2400, 24, 1, "Frames from the rumble home to exact rest"},
    {"release_curve", "Release curve", "", -12, 12, 2, 0.25, "Bend of the way home; 0 is straight"},
}};

constexpr std::array<EnvelopeField, envelopeFieldCount> allFields{
    EnvelopeField::lead,         EnvelopeField::leadLevel, EnvelopeField::attack,      EnvelopeField::attackCurve,
    EnvelopeField::hold,         EnvelopeField::decay,     EnvelopeField::decayCurve,  EnvelopeField::rumble,
    EnvelopeField::rumbleLength, EnvelopeField::release,   EnvelopeField::releaseCurve};

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

double Envelope::rumbleEnd() const
{
    return (*this)[EnvelopeField::rumble] > 0 ? decayEnd() + (*this)[EnvelopeField::rumbleLength] : decayEnd();
}

double Envelope::end() const
{
    return (*this)[EnvelopeField::rumble] > 0 ? rumbleEnd() + (*this)[EnvelopeField::release] : decayEnd();
}

double slopeFall(double u, double curve)
{
    if (std::abs(curve) < 1e-6)
        return 1.0 - u;
    const double last = std::expm1(-curve);
    return (std::expm1(-curve * u) - last) / -last;
}

double intensityAt(const Envelope& e, double t)
{
    using F = EnvelopeField;
    if (!(t >= e.start()) || t >= e.end())
        return 0.0;
    if (t < 0) {
        const double wave = std::sin(std::numbers::pi * t / e[F::lead]);
        return e[F::leadLevel] * wave * wave;
    }
    if (t < e.peak())
        return 1.0 - slopeFall(t / e[F::attack], e[F::attackCurve]);
    if (t <= e.holdEnd())
        return 1.0;
    const double rumble = e[F::rumble];
    if (t < e.decayEnd())
        return rumble + (1.0 - rumble) * slopeFall((t - e.holdEnd()) / e[F::decay], e[F::decayCurve]);
    if (t < e.rumbleEnd())
        return rumble;
    return rumble * slopeFall((t - e.rumbleEnd()) / e[F::release], e[F::releaseCurve]);
}

void EnvelopeOverrides::set(EnvelopeField field, double value)
{
    values_[static_cast<std::size_t>(field)] = clampTo(specOf(field), value);
}

bool EnvelopeOverrides::empty() const
{
    return std::none_of(values_.begin(), values_.end(), [](const auto& v) { return v.has_value(); });
}

Envelope EnvelopeOverrides::appliedTo(Envelope base) const
{
    for (const auto field : allFields)
        if (const auto value = (*this)[field])
            base.set(field, *value);
    return base;
}

} // namespace ember
