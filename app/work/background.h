// SPDX-License-Identifier: GPL-3.0-or-later
// Work away from the interface thread, where running out of memory is an error to be told and not the end.
#pragma once

#include <memory>
#include <new>
#include <optional>
#include <type_traits>
#include <utility>

#include <QCoreApplication>
#include <QObject>
#include <QPointer>
#include <QThreadPool>

#include "ember/core/error.h"

namespace ember::app {

/// Tells on the interface thread that memory was asked for and not there.
class MemoryWatch : public QObject {
    Q_OBJECT
public:
    static MemoryWatch& instance();
    /// From any thread.
    void tell();

signals:
    void lacking();
};

/// Does it, and tells where there is no memory for it. False then.
template <typename Work>
bool withMemory(Work&& work)
{
    try {
        work();
        return true;
    } catch (const std::bad_alloc&) {
        MemoryWatch::instance().tell();
        return false;
    }
}

/// Does it on another thread.
template <typename Work>
void inBackground(Work work)
{
    QThreadPool::globalInstance()->start([work = std::move(work)]() mutable { withMemory(work); });
}

/// Has `what(*context)` done on the interface thread, unless `context` is gone by then. From any thread; of several, in
/// order.
template <typename Context, typename What>
void onInterface(const QPointer<Context>& context, What what)
{
    // Sent to the program and not to the context, which may be going away just now.
    QMetaObject::invokeMethod(QCoreApplication::instance(), [context, what = std::move(what)]() mutable {
        if (Context* there = context.data(); there != nullptr)
            what(*there);
    });
}

/// Does `work()` on another thread, and then `then(what it returned)` on the interface thread, unless `context` is gone
/// by then. Where there was no memory a Result says so, and of anything else `then` hears nothing.
template <typename Work, typename Then>
void inBackground(QObject* context, Work work, Then then)
{
    using Outcome = std::invoke_result_t<Work>;
    inBackground([context = QPointer<QObject>(context), work = std::move(work), then = std::move(then)]() mutable {
        auto outcome = std::make_shared<std::optional<Outcome>>();
        if (!withMemory([&] { outcome->emplace(work()); })) {
            if constexpr (std::is_constructible_v<Outcome, Error>)
                outcome->emplace(noMemory());
            else
                return;
        }
        onInterface(context, [outcome, then = std::move(then)](QObject&) mutable { then(std::move(**outcome)); });
    });
}

} // namespace ember::app
