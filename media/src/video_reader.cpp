// SPDX-License-Identifier: GPL-3.0-or-later
#include "video_reader.h"

#include <algorithm>
#include <array>
#include <cctype>
#include <cmath>
#include <cstring>
#include <filesystem>
#include <new>
#include <span>

#include "ember/core/shown_text.h"
#include "ember/core/text.h"
#include "ember/image/convert.h"
#include "picture_convert.h"
#include "picture_index.h"
#include "sound_streams.h"
#include "stored_frame.h"

namespace ember {

namespace {

using Entry = PictureIndex::Entry;

std::int64_t shownAt(const AVPacket& packet, std::int64_t count)
{
    if (packet.pts != AV_NOPTS_VALUE)
        return packet.pts;
    return packet.dts != AV_NOPTS_VALUE ? packet.dts : count;
}

struct RateGuess {
    FrameRate rate;
    bool variable = false;
};

/// The rate of a stream, from the times of its pictures. A rate within 0.05 % of a usual one is that one, exactly;
/// a stream with uneven times gets the nearest usual rate.
RateGuess guessRate(std::span<const Entry> index, AVRational clock, AVRational declared)
{
    constexpr std::array<std::pair<int, int>, 13> usual{{{24000, 1001},
                                                         {24, 1},
                                                         {25, 1},
                                                         {30000, 1001},
                                                         {30, 1},
                                                         {12, 1},
                                                         {15, 1},
                                                         {48, 1},
                                                         {50, 1},
                                                         {60000, 1001},
                                                         {60, 1},
                                                         {100, 1},
                                                         {120, 1}}};
    const auto nearest = [&](double rate, double tolerance) -> std::optional<FrameRate> {
        std::optional<FrameRate> best;
        double least = tolerance;
        for (const auto& [num, den] : usual) {
            const double distance = std::abs(rate * den / num - 1.0);
            if (distance <= least) {
                least = distance;
                best = FrameRate::make(num, den);
            }
        }
        return best;
    };
    const auto exact = FrameRate::make(declared.num, declared.den);
    if (index.size() < 2)
        return {exact.value_or(FrameRate())};
    const auto span = static_cast<double>(index.back().shown - index.front().shown) * av_q2d(clock);
    const double measured = static_cast<double>(index.size() - 1) / span;
    // Even means: no picture is further than one tick, or 2 % of a frame, from where an even rate would put it.
    const double step = 1.0 / measured;
    const double slack = std::max(1.01 * av_q2d(clock), 0.02 * step);
    bool even = true;
    for (std::size_t i = 0; i < index.size() && even; ++i) {
        const double at = static_cast<double>(index[i].shown - index.front().shown) * av_q2d(clock);
        even = std::abs(at - static_cast<double>(i) * step) <= slack;
    }
    if (even) {
        if (const auto known = nearest(measured, 0.0005))
            return {*known};
        if (exact && std::abs(exact->perSecond() / measured - 1.0) < 0.005)
            return {*exact};
        if (const auto known = nearest(measured, 0.005))
            return {*known};
        return {FrameRate::make(std::llround(measured * 1000), 1000).value_or(FrameRate())};
    }
    if (const auto known = nearest(measured, 0.12))
        return {*known, true};
    return {FrameRate::make(std::llround(std::clamp(measured, 1.0, 120.0)), 1).value_or(FrameRate()), true};
}

/// Whether a file of this format and name is a single picture, whatever follows it: phones append a second one to a
/// photograph (a map of its lights, the other eye). A row of JPEG pictures is a film by its name only.
bool isStill(const char* format, const std::string& path)
{
    const std::string ending = fileEnding(path);
    if (std::strstr(format, "_pipe") != nullptr)
        return ending != ".mjpeg" && ending != ".mjpg";
    return std::strcmp(format, "mjpeg") == 0 &&
           (ending == ".jpg" || ending == ".jpeg" || ending == ".jpe" || ending == ".jfif" || ending == ".mpo");
}

/// A sentence about a file, which it names.
Phrase fileNote(const std::string& path, const Phrase& what)
{
    return {"{} {}.", inQuotes(std::filesystem::path(path).filename().string()), what};
}

/// Whether the decoder had to guess: bits that cannot be, references that are missing, a checksum that is wrong.
bool isDamaged(const AVFrame& frame)
{
    return frame.decode_error_flags != 0 || (frame.flags & AV_FRAME_FLAG_CORRUPT) != 0;
}

class VideoReader final : public ClipReader {
public:
    static Result<std::unique_ptr<ClipReader>> open(const std::string& path, const ClipOptions& options);

