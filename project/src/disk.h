// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstdint>
#include <string>

#include "ember/core/error.h"

namespace ember {

/// The whole of a file no larger than `largest` bytes; `what` it should be is told when it is larger.
Result<std::string> readFile(const std::string& path, std::uintmax_t largest, const char* what);

} // namespace ember
