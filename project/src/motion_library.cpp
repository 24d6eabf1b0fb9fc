// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/project/motion_library.h"

#include <algorithm>
#include <cctype>
#include <cmath>
#include <filesystem>

#include "ember/project/file.h"
#include "ember/project/recipe_book.h"
#include "ember/project/recipe_edits.h"
#include "ember/project/shipped_recipes.h"
#include "motion_json.h"
#include "shipped_motions.h"

namespace ember {

namespace fs = std::filesystem;

namespace {

constexpr int motionVersion = 1;
constexpr std::uintmax_t largestMotion = 16u << 20;

/// Letters, digits and hyphens of a name, for a file.
std::string fileNameOf(const std::string& name)
{
    std::string out;
    for (const char c : name) {
        const auto byte = static_cast<unsigned char>(c);
        if (byte >= 0x80 || std::isalnum(byte) != 0)
            out += c;
        else if (!out.empty() && out.back() != '-')
            out += '-';
    }
    while (!out.empty() && out.back() == '-')
        out.pop_back();
    return out.empty() ? "motion" : out.substr(0, 100);
}

double to(double value, double step)
{
    return std::round(value * step) / step;
}

} // namespace

std::string motionToText(const KeptMotion& kept)
{
    Json json;
    json["vember_motion"] = motionVersion;
    json.update(motionToJson(kept));
    return prettyJson(json);
}

Result<KeptMotion> motionFromText(std::string_view text, const std::string& name)
{
    auto parsed = parsedJson(text, name);
    if (!parsed)
        return parsed.error();
    Json& json = parsed.value();
    if (!json.is_object() || !json.contains("vember_motion"))
        return Error{ErrorCode::badFormat, name, "it is JSON, but holds no motion: \"vember_motion\" is missing"};
    if (json["vember_motion"] != motionVersion)
        return Error{ErrorCode::unsupported, name,
                     Phrase("it has motion format version {}, and this program reads version 1",
                            shownJson(json["vember_motion"]))};
    json.erase("vember_motion");
    JsonTrouble trouble(name);
    KeptMotion kept = motionFromJson(json, "", trouble);
    if (trouble.error())
        return *trouble.error();
    return kept;
}

Result<KeptMotion> loadMotion(const std::string& path)
{
    const auto text = readFile(path, largestMotion, "a motion");
    if (!text)
        return text.error();
    return motionFromText(text.value(), path);
}

Status saveMotion(const KeptMotion& kept, const std::string& path)
{
    return writeFileSafely(path, motionToText(kept));
}

CapturedMotion rounded(const CapturedMotion& motion)
{
    CapturedMotion out = motion;
    for (CapturedFrame& frame : out.frames) {
        frame.moved.x = to(frame.moved.x, 1e4);
        frame.moved.y = to(frame.moved.y, 1e4);
        frame.moved.roll = to(frame.moved.roll, 1e5);
        frame.moved.zoom = to(frame.moved.zoom, 1e7);
        frame.confidence = to(frame.confidence, 1e3);
    }
    return out;
}

const std::vector<KeptMotion>& shippedMotions()
{
    static const std::vector<KeptMotion> motions = [] {
        std::vector<KeptMotion> read;
        for (const std::string_view text : shippedMotionTexts)
            if (auto kept = motionFromText(text, "a shipped motion"))
                read.push_back(std::move(kept).value());
        return read;
    }();
    return motions;
}

std::string userMotionsFolder()
{
    return (fs::path(userBookPath()).parent_path() / "motions").string();
}

OwnMotions openMotions(const std::string& folder)
{
    OwnMotions own;
    std::error_code failed;
    for (fs::directory_iterator entry(folder, failed), end; !failed && entry != end; entry.increment(failed)) {
        if (entry->path().extension() != ".json")
            continue;
        const std::string path = entry->path().string();
        auto kept = loadMotion(path);
        if (kept)
            own.motions.push_back({std::move(kept).value(), path});
        else if (own.trouble.empty())
            own.trouble = Phrase("A motion of your library cannot be used: {}", phraseOf(kept.error()));
    }
    std::sort(own.motions.begin(), own.motions.end(), [](const OwnMotion& a, const OwnMotion& b) {
        return a.kept.name != b.kept.name ? a.kept.name < b.kept.name : a.path < b.path;
    });
    return own;
}

Result<std::string> keepMotion(const KeptMotion& kept, const std::string& folder)
{
    std::error_code ignored; // what matters is whether the file can be written
    fs::create_directories(folder, ignored);
    const std::string name = fileNameOf(kept.name);
    fs::path path = fs::path(folder) / (name + ".json");
    for (int i = 2; fs::exists(path, ignored); ++i)
        path = fs::path(folder) / (name + "-" + std::to_string(i) + ".json");
    const auto status = saveMotion(kept, path.string());
    if (!status)
        return status.error();
    return path.string();
}

std::vector<KeptMotion> allMotions(const OwnMotions& own)
{
    std::vector<KeptMotion> all = shippedMotions();
    for (const OwnMotion& motion : own.motions)
        all.push_back(motion.kept);
    return all;
}

const KeptMotion* motionNamed(const std::vector<KeptMotion>& motions, std::string_view name)
{
    const auto found =
        std::find_if(motions.begin(), motions.end(), [&](const KeptMotion& kept) { return kept.name == name; });
    return found == motions.end() ? nullptr : &*found;
}

Result<KeptMotion> findMotion(const std::string& nameOrFile)
{
    if (nameOrFile.ends_with(".json"))
        return loadMotion(nameOrFile);
    if (nameOrFile.ends_with(".csv"))
        return Error{ErrorCode::badValue, nameOrFile,
                     "a table does not tell the rate and size of its clip: capture writes them into a .json file, and "
                     "the window asks for them where it imports a table"};
    const auto motions = allMotions(openMotions(userMotionsFolder()));
    if (const KeptMotion* kept = motionNamed(motions, nameOrFile))
        return *kept;
    std::string names;
    for (const KeptMotion& kept : motions)
        names += (names.empty() ? "" : ", ") + kept.name;
    return Error{ErrorCode::badValue, nameOrFile,
                 Phrase("no motion of the library has this name; there are {}", names)};
}

std::string freshMotionName(const std::vector<KeptMotion>& motions, const std::string& wanted)
{
    std::string name = wanted;
    for (int i = 2; motionNamed(motions, name) != nullptr; ++i)
        name = wanted + " " + std::to_string(i);
    return name;
}

Project withStrandMotion(Project project, RecipeId recipe, std::size_t strand, const MotionLoop& motion)
{
    const int width = project.width;
    return withStrandChanged(std::move(project), recipe, strand, [&](Strand& s) {
        const auto* before = std::get_if<Captured>(&s.source);
        s.source = Captured{motion, before != nullptr ? before->speed : 1};
        s.rate.restHz = s.rate.peakHz; // as fast as it was filmed, all the way
        s.amount = amountsAsFilmed(motion, width);
    });
}

Project withDriftMotion(Project project, const MotionLoop& motion)
{
    Drift& drift = project.drift;
    if (motion.empty()) {
        const bool on = drift.on;
        drift = newProject(project.width, project.height, project.rate).drift;
        drift.on = on;
        return project;
    }
    drift.captured.motion = motion;
    drift.amount = amountsAsFilmed(motion, project.width);
    drift.on = true;
    return project;
}

} // namespace ember
