// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>
#include <string_view>
#include <vector>

#include "ember/core/error.h"
#include "ember/core/project.h"

namespace ember {

/// The frame width and rate a recipe's pixels and frames are meant for.
struct RecipeScale {
    int width = 1280;
    FrameRate rate;

    bool operator==(const RecipeScale&) const = default;
};

/// A recipe outside any project.
struct BookEntry {
    Recipe recipe;
    RecipeScale scale;
    std::string about; ///< a few words on what it is for; may be empty

    bool operator==(const BookEntry&) const = default;
};
using BookEntries = std::vector<BookEntry>;

/// The recipe for another frame width and rate: pixels follow the width (to a tenth), frames the rate (to whole frames,
/// at least one where there were any). Degrees, ratios and hertz stay.
Recipe scaled(const Recipe& recipe, const RecipeScale& from, const RecipeScale& to);
RecipeScale scaleOf(const Project& project);
/// An entry's recipe as this project would use it.
Recipe recipeFor(const BookEntry& entry, const Project& project);

/// The entry of this name, the first where several have it; null when there is none.
const BookEntry* entryNamed(const BookEntries& entries, std::string_view name);
/// A name like `wanted` that no entry has.
std::string freshEntryName(const BookEntries& entries, const std::string& wanted);

/// Recipes in a small JSON file, for books and for handing on; see docs/file-format.md. Names are made different where
/// they are not.
Result<BookEntries> loadRecipes(const std::string& path);
std::string recipesToJson(const BookEntries& entries);
Status saveRecipes(const BookEntries& entries, const std::string& path);

/// Where the user's own book is kept: vast-ember/recipes.json in $XDG_CONFIG_HOME, or in ~/.config.
std::string userBookPath();

struct UserBook {
    BookEntries entries;
    Phrase trouble; ///< what was wrong with the file, a sentence; empty when nothing was
};
/// The user's book. A file that cannot be understood is put aside under another name, which `trouble` tells, and the
/// book begins empty. No file is an empty book.
UserBook openUserBook(const std::string& path);

/// The shipped recipes and the user's own, in that order: what `--recipe` chooses from.
BookEntries allRecipes(const BookEntries& user);

} // namespace ember
