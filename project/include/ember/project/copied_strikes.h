// SPDX-License-Identifier: GPL-3.0-or-later
// Strikes on their way to another place of a film, or to another film: as a project of their own.
#pragma once

#include <cstddef>
#include <string>
#include <string_view>
#include <vector>

#include "ember/core/error.h"
#include "ember/project/edits.h"

namespace ember {

/// The strikes of these identities with their recipes and groups, in the frame size and at the rate they are made for:
/// a project without shots.
Project copyOfStrikes(const Project& project, const StrikeIds& ids);

/// A copy as text for a clipboard, which is that of a project file.
std::string copyToText(const Project& copy);
/// What copyToText wrote, or any project's text. An error where it is none, or has no strikes.
Result<Project> copyFromText(std::string_view text);

/// Where a copy comes from.
enum class CopiedFrom {
    here, ///< this very project: its recipes are what those of their names are now, and each strike gets a variation of
          ///< its own
    elsewhere ///< another one: recipes come along, scaled to this frame size and rate; variations stay
};

struct StrikesPasted {
    Project project;
    StrikeIds ids;
    std::size_t past = 0;             ///< left out, as they lie past the film's end
    std::vector<std::string> recipes; ///< the names of those that came along
};

/// The copied strikes, the first of them at `at`, the others as many seconds after it as they were. A recipe that is
/// here already, the same in all but its identity, is shared; one whose name is taken by another gets a name of its
/// own. So do groups, except that a group of the same name is shared in any case.
StrikesPasted withStrikesPasted(Project project, const Project& copy, Frame at, CopiedFrom from);

/// Everything of the first copied strike but its frame, name, place and variation, given to these.
StrikesPasted withValuesPasted(Project project, const StrikeIds& ids, const Project& copy, CopiedFrom from);

} // namespace ember
