// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/project/settings.h"

#include <algorithm>

#include "ember/core/renamed.h"
#include "ember/core/values.h"
#include "ember/project/motion_library.h"
#include "ember/project/recipe_edits.h"
#include "ember/project/shot_edits.h"
#include "json_reader.h"
#include "setting_texts.h"

namespace ember {

namespace {

/// Makes settings one after the other and keeps the first error.
class Setter {
public:
    explicit Setter(Project project) : project_(std::move(project))
    {
        for (const Strike& strike : project_.strikes)
            strikes_.push_back(strike.id);
    }

    void set(const Setting& wanted)
    {
        if (error_)
            return;
        const Setting setting = asToday(wanted);
        setting_ = &setting;
        std::string_view key = setting.first;
        if (take(key, "overlap."))
            assign(project_.overlap, key);
        else if (key == "world.camera")
            setList<CameraKey>(project_.world.camera, cameraKeyFrom, "FRAME:X:Y:Z:HEADING, …");
        else if (take(key, "world."))
            assign(project_.world, key);
        else if (take(key, "gentle."))
            assign(project_.gentle, key);
        else if (take(key, "group."))
            setGroup(key);
        else if (key == "timecode")
            setClock();
        else if (key == "drift.rate_keys")
            setKeys(project_.drift.rateKeys, 0, mostDriftRate);
        else if (key == "drift.level_keys")
            setKeys(project_.drift.levelKeys, -mostDriftLevel, mostDriftLevel);
        else if (key == "drift.motion")
            setDriftMotion();
        else if (take(key, "drift."))
            assign(project_.drift, key);
        else if (key == "master.keys")
            setList<IntensityKey>(project_.master.keys, intensityKeyFrom,
                                  "FRAME:RATIO:EASE,…, such as 0:1:smooth,48:0.5");
        else if (take(key, "master."))
            assign(project_.master, key);
        else if (key == "finish.plain")
            setColour();
        else if (take(key, "finish."))
            assign(project_.finish, key);
        else if (take(key, "layer."))
            setLayer(key);
        else if (take(key, "colours."))
            setColours(key);
        else if (take(key, "sound."))
            assign(project_.sound, key);
        else if (take(key, "beats."))
            setBeats(key);
        else if (key == "settles")
            setSettles();
        else if (key == "move" && !project_.shots.empty())
            setMove();
        else if (take(key, "shot."))
            setShot(key);
        else if (take(key, "recipe."))
            setRecipe(key);
        else if (take(key, "strike."))
            setStrikes(key);
        else
            unknown();
    }

    Result<Project> done()
    {
        if (error_)
            return *error_;
        project_.sortStrikes();
        return std::move(project_);
    }

private:
    /// A setting by an older name of its value.
    static Setting asToday(const Setting& setting)
    {
        const RenamedKey* renamed = renamedFrom(setting.first);
        if (renamed == nullptr)
            return setting;
        const auto old = numberFrom<double>(setting.second);
        return {currentKey(setting.first),
                renamed->factor != 1 && old ? shortestText(*old * renamed->factor) : setting.second};
    }
    static bool take(std::string_view& key, std::string_view prefix)
    {
        if (!key.starts_with(prefix))
            return false;
        key.remove_prefix(prefix.size());
        return true;
    }
    void wrong(const Phrase& wanted)
    {
        error_ = Error{ErrorCode::badValue, Phrase("{}={}", setting_->first, setting_->second),
                       Phrase("it should be {}", wanted)};
    }
    void setClock()
    {
        if (const auto clock = clockFrom(setting_->second, project_.rate))
            project_.clock = *clock;
        else
            wrong("the name of a frame, such as 01:00:00:00 (01:00:00;00 where names are dropped)");
    }
    void unknown() { error_ = Error{ErrorCode::badValue, setting_->first, "this project has no such value"}; }

