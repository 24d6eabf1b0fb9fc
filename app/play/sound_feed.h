// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <memory>
#include <vector>

#include <QIODevice>

#include "ember/media/sound_reader.h"
#include "playback.h"
#include "waiting_thread.h"

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
    void decode(WaitingThread::Lock& held);

    std::unique_ptr<SoundReader> reader_;
    const PlayLine line_;
    const std::size_t room_; ///< samples
    std::vector<std::int16_t> ring_;
    std::size_t ringFirst_ = 0;
    std::size_t ringCount_ = 0;
    bool complete_ = false;
    std::int64_t decoded_ = 0; ///< along the line; the thread's own
    WaitingThread worker_;
};

} // namespace ember::app
