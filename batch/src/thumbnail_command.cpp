// SPDX-License-Identifier: GPL-3.0-or-later
#include "command.h"
#include "ember/film/film_inputs.h"
#include "ember/film/thumbnail.h"
#include "ember/media/film_writer.h"
#include "ember/project/file.h"

namespace ember {

namespace {

class ThumbnailCommand final : public Command {
public:
    void declare(CLI::App& app) override
    {
        app.add_option("PROJECT", path_, "The project, NAME.vember")->required();
        app.add_option("-o,--output", output_, "The picture, PNG under any name")->required();
        app.add_option("--size", size_, "Pixels of its longer side (256)")
            ->check(CLI::Range(smallestThumbnail, largestThumbnail));
        app.add_flag("--force", force_, "Replace the picture if it exists");
    }

    Status run(const BatchStreams&) override
    {
        const auto project = loadProject(path_);
        if (!project)
            return project.error();
        if (Status may = guardOf(project.value(), path_).mayWrite(output_, force_, forceReplaces); !may)
            return may;
        const auto bytes = pngOf(thumbnailOf(project.value(), size_));
        if (!bytes)
            return bytes.error();
        return writeFileSafely(output_, bytes.value());
    }

private:
    std::string path_;
    std::string output_;
    int size_ = 256;
    bool force_ = false;
};

} // namespace

std::unique_ptr<Command> makeThumbnailCommand()
{
    return std::make_unique<ThumbnailCommand>();
}

} // namespace ember
