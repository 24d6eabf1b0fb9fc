// SPDX-License-Identifier: GPL-3.0-or-later
// Small texts that several rooms write and read alike.
#pragma once

#include <string>
#include <string_view>

namespace ember {

/// The shortest decimal text that reads back as the same number: "0.1", "1e+21".
std::string shortestText(double value);

/// ASCII letters in lower case; all other bytes (also those of UTF-8) stay.
std::string lowered(std::string_view text);

/// The ending of a file's name in lower case, with its dot: ".mp4". Empty where there is none; a name that only begins
/// with a dot has none.
std::string fileEnding(std::string_view path);

} // namespace ember
