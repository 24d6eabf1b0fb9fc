// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/film/film_inputs.h"

#include <algorithm>
#include <cmath>
#include <filesystem>
#include <set>
#include <utility>

#include "ember/colour/config.h"
#include "ember/core/shown_text.h"
#include "ember/film/film_reader.h"
#include "ember/film/new_project.h"

namespace ember {

namespace {

std::string nameOf(const std::string& path)
{
    return inQuotes(std::filesystem::path(path).filename().string());
}

std::string sizeText(int width, int height)
{
    return std::to_string(width) + " x " + std::to_string(height);
}

std::string rateText(FrameRate rate)
{
    return std::to_string(rate.num()) + "/" + std::to_string(rate.den());
}

/// What a shot says of its clip against what the clip is.
Phrase changeOf(const Project& project, const Shot& shot, const ClipInfo& info)
{
    const Shot now = shotOf(info, project.rate);
    std::vector<Phrase> parts;
    if (shot.available > 0 && !shot.still && now.available < shot.available) {
        const auto used = static_cast<std::int64_t>(std::ceil(shot.clipFrame(static_cast<double>(shot.length)) - 1e-6));
        if (used > now.available)
            parts.push_back({"it has {} frames and had {}; its last picture stands for the {} that are missing",
                             now.available, shot.available, used - now.available});
        else
            parts.push_back({"it has {} frames and had {}", now.available, shot.available});
    }
    if (shot.format.width > 0 && (shot.format.width != info.width || shot.format.height != info.height))
        parts.push_back({"it is {} pixels large and was {}", sizeText(info.width, info.height),
                         sizeText(shot.format.width, shot.format.height)});
    if (shot.format.rate && info.kind == ClipKind::video && *shot.format.rate != info.rate)
        parts.push_back({"it has {} frames a second and had {}", rateText(info.rate), rateText(*shot.format.rate)});
    if (parts.empty())
        return {};
    Phrase all = parts.front();
    for (std::size_t i = 1; i < parts.size(); ++i)
        all = {"{}, and {}", all, parts[i]};
    return {"{} is not as it was: {}.", nameOf(shot.clip), all};
}

} // namespace

OutputGuard guardOf(const Project& project, const std::string& projectPath)
{
    OutputGuard guard;
    guard.protect(projectPath, "the project");
    std::set<std::pair<std::string, bool>> seen;
    for (const Shot& shot : project.shots) {
        if (shot.gap() || !seen.emplace(shot.clip, shot.still).second)
            continue;
        ClipOptions options;
        options.neverSequence = shot.still;
        for (const std::string& file : filesOfClip(shot.clip, options))
            guard.protect(file, "a clip of the project");
        guard.protect(shot.clip, "a clip of the project");
    }
    guard.protect(project.sound.file, "the film's sound");
    guard.protect(ColourConfig::fileOf(project.colours.config), "the colour config of the project");
    for (const Layer& layer : project.layers)
        guard.protect(layer.picture, "a layer of the project");
    for (const Recipe& recipe : project.recipes)
        guard.protect(recipe.sound.file, "a sound of the project");
    return guard;
}

std::vector<Phrase> changedClips(const Project& project, const ClipInfo& film)
{
    std::vector<Phrase> sentences;
    for (std::size_t i = 0; i < project.shots.size(); ++i) {
        const Shot& shot = project.shots[i];
        if (shot.gap() || (!film.shots.empty() && i >= film.shots.size()))
            continue;
        const Phrase text = changeOf(project, shot, film.shots.empty() ? film : film.shots[i]);
        if (!text.empty() && std::find(sentences.begin(), sentences.end(), text) == sentences.end())
            sentences.push_back(text);
    }
    return sentences;
}

std::vector<Phrase> changedClips(const Project& project)
{
    const auto film = openFilm(project);
    return film ? changedClips(project, film.value()->info()) : std::vector<Phrase>();
}

Phrase damageSentence(const Damage& damage)
{
    if (damage.count == 0)
        return {};
    if (damage.count == 1)
        return {"{} is damaged: 1 of its pictures that were read is not whole, number {}.", nameOf(damage.path),
                damage.first};
    return {"{} is damaged: {} of its pictures that were read are not whole, from number {} on.", nameOf(damage.path),
            damage.count, damage.first};
}

Error strictError(const std::vector<Phrase>& sentences)
{
    return {ErrorCode::damaged, "", sentences.empty() ? Phrase() : sentences.front()};
}

} // namespace ember
