// SPDX-License-Identifier: GPL-3.0-or-later
// WebVTT (W3C): a cue for each strike. Its text is the kind, the strength and the name: "hit 80 % Hammer, first blow";
// a cue of another text is a hit of that name.
#include <algorithm>
#include <array>
#include <cmath>
#include <sstream>

#include "cells.h"
#include "formats.h"

namespace ember {

namespace {

constexpr double cueSeconds = 0.5; ///< how long a strike is shown

/// Cue text has markup and times in it; what would be taken for these is written as character references.
std::string escapedCue(std::string_view text)
{
    std::string out;
    for (const char c : text) {
        switch (c) {
        case '&': out += "&amp;"; break;
        case '<': out += "&lt;"; break;
        case '>': out += "&gt;"; break;
        case '\n': out += "&#10;"; break;
        case '\r': out += "&#13;"; break;
        default: out += c;
        }
    }
    return out;
}

std::string unescapedCue(std::string_view text)
{
    constexpr std::array<std::pair<std::string_view, std::string_view>, 8> references{{{"&amp;", "&"},
                                                                                       {"&lt;", "<"},
                                                                                       {"&gt;", ">"},
                                                                                       {"&nbsp;", "\xC2\xA0"},
                                                                                       {"&quot;", "\""},
                                                                                       {"&#39;", "'"},
                                                                                       {"&#10;", "\n"},
                                                                                       {"&#13;", "\r"}}};
    std::string out;
    while (!text.empty()) {
        const auto known = std::find_if(references.begin(), references.end(),
                                        [&](const auto& one) { return text.starts_with(one.first); });
        out += known != references.end() ? known->second : text.substr(0, 1);
        text.remove_prefix(known != references.end() ? known->first.size() : 1);
    }
    return out;
}

} // namespace

void readCue(std::string_view text, ListedStrike& strike)
{
    const auto space = text.find(' ');
    const auto kind = kindFromName(lowered(text.substr(0, space)));
    if (!kind) {
        strike.name = std::string(text);
        return;
    }
    strike.kind = *kind;
    text = space == std::string_view::npos ? std::string_view() : trimmed(text.substr(space));
    if (const auto percent = text.find('%'); percent != std::string_view::npos) {
        const std::string number(trimmed(text.substr(0, percent)));
        char* end = nullptr;
        const double value = std::strtod(number.c_str(), &end) / 100;
        if (!number.empty() && *end == '\0' && inRange(strikefield::strength, value)) {
            strike.strength = value;
            text = trimmed(text.substr(percent + 1));
        }
    }
    strike.name = std::string(text);
}

std::string cueText(const ListedStrike& strike)
{
    const std::string text =
        std::string(kindName(strike.kind)) + " " + std::to_string(std::lround(100 * strike.strength)) + " %";
    return strike.name.empty() ? text : text + " " + strike.name;
}

Result<StrikeList> strikesFromVtt(std::string_view text, const ListReading& reading)
{
    if (text.starts_with("\xEF\xBB\xBF"))
        text.remove_prefix(3);
    if (!text.starts_with("WEBVTT"))
        return Error{ErrorCode::badFormat, "line 1", "a WebVTT file begins with WEBVTT"};
    StrikeList strikes;
    std::istringstream lines{std::string(text)};
    std::string line;
    bool inCue = false;
    for (std::size_t number = 1; std::getline(lines, line); ++number) {
        const std::string_view here = trimmed(line);
        if (here.empty()) {
            inCue = false;
        } else if (const auto arrow = here.find("-->"); arrow != std::string_view::npos) {
            const auto seconds = secondsFromTimecode(here.substr(0, arrow), reading.rate);
            if (!seconds || *seconds > longestSeconds)
                return Error{ErrorCode::badFormat, Phrase("line {}", number),
                             Phrase("\"{}\" does not begin with a time such as 00:01:02.500", std::string(here))};
            strikes.emplace_back().seconds = *seconds;
            inCue = true;
        } else if (inCue && strikes.back().name.empty()) {
            readCue(unescapedCue(here), strikes.back());
        }
    }
    return strikes;
}

std::string strikesToVtt(const StrikeList& strikes)
{
    std::string text = "WEBVTT\n";
    for (const ListedStrike& strike : strikes) {
        text += "\n" + clockText(strike.seconds) + " --> " + clockText(strike.seconds + cueSeconds) + "\n";
        text += escapedCue(cueText(strike)) + "\n";
    }
    return text;
}

} // namespace ember
