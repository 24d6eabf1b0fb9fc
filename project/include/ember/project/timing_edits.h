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

struct StrikesPulled {
    Project project;
    std::size_t moved = 0; ///< strikes that stand on another frame now
    std::size_t far = 0;   ///< strikes with no moment near enough
};
/// Pulls each strike to the frame of the nearest of `seconds` (in order), if one is at most `within` frames away.
StrikesPulled withStrikesPulled(Project project, const StrikeIds& ids, std::span<const double> seconds, double within);

} // namespace ember
