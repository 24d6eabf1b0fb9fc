// SPDX-License-Identifier: GPL-3.0-or-later
#include "part_folder.h"

#include <algorithm>
#include <charconv>
#include <filesystem>
#include <map>
#include <vector>

namespace ember {

namespace fs = std::filesystem;

namespace {

std::optional<int> partNumber(std::string_view text)
{
    int value = 0;
    const auto [end, error] = std::from_chars(text.data(), text.data() + text.size(), value);
    if (error != std::errc() || end != text.data() + text.size() || value < 1 || value > mostParts)
        return std::nullopt;
    return value;
}

std::optional<FilmPart> partNamed(std::string_view text, std::string_view between)
{
    const auto at = text.find(between);
    if (at == std::string_view::npos)
        return std::nullopt;
    const auto number = partNumber(text.substr(0, at));
    const auto count = partNumber(text.substr(at + between.size()));
    if (!number || !count || *number > *count)
        return std::nullopt;
    return FilmPart{*number, *count};
}

/// The numbers there are, by count.
using PartNumbers = std::map<int, std::vector<int>>;

PartNumbers numbersIn(const std::string& folder)
{
    PartNumbers numbers;
    std::error_code error;
    for (fs::directory_iterator entry(folder, error), end; !error && entry != end; entry.increment(error)) {
        const std::string name = entry->path().filename().string();
        if (!name.starts_with("part-") || !name.ends_with(".json"))
            continue;
        constexpr std::size_t affix = 5; // "part-" and ".json"
        if (const auto part = partNamed(std::string_view(name).substr(affix, name.size() - 2 * affix), "-of-"))
            numbers[part->count].push_back(part->number);
    }
    return error ? PartNumbers() : numbers;
}

/// Which of `count` parts are not there.
Phrase missingOf(const std::vector<int>& there, int count)
{
    constexpr int most = 8; // that are named
    std::string named;
    int missing = 0;
    for (int number = 1; number <= count; ++number)
        if (std::find(there.begin(), there.end(), number) == there.end() && ++missing <= most)
            named += (named.empty() ? "" : ", ") + std::to_string(number);
    if (missing > most)
        named += ", …";
    return missing == 1 ? Phrase("part {} of {} is missing; run it, then join again", named, count)
                        : Phrase("{} of {} parts are missing: {}; run them, then join again", missing, count, named);
}

} // namespace

std::optional<FilmPart> partFrom(std::string_view text)
{
    return partNamed(text, "/");
}

std::string partsFolder(const std::string& out)
{
    std::string name = out;
    while (name.size() > 1 && name.ends_with('/'))
        name.pop_back();
    return name + ".parts";
}

std::string partRecord(const std::string& out, FilmPart part)
{
    return partStem(out, part) + ".json";
}

std::string partStem(const std::string& out, FilmPart part)
{
    return partsFolder(out) + "/part-" + std::to_string(part.number) + "-of-" + std::to_string(part.count);
}

Status partFolderFor(const std::string& out, const std::string& folder)
{
    const fs::path parent = fs::path(partsFolder(out)).parent_path();
    std::error_code error;
    if (!parent.empty() && !fs::is_directory(parent, error))
        return Error{ErrorCode::notFound, parent.string(), "there is no such folder to write into"};
    fs::create_directories(folder, error);
    if (error)
        return Error{ErrorCode::unwritable, folder, error.message()};
    return Done{};
}

Result<int> partsThere(const std::string& out)
{
    const std::string folder = partsFolder(out);
    const PartNumbers numbers = numbersIn(folder);
    if (numbers.empty())
        return Error{ErrorCode::notFound, folder, "there are no parts to be joined"};
    std::vector<int> whole;
    for (const auto& [count, there] : numbers)
        if (static_cast<int>(there.size()) == count)
            whole.push_back(count);
    if (whole.size() > 1)
        return Error{
            ErrorCode::badValue, folder,
            Phrase("all is there twice: in {} parts and in {}; delete those that are not wanted", whole[0], whole[1])};
    if (whole.size() == 1)
        return whole.front();
    const auto most = std::max_element(numbers.begin(), numbers.end(),
                                       [](const auto& a, const auto& b) { return a.second.size() < b.second.size(); });
    return Error{ErrorCode::notFound, folder, missingOf(most->second, most->first)};
}

} // namespace ember
