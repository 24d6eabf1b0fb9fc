// SPDX-License-Identifier: GPL-3.0-or-later
// What can be made again, kept in the user's cache.
#pragma once

#include <string>
#include <string_view>

namespace ember {

/// The folder `name` of our own in the user's cache (XDG base directory specification, XDG_CACHE_HOME), made or not;
/// empty where there is nowhere to keep anything.
std::string cacheFolder(std::string_view name);

/// A name for a file that stands for a text of any length: FNV-1a, 64 bits, as 16 letters and digits.
std::string nameFor(std::string_view text);

} // namespace ember
