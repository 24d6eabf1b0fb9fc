// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>
#include <utility>
#include <vector>

#include "ember/core/error.h"
#include "ember/core/project.h"

namespace ember {

/// A value of a project by its key, as text: ("overlap.rule", "restart"), ("strike.2.strength", "80%"). docs/batch.md
/// lists the keys.
using Setting = std::pair<std::string, std::string>;

/// "KEY=VALUE" taken apart at the first "="; an error when there is none.
Result<Setting> settingFromText(const std::string& text);

/// The project with these settings, made in their order. Strikes are counted from 1 in the order they had before.
/// An error, which names the key and what it should have been, leaves nothing half done: the project is not returned.
Result<Project> withSettings(Project project, const std::vector<Setting>& settings);

/// Every key that can be set, with its value.
std::vector<Setting> settingsOf(const Project& project);

/// "KEY=VALUE" on one line, which settingFromText() reads back to the same, whatever names are in it: \= in a key, \n,
/// \r and \\ in both.
std::string settingText(const Setting& setting);

} // namespace ember
