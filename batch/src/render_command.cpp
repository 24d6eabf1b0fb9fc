// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>
#include <cmath>
#include <ostream>

#include "command.h"
#include "ember/core/shown_text.h"
#include "ember/film/film_parts.h"
#include "ember/film/output_presets.h"
#include "ember/film/render_film.h"
#include "ember/project/file.h"

namespace ember {

namespace {

class RenderCommand final : public Command {
public:
    void declare(CLI::App& app) override
    {
        app.add_option("PROJECT", path_, "The project, NAME.vember")->required();
        app.add_option("-o,--output", output_,
                       "The film: NAME.mp4, .mkv, .webm, .mov or .gif; NAME_%05d.png, .tif, .dpx or .exr, or a "
                       "FOLDER/ for numbered pictures")
            ->required();
        app.add_option("--frames", frames_, "Only frames A-B, counted from 0, both included")
            ->check(frameRangeSpelling());
        app.add_option("--size", size_, "Size of the film, WxH (default: the project's)")->check(sizeSpelling());
        app.add_option("--threads", threads_, "Threads to use (default: all)")->check(CLI::Range(1, 1024));
        app.add_option("--quality", quality_, "draft, good (default) or best")
            ->check(CLI::IsMember(std::vector<std::string>(filmQualityWords.begin(), filmQualityWords.end())));
        std::vector<std::string> coders;
        coders.reserve(coderWords.size());
        for (const CoderWords& words : coderWords)
            coders.emplace_back(words.word);
        app.add_option("--coder", coder_, "How a film's pictures are coded (default: usual, what its kind says)")
            ->check(CLI::IsMember(coders));
        app.add_option("--depth", depth_,
                       "Bits a channel: 8, 16, or 32 for whole floats in OpenEXR (default: the clip's, where the "
                       "format holds it)")
            ->check(CLI::IsMember({"8", "16", "32"}));
        app.add_option("--preset", preset_, "One of your output presets: its size, quality, coder, depth and version");
        app.add_option("--part", part_, "Only part K/N of the film, into the folder OUTPUT.parts; join makes the film")
            ->check(partSpelling());
        app.add_option("--also", also_,
                       "Another film of the same pass: OUT[,size=WxH][,quality=Q][,coder=CODER][,depth=BITS]; as often "
                       "as wanted");
        app.add_flag("--gentle", gentle_, "The gentle version instead of the full one");
        app.add_flag("--resume", resume_, "Go on with numbered pictures: keep those that are there already");
        app.add_flag("--strict", strict_,
                     "Fail where a clip is not as it was or a picture is damaged, instead of only saying so");
        app.add_flag("--force", force_, "Replace the film if it exists");
    }

    Status run(const BatchStreams& streams) override
    {
        auto project = loadProject(path_);
        if (!project)
            return project.error();
        RenderFile file{output_, wholeFilm(project.value()).form};
        if (Status taken = takePreset(project.value(), file.form); !taken)
            return taken;
        if (gentle_)
            project = gentled(project.value());
        const auto frames = frameRange(frames_, project->length());
        if (!frames)
            return frames.error();
        RenderOptions options = wholeFilm(project.value());
        options.first = Frame{frames->first};
        options.last = Frame{frames->last};
        options.threads = threads_;
        options.overwrite = force_;
        options.resume = resume_;
        options.strict = strict_;
        options.projectPath = path_;
        if (Status taken = take(file, {{"size", size_}, {"quality", quality_}, {"coder", coder_}, {"depth", depth_}});
            !taken)
            return taken;
        const auto format = filmFormatOf(output_);
        if (resume_ && (!format || !isSequence(*format)))
            return Error{ErrorCode::badValue, output_, "only numbered pictures can be gone on with; a film cannot"};
        if (!part_.empty() && (!also_.empty() || resume_))
            return Error{ErrorCode::badValue, "--part",
                         "a part is of one film, and is rendered whole: without --also and --resume"};
        std::vector<RenderFile> files{file};
        for (const std::string& words : also_) {
            auto other = fileFrom(words, wholeFilm(project.value()).form);
            if (!other)
                return other.error();
            files.push_back(std::move(other).value());
        }
        std::int64_t told = 0;
        const auto watch = [&](const RenderProgress& p) {
            const bool due =
                streams.liveProgress || p.done == p.total || p.done - told >= std::max<std::int64_t>(1, p.total / 20);
            if (due) {
                told = p.done;
                streams.err << (streams.liveProgress ? "\r" : "") << "frame " << p.done << " of " << p.total << ", "
                            << std::round(p.framesPerSecond * 10) / 10 << " frames/s, " << std::ceil(p.secondsLeft)
                            << " s left" << (streams.liveProgress && p.done != p.total ? "   " : "\n") << std::flush;
            }
            return streams.stop == nullptr || !streams.stop->load();
        };
        if (const auto part = partFrom(part_)) {
            const auto note = renderPart(project.value(), file, *part, options, watch);
            if (!note)
                return withForce(note.error());
            if (!note->empty())
                streams.err << note->said() << '\n';
            return Done{};
        }
        const auto made = renderFilms(project.value(), files, options, watch);
        if (!made)
            return withForce(made.error());
        Status all = Done{};
        for (std::size_t i = 0; i < files.size(); ++i) {
            const Result<Phrase>& note = made.value()[i];
            if (!note && all)
                all = withForce(note.error());
            if (note && !note->empty())
                streams.err << (files.size() > 1 ? shownText(files[i].path) + ":\n" : "") << note->said() << '\n';
        }
        return all;
    }

private:
    using Words = std::vector<std::pair<std::string, std::string>>;

