// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/film/render_film.h"

#include <algorithm>
#include <chrono>
#include <cmath>
#include <cstring>
#include <filesystem>
#include <optional>
#include <thread>

#include <oneapi/tbb/task_arena.h>

#include "ember/core/motion.h"
#include "ember/film/new_project.h"
#include "ember/film/sound_source.h"
#include "ember/media/sound_reader.h"
#include "ember/render/frame.h"
#include "lane.h"

namespace ember {

namespace {

using Step = Result<ImagePtr>;

/// The picture put into a frame of another shape: as large as fits, centred, black around it.
class Framing {
public:
    Framing(const Project& project, int width, int height) : width_(width), height_(height)
    {
        const double scale =
            std::min(static_cast<double>(width) / project.width, static_cast<double>(height) / project.height);
        // Within a pixel of the whole frame there are no bars: odd sizes are cut, not shrunk.
        const auto side = [scale](int from, int to) {
            const int fitted = std::max(1, static_cast<int>(std::lround(from * scale)));
            return std::abs(fitted - to) <= 1 ? to : fitted;
        };
        innerWidth_ = side(project.width, width);
        innerHeight_ = side(project.height, height);
    }
    int innerWidth() const { return innerWidth_; }
    int innerHeight() const { return innerHeight_; }

    ImagePtr framed(ImagePtr inner) const
    {
        if (innerWidth_ == width_ && innerHeight_ == height_)
            return inner;
        auto out = std::make_shared<Image>(width_, height_);
        out->fill(0, 0, 0);
        const int left = (width_ - innerWidth_) / 2;
        const int top = (height_ - innerHeight_) / 2;
        for (int y = 0; y < innerHeight_; ++y)
            std::memcpy(out->at(left, top + y), inner->row(y), 4 * static_cast<std::size_t>(innerWidth_));
        return out;
    }

private:
    int width_;
    int height_;
    int innerWidth_;
    int innerHeight_;
};

/// Shakes decoded pictures on one thread while another decodes.
class FrameSupply {
public:
    FrameSupply(const Project& project, std::unique_ptr<ClipReader> clip, const RenderOptions& options)
        : project_(project), motion_(project), cover_(coverOf(project, motion_)), clip_(std::move(clip)),
          options_(options), framing_(project, options.width, options.height),
          arena_(options.threads > 0 ? options.threads : oneapi::tbb::task_arena::automatic),
          decoder_([this] { decode(); }), shaker_([this] { shake(); })
    {
    }
    ~FrameSupply()
    {
        decoded_.close();
        shaken_.close();
        decoder_.join();
        shaker_.join();
    }
    std::optional<Step> next() { return shaken_.pop(); }

private:
    void decode()
    {
        for (Frame f = options_.first; f <= options_.last; f = f + 1)
            if (!decoded_.push(clip_->frame(f, project_.rate)))
                return;
    }
    void shake()
    {
        for (Frame f = options_.first; f <= options_.last; f = f + 1) {
            auto source = decoded_.pop();
            if (!source)
                return;
            if (*source) {
                const FrameLook look = lookOf(project_, cover_, motion_.poseAt(static_cast<double>(f.index)));
                arena_.execute([&] {
                    source = framing_.framed(
                        renderFrame(source->value(), look, framing_.innerWidth(), framing_.innerHeight()));
                });
            }
            if (!shaken_.push(std::move(*source)))
                return;
        }
    }

    const Project project_;
    const Motion motion_;
    const Cover cover_;
    std::unique_ptr<ClipReader> clip_;
    const RenderOptions options_;
    const Framing framing_;
    oneapi::tbb::task_arena arena_;
    Lane<Step> decoded_{3};
    Lane<Step> shaken_{3};
    std::thread decoder_; ///< last, so that everything above stands before they start
    std::thread shaker_;
};

/// Hands the sound of the film over in step with its pictures.
class SoundSupply {
public:
    SoundSupply(const std::optional<SoundSource>& source, FilmFormat format)
    {
        if (!source || format == FilmFormat::pngSequence)
            return;
        auto native = SoundReader::open(source->path, source->originSeconds, {});
        if (!native)
            return;
        const SoundReader::Format wanted{soundRateFor(format, native.value()->rate()),
                                         std::min(native.value()->channels(), mostSoundChannels)};
        if (wanted.rate == native.value()->rate() && wanted.channels == native.value()->channels())
            reader_ = std::move(native).value();
        else if (auto fitted = SoundReader::open(source->path, source->originSeconds, wanted))
            reader_ = std::move(fitted).value();
    }
    int rate() const { return reader_ ? reader_->rate() : 0; }
    int channels() const { return reader_ ? reader_->channels() : 0; }

