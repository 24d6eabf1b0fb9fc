// SPDX-License-Identifier: GPL-3.0-or-later
#include <cerrno>
#include <cmath>
#include <cstdio>
#include <cstring>
#include <fcntl.h>
#include <filesystem>
#include <span>
#include <unistd.h>
#include <vector>

#include "ember/files/output_guard.h"
#include "ember/files/part_files.h"
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
    /// Only what encoded() needs.
    Status prepareCoder();
    Status addFrame(const Image& image) override;
    void skipFrame() override { ++number_; }
    Status addSound(const SoundBuffer&) override { return Done{}; }
    Status finish() override
    {
        finished_ = true;
        return Done{};
    }

private:
    Status store(std::span<const std::uint8_t> bytes);
    void takePng(const Image& image);
    void takeExr(const Image& image);
    bool exr() const { return settings_.format == FilmFormat::exrSequence; }

    std::string path_;
    FilmSettings settings_;
    av::Codec codec_;
    av::FramePtr frame_{av_frame_alloc()};
    av::PacketPtr packet_{av_packet_alloc()};
    std::int64_t number_ = 0;
    std::vector<std::string> written_;
    std::vector<float> light_; ///< of every code
    bool alone_ = false;
    bool madeFolder_ = false;
    bool finished_ = false;
};

Status PictureWriter::prepare()
{
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
    const bool deep = settings_.depth == Depth::sixteen;
    const AVCodec* encoder = avcodec_find_encoder(exr() ? AV_CODEC_ID_EXR : AV_CODEC_ID_PNG);
    if (encoder == nullptr)
        return Error{ErrorCode::unsupported, path_, "this system's FFmpeg has no encoder for it"};
    codec_.reset(avcodec_alloc_context3(encoder));
    codec_->width = settings_.width;
    codec_->height = settings_.height;
    codec_->pix_fmt = exr()  ? (settings_.alpha ? AV_PIX_FMT_GBRAPF32 : AV_PIX_FMT_GBRPF32)
                      : deep ? (settings_.alpha ? AV_PIX_FMT_RGBA64BE : AV_PIX_FMT_RGB48BE)
                             : (settings_.alpha ? AV_PIX_FMT_RGBA : AV_PIX_FMT_RGB24);
    codec_->time_base = {1, 1};
    codec_->thread_count = 1;
    AVDictionary* options = nullptr;
    if (exr()) {
        av_dict_set(&options, "format", "half", 0);
        av_dict_set(&options, "compression", "zip16", 0);
    } else {
        codec_->compression_level = 4;
    }
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

void PictureWriter::takePng(const Image& image)
{
    const std::size_t channels = settings_.alpha ? 4 : 3;
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
            for (std::size_t k = 0; k < channels; ++k) { // the high byte first
                *to++ = static_cast<std::uint8_t>(from[k] >> 8);
                *to++ = static_cast<std::uint8_t>(from[k] & 255);
            }
    }
}

/// OpenEXR holds linear light with alpha multiplied in; the codes are those of IEC 61966-2-1 (sRGB).
void PictureWriter::takeExr(const Image& image)
{
    const auto lightOf = [](double code) {
        return code <= 0.04045 ? code / 12.92 : std::pow((code + 0.055) / 1.055, 2.4);
    };
    if (light_.empty()) {
        const int most = image.depth() == Depth::eight ? 255 : 65535;
        for (int i = 0; i <= most; ++i)
            light_.push_back(static_cast<float>(lightOf(static_cast<double>(i) / most)));
    }
    const float most = image.depth() == Depth::eight ? 255.0F : 65535.0F;
    constexpr int planeOf[4] = {2, 0, 1, 3}; // planes hold green, blue, red, alpha
    for (int y = 0; y < image.height(); ++y)
        for (int x = 0; x < image.width(); ++x) {
            const auto code = [&](int k) -> std::size_t {
                return image.depth() == Depth::eight ? image.at(x, y)[k] : image.deepAt(x, y)[k];
            };
            const float alpha = static_cast<float>(code(3)) / most;
            for (int k = 0; k < (settings_.alpha ? 4 : 3); ++k) {
                const float value = k == 3 ? alpha : light_[code(k)] * (settings_.alpha ? alpha : 1.0F);
                std::memcpy(frame_->data[planeOf[k]] + static_cast<std::ptrdiff_t>(y) * frame_->linesize[planeOf[k]] +
                                static_cast<std::ptrdiff_t>(x) * 4,
                            &value, sizeof value);
            }
        }
}

Result<std::span<const std::uint8_t>> PictureWriter::encoded(const Image& image)
{
    av_frame_make_writable(frame_.get());
    if (exr())
        takeExr(image);
    else
        takePng(image);
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
