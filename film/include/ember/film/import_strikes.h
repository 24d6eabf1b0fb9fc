// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "ember/exchange/strike_list.h"
#include "ember/project/edits.h"
#include "ember/project/recipe_book.h"

namespace ember {

/// A list in a file whose ending tells its format. Errors name the file and the place in it.
Result<StrikeList> readStrikeList(const std::string& path, const ListReading& reading);
/// The text of a list in a file, and its format by the ending, for those who want to look before they read.
struct ListText {
    ListFormat format;
    std::string text;
};
Result<ListText> readListText(const std::string& path);

/// The beats of a score in a file. Nothing where it tells none, or where the file is no score.
Result<std::optional<ScoreBeats>> readScoreBeats(const std::string& path);

/// A project's strikes as a list; the ending tells the format.
Status writeStrikeList(const Project& project, const std::string& path, ListDetail detail = ListDetail::events);

struct StrikesImported {
    Project project;
    StrikeIds ids;          ///< the strikes of the list, as they stand in the project
    std::size_t added = 0;  ///< new ones
    std::size_t merged = 0; ///< that stand on the frame of one that was there (or came before in the list)
    std::size_t past = 0;   ///< left out, as they lie past the film's end
    std::vector<std::string> unknownRecipes; ///< names that neither the project nor the book has
    std::size_t unknownValues = 0;           ///< left out, as the recipe has no such value
};

/// A list's strikes on the frames nearest to their times. What the list leaves out is as for a strike put by hand: the
/// kind's recipe and direction, a seed of its own. Where one stands already, it stays as it is, takes the greater
/// strength, and the name if it has none. Recipes are the project's of the name the list tells, or else come out of the
/// book; values of a strike's own are kept within their ranges.
StrikesImported withStrikesImported(Project project, const StrikeList& list, const BookEntries& book = {});

/// What became of a list, in words: "12 strikes added, 1 joined with one on its frame, 2 past the end left out".
std::string importSentence(const StrikesImported& imported);

} // namespace ember
