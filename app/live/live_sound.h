// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <memory>
#include <mutex>
#include <vector>

#include <QIODevice>

#include "ember/core/project.h"
#include "sound_sink.h"

namespace ember::app {

/// The sounds of strikes as they are fired, mixed while they are heard. Without a sound device it is silent. Sounds are
/// made on other threads; one that is late begins late.
class LiveSound : public QIODevice {
    Q_OBJECT
public:
    static constexpr int rate = SoundSink::rate;
    /// More are not heard at once: the oldest makes room.
    static constexpr std::size_t mostVoices = 24;

    explicit LiveSound(QObject* parent = nullptr);
    ~LiveSound() override;

    void start();
    void stop();
    void setOn(bool on);
    bool on() const { return on_; }
    /// This strike of a project is heard after so many seconds.
    void strike(const Project& project, const Strike& strike, double after);
    void silence();

    /// What is heard next: `frames` instants of interleaved stereo. Never above full scale.
    std::vector<float> mixed(std::size_t frames);
    std::size_t voices() const;

    bool isSequential() const override { return true; }
    qint64 bytesAvailable() const override { return 1 << 16; }

protected:
    qint64 readData(char* data, qint64 size) override;
    qint64 writeData(const char*, qint64) override { return -1; }

private:
    struct Voice {
        std::shared_ptr<const std::vector<float>> samples;
        std::int64_t at; ///< the instant that is heard next; below 0 while it waits
    };
    void add(std::shared_ptr<const std::vector<float>> samples, std::int64_t wait, std::uint64_t generation);

    mutable std::mutex mutex_;
    std::vector<Voice> voices_;
    std::uint64_t generation_ = 0; ///< grows with each silence: what was asked for before is not heard any more
    bool on_ = true;
    DeviceSink sink_;
};

} // namespace ember::app
