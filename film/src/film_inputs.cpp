// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/film/film_inputs.h"

#include <algorithm>
#include <cmath>
#include <filesystem>
#include <set>
#include <utility>

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
std::string changeOf(const Project& project, const Shot& shot, const ClipInfo& info)
{
    const Shot now = shotOf(info, project.rate);
    std::vector<std::string> parts;
    if (shot.available > 0 && !shot.still && now.available < shot.available) {
        std::string text =
            "it has " + std::to_string(now.available) + " frames and had " + std::to_string(shot.available);
        const auto used = static_cast<std::int64_t>(std::ceil(shot.clipFrame(static_cast<double>(shot.length)) - 1e-6));
        if (used > now.available)
            text += "; its last picture stands for the " + std::to_string(used - now.available) + " that are missing";
        parts.push_back(text);
    }
    if (shot.format.width > 0 && (shot.format.width != info.width || shot.format.height != info.height))
        parts.push_back("it is " + sizeText(info.width, info.height) + " pixels large and was " +
                        sizeText(shot.format.width, shot.format.height));
    if (shot.format.rate && info.kind == ClipKind::video && *shot.format.rate != info.rate)
        parts.push_back("it has " + rateText(info.rate) + " frames a second and had " + rateText(*shot.format.rate));
    if (parts.empty())
        return {};
    std::string text = nameOf(shot.clip) + " is not as it was: ";
    for (std::size_t i = 0; i < parts.size(); ++i)
        text += (i == 0 ? "" : ", and ") + parts[i];
    return text + ".";
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
    for (const Layer& layer : project.layers)
        guard.protect(layer.picture, "a layer of the project");
    for (const Recipe& recipe : project.recipes)
        guard.protect(recipe.sound.file, "a sound of the project");
    return guard;
}

std::vector<std::string> changedClips(const Project& project, const ClipInfo& film)
{
    std::vector<std::string> sentences;
    for (std::size_t i = 0; i < project.shots.size(); ++i) {
        const Shot& shot = project.shots[i];
        if (shot.gap() || (!film.shots.empty() && i >= film.shots.size()))
            continue;
        const std::string text = changeOf(project, shot, film.shots.empty() ? film : film.shots[i]);
        if (!text.empty() && std::find(sentences.begin(), sentences.end(), text) == sentences.end())
            sentences.push_back(text);
    }
    return sentences;
}

std::vector<std::string> changedClips(const Project& project)
{
    const auto film = openFilm(project);
    return film ? changedClips(project, film.value()->info()) : std::vector<std::string>();
}

std::string damageSentence(const Damage& damage)
{
    if (damage.count == 0)
        return {};
    return nameOf(damage.path) + " is damaged: " + std::to_string(damage.count) +
           (damage.count == 1 ? " of its pictures that were read is not whole, number "
                              : " of its pictures that were read are not whole, from number ") +
           std::to_string(damage.first) + (damage.count == 1 ? "." : " on.");
}

Error strictError(const std::vector<std::string>& sentences)
{
    std::string text = sentences.empty() ? std::string() : sentences.front();
    if (text.ends_with('.'))
        text.pop_back();
    return {ErrorCode::damaged, "", text};
}

} // namespace ember
