// SPDX-License-Identifier: GPL-3.0-or-later
#include "scaling.h"

namespace ember {

namespace {

void scale(Envelope& envelope, const Scaling& scaling)
{
    scaleValues(envelope, scaling);
    if (envelope.drawn())
        envelope.setCurve(scaling.of(envelope.curve(), false));
}

AxisKeys scaledAxes(AxisKeys axes, const Scaling& scaling)
{
    for (CurveKeys& keys : axes) // shares of the strand's amounts
        keys = scaling.of(std::move(keys), false);
    return axes;
}

Curves scaledCurves(const Curves& curves, const Recipe& recipe, const Scaling& scaling)
{
    Curves out;
    for (const auto& [key, keys] : curves.all()) {
        const FieldSpec* spec = curveSpecOf(recipe, key);
        out.set(key, scaling.of(keys, spec != nullptr && spec->unit == "px"));
    }
    return out;
}

/// The last part of a whole key: "every" of "strand.Rattle.every".
std::string_view fieldKey(std::string_view key)
{
    return key.substr(key.rfind('.') + 1);
}

} // namespace

Recipe scaledBy(Recipe recipe, const Scaling& scaling)
{
    recipe.curves = scaledCurves(recipe.curves, recipe, scaling);
    scale(recipe.envelope, scaling);
    scaleValues(recipe.effects, scaling);
    for (Strand& strand : recipe.strands) {
        scaleValues(strand, scaling);
        if (strand.envelope)
            scale(*strand.envelope, scaling);
        if (auto* drawn = std::get_if<Drawn>(&strand.source))
            drawn->keys = scaledAxes(std::move(drawn->keys), scaling);
    }
    return recipe;
}

Overrides scaledBy(const Overrides& overrides, const Recipe& recipe, const Scaling& scaling)
{
    Overrides out;
    for (const auto& [key, value] : overrides.all()) {
        const FieldSpec* spec = specOfValue(recipe, key);
        out.set(key, spec != nullptr ? scaling.of(*spec, fieldKey(key), value) : value);
    }
    for (const auto& [strand, keys] : overrides.drawn())
        out.setKeys(strand, scaledAxes(keys, scaling));
    const Curves curves = scaledCurves(overrides.curves(), recipe, scaling);
    for (const auto& [key, keys] : curves.all())
        out.setCurve(key, keys);
    return out;
}

} // namespace ember
