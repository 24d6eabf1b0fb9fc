// SPDX-License-Identifier: GPL-3.0-or-later
#include <ostream>

#include "command.h"
#include "ember/film/import_strikes.h"
#include "ember/project/file.h"

namespace ember {

namespace {

class ImportCommand final : public Command {
public:
    void declare(CLI::App& app) override
    {
        app.add_option("LIST", list_, "The list: .csv, .json, .jsonl, .vtt, .mid or .otio")->required();
        app.add_option("-p,--project", path_, "The project its strikes are put into, NAME.vember")->required();
        app.add_option("-o,--output", output_, "Write the result here instead of into the project itself");
        app.add_flag("--force", force_, "Replace OUTPUT if it exists");
        app.add_flag("--beats", beats_, "Take the score's beats over, too: its tempo map and its bars (.mid)");
        app.add_option("--rate", rate_, "Rate the list's frames and timecodes count at (the project's)")
            ->check(rateSpelling());
        app.add_option("--column", columns_, "Where a heading is foreign: OURS=THEIRS, such as \"seconds=Cue in\"")
            ->type_name("OURS=THEIRS")
            ->check(CLI::Validator(
                [](std::string& text) {
                    return text.find('=') != std::string::npos ? std::string()
                                                               : "\"" + text + "\" should be OURS=THEIRS";
                },
                ""));
    }

    Status run(const BatchStreams& streams) override
    {
        auto held = holdProject(path_, output_);
        if (!held)
            return held.error();
        Project& project = held->project;
        if (Status may = mayBeEdited(project, path_, output_, force_, {list_}); !may)
            return may;
        ListReading reading{rate_.empty() ? project.rate : *rateFrom(rate_), {}};
        for (const std::string& column : columns_)
            reading.columns[column.substr(0, column.find('='))] = column.substr(column.find('=') + 1);
        const auto list = readStrikeList(list_, reading);
        if (!list)
            return list.error();
        if (beats_) {
            const auto score = readScoreBeats(list_);
            if (!score)
                return score.error();
            if (!score.value())
                return Error{ErrorCode::badFormat, list_, "it tells no beats; leave out --beats"};
            project.beats = score.value()->grid;
        }
        const auto imported = withStrikesImported(std::move(project), list.value(), knownRecipes(streams.err));
        if (Status saved = saveEdited(imported.project, path_, output_, force_, {list_}); !saved)
            return saved;
        streams.err << importSentence(imported) << '\n';
        return Done{};
    }

private:
    std::string list_;
    std::string path_;
    std::string output_;
    std::string rate_;
    std::vector<std::string> columns_;
    bool beats_ = false;
    bool force_ = false;
};

} // namespace

std::unique_ptr<Command> makeImportCommand()
{
    return std::make_unique<ImportCommand>();
}

} // namespace ember
