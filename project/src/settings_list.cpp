// SPDX-License-Identifier: GPL-3.0-or-later
// Every setting of a project with its value, as it can be set again.
#include "ember/project/settings.h"

#include <algorithm>
#include <array>
#include <charconv>

#include "ember/core/values.h"
#include "ember/project/shot_edits.h"
#include "setting_texts.h"

namespace ember {

namespace {

std::string_view easeText(Ease ease)
{
    return easeWords[static_cast<std::size_t>(ease)];
}

std::string number(double value)
{
    return valueText(FieldSpec{}, value);
}

template <typename List, typename Text>
std::string listText(const List& list, Text text)
{
    std::string all;
    for (const auto& item : list)
        all += (all.empty() ? "" : ",") + text(item);
    return all;
}

template <typename Part>
void addValues(std::vector<Setting>& list, const std::string& prefix, const Part& part)
{
    for (const Value& value : valuesOf(part))
        list.emplace_back(prefix + std::string(value.key), valueText(*value.spec, value.value));
}

std::string motionText(const MotionLoop& motion)
{
    return motion.empty() ? "none" : motion.kept().name;
}

std::string curveOrNone(const CurveKeys* keys)
{
    return keys == nullptr || keys->empty() ? "none" : curveText(*keys);
}

void addRecipe(std::vector<Setting>& list, const Recipe& recipe)
{
    const std::string prefix = "recipe." + recipe.name + ".";
    for (const std::string& key : keysOf(recipe))
        list.emplace_back(prefix + key, valueText(*specOfValue(recipe, key), readValue(recipe, key).value_or(0)));
    for (const Strand& strand : recipe.strands) {
        if (const auto* captured = std::get_if<Captured>(&strand.source))
            list.emplace_back(prefix + "strand." + strand.name + ".motion", motionText(captured->motion));
        if (const auto* drawn = std::get_if<Drawn>(&strand.source))
            for (const Axis axis : allAxes)
                list.emplace_back(prefix + "strand." + strand.name + ".keys." + std::string(axisName(axis)),
                                  curveText(drawn->keys[static_cast<std::size_t>(axis)]));
    }
    for (const std::string& key : curveKeysOf(recipe))
        list.emplace_back(prefix + key + ".curve", curveOrNone(curveOf(recipe, key)));
}

void addStrike(std::vector<Setting>& list, const Project& project, const Strike& strike, std::size_t number)
{
    const std::string prefix = "strike." + std::to_string(number) + ".";
    const Recipe* recipe = project.recipe(strike.recipe);
    list.emplace_back(prefix + "frame", std::to_string(strike.frame.index));
    list.emplace_back(prefix + "kind", kindName(strike.kind));
    list.emplace_back(prefix + "name", strike.name);
    addValues(list, prefix, strike);
    list.emplace_back(prefix + "direction",
                      strike.direction ? valueText(strikefield::direction, *strike.direction) : "seed");
    list.emplace_back(prefix + "place", strike.place ? placeText(*strike.place) : "none");
    if (strike.place)
        addValues(list, prefix + "place.", *strike.place);
    list.emplace_back(prefix + "recipe", recipe != nullptr ? recipe->name : "");
    list.emplace_back(prefix + "group", strike.group);
    if (recipe == nullptr)
        return;
    const Recipe own = withOverrides(*recipe, strike.overrides);
    for (const auto& [key, value] : strike.overrides.all())
        if (const FieldSpec* spec = specOfValue(own, key))
            list.emplace_back(std::string(prefix).append("own.").append(key), valueText(*spec, value));
    for (const auto& [strand, keys] : strike.overrides.drawn())
        for (const Axis axis : allAxes)
            list.emplace_back(std::string(prefix) + "own.strand." + strand + ".keys." + std::string(axisName(axis)),
                              curveText(keys[static_cast<std::size_t>(axis)]));
    for (const auto& [key, keys] : strike.overrides.curves().all())
        list.emplace_back(std::string(prefix).append("own.").append(key).append(".curve"), curveOrNone(&keys));
}

} // namespace

std::vector<Setting> settingsOf(const Project& project)
{
    std::vector<Setting> list;
    list.emplace_back("timecode", timecodeOf(0, project.clock, project.rate));
    addValues(list, "sound.", project.sound);
    if (project.beats) {
        addValues(list, "beats.", *project.beats);
        list.emplace_back("beats.pins",
                          project.beats->pins.empty() ? "none" : listText(project.beats->pins, [](const BeatPin& pin) {
                              return std::to_string(pin.beat) + ":" + number(pin.seconds);
                          }));
    }
    addValues(list, "gentle.", project.gentle);
    addValues(list, "world.", project.world);
    list.emplace_back("world.camera", listText(project.world.camera, [](const CameraKey& k) {
                          return std::to_string(k.frame.index) + ":" + number(k.at.x) + ":" + number(k.at.y) + ":" +
                                 number(k.at.z) + ":" + number(k.heading);
                      }));
    addValues(list, "overlap.", project.overlap);
    for (const StrikeGroup& group : project.groups)
        addValues(list, "group." + group.name + ".", group.overlap);
    std::vector<SettleMark> settles = project.settles; // without those of strikes that are gone
    std::erase_if(settles, [&](const SettleMark& m) { return m.strike != 0 && project.strike(m.strike) == nullptr; });
    list.emplace_back("settles", listText(settles, [&](const SettleMark& m) {
                          const auto of = std::find_if(project.strikes.begin(), project.strikes.end(),
                                                       [&](const Strike& strike) { return strike.id == m.strike; });
                          return std::to_string(m.frame.index) +
                                 (m.mode == SettleMode::cut ? ":cut" : ":ease:" + number(m.frames)) +
                                 (m.strike != 0     ? ":strike." + std::to_string(of - project.strikes.begin() + 1)
                                  : m.group.empty() ? std::string()
                                                    : ":group." + listName(m.group));
                      }));
    list.emplace_back("drift.motion", motionText(project.drift.captured.motion));
    addValues(list, "drift.", project.drift);
    list.emplace_back("drift.rate_keys", curveOrNone(&project.drift.rateKeys));
    list.emplace_back("drift.level_keys", curveOrNone(&project.drift.levelKeys));
    addValues(list, "master.", project.master);
    list.emplace_back("master.keys", listText(project.master.keys, [](const IntensityKey& k) {
                          return std::to_string(k.frame.index) + ":" + number(k.value) + ":" +
                                 std::string(easeText(k.ease));
                      }));
    for (const ColourName& one : colourNames)
        if (project.colours.managed() || one.name == &ColourSetup::config)
            list.emplace_back("colours." + std::string(one.key), project.colours.*one.name);
    for (std::size_t i = 0; i < project.shots.size(); ++i) {
        const Shot& shot = project.shots[i];
        const std::string prefix = "shot." + std::to_string(i + 1) + ".";
        list.emplace_back(prefix + "length", std::to_string(shot.length));
        if (shot.available > 0) {
            list.emplace_back(prefix + "in", number(shot.in));
            list.emplace_back(prefix + "speed", number(shot.speed));
        }
        if (shot.gap())
            continue;
        list.emplace_back(prefix + "colour",
                          std::string(shotfield::colour.choices[static_cast<std::size_t>(shot.colour)]));
        if (project.colours.managed())
            list.emplace_back(prefix + "space", shot.space);
        list.emplace_back(prefix + "framing",
                          std::string(shotfield::framing.choices[static_cast<std::size_t>(shot.framing.how)]));
        if (shot.framing.how == Framing::How::place) {
            list.emplace_back(prefix + "framing_x", number(shot.framing.x));
            list.emplace_back(prefix + "framing_y", number(shot.framing.y));
            list.emplace_back(prefix + "framing_size", number(shot.framing.size));
            list.emplace_back(prefix + "framing_keys", listText(shot.framing.keys, [](const FramingKey& k) {
                                  return std::to_string(k.frame.index) + ":" + number(k.x) + ":" + number(k.y) + ":" +
                                         number(k.size) + ":" + std::string(easeText(k.ease));
                              }));
        }
    }
    if (!project.shots.empty())
        list.emplace_back("move", listText(filmMove(project), [](const MoveKey& k) {
                              return std::to_string(k.frame.index) + ":" + number(k.x) + ":" + number(k.y) + ":" +
                                     number(k.zoom) + ":" + number(k.roll) + ":" + std::string(easeText(k.ease));
                          }));
    addValues(list, "finish.", project.finish);
    list.emplace_back("finish.plain", colourText(project.finish.plain));
    for (std::size_t i = 0; i < project.layers.size(); ++i) {
        const std::string prefix = "layer." + std::to_string(i + 1) + ".";
        list.emplace_back(prefix + "picture", project.layers[i].picture);
        list.emplace_back(prefix + "name", project.layers[i].name);
        addValues(list, prefix, project.layers[i]);
    }
    for (const Recipe& recipe : project.recipes)
        addRecipe(list, recipe);
    for (std::size_t i = 0; i < project.strikes.size(); ++i)
        addStrike(list, project, project.strikes[i], i + 1);
    return list;
}

} // namespace ember
