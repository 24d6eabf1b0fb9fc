// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <atomic>
#include <memory>
#include <thread>

#include <QObject>
#include <QString>

#include "ember/core/captured.h"

namespace ember::app {

/// Reads the motion of a camera from frames [first, last] of a clip, on a thread of its own; `last` -1 is the clip's
/// end.
class CaptureJob : public QObject {
    Q_OBJECT
public:
    CaptureJob(QString clip, std::int64_t first, std::int64_t last, QObject* parent = nullptr);
    /// To be called when whoever wants to know is connected: it may be over at once.
    ~CaptureJob() override; ///< cancels and waits

    void start();
    void cancel() { stop_ = true; }

signals:
    void progressed(double share);
    void read(std::shared_ptr<const ember::CapturedMotion> motion);
    /// `text` is empty when it was cancelled.
    void failed(const QString& text);

private:
    const QString clip_;
    const std::int64_t first_;
    const std::int64_t last_;
    std::atomic<bool> stop_{false};
    std::thread thread_;
};

} // namespace ember::app

Q_DECLARE_METATYPE(std::shared_ptr<const ember::CapturedMotion>)
