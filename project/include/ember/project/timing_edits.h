// SPDX-License-Identifier: GPL-3.0-or-later
// Edits of when strikes hit and how their strengths follow each other.
#pragma once

#include <span>

#include "ember/project/edits.h"

namespace ember {

/// Spreads strikes evenly between the first and the last of them.
Project withStrikesSpread(Project project, const StrikeIds& ids);

/// In the order of their frames each gets `ratio` of the strength of the one before; the first keeps its own.
Project withFallingStrengths(Project project, const StrikeIds& ids, double ratio);

enum class Scattered {
    strength,  ///< `range` is a ratio: 0.2 gives 80 to 120 % of what each has
    direction, ///< `range` is in degrees to either side; one that the seed chooses is chosen so on
};
/// Each strike's strength or direction by another part of the range, evenly spread and fixed by its seed and `round`:
/// the same round gives the same again.
Project withScattered(Project project, const StrikeIds& ids, Scattered what, double range, std::uint32_t round);

struct StrikesPulled {
    Project project;
    std::size_t moved = 0; ///< strikes that stand on another frame now
    std::size_t far = 0;   ///< strikes with no moment near enough
};
/// Pulls each strike to the frame of the nearest of `seconds` (in order), if one is at most `within` frames away.
StrikesPulled withStrikesPulled(Project project, const StrikeIds& ids, std::span<const double> seconds, double within);

} // namespace ember
