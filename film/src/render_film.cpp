// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/film/render_film.h"

#include <algorithm>
#include <array>
#include <chrono>
#include <cmath>
#include <cstdio>
#include <cstring>
#include <filesystem>
#include <new>
#include <optional>
#include <thread>
#include <vector>

#include <oneapi/tbb/task_arena.h>

#include "ember/core/motion.h"
#include "ember/film/film_inputs.h"
#include "ember/film/film_reader.h"
#include "ember/film/layer_pictures.h"
#include "ember/image/convert.h"
#include "ember/render/frame.h"
#include "lane.h"
#include "sound_supply.h"

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
        auto out = std::make_shared<Image>(width_, height_, inner->depth(), inner->colour());
        out->setOpaque(inner->opaque());
        for (int y = 0; y < height_; ++y)
            out->blacken(0, y, width_);
        const int left = (width_ - innerWidth_) / 2;
        const int top = (height_ - innerHeight_) / 2;
        for (int y = 0; y < innerHeight_; ++y)
            std::memcpy(out->row(top + y) + out->pixelBytes() * static_cast<std::size_t>(left), inner->row(y),
                        out->pixelBytes() * static_cast<std::size_t>(innerWidth_));
        return out;
    }

private:
    int width_;
    int height_;
    int innerWidth_;
    int innerHeight_;
};

/// How many pictures wait between two threads: three, but fewer of very large ones.
std::size_t framesAhead(const RenderOptions& options)
{
    return static_cast<std::int64_t>(options.width) * options.height > 9'000'000 ? 1 : 3;
}

/// What the pictures of a film are made as.
struct FilmForm {
    Depth depth = Depth::eight;
    ColourSpace colour;
    ColourTags tags;

    /// Light that is not kept as floats becomes sRGB.
    static FilmForm of(const ClipInfo& info, Depth depth)
    {
        const bool coded = depth != Depth::single && info.colour.transfer == Transfer::linear;
        const ColourSpace colour = heldAs(depth, coded ? ColourSpace{} : info.colour);
        return {depth, colour, colour == info.colour ? info.tags : tagsOf(colour)};
    }
};

/// What is not as it was in the clips.
std::vector<Phrase> colourNotes(const ClipInfo& film, const FilmForm& form)
{
    std::vector<Phrase> told;
    if (form.depth != Depth::single && film.depth == Depth::single)
        told.push_back(
            {"The clip holds light of any brightness, the film codes up to white: what is brighter is cut off. "
             "OpenEXR (.exr) keeps it."});
    else if (form.colour.hdr())
        told.push_back({"The film is {}.", wordsOf(form.colour)});
    const bool mixed = std::any_of(film.shots.begin(), film.shots.end(), [&](const ClipInfo& clip) {
        return !clip.path.empty() && clip.colour != film.colour;
    });
    if (mixed)
        told.push_back({"Its clips have different colour spaces; all are brought into the first one's, {}.",
                        wordsOf(form.colour)});
    return told;
}

/// Shakes decoded pictures on one thread while another decodes.
class FrameSupply {
public:
    FrameSupply(const Project& project, std::unique_ptr<ClipReader> clip, LayerPictures pictures,
                const RenderOptions& options, std::vector<Frame> frames, const FilmForm& form)
        : project_(project), motion_(project), cover_(coverOf(project, motion_)), clip_(std::move(clip)),
          pictures_(std::move(pictures)), frames_(std::move(frames)), form_(form),
          framing_(project, options.width, options.height),
          arena_(options.threads > 0 ? options.threads : oneapi::tbb::task_arena::automatic),
          decoded_(framesAhead(options)), shaken_(framesAhead(options)), decoder_([this] { decode(); }),
          shaker_([this] { shake(); })
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
    /// Of what has been read; when all frames have come.
    const Damage& damage() const { return clip_->damage(); }

private:
    /// An error in place of a picture there is no memory for.
    template <typename Make>
    static Step orNoMemory(Make&& make)
    {
        try {
            return make();
        } catch (const std::bad_alloc&) {
            return noMemory();
        } catch (const std::exception& error) { // threads the system does not give
            return Error{ErrorCode::failed, "", error.what()};
        }
    }
    void decode()
    {
        for (const Frame f : frames_)
            if (!decoded_.push(orNoMemory([&] { return clip_->frame(f, project_.rate); })))
                return;
    }
    void shake()
    {
        for (const Frame f : frames_) {
            auto source = decoded_.pop();
            if (!source)
                return;
            if (*source)
                source = orNoMemory([&]() -> Step {
                    FrameLook look = lookOf(project_, motion_, cover_, static_cast<double>(f.index), pictures_);
                    look.depth = form_.depth;
                    look.colour = form_.colour;
                    ImagePtr made;
                    arena_.execute([&] {
                        made = framing_.framed(renderFrame(inPrimaries(source->value(), form_.colour.primaries), look,
                                                           framing_.innerWidth(), framing_.innerHeight()));
                    });
                    return made;
                });
            if (!shaken_.push(std::move(*source)))
                return;
        }
    }

