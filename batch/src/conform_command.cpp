// SPDX-License-Identifier: GPL-3.0-or-later
#include <cstdio>
#include <ostream>

#include "command.h"
#include "ember/exchange/csv.h"
#include "ember/film/conform.h"
#include "ember/project/file.h"

namespace ember {

namespace {

class ConformCommand final : public Command {
public:
    void declare(CLI::App& app) override
    {
        app.add_option("PROJECT", project_, "The project, NAME.vember")->required();
        app.add_option("--clip", clip_, "The new edit of its film")->required();
        app.add_option("-o,--output", out_, "The project it becomes")->required();
        app.add_flag("--force", force_, "Replace OUTPUT if it exists");
    }

    Status run(const BatchStreams& streams) override
    {
        const auto loaded = loadProject(project_);
        if (!loaded)
            return loaded.error();
        if (Status may = mayBeEdited(loaded.value(), project_, out_, force_, {clip_}); !may)
            return may;
        const auto conformed = conform(loaded.value(), clip_, progressOn(streams));
        if (!conformed)
            return conformed.error();
        if (auto status = saveEdited(conformed.value().project, project_, out_, force_, {clip_}); !status)
            return status;
        streams.out << "strike,name,from,to,state,confidence\n";
        std::size_t number = 0;
        for (const ConformedStrike& strike : conformed.value().strikes) {
            const char* state = !strike.matched() ? "unmatched" : strike.to == strike.from ? "stayed" : "moved";
            char confidence[32];
            std::snprintf(confidence, sizeof confidence, "%.3f", strike.confidence);
            streams.out << ++number << ',' << csvText(strike.name) << ',' << strike.from << ','
                        << (strike.matched() ? std::to_string(strike.to) : std::string()) << ',' << state << ','
                        << confidence << '\n';
        }
        if (!streams.out.flush())
            return Error{ErrorCode::unwritable, "The output", "the strikes could not all be written"};
        return Done{};
    }

private:
    std::string project_;
    std::string clip_;
    std::string out_;
    bool force_ = false;
};

} // namespace

std::unique_ptr<Command> makeConformCommand()
{
    return std::make_unique<ConformCommand>();
}

} // namespace ember
