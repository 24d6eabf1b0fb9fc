// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>
#include <cmath>

#include "picture_convert.h"
#include "sound_streams.h"
#include "stored_frame.h"
#include "stream_file.h"
#include "writers.h"

namespace ember {

namespace {

/// Films through libavformat.
class StreamWriter final : public FilmWriter {
public:
    StreamWriter(const std::string& path, const FilmSettings& settings)
        : path_(path), settings_(settings), file_(path, settings)
    {
    }

    Status prepare();
    Status addFrame(const Image& image) override;
    Status addSound(const SoundBuffer& sound, std::size_t track) override;
    Status finish() override;

private:
    /// How the pictures of a film are coded.
    struct Coding {
        const char* encoder = nullptr;
        AVPixelFormat pixels = AV_PIX_FMT_NONE;
        std::vector<std::pair<const char*, std::string>> options = {};
    };
    Coding coding() const;
    /// The clip's own; one without an encoder where there is none.
    Coding codingAsItCame() const;
    Coding codingOf(Coder coder) const;
    void tellColour();
    /// What a picture stores itself, where it can be coded unchanged.
    const AVFrame* storedOf(const Image& image) const;
    Status openVideo();
    Status openSounds();
    /// A picture, or with null what is left of them.
    Status encode(const AVFrame* frame);

