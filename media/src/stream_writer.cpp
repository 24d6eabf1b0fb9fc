// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>
#include <cerrno>
#include <cmath>
#include <cstdio>
#include <cstring>
#include <fcntl.h>
#include <filesystem>
#include <sys/stat.h>
#include <unistd.h>

#include "ember/files/output_guard.h"
#include "ember/files/part_files.h"
#include "writers.h"

namespace ember {

namespace {

/// A file being written through its descriptor; remembers the first thing that went wrong, and writes no more then.
struct OutputFile {
    int file = -1;
    int trouble = 0;
};

int writeFile(void* opaque, std::uint8_t* data, int size)
{
    auto& out = *static_cast<OutputFile*>(opaque);
    if (out.trouble == 0)
        out.trouble = av::writeAll(out.file, data, static_cast<std::size_t>(size));
    if (out.trouble != 0)
        return AVERROR(out.trouble);
    return size;
}

std::int64_t seekOutput(void* opaque, std::int64_t offset, int whence)
{
    auto& out = *static_cast<OutputFile*>(opaque);
    if ((whence & AVSEEK_SIZE) != 0) {
        struct stat status {};
        return ::fstat(out.file, &status) == 0 ? status.st_size : AVERROR(errno);
    }
    const auto at = ::lseek(out.file, offset, whence & ~AVSEEK_FORCE);
    return at < 0 ? AVERROR(errno) : at;
}

/// MP4 and MKV through libavformat.
class StreamWriter final : public FilmWriter {
public:
    StreamWriter(std::string path, const FilmSettings& settings)
        : path_(std::move(path)), part_(partName(path_)), settings_(settings)
    {
    }
    ~StreamWriter() override;

    Status prepare();
    Status addFrame(const Image& image) override;
    Status addSound(const SoundBuffer& sound) override;
    Status finish() override;

private:
    /// How the pictures of a film are coded.
    struct Coding {
        const char* container;
        const char* encoder;
        AVPixelFormat pixels;
        bool video; ///< in video range and BT.709; else RGB
        std::vector<std::pair<const char*, const char*>> options;
    };
    Coding coding() const;
    Status openVideo();
    Status openSound();
    Status encode(AVCodecContext& codec, AVStream& stream, const AVFrame* frame);
    Status soundFrame(std::size_t length);
    Error error(int code) const;

