// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "ember/exchange/strike_list.h"

namespace ember {

Result<StrikeList> strikesFromCsv(std::string_view text, const ListReading& reading);
std::string strikesToCsv(const StrikeList& strikes, FrameRate rate);

Result<StrikeList> strikesFromJson(std::string_view text, const ListReading& reading);
std::string strikesToJson(const StrikeList& strikes, FrameRate rate);

Result<StrikeList> strikesFromVtt(std::string_view text, const ListReading& reading);
std::string strikesToVtt(const StrikeList& strikes);

Result<StrikeList> strikesFromOtio(std::string_view text, const ListReading& reading);
std::string strikesToOtio(const StrikeList& strikes, FrameRate rate);

} // namespace ember
