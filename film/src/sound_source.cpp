// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/film/sound_source.h"

#include <algorithm>
#include <cmath>

namespace ember {

namespace {

/// The sounds of shots one after the other.
class ReelSound final : public SoundReader {
public:
    /// A part with its samples of the film: [first, end).
    struct Laid {
        std::unique_ptr<SoundReader> reader;
        std::int64_t first;
        std::int64_t end;
    };
    ReelSound(std::vector<Laid> parts, int rate, int channels, double originSeconds)
        : parts_(std::move(parts)), rate_(rate), channels_(channels), origin_(std::llround(originSeconds * rate))
    {
        seek(0);
    }

    int rate() const override { return rate_; }
    int channels() const override { return channels_; }
    double seconds() const override { return static_cast<double>(parts_.back().end - origin_) / rate_; }
    bool atEnd() const override { return position_ >= parts_.back().end; }
    void seek(std::int64_t sample) override
    {
        position_ = sample + origin_;
        sought_ = false;
    }

    SoundBuffer read(std::int64_t count) override
    {
        SoundBuffer out{rate_, channels_, {}};
        const auto channels = static_cast<std::size_t>(channels_);
        out.samples.resize(static_cast<std::size_t>(count) * channels);
        const std::int64_t end = position_ + count;
        for (Laid& part : parts_) {
            const std::int64_t from = std::max(position_, part.first);
            const std::int64_t to = std::min(end, part.end);
            if (from >= to)
                continue;
            if (!sought_ || from == part.first) // else it goes on where it was left
                part.reader->seek(from - part.first);
            const SoundBuffer piece = part.reader->read(to - from);
            std::copy(piece.samples.begin(), piece.samples.end(),
                      out.samples.begin() + static_cast<std::ptrdiff_t>(from - position_) * channels_);
        }
        position_ = end;
        sought_ = true;
        return out;
    }

private:
    std::vector<Laid> parts_; ///< never empty
    int rate_;
    int channels_;
    std::int64_t origin_;
    std::int64_t position_ = 0;
    bool sought_ = false; ///< the readers stand where the last read ended
};

} // namespace

std::optional<SoundSource> soundOf(const Project& project, const ClipInfo& film, int track)
{
    if (!project.sound.file.empty())
        return track == 0 ? std::optional(SoundSource{project.sound.file, -project.sound.offset}) : std::nullopt;
    const auto has = [track](const ClipInfo& clip) { return track < static_cast<int>(clip.sounds.size()); };
    if (film.shots.empty())
        return has(film) ? std::optional(SoundSource{film.path, film.originSeconds - project.sound.offset, {}, track})
                         : std::nullopt;
    SoundSource source;
    source.originSeconds = -project.sound.offset;
    std::int64_t first = 0;
    for (std::size_t i = 0; i < std::min(film.shots.size(), project.shots.size()); ++i) {
        const Shot& shot = project.shots[i];
        const ClipInfo& clip = film.shots[i];
        const auto second = [&](std::int64_t frame) { return project.rate.seconds(static_cast<double>(frame)); };
        if (has(clip))
            source.parts.push_back({clip.path, clip.originSeconds + project.rate.seconds(shot.in), second(first),
                                    second(first + shot.length), shot.speed, track});
        first += shot.length;
    }
    if (source.parts.empty())
        return std::nullopt;
    source.path = source.parts.front().path;
    return source;
}

Result<std::unique_ptr<SoundReader>> openSound(const SoundSource& source, SoundReader::Format wanted)
{
    return openSoundBy([wanted](SoundReader::Format) { return wanted; }, source);
}

Result<std::unique_ptr<SoundReader>> openSoundBy(const SoundReader::Choice& choice, const SoundSource& source)
{
    if (source.parts.empty())
        return SoundReader::openBy(choice, source.path, source.originSeconds, source.track);
    std::vector<ReelSound::Laid> parts;
    SoundReader::Format film;
    for (const SoundPart& part : source.parts) {
        // Read at another rate and played at the film's it runs as much faster or slower.
        const auto read = [&](SoundReader::Format own) {
            if (parts.empty()) {
                film = choice(own);
                film = {film.rate > 0 ? film.rate : own.rate, film.channels > 0 ? film.channels : own.channels};
            }
            return SoundReader::Format{std::max(1000, static_cast<int>(std::lround(film.rate / part.speed))),
                                       film.channels};
        };
        auto opened = SoundReader::openBy(read, part.path, part.originSeconds, part.track);
        if (!opened)
            return opened.error();
        parts.push_back(
            {std::move(opened).value(), std::llround(part.start * film.rate), std::llround(part.end * film.rate)});
    }
    return std::unique_ptr<SoundReader>(
        std::make_unique<ReelSound>(std::move(parts), film.rate, film.channels, source.originSeconds));
}

} // namespace ember
