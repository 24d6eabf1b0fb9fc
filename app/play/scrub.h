// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <atomic>
#include <memory>
#include <mutex>
#include <optional>
#include <vector>

#include <QElapsedTimer>
#include <QIODevice>
#include <QTimer>

#include "ember/film/film_sound.h"
#include "sound_sink.h"
#include "waiting_thread.h"

namespace ember::app {

class Player;
struct Session;

/// The sound from sample `first` on, `length` samples of it, softly cut: it opens within a millisecond, so that a hit
/// stays one, and closes over the last quarter.
SoundBuffer grainAt(SoundReader& reader, std::int64_t first, std::int64_t length);

/// Grains of sound as a stream of 16-bit stereo: silence, until there is one. A new one takes over from what is still
/// heard within four milliseconds.
class GrainFeed : public QIODevice {
public:
    GrainFeed();
    void sound(const SoundBuffer& grain);
    /// Nothing is left to be heard.
    bool silent() const;

    bool isSequential() const override { return true; }
    qint64 bytesAvailable() const override { return 1 << 16; }

protected:
    qint64 readData(char* data, qint64 size) override;
    qint64 writeData(const char*, qint64) override { return -1; }

private:
    mutable std::mutex mutex_;
    std::vector<float> next_; ///< interleaved, from what is read next on
};

/// Sounds the frame the playhead is taken to while nothing plays: dragged, stepped, sent to a strike.
class Scrub : public QObject {
    Q_OBJECT
public:
    Scrub(Session& session, Player& player, std::unique_ptr<SoundSink> sink = std::make_unique<DeviceSink>());
    ~Scrub() override;

    /// Remembered; on at first. The sound of playing, where it is off, is off here too.
    static bool on();
    void setOn(bool on);

private:
    void sound(qint64 frame);
    void work(WaitingThread::Lock& held);

    struct Wish {
        FilmSound sound;
        std::int64_t first;
        std::int64_t length;
    };

    Session& session_;
    Player& player_;
    GrainFeed feed_; // before the sink, which reads it
    std::unique_ptr<SoundSink> sink_;
    QTimer rest_;                         ///< the device is let go of when nothing was sounded for so long
    QElapsedTimer refused_;               ///< since there was none
    std::optional<Wish> wish_;            ///< the latest
    std::unique_ptr<SoundReader> reader_; ///< the thread's own
    FilmSound read_;                      ///< what it reads
    WaitingThread worker_;
};

} // namespace ember::app
