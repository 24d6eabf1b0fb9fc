// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QString>

#include "task.h"

namespace ember::app {

/// The work the person waits for: opening, looking at a clip, making keys. The window shows what is done and how far it
/// is, with a button that stops it.
class Busy : public Task {
    Q_OBJECT
public:
    using Task::Task;

    /// What is done, as a sentence without a full stop: "Reading night.mp4".
    const QString& doing() const { return doing_; }

    /// As Task::begin().
    template <typename Work, typename Then>
    void begin(const QString& doing, Work work, Then then)
    {
        doing_ = doing;
        Task::begin(std::move(work), std::move(then));
    }

private:
    QString doing_;
};

} // namespace ember::app
