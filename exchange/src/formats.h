// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "ember/exchange/strike_list.h"

namespace ember {

Result<StrikeList> strikesFromCsv(std::string_view text, const ListReading& reading);
std::string strikesToCsv(const StrikeList& strikes, FrameRate rate);

/// The headings of a table, and the keys of a list's first object.
std::vector<std::string> csvHeadings(std::string_view text);
std::vector<std::string> jsonKeys(std::string_view text);

Result<StrikeList> strikesFromJson(std::string_view text, const ListReading& reading);
std::string strikesToJson(const StrikeList& strikes, FrameRate rate);

Result<StrikeList> strikesFromJsonLines(std::string_view text, const ListReading& reading);
std::string strikesToJsonLines(const StrikeList& strikes, FrameRate rate);

Result<StrikeList> strikesFromMidi(std::string_view bytes);
std::string strikesToMidi(const StrikeList& strikes);

Result<StrikeList> strikesFromVtt(std::string_view text, const ListReading& reading);
std::string strikesToVtt(const StrikeList& strikes);

/// A strike as a line for people: "hit 80 % Hammer, first blow". What does not begin with a kind is a name.
std::string cueText(const ListedStrike& strike);
void readCue(std::string_view text, ListedStrike& strike);

Result<StrikeList> strikesFromOtio(std::string_view text, const ListReading& reading);
std::string strikesToOtio(const StrikeList& strikes, FrameRate rate);

} // namespace ember
