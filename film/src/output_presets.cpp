// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/film/output_presets.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <filesystem>

#include "ember/files/whole_file.h"
#include "ember/json/json.h"
#include "ember/project/recipe_book.h"

namespace ember {

namespace {

constexpr int version = 1;
constexpr std::uintmax_t largestFile = 1U << 20U;
constexpr double leastSize = 0.05;
constexpr double mostSize = 4;
constexpr std::size_t longestName = 80;

std::optional<Coder> coderFromWord(const std::string& word)
{
    const auto found =
        std::find_if(coderWords.begin(), coderWords.end(), [&](const CoderWords& w) { return w.word == word; });
    return found != coderWords.end() ? std::optional(found->coder) : std::nullopt;
}

/// What is wrong with a preset; nothing where it can be used.
std::optional<Phrase> wrongWith(const OutputPreset& preset)
{
    const auto format = filmFormatOf("film" + preset.ending);
    if (preset.name.empty() || preset.name.size() > longestName)
        return Phrase("its name should have 1 to {} letters", longestName);
    if (!format || preset.ending.find('/') != std::string::npos)
        return Phrase("no kind of film ends in {}", preset.ending);
    if (!(preset.size >= leastSize && preset.size <= mostSize))
        return Phrase("its size should be {} to {}", leastSize, mostSize);
    const auto coders = codersIn(*format);
    if (std::find(coders.begin(), coders.end(), preset.coder) == coders.end())
        return Phrase("{} does not go into this kind of file",
                      coderWords[static_cast<std::size_t>(preset.coder)].label);
    return std::nullopt;
}

Json toJson(const OutputPreset& preset)
{
    Json json;
    json["name"] = preset.name;
    json["ending"] = preset.ending;
    json["size"] = preset.size;
    json["quality"] = filmQualityWords[static_cast<std::size_t>(preset.quality)];
    json["coder"] = coderWords[static_cast<std::size_t>(preset.coder)].word;
    if (preset.depth)
        json["depth"] = static_cast<int>(*preset.depth);
    json["gentle"] = preset.gentle;
    return json;
}

/// Throws what nlohmann throws where something is missing or of another type.
OutputPreset presetFrom(const Json& json)
{
    OutputPreset preset;
    preset.name = json.at("name").get<std::string>();
    preset.ending = json.at("ending").get<std::string>();
    preset.size = json.at("size").get<double>();
    const auto quality = json.at("quality").get<std::string>();
    const auto known = std::find(filmQualityWords.begin(), filmQualityWords.end(), quality);
    preset.quality = known != filmQualityWords.end() ? static_cast<FilmQuality>(known - filmQualityWords.begin())
                                                     : FilmQuality::good;
    preset.coder = coderFromWord(json.at("coder").get<std::string>()).value_or(Coder::usual);
    if (json.contains("depth")) {
        const int depth = json.at("depth").get<int>();
        if (depth == 8 || depth == 16 || depth == 32)
            preset.depth = static_cast<Depth>(depth);
    }
    preset.gentle = json.at("gentle").get<bool>();
    return preset;
}

} // namespace

RenderForm formOf(const OutputPreset& preset, const Project& project)
{
    RenderForm form;
    form.width = std::max(1, static_cast<int>(std::lround(project.width * preset.size)));
    form.height = std::max(1, static_cast<int>(std::lround(project.height * preset.size)));
    form.quality = preset.quality;
    form.coder = preset.coder;
    form.depth = preset.depth;
    return form;
}

const OutputPreset* presetNamed(const OutputPresets& presets, std::string_view name)
{
    const auto found = std::find_if(presets.begin(), presets.end(), [&](const auto& p) { return p.name == name; });
    return found != presets.end() ? &*found : nullptr;
}

std::string outputPresetsPath()
{
    return (std::filesystem::path(userBookPath()).parent_path() / "outputs.json").string();
}

Result<OutputPresets> loadOutputPresets(const std::string& path)
{
    std::error_code ignored;
    if (!std::filesystem::exists(path, ignored))
        return OutputPresets();
    const auto text = readFile(path, largestFile, "output presets");
    if (!text)
        return text.error();
    const auto parsed = parsedJson(text.value(), path);
    if (!parsed)
        return parsed.error();
    const Json& json = parsed.value();
    if (!json.is_object() || !json.contains("vember_outputs"))
        return Error{ErrorCode::badFormat, path, "it is JSON, but holds no output presets"};
    if (json["vember_outputs"] != version)
        return Error{
            ErrorCode::unsupported, path,
            Phrase("it has format version {}, and this program reads version 1", shownJson(json["vember_outputs"]))};
    OutputPresets presets;
    try {
        for (const Json& item : json.at("presets")) {
            OutputPreset preset = presetFrom(item);
            if (const auto wrong = wrongWith(preset))
                return Error{ErrorCode::badValue, path, Phrase("preset {}: {}", presets.size() + 1, *wrong)};
            if (presetNamed(presets, preset.name) == nullptr)
                presets.push_back(std::move(preset));
        }
    } catch (const Json::exception& error) {
        return Error{ErrorCode::badFormat, path, Phrase("preset {}: {}", presets.size() + 1, wordsFor(error))};
    }
    return presets;
}

Status saveOutputPresets(const OutputPresets& presets, const std::string& path)
{
    for (const OutputPreset& preset : presets)
        if (const auto wrong = wrongWith(preset))
            return Error{ErrorCode::badValue, preset.name, *wrong};
    Json json;
    json["vember_outputs"] = version;
    json["presets"] = Json::array();
    for (const OutputPreset& preset : presets)
        json["presets"].push_back(toJson(preset));
    std::error_code ignored; // what matters is whether the file can be written
    std::filesystem::create_directories(std::filesystem::path(path).parent_path(), ignored);
    return writeFileSafely(path, json.dump(2) + "\n");
}

} // namespace ember
