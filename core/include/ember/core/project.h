// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <algorithm>
#include <array>
#include <cstdint>
#include <optional>
#include <string>
#include <string_view>
#include <vector>

#include "ember/core/axes.h"
#include "ember/core/beat_grid.h"
#include "ember/core/board.h"
#include "ember/core/colour_setup.h"
#include "ember/core/effects.h"
#include "ember/core/gentle.h"
#include "ember/core/recipe.h"
#include "ember/core/shot.h"
#include "ember/core/strike.h"
#include "ember/core/time.h"
#include "ember/core/timecode.h"

namespace ember {

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

/// A frame at which the strikes that hit before it are ended: all, those of a group, or one alone.
struct SettleMark {
    Frame frame;
    SettleMode mode = SettleMode::ease;
    double frames = 12;     ///< the way home when eased
    std::string group = {}; ///< only strikes of this group; empty: of any
    StrikeId strike = 0;    ///< only this one; 0: any

    bool ends(const Strike& one) const { return strike != 0 ? strike == one.id : group.empty() || group == one.group; }
    /// Whether two of them end the same strikes.
    bool alike(const SettleMark& other) const { return strike == other.strike && group == other.group; }

    bool operator==(const SettleMark&) const = default;
};

/// Whether two things with a frame cannot both be in a list; settle marks for other strikes can.
template <typename Item>
bool inOnePlace(const Item& a, const Item& b)
{
    return a.frame == b.frame;
}
inline bool inOnePlace(const SettleMark& a, const SettleMark& b)
{
    return a.frame == b.frame && a.alike(b);
}

/// A low motion under the whole shot: noise, or a real camera's.
struct Drift {
    bool on = false;
    double rate = 0.6; ///< swings a second
    Noise noise{3, 0.45, 2.0, 0};
    Captured captured; ///< instead of the noise, where there is one
    AxisValues amount; ///< largest excursion
    std::uint32_t seed = 1;
    double fadeIn = 0;   ///< frames from the shot's first
    double fadeOut = 0;  ///< frames to the shot's end
    bool loop = false;   ///< the film's end meets its beginning without a seam
    CurveKeys rateKeys;  ///< swings a second over frames of the film, in place of the rate
    CurveKeys levelKeys; ///< ratio of the amounts over frames of the film

    Drift();
    bool operator==(const Drift&) const = default;
};

inline constexpr double mostIntensity = 4; ///< ratio

struct IntensityKey {
    Frame frame;
    double value = 1;         ///< ratio, 0 to 4
    Ease ease = Ease::linear; ///< on the way to the next key
    bool operator==(const IntensityKey&) const = default;
};

/// What stands over all shakes: strikes and drift, not the shot's own move.
struct Master {
    double intensity = 1; ///< ratio, 0 to 4; where there are keys they count instead
    bool bypass = false;
    bool flat = false;  ///< roll, pan and tilt off, for flat graphics
    bool sounds = true; ///< strikes are heard
    std::array<bool, axisCount> axis{true, true, true, true, true, true};
    std::vector<IntensityKey> keys; ///< in order; level before the first and after the last

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

/// What is done with every frame after it was shaken.
struct Finish {
    EdgeMode edges = EdgeMode::mirror;
    Colour plain; ///< the colour beyond a plain edge
    CoverMode cover = CoverMode::constant;
    bool coverBars = true;    ///< what the letterbox hides need not be covered
    double coverSpeed = 0.04; ///< how fast breathing may enlarge the picture, ratio a second
    double shutterAngle = 0;  ///< degrees of 360 a frame that the shutter is open, to 1440; 0: no motion blur
    double exposureShift = 0; ///< frames by which it is open later than centred on the frame's own instant, -1 to 1
    int instants = 0;         ///< instants seen while it is open; 0: as many as the way asks for
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

namespace settlefield {
extern const FieldSpec mode;
extern const FieldSpec frames;
} // namespace settlefield

/// What the film sounds like.
struct Soundtrack {
    std::string file;  ///< empty: the clip's own sound
    double offset = 0; ///< seconds it is laid later than it was recorded, -60 to 60

