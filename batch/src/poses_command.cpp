// SPDX-License-Identifier: GPL-3.0-or-later
#include <fstream>
#include <ostream>
#include <sstream>

#include "command.h"
#include "ember/film/pose_table.h"
#include "ember/project/file.h"

namespace ember {

namespace {

class PosesCommand final : public Command {
public:
    void declare(CLI::App& app) override
    {
        app.add_option("PROJECT", path_, "The project, NAME.vember")->required();
        app.add_option("--format", format_, "csv (default) or json")->check(CLI::IsMember({"csv", "json"}));
        app.add_option("--frames", frames_, "Only frames A-B, counted from 0, both included")
            ->check(frameRangeSpelling());
        app.add_option("--subframes", subframes_, "Instants for each frame (default 1)")->check(CLI::Range(1, 1000));
    }

    Status run(const BatchStreams& streams) override
    {
        const auto project = loadProject(path_);
        if (!project)
            return project.error();
        const auto frames = frameRange(frames_, project->length());
        if (!frames)
            return frames.error();
        const Motion motion(project.value());
        const PoseRange range{frames->first, frames->last, subframes_};
        if (format_ == "json")
            writePosesJson(streams.out, motion, range);
        else
            writePosesCsv(streams.out, motion, range);
        if (!streams.out.flush())
            return Error{ErrorCode::unwritable, "The output", "the poses could not all be written"};
        return Done{};
    }

private:
    std::string path_;
    std::string format_ = "csv";
    std::string frames_;
    int subframes_ = 1;
};

} // namespace

std::unique_ptr<Command> makePosesCommand()
{
    return std::make_unique<PosesCommand>();
}

} // namespace ember
