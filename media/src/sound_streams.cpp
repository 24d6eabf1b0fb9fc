// SPDX-License-Identifier: GPL-3.0-or-later
#include "sound_streams.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <limits>
#include <string_view>

#include "writers.h"

namespace ember {

namespace {

/// ISO 639-2 has two codes for some languages. QuickTime knows the bibliographic ones only.
std::string bibliographic(const std::string& language)
{
    constexpr std::array<std::pair<std::string_view, std::string_view>, 20> codes{
        {{"bod", "tib"}, {"ces", "cze"}, {"cym", "wel"}, {"deu", "ger"}, {"ell", "gre"}, {"eus", "baq"}, {"fas", "per"},
         {"fra", "fre"}, {"hye", "arm"}, {"isl", "ice"}, {"kat", "geo"}, {"mkd", "mac"}, {"mri", "mao"}, {"msa", "may"},
         {"mya", "bur"}, {"nld", "dut"}, {"ron", "rum"}, {"slk", "slo"}, {"sqi", "alb"}, {"zho", "chi"}}};
    const auto found = std::find_if(codes.begin(), codes.end(), [&](const auto& c) { return c.first == language; });
    return found != codes.end() ? std::string(found->second) : language;
}

void describe(const AVFormatContext& film, AVStream& stream, const FilmTrack& track, bool first)
{
    if (const std::string& language = track.about.language; !language.empty()) {
        const bool quickTime = std::string_view(film.oformat->name) == "mov";
        av_dict_set(&stream.metadata, "language", (quickTime ? bibliographic(language) : language).c_str(), 0);
    }
    if (!track.about.title.empty())
        av_dict_set(&stream.metadata, "title", track.about.title.c_str(), 0);
    stream.disposition = first ? AV_DISPOSITION_DEFAULT : 0;
}

bool hasSound(const AVFormatContext& film)
{
    return std::any_of(film.streams, film.streams + film.nb_streams,
                       [](const AVStream* s) { return s->codecpar->codec_type == AVMEDIA_TYPE_AUDIO; });
}

class CodedSound final : public SoundStream {
public:
    Status open(AVFormatContext& film, FilmFormat format, const FilmTrack& track);
    int add(const SoundBuffer& sound, const PutPacket& put) override
    {
        pending_.insert(pending_.end(), sound.samples.begin(), sound.samples.end());
        const auto size = static_cast<std::size_t>(codec_->frame_size > 0 ? codec_->frame_size : 4096);
        while (pending_.size() >= size * channels_)
            if (const int code = codeNext(size, put); code < 0)
                return code;
        return 0;
    }
    int finish(const PutPacket& put) override
    {
        if (!pending_.empty())
            if (const int code = codeNext(pending_.size() / channels_, put); code < 0)
                return code;
        return encodeInto(*codec_, *stream_, nullptr, put);
    }

private:
    /// The first samples that wait.
    int codeNext(std::size_t length, const PutPacket& put)
    {
        av::FramePtr frame(av_frame_alloc());
        frame->format = codec_->sample_fmt;
        frame->sample_rate = codec_->sample_rate;
        av_channel_layout_copy(&frame->ch_layout, &codec_->ch_layout);
        const auto* from = reinterpret_cast<const std::uint8_t*>(pending_.data());
        frame->nb_samples = static_cast<int>(length);
        av_frame_get_buffer(frame.get(), 0);
        swr_convert(resampler_.get(), frame->extended_data, frame->nb_samples, &from, static_cast<int>(length));
        pending_.erase(pending_.begin(), pending_.begin() + static_cast<std::ptrdiff_t>(length * channels_));
        frame->pts = samples_;
        samples_ += frame->nb_samples;
        return encodeInto(*codec_, *stream_, frame.get(), put);
    }

