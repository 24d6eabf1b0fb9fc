// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/media/sound_reader.h"

#include <algorithm>
#include <cmath>

#include "av.h"
#include "sound_streams.h"

namespace ember {

namespace {

class FileSoundReader final : public SoundReader {
public:
    static Result<std::unique_ptr<SoundReader>> open(const std::string& path, double origin, int track,
                                                     const Choice& choice);
    ~FileSoundReader() override { av_channel_layout_uninit(&layout_); }

    int rate() const override { return rate_; }
    int channels() const override { return layout_.nb_channels; }
    double seconds() const override;
    void seek(std::int64_t sample) override;
    SoundBuffer read(std::int64_t count) override;
    bool atEnd() const override { return ended_ && pending_.empty(); }

private:
    /// Decodes one more frame into pending_; false at the end of the file.
    bool decodeMore();
    void append(const AVFrame& frame);
    bool prepareResampler(const AVFrame& frame);

    std::unique_ptr<av::Input> input_;
    int stream_ = -1;
    av::Codec codec_;
    av::PacketPtr packet_{av_packet_alloc()};
    av::FramePtr frame_{av_frame_alloc()};
    av::Resampler resampler_;
    int resamplerRate_ = 0;
    int resamplerFormat_ = -1;
    int resamplerChannels_ = 0;
    AVChannelLayout layout_{};
    int rate_ = 0;
    double origin_ = 0;
    std::vector<float> pending_;    ///< decoded, not yet read
    std::int64_t pendingStart_ = 0; ///< sample number of its first
    bool placed_ = false;           ///< pendingStart_ is known
    std::int64_t position_ = 0;     ///< sample number of the next read
    bool ended_ = false;
    bool draining_ = false;
};

Result<std::unique_ptr<SoundReader>> FileSoundReader::open(const std::string& path, double origin, int track,
                                                           const Choice& choice)
{
    auto input = av::Input::open(path);
    if (!input)
        return input.error();
    auto reader = std::make_unique<FileSoundReader>();
    reader->input_ = std::move(input).value();
    reader->origin_ = origin;
    AVFormatContext* format = reader->input_->format();
    const std::vector<int> streams = soundStreamsOf(*format);
    if (track < 0 || track >= static_cast<int>(streams.size()))
        return Error{ErrorCode::notMedia, path, "it has no sound"};
    reader->stream_ = streams[static_cast<std::size_t>(track)];
    for (unsigned i = 0; i < format->nb_streams; ++i)
        if (static_cast<int>(i) != reader->stream_)
            format->streams[i]->discard = AVDISCARD_ALL;
    auto codec = av::openDecoder(reader->input_->stream(reader->stream_), path, 1);
    if (!codec)
        return codec.error();
    reader->codec_ = std::move(codec).value();
    const Format wanted = choice({reader->codec_->sample_rate, reader->codec_->ch_layout.nb_channels});
    reader->rate_ = wanted.rate > 0 ? wanted.rate : reader->codec_->sample_rate;
    const AVChannelLayout& own = reader->codec_->ch_layout;
    const int channels = wanted.channels > 0 ? wanted.channels : own.nb_channels;
    if (channels != own.nb_channels || own.order == AV_CHANNEL_ORDER_UNSPEC)
        av_channel_layout_default(&reader->layout_, channels);
    else // what is heard where stays
        av_channel_layout_copy(&reader->layout_, &own);
    if (reader->rate_ <= 0 || reader->layout_.nb_channels <= 0)
        return Error{ErrorCode::unsupported, path, "its sound names no sample rate or channels"};
    return std::unique_ptr<SoundReader>(std::move(reader));
}

double FileSoundReader::seconds() const
{
    const AVStream* stream = input_->stream(stream_);
    if (stream->duration > 0)
        return static_cast<double>(stream->duration) * av_q2d(stream->time_base);
    const auto whole = input_->format()->duration;
    return whole > 0 ? static_cast<double>(whole) / AV_TIME_BASE : 0;
}

void FileSoundReader::seek(std::int64_t sample)
{
    position_ = sample;
    const auto pendingEnd = pendingStart_ + static_cast<std::int64_t>(pending_.size()) / layout_.nb_channels;
    if (placed_ && sample >= pendingStart_ && sample <= pendingEnd)
        return;
    // A little early: coders of sound need some run-up before their output is right.
    const AVStream* stream = input_->stream(stream_);
    const double seconds = static_cast<double>(sample) / rate_ + origin_ - 0.15;
    const auto at = static_cast<std::int64_t>(std::floor(std::max(seconds, 0.0) / av_q2d(stream->time_base)));
    if (av_seek_frame(input_->format(), stream_, at, AVSEEK_FLAG_BACKWARD) < 0)
        avformat_seek_file(input_->format(), stream_, INT64_MIN, 0, INT64_MAX, 0);
    avcodec_flush_buffers(codec_.get());
    resampler_.reset();
    resamplerRate_ = 0;
    pending_.clear();
    placed_ = false;
    ended_ = false;
    draining_ = false;
}

bool FileSoundReader::prepareResampler(const AVFrame& frame)
{
    const int channels = frame.ch_layout.nb_channels;
    if (resampler_ && resamplerRate_ == frame.sample_rate && resamplerFormat_ == frame.format &&
        resamplerChannels_ == channels)
        return true;
    AVChannelLayout from{};
    if (frame.ch_layout.order == AV_CHANNEL_ORDER_UNSPEC)
        av_channel_layout_default(&from, channels);
    else
        av_channel_layout_copy(&from, &frame.ch_layout);
    SwrContext* context = nullptr;
    int code = swr_alloc_set_opts2(&context, &layout_, AV_SAMPLE_FMT_FLT, rate_, &from,
                                   static_cast<AVSampleFormat>(frame.format), frame.sample_rate, 0, nullptr);
    av_channel_layout_uninit(&from);
    resampler_.reset(context);
    if (code >= 0)
        code = swr_init(context);
    if (code < 0) {
        resampler_.reset();
        return false;
    }
    resamplerRate_ = frame.sample_rate;
    resamplerFormat_ = frame.format;
    resamplerChannels_ = channels;
    return true;
}

void FileSoundReader::append(const AVFrame& frame)
{
    if (!prepareResampler(frame))
        return;
    const auto channels = static_cast<std::size_t>(layout_.nb_channels);
    const auto delay = swr_get_delay(resampler_.get(), rate_); // of what went in before, in samples of the output
    const int room = swr_get_out_samples(resampler_.get(), frame.nb_samples);
    std::vector<float> out(static_cast<std::size_t>(std::max(room, 0)) * channels);
    auto* to = reinterpret_cast<std::uint8_t*>(out.data());
    const int got = swr_convert(resampler_.get(), &to, room, const_cast<const std::uint8_t**>(frame.extended_data),
                                frame.nb_samples);
    out.resize(static_cast<std::size_t>(std::max(got, 0)) * channels);

    const AVStream* stream = input_->stream(stream_);
    const auto pts = frame.pts != AV_NOPTS_VALUE ? frame.pts : frame.best_effort_timestamp;
    std::int64_t start = pendingStart_ + static_cast<std::int64_t>(pending_.size() / channels);
    if (pts != AV_NOPTS_VALUE) {
        const double seconds = static_cast<double>(pts) * av_q2d(stream->time_base) - origin_;
        const auto named = std::llround(seconds * rate_) - delay;
        // Clocks in milliseconds jitter; only a real gap or overlap is taken seriously once the place is known.
        if (!placed_)
            pendingStart_ = named;
        else if (named - start > rate_ / 20)
            pending_.resize(pending_.size() + static_cast<std::size_t>(named - start) * channels, 0.f);
        placed_ = true;
    } else if (!placed_) {
        pendingStart_ = 0;
        placed_ = true;
    }
    pending_.insert(pending_.end(), out.begin(), out.end());
}

bool FileSoundReader::decodeMore()
{
    for (;;) {
        int code = avcodec_receive_frame(codec_.get(), frame_.get());
        if (code == 0) {
            append(*frame_);
            av_frame_unref(frame_.get());
            return true;
        }
        if (code == AVERROR_EOF || draining_) {
            ended_ = true;
            return false;
        }
        if (av_read_frame(input_->format(), packet_.get()) < 0) {
            draining_ = true;
            avcodec_send_packet(codec_.get(), nullptr);
            continue;
        }
        if (packet_->stream_index == stream_)
            avcodec_send_packet(codec_.get(), packet_.get());
        av_packet_unref(packet_.get());
    }
}

SoundBuffer FileSoundReader::read(std::int64_t count)
{
    const auto channels = static_cast<std::int64_t>(layout_.nb_channels);
    SoundBuffer out{rate_, layout_.nb_channels, std::vector<float>(static_cast<std::size_t>(count * channels), 0.f)};
    const auto end = position_ + count;
    const auto pendingEnd = [&] { return pendingStart_ + static_cast<std::int64_t>(pending_.size()) / channels; };
    while (!ended_ && (!placed_ || pendingEnd() < end)) {
        // What lies before the place of reading is not kept.
        if (placed_ && pendingEnd() <= position_) {
            pendingStart_ = pendingEnd();
            pending_.clear();
        }
        decodeMore();
    }
    const auto from = std::max(position_, pendingStart_);
    const auto to = std::min(end, pendingEnd());
    if (from < to)
        std::copy(pending_.begin() + (from - pendingStart_) * channels,
                  pending_.begin() + (to - pendingStart_) * channels,
                  out.samples.begin() + (from - position_) * channels);
    const auto used = std::clamp<std::int64_t>(end - pendingStart_, 0, pendingEnd() - pendingStart_);
    pending_.erase(pending_.begin(), pending_.begin() + used * channels);
    pendingStart_ += used;
    position_ = end;
    return out;
}

} // namespace

Result<std::unique_ptr<SoundReader>> SoundReader::openBy(const Choice& choice, const std::string& path,
                                                         double originSeconds, int track)
{
    return FileSoundReader::open(path, originSeconds, track, choice);
}

Result<Waveform> readWaveform(SoundReader& sound, const std::string& name, double seconds, double slotSeconds,
                              const Progress& progress)
{
    Waveform wave;
    wave.slotsPerSecond = 1.0 / slotSeconds;
    const auto slots = static_cast<std::int64_t>(std::ceil(seconds / slotSeconds));
    sound.seek(0);
    std::int64_t done = 0;
    for (std::int64_t slot = 0; slot < slots; ++slot) {
        const auto end = std::llround(static_cast<double>(slot + 1) * slotSeconds * sound.rate());
        const SoundBuffer part = sound.read(end - done);
        done = end;
        const auto [low, high] = std::minmax_element(part.samples.begin(), part.samples.end());
        wave.low.push_back(part.samples.empty() ? 0.f : *low);
        wave.high.push_back(part.samples.empty() ? 0.f : *high);
        if (slot % 64 == 0 && !progress(static_cast<double>(slot) / static_cast<double>(slots)))
            return Error{ErrorCode::cancelled, name, ""};
    }
    return wave;
}

} // namespace ember
