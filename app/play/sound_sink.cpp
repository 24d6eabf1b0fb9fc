// SPDX-License-Identifier: GPL-3.0-or-later
#include "sound_sink.h"

#include <algorithm>
#include <cmath>

#include <QAudioDevice>
#include <QAudioFormat>
#include <QAudioSink>
#include <QMediaDevices>

#include "preferences.h"

namespace ember::app {

namespace {

QAudioDevice chosenDevice()
{
    const QByteArray wanted = preference::soundDevice().toUtf8();
    for (const QAudioDevice& one : QMediaDevices::audioOutputs())
        if (!wanted.isEmpty() && one.id() == wanted) // else it is not there now
            return one;
    return QMediaDevices::defaultAudioOutput();
}

} // namespace

DeviceSink::DeviceSink() = default;

DeviceSink::~DeviceSink()
{
    stop();
}

bool DeviceSink::available()
{
    return !QMediaDevices::defaultAudioOutput().isNull();
}

bool DeviceSink::start(QIODevice& feed, double ahead)
{
    stop();
    const QAudioDevice device = chosenDevice();
    QAudioFormat format;
    format.setSampleRate(rate);
    format.setChannelCount(2);
    format.setSampleFormat(QAudioFormat::Int16);
    if (device.isNull() || !device.isFormatSupported(format))
        return false;
    sink_ = std::make_unique<QAudioSink>(device, format);
    sink_->setBufferSize(static_cast<qsizetype>(std::lround(ahead * rate)) * format.bytesPerFrame());
    sink_->start(&feed);
    if (sink_->error() != QAudio::NoError)
        stop();
    return running();
}

void DeviceSink::stop()
{
    if (sink_)
        sink_->stop();
    sink_.reset();
}

std::int64_t DeviceSink::played() const
{
    return sink_ ? sink_->processedUSecs() * rate / 1'000'000 : 0;
}

void SoundClock::start()
{
    told_ = 0;
    since_.start();
}

std::int64_t SoundClock::at(std::int64_t told)
{
    constexpr std::int64_t longestStep = SoundSink::rate / 20;
    if (told != told_) {
        told_ = told;
        since_.start();
    }
    if (told_ == 0)
        return 0;
    return told_ + std::min<std::int64_t>(since_.nsecsElapsed() * SoundSink::rate / 1'000'000'000, longestStep);
}

std::int16_t sixteenBits(float sample)
{
    return static_cast<std::int16_t>(std::lround(std::clamp(sample, -1.F, 1.F) * 32767.F));
}

} // namespace ember::app
