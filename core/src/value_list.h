// SPDX-License-Identifier: GPL-3.0-or-later
// Inside values: how the lists of values are made.
#pragma once

#include <array>
#include <string>

#include "ember/core/values.h"

namespace ember {

struct AxisField {
    std::string key; ///< "amount.x"
    FieldSpec spec;
};
using AxisFields = std::array<AxisField, axisCount>;

/// One field for each axis; `make` gives it without its key.
template <typename Make>
AxisFields perAxis(std::string_view key, Make make)
{
    AxisFields fields;
    for (const Axis axis : allAxes) {
        auto& field = fields[static_cast<std::size_t>(axis)];
        field.key = std::string(key) + "." + std::string(axisName(axis));
        field.spec = make(axis);
    }
    return fields;
}

/// Switches for each axis: "axis.x", …
const AxisFields& axisSwitches();

template <typename T>
void add(Values& values, const FieldSpec& spec, T& place)
{
    values.push_back({std::string(spec.key), &spec, ValuePlace(place)});
}

template <typename List>
void addAxes(Values& values, const AxisFields& fields, List& list)
{
    for (std::size_t i = 0; i < axisCount; ++i)
        values.push_back({fields[i].key, &fields[i].spec, ValuePlace(list[i])});
}

} // namespace ember
