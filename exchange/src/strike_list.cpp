// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/exchange/strike_list.h"

#include <array>

#include "cells.h"
#include "formats.h"

namespace ember {

std::optional<ListFormat> listFormatFromName(std::string_view name)
{
    constexpr std::array<std::string_view, 6> names{"csv", "json", "vtt", "otio", "mid", "jsonl"};
    for (std::size_t i = 0; i < names.size(); ++i)
        if (names[i] == name)
            return static_cast<ListFormat>(i);
    return name == "midi" ? std::optional(ListFormat::midi) : std::nullopt;
}

std::optional<ListFormat> listFormatOf(const std::string& path)
{
    const auto dot = path.rfind('.');
    return dot == std::string::npos ? std::nullopt : listFormatFromName(lowered(path.substr(dot + 1)));
}

Result<StrikeList> strikesFromText(ListFormat format, std::string_view text, const ListReading& reading)
{
    switch (format) {
    case ListFormat::csv: return strikesFromCsv(text, reading);
    case ListFormat::json: return strikesFromJson(text, reading);
    case ListFormat::vtt: return strikesFromVtt(text, reading);
    case ListFormat::otio: return strikesFromOtio(text, reading);
    case ListFormat::midi: return strikesFromMidi(text);
    case ListFormat::jsonLines: return strikesFromJsonLines(text, reading);
    }
    return StrikeList();
}

std::string strikesToText(ListFormat format, const StrikeList& strikes, FrameRate rate)
{
    switch (format) {
    case ListFormat::csv: return strikesToCsv(strikes, rate);
    case ListFormat::json: return strikesToJson(strikes, rate);
    case ListFormat::vtt: return strikesToVtt(strikes);
    case ListFormat::otio: return strikesToOtio(strikes, rate);
    case ListFormat::midi: return strikesToMidi(strikes);
    case ListFormat::jsonLines: return strikesToJsonLines(strikes, rate);
    }
    return {};
}

std::vector<ListColumn> columnsOf(ListFormat format, std::string_view text)
{
    std::vector<std::string> names;
    if (format == ListFormat::csv)
        names = csvHeadings(text);
    else if (format == ListFormat::json || format == ListFormat::jsonLines)
        names = jsonKeys(text);
    std::vector<ListColumn> columns;
    for (std::string& name : names) {
        const auto ours = columnFor(name);
        columns.push_back({std::move(name), std::string(ours.value_or(std::string_view()))});
    }
    return columns;
}

std::span<const std::string_view> ourColumns()
{
    return listColumns;
}

StrikeList listOf(const Project& project, ListDetail detail)
{
    StrikeList list;
    for (const Strike& strike : project.strikes) {
        ListedStrike listed{project.rate.seconds(static_cast<double>(strike.frame.index)),
                            strike.kind,
                            strike.name,
                            strike.strength,
                            strike.direction,
                            strike.seed,
                            strike.place,
                            {},
                            {}};
        const Recipe* recipe = project.recipe(strike.recipe);
        if (detail == ListDetail::recipes && recipe != nullptr) {
            listed.recipe = recipe->name;
            listed.values.insert(strike.overrides.all().begin(), strike.overrides.all().end());
        }
        list.push_back(std::move(listed));
    }
    return list;
}

} // namespace ember
