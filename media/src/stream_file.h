// SPDX-License-Identifier: GPL-3.0-or-later
// A film's container as it is being written, whoever makes its packets.
#pragma once

#include <string>

#include "av.h"
#include "ember/media/film_writer.h"
#include "sound_streams.h"

namespace ember {

/// Everything goes to a hidden file beside `path`, which takes that name in finish() only. Dropped before, nothing is
/// left.
class StreamFile {
public:
    /// Of the settings it takes format, metadata, chapters, timecode and whether something may be overwritten.
    StreamFile(std::string path, FilmSettings settings);
    ~StreamFile();
    StreamFile(const StreamFile&) = delete;
    StreamFile& operator=(const StreamFile&) = delete;

    /// Opens the file; then streams are added to format().
    Status open();
    AVFormatContext& format() { return *format_; }
    /// When all streams are there. `pictures`: the one that carries the timecode in MP4 and MOV.
    Status begin(AVStream& pictures);
    /// Packets of all streams, in the order of each.
    const PutPacket& put() const { return put_; }
    Status finish();

    const std::string& path() const { return path_; }
    /// What the library's code says, or the system where the file could not be written.
    Error error(int code) const;
    Status orError(int code) const { return code < 0 ? Status(error(code)) : Status(Done{}); }

private:
    /// Remembers the first thing that went wrong, and writes no more then.
    struct Target {
        int file = -1;
        int trouble = 0;
    };
    static int write(void* target, std::uint8_t* data, int size);
    static std::int64_t seek(void* target, std::int64_t offset, int whence);
    void tellMetadata();
    void tellChapters();

    std::string path_;
    std::string part_; ///< empty: nothing of ours is there
    FilmSettings settings_;
    Target out_;
    AVIOContext* io_ = nullptr;
    AVFormatContext* format_ = nullptr;
    PutPacket put_;
    bool begun_ = false; ///< and not ended
};

} // namespace ember
