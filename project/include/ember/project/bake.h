// SPDX-License-Identifier: GPL-3.0-or-later
// Any motion as keys that can be edited by hand.
#pragma once

#include <cstddef>

#include "ember/core/captured.h"
#include "ember/core/error.h"
#include "ember/core/progress.h"
#include "ember/core/project.h"

namespace ember {

struct BakeWish {
    bool everyFrame = false; ///< a key on every frame; else the fewest that stay within the two below
    double pixels = 0.1;     ///< how far a corner-stone of the picture may be off: x, y, and zoom at the frame's corner
    double degrees = 0.02;   ///< roll, pan, tilt
};

struct Baked {
    Project project;
    std::size_t keys = 0; ///< made, on all axes
    double pixelsOff = 0; ///< farthest from the motion as it was, on any half frame
    double degreesOff = 0;
};

/// A strike's whole motion as one drawn strand of a recipe of its own; its envelope, effects and strength stay.
Result<Baked> withStrikeBaked(Project project, StrikeId strike, const BakeWish& wish, const Progress& progress = {});
/// One strand of it, in a recipe of the strike's own where others use it too; the other strands stay.
Result<Baked> withStrandBaked(Project project, StrikeId strike, std::size_t strand, const BakeWish& wish,
                              const Progress& progress = {});
/// All strikes of the film, with their overlap and settle marks, as one strike on its first frame. The film's own
/// intensity, drift and camera move stay what they are. Effects of light go with their strikes.
Result<Baked> withFilmBaked(Project project, const BakeWish& wish, const Progress& progress = {});

/// A stretch of a camera's motion, which begins at rest, as a drawn strand for one blow: as far as it was filmed in
/// this project's size and rate, from the strike on, eased home over its last quarter. An error when it does not move.
Result<Strand> strandCutOut(const CapturedMotion& stretch, const Project& project, const BakeWish& wish);

} // namespace ember
