// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <atomic>
#include <memory>
#include <string>

#include <QObject>

#include "ember/film/film_sound.h"
#include "playback.h"

class QAudioDevice;
class QAudioSink;

namespace ember::app {

class SoundFeed;

/// Plays the sound of a clip through the default device, if there is one.
class SoundOutput : public QObject {
    Q_OBJECT
public:
    static constexpr int rate = 48000;

    explicit SoundOutput(QObject* parent = nullptr);
    ~SoundOutput() override;

    static bool deviceAvailable();
    /// The one that was chosen, or the system's where that is not there.
    static QAudioDevice device();

    /// Starts at `line.start` (in samples as they are played, at `rate`). At half speed the sound is read at twice the
    /// rate. False when there is no device or no sound; then time is not kept here.
    bool start(const FilmSound& sound, double speed, const PlayLine& line);
    void stop();
    bool running() const { return sink_ != nullptr; }
    /// Samples heard since the start: the clock of playback.
    std::int64_t played() const;

private:
    std::unique_ptr<SoundFeed> feed_;
    std::unique_ptr<QAudioSink> sink_;
};

} // namespace ember::app
