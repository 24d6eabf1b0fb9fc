// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/film/new_project.h"

#include <algorithm>
#include <cmath>
#include <filesystem>

#include "ember/exchange/reel.h"
#include "ember/film/import_strikes.h"
#include "ember/project/file.h"
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
    shot.format = {info.width, info.height, info.kind == ClipKind::video ? std::optional(info.rate) : std::nullopt};
    return shot;
}

Project projectForClip(const ClipInfo& info)
{
    Project project = newProject(info.width, info.height, info.rate);
    project.addShot(shotOf(info, info.rate));
    project.clock = clockFrom(info.timecode, project.rate).value_or(FilmClock());
    return project;
}

Result<Project> projectFromReel(const std::string& path)
{
    constexpr std::uintmax_t largest = 256u << 20;
    const auto text = readFile(path, largest, "a timeline");
    if (!text)
        return text.error();
    auto reel = reelFromOtio(text.value());
    if (!reel) {
        Error error = reel.error();
        error.subject = path;
        return error;
    }
    const std::filesystem::path folder = std::filesystem::absolute(path).parent_path();
    std::optional<Project> project;
    std::optional<Error> first; // of the clips that cannot be opened
    for (Shot& shot : reel->shots) {
        if (shot.gap())
            continue;
        if (std::filesystem::path(shot.clip).is_relative())
            shot.clip = (folder / shot.clip).lexically_normal().string();
        ClipOptions options;
        options.sequenceRate = reel->rate;
        options.neverSequence = shot.still;
        const auto clip = ClipReader::open(shot.clip, options);
        if (!clip) {
            if (!first)
                first = clip.error();
            continue;
        }
        const ClipInfo info = clip.value()->info();
        if (!project)
            project = newProject(info.width, info.height, reel->rate);
        const Shot whole = shotOf(info, reel->rate);
        shot.still = whole.still;
        shot.available = whole.available;
        shot.format = whole.format;
        shot.length = std::min(shot.length, std::max<std::int64_t>(1, shot.longest()));
    }
    if (!project)
        return first.value_or(Error{ErrorCode::noPicture, path, "its track has gaps only"});
    for (Shot& shot : reel->shots)
        project->addShot(std::move(shot));
    return withStrikesImported(std::move(*project), reel->strikes).project;
}

} // namespace ember
