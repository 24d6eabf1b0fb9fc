// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/film/film_sound.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <filesystem>
#include <map>
#include <numbers>

#include "ember/core/motion.h"
#include "ember/film/film_inputs.h"
#include "ember/project/file.h"
#include "ember/sound/limiter.h"
#include "ember/sound/synth.h"

namespace ember {

namespace {

constexpr double ceilingDecibels = -1.1; ///< a tenth for what finer meters see between samples
constexpr double longestOwn = 60;        ///< seconds of a sound file that are taken
constexpr double farBehind = 120;        ///< seconds after which a strike is surely over

/// A strike's sound as it is mixed, with as many channels as the film.
struct Laid {
    std::vector<float> samples;
    std::int64_t first = 0; ///< sample of the film it begins on
};

class MixedReader final : public SoundReader {
public:
    MixedReader(std::unique_ptr<SoundReader> track, std::vector<HeardStrike> strikes,
                std::map<std::string, SoundBuffer> files, Format format)
        : track_(std::move(track)), strikes_(std::move(strikes)), files_(std::move(files)), format_(format),
          limiter_(format.rate, gainOf(ceilingDecibels)), channels_(static_cast<std::size_t>(format.channels))
    {
        seek(0);
    }

    int rate() const override { return format_.rate; }
    int channels() const override { return format_.channels; }
    double seconds() const override { return std::max(track_ ? track_->seconds() : 0, over()); }

    void seek(std::int64_t sample) override
    {
        position_ = sample;
        have_.clear();
        haveFirst_ = sample - static_cast<std::int64_t>(limiter_.reach());
        if (track_)
            track_->seek(haveFirst_);
    }

    SoundBuffer read(std::int64_t count) override
    {
        const auto reach = static_cast<std::int64_t>(limiter_.reach());
        const std::int64_t end = position_ + count + reach;
        const auto have = haveFirst_ + static_cast<std::int64_t>(have_.size() / channels_);
        if (end > have)
            add(have, end - have);
        const std::vector<float> gains = limiter_.gains(have_, format_.channels, static_cast<std::size_t>(count));
        SoundBuffer out{format_.rate, format_.channels, {}};
        out.samples.reserve(static_cast<std::size_t>(count) * channels_);
        const auto from = static_cast<std::size_t>(reach) * channels_;
        for (std::size_t i = 0; i < gains.size(); ++i)
            for (std::size_t c = 0; c < channels_; ++c)
                out.samples.push_back(have_[from + i * channels_ + c] * gains[i]);
        position_ += count;
        have_.erase(have_.begin(),
                    have_.begin() + static_cast<std::ptrdiff_t>(static_cast<std::size_t>(count) * channels_));
        haveFirst_ += count;
        return out;
    }
    bool atEnd() const override
    {
        return (!track_ || track_->atEnd()) && static_cast<double>(position_) > over() * format_.rate;
    }

private:
    double over() const { return strikes_.empty() ? 0 : strikes_.back().seconds + farBehind; }

    /// The next samples of the mix, before the limiter.
    void add(std::int64_t first, std::int64_t count)
    {
        std::vector<float> part(static_cast<std::size_t>(count) * channels_);
        if (track_)
            part = track_->read(count).samples;
        part.resize(static_cast<std::size_t>(count) * channels_);
        const double rate = format_.rate;
        const double from = static_cast<double>(first) / rate - farBehind;
        const double to = static_cast<double>(first + count) / rate + 1; // a whoosh comes before
        auto strike = std::lower_bound(strikes_.begin(), strikes_.end(), from,
                                       [](const HeardStrike& s, double t) { return s.seconds < t; });
        for (; strike != strikes_.end() && strike->seconds < to; ++strike) {
            const auto number = static_cast<std::size_t>(strike - strikes_.begin());
            const auto known = ended_.find(number);
            if (known != ended_.end() && known->second <= first)
                continue;
            const Laid& laid = laidOf(number);
            const auto length = static_cast<std::int64_t>(laid.samples.size() / channels_);
            const std::int64_t begin = std::max(first, laid.first);
            const std::int64_t end = std::min(first + count, laid.first + length);
            for (std::int64_t i = begin; i < end; ++i)
                for (std::size_t c = 0; c < channels_; ++c)
                    part[static_cast<std::size_t>(i - first) * channels_ + c] +=
                        laid.samples[static_cast<std::size_t>(i - laid.first) * channels_ + c];
            if (laid.first + length <= first + count) { // made again if it is asked for again
                ended_[number] = laid.first + length;
                laid_.erase(number);
            }
        }
        have_.insert(have_.end(), part.begin(), part.end());
    }

    const Laid& laidOf(std::size_t number)
    {
        const auto [place, fresh] = laid_.try_emplace(number);
        Laid& laid = place->second;
        if (!fresh)
            return laid;
        const HeardStrike& strike = strikes_[number];
        const std::int64_t at = std::llround(strike.seconds * format_.rate);
        if (strike.sound.kind == SoundKind::file) {
            laid.first = at;
            laid.samples = files_.at(strike.sound.file).samples;
            const auto gain = static_cast<float>(strike.strength * gainOf(strike.sound.level));
            for (float& sample : laid.samples)
                sample *= gain;
            return laid;
        }
        const StruckSound sound = struckSound(strike, format_.rate);
        laid.first = at - sound.strikeAt;
        laid.samples.reserve(sound.samples.size() * channels_);
        for (const float sample : sound.samples)
            laid.samples.insert(laid.samples.end(), channels_, sample);
        return laid;
    }

