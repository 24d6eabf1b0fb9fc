// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/files/whole_file.h"

#include <cerrno>
#include <cstdio>
#include <cstring>
#include <fcntl.h>
#include <filesystem>
#include <sys/stat.h>
#include <unistd.h>

#include "ember/files/part_files.h"

namespace ember {

namespace fs = std::filesystem;

namespace {

/// Closes it when it goes.
struct Descriptor {
    int file = -1;
    ~Descriptor()
    {
        if (file >= 0)
            ::close(file);
    }
};

Error unreadable(const std::string& path, int code)
{
    const bool missing = code == ENOENT || code == ENOTDIR;
    return {missing ? ErrorCode::notFound : ErrorCode::unreadable, path, missing ? "" : std::strerror(code)};
}

std::optional<Error> notRegular(const std::string& path, mode_t mode)
{
    if (S_ISREG(mode))
        return std::nullopt;
    return Error{ErrorCode::unreadable, path,
                 S_ISDIR(mode) ? "it is a folder" : "it is a pipe, a socket or a device, not a file"};
}

/// The mode and owner of the file that is replaced; a new file has what the process gives it.
void keepMode(int part, const std::string& target)
{
    struct stat old {};
    if (::stat(target.c_str(), &old) != 0)
        return;
    struct stat made {};
    if (::fstat(part, &made) == 0 && (made.st_uid != old.st_uid || made.st_gid != old.st_gid))
        if (::fchown(part, old.st_uid, old.st_gid) != 0) // only root may give files away; the group often may be kept
            (void)!::fchown(part, static_cast<uid_t>(-1), old.st_gid);
    ::fchmod(part, old.st_mode & 07777U);
}

int writeAll(int file, std::string_view text)
{
    while (!text.empty()) {
        const auto wrote = ::write(file, text.data(), text.size());
        if (wrote < 0 && errno == EINTR)
            continue;
        if (wrote <= 0)
            return wrote == 0 ? ENOSPC : errno;
        text.remove_prefix(static_cast<std::size_t>(wrote));
    }
    return 0;
}

} // namespace

std::optional<Error> notRegular(const std::string& path)
{
    struct stat status {};
    if (::stat(path.c_str(), &status) != 0)
        return unreadable(path, errno);
    return notRegular(path, status.st_mode);
}

Result<std::string> readFile(const std::string& path, std::uintmax_t largest, const char* what)
{
    // Not blocking, so that a pipe does not hold it up before it is known to be one.
    const Descriptor in{::open(path.c_str(), O_RDONLY | O_CLOEXEC | O_NONBLOCK)};
    struct stat status {};
    if (in.file < 0 || ::fstat(in.file, &status) != 0)
        return unreadable(path, errno);
    if (auto wrong = notRegular(path, status.st_mode))
        return *wrong;
    const auto tooLarge = Error{ErrorCode::badFormat, path, std::string("it is far too large for ") + what};
    if (static_cast<std::uintmax_t>(status.st_size) > largest)
        return tooLarge;
    std::string text(static_cast<std::size_t>(status.st_size), '\0');
    std::size_t done = 0;
    for (;;) { // to its end, though it grows meanwhile
        if (done == text.size())
            text.resize(text.size() + 65536);
        const auto got = ::read(in.file, text.data() + done, text.size() - done);
        if (got < 0 && errno == EINTR)
            continue;
        if (got < 0)
            return unreadable(path, errno);
        if (got == 0)
            break;
        done += static_cast<std::size_t>(got);
        if (done > largest)
            return tooLarge;
    }
    text.resize(done);
    return text;
}

std::string behindLinks(const std::string& path)
{
    constexpr int mostLinks = 40; // as the system allows
    fs::path at(path);
    std::error_code wrong;
    for (int i = 0; i < mostLinks && fs::is_symlink(at, wrong); ++i) {
        const fs::path to = fs::read_symlink(at, wrong);
        if (wrong)
            break;
        at = to.is_absolute() ? to : at.parent_path() / to;
    }
    return at.string();
}

Status writeFileSafely(const std::string& path, std::string_view text)
{
    const std::string target = behindLinks(path);
    if (std::error_code ignored; fs::is_directory(target, ignored))
        return Error{ErrorCode::unwritable, path, "it is a folder"};
    removeLeftParts(target);
    const std::string part = partName(target);
    int trouble = 0;
    {
        const Descriptor out{::open(part.c_str(), O_WRONLY | O_CREAT | O_TRUNC | O_CLOEXEC, 0666)};
        if (out.file < 0)
            return Error{ErrorCode::unwritable, path, std::strerror(errno)};
        keepMode(out.file, target);
        trouble = writeAll(out.file, text);
        if (trouble == 0 && ::fsync(out.file) != 0)
            trouble = errno;
    }
    if (trouble == 0 && std::rename(part.c_str(), target.c_str()) != 0)
        trouble = errno;
    if (trouble == 0)
        return Done{};
    ::unlink(part.c_str());
    return Error{ErrorCode::unwritable, path, std::strerror(trouble)};
}

FileStamp stampOf(const std::string& path)
{
    struct stat status {};
    if (::stat(path.c_str(), &status) != 0)
        return {};
    return {status.st_dev, status.st_ino, status.st_size, status.st_mtim.tv_sec, status.st_mtim.tv_nsec};
}

} // namespace ember