    av::Codec codec_;
    AVStream* stream_ = nullptr;
    av::Resampler resampler_;
    std::size_t channels_ = 0;
    std::vector<float> pending_; ///< what does not fill a frame of the coder yet
    std::int64_t samples_ = 0;
};

/// The layout itself, or the nearest that the coder knows.
void takeLayout(const AVCodec& encoder, const FilmTrack& track, AVChannelLayout& layout)
{
    layoutNamed(track.about.layout, track.about.channels, layout);
    if (encoder.ch_layouts == nullptr && encoder.id != AV_CODEC_ID_OPUS) // which knows only the usual ones
        return;
    for (const AVChannelLayout* known = encoder.ch_layouts; known != nullptr && known->nb_channels != 0; ++known)
        if (av_channel_layout_compare(known, &layout) == 0)
            return;
    av_channel_layout_uninit(&layout);
    av_channel_layout_default(&layout, track.about.channels);
}

Status CodedSound::open(AVFormatContext& film, FilmFormat format, const FilmTrack& track)
{
    const auto wrong = [](int code) { return Error{ErrorCode::failed, "", av::words(code)}; };
    const AVCodec* encoder = soundEncoder(format);
    codec_.reset(avcodec_alloc_context3(encoder));
    const int rate = track.about.rate;
    channels_ = static_cast<std::size_t>(track.about.channels);
    codec_->sample_rate = rate;
    takeLayout(*encoder, track, codec_->ch_layout);
    const bool exact = format == FilmFormat::mkv || format == FilmFormat::mov;
    codec_->sample_fmt = exact                        ? AV_SAMPLE_FMT_S32
                         : format == FilmFormat::webm ? AV_SAMPLE_FMT_FLT
                                                      : AV_SAMPLE_FMT_FLTP;
    codec_->bits_per_raw_sample = exact ? 24 : 0;
    codec_->time_base = {1, rate};
    if (!exact)
        codec_->bit_rate = 96000L * std::max(2, track.about.channels);
    if ((film.oformat->flags & AVFMT_GLOBALHEADER) != 0)
        codec_->flags |= AV_CODEC_FLAG_GLOBAL_HEADER;
    if (const int code = avcodec_open2(codec_.get(), encoder, nullptr); code < 0)
        return wrong(code);
    // Matroska tells how much of the beginning a decoder drops, and players take that off every time of the sound.
    if (encoder->id == AV_CODEC_ID_OPUS)
        samples_ = codec_->initial_padding;
    const bool first = !hasSound(film);
    stream_ = avformat_new_stream(&film, nullptr);
    avcodec_parameters_from_context(stream_->codecpar, codec_.get());
    stream_->time_base = codec_->time_base;
    describe(film, *stream_, track, first);
    // The samples' channels are in the coder's order already where both have that layout.
    SwrContext* context = nullptr;
    swr_alloc_set_opts2(&context, &codec_->ch_layout, codec_->sample_fmt, rate, &codec_->ch_layout, AV_SAMPLE_FMT_FLT,
                        rate, 0, nullptr);
    resampler_.reset(context);
    if (const int code = swr_init(context); code < 0)
        return wrong(code);
    return Done{};
}

/// Takes packets from another file as they are.
class CopiedSound final : public SoundStream {
public:
    Status open(AVFormatContext& film, const FilmTrack& track);
    int advance(double seconds, const PutPacket& put) override { return copyUntil(std::min(seconds, seconds_), put); }
    int finish(const PutPacket& put) override { return copyUntil(seconds_, put); }

private:
    /// Packets that begin before this second of the film.
    int copyUntil(double seconds, const PutPacket& put);

