// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>
#include <string_view>

namespace ember {

/// A cell of RFC 4180: in quotes where it has a separator, a quote or a line end in it.
std::string csvCell(std::string_view text);

/// A cell of free text that no spreadsheet takes for a formula: what begins with = + - @ or a tab gets a leading
/// apostrophe (as does what begins with apostrophes before one of these, so that textOfCsv() finds it again).
std::string csvText(std::string_view text);
/// What csvText() was made of, without the quotes.
std::string_view textOfCsv(std::string_view cell);

} // namespace ember
