// SPDX-License-Identifier: GPL-3.0-or-later
// Edits of curves: keys by hand, and what changes over time.
#pragma once

#include <string>
#include <string_view>

#include "ember/project/recipe_edits.h"

namespace ember {

/// A curve in place of a value ("envelope.strength", "strand.Rattle.rate"; see core's values.h) of the recipes these
/// strikes use, or of the strikes alone; without keys the single value stands. In the recipe's scope the strikes follow
/// the recipe there again.
Project withCurve(Project project, const StrikeIds& ids, std::string_view key, const CurveKeys& keys, ShapeScope scope);
/// The strikes follow the recipe there again.
Project withoutOwnCurve(Project project, const StrikeIds& ids, std::string_view key);

/// The keys of an axis of a drawn strand, for the recipes these strikes use or for the strikes alone; tidied. In the
/// recipe's scope the axis follows the recipe again.
Project withDrawnKeys(Project project, const StrikeIds& ids, std::string_view strand, Axis axis, const CurveKeys& keys,
                      ShapeScope scope);
/// How far from the peak the keys of a strand are felt: until its envelope ends, in the frames keys are counted in;
/// without an envelope for ever.
double lastFeltKeyFrame(const Recipe& felt, const Strand& strand);
/// The strand's envelope lasts until this key at least: its rumble is longer, or its decay where there is none.
Project withShapeReaching(Project project, const StrikeIds& ids, const std::string& strand, double keyFrame,
                          ShapeScope scope);
/// The keys of this strand follow the recipe again.
Project withoutOwnKeys(Project project, const StrikeIds& ids, std::string_view strand);

// Keys by hand, in the axes' own units: pixels, degrees, zoom as a difference.

/// The first strand of a recipe that is drawn without an envelope; null where it has none.
const Strand* handStrand(const Recipe& recipe);
/// The keys of an axis of a strand as what they move the picture by at strength 100 %.
CurveKeys movesOf(const Strand& strand, Axis axis);
/// Sets them. The strand's amount becomes the largest of them; values are moved into what an axis may go.
Project withMoves(Project project, const StrikeIds& ids, std::string_view strand, Axis axis, CurveKeys moves,
                  ShapeScope scope);

/// What one frame is moved by.
struct HandPose {
    AxisValues moves;
    std::array<bool, axisCount> axis{}; ///< which of them are set
};
/// Keys on a frame from the strike, on the axes that are set. On an axis without a key before it the picture is at rest
/// one frame earlier.
Project withHandPose(Project project, const StrikeIds& ids, std::string_view strand, double frame, const HandPose& pose,
                     ShapeScope scope);

/// Begins work by hand on a strike: its recipe gets a strand for it, which moves nothing yet and nobody else, unless it
/// has one. The project is the same where the strike has no recipe.
Project withHandBegun(Project project, StrikeId strike);
/// Keys as text for the clipboard, and back; values in the units they were shown in.
std::string keysToText(const CurveKeys& keys);
Result<CurveKeys> keysFromText(std::string_view text);

/// A recipe for nothing but work by hand.
Recipe handRecipe();

} // namespace ember
