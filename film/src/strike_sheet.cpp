// SPDX-License-Identifier: GPL-3.0-or-later
// What stands on a strike's sheet.
#include <algorithm>
#include <array>
#include <cmath>
#include <cstdio>

#include "ember/core/comfort.h"
#include "ember/core/motion.h"
#include "ember/core/timecode.h"
#include "ember/core/values.h"
#include "ember/film/film_reader.h"
#include "ember/film/hand_on.h"
#include "ember/film/layer_pictures.h"
#include "ember/render/frame.h"

namespace ember {

namespace {

constexpr int thumbWidth = 320;
constexpr std::size_t mostRows = 27;
constexpr std::array<std::string_view, axisCount> axisLabels{"x", "y", "Zoom", "Roll", "Pan", "Tilt"};

std::string fixed(double value, int digits)
{
    std::array<char, 40> text{};
    std::snprintf(text.data(), text.size(), "%.*f", digits, value);
    return text.data() == std::string("-0.0") || text.data() == std::string("-0.00") ? text.data() + 1 : text.data();
}

std::string trimmedNumber(double value)
{
    std::string text = fixed(value, 3);
    text.erase(text.find_last_not_of('0') + 1);
    if (text.back() == '.')
        text.pop_back();
    return text;
}

/// A value as it stands on a page: percent where that is its unit, words as they are.
std::string shown(const Value& value)
{
    const double number = value.value;
    if (!value.spec->choices.empty() || isColour(*value.spec))
        return valueText(*value.spec, number);
    const bool percent = value.spec->unit == "%";
    const std::string text = trimmedNumber(percent ? 100 * number : number);
    return value.spec->unit.empty() ? text : text + " " + std::string(value.spec->unit);
}

std::string axisText(double value, Axis axis)
{
    switch (axis) {
    case Axis::x:
    case Axis::y: return fixed(value, 1) + " px";
    case Axis::zoom: return fixed(100 * value, 1) + " %";
    default: return fixed(value, 2) + "°";
    }
}

template <typename Part>
SheetGroup groupOf(std::string title, const Part& part, bool amounts = true)
{
    SheetGroup group{std::move(title), {}};
    const Values values = valuesOf(part);
    const bool still = std::any_of(values.begin(), values.end(),
                                   [](const Value& v) { return v.key == "intermittent" && v.value == 0; });
    for (const Value& value : values) {
        const bool amount = value.key.starts_with("amount.");
        if (((value.key == "moves" || value.key == "rests" || value.key == "unevenness") && still) ||
            (amount && (!amounts || value.value == 0)) || value.key == "muted" || value.key == "solo" ||
            value.key == "own_envelope" || value.key == "salt")
            continue;
        std::string label(value.spec->label);
        if (const auto dot = value.key.find('.'); dot != std::string_view::npos)
            label = amount ? label : std::string(value.key.substr(0, dot)) + " " + label;
        group.values.push_back({label, shown(value)});
    }
    return group;
}

/// The effects that are in use, a group for each.
std::vector<SheetGroup> lightGroups(Effects effects)
{
    std::vector<SheetGroup> groups;
    const auto add = [&](const std::string& key, std::string title) {
        title[0] = static_cast<char>(title[0] - (title[0] >= 'a' ? 'a' - 'A' : 0));
        SheetGroup group{std::move(title), {}};
        for (const Value& value : valuesOf(effects))
            if (value.key.starts_with(key + "."))
                group.values.push_back({std::string(value.spec->label), shown(value)});
        groups.push_back(std::move(group));
    };
    for (const EffectPart& part : effectParts())
        if (part.amountIn(effects) != 0)
            add(std::string(part.name), part.kind == EffectKind::radial     ? "Radial streak"
                                        : part.kind == EffectKind::impact   ? "Impact frames"
                                        : part.kind == EffectKind::exposure ? "Exposure kick"
                                                                            : std::string(part.name));
    if (effects.flicker.every > 1)
        add("flicker", "flicker");
    return groups;
}

/// Frames that tell most: before, on and after contact, then ever farther apart.
std::vector<std::int64_t> contactFrames(const StrikeSpan& span, std::int64_t strike, std::int64_t length)
{
    std::vector<std::int64_t> offsets{-1, 0, 1, 2, 3, 4, 6, 9, 13, 20, 32, 48, 72, 108, 160, 240};
    offsets.push_back(std::llround(span.peak) - strike);
    std::sort(offsets.begin(), offsets.end());
    offsets.erase(std::unique(offsets.begin(), offsets.end()), offsets.end());
    std::vector<std::int64_t> frames;
    for (const std::int64_t offset : offsets) {
        const std::int64_t frame = strike + offset;
        if (frame >= 0 && frame < length && static_cast<double>(frame) <= span.end && frames.size() < 10)
            frames.push_back(frame);
    }
    return frames;
}

} // namespace

Result<ShakeSheet> sheetOf(const Project& project, StrikeId id)
{
    const Strike* asked = project.strike(id);
    if (asked == nullptr)
        return Error{ErrorCode::notFound, "The strike", "it is not in the project (any more)"};
    const FeltProject felt(project);
    const Strike* strike = felt->strike(id);
    const Recipe* named = project.recipe(asked->recipe);
    if (strike == nullptr || named == nullptr)
        return Error{ErrorCode::notFound, "The strike", "it has no recipe, or nothing of it arrives"};
    HandingOn how;
    how.part = {HandedOf::strike, id};
    const auto alone = handedMotion(project, how);
    if (!alone)
        return alone.error();
    Recipe recipe = recipeOf(*felt, *strike);
    ShakeSheet sheet;
    sheet.title = alone->title;
    const std::string clip = project.firstClip();
    sheet.subtitle = clip.substr(clip.find_last_of('/') + 1) + ", " + std::to_string(project.width) + " x " +
                     std::to_string(project.height) + " at " + trimmedNumber(project.rate.perSecond()) +
                     " frames a second";
    sheet.facts = {{"Frame", std::to_string(strike->frame.index)},
                   {"Timecode", timecodeOf(strike->frame.index, project.clock, project.rate)},
                   {"Kind", std::string(kindName(strike->kind))},
                   {"Strength", fixed(100 * strike->strength, 0) + " %"},
                   {"Direction", strike->direction ? fixed(*strike->direction, 0) + "°" : "by the seed"},
                   {"Seed", std::to_string(strike->seed)},
                   {"Recipe", named->name + (asked->overrides.empty() ? "" : " (with values of its own)")}};
    // The curves, on half frames.
    auto own = strikeAlone(project, id);
    if (!own)
        return own.error();
    Project single = std::move(own).value();
    for (Shot& shot : single.shots)
        shot.move.clear();
    const Motion motion(single);
    if (motion.spans().empty())
        return Error{ErrorCode::unwritable, sheet.title, "nothing moves in it, so there is no sheet of it"};
    const StrikeSpan span = motion.spans().front();
    const auto at = static_cast<double>(strike->frame.index);
    const double first = std::floor(span.start) - 1;
    const double last = std::ceil(span.end) + 1;
    sheet.first = first - at;
    sheet.step = last - first > 4000 ? 1.0 : 0.25;
    sheet.peak = span.peak - at;
    std::array<SheetTrace, axisCount> traces;
    for (double time = first; time <= last; time += sheet.step) {
        const MotionSample sample = motion.at(time);
        sheet.intensity.push_back(sample.intensity);
        for (const Axis axis : allAxes)
            traces[static_cast<std::size_t>(axis)].values.push_back(along(sample.pose, axis));
    }
    for (const Axis axis : allAxes) {
        SheetTrace& trace = traces[static_cast<std::size_t>(axis)];
        double most = 0;
        for (const double value : trace.values)
            most = std::abs(value) > std::abs(most) ? value : most;
        if (most == 0)
            continue;
        trace.label = axisLabels[static_cast<std::size_t>(axis)];
        trace.most = axisText(most, axis);
        sheet.traces.push_back(std::move(trace));
    }
    // The table of its frames.
    sheet.columns = {"frame", "film"};
    std::vector<Axis> used;
    for (const Axis axis : allAxes)
        if (std::any_of(sheet.traces.begin(), sheet.traces.end(),
                        [&](const SheetTrace& t) { return t.label == axisLabels[static_cast<std::size_t>(axis)]; })) {
            used.push_back(axis);
            sheet.columns.push_back(std::string(axisLabels[static_cast<std::size_t>(axis)]));
        }
    sheet.columns.push_back("felt");
    for (auto f = static_cast<std::int64_t>(std::floor(span.start));
         sheet.rows.size() < mostRows && static_cast<double>(f) <= span.end; ++f) {
        const MotionSample sample = motion.at(static_cast<double>(f));
        const std::int64_t since = f - strike->frame.index;
        std::vector<std::string> row{since > 0 ? "+" + std::to_string(since) : std::to_string(since),
                                     std::to_string(f)};
        for (const Axis axis : used)
            row.push_back(axisText(along(sample.pose, axis), axis));
        row.push_back(fixed(100 * sample.intensity, 0) + " %");
        sheet.rows.push_back(std::move(row));
    }
    // Its frames, as the film shows them.
    const Motion whole(project);
    const Cover cover = coverOf(project, whole);
    const auto pictures = layerPictures(project);
    auto film = openFilm(project);
    const int height = std::max(1, static_cast<int>(std::lround(1.0 * thumbWidth * project.height / project.width)));
    for (const std::int64_t frame : contactFrames(span, strike->frame.index, project.length())) {
        SheetFrame contact;
        const std::int64_t since = frame - strike->frame.index;
        contact.label = since > 0 ? "+" + std::to_string(since) : std::to_string(since);
        const Pose pose = motion.poseAt(static_cast<double>(frame));
        contact.note = fixed(cornerDisplacement(pose, project.width, project.height) * project.width, 0) + " px";
        if (film) {
            auto source = film.value()->frame(Frame{frame}, project.rate);
            if (source)
                contact.picture = renderFrame(source.value(),
                                              lookOf(project, whole, cover, static_cast<double>(frame),
                                                     pictures ? pictures.value() : LayerPictures()),
                                              thumbWidth, height);
        }
        sheet.frames.push_back(std::move(contact));
    }
    // All values.
    sheet.groups.push_back(groupOf("Recipe", recipe));
    sheet.groups.push_back(groupOf("Envelope", recipe.envelope));
    for (Strand& strand : recipe.strands) {
        if (strand.muted)
            continue;
        sheet.groups.push_back(groupOf(strand.name, strand));
        if (const auto* drawn = std::get_if<Drawn>(&strand.source))
            for (const Axis axis : allAxes)
                for (const CurveKey& key : drawn->keys[static_cast<std::size_t>(axis)])
                    sheet.groups.back().values.push_back(
                        {std::string(axisLabels[static_cast<std::size_t>(axis)]) + " key " + fixed(key.frame, 1),
                         fixed(100 * key.value, 1) + " %"});
        if (strand.envelope)
            sheet.groups.push_back(groupOf(strand.name + ", its envelope", *strand.envelope));
    }
    for (SheetGroup& light : lightGroups(recipe.effects))
        sheet.groups.push_back(std::move(light));
    Overlap overlap = project.overlap;
    if (const StrikeGroup* group = project.group(asked->group))
        overlap = group->overlap;
    sheet.groups.push_back(groupOf("Where strikes meet", overlap));
    sheet.foot = "x to the right and y down in pixels of the frame, zoom as what is added, roll clockwise in degrees; "
                 "frames count from 0 and, with a sign, from the strike. Made with Vast Ember.";
    return sheet;
}

} // namespace ember
