// SPDX-License-Identifier: GPL-3.0-or-later
#include <cerrno>
#include <cstdio>
#include <cstring>
#include <fcntl.h>
#include <filesystem>
#include <span>
#include <unistd.h>
#include <vector>

#include "ember/core/timecode.h"
#include "ember/files/output_guard.h"
#include "ember/files/part_files.h"
#include "exr_picture.h"
#include "writers.h"

namespace ember {

namespace fs = std::filesystem;

std::string sequenceFile(const std::string& path, std::int64_t number)
{
    const auto padded = [&](std::size_t digits) {
        std::string text = std::to_string(number);
        return text.size() < digits ? std::string(digits - text.size(), '0') + text : text;
    };
    std::error_code ignored;
    if (path.ends_with('/') || fs::is_directory(path, ignored))
        return (fs::path(path) / ("frame_" + padded(5) + ".png")).string();
    const fs::path whole(path);
    const std::string name = whole.filename().string();
    const auto percent = name.rfind('%');
    if (percent != std::string::npos) {
        auto at = percent + 1;
        std::size_t digits = 0;
        while (at < name.size() && name[at] >= '0' && name[at] <= '9' && digits < 100)
            digits = digits * 10 + static_cast<std::size_t>(name[at++] - '0');
        if (at < name.size() && name[at] == 'd' && digits <= 18)
            return (whole.parent_path() / (name.substr(0, percent) + padded(digits) + name.substr(at + 1))).string();
    }
    return (whole.parent_path() / (whole.stem().string() + "_" + padded(5) + whole.extension().string())).string();
}

namespace {

class PictureWriter final : public FilmWriter {
public:
    explicit PictureWriter(std::string path, const FilmSettings& settings) : path_(std::move(path)), settings_(settings)
    {
        number_ = settings.firstNumber;
    }
    ~PictureWriter() override
    {
        if (finished_)
            return;
        codec_.reset();
        if (settings_.keepPictures)
            return;
        std::error_code ignored;
        for (const auto& file : written_)
            fs::remove(file, ignored);
        if (madeFolder_)
            fs::remove(path_, ignored);
    }

    /// The path is the one picture's own name.
    void nameAlone() { alone_ = true; }
    Status prepare();
    /// A picture as it is written; valid until the next one.
    Result<std::span<const std::uint8_t>> encoded(const Image& image);
    /// Of OpenEXR.
    std::string compression() const;
    /// Only what encoded() needs.
    Status prepareCoder();
    Status addFrame(const Image& image) override;
    void skipFrame() override { ++number_; }
    Status addSound(const SoundBuffer&, std::size_t) override { return Done{}; }
    Status finish() override
    {
        finished_ = true;
        return Done{};
    }

private:
    Status store(std::span<const std::uint8_t> bytes);
    void take(const Image& image);
    void takeTen(const Image& image);
    bool exr() const { return settings_.format == FilmFormat::exrSequence; }

