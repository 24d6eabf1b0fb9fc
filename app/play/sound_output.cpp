// SPDX-License-Identifier: GPL-3.0-or-later
#include "sound_output.h"

#include <cmath>

#include <QAudioDevice>
#include <QAudioFormat>
#include <QAudioSink>
#include <QMediaDevices>

#include "preferences.h"
#include "sound_feed.h"

namespace ember::app {

SoundOutput::SoundOutput(QObject* parent) : QObject(parent) {}

SoundOutput::~SoundOutput()
{
    stop();
}

bool SoundOutput::deviceAvailable()
{
    return !QMediaDevices::defaultAudioOutput().isNull();
}

QAudioDevice SoundOutput::device()
{
    const QByteArray wanted = preference::soundDevice().toUtf8();
    for (const QAudioDevice& one : QMediaDevices::audioOutputs())
        if (!wanted.isEmpty() && one.id() == wanted) // else it is not there now
            return one;
    return QMediaDevices::defaultAudioOutput();
}

bool SoundOutput::start(const FilmSound& sound, double speed, const PlayLine& line)
{
    stop();
    const QAudioDevice chosen = device();
    if (chosen.isNull())
        return false;
    QAudioFormat format;
    format.setSampleRate(rate);
    format.setChannelCount(2);
    format.setSampleFormat(QAudioFormat::Int16);
    if (!chosen.isFormatSupported(format))
        return false;
    auto reader = openFilmSound(sound, {static_cast<int>(std::lround(rate / speed)), 2});
    if (!reader)
        return false;
    feed_ = std::make_unique<SoundFeed>(std::move(reader).value(), line, rate / 2);
    feed_->waitUntilFull();
    sink_ = std::make_unique<QAudioSink>(chosen, format);
    sink_->setBufferSize(rate / 10 * 4);
    sink_->start(feed_.get());
    if (sink_->error() != QAudio::NoError) {
        stop();
        return false;
    }
    return true;
}

void SoundOutput::stop()
{
    if (sink_)
        sink_->stop();
    sink_.reset();
    feed_.reset();
}

std::int64_t SoundOutput::played() const
{
    return sink_ ? sink_->processedUSecs() * rate / 1'000'000 : 0;
}

} // namespace ember::app
