// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <atomic>
#include <functional>
#include <thread>

#include <QObject>

namespace ember::app {

/// Work of which only the newest matters, one at a time on a thread of its own. What is ordered while some is done
/// stops that and waits for its end; of several that wait the last stays.
class LatestWork : public QObject {
    Q_OBJECT
public:
    /// What is done with the result, on the thread of the interface.
    using Delivery = std::function<void()>;
    /// Looks at `stop` now and then; what is stopped is not delivered.
    using Work = std::function<Delivery(const std::atomic<bool>& stop)>;

    explicit LatestWork(QObject* parent = nullptr) : QObject(parent) {}
    ~LatestWork() override; ///< stops it and waits

    void order(Work work);
    /// Stops what is done and forgets what waits.
    void cancel();
    bool busy() const { return thread_.joinable(); }

signals:
    /// Nothing is done any more and nothing waits.
    void idle();

private:
    void begin(Work work);
    void finish(const Delivery& delivery);

    Work next_;
    std::thread thread_;
    std::atomic<bool> stop_{false};
};

} // namespace ember::app
