// SPDX-License-Identifier: GPL-3.0-or-later
#include "sound_output.h"

#include <algorithm>
#include <cmath>

#include "ember/film/stretched_sound.h"
#include "preferences.h"
#include "sound_feed.h"

namespace ember::app {

SoundOutput::SoundOutput(std::unique_ptr<SoundSink> sink) : sink_(std::move(sink)) {}

SoundOutput::~SoundOutput()
{
    stop();
}

bool SoundOutput::start(const FilmSound& sound, double speed, const PlayLine& line)
{
    stop();
    auto reader = openFilmSound(sound, {SoundSink::rate, 2});
    if (!reader)
        return false;
    feed_ = std::make_unique<SoundFeed>(stretched(std::move(reader).value(), speed), line, SoundSink::rate / 2);
    feed_->waitUntilFull();
    late_ = std::llround(preference::value(preference::soundLatency) / 1000 * SoundSink::rate);
    heard_ = 0;
    clock_.start();
    if (!sink_->start(*feed_, 0.1))
        feed_.reset();
    return running();
}

void SoundOutput::stop()
{
    sink_->stop();
    feed_.reset();
}

std::int64_t SoundOutput::heard()
{
    heard_ = std::max(heard_, clock_.at(sink_->played()) - late_);
    return heard_;
}

} // namespace ember::app
