// SPDX-License-Identifier: GPL-3.0-or-later
#include "waiting_thread.h"

namespace ember::app {

WaitingThread::WaitingThread(std::function<bool()> ready, std::function<void(Lock&)> work)
    : thread_([this, ready = std::move(ready), work = std::move(work)] {
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
