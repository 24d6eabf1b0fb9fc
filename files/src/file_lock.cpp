// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/files/file_lock.h"

#include <cerrno>
#include <cstring>
#include <fcntl.h>
#include <sys/file.h>
#include <sys/stat.h>
#include <unistd.h>
#include <utility>

#include "ember/files/whole_file.h"

namespace ember {

Result<FileLock> FileLock::take(const std::string& path)
{
    for (;;) {
        FileLock lock(::open(path.c_str(), O_RDONLY | O_CLOEXEC | O_NONBLOCK));
        if (lock.file_ < 0) {
            const bool missing = errno == ENOENT || errno == ENOTDIR;
            return Error{missing ? ErrorCode::notFound : ErrorCode::unreadable, path,
                         missing ? "" : std::strerror(errno)};
        }
        if (::flock(lock.file_, LOCK_EX) != 0) {
            if (errno == EINTR)
                continue;
            return lock; // a file system without locks: as it was before there were any
        }
        // Whoever held it may have put another file in its place, which is the one to hold.
        struct stat held {};
        struct stat now {};
        if (::fstat(lock.file_, &held) == 0 && ::stat(path.c_str(), &now) == 0 && held.st_ino == now.st_ino &&
            held.st_dev == now.st_dev)
            return lock;
    }
}

FileLock& FileLock::operator=(FileLock&& other) noexcept
{
    std::swap(file_, other.file_);
    return *this;
}

FileLock::~FileLock()
{
    if (file_ >= 0)
        ::close(file_);
}

} // namespace ember
