// SPDX-License-Identifier: GPL-3.0-or-later
#include <cerrno>
#include <cstdio>
#include <cstring>
#include <fcntl.h>
#include <filesystem>
#include <unistd.h>
#include <vector>

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
        std::error_code ignored;
        for (const auto& file : written_)
            fs::remove(file, ignored);
        if (madeFolder_)
            fs::remove(path_, ignored);
    }

    Status prepare();
    Status addFrame(const Image& image) override;
    Status addSound(const SoundBuffer&) override { return Done{}; }
    Status finish() override
    {
        finished_ = true;
        return Done{};
    }

private:
    Status store(const AVPacket& packet);

    std::string path_;
    FilmSettings settings_;
    av::Codec codec_;
    av::FramePtr frame_{av_frame_alloc()};
    av::PacketPtr packet_{av_packet_alloc()};
    std::int64_t number_ = 0;
    std::vector<std::string> written_;
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
    if (const auto first = sequenceFile(path_, number_); !settings_.overwrite && fs::exists(first))
        return Error{ErrorCode::exists, first, "say that it may be replaced, or choose another name"};
    const AVCodec* encoder = avcodec_find_encoder(AV_CODEC_ID_PNG);
    codec_.reset(avcodec_alloc_context3(encoder));
    codec_->width = settings_.width;
    codec_->height = settings_.height;
    codec_->pix_fmt = settings_.alpha ? AV_PIX_FMT_RGBA : AV_PIX_FMT_RGB24;
    codec_->time_base = {1, 1};
    codec_->compression_level = 4;
    codec_->thread_count = 1;
    if (const int code = avcodec_open2(codec_.get(), encoder, nullptr); code < 0)
        return Error{ErrorCode::failed, path_, av::words(code)};
    frame_->format = codec_->pix_fmt;
    frame_->width = settings_.width;
    frame_->height = settings_.height;
    av_frame_get_buffer(frame_.get(), 0);
    return Done{};
}

Status PictureWriter::store(const AVPacket& packet)
{
    const std::string name = sequenceFile(path_, number_);
    if (!settings_.overwrite && fs::exists(name))
        return Error{ErrorCode::exists, name, "say that it may be replaced, or choose another name"};
    const std::string part = partName(name);
    const auto failed = [&](int code) {
        ::unlink(part.c_str());
        return Error{ErrorCode::unwritable, name, std::strerror(code)};
    };
    const int file = ::open(part.c_str(), O_WRONLY | O_CREAT | O_TRUNC | O_CLOEXEC, 0666);
    if (file < 0)
        return failed(errno);
    if (const int trouble = av::writeAll(file, packet.data, static_cast<std::size_t>(packet.size)); trouble != 0) {
        ::close(file);
        return failed(trouble);
    }
    if (::close(file) != 0 || std::rename(part.c_str(), name.c_str()) != 0)
        return failed(errno);
    written_.push_back(name);
    ++number_;
    return Done{};
}

Status PictureWriter::addFrame(const Image& image)
{
    av_frame_make_writable(frame_.get());
    for (int y = 0; y < image.height(); ++y) {
        const std::uint8_t* from = image.row(y);
        std::uint8_t* to = frame_->data[0] + static_cast<std::ptrdiff_t>(y) * frame_->linesize[0];
        if (settings_.alpha) {
            std::memcpy(to, from, 4 * static_cast<std::size_t>(image.width()));
            continue;
        }
        for (int x = 0; x < image.width(); ++x)
            std::memcpy(to + 3 * static_cast<std::ptrdiff_t>(x), from + 4 * static_cast<std::ptrdiff_t>(x), 3);
    }
    frame_->pts = number_;
    int code = avcodec_send_frame(codec_.get(), frame_.get());
    if (code >= 0)
        code = avcodec_receive_packet(codec_.get(), packet_.get());
    if (code < 0)
        return Error{ErrorCode::failed, path_, av::words(code)};
    auto status = store(*packet_);
    av_packet_unref(packet_.get());
    return status;
}

} // namespace

Result<std::unique_ptr<FilmWriter>> createPictureWriter(const std::string& path, const FilmSettings& settings)
{
    auto writer = std::make_unique<PictureWriter>(path, settings);
    if (auto ready = writer->prepare(); !ready)
        return ready.error();
    return std::unique_ptr<FilmWriter>(std::move(writer));
}

} // namespace ember