    std::optional<double> valueFor(const FieldSpec& spec)
    {
        const auto value = valueFromText(spec, setting_->second);
        if (!value)
            wrong(valueWanted(spec));
        return value;
    }
    template <typename Part>
    void assign(Part& part, std::string_view key)
    {
        const FieldOf<Part>* field = fieldIn(part, key);
        if (field == nullptr)
            return unknown();
        if (const auto wanted = valueFor(*field->spec))
            field->set(part, *wanted);
    }
    template <typename Item>
    void setList(std::vector<Item>& list, std::optional<Item> (*read)(const std::vector<std::string_view>&),
                 const char* wanted)
    {
        if (auto items = listFrom<Item>(setting_->second, read))
            list = std::move(*items);
        else
            wrong(Phrase("{}, each frame once", std::string(wanted)));
    }

    void setSettles()
    {
        std::vector<SettleMark> marks;
        setList<SettleMark>(marks, settleFrom,
                            "FRAME:cut or FRAME:ease:FRAMES, with :strike.N or :group.NAME behind it for these alone");
        for (SettleMark& mark : marks)
            if (mark.strike > static_cast<StrikeId>(strikes_.size()))
                return wrong(Phrase("of strikes 1 to {}", strikes_.size()));
            else if (mark.strike != 0)
                mark.strike = strikes_[static_cast<std::size_t>(mark.strike) - 1];
        if (!error_)
            project_.settles = std::move(marks);
    }
    /// Keys of a curve with values in a range; "none" takes it away. False where something is wrong.
    bool setKeys(CurveKeys& keys, double min, double max)
    {
        CurveKeys read;
        if (setting_->second != "none")
            setList<CurveKey>(read, curveKeyFrom, "none, or FRAME:VALUE:EASE,…, with curve as its ease also :IN:OUT");
        for (const CurveKey& key : read)
            if (!error_ && !(key.value >= min && key.value <= max))
                wrong(Phrase("keys with values from {} to {}", shortestText(min), shortestText(max)));
        if (error_)
            return false;
        keys = std::move(read);
        return true;
    }
    /// "KEY.curve" of a value that may be one: take(key, keys).
    template <typename Take>
    bool setCurveOf(const Recipe& recipe, std::string_view key, Take&& take)
    {
        constexpr std::string_view suffix = ".curve";
        if (!key.ends_with(suffix))
            return false;
        key.remove_suffix(suffix.size());
        const FieldSpec* spec = curveSpecOf(recipe, key);
        if (spec == nullptr)
            return false;
        if (CurveKeys keys; setKeys(keys, spec->min, spec->max))
            take(key, std::move(keys));
        return true;
    }

    void setMove()
    {
        std::vector<MoveKey> keys;
        setList<MoveKey>(keys, moveKeyFrom, "FRAME:X:Y:ZOOM:ROLL:EASE, …");
        if (!error_)
            project_ = withFilmMove(std::move(project_), keys);
    }

    /// Null where the key is of no such value.
    static double* framingValue(Shot& shot, std::string_view key)
    {
        if (shot.gap())
            return nullptr;
        return key == "framing_x"      ? &shot.framing.x
               : key == "framing_y"    ? &shot.framing.y
               : key == "framing_size" ? &shot.framing.size
                                       : nullptr;
    }

