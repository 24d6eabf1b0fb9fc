// SPDX-License-Identifier: GPL-3.0-or-later
#include "csv_rows.h"

#include <algorithm>

#include "cells.h"

namespace ember {

namespace {

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

} // namespace

Result<std::vector<CsvRow>> csvRows(std::string_view text)
{
    if (text.starts_with("\xEF\xBB\xBF"))
        text.remove_prefix(3);
    const char separator = separatorOf(text);
    std::vector<CsvRow> rows;
    CsvRow row{1, {}};
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
        return Error{ErrorCode::badFormat, Phrase("line {}", row.line), "a quotation mark is never closed"};
    endRow();
    return rows;
}

} // namespace ember
