// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/film/media_source.h"

#include <algorithm>
#include <cmath>

#include "ember/film/find_strikes.h"
#include "ember/film/import_strikes.h"
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

namespace {

/// How many frames of this rate a clip lasts.
std::int64_t lengthAt(const ClipInfo& info, FrameRate rate)
{
    return std::max(std::llround(rate.frames(info.rate.seconds(static_cast<double>(info.length)))), 1LL);
}

} // namespace

Result<std::vector<Candidate>> spotIn(const std::string& path, std::optional<FrameRate> rate,
                                      const FindOptions& options, const Progress& progress,
                                      std::optional<PictureTrace> seen)
{
    auto media = openMedia(path);
    if (!media)
        return media.error();
    if (options.from == FindFrom::picture && !media->clip)
        return Error{ErrorCode::noPicture, path, "it has sound only, and no picture to find anything in"};
    if (options.from == FindFrom::sound && !media->sound)
        return Error{ErrorCode::notMedia, path, "it has no sound to find anything in"};
    const FrameRate frames = rate ? *rate : media->clip ? media->clip->info().rate : FrameRate();
    std::optional<SoundTrace> sound;
    const std::int64_t length = media->clip ? lengthAt(media->clip->info(), frames) : INT64_MAX;
    if (media->sound && options.from != FindFrom::picture) {
        auto heard = listenTo(*media->sound, 0, progress);
        if (!heard)
            return heard.error();
        sound = std::move(heard).value();
    }
    if (media->clip && options.from != FindFrom::sound && !seen) {
        auto watched = watchClip(*media->clip, frames, length, progress);
        if (!watched)
            return watched.error();
        seen = std::move(watched).value();
    }
    Found found = findStrikes(sound ? &*sound : nullptr, seen ? &*seen : nullptr, 0, frames, options);
    std::erase_if(found.candidates, [length](const Candidate& c) { return c.frame.index >= length; });
    return std::move(found.candidates);
}

Result<AnalysisJob> watchingJob(const std::string& path, std::optional<FrameRate> rate, const std::string& out)
{
    const auto clip = ClipReader::open(path);
    if (!clip)
        return clip.error();
    const ClipInfo& info = clip.value()->info();
    const FrameRate frames = rate.value_or(info.rate);
    return AnalysisJob{path, out, frames, {0, lengthAt(info, frames) - 1}};
}

bool isScore(const std::string& path)
{
    return listFormatOf(path) == ListFormat::midi;
}

Result<std::optional<Tempo>> tempoIn(const std::string& path, const Progress& progress)
{
    if (isScore(path)) {
        const auto score = readScoreBeats(path);
        if (!score)
            return score.error();
        if (!score.value())
            return std::optional<Tempo>();
        const ScoreBeats& beats = *score.value();
        return std::optional(Tempo{beats.grid, beats.grid.from(beats.seconds), 1});
    }
    const auto media = openMedia(path);
    if (!media)
        return media.error();
    if (!media->sound)
        return Error{ErrorCode::notMedia, path, "it has no sound"};
    const auto trace = listenTo(*media->sound, 0, progress);
    if (!trace)
        return trace.error();
    constexpr double seconds = 0.05;
    const OnsetFinder finder(trace.value(), Band::all, seconds);
    return finder.tempo() != nullptr ? std::optional(*finder.tempo()) : std::nullopt;
}

double meanBpm(const Tempo& tempo)
{
    const BeatGrid& grid = tempo.grid;
    const std::int64_t last = std::max<std::int64_t>(tempo.beats - 1, 0);
    return grid.pins.empty() || last == 0 ? grid.bpm : 60 * static_cast<double>(last) / (grid.at(last) - grid.at(0));
}

} // namespace ember
