// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/core/project.h"

#include <algorithm>
#include <array>
#include <charconv>
#include <cmath>
#include <limits>

namespace ember {

namespace strikefield {
const FieldSpec strength{"strength", "Strength", "%",  0,
                         10,         1,          0.05, "How hard it hits; 100 % gives the recipe's amounts"};
const FieldSpec direction{"direction", "Direction", "°", -360,
                          360,         90,          5,   "Where the blow goes: 0 right, 90 down, 180 left"};
} // namespace strikefield

namespace {

constexpr std::array<std::string_view, 4> kindNames{"blast", "landing", "hit", "beat"};
constexpr std::array<std::string_view, 3> overlapNames{"add", "stronger", "restart"};
constexpr std::array<std::string_view, 2> settleNames{"cut", "ease"};
constexpr std::array<std::string_view, 5> edgeNames{"mirror", "extend", "plain", "wrap", "transparent"};
constexpr std::array<std::string_view, 3> coverNames{"off", "constant", "breathing"};

template <typename Enum, std::size_t N>
std::optional<Enum> fromName(const std::array<std::string_view, N>& names, std::string_view name)
{
    const auto found = std::find(names.begin(), names.end(), name);
    if (found == names.end())
        return std::nullopt;
    return static_cast<Enum>(found - names.begin());
}

template <typename List, typename Id>
auto* findById(List& list, Id id)
{
    const auto found = std::find_if(list.begin(), list.end(), [id](const auto& item) { return item.id == id; });
    return found == list.end() ? nullptr : &*found;
}

template <typename List>
auto nextId(const List& list)
{
    std::int64_t id = 0;
    for (const auto& item : list)
        id = std::max(id, item.id);
    return id + 1;
}

} // namespace

std::string_view kindName(StrikeKind kind)
{
    return kindNames[static_cast<std::size_t>(kind)];
}

std::optional<StrikeKind> kindFromName(std::string_view name)
{
    return fromName<StrikeKind>(kindNames, name);
}

namespace settlefield {
const FieldSpec mode = choiceField("mode", "Settle", settleNames, 1, "Cut: at rest on this frame; ease: eased home");
const FieldSpec frames{"frames", "Ease over", "frames", 0, 2400, 12, 1, "Frames of the return to rest"};
} // namespace settlefield

namespace beatfield {
const FieldSpec bpm{"bpm", "Tempo", "BPM", 20, 400, 120, 0.1, "Beats a minute"};
const FieldSpec firstBeat{
    "first_beat", "First beat",
    "s",          -60,
    1e6,          0,
    0.01,         "Seconds from the film's start to the first beat; the grid goes on both ways from it"};
const FieldSpec barBeats{"bar_beats", "Bar", "beats", 1, 16, 4, 1, "Beats in a bar", {}, true};
const FieldSpec barStart{"bar_start", "Bars begin on", "", 0, 15, 0, 1, "Which beat of the first bar begins it", {},
                         true};
} // namespace beatfield
namespace soundfield {
const FieldSpec offset{"offset", "Sound offset",
                       "s",      -60,
                       60,       0,
                       0.01,     "Seconds the sound is laid later than it was recorded; negative is earlier"};
} // namespace soundfield

std::string_view overlapName(OverlapRule rule)
{
    return overlapNames[static_cast<std::size_t>(rule)];
}

std::optional<OverlapRule> overlapFromName(std::string_view name)
{
    return fromName<OverlapRule>(overlapNames, name);
}

Drift::Drift()
{
    amount[Axis::x] = 4;
    amount[Axis::y] = 3;
    amount[Axis::roll] = 0.15;
}

double Master::intensityAt(FrameTime time) const
{
    if (keys.empty())
        return intensity;
    const auto after = std::upper_bound(keys.begin(), keys.end(), time, [](FrameTime t, const IntensityKey& key) {
        return t < static_cast<double>(key.frame.index);
    });
    if (after == keys.begin())
        return keys.front().value;
    if (after == keys.end())
        return keys.back().value;
    const IntensityKey& from = *(after - 1);
    const double share = eased(from.ease, (time - static_cast<double>(from.frame.index)) /
                                              static_cast<double>(after->frame - from.frame));
    return from.value + (after->value - from.value) * share;
}

bool Master::moves(Axis on) const
{
    const bool turns = on == Axis::roll || on == Axis::pan || on == Axis::tilt;
    return !bypass && axis[static_cast<std::size_t>(on)] && !(flat && turns);
}

std::string_view edgeName(EdgeMode mode)
{
    return edgeNames[static_cast<std::size_t>(mode)];
}

std::optional<EdgeMode> edgeFromName(std::string_view name)
{
    return fromName<EdgeMode>(edgeNames, name);
}

std::string_view coverName(CoverMode mode)
{
    return coverNames[static_cast<std::size_t>(mode)];
}

std::optional<CoverMode> coverFromName(std::string_view name)
{
    return fromName<CoverMode>(coverNames, name);
}

const Recipe* Project::recipe(RecipeId id) const
{
    return findById(recipes, id);
}

Recipe* Project::recipe(RecipeId id)
{
    return findById(recipes, id);
}

const Recipe* Project::recipeNamed(std::string_view name) const
{
    const auto found = std::find_if(recipes.begin(), recipes.end(), [&](const Recipe& r) { return r.name == name; });
    return found == recipes.end() ? nullptr : &*found;
}

const Strike* Project::strike(StrikeId id) const
{
    return findById(strikes, id);
}

Strike* Project::strike(StrikeId id)
{
    return findById(strikes, id);
}

StrikeId Project::addStrike(Strike strike)
{
    strike.id = nextId(strikes);
    for (const Shot& shot : shots)
        strike.id = std::max(strike.id, nextId(shot.trimmed));
    for (const SettleMark& mark : settles) // never one that a mark still names
        strike.id = std::max(strike.id, mark.strike + 1);
    const auto id = strike.id;
    strikes.push_back(std::move(strike));
    sortStrikes();
    return id;
}

ShotId Project::addShot(Shot shot, std::size_t index)
{
    shot.id = nextId(shots);
    const auto id = shot.id;
    shots.insert(shots.begin() + static_cast<std::ptrdiff_t>(std::min(index, shots.size())), std::move(shot));
    return id;
}

RecipeId Project::addRecipe(Recipe recipe)
{
    recipe.id = nextId(recipes);
    const auto id = recipe.id;
    recipes.push_back(std::move(recipe));
    return id;
}

void Project::sortStrikes()
{
    std::stable_sort(strikes.begin(), strikes.end(), [](const Strike& a, const Strike& b) {
        return a.frame != b.frame ? a.frame < b.frame : a.id < b.id;
    });
}

const StrikeGroup* Project::group(std::string_view name) const
{
    const auto found = std::find_if(groups.begin(), groups.end(), [&](const StrikeGroup& g) { return g.name == name; });
    return found == groups.end() ? nullptr : &*found;
}

namespace {

/// Gives a rumble its length in frames where it lasts until something else; of a shape that goes by at a play rate.
void workOutRumble(Envelope& envelope, const Project& project, const Strike& strike, double playRate)
{
    using F = EnvelopeField;
    const auto until = envelope.chosen<RumbleUntil>(F::rumbleUntil);
    if (until == RumbleUntil::length || envelope[F::rumble] == 0)
        return;
    std::int64_t to = project.length();
    if (until == RumbleUntil::nextStrike) {
        const auto next = std::upper_bound(project.strikes.begin(), project.strikes.end(), strike.frame,
                                           [](Frame frame, const Strike& other) { return frame < other.frame; });
        if (next != project.strikes.end())
            to = next->frame.index;
    }
    envelope.set(F::rumbleLength, static_cast<double>(to - strike.frame.index) * playRate - envelope.decayEnd());
    if (to == project.length())
        envelope.set(F::release, 0); // the shot is over
}

} // namespace

Recipe recipeAsSet(const Project& project, const Strike& strike)
{
    const Recipe* recipe = project.recipe(strike.recipe);
    if (recipe == nullptr)
        return {};
    Recipe own = withOverrides(*recipe, strike.overrides);
    workOutRumble(own.envelope, project, strike, own.playRate);
    for (Strand& strand : own.strands)
        if (strand.envelope)
            workOutRumble(*strand.envelope, project, strike, own.playRate);
    return own;
}

Recipe recipeOf(const Project& project, const Strike& strike)
{
    return inPlayTime(recipeAsSet(project, strike));
}

Settling settlingOf(const Project& project, const Strike& strike)
{
    constexpr double never = std::numeric_limits<double>::infinity();
    Settling settling{never, 0, never};
    for (const SettleMark& mark : project.settles) {
        if (mark.frame <= strike.frame || !mark.ends(strike))
            continue;
        const auto frame = static_cast<double>(mark.frame.index);
        if (settling.from == never) {
            settling.from = frame;
            settling.frames = mark.mode == SettleMode::cut ? 0 : mark.frames;
        }
        if (mark.mode == SettleMode::cut) {
            settling.until = frame;
            break;
        }
    }
    return settling;
}

Envelope envelopeOf(const Project& project, const Strike& strike)
{
    return recipeOf(project, strike).envelope;
}

} // namespace ember
