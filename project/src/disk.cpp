// SPDX-License-Identifier: GPL-3.0-or-later
#include <cerrno>
#include <cstdio>
#include <cstring>
#include <fcntl.h>
#include <filesystem>
#include <fstream>
#include <sstream>
#include <sys/stat.h>
#include <unistd.h>

#include "ember/project/file.h"

namespace ember {

namespace fs = std::filesystem;

Result<std::string> readFile(const std::string& path, std::uintmax_t largest, const char* what)
{
    std::error_code error;
    if (!fs::exists(path, error))
        return Error{ErrorCode::notFound, path, ""};
    if (fs::is_directory(path, error))
        return Error{ErrorCode::unreadable, path, "it is a folder"};
    if (fs::file_size(path, error) > largest)
        return Error{ErrorCode::badFormat, path, std::string("it is far too large for ") + what};
    std::ifstream file(path, std::ios::binary);
    std::ostringstream text;
    text << file.rdbuf();
    if (!file)
        return Error{ErrorCode::unreadable, path, std::strerror(errno)};
    return text.str();
}

Status writeFileSafely(const std::string& path, std::string_view text)
{
    const fs::path target(path);
    const std::string part =
        (target.parent_path() / ("." + target.filename().string() + "." + std::to_string(::getpid()) + ".part"))
            .string();
    const int file = ::open(part.c_str(), O_WRONLY | O_CREAT | O_TRUNC | O_CLOEXEC, 0666);
    int trouble = file < 0 ? errno : 0;
    for (std::size_t done = 0; trouble == 0 && done < text.size();) {
        const auto wrote = ::write(file, text.data() + done, text.size() - done);
        if (wrote <= 0)
            trouble = wrote == 0 ? ENOSPC : errno;
        else
            done += static_cast<std::size_t>(wrote);
    }
    if (trouble == 0 && ::fsync(file) != 0)
        trouble = errno;
    if (file >= 0 && ::close(file) != 0 && trouble == 0)
        trouble = errno;
    if (trouble == 0 && std::rename(part.c_str(), path.c_str()) != 0)
        trouble = errno;
    if (trouble == 0)
        return Done{};
    if (file >= 0)
        ::unlink(part.c_str());
    return Error{ErrorCode::unwritable, path, std::strerror(trouble)};
}

} // namespace ember
