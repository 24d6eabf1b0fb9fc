// SPDX-License-Identifier: GPL-3.0-or-later
#include <ostream>

#include "command.h"
#include "ember/film/film_sound.h"
#include "ember/project/file.h"

namespace ember {

namespace {

class RumbleCommand final : public Command {
public:
    void declare(CLI::App& app) override
    {
        app.add_option("PROJECT", project_, "The project (.vember)")->required();
        app.add_option("-o,--output", output_, "The sound to write (.wav)")->required();
        app.add_option("--hertz", hertz_, "Its pitch, 10 to 120 (35)")->check(CLI::Range(10.0, 120.0));
        app.add_flag("--force", force_, "Replace it if it exists");
    }

    Status run(const BatchStreams&) override
    {
        const auto project = loadProject(project_);
        if (!project)
            return project.error();
        const Status written = writeRumbleTrack(project.value(), hertz_, output_, force_, project_);
        if (!written && written.error().code == ErrorCode::exists)
            return Error{ErrorCode::exists, output_, forceReplaces};
        return written;
    }

private:
    std::string project_;
    std::string output_;
    double hertz_ = 35;
    bool force_ = false;
};

} // namespace

std::unique_ptr<Command> makeRumbleCommand()
{
    return std::make_unique<RumbleCommand>();
}

} // namespace ember
