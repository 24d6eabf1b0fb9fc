// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>

#include "ember/core/error.h"

namespace ember {

/// Holds a file that is read, changed and replaced as a whole, so that two who do that wait for each other. An advisory
/// lock (flock), which the system takes back when the process ends, however it ends.
class FileLock {
public:
    /// Waits until it is free. The file must be there.
    static Result<FileLock> take(const std::string& path);
    FileLock(FileLock&& other) noexcept : file_(other.file_) { other.file_ = -1; }
    FileLock& operator=(FileLock&& other) noexcept;
    FileLock(const FileLock&) = delete;
    FileLock& operator=(const FileLock&) = delete;
    ~FileLock();

private:
    explicit FileLock(int file) : file_(file) {}
    int file_ = -1;
};

} // namespace ember
