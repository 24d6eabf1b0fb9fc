// SPDX-License-Identifier: GPL-3.0-or-later
#include "latest_work.h"

#include <utility>

#include "background.h"

namespace ember::app {

LatestWork::~LatestWork()
{
    stop_ = true;
    if (thread_.joinable())
        thread_.join();
}

void LatestWork::order(Work work)
{
    if (busy()) {
        stop_ = true;
        next_ = std::move(work);
        return;
    }
    begin(std::move(work));
}

void LatestWork::cancel()
{
    next_ = nullptr;
    stop_ = true;
}

void LatestWork::begin(Work work)
{
    stop_ = false;
    thread_ = std::thread([this, work = std::move(work)] {
        Delivery delivery;
        withMemory([&] { delivery = work(stop_); });
        QMetaObject::invokeMethod(
            this, [this, delivery = std::move(delivery)] { finish(delivery); }, Qt::QueuedConnection);
    });
}

void LatestWork::finish(const Delivery& delivery)
{
    thread_.join();
    const bool wanted = !stop_;
    if (next_)
        begin(std::exchange(next_, nullptr));
    if (wanted && delivery)
        delivery();
    if (!busy())
        emit idle();
}

} // namespace ember::app
