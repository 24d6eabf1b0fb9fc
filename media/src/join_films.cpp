// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/media/join_films.h"

#include <algorithm>
#include <cmath>
#include <cstring>
#include <limits>
#include <optional>

#include "stream_file.h"
#include "writers.h"

namespace ember {

namespace {

Error otherwise(const std::string& path)
{
    return {ErrorCode::badValue, path, "its pictures are coded otherwise than those of the first part"};
}

/// The coded pictures of a piece, their times counted in frames of the piece.
class PieceReader {
public:
    static Result<PieceReader> open(const FilmPiece& piece, FilmFormat format, FrameRate rate)
    {
        auto input = av::Input::open(piece.path);
        if (!input)
            return input.error();
        PieceReader reader(piece, std::move(input).value());
        AVFormatContext& file = *reader.input_->format();
        reader.stream_ = av_find_best_stream(&file, AVMEDIA_TYPE_VIDEO, -1, -1, nullptr, 0);
        if (reader.stream_ < 0)
            return Error{ErrorCode::noPicture, piece.path, "it has no pictures"};
        for (unsigned i = 0; i < file.nb_streams; ++i)
            file.streams[i]->discard = static_cast<int>(i) == reader.stream_ ? AVDISCARD_DEFAULT : AVDISCARD_ALL;
        reader.tick_ = av_q2d(reader.stream().time_base) * rate.perSecond();
        // Matroska tells when pictures are shown, not when they are decoded.
        reader.counted_ = format == FilmFormat::mkv || format == FilmFormat::webm;
        return reader;
    }

    AVStream& stream() const { return *input_->stream(stream_); }
    /// Seconds of the file at which its first picture is shown; after the first next().
    double begin() const { return static_cast<double>(first_) * av_q2d(stream().time_base); }

    /// False at the end. `packet` then has the times of its picture in frames.
    Result<bool> next(AVPacket& packet)
    {
        do {
            av_packet_unref(&packet);
            const int code = av_read_frame(input_->format(), &packet);
            if (code == AVERROR_EOF && count_ == piece_.frames)
                return false;
            if (code < 0 && code != AVERROR_EOF)
                return Error{ErrorCode::damaged, piece_.path, av::words(code)};
            if (code < 0 || (packet.stream_index == stream_ && count_ == piece_.frames))
                return Error{
                    ErrorCode::damaged, piece_.path,
                    Phrase("it should have {} pictures, and has {}", piece_.frames, code < 0 ? count_ : count_ + 1)};
        } while (packet.stream_index != stream_);
        if (packet.pts == AV_NOPTS_VALUE)
            return Error{ErrorCode::damaged, piece_.path, "a picture has no time"};
        if (count_ == 0)
            first_ = packet.pts;
        const auto frames = [&](std::int64_t time) { return std::llround(static_cast<double>(time - first_) * tick_); };
        const bool own = !counted_ && packet.dts != AV_NOPTS_VALUE;
        packet.dts = own ? frames(packet.dts) : count_ - stream().codecpar->video_delay;
        packet.pts = frames(packet.pts);
        if (packet.pts < 0 || packet.pts >= piece_.frames || packet.dts > packet.pts)
            return Error{ErrorCode::damaged, piece_.path, "its pictures are not in order"};
        ++count_;
        return true;
    }

private:
    PieceReader(const FilmPiece& piece, std::unique_ptr<av::Input> input) : piece_(piece), input_(std::move(input)) {}

    FilmPiece piece_;
    std::unique_ptr<av::Input> input_;
    int stream_ = -1;
    double tick_ = 0; ///< of the file, in frames
    bool counted_ = false;
    std::int64_t first_ = 0;
    std::int64_t count_ = 0;
};

bool codedAlike(const AVCodecParameters& a, const AVCodecParameters& b)
{
    return a.codec_id == b.codec_id && a.width == b.width && a.height == b.height && a.format == b.format &&
           a.extradata_size == b.extradata_size &&
           (a.extradata_size == 0 ||
            std::memcmp(a.extradata, b.extradata, static_cast<std::size_t>(a.extradata_size)) == 0);
}

class Joining {
public:
    Joining(const std::string& path, const std::vector<FilmPiece>& pieces, const FilmSettings& settings)
        : pieces_(pieces), settings_(settings), file_(path, settings)
    {
        for (const FilmPiece& piece : pieces)
            total_ += piece.frames;
    }

