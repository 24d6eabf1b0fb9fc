// SPDX-License-Identifier: GPL-3.0-or-later
#include <ostream>

#include "command.h"
#include "ember/film/film_parts.h"
#include "ember/project/file.h"

namespace ember {

namespace {

class JoinCommand final : public Command {
public:
    void declare(CLI::App& app) override
    {
        app.add_option("PROJECT", path_, "The project, NAME.vember")->required();
        app.add_option("-o,--output", output_, "The film, as it was named when its parts were rendered")->required();
        app.add_flag("--keep-parts", keepParts_, "Leave the parts of a film where they are");
        app.add_flag("--force", force_, "Replace the film if it exists");
    }

    Status run(const BatchStreams& streams) override
    {
        const auto project = loadProject(path_);
        if (!project)
            return project.error();
        const auto joined = joinParts(project.value(), output_, {force_, keepParts_, path_},
                                      [&](double) { return streams.stop == nullptr || !streams.stop->load(); });
        if (!joined) {
            Error error = joined.error();
            if (error.code == ErrorCode::exists && !force_)
                error.detail = forceReplaces;
            return error;
        }
        streams.err << joined->said() << '\n';
        return Done{};
    }

private:
    std::string path_;
    std::string output_;
    bool keepParts_ = false;
    bool force_ = false;
};

} // namespace

std::unique_ptr<Command> makeJoinCommand()
{
    return std::make_unique<JoinCommand>();
}

} // namespace ember
