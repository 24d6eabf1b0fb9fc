// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstdint>
#include <map>
#include <optional>
#include <string>
#include <string_view>
#include <vector>

#include "ember/core/axes.h"
#include "ember/core/curve.h"
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
    Line line = {};

    bool operator==(const Strand&) const = default;
};

/// Whether the strikes of a recipe differ.
enum class Variation {
    each, ///< each strike moves by its own seed
    same, ///< all move by the recipe's
};

/// About which point zoom and roll of a recipe go.
struct Pivot {
    enum class At {
        middle,   ///< of the frame
        point,    ///< of the picture
        place,    ///< where the strike's place is seen; the middle for one without
        followed, ///< a point that moves: the curves "pivot_x" and "pivot_y"
    };
    At at = At::middle;
    double x = 0.5; ///< ratio of the frame's width, to the right
    double y = 0.5; ///< and of its height, down

    bool operator==(const Pivot&) const = default;
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
    double playRate = 1; ///< how fast all of it goes by: envelope, rates, gates, keys, curves and light; 0.1 to 10
    Pivot pivot = {};
    /// What changes over frames from the strike, in place of single values (see curveSpecOf in values.h). The strength
    /// curves are the envelopes' own.
    Curves curves = {};

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
    bool empty() const { return values_.empty() && keys_.empty() && curves_.empty(); }
    const std::map<std::string, double, std::less<>>& all() const { return values_; }

    /// Keys of its own for a drawn strand, in place of the recipe's, by the strand's name.
    const std::map<std::string, AxisKeys, std::less<>>& drawn() const { return keys_; }
    /// Null where the strand's keys are the recipe's.
    const AxisKeys* keysOf(std::string_view strand) const;
    void setKeys(std::string_view strand, AxisKeys keys);
    void clearKeys(std::string_view strand);

    /// Curves of its own; one without keys stands for the single value, though the recipe has a curve there.
    const Curves& curves() const { return curves_; }
    void setCurve(std::string_view key, CurveKeys keys) { curves_.set(key, std::move(keys)); }
    void clearCurve(std::string_view key) { curves_.clear(key); }

    bool operator==(const Overrides&) const = default;

private:
    std::map<std::string, double, std::less<>> values_;
    std::map<std::string, AxisKeys, std::less<>> keys_;
    Curves curves_;
};

/// "envelope." and the field's key.
std::string overrideKey(EnvelopeField field);

/// The recipe with these values in place of its own. Keys the recipe has no place for are passed over.
Recipe withOverrides(Recipe recipe, const Overrides& overrides);

/// The recipe with its play rate worked into every length, rate, key and curve, so that it has none any more. Lengths
/// may then be beyond the ranges in which they can be set.
Recipe inPlayTime(Recipe recipe);

} // namespace ember