    const Project project_;
    const Motion motion_;
    const Cover cover_;
    std::unique_ptr<ClipReader> clip_;
    const LayerPictures pictures_;
    const std::vector<Frame> frames_;
    const FilmForm form_;
    const Framing framing_;
    oneapi::tbb::task_arena arena_;
    Lane<Step> decoded_;
    Lane<Step> shaken_;
    std::thread decoder_; ///< last, so that everything above stands before they start
    std::thread shaker_;
};

constexpr const char* sayReplace = "say that it may be replaced, or choose another name";

/// No picture of a series, and no film, onto anything the film is made of.
Status mayRender(const Project& project, const std::string& out, const RenderOptions& options, FilmFormat format)
{
    const OutputGuard guard = guardOf(project, options.projectPath);
    if (!isSequence(format))
        return guard.mayWrite(out, options.overwrite, sayReplace);
    for (Frame f = options.first; f <= options.last; f = f + 1)
        if (Status may = guard.mayWrite(sequenceFile(out, f.index), options.overwrite || options.resume, sayReplace);
            !may)
            return may;
    return Done{};
}

} // namespace

RenderOptions wholeFilm(const Project& project)
{
    RenderOptions options;
    options.last = Frame{project.length() - 1};
    options.width = project.width;
    options.height = project.height;
    return options;
}

