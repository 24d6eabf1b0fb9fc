// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>
#include <array>

#include "cells.h"
#include "csv_rows.h"
#include "ember/exchange/csv.h"
#include "formats.h"

namespace ember {

namespace {

/// Whether a column may hold anything that somebody typed.
bool isFreeText(std::string_view column)
{
    return column == "name" || column == "recipe";
}

} // namespace

std::vector<std::string> csvHeadings(std::string_view text)
{
    const auto rows = csvRows(text);
    std::vector<std::string> headings;
    if (rows && !rows->empty())
        for (const std::string& heading : rows->front().cells)
            headings.emplace_back(trimmed(heading));
    return headings;
}

Result<StrikeList> strikesFromCsv(std::string_view text, const ListReading& reading)
{
    const auto rows = csvRows(text);
    if (!rows)
        return rows.error();
    if (rows->empty())
        return Error{ErrorCode::badFormat, "The list", "it is empty"};
    std::map<std::string_view, std::size_t> places;
    const auto& heading = rows->front().cells;
    for (std::size_t i = 0; i < heading.size(); ++i)
        if (const auto column = columnFor(heading[i]); column && !places.contains(*column))
            places[*column] = i;
    for (const auto& [ours, theirs] : reading.columns) {
        if (theirs.empty()) {
            places.erase(ours);
            continue;
        }
        const auto found = std::find_if(heading.begin(), heading.end(),
                                        [&, wanted = &theirs](auto& h) { return trimmed(h) == trimmed(*wanted); });
        const auto column = std::find(listColumns.begin(), listColumns.end(), ours);
        if (column == listColumns.end() || found == heading.end())
            return Error{ErrorCode::badValue, std::string(ours).append("=").append(theirs),
                         found == heading.end() ? "the list has no such heading" : "strikes have no such value"};
        places[*column] = static_cast<std::size_t>(found - heading.begin());
    }
    if (!places.contains("frame") && !places.contains("seconds") && !places.contains("timecode"))
        return Error{ErrorCode::badFormat, Phrase("line {}", rows->front().line),
                     "no heading is frame, seconds or timecode; say which column it is"};
    StrikeList strikes;
    for (std::size_t i = 1; i < rows->size(); ++i) {
        const CsvRow& row = rows.value()[i];
        const auto strike = strikeFromCells(
            [&](std::string_view column) -> std::string {
                const auto place = places.find(column);
                if (place == places.end() || place->second >= row.cells.size())
                    return {};
                const std::string& cell = row.cells[place->second];
                return isFreeText(column) ? std::string(textOfCsv(cell)) : cell;
            },
            reading, "line " + std::to_string(row.line));
        if (!strike)
            return strike.error();
        strikes.push_back(strike.value());
    }
    return strikes;
}

std::string strikesToCsv(const StrikeList& strikes, FrameRate rate)
{
    std::string text;
    // What few lists tell has a column only where it is told.
    const auto told = [&](std::string_view column) {
        return std::any_of(strikes.begin(), strikes.end(),
                           [&](const ListedStrike& s) { return !cellOf(s, column, rate).empty(); });
    };
    std::vector<std::string_view> columns;
    for (const std::string_view column : listColumns)
        if ((column != "position" && column != "recipe" && column != "values") || told(column))
            columns.push_back(column);
    const auto writeRow = [&text, &columns](const auto& cellFor) {
        for (const std::string_view column : columns)
            text += (column == columns.front() ? "" : ",") +
                    (isFreeText(column) ? csvText(cellFor(column)) : csvCell(cellFor(column)));
        text += '\n';
    };
    writeRow([](std::string_view column) { return std::string(column); });
    for (const ListedStrike& strike : strikes)
        writeRow([&](std::string_view column) { return cellOf(strike, column, rate); });
    return text;
}

} // namespace ember
