// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/project/recipe_book.h"

#include <algorithm>
#include <cmath>
#include <cstdio>
#include <cstdlib>
#include <filesystem>

#include "ember/project/file.h"
#include "ember/project/shipped_recipes.h"
#include "recipe_json.h"
#include "scaling.h"

namespace ember {

namespace fs = std::filesystem;

namespace {

constexpr int recipesVersion = 1;
constexpr std::uintmax_t largestBook = 16u << 20;

Json toJson(const BookEntry& entry)
{
    Json json = recipeToJson(entry.recipe);
    json["for"] = {{"width", entry.scale.width},
                   {"rate", std::to_string(entry.scale.rate.num()) + "/" + std::to_string(entry.scale.rate.den())}};
    if (!entry.about.empty())
        json["about"] = entry.about;
    return json;
}

BookEntry readEntry(const Json& json, const std::string& place, JsonTrouble& trouble)
{
    BookEntry entry;
    if (!json.is_object()) {
        trouble.add(ErrorCode::badFormat, place, "should be an object in braces");
        return entry;
    }
    Json bare = json; // what is not the recipe's own is taken out before it is read
    if (const auto about = bare.find("about"); about != bare.end()) {
        if (about->is_string())
            entry.about = about->get<std::string>();
        else
            trouble.add(ErrorCode::badFormat, Phrase("{}.about", place), "should be a text in quotes");
        bare.erase("about");
    }
    if (const auto scale = bare.find("for"); scale != bare.end()) {
        JsonObject object(*scale, place + ".for", trouble);
        entry.scale.width = static_cast<int>(object.needInteger("width", 1, 32768));
        const std::string rate = object.needText("rate");
        if (const auto known = rateFromText(rate))
            entry.scale.rate = *known;
        else
            object.wrong("rate", Phrase("is \"{}\", but should be a fraction such as \"24/1\"", rate));
    }
    bare.erase("for");
    entry.recipe = recipeFromJson(bare, place, trouble);
    return entry;
}

/// The first of "NAME.damaged", "NAME.damaged-2", … that is free.
std::string asideName(const std::string& path)
{
    std::string name = path + ".damaged";
    std::error_code ignored;
    for (int i = 2; fs::exists(name, ignored); ++i)
        name = path + ".damaged-" + std::to_string(i);
    return name;
}

} // namespace

Recipe scaled(const Recipe& recipe, const RecipeScale& from, const RecipeScale& to)
{
    if (from == to)
        return recipe;
    return scaledBy(recipe, {static_cast<double>(to.width) / from.width, to.rate.perSecond() / from.rate.perSecond()});
}

RecipeScale scaleOf(const Project& project)
{
    return {project.width, project.rate};
}

Recipe recipeFor(const BookEntry& entry, const Project& project)
{
    return scaled(entry.recipe, entry.scale, scaleOf(project));
}

const BookEntry* entryNamed(const BookEntries& entries, std::string_view name)
{
    const auto found =
        std::find_if(entries.begin(), entries.end(), [&](const BookEntry& e) { return e.recipe.name == name; });
    return found == entries.end() ? nullptr : &*found;
}

std::string freshEntryName(const BookEntries& entries, const std::string& wanted)
{
    std::string name = wanted;
    for (int i = 2; entryNamed(entries, name) != nullptr; ++i)
        name = wanted + " " + std::to_string(i);
    return name;
}

Result<BookEntries> loadRecipes(const std::string& path)
{
    const auto text = readFile(path, largestBook, "recipes");
    if (!text)
        return text.error();
    JsonTrouble trouble(path);
    const auto parsed = parsedJson(text.value(), path);
    if (!parsed)
        return parsed.error();
    const Json& json = parsed.value();
    if (!json.is_object() || !json.contains("vember_recipes"))
        return Error{ErrorCode::badFormat, path, "it is JSON, but holds no recipes: \"vember_recipes\" is missing"};
    if (json["vember_recipes"] != recipesVersion)
        return Error{ErrorCode::unsupported, path,
                     Phrase("it has recipe format version {}, and this program reads version 1",
                            shownJson(json["vember_recipes"]))};
    BookEntries entries;
    {
        JsonObject object(json, "", trouble);
        object.find("vember_recipes");
        readList(object, "recipes", true, [&](const Json& item, const std::string& where) {
            BookEntry entry = readEntry(item, where, trouble);
            entry.recipe.name = freshEntryName(entries, entry.recipe.name);
            entries.push_back(std::move(entry));
        });
    }
    if (trouble.error())
        return *trouble.error();
    return entries;
}

std::string recipesToJson(const BookEntries& entries)
{
    Json json;
    json["vember_recipes"] = recipesVersion;
    json["recipes"] = Json::array();
    for (const BookEntry& entry : entries)
        json["recipes"].push_back(toJson(entry));
    return prettyJson(json);
}

Status saveRecipes(const BookEntries& entries, const std::string& path)
{
    std::error_code ignored; // what matters is whether the file can be written
    if (const fs::path folder = fs::path(path).parent_path(); !folder.empty())
        fs::create_directories(folder, ignored);
    return writeFileSafely(path, recipesToJson(entries));
}

std::string userBookPath()
{
    const char* config = std::getenv("XDG_CONFIG_HOME");
    const char* home = std::getenv("HOME");
    // The standard says that a relative path there is to be ignored.
    fs::path folder = config != nullptr && fs::path(config).is_absolute()
                          ? fs::path(config)
                          : fs::path(home != nullptr ? home : ".") / ".config";
    return (folder / "vast-ember" / "recipes.json").string();
}

UserBook openUserBook(const std::string& path)
{
    UserBook book;
    std::error_code ignored;
    if (!fs::exists(path, ignored))
        return book;
    auto entries = loadRecipes(path);
    if (entries) {
        book.entries = std::move(entries).value();
        return book;
    }
    const Phrase trouble = phraseOf(entries.error());
    const std::string aside = asideName(path);
    if (std::rename(path.c_str(), aside.c_str()) == 0)
        book.trouble = {"Your recipe book cannot be used: {} It was kept as {}; the book begins empty.", trouble,
                        aside};
    else
        book.trouble = {
            "Your recipe book cannot be used: {} It was left where it is; changes to the book will replace it.",
            trouble};
    return book;
}

BookEntries allRecipes(const BookEntries& user)
{
    BookEntries all = shippedRecipes();
    all.insert(all.end(), user.begin(), user.end());
    return all;
}

} // namespace ember
