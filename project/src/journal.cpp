// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/project/journal.h"

#include <algorithm>
#include <cerrno>
#include <chrono>
#include <cstring>
#include <fcntl.h>
#include <filesystem>
#include <sys/file.h>
#include <unistd.h>

#include "ember/json/json.h"
#include "ember/project/file.h"

namespace ember {

namespace fs = std::filesystem;

namespace {

constexpr std::uintmax_t largestJournal = 256U << 20U;
const std::string suffix = ".journal";

std::string lockOf(const std::string& file)
{
    return file + ".lock";
}

/// A first line that tells what it is, then the project.
Result<std::pair<LeftBehind, std::string>> read(const std::string& file)
{
    auto text = readFile(file, largestJournal, "unsaved work");
    if (!text)
        return text.error();
    const std::size_t line = text.value().find('\n');
    const auto parsed = parsedJson(std::string_view(text.value()).substr(0, line), file);
    const Json head = parsed ? parsed.value() : Json();
    if (line == std::string::npos || !head.is_object() || !head.contains("kept_at") ||
        !head["kept_at"].is_number_integer())
        return Error{ErrorCode::badFormat, file, "it is not a journal"};
    const auto word = [&](const char* key) {
        return head.contains(key) && head[key].is_string() ? head[key].get<std::string>() : std::string();
    };
    return std::pair(LeftBehind{file, word("path"), word("title"), head["kept_at"].get<std::int64_t>()},
                     text.value().substr(line + 1));
}

} // namespace

/// An advisory lock (flock), which the system takes back when the process ends, however it ends.
struct Journal::Lock {
    explicit Lock(const std::string& path) : path_(path), file(::open(path.c_str(), O_RDWR | O_CREAT | O_CLOEXEC, 0600))
    {
        if (file >= 0 && ::flock(file, LOCK_EX | LOCK_NB) != 0) {
            trouble = errno;
            ::close(file);
            file = -1;
        }
    }
    ~Lock()
    {
        if (file < 0)
            return;
        ::unlink(path_.c_str()); // while it is still ours
        ::close(file);
    }
    Lock(const Lock&) = delete;
    Lock& operator=(const Lock&) = delete;

    std::string path_;
    int trouble = 0;
    int file = -1;
};

Journal::Journal(std::string file, std::unique_ptr<Lock> lock) : file_(std::move(file)), lock_(std::move(lock)) {}
Journal::Journal(Journal&&) noexcept = default;
Journal& Journal::operator=(Journal&&) noexcept = default;
Journal::~Journal() = default;

Result<Journal> Journal::begin(const std::string& folder)
{
    std::error_code error;
    fs::create_directories(folder, error);
    if (error)
        return Error{ErrorCode::unwritable, folder, error.message()};
    const auto now = std::chrono::system_clock::now().time_since_epoch().count();
    for (int n = 0; n < 100; ++n) {
        const std::string file = (fs::path(folder) / (std::to_string(now) + "-" + std::to_string(::getpid()) + "-" +
                                                      std::to_string(n) + suffix))
                                     .string();
        if (fs::exists(file, error))
            continue;
        auto lock = std::make_unique<Lock>(lockOf(file));
        if (lock->file >= 0)
            return Journal(file, std::move(lock));
        if (lock->trouble == 0)
            break;
    }
    return Error{ErrorCode::unwritable, folder, std::strerror(errno)};
}

Status Journal::keep(const Project& project, const std::string& path, const std::string& title) const
{
    const auto seconds =
        std::chrono::duration_cast<std::chrono::seconds>(std::chrono::system_clock::now().time_since_epoch()).count();
    const Json head{{"journal", 1}, {"path", path}, {"title", title}, {"kept_at", seconds}};
    return writeFileSafely(file_, head.dump(-1, ' ', false, Json::error_handler_t::replace) + "\n" +
                                      projectToJson(project, fs::path(file_).parent_path().string()));
}

void Journal::forget() const
{
    std::error_code error;
    fs::remove(file_, error);
}

std::vector<LeftBehind> leftBehind(const std::string& folder)
{
    std::vector<LeftBehind> found;
    std::error_code error;
    for (const auto& entry : fs::directory_iterator(folder, error)) {
        const std::string file = entry.path().string();
        if (!file.ends_with(suffix))
            continue;
        const int lock = ::open(lockOf(file).c_str(), O_RDWR | O_CLOEXEC);
        const bool owned = lock >= 0 && ::flock(lock, LOCK_EX | LOCK_NB) != 0;
        if (lock >= 0)
            ::close(lock);
        if (owned)
            continue;
        if (auto left = read(file))
            found.push_back(std::move(left.value().first));
    }
    std::sort(found.begin(), found.end(), [](const LeftBehind& a, const LeftBehind& b) {
        return a.keptAt != b.keptAt ? a.keptAt > b.keptAt : a.file > b.file;
    });
    return found;
}

Result<Project> recovered(const LeftBehind& left)
{
    auto text = read(left.file);
    if (!text)
        return text.error();
    return projectFromJson(text.value().second, fs::path(left.file).parent_path().string(), left.file);
}

void discard(const LeftBehind& left)
{
    std::error_code error;
    fs::remove(left.file, error);
    fs::remove(lockOf(left.file), error);
}

} // namespace ember