    /// What belongs to the shot goes with it.
    void setShot(std::string_view key)
    {
        const auto dot = key.find('.');
        const auto which = numberFrom<std::size_t>(key.substr(0, dot));
        if (dot == std::string_view::npos || !which || *which < 1 || *which > project_.shots.size())
            return unknown();
        key.remove_prefix(dot + 1);
        std::vector<Shot> shots = project_.shots;
        Shot& shot = shots[*which - 1];
        if (key == "length") {
            const auto length = numberFrom<std::int64_t>(setting_->second);
            if (!length || *length < 1 || *length > std::max(shot.length, shot.longest()))
                return wrong(Phrase("whole frames, 1 to {}", std::max(shot.length, shot.longest())));
            shot.length = *length;
        } else if (key == "in" && shot.available > 0) {
            const auto in = numberFrom<double>(setting_->second);
            const double last = static_cast<double>(shot.available) - static_cast<double>(shot.length) * shot.speed;
            if (!in || !(*in >= 0 && *in <= std::max(0.0, last)))
                return wrong(
                    Phrase("a frame of the clip, 0 to {} with this length", shortestText(std::max(0.0, last))));
            shot.in = *in;
        } else if (key == "speed" && shot.available > 0) {
            if (const auto speed = valueFor(shotfield::speed))
                project_ = withShotSpeed(project_, shot.id, *speed);
            return;
        } else if (!shot.gap() && key == "framing") {
            if (const auto how = valueFor(shotfield::framing))
                shot.framing.how = static_cast<Framing::How>(*how);
        } else if (!shot.gap() && key == "colour") {
            if (const auto colour = valueFor(shotfield::colour))
                shot.colour = static_cast<ClipColour>(*colour);
        } else if (!shot.gap() && key == "framing_keys") {
            setList<FramingKey>(shot.framing.keys, framingKeyFrom,
                                "FRAME:X:Y:SIZE:EASE,… on frames of the clip, such as 0:-200:0:1,48:200:0:1");
            if (!shot.framing.keys.empty())
                shot.framing.how = Framing::How::place;
        } else if (!shot.gap() && key == "space") {
            shot.space = setting_->second;
        } else if (double* value = framingValue(shot, key)) {
            const FieldSpec& spec = key == "framing_x"   ? shotfield::framingX
                                    : key == "framing_y" ? shotfield::framingY
                                                         : shotfield::framingSize;
            if (const auto typed = valueFor(spec)) {
                *value = *typed;
                shot.framing.how = Framing::How::place; // or it would not be seen
            }
        } else {
            return unknown();
        }
        if (!error_)
            project_ = withShots(std::move(project_), std::move(shots));
    }

    /// A grid that is not there yet begins as 120 BPM.
    void setBeats(std::string_view key)
    {
        BeatGrid beats = project_.beats.value_or(BeatGrid());
        if (key != "pins")
            assign(beats, key);
        else if (auto pins = beatPinsFrom(setting_->second))
            beats.pins = std::move(*pins);
        else
            wrong("none, or BEAT:SECONDS,…, such as 16:8.25,32:15.9");
        if (!error_ && badPin(beats))
            wrong("one that leaves from 20 to 400 beats a minute between pinned beats");
        if (!error_)
            project_.beats = beats;
    }
    void setColour()
    {
        if (const auto colour = colourFromText(setting_->second))
            project_.finish.plain = *colour;
        else
            wrong("a colour such as #1a2b3c");
    }

    /// Whether the config has such a name is seen when it is opened.
    void setColours(std::string_view key)
    {
        const auto found =
            std::find_if(colourNames.begin(), colourNames.end(), [&](const ColourName& one) { return one.key == key; });
        if (found == colourNames.end())
            return unknown();
        project_.colours.*found->name = setting_->second;
    }

    /// A picture for the layer after the last adds one.
    void setLayer(std::string_view key)
    {
        const auto dot = key.find('.');
        const auto index = numberFrom<std::size_t>(key.substr(0, dot));
        const std::size_t count = project_.layers.size();
        if (dot == std::string_view::npos || !index || *index < 1 || *index > count + 1)
            return unknown();
        key.remove_prefix(dot + 1);
        if (*index == count + 1) {
            if (key != "picture")
                return unknown();
            Layer added;
            added.length = std::max<std::int64_t>(1, project_.length());
            project_.layers.push_back(added);
        }
        Layer& layer = project_.layers[*index - 1];
        const std::string& text = setting_->second;
        if (key == "name")
            layer.name = text;
        else if (key == "picture" && !text.empty())
            layer.picture = text;
        else if (key == "picture")
            wrong("the path of a picture");
        else
            assign(layer, key);
    }

    Overlap& groupNamed(const std::string& name)
    {
        for (StrikeGroup& group : project_.groups)
            if (group.name == name)
                return group.overlap;
        project_.groups.push_back({name, project_.overlap});
        return project_.groups.back().overlap;
    }
    void setGroup(std::string_view key)
    {
        const auto dot = key.rfind('.');
        if (dot == std::string_view::npos || dot == 0)
            return unknown();
        assign(groupNamed(std::string(key.substr(0, dot))), key.substr(dot + 1));
    }