    Error withForce(Error error) const
    {
        if (error.code == ErrorCode::exists && !force_)
            error.detail = forceReplaces;
        return error;
    }
    /// Puts what is said of a film into its form; empty words say nothing.
    static Status take(RenderFile& file, const Words& words)
    {
        RenderForm& form = file.form;
        const auto wrong = [&](const std::string& key, const std::string& value) {
            return Error{ErrorCode::badValue, file.path,
                         Phrase("{}={} is not one of its values; --help lists them", key, value)};
        };
        for (const auto& word : words) {
            const std::string& key = word.first;
            const std::string& value = word.second;
            if (value.empty())
                continue;
            if (key == "size") {
                const auto size = sizeFrom(value);
                if (!size)
                    return wrong(key, value);
                form.width = size->width;
                form.height = size->height;
            } else if (key == "quality") {
                const auto found = std::find(filmQualityWords.begin(), filmQualityWords.end(), value);
                if (found == filmQualityWords.end())
                    return wrong(key, value);
                form.quality = static_cast<FilmQuality>(found - filmQualityWords.begin());
            } else if (key == "coder") {
                const auto found = std::find_if(coderWords.begin(), coderWords.end(),
                                                [&](const CoderWords& c) { return c.word == value; });
                if (found == coderWords.end())
                    return wrong(key, value);
                form.coder = found->coder;
            } else if (key == "depth" && (value == "8" || value == "16" || value == "32")) {
                form.depth = static_cast<Depth>(std::stoi(value));
            } else {
                return wrong(key, value);
            }
        }
        const auto format = filmFormatOf(file.path);
        if (form.depth.value_or(Depth::eight) != Depth::eight && format && !holdsDepth(*format, form.coder))
            return Error{ErrorCode::badValue, file.path,
                         "its coder says how many bits it holds; FFV1 in .mkv, .mov and pictures leave a choice"};
        if (form.depth == Depth::single && format != FilmFormat::exrSequence)
            return Error{ErrorCode::badValue, file.path, "only OpenEXR (.exr) holds floats"};
        return Done{};
    }
    /// "OUT,coder=hevc-10,size=640x360"; a comma within the name belongs to it where no known word follows.
    static Result<RenderFile> fileFrom(const std::string& text, const RenderForm& form)
    {
        RenderFile file{text, form};
        Words words;
        for (;;) {
            const std::size_t comma = file.path.rfind(',');
            const std::size_t sign = comma == std::string::npos ? comma : file.path.find('=', comma);
            if (sign == std::string::npos)
                break;
            const std::string key = file.path.substr(comma + 1, sign - comma - 1);
            if (key != "size" && key != "quality" && key != "coder" && key != "depth")
                break;
            words.emplace_back(key, file.path.substr(sign + 1));
            file.path.resize(comma);
        }
        if (const Status taken = take(file, words); !taken)
            return taken.error();
        return file;
    }
    Status takePreset(const Project& project, RenderForm& form)
    {
        if (preset_.empty())
            return Done{};
        const auto presets = loadOutputPresets(outputPresetsPath());
        if (!presets)
            return presets.error();
        const OutputPreset* preset = presetNamed(presets.value(), preset_);
        if (preset == nullptr) {
            std::string names;
            for (const OutputPreset& one : presets.value())
                names += (names.empty() ? "" : ", ") + one.name;
            return Error{ErrorCode::badValue, preset_,
                         names.empty() ? Phrase("you have no output presets yet; the window's Render panel saves them")
                                       : Phrase("no output preset has this name; there are {}", names)};
        }
        form = formOf(*preset, project);
        gentle_ = gentle_ || preset->gentle;
        return Done{};
    }

    std::string path_;
    std::string output_;
    std::string frames_;
    std::string size_;
    std::string quality_;
    std::string coder_;
    std::string depth_;
    std::string preset_;
    std::string part_;
    std::vector<std::string> also_;
    int threads_ = 0;
    bool gentle_ = false;
    bool resume_ = false;
    bool strict_ = false;
    bool force_ = false;
};

} // namespace

std::unique_ptr<Command> makeRenderCommand()
{
    return std::make_unique<RenderCommand>();
}

} // namespace ember
