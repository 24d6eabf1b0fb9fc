// SPDX-License-Identifier: GPL-3.0-or-later
#include "media_source.h"

#include <ostream>

#include "ember/media/sound_reader.h"

namespace ember {

Result<MediaSource> openMedia(const std::string& path)
{
    MediaSource source;
    auto clip = ClipReader::open(path);
    if (clip) {
        if (clip.value()->info().hasSound)
            source.sound = SoundSource{path, clip.value()->info().originSeconds};
        source.clip = std::move(clip).value();
        return source;
    }
    if (clip.error().code != ErrorCode::noPicture)
        return clip.error();
    if (const auto sound = SoundReader::open(path, 0, {}); !sound)
        return sound.error();
    source.sound = SoundSource{path, 0};
    return source;
}

Progress progressOn(const BatchStreams& streams)
{
    return [&streams, told = -1](double done) mutable {
        if (const int percent = static_cast<int>(100 * done); streams.liveProgress && percent != told) {
            told = percent;
            streams.err << '\r' << percent << " %" << (percent == 100 ? "\n" : "") << std::flush;
        }
        return streams.stop == nullptr || !streams.stop->load();
    };
}

} // namespace ember
