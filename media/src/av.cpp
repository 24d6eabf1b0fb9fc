// SPDX-License-Identifier: GPL-3.0-or-later
#include "av.h"

#include <algorithm>
#include <array>
#include <cerrno>
#include <cstdint>
#include <cstdlib>
#include <cstring>
#include <fcntl.h>
#include <mutex>
#include <new>
#include <string_view>
#include <sys/stat.h>
#include <unistd.h>

#include "allowed.h"
#include "ember/files/whole_file.h"

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
    std::call_once(once, [] {
        av_log_set_level(AV_LOG_QUIET);
        ::setenv("SVT_LOG", "0", 0); // SVT-AV1 talks by itself
    });
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

constexpr std::chrono::seconds patience(30); ///< for opening

int stopped(void* opaque)
{
    const auto& source = *static_cast<const Input::Source*>(opaque);
    return source.opening && std::chrono::steady_clock::now() > source.giveUp ? 1 : 0;
}

int readFile(void* opaque, std::uint8_t* to, int size)
{
    if (stopped(opaque) != 0)
        return AVERROR_EXIT;
    const auto got = ::read(static_cast<Input::Source*>(opaque)->file, to, static_cast<std::size_t>(size));
    if (got == 0)
        return AVERROR_EOF;
    return got < 0 ? AVERROR(errno) : static_cast<int>(got);
}

std::int64_t seekFile(void* opaque, std::int64_t offset, int whence)
{
    const int file = static_cast<Input::Source*>(opaque)->file;
    if ((whence & AVSEEK_SIZE) != 0) {
        struct stat status {};
        return ::fstat(file, &status) == 0 ? status.st_size : AVERROR(errno);
    }
    const auto at = ::lseek(file, offset, whence & ~AVSEEK_FORCE);
    return at < 0 ? AVERROR(errno) : at;
}

/// The decoders of what may be decoded: libavformat opens some to look into a file.
const std::string& allowedDecoders()
{
    static const std::string names = [] {
        std::string list;
        void* at = nullptr;
        while (const AVCodec* codec = av_codec_iterate(&at))
            if (av_codec_is_decoder(codec) != 0 && allowedCodec(avcodec_get_name(codec->id)))
                list += (list.empty() ? "" : ",") + std::string(codec->name);
        return list;
    }();
    return names;
}

/// Whatever a file names beside itself stays closed.
int openNothing(AVFormatContext*, AVIOContext**, const char*, int, AVDictionary**)
{
    return AVERROR(EPERM);
}

/// Why it could not be opened, with what it is where that can be told.
Error openingError(const std::string& path, int file, int code)
{
    if (code == AVERROR_EXIT)
        return {ErrorCode::damaged, path, "it cannot be taken apart in half a minute"};
    if (code == AVERROR(ENOMEM))
        return {ErrorCode::failed, path, "there is not enough memory to open it"};
    std::array<char, 512> head{};
    const auto got = ::pread(file, head.data(), head.size(), 0);
    const std::string known =
        whatItIs(std::string_view(head.data(), static_cast<std::size_t>(std::max<ssize_t>(got, 0))));
    if (!known.empty())
        return {ErrorCode::notMedia, path, Phrase("it is {}", known)};
    if (code == AVERROR_EOF || std::string(words(code)).find("moov") != std::string::npos)
        return {ErrorCode::damaged, path, "it ends before its contents do"};
    if (code == AVERROR(EINVAL)) // what libavformat says of containers that are not on the list
        return {ErrorCode::unsupported, path, "it is no kind of clip or sound that is opened here"};
    return {ErrorCode::notMedia, path, words(code)};
}

} // namespace

Result<std::unique_ptr<Input>> Input::open(const std::string& path)
{
    quiet();
    if (auto wrong = notRegular(path)) // before it is opened: a device may act on that
        return *wrong;
    std::unique_ptr<Input> input(new Input);
    Source& source = input->source_;
    source.file = ::open(path.c_str(), O_RDONLY | O_CLOEXEC | O_NONBLOCK);
    if (source.file < 0)
        return Error{ErrorCode::unreadable, path, std::strerror(errno)};
    struct stat status {};
    if (::fstat(source.file, &status) != 0 || !S_ISREG(status.st_mode))
        return Error{ErrorCode::unreadable, path, "it is not a regular file"};
    if (status.st_size == 0)
        return Error{ErrorCode::notMedia, path, "the file is empty"};
    source.giveUp = std::chrono::steady_clock::now() + patience;

    constexpr int bufferSize = 1 << 16;
    auto* buffer = static_cast<unsigned char*>(av_malloc(bufferSize));
    if (buffer != nullptr)
        input->io_ = avio_alloc_context(buffer, bufferSize, 0, &source, readFile, nullptr, seekFile);
    input->format_ = input->io_ != nullptr ? avformat_alloc_context() : nullptr;
    if (input->format_ == nullptr) {
        if (input->io_ == nullptr)
            av_free(buffer);
        return openingError(path, source.file, AVERROR(ENOMEM));
    }
    input->format_->pb = input->io_;
    input->format_->flags |= AVFMT_FLAG_CUSTOM_IO;
    input->format_->io_open = openNothing;
    input->format_->interrupt_callback = {stopped, &source};
    input->format_->format_whitelist = av_strdup(allowedDemuxers);
    input->format_->protocol_whitelist = av_strdup("");
    input->format_->codec_whitelist = av_strdup(allowedDecoders().c_str());
    int code = avformat_open_input(&input->format_, nullptr, nullptr, nullptr);
    if (code == 0)
        code = avformat_find_stream_info(input->format_, nullptr);
    if (code < 0)
        return openingError(path, source.file, code);
    source.opening = false;
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
    if (source_.file >= 0)
        ::close(source_.file);
}

Result<Codec> openDecoder(AVStream* stream, const std::string& path, int threads)
{
    const char* name = avcodec_get_name(stream->codecpar->codec_id);
    const AVCodec* decoder = allowedCodec(name) ? avcodec_find_decoder(stream->codecpar->codec_id) : nullptr;
    if (decoder == nullptr)
        return Error{ErrorCode::unsupported, path, Phrase("its coding ({}) is not read here", name)};
    Codec codec(avcodec_alloc_context3(decoder));
    if (!codec || avcodec_parameters_to_context(codec.get(), stream->codecpar) < 0)
        throw std::bad_alloc();
    codec->pkt_timebase = stream->time_base;
    codec->thread_count = threads;
    codec->err_recognition = AV_EF_CRCCHECK | AV_EF_BITSTREAM | AV_EF_BUFFER; // what is found wrong is told
    const int code = avcodec_open2(codec.get(), decoder, nullptr);
    if (code < 0)
        return Error{ErrorCode::unsupported, path, words(code)};
    return codec;
}

} // namespace ember::av
