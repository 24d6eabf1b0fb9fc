// SPDX-License-Identifier: GPL-3.0-or-later
// The one place that pulls in FFmpeg's libraries, with owners for what they hand out.
#pragma once

#include <chrono>
#include <cstddef>
#include <cstdint>
#include <memory>
#include <string>

#include "ember/core/error.h"

extern "C" {
#include <libavcodec/avcodec.h>
#include <libavformat/avformat.h>
#include <libavutil/display.h>
#include <libavutil/imgutils.h>
#include <libavutil/mastering_display_metadata.h>
#include <libavutil/opt.h>
#include <libavutil/pixdesc.h>
#include <libswresample/swresample.h>
#include <libswscale/swscale.h>
}

namespace ember {
/// Products of times, rates and clocks need more than 64 bits.
__extension__ using Wide = __int128;
} // namespace ember

namespace ember::av {

struct Delete {
    void operator()(AVCodecContext* p) const { avcodec_free_context(&p); }
    void operator()(AVFrame* p) const { av_frame_free(&p); }
    void operator()(AVPacket* p) const { av_packet_free(&p); }
    void operator()(SwsContext* p) const { sws_freeContext(p); }
    void operator()(SwrContext* p) const { swr_free(&p); }
};
using Codec = std::unique_ptr<AVCodecContext, Delete>;
using FramePtr = std::unique_ptr<AVFrame, Delete>;
using PacketPtr = std::unique_ptr<AVPacket, Delete>;
using Scaler = std::unique_ptr<SwsContext, Delete>;
using Resampler = std::unique_ptr<SwrContext, Delete>;

/// The library's own words for one of its codes.
std::string words(int code);

/// Writes all of it to a descriptor; 0, or the system's code for what went wrong.
int writeAll(int file, const std::uint8_t* data, std::size_t size);

/// Keeps the libraries from talking on stderr; errors are told by ours.
void quiet();

/// A regular file opened by its descriptor, so that no part of its name is taken for a pattern or a protocol. Only
/// containers that hold pictures and sound of their own are opened (allowed.h); nothing else is opened for them, no
/// file and no address, and one that keeps the libraries busy for too long before it is open is given up.
class Input {
public:
    static Result<std::unique_ptr<Input>> open(const std::string& path);
    ~Input();
    Input(const Input&) = delete;
    Input& operator=(const Input&) = delete;

    AVFormatContext* format() { return format_; }
    AVStream* stream(int index) { return format_->streams[index]; }

    /// What is read from, for the library's callbacks.
    struct Source {
        int file = -1;
        std::chrono::steady_clock::time_point giveUp; ///< while it is being opened
        bool opening = true;
    };

private:
    Input() = default;
    AVFormatContext* format_ = nullptr;
    AVIOContext* io_ = nullptr;
    Source source_;
};

/// A decoder for a stream of an opened file; `threads` 1 where frames are few.
Result<Codec> openDecoder(AVStream* stream, const std::string& path, int threads);

} // namespace ember::av