    void setRecipe(std::string_view key)
    {
        Recipe* found = nullptr; // the longest name that fits: names may have dots in them
        for (Recipe& recipe : project_.recipes)
            if (key.size() > recipe.name.size() && key.starts_with(recipe.name) && key[recipe.name.size()] == '.' &&
                (found == nullptr || recipe.name.size() > found->name.size()))
                found = &recipe;
        if (found == nullptr)
            return unknown();
        key.remove_prefix(found->name.size() + 1);
        if (key == "name") {
            if (setting_->second.empty() || project_.recipeNamed(setting_->second) != nullptr)
                return wrong("a name that no other recipe has");
            project_ = withRecipeRenamed(std::move(project_), found->id, setting_->second);
            return;
        }
        if (setDrawn(*found, key, [](const Strand&) {}) || setMotion(*found, key) ||
            setCurveOf(*found, key,
                       [&](std::string_view of, CurveKeys keys) { setCurve(*found, of, std::move(keys)); }))
            return;
        const FieldSpec* spec = specOfValue(*found, key);
        if (spec == nullptr)
            return unknown();
        if (const auto wanted = valueFor(*spec))
            setValue(*found, key, *wanted);
    }
    /// "strand.NAME.keys.AXIS": take(name, axis, keys as they are and may become).
    template <typename Take>
    bool setDrawn(Recipe& recipe, std::string_view key, Take&& take)
    {
        for (Strand& strand : recipe.strands)
            if (auto* drawn = std::get_if<Drawn>(&strand.source))
                for (const Axis axis : allAxes)
                    if (key == "strand." + strand.name + ".keys." + std::string(axisName(axis))) {
                        auto& keys = drawn->keys[static_cast<std::size_t>(axis)];
                        setList<CurveKey>(keys, drawnKeyFrom, "FRAME:VALUE:EASE,…, such as 0:1:smooth,8:-0.4:out");
                        keys = tidied(std::move(keys), drawn->asDrawn);
                        take(strand);
                        return true;
                    }
        return false;
    }

    /// The motion of a name, or of a file; nothing for "none". Tells what is wrong.
    std::optional<MotionLoop> wantedMotion()
    {
        if (setting_->second == "none")
            return MotionLoop();
        auto kept = findMotion(setting_->second);
        if (kept)
            return MotionLoop(std::move(kept).value());
        error_ = kept.error();
        return std::nullopt;
    }
    void setDriftMotion()
    {
        if (const auto motion = wantedMotion())
            project_ = withDriftMotion(std::move(project_), *motion);
    }
    /// "strand.NAME.motion"
    bool setMotion(const Recipe& recipe, std::string_view key)
    {
        for (std::size_t i = 0; i < recipe.strands.size(); ++i)
            if (std::holds_alternative<Captured>(recipe.strands[i].source) &&
                key == "strand." + recipe.strands[i].name + ".motion") {
                if (const auto motion = wantedMotion())
                    project_ = withStrandMotion(std::move(project_), recipe.id, i, *motion);
                return true;
            }
        return false;
    }

