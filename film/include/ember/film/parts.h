// SPDX-License-Identifier: GPL-3.0-or-later
// Work that is cut into parts for as many machines as there are: how parts are named and where they wait.
#pragma once

#include <optional>
#include <string>
#include <string_view>

namespace ember {

/// One of the parts of a film: the first is 1.
struct FilmPart {
    int number = 1;
    int count = 1;
};
inline constexpr int mostParts = 100000;
/// "3/8"; nothing where it is no part.
std::optional<FilmPart> partFrom(std::string_view text);

/// The folder beside what is made of parts in which they wait: "night.mp4.parts".
std::string partsFolder(const std::string& out);
/// What stands there when a part is whole: "night.mp4.parts/part-3-of-8.json".
std::string partRecord(const std::string& out, FilmPart part);

} // namespace ember
