// SPDX-License-Identifier: GPL-3.0-or-later
#include "command.h"
#include "ember/film/film_inputs.h"
#include "ember/project/file.h"

namespace ember {

Result<HeldProject> holdProject(const std::string& path, const std::string& output)
{
    std::optional<FileLock> lock;
    if (output.empty()) {
        auto taken = FileLock::take(path);
        if (!taken)
            return taken.error();
        lock = std::move(taken).value();
    }
    auto project = loadProject(path);
    if (!project)
        return project.error();
    return HeldProject{std::move(project).value(), std::move(lock)};
}

Status mayBeEdited(const Project& project, const std::string& path, const std::string& output, bool force,
                   const std::vector<std::string>& inputs)
{
    OutputGuard guard = guardOf(project);
    for (const std::string& input : inputs)
        guard.protect(input, "an input of the command");
    if (output.empty())
        return guard.mayWrite(path, true, {});
    guard.protect(path, "the project itself: leave -o out to change it in place");
    return guard.mayWrite(output, force, forceReplaces);
}

Status saveEdited(const Project& project, const std::string& path, const std::string& output, bool force,
                  const std::vector<std::string>& inputs)
{
    if (const Status may = mayBeEdited(project, path, output, force, inputs); !may)
        return may;
    return saveProject(project, output.empty() ? path : output);
}

} // namespace ember
