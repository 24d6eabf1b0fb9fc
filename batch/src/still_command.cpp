// SPDX-License-Identifier: GPL-3.0-or-later
#include <ostream>

#include "command.h"
#include "ember/film/render_film.h"
#include "ember/project/file.h"

namespace ember {

namespace {

class StillCommand final : public Command {
public:
    void declare(CLI::App& app) override
    {
        app.add_option("PROJECT", path_, "The project, NAME.vember")->required();
        app.add_option("--frame", frame_, "The frame, counted from 0")->required();
        app.add_option("-o,--output", output_, "The picture, NAME.png")->required();
        app.add_flag("--gentle", gentle_, "Of the gentle version");
        app.add_flag("--strict", strict_,
                     "Fail where a clip is not as it was or the picture is damaged, instead of only saying so");
        app.add_flag("--force", force_, "Replace the picture if it exists");
    }

    Status run(const BatchStreams& streams) override
    {
        auto project = loadProject(path_);
        if (!project)
            return project.error();
        if (gentle_)
            project = gentled(project.value());
        if (frame_ < 0 || frame_ >= project->length())
            return Error{ErrorCode::badValue, Phrase("--frame {}", frame_),
                         Phrase("the film has frames 0 to {}", project->length() - 1)};
        if (filmFormatOf(output_) != FilmFormat::pngSequence || output_.ends_with('/'))
            return Error{ErrorCode::unsupported, output_, "a still is a file that ends in .png"};
        RenderOptions options;
        options.overwrite = force_;
        options.strict = strict_;
        options.projectPath = path_;
        const auto note = renderStill(project.value(), Frame{frame_}, output_, options);
        if (!note) {
            Error error = note.error();
            if (error.code == ErrorCode::exists)
                error.detail = forceReplaces;
            return error;
        }
        if (!note.value().empty())
            streams.err << note.value().said() << '\n';
        return Done{};
    }

private:
    std::string path_;
    std::int64_t frame_ = 0;
    std::string output_;
    bool gentle_ = false;
    bool strict_ = false;
    bool force_ = false;
};

} // namespace

std::unique_ptr<Command> makeStillCommand()
{
    return std::make_unique<StillCommand>();
}

} // namespace ember
