// SPDX-License-Identifier: GPL-3.0-or-later
// What people type where a number is wanted: "48/2", "1.5 s", "+10 %", "x2".
#pragma once

#include <optional>
#include <span>
#include <string_view>

namespace ember {

/// A unit that may be typed behind a number, and how many of the value's own units one of it is. Names are told by
/// their first letters: "frames" is also "f".
struct TypedUnit {
    std::string_view name;
    double worth;
};

/// The value becomes factor times itself plus `add`; a typed number that stands alone has factor 0.
struct TypedChange {
    double factor = 0;
    double add = 0;

    double of(double value) const { return factor * value + add; }
    bool relative() const { return factor != 0; }
    bool operator==(const TypedChange&) const = default;
};

/// Reads a number, an expression of + - * / and brackets, or a change of the value that is there: "+10 %" and "-10 %"
/// are a tenth of it more or less, "x2" twice as much. Numbers without a unit are worth `plain`. A decimal comma is a
/// point. Nothing for what cannot be read or is not finite.
std::optional<TypedChange> readTyped(std::string_view text, std::span<const TypedUnit> units, double plain);

} // namespace ember
