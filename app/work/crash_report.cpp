// SPDX-License-Identifier: GPL-3.0-or-later
#include "crash_report.h"

#include <algorithm>
#include <array>
#include <atomic>
#include <csignal>
#include <cstdlib>
#include <cstring>
#include <ctime>
#include <execinfo.h>
#include <fcntl.h>
#include <filesystem>
#include <sys/utsname.h>
#include <unistd.h>
#include <vector>

namespace ember::app::crash {

namespace fs = std::filesystem;

namespace {

constexpr std::size_t lines = 40;
constexpr std::size_t lineBytes = 160;
constexpr std::array<int, 5> faults{SIGSEGV, SIGABRT, SIGBUS, SIGFPE, SIGILL};
constexpr std::string_view prefix = "crash-";
constexpr std::string_view suffix = ".txt";
constexpr std::size_t signalStack = 64 << 10; // bytes; the own stack may be what overflowed

// All that the handler touches is here before it is needed: it may neither allocate nor wait for a lock.
std::array<std::array<char, lineBytes>, lines> noted;
std::atomic<std::size_t> notes = 0;
std::array<char, 4096> folderName;
std::array<char, 512> about;

void put(int file, const char* text)
{
    std::size_t left = std::strlen(text);
    while (left > 0) {
        const ssize_t wrote = ::write(file, text, left);
        if (wrote <= 0)
            return;
        text += wrote;
        left -= static_cast<std::size_t>(wrote);
    }
}

/// Decimal digits of a number; the buffer is the caller's.
const char* digits(long long value, std::array<char, 24>& buffer)
{
    std::size_t at = buffer.size() - 1;
    buffer[at] = '\0';
    do {
        buffer[--at] = static_cast<char>('0' + value % 10);
        value /= 10;
    } while (value > 0 && at > 0);
    return &buffer[at];
}

const char* nameOf(int signal)
{
    switch (signal) {
    case SIGSEGV: return "SIGSEGV (memory that is not there)";
    case SIGABRT: return "SIGABRT (the program gave up)";
    case SIGBUS: return "SIGBUS (a file became shorter while it was read, or memory failed)";
    case SIGFPE: return "SIGFPE (arithmetic that cannot be done)";
    case SIGILL: return "SIGILL (an instruction this machine does not know)";
    default: return "a fault";
    }
}

void report(int file, int signal)
{
    put(file, about.data());
    put(file, "Signal: ");
    put(file, nameOf(signal));
    put(file, "\n\nDone last, the newest at the end:\n");
    const std::size_t count = notes.load();
    for (std::size_t i = count > lines ? count - lines : 0; i < count; ++i) {
        put(file, "  ");
        put(file, noted[i % lines].data());
        put(file, "\n");
    }
    put(file, "\nCalls that led here, the innermost first:\n");
    std::array<void*, 100> calls{};
    const int depth = ::backtrace(calls.data(), static_cast<int>(calls.size()));
    ::backtrace_symbols_fd(calls.data(), depth, file);
    put(file, "\nThis file has not been sent anywhere.\n");
}

void onFault(int signal)
{
    std::array<char, 24> buffer{};
    std::array<char, 4096 + 64> path{};
    const auto append = [&path](const char* text) {
        std::strncat(path.data(), text, path.size() - std::strlen(path.data()) - 1);
    };
    append(folderName.data());
    append("/crash-");
    append(digits(static_cast<long long>(::time(nullptr)), buffer));
    append("-");
    append(digits(::getpid(), buffer));
    append(".txt");
    const int file = ::open(path.data(), O_WRONLY | O_CREAT | O_EXCL | O_CLOEXEC, 0600);
    if (file >= 0) {
        report(file, signal);
        ::close(file);
    }
    // The handler was for once: the fault now ends the program as if nobody had looked.
    ::raise(signal);
}

std::vector<fs::path> reportsOf(const std::string& folder)
{
    std::vector<fs::path> reports;
    std::error_code trouble;
    for (const auto& entry : fs::directory_iterator(folder, trouble)) {
        const std::string name = entry.path().filename().string();
        if (name.starts_with(prefix) && name.ends_with(suffix) && entry.is_regular_file(trouble))
            reports.push_back(entry.path());
    }
    std::sort(reports.begin(), reports.end()); // their names begin with the time, of as many digits until 2286
    return reports;
}

} // namespace

void watch(const std::string& folder, const std::string& version)
{
    std::error_code trouble;
    fs::create_directories(folder, trouble);
    if (folder.size() >= folderName.size() || !fs::is_directory(folder, trouble))
        return;
    std::memcpy(folderName.data(), folder.c_str(), folder.size() + 1);
    utsname machine{};
    ::uname(&machine);
    const std::string text =
        "Vast Ember " + version + "\nSystem: " + machine.sysname + " " + machine.release + " " + machine.machine + "\n";
    std::memcpy(about.data(), text.c_str(), std::min(text.size(), about.size() - 1));
    // The first call loads what it needs, which a handler may not.
    std::array<void*, 4> calls{};
    ::backtrace(calls.data(), static_cast<int>(calls.size()));
    static std::array<char, signalStack> room;
    stack_t stack{};
    stack.ss_sp = room.data();
    stack.ss_size = room.size();
    ::sigaltstack(&stack, nullptr);
    struct sigaction action = {};
    action.sa_handler = onFault;
    action.sa_flags = static_cast<int>(SA_RESETHAND) | SA_ONSTACK | SA_NODEFER;
    ::sigemptyset(&action.sa_mask);
    for (const int fault : faults)
        ::sigaction(fault, &action, nullptr);
}

void note(std::string_view what)
{
    const std::size_t place = notes.load();
    auto& line = noted[place % lines];
    const std::size_t length = std::min(what.size(), line.size() - 1);
    for (std::size_t i = 0; i < length; ++i)
        line[i] = what[i] == '\n' ? ' ' : what[i];
    line[length] = '\0';
    notes.store(place + 1);
}

std::optional<std::string> newestReport(const std::string& folder)
{
    const auto reports = reportsOf(folder);
    return reports.empty() ? std::nullopt : std::optional(reports.back().string());
}

void tidy(const std::string& folder, std::size_t keep)
{
    const auto reports = reportsOf(folder);
    std::error_code trouble;
    for (std::size_t i = 0; i + keep < reports.size(); ++i)
        fs::remove(reports[i], trouble);
}

} // namespace ember::app::crash
