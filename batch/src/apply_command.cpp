// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>
#include <chrono>
#include <filesystem>
#include <ostream>
#include <thread>

#include "command.h"
#include "ember/core/shown_text.h"
#include "ember/film/apply_to_clips.h"

namespace ember {

namespace {

namespace fs = std::filesystem;

class ApplyCommand final : public Command {
public:
    void declare(CLI::App& app) override
    {
        app.add_option("PATTERN", pattern_, "What is applied: a project, NAME.vember, or recipes, NAME.json")
            ->required();
        app.add_option("CLIPS", clips_, "Clips, and folders of clips")->required();
        app.add_option("-o,--output", folder_, "The folder for the projects (default: beside each clip)");
        app.add_option("--only", only_, "all (default), recipes or finish")
            ->check(CLI::IsMember({"all", "recipes", "finish"}));
        app.add_option("--strikes", strikes_,
                       "found (default): what hits in each clip; pattern: the pattern's own, at their seconds; none")
            ->check(CLI::IsMember({"found", "pattern", "none"}));
        app.add_option("--from", from_, "What tells of those found: sound, picture or both")
            ->check(CLI::IsMember({"sound", "picture", "both"}));
        app.add_option("--sensitivity", sensitivity_, "0 only what stands out most, 1 everything (0.5)")
            ->check(CLI::Range(0.0, 1.0));
        app.add_option("--render", ending_, "Render each film, too: mp4, mkv, webm or mov")
            ->check(CLI::IsMember({"mp4", "mkv", "webm", "mov"}));
        app.add_option("--threads", threads_, "Threads of a render (default: all)")->check(CLI::Range(1, 1024));
        app.add_flag("--watch", watch_,
                     "Go on until stopped: clips that come into the folders are done when they are whole");
        app.add_flag("--force", force_, "Replace projects and films that exist");
    }

    Status run(const BatchStreams& streams) override
    {
        const auto pattern = loadPattern(pattern_);
        if (!pattern)
            return pattern.error();
        std::error_code error;
        if (!folder_.empty() && !fs::is_directory(folder_, error))
            return Error{ErrorCode::notFound, folder_, "the projects were to be written into this folder"};
        std::vector<std::string> clips;
        std::vector<FolderWatch> folders;
        for (const std::string& one : clips_)
            if (fs::is_directory(one, error))
                folders.emplace_back(one);
            else
                clips.push_back(one);
        if (watch_ && folders.empty())
            return Error{ErrorCode::badValue, "--watch", "none of the CLIPS is a folder"};
        if (!watch_)
            for (const FolderWatch& folder : folders)
                for (std::string& clip : clipsIn(folder.folder()))
                    clips.push_back(std::move(clip));
        PatternApplier applier(pattern.value(), options(), clips);
        streams.out << "clip\tproject\tstrikes\tfilm\n";
        for (const std::string& clip : clips)
            take(applier, clip, streams);
        while (watch_ && !stopped(streams)) {
            for (FolderWatch& folder : folders)
                for (const std::string& clip : folder.arrived())
                    if (force_ || !fs::exists(applier.projectFor(clip), error)) // or it is of an earlier watch
                        take(applier, clip, streams);
            std::this_thread::sleep_for(std::chrono::milliseconds(500));
        }
        if (stopped(streams) && !watch_)
            return Error{ErrorCode::cancelled, "The clips", ""};
        if (failed_ > 0)
            return Error{ErrorCode::failed, Phrase("{} of {} clips", failed_, failed_ + done_),
                         "they could not be done; the others are"};
        return Done{};
    }

private:
    static bool stopped(const BatchStreams& streams) { return streams.stop != nullptr && streams.stop->load(); }

    ApplyOptions options() const
    {
        ApplyOptions options;
        options.pattern.part = only_ == "recipes"  ? PatternPart::recipes
                               : only_ == "finish" ? PatternPart::finish
                                                   : PatternPart::all;
        options.pattern.strikes = strikes_ == "none"      ? PatternStrikes::none
                                  : strikes_ == "pattern" ? PatternStrikes::pattern
                                                          : PatternStrikes::found;
        options.pattern.find.from = *findFromFromName(from_);
        options.pattern.find.sensitivity = sensitivity_;
        options.folder = folder_;
        options.filmEnding = ending_.empty() ? "" : "." + ending_;
        options.threads = threads_;
        options.overwrite = force_;
        options.replacing = forceReplaces;
        return options;
    }

    void take(PatternApplier& applier, const std::string& clip, const BatchStreams& streams)
    {
        if (stopped(streams))
            return;
        const Progress told = progressOn(streams);
        const bool films = !ending_.empty();
        const auto made = applier.apply(clip, [&](ApplyStep step, double share) {
            return told(!films ? share : step == ApplyStep::finding ? share / 2 : (1 + share) / 2);
        });
        if (!made) {
            ++failed_;
            streams.err << "vast-ember-batch: " << sentence(made.error()) << '\n' << std::flush;
            return;
        }
        ++done_;
        streams.out << shownText(clip) << '\t' << shownText(made->project) << '\t' << made->strikes << '\t'
                    << shownText(made->film) << '\n'
                    << std::flush;
    }

    std::string pattern_;
    std::vector<std::string> clips_;
    std::string folder_;
    std::string only_ = "all";
    std::string strikes_ = "found";
    std::string from_ = "both";
    double sensitivity_ = 0.5;
    std::string ending_;
    int threads_ = 0;
    bool watch_ = false;
    bool force_ = false;
    int done_ = 0;
    int failed_ = 0;
};

} // namespace

std::unique_ptr<Command> makeApplyCommand()
{
    return std::make_unique<ApplyCommand>();
}

} // namespace ember