    Status run(const Progress& progress)
    {
        if (Status opened = file_.open(); !opened)
            return opened;
        auto first = PieceReader::open(pieces_.front(), settings_.format, settings_.rate);
        if (!first)
            return first.error();
        // The first picture says where the sounds of the file begin.
        const av::PacketPtr packet(av_packet_alloc());
        auto more = first.value().next(*packet);
        if (!more)
            return more.error();
        if (Status ready = addStreams(first.value()); !ready)
            return ready;
        if (!more.value())
            return Error{ErrorCode::noPicture, pieces_.front().path, "it has no pictures"};
        std::optional<PieceReader> piece(std::move(first).value());
        for (std::size_t i = 0; i < pieces_.size(); ++i) {
            if (!piece) {
                auto next = PieceReader::open(pieces_[i], settings_.format, settings_.rate);
                if (!next)
                    return next.error();
                piece.emplace(std::move(next).value());
                if (!codedAlike(*pictures_->codecpar, *piece->stream().codecpar))
                    return otherwise(pieces_[i].path);
            }
            for (bool pending = i == 0;; pending = false) {
                if (!pending)
                    more = piece->next(*packet);
                if (!more)
                    return more.error();
                if (!more.value())
                    break;
                if (Status put = this->put(*packet); !put)
                    return put;
                if (!goesOn(progress, static_cast<double>(done_) / static_cast<double>(total_)))
                    return Error{ErrorCode::cancelled, "The joining", ""};
            }
            piece.reset();
            begun_ += pieces_[i].frames;
        }
        for (const auto& sound : sounds_)
            if (Status ended = file_.orError(sound->finish(file_.put())); !ended)
                return ended;
        return file_.finish();
    }

private:
    Status addStreams(const PieceReader& piece)
    {
        const AVStream& stream = piece.stream();
        AVFormatContext& film = file_.format();
        pictures_ = avformat_new_stream(&film, nullptr);
        AVCodecParameters& coded = *pictures_->codecpar;
        if (const int code = avcodec_parameters_copy(&coded, stream.codecpar); code < 0)
            return file_.error(code);
        if (av_codec_get_id(film.oformat->codec_tag, coded.codec_tag) != coded.codec_id)
            coded.codec_tag = 0;
        coded.bit_rate = 0; // what a file of one piece comes to
        pictures_->time_base = {static_cast<int>(settings_.rate.den()), static_cast<int>(settings_.rate.num())};
        pictures_->avg_frame_rate = {static_cast<int>(settings_.rate.num()), static_cast<int>(settings_.rate.den())};
        pictures_->sample_aspect_ratio = coded.sample_aspect_ratio = {1, 1};
        pictures_->disposition = AV_DISPOSITION_DEFAULT;
        for (const AVPacketSideDataType type :
             {AV_PKT_DATA_MASTERING_DISPLAY_METADATA, AV_PKT_DATA_CONTENT_LIGHT_LEVEL}) {
            std::size_t size = 0;
            const std::uint8_t* data = av_stream_get_side_data(&stream, type, &size);
            std::uint8_t* copy = data != nullptr ? av_stream_new_side_data(pictures_, type, size) : nullptr;
            if (copy != nullptr)
                std::memcpy(copy, data, size);
        }
        auto sounds = av::Input::open(pieces_.front().path);
        if (!sounds)
            return sounds.error();
        int number = 0;
        for (const int index : soundStreamsOf(*sounds.value()->format())) {
            const FilmTrack track{soundTrackOf(*sounds.value()->stream(index)), pieces_.front().path, number++,
                                  piece.begin(), std::numeric_limits<double>::max()};
            auto sound = openCopiedSound(film, track);
            if (!sound)
                return sound.error();
            sounds_.push_back(std::move(sound).value());
        }
        return file_.begin(*pictures_);
    }

    Status put(AVPacket& packet)
    {
        packet.pts += begun_;
        packet.dts += begun_;
        packet.duration = 1;
        packet.stream_index = pictures_->index;
        packet.pos = -1;
        const AVRational frames{static_cast<int>(settings_.rate.den()), static_cast<int>(settings_.rate.num())};
        av_packet_rescale_ts(&packet, frames, pictures_->time_base);
        if (const int code = file_.put()(packet); code < 0)
            return file_.error(code);
        ++done_;
        const double seconds = settings_.rate.seconds(static_cast<double>(done_));
        for (const auto& sound : sounds_)
            if (const int code = sound->advance(seconds, file_.put()); code < 0)
                return file_.error(code);
        return Done{};
    }

    const std::vector<FilmPiece>& pieces_;
    const FilmSettings& settings_;
    StreamFile file_;
    AVStream* pictures_ = nullptr;
    std::vector<std::unique_ptr<SoundStream>> sounds_;
    std::int64_t total_ = 0;
    std::int64_t begun_ = 0; ///< frames before the piece
    std::int64_t done_ = 0;
};

} // namespace

std::int64_t framesCodedTogether(FilmFormat format, Coder coder, FrameRate rate)
{
    const bool lossless = coder == Coder::ffv1 || coder == Coder::asItCame || coder == Coder::usual;
    return format == FilmFormat::mkv && lossless ? keyPictureEvery(rate) : 1;
}

Status joinFilms(const std::string& path, const std::vector<FilmPiece>& pieces, const FilmSettings& settings,
                 const Progress& progress)
{
    return Joining(path, pieces, settings).run(progress);
}

} // namespace ember
