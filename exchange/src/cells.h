// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <array>
#include <functional>

#include "ember/core/text.h"
#include "ember/exchange/strike_list.h"

namespace ember {

/// The names a strike's values have in lists, in the order they are written.
inline constexpr std::array<std::string_view, 11> listColumns{
    "frame", "seconds", "timecode", "kind", "name", "strength", "direction", "seed", "position", "recipe", "values"};

/// No film is as long: eleven days.
inline constexpr double longestSeconds = 1e6;

/// One of listColumns that a foreign heading stands for: "Time (s)" is seconds, "Label" is name.
std::optional<std::string_view> columnFor(std::string_view heading);

/// Puts a strike together from the texts of its values; nothing where a value is left out or empty. `where` is told in
/// errors ("line 7").
Result<ListedStrike> strikeFromCells(const std::function<std::string(std::string_view column)>& cell,
                                     const ListReading& reading, const std::string& where);

/// The text of one of listColumns.
std::string cellOf(const ListedStrike& strike, std::string_view column, FrameRate rate);

/// The values of a strike's own as text, a JSON object: {"envelope.decay":30}. Empty where there are none.
std::string valuesText(const std::map<std::string, double>& values);

/// "00:01:02:12" (hours, minutes, seconds, frames) or "00:01:02.500" (the hours may be left out) in seconds.
std::optional<double> secondsFromTimecode(std::string_view text, FrameRate rate);
/// "00:01:02.500"
std::string clockText(double seconds);

std::string_view trimmed(std::string_view text);

} // namespace ember
