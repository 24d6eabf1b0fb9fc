// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <array>
#include <cstddef>
#include <optional>
#include <span>

#include "ember/core/field.h"

namespace ember {

/// The numbers an envelope is made of, in the order of time.
enum class EnvelopeField : std::size_t {
    lead,
    leadLevel,
    attack,
    attackCurve,
    hold,
    decay,
    decayCurve,
    rumble,
    rumbleLength,
    release,
    releaseCurve,
};
inline constexpr std::size_t envelopeFieldCount = 11;

const FieldSpec& specOf(EnvelopeField field);
/// Every envelope field, in order.
std::span<const EnvelopeField> envelopeFields();

/// How strongly a strike is felt over time. Lengths are in frames, levels are ratios of the peak (0 to 1), curves
/// bend a slope: 0 is straight, positive falls fast first and slowly later, negative the other way.
///
/// Time 0 is the strike. A lead, if any, swings gently the other way before it. The attack rises from 0 at time 0 to 1
/// at `attack`; the hold stays there; the decay falls to the rumble level, which lasts `rumbleLength` and is released
/// to exactly 0.
class Envelope {
public:
    Envelope();

    double operator[](EnvelopeField field) const { return values_[static_cast<std::size_t>(field)]; }
    /// The value is moved into the field's range; what is not finite becomes the default.
    void set(EnvelopeField field, double value);
    Envelope with(EnvelopeField field, double value) const;

    /// Frames from the strike at which each part ends (the start of the lead is negative).
    double start() const { return -(*this)[EnvelopeField::lead]; }
    double peak() const { return (*this)[EnvelopeField::attack]; }
    double holdEnd() const { return peak() + (*this)[EnvelopeField::hold]; }
    double decayEnd() const { return holdEnd() + (*this)[EnvelopeField::decay]; }
    double rumbleEnd() const;
    /// From here on the intensity is exactly 0.
    double end() const;

    bool operator==(const Envelope&) const = default;

private:
    std::array<double, envelopeFieldCount> values_{};
};

/// Intensity at `t` frames from the strike, 0 to 1; exactly 0 outside [start, end), exactly 1 from the peak to the end
/// of the hold.
double intensityAt(const Envelope& envelope, double t);

/// A slope from 1 at u = 0 to 0 at u = 1, both exact: (e^(-ku) - e^-k) / (1 - e^-k), a straight line for k = 0.
/// The exponential ease of computer music's envelope generators.
double slopeFall(double u, double curve);

/// The values of an envelope that a strike sets for itself; the others follow its recipe.
class EnvelopeOverrides {
public:
    std::optional<double> operator[](EnvelopeField field) const { return values_[static_cast<std::size_t>(field)]; }
    /// Clamped like Envelope::set.
    void set(EnvelopeField field, double value);
    void clear(EnvelopeField field) { values_[static_cast<std::size_t>(field)].reset(); }
    bool empty() const;
    /// The recipe's envelope with these values in place of its own.
    Envelope appliedTo(Envelope base) const;

    bool operator==(const EnvelopeOverrides&) const = default;

private:
    std::array<std::optional<double>, envelopeFieldCount> values_{};
};

} // namespace ember
