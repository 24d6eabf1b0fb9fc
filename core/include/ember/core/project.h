// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <array>
#include <cstdint>
#include <optional>
#include <string>
#include <string_view>
#include <vector>

#include "ember/core/axes.h"
#include "ember/core/beat_grid.h"
#include "ember/core/effects.h"
#include "ember/core/recipe.h"
#include "ember/core/time.h"

namespace ember {

/// What hits. It says which recipe a new strike starts with; the motion itself is the recipe's.
enum class StrikeKind { blast, landing, hit, beat };
std::string_view kindName(StrikeKind kind);
std::optional<StrikeKind> kindFromName(std::string_view name);

/// Identities the project hands out; 0 is nobody.
using StrikeId = std::int64_t;

/// A moment something hits.
struct Strike {
    StrikeId id = 0;
    Frame frame;
    StrikeKind kind = StrikeKind::hit;
    std::string name;                ///< may be empty
    double strength = 1;             ///< ratio, 0 to 4
    std::optional<double> direction; ///< degrees, 0 right, 90 down; none: the seed decides
    std::uint32_t seed = 1;
    bool locked = false; ///< an approved variation: the seed is not changed by asking for another
    RecipeId recipe = 0;
    std::string group; ///< of the project's groups; empty: the project's own overlap
    Overrides overrides;

    bool operator==(const Strike&) const = default;
};

namespace strikefield {
extern const FieldSpec strength;
extern const FieldSpec direction;
} // namespace strikefield

/// What happens where strikes meet.
enum class OverlapRule {
    add,      ///< all are felt together
    stronger, ///< only the one that is strongest at the moment; of equals the newer
    restart,  ///< only the newest; an older one is over when a newer begins
};
std::string_view overlapName(OverlapRule rule);
std::optional<OverlapRule> overlapFromName(std::string_view name);

struct Overlap {
    OverlapRule rule = OverlapRule::add;
    double ceiling = 3;    ///< what strikes together stay below, in strengths; one alone may be stronger
    double knee = 2.0 / 3; ///< the share of the ceiling from which it bends

    bool operator==(const Overlap&) const = default;
};

/// Strikes that meet by a rule of their own, apart from all others.
struct StrikeGroup {
    std::string name;
    Overlap overlap;

    bool operator==(const StrikeGroup&) const = default;
};

enum class SettleMode {
    cut, ///< at rest on the mark's frame
    ease ///< eased home from there
};

/// A frame at which the strikes that hit before it are ended.
struct SettleMark {
    Frame frame;
    SettleMode mode = SettleMode::ease;
    double frames = 12; ///< the way home when eased

    bool operator==(const SettleMark&) const = default;
};

/// A low motion under the whole shot: noise, or a real camera's.
struct Drift {
    bool on = false;
    double rate = 0.6; ///< swings a second
    Noise noise{3, 0.45, 2.0, 0};
    Captured captured; ///< instead of the noise, where there is one
    AxisValues amount; ///< largest excursion
    std::uint32_t seed = 1;
    double fadeIn = 0;  ///< frames from the shot's first
    double fadeOut = 0; ///< frames to the shot's end

    Drift();
    bool operator==(const Drift&) const = default;
};

struct IntensityKey {
    Frame frame;
    double value = 1; ///< ratio, 0 to 2
    bool operator==(const IntensityKey&) const = default;
};

/// What stands over all shakes: strikes and drift, not the shot's own move.
struct Master {
    double intensity = 1; ///< ratio, 0 to 2; where there are keys they count instead
    bool bypass = false;
    bool flat = false;  ///< roll, pan and tilt off, for flat graphics
    bool sounds = true; ///< strikes are heard
    std::array<bool, axisCount> axis{true, true, true, true, true, true};
    std::vector<IntensityKey> keys; ///< in order; straight between them, level outside

    double intensityAt(FrameTime time) const;
    bool moves(Axis on) const;
    bool operator==(const Master&) const = default;
};

/// What fills the border when the picture moves away from it.
enum class EdgeMode { mirror, extend, plain, wrap, transparent };
std::string_view edgeName(EdgeMode mode);
std::optional<EdgeMode> edgeFromName(std::string_view name);

/// Whether the picture is enlarged just enough to hide the border.
enum class CoverMode {
    off,
    constant,  ///< by one zoom for the whole shot
    breathing, ///< eased in and out around each strike
};
std::string_view coverName(CoverMode mode);
std::optional<CoverMode> coverFromName(std::string_view name);

/// Which effects are shown at all.
struct ShownEffects {
    bool blur = true;
    bool streak = true;
    bool radial = true;
    bool fringe = true;
    bool flash = true;
    bool flicker = true;
    bool layers = true;

