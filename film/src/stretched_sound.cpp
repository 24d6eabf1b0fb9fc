// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/film/stretched_sound.h"

#include <algorithm>
#include <cmath>
#include <vector>

#include <rubberband/RubberBandStretcher.h>

namespace ember {

namespace {

using RubberBand::RubberBandStretcher;

class StretchedReader final : public SoundReader {
public:
    StretchedReader(std::unique_ptr<SoundReader> source, double speed)
        : source_(std::move(source)), speed_(speed),
          stretcher_(static_cast<std::size_t>(source_->rate()), static_cast<std::size_t>(source_->channels()),
                     RubberBandStretcher::OptionProcessRealTime | RubberBandStretcher::OptionWindowShort |
                         RubberBandStretcher::OptionChannelsTogether,
                     1 / speed),
          apart_(static_cast<std::size_t>(source_->channels()))
    {
        seek(0);
    }

    int rate() const override { return source_->rate(); }
    int channels() const override { return source_->channels(); }
    double seconds() const override { return source_->seconds() / speed_; }
    bool atEnd() const override
    {
        return source_->atEnd() && static_cast<double>(position_) * speed_ >= static_cast<double>(fed_);
    }

    void seek(std::int64_t sample) override
    {
        stretcher_.reset();
        together_.clear();
        // It starts in what was before, so that the first samples are whole, and leaves out what it is late by.
        const auto lead = static_cast<std::int64_t>(stretcher_.getPreferredStartPad());
        leftOut_ = static_cast<std::int64_t>(stretcher_.getStartDelay());
        position_ = sample;
        fed_ = std::llround(static_cast<double>(sample) * speed_) - lead;
        source_->seek(fed_);
        put(lead);
    }

    SoundBuffer read(std::int64_t count) override
    {
        const auto samples = static_cast<std::size_t>(count) * apart_.size();
        while (together_.size() < samples) {
            take();
            if (together_.size() < samples)
                put(std::clamp<std::int64_t>(static_cast<std::int64_t>(stretcher_.getSamplesRequired()), 1, chunk));
        }
        const auto end = together_.begin() + static_cast<std::ptrdiff_t>(samples);
        SoundBuffer out{rate(), channels(), {together_.begin(), end}};
        together_.erase(together_.begin(), end);
        position_ += count;
        return out;
    }

private:
    static constexpr std::int64_t chunk = 1024;

    std::vector<float*> channelStarts(std::size_t length)
    {
        std::vector<float*> starts;
        starts.reserve(apart_.size());
        for (auto& channel : apart_) {
            channel.resize(length);
            starts.push_back(channel.data());
        }
        return starts;
    }

    void put(std::int64_t count)
    {
        if (!source_->atEnd())
            fed_ += count;
        const SoundBuffer part = source_->read(count);
        const auto starts = channelStarts(static_cast<std::size_t>(count));
        for (std::size_t i = 0; i < part.samples.size(); ++i)
            apart_[i % apart_.size()][i / apart_.size()] = part.samples[i];
        stretcher_.process(starts.data(), static_cast<std::size_t>(count), false);
    }

    void take()
    {
        const auto there = static_cast<std::size_t>(std::max(0, stretcher_.available()));
        const auto starts = channelStarts(there);
        const auto got = static_cast<std::int64_t>(stretcher_.retrieve(starts.data(), there));
        const auto skipped = std::min(leftOut_, got);
        leftOut_ -= skipped;
        for (auto i = static_cast<std::size_t>(skipped); i < static_cast<std::size_t>(got); ++i)
            for (const auto& channel : apart_)
                together_.push_back(channel[i]);
    }

    std::unique_ptr<SoundReader> source_;
    double speed_;
    RubberBandStretcher stretcher_;
    std::vector<std::vector<float>> apart_; ///< one row a channel; the stretcher's way
    std::vector<float> together_;           ///< interleaved, not yet read
    std::int64_t leftOut_ = 0;
    std::int64_t position_ = 0; ///< of the next read, in samples as they are heard
    std::int64_t fed_ = 0;      ///< the source went in up to here
};

} // namespace

std::unique_ptr<SoundReader> stretched(std::unique_ptr<SoundReader> source, double speed)
{
    if (speed == 1)
        return source;
    return std::make_unique<StretchedReader>(std::move(source), std::clamp(speed, 0.05, 4.0));
}

} // namespace ember
