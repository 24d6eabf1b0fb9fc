// SPDX-License-Identifier: GPL-3.0-or-later
// Controls bound to values of a part of the project.
#pragma once

#include <utility>
#include <vector>

#include "ember/core/values.h"
#include "text.h"
#include "value_control.h"
#include "words.h"

namespace ember::app {

/// Values of one part of the project.
template <typename Part>
ControlGrid::Binding partBinding(OpenDocument& document, const std::function<const Part*(const Project&)>& part,
                                 const std::function<void(Project&, const Part&)>& put)
{
    const auto find = [](Part& held, const std::string& key) -> std::optional<Value> {
        for (Value& value : valuesOf(held))
            if (value.key == key)
                return value;
        return std::nullopt;
    };
    ControlGrid::Binding binding;
    binding.read = [&document, part, find](const std::string& key) -> std::optional<double> {
        const Part* held = part(document.project());
        if (held == nullptr)
            return std::nullopt;
        Part copy = *held;
        const auto value = find(copy, key);
        return value ? std::optional(value->get()) : std::nullopt;
    };
    binding.write = [&document, part, put, find](const std::string& key, const FieldSpec& spec, double value,
                                                 quint64 gesture) {
        Project next = document.project();
        const Part* held = part(next);
        if (held == nullptr)
            return;
        Part changed = *held;
        if (const auto place = find(changed, key))
            place->set(value);
        put(next, changed);
        document.edit(std::move(next), valueSentence(key, spec, value), gesture);
    };
    return binding;
}

template <typename Part>
ControlGrid::Binding memberBinding(OpenDocument& document, Part Project::*member, const char* prefix)
{
    auto binding = partBinding<Part>(
        document, [member](const Project& p) { return &(p.*member); },
        [member](Project& p, const Part& part) { p.*member = part; });
    binding.keyFor = [prefix](const std::string& key) { return toQString(prefix + key); };
    return binding;
}

template <typename Part>
void addAll(ControlGrid& grid, Part sample, const std::vector<std::pair<const char*, QString>>& keys)
{
    const Values values = valuesOf(sample);
    for (const auto& [key, label] : keys)
        for (const Value& value : values)
            if (value.key == key)
                grid.add(value.key, *value.spec, label);
}

} // namespace ember::app
