// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/files/output_guard.h"

#include <filesystem>
#include <optional>
#include <sys/stat.h>

#include "ember/files/whole_file.h"

namespace ember {

namespace fs = std::filesystem;

namespace {

std::optional<std::pair<std::uint64_t, std::uint64_t>> identityOf(const std::string& path)
{
    struct stat status {};
    if (::stat(path.c_str(), &status) != 0)
        return std::nullopt;
    return std::pair<std::uint64_t, std::uint64_t>(status.st_dev, status.st_ino);
}

/// The path by which a file that is not there would be found, whatever way it was written.
std::string plainPath(const std::string& path)
{
    std::error_code wrong;
    const fs::path whole = fs::weakly_canonical(fs::absolute(behindLinks(path)), wrong);
    return wrong ? fs::absolute(path).lexically_normal().string() : whole.string();
}

} // namespace

bool somethingAt(const std::string& path)
{
    struct stat status {};
    return ::lstat(path.c_str(), &status) == 0;
}

void OutputGuard::protect(const std::string& path, const std::string& what)
{
    if (path.empty())
        return;
    if (const auto identity = identityOf(path))
        files_.emplace(*identity, what);
    else
        paths_.emplace(plainPath(path), what);
}

Status OutputGuard::mayWrite(const std::string& path, bool replace, const std::string& how) const
{
    const auto refused = [&](const std::string& what) {
        return Error{ErrorCode::unwritable, path,
                     Phrase("it is {}, which is never written over; choose another name", what)};
    };
    if (const auto identity = identityOf(path)) {
        if (const auto found = files_.find(*identity); found != files_.end())
            return refused(found->second);
    } else if (!paths_.empty()) {
        if (const auto found = paths_.find(plainPath(path)); found != paths_.end())
            return refused(found->second);
    }
    if (!replace && somethingAt(path))
        return Error{ErrorCode::exists, path, how};
    return Done{};
}

} // namespace ember
