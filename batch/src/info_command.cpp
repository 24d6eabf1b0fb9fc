// SPDX-License-Identifier: GPL-3.0-or-later
#include <map>
#include <ostream>

#include "ember/json/json.h"

#include "command.h"
#include "ember/core/cover.h"
#include "ember/core/values.h"
#include "ember/film/on_all_threads.h"
#include "ember/project/file.h"

namespace ember {

namespace {

class InfoCommand final : public Command {
public:
    void declare(CLI::App& app) override
    {
        app.add_option("PROJECT", path_, "The project, NAME.vember")->required();
        app.add_flag("--brief", brief_, "Without the lists of shots, strikes, recipes, groups and settle marks");
    }

    Status run(const BatchStreams& streams) override
    {
        const auto loaded = loadProject(path_);
        if (!loaded)
            return loaded.error();
        const Project& project = loaded.value();
        const Motion motion(project);
        const Cover cover = coverOf(project, motion, onAllThreads());
        Json json;
        json["size"] = {{"width", project.width}, {"height", project.height}};
        json["rate"] = std::to_string(project.rate.num()) + "/" + std::to_string(project.rate.den());
        json["frames"] = project.length();
        json["clip"] = project.shots.empty() ? Json(nullptr) : Json(project.firstClip());
        if (brief_) {
            json["shot_count"] = project.shots.size();
            json["strike_count"] = project.strikes.size();
            json["recipe_count"] = project.recipes.size();
        } else {
            addLists(json, project);
        }
        json["overlap"] = describe(project.overlap);
        json["drift"] = project.drift.on;
        json["intensity_keys"] = project.master.keys.size();
        json["bypass"] = project.master.bypass;
        json["finish"] = {{"edges", edgeName(project.finish.edges)}, {"cover", coverName(project.finish.cover)}};
        // No zoom at all can hide the border when the picture's middle is thrown out; JSON has no infinity.
        json["cover"] = {{"zoom", cover.zoom},
                         {"needed", std::isfinite(cover.needed) ? Json(cover.needed) : Json(nullptr)},
                         {"worst_frame", cover.worstFrame}};
        streams.out << json.dump(2, ' ', false, Json::error_handler_t::replace) << '\n';
        return Done{};
    }

private:
    static void addLists(Json& json, const Project& project)
    {
        json["shots"] = Json::array();
        ShotPlace place;
        for (; place.index < project.shots.size(); ++place.index) {
            place.first = place.end;
            place.end += project.shots[place.index].length;
            json["shots"].push_back(describe(project, place));
        }
        json["strikes"] = Json::array();
        std::map<RecipeId, std::int64_t> used;
        for (const Strike& strike : project.strikes) {
            json["strikes"].push_back(describe(project, strike));
            ++used[strike.recipe];
        }
        json["recipes"] = Json::array();
        for (const Recipe& recipe : project.recipes)
            json["recipes"].push_back(describe(recipe, used[recipe.id]));
        json["groups"] = Json::array();
        for (const StrikeGroup& group : project.groups)
            json["groups"].push_back({{"name", group.name}, {"overlap", describe(group.overlap)}});
        json["settles"] = Json::array();
        for (const SettleMark& mark : project.settles)
            json["settles"].push_back(describe(project, mark));
    }

    static Json describe(const Project& project, const SettleMark& mark)
    {
        const bool cut = mark.mode == SettleMode::cut;
        Json json{{"frame", mark.frame.index},
                  {"mode", cut ? "cut" : "ease"},
                  {"frames", cut ? 0 : mark.frames},
                  {"group", mark.group.empty() ? Json(nullptr) : Json(mark.group)},
                  {"strike", nullptr}};
        for (std::size_t i = 0; i < project.strikes.size(); ++i)
            if (project.strikes[i].id == mark.strike)
                json["strike"] = i + 1;
        return json;
    }

    /// What a recipe has beside single values: the keys of its curves and how many keys were drawn by hand.
    static void addShape(Json& json, const Recipe& recipe)
    {
        json["curves"] = Json::array();
        for (const std::string& key : curveKeysOf(recipe))
            if (curveOf(recipe, key) != nullptr)
                json["curves"].push_back(key);
        std::size_t drawn = 0;
        for (const Strand& strand : recipe.strands)
            if (const auto* source = std::get_if<Drawn>(&strand.source))
                for (const CurveKeys& keys : source->keys)
                    drawn += keys.size();
        json["hand_keys"] = drawn;
        json["play_rate"] = recipe.playRate;
        json["pivot"] = valueText(*specOfValue(recipe, "pivot"), *readValue(recipe, "pivot"));
    }

    static Json describe(const Project& project, const Strike& strike)
    {
        const ArrivalOf arrival = arrivalOf(project, strike);
        const Envelope envelope = envelopeOf(project, strike);
        const Recipe* recipe = project.recipe(strike.recipe);
        const auto frame = static_cast<double>(arrival.felt.index);
        Json json{{"frame", strike.frame.index},
                  {"kind", kindName(strike.kind)},
                  {"name", strike.name},
                  {"strength", strike.strength},
                  {"direction", strike.direction ? Json(*strike.direction) : Json(nullptr)},
                  {"seed", strike.seed},
                  {"recipe", recipe != nullptr ? recipe->name : ""},
                  {"locked", strike.locked},
                  {"pinned", strike.pinned},
                  {"on_cut", project.boundToCut(strike)},
                  {"group", strike.group},
                  {"place", strike.place ? Json(placeText(*strike.place)) : Json(nullptr)},
                  {"felt_frame", arrival.felt.index},
                  {"felt_strength", strike.strength * arrival.share},
                  {"distance", arrival.distance},
                  {"own", Json::array()},
                  {"peak_frame", frame + envelope.peak()},
                  {"end_frame", frame + envelope.end()}};
        for (const auto& [key, value] : strike.overrides.all())
            json["own"].push_back(key);
        for (const auto& [strand, keys] : strike.overrides.drawn())
            json["own"].push_back("strand." + strand + ".keys");
        for (const auto& [key, curve] : strike.overrides.curves().all())
            json["own"].push_back(key + ".curve");
        addShape(json, recipeAsSet(project, strike));
        return json;
    }

    static Json describe(const Project& project, const ShotPlace& place)
    {
        const Shot& shot = project.shots[place.index];
        return {{"clip", shot.gap() ? Json(nullptr) : Json(shot.clip)},
                {"first", place.first},
                {"length", shot.length},
                {"in", shot.in},
                {"speed", shot.speed},
                {"trimmed_strikes", shot.trimmed.size()}};
    }

    static Json describe(const Overlap& overlap)
    {
        return {{"rule", overlapName(overlap.rule)}, {"ceiling", overlap.ceiling}, {"knee", overlap.knee}};
    }

    static Json describe(const Recipe& recipe, std::int64_t used)
    {
        Json strands = Json::array();
        for (const Strand& strand : recipe.strands)
            strands.push_back(strand.name);
        Json json{{"name", recipe.name}, {"strands", strands}, {"used_by", used}};
        addShape(json, recipe);
        return json;
    }

    std::string path_;
    bool brief_ = false;
};

} // namespace

std::unique_ptr<Command> makeInfoCommand()
{
    return std::make_unique<InfoCommand>();
}

} // namespace ember