    std::int64_t pictureAt(Frame frame, FrameRate rate) const override;
    Result<ImagePtr> picture(std::int64_t index) override;

private:
    Result<PictureIndex> readIndex(const Progress& progress);
    Status findIndex(const Progress& progress);
    void describe(FrameRate stillRate, const AVFrame& first);
    void chooseForm(bool asStored, const AVFrame& first);
    /// The next picture in the order of showing; empty at the end of the file.
    Result<av::FramePtr> next();
    bool seekBefore(std::int64_t index, int stepsBack);
    std::int64_t indexOf(const AVFrame& frame) const;
    Result<ImagePtr> converted(const AVFrame& frame);
    Result<ImagePtr> decodeTo(std::int64_t index);

    std::unique_ptr<av::Input> input_;
    int stream_ = -1;
    av::Codec codec_;
    av::PacketPtr packet_{av_packet_alloc()};
    PictureConverter converter_;
    SharedIndex shared_;
    std::span<const Entry> index_; ///< of it; of a still the first alone
    std::int64_t packets_ = 0;     ///< read since the last seek
    std::int64_t position_ = -1;   ///< the picture decoded last; -1 before the first
    bool draining_ = false;
    bool tainted_ = false; ///< a picture since the last whole key picture was damaged: those after it are made of it
    bool asStored_ = false;
    int matrix_ = 1;                       ///< of luma and chroma, as they are read
    std::optional<ScreenPictures> screen_; ///< where what is stored is not what a screen shows
    ImagePtr last_;
    std::int64_t lastIndex_ = -1;
};

namespace {

/// What the file says of itself, not of how it is made.
Metadata metadataOf(const AVFormatContext& format)
{
    constexpr std::array<std::string_view, 8> made{"encoder",  "major_brand", "minor_version", "compatible_brands",
                                                   "timecode", "duration",    "vendor_id",     "handler_name"};
    constexpr std::size_t most = 64;      // of entries,
    constexpr std::size_t longest = 4096; // and of bytes in each
    Metadata found;
    const AVDictionaryEntry* entry = nullptr;
    while ((entry = av_dict_get(format.metadata, "", entry, AV_DICT_IGNORE_SUFFIX)) != nullptr && found.size() < most) {
        std::string key = entry->key;
        std::string lower = key;
        std::transform(lower.begin(), lower.end(), lower.begin(),
                       [](char c) { return c >= 'A' && c <= 'Z' ? static_cast<char>(c - 'A' + 'a') : c; });
        if (std::find(made.begin(), made.end(), lower) == made.end() &&
            std::string_view(entry->value).size() <= longest)
            found.emplace_back(std::move(key), entry->value);
    }
    return found;
}

std::vector<Chapter> chaptersOf(const AVFormatContext& format, double origin)
{
    constexpr unsigned most = 1000;
    constexpr std::size_t longest = 1024; // bytes of a title
    std::vector<Chapter> found;
    for (unsigned i = 0; i < std::min(format.nb_chapters, most); ++i) {
        const AVChapter& chapter = *format.chapters[i];
        const double clock = av_q2d(chapter.time_base);
        Chapter one;
        one.begin = static_cast<double>(chapter.start) * clock - origin;
        one.end = static_cast<double>(chapter.end) * clock - origin;
        if (const auto* title = av_dict_get(chapter.metadata, "title", nullptr, 0))
            one.title = std::string(title->value).substr(0, longest);
        if (one.end > one.begin && std::isfinite(one.begin) && std::isfinite(one.end))
            found.push_back(std::move(one));
    }
    return found;
}

} // namespace

Result<std::unique_ptr<ClipReader>> VideoReader::open(const std::string& path, const ClipOptions& options)
{
    auto input = av::Input::open(path);
    if (!input)
        return input.error();
    auto reader = std::make_unique<VideoReader>();
    reader->input_ = std::move(input).value();
    reader->info_.path = path;
    AVFormatContext* format = reader->input_->format();
    reader->stream_ = av_find_best_stream(format, AVMEDIA_TYPE_VIDEO, -1, -1, nullptr, 0);
    const bool coverArt =
        reader->stream_ >= 0 && (format->streams[reader->stream_]->disposition & AV_DISPOSITION_ATTACHED_PIC) != 0;
    for (const int sound : soundStreamsOf(*format))
        reader->info_.sounds.push_back(soundTrackOf(*format->streams[sound]));
    reader->info_.hasSound = !reader->info_.sounds.empty();
    reader->info_.metadata = metadataOf(*format);
    if (reader->stream_ < 0 || coverArt)
        return Error{ErrorCode::noPicture, path,
                     reader->info_.hasSound ? "it is sound only" : "no picture stream is in it"};
    for (unsigned i = 0; i < format->nb_streams; ++i)
        if (static_cast<int>(i) != reader->stream_)
            format->streams[i]->discard = AVDISCARD_ALL;
    auto codec = av::openDecoder(reader->input_->stream(reader->stream_), path, 2);
    if (!codec)
        return codec.error();
    reader->codec_ = std::move(codec).value();
    if (auto built = reader->findIndex(options.progress); !built)
        return built.error();
    auto first = reader->next();
    if (!first)
        return first.error();
    if (!first.value())
        return Error{ErrorCode::damaged, path, "not one picture in it can be decoded"};
    reader->describe(options.sequenceRate, *first.value());
    reader->info_.chapters = chaptersOf(*format, reader->info_.originSeconds);
    reader->info_ = readIn(std::move(reader->info_), options.colour);
    reader->chooseForm(options.asStored, *first.value());
    if (auto image = reader->converted(*first.value()); image) {
        reader->lastIndex_ = reader->indexOf(*first.value());
        reader->position_ = reader->lastIndex_;
        if (reader->tainted_)
            reader->foundDamaged(reader->lastIndex_);
        reader->last_ = image.value();
    } else {
        return image.error();
    }
    return std::unique_ptr<ClipReader>(std::move(reader));
}

Result<PictureIndex> VideoReader::readIndex(const Progress& progress)
{
    constexpr std::int64_t between = 64; // packets
    PictureIndex index;
    AVIOContext* file = input_->format()->pb;
    const double bytes = file != nullptr ? static_cast<double>(std::max<std::int64_t>(1, avio_size(file))) : 1;
    std::int64_t packets = 0;
    int code = 0;
    while ((code = av_read_frame(input_->format(), packet_.get())) >= 0) {
        if (packet_->stream_index == stream_ && (packet_->flags & AV_PKT_FLAG_DISCARD) == 0 && packet_->size > 0) {
            const auto shown = shownAt(*packet_, index.packets++);
            index.entries.push_back({shown, packet_->dts != AV_NOPTS_VALUE ? packet_->dts : shown,
                                     (packet_->flags & AV_PKT_FLAG_KEY) != 0});
        }
        av_packet_unref(packet_.get());
        if (packets++ % between == 0 && file != nullptr &&
            !goesOn(progress, std::min(1.0, static_cast<double>(avio_tell(file)) / bytes)))
            return Error{ErrorCode::cancelled, info_.path, ""};
    }
    if (index.entries.empty())
        return Error{ErrorCode::noPicture, info_.path, "its picture stream has no frames"};
    index.cutOff = code != AVERROR_EOF;
    auto& entries = index.entries;
    std::sort(entries.begin(), entries.end(), [](const Entry& a, const Entry& b) { return a.shown < b.shown; });
    entries.erase(
        std::unique(entries.begin(), entries.end(), [](const Entry& a, const Entry& b) { return a.shown == b.shown; }),
        entries.end());
    return index;
}

Status VideoReader::findIndex(const Progress& progress)
{
    auto index = pictureIndex(info_.path, stream_, [&] { return readIndex(progress); });
    if (!index)
        return index.error();
    shared_ = index.value();
    index_ = shared_->entries;
    if (shared_->cutOff)
        info_.notes.push_back(
            fileNote(info_.path, {"is damaged after picture {}: what follows cannot be read", shared_->packets - 1}));
    const bool still = isStill(input_->format()->iformat->name, info_.path);
    if (still)
        index_ = index_.first(1);
    info_.kind = still ? ClipKind::still : ClipKind::video;
    info_.pictures = static_cast<std::int64_t>(index_.size());
    // A single picture cannot be sought in by every demuxer, so it is simply opened again.
    seekBefore(0, 0);
    return Done{};
}

namespace {

/// Of the pictures' own track, of the file, or of a track beside them that holds nothing else.
std::string timecodeOf(const AVFormatContext& format, const AVStream& pictures)
{
    const auto of = [](const AVDictionary* tags) {
        const AVDictionaryEntry* found = av_dict_get(tags, "timecode", nullptr, 0);
        return found != nullptr ? std::string(found->value) : std::string();
    };
    std::string found = of(pictures.metadata);
    if (found.empty())
        found = of(format.metadata);
    for (unsigned i = 0; i < format.nb_streams && found.empty(); ++i)
        if (format.streams[i]->codecpar->codec_type == AVMEDIA_TYPE_DATA)
            found = of(format.streams[i]->metadata);
    return found;
}

template <typename Of>
const Of* sideDataOf(const AVFrame& frame, AVFrameSideDataType inFrame, const AVStream& stream,
                     AVPacketSideDataType kind)
{
    if (const AVFrameSideData* data = av_frame_get_side_data(&frame, inFrame);
        data != nullptr && data->size >= sizeof(Of))
        return reinterpret_cast<const Of*>(data->data);
    std::size_t size = 0;
    const std::uint8_t* data = av_stream_get_side_data(&stream, kind, &size);
    return data != nullptr && size >= sizeof(Of) ? reinterpret_cast<const Of*>(data) : nullptr;
}

std::optional<MasteringLight> masteringOf(const AVFrame& frame, const AVStream& stream)
{
    const auto* display = sideDataOf<AVMasteringDisplayMetadata>(frame, AV_FRAME_DATA_MASTERING_DISPLAY_METADATA,
                                                                 stream, AV_PKT_DATA_MASTERING_DISPLAY_METADATA);
    const auto* content = sideDataOf<AVContentLightMetadata>(frame, AV_FRAME_DATA_CONTENT_LIGHT_LEVEL, stream,
                                                             AV_PKT_DATA_CONTENT_LIGHT_LEVEL);
    if (display == nullptr && content == nullptr)
        return std::nullopt;
    MasteringLight light;
    if (display != nullptr && display->has_primaries != 0) {
        for (std::size_t i = 0; i < 3; ++i)
            for (std::size_t k = 0; k < 2; ++k)
                light.display[2 * i + k] = av_q2d(display->display_primaries[i][k]);
        for (std::size_t k = 0; k < 2; ++k)
            light.display[6 + k] = av_q2d(display->white_point[k]);
    }
    if (display != nullptr && display->has_luminance != 0) {
        light.most = av_q2d(display->max_luminance);
        light.least = av_q2d(display->min_luminance);
    }
    if (content != nullptr) {
        light.contentMost = static_cast<int>(content->MaxCLL);
        light.contentMean = static_cast<int>(content->MaxFALL);
    }
    return light;
}

} // namespace

void VideoReader::chooseForm(bool asStored, const AVFrame& first)
{
    asStored_ = asStored;
    // To be brought to another space it is read as deep as it is.
    const bool elsewhere = !asStored && info_.colour != ColourSpace{};
    converter_.setDepth((asStored || elsewhere) && isDeep(first.format) ? Depth::sixteen : Depth::eight);
    converter_.setColour(info_.colour, matrix_);
    if (!elsewhere)
        return;
    screen_.emplace(info_.colour, brightestOf(info_.tags));
}

void VideoReader::describe(FrameRate stillRate, const AVFrame& first)
{
    AVFormatContext* format = input_->format();
    AVStream* stream = input_->stream(stream_);
    info_.codec = avcodec_get_name(stream->codecpar->codec_id);
    info_.alpha = hasAlpha(first.format);
    info_.depth = isDeep(first.format) ? Depth::sixteen : Depth::eight;
    if (const char* name = av_get_pix_fmt_name(static_cast<AVPixelFormat>(first.format)); name != nullptr)
        info_.pixelFormat = name;
    info_.tags = tagsOf(first, stream->codecpar);
    info_.tags.mastering = masteringOf(first, *stream);
    info_.colour = spaceOf(info_.tags);
    matrix_ = info_.tags.matrix;
    if (info_.kind == ClipKind::still) // a film of it has luma and chroma of its own
        info_.tags = tagsOf(info_.colour);
    info_.toldColour = info_.colour;
    info_.toldTags = info_.tags;
    info_.timecode = timecodeOf(*format, *stream);
    Upright upright;
    if (const auto* side = av_stream_get_side_data(stream, AV_PKT_DATA_DISPLAYMATRIX, nullptr))
        upright = Upright::fromDisplayMatrix(reinterpret_cast<const std::int32_t*>(side));
    else if (const auto* tag = av_dict_get(first.metadata, "Orientation", nullptr, 0))
        upright = Upright::fromExif(std::atoi(tag->value));
    converter_.setUpright(upright);
    const AVRational aspect = av_guess_sample_aspect_ratio(format, stream, const_cast<AVFrame*>(&first));
    PictureConverter::displaySize(first.width, first.height, info_.kind == ClipKind::still ? AVRational{1, 1} : aspect,
                                  upright, info_.width, info_.height);
    if (info_.kind == ClipKind::still) {
        info_.rate = stillRate;
        info_.length = std::llround(5 * stillRate.perSecond()); // a still is shown for five seconds
        return;
    }
    const AVRational declared = stream->avg_frame_rate.num > 0 ? stream->avg_frame_rate : stream->r_frame_rate;
    const RateGuess guess = guessRate(index_, stream->time_base, declared);
    info_.rate = guess.rate;
    info_.variableRate = guess.variable;
    const double clock = av_q2d(stream->time_base);
    info_.originSeconds = static_cast<double>(index_.front().shown) * clock;
    if (guess.variable) {
        const double span = static_cast<double>(index_.back().shown - index_.front().shown) * clock;
        info_.length = std::max<std::int64_t>(1, std::llround(info_.rate.frames(span)) + 1);
        info_.notes.push_back(
            fileNote(info_.path,
                     "has frames that are not evenly spaced in time; each project frame shows the one on show then"));
    } else {
        info_.length = info_.pictures;
    }
    const double declaredSeconds = stream->duration > 0 ? static_cast<double>(stream->duration) * clock : 0;
    const double seconds = info_.rate.seconds(static_cast<double>(info_.length));
    if (declaredSeconds > 0 && seconds < declaredSeconds * 0.9 - 1.0)
        info_.notes.push_back(
            fileNote(info_.path, {"is cut short: it names {} seconds and ends after {} ({} frames)",
                                  std::llround(declaredSeconds), std::llround(seconds), info_.length}));
}

std::int64_t VideoReader::pictureAt(Frame frame, FrameRate rate) const
{
    if (index_.size() == 1)
        return 0;
    // shown·clock <= frame·den/num + slack, in whole numbers and times 4. The slack is one tick of the file's clock,
    // for its rounding, but never more than a quarter of a frame: some clocks tick once a frame.
    const AVRational clock = input_->format()->streams[stream_]->time_base;
    const auto origin = index_.front().shown;
    const Wide frameLength = static_cast<Wide>(rate.den()) * clock.den;
    const Wide tick = static_cast<Wide>(clock.num) * rate.num();
    const Wide latest = 4 * static_cast<Wide>(frame.index) * frameLength + std::min(4 * tick, frameLength);
    const auto later = std::upper_bound(index_.begin(), index_.end(), latest, [&](const Wide& at, const Entry& entry) {
        return at < 4 * static_cast<Wide>(entry.shown - origin) * tick;
    });
    return std::max<std::int64_t>(0, later - index_.begin() - 1);
}

bool VideoReader::seekBefore(std::int64_t index, int stepsBack)
{
    // The last key picture shown not later than the wanted one; pictures that lead it in the file's order but are shown
    // before it need the key picture before that, and are found by it.
    auto at = index;
    while (at > 0 && !(index_[static_cast<std::size_t>(at)].key && stepsBack-- == 0))
        --at;
    const auto& entry = index_[static_cast<std::size_t>(at)];
    AVFormatContext* format = input_->format();
    int code = av_seek_frame(format, stream_, std::min(entry.decoded, entry.shown), AVSEEK_FLAG_BACKWARD);
    if (code < 0 || at == 0)
        code = std::max(
            code, avformat_seek_file(format, stream_, INT64_MIN, index_.front().decoded, index_.front().shown, 0));
    if (code < 0 && avio_seek(format->pb, 0, SEEK_SET) == 0)
        avformat_flush(format);
    avcodec_flush_buffers(codec_.get());
    draining_ = false;
    tainted_ = false;
    packets_ = 0;
    position_ = -1;
    return at > 0;
}

Result<av::FramePtr> VideoReader::next()
{
    av::FramePtr frame(av_frame_alloc());
    if (!frame)
        throw std::bad_alloc();
    for (;;) {
        int code = avcodec_receive_frame(codec_.get(), frame.get());
        if (code == 0) {
            if (isDamaged(*frame))
                tainted_ = true;
            else if (frame->key_frame != 0)
                tainted_ = false;
            return frame;
        }
        if (code == AVERROR_EOF)
            return av::FramePtr();
        if (code == AVERROR(ENOMEM))
            throw std::bad_alloc();
        if (code != AVERROR(EAGAIN)) { // a damaged picture; the next may be whole
            tainted_ = true;
            continue;
        }
        code = draining_ ? AVERROR_EOF : av_read_frame(input_->format(), packet_.get());
        if (code < 0) {
            if (draining_)
                return av::FramePtr();
            draining_ = true;
            avcodec_send_packet(codec_.get(), nullptr);
            continue;
        }
        if (packet_->stream_index == stream_) {
            packet_->pts = shownAt(*packet_, packets_++);
            const int sent = avcodec_send_packet(codec_.get(), packet_.get());
            if (sent == AVERROR(ENOMEM))
                throw std::bad_alloc();
            if (sent < 0 || (packet_->flags & AV_PKT_FLAG_CORRUPT) != 0)
                tainted_ = true;
        }
        av_packet_unref(packet_.get());
    }
}

std::int64_t VideoReader::indexOf(const AVFrame& frame) const
{
    const auto shown = frame.pts != AV_NOPTS_VALUE ? frame.pts : frame.best_effort_timestamp;
    const auto found = std::upper_bound(index_.begin(), index_.end(), shown,
                                        [](std::int64_t at, const Entry& entry) { return at < entry.shown; });
    return std::max<std::int64_t>(0, found - index_.begin() - 1);
}

Result<ImagePtr> VideoReader::converted(const AVFrame& frame)
{
    if (frame.data[0] == nullptr || frame.width <= 0 || frame.height <= 0)
        return Error{ErrorCode::damaged, info_.path, "a picture in it is empty"};
    auto image = converter_.convert(frame, info_.width, info_.height);
    if (!image)
        return Error{ErrorCode::unsupported, info_.path, "its pixel format cannot be converted"};
    if (screen_)
        return ImagePtr(std::make_shared<const Image>(screen_->of(*image)));
    if (asStored_ && info_.kind == ClipKind::video && !converter_.upright().needed() && frame.width == info_.width &&
        frame.height == info_.height) {
        av::FramePtr kept(av_frame_clone(&frame));
        if (!kept)
            throw std::bad_alloc();
        image->setStored(std::make_shared<StoredFrame>(std::move(kept), matrix_, info_.tags.full));
    }
    return ImagePtr(std::move(image));
}

Result<ImagePtr> VideoReader::decodeTo(std::int64_t index)
{
    // Going on is cheaper than seeking unless a key picture lies between here and there.
    const bool ahead = position_ >= 0 && index > position_ &&
                       std::none_of(index_.begin() + position_ + 2, index_.begin() + std::max(index, position_ + 1) + 1,
                                    [](const Entry& e) { return e.key; });
    const bool nextKey = position_ >= 0 && index == position_ + 1;
    int stepsBack = 0;
    bool more = true;
    if (!ahead && !nextKey)
        more = seekBefore(index, stepsBack++);
    av::FramePtr best;
    for (;;) {
        auto frame = next();
        if (!frame)
            return frame.error();
        const auto at = frame.value() ? indexOf(*frame.value()) : info_.pictures;
        if (frame.value())
            position_ = at;
        if (at > index || !frame.value()) {
            if (!best && more) { // landed behind the wanted picture: start one key picture earlier
                more = seekBefore(index, stepsBack++);
                continue;
            }
            if (!best && frame.value())
                best = std::move(frame).value();
            break;
        }
        best = std::move(frame).value();
        if (at == index)
            break;
    }
    if (!best)
        return Error{ErrorCode::damaged, info_.path, Phrase("picture {} cannot be decoded", index)};
    if (tainted_ || indexOf(*best) != index)
        foundDamaged(index);
    return converted(*best);
}

Result<ImagePtr> VideoReader::picture(std::int64_t index)
{
    index = std::clamp<std::int64_t>(index, 0, info_.pictures - 1);
    if (index == lastIndex_)
        return last_;
    auto image = decodeTo(index);
    if (image) {
        last_ = image.value();
        lastIndex_ = index;
    }
    return image;
}

} // namespace

Result<std::unique_ptr<ClipReader>> openVideo(const std::string& path, const ClipOptions& options)
{
    return VideoReader::open(path, options);
}

} // namespace ember