    std::unique_ptr<SoundReader> track_;
    std::vector<HeardStrike> strikes_; ///< by time
    std::map<std::string, SoundBuffer> files_;
    Format format_;
    Limiter limiter_;
    std::size_t channels_;
    std::int64_t position_ = 0;
    std::vector<float> have_; ///< the mix from `haveFirst_` on
    std::int64_t haveFirst_ = 0;
    std::map<std::size_t, Laid> laid_;          ///< sounds that are under way
    std::map<std::size_t, std::int64_t> ended_; ///< where those that were made end
};

void append(std::string& bytes, std::uint32_t value, int count)
{
    for (int i = 0; i < count; ++i)
        bytes += static_cast<char>(value >> (8 * i) & 0xffU);
}

} // namespace

FilmSound filmSoundOf(const Project& project, const ClipInfo& clip)
{
    return {soundOf(project, clip), heardStrikes(project)};
}

Result<std::unique_ptr<SoundReader>> openFilmSound(const FilmSound& sound, SoundReader::Format wanted)
{
    return openFilmSoundBy([wanted](SoundReader::Format) { return wanted; }, sound);
}

Result<std::unique_ptr<SoundReader>> openFilmSoundBy(const SoundReader::Choice& choice, const FilmSound& sound)
{
    std::unique_ptr<SoundReader> track;
    if (sound.track) {
        auto opened = openSoundBy(choice, *sound.track);
        if (!opened)
            return opened.error();
        track = std::move(opened).value();
        if (sound.strikes.empty())
            return track;
    }
    SoundReader::Format format = track ? SoundReader::Format{track->rate(), track->channels()} : choice({48000, 2});
    format = {format.rate > 0 ? format.rate : 48000, format.channels > 0 ? format.channels : 2};
    std::map<std::string, SoundBuffer> files;
    for (const HeardStrike& strike : sound.strikes) {
        if (strike.sound.kind != SoundKind::file || files.contains(strike.sound.file))
            continue;
        auto opened = SoundReader::open(strike.sound.file, 0, format);
        if (!opened)
            return opened.error();
        SoundReader& reader = *opened.value();
        SoundBuffer& buffer = files[strike.sound.file];
        reader.seek(0);
        while (!reader.atEnd() && static_cast<double>(buffer.length()) < longestOwn * format.rate) {
            const SoundBuffer part = reader.read(format.rate / 4);
            buffer.channels = format.channels;
            buffer.samples.insert(buffer.samples.end(), part.samples.begin(), part.samples.end());
        }
    }
    return std::unique_ptr<SoundReader>(
        std::make_unique<MixedReader>(std::move(track), sound.strikes, std::move(files), format));
}

Status writeRumbleTrack(const Project& project, double hertz, const std::string& path, bool overwrite,
                        const std::string& projectPath)
{
    constexpr int rate = 48000;
    constexpr double stepSeconds = 0.0005; ///< at which the intensity is asked for
    if (const Status may = guardOf(project, projectPath).mayWrite(path, overwrite, "it is there already"); !may)
        return may;
    const double seconds = project.rate.seconds(static_cast<double>(project.length()));
    if (!(hertz >= 10 && hertz <= 120))
        return Error{ErrorCode::badValue, path, "the rumble's pitch should be 10 to 120 Hz"};
    if (project.length() == 0 || seconds > 6 * 3600)
        return Error{ErrorCode::badValue, path, "a rumble track is made of a film of up to six hours"};
    const Motion motion(project);
    const auto count = static_cast<std::int64_t>(std::llround(seconds * rate));
    std::string bytes = "RIFF";
    const auto data = static_cast<std::uint32_t>(2 * count);
    append(bytes, 36 + data, 4);
    bytes += "WAVEfmt ";
    append(bytes, 16, 4);
    append(bytes, 1, 2);
    append(bytes, 1, 2);
    append(bytes, rate, 4);
    append(bytes, 2 * rate, 4);
    append(bytes, 2, 2);
    append(bytes, 16, 2);
    bytes += "data";
    append(bytes, data, 4);
    bytes.reserve(bytes.size() + data);
    const auto feltAt = [&](double t) { return std::min(1.0, motion.intensityAt(project.rate.frames(t))); };
    double from = feltAt(0);
    double to = from;
    std::int64_t step = -1;
    for (std::int64_t i = 0; i < count; ++i) {
        const double t = static_cast<double>(i) / rate;
        const auto now = static_cast<std::int64_t>(t / stepSeconds);
        if (now != step) {
            step = now;
            from = feltAt(static_cast<double>(now) * stepSeconds);
            to = feltAt(static_cast<double>(now + 1) * stepSeconds);
        }
        const double level = from + (to - from) * (t / stepSeconds - static_cast<double>(now));
        const double value = level * std::sin(2 * std::numbers::pi * hertz * t);
        append(bytes, static_cast<std::uint32_t>(std::lround(32767 * value)), 2);
    }
    return writeFileSafely(path, bytes);
}

} // namespace ember
