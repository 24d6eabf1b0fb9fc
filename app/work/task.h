// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <atomic>
#include <memory>
#include <optional>
#include <type_traits>
#include <utility>
#include <vector>

#include <QObject>
#include <QPointer>
#include <QSemaphore>

#include "background.h"
#include "ember/core/progress.h"

namespace ember::app {

/// Long work on a thread of its own, one piece at a time, which tells how far it is and can be stopped.
class Task : public QObject {
    Q_OBJECT
public:
    explicit Task(QObject* parent = nullptr) : QObject(parent) {}
    ~Task() override; ///< stops it and waits for its end

    /// Does `work(progress)`, and then `then(what it returned)` on the interface thread. Where something was under way
    /// already that is stopped, and its `then` is not called. Where there was no memory a Result says so.
    template <typename Work, typename Then>
    void begin(Work work, Then then);
    /// Work that looks at its progress ends soon, with what it returns then: an Error `cancelled`.
    void stop();
    /// Stops it and forgets it: its `then` is not called.
    void drop();
    bool working() const { return current_ != nullptr; }
    /// It was asked to stop and has not ended yet.
    bool stopping() const { return current_ != nullptr && current_->stop; }

signals:
    /// The share that is done, 0 to 1, in steps of a thousandth.
    void progressed(double share);
    /// Work began or ended; before `then`.
    void changed();

private:
    struct Run {
        std::atomic<bool> stop{false};
        QSemaphore over; ///< free when it has ended
    };
    using RunPtr = std::shared_ptr<Run>;

    RunPtr nextRun();
    Progress progressOf(const RunPtr& run);
    /// Whether it was still the current one.
    bool ended(const RunPtr& run);
    static void start(const RunPtr& run, std::function<void()> work);

    RunPtr current_;
    std::vector<std::weak_ptr<Run>> runs_; ///< that may not have ended yet
};

template <typename Work, typename Then>
void Task::begin(Work work, Then then)
{
    using Outcome = std::invoke_result_t<Work, const Progress&>;
    static_assert(std::is_constructible_v<Outcome, Error>, "work gives a Result");
    const RunPtr run = nextRun();
    start(run, [context = QPointer<Task>(this), run, progress = progressOf(run), work = std::move(work),
                then = std::move(then)]() mutable {
        auto outcome = std::make_shared<std::optional<Outcome>>();
        if (!withMemory([&] { outcome->emplace(work(progress)); }))
            outcome->emplace(noMemory());
        onInterface(context, [run, outcome, then = std::move(then)](Task& task) mutable {
            if (task.ended(run))
                then(std::move(**outcome));
        });
    });
    emit changed();
}

} // namespace ember::app
