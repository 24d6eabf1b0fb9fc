// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/film/apply_to_clips.h"

#include <algorithm>
#include <array>
#include <filesystem>

#include "ember/core/text.h"
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

} // namespace

Result<Pattern> loadPattern(const std::string& path)
{
    if (fileEnding(path) != ".json") {
        auto project = loadProject(path);
        if (!project)
            return project.error();
        return Pattern{std::move(project).value(), {}, path};
    }
    auto book = loadRecipes(path);
    if (!book)
        return book.error();
    if (book.value().empty())
        return Error{ErrorCode::badFormat, path, "it holds no recipe"};
    return Pattern{{}, std::move(book).value(), path};
}

PatternApplier::PatternApplier(Pattern pattern, ApplyOptions options, const std::vector<std::string>& clips)
    : pattern_(std::move(pattern)), options_(std::move(options)), guard_(guardOf(pattern_.project, pattern_.path))
{
    for (const std::string& clip : clips)
        guard_.protect(clip, "a clip that is read");
}

std::string PatternApplier::projectFor(const std::string& clip) const
{
    const fs::path folder = options_.folder.empty() ? fs::path(clip).parent_path() : fs::path(options_.folder);
    return (folder / (fs::path(clip).stem().string() + ".vember")).string();
}

std::string PatternApplier::filmFor(const std::string& clip) const
{
    if (options_.filmEnding.empty())
        return {};
    return fs::path(projectFor(clip)).replace_extension().string() + "-shaken" + options_.filmEnding;
}

Status PatternApplier::mayMake(const std::string& out, const std::string& clip) const
{
    if (const auto made = made_.find(out); made != made_.end() && made->second != clip)
        return Error{ErrorCode::unwritable, out,
                     Phrase("it was just made of {}, which has the same name; apply them into folders of their own",
                            made->second)};
    return guard_.mayWrite(out, options_.overwrite, options_.replacing);
}

Result<AppliedClip> PatternApplier::apply(const std::string& clip, const ApplyProgress& progress)
{
    const auto tell = [&](ApplyStep step) {
        return [&progress, step](double share) { return !progress || progress(step, share); };
    };
    guard_.protect(clip, "a clip that is read");
    AppliedClip made{clip, projectFor(clip), 0, filmFor(clip)};
    for (const std::string& out : {made.project, made.film})
        if (Status may = out.empty() ? Done{} : mayMake(out, clip); !may)
            return may.error();
    const Progress finding = tell(ApplyStep::finding);
    auto project = pattern_.recipes.empty() ? projectByPattern(pattern_.project, clip, options_.pattern, finding)
                                            : projectWithRecipes(pattern_.recipes, clip, options_.pattern, finding);
    if (!project)
        return project.error();
    made.strikes = project->strikes.size();
    if (Status saved = saveProject(project.value(), made.project); !saved)
        return saved.error();
    made_[made.project] = clip;
    if (made.film.empty())
        return made;
    RenderOptions render = wholeFilm(project.value());
    render.overwrite = options_.overwrite;
    render.threads = options_.threads;
    render.projectPath = made.project;
    const auto rendered = renderFilm(project.value(), made.film, render, [&](const RenderProgress& at) {
        return tell(ApplyStep::rendering)(static_cast<double>(at.done) /
                                          static_cast<double>(std::max<std::int64_t>(1, at.total)));
    });
    if (!rendered)
        return rendered.error();
    made_[made.film] = clip;
    return made;
}

std::vector<std::string> clipsIn(const std::string& folder)
{
    std::vector<std::string> clips;
    std::error_code error;
    for (fs::directory_iterator entry(folder, error), end; !error && entry != end; entry.increment(error))
        if (isFilm(entry->path()) && !entry->path().stem().string().ends_with("-shaken"))
            clips.push_back(entry->path().string());
    std::sort(clips.begin(), clips.end());
    return clips;
}

std::vector<std::string> FolderWatch::arrived()
{
    std::vector<std::string> whole;
    for (const std::string& clip : clipsIn(folder_)) {
        std::error_code error;
        const auto bytes = fs::file_size(clip, error);
        Seen& seen = seen_[clip];
        if (seen.told)
            continue;
        if (!error && bytes > 0 && bytes == seen.bytes) {
            seen.told = true;
            whole.push_back(clip);
        }
        seen.bytes = error ? 0 : bytes;
    }
    return whole;
}

} // namespace ember
