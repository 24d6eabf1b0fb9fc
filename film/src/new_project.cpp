// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/film/new_project.h"

#include <filesystem>

#include "ember/project/shipped_recipes.h"

namespace ember {

Project projectForClip(const ClipInfo& info)
{
    Project project = newProject(info.width, info.height, info.rate);
    project.shot = Shot{std::filesystem::absolute(info.path).lexically_normal().string(), info.length,
                        info.kind == ClipKind::still};
    return project;
}

Result<std::unique_ptr<ClipReader>> openShot(const Project& project, bool deep)
{
    if (!project.shot)
        return Error{ErrorCode::failed, "The project", "it has no clip"};
    ClipOptions options;
    options.sequenceRate = project.rate;
    options.neverSequence = project.shot->still;
    options.deep = deep;
    return ClipReader::open(project.shot->clip, options);
}

} // namespace ember
