// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/film/import_strikes.h"

#include <algorithm>
#include <cmath>

#include "ember/core/shown_text.h"
#include "ember/core/values.h"
#include "ember/project/file.h"

namespace ember {

namespace {

constexpr std::uintmax_t largestList = 64 << 20;

Result<ListFormat> formatOf(const std::string& path)
{
    const auto format = listFormatOf(path);
    if (!format)
        return Error{ErrorCode::unsupported, path, "lists end in .csv, .json, .jsonl, .vtt, .mid or .otio"};
    return *format;
}

/// False where nobody knows a recipe of this name.
bool giveRecipe(Project& project, StrikeId id, const std::string& name, const BookEntries& book)
{
    RecipeId recipe = 0;
    if (const Recipe* here = project.recipeNamed(name))
        recipe = here->id;
    else if (const BookEntry* entry = entryNamed(book, name))
        recipe = project.addRecipe(recipeFor(*entry, project));
    if (recipe != 0)
        project.strike(id)->recipe = recipe;
    return recipe != 0;
}

/// How many of them the strike's recipe has no place for.
std::size_t giveValues(Project& project, StrikeId id, const std::map<std::string, double>& values)
{
    Strike& strike = *project.strike(id);
    const Recipe* recipe = project.recipe(strike.recipe);
    std::size_t unknown = 0;
    for (const auto& [key, value] : values) {
        const FieldSpec* spec = recipe == nullptr ? nullptr : specOfValue(*recipe, key);
        if (spec == nullptr)
            ++unknown;
        else
            strike.overrides.set(key, clampTo(*spec, value));
    }
    return unknown;
}

} // namespace

Result<ListText> readListText(const std::string& path)
{
    const auto format = formatOf(path);
    if (!format)
        return format.error();
    auto text = readFile(path, largestList, "a list of strikes");
    if (!text)
        return text.error();
    return ListText{format.value(), std::move(text).value()};
}

Result<StrikeList> readStrikeList(const std::string& path, const ListReading& reading)
{
    const auto text = readListText(path);
    if (!text)
        return text.error();
    auto list = strikesFromText(text->format, text->text, reading);
    if (!list)
        return Error{list.error().code, Phrase("{}, {}", path, list.error().subject), list.error().detail};
    return list;
}

Result<std::optional<ScoreBeats>> readScoreBeats(const std::string& path)
{
    const auto text = readListText(path);
    if (!text)
        return text.error();
    if (text->format != ListFormat::midi)
        return std::optional<ScoreBeats>();
    auto beats = beatsFromMidi(text->text);
    if (!beats)
        return Error{beats.error().code, Phrase("{}, {}", path, beats.error().subject), beats.error().detail};
    return beats;
}

Status writeStrikeList(const Project& project, const std::string& path, ListDetail detail)
{
    const auto format = formatOf(path);
    if (!format)
        return format.error();
    return writeFileSafely(path, strikesToText(format.value(), listOf(project, detail), project.rate));
}

StrikesImported withStrikesImported(Project project, const StrikeList& list, const BookEntries& book)
{
    StrikesImported imported;
    for (const ListedStrike& listed : list) {
        const Frame frame{std::llround(project.rate.frames(listed.seconds))};
        if (frame.index >= project.length()) {
            ++imported.past;
            continue;
        }
        const auto there = std::find_if(project.strikes.begin(), project.strikes.end(),
                                        [&](const Strike& strike) { return strike.frame == frame; });
        if (there != project.strikes.end()) {
            there->strength = std::max(there->strength, listed.strength);
            if (there->name.empty())
                there->name = listed.name;
            imported.ids.push_back(there->id);
            ++imported.merged;
            continue;
        }
        auto [next, id] = withStrike(std::move(project), frame, listed.kind, listed.strength);
        project = std::move(next);
        Strike& strike = *project.strike(id);
        strike.name = listed.name;
        if (listed.direction)
            strike.direction = listed.direction;
        if (listed.seed)
            strike.seed = *listed.seed;
        strike.place = listed.place;
        if (!listed.recipe.empty() && !giveRecipe(project, id, listed.recipe, book))
            imported.unknownRecipes.push_back(listed.recipe);
        imported.unknownValues += giveValues(project, id, listed.values);
        imported.ids.push_back(id);
        ++imported.added;
    }
    std::sort(imported.ids.begin(), imported.ids.end());
    std::sort(imported.unknownRecipes.begin(), imported.unknownRecipes.end());
    imported.unknownRecipes.erase(std::unique(imported.unknownRecipes.begin(), imported.unknownRecipes.end()),
                                  imported.unknownRecipes.end());
    imported.ids.erase(std::unique(imported.ids.begin(), imported.ids.end()), imported.ids.end());
    imported.project = std::move(project);
    return imported;
}

std::string importSentence(const StrikesImported& imported)
{
    const auto strikes = [](std::size_t count) {
        return std::to_string(count) + (count == 1 ? " strike" : " strikes");
    };
    std::string text = strikes(imported.added) + " added";
    if (imported.merged > 0)
        text += ", " + std::to_string(imported.merged) + " joined with one on the same frame";
    if (imported.past > 0)
        text += ", " + std::to_string(imported.past) + " past the end of the film left out";
    if (!imported.unknownRecipes.empty()) {
        text += "; unknown recipes, so the kind's are used: ";
        for (const std::string& name : imported.unknownRecipes)
            text += (&name == &imported.unknownRecipes.front() ? "" : ", ") + inQuotes(name, 40);
    }
    if (imported.unknownValues > 0)
        text += "; " + std::to_string(imported.unknownValues) + (imported.unknownValues == 1 ? " value" : " values") +
                " that the recipe does not have left out";
    return text;
}

} // namespace ember
