// SPDX-License-Identifier: GPL-3.0-or-later
// What is done with a whole picture of light.
#pragma once

#include "ember/core/motion.h"
#include "light.h"

namespace ember {

/// Streak, radial streak, fringe and flashes, in this order. `scale`: pixels of the picture for one of the project.
LightPicture withEffects(LightPicture picture, const LightNow& light, double scale);

} // namespace ember
