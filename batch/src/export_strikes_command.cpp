// SPDX-License-Identifier: GPL-3.0-or-later
#include <filesystem>
#include <ostream>

#include "command.h"
#include "ember/exchange/strike_list.h"
#include "ember/film/film_inputs.h"
#include "ember/project/file.h"

namespace ember {

namespace {

class ExportStrikesCommand final : public Command {
public:
    void declare(CLI::App& app) override
    {
        app.add_option("PROJECT", path_, "The project, NAME.vember")->required();
        app.add_option("--as", format_, "csv, json, jsonl, vtt, mid or otio (by OUT's ending, else csv)")
            ->check(CLI::IsMember({"csv", "json", "jsonl", "vtt", "mid", "otio"}));
        app.add_option("-o,--output", output_, "The list to write (stdout)");
        app.add_flag("--recipes", recipes_, "With the names of their recipes and the values that are their own");
        app.add_flag("--force", force_, "Replace the list if it exists");
    }

    Status run(const BatchStreams& streams) override
    {
        const auto project = loadProject(path_);
        if (!project)
            return project.error();
        const auto format =
            format_.empty() ? listFormatOf(output_).value_or(ListFormat::csv) : listFormatFromName(format_).value();
        const std::string text = strikesToText(
            format, listOf(project.value(), recipes_ ? ListDetail::recipes : ListDetail::events), project->rate);
        if (!output_.empty()) {
            if (Status may = guardOf(project.value(), path_).mayWrite(output_, force_, forceReplaces); !may)
                return may;
            return writeFileSafely(output_, text);
        }
        streams.out << text;
        if (!streams.out.flush())
            return Error{ErrorCode::unwritable, "The output", "the strikes could not all be written"};
        return Done{};
    }

private:
    std::string path_;
    std::string format_;
    std::string output_;
    bool recipes_ = false;
    bool force_ = false;
};

} // namespace

std::unique_ptr<Command> makeExportStrikesCommand()
{
    return std::make_unique<ExportStrikesCommand>();
}

} // namespace ember
