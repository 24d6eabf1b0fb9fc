// SPDX-License-Identifier: GPL-3.0-or-later
#include "av.h"

#include <array>
#include <cerrno>
#include <cstdint>
#include <cstring>
#include <fcntl.h>
#include <mutex>
#include <sys/stat.h>
#include <unistd.h>

namespace ember::av {

std::string words(int code)
{
    std::array<char, AV_ERROR_MAX_STRING_SIZE> text{};
    av_strerror(code, text.data(), text.size());
    return text.data();
}

void quiet()
{
    static std::once_flag once;
    std::call_once(once, [] { av_log_set_level(AV_LOG_QUIET); });
}

int writeAll(int file, const std::uint8_t* data, std::size_t size)
{
    while (size > 0) {
        const auto wrote = ::write(file, data, size);
        if (wrote < 0 && errno == EINTR)
            continue;
        if (wrote <= 0)
            return wrote == 0 ? ENOSPC : errno;
        data += wrote;
        size -= static_cast<std::size_t>(wrote);
    }
    return 0;
}

namespace {

int readFile(void* opaque, std::uint8_t* to, int size)
{
    const auto got = ::read(*static_cast<int*>(opaque), to, static_cast<std::size_t>(size));
    if (got == 0)
        return AVERROR_EOF;
    return got < 0 ? AVERROR(errno) : static_cast<int>(got);
}

std::int64_t seekFile(void* opaque, std::int64_t offset, int whence)
{
    const int file = *static_cast<int*>(opaque);
    if ((whence & AVSEEK_SIZE) != 0) {
        struct stat status {};
        return ::fstat(file, &status) == 0 ? status.st_size : AVERROR(errno);
    }
    const auto at = ::lseek(file, offset, whence & ~AVSEEK_FORCE);
    return at < 0 ? AVERROR(errno) : at;
}

} // namespace

Result<std::unique_ptr<Input>> Input::open(const std::string& path)
{
    quiet();
    std::unique_ptr<Input> input(new Input);
    input->file_ = ::open(path.c_str(), O_RDONLY | O_CLOEXEC);
    if (input->file_ < 0) {
        const bool missing = errno == ENOENT || errno == ENOTDIR;
        return Error{missing ? ErrorCode::notFound : ErrorCode::unreadable, path, missing ? "" : std::strerror(errno)};
    }
    struct stat status {};
    ::fstat(input->file_, &status);
    if (S_ISDIR(status.st_mode))
        return Error{ErrorCode::unreadable, path, "it is a folder"};
    if (status.st_size == 0 && S_ISREG(status.st_mode))
        return Error{ErrorCode::notMedia, path, "the file is empty"};

    constexpr int bufferSize = 1 << 16;
    auto* buffer = static_cast<unsigned char*>(av_malloc(bufferSize));
    input->io_ = avio_alloc_context(buffer, bufferSize, 0, &input->file_, readFile, nullptr, seekFile);
    input->format_ = avformat_alloc_context();
    input->format_->pb = input->io_;
    input->format_->flags |= AVFMT_FLAG_CUSTOM_IO;
    int code = avformat_open_input(&input->format_, nullptr, nullptr, nullptr);
    if (code == 0)
        code = avformat_find_stream_info(input->format_, nullptr);
    if (code < 0) {
        if (code == AVERROR_EOF || std::string(words(code)).find("moov") != std::string::npos)
            return Error{ErrorCode::damaged, path, "it ends before its contents do"};
        return Error{ErrorCode::notMedia, path, words(code)};
    }
    return input;
}

Input::~Input()
{
    if (format_ != nullptr)
        avformat_close_input(&format_);
    if (io_ != nullptr) {
        av_freep(&io_->buffer);
        avio_context_free(&io_);
    }
    if (file_ >= 0)
        ::close(file_);
}

Result<Codec> openDecoder(AVStream* stream, const std::string& path, int threads)
{
    const AVCodec* decoder = avcodec_find_decoder(stream->codecpar->codec_id);
    if (decoder == nullptr)
        return Error{ErrorCode::unsupported, path,
                     std::string("no decoder for ") + avcodec_get_name(stream->codecpar->codec_id)};
    Codec codec(avcodec_alloc_context3(decoder));
    avcodec_parameters_to_context(codec.get(), stream->codecpar);
    codec->pkt_timebase = stream->time_base;
    codec->thread_count = threads;
    AVDictionary* options = nullptr;
    if (decoder->id == AV_CODEC_ID_EXR) // linear light, to be shown: coded as sRGB
        av_dict_set(&options, "apply_trc", "iec61966_2_1", 0);
    const int code = avcodec_open2(codec.get(), decoder, &options);
    av_dict_free(&options);
    if (code < 0)
        return Error{ErrorCode::unsupported, path, words(code)};
    return codec;
}

} // namespace ember::av
