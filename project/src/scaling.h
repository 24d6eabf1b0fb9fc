// SPDX-License-Identifier: GPL-3.0-or-later
// Recipes and what strikes set of them, in other pixels and frames.
#pragma once

#include <cmath>

#include "ember/core/project.h"
#include "ember/core/values.h"

namespace ember {

/// What is multiplied.
struct Scaling {
    double distance = 1; ///< pixels, kept to a tenth
    double time = 1;     ///< frames, kept whole and at least one where there were any

    /// A value of a field; one of another unit is as it was.
    double of(const FieldSpec& spec, std::string_view key, double value) const
    {
        if (spec.unit == "px" || spec.unit == "px/s")
            return distance == 1 ? value : std::round(value * distance * 10) / 10;
        if (spec.unit == "frames" && key != "every" && value > 0) // jitter stays on every frame
            return time == 1 ? value : std::max(1.0, std::round(value * time));
        return value;
    }
    /// Keys over frames, whose values have this unit.
    CurveKeys of(CurveKeys keys, bool pixels) const
    {
        keys = scaledKeys(std::move(keys), time, pixels ? distance : 1);
        for (CurveKey& key : keys)
            key.frame = std::round(key.frame * 100) / 100;
        return inOrder(std::move(keys));
    }
};

template <typename Part>
void scaleValues(Part& part, const Scaling& scaling)
{
    for (const FieldOf<Part>& field : fieldsOf<Part>())
        if (field.in(part))
            field.set(part, scaling.of(*field.spec, field.key, field.get(part)));
}

Recipe scaledBy(Recipe recipe, const Scaling& scaling);
/// `recipe`: the one whose values these are, before it was scaled.
Overrides scaledBy(const Overrides& overrides, const Recipe& recipe, const Scaling& scaling);

} // namespace ember
