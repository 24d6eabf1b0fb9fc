// SPDX-License-Identifier: GPL-3.0-or-later
// The folder in which the parts of something wait until they are joined.
#pragma once

#include "ember/core/error.h"
#include "ember/film/parts.h"

namespace ember {

/// Of all that belongs to a part, without an ending.
std::string partStem(const std::string& out, FilmPart part);

/// Makes a folder for parts, `folder`. An error where the folder of `out` itself is missing.
Status partFolderFor(const std::string& out, const std::string& folder);

/// The count of parts of which all have a record. An error that names those that are missing, and where all are there
/// in two counts.
Result<int> partsThere(const std::string& out);

} // namespace ember