    void start(double seconds)
    {
        if (!reader_)
            return;
        start_ = std::llround(seconds * reader_->rate());
        position_ = start_;
        reader_->seek(start_);
    }
    /// Up to `seconds` after the start.
    Status giveUntil(FilmWriter& writer, double seconds)
    {
        if (!reader_)
            return Done{};
        const auto end = start_ + std::llround(seconds * reader_->rate());
        if (end <= position_)
            return Done{};
        auto part = reader_->read(end - position_);
        position_ = end;
        return writer.addSound(part);
    }

private:
    std::unique_ptr<SoundReader> reader_;
    std::int64_t start_ = 0;
    std::int64_t position_ = 0;
};

} // namespace

RenderOptions wholeFilm(const Project& project)
{
    RenderOptions options;
    options.last = Frame{project.length() - 1};
    options.width = project.width;
    options.height = project.height;
    return options;
}

Result<std::string> renderFilm(const Project& project, const std::string& out, const RenderOptions& asked,
                               const RenderWatcher& watcher)
{
    const auto format = filmFormatOf(out);
    if (!format)
        return Error{ErrorCode::unsupported, out, "films end in .mp4 or .mkv, numbered pictures in .png or a folder"};
    if (asked.first > asked.last || asked.first < Frame{0})
        return Error{ErrorCode::badValue, out,
                     "there are no frames between " + std::to_string(asked.first.index) + " and " +
                         std::to_string(asked.last.index)};
    auto clip = openShot(project);
    if (!clip)
        return clip.error();
    std::error_code ignored;
    for (const std::string& source : {project.shot->clip, project.sound.file})
        if (std::filesystem::equivalent(out, source, ignored))
            return Error{ErrorCode::exists, out,
                         "it is the clip or the sound of this project, which are never overwritten"};

    RenderOptions options = asked;
    fitToFormat(*format, options.width, options.height);
    std::string note;
    if (options.width != asked.width || options.height != asked.height)
        note = "H.264 needs even sizes: the film is " + std::to_string(options.width) + " x " +
               std::to_string(options.height) + " pixels.";

    const ClipInfo info = clip.value()->info();
    if (!project.sound.file.empty()) // a sound that was asked for is not left out in silence
        if (const auto own = SoundReader::open(project.sound.file, 0, {}); !own)
            return own.error();
    SoundSupply sound(soundOf(project, info), *format);
    FilmSettings settings;
    settings.format = *format;
    settings.width = options.width;
    settings.height = options.height;
    settings.rate = project.rate;
    settings.alpha = info.alpha;
    settings.soundRate = sound.rate();
    settings.soundChannels = sound.channels();
    settings.overwrite = options.overwrite;
    settings.threads = options.threads;
    settings.firstNumber = options.first.index;
    auto writer = FilmWriter::create(out, settings);
    if (!writer)
        return writer.error();

    sound.start(project.rate.seconds(static_cast<double>(options.first.index)));
    FrameSupply supply(project, std::move(clip).value(), options);
    RenderProgress progress;
    progress.total = options.last - options.first + 1;
    const auto began = std::chrono::steady_clock::now();
    while (progress.done < progress.total) {
        auto picture = supply.next();
        if (!picture || !*picture)
            return picture ? picture->error() : Error{ErrorCode::failed, out, "the pictures ended early"};
        if (auto status = writer.value()->addFrame(*picture->value()); !status)
            return status.error();
        ++progress.done;
        if (auto status = sound.giveUntil(*writer.value(), project.rate.seconds(static_cast<double>(progress.done)));
            !status)
            return status.error();
        const std::chrono::duration<double> spent = std::chrono::steady_clock::now() - began;
        progress.framesPerSecond = static_cast<double>(progress.done) / std::max(1e-9, spent.count());
        progress.secondsLeft = static_cast<double>(progress.total - progress.done) / progress.framesPerSecond;
        if (!watcher(progress))
            return Error{ErrorCode::cancelled, "The render", ""};
    }
    if (auto status = writer.value()->finish(); !status)
        return status.error();
    return note;
}

} // namespace ember
