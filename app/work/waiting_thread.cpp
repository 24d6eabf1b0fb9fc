// SPDX-License-Identifier: GPL-3.0-or-later
#include "waiting_thread.h"

#include <sys/resource.h>
#include <unistd.h>

namespace ember::app {

namespace {

/// This thread, and those it begins, let the window go first where there are fewer cores than threads: what the hand
/// does is painted, then what was wished for is made. Linux has a niceness for each thread.
void standBack()
{
    constexpr int behindTheWindow = 4;
    setpriority(PRIO_PROCESS, static_cast<id_t>(gettid()), behindTheWindow);
}

} // namespace

WaitingThread::WaitingThread(std::function<bool()> ready, std::function<void(Lock&)> work)
    : thread_([this, ready = std::move(ready), work = std::move(work)] {
          standBack();
          Lock held(mutex_);
          for (;;) {
              changed_.wait(held, [&] { return stop_ || ready(); });
              if (stop_)
                  return;
              work(held);
          }
      })
{
}

WaitingThread::~WaitingThread()
{
    change([this] { stop_ = true; });
    thread_.join();
}

} // namespace ember::app
