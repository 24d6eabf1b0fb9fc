// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/json/json.h"

#include <algorithm>

#include "ember/core/shown_text.h"

template class nlohmann::basic_json<nlohmann::ordered_map>;

namespace ember {

namespace {

/// Whether brackets are nowhere deeper in each other than `deepest`; those in texts do not count.
bool withinDepth(std::string_view text, std::size_t deepest)
{
    std::size_t depth = 0;
    bool inText = false;
    for (std::size_t i = 0; i < text.size(); ++i) {
        const char c = text[i];
        if (inText) {
            if (c == '\\')
                ++i;
            else if (c == '"')
                inText = false;
        } else if (c == '"') {
            inText = true;
        } else if (c == '{' || c == '[') {
            if (++depth > deepest)
                return false;
        } else if ((c == '}' || c == ']') && depth > 0) {
            --depth;
        }
    }
    return true;
}

/// "line 3, column 5: …", by the place of the first byte that cannot be.
std::string whereItBreaks(std::string_view text, std::size_t at)
{
    if (text.empty())
        return "it is empty";
    const bool early = at >= text.size();
    at = std::min(at, text.size() - 1);
    const std::string_view before = text.substr(0, at);
    const auto line = 1 + std::count(before.begin(), before.end(), '\n');
    const std::size_t begin = before.rfind('\n') + 1; // npos + 1 is 0
    if (early)
        return "it breaks off in line " + std::to_string(line) + " before its last bracket or quote is closed";
    constexpr std::size_t shown = 24;
    std::string_view here = text.substr(at);
    here = here.substr(0, std::min(here.find('\n'), shown));
    return "it is no JSON from line " + std::to_string(line) + ", column " + std::to_string(at - begin + 1) +
           (here.empty() ? std::string() : ", on: " + inQuotes(here, shown));
}

} // namespace

Result<Json> parsedJson(std::string_view text, const std::string& name)
{
    if (text.size() > largestJson)
        return Error{ErrorCode::badFormat, name, "it is far too large"};
    if (!withinDepth(text, deepestJson))
        return Error{ErrorCode::badFormat, name,
                     Phrase("its brackets are more than {} deep in each other", deepestJson)};
    try {
        return Json::parse(text);
    } catch (const Json::parse_error& e) {
        return Error{ErrorCode::badFormat, name, whereItBreaks(text, e.byte == 0 ? 0 : e.byte - 1)};
    } catch (const Json::exception& e) { // a number too large for any, which stands in quotes
        const std::string_view what = e.what();
        const auto from = what.find('\'');
        const auto to = what.rfind('\'');
        const bool named = from != std::string_view::npos && to > from;
        return Error{ErrorCode::badFormat, name,
                     Phrase("it has a number that is too large{}",
                            (named ? ": " + shownText(what.substr(from + 1, to - from - 1), 40) : std::string()))};
    }
}

std::string wordsFor(const Json::exception& error)
{
    constexpr int noSuchKey = 403;
    const std::string_view what = error.what();
    if (error.id == noSuchKey)
        if (const auto from = what.find('\''), to = what.rfind('\''); to != std::string_view::npos && to > from)
            return inQuotes(what.substr(from + 1, to - from - 1)) + " is missing";
    return "something in it is of another type than it should be";
}

std::string shownJson(const Json& value)
{
    return shownText(value.dump(-1, ' ', false, Json::error_handler_t::replace), 60);
}

} // namespace ember
