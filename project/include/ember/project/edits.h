// SPDX-License-Identifier: GPL-3.0-or-later
// Edits: each takes a project and gives the one that comes of it.
#pragma once

#include <cstdint>
#include <vector>

#include "ember/core/project.h"

namespace ember {

using StrikeIds = std::vector<StrikeId>;

/// All strikes of a project, those that wait with their shots too: they name recipes and groups as well. The pointers
/// hold until strikes are added or taken away.
std::vector<Strike*> everyStrike(Project& project);
std::vector<const Strike*> everyStrike(const Project& project);

struct StrikeAdded {
    Project project;
    StrikeId id;
};

/// A strike of this kind at a frame, with the kind's usual direction, its starter recipe (the first recipe where that
/// is gone; the shipped one where there is none) and a seed that no other strike has.
StrikeAdded withStrike(Project project, Frame frame, StrikeKind kind, double strength);

Project withoutStrikes(Project project, const StrikeIds& ids);

/// Moves strikes by `frames`, together, as far as none leaves the film.
Project withStrikesMoved(Project project, const StrikeIds& ids, std::int64_t frames);

struct StrikesDuplicated {
    Project project;
    StrikeIds ids; ///< the new ones
};
/// Copies that stand `frames` later, with seeds of their own. Copies that would stand past the end are kept at it.
StrikesDuplicated withStrikesDuplicated(Project project, const StrikeIds& ids, std::int64_t frames);

/// Sets one thing of several strikes.
template <typename Change>
Project withStrikesChanged(Project project, const StrikeIds& ids, Change&& change)
{
    for (const StrikeId id : ids)
        if (Strike* strike = project.strike(id))
            change(*strike);
    return project;
}

/// Another seed for these strikes, the same for the same project. Locked strikes keep theirs; where a recipe moves all
/// its strikes alike, its seed is changed instead, once.
Project withNewVariation(Project project, const StrikeIds& ids);

/// A seed that no strike of the project uses, the same for the same project.
std::uint32_t freshSeed(const Project& project);

} // namespace ember
