// SPDX-License-Identifier: GPL-3.0-or-later
#include <array>
#include <chrono>
#include <condition_variable>
#include <csignal>
#include <cstdlib>
#include <iostream>
#include <mutex>
#include <thread>
#include <unistd.h>

#include "ember/batch/batch.h"
#include "ember/files/part_files.h"

namespace {

std::atomic<bool> stopped{false};

void stop(int)
{
    stopped = true;
}

/// Ends the program where what it does does not look at the flag in time (a library that works for long), and takes
/// what is unfinished away.
class LastResort {
public:
    LastResort() : thread_([this] { watch(); }) {}
    ~LastResort()
    {
        {
            const std::lock_guard lock(mutex_);
            done_ = true;
        }
        wake_.notify_all();
        thread_.join();
    }

private:
    void watch()
    {
        constexpr auto look = std::chrono::milliseconds(50);
        constexpr int patience = 8; // looks
        int waited = 0;
        std::unique_lock lock(mutex_);
        while (!wake_.wait_for(lock, look, [this] { return done_; }))
            if (stopped && ++waited > patience) {
                constexpr std::string_view text = "vast-ember-batch: Stopped.\n";
                (void)!::write(STDERR_FILENO, text.data(), text.size());
                ember::removeOwnParts();
                std::_Exit(ember::batchFailed);
            }
    }

    std::mutex mutex_;
    std::condition_variable wake_;
    bool done_ = false;
    std::thread thread_;
};

} // namespace

int main(int argc, char** argv)
{
    std::ios::sync_with_stdio(false);
    for (const int signal : {SIGINT, SIGTERM, SIGHUP})
        std::signal(signal, stop);
    std::signal(SIGPIPE, SIG_IGN);
    std::signal(SIGXFSZ, SIG_IGN); // a file that may not grow is an error like a full disk, told in words
    try {
        const LastResort lastResort;
        const std::vector<std::string> arguments(argv + 1, argv + argc);
        return ember::runBatch(arguments, {std::cout, std::cerr, isatty(STDERR_FILENO) != 0, &stopped});
    } catch (const std::exception& error) { // before any command could catch it: no memory, no thread
        std::cerr << "vast-ember-batch: " << error.what() << '\n';
        return ember::batchFailed;
    }
}
