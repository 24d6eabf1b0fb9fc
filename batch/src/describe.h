// SPDX-License-Identifier: GPL-3.0-or-later
// What the batch tool says of itself, made of its own commands and options.
#pragma once

#include <string>

#include <CLI/CLI.hpp>

namespace ember {

/// Its manual page, for man(1).
std::string manualOf(const CLI::App& app, const std::string& version);
/// Completion of commands, options and their words for bash.
std::string bashCompletionOf(const CLI::App& app);

} // namespace ember