    bool operator==(const ShownEffects&) const = default;
};

/// What is done with every frame after it was shaken.
struct Finish {
    EdgeMode edges = EdgeMode::mirror;
    Colour plain; ///< the colour beyond a plain edge
    CoverMode cover = CoverMode::constant;
    bool coverBars = true;    ///< what the letterbox hides need not be covered
    double coverSpeed = 0.04; ///< how fast breathing may enlarge the picture, ratio a second
    double shutter = 0;       ///< degrees of 360 that the shutter is open for a frame; 0: no motion blur
    double shutterPhase = 0;  ///< degrees by which it is open later than around the frame's own instant
    int samples = 0;          ///< instants seen while it is open; 0: as many as the way asks for
    double blurAbove = 0;     ///< pixels a frame below which nothing is blurred
    double rolling = 0;       ///< frames between the first and the last row being seen
    double letterbox = 0;     ///< width to height of what the bars leave; 0: no bars
    ShownEffects shown = {};

    bool operator==(const Finish&) const = default;
};

/// A picture with transparency over the shot, such as a title.
struct Layer {
    std::string name;
    std::string picture;       ///< its file, as the project knows it
    std::int64_t in = 0;       ///< first frame
    std::int64_t length = 240; ///< frames
    double x = 0;              ///< pixels from the middle of the frame to the middle of the picture
    double y = 0;
    double size = 1;    ///< ratio
    double opacity = 1; ///< ratio
    double depth = 1;   ///< 1: moves with the shot, 0: stands still, 2: moves twice as much
    std::array<bool, axisCount> axis{true, true, true, true, true, true};
    bool hidden = false;

    bool covers(Frame frame) const { return !hidden && frame.index >= in && frame.index < in + length; }
    bool operator==(const Layer&) const = default;
};

namespace layerfield {
extern const FieldSpec in;
extern const FieldSpec length;
} // namespace layerfield

/// A key of a shot's own move.
struct MoveKey {
    Frame frame;
    double x = 0;             ///< pixels
    double y = 0;             ///< pixels
    double zoom = 1;          ///< ratio, 0.25 to 4
    double roll = 0;          ///< degrees
    Ease ease = Ease::smooth; ///< on the way to the next key

    bool operator==(const MoveKey&) const = default;
};

namespace movefield {
extern const FieldSpec x;
extern const FieldSpec y;
extern const FieldSpec zoom;
extern const FieldSpec roll;
extern const FieldSpec ease;
} // namespace movefield
namespace settlefield {
extern const FieldSpec mode;
extern const FieldSpec frames;
} // namespace settlefield

/// The clip or still a project shakes. Its path is as the project knows it; files are resolved elsewhere.
struct Shot {
    std::string clip;
    std::int64_t length = 1;        ///< frames, at the project's rate
    bool still = false;             ///< a single picture, though its name may look like one of a numbered series
    std::vector<MoveKey> move = {}; ///< in order; shakes are added to it
    bool operator==(const Shot&) const = default;
};

/// What the film sounds like.
struct Soundtrack {
    std::string file;  ///< empty: the clip's own sound
    double offset = 0; ///< seconds it is laid later than it was recorded, -60 to 60

    bool operator==(const Soundtrack&) const = default;
};

/// The shot's own move at an instant: its keys, level before the first and after the last.
MoveKey moveAt(const std::vector<MoveKey>& keys, FrameTime time);

/// The whole document, a plain value.
struct Project {
    int width = 1280;
    int height = 720;
    FrameRate rate;
    std::optional<Shot> shot;
    Soundtrack sound;
    std::optional<BeatGrid> beats;
    std::vector<Recipe> recipes;
    std::vector<Strike> strikes;
    Overlap overlap;
    std::vector<StrikeGroup> groups;
    std::vector<SettleMark> settles; ///< in order
    Drift drift;
    Master master;
    Finish finish;
    std::vector<Layer> layers; ///< the first is the lowest

    std::int64_t length() const { return shot ? shot->length : 0; }

    const Recipe* recipe(RecipeId id) const;
    Recipe* recipe(RecipeId id);
    const Recipe* recipeNamed(std::string_view name) const;
    const Strike* strike(StrikeId id) const;
    Strike* strike(StrikeId id);
    const StrikeGroup* group(std::string_view name) const;

    /// Adds with an identity of its own, which is returned. Strikes are kept in the order of their frames.
    StrikeId addStrike(Strike strike);
    RecipeId addRecipe(Recipe recipe);
    void sortStrikes();

    bool operator==(const Project&) const = default;
};

/// The recipe a strike is felt with: with the strike's own values in place, and every rumble's length worked out where
/// it lasts until the next strike or to the end of the shot. An empty recipe when the strike's is gone.
Recipe recipeOf(const Project& project, const Strike& strike);

/// Its envelope.
Envelope envelopeOf(const Project& project, const Strike& strike);

} // namespace ember
