// SPDX-License-Identifier: GPL-3.0-or-later
// A film that was edited anew: its strikes go where their events are now.
#pragma once

#include <cstdint>
#include <string>
#include <vector>

#include "ember/core/error.h"
#include "ember/core/project.h"
#include "ember/film/find_strikes.h"

namespace ember {

struct ConformedStrike {
    StrikeId id = 0;
    std::string name; ///< or its kind
    std::int64_t from = 0;
    std::int64_t to = -1;  ///< -1: its event is not in the new film
    double confidence = 0; ///< 0 to 1: how alike the frames around it are

    bool matched() const { return to >= 0; }
};

struct Conformed {
    Project project;
    std::vector<ConformedStrike> strikes; ///< in the order of the old film
    std::size_t unmatched = 0;
};

/// The project with `clip`, a new edit of its film, in place of its shots. Pictures and sounds of both are held against
/// each other (matchFrames). Strikes, settle marks, keys of the intensity and of the move, and the ins of layers go
/// where their frames are now. Strikes whose frames are gone wait with the shot (Shot::trimmed), on frames past its
/// clip's end; other things whose frames are gone stay as far from the next frame before them that is there.
Result<Conformed> conform(const Project& project, const std::string& clip, const Progress& progress);

} // namespace ember
