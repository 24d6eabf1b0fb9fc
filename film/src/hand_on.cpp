// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/film/hand_on.h"

#include <algorithm>
#include <filesystem>

#include "ember/core/motion.h"
#include "ember/core/text.h"
#include "ember/exchange/playable.h"
#include "ember/exchange/reel.h"
#include "ember/film/film_inputs.h"
#include "ember/film/film_reader.h"
#include "ember/media/film_writer.h"
#include "ember/project/file.h"
#include "ember/render/frame.h"

namespace ember {

namespace fs = std::filesystem;

namespace {

constexpr std::array<std::string_view, handFormatNames.size()> endings{
    ".csv", ".json", ".gltf", ".usda", ".otio", ".css", ".html", ".svg", ".lot", ".vtt", ".mid", ".pdf", ".json"};

Error cannot(const Phrase& what, const Phrase& why)
{
    return {ErrorCode::unwritable, what, why};
}

/// A frame of the film as it is, as a data: address; empty where the film cannot be opened.
std::string pictureOf(const Project& project, std::int64_t frame)
{
    constexpr int widest = 640;
    auto clip = openFilm(project);
    if (!clip)
        return {};
    const Frame shown{std::clamp<std::int64_t>(frame, 0, project.length() - 1)};
    auto source = clip.value()->frame(shown, project.rate);
    if (!source)
        return {};
    const int width = std::min(widest, project.width);
    const int height = std::max(1, static_cast<int>(std::lround(1.0 * width * project.height / project.width)));
    const ImagePtr small = renderFrame(source.value(), plainLook(project), width, height);
    const auto bytes = pngOf(*small);
    return bytes ? dataAddress("image/png", bytes.value()) : std::string();
}

/// `few`: the keys of each channel, where the file has these and their number can be told.
std::vector<Phrase> notesOf(const HandedMotion& motion, const std::vector<CurveKeys>& few)
{
    std::vector<Phrase> notes;
    if (few.empty()) {
        notes.push_back({"{} frames.", motion.frames()});
    } else {
        const KeyCount count = countOf(few, motion);
        notes.push_back({"{} frames, {} keys instead of {}.", motion.frames(), count.keys, count.dense});
    }
    if (motion.farthestOff > 0.05)
        notes.push_back({"Pan and tilt with it: a camera shows a corner up to {} px beside its place.",
                         std::to_string(static_cast<int>(std::ceil(motion.farthestOff * 10)) / 10.0).substr(0, 4)});
    return notes;
}

bool anyDeep(const HandedMotion& motion)
{
    return std::any_of(motion.poses.begin(), motion.poses.end(),
                       [](const Pose& p) { return p.pan != 0 || p.tilt != 0; });
}

/// The one that all strikes use; null where they use several, or there is none.
const Recipe* onlyRecipe(const Project& project)
{
    if (project.strikes.empty())
        return nullptr;
    const RecipeId id = project.strikes.front().recipe;
    const bool same = std::all_of(project.strikes.begin(), project.strikes.end(),
                                  [id](const Strike& strike) { return strike.recipe == id; });
    return same ? project.recipe(id) : nullptr;
}

Result<Handed> handedRecipe(const Project& project, const HandingOn& how)
{
    const Overlap* overlap = &project.overlap;
    Recipe recipe;
    if (how.part.of == HandedOf::recipe) {
        const Recipe* named = project.recipe(how.part.id);
        if (named == nullptr)
            return cannot("The recipe", "it is not in the project (any more)");
        recipe = *named;
    } else if (how.part.of == HandedOf::strike) {
        const Strike* strike = project.strike(how.part.id);
        if (strike == nullptr || project.recipe(strike->recipe) == nullptr)
            return cannot("The strike", "it is not in the project (any more), or has no recipe");
        recipe = withOverrides(*project.recipe(strike->recipe), strike->overrides);
        if (const StrikeGroup* group = project.group(strike->group))
            overlap = &group->overlap;
    } else if (const Recipe* only = onlyRecipe(project)) {
        recipe = *only;
    } else {
        return cannot("A recipe to be played", "it is of one recipe or one strike: say which");
    }
    if (recipe.strands.empty())
        return cannot(recipe.name, "it has no strands, so there is nothing to export");
    return Handed{playableRecipe(recipe, *overlap, project),
                  "Play it with vast_ember.hpp or vast_ember.mjs of the folder runtime."};
}

/// How each shot moves, by its place in the film; frames count from its own first. None where nothing of it moves.
Result<ReelMotions> motionsOfShots(const Project& project, const HandingOn& how, const Stopped& stopped)
{
    ReelMotions motions(project.shots.size());
    std::int64_t first = 0;
    for (std::size_t i = 0; i < project.shots.size(); ++i) {
        HandingOn one = how;
        one.part = {HandedOf::shot, project.shots[i].id};
        one.frameOffset = how.frameOffset - first;
        first += project.shots[i].length;
        if (project.shots[i].gap())
            continue;
        auto motion = handedMotion(project, one);
        if (!motion && motion.error().code == ErrorCode::badValue) // of numbers asked for
            return motion.error();
        if (!motion)
            continue;
        motion->stopped = stopped;
        motions[i] = std::move(motion).value();
    }
    return motions;
}

Result<Handed> handedReel(const Project& project, HandFormat format, const HandingOn& how, const Stopped& stopped)
{
    if (how.part.of != HandedOf::film)
        return cannot("A timeline", "it is of the whole film, not of a part");
    if (project.length() < 1)
        return cannot("The project", "it has no clip, so it has no frames to export");
    const std::string clip = project.firstClip();
    if (format == HandFormat::otio) {
        const auto motions = motionsOfShots(project, how, stopped);
        if (!motions)
            return motions.error();
        const auto moving =
            std::count_if(motions->begin(), motions->end(), [](const auto& m) { return m.has_value(); });
        Handed out{reelToOtio(how.gentle ? gentled(project) : project, fs::path(clip).stem().string(), motions.value()),
                   Phrase("{} of {} shots move.", moving, project.shots.size())};
        if (stopped && stopped())
            return Error{ErrorCode::cancelled, "The export", ""};
        return out;
    }
    if (project.strikes.empty())
        return cannot("The project", "it has no strikes, so there is nothing to export");
    return Handed{
        strikesToText(format == HandFormat::vtt ? ListFormat::vtt : ListFormat::midi, listOf(project), project.rate),
        {}};
}

Result<Handed> handedSheet(const Project& asked, const HandingOn& how, const std::string& ending)
{
    const SheetFormat format = ending == ".svg"   ? SheetFormat::svg
                               : ending == ".png" ? SheetFormat::png
                                                  : SheetFormat::pdf;
    if (!ending.empty() && ending != ".svg" && ending != ".png" && ending != ".pdf")
        return Error{ErrorCode::unsupported, Phrase("A sheet that ends in {}", ending), "it is .svg, .pdf or .png"};
    const Project project = how.gentle ? gentled(asked) : asked;
    std::vector<StrikeId> strikes{how.part.id};
    if (how.part.of == HandedOf::film) { // a page for each
        strikes.clear();
        for (const Strike& strike : project.strikes)
            strikes.push_back(strike.id);
        if (strikes.empty())
            return cannot("The project", "it has no strikes, so there is nothing to export");
        if (strikes.size() > 1 && format != SheetFormat::pdf)
            return cannot("A shake sheet", "only PDF has pages for all strikes: say which one, or give a folder");
    } else if (how.part.of != HandedOf::strike) {
        return cannot("A shake sheet", "it is of one strike or of all of the film's: say which");
    }
    std::vector<ShakeSheet> sheets;
    std::optional<Error> first;
    for (const StrikeId strike : strikes) {
        auto sheet = sheetOf(project, strike);
        if (sheet)
            sheets.push_back(std::move(sheet).value());
        else if (!first) // one that moves nothing does not stop the others
            first = sheet.error();
    }
    if (sheets.empty())
        return *first;
    auto bytes = drawSheets(sheets, format);
    if (!bytes)
        return bytes.error();
    return Handed{std::move(bytes).value(),
                  std::to_string(sheets.size()) + (sheets.size() == 1 ? " page, A4 across." : " pages, A4 across.")};
}

} // namespace

std::optional<HandFormat> handFormatFromName(std::string_view name)
{
    for (std::size_t i = 0; i < handFormatNames.size(); ++i)
        if (handFormatNames[i] == name)
            return static_cast<HandFormat>(i);
    return std::nullopt;
}

std::string_view endingOf(HandFormat format)
{
    return endings[static_cast<std::size_t>(format)];
}

bool isOfFilm(HandFormat format)
{
    return format == HandFormat::otio || format == HandFormat::vtt || format == HandFormat::midi;
}

bool tellsMotion(HandFormat format)
{
    return format != HandFormat::vtt && format != HandFormat::midi && format != HandFormat::sheet &&
           format != HandFormat::recipe;
}

std::optional<HandedAs> onlyAs(HandFormat format)
{
    switch (format) {
    case HandFormat::gltf: return HandedAs::camera;
    case HandFormat::css:
    case HandFormat::page:
    case HandFormat::svg:
    case HandFormat::lottie:
    case HandFormat::otio: return HandedAs::layer;
    default: return std::nullopt;
    }
}

Result<Handed> handed(const Project& project, HandFormat format, const HandingOn& asked, const std::string& ending,
                      const Stopped& stopped)
{
    HandingOn how = asked;
    if (const auto as = onlyAs(format))
        how.as = *as;
    if (format == HandFormat::recipe)
        return handedRecipe(project, how);
    if (format == HandFormat::sheet)
        return handedSheet(project, how, ending);
    if (isOfFilm(format))
        return handedReel(project, format, how, stopped);
    auto motion = handedMotion(project, how);
    if (!motion)
        return motion.error();
    motion->stopped = stopped;
    const bool table = format == HandFormat::csv || format == HandFormat::json;
    const auto few = table && how.sparse ? handedKeys(motion.value()) : std::vector<CurveKeys>();
    Handed out;
    std::vector<Phrase> notes = notesOf(motion.value(), few);
    const std::int64_t shown = motion->first - how.frameOffset;
    std::optional<HandedMotion> gentle;
    if ((format == HandFormat::css || format == HandFormat::page) && !how.gentle) {
        HandingOn other = how;
        other.gentle = true;
        if (auto made = handedMotion(project, other)) { // none where nothing of it moves
            gentle = std::move(made).value();
            gentle->stopped = stopped;
        }
    }
    const HandedMotion* less = gentle ? &*gentle : nullptr;
    const auto picture = [&] { return pictureOf(project, how.part.of == HandedOf::recipe ? 0 : shown); };
    switch (format) {
    case HandFormat::csv: out.bytes = handedToCsv(motion.value(), few); break;
    case HandFormat::json: out.bytes = handedToJson(motion.value(), few); break;
    case HandFormat::gltf: out.bytes = handedToGltf(motion.value()); break;
    case HandFormat::css: out.bytes = handedToCss(motion.value(), less); break;
    case HandFormat::page: out.bytes = handedToPage(motion.value(), less, picture()); break;
    case HandFormat::usd: out.bytes = handedToUsd(motion.value()); break;
    case HandFormat::lottie:
        out.bytes = handedToLottie(motion.value(), picture());
        if (anyDeep(motion.value()))
            notes.emplace_back("Lottie has no depth: pan and tilt are left out.");
        break;
    default:
        out.bytes = handedToSvg(motion.value(), picture());
        if (anyDeep(motion.value()))
            notes.emplace_back("SVG has no depth: pan and tilt are left out.");
    }
    if (stopped && stopped())
        return Error{ErrorCode::cancelled, "The export", ""};
    out.note = Phrase::joined(notes, " ");
    return out;
}

Status mayBeWritten(const Project& project, const std::string& out, bool overwrite, const std::string& projectPath)
{
    std::error_code ignored;
    if (out.empty() || out.ends_with('/') || fs::is_directory(out, ignored))
        return cannot(out.empty() ? "The file" : out, "a file's name is wanted here");
    return guardOf(project, projectPath).mayWrite(out, overwrite, "");
}

Result<Phrase> handOn(const Project& project, HandFormat format, const HandingOn& how, const std::string& out,
                      bool overwrite, const std::string& projectPath)
{
    if (const Status may = mayBeWritten(project, out, overwrite, projectPath); !may)
        return may.error();
    const auto made = handed(project, format, how, fileEnding(out));
    if (!made)
        return made.error();
    if (const Status written = writeFileSafely(out, made->bytes); !written)
        return written.error();
    return made->note;
}

Result<std::vector<std::string>> handOnAll(const Project& project, HandFormat format, const HandingOn& how,
                                           const std::string& folder, const std::string& ending, bool overwrite,
                                           const Progress& progress, const std::string& projectPath)
{
    if (format != HandFormat::sheet && format != HandFormat::recipe)
        return cannot(folder, "only sheets and recipes are written into a folder, one file for each");
    struct Entry {
        HandedPart part;
        std::string name;
    };
    std::vector<Entry> entries;
    if (format == HandFormat::sheet) {
        for (const Strike& strike : project.strikes)
            entries.push_back({{HandedOf::strike, strike.id},
                               strike.name.empty() ? std::string(kindName(strike.kind)) : strike.name});
    } else {
        for (const Recipe& recipe : project.recipes)
            entries.push_back({{HandedOf::recipe, recipe.id}, recipe.name});
    }
    if (entries.empty())
        return cannot("The project", format == HandFormat::sheet ? "it has no strikes, so there is nothing to export"
                                                                 : "it has no recipes, so there is nothing to export");
    std::error_code trouble;
    fs::create_directories(folder, trouble);
    if (!fs::is_directory(folder, trouble))
        return Error{ErrorCode::unwritable, folder, "the folder cannot be made"};
    const OutputGuard guard = guardOf(project, projectPath);
    std::vector<std::string> names;
    for (std::size_t i = 0; i < entries.size(); ++i) {
        const std::string number = std::to_string(i + 1);
        names.push_back(std::string(number.size() < 2 ? 2 - number.size() : 0, '0') + number + "-" +
                        slugOf(entries[i].name).substr(0, 60) +
                        (ending.empty() ? std::string(endingOf(format)) : ending));
        if (const Status may = guard.mayWrite((fs::path(folder) / names.back()).string(), overwrite, ""); !may)
            return may.error();
    }
    std::vector<std::string> written;
    for (std::size_t i = 0; i < entries.size(); ++i) {
        if (!goesOn(progress, static_cast<double>(i) / static_cast<double>(entries.size())))
            return Error{ErrorCode::cancelled, "The export", ""};
        HandingOn one = how;
        one.part = entries[i].part;
        const std::string out = (fs::path(folder) / names[i]).string();
        const auto made = handed(project, format, one, fileEnding(out));
        if (!made && made.error().code == ErrorCode::unwritable) // one that moves nothing does not stop the others
            continue;
        if (!made)
            return made.error();
        if (const Status done = writeFileSafely(out, made->bytes); !done)
            return done.error();
        written.push_back(names[i]);
    }
    if (written.empty())
        return cannot("The project", "nothing of it moves, so there is nothing to export");
    return written;
}

} // namespace ember
