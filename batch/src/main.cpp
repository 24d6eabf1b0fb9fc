// SPDX-License-Identifier: GPL-3.0-or-later
#include <csignal>
#include <iostream>
#include <unistd.h>

#include "ember/batch/batch.h"

namespace {
std::atomic<bool> stopped{false};
void stop(int)
{
    stopped = true;
}
} // namespace

int main(int argc, char** argv)
{
    std::ios::sync_with_stdio(false);
    std::signal(SIGINT, stop);
    std::signal(SIGTERM, stop);
    std::signal(SIGPIPE, SIG_IGN);
    std::signal(SIGXFSZ, SIG_IGN); // a file that may not grow is an error like a full disk, told in words
    const std::vector<std::string> arguments(argv + 1, argv + argc);
    return ember::runBatch(arguments, {std::cout, std::cerr, isatty(STDERR_FILENO) != 0, &stopped});
}
