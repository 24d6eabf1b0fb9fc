// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/project/file.h"

#include <cerrno>
#include <cstdio>
#include <cstring>
#include <fcntl.h>
#include <filesystem>
#include <fstream>
#include <sstream>
#include <sys/stat.h>
#include <unistd.h>

#include "json_reader.h"

namespace ember {

namespace fs = std::filesystem;

namespace {

constexpr std::int64_t longestFilm = 100'000'000;
constexpr std::uintmax_t largestFile = 256u << 20;

std::string numbered(const char* list, std::size_t i)
{
    return std::string(list) + "[" + std::to_string(i) + "]";
}

// --- writing ---------------------------------------------------------------------------------------------------------

Json toJson(const Envelope& envelope)
{
    Json json = Json::object();
    for (const auto field : envelopeFields())
        json[std::string(specOf(field).key)] = envelope[field];
    return json;
}

Json toJson(const EnvelopeOverrides& overrides)
{
    Json json = Json::object();
    for (const auto field : envelopeFields())
        if (const auto value = overrides[field])
            json[std::string(specOf(field).key)] = *value;
    return json;
}

Json toJson(const Strand& strand)
{
    Json json;
    json["name"] = strand.name;
    if (const auto* kick = std::get_if<Kick>(&strand.source)) {
        json["source"] = "kick";
        json["damping"] = kick->damping;
    } else {
        const auto& noise = std::get<Noise>(strand.source);
        json["source"] = "noise";
        json["octaves"] = noise.octaves;
        json["gain"] = noise.gain;
        json["lacunarity"] = noise.lacunarity;
    }
    json["rate"] = strand.rate.peakHz;
    json["rate_rest"] = strand.rate.restHz;
    json["rate_fall"] = strand.rate.fall;
    Json amount = Json::object();
    for (const Axis axis : allAxes)
        if (strand.amount[axis] != 0)
            amount[std::string(axisName(axis))] = strand.amount[axis];
    json["amount"] = std::move(amount);
    if (strand.muted)
        json["muted"] = true;
    if (strand.solo)
        json["solo"] = true;
    return json;
}

Json toJson(const Recipe& recipe)
{
    Json json;
    json["name"] = recipe.name;
    json["envelope"] = toJson(recipe.envelope);
    json["strands"] = Json::array();
    for (const Strand& strand : recipe.strands)
        json["strands"].push_back(toJson(strand));
    return json;
}

Json toJson(const Strike& strike, const Project& project)
{
    Json json;
    json["frame"] = strike.frame.index;
    json["kind"] = kindName(strike.kind);
    if (!strike.name.empty())
        json["name"] = strike.name;
    json["strength"] = strike.strength;
    if (strike.direction)
        json["direction"] = *strike.direction;
    json["seed"] = strike.seed;
    const Recipe* recipe = project.recipe(strike.recipe);
    json["recipe"] = recipe != nullptr ? recipe->name : std::string();
    if (!strike.overrides.empty())
        json["envelope"] = toJson(strike.overrides);
    return json;
}

std::string relativeTo(const std::string& clip, const std::string& folder)
{
    const fs::path path(clip);
    if (!path.is_absolute() || folder.empty())
        return clip;
    const fs::path relative = path.lexically_normal().lexically_relative(fs::absolute(folder).lexically_normal());
    return relative.empty() ? clip : relative.generic_string();
}

std::string colourText(const Colour& colour)
{
    char text[8];
    std::snprintf(text, sizeof text, "#%02x%02x%02x", colour.r, colour.g, colour.b);
    return text;
}

// --- reading ---------------------------------------------------------------------------------------------------------

Envelope readEnvelope(const Json& json, const std::string& place, JsonTrouble& trouble)
{
    JsonObject object(json, place, trouble);
    Envelope envelope;
    for (const auto field : envelopeFields())
        envelope.set(field, object.number(specOf(field)));
    return envelope;
}

EnvelopeOverrides readOverrides(const Json& json, const std::string& place, JsonTrouble& trouble)
{
    JsonObject object(json, place, trouble);
    EnvelopeOverrides overrides;
    for (const auto field : envelopeFields())
        if (const auto value = object.optionalNumber(specOf(field)))
            overrides.set(field, *value);
    return overrides;
}

Source readSource(JsonObject& object)
{
    const std::string source = object.needText("source");
    if (source == "kick")
        return Kick{object.number(sourcefield::damping)};
    if (source == "noise")
        return Noise{static_cast<int>(object.number(sourcefield::octaves)), object.number(sourcefield::gain),
                     object.number(sourcefield::lacunarity)};
    object.wrong("source", "is \"" + source + "\", but should be kick or noise");
    return Noise{};
}

Strand readStrand(const Json& json, const std::string& place, JsonTrouble& trouble)
{
    JsonObject object(json, place, trouble);
    Strand strand;
    strand.name = object.needText("name");
    strand.source = readSource(object);
    strand.rate = {object.number(sourcefield::ratePeak), object.number(sourcefield::rateRest),
                   object.number(sourcefield::rateFall)};
    if (const Json* amount = object.need("amount")) {
        JsonObject axes(*amount, object.placeOf("amount"), trouble);
        for (const Axis axis : allAxes) {
            const std::string key(axisName(axis));
            strand.amount[axis] = axes.number(key.c_str(), -amountLimit(axis), amountLimit(axis), 0);
        }
    }
    strand.muted = object.flag("muted", false);
    strand.solo = object.flag("solo", false);
    return strand;
}

template <typename Read>
void readList(JsonObject& object, const char* key, JsonTrouble& trouble, Read&& read)
{
    const Json* list = object.need(key);
    if (list == nullptr)
        return;
    if (!list->is_array()) {
        object.wrong(key, "should be a list in brackets");
        return;
    }
    for (std::size_t i = 0; i < list->size() && !trouble.error(); ++i)
        read((*list)[i], object.placeOf(numbered(key, i)));
}

Recipe readRecipe(const Json& json, const std::string& place, JsonTrouble& trouble)
{
    JsonObject object(json, place, trouble);
    Recipe recipe;
    recipe.name = object.needText("name");
    if (recipe.name.empty())
        object.wrong("name", "should not be empty");
    if (const Json* envelope = object.need("envelope"))
        recipe.envelope = readEnvelope(*envelope, object.placeOf("envelope"), trouble);
    readList(object, "strands", trouble, [&](const Json& strand, const std::string& where) {
        recipe.strands.push_back(readStrand(strand, where, trouble));
    });
    return recipe;
}

Strike readStrike(const Json& json, const std::string& place, const Project& project, JsonTrouble& trouble)
{
    JsonObject object(json, place, trouble);
    Strike strike;
    strike.frame = Frame{object.needInteger("frame", 0, longestFilm)};
    const std::string kind = object.needText("kind");
    if (const auto known = kindFromName(kind))
        strike.kind = *known;
    else
        object.wrong("kind", "is \"" + kind + "\", but should be blast, landing, hit or beat");
    strike.name = object.text("name", {});
    strike.strength = object.number(strikefield::strength);
    strike.direction = object.optionalNumber(strikefield::direction);
    strike.seed = static_cast<std::uint32_t>(object.needInteger("seed", 0, UINT32_MAX));
    const std::string recipe = object.needText("recipe");
    if (const Recipe* known = project.recipeNamed(recipe))
        strike.recipe = known->id;
    else
        object.wrong("recipe", "names \"" + recipe + "\", which is not among the recipes");
    if (const Json* own = object.find("envelope"))
        strike.overrides = readOverrides(*own, object.placeOf("envelope"), trouble);
    return strike;
}

std::optional<FrameRate> rateFromText(const std::string& text)
{
    std::int64_t num = 0;
    std::int64_t den = 0;
    char rest = 0;
    if (std::sscanf(text.c_str(), "%ld/%ld%c", &num, &den, &rest) != 2)
        return std::nullopt;
    return FrameRate::make(num, den);
}

Shot readShot(const Json& json, const std::string& place, const std::string& folder, JsonTrouble& trouble)
{
    JsonObject object(json, place, trouble);
    Shot shot;
    shot.clip = object.needText("clip");
    if (shot.clip.empty() || shot.clip.find('\0') != std::string::npos)
        object.wrong("clip", "should be the path of a clip");
    else if (fs::path(shot.clip).is_relative() && !folder.empty())
        shot.clip = (fs::absolute(folder) / shot.clip).lexically_normal().string();
    shot.length = object.needInteger("length", 1, longestFilm);
    shot.still = object.flag("still", false);
    return shot;
}

Finish readFinish(const Json& json, JsonTrouble& trouble)
{
    JsonObject object(json, "finish", trouble);
    Finish finish;
    const std::string edges = object.text("edges", std::string(edgeName(finish.edges)));
    if (const auto mode = edgeFromName(edges))
        finish.edges = *mode;
    else
        object.wrong("edges", "is \"" + edges + "\", but should be mirror, extend or plain");
    const std::string cover = object.text("cover", std::string(coverName(finish.cover)));
    if (const auto mode = coverFromName(cover))
        finish.cover = *mode;
    else
        object.wrong("cover", "is \"" + cover + "\", but should be off or constant");
    const std::string plain = object.text("plain", "#000000");
    unsigned r = 0;
    unsigned g = 0;
    unsigned b = 0;
    char rest = 0;
    if (plain.size() != 7 || std::sscanf(plain.c_str(), "#%2x%2x%2x%c", &r, &g, &b, &rest) != 3)
        object.wrong("plain", "is \"" + plain + "\", but should be a colour such as #1a2b3c");
    finish.plain = {static_cast<std::uint8_t>(r), static_cast<std::uint8_t>(g), static_cast<std::uint8_t>(b)};
    return finish;
}

Project readProject(const Json& json, const std::string& folder, JsonTrouble& trouble)
{
    JsonObject object(json, "", trouble);
    Project project;
    object.find("vember");
    if (const Json* frame = object.need("frame")) {
        JsonObject size(*frame, "frame", trouble);
        project.width = static_cast<int>(size.needInteger("width", 1, 32768));
        project.height = static_cast<int>(size.needInteger("height", 1, 32768));
    }
    const std::string rate = object.needText("rate");
    if (const auto known = rateFromText(rate))
        project.rate = *known;
    else
        object.wrong("rate",
                     "is \"" + rate + "\", but should be a fraction such as \"24000/1001\", 1 to 1000 a second");
    readList(object, "shots", trouble, [&](const Json& shot, const std::string& where) {
        if (project.shot)
            trouble.add(ErrorCode::unsupported, where, "is a second shot; this version plays one");
        else
            project.shot = readShot(shot, where, folder, trouble);
    });
    readList(object, "recipes", trouble, [&](const Json& item, const std::string& where) {
        Recipe recipe = readRecipe(item, where, trouble);
        if (project.recipeNamed(recipe.name) != nullptr)
            trouble.add(ErrorCode::badValue, where + ".name",
                        "is \"" + recipe.name + "\", as another recipe's is already");
        project.addRecipe(std::move(recipe));
    });
    StrikeId id = 0;
    readList(object, "strikes", trouble, [&](const Json& item, const std::string& where) {
        Strike strike = readStrike(item, where, project, trouble);
        strike.id = ++id;
        project.strikes.push_back(std::move(strike));
    });
    project.sortStrikes();
    if (const Json* finish = object.find("finish"))
        project.finish = readFinish(*finish, trouble);
    return project;
}

} // namespace

std::string projectToJson(const Project& project, const std::string& folder)
{
    Json json;
    json["vember"] = projectVersion;
    json["frame"] = {{"width", project.width}, {"height", project.height}};
    json["rate"] = std::to_string(project.rate.num()) + "/" + std::to_string(project.rate.den());
    json["shots"] = Json::array();
    if (project.shot) {
        Json shot{{"clip", relativeTo(project.shot->clip, folder)}, {"length", project.shot->length}};
        if (project.shot->still)
            shot["still"] = true;
        json["shots"].push_back(std::move(shot));
    }
    json["recipes"] = Json::array();
    for (const Recipe& recipe : project.recipes)
        json["recipes"].push_back(toJson(recipe));
    json["strikes"] = Json::array();
    for (const Strike& strike : project.strikes)
        json["strikes"].push_back(toJson(strike, project));
    json["finish"] = {{"edges", edgeName(project.finish.edges)},
                      {"plain", colourText(project.finish.plain)},
                      {"cover", coverName(project.finish.cover)}};
    // Names that are not UTF-8 (old file names) are kept readable rather than refused.
    return json.dump(2, ' ', false, Json::error_handler_t::replace) + "\n";
}

Result<Project> projectFromJson(std::string_view text, const std::string& folder, const std::string& name)
{
    JsonTrouble trouble(name);
    try {
        const Json json = Json::parse(text);
        if (!json.is_object() || !json.contains("vember"))
            return Error{ErrorCode::badFormat, name, "it is JSON, but not a Vast Ember project: \"vember\" is missing"};
        const Json& version = json["vember"];
        if (!version.is_number_integer() || version.get<double>() != projectVersion)
            return Error{ErrorCode::unsupported, name,
                         "it has format version " + version.dump() + ", and this program reads version " +
                             std::to_string(projectVersion)};
        Project project = readProject(json, folder, trouble);
        if (trouble.error())
            return *trouble.error();
        return project;
    } catch (const Json::exception& e) {
        std::string what = e.what();
        if (const auto end = what.find("] "); end != std::string::npos) // drops the library's own error number
            what = what.substr(end + 2);
        return Error{ErrorCode::badFormat, name, what};
    }
}

Result<Project> loadProject(const std::string& path)
{
    std::error_code error;
    if (!fs::exists(path, error))
        return Error{ErrorCode::notFound, path, ""};
    if (fs::is_directory(path, error))
        return Error{ErrorCode::unreadable, path, "it is a folder"};
    if (fs::file_size(path, error) > largestFile)
        return Error{ErrorCode::badFormat, path, "it is far too large for a project"};
    std::ifstream file(path, std::ios::binary);
    std::ostringstream text;
    text << file.rdbuf();
    if (!file)
        return Error{ErrorCode::unreadable, path, std::strerror(errno)};
    const fs::path folder = fs::absolute(path).parent_path();
    return projectFromJson(text.str(), folder.string(), path);
}

Status saveProject(const Project& project, const std::string& path)
{
    return writeFileSafely(path, projectToJson(project, fs::absolute(path).parent_path().string()));
}

Status writeFileSafely(const std::string& path, std::string_view text)
{
    const fs::path target(path);
    const std::string part =
        (target.parent_path() / ("." + target.filename().string() + "." + std::to_string(::getpid()) + ".part"))
            .string();
    const int file = ::open(part.c_str(), O_WRONLY | O_CREAT | O_TRUNC | O_CLOEXEC, 0666);
    int trouble = file < 0 ? errno : 0;
    for (std::size_t done = 0; trouble == 0 && done < text.size();) {
        const auto wrote = ::write(file, text.data() + done, text.size() - done);
        if (wrote <= 0)
            trouble = wrote == 0 ? ENOSPC : errno;
        else
            done += static_cast<std::size_t>(wrote);
    }
    if (trouble == 0 && ::fsync(file) != 0)
        trouble = errno;
    if (file >= 0 && ::close(file) != 0 && trouble == 0)
        trouble = errno;
    if (trouble == 0 && std::rename(part.c_str(), path.c_str()) != 0)
        trouble = errno;
    if (trouble == 0)
        return Done{};
    if (file >= 0)
        ::unlink(part.c_str());
    return Error{ErrorCode::unwritable, path, std::strerror(trouble)};
}

} // namespace ember
