// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string_view>

namespace ember {

/// Everything about one number that can be set: its key in files, its label and unit on screen, its range,
/// its default and the step of one wheel notch. Files are checked, fields clamp and help is written from it.
struct FieldSpec {
    std::string_view key;
    std::string_view label;
    std::string_view unit;
    double min;
    double max;
    double fallback;
    double step;
    std::string_view help;
};

/// The value moved into the field's range; a value that is not finite becomes the default.
double clampTo(const FieldSpec& spec, double value);

/// True when the value is finite and inside the field's range.
bool inRange(const FieldSpec& spec, double value);

} // namespace ember