    std::string path_;
    FilmSettings settings_;
    StreamFile file_;
    av::Codec video_;
    AVStream* videoStream_ = nullptr;
    std::vector<std::unique_ptr<SoundStream>> sounds_;
    av::Scaler scaler_;
    av::FramePtr picture_{av_frame_alloc()};
    std::int64_t frames_ = 0;
};

Status StreamWriter::prepare()
{
    if (auto opened = file_.open(); !opened)
        return opened;
    if (auto opened = openVideo(); !opened)
        return opened;
    if (auto opened = openSounds(); !opened)
        return opened;
    return file_.begin(*videoStream_);
}

namespace {

/// For libx265: what a stream says of its mastering (SMPTE ST 2086 in steps of 0.00002 and 0.0001 cd/m2).
std::string masteringWords(const MasteringLight& light)
{
    std::string words;
    const auto steps = [](double value, double step) { return std::to_string(std::llround(value / step)); };
    if (light.most > 0 && light.display[7] > 0) {
        const auto point = [&](const char* name, std::size_t i) {
            return name + ("(" + steps(light.display[2 * i], 0.00002)) + "," +
                   steps(light.display[2 * i + 1], 0.00002) + ")";
        };
        words = ":master-display=" + point("G", 1) + point("B", 2) + point("R", 0) + point("WP", 3) + "L(" +
                steps(light.most, 0.0001) + "," + steps(light.least, 0.0001) + ")";
    }
    if (light.contentMost > 0)
        words += ":max-cll=" + std::to_string(light.contentMost) + "," + std::to_string(light.contentMean);
    return words;
}

} // namespace

StreamWriter::Coding StreamWriter::coding() const
{
    if (settings_.format == FilmFormat::gif)
        return {"gif", AV_PIX_FMT_RGB8};
    const Coder coder = coderFor(settings_.format, settings_.coder, spaceOf(settings_.tags));
    return coder == Coder::asItCame ? codingAsItCame() : codingOf(coder);
}

StreamWriter::Coding StreamWriter::codingOf(Coder coder) const
{
    const auto byQuality = [this](const char* draft, const char* good, const char* best) {
        return settings_.quality == FilmQuality::draft ? draft : settings_.quality == FilmQuality::good ? good : best;
    };
    const bool alpha = settings_.alpha;
    const bool deep = settings_.depth == Depth::sixteen;
    const auto prores = [&](AVPixelFormat pixels, const char* profile) {
        return Coding{
            "prores_ks",
            pixels,
            {{"profile", profile}, {"vendor", "apl0"}, {"alpha_bits", pixels == AV_PIX_FMT_YUVA444P10 ? "16" : "0"}}};
    };
    const auto h264 = [&](AVPixelFormat pixels) {
        return Coding{"libx264",
                      pixels,
                      {{"preset", byQuality("veryfast", "medium", "slow")}, {"crf", byQuality("23", "17", "12")}}};
    };
    const auto hevc = [&](AVPixelFormat pixels) {
        std::string more = "log-level=none:info=0"; // no version: the same film is the same bytes
        constexpr int small = 128; // of smaller pictures its look ahead writes past the end of what it keeps of them
        if (std::min(settings_.width, settings_.height) < small)
            more += ":cutree=0";
        if (settings_.tags.transfer == 16)
            more += ":hdr10=1:repeat-headers=1" + masteringWords(settings_.tags.mastering.value_or(MasteringLight{}));
        return Coding{"libx265",
                      pixels,
                      {{"preset", byQuality("veryfast", "medium", "slow")},
                       {"crf", byQuality("25", "18", "13")},
                       {"x265-params", more}}};
    };
    const auto vp9 = [&](AVPixelFormat pixels) {
        return Coding{"libvpx-vp9",
                      pixels,
                      {{"crf", byQuality("36", "26", "16")},
                       {"b", "0"},
                       {"deadline", byQuality("realtime", "good", "good")},
                       {"cpu-used", byQuality("8", "4", "2")},
                       {"row-mt", "1"},
                       {"auto-alt-ref", pixels == AV_PIX_FMT_YUVA420P ? "0" : "1"}}};
    };
    switch (coder) {
    case Coder::h264: return h264(AV_PIX_FMT_YUV420P);
    case Coder::h264Ten: return h264(AV_PIX_FMT_YUV420P10);
    case Coder::hevc: return hevc(AV_PIX_FMT_YUV420P);
    case Coder::hevcTen: return hevc(AV_PIX_FMT_YUV420P10);
    case Coder::hevcTwelve: return hevc(AV_PIX_FMT_YUV420P12);
    case Coder::av1Ten:
        return {"libsvtav1",
                AV_PIX_FMT_YUV420P10,
                {{"preset", byQuality("10", "8", "5")}, {"crf", byQuality("38", "28", "18")}}};
    case Coder::vp9: return vp9(alpha ? AV_PIX_FMT_YUVA420P : AV_PIX_FMT_YUV420P);
    case Coder::vp9Ten: return vp9(AV_PIX_FMT_YUV420P10);
    case Coder::prores422:
        return alpha ? prores(AV_PIX_FMT_YUVA444P10, "4444")
                     : prores(AV_PIX_FMT_YUV422P10, byQuality("lt", "standard", "hq"));
    case Coder::proresHq: return prores(AV_PIX_FMT_YUV422P10, "hq");
    case Coder::prores4444: return prores(alpha ? AV_PIX_FMT_YUVA444P10 : AV_PIX_FMT_YUV444P10, "4444");
    case Coder::dnxhrHqx: return {"dnxhd", AV_PIX_FMT_YUV422P10, {{"profile", "dnxhr_hqx"}}};
    case Coder::usual:
    case Coder::asItCame:
    case Coder::exrZip: // of pictures, which are not written here
    case Coder::exrZips:
    case Coder::exrPiz:
    case Coder::exrRle:
    case Coder::exrNone:
    case Coder::exrDwaa:
    case Coder::ffv1: break;
    }
    const bool large = static_cast<std::int64_t>(settings_.width) * settings_.height > 8'000'000;
    return {"ffv1",
            deep    ? (alpha ? AV_PIX_FMT_GBRAP16 : AV_PIX_FMT_GBRP16)
            : alpha ? AV_PIX_FMT_BGRA
                    : AV_PIX_FMT_BGR0,
            {{"slicecrc", "1"}, {"slices", large ? "16" : "4"}, {"level", "3"}}};
}

StreamWriter::Coding StreamWriter::codingAsItCame() const
{
    struct Known {
        std::string_view codec;
        Coder coder;
    };
    constexpr std::array<Known, 7> known{{{"h264", Coder::h264},
                                          {"hevc", Coder::hevc},
                                          {"av1", Coder::av1Ten},
                                          {"vp9", Coder::vp9},
                                          {"prores", Coder::proresHq},
                                          {"dnxhd", Coder::dnxhrHqx},
                                          {"ffv1", Coder::ffv1}}};
    const auto found =
        std::find_if(known.begin(), known.end(), [&](const Known& k) { return k.codec == settings_.storedCodec; });
    if (found == known.end())
        return {};
    Coding coding = codingOf(found->coder);
    coding.pixels = av_get_pix_fmt(settings_.storedPixels.c_str());
    const auto* described = av_pix_fmt_desc_get(coding.pixels);
    if (described == nullptr)
        return {};
    for (auto& [key, value] : coding.options) {
        if (key == std::string_view("profile") && found->coder == Coder::proresHq && described->log2_chroma_w == 0)
            value = "4444";
        if (key == std::string_view("profile") && found->coder == Coder::dnxhrHqx)
            value =
                described->comp[0].depth > 8 ? (described->log2_chroma_w == 0 ? "dnxhr_444" : "dnxhr_hqx") : "dnxhr_hq";
    }
    return coding;
}

namespace {

bool holds(const AVPixelFormat* list, AVPixelFormat format)
{
    while (*list != AV_PIX_FMT_NONE && *list != format)
        ++list;
    return *list == format;
}

bool isRgb(AVPixelFormat format)
{
    return (av_pix_fmt_desc_get(format)->flags & AV_PIX_FMT_FLAG_RGB) != 0;
}

} // namespace

namespace {

/// For containers that say it beside the pictures.
void tellMastering(AVStream& stream, const MasteringLight& light)
{
    if (light.most > 0) {
        std::size_t size = 0;
        auto* display = av_mastering_display_metadata_alloc();
        size = sizeof(*display);
        display->has_luminance = 1;
        display->max_luminance = av_d2q(light.most, 10'000'000);
        display->min_luminance = av_d2q(light.least, 10'000'000);
        display->has_primaries = light.display[7] > 0 ? 1 : 0;
        for (std::size_t i = 0; i < 3; ++i)
            for (std::size_t k = 0; k < 2; ++k)
                display->display_primaries[i][k] = av_d2q(light.display[2 * i + k], 50000);
        for (std::size_t k = 0; k < 2; ++k)
            display->white_point[k] = av_d2q(light.display[6 + k], 50000);
        av_stream_add_side_data(&stream, AV_PKT_DATA_MASTERING_DISPLAY_METADATA,
                                reinterpret_cast<std::uint8_t*>(display), size);
    }
    if (light.contentMost > 0) {
        std::size_t size = 0;
        AVContentLightMetadata* content = av_content_light_metadata_alloc(&size);
        content->MaxCLL = static_cast<unsigned>(light.contentMost);
        content->MaxFALL = static_cast<unsigned>(light.contentMean);
        av_stream_add_side_data(&stream, AV_PKT_DATA_CONTENT_LIGHT_LEVEL, reinterpret_cast<std::uint8_t*>(content),
                                size);
    }
}

} // namespace

/// ITU-T H.273, whose numbers FFmpeg's are.
void StreamWriter::tellColour()
{
    const ColourTags& tags = settings_.tags;
    if (settings_.format == FilmFormat::gif)
        return;
    const bool rgb = isRgb(video_->pix_fmt);
    const bool plain = tags.primaries == 1 && tags.transfer == 1;
    video_->color_range = rgb || tags.full ? AVCOL_RANGE_JPEG : AVCOL_RANGE_MPEG;
    video_->colorspace = rgb ? AVCOL_SPC_RGB : static_cast<AVColorSpace>(tags.matrix);
    video_->color_primaries = static_cast<AVColorPrimaries>(tags.primaries);
    // RGB of a plain film is sRGB.
    video_->color_trc =
        rgb && plain ? AVCOL_TRC_IEC61966_2_1 : static_cast<AVColorTransferCharacteristic>(tags.transfer);
}

Status StreamWriter::openVideo()
{
    const Coding coding = this->coding();
    if (coding.encoder == nullptr)
        return Error{ErrorCode::unsupported, path_,
                     Phrase("films are not written in the clip's own coding, {}; choose another",
                            settings_.storedCodec.empty() ? std::string("which is pictures") : settings_.storedCodec)};
    const AVCodec* encoder = avcodec_find_encoder_by_name(coding.encoder);
    if (encoder == nullptr)
        return Error{ErrorCode::unsupported, path_,
                     std::string("this system's FFmpeg has no encoder called ") + coding.encoder};
    if (encoder->pix_fmts != nullptr && !holds(encoder->pix_fmts, coding.pixels))
        return Error{ErrorCode::unsupported, path_,
                     Phrase("its coder has no pixels of the kind {}; choose another", settings_.storedPixels)};
    video_.reset(avcodec_alloc_context3(encoder));
    video_->width = settings_.width;
    video_->height = settings_.height;
    video_->time_base = {static_cast<int>(settings_.rate.den()), static_cast<int>(settings_.rate.num())};
    video_->framerate = {static_cast<int>(settings_.rate.num()), static_cast<int>(settings_.rate.den())};
    video_->sample_aspect_ratio = {1, 1};
    video_->thread_count = settings_.threads;
    video_->gop_size = keyPictureEvery(settings_.rate);
    if ((file_.format().oformat->flags & AVFMT_GLOBALHEADER) != 0)
        video_->flags |= AV_CODEC_FLAG_GLOBAL_HEADER;
    video_->pix_fmt = coding.pixels;
    tellColour();
    AVDictionary* options = nullptr;
    for (const auto& [key, value] : coding.options)
        av_dict_set(&options, key, value.c_str(), 0);
    const int code = avcodec_open2(video_.get(), encoder, &options);
    av_dict_free(&options);
    if (code < 0)
        return file_.error(code);
    videoStream_ = avformat_new_stream(&file_.format(), nullptr);
    avcodec_parameters_from_context(videoStream_->codecpar, video_.get());
    videoStream_->time_base = video_->time_base;
    videoStream_->avg_frame_rate = video_->framerate;
    videoStream_->sample_aspect_ratio = {1, 1};
    videoStream_->disposition = AV_DISPOSITION_DEFAULT;
    if (settings_.tags.mastering)
        tellMastering(*videoStream_, *settings_.tags.mastering);

    const bool deep = settings_.depth == Depth::sixteen;
    const bool rgb = isRgb(video_->pix_fmt);
    const int flags = rgb ? SWS_POINT | SWS_ACCURATE_RND : SWS_BICUBIC | SWS_ACCURATE_RND | SWS_FULL_CHR_H_INP;
    scaler_.reset(sws_getContext(settings_.width, settings_.height, deep ? AV_PIX_FMT_RGBA64 : AV_PIX_FMT_RGBA,
                                 settings_.width, settings_.height, video_->pix_fmt, flags, nullptr, nullptr, nullptr));
    if (!scaler_)
        return Error{ErrorCode::unsupported, path_, "its pixels cannot be made of these pictures"};
    const int* matrix = sws_getCoefficients(scalerMatrix(settings_.tags.matrix));
    sws_setColorspaceDetails(scaler_.get(), matrix, 1, matrix, rgb || settings_.tags.full ? 1 : 0, 0, 1 << 16, 1 << 16);
    picture_->format = video_->pix_fmt;
    picture_->width = settings_.width;
    picture_->height = settings_.height;
    picture_->color_range = video_->color_range;
    picture_->colorspace = video_->colorspace;
    picture_->color_primaries = video_->color_primaries;
    picture_->color_trc = video_->color_trc;
    av_frame_get_buffer(picture_.get(), 0);
    return Done{};
}

Status StreamWriter::openSounds()
{
    if (soundEncoder(settings_.format) == nullptr)
        return Done{};
    for (const FilmTrack& track : settings_.sounds) {
        auto sound = track.copyOf.empty() ? openCodedSound(file_.format(), settings_.format, track)
                                          : openCopiedSound(file_.format(), track);
        if (!sound) {
            Error error = sound.error();
            if (error.subject.empty())
                error.subject = path_;
            return error;
        }
        sounds_.push_back(std::move(sound).value());
    }
    return Done{};
}

Status StreamWriter::encode(const AVFrame* frame)
{
    if (const int code = encodeInto(*video_, *videoStream_, frame, file_.put()); code < 0)
        return file_.error(code);
    const double seconds = settings_.rate.seconds(static_cast<double>(frames_));
    for (const auto& sound : sounds_)
        if (const int code = sound->advance(seconds, file_.put()); code < 0)
            return file_.error(code);
    return Done{};
}

const AVFrame* StreamWriter::storedOf(const Image& image) const
{
    const auto* stored = dynamic_cast<const StoredFrame*>(image.stored().get());
    if (stored == nullptr)
        return nullptr;
    const AVFrame& frame = stored->frame();
    const bool rgb = isRgb(video_->pix_fmt);
    // Names of JPEG's formats say the range only.
    const auto plain = [](int format) {
        switch (format) {
        case AV_PIX_FMT_YUVJ420P: return AV_PIX_FMT_YUV420P;
        case AV_PIX_FMT_YUVJ422P: return AV_PIX_FMT_YUV422P;
        case AV_PIX_FMT_YUVJ444P: return AV_PIX_FMT_YUV444P;
        default: return static_cast<AVPixelFormat>(format);
        }
    };
    const bool fits = plain(frame.format) == video_->pix_fmt && frame.width == settings_.width &&
                      frame.height == settings_.height &&
                      (rgb || (stored->matrix() == settings_.tags.matrix && stored->full() == settings_.tags.full));
    return fits ? &frame : nullptr;
}

Status StreamWriter::addFrame(const Image& image)
{
    if (const AVFrame* stored = storedOf(image)) {
        av::FramePtr frame(av_frame_alloc());
        frame->format = video_->pix_fmt;
        frame->width = stored->width;
        frame->height = stored->height;
        frame->color_range = video_->color_range;
        frame->colorspace = video_->colorspace;
        frame->color_primaries = video_->color_primaries;
        frame->color_trc = video_->color_trc;
        for (std::size_t i = 0; i < AV_NUM_DATA_POINTERS; ++i) {
            frame->data[i] = stored->data[i];
            frame->linesize[i] = stored->linesize[i];
            if (stored->buf[i] != nullptr)
                frame->buf[i] = av_buffer_ref(stored->buf[i]);
        }
        frame->pts = frames_++;
        return encode(frame.get());
    }
    av_frame_make_writable(picture_.get());
    const std::uint8_t* planes[4] = {image.row(0), nullptr, nullptr, nullptr};
    const int strides[4] = {static_cast<int>(image.stride()), 0, 0, 0};
    sws_scale(scaler_.get(), planes, strides, 0, settings_.height, picture_->data, picture_->linesize);
    picture_->pts = frames_++;
    return encode(picture_.get());
}

Status StreamWriter::addSound(const SoundBuffer& sound, std::size_t track)
{
    return track < sounds_.size() ? file_.orError(sounds_[track]->add(sound, file_.put())) : Status(Done{});
}

Status StreamWriter::finish()
{
    if (auto status = encode(nullptr); !status)
        return status;
    for (const auto& sound : sounds_)
        if (auto status = file_.orError(sound->finish(file_.put())); !status)
            return status;
    return file_.finish();
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
