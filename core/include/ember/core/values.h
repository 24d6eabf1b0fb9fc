// SPDX-License-Identifier: GPL-3.0-or-later
// Every value of a recipe and of a project by its key. One list serves the file format, a strike's own values, the
// fields on screen and `vast-ember-batch set`.
#pragma once

#include <optional>
#include <string>
#include <string_view>
#include <vector>

#include "ember/core/field.h"
#include "ember/core/project.h"

namespace ember {

/// A place that holds a value, whatever its type; lives as long as what holds it stays where it is.
class ValuePlace {
public:
    template <typename T>
    explicit ValuePlace(T& place)
        : place_(&place), get_([](const void* p) { return static_cast<double>(*static_cast<const T*>(p)); }),
          set_([](void* p, double v) { *static_cast<T*>(p) = static_cast<T>(v); })
    {
    }
    /// For what is set by more than an assignment.
    ValuePlace(void* place, double (*read)(const void*), void (*write)(void*, double))
        : place_(place), get_(read), set_(write)
    {
    }

    double get() const { return get_(place_); }
    void set(double value) const { set_(place_, value); }

private:
    void* place_;
    double (*get_)(const void*);
    void (*set_)(void*, double);
};

/// One value: its key, what is known of it, and where it is kept.
struct Value {
    std::string key; ///< "decay", "amount.x"
    const FieldSpec* spec;
    ValuePlace place;

    double get() const { return place.get(); }
    /// Moved into its range.
    void set(double value) const { place.set(clampTo(*spec, value)); }
};
using Values = std::vector<Value>;

/// The values of each part, in the order they are shown and written. Which there are depends on the source's kind.
/// The first of a strand's is its source.
Values valuesOf(Envelope& envelope);
Values valuesOf(Strand& strand);
Values valuesOf(Source& source);
/// position, rotation, variation, seed.
Values valuesOf(Recipe& recipe);
Values valuesOf(Overlap& overlap);
Values valuesOf(Drift& drift);
Values valuesOf(Master& master);
Values valuesOf(Finish& finish);
/// "streak.length", "flash.colour", …
Values valuesOf(Effects& effects);
Values valuesOf(Layer& layer);
Values valuesOf(BeatGrid& beats);
Values valuesOf(Soundtrack& sound);
Values valuesOf(World& world);
/// strength, flash, roll, displacement, speed.
Values valuesOf(Gentle& gentle);
/// kind, level.
Values valuesOf(StrikeSound& sound);

/// Whether a number stands for a colour, written as "#rrggbb".
bool isColour(const FieldSpec& spec);

/// The value of a recipe by its whole key: "position", "envelope.decay", "light.streak.length", "strand.Kick.amount.x",
/// "strand.Rumble.envelope.decay". Nothing where the recipe has no such value.
std::optional<Value> valueOf(Recipe& recipe, std::string_view key);
/// Sets it, moved into its range; an envelope that a strand gets for its own begins as the recipe's. False where the
/// recipe has no such value.
bool setValue(Recipe& recipe, std::string_view key, double value);

/// The value in a recipe that is only looked at.
std::optional<double> readValue(const Recipe& recipe, std::string_view key);
const FieldSpec* specOfValue(const Recipe& recipe, std::string_view key);

/// Every key of a recipe, in order.
std::vector<std::string> keysOf(const Recipe& recipe);

/// A value as it is written: a word for a choice, else the number in its own unit (percent as a ratio).
std::string valueText(const FieldSpec& spec, double value);
/// The value a text stands for: a word of a choice, or a number in range; where the unit is %, also "80%".
/// Nothing when it is neither.
std::optional<double> valueFromText(const FieldSpec& spec, std::string_view text);
/// "one of off, on", "a number from 0 to 240": what a text should have been.
std::string valueWanted(const FieldSpec& spec);

} // namespace ember
