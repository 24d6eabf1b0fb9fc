// SPDX-License-Identifier: GPL-3.0-or-later
#include "stream_file.h"

#include <algorithm>
#include <array>
#include <cerrno>
#include <cmath>
#include <cstdio>
#include <cstring>
#include <fcntl.h>
#include <sys/stat.h>
#include <unistd.h>

#include "ember/files/output_guard.h"
#include "ember/files/part_files.h"
#include "writers.h"

namespace ember {

namespace {

/// Whether any is not among those that every container has a place for.
bool hasOwnKeys(const Metadata& metadata)
{
    constexpr std::array<std::string_view, 15> common{
        "title",     "artist",      "album_artist", "album",  "composer", "date",          "comment", "genre",
        "copyright", "description", "grouping",     "lyrics", "show",     "creation_time", "synopsis"};
    return std::any_of(metadata.begin(), metadata.end(), [&](const auto& entry) {
        return std::find(common.begin(), common.end(), entry.first) == common.end();
    });
}

} // namespace

StreamFile::StreamFile(std::string path, FilmSettings settings)
    : path_(std::move(path)), settings_(std::move(settings)), put_([this](AVPacket& packet) {
          const int code = av_interleaved_write_frame(format_, &packet);
          return code >= 0 && out_.trouble != 0 ? AVERROR(out_.trouble) : code;
      })
{
}

StreamFile::~StreamFile()
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
    if (!part_.empty())
        ::unlink(part_.c_str());
}

int StreamFile::write(void* target, std::uint8_t* data, int size)
{
    auto& out = *static_cast<Target*>(target);
    if (out.trouble == 0)
        out.trouble = av::writeAll(out.file, data, static_cast<std::size_t>(size));
    if (out.trouble != 0)
        return AVERROR(out.trouble);
    return size;
}

std::int64_t StreamFile::seek(void* target, std::int64_t offset, int whence)
{
    auto& out = *static_cast<Target*>(target);
    if ((whence & AVSEEK_SIZE) != 0) {
        struct stat status {};
        return ::fstat(out.file, &status) == 0 ? status.st_size : AVERROR(errno);
    }
    const auto at = ::lseek(out.file, offset, whence & ~AVSEEK_FORCE);
    return at < 0 ? AVERROR(errno) : at;
}

Error StreamFile::error(int code) const
{
    if (out_.trouble != 0)
        return {ErrorCode::unwritable, path_, std::strerror(out_.trouble)};
    return {ErrorCode::failed, path_, av::words(code)};
}

Status StreamFile::open()
{
    if (!settings_.overwrite && somethingAt(path_))
        return Error{ErrorCode::exists, path_, "say that it may be replaced, or choose another name"};
    removeLeftParts(path_);
    const std::string part = partName(path_);
    out_.file = ::open(part.c_str(), O_RDWR | O_CREAT | O_TRUNC | O_CLOEXEC, 0666);
    if (out_.file < 0)
        return Error{ErrorCode::unwritable, path_, std::strerror(errno)};
    part_ = part;
    constexpr int bufferSize = 1 << 18;
    io_ = avio_alloc_context(static_cast<unsigned char*>(av_malloc(bufferSize)), bufferSize, 1, &out_, nullptr, write,
                             seek);
    avformat_alloc_output_context2(&format_, nullptr, containerName(settings_.format), nullptr);
    format_->pb = io_;
    // The same film is the same bytes: no times, no ids by chance, no versions.
    format_->flags |= AVFMT_FLAG_CUSTOM_IO | AVFMT_FLAG_BITEXACT;
    return Done{};
}

Status StreamFile::begin(AVStream& pictures)
{
    tellMetadata();
    tellChapters();
    if (!settings_.timecode.empty() && settings_.format != FilmFormat::webm && settings_.format != FilmFormat::gif)
        av_dict_set(settings_.format == FilmFormat::mkv ? &format_->metadata : &pictures.metadata, "timecode",
                    settings_.timecode.c_str(), 0);
    AVDictionary* options = nullptr;
    if (hasOwnKeys(settings_.metadata)) // else MP4 and MOV keep only those they have boxes for
        av_dict_set(&options, "movflags", "use_metadata_tags", 0);
    const int code = avformat_write_header(format_, &options);
    av_dict_free(&options);
    if (code < 0)
        return error(code);
    begun_ = true;
    return Done{};
}

void StreamFile::tellMetadata()
{
    for (const auto& [key, value] : settings_.metadata)
        av_dict_set(&format_->metadata, key.c_str(), value.c_str(), 0);
}

void StreamFile::tellChapters()
{
    const auto count = settings_.chapters.size();
    if (count == 0 || settings_.format == FilmFormat::webm || settings_.format == FilmFormat::gif)
        return;
    // The library frees them with everything else.
    format_->chapters = static_cast<AVChapter**>(av_calloc(count, sizeof(AVChapter*)));
    for (const Chapter& chapter : settings_.chapters) {
        auto* one = format_->chapters == nullptr ? nullptr : static_cast<AVChapter*>(av_mallocz(sizeof(AVChapter)));
        if (one == nullptr)
            return;
        one->id = format_->nb_chapters + 1;
        one->time_base = {1, 1'000'000};
        one->start = std::llround(chapter.begin * 1e6);
        one->end = std::llround(chapter.end * 1e6);
        // MP4 and MOV have no chapter without a name: it is called by its number.
        const bool named = !chapter.title.empty() || settings_.format != FilmFormat::mkv;
        if (named)
            av_dict_set(&one->metadata, "title",
                        chapter.title.empty() ? std::to_string(one->id).c_str() : chapter.title.c_str(), 0);
        format_->chapters[format_->nb_chapters++] = one;
    }
}

Status StreamFile::finish()
{
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
    part_.clear();
    return Done{};
}

} // namespace ember
