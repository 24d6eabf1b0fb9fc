// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>
#include <array>

#include "cells.h"
#include "formats.h"

namespace ember {

namespace {

struct Row {
    std::size_t line; ///< counted from 1
    std::vector<std::string> cells;
};

/// Rows of RFC 4180: quoted cells may hold separators, quotes (doubled) and line ends. Empty lines are passed over.
Result<std::vector<Row>> rowsOf(std::string_view text, char separator)
{
    std::vector<Row> rows;
    Row row{1, {}};
    std::string cell;
    bool quoted = false;
    bool any = false;
    std::size_t line = 1;
    const auto endRow = [&] {
        row.cells.push_back(std::move(cell));
        cell.clear();
        if (any)
            rows.push_back(std::move(row));
        row = {line, {}};
        any = false;
    };
    for (std::size_t i = 0; i < text.size(); ++i) {
        const char c = text[i];
        line += c == '\n' ? 1 : 0;
        if (quoted) {
            if (c != '"')
                cell += c;
            else if (i + 1 < text.size() && text[i + 1] == '"')
                cell += text[++i];
            else
                quoted = false;
        } else if (c == '"' && trimmed(cell).empty()) {
            cell.clear();
            quoted = any = true;
        } else if (c == separator) {
            row.cells.push_back(std::move(cell));
            cell.clear();
            any = true;
        } else if (c == '\n') {
            endRow();
        } else if (c != '\r') {
            cell += c;
            any = any || (c != ' ' && c != '\t');
        }
    }
    if (quoted)
        return Error{ErrorCode::badFormat, "line " + std::to_string(row.line), "a quotation mark is never closed"};
    endRow();
    return rows;
}

/// Whichever of the usual ones is in the heading most.
char separatorOf(std::string_view text)
{
    const std::string_view heading = text.substr(0, text.find('\n'));
    char best = ',';
    for (const char c : {',', ';', '\t'})
        if (std::count(heading.begin(), heading.end(), c) > std::count(heading.begin(), heading.end(), best))
            best = c;
    return best;
}

std::string quotedWhereNeeded(const std::string& cell)
{
    if (cell.find_first_of(",\"\r\n") == std::string::npos)
        return cell;
    std::string text = "\"";
    for (const char c : cell)
        text += c == '"' ? std::string("\"\"") : std::string(1, c);
    return text + "\"";
}

} // namespace

std::vector<std::string> csvHeadings(std::string_view text)
{
    if (text.starts_with("\xEF\xBB\xBF"))
        text.remove_prefix(3);
    const auto rows = rowsOf(text, separatorOf(text));
    std::vector<std::string> headings;
    if (rows && !rows->empty())
        for (const std::string& heading : rows->front().cells)
            headings.emplace_back(trimmed(heading));
    return headings;
}

Result<StrikeList> strikesFromCsv(std::string_view text, const ListReading& reading)
{
    if (text.starts_with("\xEF\xBB\xBF"))
        text.remove_prefix(3);
    const auto rows = rowsOf(text, separatorOf(text));
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
        return Error{ErrorCode::badFormat, "line " + std::to_string(rows->front().line),
                     "no heading is frame, seconds or timecode; say which column it is"};
    StrikeList strikes;
    for (std::size_t i = 1; i < rows->size(); ++i) {
        const Row& row = rows.value()[i];
        const auto strike = strikeFromCells(
            [&](std::string_view column) {
                const auto place = places.find(column);
                return place != places.end() && place->second < row.cells.size() ? row.cells[place->second]
                                                                                 : std::string();
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
    const auto writeRow = [&text](const auto& cellFor) {
        for (std::size_t i = 0; i < listColumns.size(); ++i)
            text += (i == 0 ? "" : ",") + quotedWhereNeeded(cellFor(listColumns[i]));
        text += '\n';
    };
    writeRow([](std::string_view column) { return std::string(column); });
    for (const ListedStrike& strike : strikes)
        writeRow([&](std::string_view column) { return cellOf(strike, column, rate); });
    return text;
}

} // namespace ember
