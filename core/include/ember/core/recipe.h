// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstdint>
#include <map>
#include <optional>
#include <string>
#include <string_view>
#include <vector>

#include "ember/core/axes.h"
#include "ember/core/effects.h"
#include "ember/core/envelope.h"
#include "ember/core/source.h"
#include "ember/core/strike_sound.h"

namespace ember {

using RecipeId = std::int64_t;

/// One source of motion in a recipe. Its name is its own within the recipe.
struct Strand {
    std::string name;
    Source source;
    Rate rate;
    AxisValues amount; ///< largest excursion per axis at strength 1
    bool muted = false;
    bool solo = false; ///< while any strand of a recipe is solo, only solo strands are felt
    Intermittent intermittent = {};
    std::optional<Envelope> envelope = std::nullopt; ///< its own, instead of the recipe's
    int salt = 1;                                    ///< sets its noise apart from the other strands'

    bool operator==(const Strand&) const = default;
};

/// Whether the strikes of a recipe differ.
enum class Variation {
    each, ///< each strike moves by its own seed
    same, ///< all move by the recipe's
};

/// A named, reusable shake: an envelope and the strands that move under it.
struct Recipe {
    RecipeId id = 0;
    std::string name;
    Envelope envelope;
    std::vector<Strand> strands;
    double position = 1; ///< strength of x, y and zoom apart
    double rotation = 1; ///< strength of roll, pan and tilt apart
    Variation variation = Variation::each;
    std::uint32_t seed = 1; ///< for all, when they are the same
    Effects effects = {};
    StrikeSound sound = {};

    const Strand* strand(std::string_view strandName) const;
    Strand* strand(std::string_view strandName);
    /// Adds it last, with a name and a salt that no other strand has.
    Strand& add(Strand strand);
    bool operator==(const Recipe&) const = default;
};

/// A name like `wanted` that no strand of the recipe has.
std::string freshStrandName(const Recipe& recipe, const std::string& wanted);
/// The values of a recipe that a strike sets for itself, by their keys ("envelope.decay", "strand.Kick.amount.x"; see
/// values.h). The others follow the recipe.
class Overrides {
public:
    std::optional<double> operator[](std::string_view key) const;
    std::optional<double> operator[](EnvelopeField field) const;
    void set(std::string_view key, double value);
    /// Clamped like Envelope::set.
    void set(EnvelopeField field, double value);
    void clear(std::string_view key);
    void clear(EnvelopeField field);
    bool empty() const { return values_.empty() && keys_.empty(); }
    const std::map<std::string, double, std::less<>>& all() const { return values_; }

    /// Keys of its own for a drawn strand, in place of the recipe's, by the strand's name.
    const std::map<std::string, AxisKeys, std::less<>>& drawn() const { return keys_; }
    /// Null where the strand's keys are the recipe's.
    const AxisKeys* keysOf(std::string_view strand) const;
    void setKeys(std::string_view strand, AxisKeys keys);
    void clearKeys(std::string_view strand);

    bool operator==(const Overrides&) const = default;

private:
    std::map<std::string, double, std::less<>> values_;
    std::map<std::string, AxisKeys, std::less<>> keys_;
};

/// "envelope." and the field's key.
std::string overrideKey(EnvelopeField field);

/// The recipe with these values in place of its own. Keys the recipe has no place for are passed over.
Recipe withOverrides(Recipe recipe, const Overrides& overrides);

} // namespace ember
