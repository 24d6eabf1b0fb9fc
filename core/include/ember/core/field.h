// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <array>
#include <span>
#include <string_view>

namespace ember {

/// The words a choice is written with, in files and on the command line; its value is their index.
using Choices = std::span<const std::string_view>;

/// Everything about one number that can be set: its key in files, its label and unit on screen, its range,
/// its default and the step of one wheel notch. Files are checked, fields clamp and help is written from it. A choice
/// among words is a number too: the index of the word.
struct FieldSpec {
    std::string_view key;
    std::string_view label;
    std::string_view unit;
    double min;
    double max;
    double fallback;
    double step;
    std::string_view help;
    Choices choices = {};
    bool whole = false; ///< only whole numbers
};

inline constexpr std::array<std::string_view, 2> offOnWords{"off", "on"};
/// The words of a switch.
inline constexpr Choices offOn{offOnWords};

/// A choice as a field.
constexpr FieldSpec choiceField(std::string_view key, std::string_view label, Choices choices, std::size_t fallback,
                                std::string_view help)
{
    return {key, label, "",      0,   static_cast<double>(choices.size() - 1), static_cast<double>(fallback),
            1,   help,  choices, true};
}

/// The value moved into the field's range (and to a whole number where only these count); a value that is not finite
/// becomes the default.
double clampTo(const FieldSpec& spec, double value);

/// True when the value is finite and inside the field's range.
bool inRange(const FieldSpec& spec, double value);

} // namespace ember
