// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/core/field.h"

#include <algorithm>
#include <cmath>

namespace ember {

double clampTo(const FieldSpec& spec, double value)
{
    return std::isfinite(value) ? std::clamp(value, spec.min, spec.max) : spec.fallback;
}

bool inRange(const FieldSpec& spec, double value)
{
    return std::isfinite(value) && value >= spec.min && value <= spec.max;
}

} // namespace ember
