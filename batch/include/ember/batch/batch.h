// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <atomic>
#include <iosfwd>
#include <string>
#include <vector>

namespace ember {

/// Exit codes of the batch tool.
inline constexpr int batchOk = 0;
inline constexpr int batchFailed = 1;
inline constexpr int batchUsage = 2;
inline constexpr int batchBeyond = 3; ///< what was checked does not keep a limit

/// Where a command's words go, and what may stop it.
struct BatchStreams {
    std::ostream& out;
    std::ostream& err;
    bool liveProgress = false;               ///< err is a terminal: progress stays on one line
    const std::atomic<bool>* stop = nullptr; ///< set from outside to cancel
};

/// The names of its commands.
std::vector<std::string> batchCommands();

/// Runs one command line (without the program's own name) and returns its exit code.
int runBatch(const std::vector<std::string>& arguments, const BatchStreams& streams);

} // namespace ember
