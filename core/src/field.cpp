// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/core/field.h"

#include <algorithm>
#include <cmath>

namespace ember {

double clampTo(const FieldSpec& spec, double value)
{
    if (!std::isfinite(value))
        return spec.fallback;
    return std::clamp(spec.whole ? std::round(value) : value, spec.min, spec.max);
}

bool inRange(const FieldSpec& spec, double value)
{
    return std::isfinite(value) && value >= spec.min && value <= spec.max &&
           (!spec.whole || value == std::floor(value));
}

} // namespace ember
