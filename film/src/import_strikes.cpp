// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/film/import_strikes.h"

#include <algorithm>
#include <cmath>

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

Status writeStrikeList(const Project& project, const std::string& path)
{
    const auto format = formatOf(path);
    if (!format)
        return format.error();
    return writeFileSafely(path, strikesToText(format.value(), listOf(project), project.rate));
}

StrikesImported withStrikesImported(Project project, const StrikeList& list)
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
        imported.ids.push_back(id);
        ++imported.added;
    }
    std::sort(imported.ids.begin(), imported.ids.end());
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
    return text;
}

} // namespace ember