    std::string path_;
    std::string part_;
    FilmSettings settings_;
    OutputFile out_;
    AVIOContext* io_ = nullptr;
    AVFormatContext* format_ = nullptr;
    av::Codec video_;
    av::Codec sound_;
    AVStream* videoStream_ = nullptr;
    AVStream* soundStream_ = nullptr;
    av::Scaler scaler_;
    av::Resampler resampler_;
    av::FramePtr picture_{av_frame_alloc()};
    av::PacketPtr packet_{av_packet_alloc()};
    std::vector<float> pending_; ///< sound that does not fill a frame of the coder yet
    std::int64_t frames_ = 0;
    std::int64_t samples_ = 0;
    bool begun_ = false; ///< and not ended
    bool finished_ = false;
};

StreamWriter::~StreamWriter()
{
    if (begun_) { // what a format keeps of the film it lets go at its end only
        out_.trouble = out_.trouble == 0 ? ECANCELED : out_.trouble;
        av_write_trailer(format_);
    }
    if (format_ != nullptr)
        avformat_free_context(format_);
    if (io_ != nullptr) {
        av_freep(&io_->buffer);
        avio_context_free(&io_);
    }
    if (out_.file >= 0)
        ::close(out_.file);
    if (!finished_ && !part_.empty())
        ::unlink(part_.c_str());
}

Error StreamWriter::error(int code) const
{
    if (out_.trouble != 0)
        return {ErrorCode::unwritable, path_, std::strerror(out_.trouble)};
    return {ErrorCode::failed, path_, av::words(code)};
}

Status StreamWriter::prepare()
{
    if (!settings_.overwrite && somethingAt(path_)) {
        part_.clear();
        return Error{ErrorCode::exists, path_, "say that it may be replaced, or choose another name"};
    }
    removeLeftParts(path_);
    out_.file = ::open(part_.c_str(), O_RDWR | O_CREAT | O_TRUNC | O_CLOEXEC, 0666);
    if (out_.file < 0)
        return Error{ErrorCode::unwritable, path_, std::strerror(errno)};
    constexpr int bufferSize = 1 << 18;
    io_ = avio_alloc_context(static_cast<unsigned char*>(av_malloc(bufferSize)), bufferSize, 1, &out_, nullptr,
                             writeFile, seekOutput);
    avformat_alloc_output_context2(&format_, nullptr, coding().container, nullptr);
    format_->pb = io_;
    // The same film is the same bytes: no times, no ids by chance, no versions.
    format_->flags |= AVFMT_FLAG_CUSTOM_IO | AVFMT_FLAG_BITEXACT;
    if (auto opened = openVideo(); !opened)
        return opened;
    if (settings_.soundRate > 0 && soundEncoder(settings_.format) != nullptr)
        if (auto opened = openSound(); !opened)
            return opened;
    if (const int code = avformat_write_header(format_, nullptr); code < 0)
        return error(code);
    begun_ = true;
    return Done{};
}

StreamWriter::Coding StreamWriter::coding() const
{
    const auto byQuality = [this](const char* draft, const char* good, const char* best) {
        return settings_.quality == FilmQuality::draft ? draft : settings_.quality == FilmQuality::good ? good : best;
    };
    const bool alpha = settings_.alpha;
    const bool deep = settings_.depth == Depth::sixteen;
    switch (settings_.format) {
    case FilmFormat::mp4:
        return {"mp4",
                "libx264",
                AV_PIX_FMT_YUV420P,
                true,
                {{"preset", byQuality("veryfast", "medium", "slow")}, {"crf", byQuality("23", "17", "12")}}};
    case FilmFormat::webm:
        return {"webm",
                "libvpx-vp9",
                alpha ? AV_PIX_FMT_YUVA420P : AV_PIX_FMT_YUV420P,
                true,
                {{"crf", byQuality("36", "26", "16")},
                 {"b", "0"},
                 {"deadline", byQuality("realtime", "good", "good")},
                 {"cpu-used", byQuality("8", "4", "2")},
                 {"row-mt", "1"},
                 {"auto-alt-ref", alpha ? "0" : "1"}}};
    case FilmFormat::mov:
        return {"mov",
                "prores_ks",
                alpha ? AV_PIX_FMT_YUVA444P10 : AV_PIX_FMT_YUV422P10,
                true,
                {{"profile", alpha ? "4444" : byQuality("lt", "standard", "hq")},
                 {"vendor", "apl0"},
                 {"alpha_bits", alpha ? "16" : "0"}}};
    case FilmFormat::gif: return {"gif", "gif", AV_PIX_FMT_RGB8, false, {}};
    case FilmFormat::mkv:
    case FilmFormat::pngSequence:
    case FilmFormat::exrSequence: break;
    }
    const AVPixelFormat pixels = deep    ? (alpha ? AV_PIX_FMT_GBRAP16 : AV_PIX_FMT_GBRP16)
                                 : alpha ? AV_PIX_FMT_BGRA
                                         : AV_PIX_FMT_BGR0;
    const bool large = static_cast<std::int64_t>(settings_.width) * settings_.height > 8'000'000;
    return {"matroska", "ffv1", pixels, false, {{"slicecrc", "1"}, {"slices", large ? "16" : "4"}, {"level", "3"}}};
}

Status StreamWriter::openVideo()
{
    const Coding coding = this->coding();
    const AVCodec* encoder = avcodec_find_encoder_by_name(coding.encoder);
    if (encoder == nullptr)
        return Error{ErrorCode::unsupported, path_,
                     std::string("this system's FFmpeg has no encoder called ") + coding.encoder};
    video_.reset(avcodec_alloc_context3(encoder));
    video_->width = settings_.width;
    video_->height = settings_.height;
    video_->time_base = {static_cast<int>(settings_.rate.den()), static_cast<int>(settings_.rate.num())};
    video_->framerate = {static_cast<int>(settings_.rate.num()), static_cast<int>(settings_.rate.den())};
    video_->sample_aspect_ratio = {1, 1};
    video_->thread_count = settings_.threads;
    // A key picture a second: films of ours are cut, shaken and jumped about in again.
    video_->gop_size = static_cast<int>(std::lround(std::max(12.0, settings_.rate.perSecond())));
    if ((format_->oformat->flags & AVFMT_GLOBALHEADER) != 0)
        video_->flags |= AV_CODEC_FLAG_GLOBAL_HEADER;
    video_->pix_fmt = coding.pixels;
    if (coding.video) {
        video_->color_range = AVCOL_RANGE_MPEG;
        video_->colorspace = AVCOL_SPC_BT709;
        video_->color_primaries = AVCOL_PRI_BT709;
        video_->color_trc = AVCOL_TRC_BT709;
    }
    AVDictionary* options = nullptr;
    for (const auto& [key, value] : coding.options)
        av_dict_set(&options, key, value, 0);
    const int code = avcodec_open2(video_.get(), encoder, &options);
    av_dict_free(&options);
    if (code < 0)
        return error(code);
    videoStream_ = avformat_new_stream(format_, nullptr);
    avcodec_parameters_from_context(videoStream_->codecpar, video_.get());
    videoStream_->time_base = video_->time_base;
    videoStream_->avg_frame_rate = video_->framerate;
    videoStream_->sample_aspect_ratio = {1, 1};

    const bool deep = settings_.depth == Depth::sixteen;
    const int flags = coding.video ? SWS_BICUBIC | SWS_ACCURATE_RND | SWS_FULL_CHR_H_INP : SWS_POINT | SWS_ACCURATE_RND;
    scaler_.reset(sws_getContext(settings_.width, settings_.height, deep ? AV_PIX_FMT_RGBA64 : AV_PIX_FMT_RGBA,
                                 settings_.width, settings_.height, video_->pix_fmt, flags, nullptr, nullptr, nullptr));
    if (!scaler_)
        return Error{ErrorCode::unsupported, path_, "its pixels cannot be made of these pictures"};
    const int* bt709 = sws_getCoefficients(SWS_CS_ITU709);
    sws_setColorspaceDetails(scaler_.get(), bt709, 1, bt709, coding.video ? 0 : 1, 0, 1 << 16, 1 << 16);
    picture_->format = video_->pix_fmt;
    picture_->width = settings_.width;
    picture_->height = settings_.height;
    picture_->color_range = video_->color_range;
    picture_->colorspace = video_->colorspace;
    av_frame_get_buffer(picture_.get(), 0);
    return Done{};
}

Status StreamWriter::openSound()
{
    const AVCodec* encoder = soundEncoder(settings_.format);
    sound_.reset(avcodec_alloc_context3(encoder));
    const int rate = settings_.soundRate;
    sound_->sample_rate = rate;
    av_channel_layout_default(&sound_->ch_layout, settings_.soundChannels);
    const bool exact = settings_.format == FilmFormat::mkv || settings_.format == FilmFormat::mov;
    sound_->sample_fmt = exact                                  ? AV_SAMPLE_FMT_S32
                         : settings_.format == FilmFormat::webm ? AV_SAMPLE_FMT_FLT
                                                                : AV_SAMPLE_FMT_FLTP;
    sound_->bits_per_raw_sample = exact ? 24 : 0;
    sound_->time_base = {1, rate};
    if (!exact)
        sound_->bit_rate = 96000L * std::max(2, settings_.soundChannels);
    if ((format_->oformat->flags & AVFMT_GLOBALHEADER) != 0)
        sound_->flags |= AV_CODEC_FLAG_GLOBAL_HEADER;
    if (const int code = avcodec_open2(sound_.get(), encoder, nullptr); code < 0)
        return error(code);
    soundStream_ = avformat_new_stream(format_, nullptr);
    avcodec_parameters_from_context(soundStream_->codecpar, sound_.get());
    soundStream_->time_base = sound_->time_base;
    AVChannelLayout from{};
    av_channel_layout_default(&from, settings_.soundChannels);
    SwrContext* context = nullptr;
    swr_alloc_set_opts2(&context, &sound_->ch_layout, sound_->sample_fmt, rate, &from, AV_SAMPLE_FMT_FLT,
                        settings_.soundRate, 0, nullptr);
    resampler_.reset(context);
    if (const int code = swr_init(context); code < 0)
        return error(code);
    return Done{};
}

Status StreamWriter::encode(AVCodecContext& codec, AVStream& stream, const AVFrame* frame)
{
    int code = avcodec_send_frame(&codec, frame);
    while (code >= 0) {
        code = avcodec_receive_packet(&codec, packet_.get());
        if (code == AVERROR(EAGAIN) || code == AVERROR_EOF)
            return Done{};
        if (code < 0)
            break;
        packet_->stream_index = stream.index;
        av_packet_rescale_ts(packet_.get(), codec.time_base, stream.time_base);
        code = av_interleaved_write_frame(format_, packet_.get());
        if (code >= 0 && out_.trouble != 0)
            code = AVERROR(out_.trouble);
    }
    return error(code);
}

Status StreamWriter::addFrame(const Image& image)
{
    av_frame_make_writable(picture_.get());
    const std::uint8_t* planes[4] = {image.row(0), nullptr, nullptr, nullptr};
    const int strides[4] = {static_cast<int>(image.stride()), 0, 0, 0};
    sws_scale(scaler_.get(), planes, strides, 0, settings_.height, picture_->data, picture_->linesize);
    picture_->pts = frames_++;
    return encode(*video_, *videoStream_, picture_.get());
}

Status StreamWriter::soundFrame(std::size_t length)
{
    const auto channels = static_cast<std::size_t>(settings_.soundChannels);
    av::FramePtr frame(av_frame_alloc());
    frame->format = sound_->sample_fmt;
    frame->sample_rate = sound_->sample_rate;
    av_channel_layout_copy(&frame->ch_layout, &sound_->ch_layout);
    const auto* from = reinterpret_cast<const std::uint8_t*>(pending_.data());
    frame->nb_samples = static_cast<int>(length);
    av_frame_get_buffer(frame.get(), 0);
    swr_convert(resampler_.get(), frame->extended_data, frame->nb_samples, &from, static_cast<int>(length));
    pending_.erase(pending_.begin(), pending_.begin() + static_cast<std::ptrdiff_t>(length * channels));
    frame->pts = samples_;
    samples_ += frame->nb_samples;
    return encode(*sound_, *soundStream_, frame.get());
}

Status StreamWriter::addSound(const SoundBuffer& sound)
{
    if (!sound_)
        return Done{};
    pending_.insert(pending_.end(), sound.samples.begin(), sound.samples.end());
    const auto size = static_cast<std::size_t>(sound_->frame_size > 0 ? sound_->frame_size : 4096);
    while (pending_.size() >= size * static_cast<std::size_t>(settings_.soundChannels))
        if (auto status = soundFrame(size); !status)
            return status;
    return Done{};
}

Status StreamWriter::finish()
{
    if (auto status = encode(*video_, *videoStream_, nullptr); !status)
        return status;
    if (sound_) {
        if (!pending_.empty())
            if (auto status = soundFrame(pending_.size() / static_cast<std::size_t>(settings_.soundChannels)); !status)
                return status;
        if (auto status = encode(*sound_, *soundStream_, nullptr); !status)
            return status;
    }
    begun_ = false;
    const int code = av_write_trailer(format_);
    avio_flush(io_);
    if (code < 0 || out_.trouble != 0)
        return error(code);
    const int file = std::exchange(out_.file, -1);
    if (::fsync(file) != 0 || ::close(file) != 0 || std::rename(part_.c_str(), path_.c_str()) != 0) {
        out_.trouble = errno;
        return error(0);
    }
    finished_ = true;
    return Done{};
}

} // namespace

Result<std::unique_ptr<FilmWriter>> createStreamWriter(const std::string& path, const FilmSettings& settings)
{
    auto writer = std::make_unique<StreamWriter>(path, settings);
    if (auto ready = writer->prepare(); !ready)
        return ready.error();
    return std::unique_ptr<FilmWriter>(std::move(writer));
}

} // namespace ember
