// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/files/part_files.h"

#include <algorithm>
#include <array>
#include <cerrno>
#include <charconv>
#include <csignal>
#include <filesystem>
#include <mutex>
#include <set>
#include <string_view>
#include <unistd.h>

namespace ember {

namespace fs = std::filesystem;

namespace {

constexpr std::string_view ending = ".part";

std::mutex namedMutex;

/// All that were named by this process. Never destroyed: files are let go by others until the end.
std::set<std::string>& named()
{
    static auto* const kept = new std::set<std::string>;
    return *kept;
}

/// The machine's name, with nothing in it that parts names.
const std::string& hostName()
{
    static const std::string name = [] {
        std::array<char, 256> text{};
        if (::gethostname(text.data(), text.size() - 1) != 0)
            return std::string("host");
        std::string host(text.data());
        std::replace_if(
            host.begin(), host.end(), [](char c) { return c == '/' || c == '.' || c == '-'; }, '_');
        return host.empty() ? std::string("host") : host;
    }();
    return name;
}

/// Whether a file's name is that of an unfinished `target` (of any where that is empty) of a process of this machine
/// that is no more.
bool isLeft(std::string_view file, std::string_view target)
{
    if (!file.starts_with('.') || !file.ends_with(ending))
        return false;
    file.remove_prefix(1);
    file.remove_suffix(ending.size());
    const auto dash = file.rfind('-');
    const auto dot = dash == std::string_view::npos ? dash : file.rfind('.', dash);
    if (dot == std::string_view::npos || file.substr(dot + 1, dash - dot - 1) != hostName())
        return false;
    if (!target.empty() && file.substr(0, dot) != target)
        return false;
    const std::string_view digits = file.substr(dash + 1);
    pid_t process = 0;
    const auto [end, wrong] = std::from_chars(digits.data(), digits.data() + digits.size(), process);
    if (wrong != std::errc() || end != digits.data() + digits.size() || process <= 0)
        return false;
    return ::kill(process, 0) != 0 && errno == ESRCH;
}

void removeLeft(const fs::path& folder, std::string_view target)
{
    std::error_code ignored;
    for (const auto& entry : fs::directory_iterator(folder.empty() ? fs::path(".") : folder, ignored))
        if (isLeft(entry.path().filename().string(), target))
            fs::remove(entry.path(), ignored);
}

} // namespace

std::string partName(const std::string& path)
{
    const fs::path whole(path);
    std::string name = (whole.parent_path() / ("." + whole.filename().string() + "." + hostName() + "-" +
                                               std::to_string(::getpid()) + std::string(ending)))
                           .string();
    const std::lock_guard lock(namedMutex);
    named().insert(fs::absolute(name).string());
    return name;
}

void removeOwnParts()
{
    const std::lock_guard lock(namedMutex);
    for (const std::string& name : named())
        ::unlink(name.c_str());
}

void removeLeftParts(const std::string& path)
{
    const fs::path whole(path);
    removeLeft(whole.parent_path(), whole.filename().string());
}

void removeLeftPartsIn(const std::string& folder)
{
    removeLeft(folder, {});
}

} // namespace ember
