// SPDX-License-Identifier: GPL-3.0-or-later
#include "task.h"

#include <thread>

namespace ember::app {

Task::~Task()
{
    stop();
    for (const auto& waiting : runs_)
        if (const RunPtr run = waiting.lock()) {
            run->stop = true;
            run->over.acquire();
        }
}

void Task::stop()
{
    if (current_)
        current_->stop = true;
}

void Task::drop()
{
    if (!current_)
        return;
    stop();
    current_.reset();
    emit changed();
}

Task::RunPtr Task::nextRun()
{
    stop();
    std::erase_if(runs_, [](const std::weak_ptr<Run>& run) { return run.expired(); });
    current_ = std::make_shared<Run>();
    runs_.push_back(current_);
    return current_;
}

Progress Task::progressOf(const RunPtr& run)
{
    // The task waits for its runs, so it is there as long as they tell.
    return [this, run, last = std::make_shared<std::atomic<int>>(-1)](double share) {
        if (const int now = static_cast<int>(1000 * share); !run->stop && last->exchange(now) != now)
            emit progressed(share);
        return !run->stop.load();
    };
}

bool Task::ended(const RunPtr& run)
{
    if (run != current_)
        return false;
    current_.reset();
    emit changed();
    return true;
}

void Task::start(const RunPtr& run, std::function<void()> work)
{
    // A thread of its own: in the pool it would keep short work waiting for minutes.
    std::thread([run, work = std::move(work)]() mutable {
        work();
        work = {}; // what it holds goes before whoever waits is told
        run->over.release();
    }).detach();
}

} // namespace ember::app
