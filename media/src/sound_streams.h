// SPDX-License-Identifier: GPL-3.0-or-later
// The sounds of a film that is being written.
#pragma once

#include <functional>
#include <memory>

#include "av.h"
#include "ember/core/sound.h"
#include "ember/media/film_writer.h"

namespace ember {

/// The streams of a file in the order people count them: the one it names first, then the others as they stand.
std::vector<int> soundStreamsOf(AVFormatContext& format);
SoundTrack soundTrackOf(const AVStream& stream);
/// The layout of that name, where it has so many channels; else the usual one.
void layoutNamed(const std::string& name, int channels, AVChannelLayout& layout);

/// Hands a packet on to the container; a code below 0 when that cannot take it.
using PutPacket = std::function<int(AVPacket& packet)>;

/// Codes a frame, or with null what is left, into packets of a stream; 0, or the library's code.
int encodeInto(AVCodecContext& codec, const AVStream& stream, const AVFrame* frame, const PutPacket& put);

/// One sound of a film. All functions return 0 or the library's code.
class SoundStream {
public:
    virtual ~SoundStream() = default;
    /// Samples to be coded.
    virtual int add(const SoundBuffer&, const PutPacket&) { return 0; }
    /// The film has come so far.
    virtual int advance(double, const PutPacket&) { return 0; }
    virtual int finish(const PutPacket&) { return 0; }
};

/// Adds a stream to the container, before its header is written.
Result<std::unique_ptr<SoundStream>> openCodedSound(AVFormatContext& film, FilmFormat format, const FilmTrack& track);
Result<std::unique_ptr<SoundStream>> openCopiedSound(AVFormatContext& film, const FilmTrack& track);

} // namespace ember