    std::unique_ptr<av::Input> input_;
    int from_ = -1;
    AVStream* stream_ = nullptr;
    av::PacketPtr packet_{av_packet_alloc()};
    bool waiting_ = false; ///< packet_ holds one that comes later
    bool ended_ = false;
    std::int64_t last_ = std::numeric_limits<std::int64_t>::min(); ///< of the film's stream
    double begin_ = 0;                                             ///< second of the file that is the film's first
    double seconds_ = 0;
    std::int64_t delay_ = 0; ///< ticks of the file that players take off again
};

Status CopiedSound::open(AVFormatContext& film, const FilmTrack& track)
{
    auto input = av::Input::open(track.copyOf);
    if (!input)
        return input.error();
    input_ = std::move(input).value();
    AVFormatContext& source = *input_->format();
    const std::vector<int> streams = soundStreamsOf(source);
    if (track.copyTrack < 0 || track.copyTrack >= static_cast<int>(streams.size()))
        return Error{ErrorCode::notMedia, track.copyOf, "it has no sound"};
    from_ = streams[static_cast<std::size_t>(track.copyTrack)];
    for (unsigned i = 0; i < source.nb_streams; ++i)
        source.streams[i]->discard = static_cast<int>(i) == from_ ? AVDISCARD_DEFAULT : AVDISCARD_ALL;
    begin_ = track.copyFrom;
    seconds_ = track.copySeconds;
    const bool first = !hasSound(film);
    stream_ = avformat_new_stream(&film, nullptr);
    const AVStream& own = *input_->stream(from_);
    if (const int code = avcodec_parameters_copy(stream_->codecpar, own.codecpar); code < 0)
        return Error{ErrorCode::failed, track.copyOf, av::words(code)};
    stream_->codecpar->codec_tag = 0; // another container has tags of its own
    stream_->time_base = own.time_base;
    // See CodedSound: Matroska's times are those before what the decoder drops.
    const bool matroska =
        std::string_view(film.oformat->name) == "matroska" || std::string_view(film.oformat->name) == "webm";
    if (matroska && own.codecpar->codec_id == AV_CODEC_ID_OPUS)
        delay_ = av_rescale_q(own.codecpar->initial_padding, {1, own.codecpar->sample_rate}, own.time_base);
    describe(film, *stream_, track, first);
    return Done{};
}

int CopiedSound::copyUntil(double seconds, const PutPacket& put)
{
    const AVStream& own = *input_->stream(from_);
    const double tick = av_q2d(own.time_base);
    const auto shift = static_cast<std::int64_t>(std::llround(begin_ / tick)) - delay_;
    while (!ended_) {
        if (!waiting_) {
            if (av_read_frame(input_->format(), packet_.get()) < 0) {
                ended_ = true;
                return 0;
            }
            if (packet_->stream_index != from_) {
                av_packet_unref(packet_.get());
                continue;
            }
        }
        const auto at = packet_->pts != AV_NOPTS_VALUE ? packet_->pts : packet_->dts;
        waiting_ = at != AV_NOPTS_VALUE && (static_cast<double>(at) - static_cast<double>(shift)) * tick >= seconds;
        if (waiting_)
            return 0;
        for (std::int64_t* time : {&packet_->pts, &packet_->dts})
            if (*time != AV_NOPTS_VALUE)
                *time = av_sat_sub64(*time, shift); // files may say any time
        av_packet_rescale_ts(packet_.get(), own.time_base, stream_->time_base);
        if (packet_->dts != AV_NOPTS_VALUE && packet_->dts <= last_) { // no container takes one out of order
            av_packet_unref(packet_.get());
            continue;
        }
        last_ = packet_->dts != AV_NOPTS_VALUE ? packet_->dts : last_;
        packet_->stream_index = stream_->index;
        packet_->pos = -1;
        if (const int code = put(*packet_); code < 0)
            return code;
    }
    return 0;
}

} // namespace

std::vector<int> soundStreamsOf(AVFormatContext& format)
{
    const int named = av_find_best_stream(&format, AVMEDIA_TYPE_AUDIO, -1, -1, nullptr, 0);
    std::vector<int> streams;
    if (named >= 0)
        streams.push_back(named);
    for (unsigned i = 0; i < format.nb_streams; ++i)
        if (static_cast<int>(i) != named && format.streams[i]->codecpar->codec_type == AVMEDIA_TYPE_AUDIO &&
            format.streams[i]->codecpar->ch_layout.nb_channels > 0)
            streams.push_back(static_cast<int>(i));
    return streams;
}

SoundTrack soundTrackOf(const AVStream& stream)
{
    const auto tag = [&](const char* key) {
        const AVDictionaryEntry* found = av_dict_get(stream.metadata, key, nullptr, 0);
        return found != nullptr ? std::string(found->value) : std::string();
    };
    SoundTrack track;
    const AVCodecParameters& coded = *stream.codecpar;
    track.codec = avcodec_get_name(coded.codec_id);
    track.rate = coded.sample_rate;
    track.channels = coded.ch_layout.nb_channels;
    std::array<char, 64> layout{};
    if (coded.ch_layout.order == AV_CHANNEL_ORDER_NATIVE &&
        av_channel_layout_describe(&coded.ch_layout, layout.data(), layout.size()) > 0)
        track.layout = layout.data();
    track.language = tag("language");
    if (track.language == "und")
        track.language.clear();
    track.title = tag("title");
    return track;
}

void layoutNamed(const std::string& name, int channels, AVChannelLayout& layout)
{
    if (!name.empty() && av_channel_layout_from_string(&layout, name.c_str()) >= 0 && layout.nb_channels == channels)
        return;
    av_channel_layout_uninit(&layout);
    av_channel_layout_default(&layout, channels);
}

int encodeInto(AVCodecContext& codec, const AVStream& stream, const AVFrame* frame, const PutPacket& put)
{
    const av::PacketPtr packet(av_packet_alloc());
    int code = avcodec_send_frame(&codec, frame);
    while (code >= 0) {
        code = avcodec_receive_packet(&codec, packet.get());
        if (code == AVERROR(EAGAIN) || code == AVERROR_EOF)
            return 0;
        if (code < 0)
            break;
        packet->stream_index = stream.index;
        av_packet_rescale_ts(packet.get(), codec.time_base, stream.time_base);
        code = put(*packet);
    }
    return code;
}

Result<std::unique_ptr<SoundStream>> openCodedSound(AVFormatContext& film, FilmFormat format, const FilmTrack& track)
{
    auto sound = std::make_unique<CodedSound>();
    if (const Status opened = sound->open(film, format, track); !opened)
        return opened.error();
    return std::unique_ptr<SoundStream>(std::move(sound));
}

Result<std::unique_ptr<SoundStream>> openCopiedSound(AVFormatContext& film, const FilmTrack& track)
{
    auto sound = std::make_unique<CopiedSound>();
    if (const Status opened = sound->open(film, track); !opened)
        return opened.error();
    return std::unique_ptr<SoundStream>(std::move(sound));
}

} // namespace ember
