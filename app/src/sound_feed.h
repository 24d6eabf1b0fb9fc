// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <condition_variable>
#include <memory>
#include <mutex>
#include <thread>
#include <vector>

#include <QIODevice>

#include "ember/media/sound_reader.h"
#include "playback.h"

namespace ember::app {

/// Sound as a stream of 16-bit stereo samples along a PlayLine, decoded ahead on a thread of its own. Reading never
/// waits for the decoder: what is not there in time is silence.
class SoundFeed : public QIODevice {
public:
    SoundFeed(std::unique_ptr<SoundReader> reader, const PlayLine& line, std::int64_t framesAhead);
    ~SoundFeed() override;

    bool isSequential() const override { return true; }
    qint64 bytesAvailable() const override;
    /// Waits until decoding is `framesAhead` ahead or the line is at its end; for starting without a gap, and for
    /// tests.
    void waitUntilFull();

protected:
    qint64 readData(char* data, qint64 size) override;
    qint64 writeData(const char*, qint64) override { return -1; }

private:
    void run();

    std::unique_ptr<SoundReader> reader_;
    const PlayLine line_;
    const std::size_t room_; ///< samples
    mutable std::mutex mutex_;
    std::condition_variable changed_;
    std::vector<std::int16_t> ring_;
    std::size_t ringFirst_ = 0;
    std::size_t ringCount_ = 0;
    bool complete_ = false;
    bool stop_ = false;
    std::thread thread_;
};

} // namespace ember::app
