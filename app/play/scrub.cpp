// SPDX-License-Identifier: GPL-3.0-or-later
#include "scrub.h"

#include <algorithm>
#include <cmath>
#include <cstring>
#include <numbers>

#include <QSettings>

#include "player.h"
#include "session.h"

namespace ember::app {

namespace {

const QString onKey = QStringLiteral("play/scrub");
constexpr double shortest = 1.0 / 30; ///< seconds; less is a click, whatever it is of
constexpr int openMilliseconds = 2000;
constexpr std::int64_t overSamples = SoundSink::rate * 4 / 1000;

/// From 0 to 1, with no corner at either end.
float ramp(std::int64_t at, std::int64_t length)
{
    const double share = std::clamp((static_cast<double>(at) + 0.5) / static_cast<double>(length), 0.0, 1.0);
    return static_cast<float>(0.5 - 0.5 * std::cos(std::numbers::pi * share));
}

} // namespace

SoundBuffer grainAt(SoundReader& reader, std::int64_t first, std::int64_t length)
{
    reader.seek(first);
    SoundBuffer grain = reader.read(length);
    const std::int64_t opening = std::max<std::int64_t>(1, reader.rate() / 1000);
    const std::int64_t closing = std::max<std::int64_t>(1, length / 4);
    for (std::int64_t i = 0; i < grain.length(); ++i) {
        const float gain = ramp(i, opening) * ramp(length - 1 - i, closing);
        for (int channel = 0; channel < grain.channels; ++channel)
            grain.samples[static_cast<std::size_t>(i * grain.channels + channel)] *= gain;
    }
    return grain;
}

GrainFeed::GrainFeed()
{
    open(QIODevice::ReadOnly | QIODevice::Unbuffered);
}

void GrainFeed::sound(const SoundBuffer& grain)
{
    const std::lock_guard lock(mutex_);
    const std::size_t over = std::min(next_.size(), static_cast<std::size_t>(2 * overSamples));
    std::vector<float> mix = grain.samples;
    mix.resize(std::max(mix.size(), over));
    for (std::size_t i = 0; i < over; ++i)
        mix[i] += next_[i] * (1 - ramp(static_cast<std::int64_t>(i / 2), static_cast<std::int64_t>(over / 2)));
    next_ = std::move(mix);
}

bool GrainFeed::silent() const
{
    const std::lock_guard lock(mutex_);
    return next_.empty();
}

qint64 GrainFeed::readData(char* data, qint64 size)
{
    const auto wanted = static_cast<std::size_t>(size) / sizeof(std::int16_t) / 2 * 2;
    const std::lock_guard lock(mutex_);
    for (std::size_t i = 0; i < wanted; ++i) {
        const std::int16_t sample = i < next_.size() ? sixteenBits(next_[i]) : std::int16_t{0};
        std::memcpy(data + i * sizeof sample, &sample, sizeof sample);
    }
    next_.erase(next_.begin(), next_.begin() + static_cast<std::ptrdiff_t>(std::min(wanted, next_.size())));
    return static_cast<qint64>(wanted) * static_cast<qint64>(sizeof(std::int16_t));
}

Scrub::Scrub(Session& session, Player& player, std::unique_ptr<SoundSink> sink)
    : session_(session), player_(player), sink_(std::move(sink)),
      worker_([this] { return wish_.has_value(); }, [this](auto& held) { work(held); })
{
    rest_.setSingleShot(true);
    rest_.setInterval(openMilliseconds);
    connect(&rest_, &QTimer::timeout, this, [this] { sink_->stop(); });
    connect(&session_.playhead, &Playhead::wentTo, this, &Scrub::sound);
    connect(&player_, &Player::stateChanged, this, [this] {
        if (player_.playing())
            sink_->stop(); // one device, one who plays
    });
}

Scrub::~Scrub()
{
    sink_->stop();
}

bool Scrub::on()
{
    return QSettings().value(onKey, true).toBool();
}

void Scrub::setOn(bool on)
{
    QSettings().setValue(onKey, on);
    if (!on)
        sink_->stop();
}

void Scrub::sound(qint64 frame)
{
    if (player_.playing() || !player_.soundOn() || !on())
        return;
    if (refused_.isValid() && refused_.elapsed() < openMilliseconds)
        return; // asking the system for its devices at each step of a drag would be felt
    const FilmSound sound = session_.film.filmSound();
    if (!sound.any())
        return;
    if (!sink_->running() && !sink_->start(feed_, 0.04)) {
        refused_.start();
        return;
    }
    rest_.start();
    const FrameRate rate = session_.document.project().rate;
    const auto sampleOf = [rate](double at) { return std::llround(rate.seconds(at) * SoundSink::rate); };
    const auto first = sampleOf(static_cast<double>(frame));
    const auto length = std::max(sampleOf(static_cast<double>(frame + 1)) - first,
                                 static_cast<long long>(std::lround(shortest * SoundSink::rate)));
    worker_.change([&] { wish_ = Wish{sound, first, length}; });
}

void Scrub::work(WaitingThread::Lock& held)
{
    const Wish wish = *std::exchange(wish_, std::nullopt);
    held.unlock();
    if (reader_ == nullptr || !(wish.sound == read_)) {
        read_ = wish.sound;
        auto opened = openFilmSound(wish.sound, {SoundSink::rate, 2});
        reader_ = opened ? std::move(opened).value() : nullptr;
    }
    if (reader_ != nullptr)
        feed_.sound(grainAt(*reader_, wish.first, wish.length));
    held.lock();
}

} // namespace ember::app