    void setStrikes(std::string_view key)
    {
        const auto dot = key.find('.');
        const auto which = key.substr(0, dot);
        const auto index = numberFrom<std::size_t>(which);
        const bool all = which == "*";
        if (dot == std::string_view::npos || (!all && (!index || *index < 1 || *index > strikes_.size())))
            return unknown();
        key.remove_prefix(dot + 1);
        for (std::size_t i = all ? 0 : *index - 1; i < (all ? strikes_.size() : *index) && !error_; ++i)
            if (Strike* strike = project_.strike(strikes_[i]))
                setStrike(*strike, key);
    }
    void setStrike(Strike& strike, std::string_view key)
    {
        const std::string& text = setting_->second;
        if (key == "frame") {
            const auto frame = frameFrom(text);
            if (!frame || (!project_.shots.empty() && frame->index >= project_.length()))
                return wrong(Phrase("a frame of the film, 0 to {}", project_.length() - 1));
            strike.frame = *frame;
        } else if (key == "kind") {
            const auto kind = kindFromName(text);
            if (!kind)
                return wrong("one of blast, landing, hit, beat");
            strike.kind = *kind;
        } else if (key == "name") {
            strike.name = text;
        } else if (key == "direction") {
            if (text == "seed")
                strike.direction.reset();
            else if (const auto value = valueFromText(strikefield::direction, text))
                strike.direction = *value;
            else
                wrong("degrees from -360 to 360, or seed");
        } else if (key == "place") {
            const auto place = placeFromText(text);
            if (!place && text != "none")
                return wrong("X:Y:Z in metres, picture:X:Y:METRES, or none");
            strike.place = place;
        } else if (strike.place && take(key, "place.")) {
            assign(*strike.place, key);
        } else if (key == "recipe") {
            const Recipe* recipe = project_.recipeNamed(text);
            if (recipe == nullptr)
                return wrong("the name of a recipe in this project");
            project_ = withRecipeApplied(std::move(project_), {strike.id}, recipe->id);
        } else if (key == "group") {
            if (!text.empty())
                groupNamed(text);
            strike.group = text;
        } else if (take(key, "own.")) {
            setOwn(strike, key);
        } else {
            assign(strike, key);
        }
    }
    void setOwn(Strike& strike, std::string_view key)
    {
        const Recipe* recipe = project_.recipe(strike.recipe);
        if (recipe == nullptr)
            return unknown();
        Recipe felt = withOverrides(*recipe, strike.overrides);
        const bool back = setting_->second == "recipe";
        for (const Strand& strand : felt.strands)
            if (back && key == "strand." + strand.name + ".keys")
                return strike.overrides.clearKeys(strand.name);
        if (!back && setDrawn(felt, key, [&](const Strand& strand) {
                strike.overrides.setKeys(strand.name, std::get<Drawn>(strand.source).keys);
            }))
            return;
        if (constexpr std::string_view suffix = ".curve"; back && key.ends_with(suffix))
            return strike.overrides.clearCurve(key.substr(0, key.size() - suffix.size()));
        if (setCurveOf(felt, key,
                       [&](std::string_view of, CurveKeys keys) { strike.overrides.setCurve(of, std::move(keys)); }))
            return;
        const FieldSpec* spec = specOfValue(felt, key);
        if (spec == nullptr)
            return unknown();
        if (back)
            strike.overrides.clear(key);
        else if (const auto value = valueFor(*spec))
            strike.overrides.set(key, *value);
    }

    Project project_;
    StrikeIds strikes_;
    const Setting* setting_ = nullptr;
    std::optional<Error> error_;
};

} // namespace

namespace {

/// What a backslash stands before, and what it means with it. Before anything else it is itself.
std::optional<char> escaped(char sign)
{
    switch (sign) {
    case 'n': return '\n';
    case 'r': return '\r';
    case '=':
    case '\\': return sign;
    default: return std::nullopt;
    }
}

std::string unescaped(std::string_view text)
{
    std::string out;
    for (std::size_t i = 0; i < text.size(); ++i) {
        const auto meant = text[i] == '\\' && i + 1 < text.size() ? escaped(text[i + 1]) : std::nullopt;
        out += meant.value_or(text[i]);
        i += meant ? std::size_t{1} : 0;
    }
    return out;
}

std::string withEscapes(std::string_view text, bool key)
{
    std::string out;
    for (const char c : text) {
        if (c == '\n')
            out += "\\n";
        else if (c == '\r')
            out += "\\r";
        else if (c == '\\' || (key && c == '='))
            out += {'\\', c};
        else
            out += c;
    }
    return out;
}

} // namespace

Result<Setting> settingFromText(const std::string& text)
{
    std::size_t equals = 0;
    while (equals < text.size() && text[equals] != '=')
        equals += text[equals] == '\\' && equals + 1 < text.size() ? std::size_t{2} : 1;
    if (equals >= text.size() || equals == 0)
        return Error{ErrorCode::badValue, text, "a setting is written KEY=VALUE"};
    return Setting{unescaped(std::string_view(text).substr(0, equals)),
                   unescaped(std::string_view(text).substr(equals + 1))};
}

std::string settingText(const Setting& setting)
{
    return withEscapes(setting.first, true) + "=" + withEscapes(setting.second, false);
}

Result<Project> withSettings(Project project, const std::vector<Setting>& settings)
{
    Setter setter(std::move(project));
    for (const Setting& setting : settings)
        setter.set(setting);
    return setter.done();
}

} // namespace ember
