// SPDX-License-Identifier: GPL-3.0-or-later
// Files that are not finished yet stand beside their targets under hidden names.
#pragma once

#include <string>

namespace ember {

/// ".NAME.HOST-PID.part" beside `path`: of this process on this machine alone.
std::string partName(const std::string& path);

/// Removes the unfinished files of this process: on its way out, when nobody else will.
void removeOwnParts();

/// Removes what processes of this machine that are no more left unfinished of `path`.
void removeLeftParts(const std::string& path);

/// The same of every file in a folder.
void removeLeftPartsIn(const std::string& folder);

} // namespace ember
