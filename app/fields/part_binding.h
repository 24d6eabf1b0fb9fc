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
    ControlGrid::Binding binding;
    binding.read = [&document, part](const std::string& key) -> std::optional<double> {
        const Part* held = part(document.project());
        const FieldOf<Part>* field = held != nullptr ? fieldIn(*held, key) : nullptr;
        return field != nullptr ? std::optional(field->get(*held)) : std::nullopt;
    };
    binding.write = [&document, part, put](const std::string& key, const FieldSpec& spec, double value,
                                           quint64 gesture) {
        Project next = document.project();
        const Part* held = part(next);
        if (held == nullptr)
            return;
        Part changed = *held;
        if (const FieldOf<Part>* field = fieldIn(changed, key))
            field->set(changed, value);
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

/// Some of a part's fields, with other labels than their own where these are not empty.
template <typename Part>
void addAll(ControlGrid& grid, const std::vector<std::pair<const char*, QString>>& keys)
{
    for (const auto& [key, label] : keys)
        if (const FieldOf<Part>* field = fieldOf<Part>(key); field != nullptr)
            grid.add(key, *field->spec, label);
}

} // namespace ember::app
