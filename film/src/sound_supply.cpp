// SPDX-License-Identifier: GPL-3.0-or-later
#include "sound_supply.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <cstdio>

#include "ember/media/sound_reader.h"

namespace ember {

namespace {

/// Where the packets of a film's sound can be taken from as they are: it is one clip's from its first frame on, at its
/// own pace, and no strike is heard in it. Nothing where it has to be made.
std::optional<FilmTrack> copyOf(const Project& project, const ClipInfo& info, int number, const FilmSound& sound,
                                FilmFormat format, Coder coder, const RenderOptions& options)
{
    if (coder != Coder::asItCame || !sound.track || !sound.strikes.empty() || !project.sound.file.empty())
        return std::nullopt;
    const bool whole = info.shots.size() <= 1 && project.shots.size() == 1 && project.shots.front().speed == 1 &&
                       project.shots.front().in == 0 && options.first == Frame{0} && project.sound.offset >= 0;
    const ClipInfo& clip = info.shots.empty() ? info : info.shots.front();
    if (!whole || number >= static_cast<int>(clip.sounds.size()))
        return std::nullopt;
    const SoundTrack& about = clip.sounds[static_cast<std::size_t>(number)];
    if (!holdsSound(format, about.codec))
        return std::nullopt;
    return FilmTrack{about, clip.path, number, clip.originSeconds - project.sound.offset};
}

} // namespace

Status SoundSupply::open(const Project& project, const ClipInfo& info, FilmFormat format, Coder coder,
                         const RenderOptions& options)
{
    if (isSequence(format) || format == FilmFormat::gif || (options.whole && options.whole->first != options.first))
        return Done{};
    const Frame last = options.whole ? options.whole->second : options.last;
    seconds_ = project.rate.seconds(static_cast<double>(last - options.first + 1));
    const int count = project.sound.file.empty() ? std::max(1, static_cast<int>(info.sounds.size())) : 1;
    for (int i = 0; i < count; ++i) {
        // Strikes are heard in the first; the others are what they were.
        FilmSound sound{soundOf(project, info, i), i == 0 ? heardStrikes(project) : std::vector<HeardStrike>()};
        if (!sound.any())
            continue;
        if (auto copied = copyOf(project, info, i, sound, format, coder, options)) {
            copied->copySeconds = seconds_;
            sounds_.push_back({*copied, nullptr});
            continue;
        }
        const auto number = static_cast<std::size_t>(i);
        SoundTrack about =
            number < info.sounds.size() && project.sound.file.empty() ? info.sounds[number] : SoundTrack();
        const bool own = project.sound.file.empty(); // one that was asked for is not left out in silence
        Status added = add(sound, about, format);
        if (!added && own && sound.track) {
            sound.track.reset();
            added = sound.any() ? add(sound, about, format) : Status(Done{});
        }
        if (!added)
            return added;
    }
    const double seconds = project.rate.seconds(static_cast<double>(options.first.index));
    for (Sound& sound : sounds_)
        if (sound.reader) {
            sound.start = sound.position = std::llround(seconds * sound.reader->rate());
            sound.reader->seek(sound.start);
        }
    return Done{};
}

Status SoundSupply::add(const FilmSound& sound, SoundTrack about, FilmFormat format)
{
    const auto wanted = [format](SoundReader::Format native) {
        return SoundReader::Format{soundRateFor(format, native.rate), std::min(native.channels, mostSoundChannels)};
    };
    auto opened = openFilmSoundBy(wanted, sound);
    if (!opened)
        return opened.error();
    Sound one{{std::move(about)}, std::move(opened).value()};
    if (one.track.about.channels != one.reader->channels())
        one.track.about.layout.clear();
    one.track.about.rate = one.reader->rate();
    one.track.about.channels = one.reader->channels();
    if (!sound.strikes.empty())
        meter_.reset(ebur128_init(static_cast<unsigned>(one.reader->channels()),
                                  static_cast<unsigned long>(one.reader->rate()),
                                  EBUR128_MODE_I | EBUR128_MODE_TRUE_PEAK));
    sounds_.push_back(std::move(one));
    return Done{};
}

std::vector<FilmTrack> SoundSupply::tracks() const
{
    std::vector<FilmTrack> tracks;
    for (const Sound& sound : sounds_)
        tracks.push_back(sound.track);
    return tracks;
}

Status SoundSupply::giveUntil(FilmWriter& writer, double seconds)
{
    for (std::size_t i = 0; i < sounds_.size(); ++i) {
        Sound& sound = sounds_[i];
        if (!sound.reader)
            continue;
        const auto end = sound.start + std::llround(seconds * sound.reader->rate());
        if (end <= sound.position)
            continue;
        const SoundBuffer part = sound.reader->read(end - sound.position);
        sound.position = end;
        if (i == 0 && meter_)
            ebur128_add_frames_float(meter_.get(), part.samples.data(), static_cast<std::size_t>(part.length()));
        if (Status added = writer.addSound(part, i); !added)
            return added;
    }
    given_ = seconds;
    return Done{};
}

Status SoundSupply::giveRest(FilmWriter& writer)
{
    while (given_ < seconds_) // a second at a time: it may be hours
        if (Status gave = giveUntil(writer, std::min(given_ + 1, seconds_)); !gave)
            return gave;
    return Done{};
}

std::vector<Phrase> SoundSupply::told() const
{
    std::vector<Phrase> told;
    const auto copies = std::count_if(sounds_.begin(), sounds_.end(), [](const Sound& sound) { return !sound.reader; });
    if (copies == 1 && sounds_.size() == 1)
        told.push_back({"Its sound was copied as it is."});
    else if (copies > 0)
        told.push_back({"{} of {} sounds were copied as they are.", copies, sounds_.size()});
    else if (sounds_.size() > 1)
        told.push_back({"{} sounds go along.", sounds_.size()});
    if (const Phrase loud = loudness(); !loud.empty())
        told.push_back(loud);
    return told;
}

Phrase SoundSupply::loudness() const
{
    if (!meter_)
        return {};
    double lufs = 0;
    double peak = 0;
    ebur128_loudness_global(meter_.get(), &lufs);
    for (unsigned c = 0; c < meter_->channels; ++c) {
        double most = 0;
        ebur128_true_peak(meter_.get(), c, &most);
        peak = std::max(peak, most);
    }
    if (!std::isfinite(lufs) || peak <= 0)
        return {};
    const auto tenths = [](double value) {
        std::array<char, 32> text{};
        std::snprintf(text.data(), text.size(), "%.1f", value);
        return std::string(text.data());
    };
    return {"Sound: {} LUFS, true peak {} dB.", tenths(lufs), tenths(20 * std::log10(peak))};
}

} // namespace ember
