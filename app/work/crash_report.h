// SPDX-License-Identifier: GPL-3.0-or-later
// What is known when the program ends by a fault: written to a file that stays on the machine.
#pragma once

#include <optional>
#include <string>
#include <string_view>

namespace ember::app::crash {

/// From now on a fault (SIGSEGV, SIGABRT, SIGBUS, SIGFPE, SIGILL) writes a report into this folder, which is made: the
/// version, the signal, what was done last, and the calls that led there. The program then ends by the fault as it
/// would have. Once in a program's life.
void watch(const std::string& folder, const std::string& version);

/// Notes what was done, for the report: the last forty lines of at most 159 bytes are kept, in memory only.
void note(std::string_view what);

/// The newest report of a folder; nothing where there is none.
std::optional<std::string> newestReport(const std::string& folder);

/// Deletes all reports of a folder but the newest `keep`.
void tidy(const std::string& folder, std::size_t keep);

} // namespace ember::app::crash
