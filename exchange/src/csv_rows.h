// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>
#include <string_view>
#include <vector>

#include "ember/core/error.h"

namespace ember {

struct CsvRow {
    std::size_t line; ///< counted from 1
    std::vector<std::string> cells;
};

/// Rows of RFC 4180, separated by whichever of comma, semicolon and tab is in the heading most: quoted cells may hold
/// separators, quotes (doubled) and line ends. Empty lines and a byte order mark are passed over.
Result<std::vector<CsvRow>> csvRows(std::string_view text);

} // namespace ember
