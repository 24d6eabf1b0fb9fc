// SPDX-License-Identifier: GPL-3.0-or-later
// Inside values: how the tables of fields are made.
#pragma once

#include <array>
#include <string>
#include <utility>
#include <variant>

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

/// Where a value stands in its part: a member, or a member of a member, …
template <auto... path>
struct At {
    template <typename Part>
    static decltype(auto) in(Part& part)
    {
        return (part.*....*path);
    }
};

/// A place in the source of a strand, where it is of this kind.
template <typename Kind, auto... path>
struct AtSource {
    template <typename Part>
    static decltype(auto) in(Part& strand)
    {
        return (std::get<Kind>(strand.source).*....*path);
    }
};

/// The entry of one axis in what stands at a place.
template <typename Place, std::size_t axis>
struct AxisAt {
    template <typename Part>
    static decltype(auto) in(Part& part)
    {
        auto& list = Place::in(part);
        if constexpr (requires { list[allAxes[axis]]; })
            return (list[allAxes[axis]]);
        else
            return (list[axis]);
    }
};

/// A table that is being made.
template <typename Part>
class FieldTable {
public:
    using Only = bool (*)(const Part&);

    /// The key may be another than the spec's, where it is longer.
    template <typename Place>
    FieldTable& add(const FieldSpec& spec, Only only = nullptr, std::string_view key = {})
    {
        fields_.push_back({key.empty() ? spec.key : key, &spec,
                           [](const Part& part) { return static_cast<double>(Place::in(part)); },
                           [](Part& part, double value) {
                               auto&& place = Place::in(part);
                               place = static_cast<std::remove_cvref_t<decltype(place)>>(value);
                           },
                           only});
        return *this;
    }
    template <auto... path>
    FieldTable& with(const FieldSpec& spec, Only only = nullptr)
    {
        return add<At<path...>>(spec, only);
    }
    template <typename Place>
    FieldTable& addAxes(const AxisFields& fields, Only only = nullptr)
    {
        [&]<std::size_t... axis>(std::index_sequence<axis...>)
        {
            (add<AxisAt<Place, axis>>(fields[axis].spec, only, fields[axis].key), ...);
        }
        (std::make_index_sequence<axisCount>());
        return *this;
    }
    FieldTable& add(const FieldOf<Part>& field)
    {
        fields_.push_back(field);
        return *this;
    }

    std::vector<FieldOf<Part>> done() { return std::move(fields_); }

private:
    std::vector<FieldOf<Part>> fields_;
};

} // namespace ember
