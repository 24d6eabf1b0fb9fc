// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstdint>
#include <optional>
#include <string>
#include <string_view>

#include "ember/core/place.h"
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
    double strength = 1;             ///< ratio, 0 to 10
    std::optional<double> direction; ///< degrees, 0 right, 90 down; none: the seed decides
    std::optional<Place> place;      ///< where it happens; none: at the camera
    std::uint32_t seed = 1;
    bool pinned = false; ///< stays on its frame of the film when shots are trimmed or moved, instead of going with them
    bool onCut = false;  ///< where a cut is on its frame it peaks on that, wherever it goes
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

} // namespace ember
