// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstdint>
#include <optional>
#include <string>
#include <string_view>
#include <vector>

#include "ember/core/axes.h"
#include "ember/core/envelope.h"
#include "ember/core/source.h"
#include "ember/core/time.h"

namespace ember {

/// What hits. It says which recipe a new strike starts with; the motion itself is the recipe's.
enum class StrikeKind { blast, landing, hit, beat };
std::string_view kindName(StrikeKind kind);
std::optional<StrikeKind> kindFromName(std::string_view name);

/// Identities the project hands out; 0 is nobody.
using StrikeId = std::int64_t;
using RecipeId = std::int64_t;

/// One source of motion in a recipe.
struct Strand {
    std::string name;
    Source source;
    Rate rate;
    AxisValues amount; ///< largest excursion per axis at strength 1
    bool muted = false;
    bool solo = false; ///< while any strand of a recipe is solo, only solo strands are felt

    bool operator==(const Strand&) const = default;
};

/// A named, reusable shake: an envelope and the strands that move under it.
struct Recipe {
    RecipeId id = 0;
    std::string name;
    Envelope envelope;
    std::vector<Strand> strands;

    bool operator==(const Recipe&) const = default;
};

/// A moment something hits.
struct Strike {
    StrikeId id = 0;
    Frame frame;
    StrikeKind kind = StrikeKind::hit;
    std::string name;                ///< may be empty
    double strength = 1;             ///< ratio, 0 to 4
    std::optional<double> direction; ///< degrees, 0 right, 90 down; none: the seed decides
    std::uint32_t seed = 1;
    RecipeId recipe = 0;
    EnvelopeOverrides overrides;

    bool operator==(const Strike&) const = default;
};

namespace strikefield {
extern const FieldSpec strength;
extern const FieldSpec direction;
} // namespace strikefield

/// What fills the border when the picture moves away from it.
enum class EdgeMode { mirror, extend, plain };
std::string_view edgeName(EdgeMode mode);
std::optional<EdgeMode> edgeFromName(std::string_view name);

/// Whether the picture is enlarged just enough to hide the border.
enum class CoverMode { off, constant };
std::string_view coverName(CoverMode mode);
std::optional<CoverMode> coverFromName(std::string_view name);

struct Colour {
    std::uint8_t r = 0;
    std::uint8_t g = 0;
    std::uint8_t b = 0;
    bool operator==(const Colour&) const = default;
};

struct Finish {
    EdgeMode edges = EdgeMode::mirror;
    Colour plain; ///< the colour beyond a plain edge
    CoverMode cover = CoverMode::constant;

    bool operator==(const Finish&) const = default;
};

/// The clip or still a project shakes. Its path is as the project knows it; files are resolved elsewhere.
struct Shot {
    std::string clip;
    std::int64_t length = 1; ///< frames, at the project's rate
    bool still = false;      ///< a single picture, though its name may look like one of a numbered series
    bool operator==(const Shot&) const = default;
};

/// The whole document, a plain value.
struct Project {
    int width = 1280;
    int height = 720;
    FrameRate rate;
    std::optional<Shot> shot;
    std::vector<Recipe> recipes;
    std::vector<Strike> strikes;
    Finish finish;

    std::int64_t length() const { return shot ? shot->length : 0; }

    const Recipe* recipe(RecipeId id) const;
    Recipe* recipe(RecipeId id);
    const Recipe* recipeNamed(std::string_view name) const;
    const Strike* strike(StrikeId id) const;
    Strike* strike(StrikeId id);

    /// Adds with an identity of its own, which is returned. Strikes are kept in the order of their frames.
    StrikeId addStrike(Strike strike);
    RecipeId addRecipe(Recipe recipe);
    void sortStrikes();

    bool operator==(const Project&) const = default;
};

/// The envelope a strike is felt with: its recipe's, with the strike's own values in place.
Envelope envelopeOf(const Project& project, const Strike& strike);

} // namespace ember
