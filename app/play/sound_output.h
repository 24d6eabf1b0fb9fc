// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstdint>
#include <memory>

#include "ember/film/film_sound.h"
#include "playback.h"
#include "sound_sink.h"

namespace ember::app {

class SoundFeed;

/// Plays the sound of a film, and is the clock of playback while it does.
class SoundOutput {
public:
    explicit SoundOutput(std::unique_ptr<SoundSink> sink = std::make_unique<DeviceSink>());
    ~SoundOutput();

    /// Starts at `line.start` (in samples as they are heard). Below full speed the sound is stretched and keeps its
    /// pitch. False when there is no device or no sound; then time is not kept here.
    bool start(const FilmSound& sound, double speed, const PlayLine& line);
    void stop();
    bool running() const { return sink_->running(); }
    /// Samples that reached the ear since the start: what the device told, and time in between, less what the device is
    /// late by (preference::soundLatency). Never goes back.
    std::int64_t heard();

private:
    std::unique_ptr<SoundFeed> feed_; // before the sink: it is read until that has stopped
    std::unique_ptr<SoundSink> sink_;
    SoundClock clock_;
    std::int64_t late_ = 0;  ///< instants from the device to the ear
    std::int64_t heard_ = 0; ///< never goes back
};

} // namespace ember::app
