// SPDX-License-Identifier: GPL-3.0-or-later
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
        app.add_flag("--force", force_, "Replace the picture if it exists");
    }

    Status run(const BatchStreams&) override
    {
        auto project = loadProject(path_);
        if (!project)
            return project.error();
        if (gentle_)
            project = gentled(project.value());
        if (frame_ < 0 || frame_ >= project->length())
            return Error{ErrorCode::badValue, "--frame " + std::to_string(frame_),
                         "the film has frames 0 to " + std::to_string(project->length() - 1)};
        if (filmFormatOf(output_) != FilmFormat::pngSequence || output_.ends_with('/'))
            return Error{ErrorCode::unsupported, output_, "a still is a file that ends in .png"};
        auto done = renderStill(project.value(), Frame{frame_}, output_, force_);
        if (!done && done.error().code == ErrorCode::exists) {
            Error error = done.error();
            error.detail = "give --force to replace it";
            return error;
        }
        return done;
    }

private:
    std::string path_;
    std::int64_t frame_ = 0;
    std::string output_;
    bool gentle_ = false;
    bool force_ = false;
};

} // namespace

std::unique_ptr<Command> makeStillCommand()
{
    return std::make_unique<StillCommand>();
}

} // namespace ember
