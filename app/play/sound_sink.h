// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstdint>
#include <memory>

#include <QElapsedTimer>

class QAudioSink;
class QIODevice;

namespace ember::app {

/// What plays a stream of 16-bit stereo at 48 kHz.
class SoundSink {
public:
    static constexpr int rate = 48000; ///< instants a second
    virtual ~SoundSink() = default;
    /// Plays what `feed` has, from now on, asking for it about so many seconds early. False where there is no device
    /// for it.
    virtual bool start(QIODevice& feed, double ahead) = 0;
    virtual void stop() = 0;
    virtual bool running() const = 0;
    /// Instants played since the start, as the device tells: in steps, and not counting what it is late by.
    virtual std::int64_t played() const = 0;
};

/// The sound device that was chosen in the preferences, or the system's where that is not there.
class DeviceSink final : public SoundSink {
public:
    DeviceSink();
    ~DeviceSink() override;
    static bool available();

    bool start(QIODevice& feed, double ahead) override;
    void stop() override;
    bool running() const override { return sink_ != nullptr; }
    std::int64_t played() const override;

private:
    std::unique_ptr<QAudioSink> sink_;
};

/// A device's place between its steps: for so long as a step may be, time is trusted.
class SoundClock {
public:
    void start();
    /// Instants since the start, `told` being what the device tells now; 0 until it tells of the first.
    std::int64_t at(std::int64_t told);

private:
    std::int64_t told_ = 0;
    QElapsedTimer since_;
};

/// A sample as a device takes it; what is over full scale is cut.
std::int16_t sixteenBits(float sample);

} // namespace ember::app
