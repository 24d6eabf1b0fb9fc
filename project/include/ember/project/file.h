// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstdint>
#include <string>
#include <string_view>

#include "ember/core/error.h"
#include "ember/core/project.h"
#include "ember/files/whole_file.h"

namespace ember {

/// Version of the `.vember` format written; earlier ones are read too. See docs/file-format.md.
inline constexpr int projectVersion = 17;

/// The project as JSON text. Clip paths are written relative to `folder` (the project file's) where that is possible.
std::string projectToJson(const Project& project, const std::string& folder);

/// The project in a JSON text; `name` is what errors call it. Relative clip paths are resolved against `folder`.
/// Everything is checked: a value that is missing, unknown, out of its range or of the wrong type is an error that
/// names its place, such as "strikes[3].frame".
Result<Project> projectFromJson(std::string_view text, const std::string& folder, const std::string& name);

Result<Project> loadProject(const std::string& path);

/// See writeFileSafely().
Status saveProject(const Project& project, const std::string& path);

} // namespace ember