    bool operator==(const Soundtrack&) const = default;
};

/// What rate and level of a drift go to, in swings a second and as a ratio of its amounts.
inline constexpr double mostDriftRate = 30;
inline constexpr double mostDriftLevel = 10;

/// Frames a film may have, and the last that anything may stand on.
inline constexpr std::int64_t longestFilm = 100'000'000;

/// The whole document, a plain value.
struct Project {
    int width = 1280;
    int height = 720;
    FrameRate rate;
    FilmClock clock; ///< what its first frame is called
    ColourSetup colours;
    std::vector<Shot> shots; ///< one after the other; where two meet is a cut
    Soundtrack sound;
    std::optional<BeatGrid> beats;
    std::vector<Recipe> recipes;
    std::vector<Strike> strikes;
    World world;
    Board board;
    Overlap overlap;
    std::vector<StrikeGroup> groups;
    std::vector<SettleMark> settles; ///< in order
    Drift drift;
    Master master;
    Finish finish;
    std::vector<Layer> layers; ///< the first is the lowest
    Gentle gentle;             ///< what the gentle version of it keeps

    /// Frames of all shots.
    std::int64_t length() const;
    /// The shot on show at a frame; nothing beyond the film.
    std::optional<ShotPlace> shotAt(Frame frame) const;
    /// Where the shot of this place in the list stands, and the one with this identity.
    ShotPlace placeOf(std::size_t index) const;
    std::optional<ShotPlace> placeOfShot(ShotId id) const;
    /// The first clip's path; empty while there is none. What the film is called by.
    std::string firstClip() const;
    /// Frames on which a shot begins that another one is followed by, in order.
    std::vector<std::int64_t> cuts() const;
    bool isCut(Frame frame) const;
    /// The strike peaks on a cut and goes where that goes.
    bool boundToCut(const Strike& strike) const { return strike.onCut && isCut(strike.frame); }

    const Recipe* recipe(RecipeId id) const;
    Recipe* recipe(RecipeId id);
    const Recipe* recipeNamed(std::string_view name) const;
    const Strike* strike(StrikeId id) const;
    Strike* strike(StrikeId id);
    const StrikeGroup* group(std::string_view name) const;

    /// Adds with an identity of its own, which is returned. Strikes are kept in the order of their frames.
    StrikeId addStrike(Strike strike);
    /// Puts a shot with an identity of its own before the one at `index`, or last.
    ShotId addShot(Shot shot, std::size_t index = static_cast<std::size_t>(-1));
    RecipeId addRecipe(Recipe recipe);
    void sortStrikes();

    bool operator==(const Project&) const = default;
};

/// A project as it is felt (see asFelt), without a copy of one that has no places. Lives no longer than the project.
class FeltProject {
public:
    explicit FeltProject(const Project& project)
        : own_(hasPlaces(project) ? std::optional(asFelt(project)) : std::nullopt), felt_(own_ ? *own_ : project)
    {
    }
    FeltProject(const FeltProject&) = delete;
    FeltProject& operator=(const FeltProject&) = delete;
    const Project& operator*() const { return felt_; }
    const Project* operator->() const { return &felt_; }

private:
    std::optional<Project> own_;
    const Project& felt_;
};

/// The recipe a strike is felt with: with the strike's own values in place, and every rumble's length worked out where
/// it lasts until the next strike or to the end of the shot. An empty recipe when the strike's is gone.
Recipe recipeOf(const Project& project, const Strike& strike);
/// The same before its play rate is worked in: every value as it is set.
Recipe recipeAsSet(const Project& project, const Strike& strike);

/// The move of the shot that is on show at an instant (see OwnShot); its frame is the clip's.
MoveKey moveAt(const Project& project, FrameTime time);

/// The instants at which the frame at an instant is seen: those of its own shot. Shots meet half way between the last
/// frame of one and the first of the next, so that an open shutter never sees past a cut.
class OwnShot {
public:
    OwnShot(const Project& project, FrameTime time);
    /// `firsts`: the first frame of each shot in order, and the film's end; looked up in no time.
    OwnShot(const std::vector<std::int64_t>& firsts, FrameTime time);
    FrameTime operator()(FrameTime time) const { return std::clamp(time, from_, to_); }

private:
    FrameTime from_;
    FrameTime to_;
};

/// How settle marks end a strike: the first after it eases it home, and a later one that cuts does not wait for that.
struct Settling {
    double from;       ///< frame from which it is eased home; infinite without a mark
    double frames = 0; ///< how long that takes
    double until;      ///< frame at which it is cut; infinite without such a mark
};
Settling settlingOf(const Project& project, const Strike& strike);

/// Its envelope.
Envelope envelopeOf(const Project& project, const Strike& strike);

} // namespace ember
