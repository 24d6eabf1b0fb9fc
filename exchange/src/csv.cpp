// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/exchange/csv.h"

namespace ember {

namespace {

/// Whether, behind any apostrophes, a sign stands that begins a formula.
bool wouldCount(std::string_view text)
{
    const auto first = text.find_first_not_of('\'');
    return first != std::string_view::npos && std::string_view("=+-@\t\r").find(text[first]) != std::string_view::npos;
}

} // namespace

std::string csvCell(std::string_view text)
{
    if (text.find_first_of(",;\t\"\r\n") == std::string_view::npos)
        return std::string(text);
    std::string cell = "\"";
    for (const char c : text)
        cell += c == '"' ? std::string("\"\"") : std::string(1, c);
    return cell + "\"";
}

std::string csvText(std::string_view text)
{
    return csvCell(wouldCount(text) ? "'" + std::string(text) : std::string(text));
}

std::string_view textOfCsv(std::string_view cell)
{
    return cell.starts_with('\'') && wouldCount(cell) ? cell.substr(1) : cell;
}

} // namespace ember
