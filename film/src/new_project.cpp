// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/film/new_project.h"

#include <algorithm>
#include <cmath>
#include <filesystem>

#include "ember/project/shipped_recipes.h"

namespace ember {

Shot shotOf(const ClipInfo& info, FrameRate rate)
{
    Shot shot;
    shot.clip = std::filesystem::absolute(info.path).lexically_normal().string();
    shot.still = info.kind == ClipKind::still;
    // At the film's rate; a still and numbered pictures have no rate of their own.
    shot.length = info.kind == ClipKind::video
                      ? std::max<std::int64_t>(
                            1, std::llround(info.rate.seconds(static_cast<double>(info.length)) * rate.perSecond()))
                      : info.length;
    shot.available = shot.still ? 0 : shot.length;
    return shot;
}

Project projectForClip(const ClipInfo& info)
{
    Project project = newProject(info.width, info.height, info.rate);
    project.addShot(shotOf(info, info.rate));
    return project;
}

} // namespace ember
