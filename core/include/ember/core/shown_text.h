// SPDX-License-Identifier: GPL-3.0-or-later
// Text that comes from files, names and other programs, as it may be shown to people.
#pragma once

#include <cstddef>
#include <string>
#include <string_view>

namespace ember {

/// `text` made fit for one line of a message or a terminal: valid UTF-8, with control characters and escape sequences
/// written out (\n, \x1b), marks that reverse the direction of writing too, and no longer than `longest` characters;
/// what is left out is an ellipsis.
std::string shownText(std::string_view text, std::size_t longest = 80);

/// The same in double quotes.
std::string inQuotes(std::string_view text, std::size_t longest = 80);

/// Valid UTF-8: every byte that belongs to no character is the replacement character (U+FFFD).
std::string validUtf8(std::string_view text);

} // namespace ember
