// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/film/apply_pattern.h"

#include <algorithm>
#include <map>

#include "ember/film/find_strikes.h"
#include "ember/film/import_strikes.h"
#include "ember/film/media_source.h"
#include "ember/film/new_project.h"
#include "ember/project/frame_edits.h"

namespace ember {

namespace {

Project treated(Project film, const Project& pattern, PatternPart part)
{
    const Project fitted =
        withFrameSize(withFrameRate(pattern, film.rate), film.width, film.height, PixelAmounts::follow);
    if (part != PatternPart::finish)
        film.recipes = fitted.recipes;
    if (part != PatternPart::recipes)
        film.finish = fitted.finish;
    if (part != PatternPart::all)
        return film;
    film.overlap = fitted.overlap;
    film.groups = fitted.groups;
    film.world = fitted.world;
    film.gentle = fitted.gentle;
    film.colours = fitted.colours;
    film.drift = fitted.drift;
    film.drift.rateKeys = {};
    film.drift.levelKeys = {};
    film.master = fitted.master;
    film.master.keys.clear();
    return film;
}

/// The pattern's strikes at their seconds, as far as the film goes.
void takeStrikes(Project& film, const Project& pattern)
{
    const Project timed = withFrameRate(pattern, film.rate);
    for (Strike strike : timed.strikes) {
        strike.onCut = false;
        if (strike.frame.index < film.length() && film.recipe(strike.recipe) != nullptr)
            film.addStrike(std::move(strike));
    }
}

} // namespace

RecipeId usualRecipe(const Project& project, StrikeKind kind)
{
    std::map<RecipeId, int> users;
    for (const Strike& strike : project.strikes)
        if (strike.kind == kind)
            ++users[strike.recipe];
    const auto most =
        std::max_element(users.begin(), users.end(), [](const auto& a, const auto& b) { return a.second < b.second; });
    if (most != users.end())
        return most->first;
    const Project begun = withStrike(project, Frame{0}, kind, 1).project;
    return begun.strikes.empty() ? RecipeId{0} : begun.strikes.back().recipe;
}

namespace {

/// What hits in the clip, each strike with the recipe that the pattern uses for its kind (not where its recipes are
/// not taken).
Result<Project> withFoundStrikes(Project film, const ClipInfo& clip, const Project& pattern,
                                 const PatternOptions& options, const Progress& progress)
{
    const auto found = spotIn(clip.path, film.rate, options.find, progress);
    if (!found)
        return found.error();
    StrikesImported imported = withStrikesImported(std::move(film), listOf(found.value(), clip.rate));
    film = std::move(imported.project);
    if (options.part != PatternPart::finish)
        for (const StrikeId id : imported.ids)
            if (Strike* strike = film.strike(id))
                if (const RecipeId usual = usualRecipe(pattern, strike->kind); film.recipe(usual) != nullptr)
                    strike->recipe = usual;
    return film;
}

} // namespace

Result<Project> projectByPattern(const Project& pattern, const std::string& clip, const PatternOptions& options,
                                 const Progress& progress)
{
    const auto reader = ClipReader::open(clip);
    if (!reader)
        return reader.error();
    Project film = treated(projectForClip(reader.value()->info()), pattern, options.part);
    if (options.strikes == PatternStrikes::pattern && options.part != PatternPart::finish)
        takeStrikes(film, pattern);
    if (options.strikes != PatternStrikes::found)
        return film;
    return withFoundStrikes(std::move(film), reader.value()->info(), pattern, options, progress);
}

Result<Project> projectWithRecipes(const BookEntries& recipes, const std::string& clip, const PatternOptions& options,
                                   const Progress& progress)
{
    const auto reader = ClipReader::open(clip);
    if (!reader)
        return reader.error();
    Project film = projectForClip(reader.value()->info());
    film.recipes.clear();
    for (const BookEntry& entry : recipes)
        film.addRecipe(recipeFor(entry, film));
    if (options.strikes != PatternStrikes::found)
        return film;
    const Project pattern = film;
    return withFoundStrikes(std::move(film), reader.value()->info(), pattern, options, progress);
}

} // namespace ember
