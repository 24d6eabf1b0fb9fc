// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <condition_variable>
#include <functional>
#include <mutex>
#include <thread>

namespace ember::app {

/// A thread that sleeps until there is something to do. What it shares with others lies behind its lock. The last
/// member of whoever owns it, so that all it uses is there as long as it runs.
class WaitingThread {
public:
    using Lock = std::unique_lock<std::mutex>;

    /// `ready` is asked under the lock whether there is something to do. `work` then does one piece of it: it gets the
    /// lock held, lets go of it for as long as it needs nothing that is shared, and gives it back held.
    WaitingThread(std::function<bool()> ready, std::function<void(Lock&)> work);
    /// Waits for the piece that is being done.
    ~WaitingThread();
    WaitingThread(const WaitingThread&) = delete;
    WaitingThread& operator=(const WaitingThread&) = delete;

    /// For a look at what is shared.
    [[nodiscard]] Lock lock() const { return Lock(mutex_); }
    /// Changes what is shared and has the thread look whether there is something to do.
    template <typename Edit>
    void change(Edit&& edit)
    {
        {
            const auto held = lock();
            edit();
        }
        changed_.notify_all();
    }
    /// From within `work`, or with the lock held: whoever waits in until() looks again.
    void tell() { changed_.notify_all(); }
    /// Waits until something is so, which is asked under the lock whenever it was changed or told.
    template <typename Condition>
    void until(Condition&& condition) const
    {
        auto held = lock();
        changed_.wait(held, condition);
    }

private:
    mutable std::mutex mutex_;
    mutable std::condition_variable changed_;
    bool stop_ = false;
    std::thread thread_;
};

} // namespace ember::app
