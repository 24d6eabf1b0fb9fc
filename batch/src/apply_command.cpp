// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>
#include <array>
#include <chrono>
#include <filesystem>
#include <map>
#include <ostream>
#include <thread>

#include "command.h"
#include "ember/core/shown_text.h"
#include "ember/core/text.h"
#include "ember/film/apply_pattern.h"
#include "ember/film/film_inputs.h"
#include "ember/film/render_film.h"
#include "ember/project/file.h"

namespace ember {

namespace {

namespace fs = std::filesystem;

/// What a folder is looked through for.
bool isFilm(const fs::path& path)
{
    constexpr std::array<std::string_view, 9> endings{".mp4", ".mov", ".mkv",  ".webm", ".m4v",
                                                      ".avi", ".mxf", ".mpeg", ".ogv"};
    return std::find(endings.begin(), endings.end(), fileEnding(path.string())) != endings.end();
}

class ApplyCommand final : public Command {
public:
    void declare(CLI::App& app) override
    {
        app.add_option("PATTERN", pattern_, "The project whose treatment is taken, NAME.vember")->required();
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
        const auto pattern = loadProject(pattern_);
        if (!pattern)
            return pattern.error();
        std::error_code error;
        if (!folder_.empty() && !fs::is_directory(folder_, error))
            return Error{ErrorCode::notFound, folder_, "the projects were to be written into this folder"};
        if (watch_ &&
            std::none_of(clips_.begin(), clips_.end(), [&](const auto& c) { return fs::is_directory(c, error); }))
            return Error{ErrorCode::badValue, "--watch", "none of the CLIPS is a folder"};
        streams.out << "clip\tproject\tstrikes\tfilm\n";
        for (const std::string& clip : clips_)
            if (!fs::is_directory(clip, error))
                take(pattern.value(), clip, streams);
        do {
            for (const std::string& folder : clips_)
                if (fs::is_directory(folder, error))
                    takeFolder(pattern.value(), folder, streams);
            if (watch_ && !stopped(streams))
                std::this_thread::sleep_for(std::chrono::milliseconds(500));
        } while (watch_ && !stopped(streams));
        if (stopped(streams) && !watch_)
            return Error{ErrorCode::cancelled, "The clips", ""};
        if (failed_ > 0)
            return Error{ErrorCode::failed, Phrase("{} of {} clips", failed_, failed_ + done_),
                         "they could not be done; the others are"};
        return Done{};
    }

private:
    static bool stopped(const BatchStreams& streams) { return streams.stop != nullptr && streams.stop->load(); }

    std::string projectOf(const std::string& clip) const
    {
        const fs::path folder = folder_.empty() ? fs::path(clip).parent_path() : fs::path(folder_);
        return (folder / (fs::path(clip).stem().string() + ".vember")).string();
    }

    void takeFolder(const Project& pattern, const std::string& folder, const BatchStreams& streams)
    {
        std::vector<fs::path> files;
        std::error_code error;
        for (fs::directory_iterator entry(folder, error), end; !error && entry != end; entry.increment(error))
            if (isFilm(entry->path()) && !entry->path().stem().string().ends_with("-shaken"))
                files.push_back(entry->path());
        std::sort(files.begin(), files.end());
        for (const fs::path& file : files) {
            const std::string clip = file.string();
            if (stopped(streams))
                return;
            if (seen_.contains(clip) && seen_.at(clip).taken)
                continue;
            Seen& seen = seen_[clip];
            const auto bytes = fs::file_size(file, error);
            if (watch_ && (error || bytes == 0 || bytes != seen.bytes)) { // it is still being copied, perhaps
                seen.bytes = error ? 0 : bytes;
                continue;
            }
            seen.taken = true;
            if (watch_ && !force_ && fs::exists(projectOf(clip), error))
                continue; // of an earlier watch
            take(pattern, clip, streams);
        }
    }

    void take(const Project& pattern, const std::string& clip, const BatchStreams& streams)
    {
        if (stopped(streams))
            return;
        const auto made = treat(pattern, clip, streams);
        if (!made) {
            ++failed_;
            streams.err << "vast-ember-batch: " << sentence(made.error()) << '\n' << std::flush;
            return;
        }
        ++done_;
        streams.out << made.value() << '\n' << std::flush;
    }

    /// A line for what was made.
    Result<std::string> treat(const Project& pattern, const std::string& clip, const BatchStreams& streams)
    {
        const std::string project = projectOf(clip);
        const std::string film =
            ending_.empty() ? "" : fs::path(project).replace_extension().string() + "-shaken." + ending_;
        OutputGuard guard = guardOf(pattern, pattern_);
        for (const std::string& one : clips_)
            if (std::error_code error; !fs::is_directory(one, error))
                guard.protect(one, "a clip that is read");
        guard.protect(clip, "a clip that is read");
        for (const std::string& out : {project, film})
            if (Status may = out.empty() ? Done{} : guard.mayWrite(out, force_, forceReplaces); !may)
                return may.error();
        PatternOptions options;
        options.part = only_ == "recipes"  ? PatternPart::recipes
                       : only_ == "finish" ? PatternPart::finish
                                           : PatternPart::all;
        options.strikes = strikes_ == "none"      ? PatternStrikes::none
                          : strikes_ == "pattern" ? PatternStrikes::pattern
                                                  : PatternStrikes::found;
        options.find.from = *findFromFromName(from_);
        options.find.sensitivity = sensitivity_;
        auto made = projectByPattern(pattern, clip, options, progressOn(streams));
        if (!made)
            return made.error();
        if (Status saved = saveProject(made.value(), project); !saved)
            return saved.error();
        if (!film.empty()) {
            RenderOptions render = wholeFilm(made.value());
            render.overwrite = force_;
            render.threads = threads_;
            render.projectPath = project;
            const auto rendered =
                renderFilm(made.value(), film, render, [&](const RenderProgress&) { return !stopped(streams); });
            if (!rendered)
                return rendered.error();
        }
        return shownText(clip) + "\t" + shownText(project) + "\t" + std::to_string(made->strikes.size()) + "\t" +
               shownText(film);
    }

    struct Seen {
        std::uintmax_t bytes = 0;
        bool taken = false;
    };

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
    std::map<std::string, Seen> seen_; ///< of the folders
    int done_ = 0;
    int failed_ = 0;
};

} // namespace

std::unique_ptr<Command> makeApplyCommand()
{
    return std::make_unique<ApplyCommand>();
}

} // namespace ember