    std::string path_;
    FilmSettings settings_;
    av::Codec codec_;
    av::FramePtr frame_{av_frame_alloc()};
    av::PacketPtr packet_{av_packet_alloc()};
    std::int64_t number_ = 0;
    std::vector<std::string> written_;
    std::string exrBytes_;
    bool tenBits_ = false; ///< of DPX, whose clip has no more
    bool alone_ = false;
    bool madeFolder_ = false;
    bool finished_ = false;
};

Status PictureWriter::prepare()
{
    if (exr() && compression().empty())
        return Error{ErrorCode::unsupported, path_,
                     Phrase("films are not written in the clip's own coding, {}; choose another",
                            settings_.storedCodec.empty() ? std::string("which is pictures") : settings_.storedCodec)};
    std::error_code error;
    if (path_.ends_with('/') && !fs::exists(path_)) {
        madeFolder_ = fs::create_directories(path_, error);
        if (error)
            return Error{ErrorCode::unwritable, path_, error.message()};
    }
    if (const auto first = sequenceFile(path_, number_);
        !settings_.overwrite && !settings_.keepPictures && somethingAt(first))
        return Error{ErrorCode::exists, first, "say that it may be replaced, or choose another name"};
    removeLeftPartsIn(fs::path(alone_ ? path_ : sequenceFile(path_, number_)).parent_path().string());
    return prepareCoder();
}

Status PictureWriter::prepareCoder()
{
    if (exr())
        return Done{};
    const bool deep = settings_.depth == Depth::sixteen;
    const bool png = settings_.format == FilmFormat::pngSequence;
    const bool dpx = settings_.format == FilmFormat::dpxSequence;
    const AVCodec* encoder = avcodec_find_encoder(png ? AV_CODEC_ID_PNG : dpx ? AV_CODEC_ID_DPX : AV_CODEC_ID_TIFF);
    if (encoder == nullptr)
        return Error{ErrorCode::unsupported, path_, "this system's FFmpeg has no encoder for it"};
    codec_.reset(avcodec_alloc_context3(encoder));
    codec_->width = settings_.width;
    codec_->height = settings_.height;
    // PNG and DPX have the high byte first; TIFF as FFmpeg writes it the low one.
    tenBits_ = deep && dpx && settings_.storedPixels.starts_with("gbrp10");
    codec_->pix_fmt = tenBits_          ? AV_PIX_FMT_GBRP10BE
                      : !deep           ? (settings_.alpha ? AV_PIX_FMT_RGBA : AV_PIX_FMT_RGB24)
                      : !png && !dpx    ? (settings_.alpha ? AV_PIX_FMT_RGBA64LE : AV_PIX_FMT_RGB48LE)
                      : settings_.alpha ? AV_PIX_FMT_RGBA64BE
                                        : AV_PIX_FMT_RGB48BE;
    codec_->time_base = {1, 1};
    codec_->thread_count = 1;
    codec_->compression_level = 4;
    AVDictionary* options = nullptr;
    if (!png && !dpx)
        av_dict_set(&options, "compression_algo", "deflate", 0);
    const int code = avcodec_open2(codec_.get(), encoder, &options);
    av_dict_free(&options);
    if (code < 0)
        return Error{ErrorCode::failed, path_, av::words(code)};
    frame_->format = codec_->pix_fmt;
    frame_->width = settings_.width;
    frame_->height = settings_.height;
    av_frame_get_buffer(frame_.get(), 0);
    return Done{};
}

Status PictureWriter::store(std::span<const std::uint8_t> bytes)
{
    const std::string name = alone_ ? path_ : sequenceFile(path_, number_);
    if (!settings_.overwrite && somethingAt(name))
        return Error{ErrorCode::exists, name, "say that it may be replaced, or choose another name"};
    const std::string part = partName(name);
    const auto failed = [&](int code) {
        ::unlink(part.c_str());
        return Error{ErrorCode::unwritable, name, std::strerror(code)};
    };
    const int file = ::open(part.c_str(), O_WRONLY | O_CREAT | O_TRUNC | O_CLOEXEC, 0666);
    if (file < 0)
        return failed(errno);
    if (const int trouble = av::writeAll(file, bytes.data(), bytes.size()); trouble != 0) {
        ::close(file);
        return failed(trouble);
    }
    if (::close(file) != 0 || std::rename(part.c_str(), name.c_str()) != 0)
        return failed(errno);
    written_.push_back(name);
    ++number_;
    return Done{};
}

void PictureWriter::takeTen(const Image& image)
{
    constexpr int planeOf[3] = {2, 0, 1}; // planes hold green, blue, red
    for (int y = 0; y < image.height(); ++y)
        for (std::size_t k = 0; k < 3; ++k) {
            std::uint8_t* to = frame_->data[planeOf[k]] + static_cast<std::ptrdiff_t>(y) * frame_->linesize[planeOf[k]];
            for (int x = 0; x < image.width(); ++x) {
                const int code = (image.deepAt(x, y)[k] * 1023 + 32767) / 65535;
                *to++ = static_cast<std::uint8_t>(code >> 8);
                *to++ = static_cast<std::uint8_t>(code & 255);
            }
        }
}

void PictureWriter::take(const Image& image)
{
    if (tenBits_) {
        takeTen(image);
        return;
    }
    const std::size_t channels = settings_.alpha ? 4 : 3;
    const bool highFirst = settings_.format != FilmFormat::tiffSequence;
    for (int y = 0; y < image.height(); ++y) {
        std::uint8_t* to = frame_->data[0] + static_cast<std::ptrdiff_t>(y) * frame_->linesize[0];
        if (image.depth() == Depth::eight) {
            const std::uint8_t* from = image.row(y);
            for (int x = 0; x < image.width(); ++x, from += 4, to += channels)
                std::memcpy(to, from, channels);
            continue;
        }
        const std::uint16_t* from = image.deepAt(0, y);
        for (int x = 0; x < image.width(); ++x, from += 4)
            for (std::size_t k = 0; k < channels; ++k) {
                *to++ = static_cast<std::uint8_t>(highFirst ? from[k] >> 8 : from[k] & 255);
                *to++ = static_cast<std::uint8_t>(highFirst ? from[k] & 255 : from[k] >> 8);
            }
    }
}

std::string PictureWriter::compression() const
{
    const Coder coder = coderFor(settings_.format, settings_.coder, {});
    return coder == Coder::asItCame ? settings_.storedCompression
                                    : std::string(coderWords[static_cast<std::size_t>(coder)].word);
}

Result<std::span<const std::uint8_t>> PictureWriter::encoded(const Image& image)
{
    if (exr()) {
        const auto clock = clockFrom(settings_.timecode, settings_.rate);
        auto bytes =
            exrOf(image,
                  {settings_.halfFloats, settings_.alpha, settings_.rate, compression(), settings_.metadata,
                   clock ? timecodeOf(number_ - settings_.firstNumber, *clock, settings_.rate) : std::string()},
                  path_);
        if (!bytes)
            return bytes.error();
        exrBytes_ = std::move(bytes).value();
        return std::span(reinterpret_cast<const std::uint8_t*>(exrBytes_.data()), exrBytes_.size());
    }
    av_frame_make_writable(frame_.get());
    take(image);
    frame_->pts = number_;
    av_packet_unref(packet_.get());
    int code = avcodec_send_frame(codec_.get(), frame_.get());
    if (code >= 0)
        code = avcodec_receive_packet(codec_.get(), packet_.get());
    if (code < 0)
        return Error{ErrorCode::failed, path_, av::words(code)};
    return std::span<const std::uint8_t>(packet_->data, static_cast<std::size_t>(packet_->size));
}

Status PictureWriter::addFrame(const Image& image)
{
    const auto bytes = encoded(image);
    return bytes ? store(bytes.value()) : Status(bytes.error());
}

} // namespace

Result<std::unique_ptr<FilmWriter>> createPictureWriter(const std::string& path, const FilmSettings& settings)
{
    auto writer = std::make_unique<PictureWriter>(path, settings);
    if (auto ready = writer->prepare(); !ready)
        return ready.error();
    return std::unique_ptr<FilmWriter>(std::move(writer));
}

namespace {
FilmSettings onePng(const Image& image)
{
    FilmSettings settings;
    settings.format = FilmFormat::pngSequence;
    settings.width = image.width();
    settings.height = image.height();
    settings.alpha = !image.opaque();
    settings.depth = image.depth();
    settings.overwrite = true;
    return settings;
}
} // namespace

Result<std::string> pngOf(const Image& image)
{
    PictureWriter writer("a picture", onePng(image));
    if (auto ready = writer.prepareCoder(); !ready)
        return ready.error();
    const auto bytes = writer.encoded(image);
    if (!bytes)
        return bytes.error();
    return std::string(bytes.value().begin(), bytes.value().end());
}

Status savePicture(const Image& image, const std::string& path, bool overwrite)
{
    if (!overwrite && somethingAt(path))
        return Error{ErrorCode::exists, path, "say that it may be replaced, or choose another name"};
    PictureWriter writer(path, onePng(image));
    writer.nameAlone();
    if (auto ready = writer.prepare(); !ready)
        return ready;
    if (auto added = writer.addFrame(image); !added)
        return added;
    return writer.finish();
}

} // namespace ember
