// SPDX-License-Identifier: GPL-3.0-or-later
// Whole files in and out.
#pragma once

#include <cstdint>
#include <ctime>
#include <optional>
#include <string>
#include <string_view>

#include "ember/core/error.h"

namespace ember {

/// The whole of a regular file no larger than `largest` bytes; `what` it should be ("a project") is told when it is
/// larger. Pipes, devices and sockets are refused: they may never end.
Result<std::string> readFile(const std::string& path, std::uintmax_t largest, const char* what);

/// Writes beside the target and renames, so that what stood there before is whole until the new file is. A symbolic
/// link is followed and stays; the mode, and where that is allowed the owner, of the file are kept.
Status writeFileSafely(const std::string& path, std::string_view text);

/// Where writing to `path` ends up: symbolic links followed, also one whose target is not there (yet).
std::string behindLinks(const std::string& path);

/// Why a path cannot be opened to be read; nothing where it is a regular file.
std::optional<Error> notRegular(const std::string& path);

/// What tells one content of a file from another without reading it.
struct FileStamp {
    std::uint64_t device = 0;
    std::uint64_t inode = 0;
    std::int64_t bytes = -1; ///< -1: there is no such file
    std::int64_t seconds = 0;
    std::int64_t nanoseconds = 0;

    bool operator==(const FileStamp&) const = default;
};
FileStamp stampOf(const std::string& path);

} // namespace ember
