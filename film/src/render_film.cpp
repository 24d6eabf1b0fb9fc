// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/film/render_film.h"

#include <algorithm>
#include <chrono>
#include <filesystem>
#include <set>

#include "ember/film/film_colour.h"
#include "ember/film/film_inputs.h"
#include "ember/film/film_reader.h"
#include "ember/film/film_view.h"
#include "ember/image/convert.h"
#include "ember/render/frame.h"
#include "film_output.h"

namespace ember {

namespace {

/// No two films of one render are the same file.
Status areApart(const std::vector<RenderFile>& files)
{
    std::set<std::filesystem::path> names;
    for (const RenderFile& file : files) {
        std::error_code ignored;
        const auto name = std::filesystem::weakly_canonical(file.path, ignored);
        if (!names.insert(name.empty() ? std::filesystem::path(file.path) : name).second)
            return Error{ErrorCode::badValue, file.path, "two films of one render need two names"};
    }
    return Done{};
}

/// The forms that are wanted, each once, and which of them each film wants.
struct Wanted {
    std::vector<PictureForm> forms;
    std::vector<std::size_t> of;

    explicit Wanted(const std::vector<FilmOutput>& outputs)
    {
        for (const FilmOutput& output : outputs) {
            const auto found = std::find(forms.begin(), forms.end(), output.form());
            of.push_back(static_cast<std::size_t>(found - forms.begin()));
            if (found == forms.end())
                forms.push_back(output.form());
        }
    }
};

} // namespace

RenderOptions wholeFilm(const Project& project)
{
    RenderOptions options;
    options.last = Frame{project.length() - 1};
    options.form.width = project.width;
    options.form.height = project.height;
    return options;
}

Result<std::vector<Result<Phrase>>> renderFilms(const Project& project, const std::vector<RenderFile>& files,
                                                const RenderOptions& options, const RenderWatcher& watcher)
{
    const std::string& name = files.front().path;
    if (options.first > options.last || options.first < Frame{0})
        return Error{ErrorCode::badValue, name,
                     Phrase("there are no frames between {} and {}", options.first.index, options.last.index)};
    if (const Status apart = areApart(files); !apart)
        return apart.error();
    for (const RenderFile& file : files) // before the clips are opened, which takes time
        if (!filmFormatOf(file.path))
            return Error{ErrorCode::unsupported, file.path, filmFormatWords};
    auto clip = openFilm(project, FilmPictures::stored);
    if (!clip)
        return clip.error();
    auto managed = FilmColour::of(project, clip.value()->info());
    if (!managed)
        return managed.error();
    const std::shared_ptr<const FilmColour> colour = std::move(managed).value();
    const auto changed = changedClips(project, clip.value()->info());
    if (options.strict && !changed.empty())
        return strictError(changed);
    std::vector<FilmOutput> outputs(files.size());
    for (std::size_t i = 0; i < files.size(); ++i)
        if (const Status ready = outputs[i].prepare(project, clip.value()->info(), colour.get(), files[i], options);
            !ready)
            return ready.error();
    const Wanted wanted(outputs);
    std::vector<LayerPictures> layers;
    for (const PictureForm& form : wanted.forms) {
        auto pictures = layerPictures(project, colour != nullptr ? colour->primaries() : form.colour.primaries);
        if (!pictures)
            return pictures.error();
        layers.push_back(std::move(pictures).value());
    }
    std::vector<Frame> frames;
    std::vector<bool> needed; // of all frames
    for (Frame f = options.first; f <= options.last; f = f + 1) {
        needed.push_back(std::any_of(outputs.begin(), outputs.end(), [f](const FilmOutput& o) { return !o.has(f); }));
        if (needed.back())
            frames.push_back(f);
    }
    FrameSupply supply(project, std::move(clip).value(), colour, wanted.forms, std::move(layers), std::move(frames),
                       options.threads);
    RenderProgress progress;
    progress.total = options.last - options.first + 1;
    const auto began = std::chrono::steady_clock::now();
    std::int64_t made = 0;
    for (const bool make : needed) {
        std::vector<ImagePtr> pictures(wanted.forms.size());
        if (make) {
            auto step = supply.next();
            if (!step || !*step)
                return step ? step->error() : Error{ErrorCode::failed, name, "the pictures ended early"};
            pictures = std::move(*step).value();
            ++made;
        }
        const Frame frame = options.first + progress.done;
        ++progress.done;
        for (std::size_t i = 0; i < outputs.size(); ++i)
            outputs[i].add(outputs[i].has(frame) ? nullptr : pictures[wanted.of[i]],
                           project.rate.seconds(static_cast<double>(progress.done)));
        if (std::all_of(outputs.begin(), outputs.end(), [](const FilmOutput& o) { return o.failed(); }))
            break;
        const std::chrono::duration<double> spent = std::chrono::steady_clock::now() - began;
        progress.framesPerSecond = static_cast<double>(made) / std::max(1e-9, spent.count());
        progress.secondsLeft =
            static_cast<double>(progress.total - progress.done) / std::max(1e-9, progress.framesPerSecond);
        if (make && !watcher(progress))
            return Error{ErrorCode::cancelled, "The render", ""};
    }
    const Phrase damage = damageSentence(supply.damage());
    if (options.strict && !damage.empty())
        return strictError({damage});
    std::vector<Result<Phrase>> results;
    for (FilmOutput& output : outputs) {
        auto told = output.finish(damage);
        if (told && !changed.empty()) {
            std::vector<Phrase> all = changed;
            if (!told->empty())
                all.push_back(told.value());
            told = Phrase::joined(all, "\n");
        }
        results.push_back(std::move(told));
    }
    return results;
}

Result<Phrase> renderFilm(const Project& project, const std::string& path, const RenderOptions& options,
                          const RenderWatcher& watcher)
{
    auto made = renderFilms(project, {{path, options.form}}, options, watcher);
    return made ? std::move(made->front()) : Result<Phrase>(made.error());
}

Result<Phrase> renderStill(const Project& project, Frame frame, const std::string& out, const RenderOptions& options)
{
    if (const Status may = guardOf(project, options.projectPath)
                               .mayWrite(out, options.overwrite, "say that it may be replaced, or choose another name");
        !may)
        return may.error();
    auto clip = openFilm(project, FilmPictures::light);
    if (!clip)
        return clip.error();
    auto seen = FilmView::of(project, clip.value()->info());
    if (!seen)
        return seen.error();
    // By its tags only what a screen cannot show is brought down; light is coded as deep as the file holds.
    const bool viewed = seen.value() != nullptr && (project.colours.managed() || seen.value()->colour().hdr());
    if (!viewed)
        clip = openFilm(project, FilmPictures::stored);
    if (!clip)
        return clip.error();
    const ClipInfo& info = clip.value()->info();
    const FilmForm form = viewed ? FilmForm{seen.value()->depth(), seen.value()->colour(), {}, {}}
                                 : FilmForm::of(info, std::min(info.depth, Depth::sixteen));
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
    if (viewed)
        told.insert(told.end(), seen.value()->notes().begin(), seen.value()->notes().end());
    const Motion motion(project);
    FrameLook look =
        lookOf(project, motion, coverOf(project, motion), static_cast<double>(frame.index), pictures.value());
    look.depth = form.depth;
    look.colour = form.colour;
    ImagePtr picture =
        renderFrame(inPrimaries(source.value(), form.colour.primaries), look, project.width, project.height);
    if (viewed)
        picture = seen.value()->exactly(picture);
    if (const Status saved = savePicture(*picture, out, options.overwrite); !saved)
        return saved.error();
    return Phrase::joined(told, "\n");
}

} // namespace ember
