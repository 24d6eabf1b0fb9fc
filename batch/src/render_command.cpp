// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>
#include <cmath>
#include <ostream>

#include "command.h"
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
        for (const CoderWords& words : coderWords)
            coders.emplace_back(words.word);
        app.add_option("--coder", coder_, "How a film's pictures are coded (default: usual, what its kind says)")
            ->check(CLI::IsMember(coders));
        app.add_option("--depth", depth_,
                       "Bits a channel: 8, 16, or 32 for whole floats in OpenEXR (default: the clip's, where the "
                       "format holds it)")
            ->check(CLI::IsMember({"8", "16", "32"}));
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
        options.quality = static_cast<FilmQuality>(
            std::find(filmQualityWords.begin(), filmQualityWords.end(), quality_) - filmQualityWords.begin());
        if (!depth_.empty())
            options.depth = static_cast<Depth>(std::stoi(depth_));
        for (const CoderWords& words : coderWords)
            if (words.word == coder_)
                options.coder = words.coder;
        const auto format = filmFormatOf(output_);
        if (resume_ && (!format || !isSequence(*format)))
            return Error{ErrorCode::badValue, output_, "only numbered pictures can be gone on with; a film cannot"};
        if (options.depth.value_or(Depth::eight) != Depth::eight && format && !holdsDepth(*format, options.coder))
            return Error{ErrorCode::badValue, output_,
                         "its coder says how many bits it holds; FFV1 in .mkv, .mov and pictures leave a choice"};
        if (options.depth == Depth::single && format != FilmFormat::exrSequence)
            return Error{ErrorCode::badValue, output_, "only OpenEXR (.exr) holds floats"};
        if (const auto size = sizeFrom(size_)) {
            options.width = size->width;
            options.height = size->height;
        }
        std::int64_t told = 0;
        const auto note = renderFilm(project.value(), output_, options, [&](const RenderProgress& p) {
            const bool due =
                streams.liveProgress || p.done == p.total || p.done - told >= std::max<std::int64_t>(1, p.total / 20);
            if (due) {
                told = p.done;
                streams.err << (streams.liveProgress ? "\r" : "") << "frame " << p.done << " of " << p.total << ", "
                            << std::round(p.framesPerSecond * 10) / 10 << " frames/s, " << std::ceil(p.secondsLeft)
                            << " s left" << (streams.liveProgress && p.done != p.total ? "   " : "\n") << std::flush;
            }
            return streams.stop == nullptr || !streams.stop->load();
        });
        if (!note) {
            Error error = note.error();
            if (error.code == ErrorCode::exists && !force_)
                error.detail = forceReplaces;
            return error;
        }
        if (!note.value().empty())
            streams.err << note.value().said() << '\n';
        return Done{};
    }

private:
    std::string path_;
    std::string output_;
    std::string frames_;
    std::string size_;
    std::string quality_ = "good";
    std::string coder_ = "usual";
    std::string depth_;
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