Result<Phrase> renderFilm(const Project& project, const std::string& out, const RenderOptions& asked,
                          const RenderWatcher& watcher)
{
    const auto format = filmFormatOf(out);
    if (!format)
        return Error{ErrorCode::unsupported, out, filmFormatWords};
    if (asked.first > asked.last || asked.first < Frame{0})
        return Error{ErrorCode::badValue, out,
                     Phrase("there are no frames between {} and {}", asked.first.index, asked.last.index)};
    const auto coders = codersIn(*format);
    if (std::find(coders.begin(), coders.end(), asked.coder) == coders.end())
        return Error{
            ErrorCode::badValue, out,
            Phrase("{} does not go into this kind of file", coderWords[static_cast<std::size_t>(asked.coder)].label)};
    auto clip = openFilm(project, true);
    if (!clip)
        return clip.error();
    std::vector<Phrase> told;
    if (const Status may = mayRender(project, out, asked, *format); !may)
        return may.error();
    const auto changed = changedClips(project, clip.value()->info());
    if (asked.strict && !changed.empty())
        return strictError(changed);
    told.insert(told.end(), changed.begin(), changed.end());

    const ClipInfo info = clip.value()->info();
    const Coder coder = coderFor(*format, asked.coder, info.colour);
    const FilmForm form = FilmForm::of(info, depthFor(*format, coder, info.depth, asked.depth));
    const auto colours = colourNotes(info, form);
    told.insert(told.end(), colours.begin(), colours.end());
    auto pictures = layerPictures(project, form.colour.primaries);
    if (!pictures)
        return pictures.error();
    RenderOptions options = asked;
    fitToFormat(*format, options.width, options.height);
    if (options.width != asked.width || options.height != asked.height)
        told.push_back({"This format needs even sizes: the film is {} x {} pixels.", options.width, options.height});

    SoundSupply sound;
    if (const auto status = sound.open(project, info, *format, options); !status)
        return status.error();
    FilmSettings settings;
    settings.format = *format;
    settings.width = options.width;
    settings.height = options.height;
    settings.rate = project.rate;
    settings.alpha = info.alpha || project.finish.edges == EdgeMode::transparent;
    settings.coder = coder;
    settings.depth = form.depth;
    settings.tags = form.tags;
    settings.halfFloats = asked.depth ? *asked.depth != Depth::single : info.depth != Depth::single || info.halfFloats;
    if (project.clock.start > 0)
        settings.timecode = timecodeOf(options.first.index, project.clock, project.rate);
    settings.storedCodec = info.codec;
    settings.storedPixels = info.pixelFormat;
    settings.quality = options.quality;
    settings.keepPictures = options.resume && isSequence(*format);
    settings.sounds = sound.tracks();
    settings.metadata = info.metadata;
    settings.overwrite = options.overwrite;
    settings.threads = options.threads;
    settings.firstNumber = options.first.index;
    auto writer = FilmWriter::create(out, settings);
    if (!writer)
        return writer.error();

    // Pictures of a sequence that is gone on with are left out; those that are only begun have other names.
    std::error_code ignored;
    std::vector<Frame> frames;
    std::vector<bool> there;
    for (Frame f = options.first; f <= options.last; f = f + 1) {
        there.push_back(settings.keepPictures && std::filesystem::exists(sequenceFile(out, f.index), ignored));
        if (!there.back())
            frames.push_back(f);
    }
    if (frames.size() < there.size())
        told.push_back({"{} pictures were there already and were kept.", there.size() - frames.size()});
    FrameSupply supply(project, std::move(clip).value(), std::move(pictures).value(), options, std::move(frames), form);
    RenderProgress progress;
    progress.total = options.last - options.first + 1;
    const auto began = std::chrono::steady_clock::now();
    std::int64_t made = 0;
    for (const bool skip : there) {
        if (skip) {
            writer.value()->skipFrame();
            ++progress.done;
            continue;
        }
        auto picture = supply.next();
        if (!picture || !*picture)
            return picture ? picture->error() : Error{ErrorCode::failed, out, "the pictures ended early"};
        if (auto status = writer.value()->addFrame(*picture->value()); !status)
            return status.error();
        ++progress.done;
        ++made;
        if (auto status = sound.giveUntil(*writer.value(), project.rate.seconds(static_cast<double>(progress.done)));
            !status)
            return status.error();
        const std::chrono::duration<double> spent = std::chrono::steady_clock::now() - began;
        progress.framesPerSecond = static_cast<double>(made) / std::max(1e-9, spent.count());
        progress.secondsLeft = static_cast<double>(progress.total - progress.done) / progress.framesPerSecond;
        if (!watcher(progress))
            return Error{ErrorCode::cancelled, "The render", ""};
    }
    if (const Phrase damage = damageSentence(supply.damage()); !damage.empty()) {
        if (asked.strict)
            return strictError({damage});
        told.push_back(damage);
    }
    if (auto status = writer.value()->finish(); !status)
        return status.error();
    const auto heard = sound.told();
    told.insert(told.end(), heard.begin(), heard.end());
    return Phrase::joined(told, "\n");
}

Result<Phrase> renderStill(const Project& project, Frame frame, const std::string& out, const RenderOptions& options)
{
    if (const Status may = guardOf(project, options.projectPath).mayWrite(out, options.overwrite, sayReplace); !may)
        return may.error();
    auto clip = openFilm(project, true);
    if (clip && clip.value()->info().colour.hdr())
        clip = openFilm(project);
    if (!clip)
        return clip.error();
    const ClipInfo& info = clip.value()->info();
    const FilmForm form = info.colour.hdr() ? FilmForm() : FilmForm::of(info, std::min(info.depth, Depth::sixteen));
    auto pictures = layerPictures(project, form.colour.primaries);
    if (!pictures)
        return pictures.error();
    auto source = clip.value()->frame(frame, project.rate);
    if (!source)
        return source.error();
    auto told = changedClips(project, clip.value()->info());
    if (Phrase damage = damageSentence(clip.value()->damage()); !damage.empty())
        told.push_back(std::move(damage));
    if (options.strict && !told.empty())
        return strictError(told);
    const Motion motion(project);
    FrameLook look =
        lookOf(project, motion, coverOf(project, motion), static_cast<double>(frame.index), pictures.value());
    look.depth = form.depth;
    look.colour = form.colour;
    const ImagePtr picture =
        renderFrame(inPrimaries(source.value(), form.colour.primaries), look, project.width, project.height);
    if (const Status saved = savePicture(*picture, out, options.overwrite); !saved)
        return saved.error();
    return Phrase::joined(told, "\n");
}

} // namespace ember
