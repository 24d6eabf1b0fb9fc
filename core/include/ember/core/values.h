// SPDX-License-Identifier: GPL-3.0-or-later
// Every value of a recipe and of a project by its key. One table for each kind of part serves the file format, a
// strike's own values, the fields on screen and `vast-ember-batch set`.
#pragma once

#include <optional>
#include <span>
#include <string>
#include <string_view>
#include <vector>

#include "ember/core/field.h"
#include "ember/core/phrase.h"
#include "ember/core/project.h"

namespace ember {

/// One field of every part of a kind: its key, what is known of it, and how it is read and written.
template <typename Part>
struct FieldOf {
    std::string_view key; ///< "decay", "amount.x"
    const FieldSpec* spec;
    double (*get)(const Part&);
    void (*put)(Part&, double);          ///< a value in its range
    bool (*only)(const Part&) = nullptr; ///< whether this part has it, where not all have

    bool in(const Part& part) const { return only == nullptr || only(part); }
    /// Moved into its range.
    void set(Part& part, double value) const { put(part, clampTo(*spec, value)); }
};

/// The fields of each kind of part, in the order they are shown and written: the one table from which files, settings,
/// lists, help and screens are made. Keys and specs stay where they are as long as the program runs.
template <typename Part>
std::span<const FieldOf<Part>> fieldsOf();

template <>
std::span<const FieldOf<Envelope>> fieldsOf<Envelope>();
/// The first is the source's kind; those of all kinds of source are among them.
template <>
std::span<const FieldOf<Strand>> fieldsOf<Strand>();
/// position, rotation, variation, seed, play_rate, pivot, pivot_x, pivot_y.
template <>
std::span<const FieldOf<Recipe>> fieldsOf<Recipe>();
/// strength, seed, locked, pinned, on_cut.
template <>
std::span<const FieldOf<Strike>> fieldsOf<Strike>();
/// weaker, later, directed.
template <>
std::span<const FieldOf<Place>> fieldsOf<Place>();
template <>
std::span<const FieldOf<Overlap>> fieldsOf<Overlap>();
template <>
std::span<const FieldOf<Drift>> fieldsOf<Drift>();
template <>
std::span<const FieldOf<Master>> fieldsOf<Master>();
template <>
std::span<const FieldOf<Finish>> fieldsOf<Finish>();
/// "streak.length", "flash.colour", …
template <>
std::span<const FieldOf<Effects>> fieldsOf<Effects>();
template <>
std::span<const FieldOf<Layer>> fieldsOf<Layer>();
template <>
std::span<const FieldOf<BeatGrid>> fieldsOf<BeatGrid>();
template <>
std::span<const FieldOf<Soundtrack>> fieldsOf<Soundtrack>();
template <>
std::span<const FieldOf<World>> fieldsOf<World>();
/// strength, flash, roll, displacement, speed.
template <>
std::span<const FieldOf<Gentle>> fieldsOf<Gentle>();
/// kind, level.
template <>
std::span<const FieldOf<StrikeSound>> fieldsOf<StrikeSound>();

/// The field of this key, whether or not every part has it; null where there is none.
template <typename Part>
const FieldOf<Part>* fieldOf(std::string_view key)
{
    for (const FieldOf<Part>& field : fieldsOf<Part>())
        if (field.key == key)
            return &field;
    return nullptr;
}

/// The field of this key that this part has: kinds of source may have fields of one key. Null where it has none.
template <typename Part>
const FieldOf<Part>* fieldIn(const Part& part, std::string_view key)
{
    for (const FieldOf<Part>& field : fieldsOf<Part>())
        if (field.key == key && field.in(part))
            return &field;
    return nullptr;
}

/// A value of a part as it is now.
struct Value {
    std::string_view key;
    const FieldSpec* spec;
    double value;
};
using Values = std::vector<Value>;

/// Those that this part has, in order.
template <typename Part>
Values valuesOf(const Part& part)
{
    Values values;
    for (const FieldOf<Part>& field : fieldsOf<Part>())
        if (field.in(part))
            values.push_back({field.key, field.spec, field.get(part)});
    return values;
}

/// Whether a number stands for a colour, written as "#rrggbb".
bool isColour(const FieldSpec& spec);

// The values of a recipe by their whole keys: "position", "envelope.decay", "light.streak.length",
// "strand.Kick.amount.x", "strand.Rumble.envelope.decay".

/// Sets it, moved into its range; an envelope that a strand gets for its own begins as the recipe's. False where the
/// recipe has no such value.
bool setValue(Recipe& recipe, std::string_view key, double value);

/// Nothing where the recipe has no such value.
std::optional<double> readValue(const Recipe& recipe, std::string_view key);
const FieldSpec* specOfValue(const Recipe& recipe, std::string_view key);

/// Every key of a recipe, in order.
std::vector<std::string> keysOf(const Recipe& recipe);

// Curves in the places of values, by the values' keys: "envelope.strength" (that of the whole shape),
// "strand.Drone.envelope.strength", "strand.Rattle.rate", "strand.Rattle.amount.x", "light.flash.strength",
// "light.streak.angle", "shutter_angle" (motion blur), "pivot_x". Frames count from the strike.

/// What the values of such a curve are; null where the recipe can have none there.
const FieldSpec* curveSpecOf(const Recipe& recipe, std::string_view key);
/// Every key that can have one, in order.
std::vector<std::string> curveKeysOf(const Recipe& recipe);
/// Null where a single value stands.
const CurveKeys* curveOf(const Recipe& recipe, std::string_view key);
/// Sets it, in order and with values moved into their range; without keys the single value stands again. False where
/// the recipe can have none there.
bool setCurve(Recipe& recipe, std::string_view key, CurveKeys keys);

/// A value as it is written: a word for a choice, else the number in its own unit (percent as a ratio).
std::string valueText(const FieldSpec& spec, double value);
/// The value a text stands for: a word of a choice, or a number in range; where the unit is %, also "80%".
/// Nothing when it is neither.
std::optional<double> valueFromText(const FieldSpec& spec, std::string_view text);
/// "one of off, on", "a number from 0 to 240": what a text should have been.
Phrase valueWanted(const FieldSpec& spec);

} // namespace ember
