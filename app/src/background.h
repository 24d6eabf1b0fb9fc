// SPDX-License-Identifier: GPL-3.0-or-later
// Work away from the interface thread, where running out of memory is an error to be told and not the end.
#pragma once

#include <new>
#include <utility>

#include <QObject>
#include <QThreadPool>

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

} // namespace ember::app
