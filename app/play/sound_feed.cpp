// SPDX-License-Identifier: GPL-3.0-or-later
#include "sound_feed.h"

#include <algorithm>
#include <cstring>

#include "sound_sink.h"

namespace ember::app {

namespace {
constexpr std::int64_t chunk = 2048;
}

SoundFeed::SoundFeed(std::unique_ptr<SoundReader> reader, const PlayLine& line, std::int64_t framesAhead)
    : reader_(std::move(reader)), line_(line), room_(static_cast<std::size_t>(2 * framesAhead)),
      ring_(room_ + 4 * chunk),
      worker_([this] { return !complete_ && ringCount_ < room_; }, [this](auto& held) { decode(held); })
{
    open(QIODevice::ReadOnly | QIODevice::Unbuffered);
}

SoundFeed::~SoundFeed() = default;

qint64 SoundFeed::bytesAvailable() const
{
    // Silence is always available, so a device never believes the film has ended.
    return static_cast<qint64>(room_) * static_cast<qint64>(sizeof(std::int16_t));
}

void SoundFeed::waitUntilFull()
{
    worker_.until([this] { return complete_ || ringCount_ >= room_; });
}

void SoundFeed::decode(WaitingThread::Lock& held)
{
    const auto straight = line_.straightFrom(decoded_);
    if (straight <= 0) {
        complete_ = true;
        worker_.tell();
        return;
    }
    const auto count = std::min(chunk, straight);
    held.unlock();
    if (decoded_ == 0)
        reader_->seek(line_.at(0));
    const SoundBuffer part = reader_->read(count);
    decoded_ += count;
    if (count == straight && line_.loops())
        reader_->seek(line_.at(decoded_));
    held.lock();
    for (const float value : part.samples)
        ring_[(ringFirst_ + ringCount_++) % ring_.size()] = sixteenBits(value);
    worker_.tell();
}

qint64 SoundFeed::readData(char* data, qint64 size)
{
    const auto wanted = static_cast<std::size_t>(size) / sizeof(std::int16_t) / 2 * 2;
    std::memset(data, 0, wanted * sizeof(std::int16_t));
    const auto held = worker_.lock();
    const auto given = std::min(wanted, ringCount_);
    for (std::size_t i = 0; i < given; ++i) {
        std::memcpy(data + i * sizeof(std::int16_t), &ring_[ringFirst_], sizeof(std::int16_t));
        ringFirst_ = (ringFirst_ + 1) % ring_.size();
    }
    ringCount_ -= given;
    worker_.tell();
    return static_cast<qint64>(wanted) * static_cast<qint64>(sizeof(std::int16_t));
}

} // namespace ember::app
